// SPDX-License-Identifier: GPL-3.0-or-later
#include "camera/random.h"
#include "export/lossless_jpeg.h"
#include "irenic/image.h"
#include "raw/lossless_jpeg_reader.h"

#include <QTest>

using namespace irenic;

class LosslessJpegTest : public QObject
{
    Q_OBJECT
private slots:
    void everySampleComesBack_data()
    {
        QTest::addColumn<int>("kind");
        QTest::addColumn<QSize>("size");
        QTest::addColumn<int>("components");
        for (const QSize size : {QSize(2, 1), QSize(2, 9), QSize(64, 48), QSize(256, 256)})
            for (int kind = 0; kind < 5; ++kind)
                QTest::addRow("kind %d, %d x %d", kind, size.width(), size.height()) << kind << size << 2;
        for (const QSize size : {QSize(3, 1), QSize(3, 7), QSize(96, 40)})
            for (int kind = 0; kind < 5; ++kind)
                QTest::addRow("full colour, kind %d, %d x %d", kind, size.width(), size.height()) << kind << size << 3;
    }
    void everySampleComesBack()
    {
        QFETCH(int, kind);
        QFETCH(QSize, size);
        QFETCH(int, components);
        Plane<uint16_t> tile({size.width(), size.height()});
        for (int y = 0; y < size.height(); ++y)
            for (int x = 0; x < size.width(); ++x) {
                RandomAt r(3, uint64_t(kind), x, y);
                const double u = r.uniform();
                // Flat, noise of every range, both ends in turn (differences of 65535 and -32768), long tails.
                tile.at(x, y) = kind == 0 ? 777 : kind == 1 ? uint16_t(u * 65536) : kind == 2 ? uint16_t((x / 2 + y) % 2 ? 65535 : 0)
                              : kind == 3 ? uint16_t((x / 2 + y) % 2 ? 32768 : 0) : uint16_t(1000 + 30 * r.gaussian() + (u < 0.001 ? 40000 : 0));
            }
        const auto bytes = encodeLosslessJpeg(tile.constView(), components);
        std::string problem;
        const auto back = decodeLosslessJpeg({reinterpret_cast<const uint8_t *>(bytes.data()), bytes.size()}, problem);
        QVERIFY2(back.has_value(), problem.c_str());
        QCOMPARE(back->components, components);
        QCOMPARE(back->width * back->components, size.width());
        for (int y = 0; y < size.height(); ++y)
            for (int x = 0; x < size.width(); ++x)
                QCOMPARE(back->samples[size_t(y) * size_t(size.width()) + size_t(x)], tile.at(x, y));
    }

    void noiseCostsWhatItsEntropyAsks()
    {
        // Gaussian noise of sigma 8: differences have sigma 11.3 and an entropy of 5.55 bits; categories cost a little more.
        Plane<uint16_t> tile({256, 256});
        for (int y = 0; y < 256; ++y)
            for (int x = 0; x < 256; ++x)
                tile.at(x, y) = uint16_t(std::lround(5000 + 8 * RandomAt(1, 0, x, y).gaussian()));
        const double bits = double(encodeLosslessJpeg(tile.constView()).size()) * 8 / (256 * 256);
        QVERIFY2(bits > 5.5 && bits < 5.9, qPrintable(QString::number(bits)));
    }
};

QTEST_APPLESS_MAIN(LosslessJpegTest)
#include "lossless_jpeg_test.moc"

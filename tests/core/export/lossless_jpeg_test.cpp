// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/random.h"
#include "export/lossless_jpeg.h"
#include "irenic/image.h"
#include "raw/lossless_jpeg_reader.h"

#include <QSize>
#include <QTest>

#include <cmath>

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
                tile.at(x, y) = kind == 0 ? 777 : kind == 1 ? uint16_t(u * 65536)
                                              : kind == 2   ? uint16_t((x / 2 + y) % 2 ? 65535 : 0)
                                              : kind == 3   ? uint16_t((x / 2 + y) % 2 ? 32768 : 0)
                                                            : uint16_t(1000 + 30 * r.gaussian() + (u < 0.001 ? 40000 : 0));
            }
        const auto bytes = encodeLosslessJpeg(tile.constView(), components);
        std::string problem;
        const auto back = decodeLosslessJpeg({reinterpret_cast<const uint8_t *>(bytes.data()), bytes.size()}, size_t(1) << 24, {}, problem);
        QVERIFY2(back.has_value(), problem.c_str());
        QCOMPARE(back->components, components);
        QCOMPARE(back->width * back->components, size.width());
        for (int y = 0; y < size.height(); ++y)
            for (int x = 0; x < size.width(); ++x)
                QCOMPARE(back->samples[size_t(y) * size_t(size.width()) + size_t(x)], tile.at(x, y));
    }

    void everyPredictorComesBack_data()
    {
        QTest::addColumn<int>("predictor");
        QTest::addColumn<int>("rowsPerLine");
        for (int p = 0; p <= 7; ++p)
            for (const int rows : {1, 2, 4})
                QTest::addRow("predictor %d, %d rows a line", p, rows) << p << rows;
    }
    void everyPredictorComesBack()
    {
        QFETCH(int, predictor);
        QFETCH(int, rowsPerLine);
        const Plane<uint16_t> tile = mosaicOf({60, 44}, 400);
        const auto bytes = encodeLosslessJpeg(tile.constView(), 2, rowsPerLine, predictor);
        std::string problem;
        const auto back = decodeLosslessJpeg({reinterpret_cast<const uint8_t *>(bytes.data()), bytes.size()}, size_t(1) << 24, {}, problem);
        QVERIFY2(back.has_value(), problem.c_str());
        QCOMPARE(back->height * rowsPerLine, 44);
        for (int i = 0; i < 60 * 44; ++i) // whatever the shape, samples keep their order
            QCOMPARE(back->samples[size_t(i)], tile.at(i % 60, i / 60));
    }

    void theChosenPredictorIsNearlyTheSmallest_data()
    {
        QTest::addColumn<double>("noise");
        for (const double noise : {0.0, 3.0, 30.0, 1000.0})
            QTest::addRow("noise %g", noise) << noise;
    }
    void theChosenPredictorIsNearlyTheSmallest()
    {
        QFETCH(double, noise);
        const Plane<uint16_t> tile = mosaicOf({256, 256}, noise);
        size_t least = SIZE_MAX;
        for (int p = 1; p <= 7; ++p)
            least = std::min(least, encodeLosslessJpeg(tile.constView(), 2, 2, p).size());
        const size_t chosen = encodeLosslessJpeg(tile.constView(), 2, 2).size();
        QVERIFY2(double(chosen) <= 1.03 * double(least), qPrintable(QStringLiteral("%1 of %2").arg(chosen).arg(least)));
        // Neighbours of the same colour above are worth having.
        if (noise < 10)
            QVERIFY(chosen < encodeLosslessJpeg(tile.constView(), 2, 1, 1).size());
    }

    void noiseCostsWhatItsEntropyAsks()
    {
        // Gaussian noise of sigma 8: differences have sigma 11.3 and an entropy of 5.55 bits; categories cost a little more.
        Plane<uint16_t> tile({256, 256});
        for (int y = 0; y < 256; ++y)
            for (int x = 0; x < 256; ++x)
                tile.at(x, y) = uint16_t(std::lround(5000 + 8 * RandomAt(1, 0, x, y).gaussian()));
        const double bits = double(encodeLosslessJpeg(tile.constView(), 2, 1, 1).size()) * 8 / (256 * 256);
        QVERIFY2(bits > 5.5 && bits < 5.9, qPrintable(QString::number(bits)));
    }

private:
    /// A curved surface in four colours of different brightness, with noise.
    static Plane<uint16_t> mosaicOf(QSize size, double noise)
    {
        Plane<uint16_t> tile({size.width(), size.height()});
        for (int y = 0; y < size.height(); ++y)
            for (int x = 0; x < size.width(); ++x) {
                const double colour = (x & 1) ? ((y & 1) ? 0.4 : 1) : ((y & 1) ? 1 : 0.6);
                const double light = 20000 + 9000 * std::sin(x * 0.05) * std::cos(y * 0.04);
                tile.at(x, y) = uint16_t(std::clamp(std::lround(colour * light + noise * RandomAt(9, 0, x, y).gaussian()), 0l, 65535l));
            }
        return tile;
    }
};

QTEST_APPLESS_MAIN(LosslessJpegTest)
#include "lossless_jpeg_test.moc"

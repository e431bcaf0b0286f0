// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/glimpse.h"
#include "support/frames.h"
#include "support/jpeg.h"

#include <exiv2/exiv2.hpp>

#include <QFile>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

QByteArray jpegOf(int width, int height, int grey)
{
    return jpeg(std::vector<uint8_t>(size_t(3 * width * height), uint8_t(grey)), width, height, 3, 75);
}

QByteArray bytesOf(const Glimpse &g)
{
    return {reinterpret_cast<const char *>(g.jpeg.data()), qsizetype(g.jpeg.size())};
}

} // namespace

class GlimpseTest : public QObject
{
    Q_OBJECT
private slots:
    void aPictureTellsOfItselfBeforeItIsRead()
    {
        const QString file = m_dir.filePath("carries.jpg");
        const QByteArray small = jpegOf(160, 120, 90);
        QFile out(file);
        QVERIFY(out.open(QIODevice::WriteOnly) && out.write(jpegOf(1200, 900, 130)) > 0);
        out.close();
        {
            const auto image = Exiv2::ImageFactory::open(file.toStdString());
            image->readMetadata();
            Exiv2::ExifData exif;
            exif["Exif.Image.Model"] = "Tarn Bench-1";
            exif["Exif.Image.Orientation"] = uint16_t(6);
            exif["Exif.Photo.ISOSpeedRatings"] = uint16_t(6400);
            exif["Exif.Photo.DateTimeOriginal"] = "2031:10:18 23:41:07";
            Exiv2::ExifThumb(exif).setJpegThumbnail(reinterpret_cast<const Exiv2::byte *>(small.constData()), long(small.size()));
            image->setExifData(exif);
            image->writeMetadata();
        }
        const Glimpse g = glimpseOf(file.toStdString()).take();
        QCOMPARE(bytesOf(g), small);
        QCOMPARE(g.orientation, 6);
        QCOMPARE(g.shooting.iso, 6400.0);
        QCOMPARE(g.shooting.model, std::string("Tarn Bench-1"));
        QCOMPARE(g.shooting.dateTime, std::string("2031:10:18 23:41:07"));
    }

    void whatCarriesNothingSaysSo()
    {
        ShootOptions o;
        o.iso = 1600;
        const QString file = m_dir.filePath("plain.dng");
        QVERIFY(writeShot(file.toStdString(), shoot(makeScene({64, 48}), o).value(), o));
        const auto g = glimpseOf(file.toStdString());
        QVERIFY(g);
        QCOMPARE(g.value().shooting.iso, 1600.0);
        QVERIFY(glimpseOf(m_dir.filePath("nowhere.dng").toStdString()).error().code == ErrorCode::NotFound);
        QFile text(m_dir.filePath("text.nef"));
        QVERIFY(text.open(QIODevice::WriteOnly) && text.write("no photograph") > 0);
        text.close();
        const auto none = glimpseOf(text.fileName().toStdString());
        QVERIFY(!none && none.error().code == ErrorCode::Unsupported);
        QVERIFY(none.error().userMessage.find("text.nef") != std::string::npos);
    }

    /// Cut off and overwritten at many places: an answer or an error, never an end of the program.
    void damagedFilesEndInAnAnswer()
    {
        QFile whole(m_dir.filePath("carries.jpg"));
        QVERIFY(whole.open(QIODevice::ReadOnly));
        const QByteArray good = whole.readAll();
        const QString file = m_dir.filePath("damaged.jpg");
        int answers = 0;
        for (int i = 0; i < 200; ++i) {
            QByteArray bad = good;
            if (i % 2)
                bad.truncate(bad.size() * i / 200);
            else
                for (int k = 0; k < 8; ++k)
                    bad[(i * 37 + k * 101) % std::min<qsizetype>(bad.size(), 3000)] = char(i * 13 + k * 7);
            QFile out(file);
            QVERIFY(out.open(QIODevice::WriteOnly | QIODevice::Truncate) && out.write(bad) == bad.size());
            out.close();
            const auto g = glimpseOf(file.toStdString());
            answers += bool(g);
            QVERIFY(!g || g.value().jpeg.size() <= kLargestGlimpse);
        }
        QVERIFY(answers > 20 && answers < 200);
    }

private:
    QTemporaryDir m_dir;
};

QTEST_GUILESS_MAIN(GlimpseTest)
#include "glimpse_test.moc"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/random.h"
#include "export/dng_writer.h"
#include "irenic/frame.h"
#include "irenic/read_frame.h"
#include "raw/lossless_jpeg_reader.h"
#include "support/frames.h"
#include "support/hand_made.h"

#include <libraw/libraw.h>

#include <QFile>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

std::filesystem::path pathIn(const QTemporaryDir &dir, const char *name)
{
    return dir.filePath(QString::fromLatin1(name)).toStdString();
}

std::filesystem::path written(const QTemporaryDir &dir, const char *name, const QByteArray &bytes)
{
    QFile f(dir.filePath(QString::fromLatin1(name)));
    return f.open(QIODevice::WriteOnly) && f.write(bytes) == bytes.size() ? std::filesystem::path(f.fileName().toStdString()) : std::filesystem::path();
}

} // namespace

class ReadFrameTest : public QObject
{
    Q_OBJECT
    /// A file of the layout that a row of legalLayouts_data() asks for.
    static HandMade ofThisRow()
    {
        QFETCH(bool, big);
        QFETCH(int, bits);
        QFETCH(int, rowsPerStrip);
        QFETCH(QSize, tile);
        HandMade h;
        h.big = big;
        h.bits = bits;
        h.rowsPerStrip = rowsPerStrip;
        h.tileWidth = tile.isValid() ? tile.width() : 0;
        h.tileHeight = tile.isValid() ? tile.height() : 0;
        return h;
    }
private slots:
    void legalLayouts_data()
    {
        QTest::addColumn<bool>("big");
        QTest::addColumn<int>("bits");
        QTest::addColumn<int>("rowsPerStrip");
        QTest::addColumn<QSize>("tile");
        QTest::newRow("16 bits, one strip") << false << 16 << 34 << QSize();
        QTest::newRow("16 bits, strips of one row") << false << 16 << 1 << QSize();
        QTest::newRow("16 bits, ragged last strip") << false << 16 << 8 << QSize();
        QTest::newRow("16 bits, tiles") << false << 16 << 0 << QSize(16, 16);
        QTest::newRow("big-endian, 16 bits") << true << 16 << 34 << QSize();
        QTest::newRow("big-endian, tiles") << true << 16 << 0 << QSize(32, 16);
        QTest::newRow("12 bits packed") << false << 12 << 34 << QSize();
        QTest::newRow("12 bits packed, big-endian, strips of five") << true << 12 << 5 << QSize();
        QTest::newRow("14 bits packed, tiles") << false << 14 << 0 << QSize(16, 16);
    }
    void legalLayouts()
    {
        const HandMade h = ofThisRow();
        const QTemporaryDir dir;
        const auto frame = readFrame(written(dir, "legal.dng", h.bytes()));
        QVERIFY2(frame.ok(), frame.ok() ? "" : frame.error().userMessage.c_str());
        const Frame &f = *frame.value();
        QCOMPARE(f.samples.width(), 40);
        QCOMPARE(f.samples.height(), 34);
        for (int y = 0; y < 34; ++y)
            for (int x = 0; x < 40; ++x)
                QCOMPARE(f.samples.at(x, y), HandMade::sample(x, y));
        QCOMPARE(f.levels.white, 4000.f);
        QCOMPARE(f.linearAt(3, 2), (float(HandMade::sample(3, 2)) - 64) / (4000 - 64));
    }

    void linearDngsOfEveryLayout_data() { legalLayouts_data(); }
    void linearDngsOfEveryLayout()
    {
        HandMade h = ofThisRow();
        h.perPixel = 3;
        const QTemporaryDir dir;
        const auto frame = readFrame(written(dir, "linear.dng", h.bytes()));
        QVERIFY2(frame.ok(), frame.ok() ? "" : frame.error().userMessage.c_str());
        const Frame &f = *frame.value();
        QCOMPARE(int(f.kind), int(FrameKind::Linear));
        QVERIFY((f.size() == Size{40, 34}) && f.pattern.empty());
        for (int y = 0; y < 34; ++y)
            for (int x = 0; x < 40; ++x)
                for (int c = 0; c < 3; ++c)
                    QCOMPARE(f.samples.at(3 * x + c, y), HandMade::sample(x, y, c));
        const float blacks[3] = {64, 66, 69}; // every colour has its own
        for (int c = 0; c < 3; ++c)
            QCOMPARE(f.linearAt(7, 5, c), (float(HandMade::sample(7, 5, c)) - blacks[c]) / (4000 - blacks[c]));
    }

    void oddLinearDngsAreRefused()
    {
        const QTemporaryDir dir;
        HandMade h;
        h.perPixel = 3;
        h.extra = {{TagPlanarConfiguration, {2}}}; // of which each colour would have a piece of its own
        QCOMPARE(readFrame(written(dir, "planes.dng", h.bytes())).error().code, ErrorCode::Damaged);
        h.extra = {};
        h.perPixel = 4;
        QCOMPARE(readFrame(written(dir, "four.dng", h.bytes())).error().code, ErrorCode::Unsupported);
        h.perPixel = 3;
        QVERIFY(!readFrame(written(dir, "cut.dng", h.bytes().left(4000))));
    }

    void whateverIsWrongWithAFileItIsSaidAndNothingBreaks_data()
    {
        QTest::addColumn<int>("perPixel");
        QTest::newRow("mosaic") << 1;
        QTest::newRow("linear") << 3;
    }
    void whateverIsWrongWithAFileItIsSaidAndNothingBreaks()
    {
        // Bytes of the directory changed at random, by a fixed seed: a frame with sane geometry, or words that name the file.
        QFETCH(int, perPixel);
        HandMade h;
        h.perPixel = perPixel;
        const QByteArray good = h.bytes();
        const QTemporaryDir dir;
        const qsizetype directory = 40 * 34 * 2 * perPixel;
        int refused = 0;
        for (uint64_t seed = 0; seed < 400; ++seed) {
            QByteArray bad = good;
            for (int k = 0; k < 3; ++k) {
                RandomAt random(seed, uint64_t(k), 0, 0);
                const auto at = k == 0 ? qsizetype(random.uniform() * double(good.size())) : directory + qsizetype(random.uniform() * double(good.size() - directory));
                bad[at] = char(random.uniform() * 256);
            }
            const auto frame = readFrame(written(dir, "odd.dng", bad));
            if (!frame) {
                QVERIFY2(frame.error().userMessage.find("odd.dng") != std::string::npos, frame.error().userMessage.c_str());
                ++refused;
                continue;
            }
            const Frame &f = *frame.value();
            QVERIFY((Rect{0, 0, f.size().width, f.size().height}.contains(f.active)) && f.active.contains(f.crop));
            QVERIFY(std::isfinite(f.linearAt(f.active.x, f.active.y, f.channels() - 1)));
        }
        QVERIFY2(refused > 20 && refused < 400, qPrintable(QString::number(refused)));
    }

    void oddActiveAreaKeepsThePhase()
    {
        HandMade h;
        h.extra = {{TagActiveArea, {3, 5, 34, 40}}}; // top, left, bottom, right
        const QTemporaryDir dir;
        const auto frame = readFrame(written(dir, "odd.dng", h.bytes()));
        QVERIFY(frame);
        const Frame &f = *frame.value();
        QVERIFY((f.active == Rect{5, 3, 35, 31}));
        QCOMPARE(f.cfa.at(5, 3), Colour::Red); // the pattern begins at the active area's corner
        QCOMPARE(f.cfa.at(6, 4), Colour::Blue);
        QCOMPARE(f.samples.at(0, 0), HandMade::sample(0, 0)); // and the border is kept
    }

    void contradictionsAreRefused_data()
    {
        QTest::addColumn<QByteArray>("bytes");
        HandMade good;
        const auto row = [](const char *name, const HandMade &h) { QTest::newRow(name) << h.bytes(); };
        HandMade h = good;
        h.black = 5000;
        row("black above white", h);
        h = good;
        h.extra = {{TagActiveArea, {0, 0, 900, 900}}};
        row("active area outside", h);
        h = good;
        h.extra = {{TagImageWidth, {4000000}}};
        row("absurd width", h);
        h = good;
        h.extra = {{TagImageLength, {20000}}};
        row("more rows than the strips hold", h);
        h = good;
        h.extra = {{TagStripByteCounts, {40}}};
        row("strip shorter than its rows", h);
        h = good;
        h.extra = {{TagBitsPerSample, {32}}};
        row("32 bits", h);
        h = good;
        h.extra = {{TagCompression, {8}}};
        row("deflated", h);
        h = good;
        h.extra = {{TagCompression, {7}}};
        row("said to be JPEG and is not", h);
        h = good;
        h.extra = {{TagCfaRepeatPatternDim, {6, 6}}};
        row("six by six", h);
        QTest::newRow("cut off") << good.bytes().left(1500);
        QByteArray tail = good.bytes();
        QTest::newRow("half missing") << tail.left(tail.size() / 2);
        QByteArray zeros = good.bytes();
        zeros.replace(8, 40 * 34 * 2, QByteArray(40 * 34 * 2, '\0'));
        QTest::newRow("all zeros") << zeros;
        zeros = good.bytes();
        zeros.replace(8 + 40 * 2 * 10, 40 * 24 * 2, QByteArray(40 * 24 * 2, '\0'));
        QTest::newRow("mostly zeros") << zeros;
    }
    void contradictionsAreRefused()
    {
        QFETCH(QByteArray, bytes);
        const QTemporaryDir dir;
        const auto frame = readFrame(written(dir, "bad.dng", bytes));
        QVERIFY(!frame);
        QVERIFY2(frame.error().userMessage.find("bad.dng") != std::string::npos, frame.error().userMessage.c_str());
    }

    void someDeadRowsAreOpenedWithAWarning()
    {
        QByteArray bytes = HandMade().bytes();
        bytes.replace(8 + 40 * 2 * 30, 40 * 4 * 2, QByteArray(40 * 4 * 2, '\0'));
        const QTemporaryDir dir;
        const auto frame = readFrame(written(dir, "partly.dng", bytes));
        QVERIFY(frame);
        const auto &warnings = frame.value()->warnings;
        QVERIFY(std::any_of(warnings.begin(), warnings.end(), [](const std::string &w) { return w.find("4 of 34") != std::string::npos; }));
    }

    void otherFilesAreNoPhotographs()
    {
        const QTemporaryDir dir;
        for (const auto &[name, bytes] : {std::pair{"text.dng", QByteArray("just words")}, {"zero.dng", QByteArray()}, {"zeros.dng", QByteArray(100000, '\0')}, {"text.nef", QByteArray("just words")}, {"picture.png", QByteArray("\x89PNG\r\n\x1a\n")}}) {
            const auto frame = readFrame(written(dir, name, bytes));
            QVERIFY(!frame);
            QVERIFY(frame.error().userMessage.find(name) != std::string::npos);
        }
        QVERIFY(!readFrame(dir.path().toStdString()));
        QVERIFY(!readFrame(pathIn(dir, "nowhere.dng")));
    }

    /// LibRaw is the independent decoder: what it reads from the camera's files is what we read.
    void agreesWithLibRaw_data()
    {
        QTest::addColumn<QString>("pattern");
        QTest::addColumn<int>("bits");
        QTest::addColumn<bool>("lossless");
        QTest::addColumn<int>("border");
        QTest::addColumn<int>("width");
        QTest::newRow("RGGB, lossless") << "RGGB" << 14 << true << 0 << 300;
        QTest::newRow("BGGR, 12 bits, lossless, even border") << "BGGR" << 12 << true << 6 << 300;
        QTest::newRow("GRBG, packed 14 bits") << "GRBG" << 14 << false << 0 << 298;
        QTest::newRow("GBRG, packed 12 bits, border") << "GBRG" << 12 << false << 8 << 302;
        QTest::newRow("twice as wide as usual tiles") << "RGGB" << 14 << true << 0 << 512;
        QTest::newRow("odd size") << "GBRG" << 14 << true << 0 << 301;
    }
    void agreesWithLibRaw()
    {
        QFETCH(QString, pattern);
        QFETCH(int, bits);
        QFETCH(bool, lossless);
        QFETCH(int, border);
        QFETCH(int, width);
        ShootOptions o;
        o.cfa = *CfaPattern::fromName(pattern.toStdString());
        o.bits = bits;
        o.lossless = lossless;
        o.borderPx = border;
        o.blackOffsets = {0, 3, -2, 1};
        const QTemporaryDir dir;
        const auto file = pathIn(dir, "shot.dng");
        const auto shot = shoot(makeScene({width, 261}), o);
        QVERIFY(writeShot(file, shot.value(), o));

        LibRaw raw;
        QCOMPARE(raw.open_file(file.c_str()), 0);
        QCOMPARE(raw.unpack(), 0);
        const auto frame = readFrame(file);
        QVERIFY2(frame.ok(), frame.ok() ? "" : frame.error().userMessage.c_str());
        const Frame &f = *frame.value();
        QCOMPARE(f.samples.width(), int(raw.imgdata.sizes.raw_width));
        QCOMPARE(f.samples.height(), int(raw.imgdata.sizes.raw_height));
        for (int y = 0; y < f.samples.height(); ++y)
            for (int x = 0; x < f.samples.width(); ++x) {
                QCOMPARE(f.samples.at(x, y), raw.imgdata.rawdata.raw_image[y * raw.imgdata.sizes.raw_pitch / 2 + x]);
                QCOMPARE(f.samples.at(x, y), shot.value().samples.at(x, y));
            }
        QVERIFY((f.active == Rect{border, border, width, 261}));
        QCOMPARE(f.cfa.shifted(border, border).name(), pattern.toStdString());
        QCOMPARE(f.levels.blackAt(1, 0), float(bits == 14 ? 512 : 128) + 3);
        QCOMPARE(f.levels.blackAt(0, 1), float(bits == 14 ? 512 : 128) - 2);
        QCOMPARE(f.shooting.iso, double(o.iso));
        QCOMPARE(f.shooting.model, std::string("Bench-1"));
        QVERIFY(f.warnings.empty());
    }

    void damagedLosslessDataNeverPassUnseen()
    {
        ShootOptions o;
        const QTemporaryDir dir;
        const auto file = pathIn(dir, "shot.dng");
        QVERIFY(writeShot(file, shoot(makeScene({320, 256}), o).value(), o));
        QFile f(QString::fromStdString(file.string()));
        QVERIFY(f.open(QIODevice::ReadOnly));
        const QByteArray good = f.readAll();
        const qsizetype scan = good.indexOf(QByteArray::fromHex("ffda"));
        QVERIFY(scan > 0);
        // An end marker in the middle of a scan: the rest is missing.
        QByteArray bad = good;
        bad.replace(scan + 4000, 2, QByteArray::fromHex("ffd9"));
        QVERIFY(!readFrame(written(dir, "ended.dng", bad)));
        bad = good;
        bad.replace(scan - 20, 8, QByteArray(8, '\xff'));
        QVERIFY(!readFrame(written(dir, "tables.dng", bad)));
        QVERIFY(!readFrame(written(dir, "short.dng", good.left(good.size() * 2 / 3))));
    }

    void everyPredictorDecodes_data()
    {
        QTest::addColumn<int>("predictor");
        for (int p = 1; p <= 7; ++p)
            QTest::addRow("predictor %d", p) << p;
    }
    void everyPredictorDecodes()
    {
        // Differences of fixed categories by a hand-made table: categories 0, 1, 2 have codes 0, 10, 110.
        QFETCH(int, predictor);
        QByteArray j = QByteArray::fromHex("ffd8"
                                           "ffc40016"
                                           "00"
                                           "01010100000000000000000000000000"
                                           "000102"
                                           "ffc3000b"
                                           "08"
                                           "0002"
                                           "0003"
                                           "01"
                                           "001100"
                                           "ffda0008"
                                           "01"
                                           "0000");
        j.append(char(predictor)).append('\0').append('\0');
        // Row 0: +3 (110 11), -1 (10 0), 0 (0). Row 1: +1 (10 1), +2 (110 10), -2 (110 01). 11011 100 | 0 101 1101 | 0 11001 11
        j.append(QByteArray::fromHex("dc5d67ffd9"));
        std::string problem;
        const auto out = decodeLosslessJpeg({reinterpret_cast<const uint8_t *>(j.constData()), size_t(j.size())}, size_t(1) << 24, {}, problem);
        QVERIFY2(out.has_value(), problem.c_str());
        const std::vector<int> row0{131, 130, 130};
        const int first = row0[0] + 1;
        const auto predict = [&](int left, int above, int corner) { // T.81, table H.1
            const int table[8] = {0, left, above, corner, left + above - corner, left + ((above - corner) >> 1), above + ((left - corner) >> 1), (left + above) / 2};
            return table[predictor];
        };
        const int second = predict(first, row0[1], row0[0]) + 2;
        const int third = predict(second, row0[2], row0[1]) - 2;
        const std::vector<uint16_t> expected{131, 130, 130, uint16_t(first), uint16_t(second), uint16_t(third)};
        QCOMPARE(out->samples, expected);
    }
};

QTEST_APPLESS_MAIN(ReadFrameTest)
#include "read_frame_test.moc"

// SPDX-License-Identifier: GPL-3.0-or-later
// What a file's opcode lists describe: applied to what is looked at, kept in samples that stay as they were, applied and taken out of full colour.
#include "export/dng_writer.h"
#include "irenic/export_job.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "irenic/shading.h"
#include "raw/opcode_list.h"
#include "storage/atomic_file.h"
#include "support/frames.h"

#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

/// An opcode list, written as DNG 1.4 says.
class List
{
public:
    List &opcode(uint32_t id)
    {
        finish();
        m_entries.emplace_back();
        long_(id).long_(0x01030000).long_(1).long_(0);
        return *this;
    }
    List &long_(uint32_t v)
    {
        for (int shift = 24; shift >= 0; shift -= 8)
            m_entries.back().push_back(std::byte(v >> shift & 255));
        return *this;
    }
    List &real(double v)
    {
        const uint64_t bits = std::bit_cast<uint64_t>(v);
        return long_(uint32_t(bits >> 32)).long_(uint32_t(bits));
    }
    List &single(float v) { return long_(std::bit_cast<uint32_t>(v)); }
    List &area(int top, int left, int bottom, int right, int plane, int planes, int pitch = 1)
    {
        for (const int v : {top, left, bottom, right, plane, planes, pitch, pitch})
            long_(uint32_t(v));
        return *this;
    }
    std::vector<std::byte> bytes()
    {
        finish();
        return opcodeList(m_entries);
    }

private:
    void finish()
    {
        if (m_entries.empty())
            return;
        const auto length = uint32_t(m_entries.back().size() - 16);
        for (size_t i = 0; i < 4; ++i)
            m_entries.back()[12 + i] = std::byte(length >> 8 * (3 - i) & 255);
    }
    std::vector<std::vector<std::byte>> m_entries;
};

/// A gain map for one place of the pattern: from 1 at the left to `right` at the right.
void addMap(List &l, Size size, int dx, int dy, float right)
{
    l.opcode(OpcodeGainMap).area(dy, dx, size.height, size.width, 0, 1, 2).long_(1).long_(2).real(1).real(1).real(0).real(0).long_(1).single(1).single(right);
}

constexpr Size kSize{160, 96};

struct Source {
    QTemporaryDir dir;
    std::filesystem::path file;
    /// A shot of a grey slope in a DNG that describes `lists`.
    explicit Source(const std::map<uint16_t, std::vector<std::byte>> &lists, bool textured = false)
    {
        ShootOptions o;
        o.iso = 100;
        const auto plain = path("plain.dng");
        if (!writeShot(plain, shoot(textured ? makeScene(kSize) : flatScene(kSize, 0.2f, 0.2f, 0.2f), o).value(), o))
            return;
        const auto frame = readFrame(plain).value();
        DngContents contents{frame->source->main, frame->source->rawIsMain ? TiffDirectory() : frame->source->raw, frame->samples.constView(), 1, 16, DngCompression::LosslessJpeg, RgbImage<uint8_t>::ofSize({16, 16})};
        std::fill(contents.preview.samples.begin(), contents.preview.samples.end(), uint8_t(128));
        for (const auto &[tag, bytes] : lists)
            contents.raw.setBytes(tag, TiffUndefined, bytes);
        file = path("described.dng");
        auto out = AtomicFile::create(file);
        if (!out || !writeDng(out.value(), contents, {}) || !out.value().commit())
            file.clear();
    }
    std::filesystem::path path(const char *name) const { return dir.filePath(QString::fromLatin1(name)).toStdString(); }
    std::shared_ptr<const Frame> read() const
    {
        const auto r = readFrame(file);
        return r ? r.value() : nullptr;
    }
};

/// The mean of green over a tenth of the width.
double greenAt(const RgbImage<float> &image, double from)
{
    double sum = 0;
    int n = 0;
    for (int y = 0; y < image.size.height; ++y)
        for (int x = int(from * image.size.width); x < int((from + 0.1) * image.size.width); ++x, ++n)
            sum += double(image.row(y)[3 * x + 1]);
    return sum / n;
}

std::vector<std::byte> fourMaps(float right)
{
    List l;
    for (int i = 0; i < 4; ++i)
        addMap(l, kSize, i & 1, i >> 1, right);
    return l.bytes();
}

} // namespace

class DescribedTest : public QObject
{
    Q_OBJECT
private slots:
    void gainsAreWhatTheMapSays()
    {
        // By hand: two points at 0 and 1 of the width, so that the middle of pixel x of 160 lies at (x + 0.5) / 160.
        const Source s({{uint16_t(TagOpcodeList2), fourMaps(3)}});
        const auto f = s.read();
        QVERIFY(f && f->shading);
        const Rect &a = f->active;
        QCOMPARE(f->shading->gainAt({a.x + 80, a.y + 10}, 1, true), float(1 + 2 * 80.5 / a.width));
        QCOMPARE(f->shading->gainAt({a.x + a.width - 1, a.y}, 1, true), float(1 + 2 * (a.width - 0.5) / a.width));
    }
    void aRowIsItsSamples()
    {
        // Maps of single places and of colours, and a vignette; a row that reaches beyond the area on both sides.
        Shading s({4, 6, 40, 30});
        s.add(Shading::Map{{5, 7, 39, 29}, 0, 1, 2, 2, 2, 3, 1, 0, 0, 1, 0.5, {1, 2, 3, 4, 5, 6}, false});
        s.add(Shading::Map{{4, 6, 40, 30}, 1, 2, 1, 1, 1, 2, 2, 0, 0.1, 1, 0.8, {1.1f, 1.2f, 1.3f, 1.4f}, true});
        s.add(Shading::Radial{{0.5, -0.2, 0, 0, 0}, 0.4, 0.6});
        const CfaPattern cfa;
        for (const bool mosaic : {true, false})
            for (int y = 4; y < 38; ++y) {
                const int n = mosaic ? 1 : 3;
                std::vector<float> row(size_t(48 * n), 1.f);
                const CfaPattern here = cfa.shifted(0, y);
                s.multiply(row.data(), 48, {0, y}, mosaic ? &here : nullptr);
                for (int x = 0; x < 48; ++x)
                    for (int c = 0; c < n; ++c) {
                        const PixelAt at{4 + mirrored(x - 4, 40), 6 + mirrored(y - 6, 30)};
                        QCOMPARE(row[size_t(x * n + c)], s.gainAt(at, mosaic ? int(here.at(x, 0)) : c, mosaic));
                    }
            }
    }
    void aGainMapIsLookedAt_data()
    {
        QTest::addColumn<int>("factor");
        QTest::newRow("at full size") << 1;
        QTest::newRow("reduced") << 4;
    }
    void aGainMapIsLookedAt()
    {
        QFETCH(int, factor);
        const Source s({{uint16_t(TagOpcodeList2), fourMaps(3)}});
        const auto f = s.read();
        QVERIFY(f);
        const Cleaner nothing = Cleaner::untreated(f);
        const auto picture = factor == 1 ? developRegion(nothing, f->crop, {}, nullptr, {}) : developReducedRegion(nothing, f->crop, factor, {}, nullptr, {});
        QVERIFY(picture);
        // Of a grey of 0.2 under a rising light: three times as bright at the right.
        const double ratio = greenAt(picture.value(), 0.9) / greenAt(picture.value(), 0);
        QVERIFY2(std::abs(ratio - (1 + 2 * 0.95) / (1 + 2 * 0.05)) < 0.06, qPrintable(QString::number(ratio)));
    }
    void vignettingOfTheLensStandsInForIt()
    {
        const Source s({{uint16_t(TagOpcodeList2), fourMaps(3)}});
        const auto f = s.read();
        QVERIFY(f);
        LensCorrection lens;
        lens.vignetting = true;
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*f).take());
        const Cleaner cleaner(f, noise, {"wavelet", 0, 0}, {nullptr, lens});
        const auto picture = developRegion(cleaner, f->crop, {}, nullptr, {});
        QVERIFY(picture);
        QVERIFY(std::abs(greenAt(picture.value(), 0.9) / greenAt(picture.value(), 0) - 1) < 0.03);
    }
    void samplesThatStayKeepTheDescription()
    {
        const auto map = fourMaps(3);
        const Source s({{uint16_t(TagOpcodeList2), map}});
        ExportJob job;
        job.source = s.file;
        job.folder = s.path("out");
        job.treatment = WantedTreatment{.method = "wavelet", .luminance = 0, .colour = 0};
        const auto done = runExportJob(job, nullptr, nullptr);
        QVERIFY2(done.ok(), done.ok() ? "" : done.error().userMessage.c_str());
        const auto again = readFrame(done.value().report.file).value();
        QVERIFY(sameBits(again->samples.constView(), s.read()->samples.constView()));
        QVERIFY(again->source->raw.find(TagOpcodeList2)->bytes == map);
    }
    void fullColourTakesItAndLosesIt()
    {
        List vignette; // and one after demosaicing
        vignette.opcode(OpcodeFixVignetteRadial).real(1).real(0).real(0).real(0).real(0).real(0.5).real(0.5);
        const Source s({{uint16_t(TagOpcodeList2), fourMaps(3)}, {uint16_t(TagOpcodeList3), vignette.bytes()}});
        const auto source = s.read();
        QVERIFY(source);
        ExportJob job;
        job.source = s.file;
        job.folder = s.path("out");
        job.format = ExportFormat::LinearDng;
        job.treatment = WantedTreatment{.method = "wavelet", .luminance = 0, .colour = 0};
        const auto done = runExportJob(job, nullptr, nullptr);
        QVERIFY2(done.ok(), done.ok() ? "" : done.error().userMessage.c_str());
        const auto linear = readFrame(done.value().report.file).value();
        QVERIFY(!linear->source->raw.find(TagOpcodeList2) && !linear->source->raw.find(TagOpcodeList3));
        // Looked at, both are the same picture.
        const auto a = developReducedRegion(Cleaner::untreated(source), source->crop, 4, {}, nullptr, {}), b = developReducedRegion(Cleaner::untreated(linear), linear->crop, 4, {}, nullptr, {});
        for (const double from : {0.0, 0.4, 0.6})
            QVERIFY(std::abs(greenAt(a.value(), from) - greenAt(b.value(), from)) < 0.004);
    }
    void curvesAreAppliedOnReading()
    {
        // x^2 of stored square roots: noise can only be measured on linear samples.
        List l;
        l.opcode(OpcodeMapPolynomial).area(0, 0, kSize.height, kSize.width, 0, 1).long_(2).real(0).real(0).real(1);
        addMap(l, kSize, 0, 0, 2);
        const Source s({{uint16_t(TagOpcodeList2), l.bytes()}}, true);
        const auto f = s.read();
        const auto plain = readFrame(s.path("plain.dng")).value();
        QVERIFY(f);
        for (int y = 5; y < 90; y += 7)
            for (int x = 5; x < 150; x += 3) {
                const float v = std::clamp(plain->linearAt(plain->active.x + x, plain->active.y + y), 0.f, 1.f);
                QVERIFY(std::abs(f->linearAt(f->active.x + x, f->active.y + y) - v * v) < 3e-5f);
            }
        QVERIFY(f->shading); // what comes after the curve stays a description
        const auto left = opcodesIn(f->source->raw.find(TagOpcodeList2)->bytes);
        QVERIFY(left && left->size() == 1 && (*left)[0].id == OpcodeGainMap);
        QVERIFY(f->warnings.back().find("applied on reading") != std::string::npos);
    }
    void listedPixelsAreMended()
    {
        List l;
        l.opcode(OpcodeFixBadPixelsList).long_(0).long_(2).long_(1).long_(40).long_(60).long_(41).long_(83).long_(20).long_(30).long_(22).long_(31);
        const Source s({{uint16_t(TagOpcodeList1), l.bytes()}});
        const auto f = s.read();
        QVERIFY(f);
        const std::vector<PixelAt> listed{{30, 20}, {30, 21}, {60, 40}, {83, 41}};
        QVERIFY(f->badPixels == listed);
        const auto noise = measureNoise(*f).take();
        for (const PixelAt &p : listed)
            QVERIFY(std::binary_search(noise.hotPixels.begin(), noise.hotPixels.end(), p, PixelAt::byRow));
    }
    void aWarpIsTheStartingCorrection()
    {
        List l;
        l.opcode(OpcodeWarpRectilinear).long_(1).real(1.02).real(-0.05).real(0.01).real(-0.002).real(0).real(0).real(0.5).real(0.5);
        const Source s({{uint16_t(TagOpcodeList3), l.bytes()}});
        const auto f = s.read();
        QVERIFY(f && f->warp);
        const LensCorrection lens = describedLens(*f);
        QVERIFY(lens.distortion && !lens.lateral && !lens.vignetting);
        QCOMPARE(lens.from, std::string(kDescribedByFile));
        // The crop is the active area here: the same radii. A thousandth of a pixel of a frame 6000 wide.
        for (double r = 0.05; r <= 1; r += 0.05) {
            const double r2 = r * r, meant = 1.02 - 0.05 * r2 + 0.01 * r2 * r2 - 0.002 * r2 * r2 * r2;
            const double got = lens.bent[0] + r * (lens.bent[1] + r * (lens.bent[2] + r * (lens.bent[3] + r * lens.bent[4])));
            QVERIFY2(std::abs(got - meant) < 2e-5, qPrintable(QString::number(got - meant)));
        }
        // A job that says nothing of lenses undoes it in a finished picture.
        ExportJob job;
        job.source = s.file;
        job.folder = s.path("out");
        job.format = ExportFormat::LinearDng;
        job.describedLens = true;
        job.treatment = WantedTreatment{.method = "wavelet", .luminance = 0, .colour = 0};
        const auto done = runExportJob(job, nullptr, nullptr);
        QVERIFY2(done.ok(), done.ok() ? "" : done.error().userMessage.c_str());
        QVERIFY(!readFrame(done.value().report.file).value()->source->raw.find(TagOpcodeList3));
        job.format = ExportFormat::Dng;
        const auto kept = runExportJob(job, nullptr, nullptr);
        QVERIFY(kept);
        QVERIFY(readFrame(kept.value().report.file).value()->source->raw.find(TagOpcodeList3)->bytes == l.bytes());
    }
    void whatIsNotUnderstoodIsNamed()
    {
        List l;
        l.opcode(OpcodeTrimBounds).long_(0).long_(0).long_(10).long_(10).opcode(77).long_(1);
        const Source s({{uint16_t(TagOpcodeList3), l.bytes()}});
        const auto f = s.read();
        QVERIFY(f);
        QVERIFY2(f->warnings.back().find("TrimBounds, opcode 77") != std::string::npos, f->warnings.back().c_str());
    }
    void thousandsOfThemAreNot()
    {
        // Each costs time for every sample, and a small file could hold any number.
        List l;
        for (int i = 0; i < 3000; ++i)
            addMap(l, kSize, 0, 0, 1.001f);
        const Source s({{uint16_t(TagOpcodeList2), l.bytes()}});
        const auto f = s.read();
        QVERIFY(f && f->shading);
        QVERIFY2(f->warnings.back().find("GainMap") != std::string::npos, f->warnings.back().c_str());
        const float gain = f->shading->gainAt({f->active.right() - 2 + (f->active.width & 1), f->active.y}, 1, true);
        QVERIFY2(gain > 1.05f && gain < 1.07f, qPrintable(QString::number(double(gain)))); // 64 of them
    }
    void brokenListsAreToldAndHarmless_data()
    {
        QTest::addColumn<QByteArray>("bytes");
        QTest::newRow("cut off") << QByteArray::fromHex("0000000500000009");
        QTest::newRow("absurd count") << QByteArray::fromHex("ffffffff");
        QTest::newRow("a map without its gains") << QByteArray::fromHex("00000001"
                                                                        "00000009"
                                                                        "01030000"
                                                                        "00000001"
                                                                        "00000010"
                                                                        "00000000000000000000000000000000");
    }
    void brokenListsAreToldAndHarmless()
    {
        QFETCH(QByteArray, bytes);
        const auto *p = reinterpret_cast<const std::byte *>(bytes.constData());
        const Source s({{uint16_t(TagOpcodeList2), {p, p + bytes.size()}}});
        const auto f = s.read();
        QVERIFY(f);
        QVERIFY(!f->shading);
        QVERIFY(!f->warnings.empty());
    }
};

QTEST_GUILESS_MAIN(DescribedTest)
#include "described_test.moc"

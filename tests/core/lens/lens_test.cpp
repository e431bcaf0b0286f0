// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "support/frames.h"

#include <lensfun/lensfun.h>

#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

/// Many small discs at known places.
struct Dots {
    Scene scene;
    std::vector<std::pair<double, double>> at;
};

Dots dots(Size size, int step)
{
    Dots d{flatScene(size, 0.05f, 0.05f, 0.05f), {}};
    for (int cy = step / 2; cy < size.height; cy += step)
        for (int cx = step / 2; cx < size.width; cx += step) {
            d.at.emplace_back(cx + 0.5, cy + 0.5);
            for (int y = cy - 8; y <= cy + 8; ++y)
                for (int x = cx - 8; x <= cx + 8; ++x) {
                    const double r = std::hypot(x - cx, y - cy), light = 0.4 * std::clamp(5.5 - r, 0.0, 1.0);
                    for (size_t c = 0; c < 3; ++c)
                        d.scene.rgb[(size_t(y) * size_t(size.width) + size_t(x)) * 3 + c] += float(light);
                }
        }
    return d;
}

/// Centre of light of one channel about a place of a developed picture.
std::pair<double, double> centre(const RgbImage<float> &p, double x, double y, int channel, int reach = 11)
{
    double sum = 0, sx = 0, sy = 0, ground = 1e9;
    const auto each = [&](auto &&f) {
        for (int v = int(y) - reach; v <= int(y) + reach; ++v)
            for (int u = int(x) - reach; u <= int(x) + reach; ++u)
                f(u, v, double(p.row(v)[3 * u + channel]));
    };
    each([&](int, int, double l) { ground = std::min(ground, l); });
    each([&](int u, int v, double l) {
        l = std::max(0.0, l - ground - 0.05);
        sum += l;
        sx += l * (u + 0.5);
        sy += l * (v + 0.5);
    });
    return {sx / sum, sy / sum};
}

double worstShift(const RgbImage<float> &p, const Dots &d, int channel)
{
    double worst = 0;
    for (const auto &[x, y] : d.at) {
        const auto a = centre(p, x, y, channel), green = centre(p, x, y, 1);
        worst = std::max(worst, std::hypot(a.first - green.first, a.second - green.second));
    }
    return worst;
}

ShootOptions clear()
{
    ShootOptions o;
    o.iso = 100;
    o.banding = 0;
    o.hotPixelsPerMillion = 0;
    return o;
}

RgbImage<float> developed(const Simulated &s, const LensCorrection &lens)
{
    return developRegion(Cleaner(s.frame, s.noise, {"wavelet", 0, 0}, {nullptr, lens}), s.frame->crop, {}, nullptr, {}).take();
}

} // namespace

class LensTest : public QObject
{
    Q_OBJECT
private slots:
    void lateralAberrationComesBack()
    {
        const Dots d = dots({960, 640}, 64);
        ShootOptions o = clear();
        o.lateralRed = 2.5; // 1.4 px at the corners
        o.lateralBlue = -1.5;
        const Simulated s = simulate(d.scene, o);
        QVERIFY(worstShift(developed(s, {}), d, 0) > 0.8);
        LensCorrection lens;
        lens.lateral = true;
        lens.red[0] = 1.0025;
        lens.blue[0] = 0.9985;
        const auto straight = developed(s, lens);
        for (const int channel : {0, 2})
            QVERIFY2(worstShift(straight, d, channel) < 0.2, qPrintable(QString::number(worstShift(straight, d, channel))));
    }

    void lateralAberrationIsMeasured_data()
    {
        QTest::addColumn<int>("iso");
        QTest::newRow("ISO 100") << 100;
        QTest::newRow("ISO 3200") << 3200;
    }
    void lateralAberrationIsMeasured()
    {
        QFETCH(int, iso);
        const Dots d = dots({960, 640}, 40);
        ShootOptions o = clear();
        o.iso = iso;
        o.lateralRed = 2.5;
        o.lateralBlue = -1.5;
        const Simulated s = simulate(d.scene, o);
        const auto lens = measureLateral(*s.frame, *s.noise);
        QVERIFY2(lens.ok(), lens ? "" : lens.error().userMessage.c_str());
        const double unit = std::hypot(960, 640) / 2;
        for (const double r : {0.4, 0.7, 1.0}) {
            const auto at = [&](const LensCorrection::Polynomial &p) { return (p[0] + p[1] * r + p[2] * r * r + p[3] * r * r * r + p[4] * r * r * r * r - 1) * r * unit; };
            QVERIFY2(std::abs(at(lens.value().red) - 0.0025 * r * unit) < 0.2, qPrintable(QString::number(at(lens.value().red))));
            QVERIFY2(std::abs(at(lens.value().blue) + 0.0015 * r * unit) < 0.2, qPrintable(QString::number(at(lens.value().blue))));
        }
        QVERIFY(QString::fromStdString(lens.value().from).contains("measured"));
    }

    void nothingToMeasureIsSaid()
    {
        const Simulated s = simulate(flatScene({640, 480}, 0.2f, 0.2f, 0.2f), clear());
        const auto lens = measureLateral(*s.frame, *s.noise);
        QVERIFY(!lens && lens.error().code == ErrorCode::BadParameter);
        QVERIFY(lens.error().userMessage.find("simulated.dng") != std::string::npos);
    }

    void vignettingComesBackWithinAHundredth()
    {
        ShootOptions o = clear();
        o.vignettingEv = 1.5;
        const Simulated s = simulate(flatScene({600, 400}, 0.4f, 0.4f, 0.4f), o);
        // Light 2^(-1.5 r^2) as 1 + v1 r^2 + v2 r^4 + v3 r^6, right at the middle and at three radii (Newton's divided differences).
        const auto light = [](double square) { return std::exp2(-1.5 * square); };
        const double h = 1 / 3.0, d1 = light(h) - light(0), d2 = light(2 * h) - 2 * light(h) + light(0), d3 = light(1) - 3 * light(2 * h) + 3 * light(h) - light(0);
        LensCorrection lens;
        lens.vignetting = true;
        lens.falloff = {(d1 - d2 / 2 + d3 / 3) / h, (d2 / 2 - d3 / 2) / (h * h), d3 / 6 / (h * h * h)};
        const auto p = developed(s, lens);
        const auto mean = [&](int x, int y) {
            double sum = 0;
            for (int v = y; v < y + 24; ++v)
                for (int u = x; u < x + 24; ++u)
                    sum += double(p.row(v)[3 * u + 1]) / 576;
            return sum;
        };
        const double middle = mean(288, 188);
        for (const auto &[x, y] : {std::pair(4, 4), {572, 4}, {4, 372}, {572, 372}, {150, 200}, {288, 4}})
            QVERIFY2(std::abs(mean(x, y) / middle - 1) < 0.01, qPrintable(QStringLiteral("%1, %2: %3").arg(x).arg(y).arg(mean(x, y) / middle)));
    }

    void distortionIsUndone_data()
    {
        QTest::addColumn<int>("shape");
        QTest::addColumn<double>("bend");
        for (int shape = 0; shape < 3; ++shape)
            for (const double bend : {-0.05, 0.04})
                QTest::addRow("%s, %s", shapeName(LensCorrection::Shape(shape)), bend < 0 ? "barrel" : "pincushion") << shape << bend;
    }
    void distortionIsUndone()
    {
        QFETCH(int, shape);
        QFETCH(double, bend);
        // Discs where the lens would have put them: each must come to lie on the straight grid, up to one scale.
        const Size size{960, 640};
        const double unit = std::hypot(960, 640) / 2;
        LensCorrection lens;
        lens.distortion = true;
        lens.bent = {1, 0, bend, 0, 0};
        lens.shape = LensCorrection::Shape(shape);
        Dots bent{flatScene(size, 0.05f, 0.05f, 0.05f), {}};
        std::vector<std::pair<double, double>> straight;
        for (int gy = -3; gy <= 3; ++gy)
            for (int gx = -5; gx <= 5; ++gx) {
                const double dx = gx * 80.0, dy = gy * 80.0, f = 1 + bend * (dx * dx + dy * dy) / (unit * unit);
                const double cx = 480 + dx * f, cy = 320 + dy * f;
                straight.emplace_back(dx, dy);
                for (int y = int(cy) - 9; y <= int(cy) + 9; ++y)
                    for (int x = int(cx) - 9; x <= int(cx) + 9; ++x)
                        for (size_t c = 0; c < 3 && x >= 0 && y >= 0 && x < 960 && y < 640; ++c)
                            bent.scene.rgb[(size_t(y) * 960 + size_t(x)) * 3 + c] += float(0.4 * std::clamp(5.5 - std::hypot(x + 0.5 - cx, y + 0.5 - cy), 0.0, 1.0));
            }
        const Simulated s = simulate(bent.scene, clear());
        const auto p = developed(s, lens);
        QCOMPARE(p.size, size);
        // The scale of the middle, by its neighbours.
        const auto near = centre(p, 480 + 240, 320, 1, 22), middle = centre(p, 480, 320, 1);
        const double scale = (near.first - middle.first) / 240;
        for (const auto &[dx, dy] : straight) {
            const double x = 480 + dx * scale, y = 320 + dy * scale;
            if (x < 16 || y < 16 || x > 944 || y > 624)
                continue;
            const auto c = centre(p, x, y, 1);
            QVERIFY2(std::hypot(c.first - x, c.second - y) < 0.2, qPrintable(QStringLiteral("%1, %2: off by %3, %4").arg(x).arg(y).arg(c.first - x).arg(c.second - y)));
        }
        bool blank = false;
        for (const auto &[x, y] : {std::pair(0, 0), {959, 0}, {0, 639}, {959, 639}, {480, 0}, {0, 320}})
            blank = blank || p.row(y)[3 * x + 1] == 0;
        if (lens.shape == LensCorrection::Shape::Largest)
            QVERIFY(!blank);
        if (lens.shape == LensCorrection::Shape::Original)
            QVERIFY(std::abs(scale - 1) < 0.004);
        if (lens.shape == LensCorrection::Shape::Everything) { // all that the sensor saw is still there
            const Unbending u(lens, s.frame->crop);
            float x0, y0, x1, y1;
            u.source(0, 320, x0, y0);
            u.source(480, 0, x1, y1);
            QVERIFY(x0 <= 0.5f && y1 <= 0.5f);
        }
    }

    void anyPartIsStraightenedAlike()
    {
        const Simulated s = simulate(makeScene({300, 200}), clear());
        LensCorrection lens;
        lens.distortion = true;
        lens.bent = {1, 0.01, -0.06, 0, 0};
        const Cleaner cleaner(s.frame, s.noise, {"wavelet", 1, 1}, {nullptr, lens});
        const auto whole = developRegion(cleaner, s.frame->crop, {}, nullptr, {});
        const Rect part{101, 53, 120, 90};
        const auto piece = developRegion(cleaner, part.movedBy(s.frame->crop.x, s.frame->crop.y), {}, nullptr, {});
        for (int y = 0; y < part.height; ++y)
            QVERIFY(std::memcmp(piece.value().row(y), whole.value().row(part.y + y) + 3 * part.x, size_t(part.width) * 3 * sizeof(float)) == 0);
    }

    /// Crop modes of cameras keep the whole sensor's samples: far outside the crop, whose corner is the unit of radii, colours are moved too.
    void aCropFarSmallerThanTheSensorGivesTheSameBits_data()
    {
        QTest::addColumn<int>("sidePx");
        for (const int side : {16, 64, 160})
            QTest::addRow("%d px", side) << side;
    }
    void aCropFarSmallerThanTheSensorGivesTheSameBits()
    {
        QFETCH(int, sidePx);
        const Simulated s = simulate(makeScene({600, 420}), clear());
        auto frame = std::make_shared<Frame>(static_cast<const FrameFacts &>(*s.frame));
        frame->samples = s.frame->samples.clone();
        frame->crop = {290, 200, sidePx, sidePx};
        LensCorrection lens;
        lens.lateral = true;
        lens.red = {1.001, 0.004, 0.006, -0.002, 0.001};
        lens.blue = {0.999, -0.004, -0.006, 0.002, -0.001};
        QVERIFY(validate(lens));
        const Cleaner cleaner(frame, s.noise, {"wavelet", 1, 1}, {nullptr, lens});
        const auto alone = cleanForStorage(cleaner, {1, {}, {}});
        QVERIFY(alone);
        for (const int threads : {2, 3, 5})
            QVERIFY(sameBits(cleanForStorage(cleaner, {threads, {}, {}}).value().samples.constView(), alone.value().samples.constView()));
        for (const int tilePx : {48, 100, 256}) {
            const auto tiled = cleaner.clean(frame->active, {}, tilePx), whole = cleaner.clean(frame->active, {}, 4096);
            QVERIFY(tiled && whole && sameBits(tiled.value().constView(), whole.value().constView()));
        }
    }

    void profilesDoWhatLensfunDoes()
    {
        // Whatever lenses the database has: our numbers against those of its own modifier.
        lfDatabase db;
        QCOMPARE(db.Load(), LF_NO_ERROR);
        const lfLens *const *all = db.GetLenses();
        size_t count = 0;
        while (all && all[count])
            ++count;
        int tried = 0;
        for (size_t i = 0; i < count && tried < 40; i += 17) {
            const lfLens &lens = *all[i];
            if (lens.Type != LF_RECTILINEAR || !lens.CalibDistortion)
                continue;
            auto frame = std::make_shared<Frame>();
            frame->shooting.lens = lf_mlstr_get(lens.Model);
            frame->shooting.focalLengthMm = double(lens.MinFocal);
            frame->shooting.fNumber = 5.6;
            frame->crop = frame->active = {0, 0, 6000, 4000};
            const auto profiles = findLensProfiles(*frame);
            // Of several measurements of one lens, the database's own first choice.
            const lfLens **matches = db.FindLenses(nullptr, nullptr, lf_mlstr_get(lens.Model), LF_SEARCH_SORT_AND_UNIQUIFY);
            const bool first = matches && matches[0] == &lens;
            lf_free(matches);
            if (!first || profiles.empty())
                continue;
            ++tried;
            LensCorrection correction = profiles.front().correction;
            correction.distortion = true;
            correction.shape = LensCorrection::Shape::Original;
            const Unbending ours(correction, frame->crop);
            lfModifier modifier(&lens, lens.CropFactor, 6000, 4000);
            modifier.Initialize(&lens, LF_PF_F32, lens.MinFocal, 5.6f, 1000, 1, LF_RECTILINEAR, LF_MODIFY_DISTORTION, false);
            for (const auto &[x, y] : {std::pair(300.f, 200.f), {3000.f, 400.f}, {5200.f, 3500.f}, {4100.f, 2300.f}}) {
                float theirs[2], sx, sy;
                modifier.ApplyGeometryDistortion(x, y, 1, 1, theirs);
                ours.source(x + 0.5f, y + 0.5f, sx, sy);
                const double off = std::hypot(double(sx) - 0.5 - double(theirs[0]), double(sy) - 0.5 - double(theirs[1]));
                QVERIFY2(off < 0.2, qPrintable(QStringLiteral("lens %1: off by %2 of %3 px").arg(i).arg(off).arg(std::hypot(sx - x, sy - y))));
            }
        }
        QVERIFY2(tried >= 10, qPrintable(QString::number(tried)));
    }

    void everyKindOfFileIsStraightened_data()
    {
        QTest::addColumn<int>("format");
        QTest::newRow("TIFF") << int(ExportFormat::Tiff);
        QTest::newRow("linear DNG") << int(ExportFormat::LinearDng);
    }
    void everyKindOfFileIsStraightened()
    {
        QFETCH(int, format);
        // A finished picture that keeps its own numbers, a full-colour raw, a mosaic: the same disc comes to lie in the same place.
        const Dots d = dots({320, 240}, 80);
        LensCorrection lens;
        lens.distortion = true;
        lens.bent = {1, 0, -0.08, 0, 0};
        lens.shape = LensCorrection::Shape::Original;
        const QTemporaryDir dir;
        const Simulated mosaic = simulate(d.scene, clear());
        const FullColour full = simulateFullColour(d.scene, {1e-7f, 1e-9f}, false);
        auto rendered = std::make_shared<Frame>(static_cast<const FrameFacts &>(*full.frame));
        rendered->samples = full.frame->samples.clone();
        rendered->kind = FrameKind::Rendered;
        auto encoding = std::make_shared<Encoding>();
        for (auto &decode : encoding->decode) {
            decode.resize(65536);
            for (size_t i = 0; i < decode.size(); ++i)
                decode[i] = float(i) / 65535;
        }
        rendered->encoding = encoding;
        rendered->levels.black = {0, 0, 0};
        rendered->levels.white = 65535;
        std::vector<std::pair<double, double>> found;
        for (const std::shared_ptr<const Frame> &frame : {mosaic.frame, full.frame, std::shared_ptr<const Frame>(rendered)}) {
            if (frame->kind == FrameKind::Rendered && format != int(ExportFormat::Tiff))
                continue;
            const Cleaner cleaner(frame, mosaic.noise, {"wavelet", 0, 0}, {nullptr, lens});
            const std::filesystem::path file = dir.filePath(QStringLiteral("%1.%2").arg(int(frame->kind)).arg(format == int(ExportFormat::Tiff) ? "tif" : "dng")).toStdString();
            const auto report = exportCleaned(cleaner, *mosaic.noise, file, ExportOptions(ExportFormat(format)));
            QVERIFY2(report.ok(), report ? "" : report.error().userMessage.c_str());
            const auto back = readFrame(file);
            QVERIFY(back.ok());
            const auto p = developRegion(Cleaner(back.value(), mosaic.noise, {"wavelet", 0, 0}), back.value()->crop, {}, nullptr, {}).take();
            float x0 = 40.5f, y0 = 40.5f; // where the disc nearest the corner belongs
            QCOMPARE(p.size, (Size{320, 240}));
            double best = 1e9;
            std::pair<double, double> at;
            for (int y = 14; y < 90; y += 2)
                for (int x = 14; x < 90; x += 2) {
                    float sx, sy;
                    Unbending(lens, frame->crop).source(float(x), float(y), sx, sy);
                    if (const double off = std::hypot(double(sx - float(frame->crop.x) - x0), double(sy - float(frame->crop.y) - y0)); off < best) {
                        best = off;
                        at = {x - frame->crop.x, y - frame->crop.y};
                    }
                }
            const auto c = centre(p, at.first, at.second, 1, 10);
            found.push_back(c);
            QVERIFY2(std::hypot(c.first - at.first, c.second - at.second) < 2.5, qPrintable(QStringLiteral("%1 %2, expected %3 %4").arg(c.first).arg(c.second).arg(at.first).arg(at.second)));
            QVERIFY(std::hypot(c.first - 40.5, c.second - 40.5) > 3); // not where the lens had put it
        }
        for (const auto &f : found)
            QVERIFY(std::hypot(f.first - found[0].first, f.second - found[0].second) < 0.3);
    }

    void noLensNoProfile()
    {
        Frame frame;
        frame.crop = {0, 0, 600, 400};
        QVERIFY(findLensProfiles(frame).empty());
        QVERIFY(findLensProfiles(frame, "no such lens was ever ground 1234").empty());
    }

    void textComesBackAsItWas()
    {
        LensCorrection l;
        l.lateral = l.distortion = true;
        l.red = {1.001, 0, -0.0005, 0, 0};
        l.bent = {1, 0.01, -0.05, 0.002, 0};
        l.falloff = {-0.4, 0.1, 0};
        l.shape = LensCorrection::Shape::Everything;
        l.from = "by hand";
        l.fringes = 0.4;
        QVERIFY(lensFromText(lensText(l), "it").value() == l);
        std::string earlier = lensText(l); // from before fringes were known
        earlier.erase(earlier.find("\"fringes\""), std::strlen("\"fringes\": 0.4,"));
        QCOMPARE(lensFromText(earlier, "it").value().fringes, 0.0);
        l.fringes = 1.5;
        QVERIFY(!lensFromText(lensText(l), "it"));
        l.fringes = 0;
        l.bent[2] = 2;
        const auto wild = lensFromText(lensText(l), "it.json");
        QVERIFY(!wild && wild.error().userMessage.find("distortion") != std::string::npos);
    }
};

QTEST_APPLESS_MAIN(LensTest)
#include "lens_test.moc"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "frame/luminance.h"
#include "irenic/clean.h"
#include "irenic/develop.h"
#include "irenic/measure_noise.h"
#include "irenic/picture.h"
#include "support/frames.h"

#include <QTest>

#include <thread>

using namespace irenic;
using namespace irenic::test;

namespace {

Region regionOf(MaskPart part, double luminance, double colour)
{
    Region r;
    r.name = partName(part.kind);
    r.parts = {std::move(part)};
    r.luminance = luminance;
    r.colour = colour;
    return r;
}

/// Everything at once: tones, regions of every kind, detail, grain, blotches, sharpening, mix and lens.
struct Everything {
    Treatment treatment{"wavelet", 1, 1.2};
    FrameEdits edits;
    explicit Everything(const Simulated &s)
    {
        Taste &t = treatment.taste;
        t.detail = 0.6;
        t.grain = 0.2;
        t.mix = 0.9;
        t.luminanceShadows = 1.3;
        t.colourLights = 0.5;
        t.blotches = 0.8;
        t.sharpen = 0.7;
        const Rect &crop = s.frame->crop;
        std::vector<Region> regions;
        MaskPart painted;
        painted.strokes = {{25, 0.4f, 0.8f, false, {{40, 30, 1}, {120, 90, 0.6f}}}, {8, 1, 1, true, {{60, 50, 1}}}};
        regions.push_back(regionOf(painted, 0.4, 2));
        regions.push_back(regionOf(defaultPart(MaskPart::Kind::Gradient, crop), 0, 0));
        regions.back().followEdges = 0.7;
        regions.push_back(regionOf(defaultPart(MaskPart::Kind::Brightness, crop), 1.5, 1));
        regions.back().featherPx = 20;
        regions.push_back(regionOf(defaultPart(MaskPart::Kind::Sharpness, crop), 0.7, 1));
        regions.back().detail = 0.3;
        regions.back().sharpen = 0.5;
        edits.regions = std::make_shared<const RegionSet>(s.frame, s.noise, regions);
        edits.lens.lateral = edits.lens.vignetting = true;
        edits.lens.red = {1.002, 0, 0, 0, 0};
        edits.lens.falloff = {-0.3, 0, 0};
    }
};

double sigmaOf(PlaneView<const float> p, Rect where, int step = 1)
{
    double sum = 0, square = 0;
    int n = 0;
    for (int y = where.y; y < where.bottom(); y += step)
        for (int x = where.x; x < where.right(); x += step) {
            sum += double(p.at(x, y));
            square += double(p.at(x, y)) * double(p.at(x, y));
            ++n;
        }
    return std::sqrt(square / n - sum / n * (sum / n));
}

double meanOf(PlaneView<const float> p, Rect where)
{
    double sum = 0;
    for (int y = where.y; y < where.bottom(); ++y)
        for (int x = where.x; x < where.right(); ++x)
            sum += double(p.at(x, y));
    return sum / double(where.size().area());
}

Plane<float> luminance(Plane<float> &mosaic)
{
    Plane<float> out(mosaic.size());
    luminanceOf({{mosaic.view(), {}, {}}, 1, {}}, out.view());
    return out;
}

ShootOptions quiet(int iso)
{
    ShootOptions o;
    o.iso = iso;
    o.banding = 0;
    o.hotPixelsPerMillion = 0;
    return o;
}

Plane<float> cleaned(const Simulated &s, const Treatment &t, const FrameEdits &edits = {})
{
    return Cleaner(s.frame, s.noise, t, edits).clean(s.frame->active).take();
}

Treatment tasted(const std::string &method, double strength, double Taste::*value, double amount)
{
    Treatment t{method, strength, strength};
    t.taste.*value = amount;
    return t;
}

} // namespace

class TasteTest : public QObject
{
    Q_OBJECT
private slots:
    void everyControlIsKnownAndNeutralAtItsSuggestion()
    {
        for (const TreatmentParam &p : kTasteParams) {
            QCOMPARE(Taste().*p.taste, p.info.suggested);
            QVERIFY(findParam(p.info.name) == &p);
            Taste t;
            t.*p.taste = p.info.max + 0.01;
            const Status s = validate(Treatment{"wavelet", 1, 1, {}, t});
            QVERIFY(!s && s.error().code == ErrorCode::BadParameter);
            QVERIFY(s.error().userMessage.find(p.info.name) != std::string::npos);
        }
        QVERIFY(!findParam("nonsense"));
        QVERIFY(validate(Treatment{"wavelet"}).ok());
    }

    void tonesShareEveryBrightnessOut()
    {
        for (float ev = -14; ev <= 1; ev += 0.25f) {
            const auto w = toneWeights(ev);
            QVERIFY(std::abs(w[0] + w[1] + w[2] - 1) < 1e-6f && w[0] >= 0 && w[1] >= 0 && w[2] >= 0);
        }
        for (size_t i = 0; i < 3; ++i)
            QCOMPARE(toneWeights(kToneCentresEv[i])[i], 1.f);
    }

    void sameBitsForAnyTilingWithEverythingOn_data()
    {
        QTest::addColumn<int>("tilePx");
        QTest::addColumn<int>("threads");
        QTest::newRow("97 px tiles, 2 threads") << 97 << 2;
        QTest::newRow("128 px tiles, 1 thread") << 128 << 1;
        QTest::newRow("its own tiles, 2 threads") << 0 << 2;
    }
    void sameBitsForAnyTilingWithEverythingOn()
    {
        QFETCH(int, tilePx);
        QFETCH(int, threads);
        ShootOptions o;
        o.iso = 6400;
        o.borderPx = 5;
        const Simulated s = simulate(makeScene({211, 163}), o);
        const Everything e(s);
        const Cleaner cleaner(s.frame, s.noise, e.treatment, e.edits);
        const auto whole = cleaner.clean(s.frame->active, {1, {}, {}}, 4096);
        const auto tiled = cleaner.clean(s.frame->active, {threads, {}, {}}, tilePx);
        QVERIFY(whole && tiled);
        QVERIFY(sameBits(tiled.value().constView(), whole.value().constView()));
        const Rect part{s.frame->active.x + 71, s.frame->active.y + 40, 67, 59}; // preview is export
        const auto preview = cleaner.clean(part);
        QVERIFY(sameBits(preview.value().constView(), whole.value().view().cut(part.seenFrom(s.frame->active))));
        for (int y = 0; y < whole.value().height(); ++y)
            for (int x = 0; x < whole.value().width(); ++x)
                QVERIFY(std::isfinite(whole.value().at(x, y)));
    }

    void fullColourTakesEverythingToo()
    {
        const FullColour f = simulateFullColour(makeScene({151, 113}), {1 / 4000.f, 1e-5f}, true);
        auto noise = std::make_shared<const NoiseReport>(measureNoise(*f.frame).value());
        Simulated s{f.frame, noise, {}};
        Everything e(s);
        const Cleaner cleaner(s.frame, s.noise, e.treatment, e.edits);
        const auto whole = cleaner.clean(s.frame->active, {1, {}, {}}, 4096);
        const auto tiled = cleaner.clean(s.frame->active, {2, {}, {}}, 61);
        QVERIFY(sameBits(tiled.value().constView(), whole.value().constView()));
    }

    void nothingOnIsIdentity()
    {
        const Simulated s = simulate(makeScene({120, 90}), quiet(3200));
        Treatment t{"bm3d", 1, 1};
        t.taste.mix = 0;
        t.taste.grain = 0.5;
        t.taste.luminanceShadows = 2;
        const auto stored = cleanForStorage(Cleaner(s.frame, s.noise, t));
        QCOMPARE(stored.value().scale, 1);
        QVERIFY(sameBits(stored.value().samples.constView(), s.frame->samples.constView()));
        // Regions that ask for nothing, over a trial that asks for nothing.
        FrameEdits edits{std::make_shared<const RegionSet>(s.frame, s.noise, std::vector<Region>{regionOf(defaultPart(MaskPart::Kind::Gradient, s.frame->crop), 0, 0)}), {}};
        QVERIFY(Cleaner(s.frame, s.noise, {"wavelet", 0, 0}, edits).isIdentity());
        QVERIFY(!Cleaner(s.frame, s.noise, {"wavelet", 0, 0.1}, edits).isIdentity());
    }

    void mixLiesBetween()
    {
        const Simulated s = simulate(makeScene({200, 150}), quiet(6400));
        Plane<float> none = cleaned(s, {"wavelet", 0, 0}), all = cleaned(s, {"wavelet", 1, 1}), some = cleaned(s, tasted("wavelet", 1, &Taste::mix, 0.3));
        for (int y = 0; y < 150; ++y)
            for (int x = 0; x < 200; ++x)
                QVERIFY(std::abs(some.at(x, y) - (0.3f * all.at(x, y) + 0.7f * none.at(x, y))) < 1e-6f);
    }

    void detailKeepsMoreThanABlendThatLeavesAsMuchNoise_data()
    {
        QTest::addColumn<QString>("method");
        QTest::addColumn<double>("strength");
        QTest::newRow("wavelet") << "wavelet" << 1.0;
        QTest::newRow("wavelet, too strong") << "wavelet" << 2.0;
        QTest::newRow("BM3D, too strong") << "bm3d" << 1.5;
    }
    void detailKeepsMoreThanABlendThatLeavesAsMuchNoise()
    {
        QFETCH(QString, method);
        QFETCH(double, strength);
        // Woven texture of a dozen frequencies at several contrasts, and a flat part that tells how much noise is left.
        Scene scene = flatScene({512, 512}, 0.18f, 0.18f, 0.18f);
        for (int y = 0; y < 384; ++y)
            for (int x = 0; x < 512; ++x) {
                const double u = x / 512.0, wave = std::sin(x * (0.15 + 0.9 * u)) * std::cos(y * (0.2 + 0.002 * y)) + 0.5 * std::sin((x + 2 * y) * 0.35);
                for (size_t c = 0; c < 3; ++c)
                    scene.rgb[(size_t(y) * 512 + size_t(x)) * 3 + c] = float(0.18 * (1 + 0.25 * (0.2 + u) * wave));
            }
        const Simulated s = simulate(scene, quiet(6400));
        const Rect woven{16, 16, 480, 352}, flat{16, 416, 480, 80};
        const std::string id = method.toStdString();
        const Plane<float> none = cleaned(s, {"wavelet", 0, 0}), plain = cleaned(s, {id, strength, strength}), detailed = cleaned(s, tasted(id, strength, &Taste::detail, 1));
        const double left = std::sqrt(meanSquare(detailed.view(), s.truth.clean.view(), flat));
        const auto blend = [&](double share) {
            Plane<float> out(none.size());
            for (int y = 0; y < out.height(); ++y)
                for (int x = 0; x < out.width(); ++x)
                    out.row(y)[x] = plain.at(x, y) + float(share) * (none.at(x, y) - plain.at(x, y));
            return out;
        };
        double low = 0, high = 1;
        for (int i = 0; i < 24; ++i)
            (std::sqrt(meanSquare(blend((low + high) / 2).view(), s.truth.clean.view(), flat)) < left ? low : high) = (low + high) / 2;
        const double gain = 10 * std::log10(meanSquare(blend(low).view(), s.truth.clean.view(), woven) / meanSquare(detailed.view(), s.truth.clean.view(), woven));
        QVERIFY2(gain > 0.3, qPrintable(QStringLiteral("%1 dB at %2 of the noise left").arg(gain).arg(left / std::sqrt(meanSquare(none.view(), s.truth.clean.view(), flat)))));
    }

    void grainIsFineEvenAndNeutral()
    {
        // A warm grey: proportional grain is stronger in red than in blue.
        const Simulated s = simulate(flatScene({400, 400}, 0.22f, 0.16f, 0.1f), quiet(6400));
        Plane<float> grainy = cleaned(s, tasted("bm3d", 1, &Taste::grain, 1)), noisy = cleaned(s, {"bm3d", 0, 0});
        Plane<float> plain = cleaned(s, {"bm3d", 1, 1});
        const Rect inside{20, 20, 360, 360};
        Plane<float> grain(plain.size());
        for (int y = 0; y < 400; ++y)
            for (int x = 0; x < 400; ++x)
                grain.row(y)[x] = grainy.at(x, y) - plain.at(x, y);
        // Its luminance is as strong as that of the noise, but for what is coarser than nine pixels.
        const double kept = sigmaOf(luminance(grain).view(), inside), was = sigmaOf(luminance(noisy).view(), inside);
        QVERIFY2(kept / was > 0.75 && kept / was < 1.02, qPrintable(QString::number(kept / was)));
        // Even: no place of 40 x 40 has much more or less.
        Plane<float> l = luminance(grain);
        for (int y = 20; y < 380; y += 40)
            for (int x = 20; x < 380; x += 40) {
                const double here = sigmaOf(l.view(), {x, y, 40, 40}) / kept;
                QVERIFY2(here > 0.8 && here < 1.2, qPrintable(QString::number(here)));
            }
        // Fine: means over 16 x 16 hardly move, where those of the noise itself move by a sixth of its sigma.
        double square = 0;
        int n = 0;
        for (int y = 24; y < 368; y += 16)
            for (int x = 24; x < 368; x += 16, ++n)
                square += std::pow(meanOf(grain.view(), {x, y, 16, 16}), 2);
        QVERIFY2(std::sqrt(square / n) < 0.08 * was, qPrintable(QString::number(std::sqrt(square / n) / was)));
        // Neutral: red, green and blue move by the same share of themselves.
        double share[3] = {};
        for (int y = 20; y < 380; y += 2)
            for (int x = 20; x < 380; x += 2)
                for (int c = 0; c < 3; ++c) { // red, green, blue of RGGB
                    const int u = x + (c > 0), v = y + (c > 1);
                    share[c] += std::pow(double(grain.at(u, v)) / double(plain.at(u, v)), 2);
                }
        for (const int c : {0, 2})
            QVERIFY2(std::abs(std::sqrt(share[c] / share[1]) - 1) < 0.1, qPrintable(QString::number(std::sqrt(share[c] / share[1]))));
    }

    void tonesCleanShadowsAndLeaveLights()
    {
        Scene scene = flatScene({400, 200}, 0.002f, 0.002f, 0.002f);
        for (int y = 0; y < 200; ++y)
            for (size_t i = 200 * 3; i < 400 * 3; ++i)
                scene.rgb[size_t(y) * 1200 + i] = 0.7f;
        const Simulated s = simulate(scene, quiet(3200));
        Treatment t{"wavelet", 1, 1};
        t.taste.luminanceLights = t.taste.colourLights = 0;
        const Plane<float> out = cleaned(s, t), plain = cleaned(s, {"wavelet", 1, 1}), none = cleaned(s, {"wavelet", 0, 0});
        const Rect dark{30, 30, 140, 140}, light{230, 30, 140, 140};
        QVERIFY(sigmaOf(out.view(), dark, 2) < 1.02 * sigmaOf(plain.view(), dark, 2));
        QVERIFY(sigmaOf(out.view(), light, 2) > 0.98 * sigmaOf(none.view(), light, 2));
        QVERIFY(sigmaOf(plain.view(), light, 2) < 0.3 * sigmaOf(none.view(), light, 2));
    }

    void blotchesGoAndColoursStay()
    {
        Scene scene = flatScene({600, 400}, 0.003f, 0.003f, 0.003f);
        for (int y = 100; y < 300; ++y) // a red cloth in the dark
            for (int x = 380; x < 560; ++x)
                scene.rgb[(size_t(y) * 600 + size_t(x)) * 3] = 0.02f;
        const Simulated s = simulate(scene, quiet(25600));
        const Plane<float> plain = cleaned(s, {"wavelet", 1, 1}), evened = cleaned(s, tasted("wavelet", 1, &Taste::blotches, 1));
        // Red minus blue of blocks of 18 x 18.
        const auto wander = [&](const Plane<float> &p) {
            double square = 0, sum = 0;
            int n = 0;
            for (int y = 80; y < 320; y += 18)
                for (int x = 80; x < 280; x += 18) {
                    double d = 0;
                    for (int v = 0; v < 18; v += 2)
                        for (int u = 0; u < 18; u += 2)
                            d += (double(p.at(x + u, y + v)) - double(p.at(x + u + 1, y + v + 1))) / 81;
                    square += d * d;
                    sum += d;
                    ++n;
                }
            return std::sqrt(square / n - sum / n * (sum / n));
        };
        QVERIFY2(wander(evened) < 0.5 * wander(plain), qPrintable(QStringLiteral("%1 of %2").arg(wander(evened)).arg(wander(plain))));
        const Rect cloth{420, 140, 100, 120};
        QVERIFY(std::abs(meanOf(evened.view(), cloth) - meanOf(plain.view(), cloth)) < 0.03 * meanOf(plain.view(), cloth));
        for (const Rect &r : {cloth, Rect{80, 80, 200, 240}}) // brightness stays
            QVERIFY(std::abs(meanOf(evened.view(), r) / meanOf(plain.view(), r) - 1) < 0.02);
    }

    void sharpeningSteepensEdgesWithoutHalosAndSparesNoise_data()
    {
        QTest::addColumn<double>("low");
        QTest::addColumn<double>("high");
        QTest::addColumn<double>("radius");
        QTest::newRow("strong edge") << 0.05 << 0.7 << 0.8;
        QTest::newRow("middling edge") << 0.12 << 0.3 << 0.8;
        QTest::newRow("wide blur") << 0.1 << 0.5 << 1.4;
    }
    void sharpeningSteepensEdgesWithoutHalosAndSparesNoise()
    {
        QFETCH(double, low);
        QFETCH(double, high);
        QFETCH(double, radius);
        Scene scene = flatScene({400, 300}, float(low), float(low), float(low));
        for (int y = 0; y < 300; ++y)
            for (size_t i = 200 * 3; i < 400 * 3; ++i)
                scene.rgb[size_t(y) * 1200 + i] = float(high);
        ShootOptions o = quiet(3200);
        o.lensBlurPx = radius;
        const Simulated s = simulate(scene, o);
        Treatment t{"bm3d", 1, 1};
        t.taste.radiusPx = radius;
        const Cleaner before(s.frame, s.noise, t);
        t.taste.sharpen = 1;
        const Cleaner after(s.frame, s.noise, t);
        // Means down the edge of the developed green, without noise to speak of.
        const auto profile = [&](const Cleaner &c) {
            const auto picture = developRegion(c, {150, 20, 100, 260}, {}, nullptr, {}).take();
            std::vector<double> p(100);
            for (int x = 0; x < 100; ++x)
                for (int y = 0; y < 260; ++y)
                    p[size_t(x)] += double(picture.row(y)[3 * x + 1]) / 260;
            return p;
        };
        const auto width = [](const std::vector<double> &p) { // from a fifth to four fifths of the way up, in pixels
            const double a = p[10] + 0.2 * (p[90] - p[10]), b = p[10] + 0.8 * (p[90] - p[10]);
            double from = 0, to = 0;
            for (size_t x = 20; x < 80; ++x) {
                if (p[x] <= a && p[x + 1] > a)
                    from = double(x) + (a - p[x]) / (p[x + 1] - p[x]);
                if (p[x] <= b && p[x + 1] > b)
                    to = double(x) + (b - p[x]) / (p[x + 1] - p[x]);
            }
            return to - from;
        };
        const auto soft = profile(before), sharp = profile(after);
        QVERIFY2(width(sharp) < 0.85 * width(soft), qPrintable(QStringLiteral("%1 px, %2 before").arg(width(sharp)).arg(width(soft))));
        const double step = soft[90] - soft[10];
        const double over = *std::max_element(sharp.begin() + 20, sharp.begin() + 80) - sharp[90], under = sharp[10] - *std::min_element(sharp.begin() + 20, sharp.begin() + 80);
        QVERIFY2(over < 0.05 * step && under < 0.05 * step, qPrintable(QStringLiteral("%1 over, %2 under").arg(over / step).arg(under / step)));
        const Plane<float> a = before.clean(s.frame->active).take(), b = after.clean(s.frame->active).take();
        for (const Rect &flat : {Rect{10, 20, 150, 260}, Rect{240, 20, 150, 260}})
            QVERIFY(sigmaOf(b.view(), flat, 2) < 1.1 * sigmaOf(a.view(), flat, 2));
        // Noise that was left in on purpose is spared, too.
        Treatment noisy{"bm3d", 0, 0};
        const Plane<float> c = cleaned(s, noisy);
        noisy.taste.sharpen = 1;
        const Plane<float> d = cleaned(s, noisy);
        for (const Rect &flat : {Rect{10, 20, 150, 260}, Rect{240, 20, 150, 260}})
            QVERIFY2(sigmaOf(d.view(), flat, 2) < 1.1 * sigmaOf(c.view(), flat, 2), qPrintable(QString::number(sigmaOf(d.view(), flat, 2) / sigmaOf(c.view(), flat, 2))));
    }

    /// What sharpening passes over is the smooth ground, and more of it the more it is spared; a veil lies there and nowhere else.
    void whatSharpeningSparesIsShown()
    {
        Scene scene = flatScene({300, 200}, 0.1f, 0.1f, 0.1f);
        for (int y = 0; y < 200; ++y)
            for (int x = 150; x < 300; ++x)
                std::fill_n(scene.rgb.begin() + (y * 300 + x) * 3, 3, x % 12 < 6 ? 0.05f : 0.5f);
        const Simulated s = simulate(scene, quiet(1600));
        Treatment t{"bm3d", 1, 1};
        QVERIFY(!Cleaner(s.frame, s.noise, t).sharpens());
        t.taste.sharpen = 1;
        const Rect active = s.frame->active, smooth{20, 20, 100, 160}, stripes{170, 20, 110, 160};
        const auto reach = [&](double protection) {
            t.taste.smoothProtection = protection;
            return Cleaner(s.frame, s.noise, t).sharpened(active).take();
        };
        const Plane<float> none = reach(0), some = reach(0.5);
        QCOMPARE(meanOf(none.constView(), smooth), 1.0);
        QVERIFY(meanOf(some.constView(), smooth) < 0.02);
        QVERIFY(meanOf(some.constView(), stripes) > 0.9);
        const Rect part{active.x + 61, active.y + 35, 120, 90};
        const Cleaner cleaner(s.frame, s.noise, t);
        QVERIFY(sameBits(cleaner.sharpened(part).value().constView(), some.constView().cut({61, 35, 120, 90})));
        for (const int factor : {1, 4}) {
            const auto picture = developView(cleaner, active, factor, {}, nullptr, {}).take(), veiled = developView(cleaner, active, factor, {0, Show::Spared}, nullptr, {}).take();
            const auto moved = [&](const Rect &where) {
                double sum = 0;
                for (int y = where.y / factor; y < where.bottom() / factor; ++y)
                    for (int x = where.x / factor; x < where.right() / factor; ++x)
                        sum += double(std::abs(picture.row(y)[3 * x + 1] - veiled.row(y)[3 * x + 1]));
                return sum * factor * factor / double(where.size().area());
            };
            QVERIFY2(moved(smooth) > 0.15 && moved(stripes) < 0.03, qPrintable(QStringLiteral("%1, %2").arg(moved(smooth)).arg(moved(stripes))));
        }
        t.taste.sharpen = 0;
        const Cleaner unsharpened(s.frame, s.noise, t);
        QVERIFY(developView(unsharpened, active, 1, {0, Show::Spared}, nullptr, {}).value().samples == developView(unsharpened, active, 1, {}, nullptr, {}).value().samples);
    }

    void sharpeningKeepsHues()
    {
        // Stripes of one orange, light and dark: red over blue stays what it is.
        Scene scene = flatScene({300, 200}, 0.4f, 0.2f, 0.08f);
        for (int y = 0; y < 200; ++y)
            for (int x = 0; x < 300; ++x)
                if (x / 10 % 2)
                    for (size_t c = 0; c < 3; ++c)
                        scene.rgb[(size_t(y) * 300 + size_t(x)) * 3 + c] *= 0.4f;
        const Simulated s = simulate(scene, quiet(100));
        const auto ratioOf = [&](const Treatment &t) {
            const Plane<float> p = cleaned(s, t);
            double red = 0, blue = 0;
            for (int y = 20; y < 180; y += 2)
                for (int x = 20; x < 280; x += 2) {
                    red += double(p.at(x, y));
                    blue += double(p.at(x + 1, y + 1));
                }
            return red / blue;
        };
        const double before = ratioOf({"wavelet", 1, 1}), after = ratioOf(tasted("wavelet", 1, &Taste::sharpen, 1.5));
        QVERIFY2(std::abs(after / before - 1) < 0.01, qPrintable(QString::number(after / before)));
    }

    void meansStayWhateverIsAdded_data()
    {
        QTest::addColumn<QString>("name");
        QTest::addColumn<double>("amount");
        QTest::newRow("detail") << "detail" << 1.0;
        QTest::newRow("grain") << "grain" << 1.0;
        QTest::newRow("tones") << "luminance-shadows" << 2.0;
    }
    void meansStayWhateverIsAdded()
    {
        QFETCH(QString, name);
        QFETCH(double, amount);
        // Every colour of the scene, dark ones too: block means against the untreated frame, by the noise that such a mean has.
        const Simulated s = simulate(makeScene({640, 480}), quiet(6400));
        const Plane<float> none = cleaned(s, {"wavelet", 0, 0}), treated = cleaned(s, tasted("wavelet", 1, findParam(name.toStdString())->taste, amount));
        double square = 0;
        int n = 0;
        for (int y = 0; y + 64 <= 480; y += 64)
            for (int x = 0; x + 64 <= 640; x += 64, ++n) {
                const Rect block{x, y, 64, 64};
                const double before = meanOf(none.view(), block), sigma = double(s.truth.noise.sigmaAt(float(before))) / 64;
                square += std::pow((meanOf(treated.view(), block) - before) / (sigma + 0.002 * before), 2);
            }
        QVERIFY2(std::sqrt(square / n) < 2, qPrintable(QString::number(std::sqrt(square / n))));
    }

    void cancelLeavesNothingWithEverythingOn()
    {
        const Simulated s = simulate(makeScene({640, 480}), quiet(6400));
        const Everything e(s);
        const Cleaner cleaner(s.frame, s.noise, e.treatment, e.edits);
        std::stop_source stop;
        stop.request_stop();
        const auto stopped = cleaner.clean(s.frame->active, {1, stop.get_token(), {}});
        QVERIFY(!stopped && stopped.error().code == ErrorCode::Cancelled);
        std::stop_source later;
        std::thread stopper([&] {
            std::this_thread::sleep_for(std::chrono::milliseconds(60));
            later.request_stop();
        });
        const auto result = cleaner.clean(s.frame->active, {2, later.get_token(), {}});
        stopper.join();
        QVERIFY(!result && result.error().code == ErrorCode::Cancelled); // the whole takes seconds
    }

    void regionsHoldTheirOwnStrengths()
    {
        const Simulated s = simulate(flatScene({400, 200}, 0.2f, 0.2f, 0.2f), quiet(6400));
        MaskPart half;
        half.kind = MaskPart::Kind::Gradient;
        half.from = {190, 100};
        half.to = {210, 100};
        FrameEdits edits{std::make_shared<const RegionSet>(s.frame, s.noise, std::vector<Region>{regionOf(half, 0, 0)}), {}};
        Treatment t{"wavelet", 1, 1};
        const Plane<float> out = cleaned(s, t, edits), plain = cleaned(s, t), none = cleaned(s, {"wavelet", 0, 0});
        t.regions = false;
        QVERIFY(sameBits(cleaned(s, t, edits).constView(), plain.constView()));
        QVERIFY(meanSquare(out.view(), none.view(), {0, 0, 180, 200}) < 1e-12);
        QVERIFY(meanSquare(out.view(), plain.view(), {220, 0, 180, 200}) < 1e-12);
    }
};

QTEST_APPLESS_MAIN(TasteTest)
#include "taste_test.moc"

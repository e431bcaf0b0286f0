// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/variants.h"

#include "irenic/noise.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

constexpr Size kPlace{3, 1};

Region regionWith(double luminance, double colour, double sharpen = 0)
{
    Region r;
    r.name = "deck";
    r.luminance = luminance;
    r.colour = colour;
    r.sharpen = sharpen;
    MaskPart part;
    part.strokes.push_back({10, 0.5f, 1, false, {{20, 20, 1}}});
    r.parts.push_back(part);
    return r;
}

RegionSet setOf(const std::vector<Region> &regions)
{
    static const Simulated shot = simulate(makeScene({64, 64}), {});
    return RegionSet(shot.frame, shot.noise, regions);
}

/// Two regions over three places: the first covers all of the first and half of the second; the second a quarter of the second.
struct TwoMasks {
    Plane<float> first{kPlace}, second{kPlace};
    Masks masks;
    TwoMasks()
    {
        std::copy_n(std::array{1.f, 0.5f, 0.f}.begin(), 3, first.row(0));
        std::copy_n(std::array{0.f, 0.25f, 0.f}.begin(), 3, second.row(0));
        masks.push_back(first.constView());
        masks.push_back(second.constView());
    }
};

} // namespace

/// Which strengths a treatment needs where.
class VariantsTest : public QObject
{
    Q_OBJECT
private slots:
    void aPlainTreatmentHasOne()
    {
        const Variants v({"wavelet", 0.7, 0.9}, nullptr);
        QVERIFY(v.isOne());
        QVERIFY((v.list().front() == Variant{0.7, 0.9}));
    }

    void equalStrengthsAreOneVariant()
    {
        // Tones double in shadows what the region asks for everywhere.
        Treatment t{"wavelet", 0.5, 1};
        t.taste.luminanceShadows = 2;
        const RegionSet regions = setOf({regionWith(1, 1)});
        const Variants v(t, &regions);
        QCOMPARE(v.settings().size(), size_t(2));
        // 1 of the trial's shadows and of the region; 0.5 elsewhere; 2 of the region's shadows, if that is allowed.
        const double most = std::min(2.0, kLuminanceParam.info.max);
        QCOMPARE(v.list().size(), size_t(most == 1 ? 2 : 3));
        QCOMPARE(v.ofSettings()[0][0], v.ofSettings()[1][1]);
        QCOMPARE(v.list()[v.ofSettings()[1][0]].luminance, most);
    }

    void strengthsEndAtTheirRange()
    {
        Treatment t{"wavelet", kLuminanceParam.info.max, kColourParam.info.max};
        t.taste.luminanceLights = 2;
        t.taste.colourShadows = 2;
        QVERIFY(Variants(t, nullptr).isOne());
    }

    void laterRegionsLieOverEarlierOnes()
    {
        const RegionSet regions = setOf({regionWith(0.2, 1), regionWith(0.4, 1)});
        const Variants v({"wavelet", 1, 1}, &regions);
        const TwoMasks two;
        std::vector<Plane<float>> weights;
        v.weigh(two.masks, {}, kPlace, weights);
        QCOMPARE(weights.size(), size_t(3));
        const auto of = [&](size_t setting) -> const Plane<float> & { return weights[v.ofSettings()[setting][0]]; };
        // Of the second place a quarter is the second region's, and half of the rest the first's.
        const std::array trial{0.f, 0.375f, 1.f}, first{1.f, 0.375f, 0.f}, second{0.f, 0.25f, 0.f};
        for (int x = 0; x < 3; ++x) {
            QCOMPARE(of(0).at(x, 0), trial[size_t(x)]);
            QCOMPARE(of(1).at(x, 0), first[size_t(x)]);
            QCOMPARE(of(2).at(x, 0), second[size_t(x)]);
        }
    }

    void everyPlaceIsDealtOutWhole()
    {
        Treatment t{"wavelet", 0.8, 1};
        t.taste.luminanceShadows = 1.5;
        t.taste.luminanceLights = 0.4;
        t.taste.colourMidtones = 0.3;
        const RegionSet regions = setOf({regionWith(0.2, 0.5), regionWith(0.4, 1)});
        const Variants v(t, &regions);
        Plane<float> ev(kPlace);
        std::copy_n(std::array{-9.f, -3.f, 0.f}.begin(), 3, ev.row(0));
        const TwoMasks two;
        std::vector<Plane<float>> weights;
        v.weigh(two.masks, ev.constView(), kPlace, weights);
        for (int x = 0; x < 3; ++x) {
            float sum = 0;
            for (const auto &w : weights)
                sum += w.at(x, 0);
            QVERIFY(std::abs(sum - 1) < 1e-5f);
        }
        // In the deepest shadow of the first region, which covers that place whole, its shadows' strengths rule alone.
        QVERIFY(weights[v.ofSettings()[1][0]].at(0, 0) > 0.99f);
    }

    void settingsSpreadAsTheRegionsDo()
    {
        const RegionSet regions = setOf({regionWith(1, 1, 0.8), regionWith(1, 1, 0.4)});
        Treatment t{"wavelet", 1, 1};
        const Variants v(t, &regions);
        QVERIFY(v.any(&PlaceSettings::sharpen));
        QVERIFY(!v.any(&PlaceSettings::grain));
        const TwoMasks two;
        Plane<float> out(kPlace);
        v.spread(two.masks, &PlaceSettings::sharpen, out.view());
        QVERIFY(std::abs(out.at(0, 0) - 0.8f) < 1e-6f);
        QVERIFY(std::abs(out.at(1, 0) - (0.375f * 0.8f + 0.25f * 0.4f)) < 1e-6f);
        QCOMPARE(out.at(2, 0), 0.f);
        v.shareOf(two.masks, &PlaceSettings::sharpen, 0, out.view());
        QVERIFY(std::abs(out.at(1, 0) - 0.375f) < 1e-6f);
    }

    void textTellsVariantsApart()
    {
        Treatment a{"wavelet", 0.5, 1}, b = a;
        b.taste.luminanceShadows = 0.9;
        QVERIFY(Variants(a, nullptr).text() != Variants(b, nullptr).text());
        QCOMPARE(Variants(a, nullptr).text(), Variants(a, nullptr).text());
    }
};

QTEST_APPLESS_MAIN(VariantsTest)
#include "variants_test.moc"

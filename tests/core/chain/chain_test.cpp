// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/chain.h"

#include "base/random.h"
#include "methods/denoise_method.h"
#include "support/frames.h"

#include <QTest>

#include <set>

using namespace irenic;
using namespace irenic::test;

namespace {

const Simulated &shot()
{
    static const Simulated s = [] {
        ShootOptions o;
        o.iso = 6400;
        return simulate(makeScene({320, 240}), o);
    }();
    return s;
}

Region paintedRegion()
{
    Region r;
    r.name = "deck";
    MaskPart part;
    part.strokes.push_back({40, 0.5f, 1, false, {{100, 100, 1}, {180, 140, 1}}});
    r.parts.push_back(part);
    return r;
}

Cleaner cleanerFor(const Treatment &t, const std::vector<Region> &regions = {}, const LensCorrection &lens = {})
{
    return Cleaner(shot().frame, shot().noise, t, {regions.empty() ? nullptr : std::make_shared<const RegionSet>(shot().frame, shot().noise, regions), lens});
}

} // namespace

/// What a chain says of itself: whether it does anything, whether two are the same, what they cost.
class ChainTest : public QObject
{
    Q_OBJECT
private slots:
    void whatDoesNothingIsTheEmptyChain()
    {
        Taste unmixed;
        unmixed.mix = 0;
        for (const Treatment &t : {kNoTreatment, Treatment{"bm3d", 0, 0}, Treatment{"dct", 1, 1, {}, unmixed}}) {
            const Cleaner c = cleanerFor(t);
            QVERIFY(c.isIdentity());
            QCOMPARE(c.expectedSeconds({1000, 1000}), 0.0);
            QVERIFY(c.identity() == cleanerFor(kNoTreatment).identity());
        }
        // A region's own strengths, and a region that leaves the rest alone.
        const Cleaner inside = cleanerFor({"wavelet", 0, 0}, {paintedRegion()});
        QVERIFY(!inside.isIdentity());
        QVERIFY(inside.expectedSeconds({1000, 1000}) > 0);
        Treatment without{"wavelet", 0, 0};
        without.regions = false;
        QVERIFY(cleanerFor(without, {paintedRegion()}).isIdentity());
        LensCorrection lens;
        lens.vignetting = true;
        lens.falloff = {-0.3, 0, 0};
        QVERIFY(!Cleaner::untreated(shot().frame, lens).isIdentity());
    }

    /// Whatever is set differently is another chain, or the screen would show what was computed for something else.
    void everySettingIsPartOfItsIdentity()
    {
        Treatment base{"bm3d", 0.9, 0.8};
        base.taste = {.detail = 0.3, .grain = 0.2, .mix = 0.9, .blotches = 0.4, .sharpen = 0.5};
        const std::vector<Region> regions{paintedRegion()};
        const auto identity = [&](const Treatment &t, const std::vector<Region> &r, const LensCorrection &l = {}) { return cleanerFor(t, r, l).identity(); };
        const ChainIdentity same = identity(base, regions);
        QVERIFY(same == identity(base, regions)); // one object, not one text
        std::vector<std::pair<std::string, ChainIdentity>> others;
        Treatment t = base;
        t.method = "nlm";
        others.emplace_back("method", identity(t, regions));
        t = base;
        t.colourMethod = "wavelet";
        others.emplace_back("colour method", identity(t, regions));
        t = base;
        t.luminance = 0.9000001;
        others.emplace_back("luminance", identity(t, regions));
        t = base;
        t.colour = 0.7;
        others.emplace_back("colour", identity(t, regions));
        for (const TreatmentParam &p : kTasteParams) {
            if (p.taste == &Taste::blocks)
                continue; // of a JPEG alone
            t = base;
            t.taste.*p.taste = t.taste.*p.taste == 0.35 ? 0.36 : 0.35;
            others.emplace_back(p.info.name, identity(t, regions));
        }
        for (const RegionParam &p : kRegionParams) {
            std::vector<Region> r = regions;
            r[0].*p.value = r[0].*p.value == 0.35 ? 0.36 : 0.35;
            others.emplace_back(std::string("region's ") + p.info.name, identity(base, r));
        }
        std::vector<Region> moved = regions;
        moved[0].parts[0].strokes[0].points[1].x += 1;
        others.emplace_back("a stroke's point", identity(base, moved));
        LensCorrection lens;
        lens.lateral = true;
        lens.red = {1.001, 0, 0, 0, 0};
        others.emplace_back("lens", identity(base, regions, lens));
        lens.red[1] = 0.0001;
        others.emplace_back("lens, a coefficient", identity(base, regions, lens));
        for (size_t i = 0; i < others.size(); ++i) {
            QVERIFY2(others[i].second != same, others[i].first.c_str());
            for (size_t k = 0; k < i; ++k)
                QVERIFY2(others[i].second != others[k].second, qPrintable(QString::fromStdString(others[i].first + " and " + others[k].first)));
        }
    }

    void stagesFitTogether()
    {
        Treatment t{"dct", 1, 1};
        t.taste = {.detail = 0.5, .grain = 0.2, .mix = 0.9, .luminanceShadows = 1.4, .blotches = 0.5, .sharpen = 0.6};
        LensCorrection lens;
        lens.lateral = true;
        lens.red = {1.001, 0, 0, 0, 0};
        const Chain chain(std::make_shared<const ChainFacts>(shot().frame, shot().noise, t, FrameEdits{nullptr, lens}));
        Space space = Space::Linear;
        int halo = 0;
        std::set<std::string> names;
        for (const auto &stage : chain.stages()) {
            const Stage::Traits traits = stage->traits();
            QVERIFY2(traits.from == space, traits.name);
            QVERIFY2(traits.secondsPerMegapixel > 0, traits.name);
            QVERIFY2(names.insert(traits.name).second, traits.name);
            space = traits.to;
            halo += traits.haloPx;
        }
        QVERIFY(space == Space::Linear);
        QCOMPARE(chain.haloPx(), halo);
        for (const char *name : {"linearise", "stabilise", "method", "detail", "blotches", "points of light", "return to linear", "grain", "mix", "sharpen", "lens"})
            QVERIFY2(chain.has(name), name);
        // Whatever is not asked for is not there.
        const Chain plain(std::make_shared<const ChainFacts>(shot().frame, shot().noise, Treatment{"dct", 1, 1}, FrameEdits()));
        for (const char *name : {"detail", "blotches", "grain", "mix", "sharpen", "lens"})
            QVERIFY2(!plain.has(name), name);
    }

    void whatCostsMoreIsSaidToCostMore()
    {
        const auto expected = [](const Treatment &t) { return cleanerFor(t).expectedSeconds({4000, 3000}); };
        const double wavelet = expected({"wavelet"}), bm3d = expected({"bm3d"}), network = expected({"unet"});
        QVERIFY(bm3d > 2 * wavelet);
        QVERIFY(expected({"bm3d", 1, 1, "wavelet"}) > bm3d + 0.1 * 12); // every megapixel by both
        Taste tones;
        tones.luminanceShadows = 0.9;
        tones.luminanceLights = 0.5;
        QVERIFY(expected({"bm3d", 1, 1, {}, tones}) > 2.6 * bm3d);    // three strengths, three times the work
        QVERIFY(expected({"unet", 1, 1, {}, tones}) < 1.1 * network); // which the network answers once
        tones.luminanceShadows = 1.5;
        QVERIFY(expected({"unet", 1, 1, {}, tones}) > 1.7 * network); // beyond 1 it is told more noise
    }

    /// The second strength is taken from the first one's answer as long as both are said to be of one tile: shown by samples that change between them.
    void theNetworkAnswersATileOnce()
    {
        const Size size{512, 512};
        const auto half = makeMethod({"unet", 0.5, 0.5}), whole = makeMethod({"unet", 1, 1});
        const int halo = half->haloPx();
        const auto noisy = [&](uint64_t seed) {
            Plane<float> p({size.width + 2 * halo + kRowPaddingPx, size.height + 2 * halo});
            for (int y = 0; y < p.height(); ++y)
                for (int x = 0; x < p.width(); ++x)
                    p.at(x, y) = 20 + float(RandomAt(seed, 0, x, y).gaussian());
            return p;
        };
        const Plane<float> first = noisy(1), second = noisy(2);
        const auto tileOf = [&](const Plane<float> &p) { return TileInput::mosaic(p.view().cut({0, 0, size.width + 2 * halo, size.height + 2 * halo}), CfaPattern()); };
        const Rect where{1000, 800, size.width, size.height};
        const auto run = [&](const DenoiseMethod &method, const Plane<float> &samples, Scratch &scratch) {
            Plane<float> out(size);
            method.denoiseTile(tileOf(samples), where, {out.view(), {}, {}}, scratch);
            return out;
        };
        Scratch scratch;
        const Plane<float> alone = run(*half, first, scratch);
        {
            const Scratch::SameTile same(scratch);
            const Plane<float> all = run(*whole, first, scratch), shared = run(*half, first, scratch);
            QVERIFY(sameBits(shared.constView(), alone.constView()));
            // Other samples in the same tile: what is taken is still what was found in the first.
            const Plane<float> stale = run(*half, second, scratch);
            for (int i = 0; i < 100; ++i) {
                const int x = 5 * i, y = 3 * i;
                const float taken = first.at(x + halo, y + halo) - all.at(x, y);
                QVERIFY(std::abs(stale.at(x, y) - (second.at(x + halo, y + halo) - 0.5f * taken)) < 1e-4f);
            }
        }
        QVERIFY(!sameBits(run(*half, second, scratch).constView(), alone.constView())); // and afterwards it is forgotten
        Scratch fresh;
        QVERIFY(sameBits(run(*half, second, scratch).constView(), run(*half, second, fresh).constView()));
    }

    /// Seen by what it leaves: a stage that ended early left its work undone. How many milliseconds that takes is for irenic-bench stop.
    void everyCostlyStageEndsEarlyOnceItIsStopped()
    {
        ShootOptions o;
        o.iso = 6400;
        const Simulated s = simulate(makeScene({900, 700}), o);
        Treatment t{"dct"};
        t.taste = {.detail = 0.5, .grain = 0.2, .mix = 0.9, .luminanceShadows = 1.4, .luminanceLights = 0.6, .colourShadows = 0.8, .blotches = 0.5, .sharpen = 0.6};
        LensCorrection lens;
        lens.lateral = true;
        lens.red = {1.0008, 0, 0, 0, 0};
        const auto regions = std::make_shared<const RegionSet>(s.frame, s.noise, std::vector<Region>{paintedRegion()});
        const Chain chain(std::make_shared<const ChainFacts>(s.frame, s.noise, t, FrameEdits{regions, lens}));
        QVERIFY(chain.stages().size() >= 10);
        std::stop_source stopped;
        stopped.request_stop();
        const Rect where{200, 100, 250, 250};
        Scratch scratch;
        const auto left = [&](size_t i, const std::stop_token &stop) {
            const Stage::Traits traits = chain.stages()[i]->traits();
            Tile tile(chain.facts());
            scratch.stop = {};
            if (i > 0)
                chain.run(tile, where.grownBy(traits.haloPx), scratch, chain.stages()[i - 1]->traits().name);
            scratch.stop = stop;
            chain.stages()[i]->run(tile, where, scratch);
            Plane<float> copy(where.size());
            copyRows(tile.now.over(where)[0], copy.view());
            return copy;
        };
        constexpr double kOnceATile = 0.05; // seconds a megapixel; what costs less is over by then
        int polling = 0;
        for (size_t i = 0; i < chain.stages().size(); ++i) {
            const Stage::Traits traits = chain.stages()[i]->traits();
            if (traits.secondsPerMegapixel < kOnceATile)
                continue;
            const Plane<float> whole = left(i, {}), cut = left(i, stopped.get_token());
            QVERIFY2(!sameBits(whole.constView(), cut.constView()), traits.name);
            ++polling;
        }
        QVERIFY(polling >= 4);
    }

    void planesComeBack()
    {
        Scratch scratch;
        const float *first = nullptr;
        {
            const Scratch::Lent a = scratch.lend({100, 50}), b = scratch.lend({100, 50});
            QVERIFY(a.view().data != b.view().data);
            first = a.view().data;
        }
        Scratch::Lent small = scratch.lend({10, 10}), large = scratch.lend({100, 50});
        QVERIFY(small.view().data == first || large.view().data == first);
        small = std::move(large); // what it held before goes back
        const Scratch::Lent again = scratch.lend({100, 50});
        QVERIFY(again.view().data && again.view().data != small.view().data);
    }
};

QTEST_APPLESS_MAIN(ChainTest)
#include "chain_test.moc"

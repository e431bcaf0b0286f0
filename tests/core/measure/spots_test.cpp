// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/develop.h"
#include "irenic/measure_noise.h"
#include "irenic/spots.h"
#include "support/frames.h"

#include <QTest>

#include <algorithm>
#include <map>

using namespace irenic;
using namespace irenic::test;

namespace {

constexpr int kWidth = 1280, kHeight = 960;

/// Grey card with one of everything, each in its own place.
struct Places {
    Rect shadow{64, 64, 192, 192}, texture{448, 64, 256, 256}, edge{896, 128, 256, 320}, lights{64, 480, 256, 256}, colour{512, 512, 192, 192};
};

Scene sceneWithEverything(const Places &p)
{
    Scene s = flatScene({kWidth, kHeight}, 0.18f, 0.18f, 0.18f);
    const auto set = [&](int x, int y, double r, double g, double b) {
        float *to = s.rgb.data() + (size_t(y) * kWidth + size_t(x)) * 3;
        to[0] = float(r);
        to[1] = float(g);
        to[2] = float(b);
    };
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            const auto in = [&](const Rect &r) { return r.contains({x, y, 1, 1}); };
            if (in(p.shadow)) {
                const double v = 0.004 + ((x / 24 + y / 24) % 2 ? 0.012 : 0);
                set(x, y, v, v, v);
            } else if (in(p.texture)) {
                const double v = 0.25 * (1 + 0.45 * std::sin(x * 1.0) * std::sin(y * 0.9));
                set(x, y, v, v, v);
            } else if (in(p.edge)) {
                const double v = x + y / 3 < p.edge.x + 128 + p.edge.y / 3 + 50 ? 0.05 : 0.7;
                set(x, y, v, v, v);
            } else if (in(p.lights)) {
                set(x, y, 0.03, 0.03, 0.03);
            } else if (in(p.colour)) {
                set(x, y, 0.6, 0.03, 0.03);
            }
        }
    for (int y = p.lights.y + 8; y < p.lights.bottom() - 8; y += 20)
        for (int x = p.lights.x + 8 + y % 7; x < p.lights.right() - 8; x += 22)
            for (int v = 0; v < 2; ++v)
                for (int u = 0; u < 2; ++u)
                    set(x + u, y + v, 0.9, 0.9, 0.9);
    return s;
}

bool isIn(const Rect &r, PixelAt at)
{
    return r.contains({at.x, at.y, 1, 1});
}

} // namespace

class SpotsTest : public QObject
{
    Q_OBJECT
private slots:
    void oneOfEachIsFoundWhereItIs_data()
    {
        QTest::addColumn<int>("iso");
        QTest::addColumn<int>("orientation");
        QTest::newRow("iso 1600") << 1600 << 1;
        QTest::newRow("iso 6400, upright") << 6400 << 6;
        QTest::newRow("iso 12800, on its head") << 12800 << 3;
    }
    void oneOfEachIsFoundWhereItIs()
    {
        QFETCH(int, iso);
        QFETCH(int, orientation);
        const Places p;
        ShootOptions o;
        o.iso = iso;
        o.orientation = orientation;
        const Simulated s = simulate(sceneWithEverything(p), o);
        const auto found = proposeSpots(s.frame, s.noise);
        QVERIFY(found.ok());
        std::map<SpotKind, PixelAt> at;
        for (const ProposedSpot &spot : found.value()) {
            QVERIFY2(!at.contains(spot.kind), "one of a kind");
            const PixelAt stored = s.frame->storedOf(spot.at); // the scene begins at the crop's corner
            at[spot.kind] = {stored.x - s.frame->crop.x, stored.y - s.frame->crop.y};
        }
        const auto expect = [&](SpotKind kind, const Rect &where) {
            if (!at.contains(kind))
                return false;
            return isIn(where.grownBy(40), at[kind]);
        };
        QVERIFY(expect(SpotKind::Shadow, p.shadow));
        QVERIFY(expect(SpotKind::Texture, p.texture));
        QVERIFY(expect(SpotKind::TextureBesideSmooth, p.texture) || expect(SpotKind::TextureBesideSmooth, p.lights));
        QVERIFY(expect(SpotKind::Edge, p.edge));
        QVERIFY(expect(SpotKind::PointLights, p.lights));
        QVERIFY(expect(SpotKind::StrongColour, p.colour));
        QVERIFY(at.contains(SpotKind::PlainTone));
        for (const Rect &busy : {p.shadow, p.texture, p.edge, p.lights})
            QVERIFY2(!isIn(busy, at[SpotKind::PlainTone]), "a plain tone is plain");
        QVERIFY(at.contains(SpotKind::Corner));
        const PixelAt corner = at[SpotKind::Corner];
        QVERIFY(std::min(corner.x, kWidth - corner.x) < 160 && std::min(corner.y, kHeight - corner.y) < 160);
        // Apart from each other.
        for (const auto &[a, pa] : at)
            for (const auto &[b, pb] : at)
                QVERIFY(a == b || std::max(std::abs(pa.x - pb.x), std::abs(pa.y - pb.y)) >= 64);
    }

    void aGreyCardHasNoTextureAndNoLights()
    {
        ShootOptions o;
        o.iso = 25600;
        const Simulated s = simulate(flatScene({960, 640}, 0.2f, 0.2f, 0.2f), o);
        const auto found = proposeSpots(s.frame, s.noise);
        for (const ProposedSpot &spot : found.value())
            QVERIFY2(spot.kind == SpotKind::PlainTone || spot.kind == SpotKind::Corner, infoOf(spot.kind).id);
        QCOMPARE(found.value().size(), size_t(2));
    }

    void aTinyFrameHasNone()
    {
        const Simulated s = simulate(flatScene({40, 40}, 0.2f, 0.2f, 0.2f), {});
        QVERIFY(proposeSpots(s.frame, s.noise).value().empty());
    }

    void fullColourFramesHaveSpotsToo()
    {
        const Places p;
        const FullColour f = simulateFullColour(sceneWithEverything(p), {1.f / 2000, 1e-6f}, true);
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*f.frame).take());
        const auto found = proposeSpots(f.frame, noise);
        const auto has = [&](SpotKind kind, const Rect &where) {
            return std::any_of(found.value().begin(), found.value().end(), [&](const ProposedSpot &s) { return s.kind == kind && isIn(where.grownBy(40), f.frame->storedOf(s.at)); });
        };
        QVERIFY(has(SpotKind::Texture, p.texture) && has(SpotKind::StrongColour, p.colour) && has(SpotKind::Edge, p.edge));
    }

    void everyKindHasWords()
    {
        for (const SpotKindInfo &info : spotKinds()) {
            QCOMPARE(int(infoOf(info.kind).kind), int(info.kind));
            QVERIFY(*info.id && *info.label && *info.help);
        }
    }

    void uprightPlacesGoThereAndBack()
    {
        for (int orientation = 1; orientation <= 8; ++orientation) {
            FrameFacts facts;
            facts.active = {4, 6, 80, 60};
            facts.crop = {10, 20, 64, 48};
            facts.orientation = orientation;
            auto numbered = RgbImage<uint16_t>::ofSize(facts.crop.size());
            for (size_t i = 0; i < numbered.samples.size(); ++i)
                numbered.samples[i] = uint16_t(i / 3);
            const RgbImage<uint16_t> wall = turned(numbered, orientation);
            QCOMPARE(facts.uprightSize(), wall.size);
            for (const PixelAt at : {PixelAt{10, 20}, PixelAt{15, 60}, PixelAt{73, 67}}) {
                const UprightPoint up = facts.uprightOf(at);
                QCOMPARE(int(wall.row(up.y)[up.x * 3]), (at.y - 20) * 64 + at.x - 10);
                QCOMPARE(facts.storedOf(up), at);
            }
            const Rect part{12, 24, 30, 7};
            QCOMPARE(facts.storedOf(facts.uprightOf(part)), part);
            QCOMPARE(facts.cropInActive(), (ActiveRect{6, 14, 64, 48}));
        }
    }
};

QTEST_APPLESS_MAIN(SpotsTest)
#include "spots_test.moc"

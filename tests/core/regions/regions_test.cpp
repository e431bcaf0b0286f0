// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/regions.h"
#include "regions/painted.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

Simulated frameFor(const Scene &scene, int iso = 800)
{
    ShootOptions o;
    o.iso = iso;
    o.banding = 0;
    return simulate(scene, o);
}

Plane<float> maskOf(const Simulated &s, const Region &region, int step = 1, Rect where = {})
{
    const RegionSet set(s.frame, s.noise, {region});
    if (where.isEmpty())
        where = s.frame->crop;
    Plane<float> out({where.width / step, where.height / step});
    set.mask(0, {where.x, where.y}, step, out.view());
    return out;
}

Region with(MaskPart part)
{
    Region r;
    r.name = "it";
    r.parts = {std::move(part)};
    return r;
}

MaskPart strokes(std::vector<Stroke> list)
{
    MaskPart p;
    p.strokes = std::move(list);
    return p;
}

/// Intersection over union of what weighs more than a half.
double overlap(const Plane<float> &mask, const std::vector<bool> &truth)
{
    double both = 0, either = 0;
    for (int y = 0; y < mask.height(); ++y)
        for (int x = 0; x < mask.width(); ++x) {
            const bool a = mask.at(x, y) > 0.5f, b = truth[size_t(y) * size_t(mask.width()) + size_t(x)];
            both += a && b;
            either += a || b;
        }
    return either > 0 ? both / either : 0;
}

/// Noise of many octaves, such as stone or foliage shows.
double rough(double x, double y)
{
    double v = 0;
    for (int octave = 0; octave < 5; ++octave) {
        const double f = std::pow(2.0, octave) * 0.06;
        v += (std::sin(x * f * 1.3 + 3 * std::sin(y * f * 0.9 + octave)) * std::cos(y * f + 2 * std::sin(x * f * 0.7))) / std::pow(2.0, octave * 0.5);
    }
    return v / 3;
}

} // namespace

class RegionsTest : public QObject
{
    Q_OBJECT
private slots:
    void aBrushPaintsWhereItWent()
    {
        const Simulated s = frameFor(flatScene({200, 160}, 0.2f, 0.2f, 0.2f));
        const Plane<float> m = maskOf(s, with(strokes({{20, 0.5f, 1, false, {{50, 80, 1}, {150, 80, 1}}}})));
        QCOMPARE(m.at(100, 80), 1.f);     // on the line
        QCOMPARE(m.at(100, 80 - 9), 1.f); // in the hard half
        QVERIFY(m.at(100, 80 - 15) > 0.2f && m.at(100, 80 - 15) < 0.8f);
        QCOMPARE(m.at(100, 80 - 22), 0.f);
        QCOMPARE(m.at(20, 80), 0.f);
        // A stroke that goes over a place twice lays no more on; two strokes do.
        const Stroke light{20, 1, 0.5f, false, {{50, 80, 1}, {150, 80, 1}, {50, 80, 1}}};
        QCOMPARE(maskOf(s, with(strokes({light}))).at(100, 80), 0.5f);
        QCOMPARE(maskOf(s, with(strokes({light, light}))).at(100, 80), 0.75f);
    }

    /// A hundred strokes, one after the other, as a hand lays them: masks are those of painting all of them at once, and undoing a few too.
    void laterStrokesLieOnEarlierOnes()
    {
        const Simulated s = frameFor(flatScene({500, 400}, 0.2f, 0.2f, 0.2f));
        std::vector<Stroke> list;
        for (int i = 0; i < 100; ++i)
            list.push_back({float(10 + i % 37), float(i % 4) / 4, 0.6f, i % 5 == 4, {{float(i * 61 % 500), float(i * 43 % 400), 1}, {float(i * 17 % 500), float(i * 89 % 400), 0.7f}}});
        const Rect crop = s.frame->crop;
        const auto whole = [&](const std::vector<Stroke> &strokes) {
            Plane<float> all(crop.size(), 0.f);
            paint(strokes, {crop.x, crop.y}, 1, all.view());
            return all;
        };
        for (size_t n = 1; n <= list.size(); ++n) {
            const std::vector<Stroke> some(list.begin(), list.begin() + ptrdiff_t(n));
            const Plane<float> m = maskOf(s, with(strokes(some)));
            if (n % 20 == 0)
                QVERIFY(sameBits(m.constView(), whole(some).constView()));
        }
        list.resize(97);
        QVERIFY(sameBits(maskOf(s, with(strokes(list))).constView(), whole(list).constView()));
        list[40].flow = 1; // an earlier one is another now
        QVERIFY(sameBits(maskOf(s, with(strokes(list))).constView(), whole(list).constView()));
    }

    void aBrushIsOnePixelWhereItShouldBe()
    {
        const Simulated s = frameFor(flatScene({64, 64}, 0.2f, 0.2f, 0.2f));
        const Plane<float> m = maskOf(s, with(strokes({{0.5f, 1, 1, false, {{20.5f, 30.5f, 1}}}})));
        double sum = 0;
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 64; ++x)
                sum += double(m.at(x, y));
        QCOMPARE(m.at(20, 30), 1.f);
        QCOMPARE(sum, 1.0);
    }

    void partsJoinAsTheySay()
    {
        const Simulated s = frameFor(flatScene({100, 100}, 0.2f, 0.2f, 0.2f));
        MaskPart left = strokes({{30, 1, 1, false, {{35, 50, 1}}}}), right = strokes({{30, 1, 1, false, {{65, 50, 1}}}});
        Region r = with(left);
        r.parts.push_back(right);
        const auto at = [&](int x) { return maskOf(s, r).at(x, 50); };
        QVERIFY(at(10) == 1 && at(50) == 1 && at(90) == 1);
        r.parts[1].joins = MaskPart::Joins::Subtracts;
        QVERIFY(at(10) == 1 && at(50) == 0 && at(90) == 0);
        r.parts[1].joins = MaskPart::Joins::Limits;
        QVERIFY(at(10) == 0 && at(50) == 1 && at(90) == 0);
        r.inverted = true;
        QVERIFY(at(10) == 1 && at(50) == 0 && at(90) == 1);
        r.parts.clear();
        r.inverted = false;
        QVERIFY(at(50) == 0);
    }

    void gradientsAndFeathersAreSmooth()
    {
        const Simulated s = frameFor(flatScene({400, 200}, 0.2f, 0.2f, 0.2f));
        MaskPart g;
        g.kind = MaskPart::Kind::Gradient;
        g.from = {100, 100};
        g.to = {300, 100};
        const Plane<float> m = maskOf(s, with(g));
        QCOMPARE(m.at(50, 20), 1.f);
        QCOMPARE(m.at(350, 20), 0.f);
        QVERIFY(std::abs(m.at(200, 20) - 0.5f) < 0.01f);
        for (int x = 1; x < 400; ++x)
            QVERIFY(m.at(x, 100) <= m.at(x - 1, 100));
        // A hard edge with a feather of 40 px rises from 16 % to 84 % over twice that.
        Region hard = with(strokes({{500, 1, 1, false, {{-300, 100, 1}}}}));
        hard.featherPx = 40;
        const Plane<float> f = maskOf(s, hard);
        int from = 0, to = 0;
        for (int x = 0; x < 400; ++x) {
            from = f.at(x, 100) > 0.84f ? x : from;
            to = f.at(x, 100) > 0.16f ? x : to;
        }
        QVERIFY2(std::abs(to - from - 80) < 16, qPrintable(QString::number(to - from)));
    }

    /// A feather of a few pixels is one of a few pixels, and none is none.
    void finestFeathers_data()
    {
        QTest::addColumn<double>("feather");
        for (const double feather : {0.0, 1.0, 2.0, 3.0, 6.0, 12.0})
            QTest::addRow("%g px", feather) << feather;
    }
    void finestFeathers()
    {
        QFETCH(double, feather);
        const Simulated s = frameFor(flatScene({200, 100}, 0.2f, 0.2f, 0.2f));
        Region hard = with(strokes({{400, 1, 1, false, {{-300, 50, 1}}}}));
        hard.featherPx = feather;
        const Plane<float> m = maskOf(s, hard);
        // The border's own variance: the mask's slope taken for a distribution.
        double mean = 0, square = 0, all = 0;
        for (int x = 30; x < 170; ++x) {
            const double slope = double(m.at(x, 50) - m.at(x + 1, 50));
            QVERIFY(slope > -1e-4);
            all += slope;
            mean += slope * x;
            square += slope * x * x;
        }
        const double sigma = std::sqrt(std::max(0.0, square / all - mean / all * (mean / all)));
        QVERIFY2(std::abs(sigma - feather) < 0.3 + 0.25 * feather, qPrintable(QString::number(sigma)));
    }

    void aPlacesColourIsThatOfTheMaps()
    {
        const Simulated s = frameFor(makeScene({220, 180}));
        const auto maps = frameMaps(s.frame, *s.noise);
        const Rect &crop = s.frame->crop;
        for (const PixelAt at : {PixelAt{crop.x, crop.y}, {crop.x + 77, crop.y + 93}, {crop.right() - 9, crop.bottom() - 9}}) {
            const auto colour = colourAt(s.frame, at);
            QCOMPARE(colour[0], maps->a.at((at.x - crop.x) / 8, (at.y - crop.y) / 8));
            QCOMPARE(colour[1], maps->b.at((at.x - crop.x) / 8, (at.y - crop.y) / 8));
        }
    }

    void brightnessAndColourFindTheirPlaces()
    {
        Scene scene = flatScene({300, 200}, 0.002f, 0.002f, 0.002f);
        for (int y = 0; y < 200; ++y)
            for (int x = 150; x < 300; ++x) {
                float *p = scene.rgb.data() + (size_t(y) * 300 + size_t(x)) * 3;
                p[0] = y < 100 ? 0.5f : 0.05f;
                p[1] = y < 100 ? 0.05f : 0.05f;
                p[2] = y < 100 ? 0.05f : 0.5f;
            }
        const Simulated s = frameFor(scene);
        const Plane<float> dark = maskOf(s, with(defaultPart(MaskPart::Kind::Brightness, s.frame->crop)));
        QVERIFY(dark.at(75, 100) > 0.95f && dark.at(225, 50) < 0.05f && dark.at(225, 150) < 0.05f);
        MaskPart colour = defaultPart(MaskPart::Kind::Colour, s.frame->crop);
        const auto maps = frameMaps(s.frame, *s.noise);
        colour.a = maps->a.at(225 / 8, 50 / 8);
        colour.b = maps->b.at(225 / 8, 50 / 8);
        QVERIFY(colour.a > 20);
        const Plane<float> red = maskOf(s, with(colour));
        QVERIFY(red.at(225, 50) > 0.95f && red.at(225, 150) < 0.05f && red.at(75, 100) < 0.05f);
    }

    void sharpnessPartsSubjectFromBackground_data()
    {
        QTest::addColumn<int>("iso");
        QTest::addColumn<int>("passes"); // boxes of 13 pixels
        QTest::newRow("ISO 800, sigma 6.5 px") << 800 << 3;
        QTest::newRow("ISO 6400, sigma 6.5 px") << 6400 << 3;
        QTest::newRow("ISO 12800, sigma 6.5 px") << 12800 << 3;
        QTest::newRow("ISO 1600, sigma 3.7 px") << 1600 << 1;
    }
    void sharpnessPartsSubjectFromBackground()
    {
        QFETCH(int, iso);
        QFETCH(int, passes);
        // One rough surface, in focus inside a blob and blurred outside; the blob's own brightness is no other.
        constexpr int w = 960, h = 640;
        Scene scene = flatScene({w, h}, 0, 0, 0);
        std::vector<float> sharp(size_t(w) * h), blurred(sharp.size()), line(sharp.size());
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x)
                sharp[size_t(y) * w + size_t(x)] = float(0.2 * (1 + 0.5 * rough(x, y)));
        for (int pass = 0; pass < passes; ++pass) {
            const std::vector<float> &from = pass ? blurred : sharp;
            for (int y = 0; y < h; ++y)
                for (int x = 0; x < w; ++x) {
                    float sum = 0;
                    for (int k = -6; k <= 6; ++k)
                        sum += from[size_t(y) * w + size_t(mirrored(x + k, w))];
                    line[size_t(y) * w + size_t(x)] = sum / 13;
                }
            for (int y = 0; y < h; ++y)
                for (int x = 0; x < w; ++x) {
                    float sum = 0;
                    for (int k = -6; k <= 6; ++k)
                        sum += line[size_t(mirrored(y + k, h)) * w + size_t(x)];
                    blurred[size_t(y) * w + size_t(x)] = sum / 13;
                }
        }
        std::vector<bool> truth(sharp.size());
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                const double dx = (x - 430) / 260.0, dy = (y - 330) / 200.0;
                const size_t i = size_t(y) * w + size_t(x);
                truth[i] = dx * dx + dy * dy + 0.15 * std::sin(5 * std::atan2(dy, dx)) < 1;
                for (size_t c = 0; c < 3; ++c)
                    scene.rgb[3 * i + c] = truth[i] ? sharp[i] : blurred[i];
            }
        const Simulated s = frameFor(scene, iso);
        const Plane<float> mask = maskOf(s, with(defaultPart(MaskPart::Kind::Sharpness, s.frame->crop)));
        const double iou = overlap(mask, truth);
        QVERIFY2(iou > 0.8, qPrintable(QString::number(iou)));
    }

    void anyTileSeesTheSameMask()
    {
        const Simulated s = frameFor(makeScene({220, 180}), 3200);
        Region r = with(strokes({{40, 0.2f, 0.7f, false, {{30, 40, 1}, {180, 150, 0.5f}}}}));
        for (const auto kind : {MaskPart::Kind::Brightness, MaskPart::Kind::Texture, MaskPart::Kind::Colour})
            r.parts.push_back(defaultPart(kind, s.frame->crop));
        for (const double feather : {0.0, 5.0, 24.0}) {
            r.featherPx = feather;
            r.followEdges = 0.5;
            const Plane<float> whole = maskOf(s, r);
            const Rect part{s.frame->crop.x + 37, s.frame->crop.y + 51, 90, 70};
            QVERIFY(sameBits(maskOf(s, r, 1, part).constView(), whole.view().cut(part.seenFrom(s.frame->crop))));
        }
    }

    void bordersAreDrawnToEdges()
    {
        // Painted a little over the edge of a dark shape on light ground.
        Scene scene = flatScene({320, 240}, 0.5f, 0.5f, 0.5f);
        for (int y = 0; y < 240; ++y)
            for (int x = 0; x < 160; ++x)
                for (size_t c = 0; c < 3; ++c)
                    scene.rgb[(size_t(y) * 320 + size_t(x)) * 3 + c] = 0.03f;
        const Simulated s = frameFor(scene);
        Region r = with(strokes({{60, 1, 1, false, {{110, 20, 1}, {110, 220, 1}}}}));
        QVERIFY(maskOf(s, r).at(165, 120) == 1); // 10 px beyond
        r.followEdges = 1;
        const Plane<float> m = maskOf(s, r);
        QVERIFY2(m.at(168, 120) < 0.4f && m.at(145, 120) > 0.6f, qPrintable(QStringLiteral("%1 %2").arg(m.at(168, 120)).arg(m.at(145, 120))));
    }

    void equalRegionsHaveOneNumber()
    {
        const Simulated s = frameFor(makeScene({200, 160}));
        const auto numberOf = [&](const Region &r) { return RegionSet(s.frame, s.noise, {r}).number(); };
        const Region first = with(strokes({{30, 0.5f, 1, false, {{50, 60, 1}, {90, 70, 1}}}}));
        Region longer = first, stronger = first, renamed = first;
        longer.parts[0].strokes[0].points.push_back({100, 90, 1});
        stronger.luminance = 0.5;
        renamed.parts[0].strokes[0].points[1].pressure = 0.9f;
        const uint64_t number = numberOf(first);
        for (const Region &other : {longer, stronger, renamed})
            QVERIFY(numberOf(other) != number);
        QVERIFY(numberOf(longer) != numberOf(stronger) && numberOf(stronger) != numberOf(renamed));
        QCOMPARE(numberOf(first), number); // as an undo brings it back
    }

    void nothingWeighsBeyondItsReach_data()
    {
        QTest::addColumn<double>("feather");
        QTest::addColumn<double>("edges");
        for (const double feather : {0.0, 6.0, 40.0})
            for (const double edges : {0.0, 1.0})
                QTest::addRow("feather %.0f, follows edges %.0f", feather, edges) << feather << edges;
    }
    void nothingWeighsBeyondItsReach()
    {
        QFETCH(double, feather);
        QFETCH(double, edges);
        const Simulated s = frameFor(makeScene({900, 800}));
        Region r = with(strokes({{30, 0.5f, 1, false, {{420, 400, 1}, {480, 420, 1}}}}));
        r.featherPx = feather;
        r.followEdges = edges;
        const RegionSet set(s.frame, s.noise, {r});
        const Rect reach = set.reach(0);
        QVERIFY(s.frame->crop.contains(reach) && reach.size().area() < s.frame->crop.size().area() / 2);
        Plane<float> mask(s.frame->crop.size());
        set.mask(0, {s.frame->crop.x, s.frame->crop.y}, 1, mask.view());
        for (int y = 0; y < mask.height(); ++y)
            for (int x = 0; x < mask.width(); ++x)
                if (mask.at(x, y) > 0)
                    QVERIFY2(reach.contains({s.frame->crop.x + x, s.frame->crop.y + y, 1, 1}), qPrintable(QStringLiteral("%1, %2: %3").arg(x).arg(y).arg(mask.at(x, y))));
        r.inverted = true;
        QCOMPARE(RegionSet(s.frame, s.noise, {r}).reach(0), s.frame->crop);
    }

    void textComesBackAsItWas()
    {
        Region r = with(strokes({{12.5f, 0.3f, 0.9f, true, {{1.25f, 2.5f, 0.5f}, {7, 9, 1}}}}));
        for (int k = 1; k <= int(MaskPart::Kind::Texture); ++k)
            r.parts.push_back(defaultPart(MaskPart::Kind(k), {0, 0, 300, 200}));
        r.parts[3].joins = MaskPart::Joins::Limits;
        r.featherPx = 12;
        r.inverted = true;
        r.luminance = 2.25;
        const auto back = regionsFromText(regionsText({r, with({})}), "it");
        QVERIFY2(back.ok(), back ? "" : back.error().userMessage.c_str());
        QCOMPARE(back.value().size(), size_t(2));
        QVERIFY(back.value()[0] == r && back.value()[1] == with({}));
    }

    void whatCannotBeIsRefused_data()
    {
        QTest::addColumn<QByteArray>("from");
        QTest::addColumn<QByteArray>("to");
        QTest::newRow("strength out of range") << QByteArray("\"luminance\": 1.0") << QByteArray("\"luminance\": 9.0");
        QTest::newRow("no such part") << QByteArray("\"painted\"") << QByteArray("\"sprayed\"");
        QTest::newRow("half a point") << QByteArray("3.0,") << QByteArray("");
        QTest::newRow("another format") << QByteArray("irenic-regions") << QByteArray("irenic-recipe");
    }
    void whatCannotBeIsRefused()
    {
        QFETCH(QByteArray, from);
        QFETCH(QByteArray, to);
        QByteArray text = QByteArray::fromStdString(regionsText({with(strokes({{5, 1, 1, false, {{3, 4, 1}}}}))}));
        QVERIFY(text.contains(from));
        text.replace(from, to);
        const auto read = regionsFromText(text.toStdString(), "these.json");
        QVERIFY(!read);
        QCOMPARE(read.error().code, ErrorCode::BadParameter);
        QVERIFY(read.error().userMessage.find("these.json") != std::string::npos);
    }
};

QTEST_APPLESS_MAIN(RegionsTest)
#include "regions_test.moc"

// SPDX-License-Identifier: GPL-3.0-or-later
// Which method is suggested where its nearness is estimated, against pictures whose clean one is known.
#include "irenic/export_job.h"
#include "irenic/measure_noise.h"
#include "irenic/nearness.h"
#include "irenic/picture.h"
#include "irenic/readings.h"
#include "support/frames.h"

#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

/// A scene in rather good light, as it was measured, and its shot without noise.
struct Shown {
    Simulated shot;
    NoiseReport noise;
    std::shared_ptr<const Frame> clean;
};

Shown shown(const Scene &scene, int iso)
{
    Shown s{simulate(scene, plainShot(iso)), {}, {}};
    s.noise = measureNoise(*s.shot.frame).take();
    s.clean = cleanFrameOf(s.shot);
    return s;
}

double trueDb(const Shown &s, const Treatment &t)
{
    const auto developed = [&](const std::shared_ptr<const Frame> &frame, const Treatment &as) {
        return encoded16(developRegion(Cleaner(frame, std::make_shared<const NoiseReport>(s.noise), as), frame->crop.grownBy(-16), {}, nullptr, {}).value());
    };
    return pictureQuality(developed(s.shot.frame, t), developed(s.clean, kNoTreatment)).psnrDb;
}

QStringList idsOf(const NoiseReport &noise)
{
    QStringList ids;
    for (const MethodNearness &n : noise.nearness)
        ids << QString::fromStdString(n.method);
    return ids;
}

} // namespace

class NearestMethodTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase() { QVERIFY2(validate(Treatment{"unet"}).ok(), "the network is missing"); }

    void whatIsSuggestedIsNearTheBest_data()
    {
        QTest::addColumn<bool>("leaves");
        QTest::addColumn<int>("iso");
        for (const bool leaves : {false, true})
            for (const int iso : {400, 800, 6400})
                QTest::addRow("%s at ISO %d", leaves ? "leaves" : "shapes", iso) << leaves << iso;
    }
    void whatIsSuggestedIsNearTheBest()
    {
        QFETCH(bool, leaves);
        QFETCH(int, iso);
        constexpr Size kSize{560, 432};
        Shown s = shown(leaves ? leavesScene(kSize) : makeScene(kSize), iso);
        const Treatment before = suggestTreatment(s.noise).treatment;
        QVERIFY(tellNearest(s.noise, s.shot.frame).ok());
        const Treatment suggested = suggestTreatment(s.noise).treatment;
        QVERIFY(!s.noise.nearness.empty());
        double best = 0;
        QString told;
        for (const MethodNearness &n : s.noise.nearness) {
            const double db = trueDb(s, suggestedFor(n.method, s.noise));
            best = std::max(best, db);
            told += QString("%1 %2 (%3), ").arg(QString::fromStdString(n.method)).arg(n.db, 0, 'f', 2).arg(db, 0, 'f', 2);
        }
        const double is = trueDb(s, suggested);
        QVERIFY2(is > best - 0.25 && is > trueDb(s, before) - 0.15, qPrintable(told + QString::fromStdString(before.method + " to " + suggested.method)));
    }

    /// Nothing is asked where nothing is open, or where the answer would not be one.
    void itIsAskedOnlyWhereItHelps()
    {
        constexpr Size kSize{480, 400};
        const Shown light = shown(makeScene(kSize), 400);
        const auto told = [&](const std::function<void(NoiseReport &)> &change) {
            NoiseReport noise = light.noise;
            change(noise);
            return tellNearest(noise, light.shot.frame).ok() ? idsOf(noise) : QStringList("failed");
        };
        QStringList open = told([](NoiseReport &) {});
        open.sort();
        QCOMPARE(open, QStringList({"dct", "nlm", "unet", "wavelet"}));
        QCOMPARE(told([](NoiseReport &n) { n.luminanceNoise = 0.005f; }), QStringList());
        QCOMPARE(told([](NoiseReport &n) { n.usualShare = 0.4f; }), QStringList()); // most of what was measured is texture
        QCOMPARE(told([](NoiseReport &n) { n.confidence = 0.02; }), QStringList());
        QCOMPARE(told([](NoiseReport &n) { n.spectrum = BandNoise(); }), QStringList());
        const FinishedPair finished = finishedPair(makeScene(kSize), 400, "a.tif", {});
        NoiseReport noise = measureNoise(*finished.noisy).take();
        QVERIFY(tellNearest(noise, finished.noisy).ok());
        QVERIFY(noise.nearness.empty());
    }

    void threadsDoNotMatterAndStoppingDoes()
    {
        const Shown s = shown(makeScene({640, 448}), 400); // as large as twelve places
        QCOMPARE(placesAllOver(*s.shot.frame).size(), size_t(12));
        NoiseReport one = s.noise, many = s.noise, stopped = s.noise;
        QVERIFY(tellNearest(one, s.shot.frame, {1, {}, {}}).ok() && tellNearest(many, s.shot.frame, {3, {}, {}}).ok());
        QVERIFY(!one.nearness.empty());
        QVERIFY(one == many);
        std::stop_source stop;
        stop.request_stop();
        const Status status = tellNearest(stopped, s.shot.frame, {0, stop.get_token(), {}});
        QVERIFY(!status.ok());
        QCOMPARE(status.error().code, ErrorCode::Cancelled);
        QVERIFY(stopped == s.noise);
    }

    void aPlaceIsNoLargerThanItNeedsToBe_data()
    {
        QTest::addColumn<int>("width");
        QTest::addColumn<int>("height");
        QTest::newRow("small") << 300 << 200;
        QTest::newRow("a strip") << 130 << 30000;
        QTest::newRow("narrower than a place") << 101 << 40000;
        QTest::newRow("wide") << 20001 << 257;
        QTest::newRow("large") << 6000 << 4000;
    }
    void aPlaceIsNoLargerThanItNeedsToBe()
    {
        QFETCH(int, width);
        QFETCH(int, height);
        Frame frame;
        frame.active = {3, 5, width + 10, height + 10};
        frame.crop = {8, 9, width, height};
        const std::vector<Rect> places = placesAllOver(frame);
        int64_t pixels = 0;
        for (const Rect &r : places) {
            QVERIFY2(frame.crop.contains(r) && !r.isEmpty(), qPrintable(QStringLiteral("%1 %2 %3 %4").arg(r.x).arg(r.y).arg(r.width).arg(r.height)));
            QVERIFY(r.size() == places.front().size());
            pixels += int64_t(r.width) * r.height;
        }
        QVERIFY(pixels <= 12 * 128 * 128 && (places.size() > 1 || frame.crop == places.front()));
    }

    /// Parts of a frame are looked at beside each other: black that differs from place to place, banding and odd borders make no difference.
    void howSamplesAreStoredDoesNotMatter()
    {
        ShootOptions o = plainShot(1600);
        const Simulated plain = simulate(makeScene({512, 384}), o); // places reach its very border
        QCOMPARE(placesAllOver(*plain.frame).size(), size_t(12));
        const NoiseReport told = [&] {
            NoiseReport n = *plain.noise;
            n.luminanceNoise = 0.06f;
            n.confidence = 1;
            return tellNearest(n, plain.frame).ok() ? n : NoiseReport();
        }();
        QCOMPARE(told.nearness.size(), size_t(4));
        // The same light, stored on a black that repeats over four columns and rises by rows, behind a masked border of odd size, and with rows that are too high.
        constexpr int kLeft = 7, kTop = 5;
        auto odd = std::make_shared<Frame>(static_cast<const FrameFacts &>(*plain.frame));
        const Size size = plain.frame->size();
        odd->active = plain.frame->active.movedBy(kLeft, kTop);
        odd->crop = plain.frame->crop.movedBy(kLeft, kTop);
        odd->cfa = plain.frame->cfa.shifted(kLeft, kTop);
        odd->levels.repeatRows = 1;
        odd->levels.repeatCols = 4;
        const float base = plain.frame->levels.black[0];
        odd->levels.black = {base, base + 3, base + 6, base + 9};
        odd->levels.deltaRow.resize(size_t(plain.frame->active.height));
        auto noise = std::make_shared<NoiseReport>(*plain.noise);
        noise->luminanceNoise = 0.06f;
        noise->confidence = 1;
        for (int i = 0; i < 4; ++i)
            noise->cells[size_t(i)] = plain.noise->cells[size_t(i ^ 3)]; // both borders are odd
        noise->banding.rows.resize(size_t(plain.frame->active.height));
        odd->samples = Plane<uint16_t>({size.width + kLeft, size.height + kTop});
        odd->samples.fill(uint16_t(base));
        for (int y = 0; y < plain.frame->active.height; ++y) {
            odd->levels.deltaRow[size_t(y)] = float(y % 5);
            const float lift = float(2 * (y % 3));
            noise->banding.rows[size_t(y)] = lift / (odd->levels.white - base);
            for (int x = 0; x < plain.frame->active.width; ++x) {
                const int sx = plain.frame->active.x + x, sy = plain.frame->active.y + y;
                odd->samples.at(sx + kLeft, sy + kTop) = uint16_t(std::min(65535.f, float(plain.frame->samples.at(sx, sy)) + float(3 * (x % 4)) + float(y % 5) + lift));
            }
        }
        QVERIFY(tellNearest(*noise, odd).ok());
        QCOMPARE(noise->nearness.size(), size_t(4));
        for (const MethodNearness &n : noise->nearness) {
            const auto other = std::find_if(told.nearness.begin(), told.nearness.end(), [&](const MethodNearness &m) { return m.method == n.method; });
            QVERIFY2(std::abs(n.db - other->db) < 0.3, qPrintable(QStringLiteral("%1: %2 and %3 dB").arg(QString::fromStdString(n.method)).arg(n.db).arg(other->db)));
        }
    }

    /// What takes less time is taken where it is as good as level, and the sentence tells the figures.
    void theQuickestOfTheNearestIsSuggested()
    {
        NoiseReport noise;
        noise.luminanceNoise = 0.035f;
        noise.confidence = 1;
        QCOMPARE(suggestTreatment(noise).treatment.method, std::string("dct"));
        noise.nearness = {{"unet", 40.31}, {"wavelet", 40.22}, {"dct", 40.1}};
        const Suggestion level = suggestTreatment(noise);
        QCOMPARE(level.treatment.method, std::string("wavelet"));
        QVERIFY2(level.reason.find("Wavelet shrinkage is the quickest of those") != std::string::npos && level.reason.find("(Residual U-Net 40.3 dB, Wavelet shrinkage 40.2 dB, ") != std::string::npos, level.reason.c_str());
        noise.nearness = {{"unet", 40.31}, {"wavelet", 40.2}, {"dct", 40.1}};
        const Suggestion nearest = suggestTreatment(noise);
        QCOMPARE(nearest.treatment.method, std::string("unet"));
        QVERIFY2(nearest.reason.find("Residual U-Net is estimated to come nearest") != std::string::npos, nearest.reason.c_str());
        noise.nearness.clear();
        QCOMPARE(suggestTreatment(noise).treatment.method, std::string("dct"));
    }

    void anExportThatIsLeftToTheFrameAsks()
    {
        const Shown s = shown(leavesScene({560, 432}), 400);
        NoiseReport asked = s.noise;
        QVERIFY(tellNearest(asked, s.shot.frame).ok());
        QVERIFY(!asked.nearness.empty());
        QTemporaryDir folder;
        ExportJob job;
        job.source = folder.filePath("wren-01.dng").toStdString();
        job.folder = folder.path().toStdString();
        // Whoever measured may have asked, or not.
        for (const NoiseReport &known : {s.noise, asked}) {
            const auto outcome = runExportJob(job, s.shot.frame, std::make_shared<const NoiseReport>(known), {}, true);
            QVERIFY2(outcome.ok(), outcome.ok() ? "" : outcome.error().userMessage.c_str());
            QCOMPARE(outcome.value().treatment.method, suggestTreatment(asked).treatment.method);
            QCOMPARE(outcome.value().reason, suggestTreatment(asked).reason);
        }
    }
};

QTEST_GUILESS_MAIN(NearestMethodTest)
#include "nearest_method_test.moc"

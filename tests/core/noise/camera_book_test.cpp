// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/camera_book.h"

#include "noise/hot_pixels.h"
#include "support/frames.h"

#include <QDir>
#include <QFile>
#include <QTemporaryDir>
#include <QTest>

#include <nlohmann/json.hpp>

#include <set>

using namespace irenic;
using namespace irenic::test;

namespace {

/// A frame of one sensor, and where its bad pixels are.
struct Shown {
    std::shared_ptr<const Frame> frame;
    ShotTruth truth;
};

/// A part of a wide scene; `picture` tells which.
Shown partOf(const Scene &wide, int picture, int iso, uint64_t seed)
{
    ShootOptions o;
    o.iso = iso;
    o.seed = seed > 0 ? seed : uint64_t(picture) + 1;
    o.sensorSeed = 77;
    o.hotPixelsPerMillion = 600;
    o.warmPixelsPerMillion = 600;
    o.underexposeEv = 2;
    o.banding = 0;
    o.cut = {picture % 3 * 430, picture / 3 * 330, 600, 480};
    Shot shot = shoot(wide, o).take();
    return {frameOf(shot, o), std::move(shot.truth)};
}

/// Edges and detail of every size.
Shown leaves(int picture, int iso = 3200, uint64_t seed = 0)
{
    static const Scene wide = leavesScene({1500, 1200});
    return partOf(wide, picture, iso, seed);
}

/// Smooth parts, edges and texture.
Shown mixed(int picture)
{
    static const Scene wide = makeScene({1500, 1200});
    return partOf(wide, picture, 12800, 0);
}

/// Light and dark without detail, or detail everywhere; of the camera, ISO and length of exposure that are asked for.
Shown plain(int iso, uint64_t seed, const Scene &scene)
{
    ShootOptions o;
    o.iso = iso;
    o.seed = seed;
    o.hotPixelsPerMillion = 0;
    o.banding = 0;
    Shot shot = shoot(scene, o).take();
    return {frameOf(shot, o), std::move(shot.truth)};
}

/// Grain of some pixels in all directions: nothing is smooth.
Scene rough()
{
    Scene s = flatScene({700, 500}, 0, 0, 0);
    const Plane<float> white = gaussianPlane({s.size.width + 4, s.size.height + 4}, 99);
    for (int y = 0; y < s.size.height; ++y)
        for (int x = 0; x < s.size.width; ++x) {
            float grain = 0;
            for (int v = 0; v < 5; ++v)
                for (int u = 0; u < 5; ++u)
                    grain += white.at(x + u, y + v) * std::exp(-0.5f * float((u - 2) * (u - 2) + (v - 2) * (v - 2)));
            std::fill_n(s.rgb.begin() + (ptrdiff_t(y) * s.size.width + x) * 3, 3, std::clamp(0.25f + 0.05f * grain, 0.01f, 0.9f));
        }
    return s;
}

std::shared_ptr<const Frame> asOf(const std::shared_ptr<const Frame> &frame, const std::string &model)
{
    auto other = std::make_shared<Frame>(static_cast<const FrameFacts &>(*frame));
    other->samples = frame->samples.clone();
    other->shooting.model = model;
    return other;
}

struct Score {
    int found = 0, of = 0, wrong = 0;
    double share() const { return double(found) / of; }
};

/// @param least sigma of the noise in the dark by which a pixel is bad at the least
Score scoreOf(const std::vector<PixelAt> &found, const ShotTruth &truth, double least, double most)
{
    Score s;
    std::set<PixelAt> bad(truth.hotPixels.begin(), truth.hotPixels.end());
    const double dark = double(truth.noise.sigmaAt(0));
    for (size_t i = 0; i < truth.hotPixels.size(); ++i) {
        // Where light makes more noise, a bad pixel needs more to stand out.
        const double sigmas = double(truth.hotSignal[i]) / double(truth.noise.sigmaAt(truth.clean.at(truth.hotPixels[i].x, truth.hotPixels[i].y)));
        if (sigmas < least || sigmas >= most || dark <= 0)
            continue;
        ++s.of;
        s.found += std::find(found.begin(), found.end(), truth.hotPixels[i]) != found.end();
    }
    for (const PixelAt &p : found)
        s.wrong += !bad.contains(p);
    return s;
}

double sigmaOver(const NoiseReport &report, const NoiseModel &law, float at = 0.1f)
{
    return double(report.cells[1].sigmaAt(at) / law.sigmaAt(at));
}

} // namespace

/// What earlier frames of a camera are good for, and that they can do no harm.
class CameraBookTest : public QObject
{
    Q_OBJECT
    QTemporaryDir m_dir;
    std::filesystem::path folder(const char *name) const { return std::filesystem::path(m_dir.path().toStdString()) / name; }

    static void learn(CameraBook &book, const Frame &frame)
    {
        const Result<NoiseReport> report = measureNoise(frame);
        QVERIFY(report && book.learn(frame, report.value()));
    }
    static QString documentIn(const std::filesystem::path &folder)
    {
        const QDir dir(QString::fromStdString(folder.string()));
        const QStringList files = dir.entryList({QStringLiteral("*.json")});
        return files.size() == 1 ? dir.filePath(files.front()) : QString();
    }

private slots:
    void aRollTellsBadPixelsFromDetail()
    {
        CameraBook book(folder("roll"));
        for (int picture = 0; picture < 7; ++picture)
            learn(book, *leaves(picture).frame);
        const Shown last = leaves(8);
        const KnownCamera known = book.about(*last.frame);
        QCOMPARE(known.mapFrames, 7);
        const auto alone = measureNoise(*last.frame).take(), helped = measureNoise(*last.frame, {}, known).take();
        QCOMPARE(alone.mapFrames, 0);
        QCOMPARE(helped.mapFrames, 7);
        const Score before = scoreOf(alone.hotPixels, last.truth, 8, 1e9), after = scoreOf(helped.hotPixels, last.truth, 8, 1e9);
        QVERIFY(after.of >= 40);
        QVERIFY2(after.share() > 0.65 && after.share() > before.share() + 0.15, qPrintable(QStringLiteral("%1 of %2, was %3").arg(after.found).arg(after.of).arg(before.found)));
        QVERIFY2(after.wrong <= before.wrong && after.wrong <= 3, qPrintable(QStringLiteral("%1, was %2").arg(after.wrong).arg(before.wrong)));
        QVERIFY(std::is_sorted(helped.hotPixels.begin(), helped.hotPixels.end(), PixelAt::byRow));
    }

    void warmPixelsAreThereInEveryFrame()
    {
        CameraBook book(folder("warm"));
        for (int picture = 0; picture < 8; ++picture)
            learn(book, *mixed(picture).frame);
        const Shown last = mixed(8);
        const auto alone = measureNoise(*last.frame).take(), helped = measureNoise(*last.frame, {}, book.about(*last.frame)).take();
        const Score before = scoreOf(alone.hotPixels, last.truth, 4, 8), after = scoreOf(helped.hotPixels, last.truth, 4, 8);
        QVERIFY(after.of >= 10);
        QVERIFY2(after.share() > 0.25 && after.share() > 1.8 * before.share(), qPrintable(QStringLiteral("%1 of %2, was %3").arg(after.found).arg(after.of).arg(before.found)));
        QVERIFY2(after.wrong <= 2, qPrintable(QString::number(after.wrong)));
    }

    void aSceneThatIsTakenAgainIsNoEvidence()
    {
        CameraBook book(folder("again"));
        for (uint64_t seed = 10; seed < 15; ++seed)
            learn(book, *leaves(4, 3200, seed).frame);
        const Shown same = leaves(4, 3200, 20);
        const KnownCamera known = book.about(*same.frame);
        QCOMPARE(known.mapFrames, 0);
        QCOMPARE(book.cameras().front().maps, 1);
        QCOMPARE(measureNoise(*same.frame, {}, known).value().hotPixels, measureNoise(*same.frame).value().hotPixels);
    }

    void oneCalmFrameServesTheRoll()
    {
        CameraBook book(folder("calm"));
        const Shown calm = plain(1600, 3, slopeScene({700, 500})), busy = plain(1600, 4, rough());
        QCOMPARE(book.about(*busy.frame).lawFrames, 0);
        const auto alone = measureNoise(*busy.frame).take();
        QVERIFY2(sigmaOver(alone, busy.truth.noise) > 1.2 && alone.confidence < 0.75, qPrintable(QStringLiteral("%1 %2").arg(sigmaOver(alone, busy.truth.noise)).arg(alone.confidence)));
        learn(book, *calm.frame);
        const KnownCamera known = book.about(*busy.frame);
        QCOMPARE(known.lawFrames, 1);
        const auto helped = measureNoise(*busy.frame, {}, known).take();
        QVERIFY2(std::abs(sigmaOver(helped, busy.truth.noise) - 1) < 0.05, qPrintable(QString::number(sigmaOver(helped, busy.truth.noise))));
        QCOMPARE(helped.lawFrames, 1);
        QVERIFY(helped.confidenceReason.find("an earlier frame of this camera") != std::string::npos);
        // What was taken from the book is no new evidence for it.
        QVERIFY(book.learn(*busy.frame, helped));
        QCOMPARE(book.about(*plain(1600, 9, slopeScene({700, 500})).frame).lawFrames, 1);
    }

    void nothingIsGuessedAcrossCamerasOrIso()
    {
        CameraBook book(folder("apart"));
        learn(book, *plain(1600, 3, slopeScene({700, 500})).frame);
        QCOMPARE(book.about(*plain(1600, 4, rough()).frame).lawFrames, 1);
        QCOMPARE(book.about(*plain(3200, 4, rough()).frame).lawFrames, 0);
        QCOMPARE(book.about(*asOf(plain(1600, 4, rough()).frame, "Tarn Bench-2")).lawFrames, 0);
        QCOMPARE(book.about(*plain(1600, 3, slopeScene({700, 500})).frame).lawFrames, 0); // itself
    }

    void aWrongEntryDoesNoHarm_data()
    {
        QTest::addColumn<double>("times"); ///< the sigma that the book states
        QTest::addColumn<bool>("calm");
        QTest::newRow("too little, calm frame") << 0.4 << true;
        QTest::newRow("too much, calm frame") << 2.5 << true;
        QTest::newRow("too much, nothing smooth") << 2.5 << false;
    }
    void aWrongEntryDoesNoHarm()
    {
        QFETCH(double, times);
        QFETCH(bool, calm);
        const Shown s = plain(1600, 5, calm ? slopeScene({700, 500}) : rough());
        const auto alone = measureNoise(*s.frame).take();
        KnownCamera wrong;
        wrong.lawFrames = 6;
        for (NoiseModel &m : wrong.cells)
            m = {float(times * times) * s.truth.noise.shotGain, float(times * times) * s.truth.noise.readVariance};
        if (!calm) // above even what texture makes of it
            for (size_t c = 0; c < 4; ++c)
                wrong.cells[c] = {4 * alone.cells[c].shotGain, 4 * alone.cells[c].readVariance};
        const auto told = measureNoise(*s.frame, {}, wrong).take();
        QVERIFY(told.cells == alone.cells);
        QCOMPARE(told.lawFrames, 0);
    }

    void whereNothingCanBeMeasuredTheBookSpeaks()
    {
        const Shown black = plain(1600, 6, flatScene({400, 300}, 1.5f, 1.5f, 1.5f));
        KnownCamera known;
        known.lawFrames = 2;
        known.cells.fill(black.truth.noise);
        const auto told = measureNoise(*black.frame, {}, known).take();
        QCOMPARE(told.lawFrames, 2);
        QVERIFY(told.cells == known.cells);
    }

    void aReportFromLawAndBadPixelsIsTheSame()
    {
        const Shown s = leaves(2);
        const auto report = measureNoise(*s.frame).take();
        const auto again = measureNoise(*s.frame, DecidedNoise{report.cells, report.hotPixels, report.confidence, 3, 7}).take();
        QVERIFY(again.cells == report.cells && again.hotPixels == report.hotPixels && again.banding == report.banding);
        QVERIFY(again.lawFrames == 3 && again.mapFrames == 7);
        QCOMPARE(again.luminanceNoise, report.luminanceNoise);
        QCOMPARE(again.midSignal, report.midSignal);
    }

    void theBookIsKeptListedAndForgotten()
    {
        CameraBook book(folder("kept"));
        QVERIFY(book.cameras().empty());
        learn(book, *plain(1600, 3, slopeScene({700, 500})).frame);
        learn(book, *plain(6400, 3, slopeScene({700, 500})).frame);
        learn(book, *plain(6400, 3, slopeScene({700, 500})).frame); // the same once more
        const auto cameras = CameraBook(folder("kept")).cameras();
        QCOMPARE(cameras.size(), size_t(1));
        QCOMPARE(cameras[0].model, plain(1600, 3, slopeScene({700, 500})).frame->shooting.model);
        QCOMPARE(cameras[0].frames, 2);
        QCOMPARE(cameras[0].isos, (std::vector<int>{1600, 6400}));
        QVERIFY(CameraBook::forget(cameras[0]));
        QVERIFY(book.cameras().empty());
        QCOMPARE(CameraBook::forget(cameras[0]).error().code, ErrorCode::NotFound);
        QCOMPARE(book.about(*plain(1600, 4, rough()).frame).lawFrames, 0);
    }

    void damagedPagesAreRefusedAndLeftAlone_data()
    {
        QTest::addColumn<QString>("member"); ///< of the first frame
        QTest::addColumn<QByteArray>("value");
        QTest::newRow("no JSON") << QString() << QByteArray("{");
        QTest::newRow("negative law") << "law" << QByteArray("[[-1,0],[1e-4,0],[1e-4,0],[1e-4,0]]");
        QTest::newRow("three laws") << "law" << QByteArray("[[1e-4,0],[1e-4,0],[1e-4,0]]");
        QTest::newRow("places beyond the frame") << "suspects" << QByteArray("[1000000000]");
        QTest::newRow("places that go back") << "suspects" << QByteArray("[500,-20]");
        QTest::newRow("half places") << "suspects" << QByteArray("[0.5]");
        QTest::newRow("outline of nothing") << "outline" << QByteArray("[]");
        QTest::newRow("an ISO of text") << "iso" << QByteArray("\"high\"");
    }
    void damagedPagesAreRefusedAndLeftAlone()
    {
        QFETCH(QString, member);
        QFETCH(QByteArray, value);
        const auto at = folder("damaged");
        QDir(QString::fromStdString(at.string())).removeRecursively();
        CameraBook book(at);
        learn(book, *plain(1600, 3, slopeScene({700, 500})).frame);
        const QString file = documentIn(at);
        QFile page(file);
        QVERIFY(page.open(QIODevice::ReadOnly));
        QByteArray text = page.readAll();
        page.close();
        if (member.isEmpty()) {
            text = value;
        } else {
            auto json = nlohmann::json::parse(text.toStdString());
            json["frames"][0][member.toStdString()] = nlohmann::json::parse(value.toStdString());
            text = QByteArray::fromStdString(json.dump());
        }
        QVERIFY(page.open(QIODevice::WriteOnly) && page.write(text) == text.size());
        page.close();
        const Shown busy = plain(1600, 4, rough());
        QCOMPARE(book.about(*busy.frame), KnownCamera());
        const Status learned = book.learn(*busy.frame, measureNoise(*busy.frame).value());
        QVERIFY(!learned);
        QVERIFY(learned.error().userMessage.find(QFileInfo(file).fileName().toStdString()) != std::string::npos);
        QVERIFY(page.open(QIODevice::ReadOnly));
        QCOMPARE(page.readAll(), text);
        QVERIFY(book.cameras().empty());
    }
};

QTEST_APPLESS_MAIN(CameraBookTest)
#include "camera_book_test.moc"

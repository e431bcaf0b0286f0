// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/images.h"
#include "jobs/pane_renderer.h"
#include "panels/live_pane.h"
#include "support/frames.h"

#include <QSignalSpy>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

constexpr double kLittle = 0.1; // patience, so that small pictures take long

PaneRequest requestOf(const Simulated &s, int pane, quint64 serial, QRect region, Treatment treatment = {})
{
    PaneRequest r;
    r.pane = pane;
    r.serial = serial;
    r.frame = s.frame;
    r.noise = s.noise;
    r.treatment = treatment;
    r.region = region;
    return r;
}

} // namespace

class PaneRendererTest : public QObject
{
    Q_OBJECT
private slots:
    void theScreenShowsWhatIsExported_data()
    {
        QTest::addColumn<int>("orientation");
        for (const int o : {1, 3, 6, 8})
            QTest::addRow("orientation %d", o) << o;
    }
    void theScreenShowsWhatIsExported()
    {
        QFETCH(int, orientation);
        ShootOptions o;
        o.orientation = orientation;
        const Simulated s = simulate(makeScene({240, 180}), o);
        PaneRenderer renderer;
        QSignalSpy spy(&renderer, &PaneRenderer::rendered);
        const QRect region(30, 40, 90, 70);
        renderer.request(requestOf(s, 1, 1, region));
        QVERIFY(spy.wait());
        const auto result = spy.first().first().value<PaneResult>();
        QCOMPARE(result.image.size(), region.size());
        // The whole frame as the rendered export makes it, in 8 bits.
        const auto whole = turned(encoded8(developRegion(Cleaner(s.frame, s.noise, {}), s.frame->crop, {}, nullptr, {}).value()), orientation);
        const QImage meant = toImage(whole).copy(region);
        QCOMPARE(result.image, meant);
    }

    void aNewerWishReplacesAWaitingOne()
    {
        const Simulated s = simulate(makeScene({1400, 1100}), {});
        PaneRenderer renderer;
        QSignalSpy spy(&renderer, &PaneRenderer::rendered);
        renderer.request(requestOf(s, 0, 1, {0, 0, 900, 900})); // keeps the thread busy
        for (quint64 serial = 2; serial <= 30; ++serial)
            renderer.request(requestOf(s, 1, serial, {100, 100, 60, 60}, {"wavelet", 0.1 * double(serial), 1}));
        QTRY_VERIFY_WITH_TIMEOUT(renderer.isIdle(), kPatienceMs);
        QTRY_VERIFY_WITH_TIMEOUT(spy.size() >= 2, kPatienceMs);
        const auto last = spy.last().first().value<PaneResult>();
        QCOMPARE(last.request.serial, quint64(30));
        QVERIFY2(spy.size() < 10, "waiting requests of the same pane must not pile up");
    }

    /// What was stepped aside for something quick, and had been replaced by its pane meanwhile, does not come back after its successor and take its readings away.
    void aReplacedPictureDoesNotComeBack()
    {
        const Simulated s = simulate(makeScene({1400, 1100}), {});
        PaneRenderer renderer;
        QSignalSpy pictures(&renderer, &PaneRenderer::rendered), readings(&renderer, &PaneRenderer::readingsTaken);
        const auto slow = [&](quint64 serial) {
            PaneRequest r = requestOf(s, 1, serial, {0, 0, 1300, 1000}, {"bm3d", 0.5 + 0.1 * double(serial), 1});
            r.place = {200, 200, 128, 128};
            return r;
        };
        renderer.request(slow(1));
        QTest::qWait(150); // it runs by now
        renderer.request(slow(2));
        renderer.request(requestOf(s, 2, 3, {100, 100, 60, 60}, {"wavelet", 1, 1}));
        QTRY_VERIFY_WITH_TIMEOUT(renderer.isIdle(), kPatienceMs);
        QTRY_COMPARE_WITH_TIMEOUT(readings.size(), 1, kPatienceMs);
        QCOMPARE(readings.first()[0].toInt(), 1);
        QCOMPARE(readings.first()[1].toULongLong(), quint64(2));
        quint64 last = 0;
        for (const auto &arguments : pictures)
            if (const PaneRequest r = arguments.first().value<PaneResult>().request; r.pane == 1) {
                QVERIFY(r.serial >= last);
                last = r.serial;
            }
        QCOMPARE(last, quint64(2));
    }

    void theMostUrgentComesFirst()
    {
        const Simulated s = simulate(makeScene({1000, 900}), {});
        PaneRenderer renderer;
        QSignalSpy spy(&renderer, &PaneRenderer::rendered);
        PaneRequest first = requestOf(s, 0, 1, {0, 0, 900, 800});
        renderer.request(first);
        for (int pane = 1; pane <= 3; ++pane) {
            PaneRequest r = requestOf(s, pane, quint64(pane) + 1, {100 * pane, 100, 60, 60});
            r.urgency = 4 - pane;
            renderer.request(r);
        }
        QTRY_COMPARE_WITH_TIMEOUT(spy.size(), 4, kPatienceMs);
        QList<int> order;
        for (const auto &args : spy)
            order << args.first().value<PaneResult>().request.pane;
        QVERIFY(order.indexOf(3) < order.indexOf(2) && order.indexOf(2) < order.indexOf(1));
    }

    /// What takes long comes in parts, from the pointer outward, each with the very pixels that the whole has there.
    void whatTakesLongComesInPieces()
    {
        constexpr int orientation = 6, reduction = 2;
        ShootOptions o;
        o.iso = 6400;
        o.orientation = orientation;
        const Simulated s = simulate(makeScene({900, 660}), o);
        PaneRenderer renderer;
        renderer.setPatience(kLittle);
        QSignalSpy spy(&renderer, &PaneRenderer::rendered);
        const QSize upright(s.frame->uprightSize().width, s.frame->uprightSize().height);
        PaneRequest r = requestOf(s, 1, 1, QRect(QPoint(0, 0), upright / reduction * reduction), {"bm3d"});
        r.reduction = reduction;
        const QPoint eye(upright.width() / 5, upright.height() / 4);
        renderer.setEye(eye);
        renderer.request(r);
        QTRY_VERIFY_WITH_TIMEOUT(!spy.isEmpty() && spy.last().first().value<PaneResult>().part.isNull(), kPatienceMs);
        const auto whole = spy.last().first().value<PaneResult>();
        QCOMPARE(whole.share, 1.0);
        QCOMPARE(whole.image.size(), r.region.size() / reduction);
        QVERIFY(spy.size() >= 3);
        constexpr int kMargin = PanePieces::kReachPx + 4; // that is left out until the neighbours are there
        double share = 0;
        QRegion shown;
        for (qsizetype i = 0; i + 1 < spy.size(); ++i) {
            const auto piece = spy[i].first().value<PaneResult>();
            QVERIFY(piece.share > share && piece.share < 1);
            share = piece.share;
            QVERIFY(r.region.contains(piece.part));
            QCOMPARE(piece.image, whole.image.copy(QRect(piece.part.topLeft() / reduction, piece.part.size() / reduction)));
            if (i == 0)
                QVERIFY(piece.part.adjusted(-kMargin, -kMargin, kMargin, kMargin).contains(eye));
            shown += piece.part;
        }
        QVERIFY(spy.first().first().value<PaneResult>().part.width() * 2 < upright.width());
        qint64 area = 0;
        for (const QRect &part : shown)
            area += qint64(part.width()) * part.height();
        QVERIFY(double(area) > 0.6 * upright.width() * upright.height());
        // And what other code makes of it.
        const auto straight = developView(Cleaner(s.frame, s.noise, r.treatment), s.frame->storedOf(toUpright(r.region)), reduction, {}, nullptr, {});
        QCOMPARE(whole.image, toImage(turned(encoded8(straight.value()), orientation)));
    }

    /// Two trials that take long go on by turns: neither waits for the other's end.
    void longOnesTakeTurns()
    {
        const Simulated s = simulate(makeScene({750, 500}), {});
        PaneRenderer renderer;
        renderer.setPatience(kLittle);
        QSignalSpy spy(&renderer, &PaneRenderer::rendered);
        renderer.request(requestOf(s, 1, 1, {0, 0, 750, 500}, {"bm3d"}));
        renderer.request(requestOf(s, 2, 2, {0, 0, 750, 500}, {"bm3d", 0.5}));
        QTRY_VERIFY_WITH_TIMEOUT(renderer.isIdle(), kPatienceMs);
        QList<int> parts, wholes;
        for (const auto &args : spy) {
            const auto result = args.first().value<PaneResult>();
            (result.part.isNull() ? wholes : parts) << result.request.pane;
        }
        QCOMPARE(wholes.size(), 2);
        QVERIFY(parts.indexOf(2) < parts.lastIndexOf(1));
        QVERIFY(parts.indexOf(2) <= 2);
    }

    /// A pane hangs the parts as they come, tells how much is there, and shows nothing where nothing is yet.
    void aPaneFillsUp()
    {
        const Simulated s = simulate(makeScene({750, 500}), {});
        PaneRenderer renderer;
        renderer.setPatience(kLittle);
        LivePane pane(&renderer);
        pane.resize(375, 250);
        Viewport whole;
        whole.zoom = 0;
        pane.setViewport(whole);
        pane.show();
        QList<QPair<QString, bool>> states; // words, and whether part of the pane is bare
        connect(&pane, &LivePane::stateChanged, &pane, [&] {
            const QImage &image = pane.image().image;
            bool bare = false;
            for (int y = 0; y < image.height() && !bare; y += 20)
                for (int x = 0; x < image.width() && !bare; x += 20)
                    bare = qAlpha(image.pixel(x, y)) == 0;
            states.append({pane.stateWords(), bare});
        });
        pane.setContent({s.frame, s.noise, {"bm3d"}});
        QTRY_VERIFY_WITH_TIMEOUT(pane.isSettled(), kPatienceMs);
        QCOMPARE(states.first().first, QStringLiteral("computing"));
        const auto part = std::find_if(states.begin(), states.end(), [](const auto &state) { return state.first.startsWith("computing, ") && state.first.endsWith(" %"); });
        QVERIFY(part != states.end());
        QVERIFY(part->second);
        QVERIFY(states.last().first.startsWith("settled") && !states.last().second);
        QCOMPARE(pane.image().region, QRect(0, 0, 750, 500));
    }

    void forgottenPanesAnswerNothing()
    {
        const Simulated s = simulate(makeScene({1000, 900}), {});
        PaneRenderer renderer;
        QSignalSpy spy(&renderer, &PaneRenderer::rendered);
        renderer.request(requestOf(s, 0, 1, {0, 0, 900, 800}));
        renderer.request(requestOf(s, 1, 2, {0, 0, 50, 50}));
        renderer.forgetPane(1);
        QTRY_VERIFY_WITH_TIMEOUT(renderer.isIdle(), kPatienceMs);
        QTest::qWait(20);
        for (const auto &args : spy)
            QCOMPARE(args.first().value<PaneResult>().request.pane, 0);
    }
};

QTEST_MAIN(PaneRendererTest)
#include "pane_renderer_test.moc"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/frame_panels.h"
#include "panels/queue_panel.h"
#include "panels/roll_panel.h"
#include "support/frames.h"
#include "support/windows.h"

#include <QDockWidget>
#include <QInputDialog>
#include <QMenu>
#include <QTemporaryDir>
#include <QTest>
#include <QTimer>
#include <QToolButton>
#include <QTreeWidget>

using namespace irenic;
using namespace irenic::test;

/// What the right button brings up, opened through the window system and chosen from with the mouse.
class PointerMenusTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        startAfresh();
        ShootOptions o;
        o.iso = 6400;
        for (const char *name : {"first", "second"})
            QVERIFY(writeShot(m_dir.filePath(QStringLiteral("%1.dng").arg(name)).toStdString(), shoot(makeScene({900, 700}), o).value(), o));
    }

    void init()
    {
        m_window = shownWindow();
        QVERIFY(m_window);
        QVERIFY(hang(m_window.get(), {m_dir.filePath("first.dng"), m_dir.filePath("second.dng")}));
    }
    void cleanup() { m_window.reset(); }

    void aSpotIsMarkedAndMovedWhereThePictureWasPointedAt()
    {
        auto *pane = m_window->wall()->findChild<PicturePane *>("pane-2");
        while (session()->roll().frame(0).spots.size() > 3)
            session()->editing().removeSpot(3);
        const QPoint at(70, 90);
        const QPointF place = pane->pictureAt(at);
        const QPoint pixel(int(place.x()), int(place.y()));
        choose(pane, at, "Mark a spot here");
        QCOMPARE(session()->roll().frame(0).spots.size(), size_t(4));
        QCOMPARE(session()->roll().frame(0).spots.back().at, pixel);
        QCOMPARE(session()->viewing().spotAt(0), 3);
        session()->editing().undoStack()->undo();
        QCOMPARE(session()->roll().frame(0).spots.size(), size_t(3));

        session()->viewing().goToSpot(1);
        const QPoint before = session()->roll().frame(0).spots[1].at;
        const QPointF other = pane->pictureAt(QPoint(30, 40));
        choose(pane, {30, 40}, "Move spot 2 here");
        QCOMPARE(session()->roll().frame(0).spots[1].at, QPoint(int(other.x()), int(other.y())));
        session()->editing().undoStack()->undo();
        QCOMPARE(session()->roll().frame(0).spots[1].at, before);
        // Where the row looks at no spot there is none to move.
        session()->viewing().setViewport({2, {0.37, 0.61}});
        QCOMPARE(session()->viewing().spotAt(0), -1);
        for (const QString &words : choose(pane, at, {}))
            QVERIFY2(!words.startsWith("Move spot"), qPrintable(words));
    }

    void aPicturesMenuActsOnItsOwnColumn()
    {
        session()->viewing().setColumn(1);
        const Treatment second = session()->roll().frame(0).trials[1];
        choose(m_window->wall()->findChild<PicturePane *>("pane-2"), {50, 50}, action("removeTrial")->text());
        QCOMPARE(session()->roll().frame(0).trialCount(), 2);
        QVERIFY(!(session()->roll().frame(0).trials[0] == second) && !(session()->roll().frame(0).trials[1] == second));
        session()->editing().undoStack()->undo();
        QVERIFY(session()->roll().frame(0).trials[1] == second);
        settle();
        // Nothing can be kept or removed of the untreated picture.
        session()->viewing().setColumn(2);
        choose(m_window->wall()->findChild<PicturePane *>("pane-0"), {50, 50}, action("removeTrial")->text());
        QCOMPARE(session()->viewing().column(), 0);
        QCOMPARE(session()->roll().frame(0).trialCount(), 3);
    }

    void aStripsMenuHoldsWhatItsColumnCanDo()
    {
        const CaptionStrip *untreated = m_window->wall()->strip(0), *first = m_window->wall()->strip(1);
        const QStringList ofUntreated = choose(untreated, QPoint(20, 14), {});
        QVERIFY(!ofUntreated.contains(action("keep")->text()) && !ofUntreated.contains(action("removeTrial")->text()));
        const QStringList ofFirst = choose(first, QPoint(20, 14), action("keep")->text());
        QVERIFY(ofFirst.contains(action("duplicate")->text()) && ofFirst.contains(action("moveRight")->text()));
        QVERIFY2(!ofFirst.contains(action("moveLeft")->text()), "the first trial is leftmost");
        QCOMPARE(session()->roll().frame(0).keeper, 0);
        const Treatment treatment = session()->roll().frame(0).trials[0];
        choose(m_window->wall()->strip(1), QPoint(20, 14), action("moveRight")->text());
        QVERIFY(session()->roll().frame(0).trials[1] == treatment);
        QCOMPARE(session()->roll().frame(0).keeper, 1);
    }

    void aFramesMenuActsOnThatFrame()
    {
        RollPanel *roll = m_window->rollPanel();
        const QPoint second = roll->visualRect(roll->model()->index(1, 0)).center();
        QVERIFY(choose(roll->viewport(), roll->visualRect(roll->model()->index(1, 0)).bottomLeft() + QPoint(20, 60), {}).isEmpty());
        QCOMPARE(session()->viewing().current(), 0);
        const QStringList words = choose(roll->viewport(), second, action("takeOff")->text());
        QVERIFY(words.contains("Show in the file manager") && words.contains(action("export")->text()));
        QCOMPARE(session()->roll().count(), 1);
        QCOMPARE(session()->roll().frame(0).name(), QString("first"));
        session()->editing().undoStack()->undo();
        QCOMPARE(session()->roll().count(), 2);
    }

    void aSpotsMenuNamesMovesOrdersAndRemoves()
    {
        const auto spots = [this] { return session()->roll().frame(0).spots; };
        const auto before = spots();
        QVERIFY(before.size() >= 3);
        const int last = int(before.size()) - 1;
        // The dialog comes up while the menu's action runs.
        QTimer::singleShot(0, this, [this] { answerName("Rope on the cleat"); });
        choose(tab(0), tab(0)->rect().center(), "Rename...");
        QTRY_COMPARE_WITH_TIMEOUT(spots()[0].name, QString("Rope on the cleat"), kPatienceMs);
        choose(tab(0), tab(0)->rect().center(), "Later");
        QCOMPARE(spots()[1].name, QString("Rope on the cleat"));
        QCOMPARE(spots()[0], before[1]);
        choose(tab(1), tab(1)->rect().center(), "Earlier");
        QCOMPARE(spots()[0].name, QString("Rope on the cleat"));
        // At the ends there is nowhere to go.
        choose(tab(0), tab(0)->rect().center(), "Earlier");
        choose(tab(last), tab(last)->rect().center(), "Later");
        QCOMPARE(spots()[0].name, QString("Rope on the cleat"));
        QCOMPARE(spots().back(), before.back());
        session()->viewing().setViewport({2, {0.4, 0.6}});
        const QPoint middle = m_window->wall()->middle();
        choose(tab(0), tab(0)->rect().center(), "Move to the middle of the view");
        QCOMPARE(spots()[0].at, middle);
        choose(tab(0), tab(0)->rect().center(), "Remove");
        QCOMPARE(spots().size(), before.size() - 1);
        QCOMPARE(spots()[0], before[1]);
    }

    void anExportsMenuFollowsItsState()
    {
        ExportQueue *queue = m_window->exportQueue();
        queue->setPaused(true);
        m_window->card("queue")->show();
        ExportJob job;
        job.source = m_dir.filePath("first.dng").toStdString();
        job.folder = m_dir.path().toStdString();
        for (int i = 0; i < 3; ++i)
            queue->add(job);
        auto *list = m_window->findChild<QTreeWidget *>("queueList");
        QTRY_COMPARE_WITH_TIMEOUT(list->topLevelItemCount(), 3, kPatienceMs);
        const auto over = [&](int row) { return list->visualItemRect(list->topLevelItem(row)).center(); };
        const int third = queue->entries()[2].id, second = queue->entries()[1].id;
        choose(list->viewport(), over(2), "First of all");
        QCOMPARE(queue->entries()[0].id, third);
        const QStringList waiting = choose(list->viewport(), over(2), "Cancel (Delete)");
        QVERIFY(waiting.contains("Sooner (Alt+Up)") && !waiting.contains("Open"));
        QCOMPARE(queue->entry(second)->state, QueuedJob::State::Cancelled);
        const int row = int(std::find_if(queue->entries().begin(), queue->entries().end(), [&](const auto &e) { return e.id == second; }) - queue->entries().begin());
        QCOMPARE(choose(list->viewport(), over(row), "Retry"), QStringList{"Retry"});
        QCOMPARE(queue->entry(second)->state, QueuedJob::State::Waiting);
        // Below the last line lies no export, whichever was pointed at before.
        QVERIFY(choose(list->viewport(), QPoint(20, list->viewport()->height() - 3), {}).isEmpty());
        queue->cancelAll();
        queue->clearOver();
    }

private:
    /// Presses the right button there, as the window system would, and clicks what reads like that in the menu that comes up, or
    /// closes it. What it held, but for separators; empty where no menu came.
    QStringList choose(const QWidget *on, QPoint at, const QString &words)
    {
        QStringList held;
        QTimer poll;
        poll.setInterval(5);
        connect(&poll, &QTimer::timeout, this, [&] {
            auto *menu = qobject_cast<QMenu *>(QApplication::activePopupWidget());
            if (!menu || !menu->isVisible())
                return;
            poll.stop();
            QAction *wanted = nullptr;
            for (QAction *a : menu->actions()) {
                if (a->isSeparator())
                    continue;
                held << a->text();
                if (!words.isEmpty() && a->text() == words)
                    wanted = a;
            }
            if (wanted)
                QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(wanted).center());
            if (menu->isVisible()) // nothing was wanted, or what was wanted is disabled
                menu->close();
        });
        poll.start();
        QTest::mouseClick(m_window->windowHandle(), Qt::RightButton, {}, on->mapTo(m_window.get(), at));
        QTest::qWait(50);
        if (!words.isEmpty() && !held.contains(words))
            QTest::qFail(qPrintable(QStringLiteral("no \"%1\" among: %2").arg(words, held.join(", "))), __FILE__, __LINE__);
        return held;
    }

    void answerName(const QString &name)
    {
        auto *dialog = qobject_cast<QInputDialog *>(QApplication::activeModalWidget());
        if (!dialog) {
            QTimer::singleShot(5, this, [this, name] { answerName(name); });
            return;
        }
        dialog->setTextValue(name);
        dialog->accept();
    }

    void settle() { QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs); }
    Session *session() { return m_window->session(); }
    QToolButton *tab(int spot) { return m_window->findChild<QToolButton *>(QStringLiteral("spot-%1").arg(spot + 1)); }
    QAction *action(const char *name) { return m_window->findChild<QAction *>(QLatin1String(name)); }
    QTemporaryDir m_dir;
    std::unique_ptr<MainWindow> m_window;
};

QTEST_MAIN(PointerMenusTest)
#include "pointer_menus_test.moc"

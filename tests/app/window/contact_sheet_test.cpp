// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/contact_sheet.h"
#include "panels/export_dialog.h"
#include "session/paths.h"
#include "session/series.h"
#include "support/windows.h"

#include <QDialogButtonBox>
#include <QLabel>
#include <QLineEdit>
#include <QListView>
#include <QPushButton>
#include <QRadioButton>
#include <QTemporaryDir>
#include <QToolButton>

using namespace irenic;
using namespace irenic::test;

/// The contact sheet in the window, with real files; and its order and choice with many made-up ones.
class ContactSheetTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        startAfresh();
        for (const auto &[name, iso] : {std::pair{"berth", 1600}, {"anchor", 25600}, {"cleat", 6400}}) {
            ShootOptions o;
            o.iso = iso;
            QVERIFY(writeShot(m_dir.filePath(QLatin1String(name) + ".dng").toStdString(), shoot(makeScene({300, 240}), o).value(), o));
        }
    }

    void init()
    {
        m_window = shownWindow();
        QVERIFY(m_window);
        QVERIFY(hang(m_window.get(), {file("berth"), file("anchor"), file("cleat")}));
        QTest::keyClick(m_window.get(), Qt::Key_F9, Qt::ShiftModifier);
        QCOMPARE(m_window->view(), MainWindow::View::Sheet);
        QVERIFY(sheet()->isVisible());
    }
    void cleanup() { m_window.reset(); }

    void papersAreSortedAndNarrowedDown()
    {
        QCOMPARE(sheet()->shownNames(), (QStringList{"berth", "anchor", "cleat"}));
        press("byName");
        QCOMPARE(sheet()->shownNames(), (QStringList{"anchor", "berth", "cleat"}));
        press("byNoise");
        QCOMPARE(sheet()->shownNames(), (QStringList{"anchor", "cleat", "berth"}));
        press("byIso");
        QCOMPARE(sheet()->shownNames(), (QStringList{"berth", "cleat", "anchor"}));
        auto *words = sheet()->findChild<QLineEdit *>("words");
        QTest::keyClicks(words, "iso 6400 tarn");
        QCOMPARE(sheet()->shownNames(), (QStringList{"cleat"}));
        words->clear();
        sheet()->choose({0, 2});
        click("treatSuggestions");
        press("onlyUndecided");
        QCOMPARE(sheet()->shownNames(), (QStringList{"anchor"}));
        m_window->session()->editing().undoStack()->undo();
        QCOMPARE(sheet()->shownNames().size(), 3);
        press("onlyAll");
    }

    /// How near each is estimated to come is told once it is asked for, of what it would leave with; another keeper is another question.
    void papersAreSortedByNearness()
    {
        Session *s = m_window->session();
        const auto db = [&](int i) { return s->roll().frame(i).nearnessDb(); };
        QVERIFY(db(0) < 0 && db(1) < 0 && db(2) < 0);
        press("byNearness");
        QTRY_VERIFY_WITH_TIMEOUT(db(0) > 0 && db(1) > 0 && db(2) > 0, kPatienceMs);
        QTRY_COMPARE_WITH_TIMEOUT(sheet()->shownNames(), (QStringList{"anchor", "cleat", "berth"}), kPatienceMs);
        // A keeper that takes nothing is further away than any suggestion.
        const double before = db(0);
        s->viewing().setCurrent(0);
        s->editing().changeParam(0, kLuminanceParam, 0);
        s->editing().changeParam(0, kColourParam, 0);
        s->editing().chooseKeeper(0);
        QVERIFY(db(0) < 0);
        QTRY_VERIFY_WITH_TIMEOUT(db(0) > 0, kPatienceMs);
        QVERIFY2(db(0) < before - 2, qPrintable(QStringLiteral("%1 and %2 dB").arg(before).arg(db(0))));
        s->editing().undoStack()->undo(); // what was known is not known of the suggestion any more, and is asked again
        QTRY_COMPARE_WITH_TIMEOUT(db(0), before, kPatienceMs);
        // What is decided on the wall is asked when the sheet is there again; regions decide, too.
        QTest::keyClick(m_window.get(), Qt::Key_F9, Qt::ShiftModifier);
        QCOMPARE(m_window->view(), MainWindow::View::Wall);
        Region spared;
        spared.luminance = spared.colour = 0;
        spared.parts = {MaskPart()};
        spared.inverted = true; // all of it: nothing is painted
        s->editing().changeRegions({spared}, "sparing all");
        QVERIFY(db(0) < 0);
        QTest::keyClick(m_window.get(), Qt::Key_F9, Qt::ShiftModifier);
        QTRY_VERIFY_WITH_TIMEOUT(db(0) > 0, kPatienceMs);
        QVERIFY2(db(0) < before - 2, qPrintable(QStringLiteral("%1 and %2 dB").arg(before).arg(db(0))));
        press("byRoll");
    }

    void chosenFramesAreTreatedInOneStep()
    {
        Session *s = m_window->session();
        QTest::keyClick(sheet()->grid(), Qt::Key_A, Qt::ControlModifier);
        QCOMPARE(sheet()->chosen(), (QList<int>{0, 1, 2}));
        QVERIFY(sheet()->findChild<QLabel *>("chosenSummary")->text().contains("ISO 1600 to 25600"));
        click("treatSuggestions");
        for (int i = 0; i < 3; ++i)
            QCOMPARE(s->roll().frame(i).trials[size_t(s->roll().frame(i).keeper)], s->roll().frame(i).suggestion.treatment);
        QCOMPARE(s->editing().undoStack()->count(), 1);
        s->editing().undoStack()->undo();
        for (int i = 0; i < 3; ++i)
            QCOMPARE(s->roll().frame(i).keeper, -1);
        // One frame's trial for some others; those that are not chosen stay as they are.
        s->editing().changeParam(0, kLuminanceParam, 0.55);
        s->editing().chooseKeeper(0);
        sheet()->choose({2});
        QVERIFY(button("treatAlike")->text().contains("A of berth"));
        click("treatAlike");
        QCOMPARE(s->roll().frame(2).trials[size_t(s->roll().frame(2).keeper)].luminance, 0.55);
        QCOMPARE(s->roll().frame(1).keeper, -1);
    }

    void spotsAndRenderingAreCarriedOver()
    {
        Session *s = m_window->session();
        s->editing().addSpot({50, 60});
        s->editing().changeRendering({.exposureEv = 0.7}, "exposure");
        LensCorrection lens;
        lens.fringes = 0.5;
        s->editing().changeLens(lens, "lens");
        sheet()->choose({0, 1});
        click("carrySpots");
        click("carryRendering");
        click("carryLens");
        QCOMPARE(s->roll().frame(1).spots, s->roll().frame(0).spots);
        QCOMPARE(s->roll().frame(1).rendering.exposureEv, 0.7);
        QCOMPARE(s->roll().frame(1).lens, s->roll().frame(0).lens);
        QVERIFY(s->roll().frame(2).spots != s->roll().frame(0).spots);
        QCOMPARE(s->roll().frame(2).rendering.exposureEv, 0.0);
        QVERIFY(!(s->roll().frame(2).lens == s->roll().frame(0).lens));
        sheet()->choose({0}); // nothing to carry to itself
        QVERIFY(!button("carrySpots")->isEnabled());
    }

    void chosenFramesGoOut()
    {
        Session *s = m_window->session();
        s->editing().chooseKeeper(0);
        sheet()->choose({0, 2});
        QTest::keyClick(m_window.get(), Qt::Key_E, Qt::ControlModifier);
        auto *dialog = m_window->findChild<ExportDialog *>();
        QVERIFY(dialog);
        QVERIFY(dialog->findChild<QRadioButton *>("chosenFrames")->isChecked());
        QVERIFY(dialog->findChild<QRadioButton *>("suggestions")->text().contains("all 3"));
        dialog->accept();
        ExportQueue *queue = m_window->exportQueue();
        QTRY_COMPARE_WITH_TIMEOUT(queue->count(QueuedJob::State::Done), 2, kPatienceMs);
        QStringList sources;
        for (const auto &e : queue->entries())
            sources << QFileInfo(fileText(e.job.source)).fileName();
        QCOMPARE(sources, (QStringList{"berth.dng", "cleat.dng"}));
        QVERIFY(queue->entries()[0].job.treatment == WantedTreatment::exactly(s->roll().frame(0).trials[0]));
        QVERIFY(queue->entries()[1].job.treatment == WantedTreatment());
        press("onlyExported");
        QCOMPARE(sheet()->shownNames(), (QStringList{"berth", "cleat"}));
        press("onlyAll");
    }

    void framesLeaveTogetherAndComeBackTogether()
    {
        Session *s = m_window->session();
        sheet()->choose({0, 1});
        click("offChosen");
        QCOMPARE(s->roll().count(), 1);
        QCOMPARE(sheet()->shownNames(), (QStringList{"cleat"}));
        QVERIFY(!button("offChosen")->isEnabled());
        s->editing().undoStack()->undo();
        QCOMPARE(sheet()->shownNames(), (QStringList{"berth", "anchor", "cleat"}));
    }

    void theKeyboardGoesThereAndBack()
    {
        QTest::keyClick(sheet()->grid(), Qt::Key_End);
        QTest::keyClick(sheet()->grid(), Qt::Key_Return);
        QCOMPARE(m_window->view(), MainWindow::View::Wall);
        QCOMPARE(m_window->session()->viewing().current(), 2);
        QTest::keyClick(m_window.get(), Qt::Key_F9, Qt::ShiftModifier);
        QCOMPARE(sheet()->chosen(), (QList<int>{2}));
        QTest::keyClick(sheet()->grid(), Qt::Key_Escape);
        QCOMPARE(m_window->view(), MainWindow::View::Wall);
        // A card makes way for that of the sheet, and is back on the wall.
        m_window->card("lens")->bringUp();
        QTest::keyClick(m_window.get(), Qt::Key_F9, Qt::ShiftModifier);
        QVERIFY(!m_window->card("lens")->isVisible());
        QTest::keyClick(sheet()->grid(), Qt::Key_Escape);
        QVERIFY(m_window->card("lens")->isVisible());
        for (QWidget *w : sheet()->findChildren<QWidget *>())
            if (const auto *b = qobject_cast<QAbstractButton *>(w); b && !qobject_cast<QLineEdit *>(b->parentWidget()))
                QVERIFY2(!b->accessibleName().isEmpty() || !b->text().isEmpty(), qPrintable(b->objectName()));
    }

    /// A thousand frames, of which every tenth begins a burst of three.
    void aSeriesIsFoundAmongAThousand()
    {
        Session session;
        QStringList paths;
        for (int i = 0; i < 1000; ++i)
            paths << QStringLiteral("/roll/%1.dng").arg(i, 4, 10, QLatin1Char('0'));
        session.addPaths(paths);
        const Simulated s = simulate(makeScene({64, 48}), {});
        QDateTime taken(QDate(2031, 10, 18), QTime(20, 0));
        for (int i = 0; i < 1000; ++i) {
            auto f = std::make_shared<Frame>(FrameFacts(*s.frame));
            f->samples = s.frame->samples.clone();
            f->shooting.model = i % 2000 == 7 ? "Tarn Bench-X" : "Tarn Bench-1";
            taken = taken.addSecs(i % 10 == 1 || i % 10 == 2 ? 2 : 60);
            f->shooting.dateTime = taken.toString("yyyy:MM:dd HH:mm:ss").toStdString();
            auto noise = std::make_shared<NoiseReport>(*s.noise);
            noise->luminanceNoise = float((i * 37) % 1000) / 1000;
            session.roll().setReadingDone(paths[i], f, noise, {});
        }
        QCOMPARE(seriesOf(session.roll(), {500}), (QList<int>{500, 501, 502}));
        QCOMPARE(seriesOf(session.roll(), {502}), (QList<int>{500, 501, 502}));
        QCOMPARE(seriesOf(session.roll(), {503}), (QList<int>{503}));
        ContactSheet sheet(&session);
        sheet.resize(1200, 700);
        sheet.show();
        QVERIFY(QTest::qWaitForWindowExposed(&sheet));
        sheet.findChild<QToolButton *>("byNoise")->click();
        const QStringList names = sheet.shownNames();
        QCOMPARE(names.size(), 1000);
        QCOMPARE(names.front(), QStringLiteral("0027")); // 27 * 37 = 999
        QCOMPARE(names.back(), QStringLiteral("0000"));
        sheet.choose({500});
        sheet.findChild<QPushButton *>("series")->click();
        QCOMPARE(sheet.chosen(), (QList<int>{500, 501, 502}));
        // A series as one paper: a hundred bursts hide two hundred frames, and whoever chooses one chooses its three.
        auto *asOne = sheet.findChild<QToolButton *>("seriesAsOne");
        asOne->click();
        QCOMPARE(sheet.shownNames().size(), 800);
        QVERIFY(sheet.shownNames().contains("0500") && !sheet.shownNames().contains("0501"));
        QCOMPARE(sheet.chosen(), (QList<int>{500, 501, 502}));
        sheet.choose({503, 612});
        QCOMPARE(sheet.chosen(), (QList<int>{503, 610, 611, 612}));
        QVERIFY(!sheet.findChild<QPushButton *>("series")->isEnabled());
        const auto paperOf = [&](const QString &name) {
            const QAbstractItemModel *model = sheet.grid()->model();
            return model->match(model->index(0, 0), Qt::DisplayRole, name, 1, Qt::MatchExactly).value(0);
        };
        QVERIFY(paperOf("0610").data(Qt::AccessibleTextRole).toString().contains("2 more"));
        // What is asked for decides whose paper it is; what is done reaches only those.
        QTest::keyClicks(sheet.findChild<QLineEdit *>("words"), "61");
        QVERIFY(sheet.shownNames().contains("0610"));
        sheet.findChild<QLineEdit *>("words")->setText("0611");
        QCOMPARE(sheet.shownNames(), QStringList{"0611"});
        sheet.choose({611});
        QCOMPARE(sheet.chosen(), (QList<int>{611}));
        sheet.findChild<QLineEdit *>("words")->clear();
        // A frame that is taken off leaves a series of two.
        session.editing().takeOff({610});
        QTRY_VERIFY_WITH_TIMEOUT(paperOf("0611").data(Qt::AccessibleTextRole).toString().contains("1 more"), kPatienceMs);
        session.editing().undoStack()->undo();
        QTRY_VERIFY_WITH_TIMEOUT(!paperOf("0611").isValid(), kPatienceMs);
        // By hand.
        sheet.choose({503, 505});
        sheet.findChild<QAction *>("makeSeries")->trigger();
        QTRY_VERIFY_WITH_TIMEOUT(paperOf("0503").isValid() && !paperOf("0505").isValid(), kPatienceMs);
        sheet.choose({612});
        sheet.findChild<QAction *>("partSeries")->trigger();
        QTRY_COMPARE_WITH_TIMEOUT(sheet.shownNames().size(), 801, kPatienceMs);
        sheet.choose({610, 611, 612});
        sheet.findChild<QAction *>("seriesByTime")->trigger();
        QTRY_COMPARE_WITH_TIMEOUT(sheet.shownNames().size(), 799, kPatienceMs);
        asOne->click();
        QCOMPARE(sheet.shownNames().size(), 1000);
        QTest::keyClicks(sheet.findChild<QLineEdit *>("words"), "bench-x");
        QCOMPARE(sheet.shownNames(), QStringList{"0007"});
    }

private:
    QString file(const char *name) const { return m_dir.filePath(QLatin1String(name) + ".dng"); }
    ContactSheet *sheet() const { return m_window->contactSheet(); }
    QPushButton *button(const char *name) const { return sheet()->findChild<QPushButton *>(QLatin1String(name)); }
    void click(const char *name) const { QTest::mouseClick(button(name), Qt::LeftButton); }
    void press(const char *name) const { QTest::mouseClick(sheet()->findChild<QToolButton *>(QLatin1String(name)), Qt::LeftButton); }

    QTemporaryDir m_dir;
    std::unique_ptr<MainWindow> m_window;
};

QTEST_MAIN(ContactSheetTest)
#include "contact_sheet_test.moc"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/blink.h"
#include "panels/export_dialog.h"
#include "panels/shown_notes.h"
#include "support/windows.h"
#include "view/difference.h"
#include "window/command_search.h"
#include "window/help_pages.h"

#include <QAction>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QRegularExpression>
#include <QTemporaryDir>
#include <QTextBrowser>
#include <QTreeWidget>

using namespace irenic;
using namespace irenic::test;

/// What makes differences visible: blink, difference, the figures of a pixel; that it is said on the window, and found by name.
class DifferencesTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        startAfresh();
        ShootOptions o;
        o.iso = 6400;
        o.hotPixelsPerMillion = 0;
        const Shot shot = shoot(makeScene({500, 400}), o).take();
        m_stored = shot.samples.clone();
        QVERIFY(writeShot(m_dir.filePath("first.dng").toStdString(), shot, o));
    }

    void init()
    {
        m_window = shownWindow();
        QVERIFY(m_window);
        QVERIFY(hang(m_window.get(), {m_dir.filePath("first.dng")}));
    }
    void cleanup() { m_window.reset(); }

    void columnsTakeTurnsInOnePlace()
    {
        Wall *wall = m_window->wall();
        const QImage b = grabbed(2), c = grabbed(3), a = grabbed(1);
        QVERIFY(a != b && b != c);
        QTest::keyClick(m_window.get(), Qt::Key_B);
        QTest::keyClick(m_window.get(), Qt::Key_Z);
        Blink *blink = m_window->blink();
        QVERIFY(blink->isOn() && blink->isTurning());
        QCOMPARE(blink->place(), 2);
        QCOMPARE(blink->shown(), 3);
        QCOMPARE(grabbed(2), c);
        QCOMPARE(grabbed(3), c); // at home, too
        QTRY_COMPARE_WITH_TIMEOUT(blink->shown(), 0, kPatienceMs);
        QCOMPARE(grabbed(2), grabbed(0));
        QVERIFY(m_window->shownNotes()->isVisible());
        // By hand: a letter shows that trial, and it stays.
        QTest::keyClick(m_window.get(), Qt::Key_A);
        QVERIFY(!blink->isTurning());
        QCOMPARE(grabbed(2), a);
        QCOMPARE(m_window->session()->viewing().column(), 2); // the keyboard stays with B
        QCOMPARE(m_window->shownNotes()->words(), QStringList("blink in the place of B: A"));
        QTest::keyClick(m_window.get(), Qt::Key_Z, Qt::ShiftModifier);
        QVERIFY(blink->isTurning());
        QCOMPARE(blink->paceS(), 1.0);
        QTest::keyClick(m_window.get(), Qt::Key_Z);
        QVERIFY(!blink->isOn() && !m_window->shownNotes()->isVisible());
        QCOMPARE(grabbed(2), b);
        // A trial that is taken away while it is shown ends it.
        QTest::keyClick(m_window.get(), Qt::Key_Z);
        QVERIFY(blink->isOn());
        m_window->session()->editing().removeTrial(2);
        QVERIFY(!blink->isOn());
        QVERIFY(QTest::qWaitFor([&] { return wall->allSettled(); }, kPatienceMs));
    }

    void differencesAreAroundMidGrey()
    {
        QTest::keyClick(m_window.get(), Qt::Key_B);
        const PaneImage a = m_window->wall()->pane(1)->image(), b = m_window->wall()->pane(2)->image();
        const QImage home = grabbed(2);
        QTest::keyClick(m_window.get(), Qt::Key_D, Qt::ShiftModifier);
        QCOMPARE(m_window->wall()->differenceFrom(), std::optional(2));
        QCOMPARE(grabbed(2), home);
        QTest::keyClick(m_window.get(), Qt::Key_D, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(m_window->wall()->differenceGain(), 8.0);
        const PaneImage d = differenceOf(a, b, 8);
        QCOMPARE(d.region, a.region);
        for (const QPoint at : {QPoint(3, 4), QPoint(40, 60), QPoint(77, 31)}) {
            const QColor x = a.image.pixelColor(at), y = b.image.pixelColor(at), shown = d.image.pixelColor(at);
            QCOMPARE(shown.red(), std::clamp(128 + 8 * (x.red() - y.red()), 0, 255));
            QCOMPARE(shown.blue(), std::clamp(128 + 8 * (x.blue() - y.blue()), 0, 255));
        }
        // What hangs is that picture, two screen pixels for one of its own.
        const QImage seen = grabbed(1);
        QCOMPARE(seen.pixelColor(2 * 40, 2 * 60), d.image.pixelColor(40, 60));
        QVERIFY(differenceOf(a, {b.image, b.region.translated(1, 0), 1}, 4).image.isNull()); // other pixels
        QVERIFY(differenceOf(a, a, 4).image.pixelColor(9, 9) == QColor(128, 128, 128));
        auto *off = offButton();
        QTest::mouseClick(off, Qt::LeftButton);
        QVERIFY(!m_window->wall()->differenceFrom());
        QVERIFY(grabbed(1) != seen);
    }

    void everythingThatChangesPicturesIsSaid()
    {
        m_window->session()->viewing().setPushEv(1.5);
        m_window->session()->viewing().setShow(Show::Removed);
        QCOMPARE(m_window->shownNotes()->words(), (QStringList{"pushed +1.5 EV, for looking only", "shown: removed"}));
        for (int i = 0; i < 2; ++i) {
            QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
            QTest::mouseClick(offButton(), Qt::LeftButton);
        }
        QCOMPARE(m_window->session()->viewing().pushEv(), 0.0);
        QCOMPARE(m_window->session()->viewing().look().show, Show::Picture);
        QVERIFY(!m_window->shownNotes()->isVisible());
    }

    void aPixelIsReadUnderThePointer()
    {
        auto *line = m_window->findChild<QLabel *>("message");
        QTest::keyClick(m_window.get(), Qt::Key_I);
        const LivePane *pane = m_window->wall()->pane(2);
        const QPoint at(41, 63);
        QTest::mouseMove(m_window->findChild<QWidget *>("pane-2"), at + QPoint(1, 1));
        QTest::mouseMove(m_window->findChild<QWidget *>("pane-2"), at);
        const QPointF exact = pane->pictureAt(at);
        const QPoint pixel(int(exact.x()), int(exact.y()));
        const RollFrame &f = m_window->session()->roll().frame(0);
        const int stored = m_stored.at(f.frame->crop.x + pixel.x(), f.frame->crop.y + pixel.y());
        const QColor b = pane->image().image.pixelColor(pixel - pane->image().region.topLeft());
        QTRY_VERIFY2(line->text().startsWith(QStringLiteral("%1, %2 ").arg(pixel.x()).arg(pixel.y())), qPrintable(line->text()));
        QVERIFY2(line->text().contains(QStringLiteral("stored %1 (").arg(stored)), qPrintable(line->text()));
        QVERIFY2(line->text().contains(QStringLiteral("B %1 %2 %3").arg(b.red()).arg(b.green()).arg(b.blue())), qPrintable(line->text()));
        QVERIFY(line->text().contains(u'\u00b1'));
        QTest::keyClick(m_window.get(), Qt::Key_I);
        QVERIFY(!line->text().contains("stored"));
    }

    void commandsAreFoundByTheirWords()
    {
        QTest::keyClick(m_window.get(), Qt::Key_K, Qt::ControlModifier);
        auto *search = m_window->findChild<CommandSearch *>("commandSearch");
        QVERIFY(search && QTest::qWaitForWindowActive(search));
        auto *typed = search->findChild<QLineEdit *>("typed");
        QTRY_VERIFY_WITH_TIMEOUT(typed->hasFocus(), kPatienceMs);
        const int all = search->shownCount();
        QVERIFY(all > 100);
        QTest::keyClicks(typed, "push half more");
        QCOMPARE(search->shownCount(), 1);
        QTest::keyClick(typed, Qt::Key_Return);
        QCOMPARE(m_window->session()->viewing().pushEv(), 0.5);
        QTRY_VERIFY_WITH_TIMEOUT(!m_window->findChild<CommandSearch *>("commandSearch"), kPatienceMs);
        m_window->session()->viewing().setPushEv(0);
        // What cannot be done now is shown, and not done.
        m_window->showCommands();
        search = m_window->findChild<CommandSearch *>("commandSearch");
        QVERIFY(QTest::qWaitForWindowActive(search));
        typed = search->findChild<QLineEdit *>("typed");
        QTRY_VERIFY_WITH_TIMEOUT(typed->hasFocus(), kPatienceMs);
        QTest::keyClicks(typed, "find the file");
        QCOMPARE(search->shownCount(), 1);
        QTest::keyClick(typed, Qt::Key_Return);
        QVERIFY(search->isVisible());
        typed->setText("no such words");
        QCOMPARE(search->shownCount(), 0);
        QTest::keyClick(typed, Qt::Key_Return);
        QTest::keyClick(search, Qt::Key_Escape);
        QTRY_VERIFY_WITH_TIMEOUT(!m_window->findChild<CommandSearch *>("commandSearch"), kPatienceMs);
    }

    /// What is linked is there, and what is searched for is found.
    void pagesAreReadInTheWindow()
    {
        QTest::keyClick(m_window.get(), Qt::Key_F1, Qt::ShiftModifier);
        auto *pages = m_window->findChild<HelpPages *>("helpPages");
        QVERIFY(pages && QTest::qWaitForWindowActive(pages));
        auto *text = pages->findChild<QTextBrowser *>();
        QCOMPARE(pages->page(), QStringLiteral("comparing"));
        QVERIFY(text->toPlainText().contains("Blind round"));
        for (const QString &page : HelpPages::pages()) {
            pages->open(page);
            QCOMPARE(pages->page(), page);
            QVERIFY2(text->toPlainText().size() > 300, qPrintable(page));
        }
        auto *field = pages->findChild<QLineEdit *>("helpWords");
        QTRY_VERIFY_WITH_TIMEOUT(field->hasFocus(), kPatienceMs);
        QTest::keyClicks(field, "falloff");
        QCOMPARE(pages->page(), QStringLiteral("lens"));
        emit text->anchorClicked(QUrl("formats.md#what-a-dng-describes"));
        QCOMPARE(pages->page(), QStringLiteral("formats"));
        field->setText("qqqq");
        QVERIFY(pages->page().isEmpty());
        pages->close();
    }

    /// Open, keep, export, confirm.
    void fromOpeningToAnExportInFourActions()
    {
        m_window->open({m_dir.filePath("first.dng")});
        QTest::keyClick(m_window.get(), Qt::Key_K);
        QTest::keyClick(m_window.get(), Qt::Key_E, Qt::ControlModifier);
        auto *dialog = m_window->findChild<ExportDialog *>();
        QVERIFY(dialog && QTest::qWaitForWindowExposed(dialog));
        QTest::keyClick(dialog, Qt::Key_Return);
        QTRY_COMPARE_WITH_TIMEOUT(m_window->exportQueue()->count(QueuedJob::State::Done), 1, kPatienceMs);
        QVERIFY(QFile::exists(m_dir.filePath("clean/first-clean.dng")));
    }

private:
    QPushButton *offButton() const { return m_window->shownNotes()->findChildren<QPushButton *>(QRegularExpression("^off")).value(0); }
    QImage grabbed(int column) const { return m_window->findChild<QWidget *>(QStringLiteral("pane-%1").arg(column))->grab().toImage(); }

    QTemporaryDir m_dir;
    Plane<uint16_t> m_stored;
    std::unique_ptr<MainWindow> m_window;
};

QTEST_MAIN(DifferencesTest)
#include "differences_test.moc"

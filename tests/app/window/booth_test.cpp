// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/blind_view.h"
#include "panels/frame_panels.h"
#include "panels/guide_note.h"
#include "panels/loupe.h"
#include "panels/output_size_dialog.h"
#include "panels/readings_panel.h"
#include "panels/spot_bar.h"
#include "support/frames.h"
#include "support/windows.h"
#include "view/leftover_view.h"
#include "view/plot.h"
#include "view/reading_bars.h"
#include "view/strength_slider.h"
#include "window/actions.h"
#include "window/guest_pinning.h"
#include "window/recipe_menus.h"

#include <QComboBox>
#include <QDir>
#include <QDockWidget>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QSignalSpy>
#include <QSpinBox>
#include <QTableWidget>
#include <QTemporaryDir>
#include <QTest>
#include <QToolButton>

using namespace irenic;
using namespace irenic::test;

/// How often a widget or one of its children got other colours or another style.
class StyleCounter : public QObject
{
public:
    int count = 0;
    void watch(QWidget *widget)
    {
        widget->installEventFilter(this);
        for (QWidget *child : widget->findChildren<QWidget *>())
            child->installEventFilter(this);
    }
    bool eventFilter(QObject *, QEvent *event) override
    {
        count += event->type() == QEvent::StyleChange || event->type() == QEvent::PaletteChange;
        return false;
    }
};

/// Comparing, as a photographer does it: spots, rows, strips, loupe, blind rounds, guests, readings. Drives the real window.
class BoothTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        startAfresh();
        ShootOptions o;
        o.iso = 6400;
        for (const char *name : {"first", "second"})
            QVERIFY(writeShot(m_dir.filePath(QStringLiteral("%1.dng").arg(name)).toStdString(), shoot(makeScene({720, 560}), o).value(), o));
        o.iso = 100;
        o.hotPixelsPerMillion = 0;
        QVERIFY(QDir(m_dir.path()).mkdir("truth"));
        QVERIFY(writeShot(m_dir.filePath("truth/first.dng").toStdString(), shoot(makeScene({720, 560}), o).value(), o));
    }

    void init()
    {
        m_window = shownWindow();
        QVERIFY(m_window);
        QVERIFY(hang(m_window.get(), {m_dir.filePath("first.dng"), m_dir.filePath("second.dng")}));
    }
    void cleanup() { m_window.reset(); }

    void spotsAreProposedAndDigitsGoThere()
    {
        const auto &spots = session()->roll().frame(0).spots;
        QVERIFY2(spots.size() >= 3, "the test scene has texture, colours and darkness");
        for (int i = 0; i < int(spots.size()); ++i) {
            QTest::keyClick(m_window.get(), Qt::Key(Qt::Key_1 + i));
            QCOMPARE(session()->viewing().spotAt(0), i);
            QVERIFY(m_window->wall()->visibleRegion().adjusted(-1, -1, 1, 1).contains(spots[size_t(i)].at));
            QVERIFY(tab(i)->isChecked());
        }
        QTest::mouseClick(tab(0), Qt::LeftButton);
        QCOMPARE(session()->viewing().spotAt(0), 0);
    }

    void spotsAreMarkedByKeyButtonAndClick()
    {
        while (session()->roll().frame(0).spots.size() > 4) // room for three
            session()->editing().removeSpot(4);
        const size_t before = session()->roll().frame(0).spots.size();
        QTest::keyClick(m_window.get(), Qt::Key_S);
        QCOMPARE(session()->roll().frame(0).spots.size(), before + 1);
        QVERIFY((session()->roll().frame(0).spots.back().at - m_window->wall()->middle()).manhattanLength() <= 2);
        LivePane *pane = paneAt(1);
        const QPoint at(40, 60);
        const QPointF place = pane->pictureAt(at);
        QTest::mouseClick(pane, Qt::LeftButton, Qt::ShiftModifier, at);
        QCOMPARE(session()->roll().frame(0).spots.size(), before + 2);
        QCOMPARE(session()->roll().frame(0).spots.back().at, QPoint(int(place.x()), int(place.y())));
        auto *plus = m_window->findChild<QToolButton *>("markSpot");
        session()->viewing().setViewport({2, {0.2, 0.8}});
        QTest::mouseClick(plus, Qt::LeftButton);
        QCOMPARE(session()->roll().frame(0).spots.size(), before + 3);
        QTest::keyClick(m_window.get(), Qt::Key_Delete, Qt::ShiftModifier);
        QCOMPARE(session()->roll().frame(0).spots.size(), before + 2);
        trigger("undo");
        QCOMPARE(session()->roll().frame(0).spots.size(), before + 3);
        trigger("carrySpots");
        QVERIFY(session()->roll().frame(1).spots == session()->roll().frame(0).spots);
    }

    /// Two of one scene, the camera moved between them, and one of another size, which has no place beside them.
    void thePlaceIsSeenInTheFramesBeforeAndAfter()
    {
        const Scene leaves = leavesScene({640, 480});
        const auto photograph = [&](const char *name, UprightRect cut, const char *time) {
            Scene part = flatScene({cut.width, cut.height}, 0, 0, 0);
            for (int y = 0; y < cut.height; ++y)
                std::copy_n(leaves.at(cut.x, cut.y + y), 3 * cut.width, part.rgb.data() + size_t(y) * size_t(cut.width) * 3);
            ShootOptions o;
            o.iso = 1600;
            o.dateTime = time;
            const QString file = m_dir.filePath(QString::fromLatin1(name));
            QFile::remove(file);
            return writeShot(file.toStdString(), shoot(part, o).value(), o) ? file : QString();
        };
        const QStringList files{photograph("a.dng", {40, 40, 560, 400}, "2031:10:18 23:41:07"), photograph("b.dng", {64, 24, 560, 400}, "2031:10:18 23:41:09"),
                                photograph("c.dng", {0, 0, 320, 240}, "2031:10:18 23:41:10")};
        m_window = shownWindow();
        QVERIFY(m_window && hang(m_window.get(), files));
        session()->editing().chooseKeeper(2);
        session()->viewing().setCurrent(1);
        QTRY_VERIFY(session()->viewing().readyFrame());
        session()->viewing().setViewport({2, {0.5, 0.5}});
        trigger("sequence");
        QCOMPARE(m_window->view(), MainWindow::View::Strip);
        StripView *strip = m_window->stripView();
        QCOMPARE(strip->cellCount(), 2);
        QCOMPARE(strip->picked(), 1); // where one comes from
        QTRY_VERIFY_WITH_TIMEOUT(strip->allSettled(), kPatienceMs);
        QVERIFY(strip->pane(0)->content().frame == session()->roll().frame(0).frame);
        QVERIFY(strip->pane(0)->content().treatment == session()->roll().frame(0).trials[2]); // its keeper
        QVERIFY(strip->caption(0).startsWith("a\n") && strip->caption(1).startsWith("b\n"));
        // What lies in the middle of the second lies 24 pixels further right and 16 further up in the first, within half a pixel of their thumbnails.
        const auto middleOf = [&](int cell) {
            const LivePane *pane = strip->pane(cell);
            return pane->pictureAt(QPointF(pane->width() / 2.0, pane->height() / 2.0));
        };
        const QPointF apart = middleOf(0) - middleOf(1);
        QVERIFY2(std::abs(apart.x() - 24) <= 3 && std::abs(apart.y() + 16) <= 3, qPrintable(QStringLiteral("%1, %2").arg(apart.x()).arg(apart.y())));
        // Whichever is dragged, they stay together.
        emit const_cast<LivePane *>(strip->pane(0))->panned({0.6, 0.4});
        QVERIFY((middleOf(0) - middleOf(1) - apart).manhattanLength() < 1.5);
        const QPointF there = middleOf(0);
        QTest::keyClick(strip, Qt::Key_N); // is for settings
        QTest::keyClick(strip, Qt::Key_Left);
        QTest::keyClick(strip, Qt::Key_Return);
        QCOMPARE(m_window->view(), MainWindow::View::Wall);
        QCOMPARE(session()->viewing().current(), 0);
        QCOMPARE(session()->roll().frame(1).trialCount(), kFirstTrials);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        QVERIFY((m_window->wall()->middle() - there.toPoint()).manhattanLength() <= 3);
        QVERIFY(!strip->pane(1)->hasContent()); // nor holds it any pixels
        // A frame that leaves the roll takes the strip with it.
        trigger("sequence");
        QCOMPARE(m_window->view(), MainWindow::View::Strip);
        session()->editing().takeOff({1});
        QCOMPARE(m_window->view(), MainWindow::View::Wall);
        session()->viewing().setPushEv(1);
        session()->editing().undoStack()->undo();
        // A frame that has none beside it says so.
        session()->viewing().setCurrent(2);
        QTRY_VERIFY(session()->viewing().readyFrame());
        trigger("sequence");
        QCOMPARE(m_window->view(), MainWindow::View::Wall);
    }

    void aStepOfASliderRestylesNoStrip()
    {
        const Wall *wall = m_window->wall();
        std::array<StyleCounter, 4> restyled;
        for (int c = 0; c < 4; ++c)
            restyled[size_t(c)].watch(wall->strip(c));
        session()->editing().changeParam(0, kLuminanceParam, 0.42, 7);
        session()->editing().changeParam(0, kLuminanceParam, 0.43, 7);
        QCOMPARE(wall->strip(1)->findChild<StrengthSlider *>("luminance")->strength(), 0.43);
        for (const StyleCounter &s : restyled)
            QCOMPARE(s.count, 0);
        session()->editing().chooseKeeper(1);
        QVERIFY(restyled[2].count > 0); // the keeper's paper is inverted
        QCOMPARE(restyled[1].count + restyled[3].count, 0);
        session()->editing().chooseKeeper(2);
        QVERIFY(restyled[3].count > 0);
        QCOMPARE(restyled[0].count + restyled[1].count, 0);
        QVERIFY(wall->strip(2)->palette() != wall->strip(3)->palette());
        QCOMPARE(wall->strip(2)->palette(), wall->strip(1)->palette());
    }

    void nothingInTheTopBarIsCutOff()
    {
        session()->viewing().goToSpot(1);
        const int count = int(session()->roll().frame(0).spots.size());
        const auto *data = m_window->findChild<QLabel *>("shootingData");
        const auto withWords = [&] {
            int words = 0;
            for (int i = 0; i < count; ++i)
                words += tab(i)->text() != QString::number(i + 1);
            return words;
        };
        QTRY_COMPARE_WITH_TIMEOUT(withWords(), count, kPatienceMs);
        QVERIFY(data->text().contains("ISO"));
        const QString whole = data->text();
        m_window->card("readings")->show();
        m_window->resizeDocks({m_window->card("readings")}, {700}, Qt::Horizontal);
        QTRY_COMPARE_WITH_TIMEOUT(withWords(), 1, kPatienceMs);
        QVERIFY(tab(1)->text().size() > 1);
        QTRY_VERIFY_WITH_TIMEOUT(tab(count - 1)->parentWidget()->parentWidget()->rect().contains(tab(count - 1)->geometry()), kPatienceMs);
        QVERIFY(whole.startsWith(data->text()) && data->fontMetrics().horizontalAdvance(data->text()) <= data->width());
        session()->viewing().goToSpot(0);
        QCOMPARE(withWords(), 1);
        QVERIFY(tab(0)->text().size() > 1);
        m_window->card("readings")->hide();
        QTRY_COMPARE_WITH_TIMEOUT(withWords(), count, kPatienceMs);
        QCOMPARE(data->text(), whole);
    }

    void rowsHangAndEveryPaneSaysItsState()
    {
        auto *rows = m_window->findChild<QSpinBox *>("rows");
        rows->setValue(3);
        QCOMPARE(m_window->wall()->rowCount(), 3);
        QCOMPARE(m_window->wall()->paneCount(), 12);
        settle();
        QSet<QString> places;
        for (int row = 0; row < 3; ++row) {
            QSet<QString> here;
            for (int c = 0; c < 4; ++c) {
                const QRect region = m_window->wall()->pane(c, row)->image().region;
                here.insert(QStringLiteral("%1,%2").arg(region.x()).arg(region.y()));
            }
            QCOMPARE(here.size(), 1); // one place a row
            places += here;
        }
        QCOMPARE(places.size(), 3);
        int states = 0;
        for (const QLabel *label : m_window->wall()->findChildren<QLabel *>("paneState"))
            states += label->isVisible() && label->text().contains("settled");
        QCOMPARE(states, 12);
        QVERIFY(m_window->wall()->strip(2)->isFolded());
        QVERIFY(m_window->wall()->strip(2)->readingWords().startsWith("1.00"));
        trigger("unfold");
        QVERIFY(!m_window->wall()->strip(2)->isFolded());
        trigger("unfold");
        // Dragging a picture of the second row moves that row alone.
        const QRect first = m_window->wall()->pane(1, 0)->image().region;
        auto *pane = m_window->wall()->findChild<LivePane *>("pane-1-1");
        QTest::mousePress(pane, Qt::LeftButton, {}, {80, 50});
        QCOMPARE(session()->viewing().row(), 1);
        QTest::mouseMove(pane, {60, 70});
        QTest::mouseRelease(pane, Qt::LeftButton, {}, {60, 70});
        settle();
        QCOMPARE(m_window->wall()->pane(1, 0)->image().region, first);
        QCOMPARE(m_window->wall()->pane(1, 1)->image().region, m_window->wall()->pane(3, 1)->image().region);
        rows->setValue(1);
        settle();
        QCOMPARE(m_window->wall()->paneCount(), 4);
    }

    void trialsAreAddedUntilTheWallScrolls()
    {
        for (int i = 0; i < 3; ++i)
            QTest::keyClick(m_window.get(), Qt::Key_N);
        QCOMPARE(m_window->wall()->columnCount(), 7);
        settle();
        for (int c = 0; c < 7; ++c) {
            QVERIFY(m_window->wall()->strip(c)->width() >= Wall::kLeastColumnPx);
            QCOMPARE(m_window->wall()->pane(c)->image().region, m_window->wall()->pane(0)->image().region);
        }
        QCOMPARE(session()->viewing().column(), 6);
        QTest::keyClick(m_window.get(), Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(session()->roll().frame(0).trialCount(), 7);
        QTest::keyClick(m_window.get(), Qt::Key_B);
        QCOMPARE(session()->viewing().column(), 2);
        QTest::keyClick(m_window.get(), Qt::Key_Delete);
        QCOMPARE(session()->roll().frame(0).trialCount(), 6);
        trigger("undo");
        QCOMPARE(session()->roll().frame(0).trialCount(), 7);
        // The untreated column can be put away, and is still at hand.
        QTest::keyClick(m_window.get(), Qt::Key_U);
        settle();
        QVERIFY(!paneAt(0)->isVisible());
        const QImage treated = paneAt(2)->grab().toImage();
        QTest::keyPress(m_window.get(), Qt::Key_Space);
        settle();
        QVERIFY(paneAt(2)->grab().toImage() != treated);
        QTest::keyRelease(m_window.get(), Qt::Key_Space);
        settle();
        QCOMPARE(paneAt(2)->grab().toImage(), treated);
    }

    void holdsShowAnotherSideWhileTheyAreDown_data()
    {
        QTest::addColumn<int>("key");
        QTest::addColumn<int>("show");
        QTest::newRow("removed") << int(Qt::Key_R) << int(Show::Removed);
        QTest::newRow("luminance") << int(Qt::Key_L) << int(Show::Luminance);
        QTest::newRow("colour") << int(Qt::Key_O) << int(Show::Colour);
        QTest::newRow("clipping") << int(Qt::Key_X) << int(Show::Clipping);
        QTest::newRow("doubt") << int(Qt::Key_Q) << int(Show::Doubt);
    }
    void holdsShowAnotherSideWhileTheyAreDown()
    {
        QFETCH(int, key);
        QFETCH(int, show);
        const RollFrame &f = session()->roll().frame(0);
        const QImage picture = paneAt(2)->image().image;
        const auto meant = [&](Show side) {
            const QRect r = paneAt(2)->image().region;
            const Rect stored = Rect{r.x(), r.y(), r.width(), r.height()}.movedBy(f.frame->crop.x, f.frame->crop.y);
            const auto rgb = encoded8(developView(Cleaner(f.frame, f.noise, f.trials[1]), stored, 1, {0, side}, nullptr, {}).value());
            return QImage(rgb.samples.data(), rgb.size.width, rgb.size.height, 3 * rgb.size.width, QImage::Format_RGB888).convertToFormat(picture.format());
        };
        QTest::keyPress(m_window.get(), Qt::Key(key));
        settle();
        QCOMPARE(paneAt(2)->image().image, meant(Show(show)));
        QVERIFY(paneAt(2)->image().image != picture);
        QTest::keyRelease(m_window.get(), Qt::Key(key));
        QCOMPARE(paneAt(2)->image().image, picture); // at once: it was settled before
        // The toggle of the pair, and its way back.
        QTest::keyClick(m_window.get(), Qt::Key(key), Qt::ShiftModifier);
        settle();
        QCOMPARE(int(session()->viewing().look().show), show);
        QCOMPARE(paneAt(2)->image().image, meant(Show(show)));
        QCOMPARE(m_window->findChild<QComboBox *>("show")->currentText(), SpotBar::showWords(Show(show)));
        QTest::keyClick(m_window.get(), Qt::Key(key), Qt::ShiftModifier);
        settle();
        QCOMPARE(paneAt(2)->image().image, picture);
    }

    void aTestStripSetsTheTrial()
    {
        QTest::keyClick(m_window.get(), Qt::Key_B);
        QTest::keyClick(m_window.get(), Qt::Key_T);
        StripView *strip = m_window->stripView();
        QVERIFY(strip->isVisible() && !m_window->wall()->isVisible());
        QCOMPARE(strip->cellCount(), 5);
        m_window->findChild<QDoubleSpinBox *>("stripFrom")->setValue(0.2);
        m_window->findChild<QDoubleSpinBox *>("stripTo")->setValue(1.4);
        m_window->findChild<QSpinBox *>("stripSteps")->setValue(4);
        QCOMPARE(strip->cellCount(), 4);
        for (int i = 0; i < 4; ++i) {
            QCOMPARE(strip->cell(i).treatment.luminance, 0.2 + 0.4 * i);
            QCOMPARE(strip->cell(i).treatment.colour, 0.2 + 0.4 * i);
            QCOMPARE(strip->cell(i).treatment.method, session()->roll().frame(0).trials[1].method);
        }
        QTRY_VERIFY_WITH_TIMEOUT(strip->allSettled(), kPatienceMs);
        QVERIFY(strip->pane(0)->image().image != strip->pane(3)->image().image);
        // How near each comes follows, under it and as a curve.
        QTRY_VERIFY_WITH_TIMEOUT(std::all_of(strip->curve()->points().begin(), strip->curve()->points().end(), [](const auto &p) { return p.has_value(); }), kPatienceMs);
        QVERIFY(strip->curve()->isVisible());
        QCOMPARE(strip->curve()->points().size(), size_t(4));
        int nearest = 0;
        for (int i = 0; i < 4; ++i) {
            const double db = strip->pane(i)->readings()->nearness->db;
            QCOMPARE(strip->curve()->points()[size_t(i)]->value, db);
            QVERIFY2(strip->caption(i).contains(QStringLiteral("%1 dB").arg(db, 0, 'f', 1)), qPrintable(strip->caption(i)));
            if (db > strip->pane(nearest)->readings()->nearness->db)
                nearest = i;
        }
        QCOMPARE(strip->curve()->best(), nearest);
        QVERIFY(strip->caption(nearest).contains("nearest"));
        const QImage sheet = m_window->comparisonPicture();
        QVERIFY(sheet.width() > 4 * strip->pane(0)->image().image.width());
        QVERIFY(!m_window->findChild<QPushButton *>("stripUse")->isEnabled());
        QTest::keyClick(strip, Qt::Key_Right); // the first, then the next
        QTest::keyClick(strip, Qt::Key_Right);
        QCOMPARE(strip->picked(), 1);
        QTest::keyClick(strip, Qt::Key_Return);
        QVERIFY(m_window->wall()->isVisible());
        QCOMPARE(session()->roll().frame(0).trials[1].luminance, 0.6);
        QCOMPARE(session()->editing().undoStack()->undoText(), QStringLiteral("strengths of B from the strip"));
        settle();
    }

    void aRingAroundMakesATrial()
    {
        QTest::keyClick(m_window.get(), Qt::Key_A);
        QTest::keyClick(m_window.get(), Qt::Key_T, Qt::ShiftModifier);
        StripView *strip = m_window->stripView();
        QCOMPARE(strip->cellCount(), 9);
        QCOMPARE(strip->columnCount(), 3);
        QVERIFY(strip->cell(1).treatment.luminance > strip->cell(0).treatment.luminance && strip->cell(1).treatment.colour == strip->cell(0).treatment.colour);
        QVERIFY(strip->cell(3).treatment.colour > strip->cell(0).treatment.colour && strip->cell(3).treatment.luminance == strip->cell(0).treatment.luminance);
        auto *cell = strip->findChild<LivePane *>("cell-5");
        QTest::mouseClick(cell, Qt::LeftButton, {}, {20, 20});
        QCOMPARE(strip->picked(), 5);
        const Treatment meant = strip->cell(5).treatment;
        QTest::keyClick(strip, Qt::Key_N);
        QCOMPARE(session()->roll().frame(0).trialCount(), 4);
        QVERIFY(session()->roll().frame(0).trials[3] == meant);
        // Methods across, strengths down.
        trigger("methodRing");
        QCOMPARE(strip->columnCount(), int(methods().size()));
        QSet<QString> names;
        for (int i = 0; i < strip->columnCount(); ++i)
            names.insert(QString::fromStdString(strip->cell(i).treatment.method));
        QCOMPARE(names.size(), qsizetype(methods().size()));
        // What is written under a cell is whole, or ends in dots: it begins where the name does.
        int captions = 0;
        for (const QLabel *caption : strip->findChildren<QLabel *>()) {
            if (!caption->isVisible() || !caption->text().contains('\n'))
                continue;
            const QString label = QString::fromUtf8(methods()[size_t(captions++ % strip->columnCount())].label);
            QVERIFY2(caption->text().startsWith(label.left(4)), qPrintable(caption->text()));
            QVERIFY2(caption->sizeHint().width() <= caption->width(), qPrintable(QStringLiteral("%1: %2 in %3").arg(caption->text()).arg(caption->sizeHint().width()).arg(caption->width())));
        }
        QCOMPARE(captions, strip->cellCount());
        QTest::keyClick(strip, Qt::Key_Escape);
        QVERIFY(m_window->wall()->isVisible());
        settle();
    }

    void theLoupeWipesBetweenTwo()
    {
        QTest::keyClick(m_window.get(), Qt::Key_C);
        QTest::keyClick(m_window.get(), Qt::Key_W);
        Loupe *loupe = m_window->loupe();
        QTRY_VERIFY_WITH_TIMEOUT(loupe->allSettled(), kPatienceMs);
        QVERIFY(loupe->first()->content().treatment.isNone());
        QVERIFY(loupe->second()->content().treatment == session()->roll().frame(0).trials[2]);
        // Left of the line hangs the first, right of it the second, at the same place.
        const auto table = loupe->first()->parentWidget();
        const QImage screen = table->grab().toImage();
        const auto shows = [&](const LivePane *pane, QPoint at) {
            const QPointF picture = pane->pictureAt(at);
            const QPoint in = QPoint(int(std::floor(picture.x())), int(std::floor(picture.y()))) - pane->image().region.topLeft();
            return QColor(pane->image().image.pixel(in)).rgb() == QColor(screen.pixel(at)).rgb();
        };
        int left = 0, right = 0, wrong = 0;
        for (int y = 20; y < table->height() - 20; y += 23)
            for (int x = 20; x < table->width() - 20; x += 31) {
                if (std::abs(x - table->width() / 2) < 8)
                    continue;
                const bool first = x < table->width() / 2;
                (first ? left : right) += shows(first ? loupe->first() : loupe->second(), {x, y});
                wrong += shows(first ? loupe->second() : loupe->first(), {x, y});
            }
        QVERIFY(left > 200 && right > 200);
        QVERIFY2(wrong < left / 4, "the other picture's pixels may agree by chance only");
        QTest::keyClick(loupe, Qt::Key_Q);
        QVERIFY(loupe->second()->content().treatment.isNone());
        const double before = loupe->wipe();
        QTest::keyClick(loupe, Qt::Key_Right);
        QVERIFY(loupe->wipe() > before);
        QTest::keyClick(loupe, Qt::Key_V);
        QCOMPARE(int(loupe->way()), int(Loupe::Way::WipeDown));
        QTest::keyClick(loupe, Qt::Key_V);
        QCOMPARE(int(loupe->way()), int(Loupe::Way::SideBySide));
        QTRY_VERIFY_WITH_TIMEOUT(loupe->allSettled(), kPatienceMs);
        QVERIFY(loupe->first()->geometry().right() < loupe->second()->geometry().left());
        QCOMPARE(loupe->first()->image().region, loupe->second()->image().region);
        QTest::keyClick(loupe, Qt::Key_Escape);
        QVERIFY(m_window->wall()->isVisible());
    }

    void aBlindRoundNamesNothingUntilTheEnd()
    {
        QTest::keyClick(m_window.get(), Qt::Key_Y);
        BlindView *blind = m_window->blindView();
        blind->begin(42);
        QVERIFY(blind->isAsking());
        QCOMPARE(blind->round()->total(), size_t(3));
        // Nobody can say which is which: no visible words name a method, a letter's trial or a reading.
        for (const QLabel *label : blind->findChildren<QLabel *>()) {
            if (!label->isVisible())
                continue;
            for (const MethodInfo &m : methods())
                QVERIFY2(!label->text().contains(QLatin1String(m.label)), qPrintable(label->text()));
            QVERIFY(!label->text().contains("left:"));
        }
        // An answer before both pictures are there is no answer.
        QTest::keyClick(blind, Qt::Key_Left);
        const bool early = blind->round()->asked() == 0;
        QVERIFY(early || (blind->left()->isSettled() && blind->right()->isSettled()));
        // Always picks trial B, wherever it hangs.
        const Treatment favourite = session()->roll().frame(0).trials[1];
        while (blind->isAsking()) {
            QTRY_VERIFY_WITH_TIMEOUT(blind->left()->isSettled() && blind->right()->isSettled(), kPatienceMs);
            const bool left = blind->left()->content().treatment == favourite, right = blind->right()->content().treatment == favourite;
            QVERIFY(!(blind->left()->content().treatment == blind->right()->content().treatment));
            QTest::keyClick(blind, left ? Qt::Key_Left : right ? Qt::Key_Right
                                                               : Qt::Key_Down);
        }
        QVERIFY2(blind->verdict().contains("You preferred B"), qPrintable(blind->verdict()));
        QVERIFY2(blind->verdict().contains("more pair"), "three pairs settle nothing");
        QVERIFY(blind->verdict().contains("Round 42"));
        auto *table = blind->findChild<QTableWidget *>("blindTable");
        QCOMPARE(table->rowCount(), 3);
        QVERIFY(table->item(0, 0)->text().startsWith("B"));
        QCOMPARE(table->item(0, 1)->text(), QStringLiteral("2"));
        QTest::mouseClick(blind->findChild<QPushButton *>("blindMore"), Qt::LeftButton);
        QVERIFY(blind->isAsking());
        QVERIFY(blind->round()->total() > 3);
        QTRY_VERIFY_WITH_TIMEOUT(blind->left()->isSettled() && blind->right()->isSettled(), kPatienceMs);
        QTest::keyClick(blind, Qt::Key_Down);
        const size_t asked = blind->round()->asked();
        QTest::keyClick(blind, Qt::Key_Backspace);
        QCOMPARE(blind->round()->asked(), asked - 1);
        QTest::mouseClick(blind->findChild<QPushButton *>("blindReveal"), Qt::LeftButton);
        QTest::mouseClick(blind->findChild<QPushButton *>("blindKeep"), Qt::LeftButton);
        QCOMPARE(session()->roll().frame(0).keeper, 1);
        QVERIFY(m_window->wall()->isVisible());
    }

    void aGuestHangsBesideTheTrials()
    {
        const RollFrame &f = session()->roll().frame(0);
        const auto rgb = encoded8(developRegion(Cleaner(f.frame, f.noise, {"wavelet", 1, 1}), f.frame->crop, {-0.5}, nullptr, {}).value());
        const QImage rendition(rgb.samples.data(), rgb.size.width, rgb.size.height, 3 * rgb.size.width, QImage::Format_RGB888);
        QVERIFY(rendition.save(m_dir.filePath("elsewhere.png")));
        m_window->guests()->pin({m_dir.filePath("elsewhere.png")});
        QTRY_COMPARE_WITH_TIMEOUT(f.guests.size(), size_t(1), kPatienceMs);
        QCOMPARE(m_window->wall()->columnCount(), 5);
        settle();
        QCOMPARE(paneAt(4)->image().region, paneAt(0)->image().region);
        const QString words = QString::fromStdString(f.guests[0]->words);
        QVERIFY2(words.contains("+0.5"), qPrintable(words));
        QVERIFY(m_window->findChild<QLabel *>("message")->text().contains("elsewhere.png"));
        // As bright as the trial of the same method, to the eye.
        const auto mean = [](const QImage &image) {
            double sum = 0;
            for (int y = 0; y < image.height(); ++y)
                for (int x = 0; x < image.width(); ++x)
                    sum += qGreen(image.pixel(x, y));
            return sum / (double(image.width()) * image.height());
        };
        QVERIFY(std::abs(mean(paneAt(4)->image().image) - mean(paneAt(1)->image().image)) < 3);
        // It cannot be kept, and can be taken down and put back.
        session()->viewing().setColumn(4);
        QCOMPARE(session()->viewing().trial(), -1);
        QVERIFY(!action("keep")->isEnabled());
        QVERIFY(action("unpin")->isEnabled());
        trigger("unpin");
        QCOMPARE(m_window->wall()->columnCount(), 4);
        trigger("undo");
        QCOMPARE(m_window->wall()->columnCount(), 5);
        // A new trial hangs before it; the guest stays the guest.
        trigger("newTrial");
        settle();
        QCOMPARE(m_window->wall()->columnCount(), 6);
        QCOMPARE(m_window->wall()->columnName(5), QStringLiteral("Guest 1"));
        m_window->guests()->pin({m_dir.filePath("missing.png")});
        QTRY_VERIFY_WITH_TIMEOUT(m_window->findChild<QLabel *>("message")->text().contains("missing.png") && !m_window->findChild<QLabel *>("message")->text().startsWith("Matching"), kPatienceMs);
        QCOMPARE(f.guests.size(), size_t(1));
    }

    void theTruthHangsWhereThereIsOne()
    {
        QVERIFY(action("pinTruth")->isEnabled());
        session()->viewing().setCurrent(1);
        QVERIFY(!action("pinTruth")->isEnabled());
        session()->viewing().setCurrent(0);
        trigger("pinTruth");
        const RollFrame &f = session()->roll().frame(0);
        QTRY_COMPARE_WITH_TIMEOUT(f.guests.size(), size_t(1), kPatienceMs);
        settle();
        QCOMPARE(f.guests[0]->dx, 0);
        QCOMPARE(f.guests[0]->dy, 0);
        // It is nearer to what a treatment makes of the frame than to the untreated pixels.
        const auto apart = [&](int a, int b) {
            const QImage &x = paneAt(a)->image().image, &y = paneAt(b)->image().image;
            double sum = 0;
            for (int v = 0; v < x.height(); ++v)
                for (int u = 0; u < x.width(); ++u)
                    sum += std::pow(qGreen(x.pixel(u, v)) - qGreen(y.pixel(u, v)), 2);
            return sum;
        };
        QVERIFY(apart(4, 2) < 0.5 * apart(4, 0));
    }

    void theSlipGoesOnWithWhatIsDone()
    {
        auto *guide = m_window->findChild<GuideNote *>("guideNote");
        trigger("guide");
        QVERIFY(guide->isVisible() && guide->step() == 0);
        const auto press = [&](Qt::Key key) {
            QTest::keyPress(m_window.get(), key);
            const int before = guide->step();
            QTest::keyRelease(m_window.get(), key);
            return std::pair(before, guide->step());
        };
        QCOMPARE(press(Qt::Key_R), std::pair(0, 0));     // that is the next one's
        QCOMPARE(press(Qt::Key_Space), std::pair(0, 1)); // once it is let go, and was read
        QCOMPARE(press(Qt::Key_R), std::pair(1, 2));
        QTest::keyClick(m_window.get(), Qt::Key_2);
        QCOMPARE(guide->step(), 3);
        QTest::keyClick(m_window.get(), Qt::Key_T);
        QCOMPARE(guide->step(), 3);
        QTest::keyClick(m_window->stripView(), Qt::Key_Escape);
        QCOMPARE(guide->step(), 4);
        QTest::mouseClick(guide->findChild<QPushButton *>("guideNext"), Qt::LeftButton);
        QVERIFY(!guide->isVisible());
        press(Qt::Key_Space);
        trigger("guide");
        QCOMPARE(guide->step(), 0); // nothing counted while it was closed
    }

    void aSlipSaysWhatToTryAndStaysAwayOnceClosed()
    {
        auto *guide = m_window->findChild<GuideNote *>("guideNote");
        QVERIFY(!guide->isVisible()); // these are the user's own frames
        trigger("guide");
        QVERIFY(guide->isVisible());
        QSet<QString> steps;
        auto *next = guide->findChild<QPushButton *>("guideNext");
        for (int i = 0; i < GuideNote::stepCount(); ++i) {
            steps.insert(guide->text());
            QTest::mouseClick(next, Qt::LeftButton);
        }
        QCOMPARE(steps.size(), GuideNote::stepCount());
        QVERIFY(!guide->isVisible());
        trigger("guide");
        QVERIFY(guide->isVisible());
        QTest::keyClick(m_window.get(), Qt::Key_B); // never in the way of the keys
        QCOMPARE(session()->viewing().column(), 2);
        QTest::mouseClick(guide->findChild<QPushButton *>("guideClose"), Qt::LeftButton);
        QVERIFY(!guide->isVisible());
    }

    void theWholeFrameIsReadOnRequest()
    {
        session()->editing().changeParam(0, kLuminanceParam, 0.4);
        QTest::keyClick(m_window.get(), Qt::Key_A);
        ReadingsPanel *panel = m_window->readingsPanel();
        QTest::keyClick(m_window.get(), Qt::Key_J, Qt::ControlModifier);
        QVERIFY(panel->isVisible());
        QTRY_VERIFY_WITH_TIMEOUT(panel->figure("grain").contains('%'), kPatienceMs);
        // The figures are those of the core, for that trial.
        const RollFrame &f = session()->roll().frame(0);
        const LeftoverMap map = leftoverMap(Cleaner(f.frame, f.noise, f.trials[0]), nullptr).take();
        QCOMPARE(panel->figure("grain"), QStringLiteral("%1 %").arg(100 * map.left.luminance, 0, 'f', 1));
        QCOMPARE(panel->figure("lost"), QString::number(map.detailLost, 'f', 2));
        QVERIFY(map.judged > 0.2);
        QCOMPARE(panel->plot()->lines().size(), 3); // law, untreated, A
        QCOMPARE(panel->plot()->lines()[2].name, QStringLiteral("after A"));
        for (const Plot::Line &line : panel->plot()->lines())
            QVERIFY(line.points.size() >= 2);
        // To the worst place, and a spot there.
        QVERIFY(!map.worst.empty());
        const size_t spots = f.spots.size();
        QTest::keyClick(m_window.get(), Qt::Key_J);
        const Rect worst = map.worst[0].where;
        QVERIFY(m_window->wall()->visibleRegion().intersects(QRect(worst.x - f.frame->crop.x, worst.y - f.frame->crop.y, worst.width, worst.height)));
        QTest::mouseClick(panel->findChild<QPushButton *>("markWorst"), Qt::LeftButton);
        QCOMPARE(f.spots.size(), spots + 1);
        QCOMPARE(int(f.spots.back().kind), int(SpotKind::MostNoiseLeft));
        // Another trial is not read yet, and says so.
        QTest::keyClick(m_window.get(), Qt::Key_B);
        QVERIFY(!panel->figure("grain").contains('%'));
        QVERIFY(panel->figure("time").contains("about"));
    }

    void theMapTellsWhereTrialsDiffer()
    {
        session()->editing().changeParam(0, kLuminanceParam, 0.1);
        ReadingsPanel *panel = m_window->readingsPanel();
        auto *maps = panel->findChild<QComboBox *>("maps");
        m_window->card("readings")->show();
        QVERIFY(!maps->isEnabled() && !panel->map()->field());
        for (const int trial : {0, 1}) {
            session()->viewing().setColumn(1 + trial);
            panel->measure();
            QTRY_VERIFY_WITH_TIMEOUT(panel->figure("nearness").contains("dB"), kPatienceMs);
        }
        QStringList offered;
        for (int i = 0; i < maps->count(); ++i)
            offered << maps->itemText(i);
        QCOMPARE(offered, (QStringList{"map: noise left", "map: estimated error", "map: error against A"}));
        const auto choose = [&](int i) {
            maps->setCurrentIndex(i);
            emit maps->activated(i);
        };
        const RollFrame &f = session()->roll().frame(0);
        const ErrorMap a = errorMap(Cleaner(f.frame, f.noise, f.trials[0]), nullptr).take(), b = errorMap(Cleaner(f.frame, f.noise, f.trials[1]), nullptr).take();
        choose(1);
        const size_t highest = size_t(std::max_element(b.square.begin(), b.square.end()) - b.square.begin());
        QVERIFY(panel->map()->field()->rings.front() == b.place(highest).middle());
        choose(2);
        const LeftoverView::Field field = *panel->map()->field();
        QCOMPARE(field.shade.size(), a.square.size());
        size_t apart = 0;
        int darker = 0;
        for (size_t i = 0; i < field.shade.size(); ++i) {
            QCOMPARE(field.shade[i] > 0.5f, b.rms(i) > a.rms(i));
            darker += field.shade[i] < 0.5f;
            if (std::abs(b.rms(i) - a.rms(i)) > std::abs(b.rms(apart) - a.rms(apart)))
                apart = i;
        }
        QVERIFY(darker > int(field.shade.size()) / 2); // A leaves nearly all of the noise
        QTest::keyClick(m_window.get(), Qt::Key_J);
        const UprightPoint at = f.frame->uprightOf(b.place(apart).middle());
        QVERIFY(std::abs(session()->viewing().viewport().centre.x() * f.frame->uprightSize().width - at.x) < 2);
        QVERIFY(std::abs(session()->viewing().viewport().centre.y() * f.frame->uprightSize().height - at.y) < 2);
        // Seen from the other side.
        session()->viewing().setColumn(1);
        choose(2);
        QCOMPARE(maps->currentText(), QStringLiteral("map: error against B"));
        QVERIFY(std::abs(panel->map()->field()->shade[apart] - (1 - field.shade[apart])) < 1e-4f);
    }

    void readingsUnderThePictureAreThoseOfThePlace()
    {
        session()->viewing().setViewport({2, {0.5, 0.15}}); // the gradient
        settle();
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->isIdle() && paneAt(2)->readings(), kPatienceMs);
        const RollFrame &f = session()->roll().frame(0);
        const QPoint middle = paneAt(2)->image().region.center();
        const auto core = readingsAt(Cleaner(f.frame, f.noise, f.trials[1]), placeAround(*f.frame, {middle.x(), middle.y()}), nullptr);
        QVERIFY(*paneAt(2)->readings() == core.value());
        QVERIFY(core.value().left);
        const QString words = m_window->wall()->strip(2)->readingWords();
        QVERIFY2(words.contains(QStringLiteral("grain %1 %").arg(100 * core.value().left->luminance, 0, 'f', 0)), qPrintable(words));
    }

    /// A pane that is put away before its readings came asks for them again.
    void readingsComeToPanesThatWereHidden()
    {
        session()->viewing().setViewport({2, {0.3, 0.4}});
        settle();
        m_window->openStrip(StripView::Kind::Both); // hides the wall
        QVERIFY(!paneAt(3)->isVisible());
        m_window->showView(MainWindow::View::Wall);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allRead(), kPatienceMs);
        for (int column = 1; column <= 3; ++column)
            QVERIFY(m_window->wall()->strip(column)->readingWords().contains("detail lost"));
    }

    void theNearestTrialIsNamedOnce()
    {
        settle();
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->isIdle() && paneAt(1)->readings() && paneAt(2)->readings() && paneAt(3)->readings(), kPatienceMs);
        QStringList words;
        std::vector<double> squares;
        for (int column = 1; column <= 3; ++column) {
            words << m_window->wall()->strip(column)->readingWords();
            QVERIFY2(words.last().contains(QStringLiteral("nearness %1").arg(paneAt(column)->readings()->nearness->db, 0, 'f', 1)), qPrintable(words.last()));
            squares.push_back(paneAt(column)->readings()->nearness->square);
        }
        const auto nearest = std::min_element(squares.begin(), squares.end()) - squares.begin();
        for (qsizetype i = 0; i < 3; ++i) {
            QCOMPARE(words[i].contains(QStringLiteral("\u25c6 nearest")), i == nearest);
            QCOMPARE(words[i].contains(QStringLiteral("behind")) || words[i].contains(QStringLiteral("about level")), i != nearest);
        }
        // Untreated pixels are no trial.
        QVERIFY(!m_window->wall()->strip(0)->readingWords().contains("nearness"));
    }

    /// Bars are as long as their figures are large, on one scale.
    void barsCompareTheTrials()
    {
        settle();
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->isIdle() && paneAt(1)->readings() && paneAt(2)->readings() && paneAt(3)->readings(), kPatienceMs);
        const auto barsOf = [&](int column) { return m_window->wall()->strip(column)->findChild<ReadingBars *>("bars"); };
        const auto rowOf = [&](int column, const QString &label) {
            const auto &rows = barsOf(column)->rows();
            return *std::find_if(rows.begin(), rows.end(), [&](const ReadingBars::Row &row) { return row.label == label; });
        };
        const auto readings = [&](int column) { return *paneAt(column)->readings(); };
        for (int column = 2; column <= 3; ++column) {
            QVERIFY(barsOf(column)->isVisible());
            const auto ratio = [&](const QString &label) { return *rowOf(column, label).length / *rowOf(1, label).length; };
            QVERIFY(std::abs(ratio("lost") * readings(1).detailLost - readings(column).detailLost) < 1e-9);
            QVERIFY(std::abs(ratio("drift") * readings(1).drift - readings(column).drift) < 1e-9);
            QVERIFY(std::abs(ratio("doubt") * *readings(1).doubt - *readings(column).doubt) < 1e-9);
            QCOMPARE(*rowOf(column, "nearness").length > *rowOf(1, "nearness").length, readings(column).nearness->db > readings(1).nearness->db);
            QVERIFY(*rowOf(column, "time").length > *rowOf(1, "time").length); // wavelet shrinkage is the quickest
            QVERIFY(*rowOf(column, "nearness").length > 0 && *rowOf(column, "nearness").length <= 1);
        }
        QVERIFY(barsOf(2)->accessibleName().contains("drift " + QString::number(readings(2).drift, 'f', 2)));
        // What is painted, too: the same words before bars that differ.
        const auto inked = [&](int column) {
            const QImage grabbed = barsOf(column)->grab().toImage();
            const int y = int(1.5 * grabbed.height() / double(barsOf(column)->rows().size()));
            int dark = 0;
            for (int x = 0; x < grabbed.width() * 2 / 3; ++x)
                dark += qGray(grabbed.pixel(x, y)) < 80;
            return dark;
        };
        QVERIFY(readings(1).detailLost > 1.5 * readings(2).detailLost);
        QVERIFY(inked(1) > inked(2) + 2);
        // With several rows of places there is a line of words in their place.
        session()->viewing().setRowCount(2);
        settle();
        QVERIFY(!barsOf(1)->isVisible());
        session()->viewing().setRowCount(1);
        settle();
        QVERIFY(barsOf(1)->isVisible());
    }

    void panelsTellOfTheFrame()
    {
        for (QDockWidget *dock : m_window->cards()) {
            QVERIFY(!dock->isVisible());
            dock->show();
            dock->raise();
        }
        auto *histogram = m_window->findChild<HistogramPanel *>("histogramPanel");
        m_window->cards()[1]->raise();
        QTRY_COMPARE_WITH_TIMEOUT(histogram->plot()->lines().size(), 3, kPatienceMs);
        double green = 0;
        for (const QPointF &p : histogram->plot()->lines()[1].points)
            green += p.y();
        QVERIFY2(green > 85 && green < 100.5, qPrintable(QString::number(green))); // per cent; the rest is black, clipped or below -12 EV
        const QString shooting = m_window->findChild<ShootingPanel *>("shootingPanel")->text();
        for (const char *word : {"file: first.dng", "ISO: 6400", "size: 720 x 560", "pattern: RGGB", "noise law"})
            QVERIFY2(shooting.contains(QLatin1String(word)), qPrintable(shooting));
    }

    void outputSizeShowsTheFrameAsItWillBeUsed()
    {
        trigger("outputSize");
        auto *dialog = m_window->findChild<OutputSizeDialog *>();
        QVERIFY(dialog);
        dialog->findChild<QSpinBox *>("outputPixels")->setValue(600);
        QCOMPARE(dialog->zoom(), 600.0 / 720);
        dialog->findChild<QDoubleSpinBox *>("outputCm")->setValue(20);
        dialog->findChild<QDoubleSpinBox *>("outputCm")->setValue(12.7);
        dialog->findChild<QSpinBox *>("outputPpi")->setValue(60);
        QCOMPARE(dialog->longEdgePx(), 300);
        dialog->findChild<QSpinBox *>("outputPixels")->setValue(360);
        dialog->accept();
        QCOMPARE(session()->viewing().viewport().zoom, 0.5);
        settle();
        // Noise shrinks with the picture: at a quarter each pixel is the mean of four of every colour.
        const auto spread = [&] {
            const QImage screen = paneAt(0)->grab().toImage();
            // About one place of the picture, wherever that hangs: in the gradient.
            const QPointF middle = paneAt(0)->pictureAt(QPointF(paneAt(0)->rect().center()));
            const double zoom = session()->viewing().viewport().zoom;
            const int side = int(80 * zoom), left = paneAt(0)->width() / 2 + int((450 - middle.x()) * zoom) - side / 2, top = paneAt(0)->height() / 2 + int((105 - middle.y()) * zoom) - side / 2;
            double sum = 0, squares = 0;
            int n = 0;
            for (int y = top; y < top + side; ++y)
                for (int x = left; x < left + side; ++x) {
                    const double d = qGreen(screen.pixel(x, y)) - qGreen(screen.pixel(x + 4, y)); // demosaicing makes nearer ones alike
                    sum += d;
                    squares += d * d;
                    ++n;
                }
            return std::sqrt(squares / n - sum * sum / n / n);
        };
        session()->viewing().setViewport({0.25, {0.5, 0.0}});
        settle();
        const double quarter = spread();
        session()->viewing().setViewport({1, {0.5, 0.0}});
        settle();
        QVERIFY2(quarter < 0.75 * spread(), qPrintable(QStringLiteral("%1 against %2").arg(quarter).arg(spread())));
        // From between the rungs, wheel and keys find the ladder again.
        session()->viewing().setViewport({0.37, {0.5, 0.5}});
        m_window->wall()->zoomBy(1);
        QCOMPARE(session()->viewing().viewport().zoom, 0.5);
        session()->viewing().setViewport({0.37, {0.5, 0.5}});
        m_window->wall()->zoomBy(-1);
        QCOMPARE(session()->viewing().viewport().zoom, 0.0);
    }

    void recipesAreSavedAndApplied()
    {
        QVERIFY(m_window->recipes()->save({"Quiet", {"dct", 0.55, 1.15}}).ok());
        const QMenu *menu = m_window->recipeMenus()->toTrial;
        QAction *quiet = nullptr;
        for (QAction *a : menu->actions())
            if (a->text().startsWith("Quiet"))
                quiet = a;
        QVERIFY(quiet);
        QTest::keyClick(m_window.get(), Qt::Key_C);
        quiet->trigger();
        QVERIFY(session()->roll().frame(0).trials[2] == (Treatment{"dct", 0.55, 1.15}));
        QCOMPARE(session()->editing().undoStack()->undoText(), QStringLiteral("recipe Quiet on C"));
        QVERIFY(m_window->recipes()->remove("Quiet").ok());
    }

    void theComparisonIsWrittenWithItsWords()
    {
        const QImage sheet = m_window->comparisonPicture();
        const QImage shown = paneAt(1)->image().image;
        QVERIFY(sheet.width() >= 4 * 2 * shown.width()); // four columns at 200 %
        QVERIFY(sheet.height() > 2 * shown.height() + 60);
        session()->viewing().setPushEv(2);
        settle();
        QVERIFY(m_window->comparisonPicture() != sheet);
        session()->viewing().setPushEv(0);
        settle();
    }

    void aQuickTrialIsSettledSoonAfterItsSliderMoves()
    {
        // Not a timed test: what is asked for is that intermediate answers come while it is dragged, and that the last one is final.
        session()->editing().changeMethod(0, "wavelet", {});
        settle();
        const LivePane *pane = paneAt(1);
        QSignalSpy states(pane, &LivePane::stateChanged);
        for (int i = 0; i < 10; ++i) {
            session()->editing().changeParam(0, kLuminanceParam, 0.33 + 0.1 * i, 99);
            QVERIFY2(!pane->isSettled(), "a changed pane must not say that it is settled");
            QTest::qWait(15);
        }
        settle();
        const RollFrame &f = session()->roll().frame(0);
        const QRect r = pane->image().region;
        const auto rgb = encoded8(developRegion(Cleaner(f.frame, f.noise, f.trials[0]), Rect{r.x(), r.y(), r.width(), r.height()}.movedBy(f.frame->crop.x, f.frame->crop.y), {}, nullptr, {}).value());
        const QImage meant(rgb.samples.data(), rgb.size.width, rgb.size.height, 3 * rgb.size.width, QImage::Format_RGB888);
        QCOMPARE(pane->image().image, meant.convertToFormat(pane->image().image.format()));
    }

    void everyViewsControlsHaveNames()
    {
        for (QWidget *view : {static_cast<QWidget *>(m_window->stripView()), static_cast<QWidget *>(m_window->loupe()), static_cast<QWidget *>(m_window->blindView()), static_cast<QWidget *>(m_window->readingsPanel())})
            for (const QAbstractButton *b : view->findChildren<QAbstractButton *>())
                if (b->inherits("QPushButton"))
                    QVERIFY2(!b->text().isEmpty() || !b->accessibleName().isEmpty() || !b->isVisible(), qPrintable(b->objectName()));
        for (const QComboBox *box : m_window->findChildren<QComboBox *>())
            QVERIFY2(!box->accessibleName().isEmpty() || box->objectName() == "blindOver", qPrintable(box->objectName()));
    }

private:
    Session *session() { return m_window->session(); }
    LivePane *paneAt(int c) { return m_window->wall()->findChild<LivePane *>(QStringLiteral("pane-%1").arg(c)); }
    QToolButton *tab(int spot) { return m_window->findChild<QToolButton *>(QStringLiteral("spot-%1").arg(spot + 1)); }
    QAction *action(const char *name) { return m_window->findChild<QAction *>(QLatin1String(name)); }
    void trigger(const char *name) { action(name)->trigger(); }
    void settle() { QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs); }
    QTemporaryDir m_dir;
    std::unique_ptr<MainWindow> m_window;
};

QTEST_MAIN(BoothTest)
#include "booth_test.moc"

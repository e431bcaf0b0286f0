// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/regions_panel.h"
#include "panels/roll_panel.h"
#include "support/windows.h"
#include "view/paper_style.h"

#include <QAbstractSpinBox>
#include <QApplication>
#include <QComboBox>
#include <QDialog>
#include <QPushButton>
#include <QScrollBar>
#include <QSlider>
#include <QTemporaryDir>

using namespace irenic;
using namespace irenic::test;

/// Panels as cards in the tray at the left: what they leave of the wall, how they come, stay and go, and what they look like.
class CardsTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        startAfresh();
        QVERIFY(writeFrame(m_dir.filePath("first.dng")));
    }

    void init()
    {
        m_window = shownWindow();
        QVERIFY(m_window);
        QVERIFY(hang(m_window.get(), {m_dir.filePath("first.dng")}));
    }
    void cleanup() { m_window.reset(); }

    void everyTrialStaysInViewBesideACard_data()
    {
        QTest::addColumn<QString>("card");
        for (const char *card : {"readings", "histogram", "shooting", "history", "rendering", "queue", "regions", "lens"})
            QTest::newRow(card) << QString::fromLatin1(card);
    }
    void everyTrialStaysInViewBesideACard()
    {
        QFETCH(QString, card);
        m_window->session()->editing().addTrial({"wavelet", 0.5, 0.5});
        QCOMPARE(m_window->wall()->columnCount(), 5);                 // untreated and four trials
        m_window->regionsPanel()->addRegion(MaskPart::Kind::Painted); // with all that can be said of one
        Card *shown = m_window->card(qPrintable(card));
        shown->bringUp();
        QTRY_VERIFY_WITH_TIMEOUT(m_window->rollPanel()->isNarrow(), kPatienceMs);
        settle();
        for (const QWidget *w : shown->findChildren<QWidget *>())
            if (w->isVisible() && (qobject_cast<const QAbstractButton *>(w) || qobject_cast<const QAbstractSpinBox *>(w) || qobject_cast<const QComboBox *>(w)))
                QVERIFY2(w->mapTo(shown, QPoint()).x() >= 0 && w->mapTo(shown, QPoint(w->width(), 0)).x() <= shown->width(), qPrintable(w->objectName()));
        for (int c = 0; c < 5; ++c)
            for (const QWidget *w : {static_cast<const QWidget *>(m_window->wall()->pane(c)), static_cast<const QWidget *>(m_window->wall()->strip(c))}) {
                QVERIFY2(w->visibleRegion().boundingRect() == w->rect(), qPrintable(QStringLiteral("column %1 of %2 px").arg(c).arg(w->width())));
                QVERIFY(w->width() >= Wall::kLeastColumnPx);
            }
        QCOMPARE(m_window->wall()->pane(1)->image().region, m_window->wall()->pane(4)->image().region);
        QCOMPARE(m_window->width(), 1280);
        m_window->card(qPrintable(card))->close();
        QTRY_VERIFY_WITH_TIMEOUT(!m_window->rollPanel()->isNarrow(), kPatienceMs);
    }

    void narrowStripsKeepTheirControls()
    {
        for (int i = 0; i < 2; ++i)
            m_window->session()->editing().addTrial({"wavelet", 0.5 + 0.1 * i, 0.5});
        m_window->card("rendering")->bringUp();
        settle();
        CaptionStrip *strip = m_window->wall()->strip(1);
        QTRY_VERIFY_WITH_TIMEOUT(strip->width() < 180, kPatienceMs);
        const auto shown = [&](const char *name) { return strip->findChild<QWidget *>(QLatin1String(name))->isVisible(); };
        for (const char *name : {"luminance", "luminanceValue", "colour", "keep", "method", "page-noise"})
            QVERIFY2(shown(name), name);
        QVERIFY(!shown("page-detail"));
        auto *page = strip->findChild<QPushButton *>("page-noise");
        QTest::mouseClick(page, Qt::LeftButton); // the next one
        QTRY_VERIFY_WITH_TIMEOUT(shown("page-detail") && shown("detail") && !shown("page-noise"), kPatienceMs);
        for (QWidget *w : strip->findChildren<QWidget *>())
            if (w->isVisible())
                QVERIFY2(strip->rect().contains(QRect(w->mapTo(strip, QPoint()), w->size())), qPrintable(w->objectName()));
    }

    void oneCardGivesWayUnlessItIsPinned()
    {
        Card *readings = m_window->card("readings"), *lens = m_window->card("lens"), *queue = m_window->card("queue");
        readings->bringUp();
        lens->bringUp();
        QVERIFY(!readings->isVisible() && lens->isVisible());
        QTest::mouseClick(lens->findChild<QPushButton *>("pin-lens"), Qt::LeftButton);
        QVERIFY(lens->isPinned());
        queue->bringUp();
        QVERIFY(lens->isVisible() && queue->isVisible());
        QTRY_VERIFY_WITH_TIMEOUT(lens->y() != queue->y(), kPatienceMs); // one over the other
        QCOMPARE(lens->x(), queue->x());
        // Folded, only the title is left, and the other card has the room.
        const int before = queue->height();
        QTest::mouseClick(lens->findChild<QPushButton *>("fold-lens"), Qt::LeftButton);
        QVERIFY(!lens->widget()->isVisible());
        QTRY_VERIFY_WITH_TIMEOUT(queue->height() > before && lens->height() < 60, kPatienceMs);
        // A floating card takes nothing from the wall, and displaces none.
        queue->setFloating(true);
        readings->bringUp();
        QVERIFY(queue->isVisible() && readings->isVisible());
        QTest::mouseClick(queue->findChild<QPushButton *>("close-queue"), Qt::LeftButton);
        QVERIFY(!queue->isVisible());
        queue->setFloating(false);
    }

    void theArrangementIsRemembered()
    {
        m_window->card("lens")->bringUp();
        m_window->card("lens")->setPinned(true);
        m_window->card("rendering")->bringUp();
        QVERIFY(m_window->close());
        m_window = shownWindow();
        QVERIFY(m_window->card("lens")->isVisible() && m_window->card("lens")->isPinned() && m_window->card("rendering")->isVisible());
        QVERIFY(m_window->rollPanel()->isNarrow());
        m_window->resetArrangement();
        for (const Card *card : m_window->cards())
            QVERIFY(!card->isVisible() && !card->isPinned());
        QVERIFY(!m_window->rollPanel()->isNarrow());
        QVERIFY(m_window->close());
    }

    /// Words on paper and on what is on, in cards, dialogs and menus, on every wall.
    void everythingOnPaperCanBeRead()
    {
        for (const auto wall : {Tones::Wall::Dim, Tones::Wall::Mid, Tones::Wall::Pale}) {
            m_window->setWallGrey(wall);
            m_window->card("regions")->bringUp();
            QDialog dialog(m_window.get());
            dialog.ensurePolished();
            for (const QWidget *w : {static_cast<QWidget *>(m_window->card("regions")->widget()), static_cast<QWidget *>(&dialog)}) {
                const QPalette p = w->palette();
                QCOMPARE(p.color(QPalette::Window), Tones::of(wall).paper);
                for (const auto &[ground, ink] : {std::pair{QPalette::Window, QPalette::WindowText}, {QPalette::Base, QPalette::Text}, {QPalette::Highlight, QPalette::HighlightedText}, {QPalette::Window, QPalette::PlaceholderText}})
                    QVERIFY(contrastOf(p.color(ground), p.color(ink)) >= 4.5);
            }
        }
        m_window->setWallGrey(Tones::Wall::Mid);
        m_window->card("regions")->hide();
    }

    /// What the style draws, held against what it says about places: a slider's handle can be taken hold of where it is seen.
    void slidersAreDrawnWhereTheyAreHeld()
    {
        QSlider slider(Qt::Horizontal);
        QPalette p = Tones::of(Tones::Wall::Mid).paperPalette();
        slider.setPalette(p);
        slider.setRange(0, 100);
        slider.resize(209, 24);
        QList<int> handles;
        for (const int value : {0, 50, 100}) {
            slider.setValue(value);
            const QImage seen = slider.grab().toImage().convertToFormat(QImage::Format_RGB32);
            const int y = 6; // above the line: the handle alone
            int from = -1, to = -1;
            for (int x = 0; x < seen.width(); ++x)
                if (qGray(seen.pixel(x, y)) < 120) {
                    from = from < 0 ? x : from;
                    to = x;
                }
            QVERIFY(from >= 0);
            handles << (from + to) / 2;
            QTest::mousePress(&slider, Qt::LeftButton, {}, {(from + to) / 2, y});
            QVERIFY(slider.isSliderDown());
            QTest::mouseRelease(&slider, Qt::LeftButton, {}, {(from + to) / 2, y});
            QCOMPARE(slider.value(), value);
        }
        QCOMPARE(handles, (QList<int>{4, 104, 204}));
        QScrollBar bar(Qt::Vertical);
        bar.setRange(0, 300);
        bar.setPageStep(100);
        bar.resize(9, 400);
        bar.show();
        QTest::mouseClick(&bar, Qt::LeftButton, {}, {4, 350}); // below the handle: a page on
        QCOMPARE(bar.value(), 100);
    }

private:
    void settle()
    {
        QVERIFY(QTest::qWaitFor([&] { return m_window->wall()->allSettled(); }, kPatienceMs));
    }

    QTemporaryDir m_dir;
    std::unique_ptr<MainWindow> m_window;
};

QTEST_MAIN(CardsTest)
#include "cards_test.moc"

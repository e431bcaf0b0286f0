// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/lens_panel.h"
#include "panels/regions_panel.h"
#include "panels/rendering_panel.h"
#include "support/frames.h"
#include "support/windows.h"
#include "view/strength_slider.h"
#include "view/tone_curve.h"
#include "window/actions.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDockWidget>
#include <QDoubleSpinBox>
#include <QMenu>
#include <QPushButton>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

/// Treatment to taste, as a photographer does it: pages of the strips, regions with a brush, lens corrections. Drives the real window.
class TasteWindowTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        startAfresh();
        ShootOptions o;
        o.iso = 6400;
        o.lateralRed = 2;
        QVERIFY(writeShot(file().toStdString(), shoot(makeScene({900, 700}), o).value(), o));
        // Discs, whose edges tell what the lens did.
        Scene discs = flatScene({900, 700}, 0.05f, 0.05f, 0.05f);
        for (int y = 0; y < 700; ++y)
            for (int x = 0; x < 900; ++x)
                if (std::hypot(x % 50 - 25, y % 50 - 25) < 9)
                    std::fill_n(discs.rgb.begin() + (y * 900 + x) * 3, 3, 0.5f);
        o.iso = 800;
        QVERIFY(writeShot(m_dir.filePath("discs.dng").toStdString(), shoot(discs, o).value(), o));
    }
    void init()
    {
        m_window = shownWindow();
        QVERIFY(m_window);
        QVERIFY(hang(m_window.get(), {file()}));
        settle();
    }
    void cleanup() { m_window.reset(); }

    void pagesTurnOnAllStripsAtOnce()
    {
        QVERIFY(slider(1, "luminance")->isVisible() && !slider(1, "detail")->isVisible());
        QTest::mouseClick(strip(2)->findChild<QPushButton *>("page-detail"), Qt::LeftButton);
        for (int c = 1; c <= 3; ++c) {
            QVERIFY(slider(c, "detail")->isVisible() && slider(c, "grain")->isVisible() && slider(c, "mix")->isVisible());
            QVERIFY(!slider(c, "luminance")->isVisible());
        }
        QTest::keyClick(m_window.get(), Qt::Key_F3);
        QVERIFY(strip(1)->findChild<ToneCurve *>()->isVisible() && slider(1, "blotches")->isVisible());
        QTest::keyClick(m_window.get(), Qt::Key_F3);
        QVERIFY(slider(3, "sharpen-radius")->isVisible());
        for (int c = 0; c <= 3; ++c) // strips line up
            QCOMPARE(strip(c)->height(), strip(1)->height());
        QTest::keyClick(m_window.get(), Qt::Key_F3);
        QVERIFY(slider(1, "luminance")->isVisible());
    }

    void everyTasteChangesItsTrialAloneInOneStep_data()
    {
        QTest::addColumn<int>("page");
        QTest::addColumn<QString>("name");
        QTest::newRow("detail") << int(CaptionStrip::Page::Detail) << "detail";
        QTest::newRow("grain") << int(CaptionStrip::Page::Detail) << "grain";
        QTest::newRow("mix") << int(CaptionStrip::Page::Detail) << "mix";
        QTest::newRow("sharpen") << int(CaptionStrip::Page::Sharpen) << "sharpen";
    }
    void everyTasteChangesItsTrialAloneInOneStep()
    {
        QFETCH(int, page);
        QFETCH(QString, name);
        m_window->wall()->setPage(CaptionStrip::Page(page));
        session()->viewing().setViewport({2, {0.5, 0.42}}); // texture and edges
        settle();
        const TreatmentParam &param = *findParam(name.toStdString());
        const QImage before = image(1), other = image(2);
        auto *s = slider(1, name);
        const int steps = session()->editing().undoStack()->count();
        QTest::mousePress(s, Qt::LeftButton, {}, {s->width() / 2, 10});
        for (int x = s->width() / 2; x > 24; x -= 5)
            QTest::mouseMove(s, {x, 10});
        QTest::mouseRelease(s, Qt::LeftButton, {}, {24, 10});
        const double value = session()->roll().frame(0).trials[0].taste.*param.taste;
        QVERIFY(value != param.info.suggested);
        QCOMPARE(strip(1)->findChild<QDoubleSpinBox *>(name + "Value")->value(), value);
        QCOMPARE(session()->editing().undoStack()->count(), steps + 1);
        settle();
        QVERIFY(image(1) != before);
        QCOMPARE(image(2), other);
        QVERIFY(!strip(1)->findChild<QPushButton *>("goBack")->isVisible()); // strengths are as suggested
        QTest::mouseDClick(s, Qt::LeftButton, {}, {24, 10});
        QCOMPARE(session()->roll().frame(0).trials[0].taste.*param.taste, param.info.suggested);
        settle();
        QCOMPARE(image(1), before);
    }

    void whatIsSparedIsShownWhileItsSliderIsHeld()
    {
        session()->editing().changeParam(1, *findParam("sharpen"), 1);
        m_window->wall()->setPage(CaptionStrip::Page::Sharpen);
        settle();
        const QImage before = image(2), other = image(1);
        auto *s = slider(2, "protect-smooth");
        QTest::mousePress(s, Qt::LeftButton, {}, {s->width() / 2, 10});
        QTest::mouseMove(s, {s->width() / 2 + 12, 10});
        settle();
        QCOMPARE(pane(2)->look().show, Show::Spared);
        QCOMPARE(pane(1)->look().show, Show::Picture);
        QVERIFY(image(2) != before);
        QCOMPARE(image(1), other);
        QTest::mouseRelease(s, Qt::LeftButton, {}, {s->width() / 2 + 12, 10});
        settle();
        QCOMPARE(pane(2)->look().show, Show::Picture);
        // By the keyboard: of every picture, for as long as V is down.
        const QImage picture = image(2);
        QTest::keyPress(m_window.get(), Qt::Key_V);
        settle();
        QVERIFY(image(2) != picture);
        QCOMPARE(image(1), other); // which is not sharpened
        QTest::keyRelease(m_window.get(), Qt::Key_V);
        settle();
        QCOMPARE(image(2), picture);
    }

    void blocksAreOfferedForJpegsAlone()
    {
        m_window->wall()->setPage(CaptionStrip::Page::Detail);
        QApplication::processEvents();
        QVERIFY(slider(1, "mix")->isVisible() && !slider(1, "blocks")->isVisible());
        const QString jpeg = m_dir.filePath("small.jpg");
        QVERIFY(image(1).save(jpeg, "JPG", 25));
        m_window->open({jpeg});
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(1).state, RollFrame::State::Ready, kPatienceMs);
        session()->viewing().setCurrent(1);
        settle();
        QVERIFY(slider(1, "blocks")->isVisible());
        for (int c = 0; c <= 3; ++c)
            QCOMPARE(strip(c)->height(), strip(1)->height());
        const QImage before = image(1);
        strip(1)->findChild<QDoubleSpinBox *>("blocksValue")->setValue(1);
        settle();
        QVERIFY(image(1) != before);
        QCOMPARE(session()->roll().frame(1).trials[0].taste.blocks, 1.0);
    }

    /// The networks know mosaics alone: they are no choice for a finished picture, unless a recipe made it.
    void finishedPicturesAreOfferedWhatIsTheirOwn()
    {
        const QString png = m_dir.filePath("finished.png");
        QVERIFY(image(1).save(png));
        m_window->open({png});
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(1).state, RollFrame::State::Ready, kPatienceMs);
        const auto offered = [&] {
            QMenu *menu = strip(1)->findChild<QPushButton *>("method")->menu();
            emit menu->aboutToShow();
            QStringList words;
            for (const QAction *a : menu->actions())
                words << a->text().section('\t', 0, 0);
            return words;
        };
        QVERIFY(offered().contains("Residual U-Net"));
        session()->viewing().setCurrent(1);
        settle();
        QVERIFY(offered().contains("BM3D") && !offered().contains("Residual U-Net") && !offered().contains("U-Net self-ensemble"));
        session()->viewing().setColumn(1);
        QSet<QString> met;
        for (int i = 0; i < 8; ++i) {
            m_window->findChild<QAction *>("nextMethod")->trigger();
            met += QString::fromStdString(session()->roll().frame(1).trials[0].method);
        }
        QCOMPARE(met, (QSet<QString>{"wavelet", "dct", "nlm", "bm3d", "unet-colour"}));
        m_window->findChild<QAction *>("methodRing")->trigger();
        QCOMPARE(m_window->stripView()->columnCount(), 5);
        m_window->showView(MainWindow::View::Wall);
        session()->editing().changeMethod(0, "unet", {});
        QVERIFY(offered().contains("Residual U-Net") && !offered().contains("U-Net self-ensemble"));
        settle();
    }

    void theCurveWeighsTones()
    {
        m_window->wall()->setPage(CaptionStrip::Page::Tones);
        QApplication::processEvents();
        auto *curve = strip(2)->findChild<ToneCurve *>();
        const TreatmentParam &lights = *findParam("luminance-lights"), &shadows = *findParam("colour-shadows");
        const QPoint from = curve->handleAt(lights).toPoint();
        QTest::mousePress(curve, Qt::LeftButton, {}, from);
        for (int y = from.y(); y < curve->height() - 15; y += 3)
            QTest::mouseMove(curve, {from.x(), y});
        QTest::mouseRelease(curve, Qt::LeftButton, {}, {from.x(), curve->height() - 15});
        QVERIFY(session()->roll().frame(0).trials[1].taste.luminanceLights < 0.2);
        QCOMPARE(session()->roll().frame(0).trials[1].taste.colourLights, 1.0);
        QTest::mouseDClick(curve, Qt::LeftButton, {}, curve->handleAt(lights).toPoint());
        QCOMPARE(session()->roll().frame(0).trials[1].taste.luminanceLights, 1.0);
        curve->setFocus(); // and without a mouse
        for (int i = 0; i < 6 && session()->roll().frame(0).trials[1].taste.*shadows.taste == 1; ++i) {
            QTest::keyClick(curve, Qt::Key_Right);
            if (curve->accessibleDescription().startsWith("colour, shadows"))
                QTest::keyClick(curve, Qt::Key_Plus);
        }
        QCOMPARE(session()->roll().frame(0).trials[1].taste.*shadows.taste, 1.05);
    }

    void aBrushPaintsARegionStrokeByStroke()
    {
        openRegions();
        settle();
        const QImage before = image(1);
        trigger("paint");
        QCOMPARE(session()->roll().frame(0).regions->size(), size_t(1));
        QCOMPARE(m_window->wall()->tool(), PaneTool::Brush);
        regions()->setBrush(10, 0.8, 1);
        drag(1, {60, 60}, {140, 60});
        drag(1, {60, 160}, {140, 160});
        const auto strokes = [&] { return session()->roll().frame(0).regions->front().parts[0].strokes.size(); };
        QCOMPARE(strokes(), size_t(2));
        m_window->regionsPanel()->findChild<QDoubleSpinBox *>("luminance")->setValue(0);
        m_window->regionsPanel()->findChild<QDoubleSpinBox *>("colour")->setValue(0);
        settle();
        QVERIFY(!pane(1)->overlay().image.isNull());
        // Where it was painted, the untreated pixels are back; elsewhere nothing changed.
        const QPoint inside = imagePoint(1, {100, 60}), outside = imagePoint(1, {100, 110});
        QCOMPARE(image(1).pixel(inside), image(0).pixel(inside));
        QCOMPARE(image(1).pixel(outside), before.pixel(outside));
        QVERIFY(image(1).pixel(inside) != before.pixel(inside));
        trigger("useRegions"); // of the trial with the keyboard
        settle();
        QCOMPARE(image(1), before);
        trigger("undo");
        trigger("undo");
        trigger("undo");
        trigger("undo");
        QCOMPARE(strokes(), size_t(1));
        trigger("erase");
        drag(1, {100, 60}, {110, 60});
        QCOMPARE(strokes(), size_t(2));
        QVERIFY(session()->roll().frame(0).regions->front().parts[0].strokes[1].erases);
        m_window->regionsPanel()->findChild<QPushButton *>("clearPart")->click();
        QCOMPARE(strokes(), size_t(0));
        m_window->card("regions")->hide();
        QCOMPARE(m_window->wall()->tool(), PaneTool::Move);
        QVERIFY(pane(1)->overlay().image.isNull());
    }

    void partsAreAddedJoinedInvertedAndRemoved()
    {
        openRegions();
        regions()->addRegion(MaskPart::Kind::Gradient);
        QCOMPARE(m_window->wall()->tool(), PaneTool::Line);
        drag(1, {50, 40}, {50, 160});
        const MaskPart &line = session()->roll().frame(0).regions->front().parts[0];
        QVERIFY(std::abs(line.from.x - line.to.x) < 1 && std::abs(line.to.y - line.from.y - 60) < 2); // at 200 %
        regions()->addPart(MaskPart::Kind::Brightness, MaskPart::Joins::Limits);
        QCOMPARE(session()->roll().frame(0).regions->front().parts.size(), size_t(2));
        auto *joins = regions()->findChild<QComboBox *>("joins");
        QCOMPARE(joins->currentText(), QStringLiteral("limits"));
        regions()->findChild<QCheckBox *>("inverted")->click();
        QVERIFY(session()->roll().frame(0).regions->front().inverted);
        regions()->findChild<QDoubleSpinBox *>("to")->setValue(-4);
        QCOMPARE(session()->roll().frame(0).regions->front().parts[1].high, -4.f);
        regions()->removePart();
        QCOMPARE(session()->roll().frame(0).regions->front().parts.size(), size_t(1));
        regions()->addRegion(MaskPart::Kind::Sharpness);
        QCOMPARE(regions()->region(), 1);
        regions()->removeRegion();
        QCOMPARE(session()->roll().frame(0).regions->size(), size_t(1));
        for (int i = 0; i < 20; ++i)
            regions()->addRegion(MaskPart::Kind::Texture);
        QCOMPARE(session()->roll().frame(0).regions->size(), kMostRegions);
    }

    void aGreyIsPickedBesideAGradientAndABrush()
    {
        openRegions();
        regions()->addRegion(MaskPart::Kind::Gradient);
        Wall *wall = m_window->wall();
        RenderingPanel *rendering = m_window->renderingPanel();
        const auto regionsNow = [&] { return *session()->roll().frame(0).regions; };
        rendering->setPicking(true);
        emit session()->roll().frameChanged(0); // whatever is shown anew, the gradient's line waits
        QCOMPARE(wall->tool(), PaneTool::Pick);
        const auto before = regionsNow();
        QTest::mouseClick(const_cast<LivePane *>(pane(0)), Qt::LeftButton, {}, QPoint(60, 60));
        QVERIFY(!rendering->isPicking());
        QCOMPARE(wall->tool(), PaneTool::Line);
        QVERIFY(regionsNow() == before);

        rendering->setPicking(true);
        regions()->addPart(MaskPart::Kind::Colour, MaskPart::Joins::Adds); // asked for later
        QVERIFY(wall->hasTool(regions()->tool()) && !rendering->isPicking());
        const Rendering look = session()->viewing().readyFrame()->rendering;
        QTest::mouseClick(const_cast<LivePane *>(pane(0)), Qt::LeftButton, {}, QPoint(80, 60));
        QVERIFY(session()->viewing().readyFrame()->rendering == look);
        QCOMPARE(wall->tool(), PaneTool::Move);
    }

    void theMaskIsShownAsAskedFor()
    {
        openRegions();
        regions()->addRegion(MaskPart::Kind::Gradient);
        settle();
        QTRY_VERIFY_WITH_TIMEOUT(!pane(0)->overlay().image.isNull(), kPatienceMs);
        QVERIFY(pane(0)->overlay().image.hasAlphaChannel());
        auto *shown = regions()->findChild<QComboBox *>("maskShown");
        shown->setCurrentIndex(2);
        emit shown->activated(2);
        QTRY_VERIFY_WITH_TIMEOUT(!pane(0)->overlay().image.hasAlphaChannel(), kPatienceMs);
        emit shown->activated(0);
        QTRY_VERIFY_WITH_TIMEOUT(pane(0)->overlay().image.isNull(), kPatienceMs);
    }

    void theLensIsCorrectedMeasuredAndUndone()
    {
        m_window->card("lens")->show();
        LensPanel *lens = m_window->lensPanel();
        settle();
        const QImage before = image(1);
        QVERIFY(!lens->findChild<QCheckBox *>("distortion")->isChecked());
        lens->findChild<QDoubleSpinBox *>("bend")->setValue(-4);
        QVERIFY(session()->roll().frame(0).lens.distortion);
        settle();
        QVERIFY(image(1) != before);
        trigger("undo");
        settle();
        QCOMPARE(image(1), before);
        lens->findChild<QDoubleSpinBox *>("fringes")->setValue(80);
        QCOMPARE(session()->roll().frame(0).lens.fringes, 0.8);
        settle();
        QVERIFY(image(1) != before);
        trigger("undo");
        QCOMPARE(session()->roll().frame(0).lens.fringes, 0.0);
        m_window->open({m_dir.filePath("discs.dng")});
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(1).state, RollFrame::State::Ready, kPatienceMs);
        session()->viewing().setCurrent(1);
        QSignalSpy measured(lens, &LensPanel::measured);
        lens->measure();
        QTRY_COMPARE_WITH_TIMEOUT(measured.count(), 1, kPatienceMs);
        QVERIFY(session()->roll().frame(1).lens.lateral);
        const double corner = session()->roll().frame(1).lens.red[0] + session()->roll().frame(1).lens.red[2] - 1;
        QVERIFY2(std::abs(corner - 0.002) < 0.0008, qPrintable(QString::number(corner)));
        lens->findChild<QPushButton *>("lensOff")->click();
        QVERIFY(session()->roll().frame(1).lens == LensCorrection());
    }

    void aSessionKeepsItAll()
    {
        session()->editing().changeParam(0, *findParam("grain"), 0.35);
        regions()->addRegion(MaskPart::Kind::Painted);
        LensCorrection l;
        l.vignetting = true;
        l.falloff = {-0.3, 0, 0};
        session()->editing().changeLens(l, {});
        session()->editing().useRegions(1, false);
        const Choices was = session()->roll().frame(0);
        QFile kept(m_dir.filePath("kept.irenic-session.json"));
        QVERIFY(kept.open(QIODevice::WriteOnly));
        kept.write(QByteArray::fromStdString(sessionText(session()->saved(m_dir.path()))));
        kept.close();
        m_window.reset();
        m_window = shownWindow();
        m_window->openSession(kept.fileName());
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().count() > 0 ? session()->roll().frame(0).state : RollFrame::State::Reading, RollFrame::State::Ready, kPatienceMs);
        QVERIFY(session()->roll().frame(0).trials == was.trials);
        QVERIFY(session()->roll().frame(0).regions == was.regions);
        QVERIFY(session()->roll().frame(0).lens == was.lens);
        QVERIFY(session()->roll().frame(0).regionSet);
    }

private:
    QString file() const { return m_dir.filePath("frame.dng"); }
    Session *session() { return m_window->session(); }
    RegionsPanel *regions() { return m_window->regionsPanel(); }
    CaptionStrip *strip(int column) { return m_window->wall()->strip(column); }
    StrengthSlider *slider(int column, const QString &name) { return strip(column)->findChild<StrengthSlider *>(name); }
    LivePane *pane(int column) { return m_window->findChild<LivePane *>(QStringLiteral("pane-%1").arg(column)); }
    QImage image(int column) { return pane(column)->image().image; }
    void trigger(const char *name) { m_window->findChild<QAction *>(name)->trigger(); }
    void openRegions()
    {
        m_window->card("regions")->show();
        m_window->card("regions")->raise();
        session()->viewing().setColumn(1);
        QApplication::processEvents();
        settle();
    }
    void settle()
    {
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled() && m_window->regionsPanel()->isIdle(), kPatienceMs);
    }
    void drag(int column, QPoint from, QPoint to)
    {
        LivePane *p = pane(column);
        QTest::mousePress(p, Qt::LeftButton, {}, from);
        for (int i = 1; i <= 8; ++i)
            QTest::mouseMove(p, from + (to - from) * i / 8);
        QTest::mouseRelease(p, Qt::LeftButton, {}, to);
    }
    QPoint imagePoint(int column, QPoint widgetPoint)
    {
        const QPointF at = pane(column)->pictureAt(widgetPoint) - pane(column)->image().region.topLeft();
        return {int(at.x()), int(at.y())};
    }

    QTemporaryDir m_dir;
    std::unique_ptr<MainWindow> m_window;
};

QTEST_MAIN(TasteWindowTest)
#include "taste_window_test.moc"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/measure_noise.h"
#include "irenic/read_frame.h"
#include "panels/export_dialog.h"
#include "panels/roll_panel.h"
#include "support/frames.h"
#include "support/windows.h"
#include "view/strength_slider.h"

#include <libraw/libraw.h>

#include <QCheckBox>
#include <QDialogButtonBox>
#include <QDir>
#include <QDoubleSpinBox>
#include <QDragEnterEvent>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QMimeData>
#include <QPushButton>
#include <QRadioButton>
#include <QTemporaryDir>
#include <QTest>
#include <QTreeWidget>
#include <QTreeWidgetItemIterator>

#include <sys/resource.h>

using namespace irenic;
using namespace irenic::test;

namespace {

double processorSeconds()
{
    rusage u{};
    getrusage(RUSAGE_SELF, &u);
    return double(u.ru_utime.tv_sec + u.ru_stime.tv_sec) + double(u.ru_utime.tv_usec + u.ru_stime.tv_usec) * 1e-6;
}

} // namespace

/// Drives the real window with mouse and keys, on whatever platform Qt was started on.
class MainWindowTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        startAfresh();
        ShootOptions o;
        o.iso = 6400;
        const auto first = shoot(makeScene({900, 700}), o);
        QVERIFY(writeShot(m_dir.filePath("first.dng").toStdString(), first.value(), o));
        o.orientation = 6;
        o.cfa = *CfaPattern::fromName("BGGR");
        QVERIFY(writeShot(m_dir.filePath("second.dng").toStdString(), shoot(makeScene({600, 500}), o).value(), o));
        QFile bad(m_dir.filePath("bad.dng"));
        QVERIFY(bad.open(QIODevice::WriteOnly) && bad.write("words") == 5);
    }

    void init()
    {
        m_window = shownWindow();
        QVERIFY(m_window);
        session()->viewing().setPushEv(0);
    }
    void cleanup() { m_window.reset(); }

    void anEmptyWindowSaysWhatToDo()
    {
        QVERIFY(m_window->findChild<QWidget *>("emptyPage")->isVisible());
        QVERIFY(!m_window->wall()->isVisible());
        QVERIFY(!m_window->findChild<QAction *>("export")->isEnabled());
    }

    void droppedFoldersAndFilesOpen()
    {
        QMimeData mime;
        mime.setUrls({QUrl::fromLocalFile(m_dir.path())});
        QDragEnterEvent enter(QPoint(50, 50), Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(m_window.get(), &enter);
        QVERIFY(enter.isAccepted());
        QDropEvent drop(QPointF(50, 50), Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(m_window.get(), &drop);
        QCOMPARE(session()->roll().count(), 3); // bad, first, second
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(2).state, RollFrame::State::Ready, kPatienceMs);
        QCOMPARE(session()->roll().frame(0).state, RollFrame::State::Failed);
        QVERIFY(session()->roll().frame(0).problem.contains("bad.dng"));
        QVERIFY(session()->roll().frame(1).thumbnail.width() > 100);
        // The frame that failed does not stand in the way of the others.
        QTest::keyClick(m_window.get(), Qt::Key_Down);
        QCOMPARE(session()->viewing().current(), 1);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        QTest::keyClick(m_window.get(), Qt::Key_PageDown);
        QCOMPARE(session()->viewing().current(), 2);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        QCOMPARE(m_window->wall()->pane(1)->image().region, QRect(0, 0, 500, 600)); // hangs upright
    }

    void framesLeaveTheRollAndComeBack()
    {
        m_window->open({m_dir.path()});
        for (int i = 1; i < 3; ++i)
            QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(i).state, RollFrame::State::Ready, kPatienceMs);
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(0).state, RollFrame::State::Failed, kPatienceMs);
        auto *roll = m_window->findChild<RollPanel *>("roll");
        QTest::keyClick(m_window.get(), Qt::Key_Delete, Qt::ControlModifier); // one that failed can go, too
        QCOMPARE(session()->viewing().currentFrame()->name(), QStringLiteral("first"));
        QCOMPARE(roll->model()->rowCount(), 2);
        QCOMPARE(roll->currentIndex().row(), 0);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        QTest::keyClick(m_window.get(), Qt::Key_Delete, Qt::ControlModifier);
        QTest::keyClick(m_window.get(), Qt::Key_Delete, Qt::ControlModifier);
        QCOMPARE(session()->roll().count(), 0);
        QVERIFY(m_window->findChild<QWidget *>("emptyPage")->isVisible());
        QVERIFY(!m_window->findChild<QAction *>("takeOff")->isEnabled() && !m_window->findChild<QAction *>("export")->isEnabled());
        QVERIFY(QFile::exists(m_dir.filePath("first.dng")));

        QTest::keyClick(m_window.get(), Qt::Key_Z, Qt::ControlModifier);
        QTest::keyClick(m_window.get(), Qt::Key_Z, Qt::ControlModifier);
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(0).state, RollFrame::State::Ready, kPatienceMs);
        QCOMPARE(session()->viewing().currentFrame()->name(), QStringLiteral("first"));
        QCOMPARE(roll->currentIndex().row(), 0);
        QVERIFY(m_window->wall()->isVisible());
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        QVERIFY(m_window->wall()->pane(1)->hasImage());
    }

    void untreatedPixelsHangBeforeTheNoiseIsMeasured()
    {
        // The session is told step by step what the reader finds; nothing else is waited for.
        const QString path = m_dir.filePath("first.dng");
        session()->addPaths({path});
        const auto frame = readFrame(path.toStdString()).take();
        session()->roll().setOpened(path, frame);
        QCOMPARE(session()->roll().frame(0).state, RollFrame::State::Reading);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->isSettled(0), kPatienceMs);
        QVERIFY(pane(0)->hasImage() && !pane(1)->hasImage());
        QVERIFY(!m_window->wall()->isSettled(1));
        QVERIFY(!m_window->findChild<QAction *>("export")->isEnabled());
        const qint64 shown = pane(0)->image().image.cacheKey();
        session()->roll().setReadingDone(path, frame, std::make_shared<const NoiseReport>(measureNoise(*frame).take()), QImage(30, 20, QImage::Format_RGB32));
        QCOMPARE(pane(0)->image().image.cacheKey(), shown); // it stays while the trials come
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        QCOMPARE(pane(0)->image().image.cacheKey(), shown);
        QVERIFY(pane(3)->hasImage());
    }

    void panesMoveAndMagnifyTogether()
    {
        openFirst();
        QTest::keyClick(m_window.get(), Qt::Key_2, Qt::ControlModifier);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        const QRect before = m_window->wall()->visibleRegion();
        for (int c = 0; c < m_window->wall()->columnCount(); ++c)
            QCOMPARE(pane(c)->image().region, before);
        QTest::mousePress(pane(2), Qt::LeftButton, {}, {100, 100});
        QTest::mouseMove(pane(2), {140, 60});
        QTest::mouseRelease(pane(2), Qt::LeftButton, {}, {140, 60});
        const QRect after = m_window->wall()->visibleRegion();
        QCOMPARE(after.topLeft(), before.topLeft() + QPoint(-20, 20)); // 40 screen pixels are 20 picture pixels at 200 %
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        for (int c = 0; c < m_window->wall()->columnCount(); ++c)
            QCOMPARE(pane(c)->image().region, after);
    }

    void theWheelKeepsThePlaceUnderThePointer()
    {
        openFirst();
        session()->viewing().setViewport({1, {0.5, 0.5}});
        const QPointF at(70, 200), place = pane(1)->pictureAt(at);
        QWheelEvent wheel(at, pane(1)->mapToGlobal(at), {}, {0, 240}, Qt::NoButton, Qt::NoModifier, Qt::NoScrollPhase, false);
        QApplication::sendEvent(pane(1), &wheel);
        QCOMPARE(session()->viewing().viewport().zoom, 3.0);
        const QPointF now = pane(1)->pictureAt(at);
        QVERIFY2((now - place).manhattanLength() <= 1.0, "within a pixel: pictures lie on whole screen pixels");
    }

    void aPixelIsASquareOfItsOwnColour()
    {
        openFirst();
        session()->viewing().setViewport({4, {0.3, 0.4}});
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        const QImage screen = pane(1)->grab().toImage();
        const PaneImage &shown = pane(1)->image();
        const QPointF corner = pane(1)->pictureAt({0, 0});
        for (const QPoint p : {QPoint(3, 5), QPoint(101, 77), QPoint(200, 301)}) {
            const double dpr = pane(1)->devicePixelRatioF();
            const QPoint picture(int(std::floor(corner.x() + p.x() * dpr / 4)), int(std::floor(corner.y() + p.y() * dpr / 4)));
            QCOMPARE(QColor(screen.pixel(p * int(dpr))).rgb(), QColor(shown.image.pixel(picture - shown.region.topLeft())).rgb());
        }
    }

    void holdingSpaceShowsTheUntreatedPixels()
    {
        openFirst();
        session()->viewing().setViewport({2, {0.5, 0.2}});
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        m_window->setFocus();
        const QImage treated = pane(2)->grab().toImage(), untreated = pane(0)->grab().toImage();
        QVERIFY(treated != untreated);
        QTest::keyPress(m_window.get(), Qt::Key_Space);
        QCOMPARE(pane(2)->grab().toImage(), untreated);
        QCOMPARE(pane(3)->grab().toImage(), untreated);
        QTest::keyRelease(m_window.get(), Qt::Key_Space);
        QCOMPARE(pane(2)->grab().toImage(), treated);
        QTest::keyClick(m_window.get(), Qt::Key_Space, Qt::ShiftModifier); // the toggle of the pair
        QCOMPARE(pane(1)->grab().toImage(), untreated);
        QTest::keyClick(m_window.get(), Qt::Key_Space, Qt::ShiftModifier);
        QCOMPARE(pane(2)->grab().toImage(), treated);
    }

    void aSliderChangesItsTrialAndNoOther()
    {
        openFirst();
        session()->viewing().setViewport({2, {0.5, 0.2}});
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        const QImage a = pane(1)->image().image, b = pane(2)->image().image;
        auto *slider = m_window->wall()->strip(2)->findChild<StrengthSlider *>("luminance");
        auto *field = m_window->wall()->strip(2)->findChild<QDoubleSpinBox *>("luminanceValue");
        auto *goBack = m_window->wall()->strip(2)->findChild<QPushButton *>("goBack");
        QVERIFY(!goBack->isVisible());
        const int steps = session()->editing().undoStack()->count();
        QTest::mousePress(slider, Qt::LeftButton, {}, {slider->width() / 2, 10});
        for (int x = slider->width() / 2; x < slider->width() - 8; x += 6)
            QTest::mouseMove(slider, {x, 10});
        QVERIFY2(!m_window->wall()->isSettled(2), "a changed pane must not say that it is settled");
        QVERIFY(!m_window->wall()->strip(2)->status().startsWith("settled"));
        QTest::mouseRelease(slider, Qt::LeftButton, {}, {slider->width() - 8, 10});
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        QVERIFY(m_window->wall()->strip(2)->status().startsWith("settled"));
        QVERIFY(session()->roll().frame(0).trials[1].luminance > 2);
        QCOMPARE(field->value(), session()->roll().frame(0).trials[1].luminance);
        QCOMPARE(session()->editing().undoStack()->count(), steps + 1); // one drag, one step
        QCOMPARE(pane(1)->image().image, a);
        QVERIFY(pane(2)->image().image != b);
        QVERIFY(goBack->isVisible());
        QTest::mouseClick(goBack, Qt::LeftButton);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        QCOMPARE(pane(2)->image().image, b);
        QVERIFY(!goBack->isVisible());
        QTest::keyClick(m_window.get(), Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(session()->roll().frame(0).trials[1].luminance > 2);
        QTest::mouseDClick(slider, Qt::LeftButton, {}, {slider->width() - 8, 10});
        QVERIFY(!session()->roll().frame(0).hasLeftSuggestion(1));
        field->setFocus();
        field->setValue(0.35); // typed
        QCOMPARE(session()->roll().frame(0).trials[1].luminance, 0.35);
    }

    void theKeyboardDoesItAll()
    {
        openFirst();
        QTest::keyClick(m_window.get(), Qt::Key_C);
        QCOMPARE(session()->viewing().column(), 3);
        QTest::keyClick(m_window.get(), Qt::Key_Left);
        QCOMPARE(session()->viewing().column(), 2);
        QTest::keyClick(m_window.get(), Qt::Key_K);
        QCOMPARE(session()->roll().frame(0).keeper, 1);
        QCOMPARE(m_window->wall()->strip(2)->findChild<QPushButton *>("keep")->text(), QStringLiteral("Keeper"));
        const double before = session()->roll().frame(0).trials[1].colour;
        QTest::keyClick(m_window.get(), Qt::Key_Up, Qt::ControlModifier);
        QCOMPARE(session()->roll().frame(0).trials[1].colour, before + 0.05);
        QTest::keyClick(m_window.get(), Qt::Key_P);
        QCOMPARE(session()->viewing().pushEv(), 0.5);
        QTest::keyClick(m_window.get(), Qt::Key_P, Qt::ShiftModifier);
        QTest::keyClick(m_window.get(), Qt::Key_4, Qt::ControlModifier);
        QCOMPARE(session()->viewing().viewport().zoom, 4.0);
        const QRect seen = m_window->wall()->visibleRegion();
        QTest::keyClick(m_window.get(), Qt::Key_Right, Qt::ShiftModifier);
        QVERIFY(m_window->wall()->visibleRegion().x() > seen.x());
        QTest::keyClick(m_window.get(), Qt::Key_0, Qt::ControlModifier);
        QCOMPARE(session()->viewing().viewport().zoom, 0.0);
    }

    void everyControlHasANameAndEveryKeyIsListed()
    {
        openFirst();
        for (QWidget *w : m_window->wall()->findChildren<QWidget *>()) {
            const bool control = qobject_cast<QAbstractSlider *>(w) || qobject_cast<QAbstractSpinBox *>(w) || qobject_cast<QAbstractButton *>(w);
            if (control)
                QVERIFY2(!w->accessibleName().isEmpty(), qPrintable(w->objectName()));
        }
        m_window->showCommands();
        auto *page = m_window->findChild<QDialog *>("commandSearch");
        auto *list = page->findChild<QTreeWidget *>();
        QSet<QString> listed;
        for (QTreeWidgetItemIterator it(list); *it; ++it)
            listed.insert((*it)->text(0));
        for (const QAction *a : m_window->actions())
            if (!a->shortcuts().isEmpty()) {
                QString text = a->text();
                QVERIFY2(listed.contains(text.remove(u'&')), qPrintable(text));
            }
        // No key twice: the second would be dead.
        QSet<QString> keys;
        for (const QAction *a : m_window->actions())
            for (const QKeySequence &k : a->shortcuts()) {
                QVERIFY2(!keys.contains(k.toString()), qPrintable(k.toString()));
                keys.insert(k.toString());
            }
        page->close();
    }

    void exportsAreWrittenVerifiedAndReadableElsewhere()
    {
        openFirst();
        session()->editing().chooseKeeper(2);
        session()->editing().changeMethod(2, "wavelet", {});
        const QTemporaryDir out;
        m_window->findChild<QAction *>("export")->trigger();
        auto *dialog = m_window->findChild<ExportDialog *>();
        QVERIFY(dialog && dialog->isVisible());
        dialog->findChild<QRadioButton *>("inFolder")->setChecked(true);
        dialog->findChild<QLineEdit *>("folder")->setText(out.path());
        dialog->findChild<QCheckBox *>("asTiff")->setChecked(true);
        auto *name = dialog->findChild<QLineEdit *>("name");
        auto *ok = dialog->findChild<QDialogButtonBox *>()->button(QDialogButtonBox::Ok);
        name->setText("{what}");
        QVERIFY(!ok->isEnabled());
        name->setText("{name}-{method}");
        QVERIFY(ok->isEnabled());
        QVERIFY(dialog->findChild<QLabel *>("preview")->text().contains("first-wavelet.dng"));
        QTest::mouseClick(ok, Qt::LeftButton);
        QTRY_VERIFY_WITH_TIMEOUT(!m_window->exportQueue()->isBusy() && m_window->exportQueue()->overCount() == 2, kPatienceMs);
        QCOMPARE(QDir(out.path()).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot), (QStringList{"first-wavelet.dng", "first-wavelet.tif"}));
        QCOMPARE(session()->roll().frame(0).exported.size(), 2);

        LibRaw raw;
        QCOMPARE(raw.open_file(out.filePath("first-wavelet.dng").toUtf8().constData()), 0);
        QCOMPARE(raw.unpack(), 0);
        // What the pane shows is what the file holds: the keeper's own samples.
        const RollFrame &f = session()->roll().frame(0);
        const auto meant = cleanForStorage(Cleaner(f.frame, f.noise, f.trials[2])).take();
        for (int y = 0; y < meant.samples.height(); y += 7)
            for (int x = 0; x < meant.samples.width(); ++x)
                QCOMPARE(raw.imgdata.rawdata.raw_image[y * raw.imgdata.sizes.raw_pitch / 2 + x], meant.samples.at(x, y));
    }

    void finishedPicturesAndOtherSensorsHangOnTheWallToo()
    {
        // A picture with noise, as a program might have written it, and a six-by-six frame; each by its own way out.
        const QTemporaryDir dir;
        const FullColour noisy = simulateFullColour(makeScene({420, 320}), {1.f / 900, 1e-5f}, true);
        QImage image(420, 320, QImage::Format_RGB888);
        for (int y = 0; y < 320; ++y)
            for (int x = 0; x < 420; ++x) {
                const auto v = [&](int c) { return int(255 * std::pow(std::clamp(double(noisy.frame->linearAt(x, y, c)), 0.0, 1.0), 1 / 2.2)); };
                image.setPixel(x, y, qRgb(v(0), v(1), v(2)));
            }
        QVERIFY(image.save(dir.filePath("card.png")));
        ShootOptions o;
        o.sixBySix = true;
        o.iso = 6400;
        QVERIFY(writeShot(dir.filePath("six.dng").toStdString(), shoot(makeScene({420, 320}), o).value(), o));
        m_window->open({dir.filePath("card.png"), dir.filePath("six.dng")});
        for (int i = 0; i < 2; ++i)
            QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(i).state, RollFrame::State::Ready, kPatienceMs);
        QCOMPARE(session()->roll().frame(0).speedWords(), QStringLiteral("picture"));
        QCOMPARE(session()->roll().frame(1).speedWords(), QStringLiteral("ISO 6400"));
        QTest::keyClick(m_window.get(), Qt::Key_1, Qt::ControlModifier);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        session()->editing().chooseKeeper(0);
        const QTemporaryDir out;
        m_window->findChild<QAction *>("export")->trigger();
        auto *dialog = m_window->findChild<ExportDialog *>();
        QVERIFY(dialog && dialog->isVisible());
        dialog->findChild<QRadioButton *>("inFolder")->setChecked(true);
        dialog->findChild<QLineEdit *>("folder")->setText(out.path());
        dialog->findChild<QLineEdit *>("name")->setText("{name}-clean");
        auto *asTiff = dialog->findChild<QCheckBox *>("asTiff"), *asDng = dialog->findChild<QCheckBox *>("asDng");
        QVERIFY(asTiff->isChecked() && !asDng->isChecked());
        auto *ok = dialog->findChild<QDialogButtonBox *>()->button(QDialogButtonBox::Ok);
        asTiff->setChecked(false);
        QVERIFY(!ok->isEnabled());
        asDng->setChecked(true); // which a finished picture cannot be
        QCOMPARE(dialog->findChild<QLabel *>("preview")->text(), QStringLiteral("card-clean.tif"));
        QTest::mouseClick(ok, Qt::LeftButton);
        QTRY_VERIFY_WITH_TIMEOUT(!m_window->exportQueue()->isBusy() && m_window->exportQueue()->overCount() == 1, kPatienceMs);
        // At 100 % the screen shows the export: the same eight bits.
        const PaneImage &shown = pane(1)->image();
        const auto written = readFrame(out.filePath("card-clean.tif").toStdString());
        QVERIFY(written);
        for (int y = 0; y < shown.region.height(); y += 5)
            for (int x = 0; x < shown.region.width(); x += 3) {
                const QRgb p = shown.image.pixel(x, y);
                const int got[3] = {qRed(p), qGreen(p), qBlue(p)};
                for (int c = 0; c < 3; ++c)
                    QVERIFY(std::abs(written.value()->samples.at((shown.region.x() + x) * 3 + c, shown.region.y() + y) / 257.0 - got[c]) < 0.6); // half a step, and what the table of the screen rounds
            }
        QTest::keyClick(m_window.get(), Qt::Key_PageDown);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        const RollFrame &six = session()->roll().frame(1);
        ExportJob job;
        job.source = six.path.toStdString();
        job.treatment = WantedTreatment::exactly(six.trials[0]);
        job.folder = out.path().toStdString();
        m_window->exportQueue()->add(job, six.frame, six.noise);
        QTRY_VERIFY_WITH_TIMEOUT(!m_window->exportQueue()->isBusy(), kPatienceMs);
        const auto linear = readFrame(out.filePath("six-clean.dng").toStdString());
        QVERIFY(linear);
        QCOMPARE(int(linear.value()->kind), int(FrameKind::Linear));
    }

    void aFailedExportIsSaidAndPassedOver()
    {
        openFirst();
        const RollFrame &f = session()->roll().frame(0);
        const QTemporaryDir out;
        ExportJob job;
        job.source = f.path.toStdString();
        job.treatment = WantedTreatment::exactly(f.trials[0]);
        job.nameTemplate = "x";
        job.folder = m_dir.filePath("bad.dng/within").toStdString(); // no folder can be made in a file
        m_window->exportQueue()->add(job, f.frame, f.noise);
        job.folder = out.path().toStdString();
        m_window->exportQueue()->add(job, f.frame, f.noise);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->exportQueue()->overCount() == 2, kPatienceMs);
        QCOMPARE(QDir(out.path()).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot), QStringList{"x.dng"});
        QCOMPARE(f.exported.size(), 1);
    }

    void theMethodIsChosenOnTheStrip()
    {
        openFirst();
        auto *method = m_window->wall()->findChild<QWidget *>("strip-C")->findChild<QPushButton *>("method");
        const auto choose = [&](QMenu *menu, const QString &text) {
            emit menu->aboutToShow();
            for (QAction *a : menu->actions())
                if (a->text().startsWith(text + u'\t'))
                    return a->trigger();
            QFAIL(qPrintable(text));
        };
        emit method->menu()->aboutToShow();
        const auto actions = method->menu()->actions();
        QCOMPARE(std::count_if(actions.begin(), actions.end(), [](const QAction *a) { return a->isChecked(); }), 1);
        const QImage before = pane(3)->image().image;
        choose(method->menu(), "Sliding DCT");
        QCOMPARE(session()->roll().frame(0).trials[2].method, std::string("dct"));
        QCOMPARE(session()->viewing().column(), 3);
        QCOMPARE(method->text(), QStringLiteral("Sliding DCT"));
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        QVERIFY(pane(3)->image().image != before);
        emit method->menu()->aboutToShow();
        choose(method->menu()->actions().last()->menu(), "Wavelet shrinkage");
        QCOMPARE(session()->roll().frame(0).trials[2].colourMethod, std::string("wavelet"));
        // And by key, to the next in the list.
        QTest::keyClick(m_window.get(), Qt::Key_M);
        QCOMPARE(session()->roll().frame(0).trials[2].method, std::string("nlm"));
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->isIdle(), kPatienceMs);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->strip(3)->readingWords().contains("detail lost"), kPatienceMs);
    }

    void wallGreysReachThePictures()
    {
        openFirst();
        session()->viewing().setViewport({0, {0.5, 0.5}});
        for (const auto wall : {Tones::Wall::Dim, Tones::Wall::Pale, Tones::Wall::Mid}) {
            m_window->setWallGrey(wall);
            const QImage grabbed = pane(1)->grab().toImage();
            QCOMPARE(QColor(grabbed.pixel(grabbed.width() / 2, 2)), Tones::of(wall).wall); // above the fitted picture
        }
    }

    void everyWordCanBeReadOnEveryWall()
    {
        openFirst();
        session()->editing().chooseKeeper(1);
        for (const auto wall : {Tones::Wall::Mid, Tones::Wall::Dim, Tones::Wall::Pale, Tones::Wall::Mid}) {
            m_window->setWallGrey(wall);
            QApplication::processEvents();
            const QImage shown = m_window->grab().toImage();
            QCOMPARE(QColor(shown.pixel(m_window->wall()->mapTo(m_window.get(), QPoint(2, 2)))), Tones::of(wall).wall);
            int read = 0;
            for (const QLabel *label : m_window->findChildren<QLabel *>()) {
                if (!label->isVisible() || label->text().isEmpty() || label->visibleRegion().isEmpty())
                    continue;
                const QColor ink = label->palette().color(label->foregroundRole()), ground(shown.pixel(label->mapTo(m_window.get(), QPoint(0, 0))));
                QVERIFY2(contrastOf(ink, ground) >= 4.5, qPrintable(label->text() + QStringLiteral(" %1 on %2").arg(ink.name(), ground.name())));
                ++read;
            }
            QVERIFY(read > 10);
        }
    }

    void nothingRunsWhenAllIsSettled()
    {
        openFirst();
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->isIdle(), kPatienceMs);
        QTest::qWait(1600); // the session is kept by then, too
        const double before = processorSeconds();
        QTest::qWait(1000);
        const double used = processorSeconds() - before;
        QVERIFY2(used < 0.05, qPrintable(QString::number(used)));
    }

private:
    Session *session() { return m_window->session(); }
    PicturePane *pane(int c) { return m_window->wall()->findChild<PicturePane *>(QStringLiteral("pane-%1").arg(c)); }
    void openFirst()
    {
        m_window->open({m_dir.filePath("first.dng")});
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(0).state, RollFrame::State::Ready, kPatienceMs);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
    }
    QTemporaryDir m_dir;
    std::unique_ptr<MainWindow> m_window;
};

QTEST_MAIN(MainWindowTest)
#include "main_window_test.moc"

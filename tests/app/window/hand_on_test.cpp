// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/camera_book.h"
#include "irenic/provenance.h"
#include "irenic/read_frame.h"
#include "jobs/frame_reader.h"
#include "panels/export_dialog.h"
#include "panels/queue_panel.h"
#include "panels/rendering_panel.h"
#include "support/frames.h"
#include "support/windows.h"

#include <QAction>
#include <QCheckBox>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QDockWidget>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QMessageBox>
#include <QMimeData>
#include <QPushButton>
#include <QRadioButton>
#include <QSignalSpy>
#include <QSlider>
#include <QStandardPaths>
#include <QTableWidget>
#include <QTemporaryDir>
#include <QTest>
#include <QTimer>
#include <QTreeWidget>
#include <QUrl>

using namespace irenic;
using namespace irenic::test;

/// Rendering, export, queue and session in the real window.
class HandOnTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        startAfresh();
    }

    void init()
    {
        forgetAll();
        m_dir = std::make_unique<QTemporaryDir>();
        ShootOptions o;
        o.iso = 3200;
        QVERIFY(writeShot(path("scene.dng").toStdString(), shoot(makeScene({700, 500}), o).value(), o));
        QVERIFY(writeShot(path("warm.dng").toStdString(), shoot(flatScene({300, 200}, 0.35f, 0.22f, 0.1f), o).value(), o));
        show();
    }
    void cleanup() { m_window.reset(); }

    /// Six keepers that went the same way, then a starting point that is offered, used, told and forgotten.
    void ownTasteIsLearnedFromKeepersThatGoOut()
    {
        const auto label = [&](const QString &text) {
            const auto all = m_window->wall()->strip(1)->findChildren<QLabel *>();
            return std::any_of(all.begin(), all.end(), [&](const QLabel *l) { return l->isVisible() && l->text().contains(text); });
        };
        auto shot = shoot(makeScene({300, 200}), ShootOptions{.iso = 3200}).take();
        QStringList names;
        for (int i = 0; i < 7; ++i) {
            names << QStringLiteral("f%1.dng").arg(i);
            QVERIFY(writeShot(path(names.last()).toStdString(), shot, ShootOptions{.iso = 3200}));
        }
        open(names);
        QTRY_VERIFY_WITH_TIMEOUT(session()->roll().frame(6).isMeasured(), kPatienceMs);
        m_window->exportQueue()->setPaused(true);
        const auto exportKeeper = [&](int frame, double times) {
            session()->viewing().setCurrent(frame);
            QTRY_VERIFY_WITH_TIMEOUT(session()->viewing().readyFrame(), kPatienceMs);
            session()->editing().chooseKeeper(0);
            session()->editing().changeParam(0, kLuminanceParam, times * session()->roll().frame(frame).suggestedFor(0).luminance);
            m_window->findChild<QAction *>("export")->trigger();
            auto *dialog = m_window->findChild<ExportDialog *>();
            QVERIFY(dialog);
            dialog->accept();
            QTRY_VERIFY_WITH_TIMEOUT(!m_window->findChild<ExportDialog *>(), kPatienceMs);
        };
        for (int i = 0; i < 6; ++i) {
            QVERIFY(!session()->roll().frame(6).ownStart);
            exportKeeper(i, 0.5);
        }
        QCOMPARE(m_window->decisions()->decisions().all().size(), size_t(6));
        QVERIFY(session()->roll().frame(6).ownStart);
        // A frame that nothing was decided of: offered, and used only then.
        session()->viewing().setCurrent(6);
        QTRY_VERIFY_WITH_TIMEOUT(session()->viewing().readyFrame(), kPatienceMs);
        const Treatment suggested = session()->roll().frame(6).trials[0];
        QVERIFY(suggested == session()->roll().frame(6).suggestedFor(0));
        QTRY_VERIFY_WITH_TIMEOUT(label("your taste: " + QString::number(std::round(10 * suggested.luminance) / 20, 'f', 2)), kPatienceMs);
        session()->viewing().setColumn(1);
        QTest::keyClick(m_window.get(), Qt::Key_Backspace, Qt::ShiftModifier);
        QVERIFY(std::abs(session()->roll().frame(6).trials[0].luminance - suggested.luminance / 2) < 0.026);
        QCOMPARE(session()->roll().frame(6).trials[0].colour, suggested.colour);
        QTRY_VERIFY_WITH_TIMEOUT(label("your own starting point"), kPatienceMs);
        QCOMPARE(session()->editing().undoStack()->undoText(), QStringLiteral("own starting point of A"));
        QTest::keyClick(m_window.get(), Qt::Key_Backspace);
        QVERIFY(session()->roll().frame(6).trials[0] == suggested);
        QTest::mouseClick(m_window->wall()->strip(1)->findChild<QPushButton *>("goBack"), Qt::LeftButton);
        QVERIFY(session()->roll().frame(6).isAtOwnStart(0));
        // It is there again in the next window, can be looked through, and forgotten.
        QCOMPARE(DecisionBook(DecisionBook::usualFile()).decisions().all().size(), size_t(6));
        m_window->findChild<QAction *>("decisions")->trigger();
        auto *dialog = m_window->findChild<QDialog *>("decisionsDialog");
        QVERIFY(dialog && dialog->isVisible());
        auto *table = dialog->findChild<QTableWidget *>("decisions");
        QCOMPARE(table->rowCount(), 6);
        QCOMPARE(table->item(0, 0)->text(), QStringLiteral("f0.dng"));
        QCOMPARE(table->item(0, 4)->text(), QStringLiteral("0.50 x suggested"));
        QVERIFY(dialog->findChild<QLabel *>("ownStarts")->text().contains("luminance 0.50 x"));
        table->selectRow(2);
        QTest::mouseClick(dialog->findChild<QPushButton *>("forget"), Qt::LeftButton);
        QCOMPARE(table->rowCount(), 5);
        QVERIFY(!session()->roll().frame(6).ownStart); // five are too few
        QTRY_VERIFY_WITH_TIMEOUT(label("left the suggestion"), kPatienceMs);
        QTest::mouseClick(dialog->findChild<QPushButton *>("forgetAll"), Qt::LeftButton);
        QVERIFY(m_window->decisions()->decisions().all().empty());
        dialog->reject();
        // What cannot be read is left as it is.
        m_window.reset();
        QFile file(DecisionBook::usualFile());
        QVERIFY(file.open(QIODevice::WriteOnly) && file.write("{\"format\": \"irenic-decisions\", \"version\": 99}") > 0);
        file.close();
        DecisionBook later(DecisionBook::usualFile());
        QVERIFY(!later.note({Decision{}}) && later.problem().contains("later version"));
        QVERIFY(file.open(QIODevice::ReadOnly) && file.readAll().contains("99"));
    }

    /// The column with the keyboard is what goes, from untreated and guests on the nearest, and the dialog says the same.
    void theTrialWithTheKeyboardIsExported()
    {
        open({"scene.dng"});
        const RollFrame &f = session()->roll().frame(0);
        QCOMPARE(f.keeper, -1);
        for (int trial = 0; trial < f.trialCount(); ++trial) {
            Treatment t = f.trials[size_t(trial)];
            t.luminance = 0.2 + 0.1 * trial;
            session()->editing().changeTreatment(trial, t, {});
        }
        ExportChoices choices;
        choices.formats = {ExportFormat::Dng};
        for (const auto &[column, trial] : {std::pair{0, 0}, {1, 0}, {2, 1}, {f.trialCount(), f.trialCount() - 1}}) {
            session()->viewing().setColumn(column);
            QCOMPARE(trialFor(*session(), 0), trial);
            const auto requests = choices.requests(*session());
            QCOMPARE(int(requests.size()), 1);
            QCOMPARE(requests[0].job.treatment.luminance.value(), f.trials[size_t(trial)].luminance);
            QCOMPARE(requests[0].job.parts.trial, trialLetter(trial).toStdString());
            const ExportDialog dialog(*session(), {}, 1);
            const auto *one = dialog.findChild<QRadioButton *>("thisFrame");
            QVERIFY(one);
            QVERIFY2(one->text().contains(trialLetter(trial)), qPrintable(one->text()));
        }
        session()->editing().chooseKeeper(1);
        QCOMPARE(trialFor(*session(), 0), 1);
    }

    /// Before a method is chosen, its menu tells what the queue predicts once the export waits there, at the pace learnt from an export that is over.
    void theMethodMenuPredictsTheTimeOfTheQueue()
    {
        open({"scene.dng"});
        ExportQueue *queue = m_window->exportQueue();
        session()->editing().chooseKeeper(0);
        ExportChoices choices;
        choices.formats = {ExportFormat::Dng};
        queue->add(choices.requests(*session()));
        QTRY_COMPARE_WITH_TIMEOUT(queue->count(QueuedJob::State::Done), 1, kPatienceMs);
        queue->setPaused(true);
        auto *panel = m_window->findChild<QueuePanel *>("queuePanel");
        int told = 0;
        for (const MethodInfo &m : methods()) {
            session()->editing().changeMethod(0, m.id, {});
            QMenu *menu = m_window->wall()->findChild<QWidget *>("strip-A")->findChild<QPushButton *>("method")->menu();
            emit menu->aboutToShow();
            queue->add(choices.requests(*session()));
            const QString predicted = panel->lines().last().section(QStringLiteral("\u2248 "), 1);
            QVERIFY2(!predicted.isEmpty(), qPrintable(panel->lines().last()));
            for (const QAction *a : menu->actions())
                if (a->text().startsWith(m.label)) {
                    QCOMPARE(a->text(), QString(m.label) + u'\t' + predicted);
                    ++told;
                }
            queue->cancelAll();
        }
        QCOMPARE(told, int(methods().size()));
    }

    /// What the second frame of a camera learned from the first is what its export is made with, by another process, too.
    void aCameraIsLearnedAndForgotten()
    {
        const auto learned = [] { return CameraBook(FrameReader::usualCameraBook()).cameras(); };
        const auto action = [&](const char *name) { return m_window->findChild<QAction *>(QString::fromLatin1(name)); };
        QVERIFY(action("cameraBook")->isChecked());
        action("cameraBook")->trigger();
        open({"scene.dng"});
        QVERIFY(learned().empty());
        action("cameraBook")->trigger();
        open({"scene.dng", "warm.dng"});
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().count(), 2, kPatienceMs);
        QTRY_VERIFY_WITH_TIMEOUT(session()->roll().frame(1).state == RollFrame::State::Ready, kPatienceMs);
        QTRY_COMPARE_WITH_TIMEOUT(learned().size(), size_t(1), kPatienceMs); // the other was open already
        QVERIFY(QString::fromStdString(learned()[0].name()).contains(QLatin1String("300 x 200")));
        // The command line knows where the window keeps them.
        qputenv("XDG_DATA_HOME", QFile::encodeName(QStandardPaths::writableLocation(QStandardPaths::GenericDataLocation)));
        const Ran listed = run("irenic-cli", {"cameras"});
        qunsetenv("XDG_DATA_HOME");
        QVERIFY(listed.out.contains(learned()[0].name().c_str()));
        auto *forget = m_window->findChild<QMenu *>(QStringLiteral("forgetCamera"));
        emit forget->aboutToShow();
        QCOMPARE(forget->actions().size(), 1);
        forget->actions().front()->trigger();
        QVERIFY(learned().empty());
        emit forget->aboutToShow();
        QVERIFY(!forget->actions().front()->isEnabled());
    }

    void aTiffHoldsWhatTheWallShows()
    {
        open({"scene.dng"});
        session()->editing().changeMethod(0, "wavelet", {});
        session()->editing().chooseKeeper(0);
        session()->viewing().setViewport({1, {0.5, 0.5}});
        settle();
        const QImage before = m_window->wall()->pane(1)->image().image;
        session()->editing().changeRendering({.white = {4100, 3}, .exposureEv = 0.7, .shadows = 0.5, .contrast = 0.3, .localContrast = -0.4}, "rendering");
        settle();
        const PaneImage shown = m_window->wall()->pane(1)->image();
        QVERIFY(shown.image != before);
        ExportChoices choices;
        choices.formats = {ExportFormat::Tiff};
        m_window->exportQueue()->add(choices.requests(*session()));
        QTRY_VERIFY_WITH_TIMEOUT(!m_window->exportQueue()->isBusy(), kPatienceMs);
        const auto written = readFrame(path("clean/scene-clean.tif").toStdString());
        QVERIFY2(written.ok(), written.ok() ? "" : written.error().userMessage.c_str());
        for (int y = 0; y < shown.region.height(); y += 5)
            for (int x = 0; x < shown.region.width(); x += 3) {
                const QRgb p = shown.image.pixel(x, y);
                const int got[3] = {qRed(p), qGreen(p), qBlue(p)};
                for (int c = 0; c < 3; ++c)
                    QVERIFY(std::abs(written.value()->samples.at((shown.region.x() + x) * 3 + c, shown.region.y() + y) / 257.0 - got[c]) < 0.6);
            }
        session()->editing().undoStack()->undo();
        settle();
        QVERIFY(m_window->wall()->pane(1)->image().image == before);
    }

    void aGreyPickedOnThePictureBecomesNeutral()
    {
        open({"warm.dng"});
        m_window->card("rendering")->show();
        session()->viewing().setViewport({1, {0.5, 0.5}});
        settle();
        const auto warmth = [&] { // of the untreated pane: red over blue, in the mean
            const QImage image = m_window->wall()->pane(0)->image().image;
            double red = 0, blue = 0;
            for (int y = 0; y < image.height(); ++y)
                for (int x = 0; x < image.width(); ++x) {
                    red += qRed(image.pixel(x, y));
                    blue += qBlue(image.pixel(x, y));
                }
            return red / blue;
        };
        QVERIFY2(warmth() > 1.25, qPrintable(QString::number(warmth())));
        auto *panel = m_window->renderingPanel();
        QTest::mouseClick(panel->findChild<QPushButton *>("pickGrey"), Qt::LeftButton);
        QCOMPARE(m_window->wall()->tool(), PaneTool::Pick);
        auto *pane = const_cast<LivePane *>(m_window->wall()->pane(0));
        QTest::mouseClick(pane, Qt::LeftButton, {}, pane->rect().center());
        QVERIFY(m_window->wall()->tool() == PaneTool::Move && !panel->isPicking());
        QVERIFY(session()->viewing().readyFrame()->rendering.white.temperatureK > 0);
        settle();
        QVERIFY2(std::abs(warmth() - 1) < 0.06, qPrintable(QString::number(warmth())));
        QTest::mouseClick(panel->findChild<QPushButton *>("asShot"), Qt::LeftButton);
        QCOMPARE(session()->viewing().readyFrame()->rendering, Rendering());
        settle();
        QVERIFY2(warmth() > 1.25, qPrintable(QString::number(warmth())));
    }

    void stepsOfOneSliderAreOneStepOfUndo()
    {
        open({"scene.dng"});
        m_window->card("rendering")->show();
        auto *slider = m_window->renderingPanel()->findChild<QSlider *>("exposureSlider");
        auto *field = m_window->renderingPanel()->findChild<QDoubleSpinBox *>("exposure");
        slider->setFocus();
        for (int i = 0; i < 4; ++i)
            QTest::keyClick(slider, Qt::Key_Right);
        const double moved = session()->viewing().readyFrame()->rendering.exposureEv;
        QVERIFY(moved > 0);
        QCOMPARE(field->value(), moved);
        QCOMPARE(session()->editing().undoStack()->count(), 1);
        m_window->renderingPanel()->findChild<QSlider *>("contrastSlider")->setFocus();
        QTest::keyClick(m_window->renderingPanel()->findChild<QSlider *>("contrastSlider"), Qt::Key_Right);
        QCOMPARE(session()->editing().undoStack()->count(), 2);
        session()->editing().undoStack()->undo();
        session()->editing().undoStack()->undo();
        QCOMPARE(field->value(), 0.0);
        QCOMPARE(session()->viewing().readyFrame()->rendering, Rendering());
        QTest::mouseClick(m_window->renderingPanel()->findChild<QPushButton *>("automaticBrightness"), Qt::LeftButton);
        QTRY_COMPARE_WITH_TIMEOUT(session()->editing().undoStack()->count(), 1, kPatienceMs);
        QCOMPARE(session()->viewing().readyFrame()->rendering.exposureEv, automaticExposureEv(session()->viewing().readyFrame()->frame, {}));
    }

    void quickCleanTakesTheSuggestionAndAsksNothing()
    {
        open({"scene.dng", "warm.dng"});
        m_window->findChild<QAction *>("quickCleanAll")->trigger();
        QTRY_COMPARE_WITH_TIMEOUT(m_window->exportQueue()->overCount(), 2, kPatienceMs);
        const auto tells = readProvenance(path("clean/scene-clean.dng").toStdString());
        QVERIFY(tells.ok());
        QVERIFY(tells.value().treatment == session()->roll().frame(0).suggestion.treatment);
        QVERIFY(QFile::exists(path("clean/warm-clean.dng")));
        m_window->findChild<QAction *>("quickClean")->trigger(); // done already: not once more
        QTRY_COMPARE_WITH_TIMEOUT(m_window->exportQueue()->overCount(), 3, kPatienceMs);
        QCOMPARE(QDir(path("clean")).entryList(QDir::Files), (QStringList{"scene-clean.dng", "warm-clean.dng"}));
        const QStringList lines = m_window->findChild<QueuePanel *>()->lines();
        QCOMPARE(lines.size(), 3);
        QVERIFY(lines[0].startsWith("scene-clean.dng  verified"));
        QVERIFY(lines[2].contains("left out"));
        // Results can be dragged to other programs, which get copies.
        const auto *list = m_window->findChild<QTreeWidget *>("queueList");
        const QAbstractItemModel *model = list->model();
        QVERIFY(list->dragEnabled());
        QCOMPARE(model->supportedDragActions(), Qt::DropActions(Qt::CopyAction));
        const std::unique_ptr<QMimeData> dragged(model->mimeData({model->index(0, 0), model->index(1, 0)}));
        QVERIFY(dragged);
        QCOMPARE(dragged->urls(), (QList<QUrl>{QUrl::fromLocalFile(path("clean/scene-clean.dng")), QUrl::fromLocalFile(path("clean/warm-clean.dng"))}));
    }

    void aSeriesIsTreatedByOneNoiseLawAndAClashIsAskedAbout()
    {
        open({"scene.dng", "warm.dng"});
        m_window->findChild<QAction *>("export")->trigger();
        auto *dialog = m_window->findChild<ExportDialog *>();
        QVERIFY(dialog);
        dialog->findChild<QRadioButton *>("alike")->setChecked(true);
        dialog->findChild<QCheckBox *>("sameNoise")->setChecked(true);
        dialog->findChild<QRadioButton *>("beside")->setChecked(true);
        dialog->findChild<QLineEdit *>("name")->setText("{name}-{counter}");
        QCOMPARE(dialog->findChild<QLabel *>("preview")->text(), QStringLiteral("scene-0001.dng\nwarm-0002.dng"));
        QVERIFY(dialog->findChild<QLabel *>("time")->text().contains("2 files"));
        dialog->findChild<QComboBox *>("clash")->setCurrentIndex(1);          // ask
        dialog->findChild<QComboBox *>("dngCompression")->setCurrentIndex(1); // JPEG XL
        QFile taken(path("warm-0002.dng"));
        QVERIFY(taken.open(QIODevice::WriteOnly) && taken.write("mine") == 4);
        taken.close();
        QTimer::singleShot(200, this, [] {
            auto *box = qobject_cast<QMessageBox *>(QApplication::activeModalWidget());
            QVERIFY(box && box->text().contains("warm-0002.dng"));
            for (QAbstractButton *b : box->buttons())
                if (b->text() == "Leave out")
                    b->click();
        });
        QTest::mouseClick(dialog->findChild<QDialogButtonBox *>()->button(QDialogButtonBox::Ok), Qt::LeftButton);
        QTRY_COMPARE_WITH_TIMEOUT(m_window->exportQueue()->overCount(), 2, kPatienceMs);
        const auto &entries = m_window->exportQueue()->entries();
        QCOMPARE(int(entries[0].state), int(QueuedJob::State::Done));
        QCOMPARE(int(entries[1].state), int(QueuedJob::State::Skipped));
        QCOMPARE(readFrame(entries[0].result).value()->compression, std::string("JPEG XL"));
        QCOMPARE(ExportChoices::load().options.dng, DngCompression::JpegXl); // for the next time
        QVERIFY(taken.open(QIODevice::ReadOnly) && taken.readAll() == "mine");
        QVERIFY(entries[1].job.seriesNoise == std::vector<NoiseModel>(session()->roll().frame(0).noise->cells.begin(), session()->roll().frame(0).noise->cells.end()));
    }

    void resultsComeBackAsGuests()
    {
        open({"scene.dng"});
        m_window->quickClean(false);
        QTRY_COMPARE_WITH_TIMEOUT(m_window->exportQueue()->overCount(), 1, kPatienceMs);
        emit m_window->findChild<QueuePanel *>()->guestWanted(path("scene.dng"), path("clean/scene-clean.dng"));
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(0).guests.size(), size_t(1), kPatienceMs);
        settle();
        QCOMPARE(m_window->wall()->columnCount(), 5);
    }

    void theNextWindowGoesOnWhereThisOneWasLeft()
    {
        open({"scene.dng", "warm.dng"});
        session()->viewing().setCurrent(1);
        session()->editing().chooseKeeper(2);
        Rendering brighter;
        brighter.exposureEv = 1;
        session()->editing().changeRendering(brighter, "exposure");
        session()->viewing().setViewport({2, {0.25, 0.5}});
        m_window->close();
        m_window.reset();
        show();
        auto *button = m_window->findChild<QPushButton *>("continueButton");
        QVERIFY(button->isVisible());
        QTest::mouseClick(button, Qt::LeftButton);
        QCOMPARE(session()->roll().count(), 2);
        QCOMPARE(session()->viewing().current(), 1);
        QTRY_VERIFY_WITH_TIMEOUT(session()->viewing().readyFrame(), kPatienceMs);
        QCOMPARE(session()->viewing().readyFrame()->keeper, 2);
        QCOMPARE(session()->viewing().look().rendering.exposureEv, 1.0);
        QVERIFY(session()->viewing().viewport() == (Viewport{2, {0.25, 0.5}}));
        settle();
        QVERIFY(m_window->wall()->isVisible());
    }

    void aSessionThatCannotBeKeptIsSaidBeforeTheWindowCloses()
    {
        const QString folder = SessionKeeper::usualFolder();
        QVERIFY(QDir(folder).removeRecursively());
        QFile inTheWay(folder);
        QVERIFY(inTheWay.open(QIODevice::WriteOnly));
        inTheWay.close();
        open({"scene.dng"});
        const auto answer = [&](QMessageBox::StandardButton button) {
            QString said;
            QTimer whenAsked; // goes with this call, should nobody ask
            connect(&whenAsked, &QTimer::timeout, this, [&] {
                if (auto *box = qobject_cast<QMessageBox *>(QApplication::activeModalWidget())) {
                    said = box->text();
                    box->button(button)->click();
                }
            });
            whenAsked.start(200);
            m_window->close();
            return said;
        };
        QVERIFY(answer(QMessageBox::No).contains("cannot be kept"));
        QVERIFY(m_window->isVisible());
        QVERIFY(answer(QMessageBox::Yes).contains("cannot be kept"));
        QVERIFY(!m_window->isVisible());
        QVERIFY(inTheWay.remove());
    }

    void unfinishedExportsAreOfferedAtTheNextStart()
    {
        m_window.reset();
        {
            ExportQueue queue;
            queue.keepIn(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation));
            queue.setPaused(true);
            ExportJob job;
            job.source = path("scene.dng").toStdString();
            job.folder = path("out").toStdString();
            queue.add(job);
        }
        show();
        QVERIFY(m_window->card("queue")->isVisible());
        QVERIFY(m_window->findChild<QLabel *>("message")->text().contains("not finished"));
        QVERIFY(!m_window->exportQueue()->isBusy());
        auto *pause = m_window->findChild<QPushButton *>("queuePause");
        QCOMPARE(pause->text(), QStringLiteral("Resume"));
        QTest::mouseClick(pause, Qt::LeftButton);
        QTRY_COMPARE_WITH_TIMEOUT(m_window->exportQueue()->overCount(), 1, kPatienceMs);
        QVERIFY(readFrame(path("out/scene-clean.dng").toStdString()).ok());
    }

private:
    QString path(const QString &name) const { return m_dir->filePath(name); }
    Session *session() { return m_window->session(); }
    void show()
    {
        m_window = shownWindow();
        QVERIFY(m_window);
    }
    void open(const QStringList &names)
    {
        QStringList files;
        for (const QString &name : names)
            files << path(name);
        m_window->open(files);
        for (int i = 0; i < session()->roll().count(); ++i)
            QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(i).state, RollFrame::State::Ready, kPatienceMs);
    }
    void settle() { QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs); }

    std::unique_ptr<QTemporaryDir> m_dir;
    std::unique_ptr<MainWindow> m_window;
};

QTEST_MAIN(HandOnTest)
#include "hand_on_test.moc"

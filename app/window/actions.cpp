// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/actions.h"

#include "irenic/camera_book.h"
#include "panels/blink.h"
#include "panels/readings_panel.h"
#include "panels/wall.h"
#include "session/paths.h"
#include "window/guest_pinning.h"
#include "window/languages.h"
#include "window/less_motion.h"
#include "window/output_proof.h"
#include "window/recipe_menus.h"
#include "window/screen_profile.h"

#include <QActionGroup>
#include <QDir>
#include <QFileDialog>
#include <QMenu>

namespace irenic {

/// Where the window is.
struct Actions::Now {
    const RollFrame *current, *frame; ///< the latter only while it is ready
    MainWindow::View view;
    int column, trial, spot;

    bool wall() const { return view == MainWindow::View::Wall; }
    const Treatment *treatment() const { return frame && trial >= 0 ? &frame->trials[size_t(trial)] : nullptr; }
    bool hasRoom() const { return frame && frame->trialCount() < kMostTrials; }
};

namespace {

// When an action can be used. The other views have the wall's keys for themselves; the roll can be gone through while a frame is still being read, or could not be.
using Now = Actions::Now;
bool wallHangs(const Now &now) { return now.wall(); }
bool onFrame(const Now &now) { return now.frame; }
bool onWall(const Now &now) { return now.wall() && now.frame; }
bool onTrial(const Now &now) { return now.wall() && now.treatment(); }
bool onRegions(const Now &now) { return onTrial(now) && !now.frame->regions->empty(); }
bool canAdd(const Now &now) { return now.wall() && now.hasRoom(); }
bool canDuplicate(const Now &now) { return onTrial(now) && now.hasRoom(); }
bool canRemove(const Now &now) { return onTrial(now) && now.frame->trialCount() > 1; }
bool canMoveLeft(const Now &now) { return onTrial(now) && now.trial > 0; }
bool canMoveRight(const Now &now) { return onTrial(now) && now.trial + 1 < now.frame->trialCount(); }
bool onSpot(const Now &now) { return onWall(now) && now.spot >= 0 && now.spot < int(now.frame->spots.size()); }
bool onGuest(const Now &now) { return onWall(now) && now.column > now.frame->trialCount(); }
bool onLostGuest(const Now &now) { return onWall(now) && now.frame->hasLostGuests(); }
bool onDemo(const Now &now) { return onWall(now) && !now.frame->truthFile.isEmpty(); }
bool comparisonHangs(const Now &now) { return now.frame && (now.wall() || now.view == MainWindow::View::Strip); }
bool onCurrent(const Now &now) { return now.current; }
bool onCurrentOfWall(const Now &now) { return now.wall() && now.current; }
bool onMissing(const Now &now) { return now.current && now.current->isMissing(); }
bool onSound(const Now &now) { return now.current && now.current->state != RollFrame::State::Failed; }

} // namespace

Actions::Actions(MainWindow *window, Session *session, Wall *wall) : QObject(window), m_window(window), m_session(session), m_wall(wall)
{
    addFileMenu();
    addEditMenu();
    addFrameMenu();
    addSpotMenu();
    addTrialMenu();
    addRecipes();
    addCompareMenu();
    addLookMenu();
    addWindowAndHelpMenus();
    for (const auto signal : {&Viewing::currentChanged, &Viewing::columnChanged})
        connect(&session->viewing(), signal, this, &Actions::updateEnabled);
    connect(&session->roll(), &Roll::frameChanged, this, &Actions::updateEnabled);
    connect(&session->roll(), &Roll::choicesChanged, this, &Actions::updateEnabled);
    connect(&session->viewing(), &Viewing::lookChanged, this, &Actions::updateEnabled);
    connect(&session->viewing(), &Viewing::rowsChanged, this, &Actions::updateEnabled);
    connect(window, &MainWindow::viewChanged, this, &Actions::updateEnabled);
    updateEnabled();
}

QAction *Actions::add(const QString &name, const QString &text, const QList<QKeySequence> &keys, std::function<void()> run)
{
    auto *action = new QAction(text, this);
    action->setObjectName(name);
    action->setShortcuts(keys);
    connect(action, &QAction::triggered, this, [run] { run(); });
    m_window->addAction(action); // shortcuts work with menus hidden
    if (m_sub)
        m_sub->addAction(action);
    else if (!m_menus.isEmpty())
        m_menus.last().actions.append(action);
    return action;
}

QAction *Actions::when(std::function<bool(const Now &)> condition, QAction *action)
{
    m_when.emplace_back(action, std::move(condition));
    return action;
}

void Actions::beginSub(const QString &title)
{
    m_sub = new QMenu(title, m_window);
    m_menus.last().actions.append(m_sub->menuAction());
    m_subs << m_sub;
}

void Actions::addFileMenu()
{
    m_menus.append({tr("&File"), {}});
    add(QStringLiteral("open"), tr("&Open frames..."), {QKeySequence::Open}, [this] { m_window->chooseFiles(); });
    add(QStringLiteral("openFolder"), tr("Open &folder..."), {QKeySequence(tr("Ctrl+Shift+O"))}, [this] { m_window->chooseFolder(); });
    recentMenu = new QMenu(tr("&Recent frames"), m_window);
    m_menus.last().actions.append(recentMenu->menuAction());
    add(QStringLiteral("openDemo"), tr("Open &demo roll"), {}, [this] { m_window->openDemoRoll(); });
    m_menus.last().actions.append(nullptr);
    add(QStringLiteral("openSession"), tr("Open a &session..."), {}, [this] { m_window->chooseSession(); });
    add(QStringLiteral("continueLast"), tr("&Continue where you left off"), {QKeySequence(tr("Ctrl+L"))}, [this] { m_window->continueLast(); });
    when(onCurrent, add(QStringLiteral("saveSession"), tr("Save the session &as..."), {QKeySequence(tr("Ctrl+S"))}, [this] { m_window->saveSessionAs(); }));
    m_menus.last().actions.append(nullptr);
    exportFrame = when(onFrame, add(QStringLiteral("export"), tr("&Export..."), {QKeySequence(tr("Ctrl+E"))}, [this] { m_window->showExportDialog(); }));
    quickClean = when(onSound, add(QStringLiteral("quickClean"), tr("Quick c&lean of this frame"), {QKeySequence(tr("Ctrl+Return"))}, [this] { m_window->quickClean(false); }));
    when(onCurrent, add(QStringLiteral("quickCleanAll"), tr("Quick clean of the &whole roll"), {QKeySequence(tr("Ctrl+Shift+Return"))}, [this] { m_window->quickClean(true); }));
    when(comparisonHangs, add(QStringLiteral("comparison"), tr("&Picture of the comparison..."), {QKeySequence(tr("Ctrl+Shift+E"))}, [this] { m_window->writeComparison(); }));
    m_menus.last().actions.append(nullptr);
    add(QStringLiteral("quit"), tr("&Quit"), {QKeySequence::Quit}, [this] { m_window->close(); });
}

void Actions::addEditMenu()
{
    m_menus.append({tr("&Edit"), {}});
    QAction *undo = m_session->editing().undoStack()->createUndoAction(this, tr("Undo"));
    undo->setShortcuts(QKeySequence::Undo);
    QAction *redo = m_session->editing().undoStack()->createRedoAction(this, tr("Redo"));
    redo->setShortcuts(QKeySequence::Redo);
    for (QAction *a : {undo, redo}) {
        m_window->addAction(a);
        m_menus.last().actions.append(a);
    }
    undo->setObjectName(QStringLiteral("undo"));
    redo->setObjectName(QStringLiteral("redo"));
}

void Actions::addFrameMenu()
{
    m_menus.append({tr("F&rame"), {}});
    when(wallHangs, add(QStringLiteral("nextFrame"), tr("&Next frame"), {Qt::Key_Down, Qt::Key_PageDown}, [this] { m_window->moveInRoll(1); }));
    when(wallHangs, add(QStringLiteral("previousFrame"), tr("&Previous frame"), {Qt::Key_Up, Qt::Key_PageUp}, [this] { m_window->moveInRoll(-1); }));
    m_menus.last().actions.append(nullptr);
    pinGuest = when(onWall, add(QStringLiteral("pinGuest"), tr("Pin a &guest..."), {QKeySequence(tr("Ctrl+G"))}, [this] { m_window->guests()->choose(); }));
    when(onDemo, add(QStringLiteral("pinTruth"), tr("Pin the &clean picture (demo roll)"), {}, [this] { m_window->guests()->pinTruth(); }));
    QAction *stop = add(QStringLiteral("stopMeasuring"), tr("Stop measuring frames that &wait"), {}, [this] { m_window->setMeasuringStopped(!m_window->isMeasuringStopped()); });
    stop->setCheckable(true);
    QAction *book = add(QStringLiteral("cameraBook"), tr("Learn from frames of the same ca&mera"), {}, [this] { m_window->setAsksCameraBook(!m_window->asksCameraBook()); });
    book->setCheckable(true);
    book->setChecked(m_window->asksCameraBook());
    m_camerasAway = new QMenu(tr("&Forget a camera"), m_window);
    m_camerasAway->setObjectName(QStringLiteral("forgetCamera"));
    m_menus.last().actions << m_camerasAway->menuAction();
    connect(m_camerasAway, &QMenu::aboutToShow, this, &Actions::fillCameraMenu);
    m_menus.last().actions.append(nullptr);
    takeOff = when(onCurrentOfWall, add(QStringLiteral("takeOff"), tr("&Take this frame off the roll"), {QKeySequence(tr("Ctrl+Delete"))}, [this] { m_window->takeOff(); }));
    findFile = when(onMissing, add(QStringLiteral("findFile"), tr("Find the f&ile..."), {}, [this] { m_window->findFile(); }));
    unpin = when(onGuest, add(QStringLiteral("unpin"), tr("Take &down this guest"), {}, [this] {
                     if (const RollFrame *f = m_session->viewing().readyFrame())
                         m_session->editing().unpinGuest(m_session->viewing().column() - 1 - f->trialCount());
                 }));
    when(onLostGuest, add(QStringLiteral("unpinLost"), tr("Take down guests that are &away"), {}, [this] { m_session->editing().unpinLostGuests(); }));
}

void Actions::addSpotMenu()
{
    m_menus.append({tr("&Spot"), {}});
    when(onWall, add(QStringLiteral("addSpot"), tr("&Mark a spot in the middle of the view"), {Qt::Key_S}, [this] { m_window->markSpot(); }));
    when(onSpot, add(QStringLiteral("renameSpot"), tr("&Rename the spot..."), {Qt::Key_F2}, [this] { m_window->renameSpot(m_session->viewing().lastSpot()); }));
    when(onSpot, add(QStringLiteral("moveSpot"), tr("Move the spot &here"), {QKeySequence(tr("Shift+S"))}, [this] {
             const int spot = m_session->viewing().lastSpot();
             m_session->editing().moveSpot(spot, m_wall->middle());
             m_session->viewing().goToSpot(spot);
         }));
    when(onSpot, add(QStringLiteral("spotEarlier"), tr("Spot &earlier"), {QKeySequence(tr("Alt+Left"))}, [this] { m_session->editing().reorderSpot(m_session->viewing().lastSpot(), m_session->viewing().lastSpot() - 1); }));
    when(onSpot, add(QStringLiteral("spotLater"), tr("Spot &later"), {QKeySequence(tr("Alt+Right"))}, [this] { m_session->editing().reorderSpot(m_session->viewing().lastSpot(), m_session->viewing().lastSpot() + 1); }));
    when(onSpot, add(QStringLiteral("removeSpot"), tr("Remo&ve the spot"), {QKeySequence(tr("Shift+Delete"))}, [this] { m_session->editing().removeSpot(m_session->viewing().lastSpot()); }));
    carrySpots = when(onWall, add(QStringLiteral("carrySpots"), tr("&Carry the spots to every frame of this size"), {}, [this] {
                          const int others = m_session->editing().carrySpots();
                          m_window->say(others == 0 ? tr("No other frame of this size lacks them.") : others == 1 ? tr("The spots are on one other frame now.")
                                                                                                                  : tr("The spots are on %n other frames now.", nullptr, others));
                      }));
    QAction *follow = add(QStringLiteral("spotsFollow"), tr("Spots &follow the series"), {}, [this] { m_window->setSpotsFollow(!m_session->editing().doSpotsFollow()); });
    follow->setCheckable(true);
    follow->setChecked(m_window->settings().spotsFollow);
    beginSub(tr("&Go to"));
    for (int i = 0; i < kMostSpots; ++i)
        when([i](const Now &now) { return now.frame && i < int(now.frame->spots.size()) && now.view != MainWindow::View::Blind; },
             add(QStringLiteral("spot%1").arg(i + 1), tr("Go to spot %1").arg(i + 1), {QKeySequence(QString::number(i + 1))}, [this, i] { m_session->viewing().goToSpot(i); }));
    endSub();
}

void Actions::addTrialMenu()
{
    m_menus.append({tr("&Trial"), {}});
    when(canAdd, add(QStringLiteral("newTrial"), tr("&New trial"), {Qt::Key_N}, [this] { m_session->editing().addTrial(m_session->viewing().readyFrame()->suggestion.treatment); }));
    duplicate = when(canDuplicate, add(QStringLiteral("duplicate"), tr("&Duplicate this trial"), {QKeySequence(tr("Ctrl+D"))}, [this] {
                         m_session->editing().addTrial(m_session->viewing().readyFrame()->trials[size_t(m_session->viewing().trial())], m_session->viewing().trial() + 1);
                     }));
    removeTrial = when(canRemove, add(QStringLiteral("removeTrial"), tr("&Remove this trial"), {QKeySequence::Delete}, [this] { m_session->editing().removeTrial(m_session->viewing().trial()); }));
    m_menus.last().actions.append(nullptr);
    when(onWall, add(QStringLiteral("nextPage"), tr("Next page of the stri&ps"), {Qt::Key_F3}, [this] { m_wall->setPage(CaptionStrip::Page((int(m_wall->page()) + 1) % CaptionStrip::kPages)); }));
    m_menus.last().actions.append(nullptr);
    keep = when(onTrial, add(QStringLiteral("keep"), tr("&Keep this trial"), {Qt::Key_K}, [this] { m_session->editing().chooseKeeper(m_session->viewing().trial()); }));
    goBack = when(onTrial, add(QStringLiteral("goBack"), tr("Return to the &suggestion"), {Qt::Key_Backspace}, [this] { m_session->editing().returnToSuggestion(m_session->viewing().trial()); }));
    when(onTrial, add(QStringLiteral("ownStart"), tr("Start from your &own taste"), {QKeySequence(tr("Shift+Backspace"))}, [this] { m_window->startFromOwnTaste(); }));
    add(QStringLiteral("decisions"), tr("Your own starting point..."), {}, [this] { m_window->showDecisions(); });
    m_menus.last().actions.append(nullptr);
    beginSub(tr("Re&gions"));
    m_useRegions = when(onRegions, add(QStringLiteral("useRegions"), tr("Re&gions take part in this trial"), {QKeySequence(tr("Ctrl+R"))}, [this] {
                            m_session->editing().useRegions(m_session->viewing().trial(), !m_session->viewing().readyFrame()->trials[size_t(m_session->viewing().trial())].regions);
                        }));
    m_useRegions->setCheckable(true);
    when(onWall, add(QStringLiteral("paint"), tr("Pa&int the region"), {QKeySequence(tr("Ctrl+B"))}, [this] { m_window->paintRegion(false); }));
    when(onWall, add(QStringLiteral("erase"), tr("Take away from the region"), {QKeySequence(tr("Ctrl+Shift+B"))}, [this] { m_window->paintRegion(true); }));
    endSub();
    beginSub(tr("Met&hod and strength"));
    when(onTrial, add(QStringLiteral("nextMethod"), tr("Next &method"), {Qt::Key_M}, [this] {
             const int t = m_session->viewing().trial();
             const RollFrame *f = m_session->viewing().currentFrame();
             const Treatment &now = f->trials[size_t(t)];
             const auto all = methodsFor(f->frame->kind);
             const auto at = std::find_if(all.begin(), all.end(), [&](const MethodInfo *m) { return m->id == now.method; });
             m_session->editing().changeMethod(t, (at == all.end() || at + 1 == all.end() ? all.front() : at[1])->id, now.colourMethod);
         }));
    const auto nudge = [this](const TreatmentParam &param, double by) {
        const int t = m_session->viewing().trial();
        m_session->editing().changeParam(t, param, param.of(m_session->viewing().currentFrame()->trials[size_t(t)]) + by);
    };
    when(onTrial, add(QStringLiteral("luminanceMore"), tr("More luminance strength"), {QKeySequence(tr("Ctrl+Right"))}, [nudge] { nudge(kLuminanceParam, 0.05); }));
    when(onTrial, add(QStringLiteral("luminanceLess"), tr("Less luminance strength"), {QKeySequence(tr("Ctrl+Left"))}, [nudge] { nudge(kLuminanceParam, -0.05); }));
    when(onTrial, add(QStringLiteral("colourMore"), tr("More colour strength"), {QKeySequence(tr("Ctrl+Up"))}, [nudge] { nudge(kColourParam, 0.05); }));
    when(onTrial, add(QStringLiteral("colourLess"), tr("Less colour strength"), {QKeySequence(tr("Ctrl+Down"))}, [nudge] { nudge(kColourParam, -0.05); }));
    endSub();
    beginSub(tr("Go &to, and order"));
    for (int t = 0; t < kMostTrials; ++t)
        when(onWall, add(QStringLiteral("pick") + trialLetter(t), tr("Go to trial %1").arg(trialLetter(t)), {QKeySequence(trialLetter(t))}, [this, t] {
                 const RollFrame *f = m_session->viewing().readyFrame();
                 if (!f || t >= f->trialCount())
                     return;
                 if (m_window->blink()->isOn()) // by hand
                     m_window->blink()->show(t + 1);
                 else
                     m_session->viewing().setColumn(1 + t);
             }));
    when(onWall, add(QStringLiteral("nextColumn"), tr("Next column"), {Qt::Key_Right}, [this] { m_session->viewing().setColumn(m_session->viewing().column() + 1); }));
    when(onWall, add(QStringLiteral("previousColumn"), tr("Previous column"), {Qt::Key_Left}, [this] { m_session->viewing().setColumn(m_session->viewing().column() - 1); }));
    when(onWall, add(QStringLiteral("nextRow"), tr("Next row"), {QKeySequence(tr("Shift+PgDown"))}, [this] { m_session->viewing().setRow(m_session->viewing().row() + 1); }));
    when(onWall, add(QStringLiteral("previousRow"), tr("Previous row"), {QKeySequence(tr("Shift+PgUp"))}, [this] { m_session->viewing().setRow(m_session->viewing().row() - 1); }));
    moveLeft = when(canMoveLeft, add(QStringLiteral("moveLeft"), tr("Move this trial to the left"), {QKeySequence(tr("Ctrl+Shift+Left"))}, [this] { m_session->editing().moveTrial(m_session->viewing().trial(), m_session->viewing().trial() - 1); }));
    moveRight = when(canMoveRight, add(QStringLiteral("moveRight"), tr("Move this trial to the right"), {QKeySequence(tr("Ctrl+Shift+Right"))}, [this] { m_session->editing().moveTrial(m_session->viewing().trial(), m_session->viewing().trial() + 1); }));
    endSub();
}

void Actions::addRecipes()
{
    beginSub(tr("Re&cipes"));
    saveRecipe = when(onTrial, add(QStringLiteral("saveRecipe"), tr("Save as a r&ecipe..."), {QKeySequence(tr("Ctrl+Shift+R"))}, [this] { m_window->recipeMenus()->save(); }));
    const RecipeMenus &menus = *m_window->recipeMenus();
    for (QMenu *menu : {menus.toTrial, menus.toAll})
        m_sub->addMenu(menu);
    add(QStringLiteral("importRecipe"), tr("&Import a recipe..."), {}, [this] { m_window->recipeMenus()->import(); });
    for (QMenu *menu : {menus.out, menus.away})
        m_sub->addMenu(menu);
    endSub();
}

void Actions::fillCameraMenu()
{
    m_camerasAway->clear();
    const auto cameras = CameraBook(FrameReader::usualCameraBook()).cameras();
    if (cameras.empty())
        m_camerasAway->addAction(tr("Nothing was learned yet"))->setEnabled(false);
    for (const CameraBook::Camera &c : cameras) {
        const QString name = QString::fromStdString(c.name());
        m_camerasAway->addAction((c.frames == 1 ? tr("%1   (one frame)").arg(name) : tr("%1   (%n frames)", nullptr, c.frames).arg(name)), this, [this, c, name] {
            const Status gone = CameraBook::forget(c);
            m_window->say(gone ? tr("Forgot %1. Frames that are open keep their noise as it was measured.").arg(name) : QString::fromStdString(gone.error().userMessage));
        });
    }
}

void Actions::addCompareMenu()
{
    m_menus.append({tr("&Compare"), {}});
    testStrip = when(onWall, add(QStringLiteral("testStrip"), tr("&Test strip"), {Qt::Key_T}, [this] { m_window->openStrip(StripView::Kind::Both); }));
    ringAround = when(onWall, add(QStringLiteral("ringAround"), tr("&Ring-around of strengths"), {QKeySequence(tr("Shift+T"))}, [this] { m_window->openStrip(StripView::Kind::Ring); }));
    when(onWall, add(QStringLiteral("methodRing"), tr("Ring-around of &methods"), {QKeySequence(tr("Ctrl+T"))}, [this] { m_window->openStrip(StripView::Kind::Methods); }));
    when(onWall, add(QStringLiteral("sequence"), tr("Frames before and &after, at this place"), {QKeySequence(tr("Shift+W"))}, [this] {
             StripView::sequenceOf(*m_session).size() > 1 ? m_window->openStrip(StripView::Kind::Sequence) : m_window->say(tr("No other frame of this size is on the roll."));
         }));
    loupe = when(onWall, add(QStringLiteral("loupe"), tr("&Loupe"), {Qt::Key_W}, [this] { m_window->openLoupe(); }));
    blind = when(onWall, add(QStringLiteral("blind"), tr("&Blind round"), {Qt::Key_Y}, [this] { m_window->openBlindRound(); }));
    m_menus.last().actions.append(nullptr);
    blink = add(QStringLiteral("blink"), tr("Bl&ink: the columns in turn in this place"), {Qt::Key_Z}, [this] {
        m_window->blink()->isOn() ? m_window->blink()->stop() : m_window->blink()->start(m_session->viewing().column(), !desktopWantsLessMotion());
    });
    blink->setCheckable(true);
    when(onWall, add(QStringLiteral("blinkPace"), tr("Another pace of the blinking"), {QKeySequence(tr("Shift+Z"))}, [this] { m_window->blink()->nextPace(); }));
    difference = add(QStringLiteral("difference"), tr("&Difference of the others from this column"), {QKeySequence(tr("Shift+D"))}, [this] {
        m_wall->setDifference(m_wall->differenceFrom() ? std::nullopt : std::optional(m_session->viewing().column()), m_wall->differenceGain());
    });
    difference->setCheckable(true);
    when(onWall, add(QStringLiteral("differenceGain"), tr("Differences stronger"), {QKeySequence(tr("Ctrl+Shift+D"))}, [this] {
             m_wall->strengthenDifference(m_wall->differenceFrom().value_or(m_session->viewing().column()));
         }));
    pixelReading = add(QStringLiteral("pixelReading"), tr("&Figures of the pixel under the pointer"), {Qt::Key_I}, [this] { m_window->setPixelsRead(pixelReading->isChecked()); });
    pixelReading->setCheckable(true);
    for (QAction *a : {blink, difference, pixelReading})
        when(onWall, a);
    m_menus.last().actions.append(nullptr);
    when(onTrial, add(QStringLiteral("measureFrame"), tr("Measure the &whole frame"), {QKeySequence(tr("Ctrl+J"))}, [this] {
             m_window->card("readings")->bringUp();
             m_window->readingsPanel()->measure();
         }));
    when(onTrial, add(QStringLiteral("worst"), tr("To where most n&oise is left"), {Qt::Key_J}, [this] { m_window->readingsPanel()->goToWorst(); }));
}

void Actions::addLookMenu()
{
    m_menus.append({tr("&Look"), {}});
    beginSub(tr("&Magnification"));
    for (const double zoom : Wall::zoomLadder()) {
        const QString text = zoom == 0 ? tr("Whole frame") : tr("%1 %").arg(zoom * 100);
        const QList<QKeySequence> keys = zoom == 0  ? QList<QKeySequence>{QKeySequence(tr("Ctrl+0"))}
                                         : zoom < 1 ? QList<QKeySequence>{QKeySequence(tr("Ctrl+5"))}
                                                    : QList<QKeySequence>{QKeySequence(tr("Ctrl+%1").arg(zoom))};
        when(onFrame, add(QStringLiteral("zoom%1").arg(zoom * 100), text, keys, [this, zoom] { m_wall->zoomTo(zoom); }));
    }
    when(onFrame, add(QStringLiteral("zoomIn"), tr("Closer"), {Qt::Key_Plus, QKeySequence::ZoomIn}, [this] { m_wall->zoomBy(1); }));
    when(onFrame, add(QStringLiteral("zoomOut"), tr("Further off"), {Qt::Key_Minus, QKeySequence::ZoomOut}, [this] { m_wall->zoomBy(-1); }));
    when(onWall, add(QStringLiteral("outputSize"), tr("At &output size..."), {QKeySequence(tr("Ctrl+Shift+0"))}, [this] { m_window->chooseOutputSize(); }));
    endSub();
    m_menus.last().actions.append(nullptr);
    when(onWall, add(QStringLiteral("moreRows"), tr("One row more"), {QKeySequence(tr("Ctrl+Shift+Down"))}, [this] { m_session->viewing().setRowCount(m_session->viewing().rowCount() + 1); }));
    when(onWall, add(QStringLiteral("fewerRows"), tr("One row fewer"), {QKeySequence(tr("Ctrl+Shift+Up"))}, [this] { m_session->viewing().setRowCount(m_session->viewing().rowCount() - 1); }));
    QAction *unfold = add(QStringLiteral("unfold"), tr("Unfold the strips"), {Qt::Key_Period}, [this] { m_wall->setUnfolded(!m_wall->isUnfolded()); });
    unfold->setCheckable(true);
    QAction *column = add(QStringLiteral("untreatedColumn"), tr("Untreated column"), {Qt::Key_U}, [this] { m_wall->setUntreatedShown(!m_wall->isUntreatedShown()); });
    column->setCheckable(true);
    column->setChecked(true);
    for (QAction *a : {unfold, column})
        when(onWall, a);
    m_menus.last().actions.append(nullptr);
    beginSub(tr("Look &elsewhere"));
    const auto pan = [this](double dx, double dy) {
        Viewport v = m_session->viewing().viewport();
        const QRect seen = m_wall->visibleRegion();
        const Size size = m_session->viewing().currentFrame()->frame->uprightSize();
        v.centre = {(seen.x() + seen.width() / 2.0 + dx * seen.width()) / size.width, (seen.y() + seen.height() / 2.0 + dy * seen.height()) / size.height};
        m_session->viewing().setViewport(v);
    };
    when(onFrame, add(QStringLiteral("panLeft"), tr("Look further left"), {QKeySequence(tr("Shift+Left"))}, [pan] { pan(-0.25, 0); }));
    when(onFrame, add(QStringLiteral("panRight"), tr("Look further right"), {QKeySequence(tr("Shift+Right"))}, [pan] { pan(0.25, 0); }));
    when(onFrame, add(QStringLiteral("panUp"), tr("Look further up"), {QKeySequence(tr("Shift+Up"))}, [pan] { pan(0, -0.25); }));
    when(onFrame, add(QStringLiteral("panDown"), tr("Look further down"), {QKeySequence(tr("Shift+Down"))}, [pan] { pan(0, 0.25); }));
    endSub();
    when(onFrame, add(QStringLiteral("pushMore"), tr("Push by half a stop more"), {Qt::Key_P}, [this] { m_session->viewing().setPushEv(m_session->viewing().pushEv() + 0.5); }));
    when(onFrame, add(QStringLiteral("pushLess"), tr("Push by half a stop less"), {QKeySequence(tr("Shift+P"))}, [this] { m_session->viewing().setPushEv(m_session->viewing().pushEv() - 0.5); }));
    beginSub(tr("&Side that is shown"));
    untreatedToggle = add(QStringLiteral("untreated"), tr("Show the &untreated pixels everywhere"), {QKeySequence(tr("Shift+Space"))},
                          [this] { m_wall->setUntreatedHeld(untreatedToggle->isChecked()); });
    untreatedToggle->setCheckable(true);
    when(onWall, untreatedToggle);
    for (const auto &[show, name, text, keys] : {std::tuple{Show::Removed, "removed", tr("&Removed"), tr("Shift+R")}, {Show::Luminance, "luminanceOnly", tr("&Luminance only"), tr("Shift+L")}, {Show::Colour, "colourOnly", tr("C&olour only"), tr("Shift+O")}, {Show::Spared, "spared", tr("What sharpening &spares"), tr("Shift+V")}, {Show::Clipping, "clipping", tr("&Clipping"), tr("Shift+X")}, {Show::Proof, "proof", tr("Soft &proof of the output"), tr("Shift+H")}, {Show::Outside, "outside", tr("Outside the output's colours (&gamut)"), tr("Shift+G")}, {Show::Doubt, "doubt", tr("Dou&bt: detail that may be made up"), tr("Shift+Q")}}) {
        QAction *a = add(QLatin1String(name), text, {QKeySequence(keys)}, [this, s = show] { m_session->viewing().setShow(m_session->viewing().look().show == s ? Show::Picture : s); });
        a->setCheckable(true);
        connect(&m_session->viewing(), &Viewing::lookChanged, a, [this, a, s = show] { a->setChecked(m_session->viewing().look().show == s); });
        when(onFrame, a);
    }
    endSub();
    m_menus.last().actions.append(nullptr);
    beginSub(tr("&Wall"));
    auto *group = new QActionGroup(this);
    for (const auto &[wall, text] : {std::pair{Tones::Wall::Dim, tr("&Dim wall")}, std::pair{Tones::Wall::Mid, tr("&Mid-grey wall")}, std::pair{Tones::Wall::Pale, tr("&Pale wall")}}) {
        QAction *a = add(QStringLiteral("wall%1").arg(int(wall)), text, {}, [this, w = wall] { m_window->setWallGrey(w); });
        a->setCheckable(true);
        group->addAction(a);
        wallGreys << a;
    }
    endSub();
    beginSub(tr("S&creen"));
    auto *screens = new QActionGroup(this);
    m_screens = {add(QStringLiteral("screenOfSystem"), tr("Screen's profile as the s&ystem says"), {}, [this] { m_window->setScreenProfile(QString::fromLatin1(ScreenProfile::kOfSystem)); }),
                 add(QStringLiteral("screenSrgb"), tr("Show as sRGB"), {}, [this] { m_window->setScreenProfile(QString::fromLatin1(ScreenProfile::kSrgb)); }),
                 add(QStringLiteral("screenFile"), tr("Screen's profile from a &file..."), {}, [this] { m_window->chooseScreenProfile(); })};
    for (QAction *a : m_screens) {
        a->setCheckable(true);
        screens->addAction(a);
    }
    endSub();
    beginSub(tr("Outp&ut for the proof"));
    auto *outputs = new QActionGroup(this);
    m_outputs = {add(QStringLiteral("proofSrgb"), tr("&sRGB"), {}, [this] { m_window->outputProof()->choose({}); }),
                 add(QStringLiteral("proofFile"), tr("Output's profile from a &file..."), {}, [this] { m_window->outputProof()->chooseFile(m_window); })};
    for (QAction *a : m_outputs) {
        a->setCheckable(true);
        outputs->addAction(a);
    }
    m_proofPaper = add(QStringLiteral("proofPaper"), tr("With the &white of its paper"), {}, [this] { m_window->outputProof()->setPaper(m_proofPaper->isChecked()); });
    m_proofPaper->setCheckable(true);
    endSub();
    showScreenChoice(m_window->settings().screenProfile);
}

void Actions::showScreenChoice(const QString &choice)
{
    m_screens[choice == QLatin1String(ScreenProfile::kOfSystem) ? 0 : choice == QLatin1String(ScreenProfile::kSrgb) ? 1
                                                                                                                    : 2]
        ->setChecked(true);
}

void Actions::showOutputChoice(const OutputProof &proof)
{
    m_outputs[proof.isSrgb() ? 0 : 1]->setChecked(true);
    m_proofPaper->setChecked(proof.showsPaper());
}

void Actions::addWindowAndHelpMenus()
{
    m_menus.append({tr("&Window"), {}});
    add(QStringLiteral("contactSheet"), tr("&Contact sheet"), {QKeySequence(tr("Shift+F9"))}, [this] {
        m_window->view() == MainWindow::View::Sheet ? m_window->showView(MainWindow::View::Wall) : m_window->openSheet();
    });
    rollShown = add(QStringLiteral("showRoll"), tr("Show the &roll"), {Qt::Key_F9}, [this] { m_window->setRollShown(rollShown->isChecked()); });
    rollShown->setCheckable(true);
    constexpr Qt::Key kCardKeys[] = {Qt::Key_F5, Qt::Key_F6, Qt::Key_F7, Qt::Key_F8, Qt::Key_F11, Qt::Key_F12, Qt::Key_F4};
    const Qt::Key *key = kCardKeys;
    for (Card *card : m_window->cards()) {
        QAction *a = card->toggleViewAction();
        a->setObjectName(QStringLiteral("card-") + card->objectName());
        a->setShortcut(key == std::end(kCardKeys) ? QKeySequence(tr("Shift+F4")) : QKeySequence(*key++));
        connect(a, &QAction::triggered, card, [card](bool shown) {
            if (shown)
                card->bringUp();
        });
        m_window->addAction(a);
        m_menus.last().actions << a;
    }
    add(QStringLiteral("reset"), tr("Reset the &arrangement"), {}, [this] { m_window->resetArrangement(); });
    m_menus.append({tr("&Help"), {}});
    add(QStringLiteral("shortcuts"), tr("&Commands and keys..."), {QKeySequence::HelpContents, QKeySequence(tr("Ctrl+K"))}, [this] { m_window->showCommands(); });
    add(QStringLiteral("pages"), tr("&Pages about Irenic..."), {QKeySequence(tr("Shift+F1"))}, [this] { m_window->showPages(); });
    add(QStringLiteral("guide"), tr("&What to try"), {}, [this] { m_window->setGuideShown(true); });
    beginSub(tr("&Language"));
    auto *spoken = new QActionGroup(this);
    const auto offer = [&](const QString &code, const QString &name) {
        QAction *a = add(QStringLiteral("language-") + code, name, {}, [this, code, name] {
            languages::choose(code);
            m_window->say(tr("%1, from the next start on.").arg(name));
        });
        a->setCheckable(true);
        a->setChecked(languages::chosen() == code);
        spoken->addAction(a);
    };
    offer({}, tr("As the desktop"));
    for (const QString &code : languages::all())
        offer(code, languages::nameOf(code));
    endSub();
    add(QStringLiteral("about"), tr("&About Irenic"), {}, [this] { m_window->showAbout(); });
}

void Actions::updateEnabled()
{
    const Viewing &viewing = m_session->viewing();
    const Now now{viewing.currentFrame(), viewing.readyFrame(), m_window->view(), viewing.column(), viewing.trial(), viewing.lastSpot()};
    for (const auto &[action, condition] : m_when)
        action->setEnabled(condition(now));
    m_useRegions->setChecked(now.treatment() && now.treatment()->regions);
}

QList<Actions::Shortcut> Actions::commands() const
{
    const QString held = tr("Held keys and the pointer");
    QList<Shortcut> all{{held, tr("Show the untreated pixels while held"), tr("hold Space")},
                        {held, tr("Show what was removed while held"), tr("hold R")},
                        {held, tr("Show luminance only while held"), tr("hold L")},
                        {held, tr("Show colour only while held"), tr("hold O")},
                        {held, tr("Show what sharpening spares while held"), tr("hold V")},
                        {held, tr("Show clipping while held"), tr("hold X")},
                        {held, tr("Show the soft proof while held; what lies outside of it where that hangs"), tr("hold ,")},
                        {held, tr("Show doubt while held"), tr("hold Q")},
                        {held, tr("Mark a spot there"), tr("Shift+click")},
                        {held, tr("In a strip: move, use the picked setting, hang it as a trial"), tr("arrows, Enter, N")},
                        {held, tr("In the loupe: wipe, swap, another way of comparing"), tr("arrows, Q, V")},
                        {held, tr("In a blind round: left is better, no difference, right is better"), tr("Left, Down, Right")},
                        {held, tr("On the contact sheet: up to here, one more or less, all"), tr("Shift, Ctrl, Ctrl+A")},
                        {held, tr("Back to the wall"), tr("Esc")},
                        {held, tr("Closer and further off, about the pointer"), tr("wheel")},
                        {held, tr("Move all pictures together"), tr("drag")},
                        {held, tr("To 200 % there, or back to the whole frame"), tr("double-click")}};
    const auto line = [&](const QString &group, QAction *a) {
        QStringList keys;
        for (const QKeySequence &k : a->shortcuts())
            keys << k.toString(QKeySequence::NativeText);
        keys.removeDuplicates();
        all.append({QString(group).remove(u'&'), a->text().remove(u'&'), keys.join(tr(", ")), a});
    };
    for (const Menu &menu : m_menus) {
        for (QAction *a : menu.actions)
            if (a && !a->menu())
                line(menu.title, a);
        for (QAction *a : menu.actions)
            if (a && m_subs.contains(a->menu()))
                for (QAction *inner : a->menu()->actions())
                    if (!inner->menu() && !inner->isSeparator())
                        line(tr("%1, %2").arg(menu.title, a->text()), inner);
    }
    return all;
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/actions.h"

#include "panels/wall.h"
#include "window/main_window.h"

#include <QActionGroup>
#include <QMenu>

namespace irenic {

Actions::Actions(MainWindow *window, Session *session, Wall *wall) : QObject(window), m_window(window), m_session(session), m_wall(wall)
{
    addFileMenu();
    addEditMenu();
    addFrameMenu();
    addTrialMenu();
    addLookMenu();
    addWindowAndHelpMenus();
    connect(session, &Session::currentChanged, this, &Actions::updateEnabled);
    connect(session, &Session::frameChanged, this, &Actions::updateEnabled);
    updateEnabled();
}

QAction *Actions::add(const QString &name, const QString &text, const QList<QKeySequence> &keys, std::function<void()> run)
{
    auto *action = new QAction(text, this);
    action->setObjectName(name);
    action->setShortcuts(keys);
    connect(action, &QAction::triggered, this, [run] { run(); });
    m_window->addAction(action); // shortcuts work with menus hidden
    if (!m_menus.isEmpty())
        m_menus.last().actions.append(action);
    return action;
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
    m_needFrame << add(QStringLiteral("export"), tr("&Export..."), {QKeySequence(tr("Ctrl+E"))}, [this] { m_window->showExportDialog(); });
    m_menus.last().actions.append(nullptr);
    add(QStringLiteral("quit"), tr("&Quit"), {QKeySequence::Quit}, [this] { m_window->close(); });
}

void Actions::addEditMenu()
{
    m_menus.append({tr("&Edit"), {}});
    QAction *undo = m_session->undoStack()->createUndoAction(this, tr("Undo"));
    undo->setShortcuts(QKeySequence::Undo);
    QAction *redo = m_session->undoStack()->createRedoAction(this, tr("Redo"));
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
    add(QStringLiteral("nextFrame"), tr("&Next frame"), {Qt::Key_Down, Qt::Key_PageDown}, [this] { m_window->moveInRoll(1); });
    add(QStringLiteral("previousFrame"), tr("&Previous frame"), {Qt::Key_Up, Qt::Key_PageUp}, [this] { m_window->moveInRoll(-1); });
}

void Actions::addTrialMenu()
{
    m_menus.append({tr("&Trial"), {}});
    for (int t = 0; t < kTrialCount; ++t)
        m_needFrame << add(QStringLiteral("pick") + trialLetter(t), tr("Pick trial %1").arg(trialLetter(t)), {QKeySequence(trialLetter(t))},
                           [this, t] { m_session->setColumn(t); });
    m_needFrame << add(QStringLiteral("nextColumn"), tr("Next column"), {Qt::Key_Right}, [this] { m_session->setColumn(std::min(m_session->column() + 1, kTrialCount - 1)); });
    m_needFrame << add(QStringLiteral("previousColumn"), tr("Previous column"), {Qt::Key_Left}, [this] { m_session->setColumn(std::max(m_session->column() - 1, -1)); });
    m_menus.last().actions.append(nullptr);
    m_needFrame << add(QStringLiteral("keep"), tr("&Keep this trial"), {Qt::Key_K}, [this] { m_session->chooseKeeper(m_session->column()); });
    m_needFrame << add(QStringLiteral("goBack"), tr("Return to the &suggestion"), {Qt::Key_Backspace}, [this] {
        if (m_session->column() >= 0)
            m_session->returnToSuggestion(m_session->column());
    });
    m_needFrame << add(QStringLiteral("nextMethod"), tr("Next &method"), {Qt::Key_M}, [this] {
        const int t = m_session->column();
        if (t < 0 || !m_session->currentFrame())
            return;
        const Treatment &now = m_session->currentFrame()->trials[size_t(t)];
        size_t next = 0;
        while (methods()[next].id != now.method)
            ++next;
        m_session->changeMethod(t, methods()[(next + 1) % methods().size()].id, now.colourMethod);
    });
    m_menus.last().actions.append(nullptr);
    const auto nudge = [this](bool colour, double by) {
        const int t = m_session->column();
        if (t < 0 || !m_session->currentFrame())
            return;
        const Treatment &now = m_session->currentFrame()->trials[size_t(t)];
        m_session->changeStrength(t, colour, (colour ? now.colour : now.luminance) + by, 0);
    };
    m_needFrame << add(QStringLiteral("luminanceMore"), tr("More luminance strength"), {QKeySequence(tr("Ctrl+Right"))}, [nudge] { nudge(false, 0.05); });
    m_needFrame << add(QStringLiteral("luminanceLess"), tr("Less luminance strength"), {QKeySequence(tr("Ctrl+Left"))}, [nudge] { nudge(false, -0.05); });
    m_needFrame << add(QStringLiteral("colourMore"), tr("More colour strength"), {QKeySequence(tr("Ctrl+Up"))}, [nudge] { nudge(true, 0.05); });
    m_needFrame << add(QStringLiteral("colourLess"), tr("Less colour strength"), {QKeySequence(tr("Ctrl+Down"))}, [nudge] { nudge(true, -0.05); });
}

void Actions::addLookMenu()
{
    m_menus.append({tr("&Look"), {}});
    for (const double zoom : Wall::zoomLadder()) {
        const QString text = zoom == 0 ? tr("Whole frame") : tr("%1 %").arg(zoom * 100);
        const QList<QKeySequence> keys = zoom == 0 ? QList<QKeySequence>{QKeySequence(tr("Ctrl+0"))}
                                       : zoom < 1  ? QList<QKeySequence>{QKeySequence(tr("Ctrl+5"))}
                                                   : QList<QKeySequence>{QKeySequence(tr("Ctrl+%1").arg(zoom))};
        m_needFrame << add(QStringLiteral("zoom%1").arg(zoom * 100), text, keys, [this, zoom] { m_wall->zoomTo(zoom); });
    }
    m_needFrame << add(QStringLiteral("zoomIn"), tr("Closer"), {Qt::Key_Plus, QKeySequence::ZoomIn}, [this] { m_wall->zoomBy(1); });
    m_needFrame << add(QStringLiteral("zoomOut"), tr("Further off"), {Qt::Key_Minus, QKeySequence::ZoomOut}, [this] { m_wall->zoomBy(-1); });
    m_menus.last().actions.append(nullptr);
    const auto pan = [this](double dx, double dy) {
        Viewport v = m_session->viewport();
        const QRect seen = m_wall->visibleRegion();
        const Size size = m_session->currentFrame()->frame->uprightSize();
        v.centre = {(seen.x() + seen.width() / 2.0 + dx * seen.width()) / size.width, (seen.y() + seen.height() / 2.0 + dy * seen.height()) / size.height};
        m_session->setViewport(v);
    };
    m_needFrame << add(QStringLiteral("panLeft"), tr("Look further left"), {QKeySequence(tr("Shift+Left"))}, [pan] { pan(-0.25, 0); });
    m_needFrame << add(QStringLiteral("panRight"), tr("Look further right"), {QKeySequence(tr("Shift+Right"))}, [pan] { pan(0.25, 0); });
    m_needFrame << add(QStringLiteral("panUp"), tr("Look further up"), {QKeySequence(tr("Shift+Up"))}, [pan] { pan(0, -0.25); });
    m_needFrame << add(QStringLiteral("panDown"), tr("Look further down"), {QKeySequence(tr("Shift+Down"))}, [pan] { pan(0, 0.25); });
    m_menus.last().actions.append(nullptr);
    m_needFrame << add(QStringLiteral("pushMore"), tr("Push by half a stop more"), {Qt::Key_P}, [this] { m_session->setPushEv(m_session->pushEv() + 0.5); });
    m_needFrame << add(QStringLiteral("pushLess"), tr("Push by half a stop less"), {QKeySequence(tr("Shift+P"))}, [this] { m_session->setPushEv(m_session->pushEv() - 0.5); });
    untreatedToggle = add(QStringLiteral("untreated"), tr("Show the &untreated pixels everywhere"), {QKeySequence(tr("Shift+Space"))},
                          [this] { m_wall->setUntreatedHeld(untreatedToggle->isChecked()); });
    untreatedToggle->setCheckable(true);
    m_needFrame << untreatedToggle;
    m_menus.last().actions.append(nullptr);
    auto *group = new QActionGroup(this);
    for (const auto &[wall, text] : {std::pair{Tones::Wall::Dim, tr("&Dim wall")}, std::pair{Tones::Wall::Mid, tr("&Mid-grey wall")}, std::pair{Tones::Wall::Pale, tr("&Pale wall")}}) {
        QAction *a = add(QStringLiteral("wall%1").arg(int(wall)), text, {}, [this, w = wall] { m_window->setWallGrey(w); });
        a->setCheckable(true);
        group->addAction(a);
        wallGreys << a;
    }
}

void Actions::addWindowAndHelpMenus()
{
    m_menus.append({tr("&Window"), {}});
    rollShown = add(QStringLiteral("showRoll"), tr("Show the &roll"), {Qt::Key_F9}, [this] { m_window->setRollShown(rollShown->isChecked()); });
    rollShown->setCheckable(true);
    add(QStringLiteral("reset"), tr("Reset the &arrangement"), {}, [this] { m_window->resetArrangement(); });
    m_menus.append({tr("&Help"), {}});
    add(QStringLiteral("shortcuts"), tr("&Keys"), {QKeySequence::HelpContents}, [this] { m_window->showShortcuts(); });
    add(QStringLiteral("about"), tr("&About Irenic"), {}, [this] { m_window->showAbout(); });
}

void Actions::updateEnabled()
{
    const RollFrame *f = m_session->currentFrame();
    const bool ready = f && f->state == RollFrame::State::Ready;
    for (QAction *a : m_needFrame)
        a->setEnabled(ready);
}

QList<std::pair<QString, QString>> Actions::shortcuts() const
{
    QList<std::pair<QString, QString>> all{{tr("hold Space"), tr("Show the untreated pixels while held")},
                                           {tr("wheel"), tr("Closer and further off, about the pointer")},
                                           {tr("drag"), tr("Move all pictures together")},
                                           {tr("double-click"), tr("To 200 % there, or back to the whole frame")}};
    for (const Menu &menu : m_menus)
        for (const QAction *a : menu.actions) {
            if (!a || a->shortcuts().isEmpty())
                continue;
            QStringList keys;
            for (const QKeySequence &k : a->shortcuts())
                keys << k.toString(QKeySequence::NativeText);
            keys.removeDuplicates();
            QString text = a->text();
            all.append({keys.join(tr(", ")), text.remove(u'&')});
        }
    return all;
}

} // namespace irenic

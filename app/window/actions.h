// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"

#include "window/main_window.h"

#include <QAction>

namespace irenic {

class Wall;

/// Creates, names and enables every action of the window; menus and the page of shortcuts are made from this list.
class Actions : public QObject
{
    Q_OBJECT
public:
    Actions(MainWindow *window, Session *session, Wall *wall);

    struct Now;
    /// Actions by menu, in order; a null action is a separator.
    struct Menu {
        QString title;
        QList<QAction *> actions;
    };
    const QList<Menu> &menus() const { return m_menus; }
    /// One line of what the window can do.
    struct Shortcut {
        QString group, words, keys;
        QAction *action = nullptr; ///< null: a key that is held, or the pointer
    };
    /// All of it, group by group.
    QList<Shortcut> commands() const;

    QAction *rollShown = nullptr;
    QAction *untreatedToggle = nullptr;
    QAction *blink = nullptr, *difference = nullptr, *pixelReading = nullptr;
    QMenu *recentMenu = nullptr;
    // What the pointer's menus offer, too.
    QAction *exportFrame = nullptr, *quickClean = nullptr, *pinGuest = nullptr, *findFile = nullptr, *takeOff = nullptr;
    QAction *carrySpots = nullptr, *unpin = nullptr, *saveRecipe = nullptr;
    QAction *loupe = nullptr, *testStrip = nullptr, *ringAround = nullptr, *blind = nullptr;
    QAction *keep = nullptr, *goBack = nullptr, *duplicate = nullptr, *removeTrial = nullptr, *moveLeft = nullptr, *moveRight = nullptr;
    QList<QAction *> wallGreys;                   ///< dim, mid, pale
    void showScreenChoice(const QString &choice); ///< see ScreenProfile::choose()
    void showOutputChoice(const OutputProof &proof);

private:
    QAction *when(std::function<bool(const Now &)> condition, QAction *action); ///< it is enabled only then
    QAction *add(const QString &name, const QString &text, const QList<QKeySequence> &keys, std::function<void()> run);
    void beginSub(const QString &title); ///< what is added goes there, until it ends: no level holds more than a dozen
    void endSub() { m_sub = nullptr; }
    void addFileMenu();
    void addEditMenu();
    void addFrameMenu();
    void addSpotMenu();
    void addCompareMenu();
    void addRecipes();
    void fillCameraMenu();
    void addTrialMenu();
    void addLookMenu();
    void addWindowAndHelpMenus();
    void updateEnabled();

    MainWindow *m_window;
    Session *m_session;
    Wall *m_wall;
    QList<Menu> m_menus;
    QMenu *m_sub = nullptr;
    QList<QMenu *> m_subs;
    std::vector<std::pair<QAction *, std::function<bool(const Now &)>>> m_when;
    QAction *m_useRegions = nullptr;
    QList<QAction *> m_screens; ///< of the system, sRGB, from a file
    QList<QAction *> m_outputs; ///< sRGB, from a file
    QAction *m_proofPaper = nullptr;
    QMenu *m_camerasAway = nullptr;
};

} // namespace irenic

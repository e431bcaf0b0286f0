// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/pointer_menus.h"

#include "window/actions.h"
#include "window/main_window.h"
#include "window/recipe_menus.h"

#include <QDesktopServices>
#include <QFileInfo>
#include <QMenu>
#include <QUrl>

namespace irenic {

PointerMenus::PointerMenus(MainWindow *window, Actions *actions) : QObject(window), m_window(window), m_actions(actions) {}

void PointerMenus::showForFrame(QPoint globalPoint)
{
    QMenu menu(m_window);
    menu.addActions({m_actions->exportFrame, m_actions->quickClean, m_actions->pinGuest, m_actions->carrySpots, m_actions->findFile, m_actions->takeOff});
    menu.addAction(tr("Show in the file manager"), this, [this] { QDesktopServices::openUrl(QUrl::fromLocalFile(QFileInfo(m_window->session()->viewing().currentFrame()->path).absolutePath())); });
    menu.exec(globalPoint);
}

void PointerMenus::showForPane(QPoint picturePixel, QPoint globalPoint)
{
    Session *session = m_window->session();
    QMenu menu(m_window);
    menu.addAction(tr("Mark a spot here"), this, [session, picturePixel] { session->viewing().goToSpot(session->editing().addSpot(picturePixel)); });
    const int spot = session->viewing().spotAt(session->viewing().row());
    if (spot >= 0)
        menu.addAction(tr("Move spot %1 here").arg(spot + 1), this, [session, spot, picturePixel] {
            session->editing().moveSpot(spot, picturePixel);
            session->viewing().goToSpot(spot);
        });
    menu.addSeparator();
    menu.addActions({m_actions->loupe, m_actions->testStrip, m_actions->ringAround, m_actions->blind});
    menu.addSeparator();
    menu.addActions({m_actions->keep, m_actions->duplicate, m_actions->removeTrial});
    menu.exec(globalPoint);
}

void PointerMenus::showForStrip(QPoint globalPoint)
{
    QMenu menu(m_window);
    const Actions &a = *m_actions;
    QAction *const apart = nullptr;
    for (QAction *action : {a.keep, a.goBack, a.duplicate, a.moveLeft, a.moveRight, a.removeTrial, a.unpin, apart, a.testStrip, a.ringAround, apart, a.saveRecipe}) {
        if (!action)
            menu.addSeparator();
        else if (action->isEnabled())
            menu.addAction(action);
    }
    menu.addMenu(m_window->recipeMenus()->toTrial);
    menu.exec(globalPoint);
}

void PointerMenus::showForSpot(int spot, QPoint globalPoint)
{
    Session *session = m_window->session();
    QMenu menu(m_window);
    menu.addAction(tr("Rename..."), this, [this, spot] { m_window->renameSpot(spot); });
    menu.addAction(tr("Move to the middle of the view"), this, [this, session, spot] {
        session->editing().moveSpot(spot, m_window->wall()->middle());
        session->viewing().goToSpot(spot);
    });
    menu.addAction(tr("Earlier"), this, [session, spot] { session->editing().reorderSpot(spot, spot - 1); })->setEnabled(spot > 0);
    menu.addAction(tr("Later"), this, [session, spot] { session->editing().reorderSpot(spot, spot + 1); })->setEnabled(spot + 1 < int(session->viewing().readyFrame()->spots.size()));
    menu.addAction(tr("Remove"), this, [session, spot] { session->editing().removeSpot(spot); });
    menu.exec(globalPoint);
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/pointer_menus.h"

#include "window/actions.h"
#include "window/main_window.h"

#include <QDesktopServices>
#include <QFileInfo>
#include <QMenu>
#include <QUrl>

namespace irenic {

PointerMenus::PointerMenus(MainWindow *window, Actions *actions) : QObject(window), m_window(window), m_actions(actions) {}

void PointerMenus::showForFrame(QPoint globalPoint)
{
    QMenu menu(m_window);
    for (const char *name : {"export", "quickClean", "pinGuest", "carrySpots", "findFile", "takeOff"})
        menu.addAction(m_actions->find(name));
    menu.addAction(tr("Show in the file manager"), this, [this] { QDesktopServices::openUrl(QUrl::fromLocalFile(QFileInfo(m_window->session()->currentFrame()->path).absolutePath())); });
    menu.exec(globalPoint);
}

void PointerMenus::showForPane(QPoint picturePixel, QPoint globalPoint)
{
    Session *session = m_window->session();
    QMenu menu(m_window);
    menu.addAction(tr("Mark a spot here"), this, [session, picturePixel] { session->goToSpot(session->addSpot(picturePixel)); });
    const int spot = session->spotAt(session->row());
    if (spot >= 0)
        menu.addAction(tr("Move spot %1 here").arg(spot + 1), this, [session, spot, picturePixel] {
            session->moveSpot(spot, picturePixel);
            session->goToSpot(spot);
        });
    menu.addSeparator();
    for (const char *name : {"loupe", "testStrip", "ringAround", "blind"})
        menu.addAction(m_actions->find(name));
    menu.addSeparator();
    for (const char *name : {"keep", "duplicate", "removeTrial"})
        menu.addAction(m_actions->find(name));
    menu.exec(globalPoint);
}

void PointerMenus::showForStrip(QPoint globalPoint)
{
    QMenu menu(m_window);
    for (const char *name : {"keep", "goBack", "duplicate", "moveLeft", "moveRight", "removeTrial", "unpin", "", "testStrip", "ringAround", "", "saveRecipe"}) {
        if (*name && m_actions->find(name)->isEnabled())
            menu.addAction(m_actions->find(name));
        else if (!*name)
            menu.addSeparator();
    }
    menu.addMenu(m_actions->recipeMenu);
    menu.exec(globalPoint);
}

void PointerMenus::showForSpot(int spot, QPoint globalPoint)
{
    Session *session = m_window->session();
    QMenu menu(m_window);
    menu.addAction(tr("Rename..."), this, [this, spot] { m_window->renameSpot(spot); });
    menu.addAction(tr("Move to the middle of the view"), this, [this, session, spot] {
        session->moveSpot(spot, m_window->wall()->middle());
        session->goToSpot(spot);
    });
    menu.addAction(tr("Earlier"), this, [session, spot] { session->reorderSpot(spot, spot - 1); })->setEnabled(spot > 0);
    menu.addAction(tr("Later"), this, [session, spot] { session->reorderSpot(spot, spot + 1); })->setEnabled(spot + 1 < int(session->readyFrame()->spots.size()));
    menu.addAction(tr("Remove"), this, [session, spot] { session->removeSpot(spot); });
    menu.exec(globalPoint);
}

} // namespace irenic

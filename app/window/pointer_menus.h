// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QPoint>

namespace irenic {

class Actions;
class MainWindow;

/// What the right button of the mouse brings up, on a frame of the roll, a picture, a strip, a spot.
class PointerMenus : public QObject
{
    Q_OBJECT
public:
    PointerMenus(MainWindow *window, Actions *actions);

public slots:
    void showForFrame(QPoint globalPoint); ///< the current one
    void showForPane(QPoint picturePixel, QPoint globalPoint);
    void showForStrip(QPoint globalPoint); ///< of the column with the keyboard
    void showForSpot(int spot, QPoint globalPoint);

private:
    MainWindow *m_window;
    Actions *m_actions;
};

} // namespace irenic

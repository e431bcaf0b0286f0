// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>

class QAction;
class QKeyEvent;

namespace irenic {

class MainWindow;

/// Keys that show something else on the wall for as long as they are down, wherever the keyboard is in the window: the untreated pixels, and the
/// sides of the pictures. Sliders, fields and lists keep the keys that move in them.
class HoldKeys : public QObject
{
    Q_OBJECT
public:
    /// @param untreatedToggle while it is on, Space holds nothing
    HoldKeys(MainWindow *window, const QAction *untreatedToggle);

    void letGo(); ///< as if no key were down

signals:
    void wasHeld(int key); ///< and is let go

protected:
    bool eventFilter(QObject *watched, QEvent *event) override;

private:
    bool hold(int key, bool press);
    bool isKeptBy(const QObject *watched, const QKeyEvent &key) const;

    MainWindow *m_window;
    const QAction *m_untreatedToggle;
};

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/tones.h"

#include <QDockWidget>

class QPushButton;

namespace irenic {

/// A panel of the window as a card of the strips' paper, in the tray at the left of the wall: it can be pinned (stays when another card
/// comes), folded to its title, floated and put away.
class Card : public QDockWidget
{
    Q_OBJECT
public:
    static constexpr int kLeastPx = 240; ///< width

    /// @param panel what is on it; its own
    Card(const QString &name, const QString &title, QWidget *panel, QWidget *parent = nullptr);

    void setTones(const Tones &tones);
    bool isPinned() const;
    void setPinned(bool pinned);
    bool isFolded() const;
    void setFolded(bool folded);
    bool isInTray() const { return !isHidden() && !isFloating(); }
    int wantedPx() const { return m_wantedPx; } ///< width that it had last in the tray
    void bringUp();                             ///< shown, unfolded, above others

signals:
    void cameUp();      ///< is shown, and was not before
    void trayChanged(); ///< takes room beside the wall, or does no longer

protected:
    void showEvent(QShowEvent *event) override;
    void hideEvent(QHideEvent *event) override;

private:
    int m_wantedPx = kLeastPx;
    QWidget *m_title;
    QPushButton *m_pin, *m_fold, *m_float;
};

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/hold_keys.h"

#include "panels/roll_panel.h"
#include "window/main_window.h"

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QAbstractSpinBox>
#include <QAction>
#include <QApplication>
#include <QComboBox>
#include <QKeyEvent>
#include <QLineEdit>
#include <QSlider>

namespace irenic {

namespace {

/// A side of the pictures for as long as a key is down; with Shift, for good.
constexpr struct {
    int key;
    Show show;
} kHolds[] = {{Qt::Key_R, Show::Removed}, {Qt::Key_L, Show::Luminance}, {Qt::Key_O, Show::Colour}, {Qt::Key_V, Show::Spared}, {Qt::Key_X, Show::Clipping}, {Qt::Key_Comma, Show::Proof}, {Qt::Key_Q, Show::Doubt}};

} // namespace

HoldKeys::HoldKeys(MainWindow *window, const QAction *untreatedToggle) : QObject(window), m_window(window), m_untreatedToggle(untreatedToggle)
{
    qApp->installEventFilter(this);
}

void HoldKeys::letGo()
{
    if (!m_untreatedToggle->isChecked())
        m_window->wall()->setUntreatedHeld(false);
    m_window->wall()->setHeldShow(std::nullopt);
}

/// True where the key is one that is held.
bool HoldKeys::hold(int key, bool press)
{
    if (m_window->view() != MainWindow::View::Wall || !m_window->session()->viewing().readyFrame())
        return false;
    if (key == Qt::Key_Space) {
        if (m_untreatedToggle->isChecked())
            return false;
        m_window->wall()->setUntreatedHeld(press);
        if (!press)
            emit wasHeld(key);
        return true;
    }
    const auto held = std::find_if(std::begin(kHolds), std::end(kHolds), [key](const auto &h) { return h.key == key; });
    if (held == std::end(kHolds))
        return false;
    const bool further = held->show == Show::Proof && m_window->session()->viewing().look().show == Show::Proof; // where that hangs already
    m_window->wall()->setHeldShow(press ? std::optional(further ? Show::Outside : held->show) : std::nullopt);
    if (!press)
        emit wasHeld(key);
    return true;
}

bool HoldKeys::isKeptBy(const QObject *watched, const QKeyEvent &key) const
{
    if (key.modifiers() & ~Qt::KeypadModifier)
        return false;
    const bool list = qobject_cast<const QAbstractItemView *>(watched) && watched != m_window->rollPanel();
    switch (key.key()) {
    case Qt::Key_Left:
    case Qt::Key_Right: return qobject_cast<const QSlider *>(watched);
    case Qt::Key_Up:
    case Qt::Key_Down:
    case Qt::Key_PageUp:
    case Qt::Key_PageDown: return list || qobject_cast<const QSlider *>(watched) || qobject_cast<const QAbstractSpinBox *>(watched);
    case Qt::Key_Delete: return list;
    default: return false;
    }
}

bool HoldKeys::eventFilter(QObject *watched, QEvent *event)
{
    if (event->type() == QEvent::ShortcutOverride && isKeptBy(watched, *static_cast<QKeyEvent *>(event))) {
        event->accept();
        return true;
    }
    const bool press = event->type() == QEvent::KeyPress, release = event->type() == QEvent::KeyRelease;
    if ((press || release) && m_window->isActiveWindow()) {
        const auto *key = static_cast<QKeyEvent *>(event);
        QWidget *focus = QApplication::focusWidget();
        // A button keeps its Space key, a field its letters; everywhere else in the window they are holds.
        const bool typing = qobject_cast<QLineEdit *>(focus) || qobject_cast<QAbstractSpinBox *>(focus) || qobject_cast<QComboBox *>(focus);
        const bool busy = typing || (qobject_cast<QAbstractButton *>(focus) && key->key() == Qt::Key_Space);
        if (key->modifiers() == Qt::NoModifier && !busy && !QApplication::activeModalWidget()) {
            if (key->isAutoRepeat() ? (key->key() == Qt::Key_Space || m_window->wall()->heldShow()) : hold(key->key(), press))
                return true;
        }
    }
    // The window that lost the keyboard will not see the key come up.
    if (event->type() == QEvent::WindowDeactivate && watched == m_window)
        letGo();
    return QObject::eventFilter(watched, event);
}

} // namespace irenic

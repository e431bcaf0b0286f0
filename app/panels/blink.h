// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QTimer>

namespace irenic {

class Wall;

/// The astronomers' blink comparator: the columns of the wall take turns in the place of one, so that the eye need not move. By itself at a
/// pace, or by hand.
class Blink : public QObject
{
    Q_OBJECT
public:
    static constexpr double kPacesS[] = {0.25, 0.5, 1, 2};

    explicit Blink(Wall *wall, QObject *parent = nullptr);

    bool isOn() const { return m_place >= 0; }
    bool isTurning() const { return m_turn.isActive(); }
    int place() const { return m_place; } ///< column in whose place others are shown; -1 while off
    int shown() const { return m_shown; } ///< column that is shown there
    double paceS() const { return kPacesS[m_pace]; }

    void start(int place, bool byItself = true); ///< with the next column after it
    void stop();
    void show(int column); ///< and stay there
    void turnByItself(bool on);
    void nextPace();

signals:
    void changed();

private:
    void next();
    void set(int column);

    Wall *m_wall;
    QTimer m_turn;
    int m_place = -1, m_shown = -1, m_pace = 1;
};

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/blink.h"

#include "panels/wall.h"

#include <iterator>

namespace irenic {

Blink::Blink(Wall *wall, QObject *parent) : QObject(parent), m_wall(wall)
{
    connect(&m_turn, &QTimer::timeout, this, &Blink::next);
    connect(wall, &Wall::columnsHung, this, &Blink::stop);
}

void Blink::start(int place, bool byItself)
{
    stop();
    if (place < 0 || m_wall->columnCount() < 2)
        return;
    m_place = place;
    m_shown = place;
    turnByItself(byItself);
    next();
}

void Blink::stop()
{
    if (!isOn())
        return;
    m_turn.stop();
    m_place = m_shown = -1;
    m_wall->setStandIn(-1, -1);
    emit changed();
}

void Blink::show(int column)
{
    if (!isOn() || column < 0 || column >= m_wall->columnCount())
        return;
    m_turn.stop();
    set(column);
}

void Blink::turnByItself(bool on)
{
    if (on && isOn())
        m_turn.start(int(1000 * paceS()));
    else
        m_turn.stop();
    emit changed();
}

void Blink::nextPace()
{
    m_pace = (m_pace + 1) % int(std::size(kPacesS));
    turnByItself(isOn());
}

/// Untreated takes its turn only where it hangs.
void Blink::next()
{
    const int first = m_wall->isUntreatedShown() ? 0 : 1;
    set(m_shown + 1 < m_wall->columnCount() ? std::max(first, m_shown + 1) : first);
}

void Blink::set(int column)
{
    m_shown = column;
    m_wall->setStandIn(m_place, column);
    emit changed();
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/viewing.h"

#include <cmath>

namespace irenic {

namespace {

QPointF fractionOf(QPoint at, QSize picture)
{
    return {(at.x() + 0.5) / picture.width(), (at.y() + 0.5) / picture.height()};
}

} // namespace

Viewing::Viewing(Roll &roll) : m_roll(roll)
{
    connect(&roll, &Roll::frameChanged, this, [this](int index) {
        if (index == m_current)
            emit shownChanged(kAllParts);
    });
    connect(&roll, &Roll::choicesChanged, this, [this](int index, ChoiceParts parts) {
        if (index == m_current)
            emit shownChanged(parts);
    });
}

const RollFrame *Viewing::readyFrame() const
{
    const RollFrame *f = currentFrame();
    return f && f->state == RollFrame::State::Ready ? f : nullptr;
}

int Viewing::trial() const
{
    const RollFrame *f = readyFrame();
    return f && m_column <= f->trialCount() ? m_column - 1 : -1;
}

int Viewing::spotAt(int row) const
{
    const RollFrame *f = readyFrame();
    if (!f || m_zoom == 0)
        return -1;
    const QSize size = f->pictureSize();
    for (int i = 0; i < int(f->spots.size()); ++i) {
        const QPointF away = fractionOf(f->spots[size_t(i)].at, size) - m_rows[size_t(row)];
        if (std::abs(away.x()) * size.width() < 1 && std::abs(away.y()) * size.height() < 1)
            return i;
    }
    return -1;
}

void Viewing::setCurrent(int index)
{
    if (index != m_current && index >= 0 && index < m_roll.count())
        goTo(index);
}

void Viewing::goTo(int index)
{
    m_current = index;
    m_roll.lookAt(index);
    emit currentChanged(index);
    emit shownChanged(kAllParts);
    clampColumn();
}

int Viewing::columnCount() const
{
    const RollFrame *f = readyFrame();
    return 1 + (f ? f->trialCount() + int(f->guests.size()) : kFirstTrials);
}

/// The keyboard stays on a column that is there.
void Viewing::clampColumn()
{
    if (m_column >= columnCount())
        setColumn(columnCount() - 1);
}

void Viewing::setColumn(int column)
{
    if (column == m_column || column < 0 || column >= columnCount())
        return;
    m_column = column;
    emit columnChanged(column);
}

void Viewing::setRow(int row)
{
    if (row == m_row || row < 0 || row >= rowCount())
        return;
    m_row = row;
    emit rowsChanged();
}

void Viewing::setRowCount(int rows)
{
    rows = std::clamp(rows, 1, kMostRows);
    if (rows == rowCount())
        return;
    if (rows > 1 && m_zoom == 0) { // so many whole frames would show nothing
        m_zoom = 2;
        emit viewportChanged();
    }
    const RollFrame *f = readyFrame();
    while (rowCount() > rows)
        m_rows.pop_back();
    int next = 0;
    while (rowCount() < rows) {
        const auto seen = [&](int spot) {
            for (int r = 0; r < rowCount(); ++r)
                if (spotAt(r) == spot)
                    return true;
            return false;
        };
        while (f && next < int(f->spots.size()) && seen(next))
            ++next;
        m_rows.push_back(f && next < int(f->spots.size()) ? fractionOf(f->spots[size_t(next)].at, f->pictureSize()) : m_rows.back());
    }
    m_row = std::min(m_row, rows - 1);
    emit rowsChanged();
}

void Viewing::setViewport(int row, const Viewport &viewport)
{
    const QPointF centre{std::clamp(viewport.centre.x(), 0.0, 1.0), std::clamp(viewport.centre.y(), 0.0, 1.0)};
    if (viewport.zoom == m_zoom && centre == m_rows[size_t(row)])
        return;
    m_zoom = viewport.zoom;
    m_rows[size_t(row)] = centre;
    emit viewportChanged();
}

void Viewing::goToSpot(int spot)
{
    const RollFrame *f = readyFrame();
    if (!f || spot < 0 || spot >= int(f->spots.size()))
        return;
    m_lastSpot = spot;
    setViewport({m_zoom > 0 ? m_zoom : 2, fractionOf(f->spots[size_t(spot)].at, f->pictureSize())});
}

void Viewing::followSpot(int from, int to)
{
    if (m_lastSpot == from)
        m_lastSpot = to;
}

Look Viewing::look(bool guest) const
{
    Look look = m_look;
    if (const RollFrame *f = readyFrame())
        look.rendering = guest ? renderingForGuest(*f->frame, f->rendering) : f->rendering;
    return look;
}

void Viewing::setPushEv(double ev)
{
    ev = std::clamp(ev, -2.0, 6.0);
    if (ev == m_look.pushEv)
        return;
    m_look.pushEv = ev;
    emit lookChanged();
}

void Viewing::setShow(Show show)
{
    if (show == m_look.show)
        return;
    m_look.show = show;
    emit lookChanged();
}

void Viewing::setProof(std::shared_ptr<const SoftProof> proof)
{
    m_look.proof = std::move(proof);
    emit lookChanged();
}

void Viewing::followFrame(int index)
{
    if (index != m_current)
        return;
    if (m_wantedColumn)
        setColumn(*std::exchange(m_wantedColumn, {}));
    clampColumn();
    emit lookChanged();
}

void Viewing::followChoices(int index, ChoiceParts parts)
{
    if (index != m_current)
        return;
    if (parts.testFlag(ChoicePart::Rendering))
        emit lookChanged();
    clampColumn();
}

void Viewing::save(SavedSession &s) const
{
    s.current = m_current;
    s.column = m_wantedColumn.value_or(m_column) - 1; // files count from the first trial
    s.zoom = m_zoom;
    s.rows.clear();
    for (const QPointF &row : m_rows)
        s.rows.push_back({row.x(), row.y()});
    s.row = m_row;
    s.pushEv = m_look.pushEv;
}

void Viewing::restore(const SavedSession &s)
{
    m_current = -1;
    m_lastSpot = -1;
    m_zoom = s.zoom;
    m_rows.clear();
    for (const auto &row : s.rows)
        if (rowCount() < kMostRows)
            m_rows.emplace_back(row[0], row[1]);
    m_row = std::min(s.row, rowCount() - 1);
    m_look = Look{.proof = m_look.proof};
    m_look.pushEv = std::clamp(s.pushEv, -2.0, 6.0);
    m_wantedColumn = s.column + 1;
    m_column = std::min(s.column + 1, kFirstTrials);
}

void Viewing::tellRestored(int current)
{
    emit rowsChanged();
    emit viewportChanged();
    emit lookChanged();
    setCurrent(std::clamp(current, 0, std::max(0, m_roll.count() - 1)));
}

} // namespace irenic

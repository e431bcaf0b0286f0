// SPDX-License-Identifier: GPL-3.0-or-later
#include "models/sheet_model.h"

#include "models/roll_model.h"

#include <QDateTime>

namespace irenic {

namespace {

/// Exif 2.3, DateTimeOriginal; invalid where a file does not say.
QDateTime takenAt(const RollFrame &f)
{
    const ShootingData *s = f.shooting();
    return s ? QDateTime::fromString(QString::fromStdString(s->dateTime).left(19), QStringLiteral("yyyy:MM:dd HH:mm:ss")) : QDateTime();
}

} // namespace

SheetModel::SheetModel(Session *session, QObject *parent) : QSortFilterProxyModel(parent), m_session(session)
{
    setDynamicSortFilter(true);
    sort(0);
}

void SheetModel::setOrder(Order order)
{
    m_order = order;
    invalidate();
}

void SheetModel::setOnly(Only only)
{
    m_only = only;
    invalidateFilter();
}

void SheetModel::setWords(const QString &words)
{
    m_words = words.split(u' ', Qt::SkipEmptyParts);
    invalidateFilter();
}

bool SheetModel::fits(const RollFrame &f, Only only)
{
    switch (only) {
    case Only::All: return true;
    case Only::Undecided: return f.state != RollFrame::State::Failed && f.keeper < 0 && f.exported.isEmpty();
    case Only::Exported: return !f.exported.isEmpty();
    case Only::Warnings: return f.frame && !f.frame->warnings.empty();
    case Only::Failed: return f.state == RollFrame::State::Failed;
    }
    return true;
}

int SheetModel::countOf(Only only) const
{
    int n = 0;
    for (int i = 0; i < m_session->count(); ++i)
        n += fits(m_session->frame(i), only);
    return n;
}

bool SheetModel::lessThan(const QModelIndex &left, const QModelIndex &right) const
{
    const RollFrame &a = m_session->frame(left.row()), &b = m_session->frame(right.row());
    switch (m_order) {
    case Order::Name:
        if (const int names = QString::localeAwareCompare(a.name(), b.name()); names != 0)
            return names < 0;
        break;
    case Order::Time: {
        const QDateTime first = takenAt(a), second = takenAt(b);
        if (first != second)
            return !second.isValid() || (first.isValid() && first < second);
        break;
    }
    case Order::Iso: {
        const double first = a.shooting() ? a.shooting()->iso : 0, second = b.shooting() ? b.shooting()->iso : 0;
        if (first != second)
            return first < second;
        break;
    }
    case Order::Noise: {
        const float first = a.noise ? a.noise->luminanceNoise : -1, second = b.noise ? b.noise->luminanceNoise : -1;
        if (first != second)
            return first > second;
        break;
    }
    case Order::Roll: break;
    }
    return left.row() < right.row();
}

bool SheetModel::filterAcceptsRow(int row, const QModelIndex &) const
{
    if (row >= m_session->count())
        return false;
    const RollFrame &f = m_session->frame(row);
    if (!fits(f, m_only))
        return false;
    QString text = f.name();
    if (const ShootingData *s = f.shooting())
        text += u' ' + f.speedWords() + u' ' + QString::fromStdString(s->make + ' ' + s->model + ' ' + s->lens);
    return std::all_of(m_words.begin(), m_words.end(), [&](const QString &w) { return text.contains(w, Qt::CaseInsensitive); });
}

QList<int> seriesOf(const Session &session, int index)
{
    const RollFrame &start = session.frame(index);
    if (!takenAt(start).isValid())
        return {index};
    std::vector<std::pair<qint64, int>> alike; // second, index
    for (int i = 0; i < session.count(); ++i) {
        const RollFrame &f = session.frame(i);
        const QDateTime at = takenAt(f);
        if (!at.isValid())
            continue;
        const ShootingData &a = *f.shooting(), &b = *start.shooting();
        const bool alikeInSize = !f.frame || !start.frame || f.pictureSize() == start.pictureSize();
        if (a.make == b.make && a.model == b.model && a.lens == b.lens && alikeInSize)
            alike.emplace_back(at.toSecsSinceEpoch(), i);
    }
    std::sort(alike.begin(), alike.end());
    auto from = std::find_if(alike.begin(), alike.end(), [index](const auto &a) { return a.second == index; }), to = from;
    while (from != alike.begin() && from->first - std::prev(from)->first <= kSeriesGapS)
        --from;
    while (std::next(to) != alike.end() && std::next(to)->first - to->first <= kSeriesGapS)
        ++to;
    QList<int> series;
    for (auto it = from; it <= to; ++it)
        series << it->second;
    return series;
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "models/sheet_model.h"

#include "models/roll_model.h"
#include "session/series.h"

namespace irenic {

SheetModel::SheetModel(Session *session, QObject *parent) : QSortFilterProxyModel(parent), m_session(session)
{
    setDynamicSortFilter(true);
    sort(0);
    m_soon.setSingleShot(true);
    m_soon.setInterval(100);
    connect(&m_soon, &QTimer::timeout, this, &SheetModel::filterAnew);
    const auto soon = [this] {
        if (m_seriesAsOne && !m_soon.isActive())
            m_soon.start(); // hundreds may change in a second
    };
    connect(&session->roll(), &Roll::frameChanged, this, soon);
    connect(&session->roll(), &Roll::choicesChanged, this, soon);
    const auto atOnce = [this] {
        if (m_seriesAsOne)
            filterAnew(); // frames have other numbers now
    };
    connect(&session->roll(), &Roll::rollChanged, this, atOnce);
    connect(session, &Session::restored, this, atOnce);
}

void SheetModel::setSeriesAsOne(bool one)
{
    m_seriesAsOne = one;
    filterAnew();
}

void SheetModel::filterAnew()
{
    gatherSeries();
    invalidateFilter();
}

void SheetModel::gatherSeries()
{
    m_series.clear();
    m_firstOf.clear();
    if (!m_seriesAsOne)
        return;
    for (const QList<int> &series : allSeries(m_session->roll())) {
        QList<int> wanted;
        std::copy_if(series.begin(), series.end(), std::back_inserter(wanted), [this](int i) { return isWanted(i); });
        std::sort(wanted.begin(), wanted.end());
        if (wanted.size() < 2)
            continue;
        for (const int i : wanted)
            m_firstOf[i] = wanted.front();
        m_series[wanted.front()] = wanted;
    }
}

QList<int> SheetModel::framesOf(const QModelIndex &at) const
{
    const int frame = mapToSource(at).row();
    const auto series = m_series.find(frame);
    if (series == m_series.end() || series->second.back() >= m_session->roll().count()) // the roll is changing right now
        return {frame};
    return series->second;
}

QModelIndex SheetModel::indexOf(int frame) const
{
    const auto first = m_firstOf.find(frame);
    return mapFromSource(sourceModel()->index(first == m_firstOf.end() ? frame : first->second, 0));
}

int SheetModel::frameCount() const
{
    int n = 0;
    for (int row = 0; row < rowCount(); ++row)
        n += int(framesOf(index(row, 0)).size());
    return n;
}

QVariant SheetModel::data(const QModelIndex &index, int role) const
{
    if (role == SeriesRole)
        return int(framesOf(index).size());
    const QVariant data = QSortFilterProxyModel::data(index, role);
    if (role != Qt::AccessibleTextRole)
        return data;
    const auto more = int(framesOf(index).size()) - 1;
    return more > 0 ? data.toString() + tr(", and %n more of its series", nullptr, more) : data;
}

void SheetModel::setOrder(Order order)
{
    m_order = order;
    invalidate();
}

void SheetModel::setOnly(Only only)
{
    m_only = only;
    filterAnew();
}

void SheetModel::setWords(const QString &words)
{
    m_words = words.split(u' ', Qt::SkipEmptyParts);
    filterAnew();
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
    for (int i = 0; i < m_session->roll().count(); ++i)
        n += fits(m_session->roll().frame(i), only);
    return n;
}

bool SheetModel::lessThan(const QModelIndex &left, const QModelIndex &right) const
{
    const RollFrame &a = m_session->roll().frame(left.row()), &b = m_session->roll().frame(right.row());
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
    case Order::Nearness: {
        const double first = a.nearnessDb(), second = b.nearnessDb();
        if (first != second)
            return second < 0 || (first >= 0 && first < second);
        break;
    }
    case Order::Roll: break;
    }
    return left.row() < right.row();
}

bool SheetModel::filterAcceptsRow(int row, const QModelIndex &) const
{
    const auto first = m_firstOf.find(row);
    return row < m_session->roll().count() && (first == m_firstOf.end() || first->second == row) && isWanted(row);
}

bool SheetModel::isWanted(int row) const
{
    const RollFrame &f = m_session->roll().frame(row);
    if (!fits(f, m_only))
        return false;
    QString text = f.name();
    if (const ShootingData *s = f.shooting())
        text += u' ' + f.speedWords() + u' ' + QString::fromStdString(s->make + ' ' + s->model + ' ' + s->lens);
    return std::all_of(m_words.begin(), m_words.end(), [&](const QString &w) { return text.contains(w, Qt::CaseInsensitive); });
}

} // namespace irenic

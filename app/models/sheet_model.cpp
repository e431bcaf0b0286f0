// SPDX-License-Identifier: GPL-3.0-or-later
#include "models/sheet_model.h"

#include "models/roll_model.h"

#include <QDateTime>
#include <QSet>

#include <tuple>

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

QList<int> seriesOf(const Session &session, const QList<int> &frames)
{
    struct Shot {
        std::tuple<std::string, std::string, std::string> of; ///< camera, lens
        qint64 second;
        int index;
        auto operator<=>(const Shot &) const = default; // NOLINT(modernize-use-nullptr): clang-tidy 14 takes the compiler's own zero for a pointer
    };
    std::vector<Shot> shots;
    for (int i = 0; i < session.count(); ++i)
        if (const QDateTime at = takenAt(session.frame(i)); at.isValid()) {
            const ShootingData &s = *session.frame(i).shooting();
            shots.push_back({{s.make, s.model, s.lens}, at.toSecsSinceEpoch(), i});
        }
    std::sort(shots.begin(), shots.end());
    QSet<int> chosen(frames.begin(), frames.end());
    for (auto from = shots.begin(); from != shots.end();) {
        auto to = std::next(from);
        while (to != shots.end() && to->of == from->of && to->second - std::prev(to)->second <= kSeriesGapS)
            ++to;
        if (std::any_of(from, to, [&](const Shot &s) { return chosen.contains(s.index); }))
            for (auto it = from; it != to; ++it)
                chosen << it->index;
        from = to;
    }
    QList<int> all(chosen.begin(), chosen.end());
    std::sort(all.begin(), all.end());
    return all;
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"

#include <QSortFilterProxyModel>

namespace irenic {

/// The roll of a RollModel in another order, and of it only what is asked for.
class SheetModel : public QSortFilterProxyModel
{
    Q_OBJECT
public:
    enum class Order {
        Roll, ///< as it was opened
        Name,
        Time,
        Iso,
        Noise, ///< the noisiest first
    };
    enum class Only {
        All,
        Undecided, ///< neither a keeper nor an export
        Exported,
        Warnings, ///< something is odd about the file
        Failed,
    };
    explicit SheetModel(Session *session, QObject *parent = nullptr);

    void setOrder(Order order);
    Order order() const { return m_order; }
    void setOnly(Only only);
    Only only() const { return m_only; }
    void setWords(const QString &words); ///< all of which are in the name, camera, lens or sensitivity of a frame
    int countOf(Only only) const;        ///< of the roll, whatever the words

protected:
    bool lessThan(const QModelIndex &left, const QModelIndex &right) const override;
    bool filterAcceptsRow(int row, const QModelIndex &parent) const override;

private:
    static bool fits(const RollFrame &frame, Only only);

    Session *m_session;
    Order m_order = Order::Roll;
    Only m_only = Only::All;
    QStringList m_words;
};

/// Frames with all that belong together with one of them: same camera and lens, each taken within `kSeriesGapS` of another. Indexes of
/// the session.
QList<int> seriesOf(const Session &session, const QList<int> &frames);
inline constexpr int kSeriesGapS = 5;

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"

#include <QSortFilterProxyModel>
#include <QTimer>

namespace irenic {

/// The roll of a RollModel in another order, and of it only what is asked for. A series may be one row: that of the first of its frames that are asked for.
class SheetModel : public QSortFilterProxyModel
{
    Q_OBJECT
public:
    enum class Order {
        Roll, ///< as it was opened
        Name,
        Time,
        Iso,
        Noise,    ///< the noisiest first
        Nearness, ///< the furthest from the picture without noise first
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
    void setSeriesAsOne(bool one);
    bool seriesAsOne() const { return m_seriesAsOne; }
    QList<int> framesOf(const QModelIndex &at) const; ///< of the session: the frame, or those of its series that are asked for
    QModelIndex indexOf(int frame) const;             ///< of its row, or its series'; invalid where neither is asked for
    int frameCount() const;                           ///< of all rows
    enum Role {
        SeriesRole = Qt::UserRole + 100,
    }; ///< how many frames the row stands for
    QVariant data(const QModelIndex &index, int role) const override;

protected:
    bool lessThan(const QModelIndex &left, const QModelIndex &right) const override;
    bool filterAcceptsRow(int row, const QModelIndex &parent) const override;

private:
    static bool fits(const RollFrame &frame, Only only);
    bool isWanted(int row) const; ///< by itself
    void gatherSeries();
    void filterAnew();

    Session *m_session;
    Order m_order = Order::Roll;
    Only m_only = Only::All;
    QStringList m_words;
    bool m_seriesAsOne = false;
    std::map<int, QList<int>> m_series; ///< frames by the first, where that stands for them
    std::map<int, int> m_firstOf;       ///< the first, of every frame of a series
    QTimer m_soon;                      ///< until series are gathered anew
};

} // namespace irenic

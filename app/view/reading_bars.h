// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/tones.h"

#include <QList>
#include <QString>
#include <QWidget>

#include <optional>

namespace irenic {

/// Readings as short bars, one a line, with the figure behind each. Bars of several strips are on one scale, so that columns are compared at a glance.
class ReadingBars : public QWidget
{
    Q_OBJECT
public:
    struct Row {
        QString label, figure;
        std::optional<double> length; ///< share of the scale; cut at 0 and 1. None where there is nothing to tell
        std::optional<double> second; ///< of a thinner, striped bar under the first: the colours'
        double error = 0;             ///< drawn to both sides of the end
        bool isBest = false;          ///< among the strips
        bool operator==(const Row &) const = default;
    };

    explicit ReadingBars(QWidget *parent = nullptr);

    void setTones(const Tones &tones);
    void setRows(const QList<Row> &rows);
    const QList<Row> &rows() const { return m_rows; }
    static int rowPx(const QWidget *like); ///< height of a line in that font
    QSize sizeHint() const override;

protected:
    void paintEvent(QPaintEvent *event) override;

private:
    Tones m_tones = Tones::of(Tones::Wall::Mid);
    QList<Row> m_rows;
};

} // namespace irenic

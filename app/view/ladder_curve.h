// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/tones.h"

#include <QWidget>

#include <optional>
#include <vector>

namespace irenic {

/// A value for each of the pictures that hang side by side above it, as a curve; the best one is marked.
class LadderCurve : public QWidget
{
    Q_OBJECT
public:
    struct Point {
        double value, error;
        bool operator==(const Point &) const = default;
    };
    explicit LadderCurve(QWidget *parent = nullptr);

    void setTones(const Tones &tones);
    /// One for each picture, from the left; the higher, the better.
    void setPoints(const std::vector<std::optional<Point>> &points);
    const std::vector<std::optional<Point>> &points() const { return m_points; }
    int best() const; ///< -1 where fewer than two are known
    QSize sizeHint() const override;

protected:
    void paintEvent(QPaintEvent *event) override;

private:
    Tones m_tones = Tones::of(Tones::Wall::Mid);
    std::vector<std::optional<Point>> m_points;
};

} // namespace irenic

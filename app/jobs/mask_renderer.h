// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"

#include <QColor>
#include <QImage>
#include <QRect>
#include <QThreadPool>

namespace irenic {

/// How a region is shown over the pictures.
struct MaskLook {
    enum class Shown {
        Nothing,
        Tint,
        Alone,
    };
    Shown shown = Shown::Tint;
    QColor colour{0, 150, 170};
    double opacity = 0.45;
    bool operator==(const MaskLook &) const = default;
};

/// A place of the upright picture of a frame, in stored pixels, where what bends lines is taken into account.
StrokePoint storedPoint(const RollFrame &frame, QPointF upright, double pressure = 1);

/// Draws masks off the window's thread, one place at a time; a newer request for a row replaces the older.
class MaskRenderer : public QObject
{
    Q_OBJECT
public:
    explicit MaskRenderer(QObject *parent = nullptr);
    ~MaskRenderer() override;

    /// @param visible upright picture pixels, `reduction` of them a pixel of the image
    void request(int row, const RollFrame &frame, int region, QRect visible, int reduction, const MaskLook &look);
    void forget(int row);
    bool isIdle() const { return m_running == 0; }

signals:
    void drawn(int row, const QImage &mask, QRect visible, int reduction);

private:
    QThreadPool m_pool;
    std::vector<int> m_serials; ///< of every row's last request
    int m_running = 0;
};

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/readings.h"
#include "view/tones.h"

#include <QImage>
#include <QWidget>

#include <memory>

namespace irenic {

/// The leftover map: the frame in blocks, the paler the more noise is left there. Blocks without a smooth part are hatched.
/// Knows no session; click asks to go there.
class LeftoverView : public QWidget
{
    Q_OBJECT
public:
    explicit LeftoverView(QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    void setMap(std::shared_ptr<const LeftoverMap> map, std::shared_ptr<const Frame> frame); ///< null: nothing is known
    QSize sizeHint() const override { return {280, 190}; }
    /// Noise left, in per cent, that white stands for.
    double whiteAt() const { return m_whiteAt; }
    bool hasHeightForWidth() const override { return true; }
    int heightForWidth(int width) const override;

signals:
    void placeRequested(QPoint uprightPixel);

protected:
    void paintEvent(QPaintEvent *event) override;
    void mousePressEvent(QMouseEvent *event) override;
    bool event(QEvent *event) override;

private:
    QRectF target() const;
    QPoint pictureAt(QPointF at) const;
    int blockAt(QPoint upright) const; ///< index, or -1

    std::shared_ptr<const LeftoverMap> m_map;
    std::shared_ptr<const Frame> m_frame;
    QImage m_image; ///< upright, a pixel a block
    double m_whiteAt = 0;
    Tones m_tones = Tones::of(Tones::Wall::Mid);
};

} // namespace irenic

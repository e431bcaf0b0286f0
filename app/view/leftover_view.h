// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "view/tones.h"

#include <QImage>
#include <QWidget>

#include <functional>
#include <memory>
#include <optional>
#include <vector>

namespace irenic {

/// A map of the frame in blocks: the paler, the more of something is there. Blocks without a value are hatched.
/// Knows no session; click asks to go there.
class LeftoverView : public QWidget
{
    Q_OBJECT
public:
    /// What is drawn. Blocks divide an area of the stored frame, row by row.
    struct Field {
        Size blocks;
        Rect area;
        std::vector<float> shade;           ///< 0 dark, 1 pale; below 0: nothing is known there
        std::vector<PixelAt> rings;         ///< places to look at; stored coordinates
        std::function<QString(size_t)> tip; ///< of a block
    };
    explicit LeftoverView(QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    void setField(std::optional<Field> field, std::shared_ptr<const Frame> frame); ///< none: nothing is known
    const std::optional<Field> &field() const { return m_field; }
    QSize sizeHint() const override { return {280, 190}; }
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

    std::optional<Field> m_field;
    std::shared_ptr<const Frame> m_frame;
    QImage m_image; ///< upright, a pixel a block
    Tones m_tones = Tones::of(Tones::Wall::Mid);
};

} // namespace irenic

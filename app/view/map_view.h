// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QWidget>

namespace irenic {

/// The whole frame, small, with a frame around the part that the panes show. Click or drag to go there.
class MapView : public QWidget
{
    Q_OBJECT
public:
    explicit MapView(QWidget *parent = nullptr);
    void setPicture(const QImage &thumbnail, QSize pictureSize);
    void setSpots(const QList<QPoint> &picturePixels); ///< drawn as small rings
    void setSeen(const QRect &picturePixels);

signals:
    void placeRequested(QPointF centre); ///< fractions of the picture

protected:
    void paintEvent(QPaintEvent *event) override;
    void mousePressEvent(QMouseEvent *event) override;
    void mouseMoveEvent(QMouseEvent *event) override;

private:
    QRectF target() const;
    QImage m_thumbnail;
    QSize m_picture;
    QRect m_seen;
    QList<QPoint> m_spots;
};

} // namespace irenic

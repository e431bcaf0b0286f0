// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/map_view.h"

#include <QMouseEvent>
#include <QPainter>

namespace irenic {

MapView::MapView(QWidget *parent) : QWidget(parent)
{
    setFixedSize(96, 64);
    setAccessibleName(tr("Map of the frame"));
    setToolTip(tr("The whole frame. Click or drag to look elsewhere."));
}

void MapView::setPicture(const QImage &thumbnail, QSize pictureSize)
{
    m_thumbnail = thumbnail;
    m_picture = pictureSize;
    update();
}

void MapView::setSpots(const QList<QPoint> &picturePixels)
{
    m_spots = picturePixels;
    update();
}

void MapView::setSeen(const QRect &picturePixels)
{
    m_seen = picturePixels;
    update();
}

QRectF MapView::target() const
{
    const QSizeF fitted = QSizeF(m_thumbnail.size()).scaled(size(), Qt::KeepAspectRatio);
    return {(width() - fitted.width()) / 2, (height() - fitted.height()) / 2, fitted.width(), fitted.height()};
}

void MapView::paintEvent(QPaintEvent *)
{
    if (m_thumbnail.isNull() || m_picture.isEmpty())
        return;
    QPainter p(this);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    const QRectF t = target();
    p.drawImage(t, m_thumbnail);
    const double sx = t.width() / m_picture.width(), sy = t.height() / m_picture.height();
    p.setRenderHint(QPainter::Antialiasing);
    for (const QPoint &spot : m_spots) {
        const QPointF at(t.x() + spot.x() * sx, t.y() + spot.y() * sy);
        p.setPen(QPen(Qt::black, 2.4));
        p.drawEllipse(at, 2, 2);
        p.setPen(QPen(Qt::white, 1));
        p.drawEllipse(at, 2, 2);
    }
    p.setRenderHint(QPainter::Antialiasing, false);
    QRectF seen(t.x() + m_seen.x() * sx, t.y() + m_seen.y() * sy, m_seen.width() * sx, m_seen.height() * sy);
    if (seen.width() < 5)
        seen.adjust(-2.5, 0, 2.5, 0);
    if (seen.height() < 5)
        seen.adjust(0, -2.5, 0, 2.5);
    seen &= QRectF(rect()).adjusted(1, 1, -1, -1);
    // White within black: seen on any picture.
    p.setPen(QPen(Qt::black, 3));
    p.drawRect(seen);
    p.setPen(QPen(Qt::white, 1));
    p.drawRect(seen);
}

void MapView::mousePressEvent(QMouseEvent *event)
{
    mouseMoveEvent(event);
}

void MapView::mouseMoveEvent(QMouseEvent *event)
{
    const QRectF t = target();
    if (!m_thumbnail.isNull() && (event->buttons() & Qt::LeftButton))
        emit placeRequested({(event->position().x() - t.x()) / t.width(), (event->position().y() - t.y()) / t.height()});
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/picture_pane.h"

#include <QContextMenuEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>

#include <cmath>

namespace irenic {

PicturePane::PicturePane(QWidget *parent) : QWidget(parent)
{
    setMinimumSize(120, 120);
    setAttribute(Qt::WA_OpaquePaintEvent);
    setCursor(Qt::OpenHandCursor);
}

void PicturePane::setTones(const Tones &tones)
{
    m_tones = tones;
    update();
}

void PicturePane::setPictureSize(QSize upright)
{
    if (upright == m_picture)
        return;
    m_picture = upright;
    emit geometryChanged();
    update();
}

void PicturePane::setViewport(const Viewport &viewport)
{
    m_viewport = viewport;
    emit geometryChanged();
    update();
}

void PicturePane::setImage(const PaneImage &image)
{
    m_image = image;
    update();
}

void PicturePane::clearImage()
{
    m_image = {};
    update();
}

void PicturePane::setHeldImage(const PaneImage *held)
{
    m_held = held;
    update();
}

void PicturePane::setMessage(const QString &message)
{
    m_message = message;
    update();
}

double PicturePane::scaleFor(double zoom) const
{
    if (zoom > 0 || m_picture.isEmpty())
        return zoom > 0 ? zoom : 1;
    const QSizeF device = deviceSize();
    return std::min(device.width() / m_picture.width(), device.height() / m_picture.height());
}

double PicturePane::scale() const
{
    return scaleFor(m_viewport.zoom);
}

QPointF PicturePane::topLeft(double scale, QPointF centre) const
{
    const QSizeF device = deviceSize();
    const auto along = [scale](double fraction, double picture, double pane) {
        if (picture * scale <= pane) // smaller than the pane: hangs in its middle
            return -(pane - picture * scale) / 2 / scale;
        const double start = std::clamp(fraction * picture - pane / 2 / scale, 0.0, picture - pane / scale);
        return std::round(start * scale) / scale; // on whole screen pixels, or a pixel would not be a square
    };
    return {along(centre.x(), m_picture.width(), device.width()), along(centre.y(), m_picture.height(), device.height())};
}

QPointF PicturePane::pictureAt(QPointF widgetPoint) const
{
    return topLeft(scale(), m_viewport.centre) + widgetPoint * devicePixelRatioF() / scale();
}

QPointF PicturePane::centreKeeping(QPointF picturePoint, QPointF widgetPoint, double zoom) const
{
    const double s = scaleFor(zoom);
    const QSizeF device = deviceSize();
    const QPointF corner = picturePoint - widgetPoint * devicePixelRatioF() / s;
    return {(corner.x() + device.width() / 2 / s) / m_picture.width(), (corner.y() + device.height() / 2 / s) / m_picture.height()};
}

QRect PicturePane::visibleRegion(int *reduction) const
{
    *reduction = 1;
    if (m_picture.isEmpty() || width() < 2 || height() < 2)
        return {};
    const double s = scale();
    const int whole = int(1 / s + 1e-9);
    *reduction = whole >= 2 ? whole & ~1 : 1;
    const QPointF corner = topLeft(s, m_viewport.centre);
    const QSizeF device = deviceSize();
    const QRect all(QPoint(0, 0), m_picture);
    QRect seen(QPoint(int(std::floor(corner.x())), int(std::floor(corner.y()))),
               QPoint(int(std::ceil(corner.x() + device.width() / s)) - 1, int(std::ceil(corner.y() + device.height() / s)) - 1));
    seen &= all;
    if (*reduction > 1) {
        // Blocks are anchored at the picture's corner, so that panning does not shimmer.
        const int r = *reduction;
        const int right = std::min((seen.right() + r) / r * r, m_picture.width() / r * r), bottom = std::min((seen.bottom() + r) / r * r, m_picture.height() / r * r);
        seen.setTopLeft({seen.x() / r * r, seen.y() / r * r});
        seen.setWidth(right - seen.x());
        seen.setHeight(bottom - seen.y());
    }
    return seen;
}

void PicturePane::paintEvent(QPaintEvent *)
{
    QPainter painter(this);
    painter.fillRect(rect(), m_tones.wall);
    const PaneImage &shown = m_held && !m_held->image.isNull() ? *m_held : m_image;
    if (shown.image.isNull() || m_picture.isEmpty()) {
        painter.setPen(m_tones.wallInk);
        painter.drawText(rect().adjusted(12, 12, -12, -12), Qt::AlignCenter | Qt::TextWordWrap, m_message);
        return;
    }
    const double s = scale(), dpr = devicePixelRatioF();
    const QPointF corner = topLeft(s, m_viewport.centre);
    const QRectF target((shown.region.x() - corner.x()) * s / dpr, (shown.region.y() - corner.y()) * s / dpr,
                        double(shown.image.width()) * shown.reduction * s / dpr, double(shown.image.height()) * shown.reduction * s / dpr);
    if (s * shown.reduction >= 0.999) {
        painter.drawImage(target, shown.image); // nearest neighbour: a pixel is a pixel
        return;
    }
    // Means of what falls together, so that noise shrinks as it does in a picture of that size.
    const QSize size = (target.size() * dpr).toSize().expandedTo({1, 1});
    if (m_small.size() != size || m_smallOf != shown.image.cacheKey()) {
        m_small = shown.image.scaled(size, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
        m_smallOf = shown.image.cacheKey();
    }
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.drawImage(target, m_small);
}

void PicturePane::resizeEvent(QResizeEvent *)
{
    emit geometryChanged();
}

void PicturePane::mousePressEvent(QMouseEvent *event)
{
    emit picked();
    if (event->button() == Qt::LeftButton && m_picking && !m_picture.isEmpty()) {
        emit placePicked(pictureAt(event->position()));
        return;
    }
    if (event->button() == Qt::LeftButton && event->modifiers() == Qt::ShiftModifier && !m_picture.isEmpty()) {
        emit marked(pictureAt(event->position()));
        return;
    }
    if (event->button() != Qt::LeftButton && event->button() != Qt::MiddleButton)
        return;
    m_dragging = true;
    m_dragFrom = event->position();
    // The centre as it is seen, which the border may have kept from being what was asked for.
    const QSizeF device = deviceSize();
    m_centreFrom = topLeft(scale(), m_viewport.centre) + QPointF(device.width(), device.height()) / 2 / scale();
    setCursor(Qt::ClosedHandCursor);
}

void PicturePane::mouseMoveEvent(QMouseEvent *event)
{
    if (!m_dragging || m_picture.isEmpty())
        return;
    const QPointF centre = m_centreFrom - (event->position() - m_dragFrom) * devicePixelRatioF() / scale();
    emit panned({centre.x() / m_picture.width(), centre.y() / m_picture.height()});
}

void PicturePane::mouseReleaseEvent(QMouseEvent *)
{
    m_dragging = false;
    setCursor(m_picking ? Qt::CrossCursor : Qt::OpenHandCursor);
}

void PicturePane::setPicking(bool picking)
{
    m_picking = picking;
    setCursor(picking ? Qt::CrossCursor : Qt::OpenHandCursor);
}

void PicturePane::mouseDoubleClickEvent(QMouseEvent *event)
{
    if (!m_picture.isEmpty())
        emit placeActivated(pictureAt(event->position()));
}

void PicturePane::contextMenuEvent(QContextMenuEvent *event)
{
    if (!m_picture.isEmpty())
        emit menuRequested(pictureAt(event->pos()), event->globalPos());
}

void PicturePane::wheelEvent(QWheelEvent *event)
{
    m_wheel += event->angleDelta().y();
    const int steps = m_wheel / 120;
    m_wheel -= steps * 120;
    if (steps != 0 && !m_picture.isEmpty())
        emit zoomRequested(steps, event->position());
    event->accept();
}

} // namespace irenic

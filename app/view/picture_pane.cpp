// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/picture_pane.h"

#include <QContextMenuEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QTabletEvent>
#include <QWheelEvent>

#include <cmath>

namespace irenic {

PicturePane::PicturePane(QWidget *parent) : QWidget(parent)
{
    setMinimumSize(120, 120);
    setAttribute(Qt::WA_OpaquePaintEvent);
    setCursor(Qt::OpenHandCursor);
    setMouseTracking(true);
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
    if (held || m_held)
        update();
    m_held = held;
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
    const QRectF target = placeOf(shown);
    if (s * shown.reduction >= 0.999) {
        painter.drawImage(target, shown.image); // nearest neighbour: a pixel is a pixel
    } else {
        // Means of what falls together, so that noise shrinks as it does in a picture of that size.
        const QSize size = (target.size() * dpr).toSize().expandedTo({1, 1});
        if (m_small.size() != size || m_smallOf != shown.image.cacheKey()) {
            m_small = shown.image.scaled(size, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
            m_smallOf = shown.image.cacheKey();
        }
        painter.setRenderHint(QPainter::SmoothPixmapTransform);
        painter.drawImage(target, m_small);
    }
    if (!m_overlay.image.isNull() && !m_held)
        painter.drawImage(placeOf(m_overlay), m_overlay.image);
    paintTool(painter);
}

QRectF PicturePane::placeOf(const PaneImage &image) const
{
    const double s = scale(), dpr = devicePixelRatioF();
    const QPointF corner = topLeft(s, m_viewport.centre);
    return {(image.region.x() - corner.x()) * s / dpr, (image.region.y() - corner.y()) * s / dpr, double(image.image.width()) * image.reduction * s / dpr,
            double(image.image.height()) * image.reduction * s / dpr};
}

QPointF PicturePane::widgetAt(QPointF picturePoint) const
{
    return (picturePoint - topLeft(scale(), m_viewport.centre)) * scale() / devicePixelRatioF();
}

/// The brush about the pointer and the stroke as far as it has come; light and dark, so that it shows on any picture.
void PicturePane::paintTool(QPainter &painter)
{
    if (m_tool != PaneTool::Brush && m_tool != PaneTool::Line)
        return;
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setBrush(Qt::NoBrush);
    const double radius = m_brushPx * scale() / devicePixelRatioF();
    QPolygonF line;
    for (const QPointF &p : m_stroke)
        line << widgetAt(p);
    if (m_tool == PaneTool::Line) {
        if (line.size() > 1)
            for (const auto &[width, colour] : {std::pair(3.0, QColor(0, 0, 0, 160)), {1.2, QColor(255, 255, 255)}}) {
                painter.setPen(QPen(colour, width));
                painter.drawLine(line.first(), line.last());
                painter.drawEllipse(line.first(), 4, 4);
                painter.drawEllipse(line.last(), 2, 2);
            }
        return;
    }
    if (!line.isEmpty()) {
        painter.setPen(QPen(QColor(255, 255, 255, 70), std::max(1.0, 2 * radius), Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
        line.size() > 1 ? painter.drawPolyline(line) : painter.drawPoint(line.first());
    }
    if (!m_hovered)
        return;
    for (const auto &[width, colour] : {std::pair(2.6, QColor(0, 0, 0, 150)), {1.1, QColor(255, 255, 255)}}) {
        painter.setPen(QPen(colour, width));
        painter.drawEllipse(m_pointer, std::max(1.5, radius), std::max(1.5, radius));
    }
}

void PicturePane::setOverlay(const PaneImage &overlay)
{
    m_overlay = overlay;
    update();
}

void PicturePane::beginStroke(QPointF at, double pressure)
{
    m_stroking = true;
    m_stroke = {pictureAt(at)};
    emit strokeBegan(m_stroke.first(), pressure);
    update();
}

void PicturePane::goOnStroke(QPointF at, double pressure)
{
    const QPointF point = pictureAt(at), step = point - m_stroke.last();
    // What is nearer than a tenth of the brush changes nothing that shows.
    if (m_tool == PaneTool::Brush && std::hypot(step.x(), step.y()) < std::max(0.5, m_brushPx / 10))
        return;
    m_stroke << point;
    emit strokeMoved(point, pressure);
    update();
}

void PicturePane::endStroke()
{
    m_stroking = false;
    m_stroke.clear();
    emit strokeEnded();
    update();
}

void PicturePane::tabletEvent(QTabletEvent *event)
{
    if ((m_tool != PaneTool::Brush && m_tool != PaneTool::Line) || m_picture.isEmpty())
        return event->ignore();
    m_pointer = event->position();
    switch (event->type()) {
    case QEvent::TabletPress:
        emit picked();
        beginStroke(event->position(), event->pressure());
        break;
    case QEvent::TabletMove:
        if (m_stroking)
            goOnStroke(event->position(), event->pressure());
        break;
    case QEvent::TabletRelease:
        if (m_stroking)
            endStroke();
        break;
    default: break;
    }
    event->accept();
}

void PicturePane::leaveEvent(QEvent *)
{
    m_hovered = false;
    emit pointedAway();
    update();
}

void PicturePane::resizeEvent(QResizeEvent *)
{
    emit geometryChanged();
}

void PicturePane::mousePressEvent(QMouseEvent *event)
{
    emit picked();
    if (event->button() == Qt::LeftButton && m_tool == PaneTool::Pick && !m_picture.isEmpty()) {
        emit placePicked(pictureAt(event->position()));
        return;
    }
    if (event->button() == Qt::LeftButton && m_tool != PaneTool::Move && !m_picture.isEmpty()) {
        beginStroke(event->position(), 1);
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
    m_pointer = event->position();
    m_hovered = true;
    if (!m_picture.isEmpty())
        emit pointedAt(pictureAt(m_pointer));
    if (m_tool == PaneTool::Brush)
        update();
    if (m_stroking)
        return goOnStroke(event->position(), 1);
    if (!m_dragging || m_picture.isEmpty())
        return;
    const QPointF centre = m_centreFrom - (event->position() - m_dragFrom) * devicePixelRatioF() / scale();
    emit panned({centre.x() / m_picture.width(), centre.y() / m_picture.height()});
}

void PicturePane::mouseReleaseEvent(QMouseEvent *)
{
    if (m_stroking)
        endStroke();
    m_dragging = false;
    setCursor(m_tool != PaneTool::Move ? Qt::CrossCursor : Qt::OpenHandCursor);
}

void PicturePane::setTool(PaneTool tool)
{
    m_tool = tool;
    m_stroke.clear();
    m_stroking = false;
    setCursor(tool != PaneTool::Move ? Qt::CrossCursor : Qt::OpenHandCursor);
    update();
}

void PicturePane::mouseDoubleClickEvent(QMouseEvent *event)
{
    if (!m_picture.isEmpty() && m_tool == PaneTool::Move)
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

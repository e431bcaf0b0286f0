// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/leftover_view.h"

#include "irenic/develop.h"
#include "irenic/spots.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include <algorithm>

namespace irenic {

LeftoverView::LeftoverView(QWidget *parent) : QWidget(parent)
{
    setMinimumSize(160, 100);
    setAccessibleName(tr("Map of the frame"));
    QSizePolicy policy(QSizePolicy::Expanding, QSizePolicy::Preferred);
    policy.setHeightForWidth(true);
    setSizePolicy(policy);
}

void LeftoverView::setTones(const Tones &tones)
{
    m_tones = tones;
    update();
}

int LeftoverView::heightForWidth(int width) const
{
    return m_image.isNull() ? width * 2 / 3 : std::min(width * m_image.height() / std::max(1, m_image.width()), 2 * width);
}

void LeftoverView::setField(std::optional<Field> field, std::shared_ptr<const Frame> frame)
{
    m_field = std::move(field);
    m_frame = std::move(frame);
    m_image = {};
    if (m_field && m_frame && m_field->blocks.area() > 0) {
        auto blocks = RgbImage<uint8_t>::ofSize(m_field->blocks);
        for (size_t i = 0; i < m_field->shade.size(); ++i) {
            const float v = m_field->shade[i];
            const uint8_t grey = v < 0 ? 0 : uint8_t(std::min(255.f, 40 + 215 * v)); // 0 is hatched
            std::fill_n(blocks.samples.begin() + ptrdiff_t(3 * i), 3, grey);
        }
        const auto up = turned(blocks, m_frame->orientation);
        m_image = QImage(up.size.width, up.size.height, QImage::Format_RGB888);
        for (int y = 0; y < up.size.height; ++y)
            std::copy_n(up.row(y), 3 * up.size.width, m_image.scanLine(y));
    }
    updateGeometry();
    update();
}

QRectF LeftoverView::target() const
{
    const QSizeF fitted = QSizeF(m_image.size()).scaled(size(), Qt::KeepAspectRatio);
    return {(width() - fitted.width()) / 2, 0, fitted.width(), fitted.height()};
}

void LeftoverView::paintEvent(QPaintEvent *)
{
    QPainter p(this);
    if (m_image.isNull()) {
        p.setPen(m_tones.paperInk);
        p.drawText(rect().adjusted(10, 10, -10, -10), Qt::AlignCenter | Qt::TextWordWrap, tr("Not measured yet"));
        return;
    }
    const QRectF t = target();
    p.drawImage(t, m_image);
    const double w = t.width() / m_image.width(), h = t.height() / m_image.height();
    for (int y = 0; y < m_image.height(); ++y)
        for (int x = 0; x < m_image.width(); ++x)
            if (qRed(m_image.pixel(x, y)) == 0)
                p.fillRect(QRectF(t.x() + x * w, t.y() + y * h, w, h), QBrush(QColor(96, 96, 96), Qt::Dense5Pattern));
    p.setRenderHint(QPainter::Antialiasing);
    for (const PixelAt &place : m_field->rings) {
        const UprightPoint up = m_frame->uprightOf(place);
        const Size size = m_frame->uprightSize();
        const QPointF at(t.x() + t.width() * up.x / size.width, t.y() + t.height() * up.y / size.height);
        for (const auto &[colour, width] : {std::pair{Qt::black, 3.0}, std::pair{Qt::white, 1.2}}) {
            p.setPen(QPen(colour, width));
            p.drawEllipse(at, 4, 4);
        }
    }
}

QPoint LeftoverView::pictureAt(QPointF at) const
{
    const QRectF t = target();
    const Size size = m_frame->uprightSize();
    return {int(std::clamp((at.x() - t.x()) / t.width(), 0.0, 0.9999) * size.width), int(std::clamp((at.y() - t.y()) / t.height(), 0.0, 0.9999) * size.height)};
}

int LeftoverView::blockAt(QPoint upright) const
{
    const PixelAt stored = m_frame->storedOf(UprightPoint{upright.x(), upright.y()});
    const Rect &area = m_field->area;
    if (!area.contains({stored.x, stored.y, 1, 1}))
        return -1;
    return (stored.y - area.y) * m_field->blocks.height / area.height * m_field->blocks.width + (stored.x - area.x) * m_field->blocks.width / area.width;
}

void LeftoverView::mousePressEvent(QMouseEvent *event)
{
    if (!m_image.isNull())
        emit placeRequested(pictureAt(event->position()));
}

bool LeftoverView::event(QEvent *event)
{
    if (event->type() == QEvent::ToolTip && !m_image.isNull()) {
        auto *help = static_cast<QHelpEvent *>(event);
        const int block = blockAt(pictureAt(help->pos()));
        if (block >= 0 && m_field->tip)
            QToolTip::showText(help->globalPos(), m_field->tip(size_t(block)), this);
        return true;
    }
    return QWidget::event(event);
}

} // namespace irenic

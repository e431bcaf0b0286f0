// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/leftover_view.h"

#include "irenic/develop.h"
#include "irenic/spots.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include <algorithm>
#include <iterator>

namespace irenic {

LeftoverView::LeftoverView(QWidget *parent) : QWidget(parent)
{
    setMinimumSize(160, 100);
    setAccessibleName(tr("Leftover map"));
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

void LeftoverView::setMap(std::shared_ptr<const LeftoverMap> map, std::shared_ptr<const Frame> frame)
{
    m_map = std::move(map);
    m_frame = std::move(frame);
    m_image = {};
    if (m_map && m_frame) {
        std::vector<float> judged;
        std::copy_if(m_map->luminance.begin(), m_map->luminance.end(), std::back_inserter(judged), [](float v) { return v >= 0; });
        float most = 0;
        if (!judged.empty()) { // a few odd blocks must not darken all the others
            const auto at = judged.begin() + ptrdiff_t(judged.size() * 98 / 100);
            std::nth_element(judged.begin(), at, judged.end());
            most = *at;
        }
        m_whiteAt = 100 * double(most);
        auto blocks = RgbImage<uint8_t>::ofSize(m_map->blocks);
        for (size_t i = 0; i < m_map->luminance.size(); ++i) {
            const float v = m_map->luminance[i];
            const uint8_t grey = v < 0 ? 0 : uint8_t(std::min(255.f, 40 + 215 * v / std::max(most, 1e-6f)));
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
        p.setPen(m_tones.chromeInk);
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
    for (const auto &place : m_map->worst) {
        const UprightPoint up = m_frame->uprightOf(place.where.middle());
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
    const int x = (stored.x - m_map->area.x) / m_map->blockPx, y = (stored.y - m_map->area.y) / m_map->blockPx;
    return x >= 0 && y >= 0 && x < m_map->blocks.width && y < m_map->blocks.height ? y * m_map->blocks.width + x : -1;
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
        if (block >= 0) {
            const float v = m_map->luminance[size_t(block)];
            QToolTip::showText(help->globalPos(), v < 0 ? tr("nothing smooth here to tell") : tr("%1 % of the grain is left").arg(100 * double(v), 0, 'f', 0), this);
        }
        return true;
    }
    return QWidget::event(event);
}

} // namespace irenic

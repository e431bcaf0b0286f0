// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/mask_renderer.h"

#include "irenic/barrier.h"
#include "irenic/picture.h"
#include "jobs/images.h"

#include <algorithm>
#include <cmath>

namespace irenic {

namespace {

/// Weights of the upright picture's pixels, in its own orientation of the stored one.
Plane<float> weightsOf(const RegionSet &set, size_t region, Rect stored, int step, const Unbending &unbending)
{
    Plane<float> out({stored.width / step, stored.height / step});
    if (unbending.isStraight()) {
        set.mask(region, {stored.x, stored.y}, step, out.view());
        return out;
    }
    const Rect source = unbending.sourceOf(stored);
    Plane<float> bent({source.width / step + 1, source.height / step + 1});
    set.mask(region, {source.x, source.y}, step, bent.view());
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < out.width(); ++x) {
            float sx, sy;
            unbending.source(float(stored.x) + (float(x) + 0.5f) * float(step), float(stored.y) + (float(y) + 0.5f) * float(step), sx, sy);
            const int bx = std::clamp(int((sx - float(source.x)) / float(step)), 0, bent.width() - 1), by = std::clamp(int((sy - float(source.y)) / float(step)), 0, bent.height() - 1);
            out.row(y)[x] = unbending.isBlank(sx, sy) ? 0 : bent.at(bx, by);
        }
    return out;
}

QImage drawnMask(const Plane<float> &weights, int orientation, const MaskLook &look)
{
    auto grey = RgbImage<uint8_t>::ofSize(weights.size());
    for (int y = 0; y < weights.height(); ++y)
        for (int x = 0; x < weights.width(); ++x)
            std::fill_n(grey.row(y) + 3 * x, 3, uint8_t(std::lround(std::clamp(weights.at(x, y), 0.f, 1.f) * 255)));
    const QImage alone = toImage(turned(grey, orientation));
    if (look.shown == MaskLook::Shown::Alone)
        return alone;
    QImage tint(alone.size(), QImage::Format_ARGB32_Premultiplied);
    for (int y = 0; y < alone.height(); ++y) {
        auto *to = reinterpret_cast<QRgb *>(tint.scanLine(y));
        for (int x = 0; x < alone.width(); ++x)
            to[x] = qPremultiply(qRgba(look.colour.red(), look.colour.green(), look.colour.blue(), int(look.opacity * qRed(alone.pixel(x, y)))));
    }
    return tint;
}

} // namespace

StrokePoint storedPoint(const RollFrame &frame, QPointF upright, double pressure)
{
    constexpr int kParts = 32; // of a pixel
    const Rect &crop = frame.frame->crop;
    const TileRect at = beforeTurning({int(std::lround(upright.x() * kParts)), int(std::lround(upright.y() * kParts)), 0, 0}, {crop.width * kParts, crop.height * kParts}, frame.frame->orientation);
    StrokePoint p{float(crop.x) + float(at.x) / kParts, float(crop.y) + float(at.y) / kParts, float(pressure)};
    const Unbending unbending(frame.lens, crop);
    if (!unbending.isStraight())
        unbending.source(p.x, p.y, p.x, p.y);
    return p;
}

MaskRenderer::MaskRenderer(QObject *parent) : QObject(parent)
{
    m_pool.setMaxThreadCount(1);
}

MaskRenderer::~MaskRenderer()
{
    m_pool.clear();
    m_pool.waitForDone();
}

void MaskRenderer::forget(int row)
{
    if (row < int(m_serials.size()))
        ++m_serials[size_t(row)];
}

void MaskRenderer::request(int row, const RollFrame &frame, int region, QRect visible, int reduction, const MaskLook &look)
{
    if (row >= int(m_serials.size()))
        m_serials.resize(size_t(row) + 1);
    const int serial = ++m_serials[size_t(row)];
    const auto set = frame.regionSet;
    const auto pixels = frame.frame;
    const LensCorrection lens = frame.lens;
    ++m_running;
    m_pool.start([=, this] {
        const Result<QImage> image = behindBarrier("The mask", [&]() -> Result<QImage> {
            return drawnMask(weightsOf(*set, size_t(region), pixels->storedOf(toUpright(visible)), reduction, Unbending(lens, pixels->crop)), pixels->orientation, look);
        });
        QMetaObject::invokeMethod(
            this, [=, this] {
                --m_running;
                if (image && serial == m_serials[size_t(row)])
                    emit drawn(row, image.value(), visible, reduction);
            },
            Qt::QueuedConnection);
    });
}

} // namespace irenic

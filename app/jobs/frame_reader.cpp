// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/frame_reader.h"

#include "jobs/images.h"
#include "irenic/picture.h"

namespace irenic {

namespace {

constexpr int kThumbnailLongEdgePx = 360;

Result<QImage> thumbnailOf(const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise, const RunContext &run)
{
    const int longEdge = std::max(frame->crop.width, frame->crop.height);
    const int factor = std::max(2, (longEdge / kThumbnailLongEdgePx + 1) & ~1);
    const Cleaner untreated(frame, noise, Treatment{"wavelet", 0, 0});
    const auto linear = developReducedRegion(untreated, frame->crop, factor, {}, nullptr, run);
    if (!linear)
        return linear.error();
    return toImage(turned(encoded8(linear.value()), frame->orientation));
}

} // namespace

FrameReader::FrameReader(QObject *parent) : QObject(parent)
{
    m_pool.setMaxThreadCount(1); // each reading uses every core by itself
}

FrameReader::~FrameReader()
{
    m_stop.request_stop();
    m_pool.clear();
    m_pool.waitForDone();
}

void FrameReader::wake(const QString &path)
{
    m_pool.start([this, path, stop = m_stop.get_token()] {
        const auto frame = readFrame(path.toStdString(), {0, stop, {}});
        if (frame)
            emit woken(path, frame.value());
        else
            emit failed(path, QString::fromStdString(frame.error().userMessage));
    }, 1);
}

void FrameReader::read(const QString &path)
{
    m_pool.start([this, path, stop = m_stop.get_token()] {
        const RunContext run{0, stop, {}};
        auto frame = readFrame(path.toStdString(), run);
        if (!frame) {
            emit failed(path, QString::fromStdString(frame.error().userMessage));
            return;
        }
        emit opened(path, frame.value());
        Result<NoiseReport> noise = measureNoise(*frame.value(), run);
        if (!noise) {
            emit failed(path, QString::fromStdString(noise.error().userMessage));
            return;
        }
        const auto report = std::make_shared<const NoiseReport>(noise.take());
        const Result<QImage> thumbnail = thumbnailOf(frame.value(), report, run);
        const auto spots = proposeSpots(frame.value(), report, run);
        if (thumbnail && spots)
            emit finished(path, frame.take(), report, thumbnail.value(), spots.value());
    });
}

} // namespace irenic

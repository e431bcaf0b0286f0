// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/frame_reader.h"

#include "irenic/barrier.h"
#include "irenic/camera_book.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "jobs/images.h"
#include "session/paths.h"

#include <QStandardPaths>

namespace irenic {

namespace {

constexpr int kThumbnailLongEdgePx = 360;

Result<QImage> thumbnailOf(const std::shared_ptr<const Frame> &frame, const RunContext &run)
{
    const int longEdge = std::max(frame->crop.width, frame->crop.height);
    const int factor = std::max(2, (longEdge / kThumbnailLongEdgePx + 1) & ~1);
    const Cleaner untreated = Cleaner::untreated(frame);
    const auto linear = developReducedRegion(untreated, frame->crop, factor, {}, nullptr, run);
    if (!linear)
        return linear.error();
    return toImage(turned(encoded8(linear.value()), frame->orientation));
}

} // namespace

std::filesystem::path FrameReader::usualCameraBook()
{
    return fileOf(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/cameras"));
}

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
        const auto frame = readFrame(fileOf(path), {0, stop, {}});
        if (frame)
            emit woken(path, frame.value());
        else if (frame.error().code != ErrorCode::Cancelled)
            emit failed(path, QString::fromStdString(frame.error().userMessage));
    },
                 1);
}

void FrameReader::read(const QString &path)
{
    m_pool.start([this, path, book = m_cameraBook, stop = m_stop.get_token()] {
        const Status read = behindBarrier(textOf(fileOf(path).filename()), [&] { return readAll(path, book, {0, stop, {}}); });
        if (!read && read.error().code != ErrorCode::Cancelled)
            emit failed(path, QString::fromStdString(read.error().userMessage));
    });
}

/// On a thread of the pool.
Status FrameReader::readAll(const QString &path, const std::filesystem::path &cameraBook, const RunContext &run)
{
    const auto frame = readFrame(fileOf(path), run);
    if (!frame)
        return frame.error();
    emit opened(path, frame.value());
    CameraBook book(cameraBook);
    Result<NoiseReport> noise = measureNoise(*frame.value(), run, cameraBook.empty() ? KnownCamera() : book.about(*frame.value()));
    if (!noise)
        return noise.error();
    const auto report = std::make_shared<const NoiseReport>(noise.take());
    const Result<QImage> thumbnail = thumbnailOf(frame.value(), run);
    if (!thumbnail)
        return thumbnail.error();
    const auto spots = proposeSpots(frame.value(), report, run);
    if (!spots)
        return spots.error();
    emit finished(path, frame.value(), report, thumbnail.value(), spots.value());
    // What cannot be written down helps no later frame, and harms none.
    if (!cameraBook.empty())
        behindBarrier(textOf(fileOf(path).filename()), [&] { return book.learn(*frame.value(), *report, run); });
    return {};
}

} // namespace irenic

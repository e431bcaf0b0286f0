// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/frame_reader.h"

#include "irenic/barrier.h"
#include "irenic/camera_book.h"
#include "irenic/glimpse.h"
#include "irenic/nearness.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "jobs/images.h"
#include "session/paths.h"

#include <QStandardPaths>

namespace irenic {

namespace {

constexpr int kThumbnailLongEdgePx = 288; ///< enough for a paper of the contact sheet on a screen of twice the density

Result<QImage> thumbnailOf(const std::shared_ptr<const Frame> &frame, const RunContext &run)
{
    const int longEdge = std::max(frame->crop.width, frame->crop.height);
    const int factor = std::max(2, (longEdge / kThumbnailLongEdgePx + 1) & ~1);
    const Cleaner untreated = Cleaner::untreated(frame);
    const auto linear = developReducedRegion(untreated, frame->crop, factor, {}, nullptr, run);
    if (!linear)
        return linear.error();
    return toImage(turned(encoded8(linear.value()), frame->orientation)).convertToFormat(QImage::Format_RGB888); // a roll may be a thousand
}

} // namespace

std::filesystem::path FrameReader::usualCameraBook()
{
    return fileOf(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/cameras"));
}

FrameReader::FrameReader(QObject *parent) : QObject(parent)
{
    m_pool.setMaxThreadCount(1); // each reading uses every core by itself
    m_glimpses.setMaxThreadCount(1);
}

void FrameReader::setCameraBook(const std::filesystem::path &folder)
{
    const std::lock_guard lock(m_mutex);
    m_cameraBook = folder;
}

FrameReader::~FrameReader()
{
    m_stop.request_stop();
    for (QThreadPool *pool : {&m_pool, &m_glimpses}) {
        pool->clear();
        pool->waitForDone();
    }
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
    {
        const std::lock_guard lock(m_mutex);
        m_waiting << path;
    }
    m_glimpses.start([this, path, stop = m_stop.get_token()] { glimpse(path, stop); });
    m_pool.start([this] { readNext(); });
}

void FrameReader::prefer(const QStringList &paths)
{
    const std::lock_guard lock(m_mutex);
    for (auto it = paths.rbegin(); it != paths.rend(); ++it)
        if (m_waiting.removeOne(*it))
            m_waiting.prepend(*it);
}

void FrameReader::setPaused(bool paused)
{
    int owed = 0;
    {
        const std::lock_guard lock(m_mutex);
        m_paused = paused;
        if (!paused)
            owed = std::exchange(m_owed, 0);
    }
    for (int i = 0; i < owed; ++i)
        m_pool.start([this] { readNext(); });
}

bool FrameReader::isPaused() const
{
    const std::lock_guard lock(m_mutex);
    return m_paused;
}

/// On a thread of the pool: whichever is first now.
void FrameReader::readNext()
{
    QString path;
    std::filesystem::path book;
    {
        const std::lock_guard lock(m_mutex);
        if (m_paused) {
            ++m_owed;
            return;
        }
        if (m_waiting.isEmpty())
            return;
        path = m_waiting.takeFirst();
        book = m_cameraBook;
    }
    const Status read = behindBarrier(textOf(fileOf(path).filename()), [&] { return readAll(path, book, {0, m_stop.get_token(), {}}); });
    if (!read && read.error().code != ErrorCode::Cancelled)
        emit failed(path, QString::fromStdString(read.error().userMessage));
}

/// What cannot be glimpsed is read all the same.
void FrameReader::glimpse(const QString &path, const std::stop_token &stop)
{
    {
        const std::lock_guard lock(m_mutex);
        if (!m_waiting.contains(path)) // its turn came first
            return;
    }
    if (stop.stop_requested())
        return;
    const auto seen = behindBarrier(textOf(fileOf(path).filename()), [&]() -> Status {
        const auto g = glimpseOf(fileOf(path));
        if (!g)
            return g.error();
        const QByteArray bytes(reinterpret_cast<const char *>(g.value().jpeg.data()), qsizetype(g.value().jpeg.size()));
        QImage image = QImage::fromData(bytes, "JPEG");
        if (!image.isNull())
            image = uprightImage(image.scaled(kThumbnailLongEdgePx, kThumbnailLongEdgePx, Qt::KeepAspectRatio, Qt::SmoothTransformation), g.value().orientation);
        emit glimpsed(path, image, g.value().shooting);
        return {};
    });
    Q_UNUSED(seen)
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
    if (const Status told = tellNearest(noise.value(), frame.value(), run); !told)
        return told.error();
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
        (void)behindBarrier(textOf(fileOf(path).filename()), [&] { return book.learn(*frame.value(), *report, run); });
    return {};
}

} // namespace irenic

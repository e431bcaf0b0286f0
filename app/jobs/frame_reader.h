// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"
#include "irenic/spots.h"

#include <QImage>
#include <QObject>
#include <QThreadPool>

#include <filesystem>
#include <memory>
#include <mutex>
#include <stop_token>

namespace irenic {

/// Reads and measures frames off the window's thread, one after the other: in the order asked for, but those that are looked at first. What files
/// carry of themselves comes before all that.
class FrameReader : public QObject
{
    Q_OBJECT
public:
    explicit FrameReader(QObject *parent = nullptr);
    ~FrameReader() override; ///< waits for the running one, which is stopped
    void read(const QString &path);
    void prefer(const QStringList &paths); ///< before the others that wait, in this order
    void setPaused(bool paused);           ///< nothing new is begun while it is; what is looked at is woken all the same
    bool isPaused() const;
    /// Asks this camera book about frames that are read from now on, and lets it learn from them; none where it is empty.
    void setCameraBook(const std::filesystem::path &folder);
    static std::filesystem::path usualCameraBook(); ///< folder in the user's data
    void wake(const QString &path);                 ///< only reads it again, before all that is to be measured

signals:
    void woken(const QString &path, std::shared_ptr<const irenic::Frame> frame);
    void glimpsed(const QString &path, const QImage &thumbnail, const irenic::ShootingData &shooting); ///< waits to be read
    void opened(const QString &path, std::shared_ptr<const irenic::Frame> frame);                      ///< can be looked at; its noise is being measured
    void finished(const QString &path, std::shared_ptr<const irenic::Frame> frame, std::shared_ptr<const irenic::NoiseReport> noise, const QImage &thumbnail,
                  const std::vector<irenic::ProposedSpot> &spots);
    void failed(const QString &path, const QString &problem);

private:
    Status readAll(const QString &path, const std::filesystem::path &cameraBook, const RunContext &run);

    void readNext();
    void glimpse(const QString &path, const std::stop_token &stop);

    mutable std::mutex m_mutex; ///< of what follows, and of the camera book
    QStringList m_waiting;
    int m_owed = 0; ///< turns that came while it was paused
    bool m_paused = false;
    QThreadPool m_pool, m_glimpses;
    std::stop_source m_stop;
    std::filesystem::path m_cameraBook;
};

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"
#include "irenic/spots.h"

#include <QImage>
#include <QObject>
#include <QThreadPool>

#include <filesystem>
#include <memory>
#include <stop_token>

namespace irenic {

/// Reads and measures frames off the window's thread, one after the other in the order asked for.
class FrameReader : public QObject
{
    Q_OBJECT
public:
    explicit FrameReader(QObject *parent = nullptr);
    ~FrameReader() override; ///< waits for the running one, which is stopped
    void read(const QString &path);
    /// Asks this camera book about frames that are read from now on, and lets it learn from them; none where it is empty.
    void setCameraBook(const std::filesystem::path &folder) { m_cameraBook = folder; }
    static std::filesystem::path usualCameraBook(); ///< folder in the user's data
    void wake(const QString &path);                 ///< only reads it again, before all that is to be measured

signals:
    void woken(const QString &path, std::shared_ptr<const irenic::Frame> frame);
    void opened(const QString &path, std::shared_ptr<const irenic::Frame> frame); ///< can be looked at; its noise is being measured
    void finished(const QString &path, std::shared_ptr<const irenic::Frame> frame, std::shared_ptr<const irenic::NoiseReport> noise, const QImage &thumbnail,
                  const std::vector<irenic::ProposedSpot> &spots);
    void failed(const QString &path, const QString &problem);

private:
    Status readAll(const QString &path, const std::filesystem::path &cameraBook, const RunContext &run);

    QThreadPool m_pool;
    std::stop_source m_stop;
    std::filesystem::path m_cameraBook;
};

} // namespace irenic

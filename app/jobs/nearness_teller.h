// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/clean.h"
#include "irenic/regions.h"
#include "session/shared.h"

#include <QObject>
#include <QThreadPool>

#include <list>
#include <memory>
#include <mutex>
#include <optional>

namespace irenic {

/// Tells of one frame after the other how near its treatment is estimated to come to the picture without noise, off the window's thread and giving way to it. Frames
/// whose pixels rest are read for it, and let go again.
class NearnessTeller : public QObject
{
    Q_OBJECT
public:
    struct Subject {
        QString path;
        std::shared_ptr<const Frame> frame; ///< null: its pixels rest
        std::shared_ptr<const NoiseReport> noise;
        Treatment treatment;
        Shared<std::vector<Region>> regions;
        bool asksTheSame(const Subject &other) const { return path == other.path && noise == other.noise && treatment == other.treatment && regions == other.regions; }
    };

    explicit NearnessTeller(QObject *parent = nullptr);
    ~NearnessTeller() override;

    void want(std::list<Subject> subjects); ///< in place of what waits, the first one first; what is being told goes on, and is not told twice
    int waiting() const;                    ///< with that one

signals:
    /// @param db  see Nearness::db; below 0 where it cannot be told
    void told(const QString &path, const Treatment &of, const Shared<std::vector<Region>> &regions, double db);

private:
    void tellNext();

    QThreadPool m_pool;
    std::stop_source m_stop;
    mutable std::mutex m_mutex;
    std::list<Subject> m_waiting;
    std::optional<Subject> m_running; ///< without its pixels
};

} // namespace irenic

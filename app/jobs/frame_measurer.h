// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/picture.h"
#include "irenic/readings.h"

#include <QObject>
#include <QThreadPool>

#include <list>
#include <memory>

namespace irenic {

/// Reads what a treatment leaves over a whole frame, off the window's thread and giving way to it. What was asked for last counts;
/// what is known stays known.
class FrameMeasurer : public QObject
{
    Q_OBJECT
public:
    struct Subject {
        std::shared_ptr<const Frame> frame;
        std::shared_ptr<const NoiseReport> noise;
        Treatment treatment;
        FrameEdits edits;
        bool operator==(const Subject &) const = default;
    };

    explicit FrameMeasurer(CleanCache *cache, QObject *parent = nullptr);
    ~FrameMeasurer() override;

    /// Null while it is not known.
    std::shared_ptr<const LeftoverMap> known(const Subject &subject) const;
    void measure(const Subject &subject); ///< stops another one that runs
    void stop();
    bool isMeasuring() const { return m_running; }
    double fraction() const { return m_fraction; }

signals:
    void progressChanged();
    void measured(); ///< known() answers now

private:
    CleanCache *m_cache;
    QThreadPool m_pool;
    std::stop_source m_stop;
    int m_serial = 0;
    bool m_running = false;
    double m_fraction = 0;
    struct Known {
        std::shared_ptr<const NoiseReport> noise; ///< tells the frame, and holds no pixels
        Treatment treatment;
        std::vector<Region> regions;
        LensCorrection lens;
        std::shared_ptr<const LeftoverMap> map;
    };
    std::list<Known> m_known;
};

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/frame_measurer.h"

#include "irenic/barrier.h"
#include "irenic/clean.h"

#include <QMetaObject>

namespace irenic {

FrameMeasurer::FrameMeasurer(CleanCache *cache, QObject *parent) : QObject(parent), m_cache(cache)
{
    m_pool.setMaxThreadCount(1);
    m_pool.setThreadPriority(QThread::LowPriority);
}

FrameMeasurer::~FrameMeasurer()
{
    m_stop.request_stop();
    m_pool.clear();
    m_pool.waitForDone();
}

namespace {

/// As values: a set would keep the frame's pixels alive.
std::vector<Region> regionsOf(const FrameMeasurer::Subject &subject)
{
    return subject.edits.regions && subject.treatment.regions ? subject.edits.regions->regions() : std::vector<Region>();
}

} // namespace

std::shared_ptr<const LeftoverMap> FrameMeasurer::known(const Subject &subject) const
{
    for (const Known &k : m_known)
        if (k.noise == subject.noise && k.treatment == subject.treatment && k.regions == regionsOf(subject) && k.lens == subject.edits.lens)
            return k.map;
    return nullptr;
}

void FrameMeasurer::stop()
{
    m_stop.request_stop();
    m_pool.clear();
    ++m_serial;
    m_running = false;
    emit progressChanged();
}

void FrameMeasurer::measure(const Subject &subject)
{
    stop();
    if (known(subject)) {
        emit measured();
        return;
    }
    m_stop = std::stop_source();
    m_running = true;
    m_fraction = 0;
    const int serial = m_serial;
    m_pool.start([this, subject, serial, stop = m_stop.get_token()] {
        RunContext run{0, stop, {}, true};
        run.onProgress = [this, serial](double fraction) {
            QMetaObject::invokeMethod(
                this, [this, serial, fraction] {
                    if (serial != m_serial)
                        return;
                    m_fraction = fraction;
                    emit progressChanged();
                },
                Qt::QueuedConnection);
        };
        Result<LeftoverMap> map = behindBarrier("The frame", [&] { return leftoverMap(Cleaner(subject.frame, subject.noise, subject.treatment, subject.edits), m_cache, run); });
        if (!map) {
            if (map.error().code != ErrorCode::Cancelled)
                QMetaObject::invokeMethod(
                    this, [this, serial] {
                        if (serial != m_serial)
                            return;
                        m_running = false;
                        emit progressChanged();
                    },
                    Qt::QueuedConnection);
            return;
        }
        const auto found = std::make_shared<const LeftoverMap>(map.take());
        QMetaObject::invokeMethod(
            this, [this, serial, subject, found] {
                constexpr size_t kMostKnown = 40;
                m_known.push_front({subject.noise, subject.treatment, regionsOf(subject), subject.edits.lens, found});
                if (m_known.size() > kMostKnown)
                    m_known.pop_back();
                if (serial != m_serial)
                    return;
                m_running = false;
                emit progressChanged();
                emit measured();
            },
            Qt::QueuedConnection);
    });
    emit progressChanged();
}

} // namespace irenic

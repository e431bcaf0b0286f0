// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/nearness_teller.h"

#include "irenic/barrier.h"
#include "irenic/nearness.h"
#include "irenic/read_frame.h"
#include "session/paths.h"

namespace irenic {

namespace {

Result<std::optional<Nearness>> nearnessOf(const NearnessTeller::Subject &subject, const RunContext &run)
{
    std::shared_ptr<const Frame> frame = subject.frame;
    if (!frame) {
        const auto read = readFrame(fileOf(subject.path), run);
        if (!read)
            return read.error();
        frame = read.value();
    }
    return nearnessAllOver(Cleaner(frame, subject.noise, subject.treatment, {subject.regions->empty() ? nullptr : std::make_shared<const RegionSet>(frame, subject.noise, *subject.regions), {}}), run);
}

} // namespace

NearnessTeller::NearnessTeller(QObject *parent) : QObject(parent)
{
    m_pool.setMaxThreadCount(1);
    m_pool.setThreadPriority(QThread::LowPriority);
}

NearnessTeller::~NearnessTeller()
{
    want({});
    m_stop.request_stop();
    m_pool.waitForDone();
}

void NearnessTeller::want(std::list<Subject> subjects)
{
    const std::lock_guard lock(m_mutex);
    if (m_running)
        subjects.remove_if([this](const Subject &s) { return s.asksTheSame(*m_running); });
    m_waiting = std::move(subjects);
    if (!m_running && !m_waiting.empty()) {
        m_running = Subject(); // until it begins
        m_pool.start([this] { tellNext(); });
    }
}

int NearnessTeller::waiting() const
{
    const std::lock_guard lock(m_mutex);
    return int(m_waiting.size()) + m_running.has_value();
}

/// On a thread of the pool.
void NearnessTeller::tellNext()
{
    for (;;) {
        Subject next;
        {
            const std::lock_guard lock(m_mutex);
            m_running.reset();
            if (m_waiting.empty())
                return;
            next = std::move(m_waiting.front());
            m_waiting.pop_front();
            m_running = next;
            m_running->frame = nullptr;
        }
        const auto nearness = behindBarrier(textOf(fileOf(next.path).filename()), [&] { return nearnessOf(next, {0, m_stop.get_token(), {}, true}); });
        if (m_stop.stop_requested())
            return;
        emit told(next.path, next.treatment, next.regions, nearness && nearness.value() && nearness.value()->errorDb < Nearness::kUnknownDb ? nearness.value()->db : -1);
    }
}

} // namespace irenic

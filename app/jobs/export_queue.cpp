// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/export_queue.h"

namespace irenic {

ExportQueue::ExportQueue(QObject *parent) : QObject(parent)
{
    m_pool.setMaxThreadCount(1);
    m_pool.setThreadPriority(QThread::LowestPriority);
}

ExportQueue::~ExportQueue()
{
    m_stop.request_stop();
    m_pool.waitForDone();
}

void ExportQueue::add(const ExportJob &job)
{
    if (!m_running && m_waiting.empty())
        m_finished = 0; // a new run of the queue counts from the start
    m_waiting.push_back(job);
    startNext();
    emit progressChanged();
}

void ExportQueue::cancelAll()
{
    m_waiting.clear();
    m_stop.request_stop();
    emit progressChanged();
}

double ExportQueue::secondsLeft() const
{
    if (!m_running)
        return 0;
    const double taken = double(m_timer.elapsed()) / 1000;
    // The first tenth pays for opening and says little.
    const double one = m_fraction > 0.1 ? taken / m_fraction : m_lastSeconds;
    return one < 0 ? -1 : std::max(0.0, one - taken) + one * double(m_waiting.size());
}

void ExportQueue::startNext()
{
    if (m_running || m_waiting.empty())
        return;
    const ExportJob job = m_waiting.front();
    m_waiting.pop_front();
    m_running = true;
    m_fraction = 0;
    m_timer.start();
    m_stop = std::stop_source();
    m_pool.start([this, job, stop = m_stop.get_token()] {
        const auto onProgress = [this](double f) {
            QMetaObject::invokeMethod(this, [this, f] {
                m_fraction = f;
                emit progressChanged();
            }, Qt::QueuedConnection);
        };
        const Result<std::string> name = expandName(job.nameTemplate.toStdString(), *job.frame, job.treatment);
        const Cleaner cleaner(job.frame, job.noise, job.treatment);
        const Result<ExportReport> written = name ? exportCleaned(cleaner, *job.noise, freeName(job.folder.toStdString(), name.value(), job.format), job.format, {0, stop, onProgress, /*background=*/true})
                                                  : Result<ExportReport>(name.error());
        QMetaObject::invokeMethod(this, [this, job, written] {
            m_lastSeconds = double(m_timer.elapsed()) / 1000;
            if (written)
                emit exported(job.source, QString::fromStdString(written.value().file.string()), written.value().seconds);
            else
                emit failed(job.source, QString::fromStdString(written.error().userMessage));
            finish();
        }, Qt::QueuedConnection);
    });
}

void ExportQueue::finish()
{
    m_running = false;
    ++m_finished;
    startNext();
    emit progressChanged();
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/export.h"

#include <QElapsedTimer>
#include <QObject>
#include <QThreadPool>

#include <deque>

namespace irenic {

struct ExportJob {
    QString source; ///< path of the frame in the roll
    std::shared_ptr<const Frame> frame;
    std::shared_ptr<const NoiseReport> noise;
    Treatment treatment;
    QString folder;
    QString nameTemplate;
    ExportFormat format = ExportFormat::Dng;
};

/// Exports one after the other in the background, at low priority. A failed one is reported and passed over.
class ExportQueue : public QObject
{
    Q_OBJECT
public:
    explicit ExportQueue(QObject *parent = nullptr);
    ~ExportQueue() override; ///< stops the running export; nothing half-written stays behind

    void add(const ExportJob &job);
    void cancelAll();
    bool isBusy() const { return m_running; }
    int finishedCount() const { return m_finished; }
    int totalCount() const { return m_finished + int(m_waiting.size()) + (m_running ? 1 : 0); }
    double fraction() const { return m_running ? m_fraction : 0; } ///< of the running one
    double secondsLeft() const; ///< of all, or -1 while it cannot be known

signals:
    void progressChanged(); ///< counts, or the fraction of the running one
    void exported(const QString &source, const QString &file, double seconds);
    void failed(const QString &source, const QString &problem);

private:
    void startNext();
    void finish();

    QThreadPool m_pool;
    std::stop_source m_stop;
    std::deque<ExportJob> m_waiting;
    QElapsedTimer m_timer;
    bool m_running = false;
    double m_fraction = 0;
    double m_lastSeconds = -1;
    int m_finished = 0;
};

} // namespace irenic

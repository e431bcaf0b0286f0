// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/export_job.h"

#include <QElapsedTimer>
#include <QLockFile>
#include <QObject>
#include <QThreadPool>

namespace irenic {

/// An export as the queue takes it.
struct ExportRequest {
    ExportJob job;
    std::shared_ptr<const Frame> frame;       ///< null where it is to be read again
    std::shared_ptr<const NoiseReport> noise; ///< null where it was not measured yet
    double expected = 0;                      ///< seconds, see expectedSeconds(); 0: not known
};

/// Exports one after the other in the background, at low priority. A failed one is reported and passed over. What is over stays in the
/// list until it is cleared. Once kept in a folder, the list is written there at every step, and outlives the process.
class ExportQueue : public QObject
{
    Q_OBJECT
public:
    struct Entry : QueuedJob {
        int id = 0;
        double expected = 0;                      ///< seconds on a middling machine, see expectedSeconds(); 0: not known
        double fraction = 0;                      ///< of the running one
        bool wasCleaned = false;                  ///< with the one before it
        std::weak_ptr<const Frame> frame;         ///< read again where it is gone
        std::shared_ptr<const NoiseReport> noise; ///< measured where it is null
    };

    explicit ExportQueue(QObject *parent = nullptr);
    ~ExportQueue() override; ///< stops the running export; nothing half-written stays behind
    /// What was cleaned for the screen, and need not be cleaned again; must outlive the queue. Null: nothing.
    void setSeen(CleanCache *cache) { m_seen = cache; }

    /// Keeps the list in a file of its own in that folder, and takes over what other processes that are gone did not finish. Where
    /// something was taken over the queue is paused. How many exports are unfinished.
    int keepIn(const QString &folder);

    void add(const ExportJob &job, const std::shared_ptr<const Frame> &frame = {}, const std::shared_ptr<const NoiseReport> &noise = {}, double expected = 0) { add({{job, frame, noise, expected}}); }
    void add(const std::vector<ExportRequest> &requests);
    void setPaused(bool paused); ///< the running one is finished first
    bool isPaused() const { return m_paused; }
    void cancel(int id);
    void cancelAll();
    void retry(int id); ///< one that failed or was cancelled
    void retryFailed();
    void move(int id, int steps); ///< among the waiting ones; below 0 is sooner
    void clearOver();             ///< from the list; files stay

    const std::vector<Entry> &entries() const { return m_entries; }
    const Entry *entry(int id) const;
    bool isBusy() const { return m_running > 0; }
    int count(QueuedJob::State state) const;
    int waitingCount() const { return count(QueuedJob::State::Waiting); }
    int overCount() const { return int(m_entries.size()) - waitingCount() - (isBusy() ? 1 : 0); }
    double fraction() const;                      ///< of the running one
    double secondsLeft() const;                   ///< of all, or -1 while it cannot be known
    double secondsLeft(const Entry &entry) const; ///< of one; of a waiting one, what it will take itself
    double ratio() const { return m_ratio; }      ///< seconds taken here over seconds expected, as far as is known
    QString report() const;                       ///< of what is over: what, where, how long, verified how

signals:
    void changed();          ///< entries, or their states
    void progressed(int id); ///< the fraction of the running one
    void exported(const QString &source, const QString &file, double seconds);
    void leftOut(const QString &source, const QString &file, const QString &why); ///< `file` is there already
    void failed(const QString &source, const QString &problem);
    void finished();                            ///< nothing waits any more
    void keepingFailed(const QString &problem); ///< the list could not be written

private:
    std::vector<Entry>::iterator find(int id);
    bool waitAgain(int id);
    void startNext();
    void finish(int id, const Result<ExportOutcome> &done);
    void learn(const Entry &entry);
    void noteChange(); ///< keeps and tells
    bool keep();       ///< false where the list does not lie on disk as it is

    QThreadPool m_pool;
    std::stop_source m_stop;
    std::vector<Entry> m_entries;
    std::shared_ptr<ExportMemory> m_memory; ///< of the running one, where the next one cleans alike or the one before did
    QElapsedTimer m_timer;
    std::unique_ptr<QLockFile> m_lock;
    std::vector<std::unique_ptr<QLockFile>> m_othersLocks; ///< of lists that were taken over and could not be removed
    QString m_file;                                        ///< empty: kept nowhere
    bool m_keepingFails = false;
    int m_lastId = 0;
    CleanCache *m_seen = nullptr;
    int m_running = 0; ///< id, or 0
    bool m_paused = false;
    double m_ratio = 1;
    bool m_ratioKnown = false;
};

} // namespace irenic

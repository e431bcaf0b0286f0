// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/export_queue.h"

#include "irenic/document.h"
#include "irenic/parameter.h"
#include "session/locks.h"
#include "session/paths.h"

#include <QDir>
#include <QFile>

#include <set>

namespace irenic {

namespace {

using State = QueuedJob::State;
constexpr int kMostProcesses = 32; ///< that keep a queue in one folder at a time

/// A name for what is set aside that nothing has yet.
QString unreadName(const QString &file)
{
    QString name = file + QStringLiteral(".unread");
    for (int i = 2; QFile::exists(name); ++i)
        name = QStringLiteral("%1.unread-%2").arg(file).arg(i);
    return name;
}

} // namespace

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

int ExportQueue::keepIn(const QString &folder)
{
    QDir().mkpath(folder);
    std::vector<QueuedJob> unfinished;
    std::vector<std::pair<QString, std::unique_ptr<QLockFile>>> others;
    for (int i = 1; i <= kMostProcesses; ++i) {
        const QString file = QStringLiteral("%1/queue-%2.json").arg(folder).arg(i);
        if (m_lock && !QFile::exists(file))
            continue;
        auto lock = std::make_unique<QLockFile>(file + QStringLiteral(".lock"));
        lock->setStaleLockTime(0); // a living process keeps its queue however long it takes
        if (!take(*lock))
            continue;
        if (QFile::exists(file)) {
            const Result<std::string> text = documentText(fileOf(file), visible("queue"));
            auto jobs = text ? queueFromText(text.value(), file.toStdString()) : Result<std::vector<QueuedJob>>(text.error());
            if (!jobs) { // not ours to lose: another version may know what it is
                QFile::rename(file, unreadName(file));
            } else {
                for (QueuedJob &q : jobs.value())
                    if (!q.isOver())
                        unfinished.push_back(std::move(q));
            }
        }
        if (m_lock) {
            others.emplace_back(file, std::move(lock));
            continue;
        }
        m_lock = std::move(lock);
        m_file = file;
    }
    std::set<std::filesystem::path> folders;
    for (QueuedJob &q : unfinished) {
        folders.insert(q.job.folder);
        Entry e;
        static_cast<QueuedJob &>(e) = std::move(q);
        e.id = ++m_lastId;
        m_entries.push_back(std::move(e));
    }
    m_paused |= !unfinished.empty();
    // The others' lists go only when all that they held lies in ours; until then they stay ours alone.
    if (keep())
        for (const auto &other : others)
            QFile::remove(other.first);
    else
        for (auto &other : others)
            m_othersLocks.push_back(std::move(other.second));
    for (const auto &f : folders) // perhaps on a slow drive
        QThreadPool::globalInstance()->start([f] { sweepUnfinished(f); });
    emit changed();
    return int(unfinished.size());
}

bool ExportQueue::keep()
{
    if (m_file.isEmpty())
        return false;
    std::vector<QueuedJob> jobs;
    for (const Entry &e : m_entries)
        if (!e.isOver())
            jobs.push_back(e);
    QString problem;
    if (jobs.empty()) {
        if (QFile file(m_file); file.exists() && !file.remove())
            problem = file.errorString();
    } else {
        if (const Status s = replaceDocument(fileOf(m_file), queueText(jobs)); !s)
            problem = QString::fromStdString(s.error().userMessage);
    }
    if (!problem.isEmpty() && !m_keepingFails) // said once, and tried again at every step
        emit keepingFailed(tr("The queue could not be kept. %1 Exports go on; were Irenic to end now, those that are not done would not be offered again.").arg(problem));
    m_keepingFails = !problem.isEmpty();
    return !m_keepingFails;
}

void ExportQueue::noteChange()
{
    keep();
    emit changed();
}

std::vector<ExportQueue::Entry>::iterator ExportQueue::find(int id)
{
    return std::find_if(m_entries.begin(), m_entries.end(), [id](const Entry &e) { return e.id == id; });
}

const ExportQueue::Entry *ExportQueue::entry(int id) const
{
    const auto found = const_cast<ExportQueue *>(this)->find(id);
    return found == m_entries.end() ? nullptr : &*found;
}

int ExportQueue::count(State state) const
{
    return int(std::count_if(m_entries.begin(), m_entries.end(), [state](const Entry &e) { return e.state == state; }));
}

void ExportQueue::add(const std::vector<ExportRequest> &requests)
{
    for (const ExportRequest &r : requests) {
        Entry e;
        e.job = r.job;
        e.id = ++m_lastId;
        e.expected = r.expected;
        e.frame = r.frame;
        e.noise = r.noise;
        m_entries.push_back(std::move(e));
    }
    startNext();
    noteChange();
}

void ExportQueue::setPaused(bool paused)
{
    if (paused == m_paused)
        return;
    m_paused = paused;
    startNext();
    noteChange();
}

void ExportQueue::cancel(int id)
{
    const auto e = find(id);
    if (e == m_entries.end() || e->isOver())
        return;
    if (id == m_running)
        m_stop.request_stop(); // its end comes through finish()
    else
        e->state = State::Cancelled;
    noteChange();
}

void ExportQueue::cancelAll()
{
    for (Entry &e : m_entries)
        if (e.state == State::Waiting)
            e.state = State::Cancelled;
    m_stop.request_stop();
    noteChange();
}

/// Behind all others.
bool ExportQueue::waitAgain(int id)
{
    const auto e = find(id);
    if (e == m_entries.end() || (e->state != State::Failed && e->state != State::Cancelled))
        return false;
    e->state = State::Waiting;
    e->words.clear();
    std::rotate(e, e + 1, m_entries.end());
    return true;
}

void ExportQueue::retry(int id)
{
    if (!waitAgain(id))
        return;
    startNext();
    noteChange();
}

void ExportQueue::retryFailed()
{
    std::vector<int> ids;
    for (const Entry &e : m_entries)
        if (e.state == State::Failed)
            ids.push_back(e.id);
    for (const int id : ids)
        waitAgain(id);
    startNext();
    noteChange();
}

void ExportQueue::move(int id, int steps)
{
    auto e = find(id);
    if (e == m_entries.end() || e->state != State::Waiting)
        return;
    for (const int way = steps < 0 ? -1 : 1; steps != 0; steps -= way) {
        auto next = e;
        do {
            if (way < 0 ? next == m_entries.begin() : next + 1 == m_entries.end())
                return noteChange();
            next += way;
        } while (next->state != State::Waiting);
        std::swap(*e, *next);
        e = next;
    }
    noteChange();
}

void ExportQueue::clearOver()
{
    std::erase_if(m_entries, [](const Entry &e) { return e.isOver(); });
    noteChange();
}

double ExportQueue::fraction() const
{
    const Entry *e = entry(m_running);
    return e ? e->fraction : 0;
}

double ExportQueue::secondsLeft(const Entry &e) const
{
    if (e.isOver())
        return 0;
    double all = e.expected > 0 ? e.expected * m_ratio : -1;
    if (all < 0) { // as long as the others took
        double sum = 0;
        int known = 0;
        for (const Entry &o : m_entries)
            if (o.state == State::Done) {
                sum += o.seconds;
                ++known;
            }
        all = known > 0 ? sum / known : -1;
    }
    if (e.state == State::Waiting)
        return all;
    const double taken = double(m_timer.elapsed()) / 1000;
    // The first tenth pays for opening and says little.
    if (e.fraction > 0.1)
        all = taken / e.fraction;
    return all < 0 ? -1 : std::max(0.0, all - taken);
}

double ExportQueue::secondsLeft() const
{
    double sum = 0;
    for (const Entry &e : m_entries) {
        const double one = secondsLeft(e);
        if (one < 0)
            return -1;
        sum += one;
    }
    return sum;
}

QString ExportQueue::report() const
{
    const auto seconds = [](double s) { return tr("%1 s").arg(s, 0, 'f', 1); };
    QStringList lines{tr("%1 written, %2 there already, %3 failed, %4 cancelled.")
                          .arg(count(State::Done))
                          .arg(count(State::Skipped))
                          .arg(count(State::Failed))
                          .arg(count(State::Cancelled))};
    for (const Entry &e : m_entries) {
        const QString source = fileText(e.job.source);
        const QString words = QString::fromStdString(e.words);
        switch (e.state) {
        case State::Done: lines << tr("written   %1\n          from %2, in %3; %4").arg(fileText(e.result), source, seconds(e.seconds), words); break;
        case State::Skipped: lines << tr("skipped   %1\n          from %2; %3").arg(fileText(e.result), source, words); break;
        case State::Failed: lines << tr("failed    %1\n          %2").arg(source, words); break;
        case State::Cancelled: lines << tr("cancelled %1").arg(source); break;
        case State::Waiting:
        case State::Running: break;
        }
    }
    return lines.join(u'\n') + u'\n';
}

void ExportQueue::startNext()
{
    if (m_running || m_paused)
        return;
    const auto isWaiting = [](const Entry &e) { return e.state == State::Waiting; };
    const auto next = std::find_if(m_entries.begin(), m_entries.end(), isWaiting);
    if (next == m_entries.end())
        return;
    const int id = next->id;
    next->state = State::Running;
    next->fraction = 0;
    m_running = id;
    m_timer.start();
    m_stop = std::stop_source();
    if (!m_memory || !m_memory->serves(next->job)) {
        const auto after = std::find_if(next + 1, m_entries.end(), isWaiting);
        m_memory = after != m_entries.end() && cleanAlike(next->job, after->job) ? std::make_shared<ExportMemory>() : nullptr;
    }
    m_pool.start([this, id, job = next->job, weak = next->frame, noise = next->noise, memory = m_memory, seen = m_seen, stop = m_stop.get_token()] {
        const auto onProgress = [this, id](double f) {
            QMetaObject::invokeMethod(
                this, [this, id, f] {
                    if (const auto e = find(id); e != m_entries.end())
                        e->fraction = f;
                    emit progressed(id);
                },
                Qt::QueuedConnection);
        };
        const auto done = runExportJob(job, weak.lock(), noise, {0, stop, onProgress, /*background=*/true}, false, memory.get(), seen);
        QMetaObject::invokeMethod(
            this, [this, id, done] { finish(id, done); }, Qt::QueuedConnection);
    });
}

void ExportQueue::learn(const Entry &e)
{
    if (e.expected <= 0)
        return;
    const double seen = e.seconds / e.expected;
    m_ratio = m_ratioKnown ? m_ratio * 0.7 + seen * 0.3 : seen;
    m_ratioKnown = true;
}

void ExportQueue::finish(int id, const Result<ExportOutcome> &done)
{
    Entry &e = *find(id); // a running one is never cleared
    e.seconds = double(m_timer.elapsed()) / 1000;
    m_running = 0;
    if (done) {
        const ExportOutcome &o = done.value();
        e.result = o.report.file;
        e.words = o.skipped ? o.note : o.report.verified + (o.note.empty() ? "" : "; " + o.note);
        e.state = o.skipped ? State::Skipped : State::Done;
        e.noise.reset();
        e.wasCleaned = o.wasCleaned;
        if (!o.skipped && !o.wasSeen) // which says nothing of the time that others take
            learn(e);
        if (o.skipped)
            emit leftOut(fileText(e.job.source), fileText(e.result), QString::fromStdString(o.note));
        else
            emit exported(fileText(e.job.source), fileText(e.result), e.seconds);
    } else if (done.error().code == ErrorCode::Cancelled) {
        e.state = State::Cancelled;
    } else {
        e.state = State::Failed;
        e.words = done.error().userMessage;
        emit failed(fileText(e.job.source), QString::fromStdString(e.words));
    }
    startNext();
    if (!m_running)
        m_memory.reset();
    noteChange();
    if (!m_running && waitingCount() == 0)
        emit finished();
}

} // namespace irenic

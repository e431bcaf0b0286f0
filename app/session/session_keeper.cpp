// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/session_keeper.h"

#include "irenic/document.h"
#include "irenic/parameter.h"
#include "session/locks.h"
#include "session/paths.h"

#include <QCoreApplication>
#include <QCryptographicHash>
#include <QDateTime>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QSettings>
#include <QStandardPaths>

namespace irenic {

namespace {

constexpr int kKeepAfterMs = 1000;
constexpr int kMostOwn = 12; ///< sessions that nobody named
constexpr auto kLast = "session/last";

Error error(ErrorCode code, const QString &words)
{
    return {code, words.toStdString(), {}};
}

QString shown(const QString &file)
{
    return QDir::toNativeSeparators(file);
}

} // namespace

SessionKeeper::SessionKeeper(Session *session, const QString &folder, QObject *parent) : QObject(parent), m_session(session), m_folder(folder)
{
    m_timer.setSingleShot(true);
    m_timer.setInterval(kKeepAfterMs);
    m_writer.setMaxThreadCount(1);
    connect(&m_timer, &QTimer::timeout, this, &SessionKeeper::keepAside);
    connect(&session->roll(), &Roll::framesAdded, this, &SessionKeeper::scheduleKeeping);
    connect(&session->roll(), &Roll::frameChanged, this, &SessionKeeper::scheduleKeeping);
    connect(&session->roll(), &Roll::choicesChanged, this, &SessionKeeper::scheduleKeeping);
    connect(&session->roll(), &Roll::rollChanged, this, &SessionKeeper::scheduleKeeping);
    for (const auto signal : {&Viewing::currentChanged, &Viewing::columnChanged})
        connect(&session->viewing(), signal, this, &SessionKeeper::scheduleKeeping);
    for (const auto signal : {&Viewing::rowsChanged, &Viewing::viewportChanged, &Viewing::lookChanged})
        connect(&session->viewing(), signal, this, &SessionKeeper::scheduleKeeping);
}

SessionKeeper::~SessionKeeper()
{
    static_cast<void>(keep()); // nobody is left to be told
}

QString SessionKeeper::usualFolder()
{
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/sessions");
}

void SessionKeeper::scheduleKeeping()
{
    if (!m_timer.isActive()) // not put off by further changes
        m_timer.start();
}

std::unique_ptr<QLockFile> SessionKeeper::lockFor(const QString &file) const
{
    const QString locks = m_folder + QStringLiteral("/locks");
    QDir().mkpath(locks);
    const QFileInfo info(file);
    const QString whole = info.exists() ? info.canonicalFilePath() : info.absoluteFilePath();
    auto lock = std::make_unique<QLockFile>(locks + u'/' + QString::fromLatin1(QCryptographicHash::hash(whole.toUtf8(), QCryptographicHash::Sha1).toHex()) + QStringLiteral(".lock"));
    lock->setStaleLockTime(0);
    return take(*lock) ? std::move(lock) : nullptr;
}

QString SessionKeeper::last() const
{
    const QString file = QSettings().value(QLatin1String(kLast)).toString();
    return !file.isEmpty() && file != m_file && QFile::exists(file) && lockFor(file) ? file : QString();
}

void SessionKeeper::startOwn()
{
    m_file.clear();
    QDir().mkpath(m_folder);
    const QString when = QDateTime::currentDateTime().toString(QStringLiteral("yyyyMMdd-HHmmss"));
    for (int i = 1; i <= kMostOwn; ++i) {
        const QString file = QStringLiteral("%1/%2%3%4").arg(m_folder, when, i == 1 ? QString() : QStringLiteral("-%1").arg(i), ending());
        if (QFile::exists(file) || !(m_lock = lockFor(file)))
            continue;
        m_file = file;
        m_named = false;
        m_kept.clear();
        return;
    }
}

/// The oldest of those that nobody named and no window has.
void SessionKeeper::forgetOld() const
{
    const QFileInfoList all = QDir(m_folder).entryInfoList({u'*' + ending()}, QDir::Files, QDir::Time);
    for (int i = kMostOwn; i < all.size(); ++i)
        if (all[i].absoluteFilePath() != m_file && lockFor(all[i].absoluteFilePath()))
            QFile::remove(all[i].absoluteFilePath());
}

std::string SessionKeeper::textToKeep()
{
    m_timer.stop();
    if (m_session->roll().count() == 0)
        return {};
    if (m_file.isEmpty()) {
        startOwn();
        forgetOld();
    }
    std::string text = sessionText(m_session->saved(QFileInfo(m_file).absolutePath()));
    return text == m_kept ? std::string() : text;
}

Status SessionKeeper::write(const QString &name, const std::string &text)
{
    if (const Status s = replaceDocument(fileOf(name), text); !s)
        return error(ErrorCode::WriteFailed, tr("The session could not be kept. %1 It is still open; what was kept before is still there.").arg(QString::fromStdString(s.error().userMessage)));
    QSettings().setValue(QLatin1String(kLast), name);
    return {};
}

Error SessionKeeper::nowhereToKeep() const
{
    return error(ErrorCode::WriteFailed, tr("The session cannot be kept by itself: nothing can be written in %1. Save it under a name of your own (Ctrl+S).").arg(shown(m_folder)));
}

Status SessionKeeper::keep()
{
    m_writer.waitForDone();
    const std::string text = textToKeep();
    if (text.empty())
        return {};
    if (m_file.isEmpty())
        return nowhereToKeep();
    const Status written = write(m_file, text);
    if (written)
        m_kept = text;
    return written;
}

/// The same off the window's thread.
void SessionKeeper::keepAside()
{
    const std::string text = textToKeep();
    if (text.empty())
        return;
    if (m_file.isEmpty())
        return emit failed(QString::fromStdString(nowhereToKeep().userMessage));
    m_writer.start([this, file = m_file, text] {
        const Status s = write(file, text);
        QMetaObject::invokeMethod(
            this, [this, s, file, text] {
                if (s && file == m_file)
                    m_kept = text; // not before it lies there: what failed is tried again with the next change, and on closing
                else if (!s)
                    emit failed(QString::fromStdString(s.error().userMessage));
            },
            Qt::QueuedConnection);
    });
}

Status SessionKeeper::open(const QString &name, QStringList *toRead)
{
    const QString path = QFileInfo(name).absoluteFilePath();
    const Result<std::string> read = documentText(fileOf(path), visible("session"));
    const std::string text = read ? read.value() : std::string();
    const Result<SavedSession> session = read ? sessionFromText(text, path.toStdString()) : Result<SavedSession>(read.error());
    if (!session)
        return session.error();
    if (const Status kept = keep(); !kept) // what is open must not be lost
        return kept;
    const QString folder = QFileInfo(path).absolutePath();
    const bool mine = path == m_file;
    auto lock = mine ? std::move(m_lock) : lockFor(path);
    const bool copy = !lock;
    if (copy) {
        startOwn();
    } else {
        m_lock = std::move(lock);
        m_file = path;
        m_named = folder != QDir(m_folder).absolutePath();
    }
    *toRead = m_session->restore(session.value(), folder);
    m_kept = copy ? std::string() : text;
    QSettings().setValue(QLatin1String(kLast), m_file);
    emit opened(copy);
    return {};
}

Status SessionKeeper::saveAs(const QString &name)
{
    const QString path = QFileInfo(name).absoluteFilePath();
    if (path != m_file) {
        if (QFile::exists(path)) {
            const Result<std::string> there = documentText(fileOf(path), visible("session"));
            if (!there || !sessionFromText(there.value(), path.toStdString()))
                return error(ErrorCode::Taken, tr("%1 is there already and is no session of this version; it was left as it is. Choose another name.").arg(shown(path)));
        }
        auto lock = lockFor(path);
        if (!lock)
            return error(ErrorCode::Taken, tr("%1 is open in another window; choose another name.").arg(shown(path)));
        m_lock = std::move(lock);
        m_file = path;
    }
    m_named = true;
    m_kept.clear();
    return keep();
}

} // namespace irenic

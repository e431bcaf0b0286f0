// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"

#include <QLockFile>
#include <QThreadPool>
#include <QTimer>

namespace irenic {

/// Keeps the session on disk: in a folder of the application's own, or in the file that the user named, a second after each change and
/// whole or not at all. A file belongs to one window at a time; a second one that opens it goes on in a copy.
class SessionKeeper : public QObject
{
    Q_OBJECT
public:
    SessionKeeper(Session *session, const QString &folder, QObject *parent = nullptr);
    ~SessionKeeper() override; ///< keeps what has changed
    static QString usualFolder();
    static QString ending() { return QStringLiteral(".irenic-session.json"); }

    QString file() const { return m_file; }  ///< empty while nothing was kept
    bool isNamed() const { return m_named; } ///< by the user
    /// Of the window that was open last, where no other has it; empty where there is none.
    QString last() const;
    /// In place of what is open; then `toRead` holds what is to be read. An error leaves everything as it was.
    Status open(const QString &file, QStringList *toRead);
    /// Keeps it there from now on. Refused where the file is something else than a session, or another window has it.
    Status saveAs(const QString &file);
    Status keep(); ///< now, and done when it returns

signals:
    void failed(const QString &problem); ///< it could not be kept by itself
    void opened(bool copy);

private:
    std::unique_ptr<QLockFile> lockFor(const QString &file) const; ///< null where another window has it
    void startOwn();                                               ///< leaves file() empty where nothing can be written
    void forgetOld() const;
    void scheduleKeeping();
    void keepAside();
    Error nowhereToKeep() const;
    std::string textToKeep();                                          ///< empty where there is nothing new
    static Status write(const QString &file, const std::string &text); ///< from any thread

    Session *m_session;
    QString m_folder, m_file;
    std::unique_ptr<QLockFile> m_lock;
    bool m_named = false;
    std::string m_kept; ///< as it lies there
    QTimer m_timer;
    QThreadPool m_writer; ///< of one thread: a disk that is busy with exports may take seconds to sync
};

} // namespace irenic

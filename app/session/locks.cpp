// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/locks.h"

#include <QDateTime>
#include <QFileInfo>
#include <QLockFile>
#include <QThread>

#include <algorithm>

namespace irenic {

bool take(QLockFile &lock)
{
    constexpr qint64 kWritingMs = 500; // a living process has written it long before
    if (lock.tryLock())
        return true;
    qint64 pid = 0;
    QString host, program;
    if (lock.error() != QLockFile::LockFailedError || lock.getLockInfo(&pid, &host, &program))
        return false;
    const QFileInfo file(lock.fileName());
    if (const qint64 ageMs = file.lastModified().msecsTo(QDateTime::currentDateTime()); file.exists() && ageMs < kWritingMs)
        QThread::msleep(ulong(std::clamp(kWritingMs - ageMs, qint64(0), kWritingMs)));
    if (lock.tryLock()) // meanwhile it is told who has it, and that one is gone; or it let go
        return true;
    return !lock.getLockInfo(&pid, &host, &program) && lock.removeStaleLockFile() && lock.tryLock();
}

} // namespace irenic

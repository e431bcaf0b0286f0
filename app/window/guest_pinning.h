// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "jobs/guest_loader.h"
#include "session/session.h"

class QWidget;

namespace irenic {

/// How guests come to hang beside a frame: they are matched to its pixels, so those whose frame rests or is still being read wait until it is there.
class GuestPinning : public QObject
{
    Q_OBJECT
public:
    /// @param window for its dialogs
    GuestPinning(Session *session, QWidget *window);

    void pin(const QStringList &files); ///< on the current frame; what cannot be matched is told
    void choose();
    void pinTruth();                                     ///< of the demo roll: the same shot without its noise
    void want(const QString &path, const QString &file); ///< on that frame of the roll

signals:
    void told(const QString &text);

private:
    void loadWanted();
    void take(const QString &path, const QString &file, const std::shared_ptr<const Guest> &guest);
    void giveUp(const QString &path, const QString &file, const QString &problem);

    Session *m_session;
    QWidget *m_window;
    GuestLoader m_loader;
    QList<std::pair<QString, QString>> m_wanted;  ///< frame and file, of frames whose pixels are not there yet
    QList<std::pair<QString, QString>> m_loading; ///< frame and file
};

} // namespace irenic

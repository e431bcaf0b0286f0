// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/guest.h"

#include <QObject>
#include <QThreadPool>

namespace irenic {

/// Reads and matches guests off the window's thread.
class GuestLoader : public QObject
{
    Q_OBJECT
public:
    explicit GuestLoader(QObject *parent = nullptr);
    ~GuestLoader() override;                                                                        ///< waits for the running one, which is stopped
    void load(const QString &path, const std::shared_ptr<const Frame> &frame, const QString &file); ///< `path` names the frame in the roll

signals:
    void loaded(const QString &path, const QString &file, std::shared_ptr<const irenic::Guest> guest);
    void failed(const QString &path, const QString &file, const QString &problem);

private:
    QThreadPool m_pool;
    std::stop_source m_stop;
};

} // namespace irenic

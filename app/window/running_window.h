// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDBusAbstractAdaptor>
#include <QStringList>
#include <QVariantMap>

namespace irenic {

class MainWindow;

/// The window that is open already, known to the session bus by the interface org.freedesktop.Application (Desktop Entry Specification): a second start
/// hands its files to it and ends.
class RunningWindow : public QDBusAbstractAdaptor
{
    Q_OBJECT
    Q_CLASSINFO("D-Bus Interface", "org.freedesktop.Application")
public:
    /// Takes the name on the bus for the window. Without a bus, or where another window has the name, nothing happens.
    explicit RunningWindow(MainWindow *window);

    /// Opens the files in the window that runs; false where none does.
    static bool handOver(const QStringList &files, const QString &action);

public slots:
    Q_NOREPLY void Activate(const QVariantMap &platformData);
    Q_NOREPLY void Open(const QStringList &uris, const QVariantMap &platformData);
    Q_NOREPLY void ActivateAction(const QString &action, const QVariantList &parameters, const QVariantMap &platformData);

private:
    void show();
    MainWindow *m_window;
};

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/running_window.h"

#include "session/paths.h"
#include "window/main_window.h"

#include <QDBusConnection>
#include <QDBusConnectionInterface>
#include <QDBusMessage>

namespace irenic {

namespace {

constexpr const char *kName = "app.irenic.Irenic", *kPath = "/app/irenic/Irenic", *kInterface = "org.freedesktop.Application";
constexpr int kPatienceMs = 5000;

/// Names of files are bytes: all that is not plain is escaped.
QString uriOf(const QString &file)
{
    const std::string bytes = std::filesystem::absolute(fileOf(file)).string();
    return QStringLiteral("file://") + QString::fromLatin1(QByteArray::fromStdString(bytes).toPercentEncoding("/"));
}

} // namespace

RunningWindow::RunningWindow(MainWindow *window) : QDBusAbstractAdaptor(window), m_window(window)
{
    QDBusConnection bus = QDBusConnection::sessionBus();
    if (bus.isConnected() && bus.registerService(QString::fromLatin1(kName)))
        bus.registerObject(QString::fromLatin1(kPath), window);
}

bool RunningWindow::handOver(const QStringList &files, const QString &action)
{
    const QDBusConnection bus = QDBusConnection::sessionBus();
    if (!bus.isConnected() || !bus.interface()->isServiceRegistered(QString::fromLatin1(kName)))
        return false;
    const auto call = [&](const char *method, const QVariantList &arguments) {
        QDBusMessage message = QDBusMessage::createMethodCall(QString::fromLatin1(kName), QString::fromLatin1(kPath), QString::fromLatin1(kInterface), QString::fromLatin1(method));
        message.setArguments(arguments);
        return bus.call(message, QDBus::Block, kPatienceMs).type() == QDBusMessage::ReplyMessage;
    };
    const QVariantMap none;
    if (!files.isEmpty()) {
        QStringList uris;
        for (const QString &file : files)
            uris << uriOf(file);
        if (!call("Open", {uris, none}))
            return false;
    }
    if (!action.isEmpty())
        return call("ActivateAction", {action, QVariantList(), none});
    return !files.isEmpty() || call("Activate", {none});
}

void RunningWindow::show()
{
    m_window->setWindowState(m_window->windowState() & ~Qt::WindowMinimized);
    m_window->show();
    m_window->raise();
    m_window->activateWindow();
}

void RunningWindow::Activate(const QVariantMap &)
{
    show();
}

void RunningWindow::Open(const QStringList &uris, const QVariantMap &)
{
    QList<QUrl> urls;
    for (const QString &uri : uris)
        urls << QUrl::fromEncoded(uri.toLatin1());
    m_window->open(fileTexts(urls));
    show();
}

void RunningWindow::ActivateAction(const QString &action, const QVariantList &, const QVariantMap &)
{
    show();
    m_window->startWith(action);
}

} // namespace irenic

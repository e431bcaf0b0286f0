// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/less_motion.h"

#include <QDBusConnection>
#include <QDBusConnectionInterface>
#include <QDBusMessage>
#include <QDBusVariant>

namespace irenic {

bool desktopWantsLessMotion()
{
    constexpr int kPatienceMs = 500;
    const QString portal = QStringLiteral("org.freedesktop.portal.Desktop");
    const QDBusConnection bus = QDBusConnection::sessionBus();
    if (!bus.isConnected() || !bus.interface()->isServiceRegistered(portal))
        return false;
    const auto setting = [&](const char *group, const char *key) {
        QDBusMessage ask = QDBusMessage::createMethodCall(portal, QStringLiteral("/org/freedesktop/portal/desktop"), QStringLiteral("org.freedesktop.portal.Settings"), QStringLiteral("Read"));
        ask << QString::fromLatin1(group) << QString::fromLatin1(key);
        const QDBusMessage answer = bus.call(ask, QDBus::Block, kPatienceMs);
        if (answer.type() != QDBusMessage::ReplyMessage || answer.arguments().isEmpty())
            return QVariant();
        QVariant value = answer.arguments().constFirst();
        while (value.metaType() == QMetaType::fromType<QDBusVariant>()) // Read wraps it twice
            value = value.value<QDBusVariant>().variant();
        return value;
    };
    const QVariant animates = setting("org.gnome.desktop.interface", "enable-animations"), slowness = setting("org.kde.kdeglobals.KDE", "AnimationDurationFactor");
    return (animates.isValid() && !animates.toBool()) || (slowness.isValid() && slowness.toString() == QStringLiteral("0"));
}

} // namespace irenic

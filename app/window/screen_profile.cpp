// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/screen_profile.h"

#include "session/paths.h"

#include <QDBusConnection>
#include <QDBusConnectionInterface>
#include <QDBusInterface>
#include <QDBusReply>
#include <QFile>
#include <QGuiApplication>
#include <QScreen>
#include <QTimer>
#include <QWidget>
#include <QWindow>
#include <QtGui/qguiapplication_platform.h>

#include <memory>

#include <xcb/xcb.h>

namespace irenic {

namespace {

const QString kColord = QStringLiteral("org.freedesktop.ColorManager");
constexpr qint64 kMostBytes = 16 << 20; ///< of a profile; those of screens have a few thousand, with tables a million

using XReply = std::unique_ptr<void, void (*)(void *)>;

xcb_connection_t *xConnection()
{
    const auto *x11 = qGuiApp->nativeInterface<QNativeInterface::QX11Application>();
    return x11 ? x11->connection() : nullptr;
}

xcb_window_t rootOf(xcb_connection_t *connection)
{
    return xcb_setup_roots_iterator(xcb_get_setup(connection)).data->root;
}

xcb_atom_t atomOf(xcb_connection_t *connection, const QByteArray &name)
{
    const XReply reply(xcb_intern_atom_reply(connection, xcb_intern_atom(connection, 0, uint16_t(name.size()), name.constData()), nullptr), std::free);
    return reply ? static_cast<xcb_intern_atom_reply_t *>(reply.get())->atom : xcb_atom_t(XCB_ATOM_NONE);
}

QByteArray atomNameFor(int screen)
{
    return screen == 0 ? QByteArray("_ICC_PROFILE") : "_ICC_PROFILE_" + QByteArray::number(screen);
}

} // namespace

std::vector<uint8_t> profileOfFile(const QString &file)
{
    QFile f(file);
    if (!f.open(QIODevice::ReadOnly) || f.size() > kMostBytes)
        return {};
    const QByteArray all = f.readAll();
    return {all.begin(), all.end()};
}

ScreenProfile::ScreenProfile(QWidget *window) : QObject(window), m_window(window)
{
    window->installEventFilter(this);
    qApp->installNativeEventFilter(this);
    for (const auto signal : {&QGuiApplication::screenAdded, &QGuiApplication::screenRemoved, &QGuiApplication::primaryScreenChanged})
        connect(qGuiApp, signal, this, &ScreenProfile::look);
}

ScreenProfile::~ScreenProfile()
{
    qApp->removeNativeEventFilter(this);
}

bool ScreenProfile::eventFilter(QObject *object, QEvent *event)
{
    if (event->type() == QEvent::Show)
        watch();
    return QObject::eventFilter(object, event);
}

void ScreenProfile::watch()
{
    if (m_watching || !m_window->windowHandle())
        return;
    m_watching = true;
    connect(m_window->windowHandle(), &QWindow::screenChanged, this, &ScreenProfile::look);
    if (xcb_connection_t *x = xConnection()) {
        // Beside what Qt asks to be told of: the mask is one for all of a connection.
        const xcb_window_t root = rootOf(x);
        const XReply reply(xcb_get_window_attributes_reply(x, xcb_get_window_attributes(x, root), nullptr), std::free);
        if (reply) {
            const uint32_t mask = static_cast<xcb_get_window_attributes_reply_t *>(reply.get())->your_event_mask | XCB_EVENT_MASK_PROPERTY_CHANGE;
            xcb_change_window_attributes(x, root, XCB_CW_EVENT_MASK, &mask);
            xcb_flush(x);
        }
    }
    for (const char *signal : {"DeviceAdded", "DeviceChanged"})
        QDBusConnection::systemBus().connect(kColord, QStringLiteral("/org/freedesktop/ColorManager"), kColord, QString::fromLatin1(signal), this, SLOT(look()));
    look();
}

bool ScreenProfile::nativeEventFilter(const QByteArray &type, void *message, qintptr *)
{
    if (type != "xcb_generic_event_t")
        return false;
    const auto *event = static_cast<xcb_generic_event_t *>(message);
    // Others of the root window's properties change all the time. Atoms are the server's: no window but the root has this one.
    if ((event->response_type & 0x7f) == XCB_PROPERTY_NOTIFY && m_atom && reinterpret_cast<const xcb_property_notify_event_t *>(event)->atom == m_atom)
        QTimer::singleShot(0, this, &ScreenProfile::look);
    return false;
}

std::vector<uint8_t> ScreenProfile::ofX11(const QScreen *screen)
{
    xcb_connection_t *x = xConnection();
    m_atom = x ? atomOf(x, atomNameFor(int(QGuiApplication::screens().indexOf(const_cast<QScreen *>(screen))))) : xcb_atom_t(XCB_ATOM_NONE);
    if (m_atom == XCB_ATOM_NONE)
        return {};
    const XReply reply(xcb_get_property_reply(x, xcb_get_property(x, 0, rootOf(x), m_atom, XCB_GET_PROPERTY_TYPE_ANY, 0, uint32_t(kMostBytes / 4)), nullptr), std::free);
    if (!reply)
        return {};
    const auto *property = static_cast<xcb_get_property_reply_t *>(reply.get());
    const auto *bytes = static_cast<const uint8_t *>(xcb_get_property_value(property));
    const int length = xcb_get_property_value_length(property);
    return length > 0 ? std::vector<uint8_t>(bytes, bytes + length) : std::vector<uint8_t>();
}

/// The colour manager's own D-Bus interface: the device of that output, its first profile, that profile's file.
std::vector<uint8_t> ScreenProfile::ofColord(const QScreen *screen)
{
    constexpr int kPatienceMs = 500;
    const QDBusConnection bus = QDBusConnection::systemBus();
    if (!screen || !bus.isConnected() || !bus.interface()->isServiceRegistered(kColord))
        return {};
    QDBusInterface manager(kColord, QStringLiteral("/org/freedesktop/ColorManager"), kColord, bus);
    manager.setTimeout(kPatienceMs);
    const QDBusReply<QDBusObjectPath> device = manager.call(QStringLiteral("FindDeviceByProperty"), QStringLiteral("XRANDR_name"), screen->name());
    if (!device.isValid())
        return {};
    const QDBusInterface about(kColord, device.value().path(), kColord + QStringLiteral(".Device"), bus);
    const auto profiles = qdbus_cast<QList<QDBusObjectPath>>(about.property("Profiles"));
    if (profiles.isEmpty())
        return {};
    const QDBusInterface profile(kColord, profiles.front().path(), kColord + QStringLiteral(".Profile"), bus);
    return profileOfFile(profile.property("Filename").toString());
}

void ScreenProfile::choose(const QString &choice)
{
    m_choice = choice;
    if (m_watching || choice != QLatin1String(kOfSystem)) // which screen it is shows once the window does
        look();
}

void ScreenProfile::look()
{
    std::vector<uint8_t> profile;
    if (m_choice == QLatin1String(kOfSystem)) {
        const QScreen *screen = m_window->screen();
        profile = ofX11(screen);
        if (profile.empty())
            profile = ofColord(screen);
    } else if (m_choice != QLatin1String(kSrgb)) {
        profile = profileOfFile(m_choice);
        if (profile.empty())
            emit problem(tr("The screen profile %1 cannot be read; colours are shown as sRGB.").arg(m_choice));
    }
    if (profile == m_profile)
        return;
    m_profile = std::move(profile);
    m_transform.reset();
    if (!m_profile.empty()) {
        const auto made = ScreenTransform::from(m_profile);
        if (made)
            m_transform = made.value();
        else
            emit problem(QString::fromStdString(made.error().userMessage));
    }
    emit changed();
}

QString ScreenProfile::words() const
{
    if (!m_transform)
        return tr("screen: sRGB");
    const QString name = QString::fromStdString(m_transform->name());
    return tr("screen: %1").arg(name.isEmpty() ? tr("profile without a name") : name);
}

QColor ScreenProfile::shown(const QColor &srgb) const
{
    if (!m_transform)
        return srgb;
    const auto v = m_transform->shown({uint8_t(srgb.red()), uint8_t(srgb.green()), uint8_t(srgb.blue())});
    return QColor(v[0], v[1], v[2], srgb.alpha());
}

} // namespace irenic

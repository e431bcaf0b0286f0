// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/caption_strip.h"
#include "support/windows.h"
#include "view/strength_slider.h"
#include "view/tone_curve.h"

#include <QAbstractScrollArea>
#include <QAccessible>
#include <QApplication>
#include <QComboBox>
#include <QDBusArgument>
#include <QDBusConnection>
#include <QDBusInterface>
#include <QDBusMessage>
#include <QDBusObjectPath>
#include <QDBusVariant>
#include <QMenu>
#include <QMenuBar>
#include <QProcess>
#include <QScrollBar>
#include <QTemporaryDir>

using namespace irenic;
using namespace irenic::test;

namespace {

/// What a client of the accessibility bus sees (AT-SPI 2, org.a11y.atspi.Accessible): found from the program's root on.
struct Accessible {
    QString service;
    QDBusObjectPath path;
};

QVariant propertyOf(QDBusConnection &bus, const Accessible &of, const QString &interface, const QString &name)
{
    QDBusMessage ask = QDBusMessage::createMethodCall(of.service, of.path.path(), "org.freedesktop.DBus.Properties", "Get");
    ask << interface << name;
    const QDBusMessage answer = bus.call(ask, QDBus::Block, 5000);
    return answer.arguments().isEmpty() ? QVariant() : answer.arguments().front().value<QDBusVariant>().variant();
}

QList<Accessible> childrenOf(QDBusConnection &bus, const Accessible &of)
{
    const QDBusMessage answer = bus.call(QDBusMessage::createMethodCall(of.service, of.path.path(), "org.a11y.atspi.Accessible", "GetChildren"), QDBus::Block, 5000);
    QList<Accessible> children;
    if (answer.arguments().isEmpty())
        return children;
    const auto list = answer.arguments().front().value<QDBusArgument>();
    list.beginArray();
    while (!list.atEnd()) {
        Accessible child;
        list.beginStructure();
        list >> child.service >> child.path;
        list.endStructure();
        children << child;
    }
    list.endArray();
    return children;
}

QString roleOf(QDBusConnection &bus, const Accessible &of)
{
    const QDBusMessage answer = bus.call(QDBusMessage::createMethodCall(of.service, of.path.path(), "org.a11y.atspi.Accessible", "GetRoleName"), QDBus::Block, 5000);
    return answer.arguments().isEmpty() ? QString() : answer.arguments().front().toString();
}

/// Depth first, menus and lists left out, which are long; `each` answers false to end it.
bool walk(QDBusConnection &bus, const Accessible &from, const std::function<bool(const Accessible &, const QString &role, const QString &name)> &each, int depth = 0)
{
    const QString role = roleOf(bus, from);
    if (!each(from, role, propertyOf(bus, from, "org.a11y.atspi.Accessible", "Name").toString()))
        return false;
    if (depth > 24 || role.contains("menu") || role.contains("list") || role.contains("table"))
        return true;
    for (const Accessible &child : childrenOf(bus, from))
        if (!walk(bus, child, each, depth + 1))
            return false;
    return true;
}

} // namespace

/// What those get who do not see the window.
class AccessibilityTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        startAfresh();
        QVERIFY(writeFrame(m_dir.filePath("first.dng")));
    }

    /// Whatever takes the keyboard says what it is and what it is called; so do pictures and readings, which do not.
    void everyControlHasARoleAndAName()
    {
        const auto window = shownWindow();
        QVERIFY(hang(window.get(), {m_dir.filePath("first.dng")}));
        for (const char *card : {"readings", "rendering", "lens", "regions", "queue", "histogram", "shooting"})
            window->card(card)->bringUp();
        for (int page = 0; page < CaptionStrip::kPages; ++page) {
            window->wall()->setPage(CaptionStrip::Page(page));
            QTest::qWait(50);
            QStringList without;
            for (QWidget *w : window->findChildren<QWidget *>()) {
                const bool own = QByteArrayView(w->metaObject()->className()).startsWith("irenic::");
                if (!w->isVisible() || (w->focusPolicy() == Qt::NoFocus && !own) || qobject_cast<QMenu *>(w) || qobject_cast<QMenuBar *>(w) || qobject_cast<QAbstractScrollArea *>(w) || qobject_cast<QScrollBar *>(w) || w->objectName() == "qt_spinbox_lineedit")
                    continue;
                QAccessibleInterface *a = QAccessible::queryAccessibleInterface(w);
                QVERIFY(a);
                const bool isContainer = own && w->focusPolicy() == Qt::NoFocus && !w->findChildren<QWidget *>().isEmpty();
                if ((a->role() == QAccessible::NoRole || a->role() == QAccessible::Client) && !isContainer)
                    without << QStringLiteral("%1 %2: no role").arg(QLatin1String(w->metaObject()->className()), w->objectName());
                if (w->focusPolicy() != Qt::NoFocus && a->text(QAccessible::Name).isEmpty() && !qobject_cast<QLineEdit *>(w))
                    without << QStringLiteral("%1 %2: no name").arg(QLatin1String(w->metaObject()->className()), w->objectName());
            }
            QVERIFY2(without.isEmpty(), qPrintable(without.join("\n")));
        }
    }

    /// Tab goes as the eye does: strip after strip, and in a strip or a card from the top down and along its rows.
    void tabGoesAsTheEyeDoes_data()
    {
        QTest::addColumn<QString>("card");
        for (const char *card : {"none", "readings", "rendering", "lens", "regions", "queue", "histogram", "shooting"})
            QTest::newRow(card) << QString(card);
    }
    void tabGoesAsTheEyeDoes()
    {
        QFETCH(QString, card);
        const auto window = shownWindow();
        QVERIFY(hang(window.get(), {m_dir.filePath("first.dng")}));
        QList<QWidget *> containers;
        if (card == "none") {
            for (int column = 0; column < window->wall()->columnCount(); ++column)
                containers << window->wall()->strip(column);
        } else {
            window->card(card.toUtf8().constData())->bringUp();
            QApplication::processEvents();
            containers << window->card(card.toUtf8().constData());
        }
        QList<QWidget *> reached; // in the order of Tab
        QWidget *w = window.get();
        while ((w = w->nextInFocusChain()) != window.get())
            if (w->isVisible() && w->isEnabled() && (w->focusPolicy() & Qt::TabFocus) && !w->focusProxy() && w->objectName() != "qt_spinbox_lineedit")
                reached << w;
        int before = -1;
        for (QWidget *container : containers) {
            QRect last;
            for (QWidget *next : reached) {
                if (!container->isAncestorOf(next))
                    continue;
                const QRect place(next->mapTo(window.get(), QPoint(0, 0)), next->size());
                const bool isAbove = place.bottom() < last.top(), sameRow = place.top() <= last.bottom() && place.bottom() >= last.top();
                if (!last.isNull())
                    QVERIFY2(!isAbove && !(sameRow && place.right() < last.left()), qPrintable(QStringLiteral("%1 %2 at %3, %4 after %5, %6").arg(QLatin1String(next->metaObject()->className()), next->objectName()).arg(place.x()).arg(place.y()).arg(last.x()).arg(last.y())));
                else {
                    QVERIFY2(reached.indexOf(next) > before, qPrintable(next->objectName()));
                    before = int(reached.indexOf(next));
                }
                last = place;
            }
            QVERIFY(!last.isNull() || container == window->wall()->strip(0)); // of the untreated picture there is nothing to set
        }
    }

    /// A strength is read and set in its own numbers, and setting it changes the trial.
    void aStrengthIsReadAndSet()
    {
        const auto window = shownWindow();
        QVERIFY(hang(window.get(), {m_dir.filePath("first.dng")}));
        auto *slider = window->wall()->strip(1)->findChild<StrengthSlider *>();
        QVERIFY(slider);
        QAccessibleInterface *a = QAccessible::queryAccessibleInterface(slider);
        QCOMPARE(a->role(), QAccessible::Slider);
        QAccessibleValueInterface *value = a->valueInterface();
        QVERIFY(value);
        QCOMPARE(value->currentValue().toDouble(), window->session()->viewing().readyFrame()->trials[0].luminance);
        QCOMPARE(value->maximumValue().toDouble(), 3.0);
        QVERIFY(a->text(QAccessible::Description).contains("suggestion"));
        value->setCurrentValue(0.4);
        QCOMPARE(window->session()->viewing().readyFrame()->trials[0].luminance, 0.4);
        QCOMPARE(a->text(QAccessible::Value), QString("0.40"));
    }

    void aToneIsReadAndSet()
    {
        const auto window = shownWindow();
        QVERIFY(hang(window.get(), {m_dir.filePath("first.dng")}));
        window->wall()->setPage(CaptionStrip::Page::Tones);
        auto *curve = window->wall()->strip(1)->findChild<ToneCurve *>();
        QVERIFY(curve);
        QAccessibleValueInterface *value = QAccessible::queryAccessibleInterface(curve)->valueInterface();
        QVERIFY(value && value->currentValue().toDouble() == 1);
        value->setCurrentValue(1.5);
        QCOMPARE(window->session()->viewing().readyFrame()->trials[0].taste.luminanceShadows, 1.5);
    }

    /// The program itself, on the accessibility bus: a client that knows nothing of it finds pictures, readings, and the strengths, and sets one.
    void aClientOfTheBusFindsItsWay()
    {
        const QString launcher = QStringLiteral("/usr/libexec/at-spi-bus-launcher");
        if (!QFile::exists(launcher))
            QSKIP("at-spi2-core is not installed");
        QProcess sessionBus, accessibilityBus, program;
        sessionBus.start("dbus-daemon", {"--session", "--nofork", "--print-address"});
        QVERIFY(sessionBus.waitForReadyRead(10000));
        const QString address = QString::fromUtf8(sessionBus.readLine().trimmed());
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert("DBUS_SESSION_BUS_ADDRESS", address);
        environment.insert("QT_LINUX_ACCESSIBILITY_ALWAYS_ON", "1");
        environment.insert("QT_QPA_PLATFORM", "xcb"); // the only kind of window here that speaks to that bus
        environment.insert("XDG_DATA_HOME", m_dir.filePath("data"));
        environment.insert("XDG_CONFIG_HOME", m_dir.filePath("config"));
        environment.remove("AT_SPI_BUS_ADDRESS");
        accessibilityBus.setProcessEnvironment(environment);
        accessibilityBus.start(launcher, {"--launch-immediately"});
        QVERIFY(accessibilityBus.waitForStarted());
        QDBusConnection session = QDBusConnection::connectToBus(address, "session of the test");
        QString accessibility;
        QTRY_VERIFY_WITH_TIMEOUT(!(accessibility = QDBusInterface("org.a11y.Bus", "/org/a11y/bus", "org.a11y.Bus", session).call("GetAddress").arguments().value(0).toString()).isEmpty(), 20000);
        program.setProcessEnvironment(environment);
        program.start(QStringLiteral(IRENIC_BIN "/irenic"), {"--new-window", m_dir.filePath("first.dng")});
        QVERIFY(program.waitForStarted());
        QDBusConnection bus = QDBusConnection::connectToBus(accessibility, "accessibility of the test");
        QVERIFY(bus.isConnected());
        const Accessible desktop{"org.a11y.atspi.Registry", QDBusObjectPath("/org/a11y/atspi/accessible/root")};
        QTRY_VERIFY_WITH_TIMEOUT(!childrenOf(bus, desktop).isEmpty(), kPatienceMs);
        const Accessible root = childrenOf(bus, desktop).front();

        std::optional<Accessible> strength;
        const auto look = [&] {
            strength.reset();
            walk(bus, root, [&](const Accessible &at, const QString &role, const QString &name) {
                if (role == "slider" && name.contains("luminance strength of trial A", Qt::CaseInsensitive))
                    strength = at;
                return !strength;
            });
            return strength && propertyOf(bus, *strength, "org.a11y.atspi.Value", "CurrentValue").toDouble() > 0;
        };
        QTRY_VERIFY_WITH_TIMEOUT(look(), kPatienceMs);
        std::map<QString, int> roles;
        QStringList pictures;
        walk(bus, root, [&](const Accessible &, const QString &role, const QString &name) {
            ++roles[role];
            if (name.startsWith("Picture, "))
                pictures << role;
            return true;
        });
        QVERIFY(roles["menu bar"] == 1 && roles["push button"] + roles["button"] > 5);
        QVERIFY2(pictures.size() >= 2 && !pictures.contains("filler"), qPrintable(pictures.join(", ")));
        QDBusMessage set = QDBusMessage::createMethodCall(strength->service, strength->path.path(), "org.freedesktop.DBus.Properties", "Set");
        set << "org.a11y.atspi.Value"
            << "CurrentValue" << QVariant::fromValue(QDBusVariant(0.35));
        bus.call(set, QDBus::Block, 5000);
        QTRY_VERIFY_WITH_TIMEOUT(std::abs(propertyOf(bus, *strength, "org.a11y.atspi.Value", "CurrentValue").toDouble() - 0.35) < 1e-6, 10000);
        for (QProcess *p : {&program, &accessibilityBus, &sessionBus}) {
            p->terminate();
            if (!p->waitForFinished(10000))
                p->kill(), p->waitForFinished();
        }
    }

private:
    QTemporaryDir m_dir;
};

QTEST_MAIN(AccessibilityTest)
#include "accessibility_test.moc"

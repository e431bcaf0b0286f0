// SPDX-License-Identifier: GPL-3.0-or-later
// Files that go round: sent by another program and sent back, and handed over by a second start.
#include "irenic/read_frame.h"
#include "panels/blink.h"
#include "support/frames.h"
#include "support/windows.h"
#include "window/hand_back.h"
#include "window/less_motion.h"
#include "window/queue_on_desktop.h"
#include "window/running_window.h"

#include <QAction>
#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusUnixFileDescriptor>
#include <QDBusVariant>
#include <QLabel>
#include <QProcess>
#include <QPushButton>
#include <QScopeGuard>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTest>
#include <QThread>

#include <poll.h>
#include <unistd.h>

using namespace irenic;
using namespace irenic::test;

namespace {

/// Who would be told on a desktop, on the test's own bus: the session's manager and the notifications.
class FakeDesktop : public QObject
{
    Q_OBJECT
    Q_CLASSINFO("D-Bus Interface", "org.freedesktop.login1.Manager")
public:
    QStringList asked;

public slots:
    QDBusUnixFileDescriptor Inhibit(const QString &what, const QString &who, const QString &, const QString &mode)
    {
        asked << what + u' ' + who + u' ' + mode;
        int ends[2];
        if (::pipe(ends) != 0)
            return {};
        const QDBusUnixFileDescriptor given(ends[1]);
        ::close(ends[1]);
        m_read = ends[0];
        return given;
    }

public:
    /// Every copy of the descriptor that was given is closed.
    bool isReleased() const
    {
        pollfd p{m_read, POLLIN, 0};
        return ::poll(&p, 1, 0) > 0 && (p.revents & POLLHUP);
    }

private:
    int m_read = -1;
};

/// A portal's settings.
class FakeSettings : public QObject
{
    Q_OBJECT
    Q_CLASSINFO("D-Bus Interface", "org.freedesktop.portal.Settings")
public:
    QHash<QString, QVariant> values;
public slots:
    QDBusVariant Read(const QString &group, const QString &key, const QDBusMessage &message)
    {
        const QVariant value = values.value(group + u'/' + key);
        if (!value.isValid())
            QDBusConnection("portal").send(message.createErrorReply("org.freedesktop.portal.Error.NotFound", "There is no such setting."));
        message.setDelayedReply(!value.isValid());
        return QDBusVariant(QVariant::fromValue(QDBusVariant(value)));
    }
};

class FakeNotifications : public QObject
{
    Q_OBJECT
    Q_CLASSINFO("D-Bus Interface", "org.freedesktop.Notifications")
public:
    QStringList told;

public slots:
    uint Notify(const QString &who, uint, const QString &, const QString &title, const QString &words, const QStringList &, const QVariantMap &, int)
    {
        told << who + u'|' + title + u'|' + words;
        return 1;
    }
};

} // namespace

class GoingRoundTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase() { startAfresh(); }
    void init()
    {
        forgetAll();
        m_dir = std::make_unique<QTemporaryDir>();
        ShootOptions o;
        o.iso = 6400;
        QVERIFY(writeShot(path("sent.dng").toStdString(), shoot(makeScene({300, 200}), o).value(), o));
        QCOMPARE(run("irenic-cli", {"clean", path("sent.dng"), "--luminance", "0", "--colour", "0", "--format", "tiff", "--name", "sent", "--out", m_dir->path()}).status, 0);
        m_window = shownWindow();
        QVERIFY(m_window);
    }
    void cleanup() { m_window.reset(); }

    void aRawGoesBackAsAFileBesideIt()
    {
        HandBack *bar = sent("sent.dng", false);
        QVERIFY(bar);
        const QByteArray before = bytesOf("sent.dng");
        QSignalSpy back(bar, &HandBack::handedBack);
        QTest::mouseClick(button(bar, "handBackSend"), Qt::LeftButton);
        QTRY_COMPARE_WITH_TIMEOUT(back.count(), 1, kPatienceMs);
        QCOMPARE(bar->exitStatus(), 0);
        QCOMPARE(bar->result(), path("sent-clean.dng"));
        QVERIFY(readFrame(bar->result().toStdString()).ok());
        QVERIFY(bytesOf("sent.dng") == before);
    }
    void aTiffIsReplacedAsAWhole()
    {
        HandBack *bar = sent("sent.tif", true);
        QVERIFY(bar);
        const auto before = readFrame(path("sent.tif").toStdString()).take();
        QSignalSpy back(bar, &HandBack::handedBack);
        QTest::mouseClick(button(bar, "handBackSend"), Qt::LeftButton);
        QTRY_COMPARE_WITH_TIMEOUT(back.count(), 1, kPatienceMs);
        QCOMPARE(bar->result(), path("sent.tif"));
        const auto after = readFrame(path("sent.tif").toStdString()).take();
        QVERIFY(after->size() == before->size());
        QCOMPARE(after->shooting.bitDepth, before->shooting.bitDepth);
        QVERIFY(after->encoding->profile == before->encoding->profile);
        QVERIFY(!sameBits(after->samples.constView(), before->samples.constView()));   // it was cleaned
        QCOMPARE(QDir(m_dir->path()).entryList(QDir::Files | QDir::Hidden).size(), 2); // and nothing else lies there
    }
    void whatWasChangedMeanwhileStays()
    {
        HandBack *bar = sent("sent.tif", true);
        QVERIFY(bar);
        QTest::qWait(20); // another time on its label
        QFile file(path("sent.tif"));
        QVERIFY(file.open(QIODevice::Append) && file.write("x") == 1);
        file.close();
        const QByteArray before = bytesOf("sent.tif");
        QTest::mouseClick(button(bar, "handBackSend"), Qt::LeftButton);
        QTRY_VERIFY_WITH_TIMEOUT(bar->findChild<QLabel *>("handBackWords")->text().contains("changed meanwhile"), kPatienceMs);
        QCOMPARE(bar->exitStatus(), 1);
        QVERIFY(bytesOf("sent.tif") == before);
        QCOMPARE(QDir(m_dir->path()).entryList(QDir::Files | QDir::Hidden).size(), 2);
    }
    void aRawIsNeverReplaced()
    {
        HandBack *bar = sent("sent.dng", true);
        QVERIFY(bar);
        const QByteArray before = bytesOf("sent.dng");
        QTest::mouseClick(button(bar, "handBackSend"), Qt::LeftButton);
        QVERIFY(bar->findChild<QLabel *>("handBackWords")->text().contains("no finished picture"));
        QVERIFY(bytesOf("sent.dng") == before);
        QCOMPARE(bar->exitStatus(), 1);
    }
    void leavingItUnchangedIsSaid()
    {
        HandBack *bar = sent("sent.dng", false);
        QVERIFY(bar);
        QSignalSpy left(bar, &HandBack::leftUnchanged);
        QTest::mouseClick(button(bar, "handBackLeave"), Qt::LeftButton);
        QCOMPARE(left.count(), 1);
        QCOMPARE(bar->exitStatus(), 1);
    }
    void aSecondStartHandsItsFilesOver()
    {
        new RunningWindow(m_window.get());
        const QString odd = path(QString::fromUtf8("wächter 100%.dng"));
        QVERIFY(QFile::copy(path("sent.dng"), odd));
        QProcess second;
        second.start(QStringLiteral(IRENIC_BIN "/irenic"), {odd, path("sent.tif")});
        QTRY_COMPARE_WITH_TIMEOUT(m_window->session()->roll().count(), 2, kPatienceMs);
        QVERIFY(second.state() == QProcess::NotRunning || second.waitForFinished(kPatienceMs));
        QCOMPARE(second.exitCode(), 0);
        QCOMPARE(m_window->session()->roll().frame(0).path, odd);
        // And what the desktop's menu asks for.
        second.start(QStringLiteral(IRENIC_BIN "/irenic"), {"--empty-queue"});
        QTRY_VERIFY_WITH_TIMEOUT(m_window->card("queue")->isVisible(), kPatienceMs);
        QVERIFY(second.state() == QProcess::NotRunning || second.waitForFinished(kPatienceMs));
    }

    void aDesktopWithoutAnimationsSeesNoneHere()
    {
        QVERIFY(!desktopWantsLessMotion()); // nobody answers
        // Another connection than the window's, in a thread of its own: the window waits for the answer.
        QThread thread;
        auto *settings = new FakeSettings;
        settings->moveToThread(&thread);
        connect(&thread, &QThread::finished, settings, &QObject::deleteLater);
        thread.start();
        const auto end = qScopeGuard([&] {
            QDBusConnection::disconnectFromBus("portal");
            thread.quit();
            thread.wait();
        });
        QDBusConnection bus = QDBusConnection::connectToBus(QString::fromLocal8Bit(qgetenv("DBUS_SESSION_BUS_ADDRESS")), "portal");
        QVERIFY(bus.registerObject("/org/freedesktop/portal/desktop", settings, QDBusConnection::ExportAllSlots) && bus.registerService("org.freedesktop.portal.Desktop"));
        const auto isStill = [&](const QHash<QString, QVariant> &values) {
            QMetaObject::invokeMethod(
                settings, [&] { settings->values = values; }, Qt::BlockingQueuedConnection);
            return desktopWantsLessMotion();
        };
        QVERIFY(!isStill({}));
        QVERIFY(!isStill({{"org.gnome.desktop.interface/enable-animations", true}}));
        QVERIFY(isStill({{"org.kde.kdeglobals.KDE/AnimationDurationFactor", "0"}}));
        QVERIFY(!isStill({{"org.kde.kdeglobals.KDE/AnimationDurationFactor", "0.5"}}));
        QVERIFY(isStill({{"org.gnome.desktop.interface/enable-animations", false}}));
        // The columns change places by hand then, until somebody asks for more.
        m_window->open({path("sent.dng")});
        QTRY_VERIFY_WITH_TIMEOUT(m_window->session()->viewing().readyFrame() && m_window->wall()->allSettled(), kPatienceMs);
        m_window->findChild<QAction *>("blink")->trigger();
        QVERIFY(m_window->blink()->isOn() && !m_window->blink()->isTurning());
        m_window->findChild<QAction *>("blinkPace")->trigger();
        QVERIFY(m_window->blink()->isTurning());
        bus.unregisterService("org.freedesktop.portal.Desktop");
    }

    void theMachineStaysAwakeAndTheEndIsTold()
    {
        QDBusConnection bus = QDBusConnection::connectToBus(QString::fromLocal8Bit(qgetenv("DBUS_SESSION_BUS_ADDRESS")), "desktop"); // another than the window's
        FakeDesktop desktop;
        FakeNotifications notifications;
        QVERIFY(bus.registerObject("/org/freedesktop/login1", &desktop, QDBusConnection::ExportAllSlots) && bus.registerService("org.freedesktop.login1"));
        QVERIFY(bus.registerObject("/org/freedesktop/Notifications", &notifications, QDBusConnection::ExportAllSlots) && bus.registerService("org.freedesktop.Notifications"));
        m_window->queueOnDesktop()->setLongMs(0);
        QWidget other; // where somebody works meanwhile
        other.show();
        QVERIFY(QTest::qWaitForWindowExposed(&other));
        other.activateWindow();
        QTRY_VERIFY_WITH_TIMEOUT(!m_window->isActiveWindow(), kPatienceMs);
        ExportJob job;
        job.source = path("sent.dng").toStdString();
        job.folder = path("out").toStdString();
        job.treatment = WantedTreatment{.method = "bm3d"};
        m_window->exportQueue()->add(job);
        QTRY_COMPARE_WITH_TIMEOUT(m_window->exportQueue()->count(QueuedJob::State::Done), 1, kPatienceMs);
        QTRY_COMPARE_WITH_TIMEOUT(desktop.asked, QStringList{"sleep:idle Irenic block"}, kPatienceMs);
        QTRY_VERIFY_WITH_TIMEOUT(desktop.isReleased(), kPatienceMs); // nothing is exported any more
        QTRY_COMPARE_WITH_TIMEOUT(notifications.told, QStringList{"Irenic|The queue is done|One file was written and verified."}, kPatienceMs);
    }

private:
    QString path(const QString &name) const { return m_dir->filePath(name); }
    QByteArray bytesOf(const char *name) const
    {
        QFile file(path(QString::fromLatin1(name)));
        return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
    }
    static QPushButton *button(const HandBack *bar, const char *name) { return bar->findChild<QPushButton *>(QString::fromLatin1(name)); }
    /// The bar, once its frame is measured; null where that does not come.
    HandBack *sent(const char *name, bool inPlace)
    {
        HandBack *bar = m_window->openForHandBack(path(QString::fromLatin1(name)), inPlace);
        return QTest::qWaitFor([&] { return button(bar, "handBackSend")->isEnabled(); }, kPatienceMs) ? bar : nullptr;
    }

    std::unique_ptr<QTemporaryDir> m_dir;
    std::unique_ptr<MainWindow> m_window;
};

int main(int argc, char **argv)
{
    // A bus of the test's own, before Qt asks for the session's.
    if (!qEnvironmentVariableIsSet("IRENIC_TEST_BUS")) {
        qputenv("IRENIC_TEST_BUS", "1");
        std::vector<char *> words{const_cast<char *>("dbus-run-session"), const_cast<char *>("--")};
        words.insert(words.end(), argv, argv + argc + 1);
        ::execvp(words.front(), words.data());
        return 1;
    }
    qputenv("DBUS_SYSTEM_BUS_ADDRESS", qgetenv("DBUS_SESSION_BUS_ADDRESS"));
    QApplication app(argc, argv);
    GoingRoundTest test;
    return QTest::qExec(&test, argc, argv);
}
#include "going_round_test.moc"

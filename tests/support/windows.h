// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "support/frames.h"
#include "window/main_window.h"
#include "window/start.h"

#include <QDir>
#include <QSettings>
#include <QStandardPaths>
#include <QTest>

namespace irenic::test {

/// What earlier runs left: settings, queues, sessions. After QStandardPaths::setTestModeEnabled().
inline void forgetAll()
{
    QSettings().clear();
    QDir(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation)).removeRecursively();
}

/// As at the first start after installing: with the application's looks, in a place of the test's own.
inline void startAfresh()
{
    QStandardPaths::setTestModeEnabled(true);
    prepareApplication(*qApp);
    forgetAll();
}

/// A noisy frame to hang.
inline bool writeFrame(const QString &file)
{
    ShootOptions o;
    o.iso = 6400;
    return writeShot(file.toStdString(), shoot(makeScene({500, 400}), o).value(), o).ok();
}

/// A window as the user sees it first, with the keyboard; null where it did not come up.
inline std::unique_ptr<MainWindow> shownWindow()
{
    auto window = std::make_unique<MainWindow>();
    window->resize(1280, 800);
    window->show();
    if (!QTest::qWaitForWindowExposed(window.get()))
        return nullptr;
    window->activateWindow();
    return window;
}

/// Opens files, waits until all are measured, and hangs a place of the first at 200 %; false where that did not come to rest.
inline bool hang(MainWindow *window, const QStringList &files)
{
    window->open(files);
    Session *session = window->session();
    const auto ready = [&] {
        for (int i = 0; i < files.size(); ++i)
            if (i >= session->roll().count() || session->roll().frame(i).state != RollFrame::State::Ready)
                return false;
        return true;
    };
    if (!QTest::qWaitFor(ready, kPatienceMs))
        return false;
    session->viewing().setViewport({2, {0.5, 0.2}});
    return QTest::qWaitFor([&] { return window->wall()->allSettled(); }, kPatienceMs);
}

} // namespace irenic::test

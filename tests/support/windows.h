// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

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

} // namespace irenic::test

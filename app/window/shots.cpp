// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/shots.h"

#include "window/main_window.h"

#include <QApplication>
#include <QDir>
#include <QElapsedTimer>
#include <QFile>
#include <QLineEdit>
#include <QTextStream>

namespace irenic {

namespace {

constexpr int kPatienceMs = 60000;

bool waitUntil(const std::function<bool()> &ready)
{
    QElapsedTimer timer;
    timer.start();
    while (!ready()) {
        if (timer.elapsed() > kPatienceMs)
            return false;
        QApplication::processEvents(QEventLoop::AllEvents | QEventLoop::WaitForMoreEvents, 50);
    }
    QApplication::processEvents();
    return true;
}

} // namespace

int takeShots(MainWindow &window, const QString &folder)
{
    QTextStream err(stderr);
    if (!QDir().mkpath(folder)) {
        err << "irenic: the folder " << folder << " cannot be made\n";
        return 1;
    }
    const auto save = [&](QWidget *widget, const QString &name) {
        const QString file = QDir(folder).filePath(name + QStringLiteral(".png"));
        const bool saved = widget->grab().save(file);
        err << (saved ? "wrote " : "could not write ") << file << "\n";
        return saved;
    };
    bool ok = save(&window, QStringLiteral("empty"));
    window.openDemoRoll();
    Session *s = window.session();
    const auto allRead = [&] {
        for (int i = 0; i < s->count(); ++i)
            if (s->frame(i).state == RollFrame::State::Reading)
                return false;
        return s->count() > 0;
    };
    if (!waitUntil(allRead)) {
        err << "irenic: the demo roll could not be read; ./demo --build makes it\n";
        return 1;
    }
    const auto shot = [&](const QString &name, const Viewport &viewport) {
        s->setViewport(viewport);
        QApplication::processEvents();
        ok = waitUntil([&] { return window.wall()->allSettled(); }) && save(&window, name) && ok;
    };
    s->setCurrent(std::min(2, s->count() - 1));
    s->chooseKeeper(1);
    shot(QStringLiteral("wall-200"), {2, {0.79, 0.70}});
    shot(QStringLiteral("wall-fit"), {0, {0.5, 0.5}});
    shot(QStringLiteral("wall-400"), {4, {0.345, 0.385}});
    s->setPushEv(3);
    shot(QStringLiteral("wall-shadow-pushed"), {1, {0.62, 0.955}});
    s->setPushEv(0);
    window.setWallGrey(Tones::Wall::Dim);
    shot(QStringLiteral("wall-dim"), {1, {0.1, 0.87}});
    window.setWallGrey(Tones::Wall::Mid);
    window.showExportDialog();
    QApplication::processEvents();
    for (QWidget *w : QApplication::topLevelWidgets())
        if (w->inherits("irenic::ExportDialog")) {
            // Where this machine keeps its files is nobody's business.
            auto *field = w->findChild<QLineEdit *>(QStringLiteral("folder"));
            const QSignalBlocker quiet(field);
            field->setText(QStringLiteral("Halcyon Wren/clean"));
            ok = save(w, QStringLiteral("export")) && ok;
        }
    return ok ? 0 : 1;
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/shots.h"

#include "panels/blind_view.h"
#include "panels/contact_sheet.h"
#include "panels/lens_panel.h"
#include "panels/loupe.h"
#include "panels/readings_panel.h"
#include "panels/regions_panel.h"
#include "window/guest_pinning.h"
#include "window/main_window.h"

#include <QApplication>
#include <QCheckBox>
#include <QDir>
#include <QDockWidget>
#include <QElapsedTimer>
#include <QFile>
#include <QLineEdit>
#include <QTemporaryDir>
#include <QTextStream>
#include <QToolButton>

namespace irenic {

namespace {

constexpr int kShotPatienceMs = 240000; // busy machines included

bool waitUntil(const std::function<bool()> &ready)
{
    QElapsedTimer timer;
    timer.start();
    while (!ready()) {
        if (timer.elapsed() > kShotPatienceMs)
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
        for (int i = 0; i < s->roll().count(); ++i)
            if (s->roll().frame(i).state == RollFrame::State::Reading)
                return false;
        return s->roll().count() > 0;
    };
    if (!waitUntil(allRead)) {
        err << "irenic: the demo roll could not be read; ./demo --build makes it\n";
        return 1;
    }
    window.setGuideShown(false);
    const auto shot = [&](const QString &name, const Viewport &viewport) {
        window.say({});
        s->viewing().setViewport(viewport);
        QApplication::processEvents();
        ok = waitUntil([&] { return window.wall()->allRead() && window.wall()->isIdle() && window.regionsPanel()->isIdle(); }) && save(&window, name) && ok;
    };
    s->viewing().setCurrent(std::min(2, s->roll().count() - 1));
    s->editing().chooseKeeper(1);
    shot(QStringLiteral("wall-200"), {2, {0.79, 0.70}});
    window.wall()->setPage(CaptionStrip::Page::Tones);
    s->editing().changeParam(2, *findParam("luminance-lights"), 0.5);
    s->editing().changeParam(2, *findParam("colour-shadows"), 1.6);
    shot(QStringLiteral("wall-tones"), {2, {0.79, 0.70}});
    window.wall()->setPage(CaptionStrip::Page::Noise);
    s->editing().undoStack()->setIndex(1); // the keeper
    window.resize(2560, 1440);
    shot(QStringLiteral("wall-large"), {2, {0.79, 0.70}});
    window.resize(1280, 800);
    window.openSheet();
    window.contactSheet()->choose({1, 3, 4});
    const auto order = [&](const char *name) { window.contactSheet()->findChild<QToolButton *>(QLatin1String(name))->click(); };
    order("byNearness");
    ok = waitUntil([&] {
             for (int i = 0; i < s->roll().count(); ++i)
                 if (!s->roll().frame(i).isNearnessKnown())
                     return false;
             return true;
         })
         && ok;
    QElapsedTimer laidOut;
    laidOut.start();
    ok = waitUntil([&] { return laidOut.elapsed() > 500; }) && ok;
    ok = save(&window, QStringLiteral("contact-sheet")) && ok;
    order("byRoll");
    window.showView(MainWindow::View::Wall);
    window.card("regions")->bringUp();
    window.resize(1280, 800);
    s->viewing().setViewport({0.5, {0.5, 0.62}});
    window.regionsPanel()->addRegion(MaskPart::Kind::Sharpness);
    window.regionsPanel()->addPart(MaskPart::Kind::Painted, MaskPart::Joins::Subtracts);
    shot(QStringLiteral("regions"), {0.5, {0.5, 0.62}});
    window.card("lens")->bringUp();
    window.lensPanel()->measure();
    ok = waitUntil([&] { return !window.lensPanel()->isMeasuring(); }) && ok;
    shot(QStringLiteral("lens"), {0.5, {0.5, 0.62}});
    window.card("lens")->hide();
    window.card("regions")->hide();
    window.resize(1280, 800);
    s->editing().undoStack()->setIndex(1);
    s->viewing().setCurrent(std::min(3, s->roll().count() - 1)); // dusk, small lamps and stars at ISO 25600
    shot(QStringLiteral("wall-dusk"), {1, {0.36, 0.26}});
    s->viewing().setCurrent(std::min(2, s->roll().count() - 1));
    window.guests()->pinTruth();
    ok = waitUntil([&] { return !s->viewing().readyFrame()->guests.empty(); }) && ok;
    s->viewing().setColumn(2);
    window.wall()->setUntreatedShown(false);
    shot(QStringLiteral("teaching"), {2, {0.80, 0.55}});
    window.wall()->setUntreatedShown(true);
    s->editing().unpinGuest(0);
    s->viewing().setColumn(2);
    s->viewing().setShow(Show::Doubt);
    shot(QStringLiteral("doubt"), {2, {0.79, 0.70}});
    s->viewing().setShow(Show::Picture);
    s->viewing().setRowCount(3);
    for (int row = 0; row < 3; ++row) {
        s->viewing().setRow(row);
        s->viewing().goToSpot(row + 1);
    }
    shot(QStringLiteral("wall-rows"), s->viewing().viewport());
    s->viewing().setRowCount(1);
    const auto view = [&](const QString &name, const std::function<bool()> &settled) { ok = waitUntil(settled) && save(&window, name) && ok; };
    s->viewing().setViewport({2, {0.79, 0.70}});
    window.openStrip(StripView::Kind::Both);
    window.stripView()->pick(2);
    const auto stripIsRead = [&] { return window.stripView()->allSettled() && window.wall()->isIdle(); };
    view(QStringLiteral("test-strip"), stripIsRead);
    window.openStrip(StripView::Kind::Methods);
    view(QStringLiteral("ring-around"), stripIsRead);
    window.showView(MainWindow::View::Wall);
    s->viewing().setViewport({1, {0.75, 0.68}});
    window.openLoupe();
    view(QStringLiteral("loupe"), [&] { return window.loupe()->allSettled(); });
    window.showView(MainWindow::View::Wall);
    window.openBlindRound();
    window.blindView()->begin(7);
    s->viewing().setViewport({2, {0.79, 0.70}});
    view(QStringLiteral("blind-round"), [&] { return window.blindView()->left()->isSettled() && window.blindView()->right()->isSettled(); });
    window.showView(MainWindow::View::Wall);
    window.card("readings")->bringUp();
    window.resize(1280, 800);
    window.readingsPanel()->measure();
    ok = waitUntil([&] { return window.readingsPanel()->figure(QStringLiteral("grain")).contains(u'%'); }) && ok;
    shot(QStringLiteral("readings"), {2, {0.3, 0.4}});
    window.card("readings")->hide();
    s->viewing().setCurrent(std::min(4, s->roll().count() - 1)); // the rafters, three stops under
    window.card("rendering")->bringUp();
    window.resize(1280, 800);
    s->editing().changeRendering({.white = {3400, 4}, .exposureEv = 2.6, .shadows = 0.45, .contrast = 0.2}, {});
    shot(QStringLiteral("rendering"), {0, {0.5, 0.5}});
    window.card("rendering")->hide();
    const QTemporaryDir out;
    ExportChoices choices;
    choices.frames = ExportChoices::Frames::Suggestions;
    choices.place = ExportChoices::Place::Folder;
    choices.folder = out.path();
    choices.formats << ExportFormat::Tiff;
    window.exportQueue()->add(choices.requests(*s));
    window.card("queue")->bringUp();
    window.resize(1280, 800);
    s->viewing().setCurrent(std::min(2, s->roll().count() - 1));
    s->viewing().setViewport({2, {0.3, 0.4}});
    view(QStringLiteral("queue"), [&] { return window.exportQueue()->overCount() >= 4 && window.exportQueue()->fraction() > 0.2 && window.wall()->allSettled(); });
    window.exportQueue()->cancelAll();
    ok = waitUntil([&] { return !window.exportQueue()->isBusy(); }) && ok;
    window.card("queue")->hide();
    window.showExportDialog();
    QApplication::processEvents();
    for (QWidget *w : QApplication::topLevelWidgets())
        if (w->inherits("irenic::ExportDialog")) {
            // Where this machine keeps its files is nobody's business.
            auto *field = w->findChild<QLineEdit *>(QStringLiteral("folder"));
            const QSignalBlocker quiet(field);
            field->setText(QStringLiteral("Halcyon Wren/clean"));
            w->findChild<QCheckBox *>(QStringLiteral("asTiff"))->setChecked(true);
            QApplication::processEvents(); // the dialog grows
            ok = save(w, QStringLiteral("export")) && ok;
        }
    return ok ? 0 : 1;
}

} // namespace irenic

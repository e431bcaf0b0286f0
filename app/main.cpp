// SPDX-License-Identifier: GPL-3.0-or-later
// irenic: the window.
#include "irenic/process.h"
#include "option_pages.h"
#include "session/paths.h"
#include "window/hand_back.h"
#include "window/languages.h"
#include "window/main_window.h"
#include "window/running_window.h"
#include "window/shots.h"
#include "window/start.h"

#include <CLI/CLI.hpp>

#include <QApplication>
#include <QFile>
#include <QTemporaryDir>

#include <cstdio>

namespace {

struct Wishes {
    std::vector<std::string> files; ///< names are bytes
    std::string handBack, shots, language;
    bool demo = false, inPlace = false, newWindow = false, choose = false, quickClean = false, emptyQueue = false;

    QString action() const { return choose ? QStringLiteral("choose") : quickClean ? QStringLiteral("quick-clean")
                                                                    : emptyQueue   ? QStringLiteral("empty-queue")
                                                                                   : QString(); }
};

void addOptions(CLI::App &app, Wishes &w)
{
    app.add_option("files", w.files, "Raw frames, pictures or folders to open");
    app.add_flag("--demo", w.demo, "Open the demo roll");
    app.add_flag("--choose", w.choose, "Begin with choosing files");
    app.add_flag("--quick-clean", w.quickClean, "Clean the files as suggested and export them as the last time, without a question");
    app.add_flag("--empty-queue", w.emptyQueue, "Go on with the exports that were not finished");
    app.add_flag("--new-window", w.newWindow, "Another process, even where a window is open already");
    auto *handBack = app.add_option("--hand-back", w.handBack, "Open one file for another program: a button sends the result back, and its name is printed");
    app.add_flag("--in-place", w.inPlace, "With --hand-back: the result takes the place of the very file, a TIFF, JPEG or PNG that was made for this")->needs(handBack);
    app.add_option("--language", w.language, "Language of the window for this start, by its code: en, de, fr");
    app.add_option("--shots", w.shots, "Write pictures of the main views into a folder and end");
    app.set_version_flag(
        "--version", [] { return irenic::versionText("irenic"); }, "Print the versions of the program and of its libraries");
}

int handBack(irenic::MainWindow &window, const Wishes &w)
{
    const auto *bar = window.openForHandBack(irenic::fileText(w.handBack), w.inPlace);
    QObject::connect(bar, &irenic::HandBack::handedBack, &window, &QWidget::close);
    QObject::connect(bar, &irenic::HandBack::leftUnchanged, &window, &QWidget::close);
    QApplication::exec();
    if (!bar->result().isEmpty())
        std::printf("%s\n", irenic::fileOf(bar->result()).c_str());
    return bar->exitStatus();
}

} // namespace

int main(int argc, char **argv)
{
    irenic::prepareProcess();
    CLI::App options{"Compares and applies noise reduction on raw photographs.", "irenic"};
    Wishes wishes;
    addOptions(options, wishes);
    const irenic::ProgramPages pages{"compare and apply noise reduction on raw photographs",
                                     ".PP\nA second start hands its files to the window that is open, by the session bus. Options of Qt, such as \\fB\\-platform\\fR, are understood, too.\n.PP\nWith \\fB\\-\\-hand\\-back\\fR the exit status is 0 where a file went back and 1 where none did.",
                                     "\\fBirenic\\-cli\\fR(1)"};
    if (const int status = irenic::answerPages(options, pages, argc, argv); status >= 0)
        return status;
    if (argc == 2 && (std::string(argv[1]) == "--help" || std::string(argv[1]) == "-h" || std::string(argv[1]) == "--version")) // without a display, too
        CLI11_PARSE(options, argc, argv);
    QApplication app(argc, argv);
    irenic::prepareApplication(app);
    CLI11_PARSE(options, argc, argv);
    irenic::languages::use(app, QString::fromStdString(wishes.language));
    QStringList files;
    for (const std::string &file : wishes.files)
        files << irenic::fileText(file);
    std::optional<QTemporaryDir> scratch; // settings, sessions and queue of shots: nobody's own, and the same at every start
    if (!wishes.shots.empty()) {
        scratch.emplace();
        for (const char *home : {"XDG_DATA_HOME", "XDG_CONFIG_HOME"})
            qputenv(home, QFile::encodeName(scratch->path()));
    }
    const bool ofItsOwn = wishes.newWindow || wishes.demo || scratch || !wishes.handBack.empty();
    if (!ofItsOwn && irenic::RunningWindow::handOver(files, wishes.action()))
        return 0;
    irenic::MainWindow window;
    window.show();
    if (scratch) {
        window.resize(1280, 800);
        return irenic::takeShots(window, irenic::fileText(wishes.shots));
    }
    if (!wishes.handBack.empty())
        return handBack(window, wishes);
    if (!ofItsOwn)
        new irenic::RunningWindow(&window);
    if (wishes.demo)
        window.openDemoRoll();
    window.open(files);
    window.startWith(wishes.action());
    return app.exec();
}

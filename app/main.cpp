// SPDX-License-Identifier: GPL-3.0-or-later
// irenic: the window.
#include "irenic/process.h"
#include "session/paths.h"
#include "window/main_window.h"
#include "window/shots.h"
#include "window/start.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QFile>
#include <QTemporaryDir>

int main(int argc, char **argv)
{
    irenic::prepareProcess();
    QApplication app(argc, argv);
    irenic::prepareApplication(app);
    QCommandLineParser parser;
    parser.setApplicationDescription(QStringLiteral("Compares and applies noise reduction on raw photographs."));
    parser.addHelpOption();
    parser.addVersionOption();
    const QCommandLineOption demo(QStringLiteral("demo"), QStringLiteral("Open the demo roll."));
    const QCommandLineOption shots(QStringLiteral("shots"), QStringLiteral("Write pictures of the main views into FOLDER and end."), QStringLiteral("FOLDER"));
    parser.addOptions({demo, shots});
    parser.addPositionalArgument(QStringLiteral("files"), QStringLiteral("Raw frames or folders to open."), QStringLiteral("[files...]"));
    QStringList arguments; // Qt's own list would lose the bytes of names that are not UTF-8
    for (int i = 0; i < argc; ++i)
        arguments << irenic::fileText(argv[i]);
    parser.process(arguments);
    std::optional<QTemporaryDir> scratch; // settings, sessions and queue of shots: nobody's own, and the same at every start
    if (parser.isSet(shots)) {
        scratch.emplace();
        for (const char *home : {"XDG_DATA_HOME", "XDG_CONFIG_HOME"})
            qputenv(home, QFile::encodeName(scratch->path()));
    }
    irenic::MainWindow window;
    window.show();
    if (parser.isSet(shots)) {
        window.resize(1280, 800);
        return irenic::takeShots(window, parser.value(shots));
    }
    if (parser.isSet(demo))
        window.openDemoRoll();
    window.open(parser.positionalArguments());
    return app.exec();
}

// SPDX-License-Identifier: GPL-3.0-or-later
// What the programs say of themselves: versions, manual pages, completion.
#include "support/frames.h"

#include <QDir>
#include <QProcess>
#include <QRegularExpression>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic::test;

class PagesTest : public QObject
{
    Q_OBJECT
private slots:
    void programs_data()
    {
        QTest::addColumn<QString>("program");
        for (const char *p : {"irenic", "irenic-cli", "irenic-shoot"})
            QTest::newRow(p) << p;
    }
    void programs()
    {
        QFETCH(QString, program);
        qunsetenv("DISPLAY"); // all of it without one
        const Ran version = run(program, {"--version"});
        QCOMPARE(version.status, 0);
        QVERIFY(version.out.startsWith(program.toLatin1() + " 0."));
        for (const char *library : {"LibRaw", "libjxl", "Exiv2", "LibTIFF"})
            QVERIFY(version.out.contains(library));
        const Ran help = run(program, {"--help"}), page = run(program, {"--write-man"});
        QCOMPARE(help.status, 0);
        QCOMPARE(page.status, 0);
        QVERIFY(page.out.startsWith(".TH ") && page.out.contains(".SH SYNOPSIS") && page.out.contains(".SH EXIT STATUS"));
        // No line begins as a request by accident.
        for (const QByteArray &line : page.out.split('\n'))
            QVERIFY2(!line.startsWith('.') || QRegularExpression("^\\.(TH|SH|TP|PP|br)").match(QString::fromUtf8(line)).hasMatch(), line.constData());
        // Whatever the help names the page names, too.
        for (auto it = QRegularExpression("--[a-z][a-z-]+").globalMatch(QString::fromUtf8(help.out)); it.hasNext();)
            QVERIFY2(page.out.contains(it.next().captured().replace('-', "\\-").toUtf8()), page.out.constData());
        for (const char *shell : {"bash", "zsh", "fish"})
            QVERIFY(!run(program, {"--write-completion", shell}).out.isEmpty());
        QCOMPARE(run(program, {"--write-completion", "tcsh"}).status, 2);
    }
    void theHandbookIsReadOnTheTerminal()
    {
        const Ran list = run("irenic-cli", {"help"});
        QCOMPARE(list.status, 0);
        const QStringList pages = QDir(QStringLiteral(IRENIC_SOURCE "/docs")).entryList({"*.md"}, QDir::Files);
        QVERIFY(pages.size() > 10);
        for (const QString &page : pages)
            QVERIFY2(list.out.contains("  " + page.chopped(3).toUtf8() + ' '), qPrintable(page));
        QFile exports(QStringLiteral(IRENIC_SOURCE "/docs/exports.md"));
        QVERIFY(exports.open(QIODevice::ReadOnly));
        QCOMPARE(run("irenic-cli", {"help", "Exports"}).out, exports.readAll());
        const Ran word = run("irenic-cli", {"help", "pseudo"});
        QVERIFY(word.status == 0 && word.out.startsWith("languages: "));
        const Ran nothing = run("irenic-cli", {"help", "xyzzy"});
        QVERIFY(nothing.status == 1 && nothing.out.isEmpty() && nothing.err.contains("xyzzy"));
    }

    void bashCompletes_data()
    {
        QTest::addColumn<QStringList>("words");
        QTest::addColumn<QString>("expected");
        QTest::newRow("a command") << QStringList{"irenic-cli", "cle"} << "clean";
        QTest::newRow("an option of a command") << QStringList{"irenic-cli", "clean", "--lumi"} << "--luminance --luminance-shadows --luminance-midtones --luminance-lights";
        QTest::newRow("no option of another command") << QStringList{"irenic-cli", "methods", "--lumi"} << "";
    }
    void bashCompletes()
    {
        QFETCH(QStringList, words);
        QFETCH(QString, expected);
        const QTemporaryDir dir;
        QFile script(dir.filePath("c"));
        QVERIFY(script.open(QIODevice::WriteOnly));
        script.write(run("irenic-cli", {"--write-completion", "bash"}).out);
        script.write("COMP_WORDS=(" + words.join(' ').toUtf8() + "); COMP_CWORD=" + QByteArray::number(words.size() - 1) + "; _irenic_cli; echo \"${COMPREPLY[@]}\"\n");
        script.close();
        QProcess bash;
        bash.setWorkingDirectory(dir.path());
        bash.start("bash", {script.fileName()});
        QVERIFY(bash.waitForFinished(30000));
        QCOMPARE(QString::fromUtf8(bash.readAllStandardOutput()).trimmed(), expected);
    }
};

QTEST_GUILESS_MAIN(PagesTest)
#include "pages_test.moc"

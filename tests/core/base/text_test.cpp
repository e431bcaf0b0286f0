// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/text.h"

#include "irenic/export.h"
#include "storage/process_mark.h"

#include <QProcess>
#include <QString>
#include <QTemporaryDir>
#include <QTest>

#include <clocale>
#include <cstdio>
#include <sys/stat.h>
#include <unistd.h>

using namespace irenic;

namespace {

bool isUtf8(const std::string &text)
{
    return QString::fromUtf8(text.data(), qsizetype(text.size())).toStdString() == text; // replacement characters give it away
}

} // namespace

class TextTest : public QObject
{
    Q_OBJECT
private slots:
    void everyNameComesBack_data()
    {
        QTest::addColumn<QByteArray>("name");
        QTest::newRow("plain") << QByteArray("frame-01.dng");
        QTest::newRow("UTF-8") << QByteArray("Schärfe/日本.dng");
        QTest::newRow("latin-1") << QByteArray("Sch\xe4rfe.dng");
        QTest::newRow("cut off") << QByteArray("x\xe6\x97");
        QTest::newRow("overlong") << QByteArray("a\xc0\xafz");
        QTest::newRow("surrogate") << QByteArray("\xed\xa0\x80");
        QTest::newRow("beyond Unicode") << QByteArray("\xf5\x80\x80\x80");
        QTest::newRow("looks like an escape") << QByteArray("\xef\x9e\x80 and \xef\x9f\xbf"); // U+F780, U+F7FF
        QTest::newRow("near an escape") << QByteArray("\xef\x9d\xbf\xef\xa0\x80");            // U+F77F, U+F800
        QByteArray all;
        for (int b = 1; b < 256; ++b)
            all.append(char(b));
        QTest::newRow("every byte") << all;
    }
    void everyNameComesBack()
    {
        QFETCH(QByteArray, name);
        const std::string bytes = name.toStdString(), text = textOf(bytes);
        QVERIFY(isUtf8(text));
        QCOMPARE(QByteArray::fromStdString(pathOf(text).native()), name);
        QCOMPARE(textOf(pathOf(text)), text);
        if (isUtf8(bytes) && !name.contains("\xef\x9e\x80"))
            QCOMPARE(text, bytes); // nothing is changed where nothing has to be
    }

    void metadataBecomeText()
    {
        QCOMPARE(utf8Text("M\xfcller"), std::string("Müller"));
        QCOMPARE(utf8Text("Müller"), std::string("Müller"));
        QCOMPARE(utf8Text(std::string_view("a\0b\x1b[", 5)), std::string("a b ["));
        QVERIFY(isUtf8(utf8Text("\xff\xfe\x80")));
    }

    void numbersKeepTheirPointInAnyLocale()
    {
        // A locale with a decimal comma, made here: a machine may have none.
        const QTemporaryDir dir;
        QProcess make;
        make.start("localedef", {"-i", "de_DE", "-f", "UTF-8", dir.filePath("de_DE.UTF-8")});
        QVERIFY(make.waitForFinished() && make.exitCode() <= 1);
        qputenv("LOCPATH", dir.path().toUtf8());
        QVERIFY(std::setlocale(LC_ALL, "de_DE.UTF-8"));
        char text[16];
        std::snprintf(text, sizeof text, "%g", 0.5);
        QCOMPARE(QByteArray(text), QByteArray("0,5")); // the trap is set
        QCOMPARE(plainNumber(0.5), std::string("0.5"));
        QCOMPARE(plainNumber(25600), std::string("25600"));
        QCOMPARE(plainNumber(1), std::string("1"));
        QCOMPARE(plainNumber(1234567), std::string("1.23457e+06"));
        QCOMPARE(fixedNumber(-2.345, 1), std::string("-2.3"));
        QCOMPARE(fixedNumber(-0.0, 2), std::string("0.00"));
        Frame frame;
        frame.file = "frame-01.dng";
        frame.shooting.iso = 12800;
        const auto name = expandName("{name} {luminance}-{colour} {iso} {counter}", frame, {"wavelet", 0.85, 1.25}, {"A", 7});
        std::setlocale(LC_ALL, "C");
        QVERIFY(name);
        QCOMPARE(name.value(), std::string("frame-01 0.85-1.25 12800 0007"));
    }

    void marksTellWhoLives()
    {
        const std::string mine = ownMark();
        QCOMPARE(writerOf(mine), Writer::Alive);
        const std::string machine = mine.substr(0, mine.find('-'));
        QCOMPARE(writerOf(machine + "-1-999999999999"), Writer::Gone); // process 1 was not started then
        QCOMPARE(writerOf(machine + "-4194999-5"), Writer::Gone);      // no such process
        QCOMPARE(writerOf("00000000-1-1"), Writer::Elsewhere);
        QCOMPARE(writerOf("XYZ123"), Writer::Elsewhere);
        QCOMPARE(writerOf(machine + "-../self-1"), Writer::Elsewhere);
    }

    void modesFollowTheUmask()
    {
        const mode_t before = ::umask(077);
        QCOMPARE(newFileMode(), mode_t(0600));
        ::umask(027);
        QCOMPARE(newFileMode(), mode_t(0640));
        const QTemporaryDir dir;
        const auto target = dir.filePath("x.txt").toStdString();
        QVERIFY(writeNewFile(target, std::as_bytes(std::span("words", 5))));
        struct stat is = {};
        QCOMPARE(::stat(target.c_str(), &is), 0);
        QCOMPARE(is.st_mode & 0777, mode_t(0640));
        ::umask(before);
    }
};

QTEST_APPLESS_MAIN(TextTest)
#include "text_test.moc"

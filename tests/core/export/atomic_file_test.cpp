// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/document.h"
#include "storage/atomic_file.h"

#include <QDir>
#include <QFile>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;

namespace {

std::span<const std::byte> bytesOf(const QByteArray &a)
{
    return std::as_bytes(std::span(a.constData(), size_t(a.size())));
}

QStringList everything(const QTemporaryDir &dir)
{
    return QDir(dir.path()).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot);
}

} // namespace

class AtomicFileTest : public QObject
{
    Q_OBJECT
private slots:
    void appearsWholeOrNotAtAll()
    {
        const QTemporaryDir dir;
        const std::filesystem::path target = dir.filePath("x.bin").toStdString();
        {
            auto file = AtomicFile::create(target);
            QVERIFY(file);
            QVERIFY(file.value().append(bytesOf("hello ")));
            QVERIFY(!QFile::exists(dir.filePath("x.bin")));
        }
        QVERIFY2(everything(dir).isEmpty(), "without commit nothing is left");
        auto file = AtomicFile::create(target);
        QVERIFY(file.value().append(bytesOf("hello world")));
        QVERIFY(file.value().overwrite(0, bytesOf("J")));
        QCOMPARE(file.value().position(), uint64_t(11));
        QVERIFY(file.value().commit());
        QCOMPARE(everything(dir), QStringList{"x.bin"});
        QFile f(dir.filePath("x.bin"));
        QVERIFY(f.open(QIODevice::ReadOnly));
        QCOMPARE(f.readAll(), QByteArray("Jello world"));
    }

    void neverReplaces()
    {
        const QTemporaryDir dir;
        const std::filesystem::path target = dir.filePath("x.bin").toStdString();
        auto file = AtomicFile::create(target);
        QVERIFY(file.value().append(bytesOf("new")));
        QFile other(dir.filePath("x.bin"));
        QVERIFY(other.open(QIODevice::WriteOnly) && other.write("old") == 3);
        other.close();
        const Status s = file.value().commit(); // the name was taken while we wrote
        QVERIFY(!s);
        QVERIFY(s.error().userMessage.find("already there") != std::string::npos);
        QVERIFY(!AtomicFile::create(target));
        QVERIFY(other.open(QIODevice::ReadOnly));
        QCOMPARE(other.readAll(), QByteArray("old"));
        // A dangling link is a name that is taken, too.
        QVERIFY(QFile::link(dir.filePath("nowhere"), dir.filePath("link.bin")));
        QVERIFY(!AtomicFile::create(dir.filePath("link.bin").toStdString()));
    }

    void aDocumentIsReplacedThroughItsLink()
    {
        const QTemporaryDir dir;
        const std::filesystem::path real = dir.filePath("real.json").toStdString(), link = dir.filePath("link.json").toStdString();
        QVERIFY(replaceDocument(real, "one"));
        std::filesystem::permissions(real, std::filesystem::perms::owner_read | std::filesystem::perms::owner_write);
        std::filesystem::create_symlink("real.json", link);
        QVERIFY(replaceDocument(link, "two"));
        QVERIFY(std::filesystem::is_symlink(link));
        QCOMPARE(documentText(real, "document").value(), std::string("two"));
        QVERIFY(std::filesystem::status(real).permissions() == (std::filesystem::perms::owner_read | std::filesystem::perms::owner_write));
        QCOMPARE(everything(dir).size(), 2);
    }

    void saysWhatIsWrong()
    {
        const QTemporaryDir dir;
        const auto missing = AtomicFile::create(dir.filePath("no/such/x.bin").toStdString());
        QVERIFY(!missing);
        QVERIFY(missing.error().userMessage.find("does not exist") != std::string::npos);
        const auto tooLong = AtomicFile::create(dir.filePath(QString(300, u'n')).toStdString());
        QVERIFY(!tooLong);
        QVERIFY(tooLong.error().userMessage.find("too long") != std::string::npos);
        QVERIFY(everything(dir).isEmpty());
    }

    void aFailedWriteLeavesNothing()
    {
        const QTemporaryDir dir;
        {
            auto file = AtomicFile::create(dir.filePath("x.bin").toStdString());
            QVERIFY(file);
            const Status far = file.value().overwrite(uint64_t(1) << 62, bytesOf("x")); // beyond any file system
            QVERIFY(!far);
            QVERIFY(far.error().userMessage.find("Nothing was left behind") != std::string::npos);
        }
        QVERIFY(everything(dir).isEmpty());
    }
};

QTEST_APPLESS_MAIN(AtomicFileTest)
#include "atomic_file_test.moc"

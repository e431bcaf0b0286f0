// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/recipe_book.h"

#include <QDir>
#include <QFile>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;

class RecipeBookTest : public QObject
{
    Q_OBJECT
private slots:
    void keepsRecipesBetweenRuns()
    {
        const QTemporaryDir dir;
        RecipeBook book(dir.filePath("recipes"));
        QSignalSpy changed(&book, &RecipeBook::changed);
        QVERIFY(book.recipes().empty());
        QVERIFY(book.save({"Stage", {"bm3d", 0.8, 1.1}}).ok());
        QVERIFY(book.save({"Alley", {"dct", 0.5, 1}}).ok());
        QCOMPARE(changed.size(), 2);
        const RecipeBook again(dir.filePath("recipes"));
        QCOMPARE(again.recipes().size(), size_t(2));
        QCOMPARE(again.recipes()[0].name, std::string("Alley")); // by name
        QVERIFY(again.recipes()[1].treatment == (Treatment{"bm3d", 0.8, 1.1}));
    }

    void theSameNameTakesThePlaceOfTheOlder()
    {
        const QTemporaryDir dir;
        RecipeBook book(dir.path());
        QVERIFY(book.save({"Stage", {"bm3d", 0.8, 1.1}}).ok());
        QVERIFY(book.save({"Stage", {"dct", 0.4, 0.4}}).ok());
        QCOMPARE(book.recipes().size(), size_t(1));
        QCOMPARE(book.recipes()[0].treatment.method, std::string("dct"));
        // Names that make the same file name stay two recipes.
        QVERIFY(book.save({"Stage!", {"nlm", 1, 1}}).ok());
        QVERIFY(book.save({"Stage?", {"wavelet", 1, 1}}).ok());
        QCOMPARE(book.recipes().size(), size_t(3));
    }

    void comesAndGoesAsAFile()
    {
        const QTemporaryDir dir;
        RecipeBook book(dir.filePath("a")), other(dir.filePath("b"));
        QVERIFY(book.save({"Mist", {"nlm", 0.7, 1.3, "wavelet"}}).ok());
        const QString file = dir.filePath("mist.json");
        QVERIFY(book.exportTo("Mist", file).ok());
        QVERIFY(!book.exportTo("Fog", dir.filePath("fog.json")).ok());
        QVERIFY(other.importFrom(file).ok());
        QVERIFY(other.recipes() == book.recipes());
        QVERIFY(book.remove("Mist").ok());
        QVERIFY(book.recipes().empty());
        QVERIFY(!book.remove("Mist").ok());
        QVERIFY(QFile::exists(file));
    }

    void otherFilesAreLeftAlone()
    {
        const QTemporaryDir dir;
        QFile odd(dir.filePath("odd") + RecipeBook::ending());
        QVERIFY(odd.open(QIODevice::WriteOnly) && odd.write("not JSON") > 0);
        odd.close();
        RecipeBook book(dir.path());
        QVERIFY(book.recipes().empty());
        QVERIFY(!book.importFrom(odd.fileName()).ok());
        QVERIFY(book.save({"odd", {"dct", 1, 1}}).ok());
        QVERIFY(odd.open(QIODevice::ReadOnly));
        QCOMPARE(odd.readAll(), QByteArray("not JSON"));
    }
};

QTEST_GUILESS_MAIN(RecipeBookTest)
#include "recipe_book_test.moc"

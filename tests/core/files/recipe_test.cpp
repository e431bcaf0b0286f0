// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/recipe.h"

#include <QFile>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;

class RecipeTest : public QObject
{
    Q_OBJECT
private slots:
    void comesBackAsItWasWritten()
    {
        const QTemporaryDir dir;
        const auto file = dir.filePath("stage.irenic-recipe.json").toStdString();
        const Recipe recipe{"Stage, \"quiet\" light", {"bm3d", 0.85, 1.25, "wavelet"}};
        QVERIFY(writeRecipe(file, recipe).ok());
        const auto back = readRecipe(file);
        QVERIFY(back.ok());
        QVERIFY(back.value() == recipe);
        const Status again = writeRecipe(file, recipe);
        QVERIFY2(!again.ok() && again.error().code == ErrorCode::Taken, "a file is never replaced");
    }

    void theTextIsAsDocumented()
    {
        QFile page(QStringLiteral(IRENIC_SOURCE) + "/docs/recipes.md");
        QVERIFY(page.open(QIODevice::ReadOnly));
        const QString text = page.readAll();
        const qsizetype from = text.indexOf("```json") + 8, to = text.indexOf("```", from);
        QVERIFY(from > 8 && to > from);
        const auto read = recipeFromText(text.mid(from, to - from).toStdString(), "the page");
        QVERIFY(read.ok());
        QCOMPARE(QString::fromStdString(recipeText(read.value())), text.mid(from, to - from));
    }

    void whatIsNoRecipeIsRefused_data()
    {
        QTest::addColumn<QByteArray>("text");
        QTest::addColumn<QString>("says");
        QTest::newRow("words") << QByteArray("hello") << "is not a recipe";
        QTest::newRow("an array") << QByteArray("[1]") << "is not a recipe";
        QTest::newRow("another format") << QByteArray("{\"format\":\"cake\"}") << "is not a recipe";
        QTest::newRow("later version") << QByteArray("{\"format\":\"irenic-recipe\",\"version\":2,\"name\":\"x\",\"method\":\"nlm\",\"luminance\":1,\"colour\":1}") << "later version";
        QTest::newRow("version in words") << QByteArray("{\"format\":\"irenic-recipe\",\"version\":\"1\"}") << "without a version";
        QTest::newRow("no strength") << QByteArray("{\"format\":\"irenic-recipe\",\"version\":1,\"name\":\"x\",\"method\":\"nlm\",\"luminance\":1}") << "lacks something";
        QTest::newRow("strength in words") << QByteArray("{\"format\":\"irenic-recipe\",\"version\":1,\"name\":\"x\",\"method\":\"nlm\",\"luminance\":\"1\",\"colour\":1}") << "lacks something";
        QTest::newRow("unknown method") << QByteArray("{\"format\":\"irenic-recipe\",\"version\":1,\"name\":\"x\",\"method\":\"magic\",\"luminance\":1,\"colour\":1}") << "magic";
        QTest::newRow("out of range") << QByteArray("{\"format\":\"irenic-recipe\",\"version\":1,\"name\":\"x\",\"method\":\"nlm\",\"luminance\":9,\"colour\":1}") << "luminance";
        QTest::newRow("cut off") << QByteArray("{\"format\":\"irenic-recipe\",\"version\":1,\"na") << "is not a recipe";
    }
    void whatIsNoRecipeIsRefused()
    {
        QFETCH(QByteArray, text);
        QFETCH(QString, says);
        const QTemporaryDir dir;
        QFile file(dir.filePath("odd.json"));
        QVERIFY(file.open(QIODevice::WriteOnly) && file.write(text) == text.size());
        file.close();
        const auto read = readRecipe(file.fileName().toStdString());
        QVERIFY(!read.ok());
        const QString message = QString::fromStdString(read.error().userMessage);
        QVERIFY2(message.contains(says) && message.contains("odd.json"), qPrintable(message));
    }

    void aMissingFileIsNamed()
    {
        const auto read = readRecipe("/nowhere/r.json");
        QVERIFY(!read.ok());
        QCOMPARE(int(read.error().code), int(ErrorCode::NotFound));
        QVERIFY(QString::fromStdString(read.error().userMessage).contains("r.json"));
    }
};

QTEST_APPLESS_MAIN(RecipeTest)
#include "recipe_test.moc"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/recipe_book.h"

#include "irenic/sentence.h"
#include <QDir>
#include <QFile>
#include <QStandardPaths>

#include <algorithm>

namespace irenic {

RecipeBook::RecipeBook(const QString &folder, QObject *parent) : QObject(parent), m_folder(folder)
{
    read();
}

QString RecipeBook::usualFolder()
{
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/recipes");
}

void RecipeBook::read()
{
    std::vector<std::pair<Recipe, QString>> found;
    for (const QFileInfo &info : QDir(m_folder).entryInfoList({u'*' + ending()}, QDir::Files, QDir::Name))
        if (auto recipe = readRecipe(info.filePath().toStdString()))
            found.emplace_back(recipe.take(), info.filePath());
    std::stable_sort(found.begin(), found.end(), [](const auto &a, const auto &b) { return a.first.name < b.first.name; });
    m_recipes.clear();
    m_files.clear();
    for (auto &[recipe, file] : found) {
        m_recipes.push_back(std::move(recipe));
        m_files.push_back(file);
    }
}

Status RecipeBook::save(const Recipe &recipe)
{
    if (!QDir().mkpath(m_folder))
        return Error{ErrorCode::WriteFailed, sentence("The folder %1 cannot be made; the recipe was not saved.", {m_folder.toStdString()}), {}};
    // Written under a free name first; the older one of the same name goes only then.
    QString plain;
    for (const QChar c : QString::fromStdString(recipe.name).left(60))
        plain += c.isLetterOrNumber() ? c : u'-';
    QString file = m_folder + u'/' + plain + ending();
    for (int n = 2; QFile::exists(file); ++n)
        file = QStringLiteral("%1/%2-%3%4").arg(m_folder, plain).arg(n).arg(ending());
    if (const Status s = writeRecipe(file.toStdString(), recipe); !s)
        return s;
    for (size_t i = 0; i < m_recipes.size(); ++i)
        if (m_recipes[i].name == recipe.name)
            QFile::remove(m_files[i]);
    read();
    emit changed();
    return {};
}

Status RecipeBook::remove(const QString &name)
{
    for (size_t i = 0; i < m_recipes.size(); ++i) {
        if (m_recipes[i].name != name.toStdString())
            continue;
        if (!QFile::remove(m_files[i]))
            return Error{ErrorCode::WriteFailed, sentence("The recipe %1 could not be removed.", {name.toStdString()}), {}};
        read();
        emit changed();
        return {};
    }
    return Error{ErrorCode::BadParameter, sentence("There is no recipe %1.", {name.toStdString()}), {}};
}

Status RecipeBook::importFrom(const QString &file)
{
    auto recipe = readRecipe(file.toStdString());
    if (!recipe)
        return recipe.error();
    return save(recipe.value());
}

Status RecipeBook::exportTo(const QString &name, const QString &file) const
{
    for (const Recipe &recipe : m_recipes)
        if (recipe.name == name.toStdString())
            return writeRecipe(file.toStdString(), recipe);
    return Error{ErrorCode::BadParameter, sentence("There is no recipe %1.", {name.toStdString()}), {}};
}

} // namespace irenic

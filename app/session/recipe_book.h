// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/recipe.h"

#include <QObject>
#include <QString>

#include <vector>

namespace irenic {

/// The recipes that the user has saved: one documented JSON file each, in a folder of the application's own. Files there that are
/// no recipes are left alone and not shown.
class RecipeBook : public QObject
{
    Q_OBJECT
public:
    explicit RecipeBook(const QString &folder, QObject *parent = nullptr);
    static QString usualFolder();

    const std::vector<Recipe> &recipes() const { return m_recipes; } ///< by name
    Status save(const Recipe &recipe);                               ///< in place of one of the same name
    Status remove(const QString &name);                              ///< BadParameter where there is none
    Status importFrom(const QString &file);
    Status exportTo(const QString &name, const QString &file) const;
    static QString ending() { return QStringLiteral(".irenic-recipe.json"); }

signals:
    void changed();

private:
    void read();

    QString m_folder;
    std::vector<Recipe> m_recipes;
    std::vector<QString> m_files; ///< of m_recipes
};

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/recipe_menus.h"

#include "session/paths.h"

#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QInputDialog>
#include <QMenu>

namespace irenic {

RecipeMenus::RecipeMenus(RecipeBook *book, Session *session, QWidget *window)
    : QObject(window), toTrial(new QMenu(tr("&Apply a recipe"), window)), toAll(new QMenu(tr("Apply a recipe to a&ll frames"), window)), out(new QMenu(tr("E&xport a recipe"), window)),
      away(new QMenu(tr("F&orget a recipe"), window)), m_book(book), m_session(session), m_window(window)
{
    connect(book, &RecipeBook::changed, this, &RecipeMenus::fill);
    fill();
}

void RecipeMenus::tell(const Status &status, const QString &done)
{
    emit told(status ? done : QString::fromStdString(status.error().userMessage));
}

void RecipeMenus::fill()
{
    for (QMenu *menu : {toTrial, toAll, out, away}) {
        menu->clear();
        menu->setEnabled(!m_book->recipes().empty());
    }
    for (const Recipe &recipe : m_book->recipes()) {
        const QString name = QString::fromStdString(recipe.name), words = treatmentWords(recipe.treatment), text = name == words ? name : tr("%1   (%2)").arg(name, words);
        toTrial->addAction(text, this, [this, recipe, name] {
            if (const int trial = m_session->viewing().trial(); trial >= 0)
                m_session->editing().changeTreatment(trial, recipe.treatment, tr("recipe %1 on %2").arg(name, trialLetter(trial)));
            else
                m_session->editing().addTrial(recipe.treatment);
        });
        toAll->addAction(text, this, [this, recipe, name] { tellKept(name, m_session->editing().treatAll(recipe.treatment)); });
        out->addAction(text, this, [this, name] {
            const QString file = QFileDialog::getSaveFileName(m_window, tr("Export the recipe"), freeFile(QDir::currentPath(), name, RecipeBook::ending()), {}, nullptr, QFileDialog::DontConfirmOverwrite);
            if (!file.isEmpty())
                tell(m_book->exportTo(name, file), tr("Written: %1").arg(file));
        });
        away->addAction(text, this, [this, name] { tell(m_book->remove(name), tr("Forgot the recipe %1.").arg(name)); });
    }
}

void RecipeMenus::tellKept(const QString &name, int frames)
{
    emit told(frames == 1 ? tr("%1 is the keeper of one frame now.").arg(name) : tr("%1 is the keeper of %n frames now.", nullptr, frames).arg(name));
}

void RecipeMenus::fillFor(QMenu *menu, const std::function<QList<int>()> &frames)
{
    menu->clear();
    for (const Recipe &recipe : m_book->recipes())
        menu->addAction(QString::fromStdString(recipe.name), this, [this, recipe, frames] {
            const QString name = QString::fromStdString(recipe.name);
            const int treated = m_session->editing().treat(
                frames(), [recipe](const RollFrame &) { return recipe.treatment; }, tr("recipe %1 on chosen frames").arg(name));
            tellKept(name, treated);
        });
    if (menu->isEmpty())
        menu->addAction(tr("No recipe was saved yet (Ctrl+Shift+R on the wall)"))->setEnabled(false);
}

void RecipeMenus::save()
{
    const int trial = m_session->viewing().trial();
    if (trial < 0)
        return;
    const Treatment treatment = m_session->viewing().readyFrame()->trials[size_t(trial)];
    bool ok = false;
    const QString name = QInputDialog::getText(m_window, tr("Save as a recipe"), tr("Name of the recipe"), QLineEdit::Normal, treatmentWords(treatment), &ok).trimmed();
    if (ok && !name.isEmpty())
        tell(m_book->save({name.toStdString(), treatment}), tr("Saved the recipe %1.").arg(name));
}

void RecipeMenus::import()
{
    const QString file = QFileDialog::getOpenFileName(m_window, tr("Import a recipe"), {}, tr("Recipes and exported pictures (*.json *.dng *.tif *.tiff *.jpg *.jpeg *.png)"));
    if (!file.isEmpty())
        tell(m_book->importFrom(file), tr("Imported %1.").arg(QFileInfo(file).fileName()));
}

} // namespace irenic

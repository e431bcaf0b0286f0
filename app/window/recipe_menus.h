// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/recipe_book.h"
#include "session/session.h"

class QMenu;
class QWidget;

namespace irenic {

/// What can be done with recipes: kept from a trial, applied, carried to another machine and forgotten.
class RecipeMenus : public QObject
{
    Q_OBJECT
public:
    /// @param window for its dialogs
    RecipeMenus(RecipeBook *book, Session *session, QWidget *window);

    QMenu *toTrial, *toAll, *out, *away;                                  ///< kept filled with the recipes
    void fillFor(QMenu *menu, const std::function<QList<int>()> &frames); ///< to be applied to those frames
    void save();                                                          ///< the trial with the keyboard
    void import();

signals:
    void told(const QString &text);

private:
    void fill();
    void tell(const Status &status, const QString &done);
    void tellKept(const QString &name, int frames);

    RecipeBook *m_book;
    Session *m_session;
    QWidget *m_window;
};

} // namespace irenic

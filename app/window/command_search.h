// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

class QAction;
class QLineEdit;
class QTreeWidget;
class QTreeWidgetItem;

namespace irenic {

class Actions;

/// Everything that the window can do, in groups, with its keys; narrowed down by typing, carried out with Enter. Help for keys, and the quick
/// way to what one knows by name.
class CommandSearch : public QDialog
{
    Q_OBJECT
public:
    CommandSearch(Actions *actions, QWidget *parent = nullptr);

    int shownCount() const; ///< lines that fit what was typed

protected:
    bool eventFilter(QObject *watched, QEvent *event) override;

private:
    void narrow(const QString &typed);
    void run(const QTreeWidgetItem *item);
    void step(int lines);
    QList<QTreeWidgetItem *> shownItems() const;

    QLineEdit *m_field;
    QTreeWidget *m_list;
    QHash<const QTreeWidgetItem *, QAction *> m_actions;
};

} // namespace irenic

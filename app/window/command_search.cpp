// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/command_search.h"

#include "window/actions.h"

#include <QHeaderView>
#include <QKeyEvent>
#include <QLineEdit>
#include <QTreeWidget>
#include <QVBoxLayout>

namespace irenic {

CommandSearch::CommandSearch(Actions *actions, QWidget *parent) : QDialog(parent)
{
    setObjectName(QStringLiteral("commandSearch"));
    setWindowTitle(tr("Commands and keys"));
    resize(560, 620);
    auto *column = new QVBoxLayout(this);
    m_field = new QLineEdit;
    m_field->setObjectName(QStringLiteral("typed"));
    m_field->setAccessibleName(tr("Words of a command"));
    m_field->setPlaceholderText(tr("type words of a command; Enter carries it out"));
    m_field->setClearButtonEnabled(true);
    column->addWidget(m_field);
    m_list = new QTreeWidget;
    m_list->setObjectName(QStringLiteral("commands"));
    m_list->setAccessibleName(tr("Commands"));
    m_list->setColumnCount(2);
    m_list->setHeaderHidden(true);
    m_list->setRootIsDecorated(false);
    m_list->setIndentation(14);
    m_list->setUniformRowHeights(true);
    m_list->setFocusPolicy(Qt::NoFocus); // arrows are passed on from the field
    column->addWidget(m_list);
    QTreeWidgetItem *group = nullptr;
    for (const Actions::Shortcut &s : actions->commands()) {
        if (!group || group->text(0) != s.group) {
            group = new QTreeWidgetItem(m_list, {s.group});
            group->setFlags(Qt::ItemIsEnabled);
            QFont font = m_list->font();
            font.setWeight(QFont::DemiBold);
            group->setFont(0, font);
            group->setFirstColumnSpanned(true);
        }
        auto *item = new QTreeWidgetItem(group, {s.words, s.keys});
        item->setDisabled(s.action && !s.action->isEnabled());
        if (s.action)
            m_actions.insert(item, s.action);
        else
            item->setFlags(Qt::ItemIsEnabled);
    }
    m_list->expandAll();
    m_list->header()->setStretchLastSection(true);
    m_list->setColumnWidth(0, 350);
    m_field->installEventFilter(this);
    connect(m_field, &QLineEdit::textChanged, this, &CommandSearch::narrow);
    connect(m_list, &QTreeWidget::itemClicked, this, [this](const QTreeWidgetItem *item) { run(item); });
    m_field->setFocus();
}

QList<QTreeWidgetItem *> CommandSearch::shownItems() const
{
    QList<QTreeWidgetItem *> all;
    for (int g = 0; g < m_list->topLevelItemCount(); ++g) {
        const QTreeWidgetItem *group = m_list->topLevelItem(g);
        for (int i = 0; i < group->childCount(); ++i)
            if (!group->child(i)->isHidden())
                all << group->child(i);
    }
    return all;
}

int CommandSearch::shownCount() const
{
    return int(shownItems().size());
}

/// Every word that was typed has to be in the group, the words or the keys.
void CommandSearch::narrow(const QString &typed)
{
    const QStringList words = typed.split(u' ', Qt::SkipEmptyParts);
    for (int g = 0; g < m_list->topLevelItemCount(); ++g) {
        QTreeWidgetItem *group = m_list->topLevelItem(g);
        bool any = false;
        for (int i = 0; i < group->childCount(); ++i) {
            QTreeWidgetItem *item = group->child(i);
            const QString text = group->text(0) + u' ' + item->text(0) + u' ' + item->text(1);
            const bool fits = std::all_of(words.begin(), words.end(), [&](const QString &w) { return text.contains(w, Qt::CaseInsensitive); });
            item->setHidden(!fits);
            any |= fits;
        }
        group->setHidden(!any);
    }
    m_list->setCurrentItem(nullptr);
    if (!words.isEmpty())
        step(1);
}

void CommandSearch::step(int lines)
{
    QList<QTreeWidgetItem *> can = shownItems();
    can.removeIf([this](const QTreeWidgetItem *item) { return !m_actions.contains(item) || item->isDisabled(); });
    if (can.isEmpty())
        return m_list->setCurrentItem(nullptr);
    const auto at = can.indexOf(m_list->currentItem());
    m_list->setCurrentItem(can[std::clamp<qsizetype>(at + lines, 0, can.size() - 1)]);
    m_list->scrollToItem(m_list->currentItem());
}

void CommandSearch::run(const QTreeWidgetItem *item)
{
    QAction *action = item && !item->isDisabled() ? m_actions.value(item) : nullptr;
    if (!action)
        return;
    accept();
    action->trigger();
}

bool CommandSearch::eventFilter(QObject *watched, QEvent *event)
{
    if (watched == m_field && event->type() == QEvent::KeyPress) {
        switch (static_cast<const QKeyEvent *>(event)->key()) {
        case Qt::Key_Down: step(1); return true;
        case Qt::Key_Up: step(-1); return true;
        case Qt::Key_PageDown: step(10); return true;
        case Qt::Key_PageUp: step(-10); return true;
        case Qt::Key_Return:
        case Qt::Key_Enter: run(m_list->currentItem()); return true;
        default: break;
        }
    }
    return QDialog::eventFilter(watched, event);
}

} // namespace irenic

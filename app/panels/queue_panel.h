// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "jobs/export_queue.h"

#include <QWidget>

class QLabel;
class QPushButton;
class QTreeWidget;
class QTreeWidgetItem;

namespace irenic {

/// The exports that wait, run and are over, with what can be done about them.
class QueuePanel : public QWidget
{
    Q_OBJECT
public:
    QueuePanel(ExportQueue *queue, QWidget *parent = nullptr);
    QStringList lines() const; ///< as shown: "name  state  time"

signals:
    void guestWanted(const QString &source, const QString &file); ///< beside its original
    void told(const QString &text);                               ///< what could not be done

protected:
    void contextMenuEvent(QContextMenuEvent *event) override;
    void keyPressEvent(QKeyEvent *event) override;

private:
    const ExportQueue::Entry *chosen() const;
    void showContents();
    void showRow(QTreeWidgetItem *item, const ExportQueue::Entry &entry);
    void showTotals();
    void openWith(const QString &file);
    void saveReport();

    ExportQueue *m_queue;
    QTreeWidget *m_list;
    QLabel *m_total;
    QPushButton *m_pause, *m_cancel, *m_retry, *m_report, *m_clear;
};

} // namespace irenic

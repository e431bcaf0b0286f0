// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/decisions_dialog.h"

#include "session/paths.h"

#include <QDialogButtonBox>
#include <QDir>
#include <QFileDialog>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>
#include <QVBoxLayout>

namespace irenic {

DecisionsDialog::DecisionsDialog(DecisionBook *book, QWidget *parent) : QDialog(parent), m_book(book)
{
    setObjectName(QStringLiteral("decisionsDialog"));
    setWindowTitle(tr("Your own starting point"));
    resize(720, 460);
    auto *column = new QVBoxLayout(this);
    auto *about = new QLabel(tr("Every keeper that is exported is remembered beside what had been suggested for its frame. Where frames of like noise agree beyond chance, a trial can start from there: Shift+Backspace, or the button under it. Nothing leaves this computer."));
    about->setWordWrap(true);
    column->addWidget(about);
    m_words = new QLabel;
    m_words->setObjectName(QStringLiteral("ownStarts"));
    m_words->setWordWrap(true);
    column->addWidget(m_words);
    m_table = new QTableWidget(0, 8);
    m_table->setObjectName(QStringLiteral("decisions"));
    m_table->setAccessibleName(tr("Decisions"));
    m_table->setHorizontalHeaderLabels({tr("frame"), tr("day"), tr("grain"), tr("method"), tr("luminance"), tr("colour"), tr("detail"), tr("grain kept")});
    m_table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->verticalHeader()->hide();
    m_table->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    m_table->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    column->addWidget(m_table, 1);
    m_problem = new QLabel;
    m_problem->setObjectName(QStringLiteral("problem"));
    m_problem->setWordWrap(true);
    m_problem->hide();
    column->addWidget(m_problem);
    auto *buttons = new QDialogButtonBox(QDialogButtonBox::Close);
    m_forget = buttons->addButton(tr("Forget the chosen"), QDialogButtonBox::ActionRole);
    m_forgetAll = buttons->addButton(tr("Forget all"), QDialogButtonBox::ActionRole);
    m_export = buttons->addButton(tr("Export..."), QDialogButtonBox::ActionRole);
    m_forget->setObjectName(QStringLiteral("forget"));
    m_forgetAll->setObjectName(QStringLiteral("forgetAll"));
    m_export->setObjectName(QStringLiteral("exportDecisions"));
    column->addWidget(buttons);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(m_forget, &QPushButton::clicked, this, [this] {
        QList<int> rows;
        for (const QModelIndex &index : m_table->selectionModel()->selectedRows())
            rows << index.row();
        tell(m_book->forget(rows));
    });
    connect(m_forgetAll, &QPushButton::clicked, this, [this] { tell(m_book->forgetAll()); });
    connect(m_export, &QPushButton::clicked, this, &DecisionsDialog::exportThem);
    connect(m_table, &QTableWidget::itemSelectionChanged, this, [this] { m_forget->setEnabled(m_table->selectionModel()->hasSelection()); });
    connect(book, &DecisionBook::changed, this, &DecisionsDialog::fill);
    fill();
    if (!book->problem().isEmpty())
        tell(Error{ErrorCode::WriteFailed, book->problem().toStdString(), {}});
}

void DecisionsDialog::fill()
{
    const auto &all = m_book->decisions().all();
    m_table->setRowCount(int(all.size()));
    for (int row = 0; row < int(all.size()); ++row) {
        const Decision &d = all[size_t(row)];
        const MethodInfo *method = findMethod(d.method);
        const QString cells[] = {QString::fromStdString(d.frame), QString::fromStdString(d.day), tr("%1 %").arg(100 * d.noise, 0, 'f', 1), method ? tr(method->label) : QString::fromStdString(d.method),
                                 tr("%1 x suggested").arg(d.luminance, 0, 'f', 2), tr("%1 x suggested").arg(d.colour, 0, 'f', 2), QString::number(d.detail, 'f', 2), QString::number(d.grain, 'f', 2)};
        for (int column = 0; column < 8; ++column)
            m_table->setItem(row, column, new QTableWidgetItem(cells[column]));
    }
    QStringList words;
    for (const double noise : {0.03, 0.09, 0.2})
        if (const auto start = m_book->decisions().startFor(noise))
            words << QString::fromStdString(start->reason);
    m_words->setText(!words.isEmpty() ? words.join(u'\n') : all.empty() ? tr("Nothing was decided yet.")
                                                                        : tr("The decisions do not agree beyond chance yet; that takes six frames at least."));
    m_forget->setEnabled(m_table->selectionModel()->hasSelection());
    m_forgetAll->setEnabled(!all.empty());
    m_export->setEnabled(!all.empty());
}

void DecisionsDialog::tell(const Status &status)
{
    m_problem->setVisible(!status);
    if (!status)
        m_problem->setText(QString::fromStdString(status.error().userMessage));
}

void DecisionsDialog::exportThem()
{
    const QString file = QFileDialog::getSaveFileName(this, tr("Export the decisions"), QDir::current().filePath(QStringLiteral("decisions.json")), tr("JSON (*.json)"), nullptr, QFileDialog::DontConfirmOverwrite);
    if (!file.isEmpty())
        tell(m_book->exportTo(file));
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/decision_book.h"

#include <QDialog>

class QLabel;
class QPushButton;
class QTableWidget;

namespace irenic {

/// What the user settled on, frame by frame, and what follows from it: to look through, to export, to forget.
class DecisionsDialog : public QDialog
{
    Q_OBJECT
public:
    explicit DecisionsDialog(DecisionBook *book, QWidget *parent = nullptr);

private:
    void fill();
    void tell(const Status &status);
    void exportThem();

    DecisionBook *m_book;
    QTableWidget *m_table;
    QLabel *m_words, *m_problem;
    QPushButton *m_forget, *m_forgetAll, *m_export;
};

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

class QLineEdit;
class QListWidget;
class QTextBrowser;

namespace irenic {

/// The pages of docs/ that are for photographers, built in: to read, to follow from one to another, and to search.
class HelpPages : public QDialog
{
    Q_OBJECT
public:
    explicit HelpPages(QWidget *parent = nullptr);

    void open(const QString &page); ///< by its name without ending: "comparing"
    QString page() const;
    static QStringList pages(); ///< in the order of the list

private:
    void narrow(const QString &words);
    void showText(const QString &markdown);

    QLineEdit *m_field;
    QListWidget *m_list;
    QTextBrowser *m_text;
};

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/help_pages.h"

#include <QDesktopServices>
#include <QFile>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QListWidget>
#include <QTextBrowser>
#include <QTextDocument>

namespace irenic {

namespace {

constexpr const char *kPages[] = {"comparing", "taste", "regions", "lens", "exports", "sessions", "recipes", "own-start", "camera-book", "formats", "command-line", "many-machines", "installing", "reliability"};

QString textOfPage(const QString &page)
{
    QFile file(QStringLiteral(":/docs/%1.md").arg(page));
    return file.open(QIODevice::ReadOnly) ? QString::fromUtf8(file.readAll()) : QString();
}

enum Role {
    PageName = Qt::UserRole,
    PageText
};

} // namespace

HelpPages::HelpPages(QWidget *parent) : QDialog(parent)
{
    setObjectName(QStringLiteral("helpPages"));
    setWindowTitle(tr("Pages about Irenic"));
    resize(940, 680);
    m_field = new QLineEdit;
    m_field->setObjectName(QStringLiteral("helpWords"));
    m_field->setAccessibleName(tr("Words to look for"));
    m_field->setPlaceholderText(tr("words in the pages"));
    m_field->setClearButtonEnabled(true);
    m_list = new QListWidget;
    m_list->setAccessibleName(tr("Pages"));
    m_list->setFixedWidth(210);
    m_list->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    m_list->setWordWrap(true);
    m_text = new QTextBrowser;
    m_text->setAccessibleName(tr("Text of the page"));
    m_text->setOpenLinks(false);
    m_text->document()->setDocumentMargin(16);
    for (const char *page : kPages) {
        const QString text = textOfPage(QString::fromLatin1(page));
        auto *item = new QListWidgetItem(text.section(u'\n', 0, 0).remove(QStringLiteral("# ")), m_list);
        item->setData(PageName, QString::fromLatin1(page));
        item->setData(PageText, text);
    }
    auto *left = new QVBoxLayout;
    left->addWidget(m_field);
    left->addWidget(m_list, 1);
    auto *row = new QHBoxLayout(this);
    row->addLayout(left);
    row->addWidget(m_text, 1);
    connect(m_field, &QLineEdit::textChanged, this, &HelpPages::narrow);
    connect(m_field, &QLineEdit::returnPressed, this, [this] {
        if (!m_text->find(m_field->text())) { // from the top again
            m_text->moveCursor(QTextCursor::Start);
            m_text->find(m_field->text());
        }
    });
    connect(m_list, &QListWidget::currentItemChanged, this, [this](const QListWidgetItem *item) {
        if (item)
            showText(item->data(PageText).toString());
    });
    connect(m_text, &QTextBrowser::anchorClicked, this, [this](const QUrl &link) {
        if (link.isRelative() && link.path().endsWith(QStringLiteral(".md")))
            open(link.path().chopped(3));
        else if (link.scheme() == QStringLiteral("https"))
            QDesktopServices::openUrl(link);
    });
    m_list->setCurrentRow(0);
    m_field->setFocus();
}

QStringList HelpPages::pages()
{
    QStringList all;
    for (const char *page : kPages)
        all << QString::fromLatin1(page);
    return all;
}

QString HelpPages::page() const
{
    return m_list->currentItem() ? m_list->currentItem()->data(PageName).toString() : QString();
}

void HelpPages::open(const QString &page)
{
    const auto at = pages().indexOf(page);
    if (at < 0) { // one for those who build
        if (const QString text = textOfPage(page); !text.isEmpty()) {
            m_list->setCurrentItem(nullptr);
            showText(text);
        }
        return;
    }
    m_list->item(int(at))->setHidden(false);
    m_list->setCurrentRow(int(at));
}

void HelpPages::showText(const QString &markdown)
{
    m_text->setMarkdown(markdown);
    if (!m_field->text().isEmpty())
        m_text->find(m_field->text());
}

/// Pages that hold every word; the first of them is shown.
void HelpPages::narrow(const QString &typed)
{
    const QStringList words = typed.split(u' ', Qt::SkipEmptyParts);
    int first = -1;
    for (int i = 0; i < m_list->count(); ++i) {
        const QString text = m_list->item(i)->data(PageText).toString();
        const bool has = std::all_of(words.begin(), words.end(), [&](const QString &w) { return text.contains(w, Qt::CaseInsensitive); });
        m_list->item(i)->setHidden(!has);
        if (has && first < 0)
            first = i;
    }
    if (first < 0)
        m_list->setCurrentItem(nullptr);
    else if (!m_list->currentItem() || m_list->currentItem()->isHidden())
        m_list->setCurrentRow(first);
    else
        showText(m_list->currentItem()->data(PageText).toString());
}

} // namespace irenic

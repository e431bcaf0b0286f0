// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/shown_notes.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

namespace irenic {

ShownNotes::ShownNotes(QWidget *parent) : QWidget(parent)
{
    setObjectName(QStringLiteral("shownNotes"));
    setAutoFillBackground(true);
    m_row = new QHBoxLayout(this);
    m_row->setContentsMargins(0, 0, 0, 0);
    m_row->setSpacing(6);
    m_row->addStretch(1);
    hide();
}

void ShownNotes::setNotes(const std::vector<Note> &notes)
{
    QStringList words, buttons;
    for (const Note &n : notes) {
        words << n.words;
        buttons << n.more;
    }
    if (words == m_words && buttons == m_buttons)
        return;
    m_words = words;
    m_buttons = buttons;
    while (m_row->count() > 1) {
        const std::unique_ptr<QLayoutItem> item(m_row->takeAt(0));
        item->widget()->deleteLater(); // a press on it may be what took it away
        item->widget()->hide();
    }
    int at = 0;
    for (const Note &n : notes) {
        auto *label = new QLabel(n.words);
        QFont bold = label->font();
        bold.setWeight(QFont::DemiBold);
        label->setFont(bold);
        m_row->insertWidget(at++, label);
        const auto button = [&](const QString &text, const QString &name, const std::function<void()> &run) {
            auto *b = new QPushButton(text);
            b->setFocusPolicy(Qt::TabFocus);
            b->setFixedSize(b->fontMetrics().horizontalAdvance(text) + 16, b->fontMetrics().height() + 4);
            b->setAccessibleName(tr("%1: %2").arg(n.words, text));
            b->setObjectName(name + QString::number(at));
            connect(b, &QPushButton::clicked, this, run);
            m_row->insertWidget(at++, b);
        };
        if (n.onMore)
            button(n.more, QStringLiteral("more"), n.onMore);
        button(tr("off"), QStringLiteral("off"), n.off);
        auto *gap = new QWidget;
        gap->setFixedWidth(12);
        m_row->insertWidget(at++, gap);
    }
    applyTones();
    setVisible(!notes.empty());
}

void ShownNotes::setTones(const Tones &tones)
{
    m_tones = tones;
    applyTones();
}

void ShownNotes::applyTones()
{
    QPalette p = palette();
    p.setColor(QPalette::Window, m_tones.chrome);
    for (const auto role : {QPalette::WindowText, QPalette::ButtonText, QPalette::Link})
        p.setColor(role, m_tones.chromeInk);
    setPalette(p);
    for (QWidget *w : findChildren<QWidget *>())
        w->setPalette(p);
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/empty_page.h"

#include <QDir>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

namespace irenic {

EmptyPage::EmptyPage(QWidget *parent) : QWidget(parent)
{
    setObjectName(QStringLiteral("emptyPage"));
    setAutoFillBackground(true);
    auto *column = new QVBoxLayout(this);
    column->setSpacing(12);
    column->addStretch(2);
    auto *title = new QLabel(tr("Drop raw frames or a folder here"));
    QFont f = title->font();
    f.setPointSizeF(f.pointSizeF() * 1.7);
    title->setFont(f);
    auto *words = new QLabel(tr("Irenic measures the noise of each, hangs the same pixels side by side under several strengths,\n"
                                "and writes a clean DNG or TIFF. The originals are never written to."));
    for (QLabel *l : {title, words}) {
        l->setAlignment(Qt::AlignCenter);
        column->addWidget(l);
    }
    auto *row = new QHBoxLayout;
    row->addStretch(1);
    const auto button = [&](const QString &text, auto signal) {
        auto *b = new QPushButton(text);
        b->setMinimumSize(std::max(132, fontMetrics().horizontalAdvance(text) + 36), 30);
        connect(b, &QPushButton::clicked, this, signal);
        row->addWidget(b);
        return b;
    };
    button(tr("Open frames..."), &EmptyPage::filesWanted);
    button(tr("Open folder..."), &EmptyPage::folderWanted);
    m_continue = button(tr("Continue where you left off"), &EmptyPage::lastSessionWanted);
    m_continue->setObjectName(QStringLiteral("continueButton"));
    m_demo = button(tr("Open the demo roll"), &EmptyPage::demoWanted);
    m_demo->setObjectName(QStringLiteral("openDemoButton"));
    row->addStretch(1);
    column->addLayout(row);
    column->addStretch(3);
}

void EmptyPage::setLastSession(const QString &file)
{
    m_continue->setVisible(!file.isEmpty());
    m_continue->setToolTip(QDir::toNativeSeparators(file));
}

void EmptyPage::setDemoOffered(bool offered)
{
    m_demo->setVisible(offered);
}

void EmptyPage::setTones(const Tones &tones)
{
    QPalette p = palette();
    p.setColor(QPalette::Window, tones.wall);
    p.setColor(QPalette::WindowText, tones.wallInk);
    setPalette(p);
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/guide_note.h"

#include <QCoreApplication>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>

#include <iterator>

namespace irenic {

namespace {

/// In the order of Tried.
constexpr const char *kStepWords[] = {
    QT_TRANSLATE_NOOP("GuideNote", "Hold Space: every picture shows its untreated pixels. Let go, and the trials are back."),
    QT_TRANSLATE_NOOP("GuideNote", "Hold R: what each trial removed. Whatever you can recognise in it is picture that went with the noise."),
    QT_TRANSLATE_NOOP("GuideNote", "Press 1 to 9: other places worth a look. With more rows (top right) several hang at once."),
    QT_TRANSLATE_NOOP("GuideNote", "Press T: one method at a ladder of strengths; Enter takes one. Press Y: a blind round, to decide without names."),
    QT_TRANSLATE_NOOP("GuideNote", "K keeps the trial, Ctrl+E exports the frame with it. The original is never written to."),
};

} // namespace

GuideNote::GuideNote(QWidget *parent) : QWidget(parent)
{
    setObjectName(QStringLiteral("guideNote"));
    auto *row = new QHBoxLayout(this);
    row->setContentsMargins(26, 6, 20, 6);
    m_words = new QLabel;
    m_words->setWordWrap(true);
    m_next = new QPushButton;
    m_next->setObjectName(QStringLiteral("guideNext"));
    m_close = new QPushButton(tr("Close"));
    m_close->setObjectName(QStringLiteral("guideClose"));
    for (QPushButton *b : {m_next, m_close}) {
        b->setFlat(true);
        b->setFocusPolicy(Qt::TabFocus);
    }
    row->addWidget(m_words, 1);
    row->addWidget(m_next);
    row->addWidget(m_close);
    connect(m_next, &QPushButton::clicked, this, &GuideNote::next);
    connect(m_close, &QPushButton::clicked, this, &GuideNote::closed);
    showStep();
    setTones(m_tones);
}

int GuideNote::stepCount()
{
    return int(std::size(kStepWords));
}

QString GuideNote::text() const
{
    return m_words->text();
}

void GuideNote::showStep()
{
    m_words->setText(QCoreApplication::translate("GuideNote", kStepWords[m_step]));
    m_next->setText(m_step + 1 < stepCount() ? tr("Next (%1 of %2)").arg(m_step + 1).arg(stepCount()) : tr("Done"));
}

void GuideNote::next()
{
    if (++m_step >= stepCount()) {
        m_step = 0;
        emit closed();
    }
    showStep();
}

void GuideNote::noteTried(Tried what)
{
    if (isVisible() && m_step == int(what))
        next();
}

void GuideNote::setTones(const Tones &tones)
{
    m_tones = tones;
    QPalette p = palette();
    for (const auto role : {QPalette::WindowText, QPalette::ButtonText, QPalette::Text})
        p.setColor(role, tones.paperInk);
    p.setColor(QPalette::Window, tones.paper);
    p.setColor(QPalette::Button, tones.paper);
    for (QWidget *w : {static_cast<QWidget *>(this), static_cast<QWidget *>(m_words), static_cast<QWidget *>(m_next), static_cast<QWidget *>(m_close)})
        w->setPalette(p);
    for (QPushButton *b : {m_next, m_close})
        b->setStyleSheet(QStringLiteral("QPushButton { color: %1; background: transparent; border: 1px solid %2; padding: 2px 10px; } QPushButton:hover { background: %2; color: %3; }"
                                        "QPushButton:focus { border-color: %1; }")
                             .arg(tones.paperInk.name(), tones.paperLine.name(), tones.paper.name()));
    update();
}

void GuideNote::paintEvent(QPaintEvent *)
{
    QPainter p(this);
    p.fillRect(rect(), m_tones.wall);
    p.fillRect(rect().adjusted(14, 0, -14, -4), m_tones.paper);
}

} // namespace irenic

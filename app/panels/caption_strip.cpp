// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/caption_strip.h"

#include "view/strength_slider.h"

#include <QDoubleSpinBox>
#include <QGridLayout>
#include <QLabel>
#include <QMenu>
#include <QPainter>
#include <QPushButton>

namespace irenic {

namespace {

constexpr int kNotchPx = 9;

QFont weighted(QFont font, double scale, QFont::Weight weight)
{
    font.setPointSizeF(font.pointSizeF() * scale);
    font.setWeight(weight);
    return font;
}

} // namespace

CaptionStrip::CaptionStrip(int trial, QWidget *parent) : QWidget(parent), m_trial(trial)
{
    setObjectName(trial < 0 ? QStringLiteral("strip-untreated") : QStringLiteral("strip-") + trialLetter(trial));
    auto *grid = new QGridLayout(this);
    grid->setContentsMargins(11, kNotchPx + 7, 11, 8);
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(3);
    m_letter = new QLabel(trial < 0 ? QString() : trialLetter(trial));
    m_letter->setFont(weighted(font(), 1.55, QFont::Bold));
    m_title = new QLabel(trial < 0 ? tr("Untreated") : QString());
    m_title->setFont(weighted(font(), 1.0, QFont::DemiBold));
    m_status = new QLabel;
    m_status->setObjectName(QStringLiteral("status"));
    m_status->setFont(weighted(font(), 0.92, QFont::Normal));
    auto *head = new QHBoxLayout;
    head->setSpacing(7);
    if (trial >= 0)
        head->addWidget(m_letter);
    head->addWidget(m_title, 1);
    m_title->setVisible(trial < 0);
    grid->addLayout(head, 0, 0, 1, 3);
    if (trial < 0) {
        m_letter->setParent(this);
        m_letter->hide();
        m_body = new QLabel;
        m_body->setWordWrap(true);
        m_body->setTextFormat(Qt::PlainText);
        m_body->setAlignment(Qt::AlignTop | Qt::AlignLeft);
        grid->addWidget(m_body, 1, 0, 1, 3);
    } else {
        m_method = new QPushButton;
        m_method->setObjectName(QStringLiteral("method"));
        m_method->setFont(m_title->font());
        m_method->setFlat(true);
        m_method->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
        m_method->setFocusPolicy(Qt::StrongFocus);
        m_method->setAccessibleName(tr("Method of trial %1").arg(trialLetter(trial)));
        m_method->setMenu(new QMenu(m_method));
        connect(m_method->menu(), &QMenu::aboutToShow, this, &CaptionStrip::fillMethodMenu);
        head->addWidget(m_method, 1);
        m_keep = new QPushButton(tr("Keep"));
        m_keep->setObjectName(QStringLiteral("keep"));
        m_keep->setFlat(true);
        m_keep->setAccessibleName(tr("Keep trial %1").arg(trialLetter(trial)));
        m_keep->setToolTip(tr("Export the frame with this trial (K)"));
        connect(m_keep, &QPushButton::clicked, this, &CaptionStrip::keeperToggled);
        head->addWidget(m_keep);
        m_luminance = makeRow(kLuminanceStrength, false);
        m_colour = makeRow(kColourStrength, true);
        int line = 1;
        for (const Row &row : {m_luminance, m_colour}) {
            grid->addWidget(row.label, line, 0);
            grid->addWidget(row.slider, line, 1);
            grid->addWidget(row.field, line, 2);
            ++line;
        }
        m_left = new QLabel(tr("left the suggestion"));
        m_left->setFont(m_status->font());
        m_return = new QPushButton(tr("Go back"));
        m_return->setObjectName(QStringLiteral("goBack"));
        m_return->setFlat(true);
        m_return->setFont(weighted(font(), 0.92, QFont::DemiBold));
        m_return->setToolTip(tr("Set this trial's strengths to the suggestion"));
        m_return->setAccessibleName(tr("Return trial %1 to the suggestion").arg(trialLetter(trial)));
        connect(m_return, &QPushButton::clicked, this, &CaptionStrip::suggestionRequested);
        m_reading = new QLabel;
        m_reading->setObjectName(QStringLiteral("reading"));
        m_reading->setToolTip(tr("What this treatment leaves of grain and colour noise on flat areas, measured by running it on pure noise"));
        grid->addWidget(m_reading, 3, 0, 1, 3);
        auto *back = new QHBoxLayout;
        back->addWidget(m_left);
        back->addStretch(1);
        back->addWidget(m_return);
        grid->addLayout(back, 5, 0, 1, 3);
    }
    grid->setRowStretch(4, 1);
    grid->addWidget(m_status, 6, 0, 1, 3);
    grid->setColumnStretch(1, 1);
    setFixedHeight(176);
    applyTones();
    showFrame(nullptr);
}

CaptionStrip::Row CaptionStrip::makeRow(const ParamInfo &param, bool colour)
{
    Row row;
    row.label = new QLabel(tr(param.label));
    row.slider = new StrengthSlider;
    row.field = new QDoubleSpinBox;
    row.field->setRange(param.min, param.max);
    row.field->setDecimals(2);
    row.field->setSingleStep(0.05);
    row.field->setSuffix(tr(" x"));
    row.field->setButtonSymbols(QAbstractSpinBox::NoButtons);
    row.field->setFrame(false);
    row.field->setKeyboardTracking(false);
    row.field->setAlignment(Qt::AlignRight);
    row.field->setFixedWidth(52);
    row.slider->setObjectName(colour ? QStringLiteral("colour") : QStringLiteral("luminance"));
    row.field->setObjectName(row.slider->objectName() + QStringLiteral("Value"));
    const QString name = tr("%1 strength of trial %2, multiples of the measured noise").arg(tr(param.label), trialLetter(m_trial));
    row.slider->setAccessibleName(name);
    row.field->setAccessibleName(name);
    row.slider->setToolTip(tr("%1. The mark is the suggestion; double-click returns to it.").arg(tr(param.help)));
    row.label->setBuddy(row.slider);
    connect(row.slider, &StrengthSlider::strengthMoved, this, [this, colour](double v, int id) { emit strengthChanged(colour, v, id); });
    connect(row.slider, &StrengthSlider::suggestionRequested, this, &CaptionStrip::suggestionRequested);
    connect(row.field, &QDoubleSpinBox::valueChanged, this, [this, colour](double v) { emit strengthChanged(colour, v, 0); });
    return row;
}

void CaptionStrip::setTones(const Tones &tones)
{
    m_tones = tones;
    applyTones();
}

void CaptionStrip::applyTones()
{
    const Tones t = m_isKeeper ? m_tones.invertedPaper() : m_tones;
    QPalette p = palette();
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        p.setColor(role, t.paperInk);
    p.setColor(QPalette::Base, t.paper);
    p.setColor(QPalette::Button, t.paper);
    p.setColor(QPalette::Highlight, t.paperInk);
    p.setColor(QPalette::HighlightedText, t.paper);
    setPalette(p);
    // Set on each: a style sheet on the window keeps palettes from being inherited.
    for (QWidget *w : findChildren<QWidget *>())
        w->setPalette(p);
    QPalette faint = p;
    faint.setColor(QPalette::WindowText, t.paperFaint);
    m_status->setPalette(faint);
    if (m_left)
        m_left->setPalette(faint);
    for (const Row &row : {m_luminance, m_colour})
        if (row.slider)
            row.slider->setTones(t);
    if (m_method)
        m_method->setStyleSheet(QStringLiteral("QPushButton { color: %1; background: transparent; border: 1px solid transparent; padding: 1px 14px 1px 3px; text-align: left; }"
                                               "QPushButton:hover, QPushButton:focus { border-color: %2; }"
                                               "QPushButton::menu-indicator { subcontrol-position: right center; right: 3px; }")
                                    .arg(t.paperInk.name(), t.paperLine.name()));
    for (QPushButton *b : {m_keep, m_return})
        if (b)
            b->setStyleSheet(QStringLiteral("QPushButton { color: %1; background: transparent; border: 1px solid %2; padding: 1px 9px; }"
                                            "QPushButton:hover { background: %2; color: %3; } QPushButton:focus { border-color: %1; }"
                                            "QPushButton:disabled { color: %2; }")
                                 .arg(t.paperInk.name(), t.paperLine.name(), t.paper.name()));
    update();
}

/// What else is to be known of an untreated frame, in a line.
QString CaptionStrip::findings(const RollFrame &frame)
{
    switch (frame.frame->kind) {
    case FrameKind::Rendered: return tr("finished picture; a raw would do better");
    case FrameKind::Linear: return frame.frame->pattern.empty() ? tr("linear, full colour") : tr("%1, full colour").arg(QString::fromStdString(frame.frame->pattern));
    default: return frame.noise->hotPixels.size() == 1 ? tr("1 bad pixel") : tr("%1 bad pixels").arg(frame.noise->hotPixels.size());
    }
}

void CaptionStrip::showFrame(const RollFrame *frame)
{
    const bool ready = frame && frame->state == RollFrame::State::Ready;
    m_isKeeper = ready && m_trial >= 0 && frame->keeper == m_trial;
    if (m_trial < 0) {
        if (!ready)
            m_body->clear();
        else
            m_body->setText(tr("grain %1 % of the mid-tone\ncolour noise %2 %\n%3\n\nsuggestion: %4, %5 x")
                                .arg(100 * double(frame->noise->luminanceNoise), 0, 'f', 1).arg(100 * double(frame->noise->colourNoise), 0, 'f', 1)
                                .arg(findings(*frame), tr(findMethod(frame->suggestion.treatment.method)->label)).arg(frame->suggestion.treatment.luminance));
        if (ready)
            setToolTip(QString::fromStdString(frame->suggestion.reason + "\n" + frame->noise->confidenceReason));
    } else {
        for (QWidget *w : {static_cast<QWidget *>(m_keep), static_cast<QWidget *>(m_method), static_cast<QWidget *>(m_luminance.slider), static_cast<QWidget *>(m_luminance.field),
                           static_cast<QWidget *>(m_colour.slider), static_cast<QWidget *>(m_colour.field)})
            w->setEnabled(ready);
        const Treatment t = ready ? frame->trials[size_t(m_trial)] : Treatment();
        const Treatment suggested = ready ? frame->suggestedFor(m_trial) : Treatment();
        m_shown = t;
        const QString label = tr(findMethod(t.method)->label);
        m_method->setText(t.isMixed() ? tr("%1 + %2").arg(label, tr(findMethod(t.colourMethod)->label)) : label);
        m_method->setToolTip(t.isMixed() ? tr("Luminance by %1, colours by %2").arg(label, tr(findMethod(t.colourMethod)->label))
                                         : tr("%1\n%2").arg(tr(findMethod(t.method)->goodAt), tr(findMethod(t.method)->cost)));
        m_keep->setText(m_isKeeper ? tr("Keeper") : tr("Keep"));
        QFont f = m_keep->font();
        f.setWeight(m_isKeeper ? QFont::Bold : QFont::Normal);
        m_keep->setFont(f);
        const auto set = [](const Row &row, double value, double suggestion) {
            row.slider->setStrength(value);
            row.slider->setSuggestion(suggestion);
            const QSignalBlocker blocker(row.field);
            row.field->setValue(value);
        };
        set(m_luminance, t.luminance, suggested.luminance);
        set(m_colour, t.colour, suggested.colour);
        if (!ready)
            m_reading->clear();
        const bool left = ready && frame->hasLeftSuggestion(m_trial);
        m_left->setVisible(left);
        m_return->setVisible(left);
    }
    applyTones();
}

void CaptionStrip::fillMethodMenu()
{
    QMenu *menu = m_method->menu();
    menu->clear();
    menu->setToolTipsVisible(true);
    const QString colours = QString::fromStdString(m_shown.isMixed() ? m_shown.colourMethod : std::string());
    const auto add = [](QMenu *to, const QString &text, const QString &tip, bool checked) {
        QAction *a = to->addAction(text);
        a->setToolTip(tip);
        a->setCheckable(true);
        a->setChecked(checked);
        return a;
    };
    for (const MethodInfo &m : methods()) {
        const QString id = QString::fromUtf8(m.id);
        connect(add(menu, tr(m.label), tr("%1\n%2").arg(tr(m.goodAt), tr(m.cost)), m_shown.method == m.id), &QAction::triggered, this,
                [this, id, colours] { emit methodChosen(id, colours); });
    }
    menu->addSeparator();
    QMenu *other = menu->addMenu(tr("Colours by"));
    const QString own = QString::fromStdString(m_shown.method);
    connect(add(other, tr("the same method"), {}, !m_shown.isMixed()), &QAction::triggered, this, [this, own] { emit methodChosen(own, {}); });
    for (const MethodInfo &m : methods()) {
        const QString id = QString::fromUtf8(m.id);
        if (id != own)
            connect(add(other, tr(m.label), tr(m.cost), colours == id), &QAction::triggered, this, [this, own, id] { emit methodChosen(own, id); });
    }
}

void CaptionStrip::setHasKeyboard(bool has)
{
    m_hasKeyboard = has;
    update();
}

void CaptionStrip::setStatus(const QString &status)
{
    m_status->setText(status);
}

void CaptionStrip::setNoiseLeft(const NoiseLeft &left)
{
    if (m_reading)
        m_reading->setText(tr("grain left %1 %     colour left %2 %").arg(100 * left.luminance, 0, 'f', 0).arg(100 * left.colour, 0, 'f', 0));
}

QString CaptionStrip::status() const
{
    return m_status->text();
}

void CaptionStrip::paintEvent(QPaintEvent *)
{
    const Tones t = m_isKeeper ? m_tones.invertedPaper() : m_tones;
    QPainter p(this);
    p.fillRect(rect().adjusted(0, kNotchPx, 0, 0), t.paper);
    if (!m_hasKeyboard)
        return;
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(Qt::NoPen);
    p.setBrush(t.paper);
    p.drawPolygon(QPolygonF({{14, kNotchPx + 0.5}, {23, 0.5}, {32, kNotchPx + 0.5}}));
}

void CaptionStrip::mousePressEvent(QMouseEvent *)
{
    emit picked();
}

} // namespace irenic

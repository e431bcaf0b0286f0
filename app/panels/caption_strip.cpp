// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/caption_strip.h"

#include "irenic/export_job.h"
#include "panels/method_menu.h"
#include "view/durations.h"
#include "view/strength_slider.h"
#include "view/tone_curve.h"

#include <QContextMenuEvent>
#include <QDoubleSpinBox>
#include <QGridLayout>
#include <QLabel>
#include <QMenu>
#include <QPainter>
#include <QPushButton>

namespace irenic {

namespace {

constexpr int kNotchPx = 9;
constexpr int kFoldedPx = 70, kUnfoldedPx = 134, kRowPx = 29; ///< heights: folded, with two rows of controls and without readings, and of each further row
constexpr int kBars = 6;                                      ///< lines of readings that every trial has
constexpr int kNarrowPx = 210, kShortLabelPx = 56;            ///< strips below that width leave out what is said elsewhere
constexpr int kFirstRow = 2, kReadingRow = 8;                 ///< of the grid

/// The four corners of the curve of the tones are no rows.
bool isOfCurve(const TreatmentParam &param)
{
    return param.group == ParamGroup::Tones && param.taste != &Taste::blotches;
}

QFont weighted(QFont font, double scale, QFont::Weight weight)
{
    font.setPointSizeF(font.pointSizeF() * scale);
    font.setWeight(weight);
    return font;
}

} // namespace

CaptionStrip::CaptionStrip(Of of, int number, QWidget *parent) : QWidget(parent), m_of(of), m_number(number)
{
    setObjectName(of == Of::Untreated ? QStringLiteral("strip-untreated") : of == Of::Trial ? QStringLiteral("strip-") + trialLetter(number)
                                                                                            : QStringLiteral("strip-guest-%1").arg(number + 1));
    auto *grid = new QGridLayout(this);
    grid->setContentsMargins(11, kNotchPx + 7, 11, 8);
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(3);
    m_title = new QLabel(of == Of::Untreated ? tr("Untreated") : QString());
    m_title->setFont(weighted(font(), 1.0, QFont::DemiBold));
    m_status = new QLabel;
    m_status->setObjectName(QStringLiteral("status"));
    m_status->setFont(weighted(font(), 0.92, QFont::Normal));
    auto *head = new QHBoxLayout;
    head->setSpacing(7);
    grid->addLayout(head, 0, 0, 1, 3);
    m_reading = new QLabel;
    m_reading->setObjectName(QStringLiteral("reading"));
    if (of == Of::Trial) {
        makeTrialControls(grid, head);
    } else {
        head->addWidget(m_title, 1);
        m_body = new QLabel;
        m_body->setWordWrap(true);
        m_body->setTextFormat(Qt::PlainText);
        m_body->setAlignment(Qt::AlignTop | Qt::AlignLeft);
        grid->addWidget(m_body, 1, 0, 1, 3);
    }
    grid->addWidget(m_reading, kReadingRow, 0, 1, 3);
    m_bars = new ReadingBars;
    m_bars->setObjectName(QStringLiteral("bars"));
    grid->addWidget(m_bars, kReadingRow + 1, 0, 1, 3);
    grid->setRowStretch(kReadingRow + 2, 1);
    auto *foot = new QHBoxLayout;
    foot->addWidget(m_status);
    if (m_left)
        foot->addWidget(m_left);
    foot->addStretch(1);
    if (m_return)
        foot->addWidget(m_return);
    grid->addLayout(foot, kReadingRow + 3, 0, 1, 3);
    grid->setColumnStretch(1, 1);
    arrange();
    applyTones();
    showFrame(nullptr);
}

void CaptionStrip::makeTrialControls(QGridLayout *grid, QHBoxLayout *head)
{
    const QString letter = trialLetter(m_number);
    m_title->setParent(this);
    m_title->hide();
    m_letter = new QLabel(letter);
    m_letter->setFont(weighted(font(), 1.55, QFont::Bold));
    head->addWidget(m_letter);
    m_method = new QPushButton;
    m_method->setObjectName(QStringLiteral("method"));
    m_method->setFont(m_title->font());
    m_method->setFlat(true);
    m_method->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    m_method->setFocusPolicy(Qt::StrongFocus);
    m_method->setAccessibleName(tr("Method of trial %1").arg(letter));
    m_method->setMenu(new QMenu(m_method));
    connect(m_method->menu(), &QMenu::aboutToShow, this, [this] {
        fillMethodMenu(
            m_method->menu(), m_shown, m_kind, [this](const Treatment &t) { return exportWords(t); }, [this](const QString &method, const QString &colours) { emit methodChosen(method, colours); });
    });
    head->addWidget(m_method, 1);
    m_keep = new QPushButton(tr("Keep"));
    m_keep->setObjectName(QStringLiteral("keep"));
    m_keep->setFlat(true);
    m_keep->setAccessibleName(tr("Keep trial %1").arg(letter));
    m_keep->setToolTip(tr("Export the frame with this trial (K)"));
    connect(m_keep, &QPushButton::clicked, this, &CaptionStrip::keeperToggled);
    head->addWidget(m_keep);
    makePages(grid);
    m_left = new QLabel(tr("left the suggestion"));
    m_left->setFont(m_status->font());
    m_return = new QPushButton(tr("Go back"));
    m_return->setObjectName(QStringLiteral("goBack"));
    m_return->setFlat(true);
    m_return->setFont(weighted(font(), 0.92, QFont::DemiBold));
    connect(m_return, &QPushButton::clicked, this, [this] { m_ownStart ? emit ownStartRequested() : emit suggestionRequested(); });
}

/// Shows and hides for the folded and the unfolded strip.
void CaptionStrip::arrange()
{
    const int further = (m_of == Of::Trial ? pageRows() : m_pageRows) - 2;
    const int bars = kBars + m_read.scale.hasTruth + m_read.scale.hasHalo;
    setFixedHeight(m_folded ? kFoldedPx : kUnfoldedPx + std::max(0, further) * kRowPx + bars * ReadingBars::rowPx(this));
    layout()->setContentsMargins(sidePx(), kNotchPx + 7, sidePx(), 8);
    static_cast<QGridLayout *>(layout())->setHorizontalSpacing(m_narrow ? 4 : 8);
    m_bars->setVisible(!m_folded && m_of == Of::Trial);
    m_reading->setVisible(m_folded || m_of != Of::Trial);
    for (const Row &row : m_rows) {
        const QString label = tr(row.param->info.label);
        row.label->setText(m_narrow ? row.label->fontMetrics().elidedText(label, Qt::ElideRight, std::min(kShortLabelPx, width() / 4 + 4)) : label);
        row.field->setFixedWidth(m_narrow ? 46 : 52);
        for (QWidget *w : row.widgets())
            w->setVisible(!m_folded && isOffered(row));
    }
    showTabs();
    showMethod();
    if (m_curve)
        m_curve->setVisible(!m_folded && m_page == Page::Tones);
    if (m_body)
        m_body->setVisible(!m_folded);
    showFoot();
}

/// One line for whether the picture is settled, or, once it is, how the trial stands to the suggestion.
void CaptionStrip::showFoot()
{
    const bool apart = m_left && (m_hasLeft || m_ownStart) && !m_folded;
    if (m_left) {
        m_left->setVisible(apart && m_isSettled);
        m_return->setVisible(apart);
    }
    m_status->setVisible(!m_folded && !(apart && m_isSettled));
}

void CaptionStrip::setFolded(bool folded)
{
    if (folded == m_folded)
        return;
    m_folded = folded;
    arrange();
    setReadings(m_read.place, m_read.standing, m_read.scale);
}

void CaptionStrip::resizeEvent(QResizeEvent *event)
{
    QWidget::resizeEvent(event);
    m_narrow = width() < kNarrowPx;
    arrange();
}

/// Of a narrow strip only the page that is open, and the next by a press on it. A page on which something was changed says so.
void CaptionStrip::showTabs()
{
    for (int i = 0; i < kPages; ++i) {
        QPushButton *tab = m_tabs[size_t(i)];
        if (!tab)
            continue;
        const bool changed = std::any_of(kTasteParams.begin(), kTasteParams.end(), [&](const TreatmentParam &p) { return p.group == Page(i) && p.of(m_shown) != p.info.suggested; });
        tab->setText(pageWords(Page(i)) + (changed ? QStringLiteral(" \u2022") : QString()) + (m_narrow ? QStringLiteral(" \u203a") : QString()));
        tab->setVisible(!m_folded && (!m_narrow || i == int(m_page)));
    }
}

void CaptionStrip::showMethod()
{
    if (!m_method || !findMethod(m_shown.method))
        return;
    const QString label = tr(findMethod(m_shown.method)->label);
    const QString words = m_shown.isMixed() ? tr("%1 + %2").arg(label, tr(findMethod(m_shown.colourMethod)->label)) : label;
    const int room = width() - 2 * sidePx() - m_letter->sizeHint().width() - m_keep->sizeHint().width() - 2 * 7 - 14;
    m_method->setText(m_method->fontMetrics().elidedText(words, Qt::ElideRight, std::max(20, room)));
}

std::array<QWidget *, 3> CaptionStrip::Row::widgets() const
{
    return {label, slider, field};
}

QString CaptionStrip::pageWords(Page page)
{
    switch (page) {
    case Page::Detail: return tr("detail");
    case Page::Tones: return tr("tones");
    case Page::Sharpen: return tr("sharpen");
    default: return tr("noise");
    }
}

void CaptionStrip::setPage(Page page)
{
    m_page = page;
    for (int i = 0; i < kPages; ++i)
        if (m_tabs[size_t(i)])
            m_tabs[size_t(i)]->setChecked(i == int(page));
    arrange();
    applyTones();
}

int CaptionStrip::pageRows() const
{
    if (m_page == Page::Tones) // the curve is as high as three, with its words
        return 5;
    return int(std::count_if(m_rows.begin(), m_rows.end(), [this](const Row &row) { return isOffered(row); }));
}

void CaptionStrip::setHistogram(const std::optional<Histogram> &histogram)
{
    if (m_curve)
        m_curve->setHistogram(histogram);
}

/// The controls, of which one page is seen at a time.
void CaptionStrip::makePages(QGridLayout *grid)
{
    auto *tabs = new QHBoxLayout;
    tabs->setSpacing(2);
    static const char *const tips[] = {QT_TR_NOOP("How much noise to remove"), QT_TR_NOOP("Detail given back, grain kept, and how much of it all is laid over the untreated picture"),
                                       QT_TR_NOOP("Strengths by brightness, and large blotches of colour"), QT_TR_NOOP("Capture sharpening, after the noise is gone")};
    for (int i = 0; i < kPages; ++i) {
        auto *tab = new QPushButton(pageWords(Page(i)));
        tab->setObjectName(QStringLiteral("page-") + pageWords(Page(i)));
        tab->setCheckable(true);
        tab->setFlat(true);
        tab->setToolTip(tr("%1 (F3 goes through the pages of all strips)").arg(tr(tips[i])));
        tab->setAccessibleName(tr("Controls of trial %1: %2").arg(trialLetter(m_number), pageWords(Page(i))));
        connect(tab, &QPushButton::clicked, this, [this, i] { emit pageChosen(Page((i + m_narrow) % kPages)); });
        tabs->addWidget(tab);
        m_tabs[size_t(i)] = tab;
    }
    tabs->addStretch(1);
    grid->addLayout(tabs, 1, 0, 1, 3);
    for (const TreatmentParam &param : kTreatmentParams)
        if (!isOfCurve(param))
            m_rows.push_back(makeRow(param));
    m_curve = new ToneCurve;
    m_curve->setObjectName(QStringLiteral("toneCurve"));
    connect(m_curve, &ToneCurve::changed, this, &CaptionStrip::changed);
    grid->addWidget(m_curve, kFirstRow, 0, 1, 3);
    std::array<int, kPages> used{};
    used[size_t(Page::Tones)] = 1; // the curve
    for (const Row &row : m_rows) {
        const int line = kFirstRow + used[size_t(row.page)]++;
        int column = 0;
        for (QWidget *w : row.widgets())
            grid->addWidget(w, line, column++);
    }
}

CaptionStrip::Row CaptionStrip::makeRow(const TreatmentParam &of)
{
    const ParamInfo &param = of.info;
    Row row;
    row.page = of.group;
    row.param = &of;
    row.label = new QLabel(tr(param.label));
    row.slider = new StrengthSlider(param);
    row.field = new QDoubleSpinBox;
    row.field->setRange(param.min, param.max);
    row.field->setDecimals(2);
    row.field->setSingleStep(0.05);
    if (*of.unit)
        row.field->setSuffix(QLatin1Char(' ') + tr(of.unit));
    row.field->setButtonSymbols(QAbstractSpinBox::NoButtons);
    row.field->setFrame(false);
    row.field->setKeyboardTracking(false);
    row.field->setAlignment(Qt::AlignRight);
    row.field->setFixedWidth(52);
    row.slider->setObjectName(QLatin1String(param.name));
    row.field->setObjectName(row.slider->objectName() + QStringLiteral("Value"));
    const QString name = (of.isStrength() ? tr("%1 strength of trial %2, multiples of the measured noise") : tr("%1 of trial %2")).arg(tr(param.label), trialLetter(m_number));
    row.slider->setAccessibleName(name);
    row.field->setAccessibleName(name);
    row.label->setToolTip(tr(param.help));
    row.slider->setToolTip((of.isStrength() ? tr("%1. The mark is the suggestion; double-click returns to it.") : tr("%1. Double-click on the handle returns to the mark.")).arg(tr(param.help)));
    row.label->setBuddy(row.slider);
    connect(row.slider, &StrengthSlider::strengthMoved, this, [this, &of](double v, int id) { emit changed(&of, v, id); });
    if (of.taste == &Taste::smoothProtection) {
        connect(row.slider, &StrengthSlider::sliderPressed, this, [this] { emit sparingHeld(true); });
        connect(row.slider, &StrengthSlider::sliderReleased, this, [this] { emit sparingHeld(false); });
        row.slider->setToolTip(row.slider->toolTip() + tr("\nWhile it is held, what sharpening passes over lies under a pale veil (hold V)."));
    }
    connect(row.slider, &StrengthSlider::suggestionRequested, this, [this, &of] { of.isStrength() ? emit suggestionRequested() : emit changed(&of, of.info.suggested, 0); });
    connect(row.field, &QDoubleSpinBox::valueChanged, this, [this, &of](double v) { emit changed(&of, v, 0); });
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
    for (const Row &row : m_rows)
        row.slider->setTones(t);
    m_bars->setTones(t);
    if (m_curve)
        m_curve->setTones(t);
    for (QPushButton *tab : m_tabs)
        if (tab)
            tab->setStyleSheet(QStringLiteral("QPushButton { color: %1; background: transparent; border: none; border-bottom: 2px solid transparent; padding: 0px 4px 1px 4px; }"
                                              "QPushButton:checked { color: %2; border-bottom-color: %2; } QPushButton:hover, QPushButton:focus { border-bottom-color: %3; }")
                                   .arg(t.paperFaint.name(), t.paperInk.name(), t.paperLine.name()));
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
    const QString bad = frame.noise->hotPixels.size() == 1 ? tr("1 bad pixel") : tr("%n bad pixels", nullptr, int(frame.noise->hotPixels.size()));
    switch (frame.frame->kind) {
    case FrameKind::Rendered: return tr("finished picture; a raw would do better");
    case FrameKind::Linear: {
        const QString pattern = QString::fromStdString(frame.frame->pattern);
        return pattern.isEmpty() ? tr("linear, full colour") : frame.noise->beforeColours ? tr("%1, %2").arg(pattern, bad)
                                                                                          : tr("%1, full colour").arg(pattern);
    }
    default: return bad;
    }
}

void CaptionStrip::showFrame(const RollFrame *frame)
{
    const RollFrame *ready = frame && frame->state == RollFrame::State::Ready ? frame : nullptr;
    const bool wasKeeper = m_isKeeper;
    m_isKeeper = ready && m_of == Of::Trial && ready->keeper == m_number;
    switch (m_of) {
    case Of::Untreated: showUntreated(ready); break;
    case Of::Trial: showTrial(ready && m_number < ready->trialCount() ? ready : nullptr); break;
    case Of::Guest: showGuest(ready && m_number < int(ready->guests.size()) ? ready : nullptr); break;
    }
    if (m_isKeeper != wasKeeper)
        applyTones();
    update();
}

void CaptionStrip::showUntreated(const RollFrame *frame)
{
    m_body->clear();
    m_reading->clear();
    setToolTip({});
    if (!frame)
        return;
    const QString grain = tr("grain %1 %").arg(100 * double(frame->noise->luminanceNoise), 0, 'f', 1), colour = tr("colour noise %1 %").arg(100 * double(frame->noise->colourNoise), 0, 'f', 1);
    m_body->setText(tr("%1 of the mid-tone\n%2\n%3\n\nsuggestion: %4, %5 x")
                        .arg(grain, colour, findings(*frame), tr(findMethod(frame->suggestion.treatment.method)->label))
                        .arg(frame->suggestion.treatment.luminance));
    if (m_folded)
        m_reading->setText(grain + QStringLiteral("   ") + colour);
    setToolTip(QString::fromStdString(frame->suggestion.reason + "\n" + frame->noise->confidenceReason));
}

void CaptionStrip::showGuest(const RollFrame *frame)
{
    m_body->clear();
    if (!frame)
        return;
    const Guest &g = *frame->guests[size_t(m_number)];
    const QString file = QString::fromStdString(g.file.filename().string()), words = QString::fromStdString(g.words);
    m_title->setText(tr("Guest %1").arg(m_number + 1));
    m_body->setText(file + QStringLiteral("\n\n") + words);
    m_reading->setText(m_folded ? file : QString());
    setToolTip(tr("%1\n%2").arg(QString::fromStdString(g.file.string()), words));
}

void CaptionStrip::showTrial(const RollFrame *frame)
{
    for (QWidget *w : {static_cast<QWidget *>(m_keep), static_cast<QWidget *>(m_method), static_cast<QWidget *>(m_curve)})
        w->setEnabled(frame != nullptr);
    for (const Row &row : m_rows)
        for (QWidget *w : row.widgets())
            w->setEnabled(frame != nullptr);
    m_isJpeg = frame && frame->frame->jpeg;
    const Treatment t = frame ? frame->trials[size_t(m_number)] : Treatment();
    const Treatment suggested = frame ? frame->suggestedFor(m_number) : Treatment();
    m_shown = t;
    m_frame = frame ? frame->frame : nullptr;
    m_noise = frame ? frame->noise : nullptr;
    m_lens = frame ? frame->lens : LensCorrection();
    m_kind = frame ? frame->frame->kind : FrameKind::Mosaic;
    m_expected = expectedOf(t); // not with every change of state: it takes a chain
    const QString label = tr(findMethod(t.method)->label);
    m_method->setToolTip(t.isMixed() ? tr("Luminance by %1, colours by %2").arg(label, tr(findMethod(t.colourMethod)->label))
                                     : tr("%1\n%2").arg(tr(findMethod(t.method)->goodAt), tr(findMethod(t.method)->cost)));
    m_keep->setText(m_isKeeper ? tr("Keeper") : tr("Keep"));
    QFont f = m_keep->font();
    f.setWeight(m_isKeeper ? QFont::Bold : QFont::Normal);
    m_keep->setFont(f);
    for (const Row &row : m_rows) {
        row.slider->setStrength(row.param->of(t));
        row.slider->setSuggestion(row.param->isStrength() ? row.param->of(suggested) : row.param->info.suggested);
        const QSignalBlocker blocker(row.field);
        row.field->setValue(row.param->of(t));
    }
    m_curve->setTaste(t.taste);
    setReadings(frame ? m_read.place : std::nullopt, m_read.standing, m_read.scale);
    m_hasLeft = frame && frame->hasLeftSuggestion(m_number);
    m_ownStart = frame && !m_hasLeft ? frame->ownStart : std::nullopt;
    const Treatment own = m_ownStart ? m_ownStart->from(suggested) : Treatment();
    m_left->setText(m_ownStart ? tr("your taste: %1 / %2 x").arg(own.luminance, 0, 'f', 2).arg(own.colour, 0, 'f', 2) : frame && frame->isAtOwnStart(m_number) ? tr("your own starting point")
                                                                                                                                                               : tr("left the suggestion"));
    m_left->setToolTip(frame && frame->ownStart ? QString::fromStdString(frame->ownStart->reason) : QString());
    m_return->setText(m_ownStart ? tr("Use it") : tr("Go back"));
    m_return->setToolTip(m_ownStart ? tr("Start this trial from your own taste (Shift+Backspace)") : tr("Set this trial's strengths to the suggestion (Backspace)"));
    m_return->setAccessibleName((m_ownStart ? tr("Start trial %1 from your own taste") : tr("Return trial %1 to the suggestion")).arg(trialLetter(m_number)));
    arrange();
}

QString CaptionStrip::exportWords(const Treatment &treatment) const
{
    const double expected = expectedOf(treatment);
    return expected > 0 ? durationWords(m_pace * expected) : QString();
}

/// Before this machine's pace; 0 where the frame's pixels rest.
double CaptionStrip::expectedOf(const Treatment &treatment) const
{
    const auto frame = m_frame.lock();
    return frame && m_noise ? expectedSeconds(Cleaner(frame, m_noise, treatment, {nullptr, m_lens}), naturalFormat(*frame)) : 0;
}

void CaptionStrip::setHasKeyboard(bool has)
{
    m_hasKeyboard = has;
    update();
}

void CaptionStrip::setStatus(const QString &status, bool isSettled)
{
    m_status->setText(status);
    m_isSettled = isSettled;
    showFoot();
}

void CaptionStrip::setReadings(const std::optional<PlaceReadings> &readings, const std::optional<Standing> &standing, const ReadingScale &scale)
{
    const bool resized = scale.hasHalo != m_read.scale.hasHalo || scale.hasTruth != m_read.scale.hasTruth;
    m_read = {readings, standing, scale};
    if (resized)
        arrange();
    if (m_of == Of::Untreated && !m_folded)
        m_reading->setText(m_read.truthWords());
    if (m_of != Of::Trial)
        return;
    m_words = m_folded ? m_read.line(m_shown) : m_read.sentence();
    m_reading->setText(m_folded ? m_words : QString());
    const QString help = m_read.help();
    m_reading->setToolTip(help);
    m_bars->setToolTip(m_words.isEmpty() ? help : m_words + QStringLiteral("\n\n") + help);
    m_bars->setRows(m_read.bars(exportSeconds()));
}

QString CaptionStrip::readingWords() const
{
    return m_of == Of::Trial ? m_words : m_reading->text();
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

void CaptionStrip::contextMenuEvent(QContextMenuEvent *event)
{
    emit picked();
    emit menuRequested(event->globalPos());
}

void CaptionStrip::mousePressEvent(QMouseEvent *)
{
    emit picked();
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/rendering_panel.h"

#include "irenic/picture.h"
#include "irenic/readings.h"

#include <QDoubleSpinBox>
#include <QGridLayout>
#include <QLabel>
#include <QPushButton>
#include <QSlider>

#include <cmath>

namespace irenic {

namespace {

constexpr int kSlots = 1000; ///< of a slider
constexpr int kGreyPx = 16;  ///< side of the place that a grey is picked from: one pixel is mostly noise

/// Sliders of temperature run in reciprocal kelvin, as the eye sees differences of light.
double slidAt(const ParamInfo &p, double share)
{
    if (&p != &kTemperature)
        return p.min + share * (p.max - p.min);
    return 1 / (1 / p.min + share * (1 / p.max - 1 / p.min));
}

double shareOf(const ParamInfo &p, double value)
{
    if (&p != &kTemperature)
        return (value - p.min) / (p.max - p.min);
    return (1 / value - 1 / p.min) / (1 / p.max - 1 / p.min);
}

} // namespace

RenderingPanel::RenderingPanel(Session *session, QWidget *parent) : QWidget(parent), m_session(session)
{
    setObjectName(QStringLiteral("renderingPanel"));
    m_pool.setMaxThreadCount(1);
    auto *grid = new QGridLayout(this);
    grid->setColumnStretch(1, 1);
    grid->setHorizontalSpacing(8);
    m_words = new QLabel(tr("On the wall and in TIFF and proofs. A DNG stays raw and is not touched by it."));
    m_words->setWordWrap(true);
    grid->addWidget(m_words, 0, 0, 1, 3);
    addRow(kTemperature, nullptr, "K", 50, 0);
    addRow(kTint, nullptr, "", 0.5, 1);
    for (const RenderingParam &p : kRenderingParams)
        addRow(p.info, p.value, p.unit, 0.05, 2);
    auto *buttons = new QGridLayout;
    buttons->setSpacing(4);
    int at = 0;
    const auto button = [&](const QString &text, const QString &name, const QString &tip, auto run) {
        auto *b = new QPushButton(text);
        b->setObjectName(name);
        b->setToolTip(tip);
        connect(b, &QPushButton::clicked, this, run);
        buttons->addWidget(b, at / 2, at % 2);
        ++at;
        return b;
    };
    m_asShot = button(tr("White as shot"), QStringLiteral("asShot"), tr("The light that the camera balanced for"), [this] {
        if (const RollFrame *f = m_session->viewing().readyFrame()) {
            Rendering r = f->rendering;
            r.white = {};
            m_session->editing().changeRendering(r, tr("white as shot"));
        }
    });
    m_pick = button(tr("Pick a grey"), QStringLiteral("pickGrey"), tr("Click on something in a picture that ought to be neutral"), [this](bool on) { setPicking(on); });
    m_pick->setCheckable(true);
    m_automatic = button(tr("Automatic brightness"), QStringLiteral("automaticBrightness"), tr("Brings the middle of the tones to a middle tone, as far as the lights allow"), [this] { automaticBrightness(); });
    m_neutral = button(tr("All as shot"), QStringLiteral("neutralRendering"), tr("Every control back to where it does nothing"), [this] { m_session->editing().changeRendering({}, tr("rendering as shot")); });
    m_alike = button(tr("All frames alike"), QStringLiteral("renderAlike"), tr("Every other frame of the roll is rendered as this one"), [this] {
        const int others = m_session->editing().carryRendering();
        emit told(others == 0 ? tr("Every other frame is rendered so already.") : others == 1 ? tr("One other frame is rendered so now.")
                                                                                              : tr("%n other frames are rendered so now.", nullptr, others));
    });
    grid->addLayout(buttons, grid->rowCount(), 0, 1, 3);
    grid->setRowStretch(grid->rowCount(), 1);
    connect(&session->viewing(), &Viewing::currentChanged, this, [this] { setPicking(false); });
    connect(&session->viewing(), &Viewing::shownChanged, this, [this](ChoiceParts parts) {
        if (parts.testFlag(ChoicePart::Rendering))
            showContents();
    });
    showContents();
}

RenderingPanel::~RenderingPanel()
{
    m_pool.waitForDone();
}

void RenderingPanel::addRow(const ParamInfo &info, double Rendering::*value, const char *unit, double step, int decimals)
{
    const int y = int(m_rows.size()) + 1;
    auto *label = new QLabel(tr(info.label));
    auto *slider = new QSlider(Qt::Horizontal);
    slider->setRange(0, kSlots);
    slider->setSingleStep(std::max(1, int(std::lround(kSlots * step / (info.max - info.min)))));
    slider->setPageStep(4 * slider->singleStep());
    slider->setAccessibleName(tr(info.label));
    slider->setObjectName(QLatin1String(info.name) + QStringLiteral("Slider"));
    auto *field = new QDoubleSpinBox;
    field->setObjectName(QLatin1String(info.name));
    field->setRange(info.min, info.max);
    field->setSingleStep(step);
    field->setDecimals(decimals);
    if (*unit)
        field->setSuffix(u' ' + QLatin1String(unit));
    field->setKeyboardTracking(false);
    label->setBuddy(field);
    for (QWidget *w : {static_cast<QWidget *>(label), static_cast<QWidget *>(slider), static_cast<QWidget *>(field)})
        w->setToolTip(tr(info.help));
    auto *grid = static_cast<QGridLayout *>(layout());
    grid->addWidget(label, y, 0);
    grid->addWidget(slider, y, 1);
    grid->addWidget(field, y, 2);
    const size_t row = m_rows.size();
    m_rows.push_back({&info, value, slider, field, {}});
    connect(slider, &QSlider::sliderPressed, this, [this, row] { m_rows[row].gesture.press(); });
    connect(slider, &QSlider::valueChanged, this, [this, row](int v) {
        Row &r = m_rows[row];
        const double rounding = std::pow(10, r.field->decimals());
        set(r, std::round(slidAt(*r.info, double(v) / kSlots) * rounding) / rounding);
    });
    connect(field, &QDoubleSpinBox::valueChanged, this, [this, row](double v) { set(m_rows[row], v); });
}

double RenderingPanel::valueOf(const Row &row, const Rendering &r, const White &shown) const
{
    return row.value ? r.*row.value : row.info == &kTemperature ? shown.temperatureK
                                                                : shown.tint;
}

void RenderingPanel::set(Row &row, double value)
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f)
        return;
    Rendering r = f->rendering;
    if (row.value) {
        r.*row.value = value;
    } else {
        if (r.white.temperatureK == 0)
            r.white = asShotWhite(*f->frame);
        (row.info == &kTemperature ? r.white.temperatureK : r.white.tint) = value;
        r.white.temperatureK = std::clamp(r.white.temperatureK, kTemperature.min, kTemperature.max);
        r.white.tint = std::clamp(r.white.tint, kTint.min, kTint.max);
    }
    m_session->editing().changeRendering(r, tr(row.info->label), row.slider->isSliderDown() ? row.gesture.id() : row.gesture.step());
}

void RenderingPanel::showContents()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    const Rendering r = f ? f->rendering : Rendering();
    const White shown = !f ? White{kTemperature.min, 0} : r.white.temperatureK > 0 ? r.white
                                                                                   : asShotWhite(*f->frame);
    for (const Row &row : m_rows) {
        const QSignalBlocker quietSlider(row.slider), quietField(row.field);
        const double v = valueOf(row, r, shown);
        row.field->setValue(v);
        if (!row.slider->isSliderDown())
            row.slider->setValue(int(std::lround(std::clamp(shareOf(*row.info, v), 0.0, 1.0) * kSlots)));
        row.slider->setEnabled(f);
        row.field->setEnabled(f);
    }
    for (QPushButton *b : {m_pick, m_automatic, m_alike})
        b->setEnabled(f);
    m_asShot->setEnabled(f && r.white.temperatureK != 0);
    m_neutral->setEnabled(f && !r.isNeutral());
}

bool RenderingPanel::isPicking() const
{
    return m_pick->isChecked();
}

void RenderingPanel::setPicking(bool picking)
{
    m_pick->setChecked(picking);
    emit pickingChanged(picking);
}

void RenderingPanel::pickGrey(QPoint at)
{
    setPicking(false);
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f)
        return;
    const auto white = whiteFromGrey(*f->frame, placeAround(*f->frame, {at.x(), at.y()}, kGreyPx));
    if (!white) {
        emit told(tr("That place is blown, black, or of a colour that no light has; the white balance stays as it was."));
        return;
    }
    Rendering r = f->rendering;
    r.white = *white;
    m_session->editing().changeRendering(r, tr("white from a grey"));
}

void RenderingPanel::automaticBrightness()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f)
        return;
    m_automatic->setEnabled(false);
    m_pool.start([this, frame = f->frame, rendering = f->rendering] {
        const double ev = automaticExposureEv(frame, rendering);
        QMetaObject::invokeMethod(
            this, [this, frame, ev] {
                m_automatic->setEnabled(true);
                const RollFrame *now = m_session->viewing().readyFrame();
                if (!now || now->frame != frame)
                    return;
                Rendering r = now->rendering;
                r.exposureEv = ev;
                m_session->editing().changeRendering(r, tr("automatic brightness"));
            },
            Qt::QueuedConnection);
    });
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/amount_row.h"

#include <QDoubleSpinBox>
#include <QGridLayout>
#include <QLabel>
#include <QSlider>

#include <cmath>

namespace irenic {

namespace {

constexpr int kSteps = 1000; ///< of a slider

} // namespace

AmountRow::AmountRow(const ParamInfo &info, const QString &unit, int decimals, QGridLayout *grid, QWidget *parent, bool rooted) : QObject(parent), m_info(info), m_rooted(rooted)
{
    m_label = new QLabel(tr(info.label));
    m_slider = new QSlider(Qt::Horizontal);
    m_slider->setRange(0, kSteps);
    m_slider->setSingleStep(kSteps / 50);
    m_slider->setPageStep(kSteps / 10);
    m_slider->setAccessibleName(tr(info.label));
    m_slider->setObjectName(QLatin1String(info.name) + QStringLiteral("Slider"));
    m_field = new QDoubleSpinBox;
    m_field->setObjectName(QLatin1String(info.name));
    m_field->setAccessibleName(tr(info.label));
    m_field->setRange(info.min, info.max);
    m_field->setDecimals(decimals);
    m_field->setSingleStep(decimals == 0 ? 1 : 0.05);
    if (!unit.isEmpty())
        m_field->setSuffix(u' ' + unit);
    m_field->setKeyboardTracking(false);
    m_field->setFixedWidth(m_field->fontMetrics().horizontalAdvance(QStringLiteral("000.0 px")) + 18);
    m_label->setBuddy(m_field);
    int column = 0;
    const int row = grid->rowCount();
    for (QWidget *w : {static_cast<QWidget *>(m_label), static_cast<QWidget *>(m_slider), static_cast<QWidget *>(m_field)}) {
        w->setToolTip(tr(info.help));
        grid->addWidget(w, row, column++);
    }
    connect(m_slider, &QSlider::sliderPressed, this, [this] { m_gesture.press(); });
    connect(m_slider, &QSlider::valueChanged, this, [this](int position) {
        const double rounding = std::pow(10, m_field->decimals()), v = std::round(slidAt(position) * rounding) / rounding;
        const QSignalBlocker quiet(m_field);
        m_field->setValue(v);
        emit changed(v, m_slider->isSliderDown() ? m_gesture.id() : m_gesture.step());
    });
    connect(m_field, &QDoubleSpinBox::valueChanged, this, [this](double v) {
        const QSignalBlocker quiet(m_slider);
        m_slider->setValue(positionOf(v));
        emit changed(v, m_gesture.step());
    });
    setValue(info.suggested);
}

double AmountRow::slidAt(int position) const
{
    const double share = double(position) / kSteps;
    return m_info.min + (m_rooted ? share * share : share) * (m_info.max - m_info.min);
}

int AmountRow::positionOf(double value) const
{
    const double share = std::clamp((value - m_info.min) / (m_info.max - m_info.min), 0.0, 1.0);
    return int(std::lround((m_rooted ? std::sqrt(share) : share) * kSteps));
}

void AmountRow::setValue(double value)
{
    const QSignalBlocker a(m_slider), b(m_field);
    m_field->setValue(value);
    if (!m_slider->isSliderDown())
        m_slider->setValue(positionOf(value));
}

void AmountRow::setRange(double min, double max)
{
    m_info.min = min;
    m_info.max = max;
    const QSignalBlocker quiet(m_field);
    m_field->setRange(min, max);
}

double AmountRow::value() const
{
    return m_field->value();
}

void AmountRow::setEnabled(bool enabled)
{
    for (QWidget *w : {static_cast<QWidget *>(m_label), static_cast<QWidget *>(m_slider), static_cast<QWidget *>(m_field)})
        w->setEnabled(enabled);
}

void AmountRow::setVisible(bool visible)
{
    for (QWidget *w : {static_cast<QWidget *>(m_label), static_cast<QWidget *>(m_slider), static_cast<QWidget *>(m_field)})
        w->setVisible(visible);
}

} // namespace irenic

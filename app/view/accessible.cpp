// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/accessible.h"

#include "view/strength_slider.h"
#include "view/tone_curve.h"

#include <QAccessibleWidget>

#include <array>
#include <utility>

namespace irenic {

namespace {

/// A strength or another amount, in its own numbers, not in the hundredths that it is kept in.
class AccessibleAmount final : public QAccessibleWidget, public QAccessibleValueInterface
{
public:
    explicit AccessibleAmount(StrengthSlider *slider) : QAccessibleWidget(slider, QAccessible::Slider), m_slider(slider) {}

    void *interface_cast(QAccessible::InterfaceType type) override { return type == QAccessible::ValueInterface ? static_cast<QAccessibleValueInterface *>(this) : QAccessibleWidget::interface_cast(type); }
    QString text(QAccessible::Text of) const override
    {
        if (of == QAccessible::Value)
            return QLocale().toString(m_slider->strength(), 'f', 2);
        if (of == QAccessible::Description)
            return StrengthSlider::tr("suggestion %1").arg(m_slider->suggestion(), 0, 'f', 2);
        return QAccessibleWidget::text(of);
    }
    QVariant currentValue() const override { return m_slider->strength(); }
    void setCurrentValue(const QVariant &value) override { m_slider->moveOnce(value.toDouble()); }
    QVariant minimumValue() const override { return m_slider->minimum() / 100.0; }
    QVariant maximumValue() const override { return m_slider->maximum() / 100.0; }
    QVariant minimumStepSize() const override { return m_slider->singleStep() / 100.0; }

private:
    StrengthSlider *m_slider;
};

/// The handle that the keys move; Left and Right go from one to the next.
class AccessibleToneCurve final : public QAccessibleWidget, public QAccessibleValueInterface
{
public:
    explicit AccessibleToneCurve(ToneCurve *curve) : QAccessibleWidget(curve, QAccessible::Slider), m_curve(curve) {}

    void *interface_cast(QAccessible::InterfaceType type) override { return type == QAccessible::ValueInterface ? static_cast<QAccessibleValueInterface *>(this) : QAccessibleWidget::interface_cast(type); }
    QString text(QAccessible::Text of) const override { return of == QAccessible::Value || of == QAccessible::Description ? m_curve->activeWords() : QAccessibleWidget::text(of); }
    QVariant currentValue() const override { return m_curve->activeFactor(); }
    void setCurrentValue(const QVariant &value) override { m_curve->setActiveFactor(value.toDouble()); }
    QVariant minimumValue() const override { return 0.0; }
    QVariant maximumValue() const override { return 2.0; }
    QVariant minimumStepSize() const override { return 0.05; }

private:
    ToneCurve *m_curve;
};

constexpr std::array kRoles{
    std::pair{"irenic::PicturePane", QAccessible::Graphic},
    std::pair{"irenic::MapView", QAccessible::Graphic},
    std::pair{"irenic::LeftoverView", QAccessible::Graphic},
    std::pair{"irenic::LadderCurve", QAccessible::Chart},
    std::pair{"irenic::Plot", QAccessible::Chart},
    std::pair{"irenic::ReadingBars", QAccessible::StaticText},
    std::pair{"irenic::CaptionStrip", QAccessible::Grouping},
    std::pair{"irenic::Card", QAccessible::Grouping},
    std::pair{"irenic::GuideNote", QAccessible::Note},
};

QAccessibleInterface *interfaceFor(const QString &className, QObject *object)
{
    auto *widget = qobject_cast<QWidget *>(object);
    if (!widget)
        return nullptr;
    if (auto *slider = qobject_cast<StrengthSlider *>(widget))
        return new AccessibleAmount(slider);
    if (auto *curve = qobject_cast<ToneCurve *>(widget))
        return new AccessibleToneCurve(curve);
    for (const auto &[name, role] : kRoles)
        if (className == QLatin1String(name))
            return new QAccessibleWidget(widget, role);
    return nullptr;
}

} // namespace

void installAccessibility()
{
    QAccessible::installFactory(interfaceFor);
}

} // namespace irenic

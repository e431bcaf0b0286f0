// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/accessible.h"

#include "view/strength_slider.h"
#include "view/tone_curve.h"

#include <QAccessibleWidget>
#include <QLocale>

#include <array>
#include <functional>
#include <utility>

namespace irenic {

namespace {

/// A number that is read and set in its own unit.
struct Number {
    double min, max, step;
    std::function<double()> value;
    std::function<void(double)> set;
    std::function<QString()> words, description;
};

class AccessibleNumber final : public QAccessibleWidget, public QAccessibleValueInterface
{
public:
    AccessibleNumber(QWidget *widget, Number number) : QAccessibleWidget(widget, QAccessible::Slider), m_number(std::move(number)) {}

    void *interface_cast(QAccessible::InterfaceType type) override { return type == QAccessible::ValueInterface ? static_cast<QAccessibleValueInterface *>(this) : QAccessibleWidget::interface_cast(type); }
    QString text(QAccessible::Text of) const override { return of == QAccessible::Value ? m_number.words() : of == QAccessible::Description ? m_number.description()
                                                                                                                                            : QAccessibleWidget::text(of); }
    QVariant currentValue() const override { return m_number.value(); }
    void setCurrentValue(const QVariant &value) override { m_number.set(value.toDouble()); }
    QVariant minimumValue() const override { return m_number.min; }
    QVariant maximumValue() const override { return m_number.max; }
    QVariant minimumStepSize() const override { return m_number.step; }

private:
    Number m_number;
};

/// In its own numbers, not in the hundredths that it is kept in.
Number numberOf(StrengthSlider *s)
{
    return {s->minimum() / 100.0, s->maximum() / 100.0, s->singleStep() / 100.0, [s] { return s->strength(); }, [s](double v) { s->moveOnce(v); },
            [s] { return QLocale().toString(s->strength(), 'f', 2); }, [s] { return StrengthSlider::tr("suggestion %1").arg(s->suggestion(), 0, 'f', 2); }};
}

/// Of the handle that the keys move; Left and Right go from one to the next.
Number numberOf(ToneCurve *c)
{
    const auto words = [c] { return c->activeWords(); };
    return {0, 2, 0.05, [c] { return c->activeFactor(); }, [c](double v) { c->setActiveFactor(v); }, words, words};
}

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
        return new AccessibleNumber(slider, numberOf(slider));
    if (auto *curve = qobject_cast<ToneCurve *>(widget))
        return new AccessibleNumber(curve, numberOf(curve));
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

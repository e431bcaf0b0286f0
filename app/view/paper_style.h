// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QProxyStyle>

namespace irenic {

/// The look of every control, in one place: flat paper and ink, lines instead of bevels, state by inversion and weight. Colours come from
/// the palette of each widget, so that one style serves cards, dialogs and bars.
class PaperStyle : public QProxyStyle
{
    Q_OBJECT
public:
    PaperStyle();

    void drawPrimitive(PrimitiveElement element, const QStyleOption *option, QPainter *painter, const QWidget *widget) const override;
    void drawControl(ControlElement element, const QStyleOption *option, QPainter *painter, const QWidget *widget) const override;
    void drawComplexControl(ComplexControl control, const QStyleOptionComplex *option, QPainter *painter, const QWidget *widget) const override;
    QRect subControlRect(ComplexControl control, const QStyleOptionComplex *option, SubControl part, const QWidget *widget) const override;
    QSize sizeFromContents(ContentsType type, const QStyleOption *option, const QSize &contents, const QWidget *widget) const override;
    int pixelMetric(PixelMetric metric, const QStyleOption *option, const QWidget *widget) const override;
    int styleHint(StyleHint hint, const QStyleOption *option, const QWidget *widget, QStyleHintReturn *answer) const override;

private:
    void drawSlider(const QStyleOptionSlider &slider, QPainter &painter, const QWidget *widget) const;
    void drawScrollBar(const QStyleOptionSlider &bar, QPainter &painter, const QWidget *widget) const;
    void drawComboBox(const QStyleOptionComboBox &box, QPainter &painter) const;
    void drawSpinBox(const QStyleOptionSpinBox &box, QPainter &painter, const QWidget *widget) const;
};

} // namespace irenic

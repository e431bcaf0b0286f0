// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/paper_style.h"

#include <QPainter>
#include <QStyleFactory>
#include <QStyleOption>

namespace irenic {

namespace {

constexpr int kHandlePx = 9, kHandleHeightPx = 15, kScrollPx = 9, kIndicatorPx = 13;

QColor between(const QColor &ground, const QColor &ink, double share)
{
    const auto mixed = [share](int a, int b) { return int(a + share * (b - a) + 0.5); };
    return {mixed(ground.red(), ink.red()), mixed(ground.green(), ink.green()), mixed(ground.blue(), ink.blue())};
}

/// What a control is drawn with, as its palette and its state say.
struct Inks {
    QColor ground, ink, line, faint, accent;

    explicit Inks(const QStyleOption &o)
    {
        const auto group = o.state & QStyle::State_Enabled ? QPalette::Active : QPalette::Disabled;
        ground = o.palette.color(group, QPalette::Window);
        ink = between(ground, o.palette.color(QPalette::Active, QPalette::WindowText), o.state & QStyle::State_Enabled ? 1 : 0.5);
        line = between(ground, ink, 0.55);
        faint = between(ground, ink, 0.13);
        accent = o.palette.color(QPalette::Link);
    }
};

bool isOn(const QStyleOption &o)
{
    return o.state & (QStyle::State_On | QStyle::State_Sunken);
}

bool isHovered(const QStyleOption &o)
{
    return (o.state & QStyle::State_MouseOver) && (o.state & QStyle::State_Enabled);
}

void frame(QPainter &p, const QRect &rect, const QColor &colour, int width = 1)
{
    for (int i = 0; i < width; ++i) {
        p.setPen(colour);
        p.setBrush(Qt::NoBrush);
        p.drawRect(rect.adjusted(i, i, -1 - i, -1 - i));
    }
}

void triangle(QPainter &p, const QPointF &middle, double half, bool up, const QColor &ink)
{
    const double tip = up ? -half : half;
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(Qt::NoPen);
    p.setBrush(ink);
    p.drawPolygon(QPolygonF({{middle.x() - half, middle.y() - tip / 2}, {middle.x() + half, middle.y() - tip / 2}, {middle.x(), middle.y() + tip / 2}}));
    p.restore();
}

/// A button's face: outlined, filled with ink where it is on.
void face(QPainter &p, const QStyleOption &o, bool outlined)
{
    const Inks inks(o);
    if (isOn(o))
        p.fillRect(o.rect, o.palette.color(QPalette::Highlight));
    else if (isHovered(o))
        p.fillRect(o.rect, inks.faint);
    if (outlined)
        frame(p, o.rect, inks.line);
    if ((o.state & QStyle::State_HasFocus) && (o.state & QStyle::State_KeyboardFocusChange))
        frame(p, o.rect, inks.accent, 2);
}

/// Of letters on a face that is on.
QPalette onInk(const QStyleOption &o)
{
    QPalette palette = o.palette;
    for (const auto role : {QPalette::ButtonText, QPalette::WindowText, QPalette::Text})
        palette.setColor(role, o.palette.color(QPalette::HighlightedText));
    return palette;
}

} // namespace

PaperStyle::PaperStyle() : QProxyStyle(QStyleFactory::create(QStringLiteral("Fusion"))) {}

void PaperStyle::drawPrimitive(PrimitiveElement element, const QStyleOption *option, QPainter *painter, const QWidget *widget) const
{
    const Inks inks(*option);
    const QRect &r = option->rect;
    switch (element) {
    case PE_PanelButtonCommand: {
        const auto *button = qstyleoption_cast<const QStyleOptionButton *>(option);
        face(*painter, *option, !button || !(button->features & QStyleOptionButton::Flat));
        if (button && (button->features & QStyleOptionButton::DefaultButton))
            frame(*painter, r, inks.ink, 2);
        return;
    }
    case PE_PanelButtonTool: return face(*painter, *option, !(option->state & State_AutoRaise));
    case PE_FrameDefaultButton:
    case PE_FrameButtonTool:
    case PE_FrameStatusBarItem: return;
    case PE_FrameFocusRect:
        if (option->state & State_KeyboardFocusChange)
            frame(*painter, r, inks.accent);
        return;
    case PE_PanelLineEdit:
        painter->fillRect(r, option->palette.color(QPalette::Base));
        [[fallthrough]];
    case PE_FrameLineEdit:
        if (const auto *edit = qstyleoption_cast<const QStyleOptionFrame *>(option); edit && edit->lineWidth > 0)
            frame(*painter, r, option->state & State_HasFocus ? inks.accent : inks.line, option->state & State_HasFocus ? 2 : 1);
        return;
    case PE_Frame:
    case PE_FrameMenu:
    case PE_FrameGroupBox: return frame(*painter, r, inks.line);
    case PE_IndicatorCheckBox: {
        frame(*painter, r, inks.ink);
        if (option->state & State_On)
            painter->fillRect(r.adjusted(3, 3, -3, -3), inks.ink);
        else if (option->state & State_NoChange)
            painter->fillRect(QRect(r.x() + 3, r.center().y(), r.width() - 6, 2), inks.ink);
        return;
    }
    case PE_IndicatorRadioButton: {
        painter->save();
        painter->setRenderHint(QPainter::Antialiasing);
        painter->setPen(inks.ink);
        painter->setBrush(Qt::NoBrush);
        painter->drawEllipse(QRectF(r).adjusted(0.5, 0.5, -0.5, -0.5));
        if (option->state & State_On) {
            painter->setPen(Qt::NoPen);
            painter->setBrush(inks.ink);
            painter->drawEllipse(QRectF(r).adjusted(3.5, 3.5, -3.5, -3.5));
        }
        painter->restore();
        return;
    }
    case PE_IndicatorArrowDown:
    case PE_IndicatorArrowUp: return triangle(*painter, QRectF(r).center(), 4, element == PE_IndicatorArrowUp, inks.ink);
    default: QProxyStyle::drawPrimitive(element, option, painter, widget);
    }
}

void PaperStyle::drawControl(ControlElement element, const QStyleOption *option, QPainter *painter, const QWidget *widget) const
{
    const Inks inks(*option);
    switch (element) {
    case CE_PushButtonLabel:
        if (const auto *button = qstyleoption_cast<const QStyleOptionButton *>(option); button && isOn(*option)) {
            QStyleOptionButton lit = *button;
            lit.palette = onInk(*option);
            return QProxyStyle::drawControl(element, &lit, painter, widget);
        }
        break;
    case CE_ToolButtonLabel:
        if (const auto *button = qstyleoption_cast<const QStyleOptionToolButton *>(option); button && isOn(*option)) {
            QStyleOptionToolButton lit = *button;
            lit.palette = onInk(*option);
            return QProxyStyle::drawControl(element, &lit, painter, widget);
        }
        break;
    case CE_HeaderSection:
    case CE_HeaderEmptyArea:
        painter->fillRect(option->rect, inks.ground);
        painter->fillRect(QRect(option->rect.left(), option->rect.bottom(), option->rect.width(), 1), inks.line);
        return;
    case CE_ProgressBarGroove: return frame(*painter, option->rect, inks.line);
    case CE_ProgressBarContents:
        if (const auto *bar = qstyleoption_cast<const QStyleOptionProgressBar *>(option); bar && bar->maximum > bar->minimum) {
            QRect done = bar->rect.adjusted(2, 2, -2, -2);
            done.setWidth(int(double(done.width()) * (bar->progress - bar->minimum) / (bar->maximum - bar->minimum)));
            painter->fillRect(done, inks.accent);
            return;
        }
        break;
    default: break;
    }
    QProxyStyle::drawControl(element, option, painter, widget);
}

void PaperStyle::drawComplexControl(ComplexControl control, const QStyleOptionComplex *option, QPainter *painter, const QWidget *widget) const
{
    if (const auto *slider = qstyleoption_cast<const QStyleOptionSlider *>(option)) {
        if (control == CC_Slider && slider->orientation == Qt::Horizontal)
            return drawSlider(*slider, *painter, widget);
        if (control == CC_ScrollBar)
            return drawScrollBar(*slider, *painter, widget);
    }
    if (const auto *box = qstyleoption_cast<const QStyleOptionComboBox *>(option); box && control == CC_ComboBox && !box->editable)
        return drawComboBox(*box, *painter);
    if (const auto *box = qstyleoption_cast<const QStyleOptionSpinBox *>(option); box && control == CC_SpinBox)
        return drawSpinBox(*box, *painter, widget);
    QProxyStyle::drawComplexControl(control, option, painter, widget);
}

/// As the sliders of the strips: a line, inked up to a block.
void PaperStyle::drawSlider(const QStyleOptionSlider &slider, QPainter &p, const QWidget *widget) const
{
    const Inks inks(slider);
    const QRect handle = subControlRect(CC_Slider, &slider, SC_SliderHandle, widget), r = slider.rect;
    const int y = r.center().y();
    p.fillRect(QRect(r.left() + kHandlePx / 2, y, r.width() - kHandlePx, 1), inks.line);
    const bool fromRight = slider.upsideDown;
    const int end = fromRight ? r.right() - kHandlePx / 2 : r.left() + kHandlePx / 2;
    p.fillRect(QRect(QPoint(std::min(end, handle.center().x()), y), QPoint(std::max(end, handle.center().x()), y + 1)), inks.ink);
    p.fillRect(handle, slider.state & State_HasFocus ? inks.ink : between(inks.ground, inks.ink, 0.7));
    if (slider.state & State_HasFocus)
        frame(p, handle.adjusted(-2, -2, 2, 2) & r, inks.ink);
}

void PaperStyle::drawScrollBar(const QStyleOptionSlider &bar, QPainter &p, const QWidget *widget) const
{
    const Inks inks(bar);
    p.fillRect(bar.rect, inks.ground);
    if (bar.maximum <= bar.minimum)
        return;
    const QRect handle = subControlRect(CC_ScrollBar, &bar, SC_ScrollBarSlider, widget);
    const bool held = bar.activeSubControls & SC_ScrollBarSlider;
    p.fillRect(bar.orientation == Qt::Horizontal ? handle.adjusted(0, 2, 0, -2) : handle.adjusted(2, 0, -2, 0), between(inks.ground, inks.ink, held ? 0.6 : 0.35));
}

void PaperStyle::drawComboBox(const QStyleOptionComboBox &box, QPainter &p) const
{
    const Inks inks(box);
    QStyleOption plain = box;
    plain.state &= ~(State_On | State_Sunken);
    face(p, plain, box.frame);
    triangle(p, {box.direction == Qt::RightToLeft ? box.rect.left() + 9.0 : box.rect.right() - 9.0, box.rect.center().y() + 1.0}, 4, false, inks.ink);
}

void PaperStyle::drawSpinBox(const QStyleOptionSpinBox &box, QPainter &p, const QWidget *widget) const
{
    const Inks inks(box);
    p.fillRect(box.rect, box.palette.color(box.state & State_Enabled ? QPalette::Active : QPalette::Disabled, QPalette::Base));
    if (box.frame)
        frame(p, box.rect, box.state & State_HasFocus ? inks.accent : inks.line, box.state & State_HasFocus ? 2 : 1);
    if (box.buttonSymbols == QAbstractSpinBox::NoButtons)
        return;
    for (const SubControl part : {SC_SpinBoxUp, SC_SpinBoxDown}) {
        const bool up = part == SC_SpinBoxUp, can = box.stepEnabled & (up ? QAbstractSpinBox::StepUpEnabled : QAbstractSpinBox::StepDownEnabled);
        const QRect r = subControlRect(CC_SpinBox, &box, part, widget);
        if (can && box.activeSubControls == part && isHovered(box))
            p.fillRect(r.adjusted(1, 1, -1, -1), inks.faint);
        triangle(p, QRectF(r).center(), 3.5, up, can ? inks.ink : inks.line);
    }
}

QRect PaperStyle::subControlRect(ComplexControl control, const QStyleOptionComplex *option, SubControl part, const QWidget *widget) const
{
    const auto *slider = qstyleoption_cast<const QStyleOptionSlider *>(option);
    if (slider && control == CC_Slider && slider->orientation == Qt::Horizontal) {
        if (part == SC_SliderGroove)
            return slider->rect;
        if (part == SC_SliderHandle) {
            const int at = sliderPositionFromValue(slider->minimum, slider->maximum, slider->sliderPosition, slider->rect.width() - kHandlePx, slider->upsideDown);
            return {slider->rect.left() + at, slider->rect.center().y() - kHandleHeightPx / 2, kHandlePx, kHandleHeightPx};
        }
    }
    if (slider && control == CC_ScrollBar) {
        const bool flat = slider->orientation == Qt::Horizontal;
        const int room = flat ? slider->rect.width() : slider->rect.height();
        if (part == SC_ScrollBarAddLine || part == SC_ScrollBarSubLine)
            return {};
        if (part == SC_ScrollBarGroove)
            return slider->rect;
        const double span = double(slider->maximum) - slider->minimum;
        const int length = span > 0 ? std::clamp(int(room * (slider->pageStep / (span + slider->pageStep))), std::min(30, room), room) : room;
        const int at = sliderPositionFromValue(slider->minimum, slider->maximum, slider->sliderPosition, room - length, slider->upsideDown);
        const auto along = [&](int from, int to) { return flat ? QRect(from, 0, to - from, slider->rect.height()) : QRect(0, from, slider->rect.width(), to - from); };
        if (part == SC_ScrollBarSlider)
            return along(at, at + length);
        if (part == SC_ScrollBarSubPage)
            return along(0, at);
        if (part == SC_ScrollBarAddPage)
            return along(at + length, room);
    }
    return QProxyStyle::subControlRect(control, option, part, widget);
}

QSize PaperStyle::sizeFromContents(ContentsType type, const QStyleOption *option, const QSize &contents, const QWidget *widget) const
{
    const QSize size = QProxyStyle::sizeFromContents(type, option, contents, widget);
    // As wide as the words: cards are narrow. Buttons of dialogs keep their usual width.
    const auto *button = qstyleoption_cast<const QStyleOptionButton *>(option);
    if (type == CT_PushButton && button && !button->text.isEmpty() && !(widget && widget->parentWidget() && widget->parentWidget()->inherits("QDialogButtonBox")))
        return {contents.width() + (button->features & QStyleOptionButton::HasMenu ? 12 : 18), std::max(contents.height() + 8, option->fontMetrics.height() + 8)};
    return type == CT_ItemViewItem ? size + QSize(0, 3) : size;
}

int PaperStyle::pixelMetric(PixelMetric metric, const QStyleOption *option, const QWidget *widget) const
{
    switch (metric) {
    case PM_ScrollBarExtent: return kScrollPx;
    case PM_SliderLength: return kHandlePx;
    case PM_IndicatorWidth:
    case PM_IndicatorHeight:
    case PM_ExclusiveIndicatorWidth:
    case PM_ExclusiveIndicatorHeight: return kIndicatorPx;
    case PM_ButtonShiftHorizontal:
    case PM_ButtonShiftVertical: return 0;
    case PM_DockWidgetSeparatorExtent: return 3;
    default: return QProxyStyle::pixelMetric(metric, option, widget);
    }
}

int PaperStyle::styleHint(StyleHint hint, const QStyleOption *option, const QWidget *widget, QStyleHintReturn *answer) const
{
    if (hint == SH_ScrollBar_Transient)
        return 0;
    return QProxyStyle::styleHint(hint, option, widget, answer);
}

} // namespace irenic

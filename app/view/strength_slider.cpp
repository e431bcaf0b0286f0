// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/strength_slider.h"

#include <QMouseEvent>
#include <QPainter>

#include <cmath>

namespace irenic {

namespace {

constexpr int kMargin = 6;
constexpr int kHandleWidth = 9;
constexpr double kTickEvery = 0.5; ///< on scales of no more than 2; else 1

} // namespace

StrengthSlider::StrengthSlider(const ParamInfo &param, QWidget *parent) : QAbstractSlider(parent), m_min(param.min), m_max(param.max), m_suggestion(param.suggested)
{
    setRange(int(std::lround(m_min * 100)), int(std::lround(m_max * 100)));
    setSingleStep(5);
    setPageStep(25);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::ArrowCursor);
}

void StrengthSlider::setTones(const Tones &tones)
{
    m_tones = tones;
    update();
}

void StrengthSlider::setSuggestion(double strength)
{
    m_suggestion = strength;
    update();
}

void StrengthSlider::setStrength(double strength)
{
    const QSignalBlocker blocker(this);
    setValue(int(std::lround(strength * 100)));
    update();
}

double StrengthSlider::xOf(double strength) const
{
    const double share = (strength - m_min) / (m_max - m_min);
    return kMargin + (isRightToLeft() ? 1 - share : share) * (width() - 2 * kMargin);
}

double StrengthSlider::strengthAt(double x) const
{
    const double share = (x - kMargin) / (width() - 2 * kMargin);
    return m_min + (isRightToLeft() ? 1 - share : share) * (m_max - m_min);
}

void StrengthSlider::paintEvent(QPaintEvent *)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const double y = 10.5, x = xOf(strength());
    p.setPen(QPen(m_tones.paperLine, 1.5));
    p.drawLine(QPointF(xOf(m_min), y), QPointF(xOf(m_max), y));
    p.setPen(QPen(m_tones.paperLine, 1));
    const double every = m_max - m_min > 2 ? 2 * kTickEvery : kTickEvery;
    for (double at = m_min; at <= m_max + 1e-6; at += every)
        p.drawLine(QPointF(xOf(at), y - 3), QPointF(xOf(at), y + 3));
    p.setPen(QPen(m_tones.paperInk, 2));
    p.drawLine(QPointF(xOf(m_min), y), QPointF(x, y));
    // The suggestion: a mark on the scale, below the track so the handle never hides it.
    const double s = xOf(m_suggestion);
    p.setPen(Qt::NoPen);
    p.setBrush(m_tones.paperInk);
    p.drawPolygon(QPolygonF({{s, 18}, {s - 4, 24}, {s + 4, 24}}));
    p.setBrush(hasFocus() ? m_tones.paperInk : m_tones.paperFaint);
    p.drawRect(QRectF(x - kHandleWidth / 2.0, 3, kHandleWidth, 15));
    if (hasFocus()) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(m_tones.paperInk, 1));
        p.drawRect(QRectF(x - kHandleWidth / 2.0 - 2.5, 0.5, kHandleWidth + 5, 20));
    }
}

void StrengthSlider::moveTo(double strength, int dragId)
{
    const int before = value();
    setStrength(std::clamp(strength, m_min, m_max));
    if (value() != before) {
        emit valueChanged(value()); // blocked above; accessibility listens to it
        emit strengthMoved(this->strength(), dragId);
    }
}

void StrengthSlider::moveOnce(double strength)
{
    moveTo(strength, m_gesture.step());
}

void StrengthSlider::mousePressEvent(QMouseEvent *event)
{
    if (event->button() != Qt::LeftButton)
        return;
    m_gesture.press();
    setSliderDown(true);
    // A press on the handle takes hold of it where it is.
    if (std::abs(event->position().x() - xOf(strength())) > kHandleWidth)
        mouseMoveEvent(event);
}

void StrengthSlider::mouseMoveEvent(QMouseEvent *event)
{
    if (event->buttons() & Qt::LeftButton)
        moveTo(strengthAt(event->position().x()), m_gesture.id());
}

void StrengthSlider::mouseReleaseEvent(QMouseEvent *event)
{
    if (event->button() == Qt::LeftButton)
        setSliderDown(false);
}

void StrengthSlider::mouseDoubleClickEvent(QMouseEvent *)
{
    emit suggestionRequested();
}

void StrengthSlider::keyPressEvent(QKeyEvent *event)
{
    const auto step = [&](double by) { moveOnce(strength() + by); };
    const double right = isRightToLeft() ? -0.05 : 0.05;
    switch (event->key()) {
    case Qt::Key_Left: step(-right); break;
    case Qt::Key_Right: step(right); break;
    case Qt::Key_Minus: step(-0.05); break;
    case Qt::Key_Plus: step(0.05); break;
    case Qt::Key_Home: step(m_min - m_max); break;
    case Qt::Key_End: step(m_max - m_min); break;
    case Qt::Key_Delete:
    case Qt::Key_Backspace: emit suggestionRequested(); break;
    default: event->ignore(); // up, down and page keys move in the roll
    }
}

void StrengthSlider::wheelEvent(QWheelEvent *event)
{
    event->ignore(); // the wheel zooms; a strip under the pointer must not change by accident
}

} // namespace irenic

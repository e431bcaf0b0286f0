// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/tone_curve.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include <cmath>

namespace irenic {

namespace {

constexpr int kCurveMarginPx = 8, kLettersPx = 15, kPointPx = 4, kReachPx = 12;
constexpr double kFirstEv = -10, kLastEv = 0, kTop = 2;
constexpr double kApartPx = 5; ///< luminance a little left, colour a little right, so that both can be taken hold of where they agree

/// Luminance's three, then colour's.
constexpr std::array kHandles{"luminance-shadows", "luminance-midtones", "luminance-lights", "colour-shadows", "colour-midtones", "colour-lights"};

const TreatmentParam &paramOf(int handle)
{
    return *findParam(kHandles[size_t(handle)]);
}

bool isColour(int handle)
{
    return handle >= 3;
}

} // namespace

ToneCurve::ToneCurve(QWidget *parent) : QWidget(parent)
{
    setFocusPolicy(Qt::StrongFocus);
    setFixedHeight(92);
    setMouseTracking(true);
    setAccessibleName(tr("Strengths over brightness"));
}

void ToneCurve::setTones(const Tones &tones)
{
    m_tones = tones;
    update();
}

void ToneCurve::setHistogram(const std::optional<Histogram> &histogram)
{
    m_histogram = histogram;
    update();
}

void ToneCurve::setTaste(const Taste &taste)
{
    m_taste = taste;
    setAccessibleDescription(wordsOf(m_active));
    update();
}

double ToneCurve::xOf(double ev) const
{
    return kCurveMarginPx + (ev - kFirstEv) / (kLastEv - kFirstEv) * (width() - 2 * kCurveMarginPx);
}

double ToneCurve::yOf(double factor) const
{
    return kCurveMarginPx + (1 - factor / kTop) * (height() - kCurveMarginPx - kLettersPx);
}

QPointF ToneCurve::handleAt(const TreatmentParam &param) const
{
    const int handle = int(std::find_if(kHandles.begin(), kHandles.end(), [&](const char *name) { return &param == findParam(name); }) - kHandles.begin());
    return {xOf(double(kToneCentresEv[size_t(handle % 3)])) + (isColour(handle) ? kApartPx : -kApartPx), yOf(m_taste.*param.taste)};
}

QString ToneCurve::wordsOf(int handle) const
{
    const TreatmentParam &p = paramOf(handle);
    return tr("%1, %2: %3 x").arg(isColour(handle) ? tr("colour") : tr("luminance"), tr(p.info.label)).arg(m_taste.*p.taste, 0, 'f', 2);
}

void ToneCurve::paintEvent(QPaintEvent *)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const QRectF field(xOf(kFirstEv), yOf(kTop), xOf(kLastEv) - xOf(kFirstEv), yOf(0) - yOf(kTop));
    if (m_histogram) { // of the greens; its root, so that little shows too
        double most = 1e-9;
        for (const double share : m_histogram->share[1])
            most = std::max(most, share);
        QPolygonF shape;
        for (size_t bin = 0; bin < Histogram::kBins; ++bin) {
            const double ev = Histogram::kFirstEv + (double(bin) + 0.5) * Histogram::kStepEv;
            if (ev >= kFirstEv && ev <= kLastEv)
                shape << QPointF(xOf(ev), field.bottom() - std::sqrt(m_histogram->share[1][bin] / most) * field.height() * 0.9);
        }
        if (!shape.isEmpty()) {
            shape.prepend({shape.first().x(), field.bottom()});
            shape << QPointF(shape.last().x(), field.bottom());
            QColor ground = m_tones.paperLine;
            ground.setAlpha(90);
            p.setPen(Qt::NoPen);
            p.setBrush(ground);
            p.drawPolygon(shape);
        }
    }
    p.setPen(QPen(m_tones.paperLine, 1));
    p.setBrush(Qt::NoBrush);
    p.drawRect(field);
    p.drawLine(QPointF(field.left(), yOf(1)), QPointF(field.right(), yOf(1)));
    p.setPen(m_tones.paperFaint);
    QFont small = font();
    small.setPointSizeF(small.pointSizeF() * 0.85);
    p.setFont(small);
    for (size_t tone = 0; tone < 3; ++tone) {
        const double x = std::clamp(xOf(double(kToneCentresEv[tone])), field.left() + 26, field.right() - 20);
        p.drawText(QRectF(x - 40, field.bottom() + 1, 80, kLettersPx), Qt::AlignCenter, tr(paramOf(int(tone)).info.label));
    }
    for (const bool colour : {false, true}) {
        QPolygonF line;
        const int first = colour ? 3 : 0;
        for (double ev = kFirstEv; ev <= kLastEv + 1e-6; ev += 0.1) {
            const auto w = toneWeights(float(ev));
            double v = 0;
            for (int tone = 0; tone < 3; ++tone)
                v += double(w[size_t(tone)]) * (m_taste.*paramOf(first + tone).taste);
            line << QPointF(xOf(ev), yOf(v));
        }
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(m_tones.paperInk, 1.6, colour ? Qt::DashLine : Qt::SolidLine));
        p.drawPolyline(line);
        for (int h = first; h < first + 3; ++h) {
            const QPointF at = handleAt(paramOf(h));
            const QRectF box(at - QPointF(kPointPx, kPointPx), QSizeF(2 * kPointPx, 2 * kPointPx));
            p.setPen(QPen(m_tones.paperInk, 1.4));
            p.setBrush(hasFocus() && h == m_active ? m_tones.paperInk : m_tones.paper);
            colour ? p.drawEllipse(box) : p.drawRect(box);
        }
    }
    if (hasFocus()) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(m_tones.paperInk, 1, Qt::DotLine));
        p.drawRect(QRectF(rect()).adjusted(1.5, 1.5, -1.5, -0.5));
    }
}

int ToneCurve::handleNear(QPointF at) const
{
    int best = -1;
    double nearest = kReachPx;
    for (int h = 0; h < int(kHandles.size()); ++h) {
        const QPointF away = handleAt(paramOf(h)) - at;
        if (const double d = std::hypot(away.x(), away.y()); d < nearest) {
            nearest = d;
            best = h;
        }
    }
    return best;
}

void ToneCurve::set(int handle, double value, int dragId)
{
    const TreatmentParam &p = paramOf(handle);
    const double rounded = std::clamp(std::round(value * 20) / 20, p.info.min, p.info.max);
    if (rounded != m_taste.*p.taste)
        emit changed(&p, rounded, dragId);
}

double ToneCurve::activeFactor() const
{
    return m_taste.*paramOf(m_active).taste;
}

void ToneCurve::setActiveFactor(double factor)
{
    set(m_active, factor, m_gesture.step());
}

void ToneCurve::mousePressEvent(QMouseEvent *event)
{
    const int h = event->button() == Qt::LeftButton ? handleNear(event->position()) : -1;
    if (h < 0)
        return event->ignore();
    m_active = h;
    m_dragging = true;
    m_gesture.press();
    update();
}

void ToneCurve::mouseMoveEvent(QMouseEvent *event)
{
    if (m_dragging)
        set(m_active, kTop * (1 - (event->position().y() - kCurveMarginPx) / (height() - kCurveMarginPx - kLettersPx)), m_gesture.id());
    else
        setCursor(handleNear(event->position()) >= 0 ? Qt::SizeVerCursor : Qt::ArrowCursor);
}

void ToneCurve::mouseReleaseEvent(QMouseEvent *)
{
    m_dragging = false;
}

void ToneCurve::mouseDoubleClickEvent(QMouseEvent *event)
{
    if (const int h = handleNear(event->position()); h >= 0)
        set(h, paramOf(h).info.suggested, 0);
}

void ToneCurve::keyPressEvent(QKeyEvent *event)
{
    const double now = m_taste.*paramOf(m_active).taste;
    const int count = int(kHandles.size());
    switch (event->key()) {
    case Qt::Key_Left: m_active = (m_active + count - 1) % count; break;
    case Qt::Key_Right: m_active = (m_active + 1) % count; break;
    case Qt::Key_Plus: set(m_active, now + 0.05, m_gesture.step()); break;
    case Qt::Key_Minus: set(m_active, now - 0.05, m_gesture.step()); break;
    case Qt::Key_Delete:
    case Qt::Key_Backspace: set(m_active, paramOf(m_active).info.suggested, 0); break;
    default: return event->ignore();
    }
    setAccessibleDescription(wordsOf(m_active));
    update();
}

bool ToneCurve::event(QEvent *event)
{
    if (event->type() == QEvent::ShortcutOverride) { // these keys are the curve's while it has the keyboard
        const int key = static_cast<QKeyEvent *>(event)->key();
        if (key == Qt::Key_Plus || key == Qt::Key_Minus || key == Qt::Key_Left || key == Qt::Key_Right || key == Qt::Key_Delete || key == Qt::Key_Backspace) {
            event->accept();
            return true;
        }
    }
    if (event->type() == QEvent::ToolTip) {
        auto *help = static_cast<QHelpEvent *>(event);
        const int h = handleNear(help->pos());
        QToolTip::showText(help->globalPos(), h >= 0 ? wordsOf(h) : tr("Factors of the strengths by brightness, over the frame's histogram.\nSquares: luminance. Discs: colour. Drag up or down; double-click returns one to 1."), this);
        return true;
    }
    return QWidget::event(event);
}

} // namespace irenic

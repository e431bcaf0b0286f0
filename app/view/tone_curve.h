// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "commands/gesture.h"
#include "irenic/readings.h"
#include "view/tones.h"

#include <QWidget>

#include <optional>

namespace irenic {

/// Factors of the strengths over brightness, drawn over the frame's histogram: squares on a solid line are luminance, discs on a dashed
/// one are colour, each in the shadows, the mid-tones and the lights. Dragged up and down, or moved with + and - after Left and Right chose
/// one; double-click or Delete returns one to 1.
class ToneCurve : public QWidget
{
    Q_OBJECT
public:
    explicit ToneCurve(QWidget *parent = nullptr);

    void setTones(const Tones &tones);
    void setHistogram(const std::optional<Histogram> &histogram);
    void setTaste(const Taste &taste);
    QSize sizeHint() const override { return {200, 92}; }
    QSize minimumSizeHint() const override { return {120, 92}; }
    double activeFactor() const; ///< of the handle that the keys move
    void setActiveFactor(double factor);
    QString activeWords() const { return wordsOf(m_active); }
    QPointF handleAt(const TreatmentParam &param) const; ///< its middle, in pixels of the widget

signals:
    void changed(const irenic::TreatmentParam *param, double value, int dragId);

protected:
    void paintEvent(QPaintEvent *event) override;
    void mousePressEvent(QMouseEvent *event) override;
    void mouseMoveEvent(QMouseEvent *event) override;
    void mouseReleaseEvent(QMouseEvent *event) override;
    void mouseDoubleClickEvent(QMouseEvent *event) override;
    void keyPressEvent(QKeyEvent *event) override;
    bool event(QEvent *event) override;

private:
    double xOf(double ev) const;
    double yOf(double factor) const;
    int handleNear(QPointF at) const; ///< -1 where there is none
    void set(int handle, double value, int dragId);
    QString wordsOf(int handle) const;

    Tones m_tones = Tones::of(Tones::Wall::Mid);
    std::optional<Histogram> m_histogram;
    Taste m_taste;
    int m_active = 0;
    bool m_dragging = false;
    Gesture m_gesture;
};

} // namespace irenic

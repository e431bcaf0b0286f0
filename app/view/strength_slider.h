// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "commands/gesture.h"
#include "irenic/parameter.h"
#include "view/tones.h"

#include <QAbstractSlider>

namespace irenic {

/// A strength or another amount, in hundredths, with the suggestion as a mark on its scale. Double-click on the handle, or Delete, returns
/// to the mark.
class StrengthSlider : public QAbstractSlider
{
    Q_OBJECT
public:
    explicit StrengthSlider(const ParamInfo &param, QWidget *parent = nullptr);

    void setTones(const Tones &tones);
    void setSuggestion(double strength);
    void setStrength(double strength); ///< without a signal
    double strength() const { return value() / 100.0; }
    double suggestion() const { return m_suggestion; }
    void moveOnce(double strength); ///< as by one step of the keyboard
    QSize sizeHint() const override { return {110, 26}; }
    QSize minimumSizeHint() const override { return {70, 26}; }

signals:
    void strengthMoved(double strength, int dragId); ///< by the user; steps of one drag share an id
    void suggestionRequested();

protected:
    void paintEvent(QPaintEvent *event) override;
    void mousePressEvent(QMouseEvent *event) override;
    void mouseMoveEvent(QMouseEvent *event) override;
    void mouseReleaseEvent(QMouseEvent *event) override;
    void mouseDoubleClickEvent(QMouseEvent *event) override;
    void keyPressEvent(QKeyEvent *event) override;
    void wheelEvent(QWheelEvent *event) override;

private:
    double xOf(double strength) const;
    double strengthAt(double x) const;
    void moveTo(double strength, int dragId);

    Tones m_tones = Tones::of(Tones::Wall::Mid);
    double m_min, m_max, m_suggestion;
    Gesture m_gesture;
};

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "commands/gesture.h"
#include "irenic/parameter.h"

#include <QObject>

class QDoubleSpinBox;
class QGridLayout;
class QLabel;
class QSlider;

namespace irenic {

/// A label, a slider and a number for one amount of a panel. Small ones can be set finely: the slider runs with the root of the amount where
/// that is asked for.
class AmountRow : public QObject
{
    Q_OBJECT
public:
    AmountRow(const ParamInfo &info, const QString &unit, int decimals, QGridLayout *grid, QWidget *parent, bool rooted = false);

    void setValue(double value); ///< without a signal
    double value() const;
    void setEnabled(bool enabled);
    void setVisible(bool visible);
    void setRange(double min, double max);

signals:
    void changed(double value, int dragId); ///< by the user; steps of one drag share an id

private:
    double slidAt(int position) const;
    int positionOf(double value) const;

    ParamInfo m_info;
    bool m_rooted;
    QLabel *m_label;
    QSlider *m_slider;
    QDoubleSpinBox *m_field;
    Gesture m_gesture;
};

} // namespace irenic

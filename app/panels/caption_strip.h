// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/export.h"
#include "session/session.h"
#include "view/tones.h"

#include <QWidget>

class QDoubleSpinBox;
class QLabel;
class QPushButton;

namespace irenic {

class StrengthSlider;

/// The paper under a picture: names the trial, carries its strengths and says whether it is settled. Trial -1 is the
/// untreated column, which has readings and no controls.
class CaptionStrip : public QWidget
{
    Q_OBJECT
public:
    CaptionStrip(int trial, QWidget *parent = nullptr);

    void setTones(const Tones &tones);
    void showFrame(const RollFrame *frame); ///< null: nothing is open
    void setHasKeyboard(bool has);          ///< a notch points up at the picture
    void setStatus(const QString &status);
    QString status() const;
    void setNoiseLeft(const NoiseLeft &left); ///< the reading of a trial; the untreated strip has none

signals:
    void strengthChanged(bool colour, double value, int dragId);
    void methodChosen(const QString &method, const QString &colourMethod); ///< an empty colour method: the same
    void suggestionRequested();
    void keeperToggled();
    void picked();

protected:
    void paintEvent(QPaintEvent *event) override;
    void mousePressEvent(QMouseEvent *event) override;

private:
    static QString findings(const RollFrame &frame);
    struct Row {
        QLabel *label = nullptr;
        StrengthSlider *slider = nullptr;
        QDoubleSpinBox *field = nullptr;
    };
    Row makeRow(const ParamInfo &param, bool colour);
    void applyTones();
    void fillMethodMenu();

    int m_trial;
    bool m_hasKeyboard = false;
    bool m_isKeeper = false;
    Tones m_tones = Tones::of(Tones::Wall::Mid);
    QLabel *m_letter, *m_title, *m_body = nullptr, *m_status, *m_left = nullptr;
    QLabel *m_reading = nullptr;
    QPushButton *m_method = nullptr;
    Treatment m_shown;
    QPushButton *m_keep = nullptr, *m_return = nullptr;
    Row m_luminance, m_colour;
};

} // namespace irenic

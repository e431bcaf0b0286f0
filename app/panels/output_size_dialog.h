// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QSize>

class QDoubleSpinBox;
class QLabel;
class QRadioButton;
class QSpinBox;

namespace irenic {

/// Asks at which size the frame will be used: noise that vanishes at that size need not be fought.
class OutputSizeDialog : public QDialog
{
    Q_OBJECT
public:
    OutputSizeDialog(QSize picture, QWidget *parent = nullptr);
    int longEdgePx() const; ///< of the finished picture
    double zoom() const;    ///< screen pixels per picture pixel that show it so; at most 1

private:
    void refresh();

    QSize m_picture;
    QRadioButton *m_byPixels, *m_byPrint;
    QSpinBox *m_pixels, *m_ppi;
    QDoubleSpinBox *m_cm;
    QLabel *m_words;
};

} // namespace irenic

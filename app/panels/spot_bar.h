// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"
#include "view/tones.h"

#include <QWidget>

class QComboBox;
class QHBoxLayout;
class QLabel;
class QScrollArea;
class QSpinBox;
class QToolButton;

namespace irenic {

/// The spots of the frame as a row of tabs; beside them which side of the pictures is shown, and how many rows hang.
class SpotBar : public QWidget
{
    Q_OBJECT
public:
    SpotBar(Session *session, QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    static QString showWords(Show show); ///< "removed" and so on

signals:
    void markRequested(); ///< a spot in the middle of the view
    void spotMenuRequested(int spot, QPoint globalPoint);

protected:
    void resizeEvent(QResizeEvent *event) override;

private:
    void showSpots();
    void showCurrent();
    void fitWords();

    Session *m_session;
    QScrollArea *m_scroll;
    QWidget *m_tabs;
    QHBoxLayout *m_row;
    QList<QToolButton *> m_buttons;
    int m_current = -1; ///< tab of the place that the row looks at
    QToolButton *m_add;
    QComboBox *m_show;
    QSpinBox *m_rows;
    QString m_sheet;
};

} // namespace irenic

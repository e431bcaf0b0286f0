// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "panels/live_pane.h"
#include "view/tones.h"

class QComboBox;
class QLabel;

namespace irenic {

/// One picture as large as the window, with a wipe line between any two of untreated, trials and guests; or two halves side by side.
class Loupe : public QWidget
{
    Q_OBJECT
public:
    enum class Way {
        WipeAcross,
        WipeDown,
        SideBySide,
    };

    Loupe(Session *session, PaneRenderer *renderer, QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    void open(); ///< untreated against the trial with the keyboard
    Way way() const { return m_way; }
    double wipe() const { return m_wipe; } ///< share of the picture that the first has
    const LivePane *first() const { return m_first; }
    const LivePane *second() const { return m_second; }
    bool allSettled() const { return m_first->isSettled() && m_second->isSettled(); }

public slots:
    void setWay(irenic::Loupe::Way way);
    void setWipe(double share); ///< 0 .. 1
    void swap();                ///< first and second change places

signals:
    void closed();
    void settledChanged();

protected:
    void resizeEvent(QResizeEvent *event) override;
    void keyPressEvent(QKeyEvent *event) override;
    bool eventFilter(QObject *watched, QEvent *event) override;

private:
    void fillChoices();
    void showContents();
    void arrange();
    LivePane::Content contentOf(int choice) const;

    Session *m_session;
    QComboBox *m_firstChoice, *m_secondChoice, *m_ways;
    QWidget *m_table;
    LivePane *m_first, *m_second;
    QWidget *m_line; ///< dragged to wipe
    QLabel *m_state;
    Way m_way = Way::WipeAcross;
    double m_wipe = 0.5;
};

} // namespace irenic

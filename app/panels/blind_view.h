// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/blind_round.h"
#include "panels/live_pane.h"
#include "view/tones.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QPushButton;
class QStackedWidget;
class QTableWidget;
class QVBoxLayout;

namespace irenic {

/// A blind round: two pictures at a time without names or readings; the photographer picks, and learns at the end which were which.
class BlindView : public QWidget
{
    Q_OBJECT
public:
    BlindView(Session *session, PaneRenderer *renderer, QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    void open();               ///< asks what takes part
    void begin(uint64_t seed); ///< with what is ticked
    const BlindRound *round() const { return m_round.get(); }
    bool isAsking() const;
    const LivePane *left() const { return m_left; }
    const LivePane *right() const { return m_right; }
    QString verdict() const;

public slots:
    void answer(irenic::BlindRound::Answer answer);
    void takeBack();
    void askMore(); ///< as many pairs of the first two as would settle it
    void keepFirst();

signals:
    void closed();

protected:
    void keyPressEvent(QKeyEvent *event) override;

private:
    struct Candidate {
        QString name;
        LivePane::Content content;
        int trial = -1; ///< -1 for a guest
    };

    QWidget *makeStartPage();
    QWidget *makePairPage();
    QWidget *makeResultPage();
    void showPair();
    void showResult();
    void seeWhetherItCanBegin();

    Session *m_session;
    std::vector<Candidate> m_candidates, m_playing;
    std::vector<QPointF> m_places;
    std::unique_ptr<BlindRound> m_round;
    QStackedWidget *m_pages;
    QVBoxLayout *m_ticks;
    QList<QCheckBox *> m_boxes;
    QComboBox *m_over;
    QPushButton *m_begin, *m_more, *m_keep;
    LivePane *m_left, *m_right;
    QLabel *m_count, *m_verdict, *m_startNote;
    QTableWidget *m_table;
};

} // namespace irenic

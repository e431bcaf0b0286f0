// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "jobs/frame_measurer.h"
#include "session/session.h"
#include "view/tones.h"

#include <QScrollArea>

class QGridLayout;
class QLabel;
class QPushButton;

namespace irenic {

class LeftoverView;
class Plot;

/// Readings of the trial with the keyboard over the whole frame: figures, the leftover map with its worst places, and noise
/// against brightness, untreated and after each trial that was measured.
class ReadingsPanel : public QScrollArea
{
    Q_OBJECT
public:
    ReadingsPanel(Session *session, FrameMeasurer *measurer, QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    QString figure(const QString &name) const; ///< as shown: "grain", "colour", "lost", "drift", "evenness", "judged", "time"
    const Plot *plot() const { return m_plot; }

public slots:
    void measure();
    void goToWorst(); ///< to the next of the worst places; measures first where nothing is known
    void markWorst(); ///< the worst place becomes a spot

private:
    FrameMeasurer::Subject subject(int trial) const;
    void show();
    void showPlot();
    QPoint worstPlace(size_t i) const;

    Session *m_session;
    FrameMeasurer *m_measurer;
    QLabel *m_title;
    QPushButton *m_measure, *m_worst, *m_mark;
    LeftoverView *m_map;
    QLabel *m_legend;
    Plot *m_plot;
    std::vector<std::pair<QString, QLabel *>> m_figures;
    std::shared_ptr<const LeftoverMap> m_shown;
    size_t m_nextWorst = 0;
    bool m_goWhenMeasured = false;
};

} // namespace irenic

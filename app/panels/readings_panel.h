// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "jobs/frame_measurer.h"
#include "session/session.h"
#include "view/leftover_view.h"
#include "view/tones.h"

#include <QScrollArea>

class QComboBox;
class QGridLayout;
class QLabel;
class QPushButton;

namespace irenic {

class Plot;

/// Readings of the trial with the keyboard over the whole frame: figures, the leftover map with its worst places, and noise
/// against brightness, untreated and after each trial that was measured.
class ReadingsPanel : public QScrollArea
{
    Q_OBJECT
public:
    ReadingsPanel(Session *session, FrameMeasurer *measurer, QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    const LeftoverView *map() const { return m_map; }
    QString figure(const QString &name) const; ///< as shown: "grain", "colour", "lost", "drift", "evenness", "judged", "time"
    const Plot *plot() const { return m_plot; }

public slots:
    void measure();
    void goToWorst(); ///< to the next of the places that the map rings; measures first where nothing is known
    void markWorst(); ///< the worst place becomes a spot

private:
    FrameMeasurer::Subject subject(int trial) const;
    void showContents();
    void showPlot();
    void showMap();
    void fillMaps();
    std::optional<LeftoverView::Field> leftField() const;
    std::optional<LeftoverView::Field> errorField() const;
    std::optional<LeftoverView::Field> againstField(int other) const; ///< where this trial is further from the clean picture than that one, and where nearer
    QPoint worstPlace(size_t i) const;

    Session *m_session;
    FrameMeasurer *m_measurer;
    QLabel *m_title;
    QPushButton *m_measure, *m_worst, *m_mark;
    LeftoverView *m_map;
    QComboBox *m_maps;
    QLabel *m_legend;
    Plot *m_plot;
    std::vector<std::pair<QString, QLabel *>> m_figures;
    std::shared_ptr<const LeftoverMap> m_shown;
    size_t m_nextWorst = 0;
    bool m_goWhenMeasured = false;
};

} // namespace irenic

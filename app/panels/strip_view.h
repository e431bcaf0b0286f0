// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "panels/live_pane.h"
#include "view/ladder_curve.h"
#include "view/tones.h"

class QComboBox;
class QDoubleSpinBox;
class QGridLayout;
class QLabel;
class QPushButton;
class QSpinBox;

namespace irenic {

/// A test strip (one trial at a ladder of strengths) or a ring-around (a grid of both strengths, or of methods and strengths), all
/// of one place. The picked cell becomes the trial's setting, or a trial of its own.
class StripView : public QWidget
{
    Q_OBJECT
public:
    enum class Kind {
        Both,
        Luminance,
        Colour,
        Ring,
        Methods,
    };
    struct Cell {
        Treatment treatment;
        QString caption;
    };

    StripView(Session *session, PaneRenderer *renderer, QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    /// Hangs the strip of the trial with the keyboard.
    void open(Kind kind);
    Kind kind() const { return m_kind; }
    int columnCount() const { return m_across; }
    int cellCount() const { return int(m_cells.size()); }
    const Cell &cell(int i) const { return m_cells[size_t(i)]; }
    const LivePane *pane(int i) const { return m_panes[size_t(i)]; }
    int picked() const { return m_picked; }
    QString caption(int i) const;                        ///< as shown
    const LadderCurve *curve() const { return m_curve; } ///< of nearness, under a test strip
    bool allSettled() const;
    QString title() const;

    /// Cells of a strip or ring-around about a treatment, row by row, and how many are in a row.
    static std::vector<Cell> cellsFor(Kind kind, const Treatment &about, const NoiseReport &noise, FrameKind frame, double from, double to, int steps, int *across);

public slots:
    void pick(int cell);
    void pickBeside(int dx, int dy);
    void usePicked(); ///< the trial takes its setting
    void addPicked(); ///< as a trial of its own

signals:
    void closed();
    void settledChanged();

protected:
    void resizeEvent(QResizeEvent *event) override;
    void keyPressEvent(QKeyEvent *event) override;

private:
    void hang();
    void showPicked();
    void showNearness();
    void showCaptions();
    void suggestLadder();
    bool isLadder() const { return m_kind == Kind::Both || m_kind == Kind::Luminance || m_kind == Kind::Colour; }

    Session *m_session;
    PaneRenderer *m_renderer;
    Kind m_kind = Kind::Both;
    int m_trial = 0, m_across = 1, m_picked = -1;
    std::vector<Cell> m_cells;
    std::vector<LivePane *> m_panes;
    std::vector<QLabel *> m_captions;
    std::vector<QString> m_nearness; ///< of each cell, in words; empty while it is not known
    bool m_tellsNearness = false;
    LadderCurve *m_curve;
    QComboBox *m_kinds;
    QDoubleSpinBox *m_from, *m_to;
    QSpinBox *m_steps;
    QPushButton *m_use, *m_add;
    QWidget *m_sheet;
    QGridLayout *m_grid = nullptr;
    Tones m_tones = Tones::of(Tones::Wall::Mid);
};

} // namespace irenic

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
/// of one place: the picked cell becomes the trial's setting, or a trial of its own. Or that place in the frames before and after, each as it would leave: the
/// picked one is gone to.
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
        Sequence,
    };
    struct Cell {
        Treatment treatment;
        QString caption;
        int frame = -1;  ///< of the roll; -1: the current one
        QPointF shift{}; ///< how much further right and down the place lies in it, as fractions of its sides
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
    static constexpr int kMostOfSequence = 5;
    /// Frames about the current one, which is among them: of its series, or of the roll where it has none; of the same size.
    static QList<int> sequenceOf(const Session &session);

    /// Cells of a strip or ring-around about a treatment, row by row, and how many are in a row.
    static std::vector<Cell> cellsFor(Kind kind, const Treatment &about, const NoiseReport &noise, FrameKind frame, double from, double to, int steps, int *across);

public slots:
    void pick(int cell);
    void pickBeside(int dx, int dy);
    void usePicked(); ///< the trial takes its setting; of a sequence, its frame hangs
    void addPicked(); ///< as a trial of its own

signals:
    void closed();
    void settledChanged();

protected:
    void resizeEvent(QResizeEvent *event) override;
    void hideEvent(QHideEvent *event) override;
    void keyPressEvent(QKeyEvent *event) override;

private:
    void hang();
    std::vector<Cell> sequenceCells() const;
    const RollFrame &frameOf(const Cell &cell) const;
    LivePane::Content contentOf(const Cell &cell) const; ///< empty while its pixels are not there
    Viewport viewportOf(const Cell &cell) const;
    Look lookOf(const Cell &cell) const;
    void lookThere(const Cell &cell, double zoom, QPointF centre); ///< all of them, at what lies there in this one
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
    QList<QWidget *> m_ladder; ///< fields of strengths, with their words
    QWidget *m_sheet;
    QGridLayout *m_grid = nullptr;
    Tones m_tones = Tones::of(Tones::Wall::Mid);
};

} // namespace irenic

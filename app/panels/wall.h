// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "panels/caption_strip.h"
#include "panels/live_pane.h"
#include "panels/tool_claims.h"
#include "view/difference.h"

#include <optional>

class QGridLayout;
class QLabel;
class QScrollArea;

namespace irenic {

/// The wall: the untreated picture, the trials and the guests side by side, in one to six rows of places, and a caption strip under
/// each column. Says of every pane whether it is settled.
class Wall : public QWidget
{
    Q_OBJECT
public:
    static constexpr int kLeastColumnPx = 150; ///< narrower strips cannot be read; beyond, the wall scrolls

    Wall(Session *session, PaneRenderer *renderer, QWidget *parent = nullptr);

    void setTones(const Tones &tones);
    void setPace(double pace);        ///< see CaptionStrip
    void setUntreatedHeld(bool held); ///< shows the untreated pixels in every pane while true
    bool isUntreatedHeld() const { return m_untreatedHeld; }
    /// The pictures of `column` in the place of those of `place`, see Blink; -1: each has its own.
    void setStandIn(int place, int column);
    /// Every other column shows what it differs by from one, amplified around mid grey; nothing: pictures again.
    void setDifference(std::optional<int> from, double gain = 4);
    void strengthenDifference(int from); ///< twice the gain; after 16 times, 2
    std::optional<int> differenceFrom() const { return m_differenceFrom; }
    double differenceGain() const { return m_differenceGain; }
    void setHeldShow(std::optional<Show> show); ///< another side of the pictures while it is held
    std::optional<Show> heldShow() const { return m_heldShow; }
    /// What a drag on a picture does: see placePicked() and the strokes.
    void claimTool(const ToolClaims::Claim &claim, bool first); ///< see ToolClaims
    void leaveTool(const void *owner);
    PaneTool tool() const { return m_tools.top().tool; }
    bool hasTool(const void *owner) const { return m_tools.top().owner == owner; }
    /// A mask over the pictures of a row.
    void setOverlay(int row, const PaneImage &overlay);
    QRect visibleRegion(int row, int *reduction) const; ///< upright picture pixels, and how many of them a pixel of the screen shows
    void setPage(CaptionStrip::Page page);              ///< of all strips, so that they line up
    CaptionStrip::Page page() const { return m_page; }
    void setUntreatedShown(bool shown); ///< whether the untreated column hangs
    bool isUntreatedShown() const { return m_untreatedShown; }
    void setUnfolded(bool unfolded); ///< with more than one row, strips are folded unless asked for
    bool isUnfolded() const { return m_unfolded; }

    /// Column 0 is untreated, then trials, then guests.
    int columnCount() const { return int(m_columns.size()); }
    int rowCount() const { return m_session->viewing().rowCount(); }
    int settledCount() const; ///< panes, of all rows
    int paneCount() const;
    bool isSettled(int column) const; ///< in the row with the keyboard
    bool allSettled() const { return paneCount() > 0 && settledCount() == paneCount(); }
    bool allRead() const;                                ///< settled, and the readings of every pane are there
    bool isIdle() const { return m_renderer->isIdle(); } ///< settled, and every reading taken
    const LivePane *pane(int column) const { return pane(column, m_session->viewing().row()); }
    const LivePane *pane(int column, int row) const { return m_columns[size_t(column)].cells[size_t(row)].pane; }
    CaptionStrip *strip(int column) const { return m_columns[size_t(column)].strip; }
    QString columnName(int column) const; ///< "Untreated", "A  BM3D  0.90 / 1.00", "Guest 1"
    QString rowName(int row) const;       ///< the spot that it looks at, or nothing
    QRect visibleRegion() const;          ///< upright picture pixels that the panes of the row with the keyboard show
    QPoint middle() const;                ///< of those

    void zoomTo(double zoom);                 ///< keeps the middle in the middle
    void zoomBy(int steps);                   ///< along the ladder of magnifications
    static const QList<double> &zoomLadder(); ///< 0 (fit), 0.5, 1, 2, 3, 4, 8

signals:
    void toolChanged(); ///< or whose it is
    void settledChanged();
    void columnsHung();  ///< others hang than before
    void shownChanged(); ///< what is shown in place of pictures: stand-ins, differences
    void pointedAt(QPointF picturePoint, int row);
    void pointedAway();
    void pageChanged();
    void visibleRegionChanged();
    void spotMarked(QPoint picturePixel);
    void placePicked(QPoint picturePixel, const void *owner); ///< of the tool
    void strokeBegan(QPointF picturePoint, double pressure);
    void strokeMoved(QPointF picturePoint, double pressure);
    void strokeEnded();
    void paneMenuRequested(QPoint picturePixel, QPoint globalPoint); ///< of the column with the keyboard
    void stripMenuRequested(QPoint globalPoint);

protected:
    void resizeEvent(QResizeEvent *event) override;

private:
    struct Cell {
        LivePane *pane = nullptr;
        QLabel *caption = nullptr;
        std::shared_ptr<const Difference> difference{}; ///< where it is shown
    };
    struct Column {
        CaptionStrip *strip = nullptr;
        std::vector<Cell> cells; ///< one a row
    };

    void refresh(); ///< everything, after another frame
    void showParts(irenic::ChoiceParts parts);
    void handOutTool();
    void hangColumns(); ///< makes and takes down columns and rows
    void layOut();
    void fit(); ///< sets the columns' width
    Column makeColumn(CaptionStrip::Of of, int number);
    Cell makeCell(int row);
    void connectStrip(CaptionStrip *strip, CaptionStrip::Of of, int number);
    int columnOf(const QObject *pane) const;
    int rowOf(const QObject *pane) const;
    LivePane::Content contentOf(int column) const;
    void showContents();
    void showHeld();
    void showPage();
    void showStates();
    void showRows();
    void zoomAbout(int steps, QPointF widgetPoint, const PicturePane *pane);

    Session *m_session;
    PaneRenderer *m_renderer;
    QScrollArea *m_scroll;
    QWidget *m_sheet;
    QGridLayout *m_grid = nullptr;
    std::vector<Column> m_columns;
    int m_trials = 0;
    struct Shown {
        std::vector<Treatment> trials;
        int keeper = -1;
    };
    Shown m_shown; ///< by the strips
    CaptionStrip::Page m_page = CaptionStrip::Page::Noise;
    std::pair<std::weak_ptr<const Frame>, std::optional<Histogram>> m_histogram; ///< of the frame whose strips show it
    Tones m_tones = Tones::of(Tones::Wall::Mid);
    double m_pace = 1;
    std::optional<int> m_spared; ///< the trial whose sparing of smooth parts is held
    bool m_untreatedHeld = false, m_untreatedShown = true, m_unfolded = false;
    int m_standInPlace = -1, m_standIn = -1;
    std::optional<int> m_differenceFrom;
    double m_differenceGain = 4;
    ToolClaims m_tools;
    std::optional<Show> m_heldShow;
};

} // namespace irenic

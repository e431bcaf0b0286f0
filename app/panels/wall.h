// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "jobs/pane_renderer.h"
#include "panels/caption_strip.h"
#include "view/picture_pane.h"

#include <array>

namespace irenic {

/// The wall: the untreated picture and the trials side by side on the same pixels, a caption strip under each. Asks
/// for what is in view, and says of every pane whether it is settled.
class Wall : public QWidget
{
    Q_OBJECT
public:
    static constexpr int kColumns = kTrialCount + 1; ///< column 0 is untreated

    Wall(Session *session, QWidget *parent = nullptr);

    void setTones(const Tones &tones);
    void setUntreatedHeld(bool held); ///< shows the untreated pixels in every pane while true
    bool isUntreatedHeld() const { return m_untreatedHeld; }

    int settledCount() const;
    bool isSettled(int column) const;
    bool allSettled() const { return settledCount() == kColumns; }
    bool isIdle() const { return m_renderer.isIdle(); } ///< settled, and every reading taken
    double secondsToSettle() const { return m_secondsToSettle; }
    const PicturePane *pane(int column) const { return m_columns[size_t(column)].pane; }
    CaptionStrip *strip(int column) const { return m_columns[size_t(column)].strip; }
    QRect visibleRegion() const; ///< upright picture pixels that every pane shows

    void zoomTo(double zoom); ///< keeps the middle in the middle
    void zoomBy(int steps);   ///< along the ladder of magnifications
    static const QList<double> &zoomLadder(); ///< 0 (fit), 0.5, 1, 2, 3, 4, 8

signals:
    void settledChanged();
    void visibleRegionChanged();

protected:
    void resizeEvent(QResizeEvent *event) override;

private:
    static bool canShow(const RollFrame *frame, int column);
    const Frame *m_shown = nullptr; ///< whose pixels hang on the wall; compared, never read
    struct Column {
        PicturePane *pane = nullptr;
        CaptionStrip *strip = nullptr;
        PaneRequest wanted;
        quint64 shownSerial = 0;
        bool hasFrame = false; ///< a request was made for the current frame
    };

    void showCurrentFrame();
    void updateStrip(int column);
    void requestPane(int column);
    void requestAll();
    void takeResult(const PaneResult &result);
    void zoomAbout(int steps, QPointF widgetPoint, const PicturePane *pane);

    Session *m_session;
    PaneRenderer m_renderer;
    std::array<Column, kColumns> m_columns;
    quint64 m_serial = 0;
    bool m_untreatedHeld = false;
    double m_secondsToSettle = 0;
};

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/roll.h"

#include <QPointF>

namespace irenic {

/// Where all panes of a row look.
struct Viewport {
    double zoom = 0;          ///< screen pixels per picture pixel; 0 fits the whole frame
    QPointF centre{0.5, 0.5}; ///< of the upright picture, as fractions of its sides
    bool operator==(const Viewport &) const = default;
};

/// Which frame hangs on the wall, where its panes look and how it is shown. None of it is undone.
class Viewing : public QObject
{
    Q_OBJECT
public:
    explicit Viewing(Roll &roll);

    int current() const { return m_current; } ///< frame of the roll, or -1
    const RollFrame *currentFrame() const { return m_current >= 0 && m_current < m_roll.count() ? &m_roll.frame(m_current) : nullptr; }
    const RollFrame *readyFrame() const; ///< the current one, or null where it is not Ready
    void setCurrent(int index);
    void goTo(int index); ///< even where that is the current one, since frames have other numbers now; -1 where there are none

    int column() const { return m_column; } ///< that has the keyboard: 0 is untreated, then come the trials, then the guests
    void setColumn(int column);
    int trial() const; ///< that has the keyboard, or -1 where it is no trial

    int rowCount() const { return int(m_rows.size()); }
    void setRowCount(int rows);       ///< new rows look at spots that no other row looks at
    int row() const { return m_row; } ///< that has the keyboard
    void setRow(int row);

    Viewport viewport() const { return viewport(m_row); }
    Viewport viewport(int row) const { return {m_zoom, m_rows[size_t(row)]}; }
    void setViewport(const Viewport &viewport) { setViewport(m_row, viewport); }
    void setViewport(int row, const Viewport &viewport); ///< magnification of all rows, place of one
    int spotAt(int row) const;                           ///< the spot of the current frame that a row looks at, or -1
    int lastSpot() const { return m_lastSpot; }          ///< that was gone to or marked last, or -1
    void goToSpot(int spot);                             ///< the row with the keyboard looks there; from the whole frame, at 200 %
    void followSpot(int from, int to);                   ///< it has another number now

    /// With the rendering of the current frame; `guest`: as it is to be applied to one of its guests.
    Look look(bool guest = false) const;
    double pushEv() const { return m_look.pushEv; }
    void setPushEv(double ev); ///< clamped to [-2, 6]
    void setShow(Show show);
    void setProof(std::shared_ptr<const SoftProof> proof); ///< whose colours Show::Proof and Show::Outside are about

    void save(SavedSession &session) const;
    /// Back to the beginning, and then as a session says, whose frames come afterwards.
    void restore(const SavedSession &session);
    void tellRestored(int current); ///< once its frames are there

    void followFrame(int index);                      ///< it is ready: the keyboard goes to the column that a session wanted
    void followChoices(int index, ChoiceParts parts); ///< others than before

signals:
    void currentChanged(int index);
    void shownChanged(irenic::ChoiceParts parts); ///< of the current frame; all of them where there is another, or it was read, failed, exported, rests or woke
    void columnChanged(int column);
    void rowsChanged(); ///< their number, or which has the keyboard
    void viewportChanged();
    void lookChanged();

private:
    void clampColumn();
    int columnCount() const;

    Roll &m_roll;
    int m_current = -1;
    int m_column = 2;
    std::optional<int> m_wantedColumn; ///< by a session, once the current frame is there
    double m_zoom = 0;
    std::vector<QPointF> m_rows{{0.5, 0.5}};
    int m_row = 0;
    Look m_look;
    int m_lastSpot = -1;
};

} // namespace irenic

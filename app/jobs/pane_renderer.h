// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/export.h"
#include "irenic/nearness.h"
#include "irenic/picture.h"
#include "irenic/screen.h"
#include "jobs/pane_pieces.h"

#include <QImage>
#include <QObject>
#include <QRect>

#include <condition_variable>
#include <deque>
#include <thread>

namespace irenic {

/// What a pane wants to show.
struct PaneRequest {
    int pane = 0;
    quint64 serial = 0; ///< grows with every request; the pane is settled when its own last one came back
    std::shared_ptr<const Frame> frame;
    std::shared_ptr<const NoiseReport> noise;
    Treatment treatment;
    FrameEdits edits;
    QRect region;      ///< pixels of the upright picture
    int reduction = 1; ///< 1, or an even whole number
    Look look;
    std::shared_ptr<const ScreenTransform> screen; ///< that it is going to be seen on; null: sRGB. The renderer's own
    int urgency = 0;                               ///< lower is sooner
    Rect place;                                    ///< stored coordinates where readings are to be taken; empty for none
    std::shared_ptr<const Frame> truth;            ///< the upright picture without noise, to be read against; null where nobody knows it

    // The renderer's own:
    bool isQuick = false;               ///< by what its chain costs
    std::shared_ptr<PanePieces> pieces; ///< of what takes long; null otherwise

    /// Two requests that would draw the same pixels.
    bool sameContent(const PaneRequest &o) const
    {
        return frame == o.frame && treatment == o.treatment && edits == o.edits && region == o.region && reduction == o.reduction && look == o.look && screen == o.screen;
    }
};

struct PaneResult {
    PaneRequest request;
    QImage image; ///< request.region at 1 : request.reduction, in the screen's numbers
    QImage plain; ///< the same in sRGB
    double seconds = 0;
    QRect part{};     ///< of request.region, that `image` covers where more is to come; null where it is the whole
    double share = 1; ///< of the whole that is done
};

/// Computes panes on a thread of its own, the most urgent first. A newer request for a pane replaces a waiting one, and
/// stops a running one that would take long; a quick one is let finish, so that something moves under a dragged slider.
/// What takes long comes in pieces, from the pointer outward, by turns with the pieces of other panes: the same place of every trial is there first.
class PaneRenderer : public QObject
{
    Q_OBJECT
public:
    explicit PaneRenderer(QObject *parent = nullptr);
    ~PaneRenderer() override;

    void request(const PaneRequest &request);
    void setScreen(std::shared_ptr<const ScreenTransform> screen); ///< of all requests from now on; of the window's thread alone
    const std::shared_ptr<const ScreenTransform> &screen() const { return m_screen; }
    void setEye(QPoint upright);                           ///< where on the picture the pointer is; of the window's thread alone
    void forgetPane(int pane);                             ///< drops what is waiting or running for it
    void setPatience(double share) { m_patience = share; } ///< of the usual times until pictures count as slow and come in pieces; tests have less of it
    bool isIdle() const;
    CleanCache *cache() { return &m_cache; } ///< may be used from any thread

signals:
    void rendered(const irenic::PaneResult &result);                                     ///< queued into the receiver's thread; parts first, where it takes long
    void readingsTaken(int pane, quint64 serial, const irenic::PlaceReadings &readings); ///< of the request's place; follow when all pictures are done

    void screenChanged();
    void failed(const QString &problem); ///< a picture could not be made: memory ran out

private:
    void work();
    struct Reading {
        std::weak_ptr<const Frame> frame;
        ChainIdentity identity;
        Rect place;
        std::weak_ptr<const Frame> truth;
        PlaceReadings readings;
    };
    /// Nothing where it was stopped.
    std::optional<PlaceReadings> readingsOf(const PaneRequest &request, std::stop_token stop);
    struct Pictures {
        QImage image, plain;
    };
    Result<Pictures> render(const PaneRequest &request, QRect region, std::stop_token stop);
    /// The next piece of what takes long; sent off where something of it can be shown.
    Status renderPiece(const PaneRequest &request, std::stop_token stop);
    void waitItsTurn(const PaneRequest &request); ///< behind those of which less is done; m_mutex is held
    std::shared_ptr<const ScreenTransform> m_screen;
    double m_patience = 1;
    QPoint m_eye{-1, -1}; ///< outside of every picture at first

    CleanCache m_cache;
    mutable std::mutex m_mutex;
    std::condition_variable m_wake;
    std::deque<PaneRequest> m_waiting, m_unread; ///< the latter have their picture and wait for their readings
    std::deque<Reading> m_known;                 ///< of the working thread alone
    struct Place {
        std::weak_ptr<const Frame> frame;
        std::shared_ptr<const NoiseReport> noise;
        Rect where;
        RiskPlace place;
    };
    std::optional<Place> m_place; ///< where trials were last read; likewise
    PaneRequest m_running;
    bool m_isRunning = false, m_isReading = false;
    std::stop_source m_stopRunning;
    bool m_quit = false;
    std::thread m_thread;
};

} // namespace irenic

Q_DECLARE_METATYPE(irenic::PaneResult)
Q_DECLARE_METATYPE(irenic::PlaceReadings)

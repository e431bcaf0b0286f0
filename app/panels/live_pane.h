// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "jobs/pane_renderer.h"
#include "view/picture_pane.h"

#include <optional>

namespace irenic {

/// A picture that keeps itself up to date: asks the renderer for what is in view and says whether it is settled. While it
/// computes, the last settled picture stays and counts as stale.
class LivePane : public PicturePane
{
    Q_OBJECT
public:
    /// What hangs in it.
    struct Content {
        std::shared_ptr<const Frame> frame;       ///< null: nothing
        std::shared_ptr<const NoiseReport> noise; ///< may be null for an untreated picture
        Treatment treatment;
        FrameEdits edits{};
        std::shared_ptr<const Frame> truth{}; ///< see PaneRequest
        bool operator==(const Content &) const = default;
    };

    LivePane(PaneRenderer *renderer, QWidget *parent = nullptr);
    ~LivePane() override;

    void setContent(const Content &content);
    const Content &content() const { return m_content; }
    void setLook(const Look &look);
    const Look &look() const { return m_look; }
    void setUrgency(int urgency) { m_urgency = urgency; } ///< of the next requests; lower is sooner
    void setWantsReadings(bool wants);

    bool isSettled() const { return hasImage() && m_wanted.serial > 0 && m_shownSerial == m_wanted.serial; }
    bool isRead() const { return m_wanted.place.isEmpty() || m_readings; } ///< no readings are to come
    bool hasContent() const { return m_content.frame != nullptr; }
    double seconds() const { return m_seconds; }                                ///< that the last settled picture took
    QString stateWords() const;                                                 ///< "settled, 0.05 s", "stale, computing", "computing", or nothing
    const std::optional<PlaceReadings> &readings() const { return m_readings; } ///< of what is settled; nothing while they are not known

    static Content untreated(const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise, const FrameEdits &edits = {});

signals:
    void stateChanged();
    void readingsChanged();

protected:
    void showEvent(QShowEvent *event) override;
    void hideEvent(QHideEvent *event) override;

private:
    void request();
    void take(const PaneResult &result);
    void takePart(const PaneResult &result);
    void remember(const PaneResult &result);

    PaneRenderer *m_renderer;
    int m_id;
    Content m_content;
    Look m_look;
    int m_urgency = 0;
    bool m_wantsReadings = false;
    PaneRequest m_wanted;
    quint64 m_shownSerial = 0;
    double m_seconds = 0;
    double m_share = 0; ///< of what is wanted, that is there already
    std::optional<PlaceReadings> m_readings;
    std::deque<PaneResult> m_recent; ///< settled ones, so that a hold comes back at once
};

} // namespace irenic

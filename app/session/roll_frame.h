// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/clean.h"
#include "irenic/decisions.h"
#include "irenic/develop.h"
#include "irenic/guest.h"
#include "irenic/session_file.h"
#include "irenic/spots.h"
#include "session/shared.h"
#include "session/words.h"

#include <QHash>
#include <QImage>
#include <QPoint>
#include <QStringList>

#include <memory>
#include <optional>
#include <vector>

namespace irenic {

inline constexpr int kFirstTrials = 3; ///< that hang when a frame is opened
inline constexpr int kMostTrials = 8;  ///< A to H
inline constexpr int kMostRows = 6;
inline constexpr int kMostSpots = 9; ///< one for each digit

/// A marked place of the upright picture.
struct Spot {
    SpotKind kind = SpotKind::Own;
    QPoint at;
    QString name; ///< empty: called by its kind
    bool operator==(const Spot &) const = default;
    QString words() const;
};

/// Everything that was decided about a frame: what undo restores.
struct Choices {
    std::vector<Treatment> trials;
    int keeper = -1; ///< trial, or -1 while none is chosen
    std::vector<Spot> spots;
    QStringList guestFiles; ///< pinned beside the trials, in this order; whether they can be had now or not
    Rendering rendering;
    Shared<std::vector<Region>> regions; ///< a stroke has thousands of points, and every step of undo holds them
    LensCorrection lens;
    static constexpr int kSeriesByTime = 0, kNoSeries = -1;
    int series = kSeriesByTime; ///< above 0: number of the one that it was put into by hand
    bool operator==(const Choices &) const = default;
};

/// What of it.
enum class ChoicePart {
    Trials = 1,
    Keeper = 2,
    Spots = 4,
    Guests = 8,
    Rendering = 16,
    Regions = 32,
    Lens = 64,
    Series = 128,
};
Q_DECLARE_FLAGS(ChoiceParts, ChoicePart)
Q_DECLARE_OPERATORS_FOR_FLAGS(ChoiceParts)
inline constexpr ChoiceParts kAllParts(0xff);
ChoiceParts differences(const Choices &a, const Choices &b);

/// One frame of the roll.
struct RollFrame : Choices {
    enum class State {
        Reading,
        Ready,
        Resting, ///< as Ready, but its pixels were let go and are read again when it is looked at
        Failed
    };
    QString path;
    State state = State::Reading;
    QString problem;                          ///< why it failed, in a sentence
    std::shared_ptr<const Frame> frame;       ///< there from when it can be looked at, while its noise is still being measured; of a resting one all but its samples
    std::shared_ptr<const NoiseReport> noise; ///< there once Ready
    Suggestion suggestion;
    struct Told {
        Treatment of;
        Shared<std::vector<Region>> regions;
        double db = -1;
    };
    std::optional<Told> nearness;               ///< over the frame, of what it would have been exported with when that was asked; see nearnessDb()
    std::optional<OwnStart> ownStart;           ///< where earlier decisions agree
    std::shared_ptr<const RegionSet> regionSet; ///< of `regions` on `frame`; null where there are none
    QImage thumbnail;
    std::optional<ShootingData> glimpsed;                 ///< of one that is still to be read
    QStringList exported;                                 ///< files written so far
    std::vector<std::shared_ptr<const Guest>> guests;     ///< those of guestFiles that are matched to the frame's pixels; none of a resting one
    QHash<QString, std::shared_ptr<const Guest>> matched; ///< by file; taken-down ones, too, for undo
    std::optional<SavedFrame> saved;                      ///< what a session says about it, until it was read
    bool wasDecided = false;                              ///< by a session, before it was read

    bool isMeasured() const { return state == State::Ready || state == State::Resting; }
    bool isMissing() const { return state == State::Failed && saved; } ///< a session names it, and it is not where it was
    QString name() const;
    const ShootingData *shooting() const; ///< null where nothing is known yet
    QString speedWords() const;           ///< "ISO 6400"; where the file does not say, what kind of picture it is
    QSize pictureSize() const;            ///< upright; empty where there is no frame
    int trialCount() const { return int(trials.size()); }
    FrameEdits edits() const { return {regionSet, lens}; }
    /// What it would be exported with: its keeper, or its suggestion.
    const Treatment &leavesWith() const { return keeper >= 0 ? trials[size_t(keeper)] : suggestion.treatment; }
    bool isNearnessKnown() const { return nearness && nearness->of == leavesWith() && nearness->regions == regions; } ///< or that it cannot be
    double nearnessDb() const { return isNearnessKnown() ? nearness->db : -1; }                                       ///< estimated; below 0 where it is not known
    bool hasLostGuests() const;                                                                                       ///< that are still wanted
    QStringList lostGuests;                                                                                           ///< those of guestFiles that could not be had since the frame was last read
    void bindGuests();                                                                                                ///< makes guests again
    QStringList unmatchedGuests() const;                                                                              ///< that may be tried
    void bindRegions();                                                                                               ///< makes regionSet again where regions or pixels are others
    QString truthFile;                                                                                                ///< the shot without noise that lies beside a frame of the demo roll; empty where there is none
    std::shared_ptr<const Frame> truth() const;                                                                       ///< the same as it hangs on the wall as a guest, or null
    /// The trial with the strengths suggested for its method; the trial itself where there is no frame yet.
    Treatment suggestedFor(int trial) const;
    /// The trial's strengths differ from those.
    bool hasLeftSuggestion(int trial) const { return !(trials[size_t(trial)] == suggestedFor(trial)); }
    bool isAtOwnStart(int trial) const { return ownStart && hasLeftSuggestion(trial) && trials[size_t(trial)] == ownStart->from(suggestedFor(trial)); }
};

} // namespace irenic

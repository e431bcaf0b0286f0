// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/lens.h"
#include "irenic/methods.h"
#include "irenic/regions.h"
#include "irenic/rendering.h"

#include <filesystem>

namespace irenic {

struct SavedSpot {
    std::string kind; ///< SpotKindInfo::id
    int x = 0, y = 0; ///< pixels of the upright picture
    std::string name; ///< empty: called by its kind
    bool operator==(const SavedSpot &) const = default;
};

/// What was decided about a frame.
struct SavedFrame {
    std::filesystem::path file;   ///< as it was opened
    std::filesystem::path beside; ///< the same, seen from the session's folder; found there when the folder was moved as a whole
    bool decided = false;         ///< the rest holds; of a frame that was not read yet it does not
    std::vector<Treatment> trials;
    int keeper = -1;
    std::vector<SavedSpot> spots;
    std::vector<std::filesystem::path> guests;
    Rendering rendering;
    std::vector<Region> regions;
    LensCorrection lens;
    int series = 0; ///< 0: by the times of the exposures; -1: of none; others: that of all with this number
    std::vector<std::filesystem::path> exported;
    bool operator==(const SavedFrame &) const = default;
    /// Where the file is now; empty where it is in neither place.
    std::filesystem::path found(const std::filesystem::path &sessionFolder) const;
};

/// A roll with everything that was decided on it and the way it was looked at.
struct SavedSession {
    std::vector<SavedFrame> frames;
    int current = -1;
    int column = 1;
    double zoom = 0;                                     ///< screen pixels per picture pixel; 0 fits the whole frame
    std::vector<std::array<double, 2>> rows{{0.5, 0.5}}; ///< places, as fractions of the upright picture
    int row = 0;
    double pushEv = 0;
    bool operator==(const SavedSession &) const = default;
};

/// The documented JSON (docs/sessions.md), indented.
std::string sessionText(const SavedSession &session);
/// BadParameter where it is no session, is of a later version, or holds what cannot be.
/// @param from what to call the source in an error
Result<SavedSession> sessionFromText(const std::string &text, const std::string &from);

} // namespace irenic

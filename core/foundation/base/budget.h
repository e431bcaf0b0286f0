// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"
#include "irenic/process.h"

#include <cstdint>
#include <filesystem>

namespace irenic {

/// What reading one file may take, known from its directory or header before anything is allocated.
struct ReadBudget {
    uint64_t fileBytes = 0;

    /// Refuses a picture that is too large for the machine, and one that claims far more pixels than its file could hold of a
    /// photograph: 200 a byte (a JPEG's blocks at the coarsest are 85), or four million in all.
    /// @param bytesAPixel that reading takes at its peak, buffers of the decoder included
    Status allows(const std::filesystem::path &file, uint64_t width, uint64_t height, double bytesAPixel) const;
};

} // namespace irenic

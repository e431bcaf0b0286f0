// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/methods.h"
#include "irenic/noise.h"

#include <filesystem>

namespace irenic {

/// How an exported file was made: in its XMP, in the namespace of docs/exports.md.
struct Provenance {
    std::string version;      ///< of Irenic
    Treatment treatment;      ///< what was done
    std::string askedMethod;  ///< where another method had to stand in for it (see carriedOut()); usually empty
    std::string source;       ///< the original's name
    uint64_t sourceBytes = 0; ///< of the original as it was read
    uint32_t sourceCrc = 0;   ///< its CRC-32 (ISO 3309)
    std::string request;      ///< what was asked for, as whoever asked wrote it; tells whether an export need not be made again
    std::string noise;        ///< what was measured, JSON
    std::string edits;        ///< regions and lens corrections that took part, JSON; empty where none did
    bool operator==(const Provenance &) const = default;
};

/// The provenance of an exported file. NotFound, NotAPicture, or BadParameter where the file tells of none or of settings that this version
/// does not know.
Result<Provenance> readProvenance(const std::filesystem::path &file);

/// Size and CRC-32 of a file; nothing where it cannot be read, or where it was stopped.
std::optional<std::pair<uint64_t, uint32_t>> fingerprintOf(const std::filesystem::path &file, const std::stop_token &stop = {});

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/export.h"
#include "irenic/provenance.h"
#include "storage/atomic_file.h"

namespace irenic {

/// Each writes into a fresh temporary file, reads it back and compares; commit() is the caller's.
Status writeCleanedDng(AtomicFile &file, const Cleaner &cleaner, const NoiseReport &noise, const ExportOptions &options, const Provenance &provenance, CleanCache *cache, const RunContext &run);
Status writeRendered(AtomicFile &file, const Cleaner &cleaner, const ExportOptions &options, const Provenance &provenance, CleanCache *cache, const RunContext &run);

/// The share of an export's time that goes into cleaning, for progress that tells the time: 0..1.
double cleaningShare(const Cleaner &cleaner, ExportFormat format); ///< of an export's time

Error verifyError(const std::filesystem::path &target, const std::string &what);

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/export.h"
#include "irenic/provenance.h"

namespace Exiv2 {
class XmpData;
}

namespace irenic {

Provenance provenanceOf(const Cleaner &cleaner, const NoiseReport &noise, const ExportOptions &options, const std::stop_token &stop);

/// Adds what is to be told; whatever else the XMP holds stays.
void addProvenance(Exiv2::XmpData &xmp, const Provenance &provenance);
/// The same to a packet, which may be empty; one that cannot be read is kept out.
std::string packetWith(const std::string &packet, const Provenance &provenance);

} // namespace irenic

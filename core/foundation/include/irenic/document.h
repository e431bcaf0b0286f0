// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

#include <filesystem>
#include <span>

namespace irenic {

/// The text of a file of one of our formats, called "session" and so on in errors: NotFound where it cannot be read, NotAPicture where it is no
/// plain file, BadParameter where it is too large to be one (64 MB).
Result<std::string> documentText(const std::filesystem::path &file, const std::string &called);

/// Writes a document of our own in place of its last version, which stays whole where that fails: synced under another name first. Qt's QSaveFile does
/// not notice where the disk filled up half-way (6.4).
Status replaceDocument(const std::filesystem::path &file, const std::string &text);

/// Writes a new file, whole or not at all. Taken where the name is, which is never replaced; WriteFailed.
Status writeNewFile(const std::filesystem::path &target, std::span<const std::byte> bytes);

/// Takes away what exports that were killed left in a folder; answers how many files that were. Exports do so themselves.
int sweepUnfinished(const std::filesystem::path &folder);

} // namespace irenic

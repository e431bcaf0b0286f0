// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <filesystem>

namespace irenic {

/// First thing in every program of ours: what a full disk, a quota or a drive that is gone answers is an error that can be told, and does not end
/// the process by a signal.
void prepareProcess();

/// Bytes that the process may take in all, and one file with it: three quarters of the least of the machine's memory, the control group's limit, and half of
/// what the process may address (setrlimit).
uint64_t memoryBudget();

/// Where a file of an installation lies: this, in the folder above the program's own ("bin").
std::filesystem::path besideProgram(const std::filesystem::path &below);

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace irenic {

/// First thing in every program of ours: what a full disk, a quota or a drive that is gone answers is an error that can be told, and does not end
/// the process by a signal.
void prepareProcess();

} // namespace irenic

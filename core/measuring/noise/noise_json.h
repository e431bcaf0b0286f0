// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/json.h"
#include "irenic/noise.h"

#include <span>

namespace irenic {

/// A law in our documents: a pair [a, b] of variance = a x signal + b for each place of the pattern, or each colour.
Json toJson(std::span<const NoiseModel> law);
/// One pair of it, both from 0 to 1; otherwise `of` keeps that its member `key` is wrong.
NoiseModel modelFrom(const JsonReader &pair, const JsonReader &of, const char *key);

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/methods.h"

#include <filesystem>

namespace irenic {

/// A trial's settings under a name, for other frames. Strengths are multiples of each frame's own measured noise.
struct Recipe {
    std::string name;
    Treatment treatment;
    bool operator==(const Recipe &) const = default;
};

/// The documented JSON (docs/recipes.md), indented.
std::string recipeText(const Recipe &recipe);
/// @param from what to call the source in an error
/// BadParameter where it is no recipe, is of a later version, or holds a setting out of range.
Result<Recipe> recipeFromText(const std::string &text, const std::string &from);

/// A recipe file, or a picture that Irenic exported, whose treatment is taken from what it tells of itself.
Result<Recipe> readRecipe(const std::filesystem::path &file);
/// Appears whole or not at all; never replaces a file.
Status writeRecipe(const std::filesystem::path &file, const Recipe &recipe);

} // namespace irenic

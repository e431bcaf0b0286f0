// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/recipe.h"

#include "irenic/export.h"
#include "irenic/parameter.h"
#include "irenic/provenance.h"
#include "irenic/read_frame.h"
#include "irenic/text.h"
#include "methods/treatment_json.h"

namespace irenic {

namespace {

constexpr const char *kRecipeFormat = "irenic-recipe";
constexpr int kRecipeVersion = 1;

} // namespace

std::string recipeText(const Recipe &recipe)
{
    Json j{{"format", kRecipeFormat}, {"version", kRecipeVersion}, {"name", recipe.name}};
    j.update(toJson(recipe.treatment));
    return jsonText(j, 2) + "\n";
}

Result<Recipe> recipeFromText(const std::string &text, const std::string &from)
{
    return fromDocument<Recipe>(text, from, kRecipeFormat, visible("recipe"), kRecipeVersion, [](const JsonReader &json) { return Recipe{json.text("name"), treatmentFrom(json)}; });
}

Result<Recipe> readRecipe(const std::filesystem::path &file)
{
    if (looksLikeRaw(file) || looksRendered(file)) {
        const Result<Provenance> told = readProvenance(file);
        if (!told)
            return told.error();
        return Recipe{textOf(file.stem()), told.value().treatment};
    }
    const Result<std::string> text = documentText(file, visible("recipe"));
    return text ? recipeFromText(text.value(), textOf(file.filename())) : Result<Recipe>(text.error());
}

Status writeRecipe(const std::filesystem::path &file, const Recipe &recipe)
{
    const std::string text = recipeText(recipe);
    return writeNewFile(file, std::as_bytes(std::span(text)));
}

} // namespace irenic

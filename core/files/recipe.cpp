// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/recipe.h"

#include "export/atomic_file.h"
#include "files/json.h"
#include "irenic/frame.h"
#include "irenic/provenance.h"

#include <fstream>
#include <sstream>

namespace irenic {

namespace {

constexpr const char *kFormat = "irenic-recipe";
constexpr int kVersion = 1;

} // namespace

std::string recipeText(const Recipe &recipe)
{
    Json j{{"format", kFormat}, {"version", kVersion}, {"name", recipe.name}};
    j.update(toJson(recipe.treatment));
    return j.dump(2) + "\n";
}

Result<Recipe> recipeFromText(const std::string &text, const std::string &from)
{
    return fromDocument<Recipe>(text, from, kFormat, "recipe", kVersion, [](const JsonReader &json) { return Recipe{json.text("name"), treatmentFrom(json)}; });
}

Result<Recipe> readRecipe(const std::filesystem::path &file)
{
    std::error_code ec;
    if (looksLikeRaw(file) || looksRendered(file)) {
        const Result<Provenance> told = readProvenance(file);
        if (!told)
            return told.error();
        return Recipe{file.stem().string(), told.value().treatment};
    }
    constexpr uintmax_t kMostBytes = 1 << 20;
    if (std::filesystem::file_size(file, ec) > kMostBytes || ec)
        return Error{ec ? ErrorCode::NotFound : ErrorCode::BadParameter, "The recipe " + file.string() + (ec ? " cannot be found." : " is too large to be a recipe."), {}};
    std::ifstream in(file, std::ios::binary);
    std::ostringstream text;
    text << in.rdbuf();
    if (!in)
        return Error{ErrorCode::NotFound, "The recipe " + file.string() + " cannot be read.", {}};
    return recipeFromText(text.str(), file.filename().string());
}

Status writeRecipe(const std::filesystem::path &file, const Recipe &recipe)
{
    Result<AtomicFile> out = AtomicFile::create(file);
    if (!out)
        return out.error();
    const std::string text = recipeText(recipe);
    if (const Status s = out.value().append(std::as_bytes(std::span(text))); !s)
        return s;
    return out.value().commit();
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/recipe.h"

#include "export/atomic_file.h"

#include <nlohmann/json.hpp>

#include <fstream>
#include <sstream>

namespace irenic {

namespace {

constexpr const char *kFormat = "irenic-recipe";
constexpr int kVersion = 1;

Error notARecipe(const std::string &from, const std::string &why)
{
    return {ErrorCode::BadParameter, from + " " + why + "; nothing was changed.", {}};
}

} // namespace

std::string recipeText(const Recipe &recipe)
{
    const Treatment &t = recipe.treatment;
    nlohmann::ordered_json j{{"format", kFormat}, {"version", kVersion}, {"name", recipe.name}, {"method", t.method}, {"luminance", t.luminance}, {"colour", t.colour}};
    if (t.isMixed())
        j["colourMethod"] = t.colourMethod;
    return j.dump(2) + "\n";
}

Result<Recipe> recipeFromText(const std::string &text, const std::string &from)
{
    const auto j = nlohmann::json::parse(text, nullptr, false);
    if (!j.is_object() || j.value("format", nlohmann::json()) != kFormat)
        return notARecipe(from, "is not a recipe");
    if (const auto version = j.value("version", nlohmann::json()); !version.is_number_integer() || version.get<int64_t>() != kVersion)
        return notARecipe(from, "is a recipe of another version of Irenic");
    const auto isText = [&](const char *key) { return j.contains(key) && j[key].is_string(); };
    const auto isNumber = [&](const char *key) { return j.contains(key) && j[key].is_number(); };
    if (!isText("name") || !isText("method") || !isNumber("luminance") || !isNumber("colour") || (j.contains("colourMethod") && !isText("colourMethod")))
        return notARecipe(from, "is a recipe that lacks something");
    const Recipe recipe{j["name"], {j["method"], j["luminance"], j["colour"], j.contains("colourMethod") ? j["colourMethod"].get<std::string>() : std::string()}};
    if (const Status s = validate(recipe.treatment); !s)
        return notARecipe(from, "cannot be used: " + s.error().userMessage);
    return recipe;
}

Result<Recipe> readRecipe(const std::filesystem::path &file)
{
    std::error_code ec;
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

// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/provenance.h"

#include "base/input_file.h"
#include "irenic/recipe.h"
#include "irenic/sentence.h"
#include "irenic/text.h"
#include "lens/lens_json.h"
#include "methods/treatment_json.h"
#include "raw/metadata.h"
#include "regions/regions_json.h"

#include <exiv2/exiv2.hpp>
#include <nlohmann/json.hpp>
#include <zlib.h>

namespace irenic {

namespace {

Error noProvenance(const std::filesystem::path &file, const char *why)
{
    return {ErrorCode::BadParameter, textOf(file.filename()) + " " + why + "; nothing was changed.", {}};
}

std::string noiseText(const NoiseReport &n, FrameKind kind)
{
    Json cells = Json::array();
    for (size_t i = 0; i < (kind == FrameKind::Mosaic ? 4 : 3); ++i)
        cells.push_back({{"a", n.cells[i].shotGain}, {"b", n.cells[i].readVariance}});
    Json j{{"cells", cells}, {"luminanceNoise", n.luminanceNoise}, {"colourNoise", n.colourNoise}, {"midSignal", n.midSignal}};
    if (n.lawFrames > 0)
        j["lawFrames"] = n.lawFrames;
    if (n.mapFrames > 0)
        j["mapFrames"] = n.mapFrames;
    return jsonText(j);
}

/// What was decided for the frame beside the treatment: its regions, and what of the lens was undone.
std::string editsText(const Cleaner &cleaner)
{
    const FrameEdits &e = cleaner.edits();
    Json j = Json::object();
    if (e.regions && !e.regions->regions().empty() && cleaner.treatment().regions)
        j["regions"] = toJson(e.regions->regions());
    if (e.lens.changesSamples() || e.lens.changesPicture())
        j["lens"] = toJson(e.lens);
    return j.empty() ? std::string() : jsonText(j);
}

} // namespace

std::optional<std::pair<uint64_t, uint32_t>> fingerprintOf(const std::filesystem::path &file, const std::stop_token &stop)
{
    uint64_t bytes = 0;
    uLong crc = crc32(0, nullptr, 0);
    const Status read = readInBlocks(file, stop, [&](const char *block, size_t count) {
        bytes += count;
        crc = crc32(crc, reinterpret_cast<const Bytef *>(block), uInt(count));
        return Status();
    });
    return read ? std::optional(std::pair(bytes, uint32_t(crc))) : std::nullopt;
}

Provenance provenanceOf(const Cleaner &cleaner, const NoiseReport &noise, const ExportOptions &options, const std::stop_token &stop)
{
    const Frame &frame = cleaner.frame();
    const auto fingerprint = fingerprintOf(frame.file, stop).value_or(std::pair<uint64_t, uint32_t>{0, 0});
    return {IRENIC_VERSION, cleaner.treatment(), options.askedMethod, textOf(frame.file.filename()), fingerprint.first, fingerprint.second, options.request, noiseText(noise, frame.kind), editsText(cleaner)};
}

void addProvenance(Exiv2::XmpData &xmp, const Provenance &p)
{
    const auto set = [&](const char *name, const std::string &value) { xmp[std::string("Xmp.") + kProvenancePrefix + "." + name] = value; };
    const Treatment &t = p.treatment;
    const auto number = [](double v) { return jsonText(Json(v)); };
    set("Version", p.version);
    set("Method", t.method);
    if (!p.askedMethod.empty())
        set("AskedMethod", p.askedMethod);
    set("ColourMethod", t.isMixed() ? t.colourMethod : t.method);
    set("LuminanceStrength", number(t.luminance));
    set("ColourStrength", number(t.colour));
    set("Recipe", recipeText({p.source, t}));
    if (!p.edits.empty())
        set("FrameEdits", p.edits);
    set("Source", p.source);
    set("SourceBytes", std::to_string(p.sourceBytes));
    set("SourceCrc32", std::to_string(p.sourceCrc));
    set("MeasuredNoise", p.noise);
    if (!p.request.empty())
        set("Request", p.request);
}

std::string packetWith(const std::string &packet, const Provenance &provenance)
{
    prepareXmp();
    Exiv2::XmpData xmp;
    if (!packet.empty() && Exiv2::XmpParser::decode(xmp, packet) != 0)
        xmp.clear();
    addProvenance(xmp, provenance);
    std::string out;
    return Exiv2::XmpParser::encode(out, xmp) == 0 ? out : packet;
}

Result<Provenance> readProvenance(const std::filesystem::path &file)
{
    std::error_code ec;
    if (!std::filesystem::is_regular_file(file, ec))
        return Error{ErrorCode::NotFound, sentence("%1 cannot be found.", {textOf(file)}), {}};
    try {
        const auto image = openMetadata(file);
        const Exiv2::XmpData &xmp = image->xmpData();
        const auto text = [&](const char *name) {
            const auto it = xmp.findKey(Exiv2::XmpKey(std::string("Xmp.") + kProvenancePrefix + "." + name));
            return it == xmp.end() ? std::string() : it->toString();
        };
        if (text("Recipe").empty())
            return noProvenance(file, "does not tell how it was cleaned");
        const Result<Recipe> recipe = recipeFromText(text("Recipe"), textOf(file.filename()));
        if (!recipe)
            return recipe.error();
        const auto whole = [&](const char *name) { return std::strtoull(text(name).c_str(), nullptr, 10); };
        return Provenance{text("Version"), recipe.value().treatment, text("AskedMethod"), text("Source"), whole("SourceBytes"), uint32_t(whole("SourceCrc32")), text("Request"), text("MeasuredNoise"), text("FrameEdits")};
    } catch (const std::exception &) {
        return Error{ErrorCode::NotAPicture, sentence("%1 is no picture whose metadata can be read.", {textOf(file)}), {}};
    }
}

} // namespace irenic

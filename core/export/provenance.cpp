// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/provenance.h"

#include "files/json.h"
#include "irenic/recipe.h"

#include <exiv2/exiv2.hpp>
#include <nlohmann/json.hpp>
#include <zlib.h>

#include <fstream>
#include <mutex>

namespace irenic {

namespace {

constexpr const char *kPrefix = "irenic";

Error noProvenance(const std::filesystem::path &file, const char *why)
{
    return {ErrorCode::BadParameter, file.filename().string() + " " + why + "; nothing was changed.", {}};
}

std::string noiseText(const NoiseReport &n, FrameKind kind)
{
    nlohmann::ordered_json cells = nlohmann::json::array();
    for (size_t i = 0; i < (kind == FrameKind::Mosaic ? 4 : 3); ++i)
        cells.push_back({{"a", n.cells[i].shotGain}, {"b", n.cells[i].readVariance}});
    return nlohmann::ordered_json{{"cells", cells}, {"luminanceNoise", n.luminanceNoise}, {"colourNoise", n.colourNoise}, {"midSignal", n.midSignal}}.dump();
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
    return j.empty() ? std::string() : j.dump();
}

} // namespace

void prepareXmp()
{
    static std::once_flag once;
    std::call_once(once, [] {
        static std::recursive_mutex mutex;
        Exiv2::XmpParser::initialize([](void *m, bool lock) { lock ? static_cast<std::recursive_mutex *>(m)->lock() : static_cast<std::recursive_mutex *>(m)->unlock(); }, &mutex);
        Exiv2::XmpProperties::registerNs(kProvenanceNamespace, kPrefix);
        Exiv2::LogMsg::setLevel(Exiv2::LogMsg::mute); // what matters comes as an exception
    });
}

std::optional<std::pair<uint64_t, uint32_t>> fingerprintOf(const std::filesystem::path &file)
{
    std::ifstream in(file, std::ios::binary);
    if (!in)
        return std::nullopt;
    std::vector<char> buffer(1 << 20);
    uint64_t bytes = 0;
    uLong crc = crc32(0, nullptr, 0);
    while (in) {
        in.read(buffer.data(), std::streamsize(buffer.size()));
        bytes += uint64_t(in.gcount());
        crc = crc32(crc, reinterpret_cast<const Bytef *>(buffer.data()), uInt(in.gcount()));
    }
    return in.bad() ? std::nullopt : std::optional(std::pair(bytes, uint32_t(crc)));
}

Provenance provenanceOf(const Cleaner &cleaner, const NoiseReport &noise, const std::string &request)
{
    const Frame &frame = cleaner.frame();
    const auto fingerprint = fingerprintOf(frame.file).value_or(std::pair<uint64_t, uint32_t>{0, 0});
    return {IRENIC_VERSION, cleaner.treatment(), frame.file.filename().string(), fingerprint.first, fingerprint.second, request, noiseText(noise, frame.kind), editsText(cleaner)};
}

void addProvenance(Exiv2::XmpData &xmp, const Provenance &p)
{
    const auto set = [&](const char *name, const std::string &value) { xmp[std::string("Xmp.") + kPrefix + "." + name] = value; };
    const Treatment &t = p.treatment;
    const auto number = [](double v) { return nlohmann::json(v).dump(); };
    set("Version", p.version);
    set("Method", t.method);
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
        return Error{ErrorCode::NotFound, file.string() + " cannot be found.", {}};
    prepareXmp();
    try {
        const auto image = Exiv2::ImageFactory::open(file.string());
        image->readMetadata();
        const Exiv2::XmpData &xmp = image->xmpData();
        const auto text = [&](const char *name) {
            const auto it = xmp.findKey(Exiv2::XmpKey(std::string("Xmp.") + kPrefix + "." + name));
            return it == xmp.end() ? std::string() : it->toString();
        };
        if (text("Recipe").empty())
            return noProvenance(file, "does not tell how it was cleaned");
        const Result<Recipe> recipe = recipeFromText(text("Recipe"), file.filename().string());
        if (!recipe)
            return recipe.error();
        const auto whole = [&](const char *name) { return std::strtoull(text(name).c_str(), nullptr, 10); };
        return Provenance{text("Version"), recipe.value().treatment, text("Source"), whole("SourceBytes"), uint32_t(whole("SourceCrc32")), text("Request"), text("MeasuredNoise"), text("FrameEdits")};
    } catch (const Exiv2::AnyError &) {
        return Error{ErrorCode::NotAPicture, file.string() + " is no picture whose metadata can be read.", {}};
    }
}

} // namespace irenic

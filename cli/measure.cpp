// SPDX-License-Identifier: GPL-3.0-or-later
#include "commands.h"

#include "irenic/barrier.h"
#include "irenic/camera_book.h"
#include "irenic/nearness.h"
#include "irenic/read_frame.h"

#include <cstdio>

namespace irenic::cli {

namespace {

/// Names of the cells as photographers say them: greens are numbered by the row they share with red (G1) or blue (G2).
std::array<std::string, 4> cellNames(const CfaPattern &cfa)
{
    std::array<std::string, 4> names;
    for (int y = 0; y < 2; ++y) {
        const bool redRow = cfa.at(0, y) == Colour::Red || cfa.at(1, y) == Colour::Red;
        for (int x = 0; x < 2; ++x)
            names[size_t(y * 2 + x)] = cfa.at(x, y) == Colour::Red ? "R" : cfa.at(x, y) == Colour::Blue ? "B"
                                                                       : redRow                         ? "G1"
                                                                                                        : "G2";
    }
    return names;
}

nlohmann::json toJson(const std::string &file, const Frame &frame, const NoiseReport &n)
{
    nlohmann::json noise;
    const bool mosaic = frame.kind == FrameKind::Mosaic;
    const auto names = mosaic ? cellNames(frame.cfa) : std::array<std::string, 4>{"R", "G", "B", ""};
    for (size_t i = 0; i < (mosaic ? 4 : 3); ++i)
        noise[names[i]] = {{"a", n.cells[i].shotGain}, {"b", n.cells[i].readVariance}};
    nlohmann::json bands = nlohmann::json::array();
    for (const BandNoise &b : n.bands)
        bands.push_back({{"sigma", b.sigma}, {"scales", b.scales}});
    nlohmann::json hot = nlohmann::json::array();
    for (const PixelAt &p : n.hotPixels)
        hot.push_back({p.x, p.y});
    nlohmann::json nearness = nlohmann::json::array();
    for (const MethodNearness &m : n.nearness)
        nearness.push_back({{"method", m.method}, {"nearnessDb", m.db}});
    const Suggestion s = suggestTreatment(n);
    return {{"file", textOf(file)}, {"iso", frame.shooting.iso}, {"noise", noise}, {"hotPixels", hot}, {"banding", {{"rows", n.banding.rowSigma}, {"columns", n.banding.columnSigma}}}, {"luminanceNoise", n.luminanceNoise}, {"colourNoise", n.colourNoise}, {"midSignal", n.midSignal}, {"confidence", n.confidence}, {"confidenceReason", n.confidenceReason}, {"kind", mosaic ? "mosaic" : frame.kind == FrameKind::Linear ? "linear"
                                                                                                                                                                                                                                                                                                                                                                                                                               : "rendered"},
            {"pattern", frame.pattern},
            {"bands", bands},
            {"spectrum", n.spectrum ? nlohmann::json{{"scales", n.spectrum->scales}} : nlohmann::json()},
            {"networkShare", n.nearestLuminance >= 0 ? nlohmann::json{{"luminance", n.nearestLuminance}, {"colour", n.nearestColours}} : nlohmann::json()},
            {"maskedSamples", n.maskedSamples},
            {"lawFrames", n.lawFrames},
            {"mapFrames", n.mapFrames},
            {"profileRatio", n.profileRatio},
            {"width", frame.crop.width},
            {"height", frame.crop.height},
            {"camera", frame.shooting.make + " " + frame.shooting.model},
            {"warnings", frame.warnings},
            {"suggestion", {{"method", s.treatment.method}, {"luminance", s.treatment.luminance}, {"colour", s.treatment.colour}, {"reason", s.reason}, {"nearness", nearness}}}};
}

Result<NoiseReport> noiseOf(const std::shared_ptr<const Frame> &frame, const RunContext &run, const std::string &book)
{
    Result<NoiseReport> noise = measureNoise(*frame, run, book.empty() ? KnownCamera() : CameraBook(book).about(*frame));
    if (!noise)
        return noise;
    const Status told = tellNearest(noise.value(), frame, run);
    return told ? std::move(noise) : told.error();
}

} // namespace

int measure(const MeasureArguments &arguments)
{
    const std::vector<std::string> files = withStandardInput(arguments.files);
    if (files.empty()) {
        report("-", {ErrorCode::BadParameter, "No file was named.", {}}, arguments.json);
        return 1;
    }
    int status = 0;
    for (const std::string &file : files) {
        const RunContext run{arguments.threads, {}, {}};
        const auto frame = readFrame(file, run);
        const Result<NoiseReport> noise = frame ? behindBarrier(textOf(file), [&] { return noiseOf(frame.value(), run, arguments.cameraBook); }) : Result<NoiseReport>(frame.error());
        if (!noise) {
            report(file, noise.error(), arguments.json);
            status = 1;
            continue;
        }
        const NoiseReport &n = noise.value();
        if (arguments.json) {
            printLine(toJson(file, *frame.value(), n));
            continue;
        }
        std::printf("%s\n  ISO %g, brightness noise %.1f %%, colour noise %.1f %% of the mid-tone, %zu hot pixels\n  %s\n  %s\n", file.c_str(),
                    frame.value()->shooting.iso, 100 * double(n.luminanceNoise), 100 * double(n.colourNoise), n.hotPixels.size(),
                    n.confidenceReason.c_str(), suggestTreatment(n).reason.c_str());
        if (n.banding.rowSigma > 0 || n.banding.columnSigma > 0)
            std::printf("  Banding: rows %.2f, columns %.2f of the noise in the dark; it is taken off\n", double(n.banding.rowSigma / n.cells[0].sigmaAt(0)),
                        double(n.banding.columnSigma / n.cells[0].sigmaAt(0)));
        for (const std::string &warning : frame.value()->warnings)
            std::printf("  Note: %s\n", warning.c_str());
    }
    return status;
}

} // namespace irenic::cli

// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/noise.h"

#include "base/parallel.h"
#include "frame/linearizer.h"
#include "irenic/measure_noise.h"
#include "irenic/sentence.h"
#include "irenic/text.h"
#include "law/censored.h"
#include "law/line_fit.h"
#include "law/noise_law.h"
#include "noise/band_noise.h"
#include "noise/banding.h"
#include "noise/hot_pixels.h"
#include "noise/mosaic_spectrum.h"
#include "noise/nearest_shares.h"
#include "noise/noise_floor.h"
#include "noise/optical_black.h"
#include "noise/usual_law.h"
#include "raw/tiff_tree.h"

#include <limits>

namespace irenic {

namespace {

constexpr int kMinSidePx = 16;
constexpr float kNothing = std::numeric_limits<float>::quiet_NaN();
constexpr double kTrusted = 0.4;            ///< confidence below which the file's own profile is believed rather than the measurement
constexpr double kAgreement = 1.25;         ///< ratio of sigmas up to which two descriptions agree
constexpr float kLeastReadElectrons = 0.4f; ///< of any sensor that takes photographs; an electron's signal is the slope of its law. A black level that drifts hides the read noise
constexpr double kMeasuredAsWell = 1.05;    ///< ratio of sigmas below which it does not matter which is taken

/// Luminance noise over luminance of an ordinary sensor.
double usualNoise(double signal, double iso)
{
    return double(usualLaw(iso).sigmaAt(float(signal))) / signal;
}

/// The frame's noise in the words a photographer uses, at its median green tone.
void describe(const Frame &frame, NoiseReport &report)
{
    std::vector<float> greens;
    const bool mosaic = frame.kind == FrameKind::Mosaic;
    const Linearizer levels(frame);
    const Rect &a = frame.active;
    const int step = std::max(2, int(std::sqrt(double(a.size().area()) / 40000)) & ~1);
    std::array<double, 3> wb{1 / frame.colour.asShotNeutral[0], 1 / frame.colour.asShotNeutral[1], 1 / frame.colour.asShotNeutral[2]};
    for (int y = a.y; y + 1 < a.bottom(); y += step)
        for (int x = a.x; x + 1 < a.right(); x += step)
            greens.push_back(!mosaic ? levels.linear(x, y, 1) : frame.cfa.at(x, y) == Colour::Green ? levels.linear(x, y)
                                                                                                    : levels.linear(x + 1, y));
    std::nth_element(greens.begin(), greens.begin() + ptrdiff_t(greens.size() / 2), greens.end());
    const double mid = std::max(double(greens[greens.size() / 2]), 0.001);
    report.midSignal = float(mid);
    // A neutral of that green tone: each channel sits at mid x neutral and is multiplied up by its balance.
    std::array<double, 3> variance{};
    for (int c = 0; c < (mosaic ? 4 : 3); ++c) {
        const size_t k = mosaic ? size_t(frame.cfa.cells[size_t(c)]) : size_t(c);
        const double signal = mid * wb[1] / wb[k];
        const double s = double(report.cells[size_t(c)].sigmaAt(float(signal))) * wb[k] / wb[1];
        variance[k] += s * s * (k == 1 && mosaic ? 0.5 : 1.0);
    }
    // Luminance as the mean of the four samples of a cell; colour as the balanced red and blue against it. Full colour is counted
    // alike: its four samples share what demosaicing made of one cell.
    const double luminance = (variance[0] + 2 * variance[1] + variance[2]) / 4;
    const double colour = (variance[0] + variance[2] + variance[1]) / 3 * 1.5;
    report.luminanceNoise = float(std::sqrt(luminance) / mid);
    if (frame.shooting.iso > 0 && report.luminanceNoise > 0)
        report.usualShare = float(std::min(1.0, usualNoise(mid, frame.shooting.iso) / double(report.luminanceNoise)));
    report.colourNoise = float(std::sqrt(colour) / mid);
}

/// What rounding to whole stored numbers alone leaves: a twelfth of a step squared.
double varianceOfRounding(const Frame &frame)
{
    double step = 1.0 / double(frame.levels.white - frame.levels.blackOfCell()[0]);
    if (frame.kind == FrameKind::Rendered) { // the step in the mid-tones; fewer bits are stored spread over sixteen
        const size_t stored = 65535 / ((size_t(1) << std::clamp(frame.shooting.bitDepth, 8, 16)) - 1);
        step = double(frame.encoding->decode[1][32768 + stored] - frame.encoding->decode[1][32768]);
    }
    return step * step / 12;
}

/// The signal below which a mosaic's numbers are missing, since the camera or what converted its file stored none below 0.
std::optional<double> censoredAt(const Frame &frame)
{
    constexpr double kStacked = 0.001; // share of the samples at 0 that dead pixels do not reach
    const auto black = frame.levels.blackOfCell();
    const double lowest = double(*std::min_element(black.begin(), black.end()));
    if (lowest <= 0)
        return 0;
    const Rect &a = frame.active;
    int64_t zeros = 0;
    for (int y = a.y; y < a.bottom(); ++y)
        zeros += std::count(frame.samples.row(y) + a.x, frame.samples.row(y) + a.right(), 0);
    if (double(zeros) < kStacked * double(a.size().area()))
        return std::nullopt;
    return -lowest / (double(frame.levels.white) - lowest);
}

LawInput lawInputOf(const Frame &frame, const Linearizer &levels)
{
    const Rect &a = frame.active;
    LawInput in{a, QuadSampling::fullColour(), {}, varianceOfRounding(frame), false, {}};
    if (frame.kind != FrameKind::Mosaic) {
        in.clippedAtBlack = isCutAtBlack(frame);
        in.values = LawInput::each([&](int x, int y, size_t c) { return frame.samples.at(3 * x + int(c), y) > 0 ? levels.linear(x, y, int(c)) : kNothing; });
        return in;
    }
    // Cells are counted from even places. Samples at stored 0 may have been clipped by the camera; a black level at 0 makes that certain.
    in.area = {a.x + (a.x & 1), a.y + (a.y & 1), a.width - (a.x & 1), a.height - (a.y & 1)};
    in.sampling = QuadSampling::twoByTwo();
    in.censoredAt = censoredAt(frame);
    const int darkest = in.censoredAt ? -1 : 0;
    in.values = LawInput::each([&frame, &levels, darkest](int x, int y, size_t) { return int(frame.samples.at(x, y)) > darkest ? levels.linear(x, y) : kNothing; });
    return in;
}

/// The file's own NoiseProfile (DNG 1.4: scale and offset of the variance, for all planes or one pair each); empty without one.
std::vector<NoiseModel> profileOf(const Frame &frame)
{
    std::vector<NoiseModel> planes;
    if (!frame.source)
        return planes;
    std::vector<double> v = frame.source->raw.numbers(TagNoiseProfile);
    if (v.empty())
        v = frame.source->main.numbers(TagNoiseProfile);
    if (v.size() != 2 && v.size() != 6)
        return planes;
    for (size_t c = 0; c < 3; ++c) {
        const size_t i = v.size() == 6 ? 2 * c : 0;
        if (!(v[i] > 0) || !(v[i + 1] >= 0) || v[i] > 1 || v[i + 1] > 1)
            return {};
        planes.push_back({float(v[i]), float(v[i + 1])});
    }
    return planes;
}

std::string oneDecimal(double v)
{
    return fixedNumber(v, 1);
}

/// Whether a law lower than the measured one may be believed: where texture is everywhere nothing contradicts it; where it is in many places, the calmest tones must agree with it.
Result<bool> floorSupports(const Frame &frame, const std::array<NoiseModel, 4> &lower, double confidence, std::optional<double> censored, const std::optional<BandNoise> &spectrum, const RunContext &run)
{
    constexpr double kTextureEverywhere = 0.5;
    if (confidence < kTextureEverywhere || frame.kind != FrameKind::Mosaic)
        return confidence < kTextureEverywhere;
    const auto points = measureNoiseFloor(frame, lower, censored, spectrum, run);
    if (!points)
        return points.error();
    std::vector<double> ratios;
    for (const FloorPoint &p : points.value())
        if (!reachesBlack(p.mean[0], double(lower[0].sigmaAt(float(p.mean[0]))), censored))
            ratios.push_back(p.ratio);
    std::sort(ratios.begin(), ratios.end());
    return ratios.size() >= 2 && ratios[1] < kAgreement * kAgreement; // not one tone alone
}

size_t greenOf(const Frame &frame)
{
    return frame.kind != FrameKind::Mosaic ? 1 : size_t(std::find(frame.cfa.cells.begin(), frame.cfa.cells.end(), Colour::Green) - frame.cfa.cells.begin());
}

/// Sigma of the mid-tone's green by the measured law over that by another; of a sensor's samples.
double ratioTo(const std::array<NoiseModel, 4> &other, const Frame &frame, const NoiseReport &report)
{
    const float mid = std::clamp(report.midSignal, 0.01f, 0.5f);
    const NoiseModel &measured = frame.beforeColours ? frame.beforeColours->law[1] : report.cells[greenOf(frame)];
    return double(measured.sigmaAt(mid) / other[greenOf(frame)].sigmaAt(mid));
}

/// Takes a law from elsewhere where texture has raised what was measured; true where it did.
Result<bool> takeLower(const std::array<NoiseModel, 4> &other, const std::string &whose, const Frame &frame, std::optional<double> censored, NoiseReport &report, const RunContext &run)
{
    const double ratio = ratioTo(other, frame, report);
    if (ratio <= kMeasuredAsWell || report.confidence >= kSureOfLaw)
        return false;
    const Result<bool> supported = floorSupports(frame, other, report.confidence, censored, report.spectrum, run);
    if (!supported || !supported.value())
        return supported;
    report.cells = other;
    report.confidence = kSureOfLaw;
    report.confidenceReason = sentence("Texture raises what is measured, by %1 times; %2 agrees with the calmest parts and is used.", {oneDecimal(ratio), whose});
    return true;
}

/// The measured law beside the file's own, where the measured one is used.
std::string sayRatio(double ratio)
{
    if (ratio > kAgreement)
        return " " + sentence("It is %1 times what the file says of its camera; the measurement is used.", {oneDecimal(ratio)});
    if (ratio < 1 / kAgreement)
        return " " + sentence("The file says %1 times as much of its camera; the measurement is used.", {oneDecimal(1 / ratio)});
    return " " + sentence("What the file says of its camera agrees.");
}

/// Holds the measured law against the file's own, and takes that where the frame itself says too little, or where texture has raised what it says.
Status crossCheck(const Frame &frame, std::optional<double> censored, NoiseReport &report, const RunContext &run)
{
    const std::vector<NoiseModel> profile = profileOf(frame);
    if (profile.empty())
        return {};
    std::array<NoiseModel, 4> ofCells;
    for (size_t c = 0; c < 4; ++c)
        ofCells[c] = profile[frame.kind == FrameKind::Mosaic ? size_t(frame.cfa.cells[c]) : std::min<size_t>(c, 2)];
    const double ratio = ratioTo(ofCells, frame, report);
    report.profileRatio = float(ratio);
    if (report.lawFrames > 0)
        return {}; // earlier frames of the very camera know better
    if (frame.beforeColours) {
        report.confidenceReason += sayRatio(ratio);
        return {};
    }
    if (report.confidence < kTrusted) {
        report.cells = ofCells;
        report.confidence = kTrusted;
        report.confidenceReason = sentence("Too few smooth areas to measure by; the noise is taken from what the file says of its camera.");
        return {};
    }
    const Result<bool> taken = takeLower(ofCells, sentence("what the file says of its camera"), frame, censored, report, run);
    if (!taken)
        return taken.error();
    if (taken.value())
        return {};
    report.confidenceReason += sayRatio(ratio);
    return {};
}

/// The same with the law of earlier frames, which is never taken where the frame itself holds less: texture only raises what is measured.
Status askEarlierFrames(const Frame &frame, const LawInput &input, const KnownCamera &known, size_t blocks, NoiseReport &report, const RunContext &run)
{
    if (known.lawFrames == 0)
        return {};
    const std::string whose = known.lawFrames == 1 ? sentence("that of an earlier frame of this camera") : sentence("that of %1 earlier frames of this camera", {std::to_string(known.lawFrames)});
    if (input.readVariance) { // the masked border knows the noise in the dark
        const double ratio = std::sqrt(double(known.cells[greenOf(frame)].readVariance) / *input.readVariance);
        if (ratio > kAgreement || ratio < 1 / kAgreement)
            return {};
    }
    if (blocks == 0) {
        report.cells = known.cells;
        report.confidence = kSureOfLaw;
        report.confidenceReason = sentence("Nothing to measure noise by; %1 is used.", {whose});
        report.lawFrames = known.lawFrames;
        return {};
    }
    const Result<bool> taken = takeLower(known.cells, whose, frame, input.censoredAt, report, run);
    if (!taken)
        return taken.error();
    if (taken.value())
        report.lawFrames = known.lawFrames;
    else if (const double ratio = ratioTo(known.cells, frame, report); ratio < kAgreement && ratio > 1 / kAgreement)
        report.confidenceReason += " " + (known.lawFrames == 1 ? sentence("That of an earlier frame of this camera agrees.") : sentence("That of %1 earlier frames of this camera agrees.", {std::to_string(known.lawFrames)}));
    return {};
}

std::string reasonFor(const Frame &frame, size_t blocks, double confidence)
{
    if (blocks == 0)
        return sentence("Every part of the frame is clipped or black; there is nothing to measure noise by.");
    std::string reason = confidence > 0.75       ? sentence("Smooth areas of many tones pin the noise down well.")
                         : confidence > kTrusted ? sentence("Few smooth areas; the noise is measured to within about a fifth.")
                                                 : sentence("Hardly any smooth areas; the measured noise is a guess from the texture's floor.");
    if (frame.kind == FrameKind::Rendered)
        reason += " " + sentence("The file is a finished picture, whose noise is blurred and bent by what was done to it: the raw file would do better.");
    return reason;
}

/// Both greens have one filter and one law; measured a little apart, their means would come back a little apart too, as a
/// mesh of two pixels in deep shadow.
void shareGreenLaw(const CfaPattern &cfa, std::array<NoiseModel, 4> &cells)
{
    NoiseModel green;
    for (size_t c = 0; c < 4; ++c)
        if (cfa.cells[c] == Colour::Green) {
            green.shotGain += cells[c].shotGain / 2;
            green.readVariance += cells[c].readVariance / 2;
        }
    for (size_t c = 0; c < 4; ++c)
        if (cfa.cells[c] == Colour::Green)
            cells[c] = green;
}

/// Texture can only have raised the law. How many directions agree with the floor is how sure it is.
Status lowerToFloor(const Frame &frame, const Linearizer &levels, const LawInput &input, NoiseReport &report, const RunContext &run)
{
    const auto lowered = loweredToFloor(patchInputOf(frame, levels, input.censoredAt, report.spectrum), {report.cells.begin(), report.cells.end()}, input.varianceFloor, input.readVariance, run);
    if (!lowered)
        return lowered.error();
    if (!lowered.value())
        return {};
    std::copy(lowered.value()->cells.begin(), lowered.value()->cells.end(), report.cells.begin());
    report.confidence = lowered.value()->confidence;
    return {};
}

/// Finds out whether neighbours share noise, and what follows from that.
Status readSpectrum(const Frame &frame, std::optional<double> censored, NoiseReport &report, const RunContext &run)
{
    Result<std::optional<BandNoise>> spectrum = measureMosaicSpectrum(frame, report.cells, censored, run);
    if (!spectrum)
        return spectrum.error();
    report.spectrum = spectrum.take();
    report.pointSigma = report.spectrum ? float(sigmaBehindBinomial(*report.spectrum)) : 1;
    return {};
}

/// 1 where the noise of a finished picture is what a sensor can have at its ISO, less where it is more: then it is texture, or was made on purpose. The sensor with the least
/// light is one of a telephone, with 5,000 electrons at ISO 100.
double plausibleAtIso(const Frame &frame, const NoiseReport &report)
{
    constexpr double kFewestElectrons = 5000;
    if (!(frame.shooting.iso > 0) || !(report.luminanceNoise > 0))
        return 1;
    const double most = 1 / std::sqrt(double(report.midSignal) * kFewestElectrons * 100 / frame.shooting.iso);
    return std::min(1.0, std::pow(most / double(report.luminanceNoise), 2));
}

Status largeEnough(const Frame &frame)
{
    if (frame.active.width < kMinSidePx || frame.active.height < kMinSidePx)
        return Error{ErrorCode::BadParameter, sentence("%1 is smaller than 16 x 16 pixels; its noise cannot be measured.", {textOf(frame.file.filename())}), {}};
    return {};
}

/// Luminance noise as measured over the most that sensors usually have at the frame's ISO; 1 where that is not known.
double overUsual(const Frame &frame, const NoiseReport &report)
{
    constexpr double kTimesUsual = 1.4; // sensors of half the size, or of twice the pixels
    if (!(frame.shooting.iso > 0) || !(report.luminanceNoise > 0))
        return 1;
    return double(report.luminanceNoise) / (kTimesUsual * usualNoise(double(report.midSignal), frame.shooting.iso));
}

/// How sure the noise of full colour is: by how much of what calm places hold is noise, and not what is left of texture there, and by whether their energy is as even as noise
/// makes it. More is asked where it is more than sensors usually have: of grass and gravel up to 0.7 passes for noise, of calm pictures 0.9 to 1 is.
double sureOf(double noiseShare, double scatter, double overUsual)
{
    constexpr double kNoShare = 0.05, kMostly = 0.6, kEven = 0.5, kUneven = 0.8;
    const double doubt = std::clamp(2 * (overUsual - 1), 0.0, 1.0);
    const double noise = std::clamp((noiseShare - kNoShare) / (kMostly + doubt * (1 - kMostly) - kNoShare), 0.0, 1.0);
    return std::pow(noise, 1 + doubt) * std::clamp((kUneven - scatter) / (kUneven - kEven), 0.0, 1.0);
}

/// Full colour whose texture cannot be told from noise: the less certain the measurement, the less it may lie above what sensors usually have. True where the law was lowered.
bool lowerToUsual(double overUsual, NoiseReport &report)
{
    const double lowered = std::pow(overUsual, 1 - report.confidence); // in sigma
    if (lowered <= kMeasuredAsWell)
        return false;
    for (NoiseModel &m : report.cells)
        m = {float(m.shotGain / (lowered * lowered)), float(m.readVariance / (lowered * lowered))};
    report.confidenceReason += " " + sentence("At this ISO sensors usually have less; the measurement is lowered, %1 times.", {oneDecimal(lowered)});
    return true;
}

/// Of a six-by-six sensor: what becomes of its noise by demosaicing is read where there is nothing else.
Result<NoiseReport> measureBeforeColours(const Frame &frame, const RunContext &run)
{
    const NoiseBeforeColours &before = *frame.beforeColours;
    const Linearizer levels(*before.alone);
    LawInput input = lawInputOf(*before.alone, levels);
    input.noiseAlone = true;
    const Result<NoiseLaw> law = measureNoiseLaw(input, stage(run, 0, 0.5));
    if (!law)
        return law.error();
    NoiseReport report;
    std::copy(law.value().cells.begin(), law.value().cells.end(), report.cells.begin());
    Result<BandNoises> bands = measureBandNoise(*before.alone, report.cells, Holds::NoiseAlone, stage(run, 0.5, 1));
    if (!bands)
        return bands.error();
    report.bands = std::move(bands.value().bands);
    report.pointSigma = bands.value().pointSigma;
    report.confidence = before.confidence;
    report.beforeColours = true;
    report.hotPixels = before.mended;
    describe(frame, report);
    report.confidenceReason = reasonFor(frame, law.value().blocks, report.confidence);
    if (const Status checked = crossCheck(frame, {}, report, {run.threads, run.stop, {}, run.background}); !checked)
        return checked.error();
    return report;
}

} // namespace

Result<NoiseReport> measureNoise(const Frame &frame, const RunContext &run, const KnownCamera &known, Asked asked)
{
    if (const Status s = largeEnough(frame); !s)
        return s.error();
    if (frame.beforeColours)
        return measureBeforeColours(frame, run);
    const bool mosaic = frame.kind == FrameKind::Mosaic;
    const Linearizer levels(frame);
    const RunContext quiet{run.threads, run.stop, {}, run.background};
    LawInput input = lawInputOf(frame, levels);
    NoiseReport report;
    if (const auto black = measureOpticalBlack(frame)) {
        input.readVariance = std::max(input.varianceFloor, black->readVariance);
        report.maskedSamples = black->samples;
    }
    const Result<NoiseLaw> law = measureNoiseLaw(input, stage(run, 0, mosaic ? 0.4 : 0.6));
    if (!law)
        return law.error();
    std::copy(law.value().cells.begin(), law.value().cells.end(), report.cells.begin());
    report.confidence = law.value().confidence;
    if (mosaic) {
        if (const Status read = readSpectrum(frame, input.censoredAt, report, quiet); !read)
            return read.error();
        if (report.spectrum) { // diagonals are what was read so far
            const double share = shareInDiagonals(*report.spectrum);
            for (NoiseModel &m : report.cells)
                m = {float(m.shotGain / share), float(m.readVariance / share)};
            if (input.readVariance)
                *input.readVariance /= share;
        }
        if (const Status lowered = lowerToFloor(frame, levels, input, report, stage(run, 0.4, 0.6)); !lowered)
            return lowered.error();
        for (NoiseModel &m : report.cells)
            m.readVariance = std::max(m.readVariance, kLeastReadElectrons * kLeastReadElectrons * m.shotGain * m.shotGain);
        shareGreenLaw(frame.cfa, report.cells);
    }
    describe(frame, report); // finds the mid-tone
    if (mosaic) {
        report.confidenceReason = reasonFor(frame, law.value().blocks, report.confidence);
        if (report.spectrum)
            report.confidenceReason += " " + sentence("Neighbouring samples share their noise: it was smoothed, or coded with loss, before it was stored.");
        if (const Status heard = askEarlierFrames(frame, input, known, law.value().blocks, report, quiet); !heard)
            return heard.error();
        if (const Status checked = crossCheck(frame, input.censoredAt, report, quiet); !checked)
            return checked.error();
        Result<Banding> banding = measureBanding(frame, report.cells, stage(run, 0.6, 0.8));
        if (!banding)
            return banding.error();
        report.banding = banding.take();
        Result<std::vector<PixelAt>> hot = findHotPixels(frame, report.cells, stage(run, 0.8, 1), known);
        if (!hot)
            return hot.error();
        report.hotPixels = hot.take();
        std::vector<PixelAt> all; // with those that the file lists
        std::set_union(report.hotPixels.begin(), report.hotPixels.end(), frame.badPixels.begin(), frame.badPixels.end(), std::back_inserter(all), PixelAt::byRow);
        report.hotPixels = std::move(all);
        report.mapFrames = known.mapFrames;
    } else {
        Result<BandNoises> bands = measureBandNoise(frame, report.cells, Holds::Picture, stage(run, 0.6, 0.8));
        if (!bands)
            return bands.error();
        const double over = overUsual(frame, report);
        report.confidence = sureOf(bands.value().noiseShare, law.value().scatter, over) * plausibleAtIso(frame, report);
        report.confidenceReason = reasonFor(frame, law.value().blocks, report.confidence);
        const auto measured = report.cells;
        const bool lowered = lowerToUsual(over, report);
        if (const Status checked = crossCheck(frame, input.censoredAt, report, quiet); !checked)
            return checked.error();
        if (report.cells != measured) { // the spectrum is told in units of the law
            bands = measureBandNoise(frame, report.cells, lowered ? Holds::Texture : Holds::Picture, quiet);
            if (!bands)
                return bands.error();
        }
        report.bands = std::move(bands.value().bands);
        report.pointSigma = bands.value().pointSigma;
    }
    describe(frame, report);
    if (!mosaic && asked == Asked::Everything) {
        const Result<std::optional<NearestShares>> nearest = nearestShares(frame, report, stage(run, 0.8, 1));
        if (!nearest)
            return nearest.error();
        if (const auto &shares = nearest.value()) {
            report.nearestLuminance = shares->luminance, report.nearestColours = shares->colours;
            report.seesNearer = shares->isNearer;
        }
    }
    return report;
}

std::optional<DecidedNoise> DecidedNoise::of(const NoiseReport &report)
{
    if (report.lawFrames == 0 && report.mapFrames == 0)
        return {};
    return DecidedNoise{report.cells, report.hotPixels, report.confidence, report.lawFrames, report.mapFrames};
}

Result<NoiseReport> measureNoise(const Frame &frame, const DecidedNoise &decided, const RunContext &run)
{
    if (frame.kind != FrameKind::Mosaic)
        return measureNoise(frame, run);
    if (const Status s = largeEnough(frame); !s)
        return s.error();
    NoiseReport report;
    report.cells = decided.cells;
    report.hotPixels = decided.hotPixels;
    report.confidence = decided.confidence;
    report.confidenceReason = sentence("The noise is what was decided with the help of earlier frames of this camera.");
    report.lawFrames = decided.lawFrames;
    report.mapFrames = decided.mapFrames;
    if (const Status read = readSpectrum(frame, censoredAt(frame), report, run); !read)
        return read.error();
    Result<Banding> banding = measureBanding(frame, report.cells, run);
    if (!banding)
        return banding.error();
    report.banding = banding.take();
    describe(frame, report);
    return report;
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
// irenic-shoot: the simulated camera.
#include "irenic/camera.h"
#include "option_pages.h"

#include <CLI/CLI.hpp>

#include <cstdio>

using namespace irenic;

namespace {

int fail(const Error &error)
{
    std::fprintf(stderr, "irenic-shoot: %s\n", error.userMessage.c_str());
    return 1;
}

} // namespace

int main(int argc, char **argv)
{
    CLI::App app{"Photographs a clean scene with a simulated sensor and writes a raw DNG whose truth is known.", "irenic-shoot"};
    ShootOptions o;
    std::string scene, out, truth, pattern = "RGGB";
    std::vector<int> cut;
    std::vector<float> blackOffsets;
    bool uncompressed = false;
    app.add_option("scene", scene, "Scene: PFM (linear) or TIFF (float linear, integers sRGB)")->required();
    app.add_option("--out", out, "DNG to write; never replaces a file")->required();
    app.add_option("--iso", o.iso, "Sensitivity, 100 to 204800")->capture_default_str();
    app.add_option("--seed", o.seed, "Same seed, same bits")->capture_default_str();
    app.add_option("--pattern", pattern, "RGGB, BGGR, GRBG, GBRG or six")->capture_default_str();
    app.add_option("--underexpose", o.underexposeEv, "Less light, in EV")->capture_default_str();
    app.add_option("--lens-blur", o.lensBlurPx, "Sigma of the lens's blur in pixels")->capture_default_str();
    app.add_option("--vignetting", o.vignettingEv, "Light lost at the corners, EV")->capture_default_str();
    app.add_option("--lateral-red", o.lateralRed, "By how many thousandths the red image is larger than the green one")->capture_default_str();
    app.add_option("--lateral-blue", o.lateralBlue, "Likewise the blue one")->capture_default_str();
    app.add_option("--bits", o.bits, "12 or 14")->capture_default_str();
    app.add_flag("--uncompressed", uncompressed, "Packed samples instead of lossless JPEG tiles");
    app.add_option("--border", o.borderPx, "Masked columns left and rows above")->capture_default_str();
    app.add_option("--orientation", o.orientation, "Exif orientation, 1 to 8")->capture_default_str();
    app.add_option("--hot", o.hotPixelsPerMillion, "Hot pixels per million")->capture_default_str();
    app.add_option("--warm", o.warmPixelsPerMillion, "Warm pixels per million, of 2 to 8 sigma of the dark")->capture_default_str();
    app.add_option("--sensor-seed", o.sensorSeed, "Decides where bad pixels lie; the seed where it is left out");
    app.add_option("--banding", o.banding, "Row and column offsets, in read-noise sigmas")->capture_default_str();
    app.add_option("--black-offsets", blackOffsets, "Added to the black level of each place of the pattern")->expected(4)->delimiter(',');
    app.add_option("--date", o.dateTime, "Date and time, YYYY:MM:DD HH:MM:SS")->capture_default_str();
    app.add_option("--cut", cut, "Part of the scene: X,Y,W,H")->expected(4)->delimiter(',');
    app.add_option("--truth", truth, "Write STEM.json and STEM.tif with the truth");
    SensorFaults &f = o.faults;
    std::vector<float> drift;
    app.add_option("--corner-blur", o.cornerBlurPx, "Sigma of a blur that comes on top towards the corners, in pixels")->capture_default_str();
    app.add_option("--response-spread", f.responseSpread, "Sigma of the pixels' gains")->capture_default_str();
    app.add_option("--column-spread", f.columnSpread, "Sigma of the columns' gains")->capture_default_str();
    app.add_option("--dark", f.darkElectrons, "Dark current, electrons a pixel")->capture_default_str();
    app.add_option("--glow", f.glowElectrons, "Electrons that the lower right corner glows with")->capture_default_str();
    app.add_option("--black-drift", drift, "How much higher black lies than the file says, by place of the pattern")->expected(4)->delimiter(',');
    app.add_option("--row-drift", f.rowDrift, "How much higher black lies in the last row than in the first, in read-noise sigmas")->capture_default_str();
    app.add_flag("--clipped-black", f.clippedBlack, "Black is taken off before storing; what lies below is lost");
    app.add_option("--companded", f.compandedBits, "Stored through a square-root table of 8 to 12 bits");
    app.add_option("--smoothing", f.smoothing, "Share that each of four neighbours of one colour has in a sample")->capture_default_str();
    app.add_flag("--dual-gain", f.dualGain, "Four times the read noise above an eighth of full scale");
    app.add_option("--green-imbalance", f.greenImbalance, "By how much the greens in rows of blue see more")->capture_default_str();
    app.add_option("--phase-stripes", f.phaseStripes, "Share of the light that every twelfth row loses")->capture_default_str();
    app.add_option("--telegraph", f.telegraphPerMillion, "Flickering pixels per million")->capture_default_str();
    app.add_option("--noisy", f.noisyShare, "Share of the pixels with three times the read noise")->capture_default_str();
    app.add_option("--knee", f.knee, "Signal from which the response bends")->capture_default_str();
    FinishOptions finish;
    std::string finished;
    app.add_option("--finished", finished, "Also the picture that a camera makes of it, .jpg or .tif");
    app.add_option("--quality", finish.quality, "Of that JPEG, 1 to 100")->capture_default_str();
    app.add_option("--contrast", finish.contrast, "Of that picture: how much its curve lowers shadows and raises lights, 0 to 1")->capture_default_str();
    app.add_option("--sharpening", finish.sharpening, "Of that picture, 0 to 3")->capture_default_str();
    app.set_version_flag(
        "--version", [] { return versionText("irenic-shoot"); }, "Print the versions of the program and of its libraries");
    const ProgramPages pages{"photograph a clean scene with a simulated sensor", "", "\\fBirenic\\-cli\\fR(1)"};
    if (const int status = answerPages(app, pages, argc, argv); status >= 0)
        return status;
    CLI11_PARSE(app, argc, argv);
    o.sixBySix = pattern == "six";
    const auto cfa = CfaPattern::fromName(o.sixBySix ? "RGGB" : pattern);
    if (!cfa)
        return fail({ErrorCode::BadParameter, "The pattern must be one of RGGB, BGGR, GRBG, GBRG and six.", {}});
    o.cfa = *cfa;
    o.lossless = !uncompressed;
    if (cut.size() == 4)
        o.cut = {cut[0], cut[1], cut[2], cut[3]};
    if (blackOffsets.size() == 4)
        std::copy(blackOffsets.begin(), blackOffsets.end(), o.blackOffsets.begin());
    if (drift.size() == 4)
        std::copy(drift.begin(), drift.end(), f.blackDrift.begin());
    const Result<Scene> picture = readScene(scene);
    if (!picture)
        return fail(picture.error());
    const Result<Shot> shot = shoot(picture.value(), o);
    if (!shot)
        return fail(shot.error());
    if (const Status s = writeShot(out, shot.value(), o); !s)
        return fail(s.error());
    if (!finished.empty())
        if (const Status s = writeFinished(finished, shot.value(), o, finish); !s)
            return fail(s.error());
    if (!truth.empty())
        if (const Status s = writeTruth(truth, shot.value().truth); !s)
            return fail(s.error());
    return 0;
}

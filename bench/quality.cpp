// SPDX-License-Identifier: GPL-3.0-or-later
#include "benches.h"

#include "irenic/camera.h"
#include "irenic/export.h"
#include "irenic/picture.h"

#include <nlohmann/json.hpp>

#include <cmath>
#include <cstdio>

namespace irenic::bench {

namespace {

/// The camera's file read back, with the truth beside it: what a photographer would have, and what nobody has.
struct Subject {
    std::shared_ptr<const Frame> frame, clean;
    std::shared_ptr<const NoiseReport> noise;
};

Result<Subject> makeSubject(const Scene &scene, int iso, const std::filesystem::path &folder)
{
    ShootOptions o;
    o.iso = iso;
    o.seed = uint64_t(iso);
    const Result<Shot> shot = shoot(scene, o);
    if (!shot)
        return shot.error();
    const auto file = folder / ("irenic-bench-" + std::to_string(iso) + ".dng");
    std::error_code ec;
    std::filesystem::remove(file, ec);
    if (const Status s = writeShot(file, shot.value(), o); !s)
        return s.error();
    const auto frame = readFrame(file);
    std::filesystem::remove(file, ec);
    if (!frame)
        return frame.error();
    Result<NoiseReport> noise = measureNoise(*frame.value());
    if (!noise)
        return noise.error();
    // The truth as a frame of its own, in 16 bits, so that it is developed by the same code.
    auto clean = std::make_shared<Frame>();
    clean->samples.reset(frame.value()->samples.size());
    clean->active = frame.value()->active;
    clean->crop = frame.value()->crop;
    clean->cfa = frame.value()->cfa;
    clean->colour = frame.value()->colour;
    clean->levels.black = {1000};
    clean->levels.white = 61000;
    for (int y = 0; y < clean->samples.height(); ++y)
        for (int x = 0; x < clean->samples.width(); ++x)
            clean->samples.at(x, y) = uint16_t(std::clamp(std::lround(shot.value().truth.clean.at(x, y) * 60000 + 1000), 0l, 65535l));
    return Subject{frame.value(), clean, std::make_shared<const NoiseReport>(noise.take())};
}

struct Score {
    double psnr = 0;
    double ssim = 0;
    double colourError = 0; ///< RMS of the two sRGB colour differences, in 8-bit steps
};

std::vector<float> lumaOf(const RgbImage<uint16_t> &image)
{
    std::vector<float> y(image.samples.size() / 3);
    for (size_t i = 0; i < y.size(); ++i)
        y[i] = (0.299f * image.samples[3 * i] + 0.587f * image.samples[3 * i + 1] + 0.114f * image.samples[3 * i + 2]) / 65535;
    return y;
}

/// Mean structural similarity over 8 x 8 windows at every fourth place (Wang, Bovik, Sheikh and Simoncelli 2004).
double ssimOf(const std::vector<float> &a, const std::vector<float> &b, Size size)
{
    constexpr double c1 = 0.01 * 0.01, c2 = 0.03 * 0.03;
    double total = 0;
    int windows = 0;
    for (int y0 = 0; y0 + 8 <= size.height; y0 += 4)
        for (int x0 = 0; x0 + 8 <= size.width; x0 += 4, ++windows) {
            double sa = 0, sb = 0, saa = 0, sbb = 0, sab = 0;
            for (int y = y0; y < y0 + 8; ++y)
                for (int x = x0; x < x0 + 8; ++x) {
                    const double p = double(a[size_t(y) * size_t(size.width) + size_t(x)]), q = double(b[size_t(y) * size_t(size.width) + size_t(x)]);
                    sa += p;
                    sb += q;
                    saa += p * p;
                    sbb += q * q;
                    sab += p * q;
                }
            const double ma = sa / 64, mb = sb / 64, va = saa / 64 - ma * ma, vb = sbb / 64 - mb * mb, cov = sab / 64 - ma * mb;
            total += (2 * ma * mb + c1) * (2 * cov + c2) / ((ma * ma + mb * mb + c1) * (va + vb + c2));
        }
    return total / windows;
}

Score scoreOf(const RgbImage<uint16_t> &image, const RgbImage<uint16_t> &truth)
{
    double square = 0, colour = 0;
    for (size_t i = 0; i < image.samples.size(); i += 3) {
        double d[3];
        for (size_t c = 0; c < 3; ++c) {
            d[c] = (double(image.samples[i + c]) - double(truth.samples[i + c])) / 65535;
            square += d[c] * d[c];
        }
        const double y = 0.299 * d[0] + 0.587 * d[1] + 0.114 * d[2];
        colour += (d[0] - y) * (d[0] - y) + (d[2] - y) * (d[2] - y);
    }
    const double n = double(image.samples.size());
    return {-10 * std::log10(square / n), ssimOf(lumaOf(image), lumaOf(truth), image.size), 255 * std::sqrt(colour / (n / 3) / 2)};
}

Result<RgbImage<uint16_t>> developed(const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise, const Treatment &t)
{
    const auto linear = developRegion(Cleaner(frame, noise, t), frame->crop, {}, nullptr, {});
    if (!linear)
        return linear.error();
    return encoded16(linear.value());
}

} // namespace

int quality(const QualityArguments &a)
{
    if (!a.json)
        std::printf("| scene | ISO | method | strength | PSNR dB | luma SSIM | colour error | luminance left | colour left |\n|---|---|---|---|---|---|---|---|---|\n");
    for (const std::string &name : a.scenes) {
        const Result<Scene> scene = readScene(name);
        if (!scene) {
            std::fprintf(stderr, "irenic-bench: %s\n", scene.error().userMessage.c_str());
            return 1;
        }
        for (const int iso : a.isos) {
            const auto subject = makeSubject(scene.value(), iso, std::filesystem::temp_directory_path());
            if (!subject) {
                std::fprintf(stderr, "irenic-bench: %s\n", subject.error().userMessage.c_str());
                return 1;
            }
            const auto truth = developed(subject.value().clean, subject.value().noise, {"wavelet", 0, 0});
            for (const MethodInfo &method : methods())
                for (const double strength : a.strengths) {
                    const Treatment t{method.id, strength, strength};
                    const auto image = developed(subject.value().frame, subject.value().noise, t);
                    if (!truth || !image)
                        return 1;
                    const Score s = scoreOf(image.value(), truth.value());
                    const NoiseLeft left = noiseLeftOnFlat(t);
                    const std::string stem = std::filesystem::path(name).stem().string();
                    if (a.json)
                        std::printf("%s\n", nlohmann::json{{"scene", stem}, {"iso", iso}, {"method", method.id}, {"strength", strength}, {"psnr", s.psnr}, {"ssim", s.ssim},
                                                           {"colourError", s.colourError}, {"luminanceLeft", left.luminance}, {"colourLeft", left.colour}}.dump().c_str());
                    else
                        std::printf("| %s | %d | %s | %.2f | %.2f | %.4f | %.2f | %.3f | %.3f |\n", stem.c_str(), iso, method.id, strength, s.psnr, s.ssim, s.colourError, left.luminance, left.colour);
                    std::fflush(stdout);
                }
        }
    }
    return 0;
}

} // namespace irenic::bench

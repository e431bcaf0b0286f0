// SPDX-License-Identifier: GPL-3.0-or-later
#include "benches.h"

#include "irenic/camera.h"
#include "irenic/export.h"
#include "irenic/picture.h"
#include "pipeline/stabiliser.h"
#include "raw/linearizer.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <fstream>
#include <map>
#include <unistd.h>

namespace irenic::bench {

namespace {

/// The camera's file read back, with the truth beside it: what a photographer would have, and what nobody has.
struct Subject {
    std::shared_ptr<const Frame> frame, clean;
    std::shared_ptr<const NoiseReport> noise;
    NoiseModel law; ///< the simulated sensor's own
};

/// Linear samples as a frame of their own, in 16 bits, so that they are developed by the same code.
template <class Sample>
std::shared_ptr<const Frame> frameWith(const Frame &like, const Sample &linear)
{
    auto f = std::make_shared<Frame>();
    f->samples.reset(like.samples.size());
    f->active = like.active;
    f->crop = like.crop;
    f->cfa = like.cfa;
    f->colour = like.colour;
    f->levels.black = {1000};
    f->levels.white = 61000;
    for (int y = 0; y < f->samples.height(); ++y)
        for (int x = 0; x < f->samples.width(); ++x)
            f->samples.at(x, y) = uint16_t(std::clamp(std::lround(linear(x, y) * 60000 + 1000), 0l, 65535l));
    return f;
}

Result<Subject> makeSubject(const Scene &scene, int iso, bool trueLaw, const std::filesystem::path &folder)
{
    ShootOptions o;
    o.iso = iso;
    o.seed = uint64_t(iso);
    const Result<Shot> shot = shoot(scene, o);
    if (!shot)
        return shot.error();
    const auto file = folder / ("irenic-bench-" + std::to_string(getpid()) + ".dng");
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
    if (trueLaw)
        noise.value().cells.fill(shot.value().truth.noise);
    const auto clean = frameWith(*frame.value(), [&](int x, int y) { return shot.value().truth.clean.at(x, y); });
    return Subject{frame.value(), clean, std::make_shared<const NoiseReport>(noise.take()), shot.value().truth.noise};
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

bool writeFloats(const std::filesystem::path &file, const std::vector<float> &values)
{
    std::ofstream out(file, std::ios::binary);
    out.write(reinterpret_cast<const char *>(values.data()), std::streamsize(values.size() * sizeof(float)));
    return bool(out);
}

/// The four packed planes of a frame after the given treatment of its linear samples, one after the other.
template <class Sample>
std::vector<float> packed(const Frame &frame, const Sample &value)
{
    const Rect &a = frame.active;
    std::vector<float> planes;
    for (int cell = 0; cell < 4; ++cell)
        for (int y = cell >> 1; y < (a.height & ~1); y += 2)
            for (int x = cell & 1; x < (a.width & ~1); x += 2)
                planes.push_back(value(a.x + x, a.y + y));
    return planes;
}

/// Lets a program outside clean the packed, variance-stabilised planes (true law), and develops what it gives back. It is
/// called as COMMAND NOISY TRUTH WIDTH HEIGHT FOLDER and leaves NAME.f32 in the folder for every method that it tried, each
/// with its best setting for this frame. The way back is unbiased for planes without noise.
std::map<std::string, RgbImage<uint16_t>> outside(const std::string &command, const Subject &s, const std::filesystem::path &folder)
{
    const Stabiliser stabiliser(s.law);
    const Linearizer noisy(*s.frame), clean(*s.clean);
    std::error_code ec;
    std::filesystem::remove_all(folder, ec);
    std::filesystem::create_directories(folder, ec);
    const int width = s.frame->active.width / 2, height = s.frame->active.height / 2;
    writeFloats(folder / "noisy.in", packed(*s.frame, [&](int x, int y) { return stabiliser.forward(noisy.linear(x, y)); }));
    writeFloats(folder / "truth.in", packed(*s.frame, [&](int x, int y) { return stabiliser.forward(clean.linear(x, y)); }));
    const std::string line = command + " '" + (folder / "noisy.in").string() + "' '" + (folder / "truth.in").string() + "' " + std::to_string(width) + " "
                           + std::to_string(height) + " '" + folder.string() + "'";
    std::map<std::string, RgbImage<uint16_t>> images;
    if (std::system(line.c_str()) != 0)
        return images;
    for (const auto &entry : std::filesystem::directory_iterator(folder, ec)) {
        if (entry.path().extension() != ".f32")
            continue;
        std::vector<float> planes(size_t(width) * size_t(height) * 4);
        std::ifstream(entry.path(), std::ios::binary).read(reinterpret_cast<char *>(planes.data()), std::streamsize(planes.size() * sizeof(float)));
        const Rect &a = s.frame->active;
        const auto result = frameWith(*s.frame, [&](int x, int y) {
            const int u = std::clamp(x - a.x, 0, 2 * width - 1), v = std::clamp(y - a.y, 0, 2 * height - 1);
            return stabiliser.inverse(planes[size_t((u & 1) + 2 * (v & 1)) * size_t(width) * size_t(height) + size_t(v / 2) * size_t(width) + size_t(u / 2)], 1.f);
        });
        if (const auto image = developed(result, s.noise, {"wavelet", 0, 0}))
            images.emplace(entry.path().stem().string(), image.value());
    }
    std::filesystem::remove_all(folder, ec);
    return images;
}

void print(const std::string &scene, int iso, const std::string &method, double strength, const Score &s, NoiseLeft left, bool json)
{
    if (json)
        std::printf("%s\n", nlohmann::json{{"scene", scene}, {"iso", iso}, {"method", method}, {"strength", strength}, {"psnr", s.psnr}, {"ssim", s.ssim},
                                           {"colourError", s.colourError}, {"luminanceLeft", left.luminance}, {"colourLeft", left.colour}}.dump().c_str());
    else
        std::printf("| %s | %d | %s | %.2f | %.2f | %.4f | %.2f | %.3f | %.3f |\n", scene.c_str(), iso, method.c_str(), strength, s.psnr, s.ssim, s.colourError,
                    left.luminance, left.colour);
    std::fflush(stdout);
}

} // namespace

int quality(const QualityArguments &a)
{
    const auto folder = std::filesystem::temp_directory_path() / ("irenic-bench-" + std::to_string(getpid()));
    if (!a.json)
        std::printf("| scene | ISO | method | strength | PSNR dB | luma SSIM | colour error | luminance left | colour left |\n|---|---|---|---|---|---|---|---|---|\n");
    for (const std::string &name : a.scenes) {
        const Result<Scene> scene = readScene(name);
        if (!scene) {
            std::fprintf(stderr, "irenic-bench: %s\n", scene.error().userMessage.c_str());
            return 1;
        }
        for (const int iso : a.isos) {
            const auto subject = makeSubject(scene.value(), iso, a.trueLaw, std::filesystem::temp_directory_path());
            if (!subject) {
                std::fprintf(stderr, "irenic-bench: %s\n", subject.error().userMessage.c_str());
                return 1;
            }
            const auto truth = developed(subject.value().clean, subject.value().noise, {"wavelet", 0, 0});
            const std::string stem = std::filesystem::path(name).stem().string();
            if (!a.outside.empty() && truth)
                for (const auto &[method, image] : outside(a.outside, subject.value(), folder))
                    print(stem, iso, method, 0, scoreOf(image, truth.value()), {}, a.json);
            for (const MethodInfo &method : methods()) {
                if (!a.methods.empty() && std::find(a.methods.begin(), a.methods.end(), method.id) == a.methods.end())
                    continue;
                for (const double strength : a.strengths) {
                    const Treatment t{method.id, strength, strength};
                    const auto image = developed(subject.value().frame, subject.value().noise, t);
                    if (!truth || !image)
                        return 1;
                    const Score s = scoreOf(image.value(), truth.value());
                    print(stem, iso, method.id, strength, s, noiseLeftOnFlat(t), a.json);
                }
            }
        }
    }
    return 0;
}

} // namespace irenic::bench

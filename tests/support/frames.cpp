// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/frames.h"

#include "base/random.h"
#include "camera/bench_camera.h"
#include "irenic/read_frame.h"

#include <QProcess>
#include <QTemporaryDir>

#include <cmath>

namespace irenic::test {

Scene makeScene(Size size)
{
    Scene s{size, std::vector<float>(size_t(size.area()) * 3)};
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            const double u = double(x) / size.width, v = double(y) / size.height;
            double r = 0.1 + 0.7 * u, g = 0.1 + 0.6 * u, b = 0.1 + 0.5 * u; // gradient
            if (v > 0.3 && v < 0.5) {                                       // texture of several scales, edges
                const double t = 0.5 + 0.5 * std::sin(x * 0.9) * std::sin(y * 0.7 + u * 9);
                r *= t;
                g *= t;
                b *= t;
            } else if (v >= 0.5 && v < 0.7) { // patches of strong colour
                static constexpr double patch[5][3] = {{0.7, 0.05, 0.05}, {0.05, 0.6, 0.1}, {0.05, 0.1, 0.6}, {0.7, 0.6, 0.05}, {0.5, 0.5, 0.5}};
                const auto &p = patch[size_t(u * 5) % 5];
                r = p[0];
                g = p[1];
                b = p[2];
            } else if (v >= 0.7) { // darkness with a step in it
                r = u > 0.5 ? 0.012 : 0.004;
                g = r * 0.9;
                b = r * 0.8;
            }
            float *p = s.rgb.data() + (size_t(y) * size_t(size.width) + size_t(x)) * 3;
            p[0] = float(r);
            p[1] = float(g);
            p[2] = float(b);
        }
    return s;
}

Scene flatScene(Size size, float red, float green, float blue)
{
    Scene s{size, std::vector<float>(size_t(size.area()) * 3)};
    for (size_t i = 0; i < s.rgb.size(); i += 3) {
        s.rgb[i] = red;
        s.rgb[i + 1] = green;
        s.rgb[i + 2] = blue;
    }
    return s;
}

Scene slopeScene(Size size)
{
    Scene s = flatScene(size, 0, 0, 0);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            std::fill_n(s.rgb.begin() + (ptrdiff_t(y) * size.width + x) * 3, 3, 0.02f + 0.6f * float(x) / float(size.width));
    return s;
}

Scene leavesScene(Size size)
{
    Scene s{size, std::vector<float>(size_t(size.area()) * 3, 0.2f)};
    const int count = int(size.area() / 8);
    for (int i = 0; i < count; ++i) {
        RandomAt random(7, 99, i, 0);
        const double r = 1.5 / std::sqrt(std::max(random.uniform(), 1e-4)), x = random.uniform() * size.width, y = random.uniform() * size.height;
        const double light = std::min(0.7, 0.15 * std::exp(0.8 * random.gaussian()));
        const std::array<float, 3> colour{float(light * std::exp(0.15 * random.gaussian())), float(light), float(light * std::exp(0.15 * random.gaussian()))};
        for (int v = std::max(0, int(y - r)); v <= std::min(size.height - 1, int(y + r)); ++v)
            for (int u = std::max(0, int(x - r)); u <= std::min(size.width - 1, int(x + r)); ++u)
                if (std::hypot(u + 0.5 - x, v + 0.5 - y) <= r)
                    std::copy(colour.begin(), colour.end(), s.rgb.begin() + (ptrdiff_t(v) * size.width + u) * 3);
    }
    return s;
}

ShootOptions plainShot(int iso)
{
    ShootOptions o;
    o.iso = iso;
    o.hotPixelsPerMillion = 0;
    o.banding = 0;
    return o;
}

std::shared_ptr<const Frame> frameOf(const Shot &shot, const ShootOptions &o)
{
    auto f = std::make_shared<Frame>();
    f->file = "simulated.dng";
    f->samples = shot.samples.clone();
    f->active = f->crop = shot.active;
    f->cfa = o.cfa.shifted(-shot.active.x, -shot.active.y);
    f->levels.repeatRows = f->levels.repeatCols = 2;
    f->levels.black.clear();
    for (const float offset : o.blackOffsets)
        f->levels.black.push_back(float(o.black()) + offset);
    f->levels.white = float(o.white());
    f->colour = benchCameraColour();
    f->shooting.make = "Tarn";
    f->shooting.model = "Tarn Bench-1";
    f->shooting.iso = o.iso;
    f->shooting.bitDepth = o.bits;
    f->orientation = o.orientation;
    return f;
}

Simulated simulate(const Scene &scene, const ShootOptions &options)
{
    Result<Shot> shot = shoot(scene, options);
    Simulated s;
    s.frame = frameOf(shot.value(), options);
    NoiseReport report;
    report.cells.fill(shot.value().truth.noise);
    report.hotPixels = shot.value().truth.hotPixels;
    s.noise = std::make_shared<const NoiseReport>(report);
    s.truth = std::move(shot.value().truth);
    return s;
}

std::shared_ptr<const Frame> cleanFrameOf(const Simulated &simulated)
{
    auto clean = std::make_shared<Frame>(static_cast<const FrameFacts &>(*simulated.frame));
    clean->levels = {1, 1, {1000}, {}, {}, 61000};
    clean->samples.reset(simulated.frame->samples.size());
    for (int y = 0; y < clean->samples.height(); ++y)
        for (int x = 0; x < clean->samples.width(); ++x)
            clean->samples.at(x, y) = uint16_t(std::clamp(std::lround(simulated.truth.clean.at(x, y) * 60000 + 1000), 0l, 65535l));
    return clean;
}

std::shared_ptr<const Frame> wholeFrameOf(const Simulated &simulated, const Scene &scene, const ShootOptions &options)
{
    const Plane<float> colours = colourTruth(scene, options).take();
    auto whole = std::make_shared<Frame>(static_cast<const FrameFacts &>(*simulated.frame));
    whole->kind = FrameKind::Linear;
    whole->levels = {1, 1, {1000, 1000, 1000}, {}, {}, 61000};
    whole->samples.reset(colours.size());
    for (int y = 0; y < colours.height(); ++y)
        for (int x = 0; x < colours.width(); ++x)
            whole->samples.at(x, y) = uint16_t(std::clamp(std::lround(colours.at(x, y) * 60000 + 1000), 0l, 65535l));
    return whole;
}

FullColour simulateFullColour(const Scene &scene, const NoiseModel &law, bool blurred, uint64_t seed)
{
    const Size size = scene.size;
    FullColour s;
    auto f = std::make_shared<Frame>();
    f->file = "full-colour.dng";
    f->kind = FrameKind::Linear;
    f->samples.reset({size.width * 3, size.height});
    f->active = f->crop = {0, 0, size.width, size.height};
    f->levels.black = {1000, 1000, 1000};
    f->levels.white = 61000;
    for (size_t c = 0; c < 3; ++c) {
        s.clean[c].reset(size);
        const Plane<float> white = gaussianPlane({size.width + 2, size.height + 2}, seed * 3 + c);
        static constexpr float tap[3] = {1, 2, 1};
        for (int y = 0; y < size.height; ++y)
            for (int x = 0; x < size.width; ++x) {
                float noise = white.at(x + 1, y + 1);
                if (blurred) {
                    noise = 0;
                    for (int v = 0; v < 3; ++v)
                        for (int u = 0; u < 3; ++u)
                            noise += tap[u] * tap[v] / 6 * white.at(x + u, y + v); // sigma stays 1
                }
                const float signal = scene.at(x, y)[c];
                s.clean[c].at(x, y) = signal;
                f->samples.at(x * 3 + int(c), y) = uint16_t(std::clamp(std::lround((signal + law.sigmaAt(signal) * noise) * 60000 + 1000), 0l, 65535l));
            }
    }
    s.frame = f;
    return s;
}

FinishedPair finishedPair(const Scene &scene, int iso, const QString &name, const FinishOptions &finish)
{
    const QTemporaryDir dir;
    const ShootOptions o = plainShot(iso);
    const Shot shot = shoot(scene, o).take();
    const auto read = [&](const char *prefix, const Shot &of, const FinishOptions &as) {
        const std::string file = dir.filePath(QLatin1String(prefix) + name).toStdString();
        return writeFinished(file, of, o, as) ? std::shared_ptr<const Frame>(readFrame(file).take()) : nullptr;
    };
    FinishOptions hardlyCompressed = finish;
    hardlyCompressed.quality = 100;
    return {read("noisy-", shot, finish), read("clean-", withoutNoise(shot, o), hardlyCompressed)};
}

Plane<float> gaussianPlane(Size size, uint64_t seed, float level)
{
    Plane<float> p(size);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            p.at(x, y) = level + float(RandomAt(seed, 0, x, y).gaussian());
    return p;
}

double meanSquare(PlaneView<const float> a, PlaneView<const float> b, Rect where)
{
    double sum = 0;
    for (int y = where.y; y < where.bottom(); ++y)
        for (int x = where.x; x < where.right(); ++x)
            sum += std::pow(double(a.at(x, y)) - double(b.at(x, y)), 2);
    return sum / double(where.size().area());
}

Ran run(const QString &program, const QStringList &arguments)
{
    QProcess p;
    p.start(QStringLiteral(IRENIC_BIN "/") + program, arguments);
    if (!p.waitForStarted() || !p.waitForFinished(600000))
        return {};
    return {p.exitStatus() == QProcess::NormalExit ? p.exitCode() : -2, p.readAllStandardOutput(), p.readAllStandardError()};
}

QStringList exifOf(const QString &file, const QStringList &tags)
{
    QStringList arguments{QStringLiteral("-s"), QStringLiteral("-n")};
    for (const QString &t : tags)
        arguments << QStringLiteral("-") + t;
    QProcess p;
    p.start(QStringLiteral("exiftool"), arguments << file);
    p.waitForFinished(60000);
    return QString::fromUtf8(p.readAllStandardOutput()).split(u'\n', Qt::SkipEmptyParts);
}

} // namespace irenic::test

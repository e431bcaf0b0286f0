// SPDX-License-Identifier: GPL-3.0-or-later
#include "camera/bench_camera.h"

#include "base/parallel.h"
#include "base/random.h"
#include "colour/colour.h"
#include "raw/six_by_six.h"

#include <tuple>

namespace irenic {

namespace {

enum Stream : uint64_t {
    StreamPixel = 1,
    StreamRow,
    StreamColumn,
    StreamHot,
};

constexpr double kFullWellAtIso100 = 52000;    // electrons
constexpr double kReadNoiseFloor = 1.5;        // electrons, before the amplifier
constexpr double kReadNoiseAfterAmplifier = 9; // electrons at ISO 100, after it

/// Scene colour to camera signal at normal exposure: the scene's white reaches 1 in the channel that sees most of it.
Matrix3 sceneToCamera()
{
    const ColourDescription colour = benchCameraColour();
    const Matrix3 m = multiplied(xyzToCamera(colour, whiteOf(colour)), kSrgbToXyz);
    const Vector3 white = multiplied(m, Vector3{1, 1, 1});
    const double top = std::max({white[0], white[1], white[2]});
    Matrix3 scaled = m;
    for (double &v : scaled)
        v /= top;
    return scaled;
}

/// What falls on the sensor: the cut, blurred by a Gaussian, in scene colours.
Scene throughTheLens(const Scene &scene, Rect cut, double sigma, const RunContext &run)
{
    Scene out{cut.size(), std::vector<float>(size_t(cut.size().area()) * 3)};
    const int reach = int(std::ceil(3 * sigma));
    std::vector<float> kernel(size_t(reach) + 1);
    float sum = 0;
    for (int i = 0; i <= reach; ++i) {
        kernel[size_t(i)] = sigma > 0 ? float(std::exp(-i * i / (2 * sigma * sigma))) : 1.f;
        sum += kernel[size_t(i)] * (i ? 2 : 1);
    }
    for (float &k : kernel)
        k /= sum;
    const auto inScene = [](int i, int size) { return std::clamp(i, 0, size - 1); };
    (void)parallelFor(cut.height, {run.threads, run.stop, {}}, [&](int y) {
        std::vector<float> line(size_t(scene.size.width) * 3, 0.f);
        for (int i = -reach; i <= reach; ++i) {
            const float *row = scene.at(0, inScene(cut.y + y + i, scene.size.height));
            for (size_t k = 0; k < line.size(); ++k)
                line[k] += kernel[size_t(std::abs(i))] * row[k];
        }
        for (int x = 0; x < cut.width; ++x)
            for (size_t c = 0; c < 3; ++c) {
                float v = 0;
                for (int i = -reach; i <= reach; ++i)
                    v += kernel[size_t(std::abs(i))] * line[size_t(inScene(cut.x + x + i, scene.size.width)) * 3 + c];
                out.rgb[(size_t(y) * size_t(cut.width) + size_t(x)) * 3 + c] = v;
            }
    });
    return out;
}

/// Where the lens puts light: colours of slightly different size, and less of it towards the corners.
class Lens
{
public:
    Lens(const Scene &light, const ShootOptions &o)
        : m_light(light), m_middle{(light.size.width - 1) / 2.0, (light.size.height - 1) / 2.0},
          m_corner2(m_middle[0] * m_middle[0] + m_middle[1] * m_middle[1]), m_vignettingEv(o.vignettingEv), m_larger{o.lateralRed * 1e-3, 0, o.lateralBlue * 1e-3}
    {
    }
    /// Scene colour that the given channel sees at a place of the sensor; what lies outside repeats the border.
    Vector3 colourAt(int x, int y, size_t channel) const
    {
        const double dx = x - m_middle[0], dy = y - m_middle[1];
        const double fall = m_vignettingEv == 0 ? 1 : std::exp2(-m_vignettingEv * (dx * dx + dy * dy) / m_corner2);
        if (m_larger[channel] == 0)
            return scaled(m_light.at(x, y), fall);
        const double sx = std::clamp(m_middle[0] + dx / (1 + m_larger[channel]), 0.0, m_light.size.width - 1.001);
        const double sy = std::clamp(m_middle[1] + dy / (1 + m_larger[channel]), 0.0, m_light.size.height - 1.001);
        const int ix = int(sx), iy = int(sy);
        const double fx = sx - ix, fy = sy - iy;
        Vector3 sum{};
        for (const auto &[u, v, w] : {std::tuple{0, 0, (1 - fx) * (1 - fy)}, {1, 0, fx * (1 - fy)}, {0, 1, (1 - fx) * fy}, {1, 1, fx * fy}})
            for (size_t c = 0; c < 3; ++c)
                sum[c] += w * double(m_light.at(ix + u, iy + v)[c]) * fall;
        return sum;
    }

private:
    static Vector3 scaled(const float *rgb, double by) { return {double(rgb[0]) * by, double(rgb[1]) * by, double(rgb[2]) * by}; }
    const Scene &m_light;
    std::array<double, 2> m_middle;
    double m_corner2, m_vignettingEv;
    std::array<double, 3> m_larger;
};

Status checkOptions(const ShootOptions &o)
{
    const auto refuse = [](const char *what) { return Error{ErrorCode::BadParameter, what, {}}; };
    if (o.iso < 100 || o.iso > 204800)
        return refuse("The ISO must lie between 100 and 204800.");
    if (o.bits != 12 && o.bits != 14)
        return refuse("The camera stores 12 or 14 bits.");
    if (o.borderPx < 0 || o.borderPx > 512)
        return refuse("The masked border must lie between 0 and 512 pixels.");
    if (o.orientation < 1 || o.orientation > 8)
        return refuse("The orientation must lie between 1 and 8.");
    if (!(o.lensBlurPx >= 0 && o.lensBlurPx <= 3))
        return refuse("The blur of the lens must lie between 0 and 3 pixels.");
    if (!(o.vignettingEv >= 0 && o.vignettingEv <= 5))
        return refuse("The vignetting must lie between 0 and 5 EV.");
    if (!(std::abs(o.lateralRed) <= 5 && std::abs(o.lateralBlue) <= 5))
        return refuse("Lateral aberration must lie between -5 and 5 thousandths.");
    if (!o.sixBySix && !o.cfa.isBayer())
        return refuse("The pattern must be one of RGGB, BGGR, GRBG, GBRG and six.");
    return {};
}

} // namespace

Colour ShootOptions::colourAt(int x, int y) const
{
    return sixBySix ? Colour(kBenchSixBySix[size_t(y % 6 * 6 + x % 6)]) : cfa.at(x, y);
}

ColourDescription benchCameraColour()
{
    ColourDescription c;
    c.illuminants = {17, 21};
    c.colourMatrix[0] = Matrix3{0.7985, -0.2810, -0.0512, -0.4021, 1.1803, 0.2604, -0.0498, 0.1402, 0.5610};
    c.colourMatrix[1] = Matrix3{0.7203, -0.1811, -0.0804, -0.4198, 1.2005, 0.2397, -0.0603, 0.1602, 0.6207};
    c.asShotNeutral = {1, 1, 1};
    // Balance for 4700 K, so that lamplight stays warm; the matrices depend on the white, the white is given here.
    const Chromaticity white{0.3539, 0.3607};
    const Vector3 n = multiplied(xyzToCamera(c, white), xyzOf(white));
    c.asShotNeutral = {std::round(n[0] / n[1] * 1e6) / 1e6, 1, std::round(n[2] / n[1] * 1e6) / 1e6};
    return c;
}

Result<Shot> shoot(const Scene &scene, const ShootOptions &o, const RunContext &run)
{
    if (const Status s = checkOptions(o); !s)
        return s.error();
    const Rect cut = o.cut.isEmpty() ? Rect{0, 0, scene.size.width, scene.size.height} : o.cut;
    if (!Rect{0, 0, scene.size.width, scene.size.height}.contains(cut) || cut.width < 16 || cut.height < 16)
        return Error{ErrorCode::BadParameter, "The cut lies outside the scene or is smaller than 16 x 16 pixels.", {}};
    const double white = o.bits == 14 ? kCameraWhite14 : 4095, black = o.bits == 14 ? kCameraBlack14 : 128;
    const double range = white - black; // offsets shift black alone; the law is stated for this range
    Shot shot;
    shot.active = {o.borderPx, o.borderPx, cut.width, cut.height};
    const Size size{cut.width + o.borderPx, cut.height + o.borderPx};
    ShotTruth &t = shot.truth;
    t.fullWellElectrons = kFullWellAtIso100 * 100 / o.iso;
    t.readNoiseElectrons = std::hypot(kReadNoiseFloor, kReadNoiseAfterAmplifier * 100 / o.iso);
    const double readSignal = t.readNoiseElectrons / t.fullWellElectrons;
    t.noise = {float(1 / t.fullWellElectrons), float(readSignal * readSignal + 1 / (12 * range * range))};
    t.clean = Plane<float>(size, 0.f);
    shot.samples.reset(size);
    const Matrix3 toCamera = sceneToCamera();
    const double exposure = std::exp2(-o.underexposeEv);
    const double hotChance = o.hotPixelsPerMillion * 1e-6, warmChance = o.warmPixelsPerMillion * 1e-6;
    std::vector<std::vector<std::pair<PixelAt, float>>> hot(size_t(size.height));
    const Scene light = throughTheLens(scene, cut, o.lensBlurPx, run);
    const Lens lens(light, o);
    const Status done = parallelFor(size.height, run, [&](int y) {
        const double rowOffset = RandomAt(o.seed, StreamRow, 0, y).gaussian() * o.banding * readSignal;
        for (int x = 0; x < size.width; ++x) {
            const int ax = x - o.borderPx, ay = y - o.borderPx;
            double signal = 0;
            if (ax >= 0 && ay >= 0) {
                const size_t channel = size_t(o.colourAt(ax, ay));
                signal = std::max(0.0, multiplied(toCamera, lens.colourAt(ax, ay, channel))[channel]) * exposure;
                t.clean.at(x, y) = float(signal);
            }
            RandomAt random(o.seed, StreamPixel, x, y);
            double v = random.poisson(signal * t.fullWellElectrons) / t.fullWellElectrons + random.gaussian() * readSignal;
            v += rowOffset + RandomAt(o.seed, StreamColumn, x, 0).gaussian() * o.banding * readSignal;
            RandomAt chance(o.sensorSeed.value_or(o.seed), StreamHot, x, y);
            const double fate = ax >= 0 && ay >= 0 ? chance.uniform() : 1;
            if (fate < hotChance + warmChance) {
                // Dark current has a long tail: from 8 to some 200 sigma of the dark; warm pixels lie below.
                const float extra = float(readSignal * (fate < hotChance ? 8 * std::pow(25.0, chance.uniform()) : 2 * std::pow(4.0, chance.uniform())));
                v += extra;
                hot[size_t(y)].push_back({{x, y}, extra});
            }
            const float offset = o.blackOffsets[size_t((ax & 1) + 2 * (ay & 1))];
            shot.samples.at(x, y) = uint16_t(std::clamp(std::floor(v * range + black + offset + 0.5), 0.0, white));
        }
    });
    if (!done)
        return done.error();
    for (const auto &row : hot)
        for (const auto &[at, extra] : row) {
            t.hotPixels.push_back(at);
            t.hotSignal.push_back(extra);
        }
    return shot;
}

} // namespace irenic

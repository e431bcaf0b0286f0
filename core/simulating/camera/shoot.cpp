// SPDX-License-Identifier: GPL-3.0-or-later
#include "camera/bench_camera.h"

#include "base/parallel.h"
#include "base/random.h"
#include "colour/colour.h"
#include "raw/six_by_six.h"

#include <algorithm>
#include <tuple>

namespace irenic {

namespace {

enum Stream : uint64_t {
    StreamPixel = 1,
    StreamRow,
    StreamColumn,
    StreamHot,
    StreamResponse,
    StreamColumnGain,
    StreamTelegraph,
    StreamNoisy,
    StreamMoment,
};

constexpr double kFullWellAtIso100 = 52000;    // electrons
constexpr double kReadNoiseFloor = 1.5;        // electrons, before the amplifier
constexpr double kReadNoiseAfterAmplifier = 9; // electrons at ISO 100, after it
constexpr double kDualGainFrom = 1.0 / 8, kDualGainRead = 4;
constexpr int kPhaseRow = 12;
constexpr double kNoisyRead = 3;

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

    /// 0 in the middle, 1 at the corners; grows with the square of the distance.
    double outward(int x, int y) const { return (std::pow(x - m_middle[0], 2) + std::pow(y - m_middle[1], 2)) / m_corner2; }

private:
    static Vector3 scaled(const float *rgb, double by) { return {double(rgb[0]) * by, double(rgb[1]) * by, double(rgb[2]) * by}; }
    const Scene &m_light;
    std::array<double, 2> m_middle;
    double m_corner2, m_vignettingEv;
    std::array<double, 3> m_larger;
};

Vector3 mixed(const Vector3 &a, const Vector3 &b, double share)
{
    return {a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share, a[2] + (b[2] - a[2]) * share};
}

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
    const SensorFaults &f = o.faults;
    const auto within = [](double v, double low, double high) { return v >= low && v <= high; };
    if (!within(o.cornerBlurPx, 0, 3))
        return refuse("The blur of the corners must lie between 0 and 3 pixels.");
    if (!within(f.responseSpread, 0, 0.1) || !within(f.columnSpread, 0, 0.1) || !within(f.greenImbalance, -0.1, 0.1))
        return refuse("Gains must not differ by more than a tenth.");
    if (!within(f.darkElectrons, 0, 1000) || !within(f.glowElectrons, 0, 100000))
        return refuse("The dark current must lie between 0 and 1000 electrons, the glow between 0 and 100000.");
    if (!std::all_of(f.blackDrift.begin(), f.blackDrift.end(), [&](float v) { return within(double(v), -100, 100); }) || !within(f.rowDrift, -10, 10))
        return refuse("The drift of black must lie between -100 and 100 stored numbers, and between -10 and 10 sigmas from the first row to the last.");
    if (f.compandedBits != 0 && !within(f.compandedBits, 8, 12))
        return refuse("A square-root table has 8 to 12 bits.");
    if (!within(f.smoothing, 0, 0.2) || !within(f.phaseStripes, 0, 0.5) || !within(f.noisyShare, 0, 0.1) || !within(f.telegraphPerMillion, 0, 1e5))
        return refuse("Smoothing must lie between 0 and 0.2, stripes between 0 and 0.5, noisy pixels between 0 and 0.1, flickering ones below 100,000 in a million.");
    if (!within(f.knee, 0.3, 1))
        return refuse("The knee must lie between 0.3 and 1.");
    if (!o.sixBySix && !o.cfa.isBayer())
        return refuse("The pattern must be one of RGGB, BGGR, GRBG, GBRG and six.");
    return {};
}

/// Light in, numbers out: one pixel at a time, each by its own place and the seeds.
class Sensor
{
public:
    Sensor(const ShootOptions &o, Size size, ShotTruth &t)
        : m_o(o), m_f(o.faults), m_size(size), m_sensorSeed(o.sensorSeed.value_or(o.seed)), m_fullWell(kFullWellAtIso100 * 100 / o.iso), m_read(std::hypot(kReadNoiseFloor, kReadNoiseAfterAmplifier * 100 / o.iso) / m_fullWell)
    {
        const double range = o.white() - o.black(); // offsets shift black alone; the law is stated for this range
        t.fullWellElectrons = m_fullWell;
        t.readNoiseElectrons = m_read * m_fullWell;
        t.noise = {float(1 / m_fullWell), float(m_read * m_read + m_f.darkElectrons / (m_fullWell * m_fullWell) + 1 / (12 * range * range))};
        for (int i = 0; i <= kCurveSteps; ++i) {
            const double s = std::pow(double(i) / kCurveSteps, 2);
            t.curve.emplace_back(float(s), float(varianceAt(s)));
        }
    }
    /// What the response makes of light.
    double bent(double signal) const { return signal <= m_f.knee || m_f.knee >= 1 ? signal : m_f.knee + (1 - m_f.knee) * (1 - std::exp(-(signal - m_f.knee) / (1 - m_f.knee))); }
    /// What a whole row lies too high, its share of the slow drift with it.
    double rowOffset(int y) const { return RandomAt(m_o.seed, StreamRow, 0, y).gaussian() * m_o.banding * m_read + m_f.rowDrift * m_read * y / m_size.height; }
    /// The linear value that is read at a place of the stored samples.
    /// @param rowOffset of rowOffset(y)
    double read(double light, int x, int y, double rowOffset) const
    {
        const int ax = x - m_o.borderPx, ay = y - m_o.borderPx;
        const bool masked = ax < 0 || ay < 0;
        double lit = light;
        if (m_f.responseSpread > 0)
            lit *= 1 + m_f.responseSpread * RandomAt(m_sensorSeed, StreamResponse, x, y).gaussian();
        if (m_f.columnSpread > 0)
            lit *= 1 + m_f.columnSpread * RandomAt(m_sensorSeed, StreamColumnGain, x, 0).gaussian();
        if (m_f.greenImbalance != 0 && !masked && m_o.colourAt(ax, ay) == Colour::Green && m_o.colourAt(ax + 1, ay) == Colour::Blue)
            lit *= 1 + m_f.greenImbalance;
        if (m_f.phaseStripes > 0 && ay % kPhaseRow == 0)
            lit *= 1 - m_f.phaseStripes;
        double electrons = lit * m_fullWell + m_f.darkElectrons;
        if (m_f.glowElectrons > 0 && !masked)
            electrons += m_f.glowElectrons * std::exp(-std::hypot(m_size.width - x, m_size.height - y) / (0.1 * std::hypot(m_size.width, m_size.height)));
        double read = m_read * (m_f.dualGain && light > kDualGainFrom ? kDualGainRead : 1);
        if (m_f.noisyShare > 0 && RandomAt(m_sensorSeed, StreamNoisy, x, y).uniform() < m_f.noisyShare)
            read *= kNoisyRead;
        RandomAt random(m_o.seed, StreamPixel, x, y);
        double v = (random.poisson(std::max(0.0, electrons)) - m_f.darkElectrons) / m_fullWell + random.gaussian() * read;
        v += rowOffset + RandomAt(m_o.seed, StreamColumn, x, 0).gaussian() * m_o.banding * m_read;
        return bent(v);
    }
    /// What a bad pixel adds; 0 of a good one. The border's are left out.
    float extra(int x, int y) const
    {
        if (x < m_o.borderPx || y < m_o.borderPx)
            return 0;
        RandomAt chance(m_sensorSeed, StreamHot, x, y);
        const double hot = m_o.hotPixelsPerMillion * 1e-6, warm = m_o.warmPixelsPerMillion * 1e-6, fate = chance.uniform();
        if (fate >= hot + warm)
            return m_f.telegraphPerMillion > 0 ? telegraph(x, y) : 0;
        // Dark current has a long tail: from 8 to some 200 sigma of the dark; warm pixels lie below.
        return float(m_read * (fate < hot ? 8 * std::pow(25.0, chance.uniform()) : 2 * std::pow(4.0, chance.uniform())));
    }

private:
    static constexpr int kCurveSteps = 64;
    float telegraph(int x, int y) const
    {
        RandomAt fate(m_sensorSeed, StreamTelegraph, x, y);
        if (fate.uniform() >= m_f.telegraphPerMillion * 1e-6 || RandomAt(m_o.seed, StreamMoment, x, y).uniform() < 0.5)
            return 0;
        const double size = m_read * 3 * std::pow(4.0, fate.uniform());
        return float(fate.uniform() < 0.5 ? -size : size);
    }
    double varianceAt(double signal) const
    {
        const double range = m_o.white() - m_o.black(), read = m_read * (m_f.dualGain && signal > kDualGainFrom ? kDualGainRead : 1);
        double v = signal / m_fullWell + read * read + m_f.darkElectrons / (m_fullWell * m_fullWell) + std::pow(m_f.responseSpread * signal, 2);
        v *= std::pow(1 - 4 * m_f.smoothing, 2) + 4 * m_f.smoothing * m_f.smoothing;
        if (m_f.knee < 1 && signal > m_f.knee) { // signal is what was bent: its slope there
            const double slope = std::max(0.0, (1 - signal) / (1 - m_f.knee));
            const double light = m_f.knee - (1 - m_f.knee) * std::log(std::max(slope, 1e-6));
            v = (light / m_fullWell + read * read) * slope * slope;
        }
        double step = 1 / range;
        if (m_f.compandedBits > 0) // of n^2: twice the root
            step = 2 * std::sqrt((signal * range + m_o.black()) * m_o.white()) / (((1 << m_f.compandedBits) - 1) * range);
        return v + std::max(step, 1 / range) * std::max(step, 1 / range) / 12;
    }
    const ShootOptions &m_o;
    const SensorFaults &m_f;
    Size m_size;
    uint64_t m_sensorSeed;
    double m_fullWell, m_read;
};

/// Every linear value with its nearest neighbours of one colour in it, as some cameras store them.
template <class T>
void smooth(Plane<T> &values, double share)
{
    const Plane<T> from = values.clone();
    const auto inside = [](int i, int size) { return i < 0 ? i + 4 : i >= size ? i - 4
                                                                               : i; };
    for (int y = 0; y < values.height(); ++y)
        for (int x = 0; x < values.width(); ++x) {
            const int left = inside(x - 2, values.width()), right = inside(x + 2, values.width()), up = inside(y - 2, values.height()), down = inside(y + 2, values.height());
            values.at(x, y) = T(double(from.at(x, y)) * (1 - 4 * share) + share * double(from.at(left, y) + from.at(right, y) + from.at(x, up) + from.at(x, down)));
        }
}

} // namespace

Shot withoutNoise(const Shot &shot, const ShootOptions &options)
{
    ShootOptions plain = options;
    plain.faults = {};
    Shot silent{Plane<uint16_t>(shot.samples.size()), shot.active, {}};
    for (int y = 0; y < silent.samples.height(); ++y)
        for (int x = 0; x < silent.samples.width(); ++x)
            silent.samples.at(x, y) = uint16_t(std::lround(std::min(1.0, double(shot.truth.clean.at(x, y))) * (plain.white() - plain.black()) + plain.black()));
    return silent;
}

int ShootOptions::black() const
{
    return faults.clippedBlack ? 0 : bits == 14 ? kCameraBlack14
                                                : 128;
}

int ShootOptions::white() const
{
    const int black = bits == 14 ? kCameraBlack14 : 128, white = bits == 14 ? kCameraWhite14 : 4095;
    return faults.clippedBlack ? white - black : white;
}

std::vector<uint16_t> compandingTable(const ShootOptions &o)
{
    std::vector<uint16_t> table(o.faults.compandedBits > 0 ? size_t(1) << o.faults.compandedBits : 0);
    for (size_t i = 0; i < table.size(); ++i)
        table[i] = uint16_t(std::lround(o.white() * std::pow(double(i) / double(table.size() - 1), 2)));
    return table;
}

size_t compandedCode(const std::vector<uint16_t> &table, uint16_t value)
{
    const auto above = std::lower_bound(table.begin(), table.end(), value);
    if (above == table.end())
        return table.size() - 1;
    return size_t(above - table.begin()) - (above != table.begin() && value - *(above - 1) < *above - value ? 1 : 0);
}

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
    Shot shot;
    shot.active = {o.borderPx, o.borderPx, cut.width, cut.height};
    const Size size{cut.width + o.borderPx, cut.height + o.borderPx};
    ShotTruth &t = shot.truth;
    const Sensor sensor(o, size, t);
    t.clean = Plane<float>(size, 0.f);
    shot.samples.reset(size);
    const Matrix3 toCamera = sceneToCamera();
    const double exposure = std::exp2(-o.underexposeEv), white = o.white(), range = white - o.black();
    const std::vector<uint16_t> table = compandingTable(o);
    const auto stored = [&](double v, int x, int y) {
        const size_t cell = size_t(((x - o.borderPx) & 1) + 2 * ((y - o.borderPx) & 1));
        const double black = o.black() + double(o.blackOffsets[cell]) + double(o.faults.blackDrift[cell]);
        const auto number = uint16_t(std::clamp(std::floor(v * range + black + 0.5), 0.0, white));
        return table.empty() ? number : table[compandedCode(table, number)];
    };
    std::vector<std::vector<std::pair<PixelAt, float>>> hot(size_t(size.height));
    Plane<double> kept;
    if (o.faults.smoothing > 0)
        kept.reset(size);
    const Scene lit = throughTheLens(scene, cut, o.lensBlurPx, run);
    const Scene corners = o.cornerBlurPx > 0 ? throughTheLens(scene, cut, std::hypot(o.lensBlurPx, o.cornerBlurPx), run) : Scene();
    const Lens lens(lit, o), lensOfCorners(o.cornerBlurPx > 0 ? corners : lit, o);
    const Status done = parallelFor(size.height, run, [&](int y) {
        const double rowOffset = sensor.rowOffset(y);
        for (int x = 0; x < size.width; ++x) {
            const int ax = x - o.borderPx, ay = y - o.borderPx;
            double light = 0;
            if (ax >= 0 && ay >= 0) {
                const size_t channel = size_t(o.colourAt(ax, ay));
                Vector3 colour = lens.colourAt(ax, ay, channel);
                if (o.cornerBlurPx > 0)
                    colour = mixed(colour, lensOfCorners.colourAt(ax, ay, channel), lens.outward(ax, ay));
                light = std::max(0.0, multiplied(toCamera, colour)[channel]) * exposure;
                t.clean.at(x, y) = float(sensor.bent(light));
            }
            double v = sensor.read(light, x, y, rowOffset);
            if (const float extra = sensor.extra(x, y); extra != 0) {
                v += double(extra);
                hot[size_t(y)].push_back({{x, y}, extra});
            }
            if (o.faults.smoothing > 0)
                kept.at(x, y) = v;
            else
                shot.samples.at(x, y) = stored(v, x, y);
        }
    });
    if (!done)
        return done.error();
    if (o.faults.smoothing > 0) {
        smooth(kept, o.faults.smoothing);
        smooth(t.clean, o.faults.smoothing);
        for (int y = 0; y < size.height; ++y)
            for (int x = 0; x < size.width; ++x)
                shot.samples.at(x, y) = stored(kept.at(x, y), x, y);
    }
    for (const auto &row : hot)
        for (const auto &[at, extra] : row) {
            t.hotPixels.push_back(at);
            t.hotSignal.push_back(extra);
        }
    return shot;
}

Result<Plane<float>> colourTruth(const Scene &scene, const ShootOptions &options, const RunContext &run)
{
    Plane<float> all;
    // Through each of the four places of the pattern: every pixel is red once, blue once, and green.
    for (int i = 0; i < 4; ++i) {
        ShootOptions o = options;
        o.sixBySix = false;
        o.cfa = CfaPattern{}.shifted(i & 1, i >> 1);
        const Result<Shot> shot = shoot(scene, o, run);
        if (!shot)
            return shot.error();
        const Plane<float> &clean = shot.value().truth.clean;
        if (i == 0)
            all = Plane<float>({3 * clean.width(), clean.height()}, 0.f);
        for (int y = shot.value().active.y; y < shot.value().active.bottom(); ++y)
            for (int x = shot.value().active.x; x < shot.value().active.right(); ++x)
                all.at(3 * x + int(o.colourAt(x - shot.value().active.x, y - shot.value().active.y)), y) = clean.at(x, y);
    }
    return all;
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#include "law/patch_floor.h"

#include "base/parallel.h"
#include "law/censored.h"
#include "law/line_fit.h"
#include "law/noise_law.h"

#include <Eigen/Dense>
#include <Eigen/Eigenvalues>

#include <cmath>
#include <numeric>

namespace irenic {

namespace {

constexpr int kSide = 8;            // of a patch whose noise can be made white
constexpr Eigen::Index kReadOf = 5; // one direction in five is read; a tenth to four tenths differ by less than 2 % of sigma
constexpr int kFoldPx = 32;         // side of the checkerboard's fields
constexpr int kMostPatches = 72000, kPatchesPerTone = 1500, kMostTones = 24;
constexpr double kCalmPatchShare = 0.1; // of a tone's patches; 0.3 reads up to 25 % more where texture is everywhere
constexpr int kFewest = 60;             // patches that are read
constexpr double kAgrees = 1.3;         // times the floor

template <int samples>
struct Patch {
    std::array<float, 4> mean;
    std::array<float, samples> deviation; ///< from the mean of its cell, in sigma
    float tone = 0, energy = 0;
    bool odd = false; ///< field of the checkerboard
};

/// Makes noise that neighbours share white, cell by cell, by their DCT of four by four; which basis samples are told in does not matter to what follows.
class Whitener
{
public:
    explicit Whitener(const BandNoise &spectrum)
    {
        for (size_t j = 0; j < kQuarter; ++j)
            for (size_t k = 0; k < kQuarter; ++k) {
                m_basis[j][k] = float(std::cos(M_PI * (2.0 * double(k) + 1) * double(j) / (2.0 * kQuarter)) * std::sqrt((j == 0 ? 1.0 : 2.0) / kQuarter));
                float power = 0;
                for (const size_t i : {2 * j * kSide + 2 * k, 2 * j * kSide + 2 * k + 1, (2 * j + 1) * kSide + 2 * k, (2 * j + 1) * kSide + 2 * k + 1})
                    power += spectrum.dct[i] * spectrum.dct[i] / 4;
                m_factor[j][k] = 1 / std::sqrt(power);
            }
    }
    void whiten(std::array<float, kSide * kSide> &samples) const
    {
        const std::array<float, kSide *kSide> from = samples;
        for (size_t cell = 0; cell < 4; ++cell) {
            const size_t corner = (cell >> 1) * kSide + (cell & 1);
            for (size_t j = 0; j < kQuarter; ++j)
                for (size_t k = 0; k < kQuarter; ++k) {
                    float sum = 0;
                    for (size_t v = 0; v < kQuarter; ++v)
                        for (size_t u = 0; u < kQuarter; ++u)
                            sum += m_basis[j][v] * m_basis[k][u] * from[corner + 2 * v * kSide + 2 * u];
                    samples[corner + 2 * j * kSide + 2 * k] = sum * m_factor[j][k];
                }
        }
    }

private:
    static constexpr size_t kQuarter = kSide / 2;
    std::array<std::array<float, kQuarter>, kQuarter> m_basis, m_factor;
};

using Rows = Eigen::Matrix<float, Eigen::Dynamic, Eigen::Dynamic, Eigen::RowMajor>; ///< a patch each

/// The columns are directions, from the one that holds least; those of the means of so many cells, which were taken away, are left out.
/// Of any size: for each that is known beforehand the solver is half a minute to compile.
Eigen::MatrixXf directionsOf(const Rows &patches, size_t cells)
{
    const Eigen::MatrixXf covariance = (patches.transpose() * patches) / float(patches.rows());
    const Eigen::SelfAdjointEigenSolver<Eigen::MatrixXf> solver(covariance);
    return solver.eigenvectors().rightCols(patches.cols() - Eigen::Index(cells));
}

/// Squares along each direction, a row a patch.
Eigen::MatrixXf squaresOf(const Rows &patches, const Eigen::MatrixXf &directions)
{
    return (patches * directions).array().square().matrix();
}

/// The tones of a frame whose patches have so many samples.
template <int samples>
class Floor
{
    using OnePatch = Patch<samples>;

public:
    Floor(const PatchInput &input, const std::vector<NoiseModel> &law) : m_in(input), m_first(law[0]), m_cells(law.size())
    {
        for (const NoiseModel &m : law)
            m_stored.emplace_back(m, input.censoredAt);
        if constexpr (samples == kSide * kSide)
            if (input.spectrum)
                m_whitener.emplace(*input.spectrum);
        for (const uint8_t c : input.sampling.cell)
            m_share[c] += 1;
        for (float &s : m_share)
            s = s > 0 ? 1 / s : 0;
    }

    Result<std::vector<FloorPoint>> points(const RunContext &run) const
    {
        const Rect &a = m_in.area;
        const int side = m_in.sampling.sidePx, unit = m_in.sampling.unitPx;
        std::vector<FloorPoint> points;
        if (a.width < 4 * kFoldPx || a.height < 4 * kFoldPx)
            return points;
        // Patches may overlap where the frame is small.
        const int step = std::max(std::max(4, unit), int(std::sqrt(double(a.size().area()) / kMostPatches)) / unit * unit);
        const int across = (a.width - side) / step + 1, down = (a.height - side) / step + 1;
        const Result<std::vector<OnePatch>> patches = gathered<OnePatch>(down, stage(run, 0, 0.3), [&](int j, std::vector<OnePatch> &row) {
            row.reserve(size_t(across));
            for (int i = 0; i < across; ++i) {
                OnePatch p;
                const PixelAt corner{a.x + i * step, a.y + j * step};
                p.odd = ((corner.x / kFoldPx) + (corner.y / kFoldPx)) & 1;
                if (fill(p, corner))
                    row.push_back(p);
            }
        });
        if (!patches)
            return patches.error();
        std::vector<const OnePatch *> all;
        for (const OnePatch &p : patches.value())
            all.push_back(&p);
        std::stable_sort(all.begin(), all.end(), [](const OnePatch *p, const OnePatch *q) { return p->tone < q->tone; });
        const size_t tones = std::min<size_t>(kMostTones, all.size() / kPatchesPerTone);
        std::vector<std::optional<FloorPoint>> found(tones);
        const Status read = parallelFor(int(tones), stage(run, 0.3, 1), [&](int t) {
            const auto first = all.begin() + ptrdiff_t(size_t(t) * all.size() / tones), last = all.begin() + ptrdiff_t((size_t(t) + 1) * all.size() / tones);
            const float middle = (*(first + (last - first) / 2))->tone;
            found[size_t(t)] = readTone({first, last}, reachesBlack(double(middle), double(m_first.sigmaAt(middle)), m_in.censoredAt) ? 1 : kCalmPatchShare);
        });
        if (!read)
            return read.error();
        for (const auto &p : found)
            if (p)
                points.push_back(*p);
        return points;
    }

private:
    /// False where it is clipped.
    bool fill(OnePatch &p, PixelAt corner) const
    {
        p.mean = {};
        m_in.values(corner, p.deviation.data());
        for (size_t i = 0; i < samples; ++i) {
            const float v = p.deviation[i];
            if (!(v < kClipGuard))
                return false;
            const size_t c = m_in.sampling.cell[i];
            p.mean[c] += v * m_share[c];
        }
        std::array<float, 4> sigma{};
        for (size_t c = 0; c < m_cells; ++c) {
            sigma[c] = m_stored[c].sigmaAt(p.mean[c]);
            if (!(sigma[c] > 0))
                return false;
            p.tone += p.mean[c] / float(m_cells);
        }
        for (size_t i = 0; i < samples; ++i) {
            const size_t c = m_in.sampling.cell[i];
            p.deviation[i] = (p.deviation[i] - p.mean[c]) / sigma[c];
        }
        if constexpr (samples == kSide * kSide)
            if (m_whitener)
                m_whitener->whiten(p.deviation);
        for (const float d : p.deviation)
            p.energy += d * d;
        return true;
    }

    static Rows rowsOf(const std::vector<const OnePatch *> &patches)
    {
        Rows rows(Eigen::Index(patches.size()), samples);
        for (size_t i = 0; i < patches.size(); ++i)
            std::copy_n(patches[i]->deviation.data(), samples, rows.row(Eigen::Index(i)).data());
        return rows;
    }

    std::optional<FloorPoint> readTone(std::vector<const OnePatch *> patches, double calmShare) const
    {
        const Eigen::Index directions = samples - Eigen::Index(m_cells), read = directions / kReadOf;
        std::array<std::vector<const OnePatch *>, 2> folds, wide;
        for (const OnePatch *p : patches)
            folds[p->odd].push_back(p);
        // Directions come from the half that holds least in all of them together: chosen by some of them, it would hold less than noise in those.
        std::nth_element(patches.begin(), patches.begin() + ptrdiff_t(patches.size() / 2), patches.end(), [](const OnePatch *p, const OnePatch *q) { return p->energy < q->energy; });
        for (size_t i = 0; i < patches.size() / 2; ++i)
            wide[patches[i]->odd].push_back(patches[i]);
        FloorPoint point{};
        Eigen::VectorXf along = Eigen::VectorXf::Zero(directions);
        for (size_t fold = 0; fold < 2; ++fold) {
            const auto &readFrom = folds[1 - fold];
            if (wide[fold].size() < samples || readFrom.size() < 2 * kFewest)
                return std::nullopt;
            const Eigen::MatrixXf squares = squaresOf(rowsOf(readFrom), directionsOf(rowsOf(wide[fold]), m_cells));
            const Eigen::VectorXf unrest = squares.rightCols(squares.cols() - read).rowwise().sum();
            std::vector<int> order(readFrom.size());
            std::iota(order.begin(), order.end(), 0);
            const size_t calm = std::max<size_t>(kFewest, size_t(calmShare * double(order.size())));
            std::nth_element(order.begin(), order.begin() + ptrdiff_t(calm), order.end(), [&](int i, int j) { return unrest[i] != unrest[j] ? unrest[i] < unrest[j] : i < j; });
            std::sort(order.begin(), order.begin() + ptrdiff_t(calm)); // sums in the order of the frame
            for (size_t i = 0; i < calm; ++i) {
                along += squares.row(order[i]).transpose() / float(2 * calm);
                for (size_t c = 0; c < m_cells; ++c)
                    point.mean[c] += double(readFrom[size_t(order[i])]->mean[c]) / double(2 * calm);
            }
            point.patches += calm;
        }
        point.ratio = double(along.head(read).mean());
        point.agreeing = double((along.array() < float(kAgrees * point.ratio)).count()) / double(along.size());
        return point;
    }

    const PatchInput &m_in;
    NoiseModel m_first; ///< of the first cell
    size_t m_cells;
    std::vector<StoredNoise> m_stored;
    std::optional<Whitener> m_whitener;
    std::array<float, 4> m_share{}; ///< of one sample in the mean of its cell
};

} // namespace

PatchSampling PatchSampling::twoByTwo()
{
    PatchSampling s{8, 2, {}};
    for (int y = 0; y < s.sidePx; ++y)
        for (int x = 0; x < s.sidePx; ++x)
            s.cell.push_back(uint8_t((x & 1) + 2 * (y & 1)));
    return s;
}

PatchSampling PatchSampling::sixBySix(const std::array<uint8_t, 36> &colours)
{
    return {6, 6, {colours.begin(), colours.end()}};
}

Result<std::vector<FloorPoint>> measurePatchFloor(const PatchInput &input, const std::vector<NoiseModel> &law, const RunContext &run)
{
    return input.sampling.sidePx == kSide ? Floor<kSide * kSide>(input, law).points(run) : Floor<36>(input, law).points(run);
}

Result<std::optional<FlooredLaw>> loweredToFloor(const PatchInput &input, const std::vector<NoiseModel> &law, double varianceFloor, std::optional<double> readVariance, const RunContext &run)
{
    constexpr int kRounds = 2;        // the second weighs samples by the law that the first found
    constexpr double kAgreeing = 0.8; // share of the directions from which on nothing but noise is there
    constexpr size_t kFewestTones = 4, kEnoughTones = 6;
    FlooredLaw lowered{law, 0};
    for (int round = 0; round < kRounds; ++round) {
        const auto points = measurePatchFloor(input, lowered.cells, stage(run, double(round) / kRounds, double(round + 1) / kRounds));
        if (!points)
            return points.error();
        if (points.value().empty())
            return std::optional<FlooredLaw>();
        std::vector<double> agreeing;
        for (const FloorPoint &p : points.value())
            agreeing.push_back(p.agreeing);
        for (size_t cell = 0; cell < lowered.cells.size(); ++cell) {
            const NoiseModel was = lowered.cells[cell];
            const StoredNoise stored(was, input.censoredAt);
            std::vector<LinePoint> line;
            for (const FloorPoint &p : points.value()) {
                const float signal = stored.signalAt(float(p.mean[cell]));
                const double sigma = double(was.sigmaAt(signal));
                line.push_back({double(signal), std::min(p.ratio, 1.0) * sigma * sigma, double(p.patches) / 4});
            }
            const LineFit fit = fitNoiseLine(line, varianceFloor, readVariance);
            lowered.cells[cell] = {float(fit.slope), float(fit.intercept)};
        }
        std::nth_element(agreeing.begin(), agreeing.begin() + ptrdiff_t(agreeing.size() / 2), agreeing.end());
        lowered.confidence = std::min(1.0, agreeing[agreeing.size() / 2] / kAgreeing) * std::min(1.0, double(std::max(points.value().size(), kFewestTones)) / kEnoughTones);
    }
    return std::optional(lowered);
}

} // namespace irenic

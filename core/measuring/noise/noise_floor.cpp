// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/noise_floor.h"

#include "base/parallel.h"
#include "frame/linearizer.h"
#include "law/censored.h"

#include <Eigen/Dense>
#include <Eigen/Eigenvalues>

#include <numeric>

namespace irenic {

namespace {

constexpr int kSide = 8; // of a patch; even, so that all begin on the same cell
constexpr int kSamples = kSide * kSide;
constexpr float kShareOfCell = 4.f / kSamples;
constexpr int kMeans = 4;   // directions that the cells' own means take away
constexpr int kRead = 12;   // directions that are read; 6 to 24 differ by less than 2 % of sigma
constexpr int kFoldPx = 32; // side of the checkerboard's fields
constexpr int kMostPatches = 72000, kPatchesPerTone = 1500, kMostTones = 24;
constexpr double kCalmShare = 0.1; // of a tone's patches; 0.3 reads up to 25 % more where texture is everywhere
constexpr int kFewest = 60;        // patches that are read
constexpr double kAgrees = 1.3;    // times the floor
constexpr float kClipGuard = 0.97f;

using Rows = Eigen::Matrix<float, Eigen::Dynamic, kSamples, Eigen::RowMajor>;
using Square = Eigen::Matrix<float, kSamples, kSamples>;

struct Patch {
    std::array<float, 4> mean;
    std::array<float, kSamples> deviation; ///< from the mean of its cell, in sigma
    float tone = 0, energy = 0;
    bool odd = false; ///< field of the checkerboard
};

constexpr size_t cellOf(int x, int y)
{
    return size_t((x & 1) + 2 * (y & 1));
}

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
    void whiten(std::array<float, kSamples> &samples) const
    {
        const std::array<float, kSamples> from = samples;
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

/// False where it is clipped.
bool fill(Patch &p, const Frame &frame, const Linearizer &levels, int x0, int y0, const std::array<StoredNoise, 4> &law, bool censored, const Whitener *whitener)
{
    p.mean = {};
    for (int y = 0; y < kSide; ++y)
        for (int x = 0; x < kSide; ++x) {
            const float v = levels.linear(x0 + x, y0 + y);
            if (!(v < kClipGuard) || (!censored && frame.samples.at(x0 + x, y0 + y) == 0))
                return false;
            p.deviation[size_t(y * kSide + x)] = v;
            p.mean[cellOf(x, y)] += v * kShareOfCell;
        }
    std::array<float, 4> sigma;
    for (size_t c = 0; c < 4; ++c) {
        sigma[c] = law[c].sigmaAt(p.mean[c]);
        if (!(sigma[c] > 0))
            return false;
        p.tone += p.mean[c] / 4;
    }
    for (int y = 0; y < kSide; ++y)
        for (int x = 0; x < kSide; ++x) {
            float &d = p.deviation[size_t(y * kSide + x)];
            d = (d - p.mean[cellOf(x, y)]) / sigma[cellOf(x, y)];
        }
    if (whitener)
        whitener->whiten(p.deviation);
    for (const float d : p.deviation)
        p.energy += d * d;
    return true;
}

/// The columns are directions, from the one that holds least; those of the cells' means are left out.
Eigen::MatrixXf directionsOf(const std::vector<const Patch *> &patches)
{
    Rows rows(Eigen::Index(patches.size()), kSamples);
    for (size_t i = 0; i < patches.size(); ++i)
        rows.row(Eigen::Index(i)) = Eigen::Map<const Eigen::Matrix<float, 1, kSamples>>(patches[i]->deviation.data());
    const Square covariance = (rows.transpose() * rows) / float(patches.size());
    const Eigen::SelfAdjointEigenSolver<Square> solver(covariance);
    return solver.eigenvectors().rightCols(kSamples - kMeans);
}

/// Squares along each direction, a row a patch.
Eigen::MatrixXf squaresOf(const std::vector<const Patch *> &patches, const Eigen::MatrixXf &directions)
{
    Rows rows(Eigen::Index(patches.size()), kSamples);
    for (size_t i = 0; i < patches.size(); ++i)
        rows.row(Eigen::Index(i)) = Eigen::Map<const Eigen::Matrix<float, 1, kSamples>>(patches[i]->deviation.data());
    return (rows * directions).array().square().matrix();
}

std::optional<FloorPoint> readTone(std::vector<const Patch *> patches, double calmShare)
{
    std::array<std::vector<const Patch *>, 2> folds, wide;
    for (const Patch *p : patches)
        folds[p->odd].push_back(p);
    // Directions come from the half that holds least in all of them together: chosen by some of them, it would hold less than noise in those.
    std::nth_element(patches.begin(), patches.begin() + ptrdiff_t(patches.size() / 2), patches.end(), [](const Patch *p, const Patch *q) { return p->energy < q->energy; });
    for (size_t i = 0; i < patches.size() / 2; ++i)
        wide[patches[i]->odd].push_back(patches[i]);
    FloorPoint point{};
    Eigen::VectorXf along = Eigen::VectorXf::Zero(kSamples - kMeans);
    for (size_t fold = 0; fold < 2; ++fold) {
        const auto &readFrom = folds[1 - fold];
        if (wide[fold].size() < kSamples || readFrom.size() < 2 * kFewest)
            return std::nullopt;
        const Eigen::MatrixXf squares = squaresOf(readFrom, directionsOf(wide[fold]));
        const Eigen::VectorXf unrest = squares.rightCols(squares.cols() - kRead).rowwise().sum();
        std::vector<int> order(readFrom.size());
        std::iota(order.begin(), order.end(), 0);
        const size_t calm = std::max<size_t>(kFewest, size_t(calmShare * double(order.size())));
        std::nth_element(order.begin(), order.begin() + ptrdiff_t(calm), order.end(), [&](int i, int j) { return unrest[i] != unrest[j] ? unrest[i] < unrest[j] : i < j; });
        std::sort(order.begin(), order.begin() + ptrdiff_t(calm)); // sums in the order of the frame
        for (size_t i = 0; i < calm; ++i) {
            along += squares.row(order[i]).transpose() / float(2 * calm);
            for (size_t c = 0; c < 4; ++c)
                point.mean[c] += double(readFrom[size_t(order[i])]->mean[c]) / double(2 * calm);
        }
        point.patches += calm;
    }
    point.ratio = double(along.head(kRead).mean());
    point.agreeing = double((along.array() < float(kAgrees * point.ratio)).count()) / double(along.size());
    return point;
}

} // namespace

Result<std::vector<FloorPoint>> measureNoiseFloor(const Frame &frame, const std::array<NoiseModel, 4> &law, std::optional<double> censoredAt, const std::optional<BandNoise> &spectrum, const RunContext &run)
{
    const Rect &a = frame.active;
    std::vector<FloorPoint> points;
    if (a.width < 4 * kFoldPx || a.height < 4 * kFoldPx)
        return points;
    // Patches may overlap where the frame is small; their corners lie on the pattern's first cell.
    const int step = std::max(4, int(std::sqrt(double(a.size().area()) / kMostPatches)) & ~1);
    const int left = a.x + (a.x & 1), top = a.y + (a.y & 1), across = (a.right() - kSide - left) / step + 1, down = (a.bottom() - kSide - top) / step + 1;
    const Linearizer levels(frame);
    const std::array<StoredNoise, 4> stored{StoredNoise{law[0], censoredAt}, {law[1], censoredAt}, {law[2], censoredAt}, {law[3], censoredAt}};
    const std::optional<Whitener> whitener = spectrum ? std::optional<Whitener>(*spectrum) : std::nullopt;
    std::vector<std::vector<Patch>> rows(static_cast<size_t>(down));
    const Status collected = parallelFor(down, stage(run, 0, 0.3), [&](int j) {
        rows[size_t(j)].reserve(size_t(across));
        for (int i = 0; i < across; ++i) {
            Patch p;
            const int x = left + i * step, y = top + j * step;
            p.odd = ((x / kFoldPx) + (y / kFoldPx)) & 1;
            if (fill(p, frame, levels, x, y, stored, censoredAt.has_value(), whitener ? &*whitener : nullptr))
                rows[size_t(j)].push_back(p);
        }
    });
    if (!collected)
        return collected.error();
    std::vector<const Patch *> all;
    for (const auto &row : rows)
        for (const Patch &p : row)
            all.push_back(&p);
    std::stable_sort(all.begin(), all.end(), [](const Patch *p, const Patch *q) { return p->tone < q->tone; });
    const size_t tones = std::min<size_t>(kMostTones, all.size() / kPatchesPerTone);
    std::vector<std::optional<FloorPoint>> found(tones);
    const Status read = parallelFor(int(tones), stage(run, 0.3, 1), [&](int t) {
        const auto first = all.begin() + ptrdiff_t(size_t(t) * all.size() / tones), last = all.begin() + ptrdiff_t((size_t(t) + 1) * all.size() / tones);
        const float middle = (*(first + (last - first) / 2))->tone;
        found[size_t(t)] = readTone({first, last}, reachesBlack(double(middle), double(law[0].sigmaAt(middle)), censoredAt) ? 1 : kCalmShare);
    });
    if (!read)
        return read.error();
    for (const auto &p : found)
        if (p)
            points.push_back(*p);
    return points;
}

} // namespace irenic

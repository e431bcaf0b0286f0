// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/blind_round.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace irenic {

namespace {

constexpr double kBeforehand = 0.25; ///< wins that each of two candidates has over the other before any answer

using Matrix = std::vector<std::vector<double>>;

/// Inverse of a symmetric positive definite matrix by elimination; it is small.
Matrix inverted(Matrix a)
{
    const size_t n = a.size();
    Matrix inverse(n, std::vector<double>(n, 0));
    for (size_t i = 0; i < n; ++i)
        inverse[i][i] = 1;
    for (size_t i = 0; i < n; ++i) {
        const double pivot = a[i][i];
        for (size_t k = 0; k < n; ++k) {
            a[i][k] /= pivot;
            inverse[i][k] /= pivot;
        }
        for (size_t r = 0; r < n; ++r) {
            if (r == i)
                continue;
            const double factor = a[r][i];
            for (size_t k = 0; k < n; ++k) {
                a[r][k] -= factor * a[i][k];
                inverse[r][k] -= factor * inverse[i][k];
            }
        }
    }
    return inverse;
}

double chance(double worth)
{
    return 1 / (1 + std::exp(-worth));
}

} // namespace

BlindRound::BlindRound(int candidates, int places, uint64_t seed) : m_candidates(candidates), m_places(places), m_seed(seed), m_state(seed)
{
    assert(candidates >= 2 && places >= 1);
    for (int place = 0; place < places; ++place)
        for (int a = 0; a < candidates; ++a)
            for (int b = a + 1; b < candidates; ++b)
                m_pairs.push_back(draw() & 1 ? Pair{a, b, place} : Pair{b, a, place});
    for (size_t i = m_pairs.size(); i > 1; --i)
        std::swap(m_pairs[i - 1], m_pairs[size_t(draw() % i)]);
}

/// splitmix64 (Steele, Lea and Flood, OOPSLA 2014): the same numbers on any machine.
uint64_t BlindRound::draw()
{
    uint64_t z = m_state += 0x9e3779b97f4a7c15u;
    z = (z ^ (z >> 30)) * 0xbf58476d1ce4e5b9u;
    z = (z ^ (z >> 27)) * 0x94d049bb133111ebu;
    return z ^ (z >> 31);
}

void BlindRound::answer(Answer answer)
{
    assert(!isDone());
    m_answers.push_back(answer);
}

void BlindRound::takeBack()
{
    if (!m_answers.empty())
        m_answers.pop_back();
}

void BlindRound::askMore(int first, int second, int pairs)
{
    for (int i = 0; i < pairs; ++i)
        m_pairs.push_back(draw() & 1 ? Pair{first, second, i % m_places} : Pair{second, first, i % m_places});
}

BlindRound::Ranking BlindRound::ranking() const
{
    const size_t n = size_t(m_candidates);
    Matrix wins(n, std::vector<double>(n, kBeforehand));
    std::vector<Rank> ranks(n);
    for (size_t i = 0; i < n; ++i)
        ranks[i].candidate = int(i);
    for (size_t i = 0; i < m_answers.size(); ++i) {
        const size_t left = size_t(m_pairs[i].left), right = size_t(m_pairs[i].right);
        if (m_answers[i] == Answer::NoDifference) {
            wins[left][right] += 0.5;
            wins[right][left] += 0.5;
            ++ranks[left].noDifference;
            ++ranks[right].noDifference;
            continue;
        }
        const size_t better = m_answers[i] == Answer::Left ? left : right, worse = left + right - better;
        wins[better][worse] += 1;
        ++ranks[better].picked;
        ++ranks[worse].passedOver;
    }
    // Newton's method on the concave log likelihood; one added to every element of the curvature holds the mean at 0.
    std::vector<double> worth(n, 0);
    Matrix covariance;
    for (int step = 0; step < 30; ++step) {
        std::vector<double> slope(n, 0);
        Matrix curvature(n, std::vector<double>(n, 1));
        for (size_t a = 0; a < n; ++a)
            for (size_t b = 0; b < n; ++b) {
                if (a == b)
                    continue;
                const double p = chance(worth[a] - worth[b]), met = wins[a][b] + wins[b][a];
                slope[a] += wins[a][b] - met * p;
                curvature[a][a] += met * p * (1 - p);
                curvature[a][b] -= met * p * (1 - p);
            }
        covariance = inverted(curvature);
        for (size_t a = 0; a < n; ++a) {
            double move = 0;
            for (size_t b = 0; b < n; ++b)
                move += covariance[a][b] * slope[b];
            worth[a] += std::clamp(move, -1.0, 1.0);
        }
    }
    for (size_t i = 0; i < n; ++i)
        ranks[i].worth = worth[i];
    std::sort(ranks.begin(), ranks.end(), [](const Rank &a, const Rank &b) { return a.worth != b.worth ? a.worth > b.worth : a.candidate < b.candidate; });
    const size_t first = size_t(ranks[0].candidate), second = size_t(ranks[1].candidate);
    const double lead = ranks[0].worth - ranks[1].worth;
    const double variance = covariance[first][first] + covariance[second][second] - 2 * covariance[first][second];
    Ranking r{std::move(ranks), 0.5 * std::erfc(-lead / std::sqrt(2 * variance)), 0};
    constexpr double kSettledDeviations = 1.6449; // of a normal variable, one-sided, at kSettled
    constexpr double kLevel = 0.05;               // log odds that no patience would tell apart
    if (r.sure < kSettled) {
        const double p = chance(lead), needed = std::pow(kSettledDeviations / std::max(lead, 1e-9), 2);
        r.pairsToSettle = lead < kLevel ? -1 : std::max(1, int(std::ceil((needed - 1 / variance) / (p * (1 - p)))));
    }
    return r;
}

} // namespace irenic

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <vector>

namespace irenic {

/// Pairs shown without names. Every two candidates meet once at every place, in an order, and on sides, drawn from a seed: the
/// same seed gives the same round on any machine.
class BlindRound
{
public:
    enum class Answer : uint8_t {
        Left,
        Right,
        NoDifference,
    };
    struct Pair {
        int left, right; ///< candidates
        int place;
        bool operator==(const Pair &) const = default;
    };
    struct Rank {
        int candidate = 0;
        double worth = 0; ///< log odds of being picked against a middling candidate; their mean is 0
        int picked = 0, passedOver = 0, noDifference = 0;
    };
    struct Ranking {
        std::vector<Rank> order; ///< best first
        double sure = 0;         ///< chance that the first is truly better than the second, 0.5 .. 1
        int pairsToSettle = 0;   ///< more pairs of those two until `sure` would reach kSettled, if answers go on as they did; -1 where they are level
    };
    static constexpr double kSettled = 0.95;

    /// @param candidates at least 2
    /// @param places     at least 1
    BlindRound(int candidates, int places, uint64_t seed);

    uint64_t seed() const { return m_seed; }
    size_t asked() const { return m_answers.size(); }
    size_t total() const { return m_pairs.size(); }
    bool isDone() const { return asked() == total(); }
    const Pair &current() const { return m_pairs[m_answers.size()]; } ///< not once done
    void answer(Answer answer);
    void takeBack(); ///< the last answer
    /// Asks further pairs of two candidates, over the places in turn, sides shuffled as before.
    void askMore(int first, int second, int pairs);

    /// Maximum of the Bradley-Terry model (Bradley and Terry, Biometrika 39, 1952), ties as half a win each, every
    /// pair of candidates given half a tie beforehand so that a clean sweep stays finite. Sureness
    /// is the normal approximation at that maximum.
    Ranking ranking() const;

private:
    uint64_t draw();

    int m_candidates, m_places;
    uint64_t m_seed, m_state;
    std::vector<Pair> m_pairs;
    std::vector<Answer> m_answers;
};

} // namespace irenic

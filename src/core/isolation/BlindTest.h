#pragma once
#include <random>
#include <vector>

namespace rivlen {

/// A blind comparison of candidates: in every round they hide behind other labels, one is preferred.
class BlindTest {
public:
    /// candidates: at least two, any numbers.
    BlindTest(std::vector<int> candidates, unsigned seed);

    int labels() const { return int(m_order.size()); }
    int candidate(int label) const { return m_order[size_t(label)]; }  ///< what hides behind a label in this round
    /// Ends the round with a preference and shuffles for the next.
    void prefer(int label);

    int rounds() const { return int(m_choices.size()); }
    const std::vector<int>& choices() const { return m_choices; }  ///< the preferred candidates, round by round
    int timesPreferred(int candidate) const;
    int favourite() const;  ///< preferred most often (the first of equals)
    /// Probability that chance alone prefers some candidate as often as the favourite or more: the binomial tail with
    /// chance 1 / labels, times labels (for two: the two-sided sign test), at most 1.
    double byChance() const;

private:
    void shuffle();
    std::vector<int> m_order, m_choices;
    std::mt19937 m_random;
};

/// P(K >= k) for K binomial with n trials of probability p.
double binomialTail(int n, int k, double p);

}  // namespace rivlen

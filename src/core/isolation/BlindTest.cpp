#include "core/isolation/BlindTest.h"

#include <algorithm>
#include <cmath>

namespace rivlen {

double binomialTail(int n, int k, double p) {
    double sum = 0;
    for (int i = std::max(0, k); i <= n; ++i)
        sum += std::exp(std::lgamma(n + 1) - std::lgamma(i + 1) - std::lgamma(n - i + 1) + i * std::log(p) +
                        (n - i) * std::log1p(-p));
    return std::min(1.0, sum);
}

BlindTest::BlindTest(std::vector<int> candidates, unsigned seed) : m_order(std::move(candidates)), m_random(seed) {
    shuffle();
}

void BlindTest::shuffle() { std::shuffle(m_order.begin(), m_order.end(), m_random); }

void BlindTest::prefer(int label) {
    m_choices.push_back(candidate(label));
    shuffle();
}

int BlindTest::timesPreferred(int candidate) const {
    return int(std::count(m_choices.begin(), m_choices.end(), candidate));
}

int BlindTest::favourite() const {
    std::vector<int> sorted = m_order;
    std::sort(sorted.begin(), sorted.end());
    return *std::max_element(sorted.begin(), sorted.end(),
                             [this](int a, int b) { return timesPreferred(a) < timesPreferred(b); });
}

double BlindTest::byChance() const {
    if (rounds() == 0) return 1;
    return std::min(1.0, labels() * binomialTail(rounds(), timesPreferred(favourite()), 1.0 / labels()));
}

}  // namespace rivlen

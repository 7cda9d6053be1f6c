#pragma once
#include <cmath>
#include <numbers>

#include "core/spectral/FilterSection.h"

namespace rivlen {

/// A filter section with its state, for one channel.
class Biquad {
public:
    static Biquad highPass(double hz, double q, int rate) { return Biquad(FilterSection::highPass(hz, q, rate)); }
    static Biquad lowPass(double hz, double q, int rate) { return Biquad(FilterSection::lowPass(hz, q, rate)); }
    static Biquad bandPass(double hz, double q, int rate) { return Biquad(FilterSection::bandPass(hz, q, rate)); }
    double next(double x) { return m_state.next(m_section, x); }

private:
    explicit Biquad(const FilterSection& section) : m_section(section) {}
    FilterSection m_section;
    FilterState m_state;
};

}  // namespace rivlen

#include "core/rebuild/Filters.h"

#include <cmath>

namespace rivlen {

std::vector<FilterSection> filterSections(const ChainSettings& c, int rate) {
    std::vector<FilterSection> sections;
    if (c.highPass) {  // Butterworth: Q of the sections for second and fourth order
        const std::vector<double> qs =
            c.highPassSlope < 18 ? std::vector<double>{0.70710678} : std::vector<double>{0.54119610, 1.30656296};
        for (double q : qs) sections.push_back(FilterSection::highPass(c.highPassHz, q, rate));
    }
    if (c.equaliser) {
        sections.push_back(FilterSection::lowShelf(c.lowHz, c.lowDb, rate));
        sections.push_back(FilterSection::bell(c.mudHz, c.mudDb, c.mudQ, rate));
        sections.push_back(FilterSection::bell(c.midHz, c.midDb, c.midQ, rate));
        sections.push_back(FilterSection::highShelf(c.highHz, c.highDb, rate));
    }
    return sections;
}

double filterDb(const std::vector<FilterSection>& sections, double hz, int rate) {
    double power = 1;
    for (const auto& s : sections) power *= std::norm(s.response(hz, rate));
    return 10 * std::log10(power + 1e-30);
}

}  // namespace rivlen

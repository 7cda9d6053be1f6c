#include "core/space/HeadResponses.h"

#include <mysofa.h>

#include <algorithm>
#include <cmath>

#include "core/base/Error.h"

namespace rivlen {

namespace {
constexpr double kLongestDelay = 0.004;  // seconds that a set may give beside its filters
}

std::filesystem::path HeadResponses::shipped() { return "/usr/share/libmysofa/default.sofa"; }

HeadResponses::HeadResponses(const std::filesystem::path& file, int sampleRate) : m_rate(sampleRate) {
    int problem = 0;
    m_set = std::filesystem::is_regular_file(file) ? mysofa_open(file.c_str(), float(sampleRate), &m_filter, &problem)
                                                   : nullptr;
    if (!m_set || m_filter < 1 || m_filter > 10 * sampleRate)
        throw Error(Error::Kind::InputUnreadable,
                    "\"" + file.string() +
                        "\" is no set of head-related responses that can be read: choose a SOFA file (AES69) with "
                        "SimpleFreeFieldHRIR.");
    m_length = m_filter + int(kLongestDelay * sampleRate);
}

HeadResponses::~HeadResponses() {
    if (m_set) mysofa_close(m_set);
}

HeadResponses::Pair HeadResponses::at(const Direction& direction) const {
    const Vector3 v = unitVector(direction);
    std::vector<float> left(size_t(m_filter), 0.0f), right(left);
    float lateLeft = 0, lateRight = 0;  // seconds
    mysofa_getfilter_float(m_set, float(v[0]), float(v[1]), float(v[2]), left.data(), right.data(), &lateLeft,
                           &lateRight);
    const auto placed = [this](const std::vector<float>& filter, float late) {
        std::vector<float> out(size_t(m_length), 0.0f);
        const double whole = std::clamp(double(late), 0.0, kLongestDelay) * m_rate;
        const size_t at = size_t(whole);
        const auto part = float(whole - double(at));
        for (size_t i = 0; i < filter.size(); ++i) {
            if (!std::isfinite(filter[i])) continue;
            if (at + i < out.size()) out[at + i] += (1 - part) * filter[i];
            if (at + i + 1 < out.size()) out[at + i + 1] += part * filter[i];
        }
        return out;
    };
    return {placed(left, lateLeft), placed(right, lateRight)};
}

}  // namespace rivlen

#include "core/rebuild/LanePlacer.h"

#include <algorithm>

namespace rivlen {

namespace {

bool samePlace(const Strip& a, const Strip& b) {
    const auto same = [&](const char* id) {
        const auto x = a.automation.find(id), y = b.automation.find(id);
        const bool drawn = x != a.automation.end();
        return drawn == (y != b.automation.end()) && (!drawn || x->second == y->second);
    };
    return static_cast<const Position&>(a) == static_cast<const Position&>(b) && a.width == b.width &&
           same("azimuth") && same("elevation") && same("distance") && same("spread") && same("divergence") &&
           same("width") && a.chain.room == b.chain.room;
}

}  // namespace

Placer::Where placeAt(const Strip& strip, double second) {
    const auto value = [&](const char* id, double plain) {
        const auto found = strip.automation.find(id);
        return found == strip.automation.end() || found->second.empty() ? plain : drawnAt(found->second, second);
    };
    return {{value("azimuth", strip.azimuth), value("elevation", strip.elevation), value("distance", strip.distance),
             value("spread", strip.spread), value("divergence", strip.divergence)},
            value("width", strip.width),
            strip.chain.room};
}

void directGains(const Strip& strip, int64_t first, int rate, std::vector<float>& gains) {
    const auto drawn = strip.automation.find("distance");
    if (drawn == strip.automation.end() || drawn->second.empty()) {
        std::fill(gains.begin(), gains.end(), float(distanceGain(strip.distance)));
        return;
    }
    constexpr int64_t grid = Placer::kGrid;
    const auto at = [&](int64_t cell) { return distanceGain(drawnAt(drawn->second, double(cell * grid) / rate)); };
    int64_t cell = 0;
    double a = 0, b = 0;
    for (size_t i = 0; i < gains.size(); ++i) {
        const int64_t t = first + int64_t(i), now = t >= 0 ? t / grid : -((-t + grid - 1) / grid);
        if (i == 0 || now != cell) a = at(now), b = at(now + 1), cell = now;
        gains[i] = float(a + double(t - cell * grid) / grid * (b - a));
    }
}

void LanePlacer::set(const Strip& strip) {
    if (m_begun && !samePlace(strip, m_strip)) {
        m_before = m_strip;
        m_changed = true;
    }
    m_begun = true;
    m_strip = strip;
}

AudioBuffer LanePlacer::process(const AudioBuffer& sound, int64_t first) {
    const auto of = [](const Strip& strip) { return [&strip](double second) { return placeAt(strip, second); }; };
    if (!m_changed) return m_placer.process(sound, first, of(m_strip));
    m_changed = false;
    Placer before = m_placer;
    const AudioBuffer old = before.process(sound, first, of(m_before));
    AudioBuffer out = m_placer.process(sound, first, of(m_strip));
    for (int c = 0; c < out.channels(); ++c)
        for (int64_t i = 0; i < out.frames(); ++i) {
            const float w = float(i + 1) / float(out.frames());
            float& v = out.channel(c)[size_t(i)];
            v = (1 - w) * old.channel(c)[size_t(i)] + w * v;
        }
    return out;
}

}  // namespace rivlen

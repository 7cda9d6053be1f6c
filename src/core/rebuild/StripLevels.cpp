#include "core/rebuild/StripLevels.h"

#include <cmath>
#include <numbers>

#include "core/audio/Decibel.h"

namespace rivlen {

std::pair<double, double> panGains(double pan) {
    if (pan == 0) return {1, 1};  // exactly: what nobody panned stays to the bit
    const double angle = (pan + 100) / 200 * std::numbers::pi / 2;
    return {std::numbers::sqrt2 * std::cos(angle), std::numbers::sqrt2 * std::sin(angle)};
}

void StripLevels::set(const Strip& strip, bool audible) {
    if (m_begun) {
        m_before = m_strip;
        m_audibleBefore = m_audible;
        m_changed = audible != m_audible || strip.level != m_strip.level || strip.pan != m_strip.pan ||
                    strip.width != m_strip.width || strip.automation != m_strip.automation;
    }
    m_begun = true;
    m_strip = strip;
    m_audible = audible;
}

StripLevels::Gains StripLevels::at(const Strip& strip, bool audible, int64_t frame) const {
    if (!audible) return {0, 0, 1};
    const double second = double(frame) / m_rate;
    const auto value = [&](const char* id, double plain) {
        if (strip.automation.empty()) return plain;
        const auto found = strip.automation.find(id);
        return found == strip.automation.end() || found->second.empty() ? plain : drawnAt(found->second, second);
    };
    const double db = value("level", strip.level), level = db <= kSilentLevel ? 0.0 : db == 0 ? 1.0 : fromDb(db);
    if (m_levelAlone) return {level, level, 1};
    const auto [left, right] = panGains(value("pan", strip.pan));
    return {level * left, level * right, value("width", strip.width) / 100};
}

void StripLevels::process(AudioBuffer& audio, int64_t first, const std::vector<float>& duckDb) {
    const auto below = [](int64_t t) { return t >= 0 ? t / kGrid : -((-t + kGrid - 1) / kGrid); };
    const bool changed = m_changed;
    m_changed = false;
    int64_t cell = below(first) - 1;
    Gains a{}, b{}, aBefore{}, bBefore{};
    for (int64_t i = 0; i < audio.frames(); ++i) {
        if (const int64_t now = below(first + i); now != cell) {
            a = now == cell + 1 && i > 0 ? b : at(m_strip, m_audible, now * kGrid);
            b = at(m_strip, m_audible, (now + 1) * kGrid);
            if (changed)
                aBefore = at(m_before, m_audibleBefore, now * kGrid),
                bBefore = at(m_before, m_audibleBefore, (now + 1) * kGrid);
            cell = now;
        }
        const double w = double(first + i - cell * kGrid) / kGrid;
        const auto between = [w](const Gains& x, const Gains& y) {
            return Gains{x.left + w * (y.left - x.left), x.right + w * (y.right - x.right),
                         x.side + w * (y.side - x.side)};
        };
        Gains g = between(a, b);
        if (changed) {
            const Gains old = between(aBefore, bBefore);
            const double v = double(i + 1) / double(audio.frames());
            g = {old.left + v * (g.left - old.left), old.right + v * (g.right - old.right),
                 old.side + v * (g.side - old.side)};
        }
        const double duck = !duckDb.empty() && duckDb[size_t(i)] != 0 ? fromDb(duckDb[size_t(i)]) : 1.0;
        if (m_levelAlone) {
            for (int c = 0; c < m_channels; ++c) audio.channel(c)[size_t(i)] *= float(g.left * duck);
            continue;
        }
        if (m_channels == 1) {
            audio.channel(0)[size_t(i)] *=
                float(g.left * g.right > 0 ? std::sqrt((g.left * g.left + g.right * g.right) / 2) * duck
                                           : std::max(g.left, g.right) / std::numbers::sqrt2 * duck);
            continue;
        }
        for (int pair = 0; pair < m_channels; pair += 2) {
            // 5.1 and 7.1: left and right, the surrounds; centre and LFE only get the level.
            const int l = pair, r = pair + 1;
            float &x = audio.channel(l)[size_t(i)], &y = audio.channel(r)[size_t(i)];
            if (m_channels >= 6 && pair == 2) {
                const auto level = float(std::sqrt((g.left * g.left + g.right * g.right) / 2) * duck);
                x *= level, y *= level;
                continue;
            }
            if (g.side != 1) {
                const double mid = (double(x) + y) / 2, side = (double(x) - y) / 2 * g.side;
                x = float(mid + side), y = float(mid - side);
            }
            x *= float(g.left * duck), y *= float(g.right * duck);
        }
    }
}

}  // namespace rivlen

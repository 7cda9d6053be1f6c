#pragma once

#include <functional>

#include "core/isolation/Weighing.h"

namespace rivlen::test {

constexpr int kFrames = 200, kBins = 1025;  // 2.1 s at 48 kHz

/// Cells with the given share and power of frame and frequency.
inline SpanCells cells(
    const std::function<double(int, double)>& share,
    const std::function<double(int, double)>& power = [](int, double) { return 1.0; }) {
    SpanCells c;
    c.frames = kFrames, c.hop = 512, c.rate = 48000, c.binHz = 48000.0 / 2048;
    SpanCells::Group group;
    for (int t = -kCellReach; t < kFrames + kCellReach; ++t) {
        std::vector<float> p, P;
        for (int k = 0; k < kBins; ++k)
            p.push_back(float(share(t, k * c.binHz))), P.push_back(float(power(t, k * c.binHz)));
        group.share.push_back(p);
        group.power.push_back(P);
    }
    c.groups.push_back(group);
    return c;
}

inline Weighing weighed(const SpanCells& c, const IsolationSettings& s = {}) { return Weigher(c).weigh(s); }

inline IsolationSettings depth(double db) {
    IsolationSettings s;
    s.depth = db;
    return s;
}

/// A voice of syllables of 16 frames with rests of 8, over a steady bed; the network is 90 % sure of both.
inline double syllables(int t, double) { return (t + 240) % 24 < 16 ? 0.9 : 0.1; }

}  // namespace rivlen::test

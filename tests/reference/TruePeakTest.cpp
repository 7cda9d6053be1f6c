// The true peak against libebur128 itself, which looks everywhere.
#include <gtest/gtest.h>

#include <ebur128.h>

#include <cmath>
#include <random>

#include "Support.h"
#include "core/loudness/TruePeak.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

double everywhere(const AudioBuffer& x, int rate) {
    ebur128_state* state =
        ebur128_init(unsigned(x.channels()), static_cast<unsigned long>(rate), EBUR128_MODE_TRUE_PEAK);
    std::vector<float> interleaved(x.samples().size());
    for (int c = 0; c < x.channels(); ++c)
        for (int64_t i = 0; i < x.frames(); ++i) interleaved[size_t(i * x.channels() + c)] = x.channel(c)[size_t(i)];
    ebur128_add_frames_float(state, interleaved.data(), size_t(x.frames()));
    double most = 0;
    for (int c = 0; c < x.channels(); ++c) {
        double peak = 0;
        ebur128_true_peak(state, unsigned(c), &peak);
        most = std::max(most, peak);
    }
    ebur128_destroy(&state);
    return most;
}

double inPieces(const AudioBuffer& x, int rate, std::mt19937& random) {
    TruePeak peak(x.channels(), rate);
    for (int64_t at = 0; at < x.frames();) {
        const int64_t count = std::min<int64_t>(x.frames() - at, 1 + int64_t(random() % 3000));
        peak.add(x.slice(at, count));
        at += count;
    }
    return peak.largest();
}

}  // namespace

TEST(TruePeak, IsToTheBitWhatLookingEverywhereFinds) {
    std::mt19937 random(11);
    std::normal_distribution<double> turn(0, 0.002);
    for (const int rate : {44100, 48000, 96000, 192000})
        for (int round = 0; round < 12; ++round) {
            // Noise whose level wanders over 40 dB, so that most stretches are passed over, with lone clicks at their
            // edges.
            AudioBuffer x = noise(2, 60000, 0.3f, unsigned(round + 1));
            for (int c = 0; c < 2; ++c) {
                double level = 1;
                for (float& v : x.channel(c)) {
                    level = std::clamp(level + turn(random), 0.01, 1.0);
                    v *= float(level);
                }
                for (int k = 0; k < 6; ++k) {
                    const size_t at = size_t(random() % 115) * 512 + 500 + random() % 24;
                    x.channel(c)[at] = 0.5f, x.channel(c)[at + 1] = random() % 2 ? 0.5f : -0.5f;
                }
            }
            EXPECT_EQ(inPieces(x, rate, random), everywhere(x, rate)) << rate << " round " << round;
        }
    // A peak between the last sample of a stretch that was passed over and the first of the next.
    AudioBuffer edge(1, 512 * 40);
    edge.channel(0)[100] = 0.5f;
    edge.channel(0)[512 * 20 - 1] = 0.26f, edge.channel(0)[512 * 20] = 0.48f, edge.channel(0)[512 * 20 + 1] = -0.26f;
    TruePeak peak(1, 48000);
    peak.add(edge);
    EXPECT_GT(peak.largest(), 0.505) << "higher than any sample";
    EXPECT_EQ(peak.largest(), everywhere(edge, 48000));
    const AudioBuffer silent(6, 10000);
    EXPECT_EQ(inPieces(silent, 48000, random), 0);
}

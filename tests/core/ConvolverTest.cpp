// Convolution, and the rooms that are made with it.
#include <gtest/gtest.h>

#include <random>

#include "Support.h"
#include "core/rebuild/Room.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

}  // namespace

TEST(Convolver, ConvolutionIsConvolution) {
    const AudioBuffer impulse = noise(1, 1000, 0.1f, 3), x = noise(1, 4 * Convolver::kBlock, 0.3f, 4);
    Convolver convolver(impulse, 1);
    AudioBuffer y(1, 0);
    for (int b = 0; b < 4; ++b) {
        AudioBuffer out(1, Convolver::kBlock);
        convolver.process(x.slice(b * Convolver::kBlock, Convolver::kBlock), 1, out);
        y.append(out);
    }
    for (int64_t n = Convolver::kBlock; n < y.frames(); n += 37) {
        double sum = 0;
        for (int64_t k = 0; k < 1000 && n - Convolver::kBlock - k >= 0; ++k)
            sum += double(impulse.channel(0)[size_t(k)]) * x.channel(0)[size_t(n - Convolver::kBlock - k)];
        ASSERT_NEAR(y.channel(0)[size_t(n)], sum, 1e-5) << n;
    }
}

// Source: Schroeder 1965, "New method of measuring reverberation time": the energy that is still to come falls by 60 dB
// within the decay time.
TEST(Convolver, RoomsDieAwayInTheirDecayTime) {
    for (double decay : {0.3, 0.8, 1.6}) {
        RoomShape room = RoomShape::plain(decay, 0);
        for (auto& b : room.bands) b.decay = decay;
        const AudioBuffer h = roomImpulse(room, 1, kRate);
        std::vector<double> left(size_t(h.frames()) + 1, 0.0);
        for (int64_t i = h.frames() - 1; i >= 0; --i)
            left[size_t(i)] = left[size_t(i + 1)] + double(h.channel(0)[size_t(i)]) * h.channel(0)[size_t(i)];
        EXPECT_NEAR(left[0], 1, 1e-3) << "its energy is 1";
        int64_t a = 0, b = 0;  // T20: from -5 to -25 dB, times three
        while (powerDb(left[size_t(a)]) > -5) ++a;
        while (powerDb(left[size_t(b)]) > -25) ++b;
        EXPECT_NEAR(3.0 * double(b - a) / kRate, decay, 0.08 * decay);
    }
}

TEST(Convolver, ARoomIsEstimatedFromVoicesInIt) {
    for (double decay : {0.4, 0.9}) {
        // Words: bursts of noise that end at once, at uneven places, in a room of known decay.
        std::mt19937 random(11);
        std::normal_distribution<float> normal;
        std::uniform_real_distribution<double> uniform(0, 1);
        AudioBuffer dry(1, 40 * kRate);
        for (int64_t at = kRate / 2; at < dry.frames() - 2 * kRate;) {
            const auto length = int64_t((0.15 + 0.3 * uniform(random)) * kRate);
            for (int64_t i = 0; i < length; ++i)
                dry.channel(0)[size_t(at + i)] = 0.1f * normal(random) * float(std::exp(-double(i) / length));
            at += length + int64_t((0.6 + 0.6 * uniform(random)) * kRate);
        }
        RoomShape room = RoomShape::plain(decay, 0);
        for (auto& b : room.bands) b.decay = decay;
        Convolver convolver(roomImpulse(room, 1, kRate), 1);
        AudioBuffer wet = dry;
        for (int64_t at = 0; at + Convolver::kBlock <= dry.frames(); at += Convolver::kBlock) {
            AudioBuffer out = dry.slice(at, Convolver::kBlock);
            convolver.process(dry.slice(at, Convolver::kBlock), float(fromDb(-3)), out);
            std::copy(out.channel(0).begin(), out.channel(0).end(), wet.channel(0).begin() + at);
        }
        BufferSource source(wet, kRate);
        const auto found = estimateRoom(source, 0, wet.frames(), {});
        ASSERT_TRUE(found);
        EXPECT_NEAR(found->decay(), decay, 0.25 * decay);
    }
}

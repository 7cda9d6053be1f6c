#include "core/audio/Resampler.h"

#include <gtest/gtest.h>

#include "Support.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {
AudioBuffer convert(const AudioBuffer& in, int from, int to) {
    Resampler r(from, to, in.channels());
    AudioBuffer out = r.process(in);
    out.append(r.finish());
    return out;
}
}  // namespace

TEST(Resampler, KeepsTimeAndLevel) {
    for (int to : {8000, 22050, 44100, 48000, 96000, 192000}) {
        const AudioBuffer in = test::sine(1000, 0.5, 48000, 48000);
        const AudioBuffer out = convert(in, 48000, to);
        EXPECT_NEAR(double(out.frames()), to, 2) << to;
        const AudioBuffer ideal = test::sine(1000, 0.5, to, out.frames());
        const int64_t edge = to / 20;
        EXPECT_LT(test::differenceDb(out.slice(edge, out.frames() - 2 * edge),
                                     ideal.slice(edge, out.frames() - 2 * edge)),
                  -90)
            << to;
    }
}

TEST(Resampler, BlocksDoNotMatter) {
    const AudioBuffer in = test::programme(2, 44100, 30000);
    const AudioBuffer whole = convert(in, 44100, 48000);
    Resampler r(44100, 48000, 2);
    AudioBuffer pieces(2, 0);
    for (int64_t at = 0; at < in.frames(); at += 777)
        pieces.append(r.process(in.slice(at, std::min<int64_t>(777, in.frames() - at))));
    pieces.append(r.finish());
    ASSERT_EQ(pieces.frames(), whole.frames());
    EXPECT_LT(test::differenceDb(pieces, whole), -130);
}

TEST(Resampler, EqualRatesAreAWire) {
    const AudioBuffer in = test::noise(3, 1000);
    EXPECT_LE(test::differenceDb(convert(in, 48000, 48000), in), kSilenceDb);
}

TEST(Resampler, AFilledTopReachesToTheEdge) {
    // 17.6 kHz of the 18 kHz that 36 kHz can hold, there and back.
    const AudioBuffer x = sine(17600, 0.3, 48000, 48000);
    const auto back = [&](Resampler::Edge edge) {
        Resampler down(48000, 36000, 1, edge), up(36000, 48000, 1, edge);
        AudioBuffer low = down.process(x);
        low.append(down.finish());
        AudioBuffer y = up.process(low);
        y.append(up.finish());
        return y.slice(4800, 38400);
    };
    EXPECT_LT(differenceDb(back(Resampler::Edge::Filled), x.slice(4800, 38400)), -80);
    EXPECT_LT(levelDb(back(Resampler::Edge::Clean)), levelDb(x) - 6) << "the clean one leaves the edge";
}

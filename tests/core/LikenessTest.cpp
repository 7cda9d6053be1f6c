#include <gtest/gtest.h>

#include "Places.h"
#include "Support.h"
#include "core/isolation/Isolator.h"
#include "core/isolation/Likeness.h"
#include "core/isolation/Trial.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

const fs::path demo = fs::path(test::kSourceFolder) / "demo";

}  // namespace

TEST(Likeness, HalvesOfAReelAreAlikeAndOtherReelsAreNot) {
    const auto choice = trialChoices()[1];
    const auto network = loadNetwork(choice.card);
    const auto of = [&](const char* file, double from, double seconds) {
        MediaReader reader(demo / file);
        const int64_t first = int64_t(from * reader.sampleRate()), count = int64_t(seconds * reader.sampleRate());
        const Trial trial = tryNetwork(reader, choice, network, {}, first, count, {});
        Isolator isolator(reader.channels(), reader.sampleRate());
        return likenessOf(isolator.cells(
            {}, 0, first, trial.block.slice(first - trial.from - isolator.margin(), count + 2 * isolator.margin())));
    };
    const Likeness one = of("reel-2-saloon.flac", 2, 8), two = of("reel-2-saloon.flac", 12, 8),
                   other = of("reel-1-deck.flac", 2, 8);
    EXPECT_EQ(distance(one, one), 0);
    EXPECT_LT(distance(one, two), kAlike);
    EXPECT_GT(distance(one, other), kAlike);
    EXPECT_EQ(distance(one, other), distance(other, one));
}

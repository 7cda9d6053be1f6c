#include <gtest/gtest.h>

#include "HandmadeCells.h"
#include "core/isolation/WorstPlaces.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(WorstPlaces, LieApartInOrderAndNameTheirFault) {
    Weighing w;
    w.moments.resize(100);
    for (auto& m : w.moments) m.voice = 1, m.spill = 1e-6;
    w.moments[10].damage = {60, 5, 5, 50, 5, 5};
    w.moments[12].damage = {55, 50, 5, 5, 5, 5};  // too near the one before
    w.moments[40].damage = {40, 5, 30, 5, 5, 5};
    w.moments[70].spill = 0.1;
    const auto places = worstPlaces(w);
    ASSERT_EQ(places.size(), 3u);
    EXPECT_NEAR(places[0].seconds, 1.05, 1e-9);
    EXPECT_EQ(places[0].what, "Warble");
    EXPECT_EQ(places[1].what, "Dulling");
    EXPECT_EQ(places[2].what, "Spill");
    EXPECT_NEAR(places[2].points, 75, 0.1);  // -10 dB of the 40 below the voice
}

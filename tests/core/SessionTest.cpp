#include <gtest/gtest.h>

#include "Support.h"
#include "core/session/Session.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(Session, ReelIdsStayUnique) {
    Session s;
    for (int i = 0; i < 3; ++i) s.reels.push_back(makeReel(s, "/x/a.wav"));
    s.reels.erase(s.reels.begin());
    const Reel next = makeReel(s, "/x/a.wav");
    EXPECT_EQ(s.reel(next.id), nullptr);
}

#pragma once

#include "Support.h"
#include "core/session/Session.h"

namespace rivlen::test {

/// Two reels, of which the second is worked on; its files need not be there.
inline Session example(const fs::path& folder) {
    Session s;
    s.name = "Harbour";
    s.reels.push_back(makeReel(s, folder / "media/a.wav"));
    s.reels.push_back(makeReel(s, folder / "media/b.wav"));
    s.reels[1].isolation().depth = 12;
    s.reels[1].isolation().firmness = -25;
    s.reels[1].loop = {1.5, 2.25};
    s.reels[1].quality = "quick";
    s.current = s.reels[1].id;
    s.stage = "weigh";
    return s;
}

}  // namespace rivlen::test

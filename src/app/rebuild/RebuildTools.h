#pragma once
#include "app/rebuild/ClipTools.h"
#include "app/rebuild/Ducking.h"
#include "app/rebuild/EffectDesk.h"
#include "app/rebuild/FollowDesk.h"
#include "app/rebuild/LaneTools.h"
#include "app/rebuild/MendTool.h"
#include "app/rebuild/Mends.h"
#include "app/rebuild/PartTools.h"
#include "app/rebuild/SceneTools.h"
#include "app/rebuild/SpaceListening.h"
#include "app/rebuild/TakeDesk.h"
#include "app/rebuild/ToneTools.h"

namespace rivlen {

/// Everything that Rebuild works with, made in the order in which one knows the other.
struct RebuildTools {
    RebuildTools(Document& document, const SessionFile& file, Reels& reels, Splitting& splitting, TakingApart& apart,
                 Hearing& hearing, Work& work)
        : desk(document, reels, hearing, work),
          mix(document, reels, hearing, desk, work),
          effects(desk, mix, hearing, work),
          clips(desk),
          lanes(desk),
          curves(document, desk, effects),
          ducking(desk, mix, curves),
          tones(document, reels, desk, mix),
          scene(reels, desk, mix),
          parts(document, apart, desk),
          mends(document, reels, splitting, desk, mix),
          follow(document, reels, desk, hearing, work),
          takes(document, file, reels, desk, mix, hearing, work),
          listening(hearing) {
        desk.follow();
    }
    bool busy() const { return mix.busy() || ducking.busy() || mends.busy() || follow.busy(); }

    RebuildDesk desk;
    RebuildMix mix;
    EffectDesk effects;
    ClipTools clips;
    LaneTools lanes;
    LaneCurves curves;
    Ducking ducking;
    ToneTools tones;
    SceneTools scene;
    PartTools parts;
    Mends mends;
    MendTool mend;
    FollowDesk follow;
    TakeDesk takes;
    SpaceListening listening;
};

}  // namespace rivlen

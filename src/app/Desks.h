#pragma once
#include "app/CandidateDesk.h"
#include "app/DispatchDesk.h"
#include "app/HeardMeters.h"
#include "app/MendTool.h"
#include "app/RebuildDesk.h"
#include "app/ReelsModel.h"
#include "app/RepairDesk.h"
#include "app/StrengthDesk.h"
#include "app/TrialDesk.h"
#include "app/WeighDesk.h"

namespace rivlen {

/// What the window's parts share beside the controller: one desk for each thing that is worked on.
struct Desks {
    explicit Desks(Controller& controller)
        : reels(controller),
          repairs(controller),
          strength(controller),
          weigh(controller),
          candidates(controller),
          trials(controller),
          rebuild(controller),
          dispatch(controller),
          meters(controller) {}

    ReelsModel reels;
    RepairDesk repairs;
    StrengthDesk strength;
    WeighDesk weigh;
    CandidateDesk candidates;
    TrialDesk trials;
    RebuildDesk rebuild;
    DispatchDesk dispatch;
    HeardMeters meters;
    MendTool mend;
};

}  // namespace rivlen

#pragma once
#include "app/dispatch/CleanDesk.h"
#include "app/dispatch/DeliveryHearing.h"
#include "app/hearing/HeardMeters.h"
#include "app/intake/ReelsModel.h"
#include "app/intake/TreatmentDesk.h"
#include "app/rebuild/RebuildTools.h"
#include "app/split/SceneDesk.h"
#include "app/split/UnsureDesk.h"
#include "app/weigh/CandidateDesk.h"
#include "app/weigh/OutsideDesk.h"
#include "app/weigh/StrengthDesk.h"
#include "app/weigh/TrialDesk.h"
#include "app/weigh/WeighDesk.h"
#include "app/window/Studio.h"

namespace rivlen {

/// One desk for each thing that is worked on.
struct Desks {
    explicit Desks(Studio& s)
        : reels(s.document, s.reels),
          treatment(s.document, s.reels, s.hearing, s.work),
          marks(s.document, s.reels, s.hearing, s.work),
          unsure(s.document, s.reels, s.hearing),
          scenes(s.document, s.reels, s.file, s.splitting, marks, s.work),
          strength(s.document, s.reels, s.work),
          weigh(s.document, s.reels, s.hearing, s.work),
          candidates(s.document, s.reels, s.hearing, s.work),
          trials(s.document, s.reels, s.splitting, s.hearing, s.work),
          rebuild(s.document, s.file, s.reels, s.splitting, s.apart, s.hearing, s.work),
          outside(
              s.document, s.file, s.reels, s.hearing,
              [this](const QString& step, const std::function<std::string(Rebuild&)>& change) {
                  std::string lane;
                  rebuild.desk.edit(step, [&](Rebuild& r) { lane = change(r); });
                  rebuild.desk.chooseLane(lane);
              },
              s.work),
          deliverables(s.document, s.reels, s.work),
          dispatch(s.document, s.reels, deliverables, s.work),
          delivered(s.document, s.reels, deliverables, dispatch, rebuild.mix, s.work),
          clean(s.document, s.reels, dispatch, s.work),
          meters(s.hearing) {}

    ReelsModel reels;
    TreatmentDesk treatment;
    MarkDesk marks;
    UnsureDesk unsure;
    SceneDesk scenes;
    StrengthDesk strength;
    WeighDesk weigh;
    CandidateDesk candidates;
    TrialDesk trials;
    RebuildTools rebuild;
    OutsideDesk outside;
    DeliverablesDesk deliverables;
    DispatchDesk dispatch;
    DeliveryHearing delivered;
    CleanDesk clean;
    HeardMeters meters;
};

}  // namespace rivlen

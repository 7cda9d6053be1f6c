#pragma once
#include "app/weigh/CandidateDesk.h"
#include "app/weigh/OutsideDesk.h"
#include "app/weigh/StrengthDesk.h"
#include "app/weigh/TrialDesk.h"
#include "app/weigh/WeighDesk.h"
#include "app/widgets/StagePanel.h"

namespace rivlen {

StagePanel* makeWeighPanel(Document& document, Reels& reels, Splitting& splitting, Hearing& hearing, Work& work,
                           StrengthDesk& strength, WeighDesk& weigh, CandidateDesk& candidates, TrialDesk& trials,
                           OutsideDesk& outside);

}  // namespace rivlen

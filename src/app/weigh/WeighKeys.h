#pragma once
#include "app/weigh/CandidateDesk.h"
#include "app/weigh/OutsideDesk.h"
#include "app/weigh/StrengthDesk.h"
#include "app/weigh/TrialDesk.h"
#include "app/weigh/WeighDesk.h"
#include "app/widgets/KeySheet.h"

namespace rivlen {

/// The keys of Weigh. toggleDifference shows the Difference picture, or hides it.
void addWeighKeys(KeySheet& sheet, const Document& document, const Hearing& hearing, StrengthDesk& strength,
                  WeighDesk& weigh, CandidateDesk& candidates, TrialDesk& trials, OutsideDesk& outside,
                  const std::function<void()>& toggleDifference);

}  // namespace rivlen

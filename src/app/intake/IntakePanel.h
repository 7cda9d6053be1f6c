#pragma once
#include "app/intake/ReelsModel.h"
#include "app/intake/TreatmentDesk.h"
#include "app/reels/ReelReader.h"
#include "app/widgets/StagePanel.h"

namespace rivlen {

StagePanel* makeIntakePanel(Document& document, Reels& reels, ReelReader& reader, Work& work, ReelsModel& model,
                            TreatmentDesk& desk, QWidget* foot);

}  // namespace rivlen

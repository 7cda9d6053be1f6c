#pragma once
#include "app/hearing/HeardMeters.h"
#include "app/rebuild/MendTool.h"
#include "app/rebuild/RebuildDesk.h"
#include "app/widgets/StagePanel.h"

namespace rivlen {

StagePanel* makeRebuildPanel(Hearing& hearing, RebuildDesk& rebuild, HeardMeters& heard, MendTool& mend);

}  // namespace rivlen

#pragma once
#include "app/hearing/HeardMeters.h"
#include "app/rebuild/RebuildTools.h"
#include "app/widgets/StagePanel.h"

namespace rivlen {

StagePanel* makeRebuildPanel(const Document& document, Hearing& hearing, RebuildTools& tools, HeardMeters& heard);

}  // namespace rivlen

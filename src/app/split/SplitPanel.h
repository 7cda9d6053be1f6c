#pragma once
#include "app/reels/Splitting.h"
#include "app/split/InstalledNetworks.h"
#include "app/split/MarkDesk.h"
#include "app/widgets/StagePanel.h"

namespace rivlen {

StagePanel* makeSplitPanel(Document& document, Reels& reels, Splitting& splitting, Work& work,
                           InstalledNetworks& networks, MarkDesk& marks, Hearing& hearing);

}  // namespace rivlen

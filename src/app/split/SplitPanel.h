#pragma once
#include "app/reels/Splitting.h"
#include "app/split/InstalledNetworks.h"
#include "app/split/SceneDesk.h"
#include "app/widgets/StagePanel.h"

namespace rivlen {

StagePanel* makeSplitPanel(Document& document, Reels& reels, Splitting& splitting, Work& work,
                           InstalledNetworks& networks, MarkDesk& marks, SceneDesk& scenes, Hearing& hearing);

}  // namespace rivlen

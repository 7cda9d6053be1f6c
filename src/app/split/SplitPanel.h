#pragma once
#include "app/reels/TakingApart.h"
#include "app/split/InstalledNetworks.h"
#include "app/split/SceneDesk.h"
#include "app/widgets/StagePanel.h"

namespace rivlen {

StagePanel* makeSplitPanel(Document& document, Reels& reels, Splitting& splitting, TakingApart& apart, Work& work,
                           InstalledNetworks& networks, MarkDesk& marks, SceneDesk& scenes, Hearing& hearing,
                           QWidget* tryPage);

}  // namespace rivlen

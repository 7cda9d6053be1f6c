#pragma once
#include "app/dispatch/DispatchDesk.h"
#include "app/widgets/StagePanel.h"

namespace rivlen {

StagePanel* makeDispatchPanel(Document& document, Reels& reels, Work& work, DeliverablesDesk& deliverables,
                              DispatchDesk& dispatch);

}  // namespace rivlen

#pragma once
#include <array>
#include <functional>

#include "app/widgets/StagePanel.h"
#include "app/window/Desks.h"

namespace rivlen {

/// How the panels of kStages are made, in their order.
using MakePanel = std::function<StagePanel*(Studio&, Desks&)>;
const std::array<MakePanel, kStages.size()>& panelTable();

}  // namespace rivlen

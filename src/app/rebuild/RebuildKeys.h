#pragma once
#include "app/rebuild/RebuildTools.h"
#include "app/widgets/KeySheet.h"

namespace rivlen {

/// The keys of Rebuild. replaceMusic and addEffect open the dialogs for it.
void addRebuildKeys(KeySheet& sheet, const Document& document, const Reels& reels, RebuildTools& tools,
                    const std::function<void()>& replaceMusic, const std::function<void()>& addEffect);

}  // namespace rivlen

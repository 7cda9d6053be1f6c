#pragma once
#include "app/split/SceneDesk.h"
#include "app/split/UnsureDesk.h"
#include "app/widgets/KeySheet.h"

namespace rivlen {

/// The keys of Split.
void addSplitKeys(KeySheet& sheet, const Document& document, MarkDesk& marks, SceneDesk& scenes, UnsureDesk& unsure);

}  // namespace rivlen

#pragma once
#include "app/split/MarkDesk.h"
#include "app/widgets/KeySheet.h"

namespace rivlen {

/// The keys of Split.
void addSplitKeys(KeySheet& sheet, const Document& document, MarkDesk& marks);

}  // namespace rivlen

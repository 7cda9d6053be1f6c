#pragma once
#include "app/dispatch/DeliverablesDesk.h"
#include "app/widgets/KeySheet.h"

namespace rivlen {

void addDispatchKeys(KeySheet& sheet, const Document& document, DeliverablesDesk& desk);

}  // namespace rivlen

#pragma once
#include "app/intake/TreatmentDesk.h"
#include "app/widgets/KeySheet.h"

namespace rivlen {

void addIntakeKeys(KeySheet& sheet, const Document& document, TreatmentDesk& desk);

}  // namespace rivlen

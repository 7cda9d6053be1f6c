#include "app/intake/IntakeKeys.h"

namespace rivlen {

void addIntakeKeys(KeySheet& sheet, const Document& document, TreatmentDesk& desk) {
    const KeySheet::When here = [&document] { return document.session().stage == stage::intake; };
    sheet.add("at Intake: hear the next or the last fault",
              {{"N", [&desk] { desk.stepFault(1); }}, {"Shift+N", [&desk] { desk.stepFault(-1); }}}, here);
}

}  // namespace rivlen

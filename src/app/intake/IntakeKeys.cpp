#include "app/intake/IntakeKeys.h"

#include "app/words/Say.h"

namespace rivlen {

void addIntakeKeys(KeySheet& sheet, const Document& document, TreatmentDesk& desk) {
    const KeySheet::When here = [&document] { return document.session().stage == stage::intake; };
    sheet.add(say("at Intake: hear the next or the last fault"),
              {{"N", [&desk] { desk.stepFault(1); }}, {"Shift+N", [&desk] { desk.stepFault(-1); }}}, here);
}

}  // namespace rivlen

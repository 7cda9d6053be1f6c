#include "app/dispatch/DispatchKeys.h"

namespace rivlen {

void addDispatchKeys(KeySheet& sheet, const Document& document, DeliverablesDesk& desk) {
    const KeySheet::When here = [&document] { return document.session().stage == stage::dispatch; };
    sheet.add("at Dispatch: tick the selected rows", {{"X", [&desk] { desk.tickSelected(); }}}, here);
    sheet.add("at Dispatch: those of all reels, or of the present one",
              {{"Y", [&desk] { desk.setAllReels(!desk.allReels()); }}}, here);
}

}  // namespace rivlen

#include "app/dispatch/DispatchKeys.h"

#include "app/words/Say.h"

namespace rivlen {

void addDispatchKeys(KeySheet& sheet, const Document& document, DeliverablesDesk& desk) {
    const KeySheet::When here = [&document] { return document.session().stage == stage::dispatch; };
    sheet.add(say("at Dispatch: tick the selected rows"), {{"X", [&desk] { desk.tickSelected(); }}}, here);
    sheet.add(say("at Dispatch: those of all reels, or of the present one"),
              {{"Y", [&desk] { desk.setAllReels(!desk.allReels()); }}}, here);
}

}  // namespace rivlen

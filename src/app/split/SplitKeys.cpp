#include "app/split/SplitKeys.h"

#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/isolation/StemNames.h"

namespace rivlen {

void addSplitKeys(KeySheet& sheet, const Document& document, MarkDesk& marks, SceneDesk& scenes, UnsureDesk& unsure) {
    const KeySheet::When here = [&document] { return document.session().stage == stage::split; };
    std::vector<KeySheet::Key> only;
    for (size_t s = 0; s < kStemCount; ++s)
        only.push_back({"Shift+" + theme::stemLetter(int(s)), [&marks, s] { marks.add(kStemNames[s]); }});
    sheet.add(say("at Split: only Dialogue, Music, Ambience is heard in the loop"), only, here);
    sheet.add(say("at Split: hear the next or the last mark, or proposal"),
              {{"N", [&marks] { marks.step(1); }}, {"Shift+N", [&marks] { marks.step(-1); }}}, here);
    sheet.add(say("at Split: take the proposed mark; remove a mark or dismiss a proposal"),
              {{"K", [&marks] { marks.accept(); }}, {"Shift+K", [&marks] { marks.takeAway(); }}}, here);
    sheet.add(say("at Split: hear the next or the last moment that the network was unsure of"),
              {{"J", [&unsure] { unsure.step(1); }}, {"Shift+J", [&unsure] { unsure.step(-1); }}}, here);
    sheet.add(say("at Split: learn the scene from its marks, or stop learning"),
              {{"Shift+L", [&scenes] { scenes.learn(); }}}, here);
}

}  // namespace rivlen

#include "app/weigh/WeighKeys.h"

#include "app/words/Say.h"

namespace rivlen {

void addWeighKeys(KeySheet& sheet, const Document& document, const Hearing& hearing, StrengthDesk& strength,
                  WeighDesk& weigh, CandidateDesk& candidates, TrialDesk& trials, OutsideDesk& outside,
                  const std::function<void()>& toggleDifference) {
    const KeySheet::When here = [&document] { return document.session().stage == stage::weigh; };
    const KeySheet::When open = [&hearing, here] { return here() && !hearing.blind(); };  // nothing is hidden
    std::vector<KeySheet::Key> letters;
    for (int i = 0; i < kCandidates; ++i) {
        const QString letter = CandidateDesk::letter(i);
        letters.push_back({letter, [&candidates, i] { candidates.use(i); }});
        letters.push_back({"Shift+" + letter, [&candidates, i] { candidates.keep(i); }});
    }
    sheet.add(say("at Weigh: use a candidate; with Shift keep the present setting as it"), letters, here, "A … D");
    sheet.add(say("in a blind comparison: prefer what is heard"), {{"P", [&candidates] { candidates.prefer(); }}},
              here);
    std::vector<KeySheet::Key> stems;
    for (size_t s = 0; s < kStemCount; ++s)
        stems.push_back({QString("Ctrl+%1").arg(s + 1), [&strength, s] { strength.chooseStem(kStemNames[s]); }});
    sheet.add(say("at Weigh: the strength of Dialogue, Music, Ambience"), stems, open, "Ctrl+1 … 3");
    sheet.add(say("at Weigh: the next part of the music or the ambience"),
              {{"Shift+P", [&strength] { strength.chooseNextPart(); }}}, open);
    sheet.add(say("at Weigh: a region of its own for the loop"), {{"R", [&strength] { strength.regionFromLoop(); }}},
              open);
    sheet.add(say("at Split and Weigh: try networks and settings on the loop"), {{"T", [&trials] { trials.start(); }}},
              [&document, open] { return open() || document.session().stage == stage::split; });
    sheet.add(say("at Weigh: send the loop through the cleaner outside; with Ctrl as well lay in what came back"),
              {{"Shift+O", [&outside] { outside.send(); }},
               {"Ctrl+Shift+O", [&outside] { outside.layIn(outside.chosen()); }}},
              open);
    sheet.add(say("at Weigh: the difference of two candidates as a picture"), {{"X", toggleDifference}}, open);
    sheet.add(say("at Weigh: take the suggested strength"), {{"K", [&weigh] { weigh.useSuggestion(); }}}, open);
    sheet.add(say("at Weigh: hear the next or the last of the worst places"),
              {{"N", [&weigh] { weigh.step(1); }}, {"Shift+N", [&weigh] { weigh.step(-1); }}}, open);
}

}  // namespace rivlen

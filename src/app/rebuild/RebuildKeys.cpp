#include "app/rebuild/RebuildKeys.h"

#include "app/words/Say.h"

namespace rivlen {

void addRebuildKeys(KeySheet& sheet, const Document& document, const Reels& reels, RebuildTools& tools,
                    const std::function<void()>& replaceMusic, const std::function<void()>& addEffect) {
    const KeySheet::When here = [&document] { return document.session().stage == stage::rebuild; };
    // A picture frame, or 10 ms where there is no picture.
    const auto step = [&reels] {
        const ReelFacts* facts = reels.current();
        return facts && facts->info && facts->info->picture && facts->info->picture->fps > 0
                   ? 1 / facts->info->picture->fps
                   : 0.01;
    };
    RebuildTools* t = &tools;
    sheet.add(say("at Rebuild: choose a lane; N, Shift+N a clip on it"),
              {{"Ctrl+Up", [t] { t->lanes.step(-1); }},
               {"Ctrl+Down", [t] { t->lanes.step(1); }},
               {"N", [t] { t->clips.stepSelection(1); }},
               {"Shift+N", [t] { t->clips.stepSelection(-1); }}},
              here, "Ctrl+Up, Ctrl+Down");
    sheet.add(say("at Rebuild: cut clips at the playhead, cross-fade into the next"),
              {{"S", [t] { t->clips.cutAtPlayhead(); }}, {"X", [t] { t->clips.crossFadeSelected(); }}}, here);
    sheet.add(say("at Rebuild: duplicate, copy, cut, paste at the playhead; Delete removes"),
              {{"Ctrl+D", [t] { t->clips.duplicateSelected(); }},
               {"Ctrl+C", [t] { t->clips.copy(); }},
               {"Ctrl+X", [t] { t->clips.copy(), t->clips.removeSelected(); }},
               {"Ctrl+V", [t] { t->clips.paste(); }}},
              here);
    sheet.add(say("at Rebuild: trim clips to the playhead"),
              {{"Shift+[", [t] { t->clips.trimToPlayhead(true); }},
               {"Shift+]", [t] { t->clips.trimToPlayhead(false); }},
               {"{", [t] { t->clips.trimToPlayhead(true); }},  // what Shift makes of the brackets on many keyboards
               {"}", [t] { t->clips.trimToPlayhead(false); }}},
              here, "Shift+[, Shift+]");
    sheet.add(say("at Rebuild: nudge by a picture frame or 10 ms; with Shift slip"),
              {{"Alt+Left", [t, step] { t->clips.nudge(-step()); }},
               {"Alt+Right", [t, step] { t->clips.nudge(step()); }},
               {"Alt+Shift+Left", [t, step] { t->clips.slip(-step()); }},
               {"Alt+Shift+Right", [t, step] { t->clips.slip(step()); }}},
              here, "Alt+Left, Alt+Right");
    sheet.add(say("at Rebuild: mute clips, mute the lane, solo it"),
              {{"U", [t] { t->clips.toggleMuted(); }},
               {"Shift+U", [t] { t->desk.editStrip(say("Mute lane"), [](Strip& s) { s.mute = !s.mute; }); }},
               {"Shift+S",
                [t] {
                    if (t->desk.laneId() != "mix")
                        t->desk.editStrip(say("Solo lane"), [](Strip& s) { s.solo = !s.solo; });
                }}},
              here);
    sheet.add(say("at Rebuild: keep a before, hear before or after"),
              {{"E", [t] { t->clips.keepBefore(); }}, {"W", [t] { t->clips.swapBefore(); }}}, here);
    sheet.add(say("at Rebuild: the music without its vocals, and with them again"),
              {{"Shift+I", [t] { t->parts.instrumental(); }}}, here);
    sheet.add(say("at Rebuild: put an installed effect into the chain"), {{"Shift+E", addEffect}}, here);
    sheet.add(say("at Rebuild: mark in the picture what the lane follows; to where it was lost"),
              {{"Shift+F", [t] { t->follow.setMarking(!t->follow.marking()); }},
               {"Ctrl+Shift+F", [t] { t->follow.toLost(); }}},
              here);
    sheet.add(say("at Rebuild: record a voice line, and end it"), {{"Shift+R", [t] { t->takes.toggle(); }}}, here);
    sheet.add(say("at Rebuild: marker, fill the loop with room tone, replace the music"),
              {{"K", [t] { t->lanes.addMarker(); }}, {"T", [t] { t->tones.fillWithTone(); }}, {"R", replaceMusic}},
              here);
}

}  // namespace rivlen

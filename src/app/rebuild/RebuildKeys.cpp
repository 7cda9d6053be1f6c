#include "app/rebuild/RebuildKeys.h"

namespace rivlen {

void addRebuildKeys(KeySheet& sheet, const Document& document, const Reels& reels, RebuildDesk& desk,
                    const std::function<void()>& replaceMusic) {
    const KeySheet::When here = [&document] { return document.session().stage == stage::rebuild; };
    // A picture frame, or 10 ms where there is no picture.
    const auto step = [&reels] {
        const ReelFacts* facts = reels.current();
        return facts && facts->info && facts->info->picture && facts->info->picture->fps > 0
                   ? 1 / facts->info->picture->fps
                   : 0.01;
    };
    RebuildDesk* d = &desk;
    sheet.add("at Rebuild: choose a lane; N, Shift+N a clip on it",
              {{"Ctrl+Up", [d] { d->stepLane(-1); }},
               {"Ctrl+Down", [d] { d->stepLane(1); }},
               {"N", [d] { d->stepSelection(1); }},
               {"Shift+N", [d] { d->stepSelection(-1); }}},
              here, "Ctrl+Up, Ctrl+Down");
    sheet.add("at Rebuild: split clips at the playhead, cross-fade into the next",
              {{"S", [d] { d->splitAtPlayhead(); }}, {"X", [d] { d->crossFadeSelected(); }}}, here);
    sheet.add("at Rebuild: duplicate, copy, cut, paste at the playhead; Delete removes",
              {{"Ctrl+D", [d] { d->duplicateSelected(); }},
               {"Ctrl+C", [d] { d->copy(); }},
               {"Ctrl+X", [d] { d->copy(), d->removeSelected(); }},
               {"Ctrl+V", [d] { d->paste(); }}},
              here);
    sheet.add("at Rebuild: trim clips to the playhead",
              {{"Shift+[", [d] { d->trimToPlayhead(true); }},
               {"Shift+]", [d] { d->trimToPlayhead(false); }},
               {"{", [d] { d->trimToPlayhead(true); }},  // what Shift makes of the brackets on many keyboards
               {"}", [d] { d->trimToPlayhead(false); }}},
              here, "Shift+[, Shift+]");
    sheet.add("at Rebuild: nudge by a picture frame or 10 ms; with Shift slip",
              {{"Alt+Left", [d, step] { d->nudge(-step()); }},
               {"Alt+Right", [d, step] { d->nudge(step()); }},
               {"Alt+Shift+Left", [d, step] { d->slip(-step()); }},
               {"Alt+Shift+Right", [d, step] { d->slip(step()); }}},
              here, "Alt+Left, Alt+Right");
    sheet.add("at Rebuild: mute clips, mute the lane, solo it",
              {{"U", [d] { d->toggleMuted(); }},
               {"Shift+U", [d] { d->editStrip("Mute lane", [](Strip& s) { s.mute = !s.mute; }); }},
               {"Shift+S",
                [d] {
                    if (d->laneId() != "mix") d->editStrip("Solo lane", [](Strip& s) { s.solo = !s.solo; });
                }}},
              here);
    sheet.add("at Rebuild: keep a before, hear before or after",
              {{"E", [d] { d->keepBefore(); }}, {"W", [d] { d->swapBefore(); }}}, here);
    sheet.add("at Rebuild: marker, fill the loop with room tone, replace the music",
              {{"K", [d] { d->addMarker(); }}, {"T", [d] { d->fillWithTone(); }}, {"R", replaceMusic}}, here);
}

}  // namespace rivlen

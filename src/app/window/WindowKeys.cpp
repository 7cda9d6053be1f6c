#include "app/window/WindowKeys.h"

#include "app/words/Say.h"

namespace rivlen {

void setLoopEdge(Document& document, const Player& player, double duration, bool start) {
    if (!player.isOpen()) return;
    const double at = double(player.position()) / player.sampleRate();
    document.editReel(say("Set loop"), [&](Reel& r) {
        std::pair<double, double> span = r.loop.value_or(std::pair(0.0, duration));
        (start ? span.first : span.second) = at;
        if (span.second - span.first < 0.02) span = start ? std::pair(at, duration) : std::pair(0.0, at);
        if (span.second - span.first >= 0.02) r.loop = span;
    });
}

namespace {

void addHearingKeys(KeySheet& sheet, Studio& s, Desks& desks, Pictures& pictures) {
    Hearing* hearing = &s.hearing;
    sheet.add(say("play or stop"), {{"Space", [hearing] { hearing->togglePlay(); }}});
    const auto hear = [&s, &desks, hearing](Heard h) {
        return KeySheet::Key{QString::number(int(h) + 1), [&s, &desks, hearing, h] {
                                 const ReelFacts* facts = s.reels.current();
                                 const bool treated = s.document.reel() && !s.document.reel()->treatments.empty();
                                 const bool version = h == Heard::Recorded || h == Heard::Removed;
                                 if (h == Heard::Source || (h == Heard::Mix ? desks.rebuild.desk.ready()
                                                            : version       ? treated
                                                                            : facts && facts->stems))
                                     hearing->hear(h);
                             }};
    };
    sheet.add(say("hear Source, Result, Dialogue, Music, Ambience, Leftovers"),
              {hear(Heard::Source), hear(Heard::Result), hear(Heard::Dialogue), hear(Heard::Music),
               hear(Heard::Ambience), hear(Heard::Leftovers)},
              {}, "1 … 6");
    sheet.add(say("where treatments work: hear the reel as recorded, and what they removed"),
              {hear(Heard::Recorded), hear(Heard::Removed)});
    sheet.add(say("hear the Mix, where there is a rebuild"), {hear(Heard::Mix)});
    sheet.tell(say("O, held"), say("hear the source while the key is down"));
    sheet.add(say("level match on or off"), {{"M", [hearing] { hearing->match().set(!hearing->match().on()); }}});
    const auto edge = [&s, &pictures](bool start) {
        return
            [&s, &pictures, start] { setLoopEdge(s.document, s.hearing.player(), pictures.axis().duration(), start); };
    };
    sheet.add(say("loop starts or ends at the playhead"), {{"[", edge(true)}, {"]", edge(false)}});
    sheet.add(say("take the loop away"), {{"L", [hearing] { hearing->removeLoop(); }}});
    const auto move = [hearing](double seconds) {
        return [hearing, seconds] {
            const Player& p = hearing->player();
            if (p.isOpen()) hearing->locate(p.position() + int64_t(seconds * p.sampleRate()));
        };
    };
    sheet.add(say("one second back or on"), {{",", move(-1)}, {".", move(1)}}, {}, say(", and ."));
    sheet.add(say("to the start or the end"), {{"Home", [hearing] { hearing->locate(0); }},
                                               {"End", [hearing] { hearing->locate(hearing->player().frames()); }}});
}

}  // namespace

void addWindowKeys(KeySheet& sheet, Studio& s, Desks& desks, Pictures& pictures, PictureDock& dock,
                   const std::function<void()>& toggleTable) {
    using Picture = Pictures::Picture;
    addHearingKeys(sheet, s, desks, pictures);
    Headphones& head = s.hearing.headphones();
    const auto turn = [&head](double by) { return [&head, by] { head.turn(by); }; };
    sheet.add(say("on headphones: turn the head, look ahead"),
              {{"Ctrl+Shift+Left", turn(15)}, {"Ctrl+Shift+Right", turn(-15)}, {"Ctrl+Shift+Up", turn(0)}},
              [&head] { return head.on(); });
    sheet.tell("Ctrl+H", say("hear the mix on headphones"));
    sheet.add(say("a picture frame back or on"),
              {{"Ctrl+Left", [&dock] { dock.step(-1); }}, {"Ctrl+Right", [&dock] { dock.step(1); }}});
    sheet.add(say("show or hide the picture window"), {{"F", [&dock] {
                                                            if (dock.hasPicture()) dock.toggleViewAction()->trigger();
                                                        }}});
    sheet.add(say("all reels as a table"), {{"Y", toggleTable}},
              [&s] { return s.document.session().stage != stage::dispatch; });
    sheet.add(say("Current or Ownership picture"),
              {{"V", [&pictures] { pictures.toggle(Picture::Ownership, Picture::Current); }}});
    sheet.add(say("longer or shorter spectra in the Ownership picture"),
              {{"Shift+V", [&pictures] { pictures.stepWindow(); }}});
    TimeAxis* axis = &pictures.axis();
    const auto zoom = [axis](double factor) {
        return [axis, factor] { axis->zoom(factor, (axis->from() + axis->to()) / 2); };
    };
    sheet.add(say("show less time, more time, everything"),
              {{"+", zoom(0.5)}, {"-", zoom(2)}, {"0", [axis] { axis->show(0, axis->duration()); }}});
    std::vector<KeySheet::Key> stages;
    for (size_t i = 0; i < kStages.size(); ++i)
        stages.push_back({QString("Alt+%1").arg(i + 1), [&s, i] { s.document.setStage(kStages[i].id); }});
    sheet.add(say("the stages of the course"), stages, {}, "Alt+1 … 5");
    sheet.tell("Ctrl+I, Ctrl+Shift+I", say("add recordings, add a folder"));
    sheet.tell("Ctrl+Return", say("split the reel"));
    sheet.tell("Ctrl+Shift+Return", say("clean its voice in one go, and deliver it"));
    sheet.tell("Ctrl+E", say("export its stems"));
    sheet.tell("G", say("show or hide the meters"));
    sheet.tell("Ctrl+Shift+V, Ctrl+Shift+L", say("the picture, the lanes in a window of their own, and back"));
    sheet.add(say("undo, redo"),
              {{"Ctrl+Z", [&s] { s.document.undo(); }}, {"Ctrl+Shift+Z", [&s] { s.document.redo(); }}});
    sheet.tell("Return", say("do what the line at the foot proposes"));
    sheet.tell(say("Tab, Return"), say("move between controls, press a button"));
    sheet.tell("Esc", say("dismiss a message"));
}

}  // namespace rivlen

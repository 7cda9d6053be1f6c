#include "app/rebuild/ToneTools.h"
#include "app/rebuild/LaneNames.h"

#include <algorithm>
#include <cmath>

#include "app/words/Say.h"
#include "core/rebuild/Automation.h"
#include "core/rebuild/ClipEdits.h"
#include "core/rebuild/MendPatches.h"
#include "core/rebuild/RenderGraph.h"
#include "core/rebuild/RoomTone.h"

namespace rivlen {

ToneTools::ToneTools(const Document& document, const Reels& reels, RebuildDesk& desk, RebuildMix& mix)
    : m_document(document), m_reels(reels), m_desk(desk), m_mix(mix) {
    QObject::connect(&desk, &RebuildDesk::reelChanged, &mix, [this] { m_silences.clear(); });
}

void ToneTools::fillWithTone() {
    const Reel* reel = m_document.reel();
    if (!reel || !reel->loop)
        return m_desk.tell(say("Set a loop over the hole that is to be filled: drag over the picture."));
    if (!m_desk.lane()) return m_desk.tell(say("Choose the lane that is to be filled."));
    const auto span = *reel->loop;
    // The tone comes from what is between the words: of the ambience, or where it is not split of the recording.
    const ReelFacts* state = m_reels.current();
    const std::string material = state->stems ? "ambience" : "source";
    const auto found = std::make_shared<std::vector<std::pair<double, double>>>();
    m_mix.run(
        say("Looking for room tone"),
        [found, material, materials = m_mix.materials(), whole = m_desk.shared(),
         split = state->stems != nullptr](Progress& p) {
            const auto room = materials->open(material, *whole);
            const auto voice = split ? materials->open("dialogue", *whole) : nullptr;
            *found = findRoomTone(*room, voice.get(), 20, p);
        },
        [this, found, span, material, target = m_desk.laneId()] {
            if (found->empty())
                return m_desk.tell(
                    say("No quiet place of a quarter of a second was found between the words to make room tone from."));
            double total = 0;
            for (const auto& [a, b] : *found) total += b - a;
            std::string made;
            m_desk.edit(say("Fill with room tone"), [&](Rebuild& r) {
                if (!std::as_const(r).lane(target)) return;
                std::string tone;
                for (const Tone& t : r.tones)
                    if (t.spans == *found && t.material == material) tone = t.id;
                if (tone.empty()) {
                    r.tones.push_back({r.freeId("tone"), "Room tone", material, *found, unsigned(r.tones.size() + 1)});
                    tone = r.tones.back().id;
                }
                constexpr double fade = 0.06;
                clearSpan(r, target, span.first, span.second, fade);
                // The neighbours are drawn out under the tone's fades, so that nothing dips.
                for (Clip& c : r.lane(target)->clips) {
                    if (std::fabs(c.end() - span.first) < 0.001)
                        c.length += fade, c.fadeOut = fade, c.fadeOutShape = FadeShape::EqualPower;
                    if (std::fabs(c.at - span.second) < 0.001 && c.offset >= fade)
                        c.at -= fade, c.offset -= fade, c.length += fade, c.fadeIn = fade,
                                                                          c.fadeInShape = FadeShape::EqualPower;
                }
                Clip c;
                c.id = made = r.freeId("clip");
                c.material = tone;
                c.at = span.first;
                c.length = span.second - span.first;
                c.offset = 3.7 * double(r.lane(target)->clips.size());  // another place of the endless tone each time
                c.fadeIn = c.fadeOut = std::min(fade, c.length / 2);
                r.lane(target)->clips.push_back(c);
                sortClips(*r.lane(target));
            });
            m_desk.select({made});
            m_desk.report(say("Filled with room tone made from %1 s between the words.").arg(total, 0, 'f', 1));
        });
}

void ToneTools::muteLoop() {
    const Reel* reel = m_document.reel();
    if (!reel || !reel->loop) return m_desk.tell(say("Set a loop over what is to be cut out: drag over the picture."));
    m_desk.edit(say("Cut out"),
                [&](Rebuild& r) { clearSpan(r, m_desk.laneId(), reel->loop->first, reel->loop->second, 0.01); });
}

void ToneTools::findSilences(double threshold, double seconds) {
    if (!m_desk.lane()) return m_desk.tell(say("Choose the lane whose silences are to be found."));
    const auto found = std::make_shared<std::vector<std::pair<double, double>>>();
    m_mix.run(
        say("Looking for silences"),
        [found, threshold, seconds, whole = m_desk.shared(), id = m_desk.laneId(),
         materials = m_mix.materials()](Progress& p) {
            // The lane as it sounds, by itself.
            Rebuild alone = *whole;
            std::erase_if(alone.lanes, [&](const auto& l) { return l->id != id; });
            alone.lanes[0].edit().strip.mute = false;
            alone.lanes[0].edit().strip.solo = false;
            alone.lanes[0].edit().duck.on = false;
            alone.groups.clear();
            alone.mix = {};
            alone.format = MixFormat::Reel;
            SilenceFinder finder(materials->reel().sampleRate);
            renderMix(
                alone, materials, {2, 1}, 0, materials->reel().frames, [&](const AudioBuffer& b) { finder.add(b); }, p);
            *found = finder.spans(threshold, seconds);
        },
        [this, found, id = m_desk.laneId()] {
            m_silences = *found;
            m_silencesOf = id;
            double total = 0;
            for (const auto& [a, b] : m_silences) total += b - a;
            m_desk.report(m_silences.empty()
                              ? say("No silence of that length on %1.").arg(laneName(m_desk.rebuild(), id))
                              : say("%1 silences on %2, %3 s together.")
                                    .arg(m_silences.size())
                                    .arg(laneName(m_desk.rebuild(), id))
                                    .arg(total, 0, 'f', 1));
        });
}

void ToneTools::shortenSilences(double to) {
    if (m_silences.empty()) return;
    const auto spans = m_silences;
    m_desk.edit(say("Shorten silences"), [&](Rebuild& r) {
        for (auto s = spans.rbegin(); s != spans.rend(); ++s)  // from the end, so that the times before stay right
            if (s->second - s->first > to) removeTime(r, s->first + to / 2, s->second - to / 2);
    });
    m_silences.clear();
    const ReelFacts* state = m_reels.current();
    if (state && state->info && state->info->picture)
        m_desk.tell(
            say("Time was taken out: from the first shortened silence on, the sound no longer fits the picture. Undo "
                "brings it back."));
    m_desk.announce();
}

void ToneTools::fillSilences() {
    if (m_silences.empty()) return;
    const auto spans = m_silences;
    const auto found = std::make_shared<std::vector<std::pair<double, double>>>();
    const bool split = m_reels.current()->stems != nullptr;
    const std::string material = split ? "ambience" : "source";
    m_mix.run(
        say("Looking for room tone"),
        [found, split, material, materials = m_mix.materials(), whole = m_desk.shared()](Progress& p) {
            const auto room = materials->open(material, *whole);
            const auto voice = split ? materials->open("dialogue", *whole) : nullptr;
            *found = findRoomTone(*room, voice.get(), 20, p);
        },
        [this, spans, found, material, target = m_silencesOf] {
            if (found->empty())
                return m_desk.tell(
                    say("No quiet place of a quarter of a second was found between the words to make room tone from."));
            m_desk.edit(say("Fill silences"), [&](Rebuild& r) {
                if (!std::as_const(r).lane(target)) return;
                r.tones.push_back({r.freeId("tone"), "Room tone", material, *found, unsigned(r.tones.size() + 1)});
                const std::string lane = rivlen::addLane(r, "Room tone", target);
                for (const auto& [from, to] : spans) {
                    Clip c;
                    c.id = r.freeId("clip");
                    c.material = r.tones.back().id;
                    c.at = from;
                    c.length = to - from;
                    c.offset = from;
                    c.fadeIn = c.fadeOut = std::min(0.1, c.length / 2);
                    r.lane(lane)->clips.push_back(c);
                }
                sortClips(*r.lane(lane));
            });
        });
}

}  // namespace rivlen

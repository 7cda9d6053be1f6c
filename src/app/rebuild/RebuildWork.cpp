// RebuildDesk: what is computed in the background.
#include <QFileInfo>
#include <cmath>

#include "app/rebuild/RebuildDesk.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/Automation.h"
#include "core/rebuild/RoomTone.h"

namespace rivlen {

int RebuildDesk::run(const QString& title, std::function<void(Progress&)> work, std::function<void()> done) {
    return m_own.submit(
        title.toStdString(), [work = std::move(work)](Progress& progress, const Work::Post&) { work(progress); },
        [this, done = std::move(done)](const JobQueue::Outcome& o) {
            if (o.done) done();
            emit changed();
        });
}

// ---- sounds ----

std::string RebuildDesk::soundKey(const std::string& sound) const {
    const Sound* s = m_shown->sound(sound);
    const ReelFacts* state = m_reels.current();
    if (sound == "voice" || sound == "room")
        return state && state->stems ? sound + "|" + state->stems->folder().string() : std::string();
    return s && state && state->info ? s->file.string() + "|" + std::to_string(state->info->sampleRate) : std::string();
}

std::shared_ptr<LevelTrack> RebuildDesk::levels(const std::string& sound) const {
    const auto found = m_sounds.find(soundKey(sound));
    return found == m_sounds.end() ? nullptr : found->second.levels;
}

double RebuildDesk::soundSeconds(const std::string& sound) const {
    const auto found = m_sounds.find(soundKey(sound));
    return found == m_sounds.end() ? 0 : found->second.seconds;
}

void RebuildDesk::readRoom() {
    const ReelFacts* state = m_reels.current();
    const bool used = std::any_of(m_shown->lanes.begin(), m_shown->lanes.end(), [](const auto& l) {
        return std::any_of(l->clips.begin(), l->clips.end(),
                           [](const Clip& c) { return c.material == "room" || c.material == "voice"; });
    });
    if (!used || !state->stems || !state->stems->finished() || !state->stems->shape().room ||
        m_sounds[soundKey("room")].reading)
        return;
    m_sounds[soundKey("room")].reading = true;
    const auto read = std::make_shared<std::array<std::shared_ptr<LevelTrack>, 2>>();
    *read = {std::make_shared<LevelTrack>(1), std::make_shared<LevelTrack>(1)};
    run(
        "Reading the room",
        [read, stems = state->stems](Progress& progress) {
            const auto readers = stems->openAll();
            const int64_t step = LevelTrack::kBlock * 64;
            for (int64_t at = 0; at < stems->shape().frames; at += step) {
                progress.throwIfCancelled();
                const int64_t count = std::min(step, stems->shape().frames - at);
                const AudioBuffer room = readers.room->read(at, count);
                AudioBuffer voice = readers.stems[0]->read(at, count);
                for (size_t i = 0; i < voice.samples().size(); ++i) voice.samples()[i] -= room.samples()[i];
                (*read)[0]->add(std::span(&voice, 1));
                (*read)[1]->add(std::span(&room, 1));
            }
            for (auto& t : *read) t->finish();
        },
        [this, read, voice = soundKey("voice"), room = soundKey("room")] {
            m_sounds[voice] = {(*read)[0], 0, true};
            m_sounds[room] = {(*read)[1], 0, true};
        });
}

void RebuildDesk::readSounds() {
    const ReelFacts* state = m_reels.current();
    if (!state || !state->info) return;
    readRoom();
    for (const Sound& s : m_shown->sounds) {
        SoundFacts& facts = m_sounds[soundKey(s.id)];
        if (facts.levels || facts.reading) continue;
        facts.reading = true;
        struct Read {
            std::shared_ptr<LevelTrack> levels = std::make_shared<LevelTrack>(1);
            double seconds = 0;
        };
        const auto read = std::make_shared<Read>();
        run(
            "Reading " + QString::fromStdString(s.name),
            [read, file = s.file, rate = state->info->sampleRate](Progress& progress) {
                auto ready = soundAtRate(file, rate);
                if (!ready) ready = convertSound(file, rate, progress);
                MediaReader reader(*ready);
                ObservedSource observed(reader, *read->levels);
                for (int64_t at = 0; at < reader.frames(); at += rate) {
                    progress.throwIfCancelled();
                    observed.read(at, std::min<int64_t>(rate, reader.frames() - at));
                }
                read->levels->finish();
                read->seconds = double(reader.frames()) / rate;
            },
            [this, read, key = soundKey(s.id)] {
                m_sounds[key] = {read->levels, read->seconds, false};
                m_materialsOf.clear();  // what was silent can be read now
                makePlan();
            });
    }
}

std::string RebuildDesk::soundFor(Rebuild& r, const std::filesystem::path& file) const {
    for (const Sound& s : r.sounds)
        if (s.file == file) return s.id;
    r.sounds.push_back({r.freeId("sound"), file.stem().string(), file});
    return r.sounds.back().id;
}

void RebuildDesk::importSounds(const QStringList& files) {
    std::vector<std::pair<std::filesystem::path, double>> readable;
    for (const QString& file : files) {
        try {
            const MediaReader probe(toPath(file));
            readable.emplace_back(toPath(QFileInfo(file).absoluteFilePath()),
                                  double(probe.frames()) / probe.sampleRate());
        } catch (const Error& e) {
            tell(QString::fromStdString(e.what()));
        }
    }
    if (readable.empty()) return;
    std::set<std::string> made;
    std::string lane;
    const double at = playhead();
    edit(readable.size() == 1 ? "Import sound" : "Import sounds", [&](Rebuild& r) {
        for (const auto& [file, seconds] : readable) {
            lane = rivlen::addLane(r, file.stem().string(), lane.empty() ? m_lane : lane);
            Clip c;
            c.id = r.freeId("clip");
            c.material = soundFor(r, file);
            c.at = at;
            c.length = seconds;
            r.lane(lane)->clips.push_back(c);
            made.insert(c.id);
        }
    });
    select(made);
    chooseLane(lane);
}

// ---- ducking ----

const DrawnCurve* RebuildDesk::duckCurve(const std::string& lane) const {
    const auto found = m_ducks.find(lane);
    return found == m_ducks.end() || found->second.curve.empty() ? nullptr : &found->second.curve;
}

void RebuildDesk::followDucks() {
    if (!ready() || !m_materials) return;
    for (const auto& l : m_shown->lanes) {
        if (!l->duck.on) {
            m_ducks.erase(l->id);
            continue;
        }
        // It depends on the settings and on the lane that does it.
        Rebuild part;
        part.lanes = {l};
        part.lanes[0].edit().clips.clear();
        part.lanes[0].edit().strip = {};
        if (const Lane* key = m_shown->lane(l->duck.key)) part.lanes.emplace_back(*key);
        part.sounds = m_shown->sounds;
        const std::string of = toJson(part, {}).dump() + m_materialsOf;
        if (m_ducks[l->id].of == of) continue;
        m_ducks[l->id].of = of;
        m_own.cancel(m_ducks[l->id].job);  // of settings that are no more
        const auto curve = std::make_shared<DrawnCurve>();
        const int channels = m_materials->reel().channels;
        m_ducks[l->id].job = run(
            "Ducking " + QString::fromStdString(l->name),
            [curve, whole = m_shown, id = l->id, materials = m_materials, channels](Progress& p) {
                *curve = rivlen::duckCurve(*whole, id, materials, std::clamp(channels, 1, 2), p);
            },
            [this, curve, of, id = l->id] {
                if (m_ducks[id].of == of) m_ducks[id].curve = std::move(*curve);
            });
    }
}

void RebuildDesk::duckToAutomation() {
    const Lane* l = lane();
    if (!l || !l->duck.on) return tell("This lane is not ducked: switch ducking on first.");
    const DrawnCurve* duck = duckCurve(l->id);
    if (!duck) return tell("The ducking is still being computed; try again in a moment.");
    const DrawnCurve thin = thinned(*duck, 0.1);
    edit("Ducking to automation", [&](Rebuild& r) {
        Lane& mine = *r.lane(m_lane);
        const auto before = mine.strip.automation.find("level");
        DrawnCurve sum;
        for (const auto& [t, db] : thin)
            sum.emplace_back(
                t,
                std::max(kSilentLevel,
                         (before == mine.strip.automation.end() ? mine.strip.level : drawnAt(before->second, t)) + db));
        mine.strip.automation["level"] = sum;
        mine.duck.on = false;
    });
    showAutomation("level");
}

// ---- room tone and holes ----

void RebuildDesk::fillWithTone() {
    const Reel* reel = m_document.reel();
    if (!reel || !reel->loop) return tell("Set a loop over the hole that is to be filled: drag over the picture.");
    if (!lane()) return tell("Choose the lane that is to be filled.");
    const auto span = *reel->loop;
    // The tone comes from what is between the words: of the ambience, or where it is not split of the recording.
    const ReelFacts* state = m_reels.current();
    const std::string material = state->stems ? "ambience" : "source";
    const auto found = std::make_shared<std::vector<std::pair<double, double>>>();
    run(
        "Looking for room tone",
        [found, material, materials = m_materials, whole = m_shown, split = state->stems != nullptr](Progress& p) {
            const auto room = materials->open(material, *whole);
            const auto voice = split ? materials->open("dialogue", *whole) : nullptr;
            *found = findRoomTone(*room, voice.get(), 20, p);
        },
        [this, found, span, material, target = m_lane] {
            if (found->empty())
                return tell(
                    "No quiet place of a quarter of a second was found between the words to make room tone from.");
            double total = 0;
            for (const auto& [a, b] : *found) total += b - a;
            std::string made;
            edit("Fill with room tone", [&](Rebuild& r) {
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
            select({made});
            m_work.report(QString("Filled with room tone made from %1 s between the words.").arg(total, 0, 'f', 1));
        });
}

void RebuildDesk::muteLoop() {
    const Reel* reel = m_document.reel();
    if (!reel || !reel->loop) return tell("Set a loop over what is to be cut out: drag over the picture.");
    edit("Cut out", [&](Rebuild& r) { clearSpan(r, m_lane, reel->loop->first, reel->loop->second, 0.01); });
}

void RebuildDesk::findSilences(double threshold, double seconds) {
    if (!lane()) return tell("Choose the lane whose silences are to be found.");
    const auto found = std::make_shared<std::vector<std::pair<double, double>>>();
    run(
        "Looking for silences",
        [found, threshold, seconds, whole = m_shown, id = m_lane, materials = m_materials](Progress& p) {
            // The lane as it sounds, by itself.
            Rebuild alone = *whole;
            std::erase_if(alone.lanes, [&](const auto& l) { return l->id != id; });
            alone.lanes[0].edit().strip.mute = false;
            alone.lanes[0].edit().strip.solo = false;
            alone.lanes[0].edit().duck.on = false;
            alone.groups.clear();
            alone.mix = {};
            SilenceFinder finder(materials->reel().sampleRate);
            renderMix(
                alone, materials, {2, 1}, 0, materials->reel().frames, [&](const AudioBuffer& b) { finder.add(b); }, p);
            *found = finder.spans(threshold, seconds);
        },
        [this, found, id = m_lane] {
            m_silences = *found;
            m_silencesOf = id;
            double total = 0;
            for (const auto& [a, b] : m_silences) total += b - a;
            m_work.report(m_silences.empty() ? QString("No silence of that length on %1.").arg(laneName(id))
                                             : QString("%1 silences on %2, %3 s together.")
                                                   .arg(m_silences.size())
                                                   .arg(laneName(id))
                                                   .arg(total, 0, 'f', 1));
        });
}

void RebuildDesk::shortenSilences(double to) {
    if (m_silences.empty()) return;
    const auto spans = m_silences;
    edit("Shorten silences", [&](Rebuild& r) {
        for (auto s = spans.rbegin(); s != spans.rend(); ++s)  // from the end, so that the times before stay right
            if (s->second - s->first > to) removeTime(r, s->first + to / 2, s->second - to / 2);
    });
    m_silences.clear();
    const ReelFacts* state = m_reels.current();
    if (state && state->info && state->info->picture)
        tell(
            "Time was taken out: from the first shortened silence on, the sound no longer fits the picture. Undo "
            "brings it back.");
    emit changed();
}

void RebuildDesk::fillSilences() {
    if (m_silences.empty()) return;
    const auto spans = m_silences;
    const auto found = std::make_shared<std::vector<std::pair<double, double>>>();
    const bool split = m_reels.current()->stems != nullptr;
    const std::string material = split ? "ambience" : "source";
    run(
        "Looking for room tone",
        [found, split, material, materials = m_materials, whole = m_shown](Progress& p) {
            const auto room = materials->open(material, *whole);
            const auto voice = split ? materials->open("dialogue", *whole) : nullptr;
            *found = findRoomTone(*room, voice.get(), 20, p);
        },
        [this, spans, found, material, target = m_silencesOf] {
            if (found->empty())
                return tell(
                    "No quiet place of a quarter of a second was found between the words to make room tone from.");
            edit("Fill silences", [&](Rebuild& r) {
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

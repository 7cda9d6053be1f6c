#include "app/rebuild/RebuildMix.h"

#include <QFileInfo>
#include <algorithm>
#include <array>

#include "app/words/Say.h"
#include "core/base/Text.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/ClipEdits.h"

namespace rivlen {

RebuildMix::RebuildMix(Document& document, Reels& reels, Hearing& hearing, RebuildDesk& desk, Work& work,
                       QObject* parent)
    : MixMaker(parent),
      m_document(document),
      m_reels(reels),
      m_hearing(hearing),
      m_desk(desk),
      m_own(work, this, OwnWork::Shown::InWorkLine) {
    connect(&desk, &RebuildDesk::reelChanged, this, [this] {
        m_own.begin();
        m_materials.reset();
        m_key.clear();
        emit renewed();
    });
    connect(&desk, &RebuildDesk::followed, this, [this] {
        readSounds();
        makePlan();
        emit followed();
    });
}

int RebuildMix::run(const QString& title, std::function<void(Progress&)> work, std::function<void()> done) {
    return m_own.submit(
        title, [work = std::move(work)](Progress& progress, const Work::Post&) { work(progress); },
        [this, done = std::move(done)](const JobQueue::Outcome& o) {
            if (o.done) done();
            m_desk.announce();
        });
}

std::string RebuildMix::soundKey(const std::string& sound) const {
    const Sound* s = m_desk.rebuild().sound(sound);
    const ReelFacts* state = m_reels.current();
    if (sound == "voice" || sound == "room")
        return state && state->stems ? sound + "|" + state->stems->folder().string() : std::string();
    return s && state && state->info ? s->file.string() + "|" + std::to_string(state->info->sampleRate) : std::string();
}

std::shared_ptr<LevelTrack> RebuildMix::levels(const std::string& sound) const {
    const auto found = m_sounds.find(soundKey(sound));
    return found == m_sounds.end() ? nullptr : found->second.levels;
}

double RebuildMix::soundSeconds(const std::string& sound) const {
    const auto found = m_sounds.find(soundKey(sound));
    return found == m_sounds.end() ? 0 : found->second.seconds;
}

void RebuildMix::readRoom() {
    const ReelFacts* state = m_reels.current();
    const bool used = std::any_of(m_desk.rebuild().lanes.begin(), m_desk.rebuild().lanes.end(), [](const auto& l) {
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
        say("Reading the room"),
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

void RebuildMix::readSounds() {
    const ReelFacts* state = m_reels.current();
    if (!state || !state->info) return;
    readRoom();
    for (const Sound& s : m_desk.rebuild().sounds) {
        SoundFacts& facts = m_sounds[soundKey(s.id)];
        if (facts.levels || facts.reading) continue;
        facts.reading = true;
        struct Read {
            std::shared_ptr<LevelTrack> levels = std::make_shared<LevelTrack>(1);
            double seconds = 0;
        };
        const auto read = std::make_shared<Read>();
        run(
            say("Reading ") + QString::fromStdString(s.name),
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
                m_key.clear();  // what was silent can be read now
                makePlan();
            });
    }
}

void RebuildMix::importSounds(const QStringList& files) {
    std::vector<std::pair<std::filesystem::path, double>> readable;
    for (const QString& file : files) {
        try {
            const MediaReader probe(toPath(file));
            readable.emplace_back(toPath(QFileInfo(file).absoluteFilePath()),
                                  double(probe.frames()) / probe.sampleRate());
        } catch (const Error& e) {
            m_desk.tell(QString::fromStdString(e.what()));
        }
    }
    if (readable.empty()) return;
    std::set<std::string> made;
    std::string lane;
    const double at = m_desk.playhead();
    m_desk.edit(readable.size() == 1 ? say("Import sound") : say("Import sounds"), [&](Rebuild& r) {
        for (const auto& [file, seconds] : readable) {
            lane = rivlen::addLane(r, file.stem().string(), lane.empty() ? m_desk.laneId() : lane);
            Clip c;
            c.id = r.freeId("clip");
            c.material = soundFor(r, file);
            c.at = at;
            c.length = seconds;
            r.lane(lane)->clips.push_back(c);
            made.insert(c.id);
        }
    });
    m_desk.select(made);
    m_desk.chooseLane(lane);
}

void RebuildMix::makePlan() {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    if (!m_desk.ready() || !state || !state->info) return play(nullptr);
    // What the materials are made of: while it stays, the graph that plays goes on with what it has read.
    const StemStore* stems = state->stems.get();
    const std::string key = formatted("%d %d %d ", stems ? stems->version() : 0, state->info->sampleRate,
                                      !stems              ? 0
                                      : stems->finished() ? -1
                                                          : stems->available() / (10 * state->info->sampleRate));
    std::string parts;
    for (const auto& [stem, store] : state->parts) parts += stem + formatted("%d ", store->version());
    const std::string of = key + parts + m_reels.heardFile(*reel).string() + toJson(reel->timeline()).dump();
    if (!m_materials || of != m_key) {
        m_key = of;
        ReelMaterial material;
        material.source = [file = m_reels.heardFile(*reel)] { return std::make_unique<MediaReader>(file); };
        material.stems = state->stems;
        material.parts = state->parts;
        material.timeline = reel->timeline();
        material.sampleRate = state->info->sampleRate;
        material.channels = state->info->channels;
        material.frames = state->info->frames;
        m_materials = std::make_shared<Materials>(std::move(material), false);
        emit renewed();
    }
    auto plan = std::make_shared<MixPlan>();
    plan->rebuild = m_desk.shared();
    if (m_desk.rebuild().lane(m_leftOut)) {
        Rebuild without = m_desk.rebuild();
        without.lane(m_leftOut)->strip.mute = true;
        plan->rebuild = Shared<Rebuild>(without);
    }
    plan->materials = m_materials;
    plan->channels = laneChannels(state->info->channels, m_desk.rebuild());
    play(std::move(plan));
}

void RebuildMix::leaveOut(const std::string& lane) {
    if (m_leftOut == lane) return;
    m_leftOut = lane;
    makePlan();
}

void RebuildMix::play(std::shared_ptr<const MixPlan> plan) { m_hearing.player().setMix(chosen(std::move(plan))); }

std::string soundFor(Rebuild& r, const std::filesystem::path& file) {
    for (const Sound& s : r.sounds)
        if (s.file == file) return s.id;
    r.sounds.push_back({r.freeId("sound"), file.stem().string(), file});
    return r.sounds.back().id;
}

}  // namespace rivlen

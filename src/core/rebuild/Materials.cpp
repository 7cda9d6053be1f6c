#include "core/rebuild/Materials.h"

#include <algorithm>
#include <list>

#include "core/audio/Resampler.h"
#include "core/base/Resources.h"
#include "core/isolation/StemNames.h"
#include "core/media/AudioWriter.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/RoomTone.h"
#include "core/separation/Parts.h"

namespace rivlen {

namespace fs = std::filesystem;

/// Blocks of all parts, the last few, made by one set of readers.
struct Materials::Blocks {
    std::unique_ptr<SampleSource> source;
    StemReaders stems;
    std::unique_ptr<Isolator> isolator;
    struct Entry {
        int64_t number;
        std::array<std::shared_ptr<const AudioBuffer>, kParts> parts;
    };
    std::list<Entry> entries;  ///< the newest first

    explicit Blocks(const ReelMaterial& reel) : source(reel.source()) {
        if (!reel.stems) return;
        stems = reel.stems->openAll(reel.timeline.base.stem);
        isolator = std::make_unique<Isolator>(source->channels(), source->sampleRate());
        isolator->keepFrames();
    }

    const Entry& entry(const ReelMaterial& reel, int64_t n) {
        const auto found = std::find_if(entries.begin(), entries.end(), [n](const Entry& e) { return e.number == n; });
        if (found != entries.end()) {
            entries.splice(entries.begin(), entries, found);
            return entries.front();
        }
        if (entries.size() >= 24) entries.pop_back();
        entries.push_front(made(reel, n));
        return entries.front();
    }

    Entry made(const ReelMaterial& reel, int64_t n) {
        Entry e{n, {}};
        const auto keep = [&e](Part part, AudioBuffer audio) {
            e.parts[size_t(part)] = std::make_shared<const AudioBuffer>(std::move(audio));
        };
        const int64_t first = n * kBlock;
        if (!isolator) {
            AudioBuffer plain = source->read(first, kBlock);
            const AudioBuffer silent(plain.channels(), kBlock);
            keep(Part::Result, plain);
            keep(Part::Source, std::move(plain));
            for (Part p : {Part::Dialogue, Part::Music, Part::Ambience, Part::Voice, Part::Room}) keep(p, silent);
            return e;
        }
        const int64_t margin = isolator->margin(reel.timeline);
        StemBlock whole = stems.read(*source, first - margin, kBlock + 2 * margin);
        const size_t wanted = stemPlace(reel.timeline.base.stem);
        keep(Part::Source, whole.source.slice(margin, kBlock));
        AudioBuffer room = whole.hasRoom() ? whole.room.slice(margin, kBlock) : AudioBuffer(source->channels(), kBlock);
        if (wanted == 0 && whole.hasRoom())
            for (int64_t i = 0; i < kBlock; ++i) {
                const auto kept = float(reel.timeline.levels(double(first + i) / source->sampleRate()).room);
                for (int c = 0; c < room.channels(); ++c) room.channel(c)[size_t(i)] *= kept;
            }
        auto out = isolator->apply(reel.timeline, int(wanted), first, std::move(whole), margin);
        AudioBuffer voice = out.stems[0];
        for (size_t i = 0; i < voice.samples().size(); ++i) voice.samples()[i] -= room.samples()[i];
        keep(Part::Voice, std::move(voice));
        keep(Part::Room, std::move(room));
        keep(Part::Result, std::move(out.result));
        for (size_t s = 0; s < kStemCount; ++s) keep(Part(int(Part::Dialogue) + int(s)), std::move(out.stems[s]));
        for (size_t p = 0; p < out.parts.size(); ++p)
            keep(Part(int(Part::FirstPart) + int(p)), std::move(out.parts[p]));
        return e;
    }
};

namespace {

/// One part of the reel as a sound of its own.
class PartReader : public SampleSource {
public:
    PartReader(std::shared_ptr<Materials> materials, Materials::Part part)
        : m_materials(std::move(materials)), m_part(part) {}
    int channels() const override { return m_materials->reel().channels; }
    int sampleRate() const override { return m_materials->reel().sampleRate; }
    int64_t frames() const override { return m_materials->reel().frames; }
    AudioBuffer read(int64_t first, int64_t count) override {
        constexpr int64_t kBlock = Materials::kBlock;
        AudioBuffer out(channels(), count);
        for (int64_t at = std::max<int64_t>(first, 0); at < std::min(first + count, frames());) {
            const int64_t n = at / kBlock, to = std::min({(n + 1) * kBlock, first + count, frames()});
            if (n != m_number) m_block = m_materials->block(m_part, n), m_number = n;
            for (int c = 0; c < channels(); ++c)
                std::copy_n(m_block->channel(c).begin() + (at - n * kBlock), to - at,
                            out.channel(c).begin() + (at - first));
            at = to;
        }
        return out;
    }

private:
    std::shared_ptr<Materials> m_materials;
    Materials::Part m_part;
    int64_t m_number = -1;
    std::shared_ptr<const AudioBuffer> m_block;
};

/// The last part of a stem: what the others leave of it.
class LastPart : public SampleSource {
public:
    LastPart(std::unique_ptr<SampleSource> stem, std::vector<std::unique_ptr<SampleSource>> others)
        : m_stem(std::move(stem)), m_others(std::move(others)) {}
    int channels() const override { return m_stem->channels(); }
    int sampleRate() const override { return m_stem->sampleRate(); }
    int64_t frames() const override { return m_stem->frames(); }
    AudioBuffer read(int64_t first, int64_t count) override {
        AudioBuffer out = m_stem->read(first, count);
        for (const auto& other : m_others) {
            const AudioBuffer part = other->read(first, count);
            for (size_t i = 0; i < out.samples().size(); ++i) out.samples()[i] -= part.samples()[i];
        }
        return out;
    }

private:
    std::unique_ptr<SampleSource> m_stem;
    std::vector<std::unique_ptr<SampleSource>> m_others;
};

/// Nothing, as long as a reel.
class SilentPart : public SampleSource {
public:
    explicit SilentPart(const ReelMaterial& reel)
        : m_channels(reel.channels), m_rate(reel.sampleRate), m_frames(reel.frames) {}
    int channels() const override { return m_channels; }
    int sampleRate() const override { return m_rate; }
    int64_t frames() const override { return m_frames; }
    AudioBuffer read(int64_t, int64_t count) override { return {m_channels, count}; }

private:
    int m_channels, m_rate;
    int64_t m_frames;
};

fs::path convertedFile(const fs::path& file, int rate) {
    return StemStore::folderFor(file, "sound", std::to_string(rate)).parent_path().parent_path() / "sounds" /
           (StemStore::folderFor(file, "sound", std::to_string(rate)).filename().string() + ".wav");
}

}  // namespace

Materials::Materials(ReelMaterial reel, bool converting) : m_reel(std::move(reel)), m_converting(converting) {}
Materials::~Materials() = default;

std::shared_ptr<const AudioBuffer> Materials::block(Part part, int64_t n) {
    const std::lock_guard lock(m_guard);
    if (!m_blocks) m_blocks = std::make_unique<Blocks>(m_reel);
    return m_blocks->entry(m_reel, n).parts[size_t(part)];
}

std::unique_ptr<SampleSource> Materials::open(const std::string& material, const Rebuild& rebuild) {
    static constexpr std::pair<const char*, Part> parts[] = {{"source", Part::Source}, {"dialogue", Part::Dialogue},
                                                             {"music", Part::Music},   {"ambience", Part::Ambience},
                                                             {"result", Part::Result}, {"voice", Part::Voice},
                                                             {"room", Part::Room}};
    for (const auto& [name, part] : parts)
        if (material == name) return std::make_unique<PartReader>(shared_from_this(), part);
    if (auto part = openPart(material)) return part;
    if (const Tone* tone = rebuild.tone(material)) {
        auto sample = toneSample(*tone, rebuild);
        if (!sample || sample->frames() < m_reel.sampleRate / 10) return nullptr;
        return std::make_unique<RoomToneSource>(std::move(sample), m_reel.sampleRate, tone->seed);
    }
    const Sound* sound = rebuild.sound(material);
    if (!sound) return nullptr;
    auto file = soundAtRate(sound->file, m_reel.sampleRate);
    if (!file && m_converting) file = convertSound(sound->file, m_reel.sampleRate, Progress{});
    return file ? std::make_unique<MediaReader>(*file) : nullptr;
}

std::unique_ptr<SampleSource> Materials::openPart(const std::string& name) {
    const std::string stem = stemOfPart(name);
    if (stem.empty()) return nullptr;
    const auto& names = partsOf(stem);
    const auto found = m_reel.parts.find(stem);
    const auto store = found == m_reel.parts.end() ? nullptr : found->second;
    const std::string& wanted = m_reel.timeline.base.stem;
    if (m_reel.stems && stemOfPart(wanted) == stem && m_reel.stems->parts(stem))
        return std::make_unique<PartReader>(shared_from_this(), Part(int(Part::FirstPart) + partPlace(name)));
    if (name != names.back()) {
        if (!store) return std::make_unique<SilentPart>(m_reel);
        return store->open(store->stemIndex(name));
    }
    std::vector<std::unique_ptr<SampleSource>> others;
    if (store)
        for (size_t p = 0; p + 1 < names.size(); ++p) others.push_back(store->open(store->stemIndex(names[p])));
    return std::make_unique<LastPart>(std::make_unique<PartReader>(shared_from_this(),
                                                                   stem == "music" ? Part::Music : Part::Ambience),
                                      std::move(others));
}

std::shared_ptr<const AudioBuffer> Materials::toneSample(const Tone& tone, const Rebuild& rebuild) {
    if (rebuild.tone(tone.material)) return nullptr;  // a tone made of a tone would never end
    const std::lock_guard lock(m_toneGuard);
    auto& known = m_tones[tone.id];
    Tone asked = tone;
    asked.name.clear();
    if (known.second && known.first == asked) return known.second;
    const auto material = open(tone.material, rebuild);
    if (!material) return nullptr;
    known = {asked, std::make_shared<const AudioBuffer>(gatherSpans(*material, tone.spans))};
    return known.second;
}

int laneChannels(int reel, const Rebuild& rebuild) {
    return reel == 6 || reel == 8 ? reel : reel == 1 && rebuild.sounds.empty() ? 1 : 2;
}

std::optional<fs::path> soundAtRate(const fs::path& file, int rate) {
    if (MediaReader(file).sampleRate() == rate) return file;
    const fs::path converted = convertedFile(file, rate);
    std::error_code ignored;
    return fs::exists(converted, ignored) ? std::optional(converted) : std::nullopt;
}

fs::path convertSound(const fs::path& file, int rate, const Progress& progress) {
    MediaReader reader(file);
    const fs::path to = convertedFile(file, rate);
    std::error_code ignored;
    fs::create_directories(to.parent_path(), ignored);
    AudioWriter writer(to, rate, reader.channels(), {AudioFormat::Container::Wav, AudioFormat::Bits::Float32}, true);
    Resampler resampler(reader.sampleRate(), rate, reader.channels());
    for (int64_t at = 0; at < reader.frames(); at += reader.sampleRate()) {
        progress.throwIfCancelled();
        progress.report(double(at) / double(reader.frames()));
        writer.write(resampler.process(reader.read(at, std::min<int64_t>(reader.sampleRate(), reader.frames() - at))));
    }
    writer.write(resampler.finish());
    writer.commit();
    return to;
}

}  // namespace rivlen

#include "core/treatment/TreatedFile.h"

#include <algorithm>
#include <fstream>
#include <functional>

#include "core/base/Error.h"
#include "core/base/Json.h"
#include "core/base/Resources.h"
#include "core/base/Text.h"
#include "core/diagnosis/Diagnosis.h"
#include "core/media/AudioWriter.h"
#include "core/media/MediaReader.h"
#include "core/media/WholeFile.h"
#include "core/treatment/Treat.h"

namespace rivlen {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr size_t kKept = 3;            // treated files of one recording, so that going back and forth costs nothing
constexpr const char* kMethods = "2";  // changes when a treatment gives another sound than before

std::string hashed(const std::string& text) {
    std::string key = formatted("%016zx", std::hash<std::string>{}(text));
    return key;
}

std::string identity(const fs::path& file) {
    std::error_code ignored;
    return fs::weakly_canonical(file, ignored).string() + "|" + std::to_string(fs::file_size(file, ignored)) + "|" +
           std::to_string(fs::last_write_time(file, ignored).time_since_epoch().count());
}

fs::path recordingFolder(const fs::path& source) {
    return cacheFolder() / "treated" / (source.stem().string().substr(0, 40) + "-" + hashed(identity(source)));
}

fs::path fileFor(const fs::path& source, const std::vector<Treatment>& chain) {
    return recordingFolder(source) / (hashed(kMethods + toJson(chain).dump()) + ".wav");
}

fs::path stemsFolder(const StemStore& stems, const std::vector<Treatment>& treatments) {
    return stems.folder().parent_path() /
           ("treated-" + hashed(kMethods + identity(stems.folder() / "stems.json") + toJson(treatments).dump()));
}

std::vector<Treatment> ofStems(const std::vector<Treatment>& treatments) {
    std::vector<Treatment> some;
    for (const auto& t : treatments)
        if (t.on && t.place != kRecordingPlace) some.push_back(t);
    return some;
}

json toJson(const std::vector<TreatmentChain::Effect>& effects) {
    json all = json::array();
    for (const auto& e : effects) all.push_back({{"treatment", e.id}, {"removed_dbfs", e.removedDb}});
    return all;
}

std::optional<std::vector<TreatmentChain::Effect>> readEffects(const fs::path& file) {
    std::ifstream in(file);
    if (!in) return {};
    try {
        std::vector<TreatmentChain::Effect> effects;
        const json all = parsedJson(in);
        for (const auto& e : all) effects.push_back({e.at("treatment"), e.at("removed_dbfs")});
        return effects;
    } catch (const json::exception&) {  // damaged: the file is made again
        return {};
    }
}

void writeEffects(const fs::path& file, const std::vector<TreatmentChain::Effect>& effects) {
    if (!writeWholeFile(file, toJson(effects).dump(1) + "\n"))
        throw Error(Error::Kind::OutputUnwritable, "The treated sound cannot be kept in \"" +
                                                       file.parent_path().string() +
                                                       "\": check that the disk has space.");
}

fs::path effectsFile(fs::path file) { return file.replace_extension(".json"); }
fs::path levelsFile(fs::path file) { return file.replace_extension(".levels.json"); }

void keepNewest(const fs::path& folder) {
    std::vector<std::pair<fs::file_time_type, fs::path>> files;
    std::error_code ignored;
    for (const auto& entry : fs::directory_iterator(folder, ignored))
        if (entry.path().extension() == ".wav" && entry.path().filename().string()[0] != '.')
            files.push_back({entry.last_write_time(ignored), entry.path()});
    std::sort(files.rbegin(), files.rend());
    for (size_t i = kKept; i < files.size(); ++i) {
        fs::remove(effectsFile(files[i].second), ignored);
        fs::remove(levelsFile(files[i].second), ignored);
        fs::remove(files[i].second, ignored);
    }
}

}  // namespace

std::optional<TreatedFile> TreatedFile::find(const fs::path& source, const std::vector<Treatment>& chain) {
    const fs::path file = fileFor(source, chain);
    auto effects = readEffects(effectsFile(file));
    std::error_code ignored;
    if (!effects || !fs::exists(file, ignored)) return {};
    return TreatedFile{file, std::move(*effects)};
}

TreatedFile TreatedFile::make(const fs::path& source, const std::vector<Treatment>& chain,
                              std::optional<std::vector<Finding>> findings, const Progress& progress) {
    MediaReader reader(source);
    if (!findings) findings = diagnose(reader, Progress(progress, 0, 0.3)).findings;
    TreatedFile made{fileFor(source, chain), {}};
    std::error_code problem;
    fs::create_directories(made.file.parent_path(), problem);
    const TreatmentFacts facts = factsFor(reader, chain, std::move(*findings), Progress(progress, 0.3, 0.4));
    LevelTrack levels(1);
    AudioWriter writer(made.file, reader.sampleRate(), reader.channels(), {}, true);
    made.effects = treat(
        reader, chain, facts,
        [&](const AudioBuffer& x) {
            writer.write(x);
            levels.add(std::span(&x, 1));
        },
        Progress(progress, 0.4, 1));
    levels.finish();
    progress.throwIfCancelled();
    writer.commit();
    writeWholeFile(levelsFile(made.file), json(levels.row(0)).dump());
    writeEffects(effectsFile(made.file), made.effects);
    keepNewest(made.file.parent_path());
    return made;
}

std::shared_ptr<LevelTrack> TreatedFile::levels() const {
    std::ifstream in(levelsFile(file));
    const json row = json::parse(in, nullptr, false);
    if (!row.is_array()) return nullptr;
    auto track = std::make_shared<LevelTrack>(1);
    track->setRow(0, row.get<std::vector<float>>());
    return track;
}

std::optional<TreatedStems> TreatedStems::find(const StemStore& stems, const std::vector<Treatment>& treatments) {
    const fs::path folder = stemsFolder(stems, ofStems(treatments));
    auto effects = readEffects(folder / "work.json");
    std::error_code ignored;
    if (!effects || !fs::exists(folder / "work.wav", ignored)) return {};
    auto store = StemStore::openFinished(folder);
    if (!store) return {};
    return TreatedStems{folder / "work.wav", std::move(store), std::move(*effects)};
}

TreatedStems TreatedStems::make(const fs::path& source, const StemStore& stems,
                                const std::vector<Treatment>& treatments, const std::vector<Finding>& findings,
                                const Progress& progress) {
    const std::vector<Treatment> mine = ofStems(treatments);
    const fs::path folder = stemsFolder(stems, mine);
    MediaReader reader(source);
    StemReaders from = stems.openAll();
    TreatedStems made{folder / "work.wav", StemStore::create(folder, stems.shape()), {}};
    AudioWriter recording(made.recording, reader.sampleRate(), reader.channels(), {}, true);
    std::vector<TreatmentChain> chains;
    for (size_t s = 0; s < from.stems.size(); ++s) {
        auto chain = treatmentsAt(mine, stems.shape().stems[s]);
        chains.emplace_back(chain, factsFor(*from.stems[s], chain, findings, progress));
    }
    const int64_t frames = reader.frames(), step = reader.sampleRate();
    std::vector<AudioQueue> ready(chains.size(), AudioQueue(reader.channels()));
    int64_t done = 0;
    const auto deliver = [&] {
        int64_t count = ready[0].frames();
        for (const auto& q : ready) count = std::min(count, q.frames());
        if (count == 0) return;
        StemBlock block = from.read(reader, done, count);
        for (size_t s = 0; s < chains.size(); ++s) {
            AudioBuffer treated = ready[s].take(count);
            for (size_t i = 0; i < treated.samples().size(); ++i)
                block.source.samples()[i] -= block.stems[s].samples()[i] - treated.samples()[i];
            block.stems[s] = std::move(treated);
        }
        recording.write(block.source);
        made.stems->append(block);
        done += count;
    };
    for (int64_t at = 0; at < frames; at += step) {
        progress.throwIfCancelled();
        for (size_t s = 0; s < chains.size(); ++s)
            ready[s].append(chains[s].process(from.stems[s]->read(at, std::min(step, frames - at))));
        deliver();
        progress.report(double(at) / double(frames));
    }
    for (size_t s = 0; s < chains.size(); ++s) ready[s].append(chains[s].finish());
    deliver();
    recording.commit();
    made.stems->finish();
    for (const auto& chain : chains)
        for (const auto& e : chain.effects()) made.effects.push_back(e);
    writeEffects(folder / "work.json", made.effects);
    return made;
}

TreatmentPreview previewTreatments(SampleSource& source, const std::vector<Treatment>& chain,
                                   const TreatmentFacts& facts, int64_t first, int64_t count,
                                   const Progress& progress) {
    const int64_t step = source.sampleRate(), start = std::max<int64_t>(0, first - 2 * step),
                  end = std::min(source.frames(), first + count + step);
    TreatmentChain treaters(chain, facts);
    TreatmentPreview preview{first, AudioBuffer(source.channels(), 0), {}, {}};
    const auto on = std::count_if(chain.begin(), chain.end(), [](const Treatment& t) { return t.on; });
    std::vector<AudioQueue> removed(size_t(on), AudioQueue(source.channels()));
    treaters.onRemoved = [&](size_t stage, const AudioBuffer& x) { removed[stage].append(x); };
    AudioQueue out(source.channels());
    for (int64_t at = start; at < end; at += step) {
        progress.throwIfCancelled();
        out.append(treaters.process(source.read(at, std::min(step, end - at))));
        progress.report(double(at - start) / double(end - start));
    }
    out.append(treaters.finish());
    preview.treated = out.peek(first - start, count);
    for (const auto& q : removed) preview.removed.push_back(q.peek(first - start, count));
    preview.effects = treaters.effects();
    return preview;
}

}  // namespace rivlen

#include "core/delivery/ReelRecipe.h"

#include "core/diagnosis/Diagnosis.h"
#include "core/isolation/StemNames.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/MendPatches.h"
#include "core/separation/Engine.h"
#include "core/separation/Parts.h"
#include "core/separation/Scene.h"
#include "core/treatment/TreatedFile.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

std::shared_ptr<StemStore> splitStems(const fs::path& source, const ReelRecipe& recipe, const Progress& progress) {
    const NetworkCard card = networkFor(recipe.network, recipe.quality, recipe.scene);
    const fs::path folder = StemStore::folderFor(source, card.sum(), recipe.quality);
    if (auto known = StemStore::openFinished(folder, recipe.tolerateDamage)) return known;
    MediaReader reader(source);
    if (!recipe.tolerateDamage) reader.refuseDamage();
    const bool room = separatesRoom(card);
    auto store = StemStore::create(folder, {kStemNames, reader.sampleRate(), reader.channels(), reader.frames(), room});
    EngineOptions options;
    options.quality = recipe.quality != "quick" ? EngineOptions::Quality::Fine : EngineOptions::Quality::Quick;
    options.stems = room ? withRoom(card, kStemNames) : kStemNames;
    try {
        separate(
            reader, loadNetwork(card), options,
            [&](int64_t, const AudioBuffer& x, const std::vector<AudioBuffer>& stems) {
                store->append(gathered(x, stems, room));
            },
            progress);
        store->finish(reader.faults());
    } catch (...) {
        std::error_code ignored;
        fs::remove_all(folder, ignored);
        throw;
    }
    return store;
}

/// Throws Error (InputUnreadable) where a recording cannot be decoded. Plain samples need no decoding.
void refuseDamage(const fs::path& recording, const Progress& progress) {
    MediaReader reader(recording);
    if (reader.info().codec.rfind("pcm_", 0) == 0) return;
    reader.refuseDamage();
    const int64_t step = int64_t(reader.sampleRate()) * 5;
    for (int64_t at = 0; at < reader.frames(); at += step) {
        progress.throwIfCancelled();
        reader.read(at, step);
    }
}

}  // namespace

bool isPrepared(const ReelRecipe& recipe) {
    fs::path recording = recipe.source;
    if (const auto chain = treatmentsAt(recipe.treatments, kRecordingPlace); !chain.empty()) {
        const auto treated = TreatedFile::find(recipe.source, chain);
        if (!treated) return false;
        recording = treated->file;
    }
    if (!recipe.needsStems) return true;
    try {
        const NetworkCard card = networkFor(recipe.network, recipe.quality, recipe.scene);
        const auto stems =
            StemStore::openFinished(StemStore::folderFor(recording, card.sum(), recipe.quality), recipe.tolerateDamage);
        return stems && std::all_of(recipe.parts.begin(), recipe.parts.end(),
                                    [&](const std::string& stem) { return openParts(*stems, stem) != nullptr; });
    } catch (const Error&) {  // a network or a scene that is gone: prepareReel() says so
        return false;
    }
}

ReelMaterial prepareReel(const ReelRecipe& recipe, const Progress& progress) {
    fs::path recording = recipe.source;
    const MediaReader source(recipe.source);  // says what is wrong with it before anything is begun
    if (const auto chain = treatmentsAt(recipe.treatments, kRecordingPlace); !chain.empty()) {
        auto treated = TreatedFile::find(recipe.source, chain);
        if (!treated && !recipe.tolerateDamage) refuseDamage(recipe.source, progress);
        if (!treated) treated = TreatedFile::make(recipe.source, chain, recipe.findings, Progress(progress, 0, 0.2));
        recording = treated->file;
    }
    std::shared_ptr<StemStore> stems;
    std::map<std::string, std::shared_ptr<StemStore>> parts;
    if (recipe.needsStems) {
        stems = splitStems(recording, recipe, Progress(progress, 0.2, recipe.parts.empty() ? 0.9 : 0.7));
        const bool onStems = std::any_of(recipe.treatments.begin(), recipe.treatments.end(),
                                         [](const Treatment& t) { return t.on && t.place != kRecordingPlace; });
        if (onStems) {
            auto treated = TreatedStems::find(*stems, recipe.treatments);
            if (!treated) {
                MediaReader reader(recipe.source);
                const auto findings =
                    recipe.findings ? *recipe.findings : diagnose(reader, Progress(progress, 0.9, 0.93)).findings;
                treated =
                    TreatedStems::make(recording, *stems, recipe.treatments, findings, Progress(progress, 0.93, 0.97));
            }
            recording = treated->recording;
            stems = treated->stems;
        }
        for (const std::string& stem : recipe.parts)
            parts[stem] = openOrMakeParts(*stems, stem, recipe.quality, Progress(progress, 0.7, 0.97));
        for (const auto& [stem, apart] : parts) stems->setParts(stem, apart);
        if (!recipe.mends.empty()) {
            auto readers = stems->openAll();
            MediaReader reader(recording);
            stems->setPatches(mendPatches(recipe.mends, readers, reader, Progress(progress, 0.97, 1)));
        }
    }
    ReelMaterial material;
    material.source = [recording] { return std::make_unique<MediaReader>(recording); };
    material.stems = std::move(stems);
    material.parts = std::move(parts);
    material.timeline = recipe.timeline;
    material.sampleRate = source.sampleRate();
    material.channels = source.channels();
    material.frames = source.frames();
    progress.report(1);
    return material;
}

}  // namespace rivlen

#include "core/separation/Parts.h"

#include <algorithm>

#include "core/base/Error.h"
#include "core/separation/Engine.h"
#include "core/separation/NetworkLibrary.h"

namespace rivlen {

namespace fs = std::filesystem;

NetworkCard partsNetwork(const std::string& stem) {
    for (const auto& card : listNetworks())
        if (card.of == stem && card.shown == partsOf(stem)) return card;
    throw Error(Error::Kind::Other, "No network that takes the " + stem + " further apart is in \"" +
                                        networksFolder().string() +
                                        "\": restore the networks folder that came with Rivlen.");
}

fs::path partsFolder(const StemStore& stems, const std::string& stem, const NetworkCard& card) {
    return stems.folder() / ("parts-" + stem + "-" + card.sum().substr(0, 12));
}

std::shared_ptr<StemStore> openParts(const StemStore& stems, const std::string& stem) {
    return StemStore::openFinished(partsFolder(stems, stem, partsNetwork(stem)));
}

std::shared_ptr<StemStore> makeParts(const StemStore& stems, const std::string& stem, const std::string& quality,
                                     const Progress& progress) {
    const NetworkCard card = partsNetwork(stem);
    const int place = stems.stemIndex(stem);
    if (place < 0 || !stems.finished())
        throw Error(Error::Kind::Usage, "There is no " + stem + " to be taken apart: split the reel first.");
    const fs::path folder = partsFolder(stems, stem, card);
    const auto source = stems.openPlain(place);
    auto store = StemStore::create(folder, {partsOf(stem), stems.shape().sampleRate, stems.shape().channels,
                                            stems.shape().frames});
    EngineOptions options;
    options.quality = quality == "quick" ? EngineOptions::Quality::Quick : EngineOptions::Quality::Fine;
    options.stems = partsOf(stem);
    try {
        separate(
            *source, loadNetwork(card), options,
            [&](int64_t, const AudioBuffer& x, const std::vector<AudioBuffer>& parts) {
                store->append(StemBlock{x, parts, {}});
            },
            progress);
        store->finish();
    } catch (...) {
        std::error_code ignored;
        fs::remove_all(folder, ignored);
        throw;
    }
    return store;
}

void takeApart(StemBlock& block, const std::string& stem, int sampleRate, const std::string& quality,
               const Progress& progress) {
    const auto& stems = stemsWithParts();
    if (std::find(stems.begin(), stems.end(), stem) == stems.end() || block.stems.size() != 3)
        throw Error(Error::Kind::Usage,
                    "A stem \"" + stem + "\" is not taken further apart: choose music or ambience.");
    block.divided = stem == "music" ? 1 : 2;
    block.parts.clear();
    EngineOptions options;
    options.quality = quality == "quick" ? EngineOptions::Quality::Quick : EngineOptions::Quality::Fine;
    options.stems = partsOf(stem);
    BufferSource whole(block.stems[size_t(block.divided)], sampleRate);
    separate(
        whole, loadNetwork(partsNetwork(stem)), options,
        [&](int64_t, const AudioBuffer&, const std::vector<AudioBuffer>& parts) {
            if (block.parts.empty()) block.parts = parts;
            else
                for (size_t p = 0; p < parts.size(); ++p) block.parts[p].append(parts[p]);
        },
        progress);
    progress.throwIfCancelled();
}

std::shared_ptr<StemStore> openOrMakeParts(const StemStore& stems, const std::string& stem, const std::string& quality,
                                           const Progress& progress) {
    if (auto known = openParts(stems, stem)) return known;
    return makeParts(stems, stem, quality, progress);
}

}  // namespace rivlen

#pragma once
#include "Support.h"
#include "core/isolation/StemNames.h"
#include "core/rebuild/Materials.h"

namespace rivlen::test {

/// A reel of three seconds in stereo, with stems in a store of its own.
struct StoredReel {
    static constexpr int kRate = 48000;
    static constexpr int64_t kFrames = 3 * kRate + 123;

    TempFolder folder;
    AudioBuffer source = programme(2, kRate, kFrames);
    std::vector<AudioBuffer> stems{noise(2, kFrames, 0.1f, 2), noise(2, kFrames, 0.05f, 3), AudioBuffer()};
    std::shared_ptr<StemStore> store;

    StoredReel() {
        setenv("XDG_CACHE_HOME", (folder / "cache").c_str(), 1);
        stems[2] = source;
        for (size_t i = 0; i < source.samples().size(); ++i)
            stems[2].samples()[i] -= stems[0].samples()[i] + stems[1].samples()[i];
        store = StemStore::create(folder / "stems", {kStemNames, kRate, 2, kFrames});
        store->append(StemBlock{source, stems, {}});
        store->finish();
    }
    ReelMaterial material() const {
        ReelMaterial reel;
        reel.source = [this] { return std::make_unique<BufferSource>(source, kRate); };
        reel.stems = store;
        reel.sampleRate = kRate, reel.channels = 2, reel.frames = kFrames;
        return reel;
    }
};

}  // namespace rivlen::test

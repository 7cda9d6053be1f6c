#pragma once
#include <algorithm>
#include <memory>
#include <vector>

#include "core/audio/SampleSource.h"

namespace rivlen {

/// Stretches of sound that are added to stems, and to what they sum to, as they are read: the store itself stays as the
/// network gave it.
struct StemPatches {
    struct Patch {
        int64_t first = 0;
        std::vector<AudioBuffer> stems;  ///< one for each; no channels: it stays as it is
        AudioBuffer source;              ///< what all of them together change; no channels: nothing
    };
    std::vector<Patch> patches;

    /// Adds what concerns one stem (-1: the source) to its frames from first on.
    void addTo(AudioBuffer& audio, int64_t first, int stem) const {
        for (const Patch& p : patches) {
            const AudioBuffer& more = stem < 0 ? p.source : p.stems[size_t(stem)];
            const int64_t from = std::max(first, p.first),
                          to = std::min(first + audio.frames(), p.first + more.frames());
            for (int c = 0; c < std::min(audio.channels(), more.channels()); ++c)
                for (int64_t i = from; i < to; ++i)
                    audio.channel(c)[size_t(i - first)] += more.channel(c)[size_t(i - p.first)];
        }
    }
};

/// A sound with its patches.
class PatchedStem : public SampleSource {
public:
    PatchedStem(std::unique_ptr<SampleSource> plain, std::shared_ptr<const StemPatches> patches, int stem)
        : m_plain(std::move(plain)), m_patches(std::move(patches)), m_stem(stem) {}
    int channels() const override { return m_plain->channels(); }
    int sampleRate() const override { return m_plain->sampleRate(); }
    int64_t frames() const override { return m_plain->frames(); }
    AudioBuffer read(int64_t first, int64_t count) override {
        AudioBuffer audio = m_plain->read(first, count);
        m_patches->addTo(audio, first, m_stem);
        return audio;
    }

private:
    std::unique_ptr<SampleSource> m_plain;
    std::shared_ptr<const StemPatches> m_patches;
    int m_stem;
};

}  // namespace rivlen

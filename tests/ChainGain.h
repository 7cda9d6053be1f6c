#pragma once

#include "Support.h"
#include "core/rebuild/Chain.h"

namespace rivlen::test {

inline constexpr int kRate = 48000;

/// Level of a tone after a chain once it has settled, against the tone before, dB.
inline double gainAt(const ChainSettings& settings, double hz, double db = -20, int rate = kRate) {
    Chain chain(1, rate, {});
    chain.set(settings);
    const int64_t frames = rate / Chain::kBlock * Chain::kBlock;
    AudioBuffer tone = sine(hz, fromDb(db), rate, frames);
    AudioBuffer out(1, 0);
    for (int64_t at = 0; at < frames; at += Chain::kBlock) {
        AudioBuffer block = tone.slice(at, Chain::kBlock);
        chain.process(block);
        out.append(block);
    }
    return levelDb(out.slice(frames / 2, frames / 2)) - levelDb(tone.slice(frames / 2, frames / 2));
}

}  // namespace rivlen::test

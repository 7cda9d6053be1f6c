#include "core/treatment/Treat.h"

#include <algorithm>

#include "core/diagnosis/GustLevels.h"
#include "core/treatment/NoiseProfile.h"

namespace rivlen {

TreatmentFacts factsFor(SampleSource& source, const std::vector<Treatment>& treatments, std::vector<Finding> findings,
                        const Progress& progress) {
    TreatmentFacts facts{source.channels(), source.sampleRate(), std::move(findings), {}, 0};
    if (std::any_of(treatments.begin(), treatments.end(),
                    [](const Treatment& t) { return t.on && (t.id == "de-plosive" || t.id == "de-wind"); }))
        facts.voice = voiceLevel(source, progress);
    if (std::any_of(treatments.begin(), treatments.end(), [](const Treatment& t) { return t.on && t.id == "de-hiss"; }))
        facts.noise = learnNoise(source, progress);
    return facts;
}

std::vector<TreatmentChain::Effect> treat(SampleSource& source, const std::vector<Treatment>& treatments,
                                          const TreatmentFacts& facts,
                                          const std::function<void(const AudioBuffer&)>& sink,
                                          const Progress& progress) {
    TreatmentChain chain(treatments, facts);
    const int64_t block = source.sampleRate();
    for (int64_t at = 0; at < source.frames(); at += block) {
        progress.throwIfCancelled();
        if (const AudioBuffer out = chain.process(source.read(at, std::min(block, source.frames() - at)));
            out.frames() > 0)
            sink(out);
        progress.report(double(std::min(at + block, source.frames())) / double(source.frames()));
    }
    if (const AudioBuffer out = chain.finish(); out.frames() > 0) sink(out);
    return chain.effects();
}

}  // namespace rivlen

#include "core/effects/EffectTrial.h"

#include <algorithm>
#include <cmath>
#include <random>

#include "core/base/Text.h"

namespace rivlen {

namespace {

constexpr int kTrialBlock = 256;
constexpr double kLoudest = 1000;  // +60 dBFS

/// The sounds of a trial, one after the other: sample i of n.
struct Probe {
    double seconds;
    float (*sample)(int64_t i, std::minstd_rand& random);
};

float noise(std::minstd_rand& random, float peak) {
    return peak * (float(random()) / float(std::minstd_rand::max()) * 2 - 1);
}

const Probe kProbes[] = {
    {0.3, [](int64_t, std::minstd_rand&) { return 0.0f; }},
    {0.7, [](int64_t, std::minstd_rand& r) { return noise(r, 0.25f); }},
    {0.2, [](int64_t i, std::minstd_rand&) { return i == 0 ? 1.0f : 0.0f; }},
    {0.2, [](int64_t i, std::minstd_rand&) { return i / 100 % 2 ? 1.0f : -1.0f; }},
    {0.5, [](int64_t, std::minstd_rand& r) { return noise(r, 1e-38f); }},
    {0.6, [](int64_t, std::minstd_rand&) { return 0.0f; }},
};

}  // namespace

EffectTrial tryEffect(const EffectFacts& facts, int rate, int channels, const Progress& progress) {
    EffectTrial trial;
    const std::string who = "The effect \"" + facts.name + "\" ";
    if (const std::string why = misfit(facts, channels); !why.empty()) {
        trial.refused = who + "cannot be used here: " + why + ".";
        return trial;
    }
    try {
        EffectProcess process(facts.uri, facts.name);
        trial.latency = process.begin({rate, channels, kTrialBlock}, progress);
        std::minstd_rand random(1);
        double all = 0, done = 0, slowest = 1e9;
        for (const auto& p : kProbes) all += p.seconds;
        for (const auto& p : kProbes) {
            const auto frames = int64_t(p.seconds * rate);
            const auto began = HelperProcess::Clock::now();
            for (int64_t at = 0; at < frames; at += kTrialBlock) {
                progress.throwIfCancelled();
                AudioBuffer block(channels, kTrialBlock);
                for (int c = 0; c < channels; ++c)
                    for (int64_t i = 0; i < kTrialBlock; ++i) block.channel(c)[size_t(i)] = p.sample(at + i, random);
                process.process({}, block);
                for (float v : block.samples()) {
                    if (!std::isfinite(v)) {
                        trial.refused = who + "gives samples that are no numbers: it is not let into a chain.";
                        return trial;
                    }
                    if (done == 0) trial.silentPeak = std::max(trial.silentPeak, double(std::abs(v)));
                    if (std::abs(v) > kLoudest) {
                        trial.refused = who + "gives samples beyond +60 dBFS: it is not let into a chain.";
                        return trial;
                    }
                }
            }
            const double took = std::chrono::duration<double>(HelperProcess::Clock::now() - began).count();
            slowest = std::min(slowest, p.seconds / std::max(took, 1e-9));
            done += p.seconds;
            progress.report(done / all);
        }
        trial.realTime = slowest;
        if (slowest < 1)
            trial.refused = who + formatted(
                                      "runs at %.1f times real time with some sounds: it is not let into a chain, "
                                      "which could not play.",
                                      slowest);
    } catch (const Error& e) {
        if (e.kind() == Error::Kind::Cancelled) throw;
        trial.refused = e.what();
    }
    return trial;
}

EffectProcess::State effectPreset(const EffectFacts& facts, const std::string& preset, int rate, int channels) {
    const auto process = takeEffect(facts.uri, facts.name);
    process->begin({rate, channels, kTrialBlock, {}, {}, preset});
    return process->state();
}

}  // namespace rivlen

#include "core/separation/NetworkProbe.h"

#include <chrono>
#include <numbers>
#include <random>

#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/separation/Engine.h"

namespace rivlen {

namespace {

using Stems = std::vector<AudioBuffer>;

constexpr double kLevelSeconds = 10;     ///< of sound for the trials of level
constexpr double kBeyondSeconds = 5;     ///< of sound on each side of the stretch whose surroundings are taken away
constexpr double kInsideSeconds = 4;     ///< of that stretch beside its context
constexpr double kLouder[] = {0.01, 4};  ///< -40 and +12 dB
constexpr double kSumBound = -3, kLevelBound = -20, kContextBound = -30;  // dB

[[noreturn]] void refuse(const std::string& why) { throw Error(Error::Kind::InputUnreadable, why); }

/// Something of everything that networks tell apart, so that the answer hangs on what is around: syllables (pulses of a
/// gliding pitch through two resonances, with pauses), chords that change, noise that comes and goes.
AudioBuffer trialSound(const NetworkCard& card, int64_t frames) {
    constexpr double kTau = 2 * std::numbers::pi;
    AudioBuffer x(card.stereo ? 2 : 1, frames);
    std::mt19937 random(5);
    std::normal_distribution<float> normal;
    const double rate = card.sampleRate, roots[] = {220, 174.6, 261.6, 196};
    double pitchPhase = 0;
    for (int64_t i = 0; i < frames; ++i) {
        const double t = double(i) / rate, pitch = 130 + 25 * std::sin(kTau * 0.31 * t) + 8 * std::sin(kTau * 5 * t);
        pitchPhase += pitch / rate;
        const double word = std::fmod(t, 2.9) < 2.1 ? std::max(0.0, std::sin(kTau * 3.7 * t)) : 0.0;
        double voice = 0;
        for (int h = 1; h <= 24 && h * pitch < 0.45 * rate; ++h) {
            const double hz = h * pitch, first = 450 + 250 * std::sin(kTau * 1.3 * t),
                         second = 1500 + 500 * std::cos(kTau * 0.9 * t);
            const double formants =
                std::exp(-std::pow((hz - first) / 180, 2)) + 0.5 * std::exp(-std::pow((hz - second) / 300, 2));
            voice += (0.05 / h + 0.3 * formants) * std::sin(kTau * h * pitchPhase);
        }
        const double root = roots[size_t(t / 0.8) % 4], struck = std::exp(-2.5 * std::fmod(t, 0.8));
        double chord = 0;
        for (const double ratio : {1.0, 1.26, 1.5, 2.0})
            for (int h = 1; h <= 3; ++h) chord += std::sin(kTau * ratio * root * h * t) / (h * h);
        const double bed = 0.02 + 0.05 * double(i / int64_t(rate * 1.7) % 2);
        for (int c = 0; c < x.channels(); ++c)
            x.channel(c)[size_t(i)] =
                float(0.15 * word * voice + 0.04 * struck * chord * (c == 0 ? 1 : 0.6) + bed * normal(random));
    }
    return x;
}

double powerOf(const AudioBuffer& a) {
    double power = 0;
    for (float v : a.samples()) power += double(v) * v;
    return power;
}

/// least: what the difference is measured against where a holds less.
double differenceDb(const AudioBuffer& a, const AudioBuffer& b, double gain, double least = 1e-30) {
    double error = 1e-30, power = 1e-30;
    for (size_t i = 0; i < a.samples().size(); ++i) {
        const double x = a.samples()[i], d = x - gain * b.samples()[i];
        error += d * d;
        power += x * x;
    }
    return 10 * std::log10(error / std::max(power, least));
}

double sumError(const AudioBuffer& x, const Stems& stems) {
    AudioBuffer sum(x.channels(), x.frames());
    for (const auto& stem : stems)
        for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += stem.samples()[i];
    return differenceDb(x, sum, 1.0);
}

/// Seconds from the ends of a stretch up to which its answer is another when nothing lies around it.
double contextOf(Network& network) {
    const NetworkCard& card = network.card();
    const int64_t beyond = (int64_t(kBeyondSeconds * card.sampleRate) + card.grid - 1) / card.grid * card.grid,
                  inside = std::max(card.minimum, 2 * card.context + int64_t(kInsideSeconds * card.sampleRate));
    const AudioBuffer whole = trialSound(card, inside + 2 * beyond), part = whole.slice(beyond, inside);
    const Stems around = network.separate(whole), alone = network.separate(part);
    const int64_t block = card.sampleRate / 20;
    int64_t needed = 0;
    for (int64_t at = 0; at + block <= inside; at += block) {
        double error = 0, power = 1e-12;
        for (size_t s = 0; s < alone.size(); ++s)
            for (int c = 0; c < part.channels(); ++c)
                for (int64_t i = at; i < at + block; ++i) {
                    const double d = double(alone[s].channel(c)[size_t(i)]) - around[s].channel(c)[size_t(beyond + i)],
                                 x = part.channel(c)[size_t(i)];
                    error += d * d;
                    power += x * x / double(alone.size());
                }
        if (10 * std::log10(error / power + 1e-30) > kContextBound)
            needed = std::max(needed, std::min(at + block, inside - at));
    }
    return double(needed) / card.sampleRate;
}

}  // namespace

NetworkFacts probe(Network& network) {
    const NetworkCard& card = network.card();
    NetworkFacts facts;
    network.separate(trialSound(card, card.minimum));  // the first runs also compile
    network.separate(trialSound(card, std::max<int64_t>(card.minimum, card.sampleRate)));

    const auto tile = int64_t((kTileSeconds + 0.05) * card.sampleRate) + 2 * card.context + card.grid;
    const AudioBuffer longest = trialSound(card, std::max(tile, card.minimum));
    const auto start = std::chrono::steady_clock::now();
    facts.sumErrorDb = sumError(longest, network.separate(longest));
    const std::chrono::duration<double> took = std::chrono::steady_clock::now() - start;
    facts.realTimeFactor = double(longest.frames()) / card.sampleRate / took.count();

    const AudioBuffer x = trialSound(card, std::max(card.minimum, int64_t(kLevelSeconds * card.sampleRate)));
    const Stems usual = network.separate(x);
    const double least = 1e-6 * powerOf(x);  // a stem that is silent, or as good as that, does not change
    facts.levelErrorDb = -300;
    for (const double gain : kLouder) {
        AudioBuffer other = x;
        for (float& v : other.samples()) v *= float(gain);
        const Stems answer = network.separate(other);
        facts.sumErrorDb = std::max(facts.sumErrorDb, sumError(other, answer));
        for (size_t s = 0; s < usual.size(); ++s)
            facts.levelErrorDb = std::max(facts.levelErrorDb, differenceDb(usual[s], answer[s], 1 / gain, least));
    }
    for (const auto& stem : network.separate(AudioBuffer(x.channels(), x.frames())))
        for (float v : stem.samples())
            if (std::fabs(v) > 1e-4f) refuse("it makes sound out of silence.");
    // Rivlen shares out what is missing, but a network that loses most of the sound does not separate it.
    if (facts.sumErrorDb > kSumBound)
        refuse(
            formatted("its stems do not sum to the recording: what is missing is as loud as the recording "
                      "(%+.0f dB).",
                      facts.sumErrorDb));
    if (facts.levelErrorDb > kLevelBound)
        refuse(
            formatted("its answer depends on the level of the recording (it changes by %.0f dB).", facts.levelErrorDb));
    facts.contextNeeded = contextOf(network);
    const double promised = double(card.context) / card.sampleRate;
    if (facts.contextNeeded > promised + 0.05)
        refuse(formatted(
            "its answer depends on %.2f s of sound on each side, its card says %.2f s: context_samples must "
            "be %lld at least.",
            facts.contextNeeded, promised, static_cast<long long>(std::ceil(facts.contextNeeded * card.sampleRate))));
    facts.passed = true;
    return facts;
}

}  // namespace rivlen

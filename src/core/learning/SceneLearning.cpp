#include "core/learning/SceneLearning.h"

#include <cmath>
#include <numbers>

#include "core/audio/Resampler.h"
#include "core/base/Text.h"
#include "core/learning/LessonMaker.h"
#include "core/measures/SeparationMeasures.h"

namespace rivlen {

namespace {

constexpr int kTests = 16;  ///< mixtures of what was held back
constexpr double kTestSeconds = 4;
constexpr double kHeldBack = 0.25;  ///< of each marked sound: its end
// These bounds are from scenes whose parts are known: training/EXPERIMENTS.md, "Learning a scene".
constexpr double kSteadier = 0.5;  ///< dB, that the recording's own dialogue must be steadier
constexpr double kUnsure = 1.5;    ///< dB, that a stem may seem to lose with other voices all the same
// Where a recording has nothing but what is marked: the proof is of voices that the network knows; others gain less.
constexpr double kWorthIt = 1.5;   ///< dB, that the dialogue must gain
constexpr double kHarm = 0.8;      ///< dB, that no stem may lose on average
constexpr double kGood = 14;       ///< dB of SI-SDR in every stem: hardly anything is left to be learned
constexpr double kTested = 0.12;   ///< of the time, for the two tests
constexpr double kLost = -30;      ///< dB: a dialogue that was found before and is found no more
constexpr double kFound = 0.03;    ///< of a stretch's energy, for what is found there to count
constexpr double kAudible = 1e-4;  ///< of a mixture's energy, for a part to count

/// The sounds for learning and those that are held back.
struct Halves {
    SceneSounds learned, held;
};

/// As the network will meet it at another speed (NetworkCard::fineRates).
AudioBuffer atRate(const AudioBuffer& sound, int from, int to) {
    Resampler resampler(from, to, sound.channels());
    AudioBuffer out = resampler.process(sound);
    out.append(resampler.finish());
    return out;
}

Halves apart(const SceneSounds& sounds, const NetworkCard& card) {
    Halves halves;
    for (size_t stem = 0; stem < kStemCount; ++stem) {
        for (size_t i = 0; i < sounds.library[stem].size(); ++i)
            (i % 4 == 3 ? halves.held : halves.learned).library[stem].push_back(sounds.library[stem][i]);
        for (const AudioBuffer& sound : sounds.marked[stem]) {
            const int64_t cut = int64_t((1 - kHeldBack) * double(sound.frames()));
            const AudioBuffer learned = sound.slice(0, cut);
            halves.learned.marked[stem].push_back(learned);
            for (const int rate : card.fineRates)
                if (rate != card.sampleRate)
                    halves.learned.marked[stem].push_back(atRate(learned, card.sampleRate, rate));
            halves.held.marked[stem].push_back(sound.slice(cut, sound.frames() - cut));
        }
    }
    return halves;
}

double energyOf(const AudioBuffer& b) {
    double e = 0;
    for (const float v : b.samples()) e += double(v) * v;
    return e;
}

/// What of its mirror image is heard on either side of a sound, as the engine has networks hear a recording: beside
/// silence they answer otherwise, and what is proven there is not what the user gets.
constexpr double kImage = 1.7;  // s

AudioBuffer withImage(const AudioBuffer& x, int64_t beside) {
    AudioBuffer out = x.slice(-beside, x.frames() + 2 * beside);
    for (int c = 0; c < x.channels(); ++c) {
        const auto y = out.channel(c);
        for (int64_t i = 1; i <= beside; ++i) {
            y[size_t(beside - i)] = y[size_t(beside + i)];
            y[size_t(beside + x.frames() - 1 + i)] = y[size_t(beside + x.frames() - 1 - i)];
        }
    }
    return out;
}

/// The network's answer as the stems that are shown.
std::array<AudioBuffer, kStemCount> answerTo(Network& network, const AudioBuffer& x) {
    std::array<AudioBuffer, kStemCount> answer;
    for (AudioBuffer& stem : answer) stem = AudioBuffer(x.channels(), x.frames());
    const NetworkCard& card = network.card();
    const int64_t beside = std::min(int64_t(kImage * card.sampleRate), x.frames() - 1) / card.grid * card.grid;
    const auto stems = network.separate(withImage(x, beside));
    for (size_t s = 0; s < stems.size(); ++s) {
        AudioBuffer& shown = answer[stemPlace(card.shown[card.shownRow[s]])];
        for (int c = 0; c < x.channels(); ++c)
            for (int64_t i = 0; i < x.frames(); ++i)
                shown.channel(c)[size_t(i)] += stems[s].channel(c)[size_t(beside + i)];
    }
    return answer;
}

/// How alike the dialogues found in a stretch of the recording as it is and under held-back sound are, dB of SI-SDR, by
/// stretch: no truth is needed for it, and no network's mistakes count as one. NaN where no dialogue is found.
std::vector<double> steadiness(Network& network, const SceneSounds& held, const Progress& progress) {
    std::vector<double> all;
    const auto& over = held.marked[2].empty() ? held.marked[1] : held.marked[2];
    for (size_t n = 0; n < held.reel.size() && !over.empty(); ++n) {
        progress.throwIfCancelled();
        const AudioBuffer &stretch = held.reel[n], &bed = over[n % over.size()];
        const auto gain = float(0.5 * std::sqrt(energyOf(stretch) / double(stretch.frames()) /
                                                (energyOf(bed) / double(bed.frames()) + 1e-12)));
        AudioBuffer more = stretch;
        for (int c = 0; c < more.channels(); ++c)
            for (int64_t i = 0, round = std::max<int64_t>(1, 2 * bed.frames() - 2); i < more.frames(); ++i) {
                const int64_t at = i % round;
                more.channel(c)[size_t(i)] += gain * bed.channel(c)[size_t(at < bed.frames() ? at : round - at)];
            }
        const auto as = answerTo(network, stretch), under = answerTo(network, more);
        const bool found = energyOf(as[0]) >= kFound * energyOf(stretch) && energyOf(as[0]) > 0;
        all.push_back(found ? std::clamp(siSdr(under[0], as[0]), kLost, 40.0) : std::nan(""));
        progress.report(double(n + 1) / double(held.reel.size()));
    }
    return all;
}

AudioBuffer partOf(Lesson& lesson, int mixture, int part) {
    AudioBuffer out = AudioBuffer::uncleared(lesson.channels, lesson.frames);
    for (int c = 0; c < lesson.channels; ++c)
        std::copy_n(lesson.at(mixture, part, c), lesson.frames, out.channel(c).begin());
    return out;
}

/// SI-SDR in dB of every part of every mixture; NaN for parts that are not there.
std::vector<std::array<double, kStemCount>> scores(Network& network, Lesson& tests, const Progress& progress) {
    std::vector<std::array<double, kStemCount>> all;
    for (int mixture = 0; mixture < tests.count; ++mixture) {
        progress.throwIfCancelled();
        std::array<AudioBuffer, kStemCount> truth;
        AudioBuffer sum(tests.channels, tests.frames);
        for (int part = 0; part < int(kStemCount); ++part) {
            truth[size_t(part)] = partOf(tests, mixture, part);
            for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += truth[size_t(part)].samples()[i];
        }
        const auto answer = answerTo(network, sum);
        std::array<double, kStemCount> row{};
        for (size_t part = 0; part < kStemCount; ++part)
            row[part] = energyOf(truth[part]) > kAudible * energyOf(sum)
                            ? std::clamp(siSdr(answer[part], truth[part]), -30.0, 40.0)
                            : std::nan("");
        all.push_back(row);
        progress.report(double(mixture + 1) / tests.count);
    }
    return all;
}

/// The mean over the mixtures that have the part; nothing without any.
template <typename Of>
double meanOf(size_t count, const Of& value) {
    double sum = 0;
    int n = 0;
    for (size_t i = 0; i < count; ++i)
        if (const double v = value(i); !std::isnan(v)) sum += v, ++n;
    return n > 0 ? sum / n : std::nan("");
}

}  // namespace

std::string gainsInWords(const std::map<std::string, double>& gains) {
    std::string text;
    for (const auto& stem : kStemNames)
        if (const auto found = gains.find(stem); found != gains.end())
            text += (text.empty() ? "" : ", ") + stem + " " + formatted("%+.1f dB", found->second);
    return text;
}

SceneOutcome learnScene(Learner& learner, const SceneSounds& sounds, const LearnSettings& settings,
                        const Progress& progress) {
    SceneOutcome outcome;
    const int rate = learner.network().card().sampleRate;
    int64_t frames = 0;
    for (const auto& of : sounds.marked)
        for (const AudioBuffer& sound : of) frames += sound.frames();
    if (double(frames) < kShortestScene * rate) {
        outcome.reason = "too little is marked: a second at least is needed, five are better";
        return outcome;
    }
    Halves halves = apart(sounds, learner.network().card());
    halves.held.reel = sounds.reel;
    const auto steadyBefore = steadiness(learner.network(), halves.held, Progress(progress, 0, kTested / 4));
    Lesson tests = LessonMaker(halves.held, settings.seed + 1000).make(kTests, int64_t(kTestSeconds * rate));
    const auto before = scores(learner.network(), tests, Progress(progress, kTested / 4, kTested / 2));
    LessonMaker maker(halves.learned, settings.seed);
    for (int step = 0; step < settings.steps; ++step) {
        progress.throwIfCancelled();
        // Slowly begun, since the first gradients are the largest, and ended softly.
        const double along =
            std::min(1.0, (step + 1) / 5.0) * 0.5 * (1 + std::cos(std::numbers::pi * step / settings.steps));
        learner.step(maker.make(settings.batch, int64_t(settings.seconds * rate)), settings.rate * along);
        progress.report(kTested / 2 + (1 - kTested) * double(step + 1) / settings.steps);
    }
    const auto after = scores(learner.network(), tests, Progress(progress, 1 - kTested / 2, 1 - kTested / 4));
    const auto steadyAfter = steadiness(learner.network(), halves.held, Progress(progress, 1 - kTested / 4, 1));
    // The same stretches count before and after: a voice that is lost must not improve the mean.
    const double gained = meanOf(steadyBefore.size(), [&](size_t i) {
        return (std::isnan(steadyAfter[i]) ? kLost : steadyAfter[i]) - steadyBefore[i];
    });
    const bool spoken = !std::isnan(gained);
    outcome.steadierDb = spoken ? gained : 0;
    progress.report(1);
    double worst = 100, least = 100;
    for (size_t part = 0; part < kStemCount; ++part) {
        const double gain = meanOf(after.size(), [&](size_t i) { return after[i][part] - before[i][part]; });
        if (std::isnan(gain)) continue;
        outcome.gainDb[kStemNames[part]] = gain;
        worst = std::min(worst, gain);
        least = std::min(least, meanOf(before.size(), [&](size_t i) { return before[i][part]; }));
    }
    const double dialogue = outcome.gainDb.contains("dialogue") ? outcome.gainDb.at("dialogue") : 0;
    const bool steadier = outcome.steadierDb >= kSteadier, gains = dialogue >= kWorthIt;
    outcome.kept = spoken ? steadier && worst >= -kUnsure : gains && worst >= -kHarm;
    if (outcome.kept || settings.keepAnyway) outcome.changes = learner.changes();
    if (outcome.kept && steadier)
        outcome.reason = "the dialogue of this recording stays " + formatted("%.1f dB", outcome.steadierDb) +
                         " cleaner under more of what you marked; with other voices: " + gainsInWords(outcome.gainDb);
    else if (outcome.kept) outcome.reason = gainsInWords(outcome.gainDb) + " on what was held back";
    else if (least > kGood)
        outcome.reason = "the network is good here already: " + formatted("%.0f dB", least) + " without it";
    else if (spoken && !steadier)
        outcome.reason = "the dialogue of this recording would not be cleaner under more of what you marked (" +
                         formatted("%+.1f dB", outcome.steadierDb) +
                         "): mark longer spans, or others, in which nothing else is heard";
    else if (gains || steadier)
        outcome.reason = "what it gains in one stem it loses in another (" + gainsInWords(outcome.gainDb) +
                         "): the spans are too varied, or more than what you marked is heard in them";
    else
        outcome.reason = "it brought too little on what was held back (" + gainsInWords(outcome.gainDb) +
                         "): mark longer spans, or other ones";
    return outcome;
}

}  // namespace rivlen

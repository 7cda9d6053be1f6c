#include "core/learning/LessonMaker.h"

#include <cmath>

namespace rivlen {

namespace {

// Measured on scenes of the field set's kinds: training/EXPERIMENTS.md, "Learning a scene".
constexpr double kRms = 0.08;                                          ///< of every sound before its level
constexpr std::array<double, kStemCount> kFromMarked{0.7, 0.7, 0.65};  ///< of the mixtures, where a stem has marks
constexpr std::array<double, kStemCount> kThere{0.88, 0.5, 1.0};       ///< of the mixtures, as long as it has none
constexpr std::array<double, kStemCount> kSoftest{0, -16, -12}, kLoudest{0, 6, 8};  ///< dB against the voice
constexpr double kDoubled = 0.3;  ///< of the marked sounds: two stretches of it at once

float levelled(const AudioBuffer& sound) {
    double energy = 0;
    for (const float v : sound.samples()) energy += double(v) * v;
    return float(kRms / std::sqrt(energy / double(std::max<size_t>(1, sound.samples().size())) + 1e-9));
}

}  // namespace

LessonMaker::LessonMaker(const SceneSounds& sounds, unsigned seed) : m_sounds(sounds), m_random(seed) {}

// The standard leaves its distributions' results open; lessons must not depend on whose library it is.
double LessonMaker::between(double from, double to) { return from + (to - from) * double(m_random()) / 4294967296.0; }

bool LessonMaker::chance(double share) { return between(0, 1) < share; }

LessonMaker::Place LessonMaker::draw(const std::vector<AudioBuffer>& from, int64_t frames) {
    const AudioBuffer& sound = from[size_t(between(0, double(from.size())))];
    // A sound shorter than the mixture goes to its end and back again, without a seam; its beginning is anywhere.
    const double last = sound.frames() > frames ? double(sound.frames() - frames) : double(sound.frames());
    return {&sound, int64_t(between(0, last))};
}

void LessonMaker::add(const Place& place, float gain, bool swapped, Lesson& lesson, int mixture, int part) const {
    const AudioBuffer& sound = *place.sound;
    gain *= levelled(sound);
    for (int c = 0; c < lesson.channels; ++c) {
        float* to = lesson.at(mixture, part, swapped ? lesson.channels - 1 - c : c);
        const auto from = sound.channel(c);
        const int64_t n = sound.frames(), round = std::max<int64_t>(1, 2 * n - 2);
        for (int64_t i = 0, at = place.at % round; i < lesson.frames; ++i) {
            to[i] += gain * from[size_t(at < n ? at : round - at)];
            if (++at == round) at = 0;
        }
    }
}

void LessonMaker::fill(Lesson& lesson, int mixture) {
    bool any = false;
    for (int part = 0; part < int(kStemCount); ++part) {
        const size_t p = size_t(part);
        const auto& marked = m_sounds.marked[p];
        // A mixture of nothing teaches nothing: the last part is there when no other is.
        const bool there = chance(marked.empty() ? kThere[p] : std::max(0.85, kThere[p]));
        if (!there && (any || part + 1 < int(kStemCount))) continue;
        any = true;
        const bool own = !marked.empty() && chance(kFromMarked[p]);
        const auto& from = own ? marked : m_sounds.library[p];
        const float gain = float(std::pow(10, between(kSoftest[p], kLoudest[p]) / 20));
        const bool swapped = chance(0.5);
        add(draw(from, lesson.frames), gain, swapped, lesson, mixture, part);
        if (own && part > 0 && chance(kDoubled))
            add(draw(from, lesson.frames), gain * float(between(0.2, 1)), swapped, lesson, mixture, part);
    }
}

Lesson LessonMaker::make(int count, int64_t frames) {
    Lesson lesson;
    lesson.count = count;
    lesson.channels = m_sounds.library[0][0].channels();
    lesson.frames = frames;
    lesson.parts.assign(size_t(count) * kStemCount * size_t(lesson.channels) * size_t(frames), 0.0f);
    for (int mixture = 0; mixture < count; ++mixture) fill(lesson, mixture);
    return lesson;
}

}  // namespace rivlen

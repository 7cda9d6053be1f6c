#pragma once
#include <random>

#include "core/learning/SceneSounds.h"
#include "core/separation/Learner.h"

namespace rivlen {

/// Makes mixtures with known parts: what was marked, wherever there is some, with sounds of the library in the other
/// stems' places, at stretches and levels of their own. The same seed gives the same lessons.
class LessonMaker {
public:
    /// Keeps a reference to the sounds.
    LessonMaker(const SceneSounds& sounds, unsigned seed);
    Lesson make(int count, int64_t frames);

private:
    struct Place {
        const AudioBuffer* sound;
        int64_t at;
    };

    bool chance(double share);
    double between(double from, double to);
    Place draw(const std::vector<AudioBuffer>& from, int64_t frames);
    void add(const Place& place, float gain, bool swapped, Lesson& lesson, int mixture, int part) const;
    void fill(Lesson& lesson, int mixture);

    const SceneSounds& m_sounds;
    std::mt19937 m_random;
};

}  // namespace rivlen

#pragma once
#include <optional>

#include "core/audio/AudioBuffer.h"
#include "core/space/Placement.h"

namespace rivlen {

/// A placement at work: brings blocks of a sound into a format where the place may move. Gains are taken on an absolute
/// grid of kGrid frames and go straight between, so that they are the same wherever a graph began; what the air takes
/// from the treble is a filter of one pole, set at 8 kHz, whose state remembers.
class Placer {
public:
    static constexpr int64_t kGrid = 64;
    /// What is to be at a time (seconds).
    struct Where {
        Position place;
        double width = 100;     ///< %
        bool levelled = false;  ///< what the distance takes from the level has been taken before
        bool operator==(const Where&) const = default;
    };

    Placer(MixFormat format, int channels, int sampleRate);
    int outputs() const { return m_placement.outputs(); }
    /// at(second) gives the place; constant: it does not move within the sound. Blocks follow each other.
    template <typename At>
    AudioBuffer process(const AudioBuffer& sound, int64_t first, const At& at) {
        AudioBuffer out(outputs(), sound.frames());
        AudioBuffer dull = sound;
        for (int64_t i = 0; i < sound.frames();) {
            const int64_t cell = below(first + i), begin = cell * kGrid, end = begin + kGrid;
            const Where from = at(double(begin) / m_rate), to = at(double(end) / m_rate);
            const int64_t last = std::min(end - first, sound.frames());
            air(dull, i, last, from.place.distance, to.place.distance, double(first - begin));
            know(from, to);
            mix(dull, i, last, double(first - begin), out);
            i = last;
        }
        return out;
    }
    void reset();

private:
    static int64_t below(int64_t t) { return t >= 0 ? t / kGrid : -((-t + kGrid - 1) / kGrid); }
    /// Both places' gains into m_from and m_to.
    void know(const Where& from, const Where& to);
    void air(AudioBuffer& sound, int64_t from, int64_t to, double a, double b, double offset);
    void mix(const AudioBuffer& sound, int64_t from, int64_t to, double offset, AudioBuffer& out) const;

    Placement m_placement;
    int m_rate;
    struct Known {
        Where where;
        std::vector<double> gains;
    };
    std::optional<Known> m_from, m_to;  ///< at both ends of the present step; where one ends the next begins
    std::vector<double> m_state;        ///< of the air, by channel
};

}  // namespace rivlen

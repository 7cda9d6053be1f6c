#include "core/loudness/Loudness.h"

#include <ebur128.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>
#include <vector>

#include "core/audio/Decibel.h"
#include "core/base/Error.h"
#include "core/loudness/TruePeak.h"

namespace rivlen {

struct LoudnessMeter::Impl {
    ebur128_state* state = nullptr;
    int channels = 0;
    std::vector<float> interleaved;
    float peak = 0;
    std::optional<TruePeak> truePeak;
    ~Impl() {
        if (state) ebur128_destroy(&state);
    }
};

LoudnessMeter::LoudnessMeter(int channels, int sampleRate, Detail detail) : m(std::make_unique<Impl>()) {
    m->channels = channels;
    const int mode = EBUR128_MODE_I | (detail == Detail::Everything ? EBUR128_MODE_LRA : 0);
    m->state = ebur128_init(unsigned(channels), unsigned(sampleRate), mode);
    if (!m->state)
        throw Error(Error::Kind::Other, "Loudness cannot be measured at this sample rate and channel count.");
    if (detail == Detail::Everything) m->truePeak.emplace(channels, sampleRate);
    if (channels == 6) {  // 5.1 in file order: the LFE does not count, the surrounds weigh +1.5 dB
        const int map[] = {EBUR128_LEFT,   EBUR128_RIGHT,         EBUR128_CENTER,
                           EBUR128_UNUSED, EBUR128_LEFT_SURROUND, EBUR128_RIGHT_SURROUND};
        for (unsigned c = 0; c < 6; ++c) ebur128_set_channel(m->state, c, map[c]);
    }
    if (channels == 3)
        for (unsigned c = 0; c < 3; ++c)
            ebur128_set_channel(m->state, c, std::array{EBUR128_LEFT, EBUR128_RIGHT, EBUR128_CENTER}[c]);
    if (channels == 10 || channels == 12) {  // heights stand at 30 degrees and weigh as the front does
        std::vector<int> map{EBUR128_LEFT, EBUR128_RIGHT, EBUR128_CENTER, EBUR128_UNUSED};
        if (channels == 10) map.insert(map.end(), {EBUR128_Mp110, EBUR128_Mm110});
        else map.insert(map.end(), {EBUR128_Mp135, EBUR128_Mm135, EBUR128_Mp090, EBUR128_Mm090});
        map.insert(map.end(), {EBUR128_Up045, EBUR128_Um045, EBUR128_Up135, EBUR128_Um135});
        for (unsigned c = 0; c < unsigned(channels); ++c) ebur128_set_channel(m->state, c, map[c]);
    }
    if (channels == 8) {  // 7.1: only what lies between 60 and 120 degrees weighs +1.5 dB (ITU-R BS.1770-4, annex 3)
        const int map[] = {EBUR128_LEFT,  EBUR128_RIGHT, EBUR128_CENTER, EBUR128_UNUSED,
                           EBUR128_Mp135, EBUR128_Mm135, EBUR128_Mp090,  EBUR128_Mm090};
        for (unsigned c = 0; c < 8; ++c) ebur128_set_channel(m->state, c, map[c]);
    }
}

LoudnessMeter::~LoudnessMeter() = default;
LoudnessMeter::LoudnessMeter(LoudnessMeter&&) noexcept = default;

void LoudnessMeter::add(const AudioBuffer& audio) {
    m->interleaved.resize(audio.samples().size());
    for (int c = 0; c < m->channels; ++c)
        for (int64_t i = 0; i < audio.frames(); ++i)
            m->interleaved[size_t(i * m->channels + c)] = audio.channel(c)[size_t(i)];
    for (float v : audio.samples()) m->peak = std::max(m->peak, std::fabs(v));
    ebur128_add_frames_float(m->state, m->interleaved.data(), size_t(audio.frames()));
    if (m->truePeak) m->truePeak->add(audio);
}

double LoudnessMeter::momentary() const {
    double lufs = -INFINITY;
    ebur128_loudness_momentary(m->state, &lufs);
    return lufs;
}

double LoudnessMeter::lastTenth() const {
    double lufs = -INFINITY;
    ebur128_loudness_window(m->state, 100, &lufs);
    return lufs;
}

double LoudnessMeter::shortTerm() const {
    double lufs = -INFINITY;
    ebur128_loudness_shortterm(m->state, &lufs);
    return lufs;
}

double LoudnessMeter::integrated() const {
    double value = -HUGE_VAL;
    ebur128_loudness_global(m->state, &value);
    return value;
}

double LoudnessMeter::range() const {
    double value = 0;
    ebur128_loudness_range(m->state, &value);
    return value;
}

double LoudnessMeter::truePeak() const { return toDb(m->truePeak ? m->truePeak->largest() : 0.0); }
double LoudnessMeter::samplePeak() const { return toDb(double(m->peak)); }

}  // namespace rivlen

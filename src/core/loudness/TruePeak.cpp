#include "core/loudness/TruePeak.h"

#include <ebur128.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <span>
#include <utility>
#include <vector>

#include "core/base/Error.h"

namespace rivlen {

namespace {

constexpr int64_t kPiece = 512;
constexpr size_t kTail = 48;  // more than libebur128's filter looks back: 49 taps at the oversampled rate

float heightOf(std::span<const float> x) {
    float most = 0;
    for (float v : x) most = std::max(most, std::fabs(v));
    return most;
}

/// One channel.
struct Row {
    ebur128_state* state;
    std::array<float, kTail> tail{};  ///< the samples before the next one
    bool follows = true;              ///< the filter has seen them

    explicit Row(int rate) : state(ebur128_init(1, static_cast<unsigned long>(rate), EBUR128_MODE_TRUE_PEAK)) {
        if (!state) throw Error(Error::Kind::Other, "The true peak cannot be measured at this sample rate.");
    }
    Row(Row&& other) noexcept : state(std::exchange(other.state, nullptr)), tail(other.tail), follows(other.follows) {}
    ~Row() {
        if (state) ebur128_destroy(&state);
    }

    double peakOf(std::span<const float> x) {
        if (!follows) ebur128_add_frames_float(state, tail.data(), kTail);  // what comes out of these was judged before
        follows = true;
        ebur128_add_frames_float(state, x.data(), x.size());
        double peak = 0;
        ebur128_prev_true_peak(state, 0, &peak);
        return peak;
    }

    void keep(std::span<const float> x) {
        const size_t fresh = std::min(x.size(), kTail);
        std::copy(tail.begin() + long(fresh), tail.end(), tail.begin());
        std::copy(x.end() - long(fresh), x.end(), tail.end() - long(fresh));
    }
};

}  // namespace

struct TruePeak::Impl {
    std::vector<Row> rows;
    double growth = 1, largest = 0;
};

TruePeak::TruePeak(int channels, int sampleRate) : m(std::make_unique<Impl>()) {
    m->growth = sampleRate < 96000 ? 1.87 : 2.31;  // the largest sum of magnitudes of a phase of its filter
    for (int c = 0; c < channels; ++c) m->rows.emplace_back(sampleRate);
}

TruePeak::~TruePeak() = default;
TruePeak::TruePeak(TruePeak&&) noexcept = default;

void TruePeak::add(const AudioBuffer& audio) {
    for (size_t c = 0; c < m->rows.size(); ++c) {
        Row& row = m->rows[c];
        for (int64_t at = 0; at < audio.frames(); at += kPiece) {
            const auto piece = audio.channel(int(c)).subspan(size_t(at), size_t(std::min(kPiece, audio.frames() - at)));
            const double height = std::max(heightOf(piece), heightOf(row.tail));
            if (height * m->growth > m->largest) m->largest = std::max(m->largest, row.peakOf(piece));
            else row.follows = false;
            row.keep(piece);
        }
    }
}

double TruePeak::take() { return std::exchange(m->largest, 0.0); }
double TruePeak::largest() const { return m->largest; }

}  // namespace rivlen

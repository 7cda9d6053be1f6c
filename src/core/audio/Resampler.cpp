#include "core/audio/Resampler.h"

#include <soxr.h>

#include <cmath>
#include <vector>

#include "core/base/Error.h"

namespace rivlen {

namespace {

/// libsoxr keeps what it is given: in pieces that stay in the processor's cache it needs a fifth less time.
constexpr int64_t kPiece = 16384;
constexpr int64_t kRoom = 16384;  ///< for what it held back

}  // namespace

struct Resampler::Impl {
    int channels = 0;
    double ratio = 1.0;
    soxr_t soxr = nullptr;
    ~Impl() {
        if (soxr) soxr_delete(soxr);
    }

    /// Converts what is in, or ends the stream without one.
    AudioBuffer run(const AudioBuffer* in) {
        const int64_t given = in ? in->frames() : 0;
        AudioBuffer out = AudioBuffer::uncleared(channels, int64_t(double(given) * ratio) + kRoom);
        std::vector<const float*> from(static_cast<size_t>(channels));
        std::vector<float*> to(static_cast<size_t>(channels));
        int64_t consumed = 0, total = 0;
        while (true) {
            if (out.frames() - total < kRoom / 2) out = longer(out, total);
            const size_t piece = size_t(std::min(kPiece, given - consumed)), room = size_t(out.frames() - total);
            for (int c = 0; c < channels; ++c) {
                to[size_t(c)] = out.channel(c).data() + total;
                if (in) from[size_t(c)] = in->channel(c).data() + consumed;
            }
            size_t used = 0, made = 0;
            const soxr_error_t problem = soxr_process(soxr, in ? static_cast<soxr_in_t>(from.data()) : nullptr, piece,
                                                      &used, to.data(), room, &made);
            if (problem)
                throw Error(Error::Kind::Other, std::string("Converting the sample rate failed: ") + problem + ".");
            consumed += int64_t(used);
            total += int64_t(made);
            if (made < room && consumed >= given) break;
        }
        return out.slice(0, total);
    }

    AudioBuffer longer(const AudioBuffer& out, int64_t filled) const {
        AudioBuffer more = AudioBuffer::uncleared(channels, out.frames() + std::max(kRoom, out.frames() / 2));
        for (int c = 0; c < channels; ++c) std::copy_n(out.channel(c).begin(), filled, more.channel(c).begin());
        return more;
    }
};

Resampler::Resampler(int inRate, int outRate, int channels, Edge edge) : m(std::make_unique<Impl>()) {
    m->channels = channels;
    m->ratio = double(outRate) / inRate;
    if (inRate == outRate) return;
    const soxr_io_spec_t io = soxr_io_spec(SOXR_FLOAT32_S, SOXR_FLOAT32_S);
    soxr_quality_spec_t quality = soxr_quality_spec(edge == Edge::Filled ? SOXR_HQ : SOXR_VHQ, 0);
    if (edge == Edge::Filled) quality.passband_end = 0.985, quality.stopband_begin = 1.015;
    soxr_error_t problem = nullptr;
    m->soxr = soxr_create(inRate, outRate, unsigned(channels), &problem, &io, &quality, nullptr);
    if (problem) throw Error(Error::Kind::Other, std::string("The sample rate cannot be converted: ") + problem + ".");
}

Resampler::~Resampler() = default;
Resampler::Resampler(Resampler&&) noexcept = default;
Resampler& Resampler::operator=(Resampler&&) noexcept = default;

AudioBuffer Resampler::process(const AudioBuffer& in) {
    if (!m->soxr || in.frames() == 0) return m->soxr ? AudioBuffer(m->channels, 0) : in;
    return m->run(&in);
}

AudioBuffer Resampler::finish() { return m->soxr ? m->run(nullptr) : AudioBuffer(m->channels, 0); }

}  // namespace rivlen

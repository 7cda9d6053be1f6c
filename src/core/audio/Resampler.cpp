#include "core/audio/Resampler.h"

#include <soxr.h>

#include <cmath>
#include <vector>

#include "core/base/Error.h"

namespace rivlen {

struct Resampler::Impl {
    int channels = 0;
    double ratio = 1.0;
    soxr_t soxr = nullptr;
    ~Impl() {
        if (soxr) soxr_delete(soxr);
    }

    AudioBuffer run(const AudioBuffer* in) {
        const size_t given = in ? size_t(in->frames()) : 0;
        size_t room = size_t(double(given) * ratio) + 8192;
        std::vector<std::vector<float>> rows(static_cast<size_t>(channels));
        std::vector<const float*> from(static_cast<size_t>(channels));
        size_t consumed = 0, total = 0;
        while (true) {
            std::vector<float*> to;
            for (auto& row : rows) {
                row.resize(total + room);
                to.push_back(row.data() + total);
            }
            for (int c = 0; in && c < channels; ++c) from[size_t(c)] = in->channel(c).data() + consumed;
            size_t used = 0, made = 0;
            const soxr_error_t problem = soxr_process(soxr, in ? static_cast<soxr_in_t>(from.data()) : nullptr,
                                                      given - consumed, &used, to.data(), room, &made);
            if (problem)
                throw Error(Error::Kind::Other, std::string("Converting the sample rate failed: ") + problem + ".");
            consumed += used;
            total += made;
            if (made < room && consumed >= given) break;
        }
        AudioBuffer out(channels, int64_t(total));
        for (int c = 0; c < channels; ++c) std::copy_n(rows[size_t(c)].begin(), total, out.channel(c).begin());
        return out;
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

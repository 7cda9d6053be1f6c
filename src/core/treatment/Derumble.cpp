// De-rumble: the magnitude of a Butterworth high-pass of fourth order (-3 dB at its frequency, 24 dB an octave) without
// its phase: what stays keeps its shape, and what is taken away can be heard by itself. A kernel of some 0.34 s is
// applied in the frequency domain.
#include <algorithm>
#include <cmath>
#include <complex>

#include "core/audio/AudioQueue.h"
#include "core/spectral/Fft.h"
#include "core/treatment/Treatment.h"

namespace rivlen {

namespace {

class Derumble : public Treater {
public:
    Derumble(double hz, const TreatmentFacts& facts)
        : m_channels(facts.channels),
          m_size(nextPowerOfTwo(0.6 * facts.sampleRate)),
          m_fft(m_size),
          m_block(size_t(m_size)),
          m_response(size_t(m_fft.bins())),
          m_spectrum(size_t(m_fft.bins())),
          m_waiting(facts.channels) {
        // Its kernel is cut to half the transform, so that the other half of each is right.
        for (size_t k = 0; k < m_response.size(); ++k) {
            const double f = std::max(double(k) * facts.sampleRate / m_size, 1e-6);
            m_response[k] = float(1 / std::sqrt(1 + std::pow(hz / f, 8)));
        }
        m_fft.inverse(m_response, m_block);
        const int half = m_size / 4;
        for (int i = -m_size / 2; i < m_size / 2; ++i)
            m_block[size_t((i + m_size) % m_size)] *=
                std::abs(i) < half ? float(0.5 + 0.5 * std::cos(M_PI * i / half)) : 0.0f;
        m_fft.forward(m_block, m_response);
        m_waiting.append(AudioBuffer(m_channels, half));
    }

    AudioBuffer process(const AudioBuffer& block) override {
        m_in += block.frames();
        m_waiting.append(block);
        return work();
    }
    AudioBuffer finish() override {
        m_waiting.append(AudioBuffer(m_channels, m_size));
        const AudioBuffer rest = work();
        return rest.slice(0, std::min(rest.frames(), m_in - m_out + rest.frames()));
    }

private:
    AudioBuffer work() {
        AudioBuffer ready(m_channels, 0);
        const int half = m_size / 2;
        for (; m_waiting.frames() >= m_size; m_waiting.drop(half)) {
            const AudioBuffer x = m_waiting.peek(0, m_size);
            AudioBuffer out(m_channels, half);
            for (int c = 0; c < m_channels; ++c) {
                m_fft.forward(x.channel(c), m_spectrum);
                for (size_t k = 0; k < m_spectrum.size(); ++k) m_spectrum[k] *= m_response[k];
                m_fft.inverse(m_spectrum, m_block);
                std::copy_n(m_block.begin() + m_size / 4, half, out.channel(c).begin());
            }
            ready.append(out);
        }
        m_out += ready.frames();
        return ready;
    }

    int m_channels, m_size;
    Fft m_fft;
    std::vector<float> m_block;
    std::vector<std::complex<float>> m_response, m_spectrum;
    AudioQueue m_waiting;
    int64_t m_in = 0, m_out = 0;
};

}  // namespace

std::unique_ptr<Treater> makeDerumble(double amount, const TreatmentFacts& facts) {
    return std::make_unique<Derumble>(amount, facts);
}

}  // namespace rivlen

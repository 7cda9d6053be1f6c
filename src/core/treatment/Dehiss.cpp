// De-hiss: a Wiener gain in each cell of a transform of some 43 ms, from the decision-directed estimate of how much stands over the noise
// (Ephraim and Malah 1984, alpha 0.98), never below the amount. The noise is learned from the quietest moments of the recording
// (NoiseProfile.h).
#include <algorithm>
#include <cmath>
#include <complex>

#include "core/audio/AudioQueue.h"
#include "core/spectral/Fft.h"
#include "core/treatment/NoiseProfile.h"
#include "core/treatment/Treatment.h"

namespace rivlen {

namespace {

constexpr float kAlpha = 0.98f;

class Dehiss : public Repair {
public:
    Dehiss(double amount, const RepairFacts& facts)
        : m_size(noiseFrame(facts.sampleRate)), m_least(float(std::pow(10, -amount / 20))), m_channels(facts.channels), m_fft(m_size), m_noise(facts.noise), m_window(hannWindow(m_size)),
          m_spectrum(size_t(m_fft.bins())), m_frame(size_t(m_size)), m_before(size_t(facts.channels), std::vector<float>(size_t(m_fft.bins()), 0.0f)), m_waiting(facts.channels),
          m_sum(facts.channels, m_size) {
        for (float& w : m_window) w = std::sqrt(w);
        m_waiting.append(AudioBuffer(m_channels, m_size));
    }

    AudioBuffer process(const AudioBuffer& block) override {
        if (m_noise.empty()) return block;  // nothing was learned, nothing is done
        m_in += block.frames();
        m_waiting.append(block);
        return work();
    }
    AudioBuffer finish() override {
        if (m_noise.empty()) return AudioBuffer(m_channels, 0);
        m_waiting.append(AudioBuffer(m_channels, 2 * m_size));
        AudioBuffer rest = work();
        return rest.slice(0, std::min(rest.frames(), m_in - m_out + rest.frames()));
    }

private:
    AudioBuffer work() {
        const int hop = m_size / 4;
        AudioBuffer ready(m_channels, 0);
        for (; m_waiting.frames() >= m_size; m_waiting.drop(hop)) {
            const AudioBuffer frame = m_waiting.peek(0, m_size);
            for (int c = 0; c < m_channels; ++c) {
                for (int i = 0; i < m_size; ++i) m_frame[size_t(i)] = frame.channel(c)[size_t(i)] * m_window[size_t(i)];
                m_fft.forward(m_frame, m_spectrum);
                auto& before = m_before[size_t(c)];
                for (size_t k = 0; k < m_spectrum.size(); ++k) {
                    const float noise = m_noise[k] + 1e-20f, post = std::norm(m_spectrum[k]) / noise;
                    const float prior = kAlpha * before[k] + (1 - kAlpha) * std::max(post - 1, 0.0f), gain = std::max(prior / (1 + prior), m_least);
                    m_spectrum[k] *= gain;
                    before[k] = gain * gain * post;
                }
                m_fft.inverse(m_spectrum, m_frame);
                for (int i = 0; i < m_size; ++i) m_sum.channel(c)[size_t(i)] += 0.5f * m_frame[size_t(i)] * m_window[size_t(i)];
            }
            const int64_t from = std::clamp<int64_t>(m_size - m_done, 0, hop);
            if (from < hop) ready.append(m_sum.slice(from, hop - from));
            m_sum = m_sum.slice(hop, m_size);
            m_done += hop;
        }
        m_out += ready.frames();
        return ready;
    }

    int m_size;
    float m_least;
    int m_channels;
    Fft m_fft;
    std::vector<float> m_noise, m_window;
    std::vector<std::complex<float>> m_spectrum;
    std::vector<float> m_frame;
    std::vector<std::vector<float>> m_before;
    AudioQueue m_waiting;
    AudioBuffer m_sum;
    int64_t m_done = 0, m_in = 0, m_out = 0;
};

}  // namespace

std::unique_ptr<Repair> makeDehiss(double amount, const RepairFacts& facts) { return std::make_unique<Dehiss>(amount, facts); }

}  // namespace rivlen

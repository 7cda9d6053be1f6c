// De-hum: an adaptive canceller (Widrow et al. 1975, "Adaptive noise cancelling", the notch for sinusoids) for each
// harmonic that stands out. A line rotates with its harmonic and learns from what is left after all lines were taken
// away, with a corner of 0.8 Hz: together they are a comb whose zeros lie exactly on the harmonics and which is 0.01 dB
// deep 20 Hz beside one. Every half second the turn of the strongest lines corrects the fundamental, so that a drifting
// mains frequency is followed. A line never grows more than 3 dB above its usual strength, so that a voice that crosses
// it is left alone. Two runs over the first two seconds, not given out, let it begin in tune.
#include <algorithm>
#include <cmath>
#include <complex>
#include <numbers>

#include "core/audio/AudioQueue.h"
#include "core/treatment/Treatment.h"

namespace rivlen {

namespace {

constexpr double kCorner = 0.8;                            // Hz
constexpr double kUpdate = 0.5, kPrime = 2.0;              // seconds
constexpr double kQuantile = 0.3, kSpeed = 6, kAbove = 2;  // kSpeed: e-folds a second; kAbove: 3 dB
constexpr double kFollow = 0.4, kReach = 0.01;             // of the correction; of the mains frequency

class Dehum : public Treater {
public:
    Dehum(double amount, const TreatmentFacts& facts)
        : m_amount(amount / 100),
          m_rate(facts.sampleRate),
          m_channels(facts.channels),
          m_step(1 - std::exp(-2 * std::numbers::pi * kCorner / facts.sampleRate)),
          m_waiting(facts.channels) {
        for (const auto& f : facts.findings)
            if (f.kind == Fault::Hum) {
                m_mains = m_hz = f.hz;
                for (double h : f.places)
                    if (h * m_hz < 0.45 * m_rate) m_harmonic.push_back(int(h));
            }
        m_lines.assign(size_t(m_channels) * m_harmonic.size(), {});
        m_before = m_lines;
        m_usual.assign(m_lines.size(), 1.0);
        m_up = std::exp(kQuantile * kSpeed / m_rate);
        m_down = std::exp(-(1 - kQuantile) * kSpeed / m_rate);
    }

    AudioBuffer process(const AudioBuffer& block) override {
        if (m_harmonic.empty()) return block;  // no hum was found
        if (m_primed) return work(block);
        m_waiting.append(block);
        if (m_waiting.frames() < int64_t(kPrime * m_rate)) return AudioBuffer(m_channels, 0);
        return prime();
    }
    AudioBuffer finish() override { return m_primed || m_harmonic.empty() ? AudioBuffer(m_channels, 0) : prime(); }

private:
    using Complex = std::complex<double>;

    AudioBuffer prime() {
        m_primed = true;
        const AudioBuffer first = m_waiting.take(std::min(m_waiting.frames(), int64_t(kPrime * m_rate)));
        if (first.frames() == 0) return first;
        for (int run = 0; run < 2; ++run) {
            work(first);
            // Over the run a line has turned against the phase that begins anew.
            const double turned = m_phase - 2 * std::numbers::pi * m_hz / m_rate * double(first.frames());
            for (size_t i = 0; i < m_lines.size(); ++i)
                m_lines[i] *= std::polar(1.0, turned * m_harmonic[i % m_harmonic.size()]);
            for (size_t i = 0; i < m_lines.size() && run == 0; ++i) m_usual[i] = std::norm(m_lines[i]) + 1e-12;
            m_phase = 0;
            m_since = 0;
            m_before = m_lines;
        }
        AudioBuffer out = work(first);
        if (m_waiting.frames() > 0) out.append(work(m_waiting.take(m_waiting.frames())));
        return out;
    }

    AudioBuffer work(const AudioBuffer& block) {
        AudioBuffer out = block;
        const size_t count = m_harmonic.size();
        std::vector<Complex> turn(count);
        for (int64_t i = 0; i < block.frames(); ++i) {
            const Complex one = std::polar(1.0, m_phase);
            Complex power = 1;
            for (int h = 1, n = 0; n < int(count); ++h) {
                power *= one;
                if (m_harmonic[size_t(n)] == h) turn[size_t(n++)] = power;
            }
            for (int c = 0; c < m_channels; ++c) {
                float& v = out.channel(c)[size_t(i)];
                Complex* line = &m_lines[size_t(c) * count];
                double* usual = &m_usual[size_t(c) * count];
                double sum = 0;
                for (size_t n = 0; n < count; ++n) sum += 2 * (line[n] * turn[n]).real();
                const double left = double(v) - sum;
                for (size_t n = 0; n < count; ++n) {
                    line[n] += m_step * left * std::conj(turn[n]);
                    const double now = std::norm(line[n]);
                    // What is louder there than usual is programme, not hum.
                    if (now > kAbove * usual[n]) line[n] *= std::sqrt(kAbove * usual[n] / now);
                    usual[n] *= now > usual[n] ? m_up : m_down;
                }
                v = float(double(v) - m_amount * sum);
            }
            m_phase = std::fmod(m_phase + 2 * std::numbers::pi * m_hz / m_rate, 2 * std::numbers::pi);
            if (++m_since >= int64_t(kUpdate * m_rate)) follow();
        }
        return out;
    }

    void follow() {
        // A line that is off by d Hz turns by 2 pi d h t in time t.
        double sum = 0, weight = 0;
        for (size_t i = 0; i < m_lines.size(); ++i) {
            const double h = m_harmonic[i % m_harmonic.size()];
            const double w = std::abs(m_lines[i] * m_before[i]) * h * h;  // what is steady in both weighs
            sum += w * std::arg(m_lines[i] * std::conj(m_before[i])) / (2 * std::numbers::pi * kUpdate * h);
            weight += w;
        }
        if (weight > 1e-18)
            m_hz = std::clamp(m_hz + kFollow * sum / weight, m_mains * (1 - kReach), m_mains * (1 + kReach));
        m_before = m_lines;
        m_since = 0;
    }

    double m_amount;
    int m_rate, m_channels;
    std::vector<int> m_harmonic;  ///< their numbers, rising
    double m_step, m_mains = 0, m_hz = 0, m_phase = 0;
    int64_t m_since = 0;
    bool m_primed = false;
    AudioQueue m_waiting;
    std::vector<Complex> m_lines, m_before;  ///< by channel and harmonic
    std::vector<double> m_usual;             ///< power that a line stays below in a third of the time
    double m_up, m_down;
};

}  // namespace

std::unique_ptr<Treater> makeDehum(double amount, const TreatmentFacts& facts) {
    return std::make_unique<Dehum>(amount, facts);
}

}  // namespace rivlen

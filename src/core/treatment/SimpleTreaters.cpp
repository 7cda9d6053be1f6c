// Treating that look at single samples or a filter's short memory: DC offset, polarity, sharp s.
#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/spectral/Biquad.h"
#include "core/treatment/Treatment.h"

namespace rivlen {

namespace {

/// A treater that needs no look ahead.
class Direct : public Treater {
public:
    explicit Direct(int channels) : m_channels(channels) {}
    AudioBuffer process(const AudioBuffer& block) override {
        AudioBuffer x = block;
        for (int c = 0; c < x.channels(); ++c) work(c, x.channel(c));
        return x;
    }
    AudioBuffer finish() override { return AudioBuffer(m_channels, 0); }

protected:
    virtual void work(int channel, std::span<float> x) = 0;

private:
    int m_channels;
};

class Offset : public Direct {
public:
    Offset(double amount, const TreatmentFacts& facts) : Direct(facts.channels), m_mean(size_t(facts.channels), 0.0f) {
        for (const auto& f : facts.findings)
            if (f.kind == Fault::DcOffset && f.channel >= 0) m_mean[size_t(f.channel)] = float(f.level * amount / 100);
    }

private:
    void work(int c, std::span<float> x) override {
        for (float& v : x) v -= m_mean[size_t(c)];
    }
    std::vector<float> m_mean;
};

class Polarity : public Direct {
public:
    Polarity(double amount, const TreatmentFacts& facts)
        : Direct(facts.channels), m_turn(facts.channels == 2 && amount >= 50) {}

private:
    void work(int c, std::span<float> x) override {
        if (m_turn && c == 1)
            for (float& v : x) v = -v;
    }
    bool m_turn;
};

/// Takes down a band around 7.7 kHz while it is loud against the whole: s is most of what sounds then.
class Deess : public Direct {
public:
    static constexpr double kCentre = 7746, kQ = 1.94;  // 6 ... 10 kHz at -3 dB
    static constexpr double kThreshold = 0.45,
                            kFull = 0.8;  // of the band's share in amplitude: where it begins and is complete
    Deess(double most, const TreatmentFacts& facts)
        : Direct(facts.channels),
          m_least(std::pow(10, -most / 20)),
          m_rise(step(0.002, facts.sampleRate)),
          m_fall(step(0.04, facts.sampleRate)) {
        if (kCentre < 0.45 * facts.sampleRate)
            for (int c = 0; c < facts.channels; ++c)
                m_states.push_back({Biquad::bandPass(kCentre, kQ, facts.sampleRate), 0, 0, 1});
    }

private:
    struct State {
        Biquad band;
        double sharp, all, gain;
    };
    static double step(double seconds, int rate) { return 1 - std::exp(-1 / (seconds * rate)); }
    void work(int c, std::span<float> x) override {
        if (m_states.empty()) return;
        State& s = m_states[size_t(c)];
        for (float& v : x) {
            const double band = s.band.next(v);
            s.sharp += m_rise * (band * band - s.sharp);
            s.all += m_rise * (double(v) * v - s.all);
            const double share = std::sqrt(s.sharp / (s.all + 1e-12)),
                         over = std::clamp((share - kThreshold) / (kFull - kThreshold), 0.0, 1.0);
            const double goal = 1 - over * (1 - m_least);
            s.gain += (goal < s.gain ? m_rise : m_fall) * (goal - s.gain);
            v = float(v - (1 - s.gain) * band);
        }
    }
    double m_least, m_rise, m_fall;
    std::vector<State> m_states;
};

}  // namespace

std::unique_ptr<Treater> makeOffset(double amount, const TreatmentFacts& facts) {
    return std::make_unique<Offset>(amount, facts);
}
std::unique_ptr<Treater> makePolarity(double amount, const TreatmentFacts& facts) {
    return std::make_unique<Polarity>(amount, facts);
}
std::unique_ptr<Treater> makeDeess(double amount, const TreatmentFacts& facts) {
    return std::make_unique<Deess>(amount, facts);
}

}  // namespace rivlen

#include "core/delivery/Measurement.h"

#include <algorithm>
#include <cmath>

#include "core/audio/AudioQueue.h"
#include "core/audio/Decibel.h"
#include "core/delivery/MeasuringThread.h"
#include "core/loudness/Loudness.h"

namespace rivlen {

namespace {

constexpr double kAbsoluteGate = -70, kRelativeGate = -10;  // LUFS and LU, ITU-R BS.1770
constexpr double kLeastSpeech = 2;                          // seconds

std::optional<double> known(double v) { return std::isfinite(v) && v > -190 ? std::optional(v) : std::nullopt; }

double mean(const std::vector<double>& powers) {
    double sum = 0;
    for (double p : powers) sum += p;
    return powers.empty() ? 0 : sum / double(powers.size());
}

/// Tenths of a second of the whole and of the speech in it, LUFS.
class DialogueGate {
public:
    void add(double whole, double speech) { m_tenths.emplace_back(whole, speech); }
    void finish(Measurement& out) const {
        std::vector<double> spoken;
        for (const auto& [whole, speech] : m_tenths)
            if (speech > kAbsoluteGate) spoken.push_back(std::pow(10, speech / 10));
        const double gate = std::max(kAbsoluteGate, 10 * std::log10(std::max(1e-30, mean(spoken))) + kRelativeGate);
        std::vector<double> gated;
        for (const auto& [whole, speech] : m_tenths)
            if (speech > gate && std::isfinite(whole)) gated.push_back(std::pow(10, whole / 10));
        out.dialogueSeconds = 0.1 * double(gated.size());
        if (out.dialogueSeconds >= kLeastSpeech) out.dialogue = known(10 * std::log10(mean(gated)));
    }

private:
    std::vector<std::pair<double, double>> m_tenths;
};

/// DC is what the means of all seconds have in common: bass and plucked strings have means of their own, which come and
/// go.
class SteadyFacts {
public:
    explicit SteadyFacts(int channels, int rate)
        : m_rate(rate), m_range(size_t(channels), {1e9, -1e9}), m_sum(size_t(channels), 0.0) {}
    void add(const AudioBuffer& b) {
        for (int64_t i = 0; b.channels() > 1 && i < b.frames(); ++i) {
            const double l = b.channel(0)[size_t(i)], r = b.channel(1)[size_t(i)];
            m_lr += l * r, m_ll += l * l, m_rr += r * r;
        }
        for (int c = 0; c < b.channels(); ++c)
            for (float v : b.channel(c)) m_sum[size_t(c)] += double(v);
        m_count += b.frames();
        if (m_count < m_rate) return;
        for (size_t c = 0; c < m_sum.size(); ++c) {
            const double mean = m_sum[c] / double(m_count);
            m_range[c] = {std::min(m_range[c].first, mean), std::max(m_range[c].second, mean)};
            m_sum[c] = 0;
        }
        m_count = 0;
        ++m_seconds;
    }
    void finish(Measurement& out) const {
        double dc = 0;
        if (m_seconds >= 5)  // shorter sounds cannot tell
            for (const auto& [low, high] : m_range) dc = std::max({dc, low, -high});
        out.dcDbfs = toDb(dc);
        if (m_range.size() > 1 && m_ll + m_rr > 1e-9) out.correlation = m_lr / std::sqrt(m_ll * m_rr);
    }

private:
    int m_rate;
    std::vector<std::pair<double, double>> m_range;
    std::vector<double> m_sum;
    int64_t m_count = 0;
    int m_seconds = 0;
    double m_lr = 0, m_ll = 1e-12, m_rr = 1e-12;
};

}  // namespace

std::optional<double> Measurement::loudness(bool dialogueGated) const {
    return dialogueGated && dialogue ? dialogue : known(inspection.integratedLufs);
}

Measurement Measurement::raised(double gain) const {
    Measurement out = *this;
    for (auto* figure : {&out.maxMomentary, &out.maxShortTerm, &out.dialogue})
        if (*figure) **figure += gain;
    for (double* level : {&out.inspection.integratedLufs, &out.inspection.truePeakDbtp, &out.inspection.peakDbfs,
                          &out.inspection.noiseFloorDbfs, &out.dcDbfs})
        if (*level > kSilenceDb) *level += gain;
    for (float& v : out.shortTerm) v += float(gain);
    for (auto& [low, high] : out.wave) low *= float(fromDb(gain)), high *= float(fromDb(gain));
    return out;
}

struct Measurer::Impl {
    Impl(int channels, int sampleRate, int64_t total, int speechChannels, bool all)
        : frames(std::max<int64_t>(1, total)),
          step(std::max(1, sampleRate / 10)),
          everything(all),
          meter(channels, sampleRate),
          steady(channels, sampleRate),
          floor(sampleRate),
          sound(channels),
          speech(speechChannels) {
        if (speechChannels > 0) spoken.emplace(speechChannels, sampleRate, LoudnessMeter::Detail::LoudnessAndPeak);
        out.wave.assign(size_t(std::clamp<int64_t>(frames / step, 1, 600)), {0.0f, 0.0f});
    }

    void part(const AudioBuffer& x) {
        meter.add(x);
        steady.add(x);
        floor.add(x);
        if (spoken) spoken->add(speech.take(x.frames()));
        const auto columns = int64_t(out.wave.size());
        auto& column = out.wave[size_t(std::min(columns - 1, at * columns / frames))];
        for (float v : x.samples()) column = {std::min(column.first, v), std::max(column.second, v)};
        at += x.frames();
        if (x.frames() < step) return;
        ++number;
        if (spoken) gate.add(meter.lastTenth(), spoken->lastTenth());
        if (number >= 4 && everything) momentary = std::max(momentary, meter.momentary());
        if (number >= 30 && everything) shortTerm = std::max(shortTerm, meter.shortTerm());
        if (number % 5 == 0 && everything) out.shortTerm.push_back(float(std::max(-100.0, meter.shortTerm())));
    }

    const int64_t frames, step;
    const bool everything;
    LoudnessMeter meter;
    std::optional<LoudnessMeter> spoken;
    DialogueGate gate;
    SteadyFacts steady;
    NoiseFloor floor;
    AudioQueue sound, speech;
    double momentary = -INFINITY, shortTerm = -INFINITY;
    int64_t at = 0, number = 0;
    Measurement out;
};

Measurer::Measurer(int channels, int sampleRate, int64_t frames, int speechChannels, MeasurementDetail detail)
    : m(std::make_unique<Impl>(channels, sampleRate, frames, speechChannels, detail == MeasurementDetail::Everything)) {
}

Measurer::~Measurer() = default;

void Measurer::add(const AudioBuffer& sound, const AudioBuffer& speech) {
    m->sound.append(sound);
    if (m->spoken) m->speech.append(speech);
    while (m->sound.frames() >= m->step) m->part(m->sound.take(m->step));
}

Measurement Measurer::finish() {
    if (m->sound.frames() > 0) m->part(m->sound.take(m->sound.frames()));
    Measurement& out = m->out;
    out.inspection.integratedLufs = m->meter.integrated();
    out.inspection.rangeLu = m->meter.range();
    out.inspection.truePeakDbtp = m->meter.truePeak();
    out.inspection.peakDbfs = m->meter.samplePeak();
    out.inspection.noiseFloorDbfs = m->floor.dbfs();
    out.maxMomentary = known(m->momentary);
    out.maxShortTerm = known(m->shortTerm);
    if (m->spoken) m->gate.finish(out);
    m->steady.finish(out);
    return std::move(out);  // cppcheck-suppress returnStdMoveLocal ; a reference to what is not needed any more
}

Measurement measure(SampleSource& source, SampleSource* speech, MeasurementDetail detail, const Progress& progress) {
    const int64_t frames = source.frames(), block = source.sampleRate();
    MeasuringThread measuring(source.channels(), source.sampleRate(), frames, speech ? speech->channels() : 0, detail);
    for (int64_t at = 0; at < frames; at += block) {
        progress.throwIfCancelled();
        const int64_t count = std::min(block, frames - at);
        measuring.add(source.read(at, count), speech ? speech->read(at, count) : AudioBuffer());
        progress.report(double(at + count) / double(frames));
    }
    return measuring.finish();
}

}  // namespace rivlen

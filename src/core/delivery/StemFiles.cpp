#include "core/delivery/StemFiles.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/audio/Error.h"
#include "core/delivery/Loudness.h"
#include "core/isolation/Isolator.h"

namespace rivlen {

namespace fs = std::filesystem;

fs::path stemPath(const StemFiles::Target& t, const std::string& stem) {
    return t.folder / (t.basename + "." + stem + "." + t.format.extension());
}

struct StemFiles::Impl {
    std::vector<std::string> names;
    std::vector<std::unique_ptr<AudioWriter>> writers;
    std::vector<LoudnessMeter> meters;
    std::vector<double> energies;
    std::vector<float> peaks;
    double residual = 0;
    int64_t samples = 0;
    int wanted = 0;
    IsolationSettings settings;
    Isolator isolator;

    // Frames that wait for the isolation's context; they start margin() before the next frame to be written.
    AudioBuffer source;
    std::vector<AudioBuffer> stems;
    int64_t written = 0;

    Impl(int channels, int rate) : isolator(channels, rate), source(channels, isolator.margin()) {}

    bool neutral() const { return settings.depth >= kFullDepth && !movesCells(settings); }

    void write(int64_t count) {
        if (count <= 0) return;
        const int64_t margin = isolator.margin();
        const auto out = isolator.apply(settings, wanted, written, count, source, stems);
        put(source, margin, out);
        written += count;
        source = source.slice(count, source.frames() - count);
        for (auto& stem : stems) stem = stem.slice(count, stem.frames() - count);
    }

    /// original's frames from offset on belong to out.
    void put(const AudioBuffer& original, int64_t offset, const std::vector<AudioBuffer>& out) {
        const size_t count = size_t(out[0].frames());
        std::vector<double> sum(count);
        for (int c = 0; c < original.channels(); ++c) {
            std::fill(sum.begin(), sum.end(), 0.0);
            for (const auto& stem : out) {
                const auto row = stem.channel(c);
                for (size_t i = 0; i < count; ++i) sum[i] += double(row[i]);
            }
            const auto x = original.channel(c).subspan(size_t(offset), count);
            for (size_t i = 0; i < count; ++i) residual = std::max(residual, std::fabs(sum[i] - double(x[i])));
        }
        for (size_t s = 0; s < out.size(); ++s) {
            for (float v : out[s].samples()) energies[s] += double(v) * v;
            for (float v : out[s].samples()) peaks[s] = std::max(peaks[s], std::fabs(v));
            if (!meters.empty()) meters[s].add(out[s]);
            writers[s]->write(out[s]);
        }
        samples += int64_t(count) * original.channels();
    }
};

StemFiles::StemFiles(const Target& target, std::vector<std::string> names, int rate, int channels, const IsolationSettings& settings,
                     bool measureLoudness)
    : m(std::make_unique<Impl>(channels, rate)) {
    const auto found = std::find(names.begin(), names.end(), settings.stem);
    m->settings = settings;
    if (found == names.end() && !m->neutral())
        throw Error(Error::Kind::Usage, "The network gives no stem \"" + settings.stem + "\": choose one of its own, or another network.");
    m->wanted = int(found - names.begin());
    for (const auto& name : names) {
        m->writers.push_back(std::make_unique<AudioWriter>(stemPath(target, name), rate, channels, target.format, target.overwrite));
        if (measureLoudness) m->meters.emplace_back(channels, rate, LoudnessMeter::Detail::LoudnessAndPeak);
        m->stems.emplace_back(channels, m->isolator.margin());
    }
    m->energies.assign(names.size(), 0.0);
    m->peaks.assign(names.size(), 0.0f);
    m->names = std::move(names);
}

StemFiles::~StemFiles() = default;

void StemFiles::add(const AudioBuffer& source, const std::vector<AudioBuffer>& stems) {
    if (m->neutral()) return m->put(source, 0, stems);
    m->source.append(source);
    for (size_t s = 0; s < stems.size(); ++s) m->stems[s].append(stems[s]);
    m->write(m->source.frames() - 2 * m->isolator.margin());
}

StemReport StemFiles::finish() {
    if (!m->neutral()) {
        const int64_t left = m->source.frames() - m->isolator.margin();
        const AudioBuffer silence(m->source.channels(), m->isolator.margin());
        m->source.append(silence);
        for (auto& stem : m->stems) stem.append(silence);
        m->write(left);
    }
    StemReport report;
    for (size_t s = 0; s < m->names.size(); ++s) {
        m->writers[s]->commit();
        const double rms = m->samples > 0 ? std::sqrt(m->energies[s] / double(m->samples)) : 0.0;
        report.stems.push_back({m->names[s], m->writers[s]->file(), toDb(double(m->peaks[s])), toDb(rms),
                                m->meters.empty() ? std::nullopt : std::optional(m->meters[s].integrated())});
    }
    report.residualDbfs = toDb(m->residual);
    return report;
}

}  // namespace rivlen

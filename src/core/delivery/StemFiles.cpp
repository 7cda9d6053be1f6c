#include "core/delivery/StemFiles.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/base/Error.h"
#include "core/isolation/Isolator.h"
#include "core/loudness/Loudness.h"
#include "core/media/OutputPlace.h"

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
    bool withResult = false;
    StrengthTimeline timeline;
    Isolator isolator;

    StemBlock waiting;  ///< for the isolation's context; starts margin() before the next frame to be written
    int64_t written = 0;

    Impl(int channels, int rate) : isolator(channels, rate) {}

    bool neutral() const {
        return timeline.constant() && timeline.base.depth >= kFullDepth && !movesCells(timeline.base) &&
               !timeline.uses("room_keep") && !withResult;
    }

    StemBlock silence(const StemBlock& like, int64_t frames) const { return like.slice(like.source.frames(), frames); }

    void write(int64_t count) {
        if (count <= 0) return;
        const int64_t margin = isolator.margin();
        auto out = isolator.apply(timeline, wanted, written, waiting.slice(0, count + 2 * margin));
        if (withResult) out.stems.push_back(std::move(out.result));
        put(waiting.source, margin, out.stems);
        written += count;
        waiting = waiting.slice(count, waiting.source.frames() - count);
    }

    /// original's frames from offset on belong to out.
    void put(const AudioBuffer& original, int64_t offset, const std::vector<AudioBuffer>& out) {
        const size_t count = size_t(out[0].frames());
        std::vector<double> sum(count);
        for (int c = 0; c < original.channels(); ++c) {
            std::fill(sum.begin(), sum.end(), 0.0);
            for (size_t s = 0; s < out.size() - withResult; ++s) {
                const auto row = out[s].channel(c);
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

StemFiles::StemFiles(const Target& target, std::vector<std::string> names, int rate, int channels,
                     const StrengthTimeline& timeline, bool measureLoudness)
    : m(std::make_unique<Impl>(channels, rate)) {
    const std::string whole = stemOfPart(timeline.base.stem);
    const auto found = std::find(names.begin(), names.end(), whole.empty() ? timeline.base.stem : whole);
    m->timeline = timeline;
    m->withResult = target.result;
    if (found == names.end() && !m->neutral())
        throw Error(Error::Kind::Usage, "The network gives no stem \"" + timeline.base.stem +
                                            "\": choose one of its own, or another network.");
    m->wanted = int(found - names.begin());
    if (m->withResult) names.push_back("result");
    for (const auto& name : names) {
        checkOutputPlace(stemPath(target, name), target.overwrite, target.source);
        m->writers.push_back(
            std::make_unique<AudioWriter>(stemPath(target, name), rate, channels, target.format, target.overwrite));
        if (measureLoudness) m->meters.emplace_back(channels, rate, LoudnessMeter::Detail::LoudnessAndPeak);
    }
    m->energies.assign(names.size(), 0.0);
    m->peaks.assign(names.size(), 0.0f);
    m->names = std::move(names);
}

StemFiles::~StemFiles() = default;

void StemFiles::add(StemBlock block) {
    if (m->neutral()) return m->put(block.source, 0, block.stems);
    if (m->waiting.source.channels() == 0) m->waiting = m->silence(block, m->isolator.margin());
    m->waiting.append(block);
    m->write(m->waiting.source.frames() - 2 * m->isolator.margin());
}

StemReport StemFiles::finish() {
    if (const int64_t left = m->waiting.source.frames() - m->isolator.margin(); left > 0) {
        m->waiting.append(m->silence(m->waiting, m->isolator.margin()));
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

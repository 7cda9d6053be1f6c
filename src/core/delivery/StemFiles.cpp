#include "core/delivery/StemFiles.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <future>

#include "core/audio/Decibel.h"
#include "core/base/Error.h"
#include "core/isolation/Isolator.h"
#include "core/loudness/Loudness.h"
#include "core/media/OutputPlace.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

/// Frames that are measured and stored before the next: what was read stays in the processor's cache.
constexpr int64_t kAtOnce = 8192;

/// Frames from which on the stems are written side by side: a thread each costs more than it saves below.
constexpr int64_t kSideBySide = 1 << 16;

/// Sums and maxima that do not wait for each other: one after the other a sample takes as long as an addition.
constexpr size_t kLanes = 8;

double energyOf(std::span<const float> x) {
    std::array<double, kLanes> sums{};
    size_t i = 0;
    for (; i + kLanes <= x.size(); i += kLanes)
        for (size_t k = 0; k < kLanes; ++k) sums[k] += double(x[i + k]) * double(x[i + k]);
    double sum = 0;
    for (const double v : sums) sum += v;
    for (; i < x.size(); ++i) sum += double(x[i]) * double(x[i]);
    return sum;
}

double largestOf(const std::vector<double>& x) {
    std::array<double, kLanes> largest{};
    size_t i = 0;
    for (; i + kLanes <= x.size(); i += kLanes)
        for (size_t k = 0; k < kLanes; ++k) largest[k] = std::max(largest[k], std::fabs(x[i + k]));
    double found = *std::max_element(largest.begin(), largest.end());
    for (; i < x.size(); ++i) found = std::max(found, std::fabs(x[i]));
    return found;
}

}  // namespace

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
        const int64_t count = out[0].frames();
        std::vector<std::future<void>> running;
        const auto policy = count >= kSideBySide ? std::launch::async : std::launch::deferred;
        for (size_t s = 0; s < out.size(); ++s)
            running.push_back(std::async(policy, [this, s, &out] { putStem(s, out[s]); }));
        std::vector<double> rest;
        for (int c = 0; c < original.channels(); ++c)
            for (int64_t at = 0; at < count; at += kAtOnce) {
                const auto x = original.channel(c).subspan(size_t(offset + at), size_t(std::min(kAtOnce, count - at)));
                rest.assign(x.size(), 0.0);
                for (size_t s = 0; s < out.size() - withResult; ++s) {
                    const float* row = out[s].channel(c).data() + at;
                    for (size_t i = 0; i < x.size(); ++i) rest[i] += double(row[i]);
                }
                for (size_t i = 0; i < x.size(); ++i) rest[i] -= double(x[i]);
                residual = std::max(residual, largestOf(rest));
            }
        for (auto& stem : running) stem.get();
        samples += count * original.channels();
    }

    void putStem(size_t s, const AudioBuffer& stem) {
        for (int64_t at = 0; at < stem.frames(); at += kAtOnce) {
            const int64_t count = std::min(kAtOnce, stem.frames() - at);
            for (int c = 0; c < stem.channels(); ++c) {
                const auto row = stem.channel(c).subspan(size_t(at), size_t(count));
                energies[s] += energyOf(row);
                peaks[s] = std::max(peaks[s], peakOf(row));
            }
            writers[s]->write(stem, at, count);
        }
        if (!meters.empty()) meters[s].add(stem);
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

void StemFiles::add(const AudioBuffer& source, const std::vector<AudioBuffer>& stems) {
    if (m->neutral()) return m->put(source, 0, stems);
    add(StemBlock{source, stems, {}});
}

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

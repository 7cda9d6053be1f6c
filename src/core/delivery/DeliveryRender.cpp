#include "core/delivery/DeliveryRender.h"

#include <unistd.h>

#include <algorithm>
#include <cmath>
#include <functional>

#include "core/audio/Decibel.h"
#include "core/audio/Resampler.h"
#include "core/delivery/Inspection.h"
#include "core/media/AudioWriter.h"
#include "core/media/FinalName.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

/// A hidden folder that goes away with everything in it.
class WorkFolder {
public:
    explicit WorkFolder(const fs::path& beside) {
        static std::atomic<int> number{0};
        m_path = beside / (".rivlen-" + std::to_string(getpid()) + "-" + std::to_string(++number));
        std::error_code problem;
        fs::create_directories(m_path, problem);
        if (problem) throw Error(Error::Kind::OutputUnwritable, "\"" + beside.string() + "\" cannot be written to (" + problem.message() + "): choose another folder, or check its permissions.");
    }
    ~WorkFolder() {
        std::error_code ignored;
        fs::remove_all(m_path, ignored);
    }
    fs::path operator/(const std::string& name) const { return m_path / name; }

private:
    fs::path m_path;
};

const AudioFormat kFloat{AudioFormat::Container::Wav, AudioFormat::Bits::Float32};

AudioFormat formatOf(const Deliverable& d) {
    AudioFormat f;
    f.bits = d.bits == 16 ? AudioFormat::Bits::Int16 : d.bits == 24 ? AudioFormat::Bits::Int24 : AudioFormat::Bits::Float32;
    switch (d.storage) {
        case Storage::Wav: f.container = AudioFormat::Container::Wav; break;
        case Storage::Flac: f.container = AudioFormat::Container::Flac; break;
        case Storage::Aiff: f.container = AudioFormat::Container::Aiff; break;
        case Storage::Vorbis: f.container = AudioFormat::Container::Vorbis; break;
        case Storage::Opus: f.container = AudioFormat::Container::Opus; break;
        case Storage::Mp3: f.container = AudioFormat::Container::Mp3; break;
    }
    if (f.container == AudioFormat::Container::Flac && f.bits == AudioFormat::Bits::Float32) f.bits = AudioFormat::Bits::Int24;
    return f;
}

/// Rates that a storage can hold: Opus and MP3 know few.
int rateFor(const Deliverable& d, int own) {
    const int wanted = d.sampleRate > 0 ? d.sampleRate : own;
    if (d.storage == Storage::Opus) return 48000;
    if (d.storage == Storage::Mp3 && wanted != 32000 && wanted != 44100 && wanted != 48000) return wanted % 44100 == 0 ? 44100 : 48000;
    return wanted;
}

std::string text(const char* format, auto... values) {
    char line[200];
    std::snprintf(line, sizeof line, format, values...);
    return line;
}

/// Reads a file to its end in blocks of a second.
void eachBlock(const fs::path& file, const Progress& progress, const std::function<void(AudioBuffer&, bool last)>& f) {
    MediaReader reader(file);
    const int64_t rate = reader.sampleRate();
    for (int64_t at = 0; at < reader.frames(); at += rate) {
        progress.throwIfCancelled();
        progress.report(double(at) / double(reader.frames()));
        AudioBuffer block = reader.read(at, std::min(rate, reader.frames() - at));
        f(block, at + rate >= reader.frames());
    }
}

Inspection inspected(const fs::path& file, const Progress& progress) {
    MediaReader reader(file);
    return inspect(reader, progress);
}

/// Gain, and where a ceiling is given a limiter, from one file into another; dB that were limited at most.
double levelled(const fs::path& from, const fs::path& to, double gainDb, std::optional<double> ceiling, const Progress& progress) {
    MediaReader facts(from);
    const int channels = facts.channels();
    AudioWriter writer(to, facts.sampleRate(), channels, kFloat);
    Limiter limiter(channels, facts.sampleRate());
    ChainSettings settings;
    if (ceiling) settings.ceiling = *ceiling;
    limiter.set(settings);
    limiter.setOn(ceiling.has_value());
    const auto gain = float(fromDb(gainDb));
    int64_t late = ceiling ? limiter.latency() : 0;
    double most = 0;
    eachBlock(from, progress, [&](AudioBuffer& block, bool last) {
        for (float& v : block.samples()) v *= gain;
        if (!ceiling) return writer.write(block);
        if (last) block.append(AudioBuffer(channels, limiter.latency()));  // its delay is given back
        limiter.process(block);
        most = std::min(most, limiter.reductionDb());
        const int64_t skip = std::min(late, block.frames());
        late -= skip;
        writer.write(block.slice(skip, block.frames() - skip));
    });
    writer.commit();
    return most;
}

/// Passes a file on at another rate.
void atRate(const fs::path& file, int rate, const Progress& progress, const std::function<void(const AudioBuffer&)>& sink) {
    MediaReader facts(file);
    Resampler resampler(facts.sampleRate(), rate, facts.channels());
    eachBlock(file, progress, [&](AudioBuffer& block, bool) { sink(resampler.process(block)); });
    sink(resampler.finish());
}

std::optional<double> known(double v) { return std::isfinite(v) && v > -190 ? std::optional(v) : std::nullopt; }

/// DC of the worst channel (dBFS) and how the first two channels agree, -1 ... +1. DC is what the means of all seconds have in common: bass and plucked strings
/// have means of their own, which come and go.
std::pair<double, double> steadyFacts(const fs::path& file, const Progress& progress) {
    std::vector<std::pair<double, double>> means;  // lowest and highest, by channel
    double lr = 0, ll = 1e-12, rr = 1e-12;
    int seconds = 0;
    eachBlock(file, progress, [&](AudioBuffer& b, bool last) {
        for (int64_t i = 0; b.channels() > 1 && i < b.frames(); ++i) {
            const double l = b.channel(0)[size_t(i)], r = b.channel(1)[size_t(i)];
            lr += l * r, ll += l * l, rr += r * r;
        }
        if (last && !means.empty()) return;  // a short rest says little
        const bool first = means.empty();
        ++seconds;
        means.resize(size_t(b.channels()));
        for (int c = 0; c < b.channels(); ++c) {
            double sum = 0;
            for (float v : b.channel(c)) sum += double(v);
            auto& [low, high] = means[size_t(c)];
            const double mean = sum / double(b.frames());
            low = first ? mean : std::min(low, mean);
            high = first ? mean : std::max(high, mean);
        }
    });
    double dc = 0;
    if (seconds < 5) std::fill(means.begin(), means.end(), std::pair(0.0, 0.0));  // too short to tell
    for (const auto& [low, high] : means) dc = std::max({dc, low, -high});
    return {toDb(dc), means.size() > 1 && ll + rr > 1e-9 ? lr / std::sqrt(ll * rr) : 1.0};
}

}  // namespace

bool DeliveryReport::passed() const {
    return std::all_of(checks.begin(), checks.end(), [](const DeliveryCheck& c) { return c.passed; });
}

nlohmann::json toJson(const DeliveryReport& r) {
    const auto number = [](const std::optional<double>& v) { return v ? nlohmann::json(std::round(*v * 100) / 100) : nlohmann::json(nullptr); };
    nlohmann::json checks = nlohmann::json::array();
    for (const auto& c : r.checks) checks.push_back({{"name", c.name}, {"passed", c.passed}, {"detail", c.detail}});
    return {{"name", r.name}, {"reel", r.reel}, {"path", r.path.string()}, {"format", r.format}, {"duration_s", std::round(r.duration * 1000) / 1000}, {"integrated_lufs", number(r.integrated)},
            {"range_lu", number(r.range)}, {"true_peak_dbtp", number(r.truePeak)}, {"gain_db", number(r.gain)}, {"limited_db", number(r.limited)},
            {"noise_floor_before_dbfs", number(r.noiseBefore)}, {"noise_floor_after_dbfs", number(r.noiseAfter)}, {"held_back", r.heldBack}, {"checks", checks}};
}

DeliveryReport deliver(const Deliverable& d, const DeliverySource& source, const fs::path& folder, bool overwrite, const Progress& progress) {
    DeliveryReport report;
    report.name = d.name;
    report.reel = source.reel;
    const DeliveryContent& content = deliveryContent(d.holds);
    const StorageFacts& storage = storageFacts(d.storage);
    report.path = folder / deliveryFileName(d, source.session, source.reel);
    if (!overwrite && fs::exists(report.path))
        throw Error(Error::Kind::OutputUnwritable, "\"" + report.path.string() + "\" is already there: choose another folder or name, or allow overwriting.");
    const ReelMaterial& reel = source.materials->reel();
    const int own = reel.sampleRate, rate = rateFor(d, own);
    const int64_t end = std::max(reel.frames, int64_t(std::llround(source.rebuild->end() * own)));
    const int64_t first = d.span ? std::clamp<int64_t>(std::llround(d.span->first * own), 0, end) : 0;
    const int64_t count = (d.span ? std::clamp<int64_t>(std::llround(d.span->second * own), first, end) : end) - first;
    if (count <= 0) throw Error(Error::Kind::Usage, "The span of \"" + d.name + "\" lies behind the end of " + source.reel + ": give it another one.");
    std::error_code ignored;
    fs::create_directories(folder, ignored);
    // Rendered, levelled and stored copies stand beside each other for a while.
    if (const auto space = fs::space(folder, ignored); !ignored && space.available != uintmax_t(-1)) {
        const uintmax_t need = uintmax_t(count) * uintmax_t(source.channels) * 4 * 3;
        if (space.available < need)
            throw Error(Error::Kind::OutputUnwritable, text("\"%s\" has %.0f MB left, and \"%s\" needs %.0f MB while it is made: free some space or choose another disk.", folder.c_str(), double(space.available) / 1e6, d.name.c_str(), double(need) / 1e6));
    }
    const WorkFolder work(folder);

    RenderGraph::Options options{2, source.channels};
    for (const auto& lane : source.rebuild->lanes)
        if (std::find(content.stems.begin(), content.stems.end(), lane->stem) != content.stems.end()) options.lanes.insert(lane->id);
    options.chosenLanes = true;
    options.mixChain = content.mixChain;
    const fs::path rendered = work / "rendered.wav", final = work / "levelled.wav";
    {
        AudioWriter writer(rendered, own, source.channels, kFloat);
        renderMix(source.rebuild, source.materials, options, first, count, [&](const AudioBuffer& b) { writer.write(b); }, Progress(progress, 0, 0.4));
        writer.commit();
    }
    const Inspection before = inspected(rendered, Progress(progress, 0.4, 0.5));
    report.noiseBefore = known(before.noiseFloorDbfs);
    Inspection after = before;
    if (d.loudness && std::isfinite(before.integratedLufs)) {
        report.gain = *d.loudness - before.integratedLufs;
        for (int round = 0; round < 3; ++round) {  // what the limiter takes from the loudness is given back
            fs::remove(final, ignored);
            const bool over = before.truePeakDbtp + report.gain > d.ceiling;
            report.limited = levelled(rendered, final, report.gain, over ? std::optional(d.ceiling) : std::nullopt, Progress(progress, 0.5 + 0.1 * round, 0.55 + 0.1 * round));
            after = inspected(final, Progress(progress, 0.55 + 0.1 * round, 0.6 + 0.1 * round));
            if (std::fabs(*d.loudness - after.integratedLufs) < 0.05 || !over) break;
            report.gain += *d.loudness - after.integratedLufs;
        }
    } else {
        fs::rename(rendered, final);
    }
    report.noiseAfter = known(after.noiseFloorDbfs);

    AudioNotes notes;
    notes.description = source.session + ", " + source.reel + ", " + d.name;
    if (source.timecode) notes.timeReference = std::llround((*source.timecode + double(first) / own) * rate);
    notes.integrated = known(after.integratedLufs), notes.range = known(after.rangeLu), notes.truePeak = known(after.truePeakDbtp);
    const fs::path stored = work / report.path.filename().string();
    const AudioFormat format = formatOf(d);
    int64_t written = 0;
    {
        AudioWriter writer(stored, rate, source.channels, format, false, &notes);
        atRate(final, rate, Progress(progress, 0.8, 0.88), [&](const AudioBuffer& b) {
            writer.write(b);
            written += b.frames();
        });
        writer.commit();
    }
    report.format = text("%s, %s%d Hz, %d channel%s", storage.name, storage.lossless ? (format.bits == AudioFormat::Bits::Float32 ? "32-bit float, " : format.bits == AudioFormat::Bits::Int24 ? "24 bit, " : "16 bit, ") : "", rate, source.channels, source.channels == 1 ? "" : "s");

    // ---- what the file itself says ----
    const auto check = [&report](const char* name, bool passed, const std::string& detail) { report.checks.push_back({name, passed, detail}); };
    MediaReader reader(stored);
    report.duration = double(reader.frames()) / reader.sampleRate();
    const auto expected = int64_t(std::llround(double(count) * rate / own));
    const int64_t tolerance = storage.lossless ? (rate == own ? 0 : 1) : 2 * 1152;
    check("length", std::llabs(reader.frames() - expected) <= tolerance, text("%lld frames, %lld expected", static_cast<long long>(reader.frames()), static_cast<long long>(expected)));
    check("rate and channels", reader.sampleRate() == rate && reader.channels() == source.channels, text("%d Hz, %d channels", reader.sampleRate(), reader.channels()));
    const Inspection found = inspect(reader, Progress(progress, 0.88, 0.94));
    report.integrated = known(found.integratedLufs), report.range = known(found.rangeLu), report.truePeak = known(found.truePeakDbtp);
    check("not silent", found.peakDbfs > -90 || before.peakDbfs <= -90, text("peak %.1f dBFS", found.peakDbfs));
    const bool whole = format.bits != AudioFormat::Bits::Float32 || !storage.lossless;
    check("no clipping", !whole || after.peakDbfs <= 0.0001, text("peak %.2f dBFS%s", after.peakDbfs, whole && after.peakDbfs > 0 ? ": over full scale; give it a loudness with a ceiling, or 32-bit float" : ""));
    const auto [dc, phase] = steadyFacts(stored, Progress(progress, 0.94, 0.97));
    check("no DC", dc < -50, text("%.0f dBFS", dc));
    check("phase", phase > -0.5, text("correlation %+.2f%s", phase, phase <= -0.5 ? ": the sides cancel in mono" : ""));
    if (d.loudness && report.integrated) {
        check("loudness", std::fabs(*report.integrated - *d.loudness) <= d.tolerance + (storage.lossless ? 0 : 0.2), text("%.1f LUFS, %.1f within %.1f wanted", *report.integrated, *d.loudness, d.tolerance));
        check("true peak", !report.truePeak || *report.truePeak <= d.ceiling + (storage.lossless ? 0.05 : 0.5), text("%.1f dBTP, at most %.1f wanted", report.truePeak.value_or(-200), d.ceiling));
    }
    if (storage.lossless) {
        double worst = 0;
        int64_t at = 0;
        atRate(final, rate, Progress(progress, 0.97, 1), [&](const AudioBuffer& b) {
            const AudioBuffer again = reader.read(at, b.frames());
            for (size_t i = 0; i < b.samples().size(); ++i) worst = std::max(worst, std::fabs(double(std::clamp(b.samples()[i], whole ? -1.0f : -100.0f, whole ? 1.0f : 100.0f)) - again.samples()[i]));
            at += b.frames();
        });
        // A step of the stored numbers; dither moves a sample by up to one more.
        const double step = format.bits == AudioFormat::Bits::Int16 ? 2.1 / 32768 : format.bits == AudioFormat::Bits::Int24 ? 1.1 / 8388608 : 0;
        check("read again", worst <= step, text("largest difference %.1f dBFS", toDb(worst)));
    }
    report.heldBack = !report.passed();
    if (const std::error_code problem = report.heldBack ? std::error_code() : giveFinalName(stored, report.path, overwrite))
        throw Error(Error::Kind::OutputUnwritable, "\"" + report.path.string() + "\" cannot get its name: " + problem.message() + ".");
    progress.report(1);
    return report;
}

}  // namespace rivlen

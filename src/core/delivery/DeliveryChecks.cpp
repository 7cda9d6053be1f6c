#include "core/delivery/DeliveryChecks.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <memory>

#include "core/audio/Decibel.h"
#include "core/base/Text.h"
#include "core/media/MediaReader.h"
#include "core/media/PictureMux.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

std::optional<double> known(double v) { return std::isfinite(v) && v > -190 ? std::optional(v) : std::nullopt; }

/// The sum over a file's samples as they are stored, from frames read one after the other.
class Fingerprint {
public:
    explicit Fingerprint(AudioFormat::Bits bits) : m_bits(bits) {}
    void add(const AudioBuffer& x, int64_t first) {
        if (first != m_next) return;  // somebody looks at a place
        m_next += x.frames();
        const double full = m_bits == AudioFormat::Bits::Int16 ? 32768 : 8388608;
        const int shift = m_bits == AudioFormat::Bits::Int16 ? 16 : 8;
        m_samples.resize(x.samples().size());
        for (int c = 0; c < x.channels(); ++c)
            for (int64_t i = 0; i < x.frames(); ++i) {
                const float v = x.channel(c)[size_t(i)];
                int32_t& to = m_samples[size_t(i * x.channels() + c)];
                if (m_bits == AudioFormat::Bits::Float32) std::memcpy(&to, &v, sizeof v);
                else to = int32_t(uint32_t(int32_t(std::lround(double(v) * full))) << shift);
            }
        m_sum = fingerprint(m_sum, m_samples);
    }
    int64_t next() const { return m_next; }  ///< frames that are in it
    uint64_t sum() const { return m_sum; }

private:
    AudioFormat::Bits m_bits;
    int64_t m_next = 0;
    uint64_t m_sum = kNoFingerprint;
    std::vector<int32_t> m_samples;
};

/// Files of one channel each, as one sound; or the one file, from some frame on. What is read in order goes into the
/// files' fingerprints, so that measuring and comparing are one pass.
class StoredSound : public SampleSource {
public:
    StoredSound(const std::vector<fs::path>& files, int64_t lead, AudioFormat::Bits bits)
        : m_lead(lead), m_fingerprints(files.size(), Fingerprint(bits)) {
        for (const auto& f : files) m_readers.push_back(std::make_unique<MediaReader>(f));
    }
    int channels() const override { return m_readers.size() > 1 ? int(m_readers.size()) : m_readers[0]->channels(); }
    int sampleRate() const override { return m_readers[0]->sampleRate(); }
    int64_t frames() const override {
        int64_t least = m_readers[0]->frames();
        for (const auto& r : m_readers) least = std::min(least, r->frames());
        return std::max<int64_t>(0, least - m_lead);
    }
    AudioBuffer read(int64_t first, int64_t count) override {
        if (m_readers.size() == 1) return one(0, first, count);
        AudioBuffer out(channels(), count);
        for (size_t c = 0; c < m_readers.size(); ++c) {
            const AudioBuffer x = one(c, first, count);
            std::copy(x.channel(0).begin(), x.channel(0).end(), out.channel(int(c)).begin());
        }
        return out;
    }
    MediaReader& reader(size_t i) { return *m_readers[i]; }
    /// Whether every sample of every file is as it was stored; reads what nobody has read yet.
    bool same(const std::vector<uint64_t>& stored, const Progress& progress) {
        bool all = true;
        for (size_t i = 0; i < m_readers.size(); ++i) {
            const int64_t end = m_readers[i]->frames() - m_lead;
            for (int64_t at = m_fingerprints[i].next(); at < end; at = m_fingerprints[i].next()) {
                progress.throwIfCancelled();
                one(i, at, std::min<int64_t>(sampleRate(), end - at));
                progress.report(double(at) / double(end));
            }
            all = all && m_fingerprints[i].sum() == stored[i];
        }
        return all;
    }

private:
    AudioBuffer one(size_t i, int64_t first, int64_t count) {
        AudioBuffer x = m_readers[i]->read(first + m_lead, count);
        m_fingerprints[i].add(x, first);
        return x;
    }

    int64_t m_lead;
    std::vector<std::unique_ptr<MediaReader>> m_readers;
    std::vector<Fingerprint> m_fingerprints;
};

/// All channels in one, unevenly, so that sides that cancel each other leave something.
std::vector<float> mono(const AudioBuffer& x) {
    std::vector<float> out(x.channel(0).begin(), x.channel(0).end());
    for (int c = 1; c < x.channels(); ++c)
        for (size_t i = 0; i < out.size(); ++i) out[i] += 0.7f * x.channel(c)[i];
    return out;
}

/// No more points than a page has room for: the loudest of neighbours.
std::vector<float> drawable(const std::vector<float>& all) {
    const size_t group = all.size() / 600 + 1;
    std::vector<float> out;
    for (size_t i = 0; i < all.size(); i += group)
        out.push_back(*std::max_element(all.begin() + long(i), all.begin() + long(std::min(all.size(), i + group))));
    return out;
}

/// Lags at the beginning, the middle and the end, frames.
std::vector<int64_t> lags(SampleSource& wanted, SampleSource& found) {
    std::vector<int64_t> all;
    for (double place : {0.1, 0.5, 0.9})
        if (const auto lag =
                lagBetween(wanted, found, int64_t(double(wanted.frames()) * place), wanted.sampleRate() / 16))
            all.push_back(*lag);
    return all;
}

class Checks {
public:
    Checks(const CheckedDelivery& checked, DeliveryReport& to)
        : c(checked), d(checked.deliverable), report(to), storage(storageFacts(d.storage)) {}

    void run(const Progress& progress) {
        const int64_t lead = storage.picture ? soundLead(c.picture, c.sampleRate) : 0;
        StoredSound stored(c.stored, lead, c.format.bits);
        whole = c.format.bits != AudioFormat::Bits::Float32 || !storage.lossless;
        report.duration = double(stored.frames()) / stored.sampleRate();
        length(stored);
        sound(stored, Progress(progress, 0, 0.5));
        loudness();
        again(stored, Progress(progress, 0.5, 0.8));
        if (storage.picture) picture(stored, Progress(progress, 0.8, 1));
    }

private:
    void check(const char* name, bool passed, const std::string& detail) {
        report.checks.push_back({name, passed, detail});
    }

    void length(StoredSound& stored) {
        // Encoders fill up their last block.
        const int64_t tolerance = storage.lossless ? 0 : 2 * 1152;
        check("length", std::llabs(stored.frames() - c.frames) <= tolerance,
              formatted("%lld frames, %lld expected", static_cast<long long>(stored.frames()),
                        static_cast<long long>(c.frames)));
        check("rate and channels", stored.sampleRate() == c.sampleRate && stored.channels() == c.channels,
              formatted("%d Hz, %d channels", stored.sampleRate(), stored.channels()));
        const bool ordered = c.stored.size() == 1 && c.format.layout != ChannelLayout::AmbiX &&
                             (c.channels == 6 || c.channels == 8) && storage.lossless;
        if (!ordered) return;
        const std::string layout = stored.reader(0).info().layout;
        check("channel order", layout.rfind(c.channels == 6 ? "5.1" : "7.1", 0) == 0,
              "the file calls its channels " + layout);
    }

    void sound(StoredSound& stored, const Progress& progress) {
        const bool ambisonic = c.format.layout == ChannelLayout::AmbiX;
        // Loudness is that of loudspeakers: AmbiX and objects are measured as what they were made of.
        Measurement found = ambisonic ? c.after : measure(stored, nullptr, MeasurementDetail::Everything, progress);
        const Inspection& i = found.inspection;
        report.integrated = known(i.integratedLufs), report.range = known(i.rangeLu),
        report.truePeak = known(i.truePeakDbtp);
        report.maxMomentary = found.maxMomentary, report.maxShortTerm = found.maxShortTerm,
        report.dialogue = c.after.dialogue;
        report.curves = std::make_shared<DeliveryCurves>(DeliveryCurves{drawable(found.shortTerm), found.wave});
        check("not silent", i.peakDbfs > -90 || c.before.inspection.peakDbfs <= -90,
              formatted("peak %.1f dBFS", i.peakDbfs));
        const double peak = c.after.inspection.peakDbfs;
        check("no clipping", !whole || peak <= 0.0001,
              formatted("peak %.2f dBFS%s", peak,
                        whole && peak > 0 ? ": over full scale; give it a loudness with a ceiling, or 32-bit float"
                                          : ""));
        check("no DC",
              found.dcDbfs<-50, found.dcDbfs> - 140 ? formatted("%.0f dBFS", found.dcDbfs) : std::string("none"));
        check("phase", found.correlation > -0.5,
              formatted("correlation %+.2f%s", found.correlation,
                        found.correlation <= -0.5 ? ": the sides cancel in mono" : ""));
    }

    void loudness() {
        if (!d.loudness || !report.integrated) return;
        const bool gated = d.dialogueGated && c.after.dialogue;
        const double now = gated ? *c.after.dialogue : *report.integrated;
        std::string detail = formatted("%.1f LUFS%s, %.1f within %.1f wanted", now,
                                       gated ? " where somebody speaks" : "", *d.loudness, d.tolerance);
        if (gated) detail += formatted("; %.1f s of speech", c.after.dialogueSeconds);
        else if (d.dialogueGated) detail += "; hardly anybody speaks, so the whole counts";
        check("loudness", std::fabs(now - *d.loudness) <= d.tolerance + (storage.lossless ? 0 : 0.2), detail);
        check("true peak", !report.truePeak || *report.truePeak <= d.ceiling + (storage.lossless ? 0.05 : 0.5),
              formatted("%.1f dBTP, at most %.1f wanted", report.truePeak.value_or(-200), d.ceiling));
    }

    void again(StoredSound& stored, const Progress& progress) {
        if (storage.lossless) {
            const bool same = stored.same(c.fingerprints, progress);
            check("read again", same,
                  same ? "every sample as it was stored, in its place"
                       : "samples differ from what was stored: the disk may be failing; choose another one");
            if ((d.storage == Storage::Wav || d.storage == Storage::Adm) && c.timecode &&
                *c.timecode * c.sampleRate >= 1)
                timecode(stored);  // a time reference of 0 says nothing
            return;
        }
        MediaReader wanted(c.sound);
        const auto late = lags(wanted, stored);
        int64_t worst = 0;
        for (int64_t lag : late) worst = std::llabs(lag) > std::llabs(worst) ? lag : worst;
        const double ms = 1000.0 * double(worst) / c.sampleRate;
        check("sync", std::fabs(ms) < 1,
              late.empty() ? std::string("nothing loud enough to tell")
                           : formatted("%+.2f ms at beginning, middle and end", ms));
    }

    void timecode(StoredSound& stored) {
        const auto says = stored.reader(0).info().timecodeSeconds;
        const bool right = says && std::fabs(*says - *c.timecode) * c.sampleRate < 1;
        check("timecode", right,
              says ? formatted("begins at %.3f s after midnight, %.3f expected", *says, *c.timecode)
                   : "the file does not say when it begins");
    }

    void picture(StoredSound& stored, const Progress& progress) {
        const PictureSum from = pictureSum(c.picture, Progress(progress, 0, 0.5)),
                         to = pictureSum(c.stored[0], Progress(progress, 0.5, 1));
        report.picture = to.md5;
        check("picture", from == to,
              from == to ? formatted("%lld packets, MD5 ", static_cast<long long>(to.packets)) + to.md5
                         : "its packets are not those of the recording: choose a container of the same family");
        // Both streams' clocks, as a player reads them.
        const MediaInfo was = MediaReader(c.picture).info(), is = stored.reader(0).info();
        const double wanted = std::min(0.0, was.startOffset), ms = 1000 * (is.startOffset - wanted);
        check("start", std::fabs(ms) < 1,
              formatted("the sound begins %+.2f ms off where it belongs to the picture", ms));
    }

    const CheckedDelivery& c;
    const Deliverable& d;
    DeliveryReport& report;
    const StorageFacts& storage;
    bool whole = true;
};

}  // namespace

std::optional<int64_t> lagBetween(SampleSource& a, SampleSource& b, int64_t place, int64_t maximum) {
    const int64_t count = a.sampleRate() / 2, first = std::max<int64_t>(0, place - count / 2);
    const auto x = mono(a.read(first, count)), y = mono(b.read(first - maximum, count + 2 * maximum));
    double energy = 0;
    for (float v : x) energy += double(v) * v;
    if (energy / double(count) < 1e-7) return {};
    double best = 0, inPlace = 0, window = 0;
    int64_t lag = 0;
    for (int64_t i = 0; i < count; ++i) window += double(y[size_t(i)]) * y[size_t(i)];
    for (int64_t shift = 0; shift <= 2 * maximum; ++shift) {
        float dot = 0;
        for (int64_t i = 0; i < count; ++i) dot += x[size_t(i)] * y[size_t(i + shift)];
        const double likeness = double(dot) / std::sqrt(energy * std::max(window, 1e-12));
        if (likeness > best) best = likeness, lag = shift - maximum;
        if (shift == maximum) inPlace = likeness;
        if (shift < 2 * maximum)
            window += double(y[size_t(shift + count)]) * y[size_t(shift + count)] -
                      double(y[size_t(shift)]) * y[size_t(shift)];
    }
    if (inPlace > best - 0.005) lag = 0;  // what repeats itself fits as well a period later
    return best > 0.5 ? std::optional(lag) : std::nullopt;
}

void checkDelivery(const CheckedDelivery& checked, DeliveryReport& report, const Progress& progress) {
    Checks(checked, report).run(progress);
}

}  // namespace rivlen

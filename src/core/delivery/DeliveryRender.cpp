#include "core/delivery/DeliveryRender.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/base/Text.h"
#include "core/delivery/AdmTracks.h"
#include "core/delivery/DeliveryChecks.h"
#include "core/delivery/MeasuringThread.h"
#include "core/media/FinalName.h"
#include "core/media/MediaReader.h"
#include "core/media/PictureMux.h"
#include "core/space/MixFold.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

AudioFormat formatOf(const Deliverable& d) {
    AudioFormat f;
    f.bits = d.bits == 16   ? AudioFormat::Bits::Int16
             : d.bits == 24 ? AudioFormat::Bits::Int24
                            : AudioFormat::Bits::Float32;
    f.dither = d.dither;
    f.layout = d.layout;
    switch (d.storage) {
        case Storage::Flac: f.container = AudioFormat::Container::Flac; break;
        case Storage::Aiff: f.container = AudioFormat::Container::Aiff; break;
        case Storage::Vorbis: f.container = AudioFormat::Container::Vorbis; break;
        case Storage::Opus: f.container = AudioFormat::Container::Opus; break;
        case Storage::Mp3: f.container = AudioFormat::Container::Mp3; break;
        default: f.container = AudioFormat::Container::Wav;
    }
    const bool integers = d.storage == Storage::Flac || d.storage == Storage::Mov || d.storage == Storage::Mkv;
    if (integers && f.bits == AudioFormat::Bits::Float32) f.bits = AudioFormat::Bits::Int24;
    if (d.storage == Storage::Aac || d.storage == Storage::Mp4)
        f.bits = AudioFormat::Bits::Float32;  // of the file that is encoded
    return f;
}

/// Rates that a storage can hold: lossy ones know few.
int rateFor(const Deliverable& d, int own) {
    const int wanted = d.sampleRate > 0 ? d.sampleRate : own;
    if (d.storage == Storage::Opus) return 48000;
    const bool few = d.storage == Storage::Mp3 || d.storage == Storage::Aac || d.storage == Storage::Mp4;
    if (few && wanted != 32000 && wanted != 44100 && wanted != 48000) return wanted % 44100 == 0 ? 44100 : 48000;
    return wanted;
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

/// Measures blocks as they come by, beside the dialogue where the loudness is that of the dialogue.
class Listener {
public:
    /// decoder: for sound that is no loudspeakers'
    Listener(int channels, int sampleRate, int64_t frames, const fs::path& speech, std::optional<MixFold> decoder)
        : m_decoder(std::move(decoder)) {
        if (!speech.empty()) m_speech.emplace(speech);
        if (m_decoder) channels = m_decoder->outputs();
        m_measuring.emplace(channels, sampleRate, frames, m_speech ? (m_decoder ? channels : m_speech->channels()) : 0,
                            MeasurementDetail::Overview);
    }
    void hear(const AudioBuffer& block) {
        m_measuring->add(decoded(block), m_speech ? decoded(m_speech->read(m_at, block.frames())) : AudioBuffer());
        m_at += block.frames();
    }
    Measurement finish() { return m_measuring->finish(); }

private:
    AudioBuffer decoded(AudioBuffer block) const { return m_decoder ? (*m_decoder)(block) : std::move(block); }
    std::optional<MixFold> m_decoder;
    std::optional<MediaReader> m_speech;
    std::optional<MeasuringThread> m_measuring;
    int64_t m_at = 0;
};

void raise(AudioBuffer& block, float gain) {
    for (float& v : block.samples()) v *= gain;
}

/// Gain and a limiter from one file into another; dB that were limited at most.
double limited(const fs::path& from, const fs::path& to, double gainDb, double ceiling, Listener& listener,
               const Progress& progress) {
    MediaReader facts(from);
    const int channels = facts.channels();
    AudioWriter writer(to, facts.sampleRate(), channels, kRendered, true);
    Limiter limiter(channels, facts.sampleRate());
    ChainSettings settings;
    settings.ceiling = ceiling;
    limiter.set(settings);
    limiter.setOn(true);
    int64_t late = limiter.latency();
    double most = 0;
    eachBlock(from, progress, [&](AudioBuffer& block, bool last) {
        raise(block, float(fromDb(gainDb)));
        if (last) block.append(AudioBuffer(channels, limiter.latency()));  // its delay is given back
        limiter.process(block);
        most = std::min(most, limiter.reductionDb());
        const int64_t skip = std::min(late, block.frames());
        late -= skip;
        const AudioBuffer out = block.slice(skip, block.frames() - skip);
        writer.write(out);
        listener.hear(out);
    });
    writer.commitForNow();
    return most;
}

std::string sentence(const Deliverable& d, MixFormat mix, const AudioFormat& format, int rate, int channels) {
    const StorageFacts& storage = storageFacts(d.storage);
    const char* bits = !storage.lossless                           ? ""
                       : format.bits == AudioFormat::Bits::Float32 ? "32-bit float, "
                       : format.bits == AudioFormat::Bits::Int24   ? "24 bit, "
                                                                   : "16 bit, ";
    const std::string what = d.layout == ChannelLayout::Own && mix != MixFormat::Reel ? mixFormatFacts(mix).name
                             : d.layout == ChannelLayout::Own
                                 ? formatted("%d channel%s", channels, channels == 1 ? "" : "s")
                                 : std::string(layoutFacts(d.layout).name);
    if (d.storage == Storage::Adm) return formatted("%s, %s%d Hz", storage.name, bits, rate);
    return formatted("%s, %s%d Hz, ", storage.name, bits, rate) + what +
           (d.monoFiles && channels > 1 ? " in mono files" : "");
}

/// One delivery on its way: the steps share what they find.
class Making {
public:
    Making(const Deliverable& deliverable, const DeliverySource& from, const fs::path& to, bool overwrite)
        : d(deliverable),
          source(described(from, deliverable)),
          folder(to),
          content(deliveryContent(d.holds)),
          format(formatOf(d)),
          own(source.materials->reel().sampleRate),
          rate(rateFor(d, own)),
          mixFormat(source.rebuild->format),
          fold(mixFormat, source.channels, d.layout),
          channels(fold.outputs()) {
        // No loudspeakers' channels: nothing is said of them, and their loudness is that of what they are played as.
        if (ambisonic() || adm()) format.layout = ChannelLayout::AmbiX;
        report.name = d.name;
        report.reel = source.reel;
        for (const auto& name :
             deliveryFileNames(d, source.session, source.reel, mixChannelNames(mixFormat, ownChannels())))
            report.files.push_back(folder / name);
        report.path = report.files[0];
        for (const auto& file : report.files)
            if (!overwrite && fs::exists(file))
                throw Error(Error::Kind::OutputUnwritable,
                            "\"" + file.string() +
                                "\" is already there: choose another folder or name, or allow overwriting.");
        if (storageFacts(d.storage).picture) {
            if (source.picture.empty())
                throw Error(Error::Kind::Usage,
                            "\"" + d.name + "\" asks for the picture of " + source.reel +
                                ", which has none: choose a sound format for it, or take it out for this reel.");
            if (d.span)
                throw Error(Error::Kind::Usage,
                            "\"" + d.name + "\" is a picture, which is delivered whole: take its span away.");
        }
        if (adm() && d.layout != ChannelLayout::Own)
            throw Error(Error::Kind::Usage,
                        "\"" + d.name +
                            "\" is an ADM file, which has the mix's own bed: set its layout to the mix's own.");
        const int64_t end =
            std::max(source.materials->reel().frames, int64_t(std::llround(source.rebuild->end() * own)));
        made.first = d.span ? std::clamp<int64_t>(std::llround(d.span->first * own), 0, end) : 0;
        count = (d.span ? std::clamp<int64_t>(std::llround(d.span->second * own), made.first, end) : end) - made.first;
        if (count <= 0)
            throw Error(Error::Kind::Usage, "The span of \"" + d.name + "\" lies behind the end of " + source.reel +
                                                ": give it another one.");
        made.frames = std::llround(double(count) * rate / own);
        made.sampleRate = rate;
        report.format = sentence(d, mixFormat, format, rate, channels);
        std::error_code ignored;
        fs::create_directories(folder, ignored);
        // Rendered, levelled and stored copies stand beside each other for a while.
        double bytes = double(made.frames) * std::max(channels, source.channels) * 4 * 3;
        if (storageFacts(d.storage).picture) bytes += double(fs::file_size(source.picture, ignored));
        checkSpace(folder, bytes, "\"" + d.name + "\"");
        made.work = std::make_unique<ScratchFolder>(folder);
    }

    MadeDelivery make(const Progress& progress) {
        render(Progress(progress, 0, kRendered));
        level(Progress(progress, kRendered, kLimited));
        const double sofar = limits ? kLimited : kRendered, stored = sofar + (1 - sofar) / 3;
        store(Progress(progress, sofar, stored));
        check(Progress(progress, stored, 1));
        report.heldBack = !report.passed();
        progress.report(1);
        made.report = std::move(report);
        return std::move(made);
    }

private:
    static constexpr double kRendered = 0.45, kLimited = 0.8;  ///< of the progress; most are not limited

    /// What is delivered is no loudspeakers' sound.
    bool ambisonic() const {
        return d.layout == ChannelLayout::AmbiX ||
               (d.layout == ChannelLayout::Own && mixFormatFacts(mixFormat).order > 0);
    }
    bool adm() const { return d.storage == Storage::Adm; }
    int ownChannels() const { return MixFold(mixFormat, source.channels, ChannelLayout::Own).outputs(); }
    /// What is summed by whoever plays it cannot go through the chain of the mix.
    static DeliverySource described(DeliverySource from, const Deliverable& d) {
        if (d.storage == Storage::Adm) from.rebuild.edit().mix.chain = {};
        return from;
    }
    /// Of what is rendered: AmbiX is made of it when it is stored, since loudness is that of loudspeakers. A mix that
    /// is ambisonic itself is decoded to be measured.
    ChannelLayout workedLayout() const { return d.layout == ChannelLayout::AmbiX ? ChannelLayout::Own : d.layout; }
    int workedChannels() const { return MixFold(mixFormat, source.channels, workedLayout()).outputs(); }
    std::optional<MixFold> decoderFor() const {
        if (workedLayout() != ChannelLayout::Own || mixFormatFacts(mixFormat).order == 0) return {};
        return MixFold(mixFormat, source.channels, measuredLayoutOf(mixFormat));
    }
    Listener listener() const { return Listener(workedChannels(), rate, made.frames, speech, decoder); }

    void render(const Progress& progress) {
        RenderGraph::Options options{2, source.channels};
        options.lanes = lanesOf(*source.rebuild, content);
        options.chosenLanes = true;
        options.duck = content.ducked;
        options.mixChain = content.mixChain;
        if (d.dialogueGated) {
            RenderGraph::Options dialogue = options;
            dialogue.lanes = lanesOf(*source.rebuild, deliveryContent("dialogue"));
            renderDelivery(source, dialogue, made.first, count, rate, workedLayout(), made.frames,
                           speech = *made.work / "speech.wav", {}, Progress(progress, 0, 0.4));
        }
        Listener ear = listener();
        renderDelivery(
            source, options, made.first, count, rate, workedLayout(), made.frames, sound = *made.work / "rendered.wav",
            [&](const AudioBuffer& b) { ear.hear(b); }, Progress(progress, d.dialogueGated ? 0.4 : 0, 1));
        before = after = ear.finish();
        if (!adm()) return;
        tracks.emplace(source, options, made.first, count, rate, made.frames, *made.work, progress);
        const AdmScene& scene = tracks->scene();
        channels = scene.tracks();
        report.format +=
            formatted(", %s%d object%s",
                      scene.bedChannels > 0 ? "a bed of " + std::to_string(scene.bedChannels) + " and " : "",
                      int(scene.objects.size()), scene.objects.size() == 1 ? "" : "s");
    }

    void level(const Progress& progress) {
        if (before.inspection.noiseFloorDbfs > -190) report.noiseBefore = before.inspection.noiseFloorDbfs;
        const auto now = before.loudness(d.dialogueGated);
        if (d.loudness && now) {
            report.gain = *d.loudness - *now;
            after = before.raised(report.gain);
            gain = float(fromDb(report.gain));  // applied while it is stored
            if (after.inspection.truePeakDbtp > d.ceiling && !adm()) limit(progress);
        }
        if (after.inspection.noiseFloorDbfs > -190) report.noiseAfter = after.inspection.noiseFloorDbfs;
    }

    void limit(const Progress& progress) {
        const fs::path from = sound;
        sound = *made.work / "limited.wav";
        gain = 1;
        limits = true;
        double ceiling = d.ceiling;
        for (int round = 0; round < 3; ++round) {  // what the limiter takes from the loudness is given back
            Listener ear = listener();
            report.limited =
                limited(from, sound, report.gain, ceiling, ear, Progress(progress, round / 3.0, (round + 1) / 3.0));
            after = ear.finish();
            const double off = *d.loudness - after.loudness(d.dialogueGated).value_or(*d.loudness);
            // The peaks of ambisonics are those of the loudspeakers that they are decoded to.
            const double over = decoder ? after.inspection.truePeakDbtp - d.ceiling : 0;
            if ((std::fabs(off) < 0.05 && over <= 0) || round == 2)
                break;  // the gain reported is the one that was used
            report.gain += off;
            ceiling -= std::max(0.0, over);
        }
    }

    /// Of the span's first frame.
    std::optional<double> timecode() const {
        return source.timecode ? std::optional(*source.timecode + double(made.first) / own) : std::nullopt;
    }

    AudioNotes notes() const {
        AudioNotes n;
        n.description = source.session + ", " + source.reel + ", " + d.name;
        n.project = source.session, n.scene = source.reel;
        if (timecode()) n.timeReference = std::llround(*timecode() * rate);
        const auto known = [](double v) { return std::isfinite(v) && v > -190 ? std::optional(v) : std::nullopt; };
        n.integrated = known(after.inspection.integratedLufs), n.range = known(after.inspection.rangeLu),
        n.truePeak = known(after.inspection.truePeakDbtp);
        n.maxMomentary = after.maxMomentary, n.maxShortTerm = after.maxShortTerm;
        n.frames = made.frames;
        if (tracks) {
            AdmScene scene = tracks->scene();
            scene.bits = format.bits == AudioFormat::Bits::Int16   ? 16
                         : format.bits == AudioFormat::Bits::Int24 ? 24
                                                                   : 32;
            n.axml = admXml(scene), n.chna = admTable(scene);
        }
        const auto names = tracks                           ? tracks->scene().trackNames()
                           : d.layout == ChannelLayout::Own ? mixChannelNames(mixFormat, channels)
                                                            : channelNames(d.layout, channels);
        for (const auto& name : names) n.tracks.push_back(names.size() > 1 ? d.name + " " + name : d.name);
        for (const Marker& marker : source.rebuild->markers) {
            const int64_t at = std::llround((marker.at - double(made.first) / own) * rate);
            if (at >= 0 && at < made.frames) n.cues.emplace_back(at, marker.name);
        }
        return n;
    }

    void store(const Progress& progress) {
        for (const auto& file : report.files) made.stored.push_back(*made.work / file.filename().string());
        const bool muxed = d.storage == Storage::Aac || storageFacts(d.storage).picture;
        const AudioNotes all = notes();
        const bool apart = report.files.size() > 1;
        std::vector<std::unique_ptr<AudioWriter>> writers;
        for (size_t i = 0; i < made.stored.size(); ++i) {
            AudioNotes own = all;
            if (apart) own.tracks = {all.tracks[i]};
            toStore.push_back(muxed ? *made.work / "sound.wav" : made.stored[i]);
            writers.push_back(
                std::make_unique<AudioWriter>(toStore.back(), rate, apart ? 1 : channels, format, false, &own));
        }
        int64_t at = 0;
        eachBlock(sound, Progress(progress, 0, muxed ? 0.3 : 1), [&](AudioBuffer& block, bool) {
            if (tracks) block = tracks->read(at, block.frames());
            at += block.frames();
            raise(block, gain);
            const AudioBuffer out = d.layout == ChannelLayout::AmbiX ? fold(block) : std::move(block);
            for (size_t i = 0; i < writers.size(); ++i) {
                if (!apart) {
                    writers[i]->write(out);
                    continue;
                }
                AudioBuffer one(1, out.frames());
                std::copy(out.channel(int(i)).begin(), out.channel(int(i)).end(), one.channel(0).begin());
                writers[i]->write(one);
            }
        });
        for (auto& w : writers) {
            fingerprints.push_back(w->fingerprint());
            w->commitForNow();  // giveNames waits for the disk
        }
        if (!muxed) return;
        const NewSound encoded{toStore[0],
                               format.bits == AudioFormat::Bits::Float32 ? NewSound::Codec::Aac
                               : format.bits == AudioFormat::Bits::Int16 ? NewSound::Codec::Pcm16
                                                                         : NewSound::Codec::Pcm24,
                               all.description, d.language};
        muxSound(d.storage == Storage::Aac ? fs::path() : source.picture, encoded, d.keepOriginal, made.stored[0],
                 Progress(progress, 0.3, 1));
    }

    void check(const Progress& progress) {
        CheckedDelivery c{d,           format, made.stored, fingerprints, sound, source.picture,
                          made.frames, rate,   channels,    before,       after, timecode()};
        checkDelivery(c, report, progress);
    }

    const Deliverable& d;
    const DeliverySource source;
    const fs::path& folder;
    const DeliveryContent& content;
    AudioFormat format;
    const int own, rate;
    const MixFormat mixFormat;
    const MixFold fold;  ///< from the mix to what is delivered
    int channels;        ///< of the file
    std::optional<AdmTracks> tracks;
    const std::optional<MixFold> decoder = decoderFor();
    int64_t count = 0;
    DeliveryReport report;
    MadeDelivery made;
    fs::path sound, speech;  ///< of the work folder: as it will be stored but for the gain; the dialogue alone
    float gain = 1;
    bool limits = false;
    std::vector<fs::path> toStore;
    std::vector<uint64_t> fingerprints;
    Measurement before, after;
};

}  // namespace

MadeDelivery makeDelivery(const Deliverable& d, const DeliverySource& source, const fs::path& folder, bool overwrite,
                          const Progress& progress) {
    return Making(d, source, folder, overwrite).make(progress);
}

void giveNames(MadeDelivery& made, bool overwrite) {
    DeliveryReport& report = made.report;
    if (report.heldBack) return;
    for (size_t i = 0; i < made.stored.size(); ++i) {
        const std::error_code problem = giveFinalName(made.stored[i], report.files[i], overwrite);
        if (!problem) continue;
        std::error_code ignored;
        for (size_t k = 0; k < i && !overwrite; ++k) fs::remove(report.files[k], ignored);  // all of them or none
        throw Error(Error::Kind::OutputUnwritable,
                    "\"" + report.files[i].string() + "\" cannot get its name: " + problem.message() + ".");
    }
}

DeliveryReport deliver(const Deliverable& d, const DeliverySource& source, const fs::path& folder, bool overwrite,
                       const Progress& progress) {
    MadeDelivery made = makeDelivery(d, source, folder, overwrite, progress);
    giveNames(made, overwrite);
    return made.report;
}

}  // namespace rivlen

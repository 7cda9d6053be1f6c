#include "core/exchange/HandOver.h"

#include <algorithm>
#include <cmath>
#include <sstream>

#include "core/base/Text.h"
#include "core/exchange/FileNames.h"
#include "core/isolation/StemNames.h"
#include "core/media/AudioWriter.h"
#include "core/media/FileSum.h"
#include "core/media/FinalName.h"
#include "core/media/WholeFile.h"
#include "core/rebuild/LaneReader.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

const AudioFormat kFloat{AudioFormat::Container::Wav, AudioFormat::Bits::Float32};
constexpr int64_t kBlock = 48000;

class Writer {
public:
    Writer(const DeliverySource& from, fs::path to, EventList events, double handleSeconds)
        : source(from), folder(std::move(to)), list(std::move(events)), handles(handleSeconds), rate(list.sampleRate) {}

    void run(const Progress& progress) {
        size_t clips = 0, done = 0;
        for (const auto& t : list.tracks) clips += t.events.size();
        if (clips == 0)
            throw Error(Error::Kind::Usage, source.reel + " has no clips to hand over: begin its rebuild first.");
        fs::create_directories(folder / "media");
        int track = 0;
        for (auto& t : list.tracks) {
            ++track;
            int number = 0;
            for (auto& e : t.events) {
                e.reelName = formatted("L%02dC%03d", track, ++number);
                e.file = "media/" + e.reelName + " " + fileName(t.name) + ".wav";
                writeClip(e, Progress(progress, 0.7 * double(done) / double(clips),
                                      0.7 * double(done + 1) / double(clips)));
                ++done;
            }
            put(formatted("track %02d ", track) + fileName(t.name) + ".edl", cmxList(list, t),
                "CMX 3600 event list of the track \"" + t.name + "\", whole frames");
        }
        put("tracks.adl", adlList(list), "AES31-3 event list of all tracks, exact to the sample");
        put("tracks.otio", otioList(list), "OpenTimelineIO of all tracks, exact to the sample");
        put("markers.csv", markersCsv(list), "markers, regions and clips as a table");
        put("labels.txt", markersLabels(list), "the same as labels: from, to, name, in seconds");
        if (source.materials->reel().stems) writeStems(Progress(progress, 0.7, 1));
        writeManifest();
        progress.report(1);
    }

private:
    AudioNotes notes(const std::string& what, int64_t first, int64_t frames) const {
        AudioNotes n;
        n.description = source.session + ", " + source.reel + ", " + what;
        n.project = source.session, n.scene = source.reel;
        n.timeReference = std::max<int64_t>(0, std::llround(list.start * rate) + first);
        n.frames = frames;
        for (const auto& channel : channelNames(ChannelLayout::Own, list.channels))
            n.tracks.push_back(what + " " + channel);
        return n;
    }

    void writeClip(LaneEvent& e, const Progress& progress) {
        Clip whole = e.clip;
        whole.gain = whole.fadeIn = whole.fadeOut = 0;
        const auto material = source.materials->open(whole.material, *source.rebuild);
        if (!material)
            throw Error(Error::Kind::InputUnreadable,
                        "The sound of the clip \"" + (e.clip.name.empty() ? e.clip.id : e.clip.name) +
                            "\" is not there any more: put it back, or take the clip out.");
        // Handles reach as far as there is sound, and not before the axis begins.
        const double length = double(material->frames()) / rate;
        const double head = std::max(0.0, std::min({handles, whole.offset, whole.at})),
                     tail = whole.loops() ? handles : std::clamp(length - whole.offset - whole.length, 0.0, handles);
        whole.at -= head, whole.offset -= head, whole.length += head + tail;
        e.fileStart = std::llround(whole.at * rate);
        e.fileFrames = std::llround(whole.end() * rate) - e.fileStart;
        Lane lane;
        lane.id = "hand-over";
        lane.clips = {whole};
        LaneReader reader(source.materials, list.channels);
        reader.set(source.rebuild, Shared<Lane>(lane));
        const std::string name = e.clip.name.empty() ? e.clip.material : e.clip.name;
        const AudioNotes facts = notes(name, e.fileStart, e.fileFrames);
        AudioWriter writer(folder / e.file, rate, list.channels, kFloat, false, &facts);
        AudioBuffer skipped(list.channels, 1);
        reader.read(e.fileStart - 1, skipped);  // so that its first block is not faded in as a change
        for (int64_t at = 0; at < e.fileFrames; at += kBlock) {
            progress.throwIfCancelled();
            AudioBuffer block(list.channels, std::min(kBlock, e.fileFrames - at));
            reader.read(e.fileStart + at, block);
            writer.write(block);
            progress.report(double(at) / double(e.fileFrames));
        }
        writer.commit();
        manifest.emplace_back(e.file, formatted("clip \"%s\", %.3f s with handles of %.2f and %.2f s", name.c_str(),
                                                double(e.fileFrames) / rate, head, tail));
    }

    void writeStems(const Progress& progress) {
        for (size_t s = 0; s < kStemCount; ++s) {
            const Progress part(progress, double(s) / kStemCount, double(s + 1) / kStemCount);
            const std::string& stem = kStemNames[s];
            const auto reader = source.materials->open(stem, *source.rebuild);
            const std::string file = "stems/" + fileName(source.reel) + "." + stem + ".wav";
            AudioNotes facts = notes(stem, 0, reader->frames());
            facts.tracks.clear();
            for (const auto& channel : channelNames(ChannelLayout::Own, reader->channels()))
                facts.tracks.push_back(stem + " " + channel);
            AudioWriter writer(folder / file, rate, reader->channels(), kFloat, false, &facts);
            for (int64_t at = 0; at < reader->frames(); at += kBlock) {
                part.throwIfCancelled();
                writer.write(reader->read(at, std::min(kBlock, reader->frames() - at)));
                part.report(double(at) / double(reader->frames()));
            }
            writer.commit();
            manifest.emplace_back(
                file,
                "the " + stem + " at the reel's strength, whole; the stems sum to the recording as it was treated");
        }
    }

    void put(const std::string& name, const std::string& content, const std::string& what) {
        if (!writeWholeFile(folder / name, content))
            throw Error(Error::Kind::OutputUnwritable,
                        "\"" + (folder / name).string() +
                            "\" cannot be written: free some space or choose another disk.");
        manifest.emplace_back(name, what);
    }

    void writeManifest() {
        std::ostringstream out;
        out << list.title << "\n\n"
            << formatted("%d Hz, %d channel%s, 32-bit float; %g frames a second%s; the axis begins at ", rate,
                         list.channels, list.channels == 1 ? "" : "s", std::round(list.rate.perSecond() * 1000) / 1000,
                         list.drop ? " drop-frame" : "")
            << list.timecode(0)
            << ".\nFiles of clips are without gain, fades, chains and ducking: those are in the event lists, or left "
               "to whoever mixes. Each WAV bears its place as BWF time reference.\n\n";
        for (const auto& [file, what] : manifest)
            out << file << "\n    " << what << "\n    SHA-256 " << fileSha256(folder / file) << "\n";
        const std::string all = out.str();
        put("MANIFEST.txt", all, "");
    }

    const DeliverySource& source;
    const fs::path folder;
    EventList list;
    const double handles;
    const int rate;
    std::vector<std::pair<std::string, std::string>> manifest;
};

}  // namespace

fs::path writeHandOver(const DeliverySource& source, const std::vector<NamedSpan>& spans, FrameRate frameRate,
                       bool drop, double handles, const fs::path& folder, const Progress& progress) {
    const fs::path final = folder / (fileName(source.reel) + ".handover");
    std::error_code problem;
    fs::create_directories(folder, problem);
    if (fs::exists(final))
        throw Error(Error::Kind::OutputUnwritable,
                    "\"" + final.string() + "\" is already there: choose another folder, or take it away first.");
    EventList list;
    list.title = source.session + ", " + source.reel;
    list.sampleRate = source.materials->reel().sampleRate;
    list.channels = source.channels;
    list.rate = frameRate;
    list.drop = drop;
    list.start = source.timecode.value_or(0);
    list.tracks = tracksOf(*source.rebuild, list.sampleRate);
    list.markers = source.rebuild->markers;
    list.spans = spans;
    double bytes = double(source.materials->reel().frames) * list.channels * 4 * 3;
    for (const auto& t : list.tracks) {
        for (const auto& e : t.events) {
            bytes += (double(e.to - e.from) + 2 * handles * list.sampleRate) * list.channels * 4;
            list.spans.push_back(
                {"clip", e.clip.name.empty() ? e.clip.material : e.clip.name, t.name, e.clip.at, e.clip.end()});
        }
    }
    checkSpace(folder, bytes, "the hand-over");
    ScratchFolder::clearAbandoned(folder);
    const ScratchFolder work(folder);
    Writer(source, work / "whole", list, handles).run(progress);
    fs::rename(work / "whole", final, problem);
    if (problem)
        throw Error(Error::Kind::OutputUnwritable,
                    "\"" + final.string() + "\" cannot get its name: " + problem.message() + ".");
    toDisk(folder);
    return final;
}

}  // namespace rivlen

#include "core/separation/Engine.h"

#include <algorithm>
#include <cmath>
#include <future>
#include <numeric>
#include <optional>

#include "core/audio/AudioQueue.h"
#include "core/audio/ChannelLayout.h"
#include "core/audio/Resampler.h"
#include "core/base/Error.h"
#include "core/separation/FilledSilence.h"
#include "core/separation/Remainder.h"
#include "core/separation/StemBlock.h"
#include "core/separation/TileStream.h"

namespace rivlen {

namespace {

/// How many tiles are computed at the same time, one thread each: more take memory and bring little
/// (docs/performance.md).
constexpr size_t kTilesAtOnce = 2;

/// Frames above which converting a rate is worth a thread.
constexpr int64_t kConvertedAtOnce = 1 << 16;

/// Far more than the rate conversions ring.
constexpr double kRinging = 0.5;

/// Of a network that hears a recording at several rates: each keeps a tile's stems until the others have theirs.
constexpr double kTileSecondsOfSeveral = 32;

/// Of a recording, Hz, up to which tiles are that long.
constexpr int kFullTileRate = 96000;

/// How the network hears the sound, each by itself.
std::vector<Speed> speedsOf(const Network& network, int rate, EngineOptions::Quality quality) {
    const NetworkCard& card = network.card();
    const auto& given = quality == EngineOptions::Quality::Fine ? card.fineRates : card.quickRates;
    std::vector<Speed> speeds;
    for (const int as : given.empty() ? std::vector<int>{card.sampleRate} : given)
        speeds.emplace_back(network, rate, as);
    return speeds;
}

/// A tile's usual length in seconds where nobody says otherwise; of recordings at high rates no more samples are kept.
double usualTile(const EngineOptions& o, size_t speeds, int rate) {
    if (o.tileSeconds > 0) return o.tileSeconds;
    return (speeds > 1 ? kTileSecondsOfSeveral : kTileSeconds) * std::min(1.0, double(kFullTileRate) / rate);
}

TileGrid tilesAt(const Speed& speed, double usual, const EngineOptions& o, int64_t notBefore = 0) {
    return {speed, int64_t(o.firstTileSeconds * speed.rate), int64_t(usual * speed.rate), notBefore};
}

int64_t heardAfter(const Speed& speed, const EngineOptions& o) {
    return o.lookAhead < 0 ? speed.context : int64_t(o.lookAhead * speed.rate);
}

/// Frames at the source's rate so that every multiple of it is a sample of all that the network is fed.
int64_t commonStep(const std::vector<Speed>& speeds, int rate) {
    int64_t step = 1;
    for (const Speed& speed : speeds) step = std::lcm(step, int64_t(rate / std::gcd(rate, speed.rate)));
    return step;
}

/// A stretch of a recording whose tiles lie as in the whole: frames at the source's rate.
struct PartOfWhole {
    int64_t from, to;       ///< wanted
    int64_t heardFrom = 0;  ///< what is read begins here

    TileStream::Part at(const Speed& speed, int rate) const {
        const auto moved = [&](int64_t frame, double seconds) {
            return int64_t(std::floor((double(frame) / rate + seconds) * speed.rate));
        };
        return {heardFrom * speed.rate / rate, std::max<int64_t>(0, moved(from, -kRinging)), moved(to, kRinging)};
    }
};

/// One group of channels on its way through the network and back to the source's rate.
class ChannelRun {
public:
    ChannelRun(std::vector<int> channels, int rate, const Speed& speed, const std::shared_ptr<Network>& network,
               const EngineOptions& o, const TileGrid& grid, size_t atOnce,
               const std::shared_ptr<TileStream::Places>& places, const TileStream::Part& part)
        : m_channels(std::move(channels)),
          m_in(rate, speed.rate, int(m_channels.size()), Resampler::Edge::Filled),
          m_tiles(network, speed, int(m_channels.size()), grid, heardAfter(speed, o), atOnce, places, part),
          m_converts(speed.rate != rate) {
        const NetworkCard& card = network->card();
        const auto given = stemsGiven(card, o);
        for (size_t s = 0; s < card.stems.size(); ++s) {
            auto row = std::find(given.begin(), given.end(), card.stems[s]);
            if (row == given.end()) row = std::find(given.begin(), given.end(), card.shown[card.shownRow[s]]);
            m_row.push_back(size_t(row - given.begin()));
        }
        for (size_t s = 0; s < given.size(); ++s) {
            m_out.emplace_back(speed.rate, rate, int(m_channels.size()), Resampler::Edge::Filled);
            ready.emplace_back(int(m_channels.size()));
            const AudioBuffer silence(int(m_channels.size()), m_tiles.leftOut());
            ready[s].append(m_out[s].process(silence));
        }
    }

    void process(const AudioBuffer& block, const Progress& progress) {
        AudioBuffer mine(int(m_channels.size()), block.frames());
        for (size_t c = 0; c < m_channels.size(); ++c)
            std::copy_n(block.channel(m_channels[c]).begin(), block.frames(), mine.channel(int(c)).begin());
        take(m_tiles.process(m_in.process(mine), progress));
    }

    void finish(const Progress& progress) {
        take(m_tiles.process(m_in.finish(), progress));
        take(m_tiles.finish(progress));
        for (size_t s = 0; s < m_out.size(); ++s) ready[s].append(m_out[s].finish());
    }

    const std::vector<int>& channels() const { return m_channels; }
    std::vector<AudioQueue> ready;  ///< separated, at the source's rate, not yet handed on

private:
    void take(std::vector<AudioBuffer> stems) {
        if (stems[0].frames() == 0) return;
        const int64_t frames = stems[0].frames();
        std::vector<AudioBuffer> rows(m_out.size());
        for (size_t s = 0; s < stems.size(); ++s) {
            AudioBuffer& row = rows[m_row[s]];
            if (row.channels() == 0) row = std::move(stems[s]);
            else
                for (size_t i = 0; i < row.samples().size(); ++i) row.samples()[i] += stems[s].samples()[i];
        }
        for (AudioBuffer& row : rows)
            if (row.channels() == 0) row = AudioBuffer(int(m_channels.size()), frames);
        if (!m_converts) {
            for (size_t r = 0; r < rows.size(); ++r) ready[r].append(rows[r]);
            return;
        }
        // Side by side: one after the other they would keep the tiles waiting.
        std::vector<std::future<AudioBuffer>> converted;
        for (size_t r = 0; r < rows.size(); ++r)
            converted.push_back(std::async(frames > kConvertedAtOnce ? std::launch::async : std::launch::deferred,
                                           [this, r, &rows] { return m_out[r].process(rows[r]); }));
        for (size_t r = 0; r < converted.size(); ++r) ready[r].append(converted[r].get());
    }

    std::vector<int> m_channels;
    Resampler m_in;
    TileStream m_tiles;
    std::vector<size_t> m_row;  ///< which of the given stems each of the network's belongs to
    std::vector<Resampler> m_out;
    bool m_converts;
};

/// Completes finished sound and hands it on, in a thread of its own, one piece at a time.
class Deliverer {
public:
    Deliverer(Remainder remainder, const StemSink& sink) : m_remainder(std::move(remainder)), m_sink(sink) {}
    ~Deliverer() {
        if (m_running.valid()) m_running.wait();
    }
    void deliver(int64_t first, AudioBuffer source, std::vector<AudioBuffer> stems) {
        wait();
        m_running = std::async(std::launch::async,
                               [this, first, source = std::move(source), stems = std::move(stems)]() mutable {
                                   m_remainder.share(source, stems);
                                   m_sink(first, source, stems);
                               });
    }
    /// Throws what the sink threw.
    void wait() {
        if (m_running.valid()) m_running.get();
    }

private:
    Remainder m_remainder;
    const StemSink& m_sink;
    std::future<void> m_running;
};

/// Hands on what lies in [from, to) of the separated sound alone.
StemSink cutTo(int64_t from, int64_t to, const StemSink& sink) {
    return [=, &sink](int64_t first, const AudioBuffer& source, const std::vector<AudioBuffer>& stems) {
        const int64_t begin = std::max(first, from), end = std::min(first + source.frames(), to);
        if (begin >= end) return;
        if (end - begin == source.frames()) return sink(first - from, source, stems);
        std::vector<AudioBuffer> cut;
        for (const auto& stem : stems) cut.push_back(stem.slice(begin - first, end - begin));
        sink(begin - from, source.slice(begin - first, end - begin), cut);
    };
}

/// Separates all of [options.from, options.to), of which nothing outside is heard; of a part of a whole what is wanted,
/// and silence beside it.
void separateAll(SampleSource& source, const std::shared_ptr<Network>& network, const EngineOptions& options,
                 const std::optional<PartOfWhole>& part, const StemSink& sink, const Progress& progress) {
    const int64_t length = options.to - options.from;
    const size_t stemCount = stemsGiven(network->card(), options).size();
    std::vector<std::vector<int>> groups;
    for (auto& group : channelGroups(source.channels())) {
        if (network->card().stereo) groups.push_back(group);
        else  // a mono network takes the channels one by one
            for (int c : group) groups.push_back({c});
    }
    const int rate = source.sampleRate();
    const std::vector<Speed> speeds = speedsOf(*network, rate, options.quality);
    const auto places = std::make_shared<TileStream::Places>(kTilesAtOnce);
    const size_t atOnce = options.prompt ? 0 : groups.size() * speeds.size() == 1 ? kTilesAtOnce : 1;
    std::vector<ChannelRun> runs;  // one a group and speed
    for (const auto& group : groups)
        for (const Speed& speed : speeds) {
            TileStream::Part heard = part ? part->at(speed, rate) : TileStream::Part();
            if (!part) heard.at = heard.from = options.from * speed.rate / rate;
            heard.begins = options.from == 0;
            heard.ends = options.to == source.frames();
            const TileGrid grid = tilesAt(speed, usualTile(options, speeds.size(), rate), options, part ? 0 : heard.at);
            runs.emplace_back(group, rate, speed, network, options, grid, atOnce, places, heard);
        }
    // What comes while it is being recorded is read once, and not ahead.
    std::optional<FilledSilence> filled;
    if (!options.prompt) filled.emplace(source, groups);
    int64_t read = 0, written = 0;
    AudioQueue waiting(source.channels());  // source frames from written on: read once, in order
    Deliverer deliverer(Remainder(int(stemCount), source.channels(), rate), sink);
    const float perSpeed = 1.0f / float(speeds.size());
    const auto handOn = [&](int64_t upTo) {
        int64_t count = upTo - written;
        for (const ChannelRun& run : runs)
            for (const auto& stem : run.ready) count = std::min(count, stem.frames());
        if (count <= 0) return;
        AudioBuffer original = waiting.take(count);
        std::vector<AudioBuffer> stems;
        for (size_t s = 0; s < stemCount; ++s) stems.emplace_back(source.channels(), count);
        for (ChannelRun& run : runs)
            for (size_t s = 0; s < stemCount; ++s) {
                for (size_t c = 0; c < run.channels().size(); ++c) {
                    const float* from = run.ready[s].row(int(c)).data();
                    float* mean = stems[s].channel(run.channels()[c]).data();
                    for (int64_t i = 0; i < count; ++i) mean[i] += from[i] * perSpeed;
                }
                run.ready[s].drop(count);
            }
        if (filled) {
            for (size_t g = 0; g < groups.size(); ++g)
                for (auto& stem : stems) filled->silence(g, options.from + written, stem);
            filled->drop(options.from + written + count);
        }
        deliverer.deliver(written, std::move(original), std::move(stems));
        written += count;
        progress.report(double(written) / double(length));
    };

    const auto block = std::max<int64_t>(1, int64_t(rate * options.readSeconds));
    while (read < length) {
        progress.throwIfCancelled();
        const int64_t count = std::min(block, length - read);
        const AudioBuffer in =
            filled ? filled->read(options.from + read, count) : source.read(options.from + read, count);
        waiting.append(in);
        const AudioBuffer heard = filled ? filled->heard() : in;
        for (ChannelRun& run : runs) run.process(heard, progress);
        read += count;
        handOn(read);
    }
    for (ChannelRun& run : runs) {
        run.finish(progress);
        // Resampling there and back can end a few samples early: silence, which Remainder makes good.
        for (auto& stem : run.ready)
            if (stem.frames() < length - written)
                stem.append(AudioBuffer(stem.channels(), length - written - stem.frames()));
    }
    handOn(length);
    deliverer.wait();
}

/// What must be read for a part of a whole: from a frame on that is a sample of all that the network is fed and begins
/// a block of the remainder's.
PartOfWhole heardFor(PartOfWhole part, int rate, const std::vector<Speed>& speeds, const EngineOptions& o,
                     int64_t& heardTo) {
    double earliest = double(part.from) / rate, latest = 0;
    const int64_t step = std::lcm(int64_t(Remainder::blockAt(rate)), commonStep(speeds, rate));
    for (const Speed& speed : speeds) {
        const TileGrid grid = tilesAt(speed, usualTile(o, speeds.size(), rate), o);
        const TileStream::Part at = part.at(speed, rate);
        const int64_t begin = grid.begin(std::max<int64_t>(0, at.from - grid.fade)),
                      end = grid.end(at.to) + grid.fade + std::min(heardAfter(speed, o), speed.context);
        earliest = std::min(earliest, double(begin - speed.context) / speed.rate - kRinging);
        latest = std::max(latest, double(end) / speed.rate + kRinging);
    }
    part.heardFrom = int64_t(std::max(0.0, earliest) * rate) / step * step;
    heardTo = int64_t(std::ceil(latest * rate));
    return part;
}

}  // namespace

std::vector<std::string> stemsGiven(const NetworkCard& card, const EngineOptions& options) {
    if (options.apart) return card.stems;
    if (options.stems.empty()) return card.shown;
    for (const auto& name : card.shown)
        if (std::find(options.stems.begin(), options.stems.end(), name) == options.stems.end())
            throw Error(Error::Kind::Usage,
                        "The network \"" + card.id + "\" has a stem \"" + name +
                            "\" that has no place here: its card can show it as one of the known stems.");
    return options.stems;
}

bool separatesRoom(const NetworkCard& card) {
    for (size_t s = 0; s < card.stems.size(); ++s)
        if (card.stems[s] == kRoomStem && card.shown[card.shownRow[s]] == "dialogue") return true;
    return false;
}

std::vector<std::string> withRoom(const NetworkCard& card, std::vector<std::string> stems) {
    if (!separatesRoom(card) || stems.empty() || stems[0] != "dialogue")
        throw Error(
            Error::Kind::Usage,
            "The network \"" + card.id +
                "\" does not separate the room from the voice: leave Room keep at 100 %, or choose another network.");
    stems.push_back(kRoomStem);
    return stems;
}

void separate(SampleSource& source, const std::shared_ptr<Network>& network, const EngineOptions& options,
              const StemSink& sink, const Progress& progress) {
    EngineOptions heard = options;
    const int rate = source.sampleRate();
    const std::vector<Speed> speeds = speedsOf(*network, rate, options.quality);
    const int64_t to = options.to < 0 ? source.frames() : std::min(options.to, source.frames()),
                  from = std::min(options.from, to);
    if (options.asInWhole) {
        const PartOfWhole part = heardFor({from, to}, rate, speeds, options, heard.to);
        heard.from = part.heardFrom;
        heard.to = std::min(heard.to, source.frames());
        return separateAll(source, network, heard, part, cutTo(from - heard.from, to - heard.from, sink), progress);
    }
    double context = 0, grid = 0;  // seconds, the longest
    for (const Speed& speed : speeds) {
        context = std::max(context, double(speed.context) / speed.rate);
        grid = std::max(grid, double(speed.grid) / speed.rate);
    }
    // The first tiles begin up to a grid later: on the network's grid as counted from the recording's beginning, half a
    // grid later the answer is another one.
    const auto before = int64_t(std::ceil((context + grid) * rate));
    const int64_t step = commonStep(speeds, rate);
    heard.from = std::max<int64_t>(0, from - before) / step * step;
    heard.to = std::min(to + int64_t(std::ceil(context * rate)), source.frames());
    const auto seconds = [&](int64_t frames) { return double(frames) / rate; };
    // What is heard before and after belongs to the first tile; a span that was to be one tile stays one.
    const double whole = seconds(to - from), tile = usualTile(options, speeds.size(), rate);
    heard.firstTileSeconds = options.firstTileSeconds + seconds(from - heard.from);
    if (std::min(tile, options.firstTileSeconds) >= whole)
        heard.firstTileSeconds = heard.tileSeconds = seconds(heard.to - heard.from) + grid;
    separateAll(source, network, heard, {}, cutTo(from - heard.from, to - heard.from, sink), progress);
}

}  // namespace rivlen

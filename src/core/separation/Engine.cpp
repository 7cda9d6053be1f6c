#include "core/separation/Engine.h"

#include "core/audio/ChannelLayout.h"
#include "core/audio/Resampler.h"
#include "core/separation/Remainder.h"
#include "core/separation/TileStream.h"

namespace rivlen {

namespace {

/// One group of channels on its way through the network and back to the source's rate.
class Lane {
public:
    Lane(std::vector<int> channels, int rate, const std::shared_ptr<Network>& network, const EngineOptions& o)
        : m_channels(std::move(channels)),
          m_in(rate, network->card().sampleRate, int(m_channels.size())),
          m_tiles(network, int(m_channels.size()), int64_t(o.firstTileSeconds * network->card().sampleRate),
                  int64_t(o.tileSeconds * network->card().sampleRate), o.quality == EngineOptions::Quality::Fine ? 2 : 1) {
        for (size_t s = 0; s < network->card().stems.size(); ++s) {
            m_out.emplace_back(network->card().sampleRate, rate, int(m_channels.size()));
            ready.emplace_back(int(m_channels.size()), 0);
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
    std::vector<AudioBuffer> ready;  ///< separated, at the source's rate, not yet handed on

private:
    void take(const std::vector<AudioBuffer>& stems) {
        for (size_t s = 0; s < m_out.size(); ++s) ready[s].append(m_out[s].process(stems[s]));
    }

    std::vector<int> m_channels;
    Resampler m_in;
    TileStream m_tiles;
    std::vector<Resampler> m_out;
};

}  // namespace

void separate(SampleSource& source, const std::shared_ptr<Network>& network, const EngineOptions& options,
              const StemSink& sink, const Progress& progress) {
    const int64_t to = options.to < 0 ? source.frames() : std::min(options.to, source.frames());
    const int64_t length = std::max<int64_t>(0, to - options.from);
    const size_t stemCount = network->card().stems.size();
    std::vector<Lane> lanes;
    for (auto& group : channelGroups(source.channels())) lanes.emplace_back(group, source.sampleRate(), network, options);
    Remainder remainder(int(stemCount), source.channels(), source.sampleRate());

    int64_t read = 0, written = 0;
    AudioBuffer waiting(source.channels(), 0);  // source frames from written on: read once, in order
    const auto handOn = [&](int64_t upTo) {
        int64_t count = upTo - written;
        for (const Lane& lane : lanes)
            for (const auto& stem : lane.ready) count = std::min(count, stem.frames());
        if (count <= 0) return;
        const AudioBuffer original = waiting.slice(0, count);
        waiting = waiting.slice(count, waiting.frames() - count);
        std::vector<AudioBuffer> stems(stemCount, AudioBuffer(source.channels(), count));
        for (Lane& lane : lanes)
            for (size_t s = 0; s < stemCount; ++s) {
                for (size_t c = 0; c < lane.channels().size(); ++c)
                    std::copy_n(lane.ready[s].channel(int(c)).begin(), count, stems[s].channel(lane.channels()[c]).begin());
                lane.ready[s] = lane.ready[s].slice(count, lane.ready[s].frames() - count);
            }
        remainder.share(original, stems);
        sink(written, original, stems);
        written += count;
        progress.report(double(written) / double(length));
    };

    const int64_t block = int64_t(source.sampleRate()) * 2;
    while (read < length) {
        progress.throwIfCancelled();
        const int64_t count = std::min(block, length - read);
        const AudioBuffer in = source.read(options.from + read, count);
        waiting.append(in);
        for (Lane& lane : lanes) lane.process(in, progress);
        read += count;
        handOn(read);
    }
    for (Lane& lane : lanes) {
        lane.finish(progress);
        // Resampling there and back can end a few samples early: silence, which Remainder makes good.
        for (auto& stem : lane.ready)
            if (stem.frames() < length - written) stem = stem.slice(0, length - written);
    }
    handOn(length);
}

}  // namespace rivlen

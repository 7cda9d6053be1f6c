#include "core/media/MediaReader.h"

#include <algorithm>
#include <cstdio>
#include <deque>
#include <map>

#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/media/AudioDecoder.h"
#include "core/media/FileState.h"
#include "core/media/Timecode.h"
#include "core/media/WavePromise.h"

namespace rivlen {

namespace {

// Lossy codecs need some frames before a place to decode it as in an unbroken pass (MP3's bit
// reservoir, overlapping transforms, Opus' 80 ms of convergence).
constexpr double kPrerollSeconds = 0.5;
// Lossless files promise to the sample, or to the millisecond of a container's clock; of others the last two frames of
// the codec are padding as likely as sound (MP3: 1152 samples each, AAC: 1024).
constexpr double kExactSeconds = 0.001;
constexpr int64_t kPaddedFrames = 2400;
constexpr size_t kMostFaults = 10000;  // a file that holds nothing else must not fill the memory
constexpr int64_t kCacheFrames = 1 << 19;

}  // namespace

struct MediaReader::Impl {
    std::filesystem::path file;
    std::unique_ptr<AudioDecoder> decoder;
    MediaInfo info;
    bool lossless = false;
    int64_t next = 0;                       ///< position after the last decoded block
    std::deque<AudioDecoder::Block> cache;  ///< consecutive blocks, the newest last
    int64_t cached = 0;
    FileState opened;                                       ///< what the file was when it was opened
    std::map<std::pair<int64_t, int>, SourceFault> faults;  ///< by place and channel

    std::string name() const { return "\"" + file.string() + "\" "; }
    std::string timeOf(int64_t frame) const { return formatTime(double(frame) / info.sampleRate); }

    void checkUnchanged() const {
        const auto now = FileState::of(file);
        if (now && *now != opened)
            throw Error(Error::Kind::InputUnreadable,
                        name() + "was changed while it was being read: begin again once it is whole.");
    }

    void note(const AudioDecoder::Block& block) {
        if (faults.size() >= kMostFaults) return;
        if (block.missing > 0 && block.first > 0) {
            const int64_t from = block.first - block.missing;
            faults[{from, -1}] = {block.damaged ? SourceFault::Kind::Damage : SourceFault::Kind::Gap, from,
                                  block.missing, -1};
        }
        for (const auto& f : block.notNumbers) faults[{f.first, f.channel}] = f;
    }

    void restart() {
        decoder = std::make_unique<AudioDecoder>(file);
        forget();
        next = 0;
    }
    void forget() {
        cache.clear();
        cached = 0;
    }

    bool decodeOne() {
        auto block = decoder->next();
        if (!block) return false;
        note(*block);
        if (!cache.empty() && block->first != next && block->missing == 0) forget();
        next = block->first + block->audio.frames();
        cached += block->audio.frames();
        cache.push_back(std::move(*block));
        while (cached > kCacheFrames && cache.size() > 1) {
            cached -= cache.front().audio.frames();
            cache.pop_front();
        }
        return true;
    }

    /// Makes the block that holds the frame (or the first after it) the next to be decoded.
    void locate(int64_t frame) {
        if (!cache.empty() && frame >= cache.front().first && frame <= next) return;
        const int64_t ahead = frame - next;
        // Nearer than this it is cheaper to read on; plain samples are found at once.
        const double near = info.codec.rfind("pcm_", 0) == 0 ? 0.05 : 2;
        if (!cache.empty() && ahead > 0 && double(ahead) < near * info.sampleRate) return;
        const int64_t preroll = int64_t(kPrerollSeconds * info.sampleRate);
        const int64_t target = lossless ? frame : frame - preroll;
        if (target <= 0) {
            restart();
            return;
        }
        if (next == 0 && cache.empty()) decodeOne();  // only then does the decoder know where the sound begins
        forget();
        // A first landing after the wanted place means that the container's index is coarse: step back further.
        for (int64_t back = 0; target - back > 0; back = std::max<int64_t>(back * 4, info.sampleRate)) {
            if (!decoder->seek(target - back)) break;
            if (decodeOne() && cache.front().first <= frame) {
                // what was decoded without its past is not kept
                if (!lossless) dropBefore(cache.front().first + preroll / 2);
                return;
            }
            forget();
        }
        restart();
    }

    void dropBefore(int64_t frame) {
        while (!cache.empty() && cache.front().first < frame) {
            if (cache.size() == 1 && !decodeOne()) return;
            if (cache.size() > 1) {
                cached -= cache.front().audio.frames();
                cache.pop_front();
            }
        }
    }

    /// Decodes the end of the file to learn its exact length.
    int64_t measureEnd() {
        const int64_t promised = info.frames;
        if (promised > int64_t(info.sampleRate) * 20) {
            const int64_t before = promised - int64_t(info.sampleRate) * 3;
            if (decoder->seek(before)) {
                forget();
                bool any = false;
                while (decodeOne()) any = true;
                if (any && next > before) return next;
            }
            restart();
        }
        while (decodeOne()) {}
        return next;
    }
};

MediaReader::MediaReader(const std::filesystem::path& file) : m(std::make_unique<Impl>()) {
    m->file = file;
    m->opened = FileState::of(file).value_or(FileState());
    m->decoder = std::make_unique<AudioDecoder>(file);
    m->info = m->decoder->promised();
    m->lossless = m->info.bits > 0;
    if (!m->decodeOne())
        throw Error(Error::Kind::InputUnreadable,
                    m->name() +
                        "holds no sound that can be decoded: it may be damaged or cut short; copy or export it again.");
    const int64_t promised = std::max(m->info.frames, waveFramesPromised(file).value_or(0));
    const int64_t end = m->measureEnd();
    const double missing = m->lossless ? kExactSeconds * m->info.sampleRate : double(kPaddedFrames);
    if (promised > 0 && double(promised - end) > missing)
        throw Error(Error::Kind::InputUnreadable, m->name() + "was cut short: it ends after " + m->timeOf(end) +
                                                      " of the " + m->timeOf(promised) +
                                                      " that it promises; copy it again.");
    m->info.frames = end;
    m->restart();
}

MediaReader::~MediaReader() = default;

const MediaInfo& MediaReader::info() const { return m->info; }

AudioBuffer MediaReader::read(int64_t first, int64_t count) {
    AudioBuffer out(m->info.channels, count);
    const int64_t end = std::min(first + count, m->info.frames);
    int64_t at = std::max<int64_t>(first, 0);
    if (at >= end) return out;
    m->checkUnchanged();
    m->locate(at);
    while (at < end) {
        const auto block = std::find_if(m->cache.begin(), m->cache.end(),
                                        [at](const AudioDecoder::Block& b) { return b.first + b.audio.frames() > at; });
        if (block == m->cache.end()) {
            if (m->decodeOne()) continue;
            if (end - at > kPaddedFrames)
                throw Error(Error::Kind::InputUnreadable, m->name() + "cannot be read from " + m->timeOf(at) +
                                                              " on: it was cut short or changed meanwhile; copy it "
                                                              "again.");
            break;
        }
        const int64_t from = std::max(at, block->first), to = std::min(end, block->first + block->audio.frames());
        for (int c = 0; c < m->info.channels && to > from; ++c)
            std::copy_n(block->audio.channel(c).begin() + (from - block->first), to - from,
                        out.channel(c).begin() + (from - first));
        at = to > from ? to : std::min(end, block->first);  // a hole in the stream stays silent
    }
    if (m_refuses)
        for (const auto& [place, f] : m->faults)
            if (f.kind == SourceFault::Kind::Damage && f.first < end && f.first + f.count > first)
                throw Error(Error::Kind::InputUnreadable,
                            m->name() + "is damaged at " + m->timeOf(f.first) + ": " +
                                formatted("%.0f", 1000.0 * double(f.count) / m->info.sampleRate) +
                                " ms cannot be decoded. Copy it again, or go on with silence there "
                                "(--tolerate-damage, or Go on at Split).");
    return out;
}

std::vector<SourceFault> MediaReader::faults() const {
    std::vector<SourceFault> all;
    for (const auto& [place, fault] : m->faults) all.push_back(fault);
    return all;
}

}  // namespace rivlen

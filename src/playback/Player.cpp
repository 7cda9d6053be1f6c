#include "playback/Player.h"

#include <algorithm>
#include <chrono>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/base/Error.h"
#include "core/isolation/Isolator.h"

namespace rivlen {

namespace {
constexpr int kFrames = PlayBlock::kFrames;
constexpr int kSourceRow = int(Heard::Source), kResultRow = int(Heard::Result), kStemRow = int(Heard::Dialogue),
              kLeftoversRow = int(Heard::Leftovers), kRecordedRow = int(Heard::Recorded),
              kRemovedRow = int(Heard::Removed);
}  // namespace

struct Player::Feeding {
    std::unique_ptr<SampleSource> source, recorded, removed;
    uint64_t sourceVersion = 0;
    StemReaders stems;
    uint64_t stemsVersion = ~uint64_t(0);
    std::string divided;  ///< the stem whose parts are read as well
    int64_t grown = 0;    ///< frames of the stems that there were
    std::unique_ptr<Isolator> isolator;
    std::shared_ptr<const StrengthTimeline> timeline,
        before;      ///< before: of the block before; a change is faded over one block
    PlayBlock seam;  ///< what comes just before the loop's start
    int64_t next = 0;
    uint64_t generation = 0;
};

Player::Player(std::unique_ptr<Device> device)
    : m_device(std::move(device)), m_timeline(std::make_shared<const StrengthTimeline>()) {
    for (auto& gain : m_matchGain) gain = 1.0f;
}

Player::~Player() { close(); }

void Player::open(const OpenSource& openSource) {
    close();
    m_feeding = std::make_unique<Feeding>();
    m_feeding->source = openSource();
    m_feeding->sourceVersion = m_sourceVersion;
    m_feeding->timeline = m_feeding->before = m_timeline;
    m_frames = m_feeding->source->frames();
    m_rate = m_feeding->source->sampleRate();
    m_channels = m_feeding->source->channels();
    m_feeding->seam = PlayBlock(m_channels, kRows);
    m_feeding->isolator = std::make_unique<Isolator>(m_channels, m_rate);
    m_feeding->isolator->keepFrames();
    m_queue = std::make_unique<BlockQueue>(m_channels, kRows);
    m_gainStep = 1.0f / (0.010f * float(m_rate));
    m_fadeStep = 1.0f / (0.005f * float(m_rate));
    m_position = 0;
    m_locateTo = 0;
    m_loop.reset();
    m_heard = int(Heard::Source);
    m_gain = {1};
    m_offset = 0;
    m_open = 0;
    m_heardGeneration = m_generation;
    m_feeding->generation = m_generation;
    m_running = true;
    m_feeder = std::thread([this] { feed(); });
    m_device->start(m_rate, [this](float* out, int frames) { render(out, frames); });
}

void Player::close() {
    m_device->stop();
    m_playing = false;
    m_running = false;
    wake();
    if (m_feeder.joinable()) m_feeder.join();
    m_feeding.reset();
    m_queue.reset();
    m_stems.reset();
    m_mix.close();
    m_frames = 0;
}

void Player::setStems(std::shared_ptr<StemStore> stems) {
    const std::lock_guard lock(m_guard);
    m_stems = std::move(stems);
    ++m_stemsVersion;
    if (!m_playing) {  // what is waiting was prepared without these stems
        m_locateTo = m_position;
        ++m_generation;
    }
}

void Player::setVersions(OpenSource source, OpenSource recorded, OpenSource removed) {
    const std::lock_guard lock(m_guard);
    m_openSource = std::move(source);
    m_openRecorded = std::move(recorded);
    m_openRemoved = std::move(removed);
    ++m_sourceVersion;
    m_locateTo = m_position;  // behind a fade
    ++m_generation;
}

void Player::play() {
    if (m_position + 1 >= m_frames) locate(0);
    m_playing = m_frames > 0;
    wake();
}

void Player::stop() { m_playing = false; }

void Player::rest() {
    if (m_resting || m_playing || !isOpen()) return;
    m_device->pause();
    m_resting = true;
}

void Player::wake() {
    {
        const std::lock_guard lock(m_guard);  // else the feeder could go to sleep between asking and waiting
        if (!m_resting) return;
        m_resting = false;
    }
    m_wakeFeeder.notify_one();
    if (m_running) m_device->resume();
}

void Player::pauseFeeding() {
    if (!m_resting) return std::this_thread::sleep_for(std::chrono::milliseconds(2));
    std::unique_lock lock(m_guard);
    m_wakeFeeder.wait(lock, [this] { return !m_resting; });
}

void Player::locate(int64_t frame) {
    const std::lock_guard lock(m_guard);
    m_locateTo = std::clamp<int64_t>(frame, 0, std::max<int64_t>(0, m_frames - 1));
    m_position = m_locateTo;
    ++m_generation;
}

void Player::setLoop(std::optional<std::pair<int64_t, int64_t>> loop) {
    const std::lock_guard lock(m_guard);
    m_loop = loop;
}

void Player::setHeard(Heard heard) {
    const auto before = Heard(m_heard.exchange(int(heard)));
    // Only what is heard is worth a graph or an isolation: going to the mix or back begins anew at the same place,
    // behind a fade.
    if (before != heard && (before == Heard::Mix || heard == Heard::Mix)) restart();
}

void Player::restart() {
    const std::lock_guard lock(m_guard);
    m_locateTo = m_position;
    ++m_generation;
}

void Player::setMix(std::shared_ptr<const MixPlan> plan) {
    m_mix.setPlan(std::move(plan));
    if (!m_playing && heard() == Heard::Mix) restart();  // what is waiting was prepared without it
}

int64_t Player::position() const { return m_position; }

void Player::setStrength(const StrengthTimeline& timeline) {
    auto shared = std::make_shared<const StrengthTimeline>(timeline);
    const std::lock_guard lock(m_guard);
    if (*shared != *m_timeline) m_timeline = std::move(shared);
}

void Player::feed() {
    Feeding& f = *m_feeding;
    while (m_running) {
        PlayBlock* block = m_queue->toFill();
        if (!block) {
            pauseFeeding();
            continue;
        }
        bool loops = false;
        {
            const std::lock_guard lock(m_guard);
            if (f.generation != m_generation) {
                f.generation = m_generation;
                f.next = m_locateTo;
            }
            loops = m_loop.has_value();
        }
        if (f.next >= m_frames && !loops) {
            pauseFeeding();
            continue;
        }
        block->frames = kFrames;
        try {
            fillBlock(*block, f.next);
        } catch (const std::exception&) {  // the file went away while playing: silence, the window reports it
            std::fill(block->data.begin(), block->data.end(), 0.0f);
            std::fill(block->mix.begin(), block->mix.end(), 0.0f);
        }
        block->first = f.next;
        block->generation = f.generation;
        const int advance = block->frames;
        m_queue->filled();
        f.next += advance;
        const std::lock_guard lock(m_guard);
        if (m_loop && f.next == m_loop->second) f.next = m_loop->first;
    }
}

void Player::fillBlock(PlayBlock& block, int64_t first) {
    Feeding& f = *m_feeding;
    std::optional<std::pair<int64_t, int64_t>> loop;
    OpenSource source, recorded, removed;
    bool fresh = false;
    {
        const std::lock_guard lock(m_guard);
        if (f.sourceVersion != m_sourceVersion) {
            f.sourceVersion = m_sourceVersion;
            source = m_openSource, recorded = m_openRecorded, removed = m_openRemoved;
            fresh = true;
        }
        const std::string& wanted = m_timeline->base.stem;
        if (f.stemsVersion != m_stemsVersion || f.divided != stemOfPart(wanted)) {
            f.stemsVersion = m_stemsVersion;
            f.divided = stemOfPart(wanted);
            f.stems = m_stems ? m_stems->openAll(wanted) : StemReaders{};
            f.isolator->forget();
            f.grown = 0;
        }
        if (m_stems && f.grown < m_stems->available()) {  // a split in progress: what was silence may be sound by now
            f.grown = m_stems->available();
            f.isolator->forget();
        }
        f.timeline = m_timeline;
        loop = m_loop;
    }
    if (fresh) {  // outside the lock: opening a file takes a moment
        f.source = source();
        f.recorded = recorded ? recorded() : nullptr;
        f.removed = removed ? removed() : nullptr;
        f.isolator->forget();
    }
    // A loop's last block ends with the loop, and its last 5 ms fade into what leads up to the loop's start.
    const int64_t left = loop && first < loop->second ? loop->second - first : INT64_MAX;
    const int fade = int(std::min<int64_t>(int64_t(0.005 * m_rate), kFrames / 2));
    const bool seam = left <= kFrames;
    block.frames = seam ? int(left) : left < kFrames + fade ? int(left) - fade : kFrames;  // leaves room for the fade
    fillRows(block, first);
    if (heard() == Heard::Mix) fillMix(block, first, loop, seam ? fade : 0);
    else std::fill(block.mix.begin(), block.mix.end(), 0.0f);
    if (seam) {
        const int length = std::min(block.frames, fade);
        fillRows(f.seam, loop->first - length);
        for (int r = 0; r < kRows; ++r)
            for (int c = 0; c < m_channels; ++c) {
                float* row = block.row(r, c) + block.frames - length;
                for (int i = 0; i < length; ++i) {
                    const float w = float(i + 1) / float(length);
                    row[i] = (1 - w) * row[i] + w * f.seam.row(r, c)[i];
                }
            }
    }
    f.before = f.timeline;
}

void Player::fillMix(PlayBlock& block, int64_t first, const std::optional<std::pair<int64_t, int64_t>>& loop,
                     int fadeOut) {
    m_mix.fill(block, first);
    // A mix cannot be begun before its loop without running it in: it fades out and in where the loop turns.
    const int fadeIn = loop && first == loop->first ? int(0.005 * m_rate) : 0;
    for (int i = 0; i < block.frames; ++i) {
        const float in = fadeIn > 0 ? std::min(1.0f, float(i + 1) / float(fadeIn)) : 1.0f,
                    out = fadeOut > 0 ? std::min(1.0f, float(block.frames - 1 - i) / float(fadeOut)) : 1.0f;
        for (int c = 0; c < 2; ++c) block.mix[size_t(c) * kFrames + size_t(i)] *= in * out;
    }
}

void Player::fillRows(PlayBlock& block, int64_t first) {
    Feeding& f = *m_feeding;
    const int64_t margin = std::max(f.isolator->margin(*f.timeline), f.isolator->margin(*f.before));
    const auto store = [&block, this](int row, const AudioBuffer& from, int64_t skip) {
        for (int c = 0; c < m_channels; ++c) std::copy_n(from.channel(c).begin() + skip, kFrames, block.row(row, c));
    };
    std::fill(block.data.begin(), block.data.end(), 0.0f);
    const auto versions = [&](const AudioBuffer& source, int64_t skip) {
        if (!f.recorded) return store(kRecordedRow, source, skip);
        AudioBuffer recorded = f.recorded->read(first, kFrames);
        store(kRecordedRow, recorded, 0);
        if (f.removed) return store(kRemovedRow, f.removed->read(first, kFrames), 0);
        for (int c = 0; c < m_channels; ++c)
            for (int i = 0; i < kFrames; ++i) recorded.channel(c)[size_t(i)] -= source.channel(c)[size_t(skip + i)];
        store(kRemovedRow, recorded, 0);
    };
    if (f.stems.stems.size() != kStemCount ||
        heard() == Heard::Mix) {  // without a separation the result is the source, and nothing is left over
        const AudioBuffer source = f.source->read(first, kFrames);
        store(kSourceRow, source, 0);
        versions(source, 0);
        return store(kResultRow, source, 0);
    }
    const StemBlock all = f.stems.read(*f.source, first - margin, kFrames + 2 * margin);
    store(kSourceRow, all.source, margin);
    versions(all.source, margin);
    for (size_t s = 0; s < kStemCount; ++s) store(kStemRow + int(s), all.stems[s], margin);
    struct Isolated {
        AudioBuffer result, wanted;
    };
    const auto isolated = [&](const StrengthTimeline& timeline) {
        const std::string& stem = timeline.base.stem;
        auto out = f.isolator->apply(timeline, int(stemPlace(stem)), first, all, margin);
        AudioBuffer wanted = out.wanted(stem);
        return Isolated{std::move(out.result), std::move(wanted)};
    };
    Isolated now = isolated(*f.timeline);
    if (f.timeline != f.before) {
        const Isolated before = isolated(*f.before);
        const auto fade = [this](AudioBuffer& to, const AudioBuffer& from) {
            for (int c = 0; c < m_channels; ++c)
                for (int i = 0; i < kFrames; ++i) {
                    const float w = float(i + 1) / kFrames;
                    float& v = to.channel(c)[size_t(i)];
                    v = (1 - w) * from.channel(c)[size_t(i)] + w * v;
                }
        };
        fade(now.result, before.result);
        fade(now.wanted, before.wanted);
    }
    store(kResultRow, now.result, 0);
    for (size_t i = 0; i < now.wanted.samples().size(); ++i)
        now.wanted.samples()[i] =
            all.source.channel(int(i) / kFrames)[size_t(margin) + i % kFrames] - now.wanted.samples()[i];
    store(kLeftoversRow, now.wanted, 0);
}

void Player::updateTargets() {
    m_target = {};
    const int heard = m_heard;
    m_target[size_t(heard)] = m_matchGain[size_t(heard)];
}

void Player::mixFrame(const PlayBlock& block, int i, float* out) {
    float sum[2] = {0, 0};
    for (int r = 0; r < kRows; ++r) {
        const float g = m_gain[size_t(r)];
        if (g == 0.0f) continue;
        switch (m_channels) {
            case 1: {
                const float v = g * block.row(r, 0)[i];
                sum[0] += v;
                sum[1] += v;
                break;
            }
            case 6: {  // Lo/Ro of ITU-R BS.775: centre and surrounds at -3 dB, no LFE
                constexpr float half = 0.70710678f;
                const float centre = half * block.row(r, 2)[i];
                sum[0] += g * (block.row(r, 0)[i] + centre + half * block.row(r, 4)[i]);
                sum[1] += g * (block.row(r, 1)[i] + centre + half * block.row(r, 5)[i]);
                break;
            }
            default:
                for (int c = 0; c < m_channels; ++c) sum[c % 2] += g * block.row(r, c)[i];
        }
    }
    if (const float g = m_gain[size_t(Heard::Mix)]; g != 0.0f) {
        sum[0] += g * block.mix[size_t(i)];
        sum[1] += g * block.mix[size_t(kFrames) + size_t(i)];
    }
    out[0] = m_open * sum[0];
    out[1] = m_open * sum[1];
}

void Player::render(float* out, int frames) {
    updateTargets();
    float left = 0, right = 0;
    for (int i = 0; i < frames; ++i) {
        float* frame = out + 2 * i;
        frame[0] = frame[1] = 0;
        const uint64_t wanted = m_generation;
        if (m_heardGeneration != wanted && m_open == 0.0f) {  // faded out: go on at the new place
            m_heardGeneration = wanted;
            m_offset = 0;
        }
        const bool stale = m_heardGeneration != wanted;
        const PlayBlock* block = m_queue->toPlay();
        while (block && block->generation != m_heardGeneration && !stale) {
            m_queue->played();
            m_offset = 0;
            block = m_queue->toPlay();
        }
        if (!block) {  // before the first block, at the end, or the feeder was too late
            if (m_position + 1 >= m_frames) m_playing = false;
            else if (m_open > 0.0f && m_playing) ++m_underruns;
            m_open = 0.0f;
            continue;
        }
        m_open = std::clamp(m_open + (m_playing && !stale ? m_fadeStep : -m_fadeStep), 0.0f, 1.0f);
        if (m_open == 0.0f) continue;
        for (size_t r = 0; r < m_gain.size(); ++r) {
            const float d = m_target[r] - m_gain[r];
            m_gain[r] += std::clamp(d, -m_gainStep, m_gainStep);
        }
        mixFrame(*block, m_offset, frame);
        m_ring.put(frame[0], frame[1]);
        left = std::max(left, std::fabs(frame[0]));
        right = std::max(right, std::fabs(frame[1]));
        const int64_t at = block->first + m_offset;
        if (!stale) m_position = std::min(at, m_frames - 1);
        if (++m_offset >= block->frames) {
            m_offset = 0;
            m_queue->played();
        }
        if (at >= m_frames) m_playing = false;
    }
    if (left > m_peakLeft) m_peakLeft = left;
    if (right > m_peakRight) m_peakRight = right;
}

}  // namespace rivlen

#include "playback/Player.h"

#include <algorithm>
#include <chrono>
#include <cmath>

#include "playback/PlayerFeeding.h"

namespace rivlen {

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
    m_looping = false;
    m_heard = int(Heard::Source);
    m_gain = {1};
    m_offset = 0;
    m_open = 0;
    m_heardGeneration = m_generation;
    m_feeding->generation = m_generation;
    m_running = true;
    m_feeder = std::thread([this] { feed(); });
    startDevice();
}

void Player::startDevice() {
    m_rolling.reset();
    m_device->start(m_rate, [this](const DeviceBlock& out) { render(out); });
    m_stemsHeard = m_device->hearsStems();
}

void Player::setDevice(std::unique_ptr<Device> device) {
    m_device->stop();
    m_device = std::move(device);
    m_open = 0;
    if (!isOpen()) return;
    restart();
    startDevice();
    if (m_resting) m_device->pause();
}

SharedTransport* Player::transport() const {
    SharedTransport* const shared = isOpen() ? m_device->transport() : nullptr;
    return shared && shared->use() != TransportUse::Alone ? shared : nullptr;
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
    if (transport() || listens()) return;  // it may roll, or somebody may speak, at any moment
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

void Player::keepVoice(std::shared_ptr<VoiceRing> ring) {
    m_voice = ring.get();
    m_lastVoice = std::exchange(m_voiceRing, std::move(ring));  // a block that is under way may still put into it
}

void Player::setLoop(std::optional<std::pair<int64_t, int64_t>> loop) {
    const std::lock_guard lock(m_guard);
    m_loop = loop;
    m_looping = loop.has_value();
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

void Player::updateTargets() {
    m_target = {};
    const int heard = m_heard;
    m_target[size_t(heard)] = m_matchGain[size_t(heard)];
}

void Player::addRow(const PlayBlock& block, int row, int i, float gain, float* out) const {
    switch (m_channels) {
        case 1: {
            const float v = gain * block.row(row, 0)[i];
            out[0] += v;
            out[1] += v;
            break;
        }
        case 6: {  // Lo/Ro of ITU-R BS.775: centre and surrounds at -3 dB, no LFE
            constexpr float half = 0.70710678f;
            const float centre = half * block.row(row, 2)[i];
            out[0] += gain * (block.row(row, 0)[i] + centre + half * block.row(row, 4)[i]);
            out[1] += gain * (block.row(row, 1)[i] + centre + half * block.row(row, 5)[i]);
            break;
        }
        default:
            for (int c = 0; c < m_channels; ++c) out[c % 2] += gain * block.row(row, c)[i];
    }
}

void Player::mixFrame(const PlayBlock& block, int i, float* out) const {
    for (int r = 0; r < kRows; ++r)
        if (const float g = m_gain[size_t(r)]; g != 0.0f) addRow(block, r, i, m_open * g, out);
    if (const float g = m_gain[size_t(Heard::Mix)]; g != 0.0f) {
        out[0] += m_open * g * block.mix[size_t(i)];
        out[1] += m_open * g * block.mix[size_t(PlayBlock::kFrames) + size_t(i)];
    }
}

/// Leaves out what lies before a frame, and gives the block that it is in; null when that is not there yet or to come.
/// Far from it nothing is done: that is the controlling thread's to put right.
const PlayBlock* Player::goTo(int64_t frame) {
    const PlayBlock* block = m_queue->toPlay();
    while (block && block->generation == m_heardGeneration) {
        const int64_t left = frame - (block->first + m_offset);
        if (left == 0 || std::llabs(left) > m_rate) return block;
        m_open = 0;
        if (left < 0) return nullptr;
        const int64_t rest = block->frames - m_offset;
        if (left < rest) {
            m_offset += int(left);
            return block;
        }
        m_queue->played();
        m_offset = 0;
        block = m_queue->toPlay();
    }
    return block;
}

void Player::render(const DeviceBlock& out) {
    updateTargets();
    if (out.rolling != m_rolling) {
        m_rolling = out.rolling;
        if (m_rolling) m_playing = *m_rolling;
    }
    std::fill_n(out.heard, 2 * out.frames, 0.0f);
    for (float* stem : out.stems)
        if (stem) std::fill_n(stem, 2 * out.frames, 0.0f);
    float left = 0, right = 0, voicePeak = 0;
    VoiceRing* const voice = out.voice ? m_voice.load() : nullptr;
    for (int i = 0; i < out.frames; ++i) {
        if (out.voice) voicePeak = std::max(voicePeak, std::fabs(out.voice[i]));
        float* frame = out.heard + 2 * i;
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
        // A device or a feeder that was late is made good: the transport did not wait.
        if (out.at && m_playing && !stale && !m_looping) block = goTo(*out.at + i);
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
        for (size_t s = 0; s < out.stems.size(); ++s)
            if (out.stems[s]) addRow(*block, int(Heard::Dialogue) + int(s), m_offset, m_open, out.stems[s] + 2 * i);
        m_ring.put(frame[0], frame[1]);
        left = std::max(left, std::fabs(frame[0]));
        right = std::max(right, std::fabs(frame[1]));
        const int64_t at = block->first + m_offset;
        if (voice && !stale) voice->put(at - out.voiceLate, out.voice[i]);
        if (!stale) m_position = std::min(at, m_frames - 1);
        if (++m_offset >= block->frames) {
            m_offset = 0;
            m_queue->played();
        }
        if (at >= m_frames) m_playing = false;
    }
    if (left > m_peakLeft) m_peakLeft = left;
    if (right > m_peakRight) m_peakRight = right;
    if (voicePeak > m_voicePeak) m_voicePeak = voicePeak;
}

}  // namespace rivlen

#include "playback/ConvertedSound.h"

#include <algorithm>
#include <chrono>

#include "core/audio/Resampler.h"

namespace rivlen {

ConvertedSound::ConvertedSound(int channels, int fromRate, int toRate, int ahead, Make make)
    : m_channels(channels),
      m_from(fromRate),
      m_to(toRate),
      m_ahead(std::min<uint64_t>(uint64_t(std::max(ahead, kChunk)), kFrames / 2)),
      m_make(std::move(make)),
      m_data(size_t(kFrames) * size_t(channels)),
      m_thread([this] { run(); }) {}

ConvertedSound::~ConvertedSound() {
    m_running = false;
    m_thread.join();
}

void ConvertedSound::run() {
    Resampler resampler(m_from, m_to, m_channels);
    AudioBuffer chunk(m_channels, kChunk);
    while (m_running) {
        if (waiting() > m_ahead) {
            std::this_thread::sleep_for(std::chrono::milliseconds(2));
            continue;
        }
        m_make(chunk);
        put(resampler.process(chunk));
    }
}

void ConvertedSound::put(const AudioBuffer& sound) {
    uint64_t at = m_written.load(std::memory_order_relaxed);
    for (int64_t i = 0; i < sound.frames() && waiting() < kFrames; ++i) {
        for (int c = 0; c < m_channels; ++c)
            m_data[size_t(at % kFrames) * size_t(m_channels) + size_t(c)] = sound.channel(c)[size_t(i)];
        m_written.store(++at, std::memory_order_release);
    }
}

bool ConvertedSound::get(float* frame) {
    const uint64_t at = m_read.load(std::memory_order_relaxed);
    if (m_written.load(std::memory_order_acquire) == at) return false;
    std::copy_n(&m_data[size_t(at % kFrames) * size_t(m_channels)], m_channels, frame);
    m_read.store(at + 1, std::memory_order_release);
    return true;
}

}  // namespace rivlen

#include "core/treatment/CellTreatment.h"

#include <algorithm>
#include <cmath>

namespace rivlen {

CellTreatment::CellTreatment(int channels, int size)
    : m_channels(channels),
      m_size(size),
      m_fft(size),
      m_window(hannWindow(size)),
      m_frame(size_t(size)),
      m_cells(size_t(m_fft.bins())),
      m_waiting(channels),
      m_sum(channels, size) {
    for (float& w : m_window) w = std::sqrt(w);
    m_waiting.append(AudioBuffer(channels, size));
}

AudioBuffer CellTreatment::process(const AudioBuffer& block) {
    m_in += block.frames();
    m_waiting.append(block);
    return work();
}

AudioBuffer CellTreatment::finish() {
    m_waiting.append(AudioBuffer(m_channels, 2 * m_size));
    AudioBuffer rest = work();
    return rest.slice(0, std::min(rest.frames(), m_in - m_out + rest.frames()));
}

AudioBuffer CellTreatment::work() {
    const int hop = m_size / 4;
    AudioBuffer ready(m_channels, 0);
    for (; m_waiting.frames() >= m_size; m_waiting.drop(hop)) {
        const AudioBuffer frame = m_waiting.peek(0, m_size);
        for (int c = 0; c < m_channels; ++c) {
            for (int i = 0; i < m_size; ++i) m_frame[size_t(i)] = frame.channel(c)[size_t(i)] * m_window[size_t(i)];
            m_fft.forward(m_frame, m_cells);
            change(c, m_cells);
            m_fft.inverse(m_cells, m_frame);
            for (int i = 0; i < m_size; ++i)
                m_sum.channel(c)[size_t(i)] += 0.5f * m_frame[size_t(i)] * m_window[size_t(i)];
        }
        const int64_t from = std::clamp<int64_t>(m_size - m_done, 0, hop);
        if (from < hop) ready.append(m_sum.slice(from, hop - from));
        m_sum = m_sum.slice(hop, m_size);
        m_done += hop;
    }
    m_out += ready.frames();
    return ready;
}

}  // namespace rivlen

#pragma once
#include <complex>
#include <vector>

#include "core/audio/AudioQueue.h"
#include "core/spectral/Fft.h"
#include "core/treatment/Treatment.h"

namespace rivlen {

/// A treater that changes the cells of a transform with four frames in each window, root Hann windows before and after:
/// what is not changed comes out as it went in.
class CellTreatment : public Treater {
public:
    AudioBuffer process(const AudioBuffer& block) override;
    AudioBuffer finish() override;

protected:
    CellTreatment(int channels, int size);
    /// The next frame of a channel.
    virtual void change(int channel, std::span<std::complex<float>> cells) = 0;
    size_t bins() const { return size_t(m_fft.bins()); }
    int channels() const { return m_channels; }

private:
    AudioBuffer work();
    int m_channels, m_size;
    Fft m_fft;
    std::vector<float> m_window, m_frame;
    std::vector<std::complex<float>> m_cells;
    AudioQueue m_waiting;
    AudioBuffer m_sum;
    int64_t m_done = 0, m_in = 0, m_out = 0;
};

}  // namespace rivlen

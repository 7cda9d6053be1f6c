#pragma once
#include <memory>
#include <utility>
#include <vector>

#include "core/audio/SampleSource.h"
#include "core/base/Progress.h"

namespace rivlen {

/// Endless room tone from a sample of it: short-time spectra of the sample are taken in random order, each with phases
/// of its own (the same for all channels, so that the stereo image stays), and laid over each other at constant power.
/// Nothing repeats, the long-term spectrum is the sample's. Any place gives the same sound whenever it is read, for the
/// same seed. After the idea of random-phase texture synthesis (Galerne, Gousseau and Morel 2011, there for pictures).
class RoomToneSource : public SampleSource {
public:
    /// sample: 0.1 s or more; it is shared, so that many readers cost nothing.
    RoomToneSource(std::shared_ptr<const AudioBuffer> sample, int sampleRate, unsigned seed);
    ~RoomToneSource() override;
    int channels() const override;
    int sampleRate() const override;
    int64_t frames() const override;  ///< as good as endless
    AudioBuffer read(int64_t first, int64_t count) override;

private:
    struct Impl;
    std::unique_ptr<Impl> m;
};

/// Spans, in seconds, where only the room is heard: the quietest ones of a material, steady (no half of a second louder
/// than 4 dB over the quietest fifth), while voice (may be null) is at least silent by -60 dBFS or 15 dB below its
/// words. The longest come first, until wanted seconds are found. Throws Error (Cancelled, InputUnreadable).
std::vector<std::pair<double, double>> findRoomTone(SampleSource& material, SampleSource* voice, double wanted,
                                                    const Progress& progress);

/// The spans one behind the other, faded into each other over 20 ms at equal power.
AudioBuffer gatherSpans(SampleSource& material, const std::vector<std::pair<double, double>>& spans);

/// Finds stretches of silence in a sound of any length that comes in blocks.
class SilenceFinder {
public:
    explicit SilenceFinder(int sampleRate);
    void add(const AudioBuffer& block);
    /// Those below a threshold (dBFS, RMS of 10 ms) for at least so many seconds.
    std::vector<std::pair<double, double>> spans(double thresholdDb, double shortest) const;

private:
    int64_t m_hop, m_count = 0, m_frames = 0;
    int m_rate;
    double m_sum = 0;
    std::vector<float> m_levels;  ///< dBFS of each 10 ms
};

}  // namespace rivlen

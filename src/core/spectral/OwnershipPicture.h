#pragma once
#include <functional>
#include <memory>
#include <vector>

#include "core/audio/SampleSource.h"
#include "core/base/Progress.h"

namespace rivlen {

/// A spectrogram that knows who owns each cell. Row 0 is the highest frequency.
struct OwnershipPicture {
    int columns = 0, rows = 0, stems = 0;
    std::vector<float> level;  ///< rows x columns, dB relative to a full-scale sine
    std::vector<float> share;  ///< stems x rows x columns, 0 ... 1, sums to 1; empty without a separation

    float levelAt(int column, int row) const { return level[size_t(row) * size_t(columns) + size_t(column)]; }
    float shareAt(int stem, int column, int row) const {
        return share[(size_t(stem) * size_t(rows) + size_t(row)) * size_t(columns) + size_t(column)];
    }
};

/// Frequency (Hz) at height y (0 top ... 1 bottom) of a picture of a recording at this rate: an ERB-rate scale
/// (Glasberg and Moore 1990: 21.4 log10(1 + 0.00437 f)) from 40 Hz to 20 kHz or the Nyquist frequency.
double pictureFrequency(double y, int sampleRate);

/// How long the Hann window is: short ones part moments, long ones tones.
inline constexpr double kShortWindow = 0.0107, kUsualWindow = 0.0427, kLongWindow = 0.1707;  // seconds

/// Analyses columns moments spread evenly over frames [from, to) with a Hann window of about so many seconds. The share
/// of a stem is its magnitude over the sum of all stems' magnitudes. Throws Error (Cancelled).
OwnershipPicture paintOwnership(SampleSource& source, const std::vector<SampleSource*>& stems, int64_t from, int64_t to,
                                int columns, int rows, const Progress& progress, double window = kUsualWindow);

/// A recording and its stems, for one thread to read.
struct OwnershipSources {
    std::unique_ptr<SampleSource> whole;
    std::vector<std::unique_ptr<SampleSource>> stems;
};

/// The same on two threads, each with sources of its own; open is called by both, at the same time.
OwnershipPicture paintOwnership(const std::function<OwnershipSources()>& open, int64_t from, int64_t to, int columns,
                                int rows, const Progress& progress, double window = kUsualWindow);

}  // namespace rivlen

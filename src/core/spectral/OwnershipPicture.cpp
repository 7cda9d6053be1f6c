#include "core/spectral/OwnershipPicture.h"

#include <cmath>

#include "core/spectral/Fft.h"

namespace rivlen {

double pictureFrequency(double y, int sampleRate) {
    const auto erb = [](double f) { return 21.4 * std::log10(1 + 0.00437 * f); };
    const double low = erb(40), high = erb(std::min(20000.0, sampleRate / 2.0));
    return (std::pow(10.0, (high + (low - high) * y) / 21.4) - 1) / 0.00437;
}

OwnershipPicture paintOwnership(SampleSource& source, const std::vector<SampleSource*>& stems, int64_t from, int64_t to,
                                int columns, int rows, const Progress& progress, double seconds) {
    OwnershipPicture picture{columns, rows, int(stems.size()), {}, {}};
    picture.level.assign(size_t(rows * columns), -200.0f);
    picture.share.assign(stems.size() * size_t(rows * columns), 0.0f);
    const int rate = source.sampleRate(), size = std::max(256, nextPowerOfTwo(rate * seconds * 0.99));
    Fft fft(size);
    const auto window = hannWindow(size);
    std::vector<float> block(static_cast<size_t>(size));
    std::vector<std::complex<float>> spectrum(static_cast<size_t>(fft.bins()));

    // Edges of the rows in bins; a row narrower than a bin reads between two.
    std::vector<double> edge(static_cast<size_t>(rows + 1));
    for (int r = 0; r <= rows; ++r) edge[size_t(r)] = pictureFrequency(double(r) / rows, rate) * size / rate;

    const auto analyse = [&](SampleSource& from_, int64_t centre) {
        std::vector<float> power(static_cast<size_t>(fft.bins()), 0.0f), out(static_cast<size_t>(rows));
        const AudioBuffer audio = from_.read(centre - size / 2, size);
        for (int c = 0; c < audio.channels(); ++c) {
            for (int i = 0; i < size; ++i) block[size_t(i)] = audio.channel(c)[size_t(i)] * window[size_t(i)];
            fft.forward(block, spectrum);
            for (size_t k = 0; k < power.size(); ++k) power[k] += std::norm(spectrum[k]) / float(audio.channels());
        }
        for (int r = 0; r < rows; ++r) {
            const double high = edge[size_t(r)], low = edge[size_t(r + 1)];
            const size_t first = size_t(std::ceil(low)), last = std::min(size_t(high), power.size() - 1);
            if (last > first) {
                for (size_t k = first; k <= last; ++k) out[size_t(r)] = std::max(out[size_t(r)], power[k]);
            } else {
                const double at = std::min((high + low) / 2, double(power.size() - 2));
                const size_t k = size_t(at);
                const float w = float(at - double(k));
                out[size_t(r)] = (1 - w) * power[k] + w * power[k + 1];
            }
        }
        return out;
    };
    const float scale =
        16.0f / (float(size) * float(size));  // a full-scale sine peaks at (size / 4)^2 behind a Hann window
    for (int x = 0; x < columns; ++x) {
        progress.throwIfCancelled();
        const int64_t centre = from + int64_t((double(x) + 0.5) * double(to - from) / columns);
        const auto whole = analyse(source, centre);
        for (int r = 0; r < rows; ++r)
            picture.level[size_t(r * columns + x)] = 10 * std::log10(whole[size_t(r)] * scale + 1e-20f);
        std::vector<std::vector<float>> parts;
        for (SampleSource* stem : stems) parts.push_back(analyse(*stem, centre));
        for (int r = 0; r < rows && !stems.empty(); ++r) {
            float total = 1e-12f;
            for (auto& part : parts) total += std::sqrt(part[size_t(r)]);
            for (size_t s = 0; s < parts.size(); ++s)
                picture.share[(s * size_t(rows) + size_t(r)) * size_t(columns) + size_t(x)] =
                    std::sqrt(parts[s][size_t(r)]) / total;
        }
        progress.report(double(x + 1) / columns);
    }
    return picture;
}

}  // namespace rivlen

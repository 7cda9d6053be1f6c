#include "core/treatment/NoiseProfile.h"

#include <algorithm>
#include <cmath>
#include <complex>

#include "core/spectral/Fft.h"

namespace rivlen {

namespace {
constexpr size_t kMostFrames = 120;                        // frames kept
constexpr double kAlike = 1.585;                           // 2 dB
constexpr double kProfileQuantile = 0.3, kOfMean = 0.357;  // of the power of noise: -ln(1 - 0.3) of its mean
}  // namespace

int noiseFrame(int sampleRate) { return nextPowerOfTwo(0.03 * sampleRate); }

std::vector<float> learnNoise(SampleSource& source, const Progress& progress) {
    const int n = noiseFrame(source.sampleRate());
    Fft fft(n);
    auto window = hannWindow(n);
    for (float& w : window) w = std::sqrt(w);
    std::vector<float> frame(static_cast<size_t>(n));
    std::vector<std::complex<float>> spectrum(size_t(fft.bins()));
    const size_t from = size_t(1600.0 * n / source.sampleRate());  // where voices leave pauses clean
    struct Quiet {
        double high;
        std::vector<float> power;
    };
    std::vector<Quiet> quiet;  // the quietest ones, a heap with the loudest of them in front
    const auto louder = [](const Quiet& a, const Quiet& b) { return a.high < b.high; };
    const int64_t block = int64_t(n) * 32;
    for (int64_t at = 0; at + n <= source.frames(); at += block) {
        progress.throwIfCancelled();
        const AudioBuffer x = source.read(at, std::min(block, source.frames() - at));
        for (int64_t i = 0; i + n <= x.frames(); i += n) {
            Quiet q{0, std::vector<float>(spectrum.size(), 0.0f)};
            for (int c = 0; c < x.channels(); ++c) {
                for (int k = 0; k < n; ++k) frame[size_t(k)] = x.channel(c)[size_t(i + k)] * window[size_t(k)];
                fft.forward(frame, spectrum);
                for (size_t k = 0; k < spectrum.size(); ++k) q.power[k] += std::norm(spectrum[k]) / float(x.channels());
            }
            for (size_t k = from; k < q.power.size(); ++k) q.high += q.power[k];
            if (q.high < 1e-9) continue;
            if (quiet.size() == kMostFrames) {
                if (q.high >= quiet.front().high) continue;
                std::pop_heap(quiet.begin(), quiet.end(), louder);
                quiet.pop_back();
            }
            quiet.push_back(std::move(q));
            std::push_heap(quiet.begin(), quiet.end(), louder);
        }
    }
    if (quiet.empty()) return {};
    std::sort(quiet.begin(), quiet.end(), louder);
    const double least = quiet[std::min<size_t>(2, quiet.size() - 1)].high;
    size_t count = 0;
    while (count < quiet.size() && quiet[count].high <= kAlike * least) ++count;
    std::vector<float> noise(quiet.front().power.size()), column(count);
    for (size_t k = 0; k < noise.size(); ++k) {
        for (size_t i = 0; i < count; ++i) column[i] = quiet[i].power[k];
        const size_t place = size_t(kProfileQuantile * double(count - 1));
        std::nth_element(column.begin(), column.begin() + long(place), column.end());
        noise[k] = float(column[place] / kOfMean);
    }
    return noise;
}

}  // namespace rivlen

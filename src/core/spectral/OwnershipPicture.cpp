#include "core/spectral/OwnershipPicture.h"

#include <cmath>
#include <future>

#include "core/spectral/Fft.h"

namespace rivlen {

double pictureFrequency(double y, int sampleRate) {
    const auto erb = [](double f) { return 21.4 * std::log10(1 + 0.00437 * f); };
    const double low = erb(40), high = erb(std::min(20000.0, sampleRate / 2.0));
    return (std::pow(10.0, (high + (low - high) * y) / 21.4) - 1) / 0.00437;
}

namespace {

/// Fills columns of a picture; each object is for one thread.
class ColumnPainter {
public:
    ColumnPainter(OwnershipPicture& picture, int sampleRate, double seconds)
        : m_picture(picture),
          m_size(std::max(256, nextPowerOfTwo(sampleRate * seconds * 0.99))),
          m_fft(m_size),
          m_window(hannWindow(m_size)),
          m_block(static_cast<size_t>(m_size)),
          m_spectrum(static_cast<size_t>(m_fft.bins())),
          m_edge(static_cast<size_t>(picture.rows + 1)) {
        for (int r = 0; r <= picture.rows; ++r)
            m_edge[size_t(r)] = pictureFrequency(double(r) / picture.rows, sampleRate) * m_size / sampleRate;
    }

    void paint(SampleSource& source, const std::vector<SampleSource*>& stems, int64_t from, int64_t to, int first,
               int last, const Progress& progress) {
        const int rows = m_picture.rows, columns = m_picture.columns;
        // A full-scale sine peaks at (size / 4)^2 behind a Hann window.
        const float scale = 16.0f / (float(m_size) * float(m_size));
        std::vector<std::vector<float>> parts(stems.size());
        for (int x = first; x < last; ++x) {
            progress.throwIfCancelled();
            const int64_t centre = from + int64_t((double(x) + 0.5) * double(to - from) / columns);
            const auto whole = analyse(source, centre);
            for (int r = 0; r < rows; ++r)
                m_picture.level[size_t(r * columns + x)] = 10 * std::log10(whole[size_t(r)] * scale + 1e-20f);
            for (size_t s = 0; s < stems.size(); ++s) parts[s] = analyse(*stems[s], centre);
            for (int r = 0; r < rows && !stems.empty(); ++r) {
                float total = 1e-12f;
                for (auto& part : parts) total += part[size_t(r)] = std::sqrt(part[size_t(r)]);
                for (size_t s = 0; s < parts.size(); ++s)
                    m_picture.share[(s * size_t(rows) + size_t(r)) * size_t(columns) + size_t(x)] =
                        parts[s][size_t(r)] / total;
            }
            progress.report(double(x + 1 - first) / (last - first));
        }
    }

private:
    /// The power in each row.
    std::vector<float> analyse(SampleSource& from, int64_t centre) {
        std::vector<float> power(m_spectrum.size(), 0.0f), out(size_t(m_picture.rows));
        const AudioBuffer audio = from.read(centre - m_size / 2, m_size);
        for (int c = 0; c < audio.channels(); ++c) {
            for (int i = 0; i < m_size; ++i) m_block[size_t(i)] = audio.channel(c)[size_t(i)] * m_window[size_t(i)];
            m_fft.forward(m_block, m_spectrum);
            for (size_t k = 0; k < power.size(); ++k) power[k] += std::norm(m_spectrum[k]) / float(audio.channels());
        }
        for (size_t r = 0; r < out.size(); ++r) {
            const double high = m_edge[r], low = m_edge[r + 1];
            const size_t first = size_t(std::ceil(low)), last = std::min(size_t(high), power.size() - 1);
            if (last > first) {
                for (size_t k = first; k <= last; ++k) out[r] = std::max(out[r], power[k]);
            } else {
                // A row narrower than a bin reads between two.
                const double at = std::min((high + low) / 2, double(power.size() - 2));
                const size_t k = size_t(at);
                const float w = float(at - double(k));
                out[r] = (1 - w) * power[k] + w * power[k + 1];
            }
        }
        return out;
    }

    OwnershipPicture& m_picture;
    int m_size;
    Fft m_fft;
    std::vector<float> m_window, m_block;
    std::vector<std::complex<float>> m_spectrum;
    std::vector<double> m_edge;  ///< of the rows, in bins
};

OwnershipPicture emptyPicture(int columns, int rows, size_t stems) {
    OwnershipPicture picture{columns, rows, int(stems), {}, {}};
    picture.level.assign(size_t(rows * columns), -200.0f);
    picture.share.assign(stems * size_t(rows * columns), 0.0f);
    return picture;
}

}  // namespace

OwnershipPicture paintOwnership(SampleSource& source, const std::vector<SampleSource*>& stems, int64_t from, int64_t to,
                                int columns, int rows, const Progress& progress, double seconds) {
    OwnershipPicture picture = emptyPicture(columns, rows, stems.size());
    ColumnPainter(picture, source.sampleRate(), seconds).paint(source, stems, from, to, 0, columns, progress);
    return picture;
}

OwnershipPicture paintOwnership(const std::function<OwnershipSources()>& open, int64_t from, int64_t to, int columns,
                                int rows, const Progress& progress, double seconds) {
    const OwnershipSources mine = open();
    OwnershipPicture picture = emptyPicture(columns, rows, mine.stems.size());
    const auto paint = [&](const OwnershipSources& sources, int first, int last, const Progress& told) {
        std::vector<SampleSource*> stems;
        for (const auto& stem : sources.stems) stems.push_back(stem.get());
        ColumnPainter(picture, sources.whole->sampleRate(), seconds)
            .paint(*sources.whole, stems, from, to, first, last, told);
    };
    Progress quiet(progress, 0, 1);
    quiet.onProgress = nullptr;  // it is told on one thread alone
    const int middle = columns / 2;
    auto other = std::async(std::launch::async, [&] { paint(open(), middle, columns, quiet); });
    paint(mine, 0, middle, progress);
    other.get();
    return picture;
}

}  // namespace rivlen

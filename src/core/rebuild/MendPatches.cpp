#include "core/rebuild/MendPatches.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <random>

#include "core/audio/Decibel.h"
#include "core/spectral/Fft.h"

namespace rivlen {

namespace {

/// The cells of a stretch of one channel, and back.
class Cells2048 {
public:
    explicit Cells2048(int rate)
        : size(nextPowerOfTwo(0.036 * rate)), hop(size / 4), m_fft(size), m_window(hannWindow(size)) {
        for (float& w : m_window)
            w = std::sqrt(w);  // once before and once after: their products sum to 2 at a quarter's hop
    }
    using Frame = std::vector<std::complex<float>>;

    /// Frame k begins at hop * k.
    std::vector<Frame> forward(std::span<const float> x) {
        std::vector<Frame> frames;
        std::vector<float> block(static_cast<size_t>(size));
        for (size_t at = 0; at + size_t(size) <= x.size(); at += size_t(hop)) {
            for (int i = 0; i < size; ++i) block[size_t(i)] = x[at + size_t(i)] * m_window[size_t(i)];
            m_fft.forward(block, frames.emplace_back(size_t(m_fft.bins())));
        }
        return frames;
    }

    void inverse(const std::vector<Frame>& frames, std::span<float> out) {
        std::vector<float> block(static_cast<size_t>(size));
        for (size_t k = 0; k < frames.size(); ++k) {
            m_fft.inverse(frames[k], block);
            for (int i = 0; i < size; ++i)
                out[k * size_t(hop) + size_t(i)] += 0.5f * block[size_t(i)] * m_window[size_t(i)];
        }
    }

    int size, hop;

private:
    Fft m_fft;
    std::vector<float> m_window;
};

/// How much of a cell lies in the area: nine places in it are asked.
double weightOf(const Area& area, double second, double hz, double seconds, double width) {
    int inside = 0;
    for (int a = -1; a <= 1; ++a)
        for (int b = -1; b <= 1; ++b) inside += area.contains(second + a * seconds / 3, hz + b * width / 3);
    return inside / 9.0;
}

/// The frames as they would be without what lies in the area: levels between those before and after, phases that go on.
std::vector<Cells2048::Frame> healed(const std::vector<Cells2048::Frame>& cells,
                                     const std::vector<std::vector<float>>& weights, int hop, int size) {
    auto out = cells;
    std::mt19937 random(4711);
    std::uniform_real_distribution<float> angle(-std::numbers::pi_v<float>, std::numbers::pi_v<float>);
    constexpr size_t reach = 8;
    for (size_t b = 0; b < cells[0].size(); ++b)
        for (size_t k = 0; k < cells.size();) {
            if (weights[k][b] <= 0) {
                ++k;
                continue;
            }
            size_t end = k;
            while (end < cells.size() && weights[end][b] > 0) ++end;
            const auto level = [&](size_t from, size_t to) {
                double sum = 0;
                size_t n = 0;
                for (size_t i = from; i < to; ++i)
                    if (weights[i][b] <= 0) sum += std::norm(cells[i][b]), ++n;
                return n ? std::sqrt(sum / double(n)) : -1;
            };
            double before = level(k > reach ? k - reach : 0, k),
                   after = level(end, std::min(end + reach, cells.size()));
            if (before < 0) before = std::max(0.0, after);
            if (after < 0) after = before;
            // A steady tone turns by the same angle each hop; what turns at random is noise and gets random angles.
            const float expected = 2 * std::numbers::pi_v<float> * float(b) * float(hop) / float(size);
            float turn = expected, phase = angle(random);
            bool steady = false;
            if (k >= 3) {
                const auto step = [&](size_t i) { return std::arg(cells[i][b] * std::conj(cells[i - 1][b])); };
                turn = step(k - 1);
                phase = std::arg(cells[k - 1][b]);
                steady = std::fabs(std::remainder(turn - step(k - 2), 2 * std::numbers::pi_v<float>)) < 0.3f;
            }
            for (size_t i = k; i < end; ++i) {
                const double x = double(i - k + 1) / double(end - k + 1);
                phase = steady ? phase + turn : angle(random);
                out[i][b] =
                    std::polar(float(std::exp((1 - x) * std::log(before + 1e-9) + x * std::log(after + 1e-9))), phase);
            }
            k = end;
        }
    return out;
}

}  // namespace

std::shared_ptr<const StemPatches> mendPatches(const std::vector<Mend>& mends, StemReaders& stems, SampleSource& source,
                                               const Progress& progress) {
    auto result = std::make_shared<StemPatches>();
    const int rate = source.sampleRate();
    Cells2048 transform(rate);
    size_t done = 0;
    for (const Mend& r : mends) {
        progress.throwIfCancelled();
        progress.report(double(done++) / double(mends.size()));
        const auto [from, to] = r.area.span();
        if (!r.on || to <= from || size_t(r.stem) >= stems.stems.size() || size_t(r.to) >= stems.stems.size()) continue;
        const int64_t context = int64_t(transform.size) * 4, hop = transform.hop;
        const int64_t first = (int64_t(from * rate) - context) / hop * hop;
        const int64_t count =
            (std::min<int64_t>(int64_t((to - from) * rate), int64_t(kLongestMend * rate)) + 2 * context) / hop * hop +
            transform.size;
        AudioBuffer sound = stems.stems[size_t(r.stem)]->read(first, count);
        result->addTo(sound, first, r.stem);
        StemPatches::Patch patch;
        patch.first = first;
        patch.stems.resize(stems.stems.size());
        AudioBuffer delta(sound.channels(), count);
        std::vector<std::vector<float>> weights;
        for (int c = 0; c < sound.channels(); ++c) {
            progress.throwIfCancelled();
            auto cells = transform.forward(sound.channel(c));
            if (weights.empty())
                for (size_t k = 0; k < cells.size(); ++k) {
                    auto& row = weights.emplace_back(cells[k].size());
                    const double second = (double(first) + double(k) * double(hop) + transform.size / 2.0) / rate;
                    if (second < from - double(hop) / rate || second > to + double(hop) / rate) continue;
                    for (size_t b = 0; b < row.size(); ++b)
                        row[b] = float(weightOf(r.area, second, double(b) * rate / transform.size, double(hop) / rate,
                                                double(rate) / transform.size));
                }
            const auto instead = r.action == Mend::Action::Heal ? healed(cells, weights, int(hop), transform.size)
                                                                : std::vector<Cells2048::Frame>();
            const float keep = r.action == Mend::Action::Lower  ? float(fromDb(-r.amount))
                               : r.action == Mend::Action::Give ? float(1 - r.amount / 100)
                                                                : 0;
            for (size_t k = 0; k < cells.size(); ++k)
                for (size_t b = 0; b < cells[k].size(); ++b)
                    cells[k][b] = r.action == Mend::Action::Heal
                                      ? weights[k][b] * float(r.amount / 100) * (instead[k][b] - cells[k][b])
                                      : weights[k][b] * (keep - 1) * cells[k][b];
            transform.inverse(cells, delta.channel(c));
        }
        if (r.action == Mend::Action::Give) {
            AudioBuffer other = delta;
            for (float& v : other.samples()) v = -v;
            if (r.to != r.stem) patch.stems[size_t(r.to)] = std::move(other);
            else std::fill(delta.samples().begin(), delta.samples().end(), 0.0f);
        } else {
            patch.source = delta;
        }
        patch.stems[size_t(r.stem)] = std::move(delta);
        result->patches.push_back(std::move(patch));
    }
    return result;
}

}  // namespace rivlen

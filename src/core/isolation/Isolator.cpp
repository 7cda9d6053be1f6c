#include "core/isolation/Isolator.h"

#include <algorithm>
#include <cmath>

#include "core/audio/ChannelLayout.h"
#include "core/audio/Decibel.h"

namespace rivlen {

namespace {

constexpr double kWindowSeconds =
    0.0427;  // 2048 at 48 kHz: resolves a voice's harmonics, still short against a syllable

constexpr int64_t kLevelStep = 64;  // samples between the moments at which levels are computed

int64_t floorTo(int64_t value, int64_t grid) {
    const int64_t r = value % grid;
    return value - (r < 0 ? r + grid : r);
}

/// Calls f(i, levels) for frames [0, count) that begin at `first` of the recording.
template <typename F>
void withLevels(const StrengthTimeline& timeline, int rate, int64_t first, int64_t count, F&& f) {
    const auto at = [&](int64_t frame) { return timeline.levels(double(first + frame) / rate); };
    StrengthLevels here = at(0);
    if (timeline.constant()) {
        for (int64_t i = 0; i < count; ++i) f(size_t(i), here);
        return;
    }
    // On a grid that is the same whatever the block: see the class.
    for (int64_t i = 0; i < count;) {
        const int64_t begin = floorTo(first + i, kLevelStep) - first, end = begin + kLevelStep;
        const StrengthLevels a = at(begin), b = at(end);
        for (; i < std::min(end, count); ++i) {
            const double w = double(i - begin) / kLevelStep;
            const auto mix = [w](double x, double y) { return x + w * (y - x); };
            f(size_t(i), StrengthLevels{mix(a.back, b.back), mix(a.wanted, b.wanted), mix(a.rest, b.rest),
                                        mix(a.room, b.room), mix(a.events, b.events), mix(a.bed, b.bed)});
        }
    }
}

}  // namespace

Isolator::Isolator(int channels, int sampleRate)
    : m_size(std::max(256, nextPowerOfTwo(sampleRate * kWindowSeconds * 0.99))),
      m_hop(m_size / 4),
      m_rate(sampleRate),
      m_fft(m_size),
      m_window(hannWindow(m_size)),
      m_block(static_cast<size_t>(m_size)),
      m_spectrum(size_t(m_fft.bins())),
      m_groups(channelGroups(channels)) {
    for (float& w : m_window) w = std::sqrt(w);
}

void Isolator::transform(std::span<const float> row, int64_t at) {
    for (int i = 0; i < m_size; ++i) m_block[size_t(i)] = row[size_t(at + i)] * m_window[size_t(i)];
    m_fft.forward(m_block, m_spectrum);
}

Isolator::Frame Isolator::analysed(const std::vector<int>& group, int64_t at, const AudioBuffer& source,
                                   const std::vector<AudioBuffer>& stems) {
    const size_t bins = m_spectrum.size();
    const auto power = [&](const AudioBuffer& x) {
        std::vector<float> sum(bins, 0.0f);
        for (int c : group) {
            transform(x.channel(c), at);
            for (size_t k = 0; k < bins; ++k) sum[k] += std::norm(m_spectrum[k]);
        }
        return sum;
    };
    Frame frame{{}, power(source)};
    std::vector<float> total(bins, 1e-15f);
    for (const auto& stem : stems) {
        frame.shares.push_back(power(stem));
        for (size_t k = 0; k < bins; ++k) total[k] += frame.shares.back()[k] = std::sqrt(frame.shares.back()[k]);
    }
    for (auto& row : frame.shares)
        for (size_t k = 0; k < bins; ++k) row[k] /= total[k];
    return frame;
}

std::vector<Blend> Isolator::blends(const StrengthTimeline& timeline, int64_t begin, int frames) const {
    if (timeline.constant()) return {{{timeline.base, 1.0}}};
    std::vector<Blend> all;
    for (int i = 0; i < frames; ++i)
        all.push_back(timeline.at((double(begin) + double(i) * m_hop + m_size / 2) / m_rate));
    return all;
}

void Isolator::keepRoom(const StrengthTimeline& timeline, int wanted, int64_t origin, StemBlock& block) {
    if (!block.hasRoom() || wanted != 0 || block.stems.size() < 2 || !timeline.uses("room_keep")) return;
    auto& voice = block.stems[0];
    auto& other = block.stems.back();
    for (int c = 0; c < voice.channels(); ++c)
        withLevels(timeline, m_rate, origin, voice.frames(), [&](size_t i, const StrengthLevels& l) {
            const float taken = float((1 - l.room) * double(block.room.channel(c)[i]));
            voice.channel(c)[i] -= taken;
            other.channel(c)[i] += taken;
        });
}

int Isolator::divide(const StrengthTimeline& timeline, int wanted, StemBlock& block) {
    const int part = partPlace(timeline.base.stem), divided = block.divided;
    const bool apart = part >= 0 && part < int(block.parts.size()) && divided == wanted;
    if (m_divided != (apart ? divided : -1)) forget();
    m_divided = apart ? divided : -1;
    if (!apart) return wanted;
    block.stems.erase(block.stems.begin() + divided);
    block.stems.insert(block.stems.begin() + divided, std::make_move_iterator(block.parts.begin()),
                       std::make_move_iterator(block.parts.end()));
    block.parts.clear();
    return divided + part;
}

SpanCells Isolator::cells(const StrengthTimeline& timeline, int wanted, int64_t first, StemBlock block) {
    wanted = divide(timeline, wanted, block);
    keepRoom(timeline, wanted, first - margin(), block);
    return cells(wanted, first, block.source.frames() - 2 * margin(), block.source, block.stems);
}

SpanCells Isolator::cells(int wanted, int64_t first, int64_t count, const AudioBuffer& source,
                          const std::vector<AudioBuffer>& stems) {
    SpanCells out;
    out.first = floorTo(first, m_hop);
    out.hop = m_hop;
    out.rate = m_rate;
    out.binHz = double(m_rate) / m_size;
    out.frames = int((first + count - out.first + m_hop - 1) / m_hop);
    for (const auto& group : m_groups) {
        out.groups.emplace_back();
        for (int i = -kCellReach; i < out.frames + kCellReach; ++i) {
            // The last frames may begin so late that the margin ends within them.
            const int64_t at = std::min(out.first + i * m_hop - (first - margin()), source.frames() - m_size);
            Frame frame = analysed(group, at, source, stems);
            out.groups.back().share.push_back(std::move(frame.shares[size_t(wanted)]));
            out.groups.back().power.push_back(std::move(frame.power));
        }
    }
    return out;
}

void Isolator::moveCells(const StrengthTimeline& timeline, size_t group, int wanted, int64_t first, int64_t count,
                         const StemBlock& block, std::vector<AudioBuffer>& moved) {
    const AudioBuffer& source = block.source;
    const auto& stems = block.stems;
    const size_t bins = m_spectrum.size();
    const int64_t origin = first - margin();  // position of the buffers' first frame
    const int64_t begin = floorTo(first - m_size + m_hop, m_hop);
    const int frames = int((first + count - begin + m_hop - 1) / m_hop);
    const std::vector<Blend> strength = blends(timeline, begin, frames);
    if (!movesCells(strength)) return;
    const int reach = looksAround(strength) ? kCellReach : 0;
    std::vector<Cells> shares;  // by frame, then stem
    Cells share, power;         // the wanted one's and the source's, with reach frames around
    for (int i = -reach; i < frames + reach; ++i) {
        const int64_t position = begin + i * m_hop;
        const auto kept = m_kept.find({position, group});
        Frame frame = kept != m_kept.end() ? kept->second : analysed(m_groups[group], position - origin, source, stems);
        if (m_keep > 0 && kept == m_kept.end()) {
            // What lies farthest from here goes first.
            if (m_kept.size() >= m_keep * m_groups.size())
                m_kept.erase(position - m_kept.begin()->first.first > m_kept.rbegin()->first.first - position
                                 ? m_kept.begin()
                                 : std::prev(m_kept.end()));
            m_kept[{position, group}] = frame;
        }
        share.push_back(frame.shares[size_t(wanted)]);
        power.push_back(std::move(frame.power));
        if (i >= 0 && i < frames) shares.push_back(std::move(frame.shares));
    }
    const Cells now = strengthened(strength, share, power, frames, double(m_rate) / m_size);
    std::vector<std::complex<float>> product(bins);
    for (int i = 0; i < frames; ++i) {
        const int64_t frame = begin + i * m_hop;
        const auto& before = shares[size_t(i)][size_t(wanted)];
        for (int c : m_groups[group]) {
            transform(source.channel(c), frame - origin);
            for (size_t s = 0; s < stems.size(); ++s) {
                const auto& own = shares[size_t(i)][s];
                for (size_t k = 0; k < bins; ++k) {
                    const float change = now[size_t(i)][k] - before[k];
                    // The others give and take in proportion to their shares; equally where they have none.
                    const float others = 1 - before[k], even = 1.0f / float(stems.size() - 1);
                    product[k] = m_spectrum[k] * (int(s) == wanted ? change
                                                  : others > 1e-4f ? -change * own[k] / others
                                                                   : -change * even);
                }
                m_fft.inverse(product, m_block);
                auto out = moved[s].channel(c);
                const int64_t from = std::max<int64_t>(0, first - frame),
                              to = std::min<int64_t>(m_size, first + count - frame);
                for (int64_t n = from; n < to; ++n)  // squared root-Hann windows at a quarter hop sum to 2
                    out[size_t(frame + n - first)] += 0.5f * m_block[size_t(n)] * m_window[size_t(n)];
            }
        }
    }
}

void Isolator::setLevels(const StrengthTimeline& timeline, int wanted, int64_t first, const StemBlock& block,
                         const AudioBuffer& bed, int64_t around, Isolated& out) const {
    const int64_t count = out.stems[0].frames();
    // One of the others is what the rest leaves of the source, so that rounding cannot break the sum.
    const size_t last = wanted == int(out.stems.size()) - 1 ? 0 : out.stems.size() - 1;
    for (int c = 0; c < block.source.channels(); ++c) {
        const auto x = block.source.channel(c).subspan(size_t(around), size_t(count));
        const auto result = out.result.channel(c);
        const auto within = [&](const AudioBuffer& all) {
            return all.channels() > 0 ? all.channel(c).subspan(size_t(around), size_t(count))
                                      : std::span<const float>();
        };
        const auto events = within(block.events), place = within(bed);
        withLevels(timeline, m_rate, first, count, [&](size_t i, const StrengthLevels& l) {
            double others = 0;
            for (size_t s = 0; s < out.stems.size(); ++s) {
                float& v = out.stems[s].channel(c)[i];
                if (int(s) == wanted) {
                    const double whole = v;
                    double rest = l.back * (double(x[i]) - whole);
                    if (!place.empty())
                        rest += (l.events - l.back) * double(events[i]) + (l.bed - l.back) * double(place[i]);
                    v = float(whole + rest);
                    result[i] = float(l.wanted * whole + l.rest * rest);
                } else {
                    v = float(v * (1.0 - l.back));
                }
                if (s != last) others += v;
            }
            if (out.stems.size() > 1) out.stems[last].channel(c)[i] = float(double(x[i]) - others);
        });
    }
}

Isolator::Isolated Isolator::apply(const StrengthTimeline& timeline, int wanted, int64_t first, StemBlock block,
                                   int64_t around) {
    const int64_t count = block.source.frames() - 2 * around;
    const auto neutral = [&](const auto& blend) {
        return std::all_of(blend.begin(), blend.end(),
                           [](const auto& one) { return one.first.depth >= kFullDepth && one.first.balance == 0; });
    };
    if (block.hasRoom() && timeline != m_timeline) {
        if (timeline.uses("room_keep") || m_timeline.uses("room_keep")) forget();
        m_timeline = timeline;
    }
    const int stem = wanted;
    const size_t whole = block.stems.size();
    wanted = divide(timeline, wanted, block);
    // The ambience's as it was found, without what Room keep gives it.
    AudioBuffer bed;
    const bool apart = block.hasEvents() && block.stems.size() > 1 && wanted != int(block.stems.size()) - 1 &&
                       keepsOfAmbience(timeline);
    if (apart) {
        bed = block.stems.back();
        for (size_t i = 0; i < bed.samples().size(); ++i) bed.samples()[i] -= block.events.samples()[i];
    }
    keepRoom(timeline, wanted, first - around, block);
    Isolated out;
    for (const auto& stem : block.stems) out.stems.push_back(stem.slice(around, count));
    bool moving = false;
    if (block.stems.size() > 1 && (!timeline.constant() || movesCells(timeline.base))) {
        std::vector<AudioBuffer> moved(block.stems.size(), AudioBuffer(block.source.channels(), count));
        for (size_t group = 0; group < m_groups.size(); ++group)
            moveCells(timeline, group, wanted, first, count, block, moved);
        for (size_t s = 0; s < out.stems.size(); ++s)
            for (size_t i = 0; i < out.stems[s].samples().size(); ++i)
                out.stems[s].samples()[i] += moved[s].samples()[i];
        moving = true;
    }
    out.result = out.stems[size_t(wanted)];
    if (moving || apart || !timeline.constant() || !neutral(timeline.at(0)) ||
        (block.hasRoom() && timeline.uses("room_keep")))
        setLevels(timeline, wanted, first, block, bed, around, out);
    if (const auto more = std::ptrdiff_t(out.stems.size() - whole); more > 0) {
        const auto begin = out.stems.begin() + stem, end = begin + more + 1;
        out.parts.assign(std::make_move_iterator(begin), std::make_move_iterator(end));
        AudioBuffer sum = out.parts[0];
        for (size_t p = 1; p < out.parts.size(); ++p)
            for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += out.parts[p].samples()[i];
        *out.stems.erase(begin, end - 1) = std::move(sum);
    }
    return out;
}

std::vector<AudioBuffer> Isolator::apply(const IsolationSettings& settings, int wanted, int64_t first, int64_t,
                                         const AudioBuffer& source, const std::vector<AudioBuffer>& stems) {
    return apply(StrengthTimeline(settings), wanted, first, StemBlock{source, stems, {}}).stems;
}

}  // namespace rivlen

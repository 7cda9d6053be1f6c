// The player's feeder: reads what will be heard and makes blocks of it.
#include "playback/PlayerFeeding.h"

#include <algorithm>
#include <chrono>

namespace rivlen {

namespace {
constexpr int kFrames = PlayBlock::kFrames;
constexpr int kSourceRow = int(Heard::Source), kResultRow = int(Heard::Result), kStemRow = int(Heard::Dialogue),
              kLeftoversRow = int(Heard::Leftovers), kRecordedRow = int(Heard::Recorded),
              kRemovedRow = int(Heard::Removed);
}  // namespace

void Player::feed() {
    Feeding& f = *m_feeding;
    while (m_running) {
        PlayBlock* block = m_queue->toFill();
        if (!block) {
            pauseFeeding();
            continue;
        }
        bool loops = false;
        {
            const std::lock_guard lock(m_guard);
            if (f.generation != m_generation) {
                f.generation = m_generation;
                f.next = m_locateTo;
            }
            loops = m_loop.has_value();
        }
        if (f.next >= m_frames && !loops) {
            pauseFeeding();
            continue;
        }
        block->frames = kFrames;
        try {
            fillBlock(*block, f.next);
        } catch (const std::exception&) {  // the file went away while playing: silence, the window reports it
            std::fill(block->data.begin(), block->data.end(), 0.0f);
            std::fill(block->mix.begin(), block->mix.end(), 0.0f);
        }
        block->first = f.next;
        block->generation = f.generation;
        const int advance = block->frames;
        m_queue->filled();
        m_prepared = f.generation;
        f.next += advance;
        const std::lock_guard lock(m_guard);
        if (m_loop && f.next == m_loop->second) f.next = m_loop->first;
    }
}

void Player::fillBlock(PlayBlock& block, int64_t first) {
    Feeding& f = *m_feeding;
    std::optional<std::pair<int64_t, int64_t>> loop;
    OpenSource source, recorded, removed;
    bool fresh = false;
    {
        const std::lock_guard lock(m_guard);
        if (f.sourceVersion != m_sourceVersion) {
            f.sourceVersion = m_sourceVersion;
            source = m_openSource, recorded = m_openRecorded, removed = m_openRemoved;
            fresh = true;
        }
        const std::string& wanted = m_timeline->base.stem;
        if (f.stemsVersion != m_stemsVersion || f.divided != stemOfPart(wanted)) {
            f.stemsVersion = m_stemsVersion;
            f.divided = stemOfPart(wanted);
            f.stems = m_stems ? m_stems->openAll(wanted) : StemReaders{};
            f.isolator->forget();
            f.grown = 0;
        }
        if (m_stems && f.grown < m_stems->available()) {  // a split in progress: what was silence may be sound by now
            f.grown = m_stems->available();
            f.isolator->forget();
        }
        f.timeline = m_timeline;
        loop = m_loop;
    }
    if (fresh) {  // outside the lock: opening a file takes a moment
        f.source = source();
        f.recorded = recorded ? recorded() : nullptr;
        f.removed = removed ? removed() : nullptr;
        f.isolator->forget();
    }
    // A loop's last block ends with the loop, and its last 5 ms fade into what leads up to the loop's start.
    const int64_t left = loop && first < loop->second ? loop->second - first : INT64_MAX;
    const int fade = int(std::min<int64_t>(int64_t(0.005 * m_rate), kFrames / 2));
    const bool seam = left <= kFrames;
    block.frames = seam ? int(left) : left < kFrames + fade ? int(left) - fade : kFrames;  // leaves room for the fade
    fillRows(block, first);
    if (heard() == Heard::Mix) fillMix(block, first, loop, seam ? fade : 0);
    else std::fill(block.mix.begin(), block.mix.end(), 0.0f);
    if (seam) {
        const int length = std::min(block.frames, fade);
        fillRows(f.seam, loop->first - length);
        for (int r = 0; r < kRows; ++r)
            for (int c = 0; c < m_channels; ++c) {
                float* row = block.row(r, c) + block.frames - length;
                for (int i = 0; i < length; ++i) {
                    const float w = float(i + 1) / float(length);
                    row[i] = (1 - w) * row[i] + w * f.seam.row(r, c)[i];
                }
            }
    }
    f.before = f.timeline;
}

void Player::fillMix(PlayBlock& block, int64_t first, const std::optional<std::pair<int64_t, int64_t>>& loop,
                     int fadeOut) {
    m_mix.fill(block, first);
    // A mix cannot be begun before its loop without running it in: it fades out and in where the loop turns.
    const int fadeIn = loop && first == loop->first ? int(0.005 * m_rate) : 0;
    for (int i = 0; i < block.frames; ++i) {
        const float in = fadeIn > 0 ? std::min(1.0f, float(i + 1) / float(fadeIn)) : 1.0f,
                    out = fadeOut > 0 ? std::min(1.0f, float(block.frames - 1 - i) / float(fadeOut)) : 1.0f;
        for (int c = 0; c < 2; ++c) block.mix[size_t(c) * kFrames + size_t(i)] *= in * out;
    }
}

void Player::fillRows(PlayBlock& block, int64_t first) {
    Feeding& f = *m_feeding;
    const int64_t margin = std::max(f.isolator->margin(*f.timeline), f.isolator->margin(*f.before));
    const auto store = [&block, this](int row, const AudioBuffer& from, int64_t skip) {
        for (int c = 0; c < m_channels; ++c) std::copy_n(from.channel(c).begin() + skip, kFrames, block.row(row, c));
    };
    std::fill(block.data.begin(), block.data.end(), 0.0f);
    const auto versions = [&](const AudioBuffer& source, int64_t skip) {
        if (!f.recorded) return store(kRecordedRow, source, skip);
        AudioBuffer recorded = f.recorded->read(first, kFrames);
        store(kRecordedRow, recorded, 0);
        if (f.removed) return store(kRemovedRow, f.removed->read(first, kFrames), 0);
        for (int c = 0; c < m_channels; ++c)
            for (int i = 0; i < kFrames; ++i) recorded.channel(c)[size_t(i)] -= source.channel(c)[size_t(skip + i)];
        store(kRemovedRow, recorded, 0);
    };
    if (f.stems.stems.size() != kStemCount ||
        (heard() == Heard::Mix &&
         !m_stemsHeard)) {  // without a separation the result is the source, and nothing is left over
        const AudioBuffer source = f.source->read(first, kFrames);
        store(kSourceRow, source, 0);
        versions(source, 0);
        return store(kResultRow, source, 0);
    }
    const StemBlock all = f.stems.read(*f.source, first - margin, kFrames + 2 * margin);
    store(kSourceRow, all.source, margin);
    versions(all.source, margin);
    for (size_t s = 0; s < kStemCount; ++s) store(kStemRow + int(s), all.stems[s], margin);
    struct Isolated {
        AudioBuffer result, wanted;
    };
    const auto isolated = [&](const StrengthTimeline& timeline) {
        const std::string& stem = timeline.base.stem;
        auto out = f.isolator->apply(timeline, int(stemPlace(stem)), first, all, margin);
        AudioBuffer wanted = out.wanted(stem);
        return Isolated{std::move(out.result), std::move(wanted)};
    };
    Isolated now = isolated(*f.timeline);
    if (f.timeline != f.before) {
        const Isolated before = isolated(*f.before);
        const auto fade = [this](AudioBuffer& to, const AudioBuffer& from) {
            for (int c = 0; c < m_channels; ++c)
                for (int i = 0; i < kFrames; ++i) {
                    const float w = float(i + 1) / kFrames;
                    float& v = to.channel(c)[size_t(i)];
                    v = (1 - w) * from.channel(c)[size_t(i)] + w * v;
                }
        };
        fade(now.result, before.result);
        fade(now.wanted, before.wanted);
    }
    store(kResultRow, now.result, 0);
    for (size_t i = 0; i < now.wanted.samples().size(); ++i)
        now.wanted.samples()[i] =
            all.source.channel(int(i) / kFrames)[size_t(margin) + i % kFrames] - now.wanted.samples()[i];
    store(kLeftoversRow, now.wanted, 0);
}

}  // namespace rivlen

#include "core/rebuild/LaneReader.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/audio/Decibel.h"

namespace rivlen {

namespace {

constexpr int64_t kAhead = 2048;           // frames read at once from a material
constexpr double kSeam = 0.010;            // seconds over which a repeating clip fades into its beginning
constexpr float kHalfPower = 0.70710678f;  // ITU-R BS.775

/// One frame of a material in the channels of the mix: mono lies in the middle at equal power, 5.1 is mixed down to
/// Lo/Ro (ITU-R BS.775), stereo to mono by the mean.
void mapped(const AudioBuffer& from, size_t i, int channels, float* out) {
    const int have = from.channels();
    const auto x = [&](int c) { return from.channel(c)[i]; };
    if (have == channels) {
        for (int c = 0; c < channels; ++c) out[c] = x(c);
        return;
    }
    for (int c = 0; c < channels; ++c) out[c] = 0;
    if (have == 1) {
        if (channels == 2) out[0] = out[1] = kHalfPower * x(0);
        else out[channels >= 3 ? 2 : 0] = x(0);
    } else if ((have == 6 || have == 8) && channels <= 2) {
        float left = x(0) + kHalfPower * (x(2) + x(4)), right = x(1) + kHalfPower * (x(2) + x(5));
        if (have == 8) left += kHalfPower * x(6), right += kHalfPower * x(7);
        if (channels == 1) out[0] = 0.5f * (left + right);
        else out[0] = left, out[1] = right;
    } else if (channels == 1) {
        for (int c = 0; c < have; ++c) out[0] += x(c) / float(have);
    } else {
        for (int c = 0; c < std::min(have, channels); ++c) out[c] = x(c);
    }
}

}  // namespace

void LaneReader::set(const Shared<Rebuild>& rebuild, const Shared<Lane>& lane) {
    const bool sameSounds = m_rebuild->sounds == rebuild->sounds && m_rebuild->tones == rebuild->tones;
    if (!sameSounds) m_open.clear();
    if (!(m_lane->clips == lane->clips) || !sameSounds) {
        m_before = m_lane;
        m_changed = true;
    }
    m_rebuild = rebuild;
    m_lane = lane;
}

const AudioBuffer* LaneReader::material(const std::string& name, int64_t first, int64_t count) {
    auto found = m_open.find(name);
    if (found == m_open.end()) {
        found = m_open.emplace(name, Open{}).first;
        try {
            found->second.source = m_materials->open(name, *m_rebuild);
        } catch (const Error&) {
            m_failed = true;
        }
    }
    Open& o = found->second;
    if (!o.source) return nullptr;
    if (first < o.first || first + count > o.first + o.block.frames()) {
        try {
            o.first = first;
            o.block = o.source->read(first, std::max(count, kAhead));
        } catch (const Error&) {  // the file went away while it plays
            m_failed = true;
            o.block = AudioBuffer(o.source->channels(), std::max(count, kAhead));
        }
    }
    return &o.block;
}

void LaneReader::readClip(const Clip& clip, int64_t first, AudioBuffer& out) {
    const int rate = m_materials->reel().sampleRate;
    const auto frame = [rate](double seconds) -> int64_t { return std::llround(seconds * rate); };
    const int64_t begin = frame(clip.at), end = frame(clip.end()), offset = frame(clip.offset);
    const int64_t loopFrom = frame(clip.loopFrom), loopTo = frame(clip.loopTo), round = loopTo - loopFrom;
    const int64_t seam = round > 0 ? std::min<int64_t>({frame(kSeam), round / 2, std::max<int64_t>(1, loopFrom)}) : 0;
    const double fadeIn = double(frame(clip.fadeIn)), fadeOut = double(frame(clip.fadeOut));
    const auto gain = float(fromDb(clip.gain));
    float x[8], y[8];
    for (int64_t t = std::max(first, begin); t < std::min(first + out.frames(), end);) {
        // A stretch that lies in one piece in the material.
        int64_t place = offset + (t - begin), run = std::min(first + out.frames(), end) - t;
        if (round > 0) {
            if (place >= loopTo) place = loopFrom + (place - loopFrom) % round;
            run = std::min(run, loopTo - place);
            if (place < loopTo - seam) run = std::min(run, loopTo - seam - place);
        }
        const bool inSeam = round > 0 && place >= loopTo - seam;
        const AudioBuffer* found = material(clip.material, place, run);
        if (!found) return;
        const auto from = size_t(place - m_open.at(clip.material).first);
        AudioBuffer lead;
        if (inSeam) {  // what leads up to the loop's beginning
            lead = found->slice(int64_t(from), run);
            const AudioBuffer* before = material(clip.material, place - round, run);
            m_piece = before->slice(place - round - m_open.at(clip.material).first, run);
        }
        for (int64_t i = 0; i < run; ++i, ++t) {
            float g = gain;
            if (fadeIn > 0 && double(t - begin) < fadeIn)
                g *= float(fadeGain(clip.fadeInShape, double(t - begin) / fadeIn));
            if (fadeOut > 0 && double(end - t) < fadeOut)
                g *= float(fadeGain(clip.fadeOutShape, double(end - t) / fadeOut));
            if (inSeam) {
                const double w = std::numbers::pi / 2 * double(place + i - (loopTo - seam) + 1) / double(seam + 1);
                mapped(lead, size_t(i), m_channels, x);
                mapped(m_piece, size_t(i), m_channels, y);
                for (int c = 0; c < m_channels; ++c) x[c] = float(std::cos(w)) * x[c] + float(std::sin(w)) * y[c];
            } else {
                mapped(*found, from + size_t(i), m_channels, x);
            }
            for (int c = 0; c < m_channels; ++c) out.channel(c)[size_t(t - first)] += g * x[c];
        }
    }
}

void LaneReader::readClips(const Lane& lane, int64_t first, AudioBuffer& out) {
    std::fill(out.samples().begin(), out.samples().end(), 0.0f);
    const double from = double(first) / m_materials->reel().sampleRate - 1,
                 to = from + double(out.frames()) / m_materials->reel().sampleRate + 2;
    for (const Clip& c : lane.clips) {
        if (c.at > to) break;
        if (!c.muted && c.end() >= from) readClip(c, first, out);
    }
}

void LaneReader::read(int64_t first, AudioBuffer& out) {
    readClips(*m_lane, first, out);
    if (!m_changed) return;
    m_changed = false;
    AudioBuffer before(m_channels, out.frames());
    readClips(*m_before, first, before);
    for (int c = 0; c < m_channels; ++c)
        for (int64_t i = 0; i < out.frames(); ++i) {
            const float w = float(i + 1) / float(out.frames());
            float& v = out.channel(c)[size_t(i)];
            v = (1 - w) * before.channel(c)[size_t(i)] + w * v;
        }
}

}  // namespace rivlen

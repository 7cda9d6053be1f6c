#include "core/rebuild/ReplaceMusic.h"

#include <algorithm>
#include <cmath>

#include "core/base/Error.h"
#include "core/loudness/Loudness.h"
#include "core/rebuild/ClipEdits.h"

namespace rivlen {

namespace {

constexpr double kJoin = 0.4;  // seconds over which the body of a cue fades into its ending

double loudness(SampleSource& source, double from, double to, const Progress& progress) {
    LoudnessMeter meter(source.channels(), source.sampleRate(), LoudnessMeter::Detail::LoudnessAndPeak);
    const int64_t rate = source.sampleRate(), end = std::llround(to * double(rate));
    for (int64_t at = std::llround(from * double(rate)); at < end; at += rate) {
        progress.throwIfCancelled();
        meter.add(source.read(at, std::min(rate, end - at)));
    }
    return meter.integrated();
}

}  // namespace

std::string voiceLane(const Rebuild& r) {
    for (const auto& l : r.lanes)
        if (l->stem == 0) return l->id;
    return {};
}

std::string replaceMusic(Rebuild& r, const MusicReplacement& m) {
    const double span = m.to - m.from, cue = m.cueEnd - m.cueFrom;
    if (!r.sound(m.sound)) throw Error(Error::Kind::Usage, "There is no cue to lay in: choose a sound file.");
    if (span < 0.5)
        throw Error(Error::Kind::Usage, "The span for the new music is shorter than half a second: set a longer loop.");
    if (cue < 0.2) throw Error(Error::Kind::Usage, "The cue begins after its own end: let it begin earlier.");
    std::string below;
    for (auto& lane : r.lanes) {
        const bool holds =
            std::any_of(lane->clips.begin(), lane->clips.end(), [](const Clip& c) { return c.material == "music"; });
        if (!holds && lane->stem != 1) continue;
        below = lane->id;
        clearSpan(r, below, m.from, m.to, m.crossFade);
    }
    const std::string id = addLane(r, "New music", below);
    Lane& lane = *r.lane(id);
    lane.stem = 1;
    Clip body;
    body.material = m.sound;
    body.id = r.freeId("clip");
    body.at = m.from;
    body.offset = m.cueFrom;
    body.gain = m.gain;
    body.fadeIn = std::min(m.fadeIn, span / 2);
    const double tail = std::min({m.tail, span / 2, cue / 2});
    body.length = tail > 0 ? span - tail + std::min(kJoin, tail) : span;
    // What is too short repeats; its beginning and its ending are heard once.
    const double usable = tail > 0 ? m.cueEnd - tail : m.cueEnd;
    if (body.length > usable - m.cueFrom) {
        body.loopFrom = m.loopTo > m.loopFrom ? m.loopFrom : m.cueFrom + 0.1 * (usable - m.cueFrom);
        body.loopTo = m.loopTo > m.loopFrom ? m.loopTo : usable;
    }
    if (tail > 0) {
        body.fadeOut = std::min(kJoin, tail);
        lane.clips.push_back(body);
        Clip ending = body;
        ending.id = r.freeId("clip");
        ending.loopFrom = ending.loopTo = 0;
        ending.at = m.to - tail;
        ending.length = tail;
        ending.offset = m.cueEnd - tail;
        ending.fadeIn = body.fadeOut;
        ending.fadeOut = std::min(0.02, tail / 2);
        r.lane(id)->clips.push_back(ending);
    } else {
        body.fadeOut = std::clamp(m.fadeOut, 0.0, body.length - body.fadeIn);
        lane.clips.push_back(body);
    }
    if (const std::string voice = voiceLane(r); m.duck && !voice.empty()) {
        r.lane(id)->duck.on = true;
        r.lane(id)->duck.key = voice;
    }
    return id;
}

double matchingGain(Materials& materials, const Rebuild& rebuild, const MusicReplacement& m, const Progress& progress) {
    const auto old = materials.open("music", rebuild), cue = materials.open(m.sound, rebuild);
    if (!old || !cue) return 0;
    const double a = loudness(*old, m.from, m.to, Progress(progress, 0, 0.5));
    const double b =
        loudness(*cue, m.cueFrom, std::min(m.cueEnd, m.cueFrom + (m.to - m.from)), Progress(progress, 0.5, 1));
    return std::isfinite(a) && std::isfinite(b) && a > -60 ? std::clamp(a - b, -30.0, 20.0) : 0;
}

}  // namespace rivlen

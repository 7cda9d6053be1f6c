#include "core/exchange/LayAnswer.h"

#include <algorithm>
#include <cmath>

#include "core/base/Error.h"
#include "core/isolation/StemNames.h"
#include "core/rebuild/ClipEdits.h"

namespace rivlen {

namespace {

constexpr double kAnswerFade = 0.01, kShortest = 0.05;  // seconds

bool holds(const Lane& lane, size_t stem) {
    if (lane.stem == int(stem)) return true;
    return std::any_of(lane.clips.begin(), lane.clips.end(),
                       [&](const Clip& c) { return c.material == kStemNames[stem]; });
}

}  // namespace

std::string layAnswer(Rebuild& r, const Answer& answer, const SentSound& sent, int sampleRate, size_t stem,
                      double gainDb) {
    const double rate = sampleRate;
    const auto onGrid = [rate](double second) { return std::round(second * rate) / rate; };
    std::vector<Clip> clips;
    for (const auto& s : answer.stretches) {
        const double late = onGrid(sent.begin) + onGrid(s.shift);  // from the answer's seconds to the reel's
        const double from = std::max(onGrid(s.from) + late, onGrid(sent.from)),
                     to = std::min(onGrid(s.to) + late, onGrid(sent.to));
        if (to - from < kShortest) continue;
        Clip c;
        c.at = from;
        c.length = to - from;
        c.offset = from - late;
        c.gain = gainDb;
        c.fadeIn = c.fadeOut = kAnswerFade;
        c.fadeInShape = c.fadeOutShape = FadeShape::Linear;
        clips.push_back(c);
    }
    if (clips.empty())
        throw Error(Error::Kind::Usage, "Nothing of the span is in \"" + answer.file.filename().string() +
                                            "\": send it with longer handles, or take another answer.");
    std::string below;
    std::vector<std::string> lanes;
    for (const auto& lane : r.lanes)
        if (holds(*lane, stem)) lanes.push_back(below = lane->id);
    const auto known =
        std::find_if(r.sounds.begin(), r.sounds.end(), [&](const Sound& s) { return s.file == answer.file; });
    std::string sound = known == r.sounds.end() ? r.freeId("sound") : known->id;
    if (known == r.sounds.end()) r.sounds.push_back({sound, answer.file.stem().string(), answer.file});
    for (const Clip& c : clips)
        for (const std::string& lane : lanes) {
            const double from = c.at + kAnswerFade, to = c.end() - kAnswerFade;
            if (!clearSpan(r, lane, from, to, kAnswerFade)) continue;
            for (Clip& old : r.lane(lane)->clips) {  // both are the same voice: amplitudes add
                if (std::fabs(old.end() - from) < kShortestClip) old.fadeOutShape = FadeShape::Linear;
                if (std::fabs(old.at - to) < kShortestClip) old.fadeInShape = FadeShape::Linear;
            }
        }
    const std::string id = addLane(r, "From outside", below);
    Lane& lane = *r.lane(id);
    lane.stem = int(stem);
    if (const Lane* own = r.lane(below)) lane.strip = own->strip, lane.group = own->group;
    for (Clip& c : clips) {
        c.id = r.freeId("clip");
        c.material = sound;
        r.lane(id)->clips.push_back(c);
    }
    return id;
}

}  // namespace rivlen

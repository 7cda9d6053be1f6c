#include "core/rebuild/ClipEdits.h"

#include <algorithm>
#include <cmath>
#include <utility>

namespace rivlen {

namespace {

/// Changes a clip and keeps its lane in order.
template <typename F>
void change(Rebuild& r, const std::string& id, F f) {
    const Lane* found = r.laneOf(id);
    if (!found) return;
    Lane& lane = *r.lane(found->id);
    for (Clip& c : lane.clips)
        if (c.id == id) f(c);
    sortClips(lane);
}

void limitFades(Clip& c) {
    c.fadeIn = std::clamp(c.fadeIn, 0.0, c.length);
    c.fadeOut = std::clamp(c.fadeOut, 0.0, c.length - c.fadeIn);
}

void put(Rebuild& r, const std::string& lane, const Clip& clip) {
    if (Lane* l = r.lane(lane)) {
        l->clips.push_back(clip);
        sortClips(*l);
    }
}

}  // namespace

std::string cutClip(Rebuild& r, const std::string& id, double at) {
    const Clip* found = std::as_const(r).clip(id);
    if (!found || at - found->at < kShortestClip || found->end() - at < kShortestClip) return {};
    const std::string lane = r.laneOf(id)->id;
    Clip right = *found;
    right.id = r.freeId("clip");
    right.offset = found->materialAt(at);
    right.at = at;
    right.length = found->end() - at;
    right.fadeIn = 0;
    right.mark = ClipMark::None;
    right.pair.clear();
    limitFades(right);
    change(r, id, [at](Clip& c) {
        c.length = at - c.at;
        c.fadeOut = 0;
        limitFades(c);
    });
    put(r, lane, right);
    return right.id;
}

void splitLane(Rebuild& r, const std::string& lane, double at) {
    std::vector<std::string> over;
    if (const Lane* l = std::as_const(r).lane(lane))
        for (const Clip& c : l->clips)
            if (c.at < at && c.end() > at) over.push_back(c.id);
    for (const auto& id : over) cutClip(r, id, at);
}

void moveClip(Rebuild& r, const std::string& id, double at, const std::string& lane) {
    const Lane* from = r.laneOf(id);
    if (!from) return;
    if (lane.empty() || lane == from->id || !std::as_const(r).lane(lane))
        return change(r, id, [at](Clip& c) { c.at = std::max(0.0, at); });
    Clip moved = *std::as_const(r).clip(id);
    moved.at = std::max(0.0, at);
    removeClip(r, id);
    put(r, lane, moved);
}

void trimClip(Rebuild& r, const std::string& id, bool begin, double to) {
    change(r, id, [&](Clip& c) {
        if (begin) {
            const double earliest =
                c.loops() ? c.at : std::max(0.0, c.at - c.offset);  // no sound lies before its material's beginning
            const double at = std::clamp(to, earliest, c.end() - kShortestClip);
            c.offset = c.materialAt(at);
            c.length = c.end() - at;
            c.at = at;
        } else {
            c.length = std::max(kShortestClip, to - c.at);
        }
        limitFades(c);
    });
}

void slipClip(Rebuild& r, const std::string& id, double by) {
    change(r, id, [by](Clip& c) { c.offset = std::max(0.0, c.offset - by); });
}

void fadeClip(Rebuild& r, const std::string& id, bool in, double seconds, FadeShape shape) {
    change(r, id, [&](Clip& c) {
        (in ? c.fadeIn : c.fadeOut) = std::clamp(seconds, 0.0, c.length - (in ? c.fadeOut : c.fadeIn));
        (in ? c.fadeInShape : c.fadeOutShape) = shape;
    });
}

bool crossFade(Rebuild& r, const std::string& id, double seconds, FadeShape shape) {
    const Lane* lane = r.laneOf(id);
    if (!lane) return false;
    const auto left = std::find_if(lane->clips.begin(), lane->clips.end(), [&](const Clip& c) { return c.id == id; });
    const auto right = std::find_if(std::next(left), lane->clips.end(),
                                    [&](const Clip& c) { return c.mark == left->mark && c.at > left->at; });
    if (right == lane->clips.end() || right->at > left->end() + 0.001) return false;
    const double border = (right->at + left->end()) / 2;
    const double half = std::min(
        {seconds / 2, (right->end() - border) / 2, (border - left->at) / 2, right->offset + (border - right->at)});
    if (half <= 0.0005) return false;
    const std::string next = right->id;
    trimClip(r, id, false, border + half);
    trimClip(r, next, true, border - half);
    fadeClip(r, id, false, 2 * half, shape);
    fadeClip(r, next, true, 2 * half, shape);
    return true;
}

std::string copyClip(Rebuild& r, const std::string& id, double at, const std::string& lane) {
    const Lane* from = r.laneOf(id);
    if (!from) return {};
    Clip copy = *std::as_const(r).clip(id);
    copy.id = r.freeId("clip");
    copy.at = std::max(0.0, at);
    copy.mark = ClipMark::None;
    copy.pair.clear();
    const std::string to = lane.empty() ? from->id : lane;
    put(r, to, copy);
    return copy.id;
}

void removeClip(Rebuild& r, const std::string& id) {
    const Lane* lane = r.laneOf(id);
    if (!lane) return;
    const std::string pair = std::as_const(r).clip(id)->pair;
    std::erase_if(r.lane(lane->id)->clips, [&](const Clip& c) { return c.id == id; });
    if (std::as_const(r).clip(pair))
        change(r, pair, [](Clip& c) { c.mark = ClipMark::None, c.pair.clear(), c.muted = false; });
}

std::string keepBefore(Rebuild& r, const std::string& id) {
    const Lane* lane = r.laneOf(id);
    if (!lane || !std::as_const(r).clip(id)->pair.empty()) return {};
    const std::string above = lane->id;
    const size_t place = size_t(
        std::find_if(r.lanes.begin(), r.lanes.end(), [&](const auto& l) { return l->id == above; }) - r.lanes.begin());
    const std::string name = lane->name + ", before";
    std::string below =
        place + 1 < r.lanes.size() && r.lanes[place + 1]->name == name ? r.lanes[place + 1]->id : std::string();
    if (below.empty()) {
        below = addLane(r, name, above);
        const Strip strip = std::as_const(r).lane(above)->strip;
        r.lane(below)->strip = strip;
        r.lane(below)->stem = std::as_const(r).lane(above)->stem;
        r.lane(below)->group = std::as_const(r).lane(above)->group;
    }
    const std::string copy = copyClip(r, id, std::as_const(r).clip(id)->at, below);
    change(r, copy, [&](Clip& c) { c.mark = ClipMark::Before, c.pair = id, c.muted = true; });
    change(r, id, [&](Clip& c) { c.mark = ClipMark::After, c.pair = copy; });
    return copy;
}

void swapPair(Rebuild& r, const std::string& id) {
    const Clip* c = std::as_const(r).clip(id);
    if (!c || c->pair.empty()) return;
    const std::string other = c->pair;
    const bool mute = !c->muted;
    change(r, id, [mute](Clip& x) { x.muted = mute; });
    change(r, other, [mute](Clip& x) { x.muted = !mute; });
}

bool clearSpan(Rebuild& r, const std::string& lane, double from, double to, double fade) {
    splitLane(r, lane, from);
    splitLane(r, lane, to);
    Lane* l = r.lane(lane);
    if (!l) return false;
    const auto inside = [&](const Clip& c) { return c.at >= from - kShortestClip && c.end() <= to + kShortestClip; };
    const size_t gone = std::erase_if(l->clips, inside);
    if (gone == 0) return false;
    for (Clip& c : l->clips) {
        if (std::fabs(c.end() - from) < kShortestClip) {  // the fade lies outside of the span
            c.fadeOut = std::min(fade, c.length - c.fadeIn);
        } else if (std::fabs(c.at - to) < kShortestClip) {
            c.fadeIn = std::min(fade, c.length - c.fadeOut);
        }
    }
    return true;
}

void removeTime(Rebuild& r, double from, double to) {
    const double gone = to - from;
    if (gone <= 0) return;
    const auto moved = [&](double t) { return t >= to ? t - gone : std::min(t, from); };
    const auto curves = [&](Strip& s) {
        for (auto& [id, curve] : s.automation) {
            DrawnCurve kept;
            for (const auto& [t, v] : curve)
                if (t <= from || t >= to) kept.emplace_back(moved(t), v);
            if (kept.empty() && !curve.empty()) kept.emplace_back(from, drawnAt(curve, from));
            curve = std::move(kept);
        }
    };
    for (auto& shared : r.lanes) {
        const std::string id = shared->id;
        clearSpan(r, id, from, to, 0.01);
        Lane& lane = shared.edit();
        for (Clip& c : lane.clips) c.at = moved(c.at);
        curves(lane.strip);
        sortClips(lane);
    }
    for (auto& g : r.groups) curves(g.strip);
    curves(r.mix);
    std::erase_if(r.markers, [&](const Marker& m) { return m.at > from && m.at < to; });
    for (auto& m : r.markers) m.at = moved(m.at);
}

std::string layTake(Rebuild& r, const std::string& lane, const std::string& sound, double begins, double from,
                    double to) {
    constexpr double kFade = 0.01;
    if (!r.lane(lane) || to - from < kShortestClip) return {};
    splitLane(r, lane, from);
    splitLane(r, lane, to);
    Lane& l = *r.lane(lane);
    for (Clip& c : l.clips)
        if (c.at < to - kShortestClip && c.end() > from + kShortestClip) c.muted = true;
    Clip c;
    c.id = r.freeId("clip");
    c.material = sound;
    c.at = from;
    c.length = to - from;
    c.offset = from - begins;
    c.fadeIn = c.fadeOut = std::min(kFade, c.length / 2);
    l.clips.push_back(c);
    sortClips(l);
    return c.id;
}

std::string addLane(Rebuild& r, const std::string& name, const std::string& below) {
    Lane lane;
    lane.id = r.freeId("lane");
    lane.name = name;
    auto place = r.lanes.end();
    for (auto it = r.lanes.begin(); it != r.lanes.end(); ++it)
        if ((*it)->id == below) place = it + 1;
    r.lanes.insert(place, Shared<Lane>(lane));
    return lane.id;
}

double snapped(const Rebuild& r, double at, double reach, const std::vector<double>& points,
               const std::string& butClip) {
    double best = at, nearest = reach;
    const auto consider = [&](double t) {
        if (const double d = std::fabs(t - at); d < nearest) nearest = d, best = t;
    };
    for (const auto& lane : r.lanes)
        for (const auto& c : lane->clips)
            if (c.id != butClip) consider(c.at), consider(c.end());
    for (const auto& m : r.markers) consider(m.at);
    for (double t : points) consider(t);
    return best;
}

}  // namespace rivlen

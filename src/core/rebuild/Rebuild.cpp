#include "core/rebuild/Rebuild.h"

#include <algorithm>
#include <set>

#include "core/base/Error.h"
#include "core/isolation/StemNames.h"

namespace rivlen {

const std::vector<Parameter<Strip>>& stripParameters() {
    static const std::vector<Parameter<Strip>> table = [] {
        std::vector<Parameter<Strip>> all = {
            {"level", "Level", "dB", kSilentLevel, 12, 0, 0.1,
             "How loud the lane is in the mix; at the left end it is silent.", &Strip::level},
            {"pan", "Pan", "", -100, 100, 0, 1, "Left or right, at equal power. Far out a voice leaves the picture.",
             &Strip::pan},
            {"width", "Width", "%", 0, 200, 100, 1,
             "0 is mono, 100 as it is. Too wide sounds hollow and cancels in mono.", &Strip::width},
        };
        for (const auto& p : placeParameters())
            all.push_back({p.id, p.name, p.unit, p.minimum, p.maximum, p.usual, p.step, p.explanation, p.value});
        return all;
    }();
    return table;
}

const Parameter<Strip>& stripParameter(const std::string& id) {
    for (const auto& p : stripParameters())
        if (id == p.id) return p;
    return stripParameters().front();
}

namespace {

template <typename List>
auto* byId(List& list, const std::string& id) {
    const auto found = std::find_if(list.begin(), list.end(), [&](const auto& x) { return x.id == id; });
    return found == list.end() ? nullptr : &*found;
}

}  // namespace

const Lane* Rebuild::lane(const std::string& id) const {
    for (const auto& l : lanes)
        if (l->id == id) return &*l;
    return nullptr;
}

Lane* Rebuild::lane(const std::string& id) {
    for (auto& l : lanes)
        if (l->id == id) return &l.edit();
    return nullptr;
}

const Lane* Rebuild::laneOf(const std::string& clipId) const {
    for (const auto& l : lanes)
        if (byId(l->clips, clipId)) return &*l;
    return nullptr;
}

const Clip* Rebuild::clip(const std::string& id) const {
    const Lane* l = laneOf(id);
    return l ? byId(l->clips, id) : nullptr;
}

Clip* Rebuild::clip(const std::string& id) {
    const Lane* l = laneOf(id);
    return l ? byId(lane(l->id)->clips, id) : nullptr;
}

const Group* Rebuild::group(const std::string& id) const { return byId(groups, id); }
const Sound* Rebuild::sound(const std::string& id) const { return byId(sounds, id); }
const Tone* Rebuild::tone(const std::string& id) const { return byId(tones, id); }
const NamedRoom* Rebuild::room(const std::string& id) const { return byId(rooms, id); }

std::string Rebuild::freeId(const std::string& prefix) const {
    int highest = 0;
    const auto look = [&](const std::string& id) {
        if (id.size() > prefix.size() + 1 && id.compare(0, prefix.size(), prefix) == 0 && id[prefix.size()] == '-')
            highest = std::max(highest, std::atoi(id.c_str() + prefix.size() + 1));
    };
    for (const auto& l : lanes) {
        look(l->id);
        for (const auto& c : l->clips) look(c.id);
    }
    for (const auto& g : groups) look(g.id);
    for (const auto& s : sounds) look(s.id);
    for (const auto& t : tones) look(t.id);
    for (const auto& r : rooms) look(r.id);
    return prefix + "-" + std::to_string(highest + 1);
}

double Rebuild::end() const {
    double last = 0;
    for (const auto& l : lanes)
        for (const auto& c : l->clips) last = std::max(last, c.end());
    return last;
}

void sortClips(Lane& lane) {
    std::stable_sort(lane.clips.begin(), lane.clips.end(), [](const Clip& a, const Clip& b) { return a.at < b.at; });
}

Rebuild plainRebuild(double seconds, bool withRoom) {
    Rebuild r;
    const auto add = [&](const char* name, const char* material, int stem) {
        Lane lane;
        lane.id = r.freeId("lane");
        lane.name = name;
        lane.stem = stem;
        Clip clip;
        clip.id = r.freeId("clip");
        clip.material = material;
        clip.length = seconds;
        lane.clips.push_back(clip);
        r.lanes.emplace_back(lane);
    };
    add(withRoom ? "Voice" : "Dialogue", withRoom ? "voice" : "dialogue", 0);
    if (withRoom) add("Room", "room", 0);
    add("Music", "music", 1);
    add("Ambience", "ambience", 2);
    add("Source", "source", -1);
    r.lanes.back().edit().strip.mute = true;
    return r;
}

namespace {

using nlohmann::json;

json stripToJson(const Strip& strip) {
    json j = json::object();
    parametersToJson(stripParameters(), strip, j);
    if (strip.mute) j["mute"] = true;
    if (strip.solo) j["solo"] = true;
    if (json chain = toJson(strip.chain); !chain.empty()) j["chain"] = chain;
    for (const auto& [id, curve] : strip.automation) j["automation"][id] = curve;
    return j;
}

Strip stripFromJson(const json& j) {
    Strip strip;
    parametersFromJson(stripParameters(), j, strip);
    strip.mute = j.value("mute", false);
    strip.solo = j.value("solo", false);
    if (j.contains("chain")) strip.chain = chainFromJson(j.at("chain"));
    if (j.contains("automation"))
        for (const auto& p : stripParameters()) {
            if (!j.at("automation").contains(p.id)) continue;
            auto curve = j.at("automation").at(p.id).get<DrawnCurve>();
            std::stable_sort(curve.begin(), curve.end(),
                             [](const auto& a, const auto& b) { return a.first < b.first; });
            for (auto& point : curve) point.second = std::clamp(point.second, p.minimum, p.maximum);
            if (!curve.empty()) strip.automation[p.id] = std::move(curve);
        }
    return strip;
}

json clipToJson(const Clip& c) {
    json j{{"id", c.id}, {"material", c.material}, {"at", c.at}, {"length", c.length}};
    if (!c.name.empty()) j["name"] = c.name;
    if (c.offset != 0) j["offset"] = c.offset;
    if (c.gain != 0) j["gain"] = c.gain;
    if (c.muted) j["muted"] = true;
    if (c.fadeIn > 0) j["fade_in"] = json::array({c.fadeIn, fadeShapeName(c.fadeInShape)});
    if (c.fadeOut > 0) j["fade_out"] = json::array({c.fadeOut, fadeShapeName(c.fadeOutShape)});
    if (c.loops()) j["loop"] = json::array({c.loopFrom, c.loopTo});
    if (c.mark != ClipMark::None) j["mark"] = c.mark == ClipMark::Before ? "before" : "after";
    if (!c.pair.empty()) j["pair"] = c.pair;
    return j;
}

Clip clipFromJson(const json& j) {
    Clip c;
    c.id = j.at("id");
    c.material = j.at("material");
    c.name = j.value("name", "");
    c.at = j.at("at");
    c.length = j.at("length");
    c.offset = j.value("offset", 0.0);
    c.gain = j.value("gain", 0.0);
    c.muted = j.value("muted", false);
    if (j.contains("fade_in")) c.fadeIn = j.at("fade_in").at(0), c.fadeInShape = fadeShapeOf(j.at("fade_in").at(1));
    if (j.contains("fade_out"))
        c.fadeOut = j.at("fade_out").at(0), c.fadeOutShape = fadeShapeOf(j.at("fade_out").at(1));
    if (j.contains("loop")) c.loopFrom = j.at("loop").at(0), c.loopTo = j.at("loop").at(1);
    const std::string mark = j.value("mark", "");
    c.mark = mark == "before" ? ClipMark::Before : mark == "after" ? ClipMark::After : ClipMark::None;
    c.pair = j.value("pair", "");
    for (double v : {c.at, c.length, c.offset, c.gain, c.fadeIn, c.fadeOut, c.loopFrom, c.loopTo})
        if (!(v > -1e7 && v < 1e7))
            throw Error(Error::Kind::InputUnreadable, "The clip \"" + c.id + "\" has a time or gain that cannot be.");
    if (c.length < 0 || c.gain > 60)
        throw Error(Error::Kind::InputUnreadable, "The clip \"" + c.id + "\" has a length or gain out of range.");
    c.fadeIn = std::clamp(c.fadeIn, 0.0, c.length);
    c.fadeOut = std::clamp(c.fadeOut, 0.0, c.length - c.fadeIn);
    return c;
}

}  // namespace

json toJson(const Rebuild& r, const std::filesystem::path& folder) {
    json j{{"lanes", json::array()}};
    for (const auto& lane : r.lanes) {
        json l{{"id", lane->id}, {"name", lane->name}, {"clips", json::array()}};
        if (lane->stem >= 0) l["stem"] = kStemNames[size_t(lane->stem)];
        if (!lane->group.empty()) l["group"] = lane->group;
        if (json strip = stripToJson(lane->strip); !strip.empty()) l["strip"] = strip;
        if (lane->duck != Duck{}) {
            json d{{"on", lane->duck.on}, {"key", lane->duck.key}, {"by", lane->duck.voice ? "voice" : "level"}};
            parametersToJson(duckParameters(), lane->duck, d);
            l["duck"] = d;
        }
        for (const auto& c : lane->clips) l["clips"].push_back(clipToJson(c));
        j["lanes"].push_back(std::move(l));
    }
    for (const auto& g : r.groups) {
        j["groups"].push_back({{"id", g.id}, {"name", g.name}, {"strip", stripToJson(g.strip)}});
        if (g.folded) j["groups"].back()["folded"] = true;
    }
    if (json mix = stripToJson(r.mix); !mix.empty()) j["mix"] = mix;
    if (r.format != MixFormat::Reel) j["format"] = mixFormatFacts(r.format).id;
    for (const auto& s : r.sounds) {
        const auto relative = s.file.lexically_relative(folder);
        j["sounds"].push_back(
            {{"id", s.id}, {"name", s.name}, {"file", (relative.empty() ? s.file : relative).generic_string()}});
    }
    for (const auto& t : r.tones)
        j["tones"].push_back(
            {{"id", t.id}, {"name", t.name}, {"material", t.material}, {"spans", t.spans}, {"seed", t.seed}});
    for (const auto& n : r.rooms) j["rooms"].push_back({{"id", n.id}, {"name", n.name}, {"shape", toJson(n.shape)}});
    for (const auto& m : r.markers) j["markers"].push_back({{"at", m.at}, {"name", m.name}});
    for (const auto& t : r.mends) j["mends"].push_back(toJson(t));
    return j;
}

Rebuild rebuildFromJson(const json& j, const std::filesystem::path& folder) {
    Rebuild r;
    std::set<std::string> ids;
    const auto unique = [&ids](const std::string& id) {
        if (id.empty() || !ids.insert(id).second)
            throw Error(Error::Kind::InputUnreadable,
                        "The rebuild names \"" + id + "\" twice; it was damaged or edited by hand.");
    };
    const auto list = [&j](const char* key) { return j.value(key, json::array()); };
    for (const json& l : j.at("lanes")) {
        Lane lane;
        lane.id = l.at("id");
        unique(lane.id);
        lane.name = l.value("name", lane.id);
        if (l.contains("stem")) lane.stem = int(stemPlace(l.at("stem")));
        lane.group = l.value("group", "");
        if (l.contains("strip")) lane.strip = stripFromJson(l.at("strip"));
        if (l.contains("duck")) {
            const json& d = l.at("duck");
            lane.duck.on = d.value("on", false);
            lane.duck.key = d.value("key", "");
            lane.duck.voice = d.value("by", "voice") == "voice";
            parametersFromJson(duckParameters(), d, lane.duck);
        }
        for (const json& c : l.at("clips")) {
            lane.clips.push_back(clipFromJson(c));
            unique(lane.clips.back().id);
        }
        sortClips(lane);
        r.lanes.emplace_back(std::move(lane));
    }
    const json groups = list("groups"), sounds = list("sounds"), tones = list("tones"), rooms = list("rooms"),
               markers = list("markers");
    const json mends = list(j.contains("mends") ? "mends" : "retouches");  // their name in sessions before 0.2
    for (const json& g : groups) {
        r.groups.push_back({g.at("id"), g.value("name", ""), stripFromJson(g.value("strip", json::object())),
                            g.value("folded", false)});
        unique(r.groups.back().id);
    }
    if (j.contains("mix")) r.mix = stripFromJson(j.at("mix"));
    if (const std::string format = j.value("format", "reel"); format != "reel") {
        r.format = mixFormatOf(format);
        if (r.format == MixFormat::Reel)
            throw Error(Error::Kind::InputUnreadable,
                        "The rebuild is mixed for \"" + format + "\", which is no format that Rivlen knows.");
    }
    for (const json& s : sounds) {
        r.sounds.push_back(
            {s.at("id"), s.value("name", ""), (folder / s.at("file").get<std::string>()).lexically_normal()});
        unique(r.sounds.back().id);
    }
    for (const json& t : tones) {
        r.tones.push_back({t.at("id"), t.value("name", ""), t.value("material", "ambience"),
                           t.at("spans").get<std::vector<std::pair<double, double>>>(),
                           unsigned(t.value("seed", int64_t(1)))});
        unique(r.tones.back().id);
    }
    for (const json& n : rooms) {
        r.rooms.push_back({n.at("id"), n.value("name", ""), roomFromJson(n.at("shape"))});
        unique(r.rooms.back().id);
    }
    for (const json& m : markers) r.markers.push_back({m.at("at"), m.value("name", "")});
    for (const json& t : mends) r.mends.push_back(mendFromJson(t));
    return r;
}

}  // namespace rivlen

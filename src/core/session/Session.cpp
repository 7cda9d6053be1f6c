#include "core/session/Session.h"

#include <algorithm>
#include <cmath>
#include <fstream>
#include <nlohmann/json.hpp>

#include "core/base/Error.h"
#include "core/base/Json.h"
#include "core/base/JsonReason.h"
#include "core/base/Text.h"
#include "core/media/WholeFile.h"
#include "core/separation/Parts.h"

namespace rivlen {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {
// 1 knew one setting a reel, 2 no treatments, 3 no rebuild, 4 no strength of parts, 5 no installed effects
constexpr int kVersion = 6;
}  // namespace

const Reel* Session::reel(const std::string& id) const {
    for (const auto& r : reels)
        if (r.id == id) return &r;
    return nullptr;
}

Reel* Session::reel(const std::string& id) { return const_cast<Reel*>(std::as_const(*this).reel(id)); }

std::array<StrengthTimeline, kWantedCount> Reel::neutralStrength() {
    std::array<StrengthTimeline, kWantedCount> all;
    for (size_t s = 0; s < kWantedCount; ++s) all[s].base.stem = kWantedNames[s];
    return all;
}

StrengthTimeline timelineWith(const Reel& reel, const IsolationSettings& settings) {
    Reel other = reel;
    other.setIsolation(settings);
    return other.timeline();
}

Reel makeReel(const Session& session, const fs::path& source) {
    Reel reel;
    int number = int(session.reels.size());
    do reel.id = "reel-" + std::to_string(++number);
    while (session.reel(reel.id));
    reel.name = source.stem().string();
    reel.source = fs::absolute(source).lexically_normal();
    return reel;
}

namespace {

constexpr uintmax_t kLargestSession = 200 << 20;  // bytes: a thousand reels with all that can be done to them
constexpr const char* kStageIds[] = {"intake", "split", "weigh", "rebuild", "dispatch"};

Error refusal(const fs::path& file, const std::string& why) {
    return Error(Error::Kind::InputUnreadable, "The session \"" + file.string() + "\" " + why);
}

/// The marks of a reel; what is wrong with them is said of the session.
std::vector<Mark> marksOf(const json& j, const std::function<Error(const std::string&)>& refuse) {
    try {
        return marksFromJson(j);
    } catch (const Error& e) {
        throw refuse(e.what());
    }
}

}  // namespace

Session loadSession(const fs::path& file) {
    std::error_code problem;
    const auto status = fs::status(file, problem);
    if (fs::exists(status) && !fs::is_regular_file(status))
        throw refusal(file, fs::is_directory(status) ? "is a folder: choose a .rivlen file in it."
                                                     : "is a pipe or a device: choose a .rivlen file.");
    if (fs::is_regular_file(status) && fs::file_size(file, problem) > kLargestSession)
        throw refusal(file, "is larger than any session: choose a .rivlen file.");
    std::ifstream in(file);
    if (!in) throw refusal(file, "cannot be read: check the path and its permissions.");
    return parseSession(std::string(std::istreambuf_iterator<char>(in), {}), file);
}

Session parseSession(const std::string& text, const fs::path& file) {
    const auto refuse = [&file](const std::string& why) { return refusal(file, why); };
    try {
        const json j = parsedJson(text);
        if (j.value("format", "") != "rivlen-session") throw refuse("is not a Rivlen session: choose a .rivlen file.");
        const double version = j.at("version").get<double>();
        if (version > kVersion) throw refuse("was made by a newer Rivlen: update Rivlen to open it.");
        if (version < 1 || version != std::floor(version))
            throw refuse(formatted("has the version %g, which there never was: it was edited by hand.", version));
        const fs::path folder = fs::absolute(file).parent_path();
        Session session;
        session.name = j.value("name", file.stem().string());
        session.current = j.value("current", "");
        session.stage = j.value("stage", "intake");
        if (std::find(std::begin(kStageIds), std::end(kStageIds), session.stage) == std::end(kStageIds))
            throw refuse("has the stage \"" + session.stage +
                         "\": intake, split, weigh, rebuild and dispatch are known.");
        for (const json& r : j.at("reels")) {
            Reel reel;
            reel.id = r.at("id");
            if (session.reel(reel.id))
                throw refuse("names the reel \"" + reel.id + "\" twice; it was damaged or edited by hand.");
            reel.name = r.value("name", reel.id);
            reel.source = (folder / r.at("source").get<std::string>()).lexically_normal();
            reel.network = r.value("network", "");
            reel.quality = r.value("quality", "fine");
            if (const std::string scene = r.value("scene", ""); !scene.empty())
                reel.scene = (folder / scene).lexically_normal();
            if (reel.network == "quick") reel.network = "", reel.quality = "quick";  // was a network of its own
            if (reel.quality != "fine" && reel.quality != "quick")
                throw refuse("has the quality \"" + reel.quality + "\" for the reel \"" + reel.name +
                             "\": \"fine\" and \"quick\" are known.");
            reel.tolerateDamage = r.value("tolerate_damage", false);
            for (const auto& stem : r.value("parts", std::vector<std::string>())) {
                if (partsOf(stem).empty())
                    throw refuse("takes \"" + stem + "\" of the reel \"" + reel.name +
                                 "\" apart: \"music\" and \"ambience\" are known.");
                if (std::find(reel.parts.begin(), reel.parts.end(), stem) == reel.parts.end())
                    reel.parts.push_back(stem);
            }
            if (r.contains("isolation")) {  // version 1
                const IsolationSettings settings = isolationFromJson(r.at("isolation"));
                reel.stem = kStemNames[stemPlace(settings.stem)];
                reel.timeline().base = settings;
            }
            reel.stem = kWantedNames[wantedPlace(r.value("stem", reel.stem))];
            for (const json& c : r.value("strength", json::array())) {
                StrengthTimeline timeline = timelineFromJson(c);
                reel.strength[wantedPlace(timeline.base.stem)] = std::move(timeline);
            }
            for (const json& c : r.value("candidates", json::array())) {
                const std::string place = c.at("place");
                if (place.size() != 1 || place[0] < 'A' || place[0] >= 'A' + kCandidates)
                    throw refuse("has a candidate \"" + place + "\": only A to D are known.");
                reel.candidates[size_t(place[0] - 'A')] =
                    Candidate{c.value("name", ""), isolationFromJson(c.at("isolation"))};
            }
            if (r.contains("loop")) {
                reel.loop = {r.at("loop").at(0).get<double>(), r.at("loop").at(1).get<double>()};
                if (!(reel.loop->first >= 0 && reel.loop->first < reel.loop->second))
                    throw refuse(
                        formatted("has a loop from %g to %g s for the reel \"%s\": it must begin at 0 or later "
                                  "and end after its beginning.",
                                  reel.loop->first, reel.loop->second, reel.name));
            }
            if (r.contains("treatments")) reel.treatments = treatmentsFromJson(r.at("treatments"));
            if (r.contains("marks")) reel.marks = marksOf(r.at("marks"), refuse);
            reel.dismissed = r.value("dismissed", std::vector<std::string>{});
            reel.content = r.value("content", "");
            reel.group = r.value("group", "");
            reel.note = r.value("note", "");
            if (r.contains("rebuild")) reel.rebuild = rebuildFromJson(r.at("rebuild"), folder);
            session.reels.push_back(std::move(reel));
        }
        for (const json& d : j.value("deliverables", json::array()))
            session.deliverables.push_back(deliverableFromJson(d));
        if (!session.reel(session.current)) session.current = session.reels.empty() ? "" : session.reels.front().id;
        return session;
    } catch (const json::exception& e) {
        throw refuse("is damaged (" + jsonReason(e) + "): open the copy that was saved before, or the recovered one.");
    }
}

std::string sessionText(const Session& session, const fs::path& folder) {
    json reels = json::array();
    for (const Reel& r : session.reels) {
        const fs::path relative = r.source.lexically_relative(folder);
        json j{{"id", r.id},
               {"name", r.name},
               {"source", (relative.empty() ? r.source : relative).generic_string()},
               {"network", r.network},
               {"quality", r.quality},
               {"stem", r.stem}};
        if (r.tolerateDamage) j["tolerate_damage"] = true;
        if (!r.parts.empty()) j["parts"] = r.parts;
        if (!r.scene.empty()) {
            const fs::path scene = r.scene.lexically_relative(folder);
            j["scene"] = (scene.empty() ? r.scene : scene).generic_string();
        }
        for (size_t s = 0; s < kWantedCount; ++s)
            if (r.strength[s] != Reel::neutralStrength()[s]) j["strength"].push_back(toJson(r.strength[s]));
        for (int i = 0; i < kCandidates; ++i)
            if (const auto& c = r.candidates[size_t(i)])
                j["candidates"].push_back(
                    {{"place", std::string(1, char('A' + i))}, {"name", c->name}, {"isolation", toJson(c->settings)}});
        if (r.loop) j["loop"] = {r.loop->first, r.loop->second};
        if (!r.treatments.empty()) j["treatments"] = toJson(r.treatments);
        if (!r.marks.empty()) j["marks"] = toJson(r.marks);
        if (!r.dismissed.empty()) j["dismissed"] = r.dismissed;
        for (const auto& [key, text] :
             {std::pair("content", &r.content), std::pair("group", &r.group), std::pair("note", &r.note)})
            if (!text->empty()) j[key] = *text;
        if (!r.rebuild->empty()) j["rebuild"] = toJson(*r.rebuild, folder);
        reels.push_back(std::move(j));
    }
    json j{{"format", "rivlen-session"}, {"version", kVersion},    {"name", session.name},
           {"current", session.current}, {"stage", session.stage}, {"reels", reels}};
    for (const Deliverable& d : session.deliverables) j["deliverables"].push_back(toJson(d));
    return j.dump(1, ' ', false, json::error_handler_t::replace) + "\n";  // file names may be no UTF-8
}

void saveSession(const Session& session, const fs::path& file) {
    if (!writeWholeFile(file, sessionText(session, fs::absolute(file).parent_path())))
        throw Error(Error::Kind::OutputUnwritable,
                    "The session cannot be saved as \"" + file.string() +
                        "\": check that the folder may be written to and has space, or save it elsewhere.");
}

}  // namespace rivlen

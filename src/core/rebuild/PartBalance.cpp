#include "core/rebuild/PartBalance.h"

#include <algorithm>
#include <fstream>
#include <nlohmann/json.hpp>

#include "core/base/Error.h"
#include "core/base/Json.h"
#include "core/base/Resources.h"
#include "core/media/WholeFile.h"
#include "core/rebuild/Automation.h"
#include "core/rebuild/PartLanes.h"
#include "core/separation/Parts.h"

namespace rivlen {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

fs::path folder() { return dataFolder() / "balances"; }

fs::path fileOf(const PartBalance& balance) {
    std::string name;
    for (const char c : balance.stem + "-" + balance.name)
        name += std::isalnum(static_cast<unsigned char>(c)) || (c & 0x80) ? c : '-';
    return folder() / (name + ".json");
}

std::string partPlayed(const Lane& lane, const std::string& stem) {
    for (const Clip& c : lane.clips)
        if (stemOfPart(c.material) == stem) return c.material;
    return {};
}

double levelAt(const Strip& strip, double second) {
    const auto drawn = strip.automation.find("level");
    return drawn == strip.automation.end() || drawn->second.empty() ? strip.level : drawnAt(drawn->second, second);
}

/// The curve with a level from one second to another, reached and left within fade seconds.
DrawnCurve withSpan(const Strip& strip, double level, double from, double to, double fade) {
    const double a = std::max(0.0, from - fade), b = to + fade;
    DrawnCurve curve;
    const auto drawn = strip.automation.find("level");
    if (drawn != strip.automation.end())
        for (const auto& point : drawn->second)
            if (point.first < a) curve.push_back(point);
    curve.emplace_back(a, levelAt(strip, a));
    if (from > a) curve.emplace_back(from, level);
    else curve.back().second = level;
    curve.emplace_back(to, level);
    curve.emplace_back(b, levelAt(strip, b));
    if (drawn != strip.automation.end())
        for (const auto& point : drawn->second)
            if (point.first > b) curve.push_back(point);
    return curve;
}

PartBalance read(const fs::path& file) {
    std::ifstream in(file);
    const json j = parsedJson(in);
    if (j.value("format", "") != "rivlen-balance" || j.at("version").get<int>() > 1)
        throw Error(Error::Kind::InputUnreadable, "no balance");
    PartBalance balance{j.at("name"), j.at("stem"), {}};
    for (const auto& [part, level] : j.at("levels").items())
        if (stemOfPart(part) == balance.stem)
            balance.levels[part] = std::clamp(level.get<double>(), kSilentLevel, 12.0);
    return balance;
}

bool isShipped(const PartBalance& balance) {
    return std::any_of(shippedBalances().begin(), shippedBalances().end(),
                       [&](const PartBalance& b) { return b.stem == balance.stem && b.name == balance.name; });
}

}  // namespace

const std::vector<PartBalance>& shippedBalances() {
    // What people who lay music under picture ask for: common practice, the figures are ours.
    static const std::vector<PartBalance> table = {
        {"As it is", "music", {}},
        {"Under a voice", "music", {{"vocals", kSilentLevel}, {"drums", -9}, {"guitar", -3}, {"other", -3}}},
        {"Without drums", "music", {{"drums", kSilentLevel}}},
        {"Voice and bass", "music", {{"drums", -12}, {"guitar", -12}, {"other", -12}}},
        {"Rhythm alone", "music", {{"vocals", kSilentLevel}, {"guitar", kSilentLevel}, {"other", kSilentLevel}}},
        {"As it is", "ambience", {}},
        {"Nothing distracts", "ambience", {{"events", -20}}},
        {"Behind a voice", "ambience", {{"events", -20}, {"bed", -6}}},
        {"Events alone", "ambience", {{"bed", kSilentLevel}}},
    };
    return table;
}

std::vector<PartBalance> listBalances(const std::string& stem) {
    std::vector<PartBalance> all, own;
    for (const auto& b : shippedBalances())
        if (b.stem == stem) all.push_back(b);
    std::error_code none;
    for (const auto& entry : fs::directory_iterator(folder(), none)) {
        if (entry.path().extension() != ".json") continue;
        try {
            if (auto b = read(entry.path()); b.stem == stem) own.push_back(std::move(b));
        } catch (const std::exception&) {  // a broken one must not hide the good ones
        }
    }
    std::sort(own.begin(), own.end(), [](const PartBalance& a, const PartBalance& b) { return a.name < b.name; });
    all.insert(all.end(), own.begin(), own.end());
    return all;
}

bool applyBalance(Rebuild& rebuild, const PartBalance& balance, double from, double to, double fade) {
    bool done = false;
    for (auto& lane : rebuild.lanes) {
        const std::string part = partPlayed(*lane, balance.stem);
        if (part.empty()) continue;
        done = true;
        const auto found = balance.levels.find(part);
        const double level = found == balance.levels.end() ? 0 : found->second;
        Strip& strip = lane.edit().strip;
        if (from < to) {
            strip.automation["level"] = withSpan(strip, level, from, to, fade);
        } else {
            strip.level = level;
            strip.automation.erase("level");
        }
    }
    return done;
}

PartBalance balanceAt(const Rebuild& rebuild, const std::string& stem, double second) {
    PartBalance balance{"", stem, {}};
    for (const auto& lane : rebuild.lanes)
        if (const std::string part = partPlayed(*lane, stem); !part.empty())
            balance.levels[part] = lane->strip.mute ? kSilentLevel : levelAt(lane->strip, second);
    return balance;
}

void saveBalance(const PartBalance& balance) {
    if (balance.name.empty()) throw Error(Error::Kind::Usage, "A balance needs a name: type one.");
    if (isShipped(balance))
        throw Error(Error::Kind::Usage,
                    "\"" + balance.name + "\" came with Rivlen and stays as it is: choose another name.");
    const json j{{"format", "rivlen-balance"},
                 {"version", 1},
                 {"name", balance.name},
                 {"stem", balance.stem},
                 {"levels", balance.levels}};
    const fs::path file = fileOf(balance);
    if (!writeWholeFile(file, j.dump(1) + "\n"))
        throw Error(Error::Kind::OutputUnwritable, "The balance cannot be written to \"" + file.string() +
                                                       "\": check that the folder may be written to and has space.");
}

void removeBalance(const PartBalance& balance) {
    if (isShipped(balance))
        throw Error(Error::Kind::Usage, "\"" + balance.name + "\" came with Rivlen and cannot be removed.");
    std::error_code gone;
    fs::remove(fileOf(balance), gone);
}

bool copyRemix(const Rebuild& from, const std::string& stem, Rebuild& to) {
    if (!usesPartsOf(from, stem)) return false;
    if (!usesPartsOf(to, stem) && !layInParts(to, stem)) return false;
    for (const auto& theirs : from.lanes) {
        const std::string part = partPlayed(*theirs, stem);
        if (part.empty()) continue;
        for (auto& mine : to.lanes) {
            if (partPlayed(*mine, stem) != part) continue;
            Lane& lane = mine.edit();
            lane.strip.level = theirs->strip.level;
            lane.strip.mute = theirs->strip.mute;
            lane.strip.automation = theirs->strip.automation;
            const Group* group = from.group(theirs->group);
            for (auto& g : to.groups)
                if (group && g.id == lane.group) g.strip = group->strip;
        }
    }
    return true;
}

}  // namespace rivlen

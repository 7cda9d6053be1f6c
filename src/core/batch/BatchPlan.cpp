#include "core/batch/BatchPlan.h"

#include <algorithm>
#include <functional>
#include <map>
#include <set>

#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/batch/BatchSpans.h"
#include "core/media/RecordingFiles.h"
#include "core/session/NamedFolders.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr const char* kSessionSuffix = ".rivlen";

bool isSession(const fs::path& file) { return file.extension() == kSessionSuffix; }

std::vector<fs::path> sessionsIn(const fs::path& folder) {
    std::vector<fs::path> found;
    std::error_code failed;
    for (fs::recursive_directory_iterator each(folder, fs::directory_options::skip_permission_denied, failed), end;
         !failed && each != end; each.increment(failed))
        if (isSession(each->path())) found.push_back(each->path());
    std::sort(found.begin(), found.end());
    return found;
}

/// Letters that any file system takes; what was replaced is told apart by a sum.
std::string plainName(const std::string& text) {
    std::string plain;
    for (const char c : text) plain += isalnum(static_cast<unsigned char>(c)) || c == '-' || c == '_' ? c : '-';
    if (plain.size() > 80) plain.resize(80);
    return plain + formatted("-%08x", uint32_t(std::hash<std::string>()(text)));
}

class Planner {
public:
    explicit Planner(const BatchRequest& request) : m_request(request) {}

    std::vector<BatchUnit> plan() {
        for (const auto& input : m_request.inputs) {
            std::error_code unknown;
            if (!fs::exists(input, unknown))
                throw Error(Error::Kind::InputUnreadable,
                            "\"" + input.string() + "\" is not there: check the path; nothing was begun.");
            if (fs::is_directory(input, unknown)) addFolder(input);
            else if (isSession(input)) addSession(input, m_request.out / several(input));
            else addFile(input, m_request.out);
        }
        return std::move(m_units);
    }

private:
    bool dispatches() const { return m_request.command == "dispatch"; }

    /// Of several sessions each has a folder: their reels may have the same names.
    fs::path several(const fs::path& session) const {
        return m_request.inputs.size() > 1 ? session.stem() : fs::path();
    }

    void addFolder(const fs::path& folder) {
        const auto files = dispatches() ? sessionsIn(folder) : recordingsIn(folder);
        if (files.empty())
            throw Error(Error::Kind::Usage, "The folder \"" + folder.string() + "\" holds no " +
                                                (dispatches() ? "sessions" : "recordings") +
                                                ": name another one; nothing was begun.");
        for (const auto& file : files) {
            const fs::path below = m_request.out / file.parent_path().lexically_relative(folder);
            if (dispatches()) addSession(file, below / file.stem());
            else addFile(file, below);
        }
    }

    void addFile(const fs::path& file, const fs::path& folder) {
        if (dispatches())
            throw Error(Error::Kind::Usage,
                        "\"" + file.string() + "\" is no session, and dispatch wants sessions; nothing was begun.");
        add(file, "", folder, {});
    }

    void addSession(const fs::path& file, const fs::path& folder) {
        const Session session = loadOwnSession(file, isGiven(m_request.options, "--anywhere"));
        if (session.reels.empty())
            throw Error(Error::Kind::Usage, "The session \"" + file.string() +
                                                "\" has no reels: add a recording first; nothing was begun.");
        std::set<std::string> seen;
        for (const Reel& reel : session.reels) {
            if (!seen.insert(dispatches() ? reel.name : reel.source.string()).second) continue;
            if (dispatches()) {
                add(file, reel.name, folder, {"--reel", reel.name});
                continue;
            }
            std::vector<std::string> more;
            const bool separates = m_request.command == "split" || m_request.command == "weigh";
            const auto with = [&](const char* option, const std::string& value) {
                if (separates && !value.empty() && !isGiven(m_request.options, option))
                    more.insert(more.end(), {option, value});
            };
            with("--network", reel.network);
            with("--quality", reel.quality);
            with("--scene", reel.scene.string());
            if (reel.tolerateDamage && !isGiven(m_request.options, "--tolerate-damage"))
                more.emplace_back("--tolerate-damage");
            add(reel.source, "", folder, more);
        }
    }

    void add(const fs::path& file, const std::string& reel, const fs::path& folder, std::vector<std::string> more) {
        BatchUnit unit;
        unit.input = fs::absolute(file).lexically_normal();
        unit.reel = reel;
        unit.command = m_request.command;
        unit.folder = fs::absolute(folder).lexically_normal();
        if (unit.folder.filename().empty()) unit.folder = unit.folder.parent_path();  // the slash at its end
        unit.begins = reel.empty() ? file.stem().string() : "";
        const std::string writes = (unit.folder / (unit.begins.empty() ? "reel " + reel : unit.begins)).string();
        if (const auto [earlier, fresh] = m_writers.try_emplace(writes, unit.input); !fresh)
            throw Error(Error::Kind::Usage, "\"" + earlier->second.string() + "\" and \"" + unit.input.string() +
                                                "\" would write the same " +
                                                "files: rename one, or give them to two batches; nothing was begun.");
        unit.id =
            unit.command + "-" + plainName(fs::path(writes).lexically_relative(fs::absolute(m_request.out)).string());
        unit.arguments = {unit.input.string()};
        if (unit.command == "treat") unit.arguments.insert(unit.arguments.end(), {"--folder", unit.folder.string()});
        else if (unit.command != "weigh") unit.arguments.insert(unit.arguments.end(), {"--out", unit.folder.string()});
        unit.arguments.insert(unit.arguments.end(), more.begin(), more.end());
        unit.arguments.insert(unit.arguments.end(), m_request.options.begin(), m_request.options.end());
        unit.arguments.emplace_back("--json");
        std::string all = unit.command;
        for (const auto& word : unit.arguments) all += '\0' + word;
        std::error_code unknown;
        const auto size = fs::file_size(unit.input, unknown);
        const auto time = fs::last_write_time(unit.input, unknown).time_since_epoch().count();
        unit.key = formatted("%016x-%d-%d", std::hash<std::string>()(all), size, time);
        m_units.push_back(std::move(unit));
    }

    const BatchRequest& m_request;
    std::vector<BatchUnit> m_units;
    std::map<std::string, fs::path> m_writers;
};

}  // namespace

bool isGiven(const std::vector<std::string>& options, const std::string& name) {
    return std::any_of(options.begin(), options.end(),
                       [&](const auto& o) { return o == name || o.rfind(name + "=", 0) == 0; });
}

bool isBatchCommand(const std::string& command) {
    static const std::set<std::string> known{"split", "treat", "clean", "weigh", "dispatch"};
    return known.count(command);
}

std::vector<BatchUnit> planBatch(const BatchRequest& request) {
    auto units = Planner(request).plan();
    cutIntoSpans(request, units);
    return units;
}

nlohmann::json toJson(const BatchUnit& u) {
    return {{"id", u.id},
            {"input", u.input.string()},
            {"reel", u.reel},
            {"command", u.command},
            {"arguments", u.arguments},
            {"folder", u.folder.string()},
            {"begins", u.begins},
            {"key", u.key}};
}

BatchUnit batchUnitFrom(const nlohmann::json& j) {
    BatchUnit u;
    u.id = j.at("id").get<std::string>();
    u.input = j.at("input").get<std::string>();
    u.reel = j.at("reel").get<std::string>();
    u.command = j.at("command").get<std::string>();
    u.arguments = j.at("arguments").get<std::vector<std::string>>();
    u.folder = j.at("folder").get<std::string>();
    u.begins = j.at("begins").get<std::string>();
    u.key = j.at("key").get<std::string>();
    return u;
}

}  // namespace rivlen

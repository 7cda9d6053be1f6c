#include "core/session/NamedFolders.h"

#include <algorithm>
#include <fstream>

#include "core/base/Error.h"
#include "core/base/Json.h"
#include "core/base/Resources.h"
#include "core/media/WholeFile.h"

namespace rivlen {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr size_t kMostFolders = 1000;

fs::path listFile() { return dataFolder() / "folders.json"; }

/// Without links, as far as it is there.
fs::path resolved(const fs::path& path) {
    std::error_code problem;
    fs::path whole = fs::weakly_canonical(path, problem);
    return problem ? path.lexically_normal() : whole;
}

bool below(const fs::path& file, const fs::path& folder) {
    const auto [end, ignored] = std::mismatch(folder.begin(), folder.end(), file.begin(), file.end());
    return end == folder.end() && !folder.empty();
}

std::vector<fs::path> known() {
    std::vector<fs::path> folders;
    try {
        std::ifstream in(listFile());
        const json list = parsedJson(in);
        if (list.value("format", "") == "rivlen-folders")
            for (const auto& folder : list.at("folders")) folders.emplace_back(folder.get<std::string>());
    } catch (const std::exception&) {  // not there, or damaged: the user is asked again
    }
    return folders;
}

std::vector<fs::path> filesOf(const Session& session) {
    std::vector<fs::path> files;
    for (const Reel& reel : session.reels) {
        files.push_back(reel.source);
        if (!reel.scene.empty()) files.push_back(reel.scene);
        for (const Sound& sound : reel.rebuild->sounds) files.push_back(sound.file);
    }
    return files;
}

}  // namespace

std::vector<fs::path> foreignFiles(const Session& session, const fs::path& file) {
    const fs::path home = resolved(fs::absolute(file).parent_path());
    const std::vector<fs::path> folders = known();
    std::vector<fs::path> foreign;
    for (const fs::path& named : filesOf(session)) {
        const fs::path whole = resolved(named);
        const bool own =
            below(whole, home) || std::find(folders.begin(), folders.end(), whole.parent_path()) != folders.end();
        if (!own && std::find(foreign.begin(), foreign.end(), named) == foreign.end()) foreign.push_back(named);
    }
    return foreign;
}

void rememberFolders(const Session& session) {
    const std::vector<fs::path> before = known();
    std::vector<fs::path> folders = before;
    for (const fs::path& named : filesOf(session)) {
        const fs::path folder = resolved(named).parent_path();
        if (std::find(folders.begin(), folders.end(), folder) == folders.end()) folders.push_back(folder);
    }
    if (folders == before) return;
    if (folders.size() > kMostFolders) folders.erase(folders.begin(), folders.end() - kMostFolders);
    json list{{"format", "rivlen-folders"}, {"version", 1}, {"folders", json::array()}};
    for (const auto& folder : folders) list["folders"].push_back(folder.string());
    (void)writeWholeFile(listFile(), list.dump(1, ' ', false, json::error_handler_t::replace) + "\n");
}

Session loadOwnSession(const fs::path& file, bool anywhere) {
    Session session = loadSession(file);
    auto foreign = foreignFiles(session, file);
    std::error_code none;
    const fs::path here = resolved(fs::current_path(none));
    if (here.has_relative_path())  // not the root, below which is everything
        std::erase_if(foreign, [&here](const fs::path& named) { return below(resolved(named), here); });
    if (!anywhere && !foreign.empty())
        throw Error(
            Error::Kind::Usage,
            "The session \"" + file.string() + "\" names \"" + foreign.front().string() +
                "\", which lies outside of its folder and of the one you are in: give --anywhere if it may be read, "
                "or open the session in the window once.");
    return session;
}

}  // namespace rivlen

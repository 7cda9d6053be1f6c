#include "core/separation/NetworkCard.h"

#include <algorithm>
#include <cstdlib>
#include <fstream>

#include "core/audio/Error.h"
#include "core/audio/Resources.h"

namespace rivlen {

namespace fs = std::filesystem;
using nlohmann::json;

NetworkCard NetworkCard::load(const fs::path& path) {
    const auto refuse = [&path](const std::string& why) {
        return Error(Error::Kind::InputUnreadable, "The network card \"" + path.string() + "\" " + why);
    };
    std::ifstream in(path);
    if (!in) throw refuse("cannot be read: check that it is there.");
    NetworkCard card;
    try {
        card.all = json::parse(in);
        if (card.all.at("format") != "rivlen-network") throw refuse("is not a network card.");
        if (card.all.at("version").get<int>() > 1) throw refuse("was made for a newer Rivlen: update Rivlen to use it.");
        card.id = card.all.at("id");
        card.name = card.all.at("name");
        card.purpose = card.all.at("purpose");
        card.licence = card.all.at("licence");
        card.date = card.all.at("date");
        card.sha256 = card.all.value("sha256", "");
        card.stems = card.all.at("stems").get<std::vector<std::string>>();
        card.sampleRate = card.all.at("sample_rate");
        card.context = card.all.at("context_samples");
        card.grid = card.all.value("grid_samples", int64_t(1));
        card.minimum = card.all.value("minimum_samples", int64_t(1));
        const fs::path file = card.all.at("file").get<std::string>();
        if (file.has_parent_path()) throw refuse("names a network outside its own folder; this is not allowed.");
        card.file = path.parent_path() / file;
    } catch (const json::exception& e) {
        throw refuse(std::string("is incomplete or not JSON (") + e.what() + ").");
    }
    if (card.stems.size() < 2 || card.sampleRate < 8000 || card.sampleRate > 192000 || card.grid < 1 || card.context < 0 || card.minimum < 1)
        throw refuse("gives values that cannot be: at least two stems, a rate of 8000 to 192000 Hz, no negative lengths.");
    card.context = (card.context + card.grid - 1) / card.grid * card.grid;
    return card;
}

fs::path networksFolder() {
    if (const char* named = std::getenv("RIVLEN_NETWORKS"); named && *named) return named;
    return resourceFolder("networks");
}

std::vector<NetworkCard> listNetworks(const fs::path& folder) {
    std::vector<NetworkCard> cards;
    std::error_code problem;
    for (const auto& entry : fs::directory_iterator(folder, problem)) {
        if (entry.path().extension() != ".json") continue;
        try {
            cards.push_back(NetworkCard::load(entry.path()));
        } catch (const Error&) {  // a broken card must not hide the good ones
        }
    }
    std::sort(cards.begin(), cards.end(), [](const NetworkCard& a, const NetworkCard& b) {
        const int ra = a.all.value("rank", 100), rb = b.all.value("rank", 100);
        return ra != rb ? ra < rb : a.id < b.id;
    });
    return cards;
}

NetworkCard findNetwork(const std::string& id) {
    const auto cards = listNetworks();
    if (cards.empty())
        throw Error(Error::Kind::Other, "No network is installed in \"" + networksFolder().string() + "\": restore the networks folder that came with Rivlen.");
    if (id.empty()) return cards.front();
    std::string known;
    for (const auto& card : cards) {
        if (card.id == id) return card;
        known += (known.empty() ? "" : ", ") + card.id;
    }
    throw Error(Error::Kind::Usage, "There is no network \"" + id + "\"; known are: " + known + ".");
}

}  // namespace rivlen

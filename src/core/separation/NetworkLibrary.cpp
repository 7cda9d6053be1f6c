#include "core/separation/NetworkLibrary.h"

#include <unistd.h>

#include <algorithm>
#include <cstdlib>
#include <fstream>

#include "core/base/Error.h"
#include "core/base/Resources.h"
#include "core/media/FileSum.h"
#include "core/separation/NetworkCheck.h"

namespace rivlen {

namespace fs = std::filesystem;

fs::path networksFolder() {
    if (const char* named = std::getenv("RIVLEN_NETWORKS"); named && *named) return named;
    return resourceFolder("networks");
}

fs::path ownNetworksFolder() { return dataFolder() / "networks"; }

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

std::vector<NetworkCard> listNetworks() {
    auto cards = listNetworks(networksFolder());
    for (auto& own : listNetworks(ownNetworksFolder()))
        if (std::none_of(cards.begin(), cards.end(), [&](const NetworkCard& c) { return c.id == own.id; }))
            cards.push_back(own);
    return cards;
}

std::vector<NetworkCard> reelNetworks() {
    auto cards = listNetworks();
    cards.erase(std::remove_if(cards.begin(), cards.end(), [](const NetworkCard& c) { return !c.of.empty(); }),
                cards.end());
    return cards;
}

NetworkCard findNetwork(const std::string& id) {
    const auto cards = id.empty() ? reelNetworks() : listNetworks();
    if (cards.empty())
        throw Error(Error::Kind::Other, "No network is installed in \"" + networksFolder().string() +
                                            "\": restore the networks folder that came with Rivlen.");
    if (id.empty()) return cards.front();
    std::string known;
    for (const auto& card : cards) {
        if (card.id == id) return card;
        known += (known.empty() ? "" : ", ") + card.id;
    }
    throw Error(Error::Kind::Usage, "There is no network \"" + id + "\"; known are: " + known + ".");
}

NetworkCard forQuality(const NetworkCard& card, const std::string& quality) {
    if (quality != "quick" || card.quick.empty()) return card;
    for (const auto& other : listNetworks(card.file.parent_path()))
        if (other.id == card.quick && other.shown == card.shown) return other;
    return card;
}

bool isShipped(const NetworkCard& card) { return card.file.parent_path() == networksFolder(); }

NetworkCard installNetwork(const fs::path& path) {
    const NetworkCard card = NetworkCard::load(path);
    for (const auto& known : listNetworks())
        if (known.id == card.id)
            throw Error(Error::Kind::Usage, "A network \"" + card.id +
                                                "\" is installed already: remove it first, or give \"" + path.string() +
                                                "\" another id.");
    const NetworkFacts facts = checkNetwork(card);
    if (!facts.passed)
        throw Error(Error::Kind::InputUnreadable, "The network \"" + path.string() + "\" is refused: " + facts.reason);
    const fs::path folder = ownNetworksFolder(), module = card.id + ".ts";
    std::error_code problem;
    fs::create_directories(folder, problem);
    // The card comes last: without it the module does not count.
    const fs::path part = folder / ("." + card.id + "." + std::to_string(getpid()) + ".part");
    fs::copy_file(card.file, part, fs::copy_options::overwrite_existing, problem);
    if (!problem) fs::rename(part, folder / module, problem);
    if (!problem) {
        auto json = card.all;
        json["file"] = module.string();
        json["sha256"] = fileSha256(folder / module);  // what was checked is what will be loaded
        json["checked"] = {{"real_time_factor", facts.realTimeFactor}, {"sum_error_db", facts.sumErrorDb}};
        std::ofstream(part) << json.dump(1) << "\n";
        fs::rename(part, folder / (card.id + ".json"), problem);
    }
    if (problem || !fs::exists(folder / (card.id + ".json"))) {
        std::error_code ignored;
        fs::remove(part, ignored);
        fs::remove(folder / module, ignored);
        throw Error(Error::Kind::OutputUnwritable, "The network cannot be copied to \"" + folder.string() + "\" (" +
                                                       problem.message() +
                                                       "): free some space or check its permissions.");
    }
    return NetworkCard::load(folder / (card.id + ".json"));
}

void removeNetwork(const std::string& id) {
    const NetworkCard card = findNetwork(id.empty() ? "?" : id);
    if (isShipped(card)) throw Error(Error::Kind::Usage, "The network \"" + id + "\" came with Rivlen and stays.");
    std::error_code problem;
    fs::remove(card.file.parent_path() / (id + ".json"), problem);
    fs::remove(card.file, problem);
}

}  // namespace rivlen

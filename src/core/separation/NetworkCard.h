#pragma once
#include <filesystem>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace rivlen {

/// What a network says of itself (docs/formats.md). Lengths are in samples at the network's rate.
struct NetworkCard {
    std::string id, name, purpose, licence, date;
    std::filesystem::path file;  ///< the TorchScript module, beside the card
    std::string sha256;
    std::vector<std::string> stems;
    int sampleRate = 48000;
    int64_t context = 0;  ///< needed on each side of a tile
    int64_t grid = 1;     ///< tiles start at multiples of this
    int64_t minimum = 1;  ///< shortest input
    nlohmann::json all;   ///< the whole card: training data, measured quality, speed

    /// Reads a card; throws Error (InputUnreadable) naming the file and what is wrong with it.
    static NetworkCard load(const std::filesystem::path& card);
};

/// The folder of shipped networks: $RIVLEN_NETWORKS, or beside the program, installed or in its build folder.
std::filesystem::path networksFolder();

/// The cards of all networks in a folder that can be read, the recommended one first.
std::vector<NetworkCard> listNetworks(const std::filesystem::path& folder = networksFolder());

/// The card with this id, or the first when id is empty. Throws Error (Usage) that names the known ones.
NetworkCard findNetwork(const std::string& id);

}  // namespace rivlen

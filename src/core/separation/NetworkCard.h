#pragma once
#include <filesystem>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace rivlen {

/// What a network says of itself (docs/formats.md). Lengths are in samples at the network's rate.
struct NetworkCard {
    std::string id, name, purpose, licence, date;
    std::filesystem::path path;  ///< the card itself
    std::filesystem::path file;  ///< the TorchScript module, beside the card
    std::string sha256;
    std::vector<std::string> stems;
    std::vector<std::string> shown;   ///< the stems as they are shown, in order: several may be shown as one
    std::vector<size_t> shownRow;     ///< for each of stems its place in shown
    std::string quick;                ///< id of a faster network for quality "quick"; empty: this one in one pass
    bool mono = true, stereo = true;  ///< channel counts it takes; one or both
    int sampleRate = 48000;
    int64_t context = 0;  ///< needed on each side of a tile
    int64_t grid = 1;     ///< tiles start at multiples of this
    int64_t minimum = 1;  ///< shortest input
    nlohmann::json all;   ///< the whole card: training data, measured quality, speed

    /// Reads a card; throws Error (InputUnreadable) naming the file and what is wrong with it.
    static NetworkCard load(const std::filesystem::path& card);
};

}  // namespace rivlen

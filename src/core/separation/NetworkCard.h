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
    std::vector<std::string> shown;  ///< the stems as they are shown, in order: several may be shown as one
    std::vector<size_t> shownRow;    ///< for each of stems its place in shown
    std::string of;     ///< the stem that it takes further apart, as "music" (Parts.h); empty: it separates recordings
    std::string quick;  ///< id of a faster network for quality "quick"; empty: this one
    bool mono = true, stereo = true;  ///< channel counts it takes; one or both
    int sampleRate = 48000;
    int64_t context = 0;  ///< needed on each side of a tile
    int64_t grid = 1;     ///< tiles start at multiples of this
    int64_t minimum = 1;  ///< shortest input
    /// Each quality is the mean of the answers to the recording at each of these rates in Hz, each taken for
    /// sampleRate: at other speeds a network errs otherwise, and at a lower one it has less to do. Empty: sampleRate
    /// alone; eight at most.
    std::vector<int> fineRates, quickRates;
    std::filesystem::path scene;  ///< what it learned from a scene (Scene.h); empty: it is as it came
    std::string sceneSum;         ///< SHA-256 of that file
    nlohmann::json all;           ///< the whole card: training data, measured quality, speed

    /// Tells answers apart: the module's checksum, with the scene's.
    std::string sum() const { return scene.empty() ? sha256 : sha256 + sceneSum; }

    /// Reads a card; throws Error (InputUnreadable) naming the file and what is wrong with it.
    static NetworkCard load(const std::filesystem::path& card);
};

}  // namespace rivlen

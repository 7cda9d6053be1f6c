#pragma once
#include <filesystem>
#include <memory>
#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace rivlen {

/// One thing that was looked at before a file got its name.
struct DeliveryCheck {
    std::string name;
    bool passed = true;
    std::string detail;  ///< with figures; where it failed, why
};

/// What a report draws: up to 600 points each, evenly over the length.
struct DeliveryCurves {
    std::vector<float> shortTerm;               ///< LUFS; -70 and below: nothing
    std::vector<std::pair<float, float>> wave;  ///< lowest and highest of each column
};

/// What became of a deliverable.
struct DeliveryReport {
    std::string name, reel, format;
    std::filesystem::path path;                ///< of the (first) file; where it is held back, where it would have been
    std::vector<std::filesystem::path> files;  ///< all of them: one, or one for each channel
    double duration = 0;                       ///< seconds
    std::optional<double> integrated, range, truePeak, maxMomentary, maxShortTerm,
        dialogue;                                   ///< LUFS, LU, dBTP, of the file itself; nothing for silence
    double gain = 0;                                ///< dB that it was raised by to reach its loudness
    double limited = 0;                             ///< dB, 0 or below: most that the limiter took down
    std::optional<double> noiseBefore, noiseAfter;  ///< dBFS: the noise floor before and after the gain
    std::string picture;                            ///< MD5 of the picture's packets; empty: there is none
    std::vector<std::string> sha256, md5;           ///< by files
    std::vector<DeliveryCheck> checks;
    bool heldBack = false;  ///< a check failed: there is no file
    std::shared_ptr<const DeliveryCurves> curves = std::make_shared<DeliveryCurves>();  ///< never null

    bool passed() const;
};

/// As `rivlen-cli dispatch --json` prints it; with curves also what is drawn.
nlohmann::json toJson(const DeliveryReport& report, bool withCurves = false);
/// From what toJson() gave with curves. Throws nlohmann's exceptions.
DeliveryReport deliveryReportFromJson(const nlohmann::json& json);

}  // namespace rivlen

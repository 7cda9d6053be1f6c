#pragma once
#include <filesystem>

#include "core/delivery/Deliverable.h"
#include "core/rebuild/RenderGraph.h"

namespace rivlen {

/// One thing that was looked at before a file got its name.
struct DeliveryCheck {
    std::string name;
    bool passed = true;
    std::string detail;  ///< with figures; where it failed, why
};

/// What became of a deliverable.
struct DeliveryReport {
    std::string name, reel, format;
    std::filesystem::path path;       ///< of the file; where it is held back, where it would have been
    double duration = 0;              ///< seconds
    std::optional<double> integrated, range, truePeak;  ///< LUFS, LU, dBTP, of the file itself; nothing for silence
    double gain = 0;                  ///< dB that it was raised by to reach its loudness
    double limited = 0;               ///< dB, 0 or below: most that the limiter took down
    std::optional<double> noiseBefore, noiseAfter;  ///< dBFS: the noise floor before and after the gain
    std::vector<DeliveryCheck> checks;
    bool heldBack = false;            ///< a check failed: there is no file

    bool passed() const;
};

nlohmann::json toJson(const DeliveryReport& report);

/// What a reel gives its deliverables.
struct DeliverySource {
    std::string session, reel;
    Shared<Rebuild> rebuild;
    std::shared_ptr<Materials> materials;
    int channels = 2;                    ///< of the mix
    std::optional<double> timecode;      ///< seconds of the first frame on the timecode's clock, for BWF's time reference
};

/// Makes one deliverable: rendered, measured, brought to its loudness by gain and, only where peaks would pass the ceiling, a limiter, stored, read again and checked.
/// The file gets its name when all checks have passed; until then there is a hidden folder beside it, which goes away in any case. A file that is there is not
/// replaced unless overwrite is given. Throws Error (Usage, Cancelled, InputUnreadable, OutputUnwritable).
DeliveryReport deliver(const Deliverable& deliverable, const DeliverySource& source, const std::filesystem::path& folder, bool overwrite, const Progress& progress);

}  // namespace rivlen

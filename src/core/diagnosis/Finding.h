#pragma once
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace rivlen {

/// A kind of fault that is looked for.
enum class Fault {
    Click,
    Clipping,
    Hum,
    Hiss,
    Rumble,
    DcOffset,
    Polarity,
    DeadChannel,
    Dropout,
    Silence,
    Bandwidth,
    Wind,
    Plosive,
    Sibilance,
    Reverberation,
    MusicUnder,
    Damage,
    Gap,
    NotNumbers
};
inline constexpr int kFaults = 19;

/// What is said of a kind of fault, and what is proposed against it.
struct FaultEntry {
    const char* id;           ///< in files and on the command line
    const char* name;         ///< in the window
    const char* unit;         ///< of Finding::severity
    const char* treatment;    ///< id of the treatment proposed; empty: none
    const char* explanation;  ///< how it sounds or what it means, one sentence
    bool forVoice = false;    ///< a fault only where somebody speaks: not proposed for music
};
const FaultEntry& entryOf(Fault kind);

/// One diagnosed fault. Times are seconds from the recording's first sample.
struct Finding {
    Fault kind = Fault::Click;
    double from = 0, to = 0;
    int channel = -1;       ///< from 0; -1: all
    double severity = 0;    ///< how bad, in the kind's unit
    double confidence = 0;  ///< how sure, 0 ... 1
    double amount = 0;      ///< of the treatment proposed, in its own unit
    double hz = 0;          ///< of hum: its fundamental; of a bandwidth limit: where it is; else 0
    double level = 0;  ///< of clipping: magnitude that was cut at; of DC offset: the mean; both linear; of hum: how far
                       ///< it drifts, Hz; of reverberation: direct-to-reverberant ratio, dB
    std::vector<double>
        places;  ///< of clicks, plosives and sharp s: each one, seconds; of hum: the numbers of its harmonics

    bool operator==(const Finding&) const = default;
};

/// As `rivlen-cli inspect --json` gives it.
nlohmann::json toJson(const Finding& finding);
/// Its kind and where it begins, to a tenth of a second: by this a session remembers what was said of it. "hum@0.0"
std::string findingKey(const Finding& finding);
/// What, where and how bad, in one line for people.
std::string describe(const Finding& finding);

}  // namespace rivlen

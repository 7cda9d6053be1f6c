#pragma once
#include <algorithm>
#include <array>
#include <filesystem>
#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "core/delivery/Deliverable.h"
#include "core/isolation/StemNames.h"
#include "core/isolation/StrengthTimeline.h"
#include "core/rebuild/Rebuild.h"
#include "core/session/Mark.h"
#include "core/treatment/Treatment.h"

namespace rivlen {

/// A complete strength setting kept for comparison.
struct Candidate {
    std::string name;  ///< may be empty
    IsolationSettings settings;

    bool operator==(const Candidate&) const = default;
};

inline constexpr int kCandidates = 4;  ///< A to D

/// One recording of a session with its settings. Times are seconds from the recording's first sample.
struct Reel {
    std::string id;  ///< unique in the session, never shown
    std::string name;
    std::filesystem::path source;   ///< absolute; never written to
    std::string network;            ///< network id; empty: the default one
    std::string quality = "fine";   ///< "quick" or "fine"
    std::filesystem::path scene;    ///< absolute: what the network learned (Scene.h); empty: it is as it came
    std::string stem = "dialogue";  ///< the wanted one (a part is one as well), whose strength is worked on
    std::array<StrengthTimeline, kWantedCount> strength = neutralStrength();  ///< by kWantedNames
    int region = -1;  ///< whose settings are worked on, of the wanted stem's regions; -1: the whole reel's
    std::array<std::optional<Candidate>, kCandidates> candidates;
    std::optional<std::pair<double, double>> loop;
    std::vector<Treatment> treatments;   ///< in the order of work
    std::vector<Mark> marks;             ///< what alone is heard where, in order of time
    std::vector<std::string> dismissed;  ///< findings and proposed marks that the user does not take, by findingKey()
                                         ///< and markKey()
    std::vector<std::string> parts;      ///< stems that are taken further apart (Parts.h), in their order
    std::string content;                 ///< what the user says it holds, by contentName(); empty: as it was found
    std::string group, note;             ///< the user's own words; may be empty
    bool tolerateDamage = false;  ///< where the file cannot be decoded it is split with silence, as the user said
    Shared<Rebuild> rebuild;      ///< empty until it is begun

    /// The treatments that work on the recording before it is separated.
    std::vector<Treatment> recordingTreatments() const { return treatmentsAt(treatments, kRecordingPlace); }
    bool treatsStems() const {
        return std::any_of(treatments.begin(), treatments.end(),
                           [](const Treatment& t) { return t.on && t.place != kRecordingPlace; });
    }
    bool isDismissed(const Finding& finding) const {
        return std::find(dismissed.begin(), dismissed.end(), findingKey(finding)) != dismissed.end();
    }

    StrengthTimeline& timeline() { return strength[wantedPlace(stem)]; }
    const StrengthTimeline& timeline() const { return strength[wantedPlace(stem)]; }
    /// The region that is worked on, or null.
    const StrengthRegion* workedRegion() const {
        return region >= 0 && region < int(timeline().regions.size()) ? &timeline().regions[size_t(region)] : nullptr;
    }
    /// The settings that are worked on.
    const IsolationSettings& isolation() const { return workedRegion() ? workedRegion()->settings : timeline().base; }
    IsolationSettings& isolation() { return const_cast<IsolationSettings&>(std::as_const(*this).isolation()); }

    /// Puts a setting in force where work goes on; it becomes one of the wanted stem.
    void setIsolation(const IsolationSettings& settings) {
        const std::string mine = stem;
        isolation() = settings;
        isolation().stem = mine;
    }

    /// Plain settings for each stem and part.
    static std::array<StrengthTimeline, kWantedCount> neutralStrength();
    bool operator==(const Reel&) const = default;
};

/// The document: what is saved, undone and redone. A plain value.
struct Session {
    std::string name = "Untitled";
    std::vector<Reel> reels;
    std::string current;  ///< id of the reel being worked on; empty: none
    std::string stage = "intake";
    std::vector<Deliverable> deliverables;  ///< empty: usualDeliverables()

    const Reel* reel(const std::string& id) const;
    Reel* reel(const std::string& id);
    const Reel* currentReel() const { return reel(current); }
    bool operator==(const Session&) const = default;
};

/// A reel for a file, named after it, with an id that the session does not use yet.
Reel makeReel(const Session& session, const std::filesystem::path& source);

/// The reel's strength with other settings where work goes on.
StrengthTimeline timelineWith(const Reel& reel, const IsolationSettings& settings);

/// Reads a session file (docs/formats.md). Sources that are not there are kept: the caller asks for them.
/// Throws Error (InputUnreadable) with what is wrong and where.
Session loadSession(const std::filesystem::path& file);

/// The same from text; file is where its paths start from, and for the sentences.
Session parseSession(const std::string& text, const std::filesystem::path& file);

/// What saveSession() writes. folder: what the paths are relative to.
std::string sessionText(const Session& session, const std::filesystem::path& folder);

/// Writes it completely or not at all; source paths are stored relative to the file's folder.
/// Throws Error (OutputUnwritable).
void saveSession(const Session& session, const std::filesystem::path& file);

}  // namespace rivlen

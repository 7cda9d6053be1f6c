#pragma once
#include <functional>
#include <memory>
#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <vector>

#include "core/audio/AudioQueue.h"
#include "core/audio/SampleSource.h"
#include "core/diagnosis/Content.h"
#include "core/diagnosis/Finding.h"

namespace rivlen {

/// A treater: one treatment at work on a recording that passes by. What comes out is as long as what went in and
/// aligned with it, but may come later.
class Treater {
public:
    virtual ~Treater() = default;
    /// The next frames; returns those that are ready.
    virtual AudioBuffer process(const AudioBuffer& block) = 0;
    /// The rest, once there are no more.
    virtual AudioBuffer finish() = 0;
};

/// What a treater must know before it begins, beside its amount.
struct TreatmentFacts {
    int channels = 0, sampleRate = 0;
    std::vector<Finding> findings;  ///< of the recording
    std::vector<float> noise;       ///< learnNoise() of it; empty: nothing is known
    double voice = 0;               ///< RMS of the voice in it, linear; 0: not known
};

/// One row of the table of treatments: the session file, the command line and the window take a treatment's name,
/// range, unit, default and explanation from it. Its order is the sensible one: faults of single samples first, since
/// they would smear through filters; what is steady next; the voice's own last.
struct TreatmentEntry {
    const char* id;    ///< in files and on the command line
    const char* name;  ///< in the window
    const char* unit;
    double minimum, maximum, usual, step;
    const char* explanation;  ///< what it does, and how one hears too much of it
    bool forVoice;            ///< proposed only where there is speech
    std::unique_ptr<Treater> (*make)(double amount, const TreatmentFacts& facts);
};
const std::vector<TreatmentEntry>& treatmentTable();
/// Throws Error (Usage) that names the known ones.
const TreatmentEntry& findTreatment(const std::string& id);

/// Where a treatment works when it works before separation.
inline constexpr const char* kRecordingPlace = "recording";

/// One treatment of a reel: its amount stays when it is switched off.
struct Treatment {
    std::string id;
    bool on = true;
    double amount = 0;
    std::string place = kRecordingPlace;  ///< the recording, before separation, or the stem it works on afterwards

    bool operator==(const Treatment&) const = default;
};

/// The treatments that findings propose, in the table's order, each once at its greatest amount. What is for the voice
/// alone is left out where there is only music.
std::vector<Treatment> proposed(const std::vector<Finding>& findings, std::optional<Content> content = {});

/// A chain with others added at their sensible places; one that it has already is switched on and keeps its amount.
std::vector<Treatment> withProposals(std::vector<Treatment> chain, const std::vector<Treatment>& others);

/// Those of a chain that are on and work at a place, in order.
std::vector<Treatment> treatmentsAt(const std::vector<Treatment>& treatments, const std::string& place);
/// The place in the table, which is the sensible order.
size_t sensiblePlace(const std::string& id);

/// "de-hum=100,de-click=50" as on the command line. Throws Error (Usage) that names the treatment and its range.
std::vector<Treatment> parseTreatments(const std::string& text);
nlohmann::json toJson(const std::vector<Treatment>& treatments);
/// Throws Error (InputUnreadable).
std::vector<Treatment> treatmentsFromJson(const nlohmann::json& json);

/// The treaters of a chain, one after the other; those that are off are left out. Measures what each takes away.
class TreatmentChain : public Treater {
public:
    TreatmentChain(const std::vector<Treatment>& treatments, const TreatmentFacts& facts);
    AudioBuffer process(const AudioBuffer& block) override;
    AudioBuffer finish() override;

    struct Effect {
        std::string id;
        double removedDb = 0;                          ///< RMS of what it took away, dBFS
        bool any() const { return removedDb > -100; }  ///< below that it does nothing here
    };
    std::vector<Effect> effects() const;
    /// Called with what a treatment took away, by its place among those that are on, as the sound passes.
    std::function<void(size_t, const AudioBuffer&)> onRemoved;

private:
    struct Stage {
        std::string id;
        std::unique_ptr<Treater> treater;
        AudioQueue in;  ///< what went in and has not come out yet
        double removed = 0;
        int64_t samples = 0;
    };
    void measure(size_t stage, const AudioBuffer& out);
    std::vector<Stage> m_stages;
    int m_channels;
};

std::unique_ptr<Treater> makeDeclick(double amount, const TreatmentFacts& facts);
std::unique_ptr<Treater> makeDeclip(double amount, const TreatmentFacts& facts);
std::unique_ptr<Treater> makeOffset(double amount, const TreatmentFacts& facts);
std::unique_ptr<Treater> makePolarity(double amount, const TreatmentFacts& facts);
std::unique_ptr<Treater> makeDehum(double amount, const TreatmentFacts& facts);
std::unique_ptr<Treater> makeDerumble(double amount, const TreatmentFacts& facts);
std::unique_ptr<Treater> makeDehiss(double amount, const TreatmentFacts& facts);
std::unique_ptr<Treater> makeDeplosive(double amount, const TreatmentFacts& facts);
std::unique_ptr<Treater> makeDewind(double amount, const TreatmentFacts& facts);
std::unique_ptr<Treater> makeDereverb(double amount, const TreatmentFacts& facts);
std::unique_ptr<Treater> makeDeess(double amount, const TreatmentFacts& facts);

}  // namespace rivlen

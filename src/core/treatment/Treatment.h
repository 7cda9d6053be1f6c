#pragma once
#include <memory>
#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <vector>

#include "core/audio/AudioQueue.h"
#include "core/audio/SampleSource.h"
#include "core/diagnosis/Finding.h"

namespace rivlen {

/// A repair at work on a recording that passes by. What comes out is as long as what went in and aligned with it, but may come later.
class Repair {
public:
    virtual ~Repair() = default;
    /// The next frames; returns those that are ready.
    virtual AudioBuffer process(const AudioBuffer& block) = 0;
    /// The rest, once there are no more.
    virtual AudioBuffer finish() = 0;
};

/// What a repair must know before it begins, beside its amount.
struct RepairFacts {
    int channels = 0, sampleRate = 0;
    std::vector<Finding> findings;  ///< of the recording
    std::vector<float> noise;       ///< learnNoise() of it; empty: nothing is known
};

/// One row of the table of treatments: the session file, the command line and the window take a treatment's name, range,
/// unit, default and explanation from it. Its order is the sensible one: faults of single samples first, since they would smear
/// through filters; what is steady next; the voice's own last.
struct TreatmentEntry {
    const char* id;    ///< in files and on the command line
    const char* name;  ///< in the window
    const char* unit;
    double minimum, maximum, usual, step;
    const char* explanation;  ///< what it does, and how one hears too much of it
    std::unique_ptr<Repair> (*make)(double amount, const RepairFacts& facts);
};
const std::vector<TreatmentEntry>& treatmentTable();
/// Throws Error (Usage) that names the known ones.
const TreatmentEntry& findTreatment(const std::string& id);

/// One treatment of a reel: its amount stays when it is switched off.
struct Treatment {
    std::string id;
    bool on = true;
    double amount = 0;

    bool operator==(const Treatment&) const = default;
};

/// The treatments that findings propose, in the table's order, each once at its greatest amount.
std::vector<Treatment> proposed(const std::vector<Finding>& findings);

/// "de-hum=100,de-click=50" as on the command line. Throws Error (Usage) that names the treatment and its range.
std::vector<Treatment> parseTreatments(const std::string& text);
nlohmann::json toJson(const std::vector<Treatment>& treatments);
/// Throws Error (InputUnreadable).
std::vector<Treatment> treatmentsFromJson(const nlohmann::json& json);

/// The repairs of a chain, one after the other; those that are off are left out. Measures what each takes away.
class RepairChain : public Repair {
public:
    RepairChain(const std::vector<Treatment>& treatments, const RepairFacts& facts);
    AudioBuffer process(const AudioBuffer& block) override;
    AudioBuffer finish() override;

    struct Effect {
        std::string id;
        double removedDb = 0;  ///< RMS of what it took away, dBFS
        bool any() const { return removedDb > -100; }  ///< below that it does nothing here
    };
    std::vector<Effect> effects() const;

private:
    struct Stage {
        std::string id;
        std::unique_ptr<Repair> repair;
        AudioQueue in;  ///< what went in and has not come out yet
        double removed = 0;
        int64_t samples = 0;
        void measure(const AudioBuffer& out);
    };
    std::vector<Stage> m_stages;
    int m_channels;
};

std::unique_ptr<Repair> makeDeclick(double amount, const RepairFacts& facts);
std::unique_ptr<Repair> makeDeclip(double amount, const RepairFacts& facts);
std::unique_ptr<Repair> makeOffset(double amount, const RepairFacts& facts);
std::unique_ptr<Repair> makePolarity(double amount, const RepairFacts& facts);
std::unique_ptr<Repair> makeDehum(double amount, const RepairFacts& facts);
std::unique_ptr<Repair> makeDerumble(double amount, const RepairFacts& facts);
std::unique_ptr<Repair> makeDehiss(double amount, const RepairFacts& facts);
std::unique_ptr<Repair> makeDeess(double amount, const RepairFacts& facts);

}  // namespace rivlen

#pragma once
#include <map>
#include <memory>
#include <optional>
#include <span>

#include "core/audio/AudioBuffer.h"
#include "core/base/HelperProcess.h"
#include "core/base/Progress.h"
#include "core/effects/EffectFacts.h"
#include "core/effects/EffectProtocol.h"
#include "core/effects/EffectSlot.h"

namespace rivlen {

/// All effects that are installed here and have audio in and out, by name; read once by a process of its own, which
/// takes a second where there are hundreds. again: reads them anew. Throws Error (Other; Cancelled).
std::vector<EffectFacts> installedEffects(bool again = false, const Progress& progress = {});

/// What an instance begins with.
struct EffectSetup {
    int rate = 48000, channels = 2, block = 256;
    std::map<std::string, double> values = {};
    std::string state = {};
    std::string preset = {};  ///< its URI; it comes before values
};

/// One effect at work in a process of its own (rivlen-effect-host, src/effect-host; LV2 through lilv). It answers block
/// after block. Everything throws Error (Other) with a sentence that names the effect when the process ended, hung, or
/// does not know what it is asked; the object is of no use then.
class EffectProcess {
public:
    /// name: for sentences
    EffectProcess(std::string uri, std::string name);

    /// Its controls and presets.
    EffectFacts describe(const Progress& progress = {});
    /// A new instance, in which nothing of a former one is left. Returns its latency in frames.
    int begin(const EffectSetup& setup, const Progress& progress = {});
    /// Ports of its controls by symbol, after begin().
    const std::map<std::string, int>& ports() const { return m_ports; }
    /// What a control has without a value of its own, by the effect or its state.
    double usual(const std::string& symbol) const;
    /// In place, worked on in blocks of the setup's size. Returns the latency that it reports now.
    int process(std::span<const EffectChange> changes, AudioBuffer& audio);
    /// The same in two steps, between which it works by itself; one request at a time.
    void send(std::span<const EffectChange> changes, const AudioBuffer& audio);
    int receive(AudioBuffer& audio);  ///< of as many frames as were sent
    /// Whether something that was sent has not been received. What is asked for next drops it.
    bool owes() const { return m_owed.has_value(); }
    struct State {
        std::map<std::string, double> values;
        std::string state;
    };
    State state();
    const std::string& uri() const { return m_uri; }

    /// How long a block may take before the effect counts as hung, s; beginning and describing may take ten times as
    /// long.
    static constexpr double kPatience = 2;

private:
    nlohmann::json ask(EffectAsk what, const std::string& text, EffectReply& reply, const Progress& progress = {});
    [[noreturn]] void gaveUp(HelperProcess::Outcome why, const char* doing);
    void check(HelperProcess::Outcome outcome, const char* doing);
    std::string m_uri, m_name;
    HelperProcess m_process;
    struct Owed {
        int channels;
        int64_t frames;
    };
    std::optional<Owed> m_owed;
    std::map<std::string, int> m_ports;
    std::map<std::string, double> m_usual;
};

/// A process for an effect: one that waits unused, or a new one. What throws as EffectProcess does.
std::unique_ptr<EffectProcess> takeEffect(const std::string& uri, const std::string& name);
/// Keeps one that still answers for the next who wants it: a start takes a tenth of a second and more.
void giveBackEffect(std::unique_ptr<EffectProcess> effect);

}  // namespace rivlen

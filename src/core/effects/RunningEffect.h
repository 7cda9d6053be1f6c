#pragma once
#include "core/audio/AudioQueue.h"
#include "core/effects/EffectProcess.h"
#include "core/isolation/StrengthTimeline.h"

namespace rivlen {

/// A slot of a chain at work: the effect itself where it is on and well, the sound as it came, as late, where it is
/// not. It comes and goes over one block. Its process is sent kAtOnce blocks at a time and works on them while the next
/// are gathered here: nobody waits for another process to be woken, and that is part of the latency.
class RunningEffect {
public:
    static constexpr int kAtOnce = 2;
    /// block: frames of each block that comes
    RunningEffect(EffectSlot slot, int channels, int rate, int block);
    ~RunningEffect();
    RunningEffect(const RunningEffect&) = delete;

    /// Whether another state of the slot can be taken over by set(); an effect that was off from the beginning has not
    /// been begun.
    /// One that failed is begun anew when it is switched off and on again.
    bool accepts(const EffectSlot& slot) const {
        return slot.continues(m_slot) && (m_begun || !slot.on) && (m_trouble.empty() || m_slot.on || !slot.on);
    }
    /// curves: by symbol, over seconds; they stand in for values.
    void set(const EffectSlot& slot, std::map<std::string, DrawnCurve> curves);
    const EffectSlot& slot() const { return m_slot; }

    /// Frames, the same from beginning to end: what the effect said when it began, and what is gathered.
    int latency() const { return m_latency; }
    bool moved() const { return m_reported != m_latency; }  ///< its settings have made it another since
    /// A block, in place; first: the frame of its beginning on the axis of the curves.
    void process(AudioBuffer& audio, int64_t first);
    /// A sentence: why it is left out; empty when it is not.
    const std::string& trouble() const { return m_trouble; }

private:
    enum class State {
        Out,      ///< what comes goes by it
        Filling,  ///< it hears what comes; nothing of that has come back yet
        In
    };
    double valueOf(const std::string& symbol, double seconds) const;
    int gathered() const { return m_begun ? (2 * kAtOnce - 1) * m_block : 0; }
    void feed(const AudioBuffer& audio, int64_t first);
    void collect();
    void fill();  ///< its way with silence
    EffectSlot m_slot;
    int m_channels, m_rate, m_block;
    std::map<std::string, DrawnCurve> m_curves;
    std::unique_ptr<EffectProcess> m_process;
    std::map<int, float> m_sent;  ///< by port
    std::vector<EffectChange> m_changes;
    AudioQueue m_dry, m_toSend, m_wet;
    bool m_begun = false;
    State m_state = State::Out;
    int64_t m_heard = 0;  ///< frames since it hears
    int m_latency = 0, m_reported = 0;
    std::string m_trouble;
};

}  // namespace rivlen

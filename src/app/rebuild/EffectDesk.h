#pragma once
#include <map>
#include <set>

#include "app/rebuild/RebuildMix.h"
#include "core/effects/EffectTrial.h"

namespace rivlen {

/// Installed effects in the chain of the chosen strip: which there are, what they can, what is put in and changed, and
/// which of them are left out of what is played.
class EffectDesk : public QObject {
    Q_OBJECT
public:
    EffectDesk(RebuildDesk& desk, RebuildMix& mix, Hearing& hearing, Work& work, QObject* parent = nullptr);

    /// Those of this machine by name, read in the background when it is first asked for.
    const std::vector<EffectFacts>& installed();
    bool reading() const { return m_reading; }
    void readAgain();  ///< after something was installed
    /// With controls and presets; null while it is asked, and where the effect is missing.
    const EffectFacts* facts(const std::string& uri);
    int channels() const;  ///< of the chosen strip
    bool trying() const { return m_trying; }

    /// Tries it in a process of its own, then puts it into the chosen strip's chain, in front of the limiter.
    void add(const EffectFacts& facts);
    const EffectSlot* slot(const std::string& id) const { return m_desk.strip().chain.effect(id); }
    void setOn(const std::string& id, bool on);
    void set(const std::string& id, const EffectControl& control, double value, bool dragging);
    double value(const EffectSlot& slot, const EffectControl& control) const;
    /// One place earlier or later in the order of work, past one module or effect.
    void move(const std::string& id, int by);
    void remove(const std::string& id);
    void usePreset(const std::string& id, const EffectPreset& preset);
    /// Why it is left out of what is played; empty where it is not.
    QString trouble(const std::string& id) const;
    /// Looks whether one was left out since; called while it plays.
    void lookForTroubles();

signals:
    void changed();
    void added(const QString& id);

private:
    void edit(const QString& name, const std::function<void(Strip&)>& change, const std::string& gesture = "");
    void put(const EffectFacts& facts, const std::string& strip);
    int sampleRate() const;
    RebuildDesk& m_desk;
    RebuildMix& m_mix;
    Hearing& m_hearing;
    std::vector<EffectFacts> m_installed;
    bool m_read = false, m_reading = false, m_trying = false;
    std::map<std::string, EffectFacts> m_facts;
    std::set<std::string> m_asked;
    std::vector<RenderGraph::Trouble> m_troubles;
    OwnWork m_own, m_quiet;  ///< trials; lists and descriptions
};

/// Moves an effect one place along a chain's order of work, past one module or one effect. False at an end.
bool moveEffect(ChainSettings& chain, const std::string& id, int by);

}  // namespace rivlen

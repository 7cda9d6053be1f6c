#pragma once
#include "Lv2Features.h"
#include "Lv2World.h"
#include "core/effects/EffectProcess.h"

namespace rivlen {

/// An effect at work on so many channels: one instance, or one for each channel where the effect has a single one.
class Lv2Instance {
public:
    /// Throws std::runtime_error with the end of the sentence "The effect cannot be used: ...".
    Lv2Instance(const Lv2World& world, Urids& urids, const LilvPlugin* plugin, const EffectSetup& setup);
    ~Lv2Instance();
    Lv2Instance(const Lv2Instance&) = delete;

    int latency() const;  ///< as it reports it now, frames
    std::map<std::string, int> ports() const;
    const std::map<std::string, double>& usual() const { return m_usual; }  ///< before the setup's values
    void set(int port, float value);
    /// In place, channel after channel.
    void process(float* samples, int frames);
    EffectProcess::State state() const;

private:
    struct Copy;
    void connect(Copy& copy);
    static void setValue(const char* symbol, void* self, const void* value, uint32_t size, uint32_t type);
    void load(const EffectSetup& setup);
    void run(Copy& copy, int frames);
    int portOf(const std::string& symbol) const;

    const Lv2World& m_world;
    Urids& m_urids;
    const LilvPlugin* m_plugin;
    int m_channels, m_block;
    double m_rate;
    std::vector<Lv2Port> m_ports;
    std::vector<float> m_least, m_most;  ///< of controls, by port
    std::vector<float> m_values;         ///< of control ports, in and out, by port: of all copies
    std::map<std::string, double> m_usual;
    std::vector<std::unique_ptr<Copy>> m_copies;
};

}  // namespace rivlen

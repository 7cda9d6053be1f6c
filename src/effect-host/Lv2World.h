#pragma once
#include <lilv/lilv.h>

#include <memory>

#include "core/effects/EffectFacts.h"

namespace rivlen {

struct NodeFree {
    void operator()(LilvNode* n) const { lilv_node_free(n); }
};
using Node = std::unique_ptr<LilvNode, NodeFree>;

/// A port of an effect, and what the host does with it.
struct Lv2Port {
    enum class Use { ControlIn, ControlOut, AudioIn, SideIn, AudioOut, AtomIn, AtomOut, Unconnected, Unknown };
    Use use = Use::Unknown;
    std::string symbol;
    bool latency = false;    ///< a control out that reports it
    bool timesRate = false;  ///< minimum, maximum and usual value are multiplied by the rate
    uint32_t atomBytes = 65536;
    float usual = 0;
};

/// The effects of this machine: lilv's world of all bundles on the LV2 path.
class Lv2World {
public:
    Lv2World();
    ~Lv2World();
    Lv2World(const Lv2World&) = delete;
    LilvWorld* get() const { return m_world; }
    Node uri(const std::string& text) const { return Node(lilv_new_uri(m_world, text.c_str())); }
    /// null: not installed
    const LilvPlugin* plugin(const std::string& uri) const;
    std::vector<Lv2Port> ports(const LilvPlugin* plugin) const;
    /// Effects with audio in and out, without controls.
    std::vector<EffectFacts> list() const;
    /// With controls and presets. Ranges that depend on the rate are given for 48 kHz.
    EffectFacts describe(const LilvPlugin* plugin) const;

private:
    std::string kindOf(const LilvPlugin* plugin) const;
    EffectFacts facts(const LilvPlugin* plugin) const;
    EffectControl control(const LilvPlugin* plugin, const LilvPort* port) const;
    LilvWorld* m_world;
};

}  // namespace rivlen

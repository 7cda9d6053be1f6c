#include "Lv2Instance.h"

#include <lv2/atom/atom.h>
#include <lv2/state/state.h>

#include <algorithm>
#include <cmath>
#include <cstring>
#include <stdexcept>

namespace rivlen {

namespace {

constexpr uint32_t kAtomHeader = sizeof(LV2_Atom);

struct StateFree {
    void operator()(LilvState* s) const { lilv_state_free(s); }
};
using State = std::unique_ptr<LilvState, StateFree>;

}  // namespace

struct Lv2Instance::Copy {
    Copy(Urids& urids, double rate, int block) : features(urids, rate, block) {}
    Lv2Features features;
    LilvInstance* instance = nullptr;
    std::vector<std::vector<float>> inputs, outputs;  ///< audio, in the order of the ports
    std::vector<std::vector<uint64_t>> atoms;         ///< by port, aligned as atoms have to be
    std::vector<float> silence;
};

Lv2Instance::Lv2Instance(const Lv2World& world, Urids& urids, const LilvPlugin* plugin, const EffectSetup& setup)
    : m_world(world),
      m_urids(urids),
      m_plugin(plugin),
      m_channels(setup.channels),
      m_block(setup.block),
      m_rate(setup.rate),
      m_ports(world.ports(plugin)) {
    const EffectFacts facts = world.describe(plugin);
    if (const std::string why = misfit(facts, m_channels); !why.empty()) throw std::runtime_error(why);
    m_values.resize(m_ports.size());
    m_least.resize(m_ports.size(), -INFINITY);
    m_most.resize(m_ports.size(), INFINITY);
    for (size_t i = 0; i < m_ports.size(); ++i) {
        m_values[i] = m_ports[i].usual * (m_ports[i].timesRate ? float(m_rate) : 1);
        for (const auto& c : facts.controls)
            if (c.symbol == m_ports[i].symbol) {
                const double times = m_ports[i].timesRate ? m_rate / 48000 : 1;
                m_least[i] = float(c.minimum * times), m_most[i] = float(c.maximum * times);
                m_values[i] = std::clamp(m_values[i], m_least[i], m_most[i]);
            }
    }
    const int copies = facts.inputs == 1 && facts.outputs == 1 ? m_channels : 1;
    for (int i = 0; i < copies; ++i) {
        auto copy = std::make_unique<Copy>(urids, m_rate, m_block);
        copy->instance = lilv_plugin_instantiate(plugin, m_rate, copy->features.list());
        if (!copy->instance)
            throw std::runtime_error("it does not begin at this rate, or a library that it needs is missing");
        m_copies.push_back(std::move(copy));
        connect(*m_copies.back());
    }
    load(setup);
    for (auto& copy : m_copies) lilv_instance_activate(copy->instance);
    // Some say how late they are only after a block; what that block left is cleared again.
    for (auto& copy : m_copies) {
        run(*copy, m_block);
        lilv_instance_deactivate(copy->instance);
        lilv_instance_activate(copy->instance);
    }
}

Lv2Instance::~Lv2Instance() {
    for (auto& copy : m_copies) {
        lilv_instance_deactivate(copy->instance);
        lilv_instance_free(copy->instance);
    }
}

void Lv2Instance::connect(Copy& copy) {
    copy.silence.assign(size_t(m_block), 0.0f);
    copy.atoms.resize(m_ports.size());
    size_t in = 0, out = 0;
    for (const auto& p : m_ports) in += p.use == Lv2Port::Use::AudioIn, out += p.use == Lv2Port::Use::AudioOut;
    copy.inputs.assign(in, std::vector<float>(size_t(m_block)));
    copy.outputs.assign(out, std::vector<float>(size_t(m_block)));
    in = out = 0;
    for (uint32_t i = 0; i < m_ports.size(); ++i) {
        void* to = nullptr;
        switch (m_ports[i].use) {
            case Lv2Port::Use::ControlIn:
            case Lv2Port::Use::ControlOut: to = &m_values[i]; break;
            case Lv2Port::Use::AudioIn: to = copy.inputs[in++].data(); break;
            case Lv2Port::Use::AudioOut: to = copy.outputs[out++].data(); break;
            case Lv2Port::Use::SideIn: to = copy.silence.data(); break;
            case Lv2Port::Use::AtomIn:
            case Lv2Port::Use::AtomOut:
                copy.atoms[i].assign(m_ports[i].atomBytes / 8 + 8, 0);
                to = copy.atoms[i].data();
                break;
            case Lv2Port::Use::Unconnected:
            case Lv2Port::Use::Unknown: break;
        }
        lilv_instance_connect_port(copy.instance, i, to);
    }
}

int Lv2Instance::portOf(const std::string& symbol) const {
    for (size_t i = 0; i < m_ports.size(); ++i)
        if (m_ports[i].symbol == symbol && m_ports[i].use == Lv2Port::Use::ControlIn) return int(i);
    return -1;
}

void Lv2Instance::setValue(const char* symbol, void* self, const void* value, uint32_t size, uint32_t type) {
    auto& me = *static_cast<Lv2Instance*>(self);
    const int port = me.portOf(symbol);
    if (port < 0) return;
    const char* uri = me.m_urids.uriOf(type);
    const std::string kind = uri ? uri : "";
    const auto as = [&](auto what) {
        if (size < sizeof what) return;
        std::memcpy(&what, value, sizeof what);
        me.set(port, float(what));
    };
    if (kind == LV2_ATOM__Float) as(float{});
    else if (kind == LV2_ATOM__Double) as(double{});
    else if (kind == LV2_ATOM__Int || kind == LV2_ATOM__Bool) as(int32_t{});
    else if (kind == LV2_ATOM__Long) as(int64_t{});
}

void Lv2Instance::load(const EffectSetup& setup) {
    State state;
    if (!setup.preset.empty()) {
        const Node preset = m_world.uri(setup.preset);
        if (preset) lilv_world_load_resource(m_world.get(), preset.get());
        if (preset) state.reset(lilv_state_new_from_world(m_world.get(), &m_urids.map, preset.get()));
        if (!state) throw std::runtime_error("its preset cannot be read");
    } else if (!setup.state.empty()) {
        state.reset(lilv_state_new_from_string(m_world.get(), &m_urids.map, setup.state.c_str()));
        if (!state) throw std::runtime_error("the state that was kept for it cannot be read");
    }
    if (state)
        for (auto& copy : m_copies)
            lilv_state_restore(state.get(), copy->instance, &Lv2Instance::setValue, this, 0, copy->features.list());
    for (const auto& [symbol, port] : ports()) m_usual[symbol] = m_values[size_t(port)];
    for (const auto& [symbol, value] : setup.values) set(portOf(symbol), float(value));
}

void Lv2Instance::set(int port, float value) {
    if (port < 0 || size_t(port) >= m_ports.size() || m_ports[size_t(port)].use != Lv2Port::Use::ControlIn) return;
    if (std::isfinite(value)) m_values[size_t(port)] = std::clamp(value, m_least[size_t(port)], m_most[size_t(port)]);
}

int Lv2Instance::latency() const {
    for (size_t i = 0; i < m_ports.size(); ++i)
        if (m_ports[i].latency && m_values[i] > 0 && m_values[i] < 1e6f) return int(std::lround(m_values[i]));
    return 0;
}

std::map<std::string, int> Lv2Instance::ports() const {
    std::map<std::string, int> all;
    for (size_t i = 0; i < m_ports.size(); ++i)
        if (m_ports[i].use == Lv2Port::Use::ControlIn) all[m_ports[i].symbol] = int(i);
    return all;
}

void Lv2Instance::run(Copy& copy, int frames) {
    for (uint32_t i = 0; i < m_ports.size(); ++i) {
        if (copy.atoms[i].empty()) continue;
        auto* sequence = reinterpret_cast<LV2_Atom_Sequence*>(copy.atoms[i].data());
        const bool in = m_ports[i].use == Lv2Port::Use::AtomIn;
        // An empty sequence in; out, a room of so many bytes.
        sequence->atom.type = m_urids.of(in ? LV2_ATOM__Sequence : LV2_ATOM__Chunk);
        sequence->atom.size =
            in ? uint32_t(sizeof(LV2_Atom_Sequence_Body)) : uint32_t(m_ports[i].atomBytes) - kAtomHeader;
        sequence->body.unit = 0;
        sequence->body.pad = 0;
    }
    lilv_instance_run(copy.instance, uint32_t(frames));
    copy.features.work(copy.instance);
}

void Lv2Instance::process(float* samples, int frames) {
    const auto n = size_t(frames);
    const auto row = [&](int c) { return samples + size_t(c) * n; };
    const auto mean = [&](const auto& a, const auto& b, float* to) {
        for (size_t i = 0; i < n; ++i) to[i] = 0.5f * (a[i] + b[i]);
    };
    if (m_copies.size() > 1 || (m_channels > 2 && m_copies[0]->inputs.size() == 1)) {
        for (size_t c = 0; c < m_copies.size(); ++c) {
            std::copy_n(row(int(c)), n, m_copies[c]->inputs[0].begin());
            run(*m_copies[c], frames);
            std::copy_n(m_copies[c]->outputs[0].begin(), n, row(int(c)));
        }
        return;
    }
    Copy& copy = *m_copies[0];
    const size_t in = copy.inputs.size(), out = copy.outputs.size();
    if (in == 1 && m_channels == 2) mean(row(0), row(1), copy.inputs[0].data());
    else
        for (size_t i = 0; i < in; ++i) std::copy_n(row(std::min(int(i), m_channels - 1)), n, copy.inputs[i].begin());
    run(copy, frames);
    if (out == 2 && m_channels == 1) mean(copy.outputs[0], copy.outputs[1], row(0));
    else
        for (int c = 0; c < m_channels; ++c) std::copy_n(copy.outputs[std::min(size_t(c), out - 1)].begin(), n, row(c));
}

EffectProcess::State Lv2Instance::state() const {
    EffectProcess::State out;
    for (const auto& [symbol, port] : ports()) out.values[symbol] = m_values[size_t(port)];
    // The values are kept by themselves: what the effect keeps beside them is asked for alone.
    const State state(lilv_state_new_from_instance(m_plugin, m_copies[0]->instance, &m_urids.map, nullptr, nullptr,
                                                   nullptr, nullptr, nullptr, nullptr, LV2_STATE_IS_POD, nullptr));
    if (!state || lilv_state_get_num_properties(state.get()) == 0) return out;
    char* text =
        lilv_state_to_string(m_world.get(), &m_urids.map, &m_urids.unmap, state.get(), "urn:rivlen:state", nullptr);
    if (text) out.state = text;
    lilv_free(text);
    return out;
}

}  // namespace rivlen

#include "Lv2World.h"

#include <lv2/atom/atom.h>
#include <lv2/core/lv2.h>
#include <lv2/event/event.h>
#include <lv2/port-groups/port-groups.h>
#include <lv2/port-props/port-props.h>
#include <lv2/presets/presets.h>
#include <lv2/resize-port/resize-port.h>
#include <lv2/units/units.h>

#include <algorithm>
#include <cmath>
#include <map>

#include "Lv2Features.h"

namespace rivlen {

namespace {

constexpr double kRateOfRanges = 48000;

std::string textOfNode(LilvNode* node) {
    const Node owned(node);
    return owned && lilv_node_as_string(node) ? lilv_node_as_string(node) : "";
}

double numberOf(const LilvNode* node, double otherwise) {
    if (!node || !(lilv_node_is_float(node) || lilv_node_is_int(node))) return otherwise;
    const double value = lilv_node_as_float(node);
    return std::isfinite(value) ? value : otherwise;
}

/// What stands behind the last '#' or '/' of a URI.
std::string lastOf(const std::string& uri) { return uri.substr(uri.find_last_of("#/") + 1); }

/// Of a unit that LV2's own bundle names (they come with its development package alone): its symbol.
std::string unitOf(const std::string& uri) {
    static const std::map<std::string, std::string> known = {
        {"db", "dB"},   {"hz", "Hz"},   {"khz", "kHz"}, {"mhz", "MHz"}, {"ms", "ms"},        {"s", "s"},
        {"pc", "%"},    {"min", "min"}, {"bpm", "BPM"}, {"cent", "ct"}, {"degree", "deg"},   {"semitone12TET", "semi"},
        {"oct", "oct"}, {"m", "m"},     {"cm", "cm"},   {"mm", "mm"},   {"frame", "frames"}, {"beat", "beats"}};
    const auto found = known.find(lastOf(uri));
    return uri.starts_with(LV2_UNITS_PREFIX) && found != known.end() ? found->second : "";
}

}  // namespace

Lv2World::Lv2World() : m_world(lilv_world_new()) { lilv_world_load_all(m_world); }
Lv2World::~Lv2World() { lilv_world_free(m_world); }

const LilvPlugin* Lv2World::plugin(const std::string& text) const {
    const Node node = uri(text);
    return node ? lilv_plugins_get_by_uri(lilv_world_get_all_plugins(m_world), node.get()) : nullptr;
}

std::vector<Lv2Port> Lv2World::ports(const LilvPlugin* plugin) const {
    const Node input = uri(LV2_CORE__InputPort), audio = uri(LV2_CORE__AudioPort), control = uri(LV2_CORE__ControlPort),
               atom = uri(LV2_ATOM__AtomPort), optional = uri(LV2_CORE__connectionOptional),
               side = uri(LV2_CORE_PREFIX "isSideChain"), sideOf = uri(LV2_PORT_GROUPS__sideChainOf),
               group = uri(LV2_PORT_GROUPS__group), reports = uri(LV2_CORE__reportsLatency),
               designation = uri(LV2_CORE__designation), latency = uri(LV2_CORE__latency),
               rate = uri(LV2_CORE__sampleRate), least = uri(LV2_RESIZE_PORT__minimumSize);
    std::vector<Lv2Port> all;
    for (uint32_t i = 0; i < lilv_plugin_get_num_ports(plugin); ++i) {
        const LilvPort* port = lilv_plugin_get_port_by_index(plugin, i);
        Lv2Port p;
        p.symbol = lilv_node_as_string(lilv_port_get_symbol(plugin, port));
        const bool in = lilv_port_is_a(plugin, port, input.get());
        const auto designated = [&](const LilvNode* as) {
            const Node is(lilv_port_get(plugin, port, designation.get()));
            return is && lilv_node_equals(is.get(), as);
        };
        if (lilv_port_is_a(plugin, port, control.get())) {
            p.use = in ? Lv2Port::Use::ControlIn : Lv2Port::Use::ControlOut;
            p.latency = !in && (lilv_port_has_property(plugin, port, reports.get()) || designated(latency.get()));
            p.timesRate = lilv_port_has_property(plugin, port, rate.get());
            LilvNode *usual = nullptr, *low = nullptr;
            lilv_port_get_range(plugin, port, &usual, &low, nullptr);
            p.usual = float(numberOf(usual, numberOf(low, 0)));
            lilv_node_free(usual);
            lilv_node_free(low);
        } else if (lilv_port_is_a(plugin, port, audio.get())) {
            bool aside = lilv_port_has_property(plugin, port, side.get());
            if (const Node of = Node(lilv_port_get(plugin, port, group.get())))
                aside = aside || lilv_world_ask(m_world, of.get(), sideOf.get(), nullptr);
            p.use = !in ? Lv2Port::Use::AudioOut : aside ? Lv2Port::Use::SideIn : Lv2Port::Use::AudioIn;
        } else if (lilv_port_is_a(plugin, port, atom.get())) {
            p.use = in ? Lv2Port::Use::AtomIn : Lv2Port::Use::AtomOut;
            const Node bytes(lilv_port_get(plugin, port, least.get()));
            p.atomBytes = uint32_t(std::clamp(numberOf(bytes.get(), 0), 65536.0, 16.0e6));
        } else if (lilv_port_has_property(plugin, port, optional.get())) {
            p.use = Lv2Port::Use::Unconnected;
        }
        all.push_back(std::move(p));
    }
    return all;
}

std::string Lv2World::kindOf(const LilvPlugin* plugin) const {
    const LilvNode* label = lilv_plugin_class_get_label(lilv_plugin_get_class(plugin));
    std::string kind = label ? lilv_node_as_string(label) : "";
    if (kind.empty() || kind == "Plugin") {  // LV2's own bundle is not installed: the class by its URI
        const Node type = uri("http://www.w3.org/1999/02/22-rdf-syntax-ns#type");
        LilvNodes* types = lilv_plugin_get_value(plugin, type.get());
        LILV_FOREACH(nodes, it, types) {
            const std::string is = lilv_node_as_string(lilv_nodes_get(types, it));
            if (is.starts_with(LV2_CORE_PREFIX) && is != LV2_CORE__Plugin) kind = lastOf(is);
        }
        lilv_nodes_free(types);
    }
    for (const std::string end : {" Plugin", "Plugin"})
        if (kind.ends_with(end)) kind.resize(kind.size() - end.size());
    return kind.empty() ? "Other" : kind;
}

EffectFacts Lv2World::facts(const LilvPlugin* plugin) const {
    EffectFacts f;
    f.uri = lilv_node_as_uri(lilv_plugin_get_uri(plugin));
    f.name = textOfNode(lilv_plugin_get_name(plugin));
    if (f.name.empty()) f.name = f.uri;
    f.maker = textOfNode(lilv_plugin_get_author_name(plugin));
    f.kind = kindOf(plugin);
    for (const auto& p : ports(plugin)) {
        f.inputs += p.use == Lv2Port::Use::AudioIn;
        f.outputs += p.use == Lv2Port::Use::AudioOut;
        if (p.use == Lv2Port::Use::Unknown)
            f.problem = "its port \"" + p.symbol + "\" is of a kind that has no place here";
    }
    if (const std::string missing = Lv2Features::missing(plugin); !missing.empty()) f.problem = missing;
    return f;
}

std::vector<EffectFacts> Lv2World::list() const {
    std::vector<EffectFacts> all;
    const LilvPlugins* plugins = lilv_world_get_all_plugins(m_world);
    LILV_FOREACH(plugins, it, plugins) {
        EffectFacts f = facts(lilv_plugins_get(plugins, it));
        if (f.inputs > 0 && f.outputs > 0) all.push_back(std::move(f));
    }
    return all;
}

EffectControl Lv2World::control(const LilvPlugin* plugin, const LilvPort* port) const {
    const Node toggled = uri(LV2_CORE__toggled), integer = uri(LV2_CORE__integer), rate = uri(LV2_CORE__sampleRate),
               logarithmic = uri(LV2_PORT_PROPS__logarithmic), named = uri(LV2_CORE__enumeration),
               unit = uri(LV2_UNITS__unit), symbol = uri(LV2_UNITS__symbol);
    EffectControl c;
    c.symbol = lilv_node_as_string(lilv_port_get_symbol(plugin, port));
    c.name = textOfNode(lilv_port_get_name(plugin, port));
    if (c.name.empty()) c.name = c.symbol;
    c.toggled = lilv_port_has_property(plugin, port, toggled.get());
    c.integer = lilv_port_has_property(plugin, port, integer.get());
    c.logarithmic = lilv_port_has_property(plugin, port, logarithmic.get());
    c.named = lilv_port_has_property(plugin, port, named.get());
    LilvNode *usual = nullptr, *low = nullptr, *high = nullptr;
    lilv_port_get_range(plugin, port, &usual, &low, &high);
    const double times = lilv_port_has_property(plugin, port, rate.get()) ? kRateOfRanges : 1;
    c.minimum = numberOf(low, 0) * times;
    c.maximum = numberOf(high, 1) * times;
    c.usual = std::clamp(numberOf(usual, numberOf(low, 0)) * times, std::min(c.minimum, c.maximum),
                         std::max(c.minimum, c.maximum));
    lilv_node_free(usual);
    lilv_node_free(low);
    lilv_node_free(high);
    if (const Node of = Node(lilv_port_get(plugin, port, unit.get()))) {
        c.unit = textOfNode(lilv_world_get(m_world, of.get(), symbol.get(), nullptr));
        if (c.unit.empty() && lilv_node_is_uri(of.get())) c.unit = unitOf(lilv_node_as_uri(of.get()));
    }
    if (c.unit == "bool" || c.unit == "coef") c.unit.clear();
    if (LilvScalePoints* points = lilv_port_get_scale_points(plugin, port)) {
        LILV_FOREACH(scale_points, it, points) {
            const LilvScalePoint* point = lilv_scale_points_get(points, it);
            const LilvNode* name = lilv_scale_point_get_label(point);
            if (const double value = numberOf(lilv_scale_point_get_value(point), NAN); std::isfinite(value) && name)
                c.points.emplace_back(value, lilv_node_as_string(name));
        }
        lilv_scale_points_free(points);
        std::sort(c.points.begin(), c.points.end());
    }
    return c;
}

EffectFacts Lv2World::describe(const LilvPlugin* plugin) const {
    EffectFacts f = facts(plugin);
    const auto all = ports(plugin);
    for (uint32_t i = 0; i < all.size(); ++i)
        if (all[i].use == Lv2Port::Use::ControlIn)
            f.controls.push_back(control(plugin, lilv_plugin_get_port_by_index(plugin, i)));
    const Node preset = uri(LV2_PRESETS__Preset), label = uri("http://www.w3.org/2000/01/rdf-schema#label");
    LilvNodes* presets = lilv_plugin_get_related(plugin, preset.get());
    LILV_FOREACH(nodes, it, presets) {
        const LilvNode* node = lilv_nodes_get(presets, it);
        lilv_world_load_resource(m_world, node);
        const std::string name = textOfNode(lilv_world_get(m_world, node, label.get(), nullptr));
        f.presets.push_back({lilv_node_as_uri(node), name.empty() ? lilv_node_as_uri(node) : name});
    }
    lilv_nodes_free(presets);
    std::sort(f.presets.begin(), f.presets.end(), [](const auto& a, const auto& b) { return a.name < b.name; });
    return f;
}

}  // namespace rivlen

#include "Lv2Features.h"

#include <lv2/core/lv2.h>
#include <lv2/parameters/parameters.h>
#include <lv2/state/state.h>

#include <set>

namespace rivlen {

namespace {

int quiet(LV2_Log_Handle, LV2_URID, const char*, ...) { return 0; }
int quietList(LV2_Log_Handle, LV2_URID, const char*, va_list) { return 0; }

}  // namespace

Urids::Urids()
    : map{this, [](LV2_URID_Map_Handle h, const char* uri) { return static_cast<Urids*>(h)->of(uri); }},
      unmap{this, [](LV2_URID_Unmap_Handle h, LV2_URID id) { return static_cast<Urids*>(h)->uriOf(id); }} {}

LV2_URID Urids::of(const char* uri) {
    const auto [found, added] = m_ids.try_emplace(uri, LV2_URID(m_uris.size() + 1));
    if (added) m_uris.emplace_back(uri);
    return found->second;
}

const char* Urids::uriOf(LV2_URID id) const { return id > 0 && id <= m_uris.size() ? m_uris[id - 1].c_str() : nullptr; }

Lv2Features::Lv2Features(Urids& urids, double rate, int block) : m_rate(float(rate)), m_block(block) {
    const LV2_URID whole = urids.of(LV2_ATOM__Int), number = urids.of(LV2_ATOM__Float);
    const auto option = [](LV2_URID key, LV2_URID type, const void* value) {
        return LV2_Options_Option{LV2_OPTIONS_INSTANCE, 0, key, 4, type, value};
    };
    m_options[0] = option(urids.of(LV2_BUF_SIZE__minBlockLength), whole, &m_block);
    m_options[1] = option(urids.of(LV2_BUF_SIZE__maxBlockLength), whole, &m_block);
    m_options[2] = option(urids.of(LV2_BUF_SIZE__nominalBlockLength), whole, &m_block);
    m_options[3] = option(urids.of(LV2_PARAMETERS__sampleRate), number, &m_rate);
    m_options[4] = {LV2_OPTIONS_INSTANCE, 0, 0, 0, 0, nullptr};
    m_worker = {this, &Lv2Features::schedule};
    m_log = {nullptr, quiet, quietList};
    m_features[0] = {LV2_URID__map, &urids.map};
    m_features[1] = {LV2_URID__unmap, &urids.unmap};
    m_features[2] = {LV2_OPTIONS__options, m_options};
    m_features[3] = {LV2_BUF_SIZE__boundedBlockLength, nullptr};
    m_features[4] = {LV2_BUF_SIZE__fixedBlockLength, nullptr};
    m_features[5] = {LV2_BUF_SIZE__powerOf2BlockLength, nullptr};
    m_features[6] = {LV2_WORKER__schedule, &m_worker};
    m_features[7] = {LV2_LOG__log, &m_log};
    m_features[8] = {LV2_STATE__loadDefaultState, nullptr};
    for (const auto& f : m_features) m_list.push_back(&f);
    m_list.push_back(nullptr);
}

LV2_Worker_Status Lv2Features::schedule(LV2_Worker_Schedule_Handle handle, uint32_t size, const void* data) {
    const char* from = static_cast<const char*>(data);
    static_cast<Lv2Features*>(handle)->m_asked.emplace_back(from, from + size);
    return LV2_WORKER_SUCCESS;
}

LV2_Worker_Status Lv2Features::respond(LV2_Worker_Respond_Handle handle, uint32_t size, const void* data) {
    const char* from = static_cast<const char*>(data);
    static_cast<Lv2Features*>(handle)->m_answers.emplace_back(from, from + size);
    return LV2_WORKER_SUCCESS;
}

void Lv2Features::work(const LilvInstance* instance) {
    const auto* worker =
        static_cast<const LV2_Worker_Interface*>(lilv_instance_get_extension_data(instance, LV2_WORKER__interface));
    if (!worker) return m_asked.clear();
    LV2_Handle handle = lilv_instance_get_handle(instance);
    constexpr int kRounds = 64;  // an answer may ask again
    for (int round = 0; !m_asked.empty() && round < kRounds; ++round) {
        const auto asked = std::move(m_asked);
        m_asked.clear();
        for (const auto& a : asked)
            if (worker->work) worker->work(handle, respond, this, uint32_t(a.size()), a.data());
        const auto answers = std::move(m_answers);
        m_answers.clear();
        for (const auto& a : answers)
            if (worker->work_response) worker->work_response(handle, uint32_t(a.size()), a.data());
    }
    if (worker->end_run) worker->end_run(handle);
}

std::string Lv2Features::missing(const LilvPlugin* plugin) {
    static const std::set<std::string> offered = {LV2_URID__map,
                                                  LV2_URID__unmap,
                                                  LV2_OPTIONS__options,
                                                  LV2_BUF_SIZE__boundedBlockLength,
                                                  LV2_BUF_SIZE__fixedBlockLength,
                                                  LV2_BUF_SIZE__powerOf2BlockLength,
                                                  LV2_WORKER__schedule,
                                                  LV2_LOG__log,
                                                  LV2_STATE__loadDefaultState,
                                                  LV2_CORE__hardRTCapable,
                                                  LV2_CORE__isLive,
                                                  LV2_CORE__inPlaceBroken};  // its buffers are never the same
    std::string names;
    LilvNodes* required = lilv_plugin_get_required_features(plugin);
    LILV_FOREACH(nodes, it, required) {
        const std::string uri = lilv_node_as_string(lilv_nodes_get(required, it));
        if (!offered.count(uri)) names += (names.empty() ? "" : ", ") + uri;
    }
    lilv_nodes_free(required);
    return names.empty() ? "" : "it needs what is not offered here: " + names;
}

}  // namespace rivlen

#pragma once
#include <lilv/lilv.h>
#include <lv2/atom/atom.h>
#include <lv2/buf-size/buf-size.h>
#include <lv2/log/log.h>
#include <lv2/options/options.h>
#include <lv2/urid/urid.h>
#include <lv2/worker/worker.h>

#include <map>
#include <string>
#include <vector>

namespace rivlen {

/// Numbers for URIs (LV2 URID).
class Urids {
public:
    Urids();
    LV2_URID of(const char* uri);
    const char* uriOf(LV2_URID id) const;
    LV2_URID_Map map;
    LV2_URID_Unmap unmap;

private:
    std::map<std::string, LV2_URID> m_ids;
    std::vector<std::string> m_uris;
};

/// What this host offers to one instance: numbers for URIs, options, blocks of one size, a log that nobody reads, and a
/// worker whose work is done at once, between two blocks: nothing here runs in real time.
class Lv2Features {
public:
    Lv2Features(Urids& urids, double rate, int block);
    Lv2Features(const Lv2Features&) = delete;
    const LV2_Feature* const* list() const { return m_list.data(); }
    /// Does what the instance asked of its worker, and gives it the answers.
    void work(const LilvInstance* instance);
    /// Why the host cannot satisfy what an effect requires; empty when it can.
    static std::string missing(const LilvPlugin* plugin);

private:
    static LV2_Worker_Status schedule(LV2_Worker_Schedule_Handle handle, uint32_t size, const void* data);
    static LV2_Worker_Status respond(LV2_Worker_Respond_Handle handle, uint32_t size, const void* data);
    float m_rate;
    int32_t m_block;
    LV2_Options_Option m_options[6];
    LV2_Worker_Schedule m_worker;
    LV2_Log_Log m_log;
    LV2_Feature m_features[9];
    std::vector<const LV2_Feature*> m_list;
    std::vector<std::vector<char>> m_asked, m_answers;
};

}  // namespace rivlen

#include "app/rebuild/LaneTools.h"

#include <algorithm>

#include "app/words/Say.h"
#include "core/rebuild/ClipEdits.h"

namespace rivlen {

void LaneTools::addLane() {
    std::string id;
    m_desk.edit(say("Add lane"), [&](Rebuild& r) {
        id = rivlen::addLane(r, "Lane " + std::to_string(r.lanes.size() + 1), m_desk.laneId());
    });
    m_desk.chooseLane(id);
}

void LaneTools::removeLane() {
    if (!m_desk.lane()) return;
    m_desk.edit(say("Remove lane"), [&](Rebuild& r) {
        if (r.lanes.size() < 2) return;
        std::erase_if(r.lanes, [&](const auto& l) { return l->id == m_desk.laneId(); });
        for (auto& l : r.lanes)
            if (l->duck.key == m_desk.laneId()) l.edit().duck.on = false;
    });
}

void LaneTools::moveLane(int by) {
    m_desk.edit(say("Move lane"), [&](Rebuild& r) {
        for (size_t i = 0; i < r.lanes.size(); ++i)
            if (r.lanes[i]->id == m_desk.laneId()) {
                const long to = std::clamp<long>(long(i) + by, 0, long(r.lanes.size()) - 1);
                std::swap(r.lanes[i], r.lanes[size_t(to)]);
                return;
            }
    });
}

void LaneTools::setGroup(const QString& name) {
    if (!m_desk.lane()) return;
    m_desk.edit(say("Group"), [&](Rebuild& r) {
        Lane& l = *r.lane(m_desk.laneId());
        const std::string wanted = name.trimmed().toStdString();
        l.group.clear();
        for (const auto& g : r.groups)
            if (g.name == wanted) l.group = g.id;
        if (!wanted.empty() && l.group.empty()) {
            r.groups.push_back({r.freeId("group"), wanted, {}});
            r.lane(m_desk.laneId())->group = r.groups.back().id;
        }
        std::erase_if(r.groups, [&](const Group& g) {
            return std::none_of(r.lanes.begin(), r.lanes.end(), [&](const auto& x) { return x->group == g.id; });
        });
    });
}

void LaneTools::addMarker() {
    const double at = m_desk.playhead();
    m_desk.edit(say("Marker"), [&](Rebuild& r) {
        const auto near = std::find_if(r.markers.begin(), r.markers.end(),
                                       [at](const Marker& m) { return std::abs(m.at - at) < 0.02; });
        if (near != r.markers.end()) {
            r.markers.erase(near);
            return;
        }
        r.markers.push_back({at, "Marker " + std::to_string(r.markers.size() + 1)});
        std::sort(r.markers.begin(), r.markers.end(), [](const Marker& a, const Marker& b) { return a.at < b.at; });
    });
}

void LaneTools::step(int by) {
    std::vector<std::string> ids;
    for (const auto& l : m_desk.rebuild().lanes) {
        const Group* group = m_desk.rebuild().group(l->group);
        if (!group || !group->folded) ids.push_back(l->id);
    }
    for (const auto& g : m_desk.rebuild().groups) ids.push_back(g.id);
    ids.push_back("mix");
    const auto here = std::find(ids.begin(), ids.end(), m_desk.laneId()) - ids.begin();
    m_desk.chooseLane(ids[size_t(std::clamp<long>(here + by, 0, long(ids.size()) - 1))]);
}

}  // namespace rivlen

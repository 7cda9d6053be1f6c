#include "app/weigh/StrengthDesk.h"

#include <algorithm>

#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

StrengthDesk::StrengthDesk(Document& document, Reels& reels, Work& work, QObject* parent)
    : QObject(parent), m_document(document), m_reels(reels), m_work(work) {
    connect(&document, &Document::changed, this, &StrengthDesk::changed);
}

void StrengthDesk::edit(const QString& name, const std::function<void(StrengthTimeline&)>& change,
                        const std::string& gesture) {
    m_document.editReel(
        name, [&](Reel& r) { change(r.timeline()); }, gesture);
}

void StrengthDesk::chooseStem(const std::string& stem) {
    if (!m_document.reel() || m_document.reel()->stem == stem) return;
    m_document.editReel(say("Strength of the ") + said(stem), [&](Reel& r) {
        r.stem = stem;
        r.region = -1;
    });
}

void StrengthDesk::chooseNextPart() {
    if (!m_document.reel()) return;
    const std::string stem = m_document.reel()->stem, whole = kStemNames[stemPlace(stem)];
    const auto& parts = partsOf(whole);
    if (parts.empty())
        return void(m_work.warn(say("The dialogue has no parts: choose the music or the ambience first.")));
    const size_t next = size_t(partPlace(stem) + 1);
    chooseStem(next < parts.size() ? parts[next] : whole);
}

void StrengthDesk::workOn(int region) {
    m_document.rememberReel([region](Reel& r) { r.region = region; });
}

void StrengthDesk::regionFromLoop() {
    const Reel* reel = m_document.reel();
    if (!reel) return;
    if (!reel->loop) {
        m_work.warn(say("A region needs a loop: drag over the picture, or set its edges with [ and ]."));
        return;
    }
    StrengthRegion region{"", reel->loop->first, reel->loop->second, 0.1, reel->isolation()};
    try {
        StrengthTimeline timeline = reel->timeline();
        const int place = placeRegion(timeline, region);
        m_document.editReel(say("Add region"), [&](Reel& r) {
            r.timeline() = timeline;
            r.region = place;
        });
    } catch (const Error& e) {
        m_work.warn(QString::fromStdString(e.what()));
    }
}

void StrengthDesk::removeRegion(int region) {
    m_document.editReel(say("Remove region"), [&](Reel& r) {
        r.timeline().regions.erase(r.timeline().regions.begin() + region);
        r.region = -1;
    });
}

void StrengthDesk::renameRegion(int region, const QString& name) {
    edit(say("Name region"),
         [&](StrengthTimeline& c) { c.regions[size_t(region)].name = name.trimmed().toStdString(); });
}

void StrengthDesk::setFade(int region, double seconds, bool dragging) {
    edit(
        say("Set fade"),
        [&](StrengthTimeline& c) { c.regions[size_t(region)].fade = std::clamp(seconds, kShortestFade, kLongestFade); },
        dragging ? "fade" : "");
}

void StrengthDesk::moveBorder(int region, bool begin, double seconds) {
    edit(
        say("Move region"),
        [&](StrengthTimeline& c) {
            StrengthRegion& r = c.regions[size_t(region)];
            const double low = region > 0 ? c.regions[size_t(region - 1)].to : 0.0;
            const double high = region + 1 < int(c.regions.size()) ? c.regions[size_t(region + 1)].from
                                                                   : m_reels.current()->info->duration();
            if (begin) r.from = std::clamp(seconds, low, r.to - kShortestRegion);
            else r.to = std::clamp(seconds, r.from + kShortestRegion, high);
        },
        "border");
}

void StrengthDesk::copyTo(int region) {
    const IsolationSettings settings = m_document.reel()->isolation();
    edit(say("Copy strength"),
         [&](StrengthTimeline& c) { (region < 0 ? c.base : c.regions[size_t(region)].settings) = settings; });
}

void StrengthDesk::showParameter(size_t index) {
    m_parameter = index;
    emit changed();
}

const DrawnCurve* StrengthDesk::curve() const {
    if (!m_document.reel()) return nullptr;
    const auto& drawn = m_document.reel()->timeline().drawn;
    const auto found = drawn.find(parameter().id);
    return found == drawn.end() ? nullptr : &found->second;
}

void StrengthDesk::setCurve(DrawnCurve curve, bool dragging) {
    const std::string id = parameter().id;
    edit(
        say("Draw %1").arg(parameter().name),
        [&](StrengthTimeline& c) {
            if (curve.empty()) c.drawn.erase(id);
            else c.drawn[id] = curve;
        },
        dragging ? "draw " + id : "");
}

QString StrengthDesk::regionName(int region) const {
    const auto& regions = m_document.reel()->timeline().regions;
    if (region < 0 || region >= int(regions.size())) return say("Whole reel");
    const auto& r = regions[size_t(region)];
    return r.name.empty() ? say("Region %1").arg(region + 1) : QString::fromStdString(r.name);
}

}  // namespace rivlen

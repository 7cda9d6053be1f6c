#include "app/rebuild/LaneCurves.h"

#include <algorithm>

namespace rivlen {

void LaneCurves::show(const std::string& id) {
    m_shown = id;
    m_desk.announce();
}

const DrawnCurve* LaneCurves::of(const Strip& strip) const {
    const auto found = strip.automation.find(m_shown);
    return found == strip.automation.end() || found->second.empty() ? nullptr : &found->second;
}

void LaneCurves::set(DrawnCurve curve, const std::string& gesture) {
    if (m_shown.empty()) return;
    m_desk.editStrip(
        "Draw " + QString::fromStdString(m_shown),
        [&](Strip& s) {
            if (curve.empty()) s.automation.erase(m_shown);
            else s.automation[m_shown] = curve;
        },
        gesture);
}

void LaneCurves::trim(double by) {
    const Reel* reel = m_document.reel();
    if (m_shown.empty() || !reel) return;
    const auto* p = &stripParameter(m_shown);
    if (!reel->loop) return m_desk.tell("Set a loop over what is to be raised or lowered: drag over the picture.");
    const DrawnCurve* now = of(m_desk.strip());
    set(trimmed(now ? *now : DrawnCurve{}, reel->loop->first, reel->loop->second,
                by * (p->maximum - p->minimum > 100 ? 5 : 1), p->minimum, p->maximum, m_desk.strip().*p->value));
}

void LaneCurves::copy() {
    const Reel* reel = m_document.reel();
    if (!reel || !reel->loop || !of(m_desk.strip()))
        return m_desk.tell("Set a loop over a part of a curve first; then it can be copied.");
    m_copied = *of(m_desk.strip());
    m_copied->insert(m_copied->begin(), {reel->loop->first, reel->loop->second});
}

void LaneCurves::paste() {
    if (m_shown.empty() || !m_copied) return;
    const auto* p = &stripParameter(m_shown);
    const auto [from, to] = m_copied->front();
    const DrawnCurve source(m_copied->begin() + 1, m_copied->end());
    const double at = m_desk.playhead(), usual = m_desk.strip().*p->value;
    DrawnCurve moved = copiedTo(source, from, to, at, usual);
    DrawnCurve span;
    for (const auto& point : moved)
        if (point.first >= at && point.first <= at + to - from) span.push_back(point);
    const DrawnCurve* now = of(m_desk.strip());
    if (!span.empty()) {
        span.front().second = now ? drawnAt(*now, at) : usual;
        span.back().second = now ? drawnAt(*now, at + to - from) : usual;
    }
    set(drawnInto(now ? *now : DrawnCurve{{0.0, usual}}, span));
}

void LaneCurves::thin() {
    const DrawnCurve* now = of(m_desk.strip());
    if (!now) return;
    const size_t before = now->size();
    const DrawnCurve few = thinned(*now, m_shown == "level" ? 0.25 : 1.5);
    set(few);
    m_desk.report(QString("The curve keeps %1 of %2 points.").arg(few.size()).arg(before));
}

}  // namespace rivlen

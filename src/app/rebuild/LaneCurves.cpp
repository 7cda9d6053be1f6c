#include "app/rebuild/LaneCurves.h"

#include <algorithm>

#include "app/words/Say.h"

namespace rivlen {

void LaneCurves::show(const std::string& id) {
    m_shown = id;
    m_desk.announce();
}

CurveRange stripRange(const Strip& strip, const std::string& parameter) {
    const auto& p = stripParameter(parameter);
    const bool level = parameter == "level";
    return {parameter, said(p.name), p.minimum, p.maximum, strip.*p.value, level ? 0.1 : 1.0, [&p, level](double v) {
                return level && v <= kSilentLevel ? say("silent") : said(describeValue(p, v));
            }};
}

CurveRange LaneCurves::rangeOf(const Strip& strip, const std::string& curve) const {
    const size_t colon = curve.find(':');
    if (colon == std::string::npos) return stripRange(strip, curve);
    const EffectSlot* slot = strip.chain.effect(curve.substr(0, colon));
    const EffectFacts* facts = slot ? m_effects.facts(slot->uri) : nullptr;
    for (const auto& c : facts ? facts->controls : std::vector<EffectControl>())
        if (c.symbol == curve.substr(colon + 1))
            return {curve,
                    QString::fromStdString(slot->name + ": " + c.name),
                    c.minimum,
                    c.maximum,
                    m_effects.value(*slot, c),
                    c.integer || c.toggled ? 1 : (c.maximum - c.minimum) / 1000,
                    [c](double v) { return QString::fromStdString(c.text(v)); }};
    return {curve, say("An effect that is not here"), 0, 1, 0, 1, [](double v) { return QString::number(v); }};
}

CurveRange LaneCurves::range(const Strip& strip) const { return rangeOf(strip, m_shown); }

QString LaneCurves::nameOf(const std::string& curve) const { return rangeOf(m_desk.strip(), curve).name; }

const DrawnCurve* LaneCurves::of(const Strip& strip) const {
    const auto found = strip.automation.find(m_shown);
    return found == strip.automation.end() || found->second.empty() ? nullptr : &found->second;
}

void LaneCurves::set(DrawnCurve curve, const std::string& gesture) {
    if (m_shown.empty()) return;
    m_desk.editStrip(
        say("Draw ") + within(nameOf(m_shown)),
        [&](Strip& s) {
            if (curve.empty()) s.automation.erase(m_shown);
            else s.automation[m_shown] = curve;
        },
        gesture);
}

void LaneCurves::trim(double by) {
    const Reel* reel = m_document.reel();
    if (m_shown.empty() || !reel) return;
    const CurveRange p = range(m_desk.strip());
    if (!reel->loop) return m_desk.tell(say("Set a loop over what is to be raised or lowered: drag over the picture."));
    const DrawnCurve* now = of(m_desk.strip());
    set(trimmed(now ? *now : DrawnCurve{}, reel->loop->first, reel->loop->second,
                by * (m_shown.find(':') != std::string::npos ? (p.maximum - p.minimum) / 50
                      : p.maximum - p.minimum > 100          ? 5
                                                             : 1),
                p.minimum, p.maximum, p.standing));
}

void LaneCurves::copy() {
    const Reel* reel = m_document.reel();
    if (!reel || !reel->loop || !of(m_desk.strip()))
        return m_desk.tell(say("Set a loop over a part of a curve first; then it can be copied."));
    m_copied = *of(m_desk.strip());
    m_copied->insert(m_copied->begin(), {reel->loop->first, reel->loop->second});
}

void LaneCurves::paste() {
    if (m_shown.empty() || !m_copied) return;
    const auto [from, to] = m_copied->front();
    const DrawnCurve source(m_copied->begin() + 1, m_copied->end());
    const double at = m_desk.playhead(), usual = range(m_desk.strip()).standing;
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
    const CurveRange p = range(m_desk.strip());
    const double tolerance = m_shown == "level"                       ? 0.25
                             : m_shown.find(':') != std::string::npos ? (p.maximum - p.minimum) / 200
                                                                      : 1.5;
    const size_t before = now->size();
    const DrawnCurve few = thinned(*now, tolerance);
    set(few);
    m_desk.report(say("The curve keeps %1 of %2 points.").arg(few.size()).arg(before));
}

}  // namespace rivlen

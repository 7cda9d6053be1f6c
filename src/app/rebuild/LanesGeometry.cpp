// LanesView: where things are.
#include <QPushButton>
#include <cmath>

#include "app/rebuild/LanesView.h"

namespace rivlen {

double LanesView::lanesHeight() const {
    return height() - (shown().markers.empty() ? 0 : kMarkers) - (silent() ? kNote : 0);
}

bool LanesView::silent() const {
    const ReelFacts* state = m_reels.current();
    return state && !state->stems && !shown().empty();
}

void LanesView::placeNote() {
    const ReelFacts* state = m_reels.current();
    m_split->setVisible(silent() && !state->splitting && !state->missing);
    const QSize size = m_split->sizeHint();
    m_split->setGeometry(width() - size.width() - 10, height() - (kNote + size.height()) / 2, size.width(),
                         size.height());
    m_stale = m_all = true;
    update();
}

double LanesView::bodyHeight() const {
    const auto lanes = double(shown().lanes.size()), others = double(shown().groups.size() + 1);
    if (lanes == 0) return kLeastBody;
    return std::clamp(std::floor((lanesHeight() - 6 - others * (kCaption + kGap)) / lanes - kCaption - kGap),
                      double(kLeastBody), double(kMostBody));
}

std::vector<LanesView::Row> LanesView::rows() const {
    std::vector<Row> all;
    double y = 2 - m_scroll;
    for (const auto& l : shown().lanes) {
        all.push_back({l->id, y, true});
        y += kCaption + bodyHeight() + kGap;
    }
    for (const auto& g : shown().groups) {
        all.push_back({g.id, y, false});
        y += kCaption + kGap;
    }
    if (!shown().empty()) all.push_back({"mix", y, false});
    return all;
}

double LanesView::contentHeight() const {
    return double(shown().lanes.size()) * (kCaption + bodyHeight() + kGap) +
           double(shown().groups.size() + 1) * (kCaption + kGap) + 4;
}

void LanesView::scrollTo(const std::string& id) {
    const double most = std::max(0.0, contentHeight() - lanesHeight());
    m_scroll = std::clamp(m_scroll, 0.0, most);
    for (const Row& r : rows()) {
        if (r.id != id) continue;
        const double bottom = r.top + kCaption + (r.body ? bodyHeight() : 0);
        if (bottom > lanesHeight()) m_scroll = std::min(most, m_scroll + bottom - lanesHeight() + 4);
        if (r.top < 0) m_scroll = std::max(0.0, m_scroll + r.top - 2);
    }
}

QRectF LanesView::captionRect(const std::string& id) const {
    for (const Row& r : rows())
        if (r.id == id) return QRectF(0, r.top, width(), kCaption);
    return {};
}

QRectF LanesView::bodyRect(const std::string& lane) const {
    const QRectF c = captionRect(lane);
    return QRectF(0, c.bottom(), width(), bodyHeight());
}

QRectF LanesView::clipRect(const std::string& id) const {
    const Lane* lane = shown().laneOf(id);
    if (!lane) return {};
    const Clip& c = *shown().clip(id);
    const QRectF body = bodyRect(lane->id);
    const double a = m_axis.xAt(c.at, width()), b = m_axis.xAt(c.end(), width());
    return QRectF(a, body.top(), b - a, body.height());
}

QRectF LanesView::muteRect(const std::string& id) const {
    const QRectF c = captionRect(id);
    return QRectF(176, c.top() + 2, 20, kCaption - 4);
}

QRectF LanesView::soloRect(const std::string& id) const { return muteRect(id).translated(23, 0); }

QPointF LanesView::curvePoint(const std::string& lane, double seconds, double value) const {
    const QRectF body = bodyRect(lane).adjusted(0, kTitle + 4, 0, -4);
    const auto& p = stripParameter(m_tools.curves.shown());
    double share = (value - p.minimum) / (p.maximum - p.minimum);
    if (m_tools.curves.shown() == "level")
        share = std::clamp((value + 48) / 60, 0.0, 1.0);  // what lies lower is silent to the eye as well
    return {m_axis.xAt(seconds, width()), body.bottom() - share * body.height()};
}

double LanesView::curveValue(const std::string& lane, double y) const {
    const QRectF body = bodyRect(lane).adjusted(0, kTitle + 4, 0, -4);
    const auto& p = stripParameter(m_tools.curves.shown());
    const double share = std::clamp((body.bottom() - y) / body.height(), 0.0, 1.0);
    if (m_tools.curves.shown() == "level") return share <= 0 ? kSilentLevel : std::round((share * 60 - 48) * 10) / 10;
    return std::round(p.minimum + share * (p.maximum - p.minimum));
}

}  // namespace rivlen

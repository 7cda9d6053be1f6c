#include "app/rebuild/LanePainter.h"

#include <QPainterPath>
#include <cmath>

#include "app/rebuild/LaneNames.h"
#include "app/views/PartLook.h"
#include "app/views/WaveDrawing.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/audio/Decibel.h"
#include "core/separation/Parts.h"

namespace rivlen {

namespace {

constexpr double kFloor = -60, kDuckRange = 24;  // dB over the height of a body
constexpr int kTitle = LanesLayout::kTitle;

/// The part of a stem that a lane plays; empty for other lanes.
std::string partOf(const Lane& lane) {
    const std::string material = lane.clips.empty() ? std::string() : lane.clips.front().material;
    return stemOfPart(material).empty() ? std::string() : material;
}

QColor hueOf(const Lane& lane) {
    if (const std::string part = partOf(lane); !part.empty()) return partColor(part);
    return lane.stem < 0 ? theme::plain : theme::stemColor(lane.stem);
}

}  // namespace

float LanePainter::levelOf(const Clip& clip, double from, double to) const {
    const ReelFacts* state = m_reels.current();
    if (!state || !state->info) return 0;
    const double rate = state->info->sampleRate;
    const LevelTrack* track = nullptr;
    int row = 0;
    std::shared_ptr<LevelTrack> kept;
    if (clip.material == "source") {
        track = state->shownLevels();
    } else if (clip.material.compare(0, 5, "tone-") == 0) {
        return 0.03f;
    } else if (clip.material.compare(0, 6, "sound-") == 0 || clip.material == "voice" || clip.material == "room") {
        kept = m_mix.levels(clip.material);
        track = kept.get();
    } else if (const auto found = state->parts.find(stemOfPart(clip.material)); found != state->parts.end()) {
        track = &found->second->levels();
        row = found->second->stemIndex(clip.material);
    } else if (!stemOfPart(clip.material).empty()) {
        return 0;
    } else if (state->stems) {
        track = &state->stems->levels();
        row = clip.material == "music" ? 1 : clip.material == "ambience" ? 2 : 0;
    }
    if (!track || row >= track->rows()) return 0;
    const double a = clip.materialAt(from), b = a + (to - from);
    return std::sqrt(track->loudest(row, int64_t(a * rate), std::max(int64_t(a * rate) + 1, int64_t(b * rate))));
}

void LanePainter::paintWave(QPainter& p, const LanesLayout& layout, const QRectF& body, const Clip& clip,
                            const QColor& colour, const DrawnCurve* duck) const {
    const double left = std::max(body.left(), 0.0), right = std::min(body.right(), double(layout.width()));
    if (const LaneWaves::Wave* wave = m_waves.of(clip.id); wave && !wave->samples.empty()) {
        const double x = layout.xAt(clip.at + wave->from), wide = layout.xAt(wave->seconds) - layout.xAt(0);
        p.save();
        p.setClipRect(QRectF(left, body.top() + kTitle, right - left, body.height() - kTitle));
        paintSamples(p, wave->samples, {x, body.top() + kTitle, wide, body.height() - kTitle}, m_waves.loudest(),
                     colour);
        p.restore();
        return;
    }
    const double middle = body.top() + kTitle + (body.height() - kTitle) / 2, reach = (body.height() - kTitle) / 2 - 2;
    const float gain = float(fromDb(clip.gain));
    QVector<QLineF> lines;
    lines.reserve(int(right - left) + 1);
    for (double x = std::floor(left); x < right; x += 1) {
        const double from = std::max(clip.at, layout.secondAt(x)), to = std::min(clip.end(), layout.secondAt(x + 1));
        if (to <= from) continue;
        double level = levelOf(clip, from, to) * gain * clip.fadeAt((from + to) / 2);
        if (duck) level *= fromDb(drawnAt(*duck, from));
        const double half = reach * std::clamp((toDb(level) - kFloor) / -kFloor, 0.0, 1.0);
        lines.append(QLineF(x + 0.5, middle - half, x + 0.5, middle + half + 0.5));
    }
    p.setPen(QPen(colour, 1));
    p.drawLines(lines);
}

void LanePainter::paintClip(QPainter& p, const LanesLayout& layout, const QRectF& body, const Lane& lane,
                            const Clip& clip) const {
    const double a = layout.xAt(clip.at), b = layout.xAt(clip.end());
    if (b < 0 || a > layout.width()) return;
    const QRectF r(a, body.top(), std::max(1.5, b - a), body.height());
    p.setBrush(Qt::NoBrush);
    const bool chosen = m_desk.selected().count(clip.id) > 0;
    QColor hue = hueOf(lane);
    QColor fill = theme::sunk(hue, clip.muted ? 500 : 330);
    p.fillRect(r, fill);
    QColor wave = hue;
    if (clip.muted) wave = theme::sunk(hue, 210);
    if (r.width() >= 3) paintWave(p, layout, r, clip, wave, lane.duck.on ? m_ducking.curve(lane.id) : nullptr);
    // Title strip, by which it is moved. A before is marked with a light strip, its after with a dark one.
    const QRectF title(r.left(), r.top(), r.width(), kTitle);
    QColor strip = chosen ? theme::ink : theme::sunk(hue, clip.muted ? 320 : 190);
    if (clip.mark == ClipMark::Before && !chosen) strip = theme::earlier;
    if (clip.mark == ClipMark::After && !chosen) strip = theme::later;
    p.fillRect(title, strip);
    if (r.width() > 26) {
        p.setPen(chosen ? theme::ground : theme::ink);
        p.setFont(theme::font(10, QFont::Medium));
        QString text = clipName(m_desk.rebuild(), clip);
        if (clip.mark == ClipMark::Before) text = say("before · ") + text;
        if (clip.mark == ClipMark::After) text = say("after · ") + text;
        if (clip.muted) text += say("  (muted)");
        else if (clip.gain != 0) text += QString("  %1%2 dB").arg(clip.gain > 0 ? "+" : "").arg(clip.gain, 0, 'f', 1);
        if (clip.loops()) text += say("  repeats");
        const QRectF inside = title.intersected(QRectF(0, title.top(), layout.width(), kTitle)).adjusted(5, 0, -4, 0);
        p.drawText(inside, Qt::AlignVCenter, p.fontMetrics().elidedText(text, Qt::ElideRight, int(inside.width())));
    }
    // Fades, with handles at the corners of the body.
    p.setPen(QPen(theme::ink, 1));
    const double top = r.top() + kTitle, bottom = r.bottom();
    for (bool in : {true, false}) {
        const double seconds = in ? clip.fadeIn : clip.fadeOut;
        const double length = layout.xAt(seconds) - layout.xAt(0);
        if (length > 2) {
            QPainterPath path;
            for (int i = 0; i <= 12; ++i) {
                const double x = i / 12.0,
                             y = bottom - fadeGain(in ? clip.fadeInShape : clip.fadeOutShape, x) * (bottom - top);
                const QPointF at(in ? r.left() + x * length : r.right() - x * length, y);
                i == 0 ? path.moveTo(at) : path.lineTo(at);
            }
            p.drawPath(path);
        }
        if (r.width() > 24 && chosen)
            p.fillRect(QRectF(in ? r.left() + length - 2 : r.right() - length - 3, top, 5, 5), theme::ink);
    }
    p.setPen(QPen(chosen ? theme::ink : theme::ground, chosen ? 1.5 : 1,
                  clip.mark == ClipMark::Before ? Qt::DashLine : Qt::SolidLine));
    if (r.width() >= 3) p.drawRect(r.adjusted(0.5, 0.5, -0.5, -0.5));
}

void LanePainter::paintDucking(QPainter& p, const LanesLayout& layout, const QRectF& body,
                               const DrawnCurve& duck) const {
    // The level change over the waveform: 0 dB below the titles, kDuckRange at the bottom.
    QPainterPath path;
    const double top = body.top() + kTitle + 1, height = body.height() - kTitle - 3;
    for (double x = 0; x <= layout.width(); x += 1) {
        const QPointF at(x, top + std::clamp(-drawnAt(duck, layout.secondAt(x)) / kDuckRange, 0.0, 1.0) * height);
        x == 0 ? path.moveTo(at) : path.lineTo(at);
    }
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(theme::ground, 3));
    p.drawPath(path);
    p.setPen(QPen(theme::attention, 1.4));
    p.drawPath(path);
    p.setRenderHint(QPainter::Antialiasing, false);
}

void LanePainter::paintCurve(QPainter& p, const LanesLayout& layout, const QRectF& body, const Lane& lane,
                             const Hand& hand) const {
    const std::string& shown = m_curves.shown();
    if (shown.empty()) return;
    const DrawnCurve* curve = m_curves.of(lane.strip);
    const bool mine = lane.id == m_desk.laneId();
    if (!curve && !mine) return;
    const CurveRange range = m_curves.range(lane.strip);
    DrawnCurve shownCurve = curve ? *curve : DrawnCurve{{0, range.standing}};
    if (mine && hand.stroke) shownCurve = *hand.stroke;
    QPainterPath path;
    path.moveTo(-2, layout.curvePoint(lane.id, range, 0, shownCurve.front().second).y());
    for (const auto& [t, v] : shownCurve) path.lineTo(layout.curvePoint(lane.id, range, t, v));
    path.lineTo(layout.width() + 2, layout.curvePoint(lane.id, range, 0, shownCurve.back().second).y());
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(theme::ground, 4));
    p.drawPath(path);
    p.setPen(QPen(theme::ink, mine ? 1.8 : 1.2, curve ? Qt::SolidLine : Qt::DotLine));
    p.drawPath(path);
    if (mine && curve)
        for (size_t i = 0; i < curve->size(); ++i) {
            const QPointF at = layout.curvePoint(lane.id, range, (*curve)[i].first, (*curve)[i].second);
            if (at.x() < -4 || at.x() > layout.width() + 4) continue;
            p.setBrush(int(i) == hand.point ? theme::ink : theme::ground);
            p.drawEllipse(at, 3.5, 3.5);
            if (int(i) != hand.point) continue;
            p.setFont(theme::font(11, QFont::DemiBold));
            const QString value = range.describe((*curve)[i].second);
            const QRectF tag(at.x() + 8, std::max(at.y() - 9, body.top() + kTitle),
                             p.fontMetrics().horizontalAdvance(value) + 8, 16);
            p.fillRect(tag, theme::ground);
            p.drawText(tag, Qt::AlignCenter, value);
        }
    p.setRenderHint(QPainter::Antialiasing, false);
    p.setBrush(Qt::NoBrush);
    if (!mine) return;
    p.setFont(theme::font(10));
    const QString& name = range.name;
    const QRectF tag(4, body.bottom() - 16, p.fontMetrics().horizontalAdvance(name) + 8, 14);
    p.fillRect(tag, theme::ground);
    p.setPen(theme::ink);
    p.drawText(tag, Qt::AlignCenter, name);
}

void LanePainter::paintBody(QPainter& p, const LanesLayout& layout, const LanesLayout::Row& row, const Lane& lane,
                            const Hand& hand) const {
    const QRectF body = layout.body(row);
    p.fillRect(body, row.id == m_desk.laneId() ? theme::laneHere : theme::lane);
    for (const Clip& c : lane.clips) paintClip(p, layout, body, lane, c);
    if (const DrawnCurve* duck = lane.duck.on ? m_ducking.curve(lane.id) : nullptr)
        paintDucking(p, layout, body, *duck);
    paintCurve(p, layout, body, lane, hand);
}

void LanePainter::paintCaption(QPainter& p, const LanesLayout& layout, const LanesLayout::Row& row) const {
    const Lane* lane = layout.rebuild().lane(row.id);
    const Group* group = layout.rebuild().group(row.id);
    const Strip& strip = lane ? lane->strip : group ? group->strip : layout.rebuild().mix;
    const QString name = lane ? say(lane->name.c_str()) : laneName(m_desk.rebuild(), row.id);
    const QRectF c(0, row.top, layout.width(), LanesLayout::kCaption);
    const bool here = row.id == m_desk.laneId();
    p.fillRect(c, here ? theme::laneHead : theme::raised);
    if (here) p.fillRect(QRectF(0, c.top(), 3, c.height()), theme::ink);
    double x = 10;
    if (row.body) {
        p.setRenderHint(QPainter::Antialiasing);
        const QRectF chip(x, c.top() + 3, 14, 14);
        p.setPen(Qt::NoPen);
        p.setBrush(hueOf(*lane));
        p.drawRoundedRect(chip, 3, 3);
        p.setRenderHint(QPainter::Antialiasing, false);
        p.setFont(theme::font(10, QFont::DemiBold));
        p.setPen(theme::ground);
        const std::string part = partOf(*lane);
        p.drawText(chip, Qt::AlignCenter,
                   !part.empty()     ? partLetter(part)
                   : lane->stem >= 0 ? theme::stemLetter(lane->stem)
                                     : QString("+"));
    } else if (group) {
        p.setFont(theme::font(12));
        p.setPen(theme::ink);
        p.drawText(layout.fold(row.id), Qt::AlignCenter, group->folded ? "▸" : "▾");
    }
    x += 20;
    p.setFont(theme::font(12, here || row.id == "mix" ? QFont::DemiBold : QFont::Normal));
    p.setPen(strip.mute ? theme::quietInk : theme::ink);
    p.drawText(QRectF(x, c.top(), 170 - x, c.height()), Qt::AlignVCenter,
               p.fontMetrics().elidedText(name, Qt::ElideRight, int(170 - x)));
    p.setFont(theme::font(10, QFont::DemiBold));
    const auto button = [&](const QRectF& r, const QString& text, bool on, const QColor& lit) {
        p.fillRect(r, on ? lit : theme::button);
        p.setPen(on ? theme::ground : theme::quietInk);
        p.drawText(r, Qt::AlignCenter, text);
    };
    button(layout.mute(row.id), "M", strip.mute, theme::attention);
    if (row.id != "mix") button(layout.solo(row.id), "S", strip.solo, theme::good);
    p.setFont(theme::font(11));
    p.setPen(theme::quietInk);
    QStringList facts;
    const auto automated = [&](const char* id) { return strip.automation.count(id) > 0; };
    facts << (automated("level") ? say("level drawn")
              : strip.level <= kSilentLevel
                  ? say("silent")
                  : QString("%1%2 dB").arg(strip.level > 0 ? "+" : "").arg(strip.level, 0, 'f', 1));
    if (automated("pan")) facts << say("pan drawn");
    else if (strip.pan != 0)
        facts << QString("%1 %2").arg(strip.pan < 0 ? say("left") : say("right")).arg(std::abs(strip.pan), 0, 'f', 0);
    if (strip.width != 100) facts << say("width %1 %").arg(strip.width, 0, 'f', 0);
    if (strip.chain.any()) facts << say("chain");
    if (lane) {
        if (lane->duck.on) facts << say("ducked by ") + laneName(m_desk.rebuild(), lane->duck.key);
        if (!lane->group.empty()) facts << say("in ") + laneName(m_desk.rebuild(), lane->group);
    }
    p.drawText(QRectF(360, c.top(), layout.width() - 370, c.height()), Qt::AlignVCenter, facts.join("   "));
}

}  // namespace rivlen

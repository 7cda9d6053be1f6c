#include "app/rebuild/LanesView.h"

#include <QPainter>
#include <QPainterPath>
#include <QPushButton>
#include <cmath>

#include "app/widgets/Theme.h"
#include "core/audio/Decibel.h"
#include "core/separation/StemStore.h"

namespace rivlen {

namespace {

constexpr double kFloor = -60, kDuckRange = 24;  // dB over the height of a body

QColor hueOf(int stem) { return stem < 0 ? QColor(0xb9, 0xae, 0x9b) : theme::stemColor(stem); }

}  // namespace

LanesView::LanesView(RebuildTools& tools, Document& document, Reels& reels, Splitting& splitting, Hearing& hearing,
                     TimeAxis& axis, QWidget* parent)
    : TimeView(document, reels, hearing, axis, parent), m_tools(tools), m_desk(tools.desk) {
    setObjectName("lanes");
    setFocusPolicy(Qt::StrongFocus);
    setAcceptDrops(true);
    setMouseTracking(true);
    setMinimumHeight(140);
    setAccessibleName("Lanes");
    const auto stale = [this] {
        m_stale = m_all = true;
        update();
    };
    connect(&tools.desk, &RebuildDesk::changed, this, [this, stale] {
        const DrawnCurve* curve = m_tools.curves.of(m_desk.strip());
        if (!curve || m_point >= int(curve->size())) m_point = -1;
        scrollTo(m_desk.laneId());
        stale();
    });
    connect(&axis, &TimeAxis::changed, this, stale);
    m_split = new QPushButton("Split it now", this);
    m_split->setObjectName("splitnow");
    m_split->setToolTip("Separates the reel with its network and quality, as at Split (Ctrl+Return)");
    m_split->setStyleSheet("QPushButton { padding: 2px 12px }");
    m_split->hide();
    connect(m_split, &QPushButton::clicked, &splitting, &Splitting::split);
    connect(&reels, &Reels::stemsChanged, this, &LanesView::placeNote);
    connect(&reels, &Reels::read, this, &LanesView::placeNote);
}

float LanesView::levelOf(const Clip& clip, double from, double to) const {
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
        kept = m_tools.mix.levels(clip.material);
        track = kept.get();
    } else if (state->stems) {
        track = &state->stems->levels();
        row = clip.material == "music" ? 1 : clip.material == "ambience" ? 2 : 0;
    }
    if (!track || row >= track->rows()) return 0;
    const double a = clip.materialAt(from), b = a + (to - from);
    return std::sqrt(track->loudest(row, int64_t(a * rate), std::max(int64_t(a * rate) + 1, int64_t(b * rate))));
}

void LanesView::paintWave(QPainter& p, const QRectF& body, const Clip& clip, const QColor& colour,
                          const DrawnCurve* duck) {
    const double left = std::max(body.left(), 0.0), right = std::min(body.right(), double(width()));
    const double middle = body.top() + kTitle + (body.height() - kTitle) / 2, reach = (body.height() - kTitle) / 2 - 2;
    const float gain = float(fromDb(clip.gain));
    QVector<QLineF> lines;
    lines.reserve(int(right - left) + 1);
    for (double x = std::floor(left); x < right; x += 1) {
        const double from = std::max(clip.at, m_axis.secondAt(x, width())),
                     to = std::min(clip.end(), m_axis.secondAt(x + 1, width()));
        if (to <= from) continue;
        double level = levelOf(clip, from, to) * gain * clip.fadeAt((from + to) / 2);
        if (duck) level *= fromDb(drawnAt(*duck, from));
        const double half = reach * std::clamp((toDb(level) - kFloor) / -kFloor, 0.0, 1.0);
        lines.append(QLineF(x + 0.5, middle - half, x + 0.5, middle + half + 0.5));
    }
    p.setPen(QPen(colour, 1));
    p.drawLines(lines);
}

void LanesView::paintClip(QPainter& p, const QRectF& body, const Lane& lane, const Clip& clip) {
    const double a = m_axis.xAt(clip.at, width()), b = m_axis.xAt(clip.end(), width());
    if (b < 0 || a > width()) return;
    const QRectF r(a, body.top(), std::max(1.5, b - a), body.height());
    p.setBrush(Qt::NoBrush);
    const bool chosen = m_desk.selected().count(clip.id) > 0;
    QColor hue = hueOf(lane.stem);
    QColor fill = hue.darker(clip.muted ? 500 : 330);
    p.fillRect(r, fill);
    QColor wave = hue;
    if (clip.muted) wave = hue.darker(210);
    if (r.width() >= 3) paintWave(p, r, clip, wave, lane.duck.on ? m_tools.ducking.curve(lane.id) : nullptr);
    // Title strip, by which it is moved. A before is marked with a light strip, its after with a dark one.
    const QRectF title(r.left(), r.top(), r.width(), kTitle);
    QColor strip = chosen ? theme::ink : hue.darker(clip.muted ? 320 : 190);
    if (clip.mark == ClipMark::Before && !chosen) strip = QColor(0x6b, 0x7f, 0x8f);
    if (clip.mark == ClipMark::After && !chosen) strip = QColor(0xb5, 0x7b, 0x62);
    p.fillRect(title, strip);
    if (r.width() > 26) {
        p.setPen(chosen ? theme::ground : theme::ink);
        p.setFont(theme::font(10, QFont::Medium));
        QString text = m_desk.clipName(clip);
        if (clip.mark == ClipMark::Before) text = "before · " + text;
        if (clip.mark == ClipMark::After) text = "after · " + text;
        if (clip.muted) text += "  (muted)";
        else if (clip.gain != 0) text += QString("  %1%2 dB").arg(clip.gain > 0 ? "+" : "").arg(clip.gain, 0, 'f', 1);
        if (clip.loops()) text += "  repeats";
        const QRectF inside = title.intersected(QRectF(0, title.top(), width(), kTitle)).adjusted(5, 0, -4, 0);
        p.drawText(inside, Qt::AlignVCenter, p.fontMetrics().elidedText(text, Qt::ElideRight, int(inside.width())));
    }
    // Fades, with handles at the corners of the body.
    p.setPen(QPen(theme::ink, 1));
    const double top = r.top() + kTitle, bottom = r.bottom();
    for (bool in : {true, false}) {
        const double seconds = in ? clip.fadeIn : clip.fadeOut;
        const double length = seconds / std::max(1e-9, m_axis.span()) * width();
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

void LanesView::paintCurve(QPainter& p, const QRectF& body, const Lane& lane) {
    if (m_tools.curves.shown().empty()) return;
    const DrawnCurve* curve = m_tools.curves.of(lane.strip);
    const bool mine = lane.id == m_desk.laneId();
    if (!curve && !mine) return;
    DrawnCurve shownCurve = curve ? *curve : DrawnCurve{{0, lane.strip.*stripParameter(m_tools.curves.shown()).value}};
    if (mine && m_drag && !m_drag->stroke.empty()) shownCurve = m_drag->stroke;
    QPainterPath path;
    path.moveTo(-2, curvePoint(lane.id, 0, shownCurve.front().second).y());
    for (const auto& [t, v] : shownCurve) path.lineTo(curvePoint(lane.id, t, v));
    path.lineTo(width() + 2, curvePoint(lane.id, 0, shownCurve.back().second).y());
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(theme::ground, 4));
    p.drawPath(path);
    p.setPen(QPen(theme::ink, mine ? 1.8 : 1.2, curve ? Qt::SolidLine : Qt::DotLine));
    p.drawPath(path);
    if (mine && curve)
        for (size_t i = 0; i < curve->size(); ++i) {
            const QPointF at = curvePoint(lane.id, (*curve)[i].first, (*curve)[i].second);
            if (at.x() < -4 || at.x() > width() + 4) continue;
            p.setBrush(int(i) == m_point ? theme::ink : theme::ground);
            p.drawEllipse(at, 3.5, 3.5);
            if (int(i) != m_point) continue;
            p.setFont(theme::font(11, QFont::DemiBold));
            const double v = (*curve)[i].second;
            const QString value =
                m_tools.curves.shown() == "level" && v <= kSilentLevel
                    ? QString("silent")
                    : QString::fromStdString(describeValue(stripParameter(m_tools.curves.shown()), v));
            const QRectF tag(at.x() + 8, std::max(at.y() - 9, body.top() + kTitle),
                             p.fontMetrics().horizontalAdvance(value) + 8, 16);
            p.fillRect(tag, theme::ground);
            p.drawText(tag, Qt::AlignCenter, value);
        }
    p.setRenderHint(QPainter::Antialiasing, false);
    p.setBrush(Qt::NoBrush);
    if (!mine) return;
    p.setFont(theme::font(10));
    const QString name = stripParameter(m_tools.curves.shown()).name;
    const QRectF tag(4, body.bottom() - 16, p.fontMetrics().horizontalAdvance(name) + 8, 14);
    p.fillRect(tag, theme::ground);
    p.setPen(theme::ink);
    p.drawText(tag, Qt::AlignCenter, name);
}

void LanesView::paintLane(QPainter& p, const Row& row, const Lane& lane) {
    const QRectF body(0, row.top + kCaption, width(), bodyHeight());
    p.fillRect(body, row.id == m_desk.laneId() ? QColor(0x22, 0x1f, 0x1b) : QColor(0x18, 0x16, 0x13));
    for (const Clip& c : lane.clips) paintClip(p, body, lane, c);
    if (const DrawnCurve* duck = lane.duck.on ? m_tools.ducking.curve(lane.id) : nullptr) {
        // The level change over the waveform: 0 dB below the titles, kDuckRange at the bottom.
        QPainterPath path;
        const double top = body.top() + kTitle + 1, height = body.height() - kTitle - 3;
        for (double x = 0; x <= width(); x += 1) {
            const QPointF at(x, top + std::clamp(-drawnAt(*duck, m_axis.secondAt(x, width())) / kDuckRange, 0.0, 1.0) *
                                          height);
            x == 0 ? path.moveTo(at) : path.lineTo(at);
        }
        p.setRenderHint(QPainter::Antialiasing);
        p.setPen(QPen(theme::ground, 3));
        p.drawPath(path);
        p.setPen(QPen(theme::attention, 1.4));
        p.drawPath(path);
        p.setRenderHint(QPainter::Antialiasing, false);
    }
    paintCurve(p, body, lane);
}

void LanesView::paintCaption(QPainter& p, const Row& row, const Strip& strip, const QString& name, int stem) {
    const QRectF c(0, row.top, width(), kCaption);
    const bool here = row.id == m_desk.laneId();
    p.fillRect(c, here ? QColor(0x3a, 0x35, 0x2e) : theme::raised);
    if (here) p.fillRect(QRectF(0, c.top(), 3, c.height()), theme::ink);
    double x = 10;
    if (row.body) {
        p.setRenderHint(QPainter::Antialiasing);
        const QRectF chip(x, c.top() + 3, 14, 14);
        p.setPen(Qt::NoPen);
        p.setBrush(hueOf(stem));
        p.drawRoundedRect(chip, 3, 3);
        p.setRenderHint(QPainter::Antialiasing, false);
        p.setFont(theme::font(10, QFont::DemiBold));
        p.setPen(theme::ground);
        p.drawText(chip, Qt::AlignCenter, stem >= 0 ? theme::stemLetter(stem) : "+");
    }
    x += 20;
    p.setFont(theme::font(12, here || row.id == "mix" ? QFont::DemiBold : QFont::Normal));
    p.setPen(strip.mute ? theme::quietInk : theme::ink);
    p.drawText(QRectF(x, c.top(), 170 - x, c.height()), Qt::AlignVCenter,
               p.fontMetrics().elidedText(name, Qt::ElideRight, int(170 - x)));
    p.setFont(theme::font(10, QFont::DemiBold));
    const auto button = [&](const QRectF& r, const QString& text, bool on, const QColor& lit) {
        p.fillRect(r, on ? lit : QColor(0x30, 0x2c, 0x26));
        p.setPen(on ? theme::ground : theme::quietInk);
        p.drawText(r, Qt::AlignCenter, text);
    };
    button(muteRect(row.id), "M", strip.mute, theme::attention);
    if (row.id != "mix") button(soloRect(row.id), "S", strip.solo, theme::good);
    p.setFont(theme::font(11));
    p.setPen(theme::quietInk);
    QStringList facts;
    const auto automated = [&](const char* id) { return strip.automation.count(id) > 0; };
    facts << (automated("level") ? QString("level drawn")
              : strip.level <= kSilentLevel
                  ? QString("silent")
                  : QString("%1%2 dB").arg(strip.level > 0 ? "+" : "").arg(strip.level, 0, 'f', 1));
    if (automated("pan")) facts << "pan drawn";
    else if (strip.pan != 0)
        facts << QString("%1 %2").arg(strip.pan < 0 ? "left" : "right").arg(std::abs(strip.pan), 0, 'f', 0);
    if (strip.width != 100) facts << QString("width %1 %").arg(strip.width, 0, 'f', 0);
    if (strip.chain.any()) facts << "chain";
    if (const Lane* lane = shown().lane(row.id)) {
        if (lane->duck.on) facts << "ducked by " + m_desk.laneName(lane->duck.key);
        if (!lane->group.empty()) facts << "in " + m_desk.laneName(lane->group);
    }
    p.drawText(QRectF(360, c.top(), width() - 370, c.height()), Qt::AlignVCenter, facts.join("   "));
}

void LanesView::paintStatic() {
    const qreal scale = devicePixelRatioF();
    if (m_all || m_static.size() != size() * scale) {
        m_static = QPixmap(size() * scale);
        m_static.setDevicePixelRatio(scale);
        m_static.fill(theme::ground);
        m_painted.clear();
    }
    QPainter p(&m_static);
    for (const Row& row : rows()) {
        if (row.top > lanesHeight() || row.top + kCaption + bodyHeight() < 0) continue;
        if (row.body) {
            const auto& lane = *std::find_if(shown().lanes.begin(), shown().lanes.end(),
                                             [&](const auto& l) { return l->id == row.id; });
            // While one is dragged the others stay as they are: two thousand clips are not drawn for each move.
            const auto before = m_painted.find(row.id);
            if (before != m_painted.end() && &*before->second == &*lane) continue;
            m_painted.insert_or_assign(row.id, lane);
            paintLane(p, row, *lane);
            paintCaption(p, row, lane->strip, QString::fromStdString(lane->name), lane->stem);
        } else {
            const Group* g = shown().group(row.id);
            paintCaption(p, row, g ? g->strip : shown().mix, m_desk.laneName(row.id), -1);
        }
    }
    m_stale = m_all = false;
}

void LanesView::paintMarks(QPainter& p) {
    for (const auto& [from, to] : m_tools.tones.silences()) {
        const double a = m_axis.xAt(from, width()), b = m_axis.xAt(to, width());
        QColor shade = theme::attention;
        shade.setAlpha(50);
        p.fillRect(QRectF(a, 0, b - a, height()), shade);
    }
    const double foot = lanesHeight();
    p.fillRect(QRectF(0, foot, width(), height() - foot), theme::ground);
    p.setFont(theme::font(10));
    for (const Marker& m : shown().markers) {
        const double x = m_axis.xAt(m.at, width());
        if (x < -60 || x > width()) continue;
        p.setPen(QPen(theme::good, 1, Qt::DashDotLine));
        p.drawLine(QPointF(x, 0), QPointF(x, foot + kMarkers));
        p.drawText(QPointF(x + 3, foot + 12), QString::fromStdString(m.name));
    }
    if (const double all = contentHeight(); all > foot) {  // how far it is scrolled
        const double share = foot / all;
        p.fillRect(QRectF(width() - 4, m_scroll * share, 3, foot * share), QColor(0x6d, 0x66, 0x5a));
    }
}

void LanesView::paintPicture(QPainter& p) {
    if (shown().empty()) {
        p.setPen(theme::quietInk);
        p.drawText(rect(), Qt::AlignCenter, "Add a recording at Intake first; its stems get a lane each here.");
        return;
    }
    if (m_stale || m_static.size() != size() * devicePixelRatioF()) paintStatic();
    p.drawPixmap(0, 0, m_static);
    paintMarks(p);
    if (silent()) {
        const QRectF note(0, height() - kNote, width(), kNote);
        p.fillRect(note, theme::raised);
        p.setFont(theme::font(13, QFont::DemiBold));
        p.setPen(theme::attention);
        p.drawText(note.adjusted(12, 0, 0, 0), Qt::AlignVCenter,
                   m_reels.current()->splitting ? "Stems grow as they are split."
                                                : "The stems are silent until this reel is split.");
    }
    for (const Row& row : rows()) {
        if (row.top + 18 > lanesHeight()) break;
        const auto found = m_levels.find(row.id);
        if (found == m_levels.end()) continue;
        for (int c = 0; c < 2; ++c) {
            const float db = c ? found->second.second : found->second.first;
            const QRectF frame(226, row.top + 5 + c * 6, 122, 4);
            p.fillRect(frame, QColor(0x14, 0x12, 0x10));
            p.fillRect(QRectF(frame.left(), frame.top(), std::clamp((db + 60) / 60.0, 0.0, 1.0) * frame.width(), 4),
                       db > -1 ? theme::attention : theme::quietInk);
        }
    }
}

void LanesView::tick() {
    const auto meters = m_hearing.player().mixMeters();
    const bool live = meters && m_hearing.player().playing() && m_hearing.player().heard() == Heard::Mix;
    bool any = false;
    for (const Row& row : rows()) {
        auto& level = m_levels.try_emplace(row.id, -200.0f, -200.0f).first->second;
        float left = -200, right = -200;
        if (auto* strip = live ? meters->of(row.id) : nullptr)
            left = float(toDb(strip->left.exchange(0))), right = float(toDb(strip->right.exchange(0)));
        const auto before = level;
        level = {std::max(left, level.first - 0.8f), std::max(right, level.second - 0.8f)};
        any = any || (before != level && level.first > -70);
    }
    if (any || m_hearing.player().playing()) update();
}

}  // namespace rivlen

#include "app/rebuild/SphereView.h"

#include <QKeyEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>
#include <numbers>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

constexpr double kRangeDb = 30;  // below the loudest direction nothing is shown
constexpr int kShadeHeight = 60;

/// Hammer's projection: -2 ... 2 to the right (of the picture: the left of the room is at the left), -1 ... 1 up.
QPointF hammer(const Direction& d) {
    const double half = -d.azimuth * kDegree / 2, e = d.elevation * kDegree,
                 root = std::sqrt(1 + std::cos(e) * std::cos(half));
    return {2 * std::cos(e) * std::sin(half) / root, std::sin(e) / root};
}

/// The reverse, of points within the oval.
Direction unhammer(QPointF p) {
    const double size = p.x() * p.x() / 4 + p.y() * p.y();
    if (size > 0.999) p *= std::sqrt(0.999 / size);
    const double x = p.x() * std::numbers::sqrt2, y = p.y() * std::numbers::sqrt2,
                 z = std::sqrt(1 - x * x / 16 - y * y / 4);
    return {-2 * std::atan2(z * x, 2 * (2 * z * z - 1)) / kDegree, std::asin(std::clamp(z * y, -1.0, 1.0)) / kDegree};
}

}  // namespace

SphereView::SphereView(RebuildDesk& desk, Hearing& hearing, SpaceListening& listening, QWidget* parent)
    : PlaceView(desk, hearing, parent), m_listening(listening) {
    setObjectName("sphereview");
    setAccessibleName(say("Lanes and energy on the sphere around the listener"));
    setToolTip(
        say("The front in the middle, above on top, behind at both ends. Drag a lane's dot, or: left and right turn it "
            "(Shift: finely), up and "
            "down raise and lower it. The glow is where the mix's energy comes from while it plays"));
    connect(&listening, &SpaceListening::heard, this, &SphereView::hear);
}

double SphereView::reach() const { return std::min(width() / 4.0 - 4, height() / 2.0 - 14); }

QPointF SphereView::at(const Direction& direction) const {
    const QPointF p = hammer(direction);
    return {width() / 2.0 + p.x() * reach(), height() / 2.0 - p.y() * reach()};
}

Direction SphereView::directionAt(const QPointF& point) const {
    return unhammer({(point.x() - width() / 2.0) / reach(), (height() / 2.0 - point.y()) / reach()});
}

void SphereView::drag(Strip& strip, const QPointF& to) const {
    const Direction d = directionAt(to);
    if (!strip.automation.count("azimuth")) strip.azimuth = wrapped(std::round(d.azimuth));
    if (!strip.automation.count("elevation")) strip.elevation = std::round(d.elevation);
}

bool SphereView::key(QKeyEvent* e) {
    if (e->key() != Qt::Key_Up && e->key() != Qt::Key_Down) return false;
    nudge(&Strip::elevation, e->key() == Qt::Key_Up ? 5 : -5, 1, -90, 90);
    return true;
}

void SphereView::hear() {
    if (!isVisible() || !m_listening.map()) return;
    const auto energy = m_listening.map()->energy(m_listening.reading());
    const double most = *std::max_element(energy.begin(), energy.end());
    m_strength.resize(energy.size(), 0.0f);
    for (size_t i = 0; i < energy.size(); ++i) {
        // Softer than -60 dBFS it is nothing, however it compares.
        const double db = most > 1e-6 && energy[i] > 0 ? 10 * std::log10(energy[i] / most) : -kRangeDb;
        const auto now = float(std::clamp(1 + db / kRangeDb, 0.0, 1.0));
        m_strength[i] = std::max(now, m_strength[i] - 0.12f);
    }
    shade();
    update();
}

double SphereView::strengthAt(const Direction& at) const {
    if (m_strength.empty() || !m_listening.map()) return 0;
    const int columns = m_listening.map()->columns(), rows = m_listening.map()->rows();
    const double x = (180 - at.azimuth) / 360 * columns - 0.5, y = (90 - at.elevation) / 180 * rows - 0.5;
    const int a = int(std::floor(x)), b = int(std::floor(y));
    const auto cell = [&](int column, int row) {
        row = std::clamp(row, 0, rows - 1), column = (column % columns + columns) % columns;
        return double(m_strength[size_t(row * columns + column)]);
    };
    const double u = x - a, v = y - b;
    return (1 - v) * ((1 - u) * cell(a, b) + u * cell(a + 1, b)) +
           v * ((1 - u) * cell(a, b + 1) + u * cell(a + 1, b + 1));
}

void SphereView::shade() {
    const int high = kShadeHeight, wide = 2 * high;
    if (m_shade.isNull()) m_shade = QImage(wide, high, QImage::Format_ARGB32_Premultiplied);
    for (int row = 0; row < high; ++row) {
        auto* line = reinterpret_cast<QRgb*>(m_shade.scanLine(row));
        for (int column = 0; column < wide; ++column) {
            const QPointF p(4.0 * (column + 0.5) / wide - 2, 1 - 2.0 * (row + 0.5) / high);
            if (p.x() * p.x() / 4 + p.y() * p.y() > 1) {
                line[column] = 0;
                continue;
            }
            const double s = strengthAt(unhammer(p));
            const int alpha = int(190 * s * s);
            line[column] = qPremultiply(qRgba(theme::ink.red(), theme::ink.green(), theme::ink.blue(), alpha));
        }
    }
}

void SphereView::paintRoom(QPainter& p) {
    const double r = reach();
    const QPointF middle(width() / 2.0, height() / 2.0);
    QPainterPath oval;
    oval.addEllipse(middle, 2 * r, r);
    if (!m_shade.isNull() && placed()) {
        p.save();
        p.setClipPath(oval);
        p.setRenderHint(QPainter::SmoothPixmapTransform);
        p.drawImage(QRectF(middle.x() - 2 * r, middle.y() - r, 4 * r, 2 * r), m_shade);
        p.restore();
    }
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(theme::line, 1));
    const auto line = [&](bool meridian, double fixed) {
        QPainterPath path;
        for (double moving = meridian ? -90 : -179.9; moving <= (meridian ? 90 : 179.9); moving += 5) {
            const QPointF q = meridian ? at({fixed, moving}) : at({moving, fixed});
            path.elementCount() == 0 ? path.moveTo(q) : path.lineTo(q);
        }
        p.drawPath(path);
    };
    for (double azimuth : {-90.0, 0.0, 90.0}) line(true, azimuth);
    for (double elevation : {-45.0, 0.0, 45.0}) line(false, elevation);
    p.setPen(QPen(theme::line, 1.4));
    p.drawPath(oval);
    p.setPen(theme::quietInk);
    p.setFont(theme::font(10));
    const auto word = [&](const Direction& d, const QString& text) {
        p.drawText(QRectF(at(d).x() - 40, at(d).y() + 2, 80, 14), Qt::AlignCenter, text);
    };
    word({90, 0}, say("left"));
    word({-90, 0}, say("right"));
    p.drawText(QRectF(middle.x() - 40, middle.y() - r - 14, 80, 13), Qt::AlignCenter, say("above"));
    p.drawText(QRectF(middle.x() - 40, middle.y() + r + 1, 80, 13), Qt::AlignCenter, say("below"));
    for (const Speaker& s : speakersOf(m_desk.rebuild().format)) {
        if (s.lfe) continue;
        const QPointF where = at(s.at);
        p.setPen(theme::quietInk);
        p.setBrush(theme::line);
        p.drawRect(QRectF(where.x() - 3, where.y() - 3, 6, 6));
    }
}

void SphereView::paintAround(QPainter& p, const Lane& lane, const Placer::Where& where) const {
    if (where.place.spread <= 0) return;
    // The edge of the cap that the sound fills.
    QPainterPath path;
    const double a = std::min(where.place.spread / 2, 179.0) * kDegree;
    QPointF before;
    for (int i = 0; i <= 48; ++i) {
        const double t = 2 * std::numbers::pi * i / 48;
        const Vector3 v = turned({std::cos(a), std::sin(a) * std::cos(t), std::sin(a) * std::sin(t)},
                                 where.place.azimuth, where.place.elevation);
        const QPointF q = at(directionOf(v));
        const bool across = i > 0 && std::fabs(q.x() - before.x()) > reach();  // over the edge behind
        i == 0 || across ? path.moveTo(q) : path.lineTo(q);
        before = q;
    }
    p.setPen(QPen(hueOf(lane), 1.5));
    p.setBrush(Qt::NoBrush);
    p.drawPath(path);
}

}  // namespace rivlen

#include "app/weigh/BandBiasCurve.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

constexpr double kLow = 50, kHigh = 18000;     // Hz shown
constexpr double kFloor = -75, kCeiling = -5;  // dB of the spectrum shown, against the span's loudest band at 0

}  // namespace

BandBiasCurve::BandBiasCurve(Document& document, Reels& reels, Hearing& hearing, QWidget* parent)
    : QWidget(parent), m_document(document), m_hearing(hearing) {
    setObjectName("band_bias");
    setAccessibleName(say("Band bias"));
    setFocusPolicy(Qt::StrongFocus);
    setMinimumHeight(68);
    setToolTip(
        said(kBandBiasExplanation) +
        say("\nDrag a point; or choose one with left and right and move it with up and down. Delete brings it back "
            "to 0.\nAt the bottom a region is not isolated at all."));
    connect(&document, &Document::changed, this, qOverload<>(&QWidget::update));
    connect(&reels, &Reels::stemsChanged, this, qOverload<>(&QWidget::update));
    connect(&hearing, &Hearing::pulse, this, [this] {
        if (isVisible() && m_hearing.player().playing()) update();
    });
}

void BandBiasCurve::setDesk(WeighDesk* desk) {
    m_desk = desk;
    connect(desk, &WeighDesk::changed, this, qOverload<>(&QWidget::update));
}

QRectF BandBiasCurve::area() const { return QRectF(rect()).adjusted(6, 6, -6, -18); }
double BandBiasCurve::xAt(double hz) const {
    return area().left() + std::log(hz / kLow) / std::log(kHigh / kLow) * area().width();
}
double BandBiasCurve::hzAt(double x) const {
    return kLow * std::pow(kHigh / kLow, (x - area().left()) / area().width());
}

BandBias BandBiasCurve::points() const {
    const Reel* reel = m_document.reel();
    const BandBias given = reel && !m_hearing.blind() ? reel->isolation().bandBias : BandBias{};
    if (given.size() == kPoints) return given;
    BandBias eight;  // a curve from elsewhere is taken over at our places
    for (int i = 0; i < kPoints; ++i) {
        const double hz = std::round(80 * std::pow(10000.0 / 80, i / double(kPoints - 1)));
        eight.emplace_back(hz, biasAt(given, hz));
    }
    return eight;
}

QPointF BandBiasCurve::pointAt(int i) const {
    const auto [hz, value] = points()[size_t(i)];
    return {xAt(hz), area().center().y() - value / 100 * area().height() / 2};
}

void BandBiasCurve::paintSpectrum(QPainter& p) {
    const auto* found = m_desk ? m_desk->result() : nullptr;
    if (!found || !found->spectrum || found->spectrum->source.empty()) return;
    const SpanSpectrum& s = *found->spectrum;
    const Player& player = m_hearing.player();
    const double at = player.isOpen() ? double(player.position()) / player.sampleRate() - found->from : 0;
    const size_t moment = size_t(std::clamp(at / kMomentSeconds, 0.0, double(s.source.size() - 1)));
    float loud = -200;
    for (const auto& row : s.source) loud = std::max(loud, *std::max_element(row.begin(), row.end()));
    const QRectF a = area();
    const auto shape = [&](const std::vector<float>& row, QColor colour, int alpha) {
        QPainterPath path(QPointF(xAt(s.hz.front()), a.bottom()));
        for (size_t b = 0; b < row.size(); ++b)
            path.lineTo(xAt(std::clamp(s.hz[b], kLow, kHigh)),
                        a.bottom() - std::clamp((row[b] - loud - kFloor) / (kCeiling - kFloor), 0.0, 1.0) * a.height());
        path.lineTo(xAt(std::min(s.hz.back(), kHigh)), a.bottom());
        colour.setAlpha(alpha);
        p.fillPath(path, colour);
    };
    p.save();
    p.setClipRect(a);
    shape(s.source[moment], theme::leftovers, 70);
    shape(s.wanted[moment], theme::dialogue, 90);
    p.restore();
}

void BandBiasCurve::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const QRectF a = area();
    p.fillRect(a, theme::ground);
    p.setFont(theme::font(10));
    for (double hz : {100.0, 300.0, 1000.0, 3000.0, 10000.0}) {
        p.setPen(theme::line);
        p.drawLine(QPointF(xAt(hz), a.top()), QPointF(xAt(hz), a.bottom()));
        p.setPen(theme::quietInk);
        p.drawText(QRectF(xAt(hz) - 30, a.bottom() + 2, 60, 14), Qt::AlignHCenter,
                   hz >= 1000 ? QString("%1k").arg(hz / 1000) : QString::number(hz));
    }
    paintSpectrum(p);
    p.setPen(QPen(theme::line, 1, Qt::DashLine));
    p.drawLine(QPointF(a.left(), a.center().y()), QPointF(a.right(), a.center().y()));
    p.setPen(theme::quietInk);
    p.drawText(QPointF(a.left() + 3, a.top() + 10), say("stronger"));
    p.drawText(QPointF(a.left() + 3, a.bottom() - 3), say("weaker"));
    QPainterPath path(QPointF(a.left(), pointAt(0).y()));
    for (int i = 0; i < kPoints; ++i) path.lineTo(pointAt(i));
    path.lineTo(a.right(), pointAt(kPoints - 1).y());
    p.setPen(QPen(isEnabled() ? theme::ink : theme::line, 1.5));
    p.drawPath(path);
    const auto curve = points();
    for (int i = 0; i < kPoints; ++i) {
        if (const auto asleep = bypassed(i)) {
            const QPointF at(pointAt(i).x(), a.center().y() - *asleep / 100 * a.height() / 2);
            p.setPen(QPen(theme::quietInk, 1, Qt::DotLine));
            p.drawLine(pointAt(i), at);
            p.setBrush(Qt::NoBrush);
            p.drawEllipse(at, 4, 4);
        }
        const bool chosen = hasFocus() && i == m_selected;
        p.setBrush(curve[size_t(i)].second == 0 ? theme::raised : theme::ink);
        p.setPen(QPen(isEnabled() ? theme::ink : theme::line, chosen ? 2.5 : 1.2));
        p.drawEllipse(pointAt(i), chosen ? 6 : 4, chosen ? 6 : 4);
    }
    if (hasFocus()) {
        const auto [hz, value] = curve[size_t(m_selected)];
        p.setPen(theme::ink);
        p.drawText(a.adjusted(0, 2, -4, 0), Qt::AlignRight | Qt::AlignTop,
                   bypassed(m_selected)
                       ? say("%1 Hz: bypassed").arg(hz, 0, 'f', 0)
                       : say("%1 Hz: %2%3").arg(hz, 0, 'f', 0).arg(value > 0 ? "+" : "").arg(value, 0, 'f', 0));
    }
}

void BandBiasCurve::move(int i, double hz, double value, bool dragging) {
    BandBias curve = points();
    const double below = i > 0 ? curve[size_t(i - 1)].first * 1.05 : kLow,
                 above = i + 1 < kPoints ? curve[size_t(i + 1)].first / 1.05 : kHigh;
    curve[size_t(i)] = {std::clamp(std::round(hz), below, above), std::clamp(std::round(value), -100.0, 100.0)};
    m_document.editReel(
        say("Set Band bias"),
        [&](Reel& r) {
            auto& s = r.isolation();
            std::erase_if(s.bandBypassed,
                          [at = points()[size_t(i)].first](const auto& point) { return point.first == at; });
            if (s.bandBypassed.empty() && isNeutral(curve)) curve.clear();
            s.bandBias = curve;
        },
        dragging ? "band bias" : "");
}

std::optional<double> BandBiasCurve::bypassed(int i) const {
    const Reel* reel = m_document.reel();
    if (!reel || m_hearing.blind()) return std::nullopt;
    const double hz = points()[size_t(i)].first;
    for (const auto& [at, value] : reel->isolation().bandBypassed)
        if (at == hz) return value;
    return std::nullopt;
}

void BandBiasCurve::bypass(int i) {
    BandBias curve = points();
    auto& [hz, value] = curve[size_t(i)];
    const auto asleep = bypassed(i);
    if (!asleep && value == 0) return;  // nothing to bypass
    m_document.editReel(asleep ? say("Switch band on") : say("Bypass band"), [&](Reel& r) {
        auto& s = r.isolation();
        if (asleep) std::erase_if(s.bandBypassed, [&](const auto& point) { return point.first == hz; });
        else
            s.bandBypassed.insert(std::upper_bound(s.bandBypassed.begin(), s.bandBypassed.end(), curve[size_t(i)]),
                                  curve[size_t(i)]);
        value = asleep.value_or(0);
        s.bandBias = curve;
    });
}

int BandBiasCurve::nearest(double x) const {
    int found = 0;
    for (int i = 1; i < kPoints; ++i)
        if (std::abs(pointAt(i).x() - x) < std::abs(pointAt(found).x() - x)) found = i;
    return found;
}

void BandBiasCurve::mousePressEvent(QMouseEvent* e) {
    if (e->button() != Qt::LeftButton && e->button() != Qt::RightButton) return;
    m_selected = nearest(e->position().x());
    if (e->button() == Qt::RightButton) return bypass(m_selected);
    m_dragging = true;
    mouseMoveEvent(e);
}

void BandBiasCurve::mouseMoveEvent(QMouseEvent* e) {
    if (!m_dragging) return;
    double value = (area().center().y() - e->position().y()) / (area().height() / 2) * 100;
    if (std::abs(value) < 5) value = 0;  // the middle is easy to find again
    move(m_selected, hzAt(e->position().x()), value, true);
}

void BandBiasCurve::mouseReleaseEvent(QMouseEvent*) {
    m_dragging = false;
    m_document.endGesture();
}

void BandBiasCurve::mouseDoubleClickEvent(QMouseEvent* e) {
    mousePressEvent(e);
    m_dragging = false;
    move(m_selected, points()[size_t(m_selected)].first, 0, false);
}

void BandBiasCurve::keyPressEvent(QKeyEvent* e) {
    const auto [hz, value] = points()[size_t(m_selected)];
    const double step = e->modifiers() & Qt::ShiftModifier ? 1 : 5;
    switch (e->key()) {
        case Qt::Key_Left: m_selected = std::max(0, m_selected - 1); break;
        case Qt::Key_Right: m_selected = std::min(kPoints - 1, m_selected + 1); break;
        case Qt::Key_Up: move(m_selected, hz, value + step, false); break;
        case Qt::Key_Down: move(m_selected, hz, value - step, false); break;
        case Qt::Key_Return:
        case Qt::Key_Enter: bypass(m_selected); break;
        case Qt::Key_Delete: move(m_selected, hz, 0, false); break;
        default: return QWidget::keyPressEvent(e);
    }
    update();
}

void BandBiasCurve::focusInEvent(QFocusEvent*) {
    emit explained(kBandBiasExplanation);
    update();
}

void BandBiasCurve::enterEvent(QEnterEvent*) { emit explained(kBandBiasExplanation); }

}  // namespace rivlen

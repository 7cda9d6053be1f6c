#include "app/dispatch/DeliveryView.h"

#include <QPainter>
#include <QPainterPath>
#include <cmath>

#include "app/views/WaveDrawing.h"
#include "app/widgets/Plaque.h"
#include "app/words/Say.h"
#include "core/audio/Decibel.h"

namespace rivlen {

namespace {

constexpr double kLoud = -5, kSoft = -60;  // LUFS and dBFS that the upper lane reaches from and to
constexpr int kHead = 22, kLoudness = 104, kWave = 70, kGap = 4;

QString figure(double v, const char* unit) {
    return QString("%1 %2").arg(v, 0, 'f', 1).arg(unit).replace('-', QChar(0x2212));
}

}  // namespace

DeliveryView::DeliveryView(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, DeliverablesDesk& desk,
                           DispatchDesk& dispatch, const DeliveryHearing& heard, QWidget* parent)
    : TimeView(document, reels, hearing, axis, parent),
      m_desk(desk),
      m_dispatch(dispatch),
      m_heard(heard),
      m_stretch(axis) {
    setObjectName("deliveryview");
    setFixedHeight(kHead + kLoudness + kGap + kWave + 6);
    connect(&desk, &DeliverablesDesk::changed, this, &DeliveryView::follow);
    connect(&dispatch, &DispatchDesk::changed, this, &DeliveryView::follow);
    connect(&heard, &DeliveryHearing::changed, this, qOverload<>(&QWidget::update));
    connect(&m_stretch, &DeliveryStretch::changed, this, qOverload<>(&QWidget::update));
    follow();
}

void DeliveryView::follow() {
    m_chosen.reset();
    m_made.reset();
    const auto& all = m_desk.deliverables();
    const Reel* reel = m_document.session().stage == stage::dispatch ? m_document.reel() : nullptr;
    if (reel && m_desk.chosen() >= 0 && m_desk.chosen() < int(all.size())) {
        m_chosen = all[size_t(m_desk.chosen())];
        const auto& made = m_dispatch.deliveries();
        if (const auto found = made.find({reel->id, m_chosen->name}); found != made.end()) m_made = found->second;
    }
    const bool there = m_made && m_made->report && !m_made->report->heldBack;
    m_stretch.follow(there ? m_made->report->files : std::vector<std::filesystem::path>(), there ? whole().first : 0);
    update();
}

std::pair<double, double> DeliveryView::whole() const {
    const double from = m_chosen->span ? m_chosen->span->first : 0;
    return {from, from + m_made->report->duration};
}

double DeliveryView::xOf(size_t point, size_t points, double from, double to) const {
    return m_axis.xAt(from + (to - from) * (double(point) + 0.5) / double(points), width());
}

void DeliveryView::paintLevel(QPainter& p, double y, const QString& words, bool right) {
    p.drawLine(QPointF(0, y), QPointF(width(), y));
    const double wide = p.fontMetrics().horizontalAdvance(words) + 12;
    const QRectF at(right ? width() - wide - 4 : 4, y - 8, wide, 16);
    const QPen pen = p.pen();
    paintPlaque(p, at);
    p.setPen(pen);
    p.drawText(at, Qt::AlignCenter, words);
}

void DeliveryView::paintLoudness(QPainter& p, const QRectF& lane) {
    const DeliveryReport& r = *m_made->report;
    const auto yOf = [&](double db) {
        return lane.top() + lane.height() * std::clamp((kLoud - db) / (kLoud - kSoft), 0.0, 1.0);
    };
    const auto* found = m_stretch.found();
    const bool fine = found && !found->shortTerm.empty();
    const auto& values = fine ? found->shortTerm : r.curves->shortTerm;
    const auto [from, to] = fine ? std::pair(found->from, found->to) : whole();
    QPainterPath path;
    bool drawing = false;
    for (size_t i = 0; i < values.size(); ++i) {
        const bool sounds = double(values[i]) > kSoft;
        const QPointF at(xOf(i, values.size(), from, to), yOf(double(values[i])));
        if (sounds && drawing) path.lineTo(at);
        else if (sounds) path.moveTo(at);
        drawing = sounds;
    }
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(theme::ink, 1.5));
    p.setBrush(Qt::NoBrush);
    p.drawPath(path);
    p.setFont(theme::font(11));
    if (m_chosen->loudness) {
        QColor band = theme::good;
        band.setAlpha(50);
        const double high = yOf(*m_chosen->loudness + m_chosen->tolerance),
                     low = yOf(*m_chosen->loudness - m_chosen->tolerance);
        p.fillRect(QRectF(0, high, width(), std::max(2.0, low - high)), band);
        p.setPen(QPen(theme::good, 1));
        paintLevel(p, yOf(*m_chosen->loudness), say("target ") + figure(*m_chosen->loudness, "LUFS"));
    }
    if (r.noiseAfter) {
        const double after = yOf(*r.noiseAfter), before = r.noiseBefore ? yOf(*r.noiseBefore) : after;
        p.setPen(QPen(theme::ambience, 1, Qt::DashLine));
        if (r.noiseBefore && std::fabs(before - after) > 3) p.drawLine(QPointF(0, before), QPointF(width(), before));
        paintLevel(p, after,
                   r.noiseBefore && std::fabs(*r.noiseAfter - *r.noiseBefore) > 0.05
                       ? say("noise floor ") + figure(*r.noiseBefore, "") + QChar(0x2192) + " " +
                             figure(*r.noiseAfter, "dBFS")
                       : say("noise floor ") + figure(*r.noiseAfter, "dBFS"),
                   false);
    }
}

void DeliveryView::paintWave(QPainter& p, const QRectF& lane) {
    const DeliveryReport& r = *m_made->report;
    const auto* found = m_stretch.found();
    const int stem =
        deliveryContent(m_chosen->holds).stems.size() == 1 ? deliveryContent(m_chosen->holds).stems[0] : -1;
    const QColor colour = stem >= 0 ? theme::stemColor(stem) : theme::leftovers;
    if (found && !found->samples.empty()) return paintClose(p, lane, colour);
    const bool fine = found && !found->wave.empty();
    const auto& wave = fine ? found->wave : r.curves->wave;
    const auto [from, to] = fine ? std::pair(found->from, found->to) : whole();
    const double middle = lane.center().y(), reach = lane.height() / 2 - 5;
    QPainterPath path;
    for (size_t i = 0; i < wave.size(); ++i)
        i == 0 ? path.moveTo(xOf(i, wave.size(), from, to), middle - reach * double(wave[i].second))
               : path.lineTo(xOf(i, wave.size(), from, to), middle - reach * double(wave[i].second));
    for (size_t i = wave.size(); i-- > 0;)
        path.lineTo(xOf(i, wave.size(), from, to), middle - reach * double(wave[i].first));
    p.setRenderHint(QPainter::Antialiasing);
    p.fillPath(path, colour);
    p.setFont(theme::font(11));
    const double ceiling = fromDb(m_chosen->ceiling) * reach;
    const bool over = r.truePeak && *r.truePeak > m_chosen->ceiling;
    p.setPen(QPen(over ? theme::attention : theme::good, 1));
    p.drawLine(QPointF(0, middle + ceiling), QPointF(width(), middle + ceiling));
    paintLevel(p, middle - ceiling,
               say("ceiling ") + figure(m_chosen->ceiling, "dBTP") +
                   (r.truePeak ? say(", peak ") + figure(*r.truePeak, "dBTP") : QString()));
}

void DeliveryView::paintClose(QPainter& p, const QRectF& lane, const QColor& colour) {
    const auto& found = *m_stretch.found();
    const double a = m_axis.xAt(found.from, width()), b = m_axis.xAt(found.to, width());
    QColor shade = colour;
    if (found.samples.size() > 1) shade.setAlpha(170);  // one channel over the other
    p.setClipRect(lane);
    for (const auto& channel : found.samples)
        paintSamples(p, channel, QRectF(a, lane.top(), b - a, lane.height()), found.loudest, shade);
    p.setClipping(false);
    paintFullHeight(p, width(), lane.top(), found.loudest);
}

void DeliveryView::paintPicture(QPainter& p) {
    p.fillRect(rect(), theme::raised);
    p.setPen(theme::line);
    p.drawLine(0, 0, width(), 0);
    if (!m_chosen || m_axis.span() <= 0) return;
    const bool made = m_made && m_made->report && m_made->report->curves && !m_made->report->curves->wave.empty();
    p.setFont(theme::font(12, QFont::DemiBold));
    p.setPen(theme::ink);
    const QString name = QString::fromStdString(m_chosen->name);
    p.drawText(QPointF(10, 16), name);
    const double x = 18 + p.fontMetrics().horizontalAdvance(name);
    p.setFont(theme::font(12));
    p.setPen(theme::quietInk);
    QString line = made ? said(m_made->report->format) : say("not delivered yet");
    if (made && m_made->report->limited < -0.05) line += say(", limited by ") + figure(-m_made->report->limited, "dB");
    if (m_heard.plays() == DeliveryHearing::Plays::Delivered) line += say("; 9 plays the file, 1 the source");
    else if (m_heard.plays() == DeliveryHearing::Plays::ToBeDelivered)
        line += say("; 9 plays what it will hold, before its loudness, 1 the source");
    else if (!m_heard.why().isEmpty()) line += "; " + m_heard.why();
    p.drawText(QPointF(x, 16), line);
    const QRectF loudness(0, kHead, width(), kLoudness), wave(0, kHead + kLoudness + kGap, width(), kWave);
    p.setPen(theme::line);
    p.drawLine(wave.topLeft(), wave.topRight());
    if (!made) return;
    paintWave(p, wave);
    paintLoudness(p, loudness);
}

}  // namespace rivlen

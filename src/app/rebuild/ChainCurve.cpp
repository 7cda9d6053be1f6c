#include "app/rebuild/ChainCurve.h"

#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <cmath>

#include "app/views/MeterView.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/rebuild/Dynamics.h"
#include "core/rebuild/Filters.h"

namespace rivlen {

namespace {

constexpr double kRange = 18;  // dB up and down
struct Band {
    double ChainSettings::*hz;
    double ChainSettings::*db;
};
constexpr Band kBands[] = {{&ChainSettings::lowHz, &ChainSettings::lowDb},
                           {&ChainSettings::mudHz, &ChainSettings::mudDb},
                           {&ChainSettings::midHz, &ChainSettings::midDb},
                           {&ChainSettings::highHz, &ChainSettings::highDb}};

const Parameter<ChainSettings>& rowOf(double ChainSettings::*value) {
    for (const auto& m : chainModules())
        for (const auto& p : m.parameters)
            if (p.value == value) return p;
    return chainModules().front().parameters.front();
}

}  // namespace

ChainCurve::ChainCurve(RebuildDesk& desk, HeardMeters& meters, Hearing& hearing, QWidget* parent)
    : QWidget(parent), m_desk(desk), m_meters(meters), m_hearing(hearing) {
    setObjectName("chaincurve");
    setFixedHeight(112);
    setAccessibleName(say("What the module does"));
    connect(&meters, &HeardMeters::changed, this, qOverload<>(&QWidget::update));
    connect(&desk, &RebuildDesk::changed, this, qOverload<>(&QWidget::update));
}

void ChainCurve::showModule(size_t module) {
    m_module = module;
    setToolTip(isFilter() ? say("The response over the spectrum of what is heard. Drag a band's handle.")
                          : say("Output level against input level; the dot is how far it is taken down now."));
    update();
}

bool ChainCurve::isFilter() const {
    const std::string id = chainModules()[m_module].id;
    return id == "high-pass" || id == "equaliser" || id == "de-esser";
}

double ChainCurve::yOfDb(double db) const { return height() / 2.0 - db / kRange * (height() / 2.0 - 6); }

QPointF ChainCurve::bandPoint(int band) const {
    const ChainSettings& c = m_desk.strip().chain;
    return {frequencyX(c.*kBands[band].hz, width()), yOfDb(c.*kBands[band].db)};
}

void ChainCurve::paintFilters(QPainter& p) {
    const ChainSettings& c = m_desk.strip().chain;
    paintSpectrum(p, rect(), m_meters);
    p.setFont(theme::font(9));
    for (double hz : {50.0, 100.0, 200.0, 500.0, 1000.0, 2000.0, 5000.0, 10000.0}) {
        const double x = frequencyX(hz, width());
        p.setPen(theme::line);
        p.drawLine(QPointF(x, 0), QPointF(x, height()));
        p.setPen(theme::quietInk);
        if (hz == 100 || hz == 1000 || hz == 10000)
            p.drawText(QPointF(x + 2, height() - 3), hz < 1000 ? QString("100") : QString("%1 k").arg(hz / 1000));
    }
    for (double db : {-12.0, 0.0, 12.0}) {
        p.setPen(QPen(theme::line, 1, db == 0 ? Qt::SolidLine : Qt::DotLine));
        p.drawLine(QPointF(0, yOfDb(db)), QPointF(width(), yOfDb(db)));
        p.setPen(theme::quietInk);
        p.drawText(QPointF(3, yOfDb(db) - 2), QString("%1%2 dB").arg(db > 0 ? "+" : "").arg(db));
    }
    if (std::string(chainModules()[m_module].id) == "de-esser") {
        const double a = frequencyX(c.deEsserFrom, width()), b = frequencyX(c.deEsserTo, width());
        QColor shade = theme::attention;
        shade.setAlpha(c.deEsser ? 70 : 30);
        p.fillRect(QRectF(a, yOfDb(0), b - a, yOfDb(-c.deEsserRange) - yOfDb(0)), shade);
    }
    ChainSettings shown = c;
    const bool on = c.highPass || c.equaliser;
    if (!on)
        (std::string(chainModules()[m_module].id) == "high-pass" ? shown.highPass : shown.equaliser) =
            true;  // what it would do
    const int rate = m_meters.sampleRate() > 0 ? m_meters.sampleRate() : 48000;
    const auto sections = filterSections(shown, rate);
    QPainterPath path;
    for (double x = 0; x <= width(); x += 1) {
        const QPointF at(x, std::clamp(yOfDb(filterDb(sections, std::min(frequencyAt(x, width()), 0.49 * rate), rate)),
                                       -20.0, height() + 20.0));
        x == 0 ? path.moveTo(at) : path.lineTo(at);
    }
    p.setPen(QPen(theme::ink, 1.8, on ? Qt::SolidLine : Qt::DashLine));
    p.drawPath(path);
    if (std::string(chainModules()[m_module].id) == "equaliser")
        for (int b = 0; b < 4; ++b) {
            p.setPen(QPen(theme::ink, 1.5));
            p.setBrush(b == m_band ? theme::ink : theme::ground);
            p.drawEllipse(bandPoint(b), 5, 5);
        }
}

void ChainCurve::paintLevels(QPainter& p) {
    const ChainSettings& c = m_desk.strip().chain;
    const std::string id = chainModules()[m_module].id;
    // Input to the right, output upwards, -72 to 0 dBFS.
    const double side = height() - 12;
    const QRectF r(30, 4, side, side);
    p.setPen(theme::line);
    p.drawRect(r);
    p.drawLine(r.bottomLeft(), r.topRight());
    const auto at = [&](double in, double out) {
        return QPointF(r.left() + (in + 72) / 72 * r.width(),
                       r.bottom() - std::clamp((out + 72) / 72, 0.0, 1.0) * r.height());
    };
    const auto curve = [&](double x) {
        return id == "gate"         ? gateCurve(c, x)
               : id == "compressor" ? compressorCurve(c, x) + c.makeUp
                                    : std::min(x, c.ceiling);
    };
    QPainterPath path(at(-72, curve(-72)));
    for (double x = -72; x <= 0; x += 1) path.lineTo(at(x, curve(x)));
    p.setPen(QPen(theme::ink, 1.8, c.*chainModules()[m_module].on ? Qt::SolidLine : Qt::DashLine));
    p.drawPath(path);
    p.setFont(theme::font(9));
    p.setPen(theme::quietInk);
    p.drawText(QRectF(0, r.top() - 2, 27, 12), Qt::AlignRight, "0");
    p.drawText(QRectF(0, r.bottom() - 10, 27, 12), Qt::AlignRight, "-72");
    p.drawText(QPointF(r.right() - 40, r.bottom() - 3), say("in, dB"));
    // The reduction of the moment.
    const auto meters = m_hearing.player().mixMeters();
    auto* strip = meters ? meters->of(m_desk.laneId()) : nullptr;
    const double fresh = !strip               ? 0
                         : id == "gate"       ? double(strip->gate)
                         : id == "compressor" ? double(strip->compressor)
                                              : double(strip->limiter);
    m_down = std::min(fresh, m_down + 0.4);  // falls back slowly: what lasts five milliseconds cannot be read
    const double now = std::min(0.0, m_down);
    const QRectF bar(r.right() + 26, r.top() + 16, 16, r.height() - 16);
    p.drawText(QRectF(bar.left() - 20, r.top() - 2, 120, 14), Qt::AlignLeft, say("taken down now"));
    p.fillRect(bar, theme::line);
    p.fillRect(QRectF(bar.left(), bar.top(), bar.width(), std::clamp(-now / 24, 0.0, 1.0) * bar.height()),
               theme::attention);
    p.setFont(theme::font(17, QFont::DemiBold));
    p.setPen(theme::ink);
    p.drawText(QRectF(bar.right() + 12, bar.top(), 100, 24), Qt::AlignLeft,
               QString("%1 dB").arg(now > -0.05 ? 0.0 : now, 0, 'f', 1));
    p.setFont(theme::font(9));
    p.setPen(theme::quietInk);
    for (int db : {0, 12, 24})
        p.drawText(QPointF(bar.right() + 3, bar.top() + db / 24.0 * bar.height() + (db == 0 ? 8 : 3)),
                   db == 0 ? QString() : QString("-%1").arg(db));
}

void ChainCurve::paintRoom(QPainter& p) {
    const ChainSettings& c = m_desk.strip().chain;
    const NamedRoom* named = m_desk.rebuild().room(c.roomImpulse);
    const RoomShape room = named ? named->shape : RoomShape::plain(c.roomDecay, c.roomTone);
    const QRectF r(30, 6, width() - 40, height() - 26);
    double longest = 0.3;
    for (const auto& b : room.bands) longest = std::max(longest, b.decay);
    p.setFont(theme::font(9));
    p.setPen(theme::line);
    p.drawRect(r);
    for (size_t i = 0; i < room.bands.size(); ++i) {
        const auto& b = room.bands[i];
        const int shade = 90 + int(i) * 22;
        p.setPen(QPen(QColor(shade, int(shade * 0.94), int(shade * 0.84)), 1.6));
        const double x = r.left() + c.roomDelay / 1000 / longest * r.width();
        p.drawLine(QPointF(x, r.top()), QPointF(std::min(r.right(), x + b.decay / longest * r.width()), r.bottom()));
    }
    p.setPen(theme::quietInk);
    p.drawText(QRectF(0, r.top() - 3, 27, 12), Qt::AlignRight, "0");
    p.drawText(QRectF(0, r.bottom() - 10, 27, 12), Qt::AlignRight, "-60");
    p.drawText(QRectF(r.left(), r.bottom() + 3, r.width(), 14), Qt::AlignRight,
               QString("%1 s").arg(longest, 0, 'f', 2));
    p.drawText(QRectF(r.left(), r.bottom() + 3, r.width(), 14), Qt::AlignLeft,
               named ? QString::fromStdString(named->name) + say(", estimated from the scene")
               : m_desk.rebuild().sound(c.roomImpulse) ? say("the imported impulse response stands in for it")
                                                       : say("dark lines low, light lines high octaves"));
}

void ChainCurve::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), theme::ground);
    if (isFilter()) paintFilters(p);
    else if (std::string(chainModules()[m_module].id) == "room") paintRoom(p);
    else paintLevels(p);
}

void ChainCurve::mousePressEvent(QMouseEvent* e) {
    m_band = -1;
    if (std::string(chainModules()[m_module].id) != "equaliser") return;
    for (int b = 0; b < 4; ++b)
        if (QLineF(bandPoint(b), e->position()).length() < 9) m_band = b;
    update();
}

void ChainCurve::mouseMoveEvent(QMouseEvent* e) {
    if (m_band < 0) return;
    const auto& hz = rowOf(kBands[m_band].hz);
    const auto& db = rowOf(kBands[m_band].db);
    const double f = std::clamp(std::round(frequencyAt(e->position().x(), width())), hz.minimum, hz.maximum);
    const double g =
        std::clamp(std::round(-(e->position().y() - height() / 2.0) / (height() / 2.0 - 6) * kRange * 2) / 2,
                   db.minimum, db.maximum);
    m_desk.editStrip(
        say("Equaliser"),
        [&](Strip& s) {
            s.chain.equaliser = true;
            s.chain.*kBands[m_band].hz = f;
            s.chain.*kBands[m_band].db = g;
        },
        "eq band");
}

void ChainCurve::mouseReleaseEvent(QMouseEvent*) { m_desk.endDrag(); }

}  // namespace rivlen

#include "app/views/MeterView.h"

#include <QPainter>
#include <QPainterPath>
#include <cmath>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

double frequencyX(double hz, double width) { return std::log(hz / 20) / std::log(1000.0) * width; }
double frequencyAt(double x, double width) { return 20 * std::pow(1000.0, x / width); }

void paintSpectrum(QPainter& p, const QRectF& r, const HeardMeters& meters) {
    if (meters.sampleRate() <= 0) return;
    const auto& spectrum = meters.spectrum();
    QPainterPath path(r.bottomLeft());
    for (double x = 0; x <= r.width(); x += 2) {
        const double perBin = double(meters.sampleRate()) / HeardMeters::kSize;
        const auto a = size_t(std::clamp(frequencyAt(x, r.width()) / perBin, 1.0, double(spectrum.size()) - 1));
        const auto b =
            size_t(std::clamp(frequencyAt(x + 2, r.width()) / perBin, double(a) + 1, double(spectrum.size())));
        float most = -120;
        for (size_t k = a; k < b && k < spectrum.size(); ++k) most = std::max(most, spectrum[k]);
        path.lineTo(r.left() + x, r.bottom() - std::clamp((most + 90) / 90.0, 0.0, 1.0) * r.height());
    }
    path.lineTo(r.bottomRight());
    p.fillPath(path, theme::shade);
}

MeterView::MeterView(HeardMeters& meters, QWidget* parent) : QWidget(parent), m_meters(meters) {
    setObjectName("meters");
    setFixedHeight(118);
    setMinimumWidth(280);
    setAccessibleName(say("Meters"));
    setToolTip(say(
        "Loudness (BS.1770) and true peak of what is heard, how its sides agree (right: in mono nothing is lost), and "
        "its spectrum.\nA click begins the integrated loudness and the peak anew."));
    connect(&meters, &HeardMeters::changed, this, qOverload<>(&QWidget::update));
}

void MeterView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto number = [](double v) { return v > -99 ? QString::number(v, 'f', 1) : QString("–"); };
    const struct {
        QString name;
        double value;
        const char* unit;
        bool bad;
    } cells[] = {{say("Momentary"), m_meters.momentary(), "LUFS", false},
                 {say("Short-term"), m_meters.shortTerm(), "LUFS", false},
                 {say("Integrated"), m_meters.integrated(), "LUFS", false},
                 {say("True peak"), m_meters.truePeak(), "dBTP", m_meters.truePeak() > -1}};
    const double w = width() / 4.0;
    for (int i = 0; i < 4; ++i) {
        p.setFont(theme::font(10));
        p.setPen(theme::quietInk);
        p.drawText(QRectF(i * w, 2, w, 13), Qt::AlignLeft | Qt::AlignVCenter, cells[i].name);
        p.setFont(theme::font(15, QFont::DemiBold));
        p.setPen(cells[i].bad ? theme::attention : theme::ink);
        p.drawText(QRectF(i * w, 15, w, 19), Qt::AlignLeft | Qt::AlignVCenter, number(cells[i].value));
        p.setFont(theme::font(9));
        p.setPen(theme::quietInk);
        p.drawText(QRectF(i * w, 34, w, 11), Qt::AlignLeft | Qt::AlignVCenter, cells[i].unit);
    }
    // Phase: -1 at the left, +1 at the right.
    const QRectF phase(0, 52, width(), 5);
    p.fillRect(phase, theme::line);
    const double middle = phase.center().x(), at = middle + m_meters.correlation() * phase.width() / 2;
    p.fillRect(QRectF(std::min(middle, at), phase.top(), std::fabs(at - middle), phase.height()),
               m_meters.correlation() < 0 ? theme::attention : theme::good);
    p.setFont(theme::font(9));
    p.setPen(theme::quietInk);
    p.drawText(QRectF(0, 58, width(), 11), Qt::AlignLeft, QString("-1"));
    p.drawText(QRectF(0, 58, width(), 11), Qt::AlignHCenter, say("phase"));
    p.drawText(QRectF(0, 58, width(), 11), Qt::AlignRight, QString("+1"));
    if (height() < 100) return;  // there is room for the figures alone
    const QRectF spectrum(0, 72, width(), height() - 84);
    p.fillRect(spectrum, theme::ground);
    paintSpectrum(p, spectrum, m_meters);
    for (double hz : {100.0, 1000.0, 10000.0}) {
        const double x = frequencyX(hz, width());
        p.setPen(theme::line);
        p.drawLine(QPointF(x, spectrum.top()), QPointF(x, spectrum.bottom()));
        p.setPen(theme::quietInk);
        p.drawText(QPointF(x + 2, height() - 2), hz < 1000 ? say("100 Hz") : QString("%1 kHz").arg(hz / 1000));
    }
}

}  // namespace rivlen

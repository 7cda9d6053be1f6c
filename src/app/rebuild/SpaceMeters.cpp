#include "app/rebuild/SpaceMeters.h"

#include <QHBoxLayout>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "core/audio/Decibel.h"

namespace rivlen {

namespace {

constexpr double kLowest = -60;

QString decibels(double v) { return v < -90 || !std::isfinite(v) ? QString("–") : QString::number(v, 'f', 1); }

double shareOf(double db) { return std::clamp(1 - db / kLowest, 0.0, 1.0); }

}  // namespace

/// A row for each channel; thin rows without figures where there are many.
class SpaceMeters::Bars : public QWidget {
public:
    Bars(SpaceListening& listening, const QStringList& names) : m_listening(listening), m_names(names) {
        setObjectName("channelbars");
        setAccessibleName(say("True peak and loudness of each channel"));
        setToolTip(
            "Bar: true peak, dBTP; line: the highest so far (a click forgets it); figures: highest dBTP and momentary "
            "LUFS of the channel");
        setMinimumHeight(110);
    }

protected:
    void mousePressEvent(QMouseEvent*) override { m_listening.forgetHighest(); }
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.fillRect(rect(), theme::ground);
        const SpaceReading& r = m_listening.reading();
        if (r.channels == 0) {
            p.setPen(theme::quietInk);
            p.setFont(theme::font(12));
            p.drawText(rect().adjusted(8, 0, -8, 0), int(Qt::AlignCenter) | int(Qt::TextWordWrap),
                       say("Play the mix to see its channels."));
            return;
        }
        const double above = height() / (r.channels + 1.0) >= 11 ? 16 : 0;  // the columns' names
        const double high = std::min(22.0, (height() - above) / r.channels);
        const bool roomy = above > 0;
        p.setFont(theme::font(roomy ? 11 : 8));
        const int label = roomy ? 46 : 0, figures = roomy ? 84 : 0;
        if (roomy) {
            p.setPen(theme::quietInk);
            p.drawText(QRectF(width() - figures - 10, 0, 50, above), int(Qt::AlignVCenter) | int(Qt::AlignRight),
                       "dBTP");
            p.drawText(QRectF(width() - 42, 0, 40, above), int(Qt::AlignVCenter) | int(Qt::AlignRight), "LUFS");
        }
        for (int c = 0; c < r.channels; ++c) {
            const QRectF row(0, above + c * high, width(), high),
                bar(label, row.top() + 2, width() - label - figures, high - 3);
            p.fillRect(bar, theme::raised);
            const double peak = m_listening.peaks()[size_t(c)], highest = m_listening.highest()[size_t(c)];
            QRectF filled = bar;
            filled.setWidth(bar.width() * shareOf(peak));
            p.fillRect(filled, peak > -1 ? theme::attention : theme::good);
            if (highest > kLowest) {
                const double x = bar.left() + bar.width() * shareOf(highest);
                p.fillRect(QRectF(std::min(x, bar.right() - 2), bar.top(), 2, bar.height()),
                           highest > -1 ? theme::attention : theme::ink);
            }
            if (!roomy) continue;
            p.setPen(theme::quietInk);
            p.drawText(QRectF(4, row.top(), label - 6, high), int(Qt::AlignVCenter) | int(Qt::AlignLeft),
                       m_names.value(c));
            p.setPen(highest > -1 ? theme::attention : theme::ink);
            p.drawText(QRectF(bar.right() + 2, row.top(), 38, high), int(Qt::AlignVCenter) | int(Qt::AlignRight),
                       decibels(highest));
            p.setPen(theme::quietInk);
            p.drawText(QRectF(bar.right() + 42, row.top(), 40, high), int(Qt::AlignVCenter) | int(Qt::AlignRight),
                       size_t(c) < r.loudness.size() ? decibels(r.loudness[size_t(c)]) : QString());
        }
    }

private:
    SpaceListening& m_listening;
    const QStringList& m_names;
};

SpaceMeters::SpaceMeters(SpaceListening& listening, QWidget* parent) : QWidget(parent), m_listening(listening) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    m_bars = new Bars(listening, m_names);
    column->addWidget(m_bars, 1);
    auto* pair = new QHBoxLayout;
    pair->setSpacing(6);
    const auto box = [&](const char* name, const QString& accessible) {
        auto* b = new QComboBox;
        b->setObjectName(name);
        b->setAccessibleName(accessible);
        b->setToolTip(say("1: alike, 0: nothing in common, -1: they cancel each other when they are folded"));
        connect(b, &QComboBox::activated, this, &SpaceMeters::refresh);
        return b;
    };
    m_one = box("alikeone", say("One channel of the pair"));
    m_other = box("alikeother", say("The other channel of the pair"));
    m_alike = new QLabel;
    m_alike->setObjectName("alike");
    m_alike->setFont(theme::font(12, QFont::Medium));
    pair->addWidget(new QLabel(say("Alike:")));
    pair->addWidget(m_one, 1);
    pair->addWidget(m_other, 1);
    pair->addWidget(m_alike);
    column->addLayout(pair);
    m_loud = addPageText(column);
    m_loud->setObjectName("wholeloudness");
    m_loud->setToolTip(
        say("ITU-R BS.1770: surrounds weigh 1.5 dB more, the LFE is left out, ambisonics are decoded to 7.1"));
    m_whence = addPageText(column);
    m_whence->setObjectName("whence");
    connect(&listening, &SpaceListening::heard, this, &SpaceMeters::refresh);
    refresh();
}

void SpaceMeters::refresh() {
    const SpaceReading& r = m_listening.reading();
    QStringList names;
    for (const auto& n : mixChannelNames(r.format, r.channels)) names << QString::fromStdString(n);
    if (r.channels > 0 && names != m_names) {
        m_names = names;
        for (QComboBox* b : {m_one, m_other}) b->clear(), b->addItems(names);
        m_other->setCurrentIndex(std::min(1, int(names.size()) - 1));
    }
    m_bars->update();
    if (r.channels == 0 || !m_listening.map()) {
        m_alike->setText("–");
        m_whence->setText(say("Energy: nothing heard yet."));
        return;
    }
    const int a = m_one->currentIndex(), b = m_other->currentIndex();
    m_alike->setText(
        QString("%1%2").arg(r.correlation(a, b) < 0 ? "−" : "+").arg(std::fabs(r.correlation(a, b)), 0, 'f', 2));
    m_loud->setText(say("The whole, in its own channels: %1 LUFS now, %2 over 3 s, %3 so far.")
                        .arg(decibels(r.momentary), decibels(r.shortTerm), decibels(r.integrated)));
    const auto w = m_listening.map()->whence(r);
    if (w.power < 1e-9) {
        m_whence->setText(say("Energy: silence."));
        return;
    }
    const double azimuth = std::round(w.at.azimuth), elevation = std::round(w.at.elevation);
    m_whence->setText(
        say("Energy comes from %1%2, %3 % of it from all around.")
            .arg(azimuth == 0 ? say("the front")
                              : QString("%1° %2").arg(std::fabs(azimuth)).arg(azimuth > 0 ? say("left") : say("right")))
            .arg(elevation == 0
                     ? QString()
                     : QString(", %1° %2").arg(std::fabs(elevation)).arg(elevation > 0 ? say("up") : say("down")))
            .arg(std::round(100 * w.diffuseness)));
}

}  // namespace rivlen

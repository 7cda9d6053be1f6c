#include "app/views/TransportBar.h"

#include <QButtonGroup>
#include <QHBoxLayout>
#include <QPainter>
#include <array>
#include <cmath>

#include "app/views/PictureDock.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/audio/Decibel.h"
#include "core/media/Timecode.h"

namespace rivlen {

QString heardName(Heard heard) {
    static const char* names[kHeardCount] = {QT_TRID_NOOP("Source"),   QT_TRID_NOOP("Result"),
                                             QT_TRID_NOOP("Dialogue"), QT_TRID_NOOP("Music"),
                                             QT_TRID_NOOP("Ambience"), QT_TRID_NOOP("Leftovers"),
                                             QT_TRID_NOOP("Recorded"), QT_TRID_NOOP("Removed"),
                                             QT_TRID_NOOP("Mix")};
    return say(names[int(heard)]);
}

/// Two peak bars from -60 to 0 dBFS that fall by 24 dB a second, with the highest value held as a number.
class TransportBar::Meter : public QWidget {
public:
    explicit Meter(QWidget* parent) : QWidget(parent) {
        setFixedSize(130, 36);
        setToolTip(say("Peak level of what is heard, dBFS. It should never reach 0."));
    }
    void feed(std::pair<float, float> peaks) {
        const auto before = shown();
        const double fresh[2] = {toDb(double(peaks.first)), toDb(double(peaks.second))};
        for (int c = 0; c < 2; ++c) m_level[c] = std::max(fresh[c], m_level[c] - 24.0 / 30);
        const double high = std::max(fresh[0], fresh[1]);
        if (high >= m_held) m_held = high, m_age = 0;
        else if (++m_age > 60) m_held = std::max(high, m_held - 1);
        if (shown() != before) update();
    }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        const int bar = width() - 46;
        for (int c = 0; c < 2; ++c) {
            const QRectF frame(0, 8 + c * 11, bar, 7);
            p.fillRect(frame, theme::line);
            const double full = std::clamp((m_level[c] + 60) / 60, 0.0, 1.0) * bar;
            p.fillRect(QRectF(0, frame.top(), full, 7), m_level[c] > -1 ? theme::attention : theme::quietInk);
        }
        p.setPen(m_held > -1 ? theme::attention : theme::quietInk);
        p.setFont(theme::font(12));
        p.drawText(QRectF(bar + 4, 0, 42, height()), Qt::AlignVCenter | Qt::AlignRight,
                   m_held > -99 ? QString::number(m_held, 'f', 1) : QString("–"));
    }

private:
    /// What the eye can tell apart: pixels of the bars, the number.
    std::array<int, 3> shown() const {
        const auto tenths = [](double db) { return int(std::lround(std::clamp(db, -100.0, 60.0) * 10)); };
        return {tenths(std::max(m_level[0], -60.0)), tenths(std::max(m_level[1], -60.0)), tenths(m_held)};
    }
    double m_level[2] = {-200, -200}, m_held = -200;
    int m_age = 0;
};

TransportBar::TransportBar(Document& document, Reels& reels, Hearing& hearing, QWidget* parent)
    : QWidget(parent), m_document(document), m_reels(reels), m_hearing(hearing) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(12, 6, 12, 6);
    row->setSpacing(5);
    m_play = new QPushButton(say("Play"));
    m_play->setFixedWidth(64);
    m_play->setToolTip(say("Play or stop (Space)"));
    m_play->setObjectName("play");
    connect(m_play, &QPushButton::clicked, &hearing, &Hearing::togglePlay);
    m_loop = new QPushButton(say("Loop"));
    m_loop->setToolTip(
        say("Takes the loop away. Set one by dragging over the picture, or with [ and ] at the playhead"));
    m_loop->setObjectName("loop");
    connect(m_loop, &QPushButton::clicked, this, [this] { m_hearing.removeLoop(); });
    m_time = new QLabel;
    m_time->setFont(theme::font(17, QFont::Medium));
    m_time->setFixedWidth(118);
    m_time->setAlignment(Qt::AlignCenter);
    row->addWidget(m_play);
    row->addWidget(m_loop);
    row->addWidget(m_time);
    row->addSpacing(10);
    auto* label = new QLabel(say("Hear"));
    label->setStyleSheet(theme::sheet("color: @quiet"));
    row->addWidget(label);
    auto* group = new QButtonGroup(this);
    for (int h = 0; h < kHeardCount; ++h) {
        auto* b = m_heard[size_t(h)] = new QPushButton(QString("%1 %2").arg(h + 1).arg(heardName(Heard(h))));
        b->setCheckable(true);
        b->setObjectName("hear" + heardName(Heard(h)));
        b->setStyleSheet("padding: 5px 6px");
        group->addButton(b, h);
        row->addWidget(b);
        connect(b, &QPushButton::clicked, this, [this, h] { m_hearing.hear(Heard(h)); });
    }
    m_heard[0]->setToolTip(say("The recording as it came in (1). Hold O to hear it while the key is down"));
    m_heard[1]->setToolTip(say("The dialogue at the present strength (2)"));
    for (int s = 2; s < 5; ++s) m_heard[size_t(s)]->setToolTip(say("This stem as the network gave it (%1)").arg(s + 1));
    m_heard[5]->setToolTip(
        say("Everything the present strength takes away (6): if you hear the voice in here, it is too much"));
    m_heard[size_t(Heard::Recorded)]->setToolTip(say("The recording as it came in, before its treatments (7)"));
    m_heard[size_t(Heard::Removed)]->setToolTip(
        say("What the treatments took away (8): it should hold nothing that you want"));
    row->addStretch();
    m_match = new QPushButton(say("Level match"));
    m_match->setCheckable(true);
    m_match->setObjectName("levelMatch");
    m_match->setToolTip(say("Plays everything at the source's loudness (BS.1770), since louder sounds better (M)"));
    connect(m_match, &QPushButton::clicked, this, [this](bool on) { m_hearing.match().set(on); });
    row->addWidget(m_match);
    m_meter = new Meter(this);
    row->addWidget(m_meter);
    connect(&hearing, &Hearing::changed, this, &TransportBar::refresh);
    connect(&document, &Document::changed, this, &TransportBar::refresh);
    connect(&reels, &Reels::stemsChanged, this, &TransportBar::refresh);
    connect(&reels, &Reels::read, this, &TransportBar::refresh);
    refresh();
    tick();
}

void TransportBar::refresh() {
    Player& player = m_hearing.player();
    const ReelFacts* state = m_reels.current();
    const bool stems = state && state->stems;
    m_play->setEnabled(player.isOpen());
    m_loop->setEnabled(m_hearing.loop().has_value());
    const bool leaving = m_document.session().stage == stage::dispatch;
    m_heard[size_t(Heard::Mix)]->setText(leaving ? say("9 Deliverable") : say("9 Mix"));
    m_heard[size_t(Heard::Mix)]->setToolTip(leaving
                                                ? say("The chosen file as it was delivered, or what it will hold (9)")
                                                : say("The rebuild: all lanes, mixed (9)"));
    for (int h = 0; h < kHeardCount; ++h) {
        const bool version = h == int(Heard::Recorded) || h == int(Heard::Removed),
                   mix = h == int(Heard::Mix);  // shown only where there are treatments, or a rebuild
        const bool treated = m_document.reel() && !m_document.reel()->treatments.empty();
        const bool rebuilt = m_document.session().stage == stage::rebuild || leaving ||
                             (m_document.reel() && !m_document.reel()->rebuild->empty());
        m_heard[size_t(h)]->setVisible(version ? treated : !mix || rebuilt);
        m_heard[size_t(h)]->setEnabled(player.isOpen() && (h == 0 || version || mix || stems));
        m_heard[size_t(h)]->setChecked(player.isOpen() && int(player.heard()) == h);
    }
    m_match->setChecked(m_hearing.match().on());
}

void TransportBar::tick() {
    Player& player = m_hearing.player();
    m_play->setText(player.playing() ? say("Stop") : say("Play"));
    const double at = player.isOpen() ? double(player.position()) / player.sampleRate() : 0;
    const ReelFacts* state = m_reels.current();
    const QString time = QString::fromStdString(formatTime(at));
    const bool timecode = player.isOpen() && state && state->info && state->info->timecode;
    m_time->setText(timecode ? PictureDock::timecodeAt(*state->info, at) : time);
    if (timecode) m_time->setToolTip(time + say(" from the start"));
    else m_time->setToolTip({});
    m_meter->feed(player.takePeaks());
}

}  // namespace rivlen

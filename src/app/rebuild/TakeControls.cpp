#include "app/rebuild/TakeControls.h"

#include <QDoubleSpinBox>
#include <QHBoxLayout>
#include <QVBoxLayout>
#include <cmath>

#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {
constexpr int kFloorDb = -60;
constexpr double kHotDb = -3;
}  // namespace

QProgressBar* makeLevelBar(const char* name) {
    auto* bar = new QProgressBar;
    bar->setObjectName(name);
    bar->setAccessibleName(say("Level of the microphone"));
    bar->setToolTip(say("The highest level that came in, dBFS; it should stay below -6"));
    bar->setRange(kFloorDb, 0);
    bar->setFixedHeight(14);
    bar->setTextVisible(true);
    bar->setFont(theme::font(10));
    showLevel(*bar, 0);
    return bar;
}

void showLevel(QProgressBar& bar, float peak) {
    const double db = peak > 0 ? 20 * std::log10(peak) : -200;
    bar.setValue(int(std::lround(std::clamp(db, double(kFloorDb), 0.0))));
    bar.setFormat(db < kFloorDb ? QString("–") : QString("%1 dBFS").arg(db, 0, 'f', 0).replace('-', QChar(0x2212)));
    const QString sheet =
        theme::sheet(QString("QProgressBar { background: @well; border: 1px solid @line; color: @ink; "
                             "text-align: center } QProgressBar::chunk { background: %1 }")
                         .arg(db > kHotDb ? "@attention" : "@shade"));
    if (bar.styleSheet() != sheet) bar.setStyleSheet(sheet);
}

TakeControls::TakeControls(TakeDesk& takes, QWidget* parent) : QWidget(parent), m_takes(takes) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    addPageHeading(column, say("Voice line"));
    auto* row = new QHBoxLayout;
    m_record = makeSmallButton("recordline", say("Record"), {});
    row->addWidget(m_record);
    auto* preRoll = new QDoubleSpinBox;
    preRoll->setObjectName("preroll");
    preRoll->setAccessibleName(say("Pre-roll"));
    preRoll->setToolTip(
        say("So much is played before, to come in by; it is recorded, too, and can be drawn out of the clip"));
    preRoll->setRange(0, kLongestPreRoll);
    preRoll->setSingleStep(0.5);
    preRoll->setDecimals(1);
    preRoll->setPrefix(say("Pre-roll "));
    preRoll->setSuffix(" s");
    preRoll->setValue(takes.ways().preRoll);
    row->addWidget(preRoll);
    m_state = new QLabel;
    m_state->setObjectName("takestate");
    m_state->setFont(theme::font(12));
    row->addWidget(m_state, 1);
    column->addLayout(row);
    auto* level = new QHBoxLayout;
    m_listen = new QCheckBox(say("Listen"));
    m_listen->setObjectName("listen");
    m_listen->setToolTip(say("Opens the microphone, so that its level is seen; it stays open after a take"));
    level->addWidget(m_listen);
    m_level = makeLevelBar("voicelevel");
    level->addWidget(m_level, 1);
    auto* which = makeSmallButton("microphone", say("Microphone…"), say("Which one, and how late it is"));
    level->addWidget(which);
    column->addLayout(level);

    connect(m_record, &QPushButton::clicked, &takes, &TakeDesk::toggle);
    connect(m_listen, &QCheckBox::clicked, &takes, &TakeDesk::listen);
    connect(which, &QPushButton::clicked, this, [this] { openMicrophoneDialog(m_takes, window()); });
    connect(preRoll, &QDoubleSpinBox::valueChanged, this, [this](double seconds) {
        TakeWays ways = m_takes.ways();
        ways.preRoll = seconds;
        m_takes.setWays(ways);
    });
    connect(&takes, &TakeDesk::changed, this, &TakeControls::refresh);
    refresh();
}

void TakeControls::refresh() {
    const bool on = m_takes.recording();
    m_record->setText(on ? say("End the take") : say("Record"));
    m_record->setStyleSheet(theme::sheet(
        QString("QPushButton { padding: 3px 10px%1 }").arg(on ? "; border-color: @attention; color: @attention" : "")));
    m_listen->setChecked(m_takes.listening());
    showLevel(*m_level, m_takes.listening() ? m_takes.peak() : 0);
    m_record->setToolTip(on ? say("Ends the take (Shift+R)") : m_takes.hint());
    m_state->setText(m_takes.state());
}

}  // namespace rivlen

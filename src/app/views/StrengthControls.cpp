#include "app/views/StrengthControls.h"

#include <QHBoxLayout>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/Theme.h"
#include "app/views/BandBiasCurve.h"
#include "app/views/SettingRow.h"

namespace rivlen {

StrengthControls::StrengthControls(Controller& controller, Desks& desks, QWidget* parent)
    : QWidget(parent), m_controller(controller) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(4);
    const auto explain = [this](const QString& sentence) { m_why->setText(sentence); };
    for (const auto& parameter : isolationParameters()) {
        auto* row = new SettingRow(controller, parameter);
        column->addWidget(row);
        connect(row, &SettingRow::explained, this, explain);
        if (parameter.value == &IsolationSettings::roomKeep) m_room = row;
    }
    auto* head = new QHBoxLayout;
    auto* title = new QLabel("Band bias");
    title->setFont(theme::font(13, QFont::Medium));
    auto* reset = new QPushButton(QString(QChar(0x21ba)));
    reset->setStyleSheet("padding: 3px 7px");
    reset->setObjectName("band_bias_reset");
    reset->setAccessibleName("Reset Band bias");
    reset->setToolTip("Reset: level");
    head->addWidget(title);
    head->addStretch();
    head->addWidget(reset);
    column->addLayout(head);
    m_curve = new BandBiasCurve(controller);
    m_curve->setDesk(&desks.weigh);
    column->addWidget(m_curve, 1);
    m_why = new QLabel(isolationParameters()[0].explanation);
    m_why->setWordWrap(true);
    m_why->setStyleSheet("color: #a79d8c");
    m_why->setFixedHeight(36);
    m_why->setFont(theme::font(12));
    m_why->setAlignment(Qt::AlignTop);
    column->addWidget(m_why);
    m_loudness = new QLabel;
    m_loudness->setFont(theme::font(12));
    m_loudness->setStyleSheet("color: #a79d8c");
    column->addWidget(m_loudness);
    connect(reset, &QPushButton::clicked, this, [this] {
        m_controller.editReel("Reset Band bias",
                              [](Reel& r) { r.isolation().bandBias.clear(), r.isolation().bandBypassed.clear(); });
    });
    connect(m_curve, &BandBiasCurve::explained, this, explain);
    for (auto signal : {&Controller::sessionChanged, &Controller::stemsChanged, &Controller::heardChanged})
        connect(&controller, signal, this, &StrengthControls::refresh);
    refresh();
}

void StrengthControls::refresh() {
    const Reel* reel = m_controller.reel();
    const ReelState* s = m_controller.currentState();
    const bool stems = reel && s->stems;
    m_curve->setEnabled(stems && !m_controller.blind());
    m_room->setHindrance(
        !stems                     ? QString()
        : reel->stem != "dialogue" ? QString("Only the dialogue has a room that can be taken away from it.")
        : s->stems->shape().room
            ? QString()
            : QString(
                  "This split did not keep the room apart: split the reel again, with a network and quality that do."));
    QString text;
    if (stems && !s->loudness.empty() && !m_controller.blind()) {
        const auto lufs = [&](Heard heard) {
            const double v = s->loudness.at(int(heard));
            return v > -190 ? QString::number(v, 'f', 1).replace('-', QChar(0x2212)) : QString("silent");
        };
        text = QString("LUFS here: source %1, result %2, leftovers %3")
                   .arg(lufs(Heard::Source), lufs(Heard::Result), lufs(Heard::Leftovers));
    }
    m_loudness->setText(text);
}

}  // namespace rivlen

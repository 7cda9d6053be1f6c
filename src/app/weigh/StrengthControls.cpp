#include "app/weigh/StrengthControls.h"

#include <QHBoxLayout>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/weigh/BandBiasCurve.h"
#include "app/weigh/SettingRow.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

StrengthControls::StrengthControls(Document& document, Reels& reels, Hearing& hearing, Work& work, WeighDesk& desk,
                                   QWidget* parent)
    : QWidget(parent), m_document(document), m_reels(reels), m_hearing(hearing) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 6, 0, 0);
    column->setSpacing(2);
    const auto explain = [this](const QString& sentence) { m_why->setText(sentence); };
    for (const auto& parameter : isolationParameters()) {
        auto* row = new SettingRow(document, reels, hearing, work, parameter);
        column->addWidget(row);
        connect(row, &SettingRow::explained, this, explain);
        if (parameter.value == &IsolationSettings::roomKeep) m_room = row;
        if (parameter.minimum == kAsDepth) m_ofAmbience.push_back(row);
    }
    auto* head = new QHBoxLayout;
    auto* title = new QLabel(say("Band bias"));
    title->setFont(theme::font(13, QFont::Medium));
    auto* reset = new QPushButton(QString(QChar(0x21ba)));
    reset->setStyleSheet("padding: 3px 7px");
    reset->setObjectName("band_bias_reset");
    reset->setAccessibleName(say("Reset Band bias"));
    reset->setToolTip(say("Reset: level"));
    head->addWidget(title);
    head->addStretch();
    head->addWidget(reset);
    column->addLayout(head);
    m_curve = new BandBiasCurve(document, reels, hearing);
    m_curve->setDesk(&desk);
    column->addWidget(m_curve, 1);
    m_why = new QLabel(said(isolationParameters()[0].explanation));
    m_why->setWordWrap(true);
    m_why->setStyleSheet(theme::sheet("color: @quiet"));
    m_why->setFixedHeight(36);
    m_why->setFont(theme::font(12));
    m_why->setAlignment(Qt::AlignTop);
    column->addWidget(m_why);
    m_loudness = new QLabel;
    m_loudness->setFont(theme::font(12));
    m_loudness->setStyleSheet(theme::sheet("color: @quiet"));
    column->addWidget(m_loudness);
    connect(reset, &QPushButton::clicked, this, [this] {
        m_document.editReel(say("Reset Band bias"),
                            [](Reel& r) { r.isolation().bandBias.clear(), r.isolation().bandBypassed.clear(); });
    });
    connect(m_curve, &BandBiasCurve::explained, this, explain);
    connect(&document, &Document::changed, this, &StrengthControls::refresh);
    connect(&reels, &Reels::stemsChanged, this, &StrengthControls::refresh);
    connect(&hearing, &Hearing::changed, this, &StrengthControls::refresh);
    refresh();
}

void StrengthControls::refresh() {
    const Reel* reel = m_document.reel();
    const ReelFacts* s = m_reels.current();
    const bool stems = reel && s->stems;
    m_curve->setEnabled(stems && !m_hearing.blind());
    m_room->setHindrance(
        !stems                     ? QString()
        : reel->stem != "dialogue" ? say("Only the dialogue has a room that can be taken away from it.")
        : s->stems->shape().room
            ? QString()
            : say("This split did not keep the room apart: split the reel again, with a network and quality that do."));
    for (SettingRow* row : m_ofAmbience)
        row->setHindrance(!stems || stemPlace(reel->stem) != 2 ? QString()
                          : reel->stem == "ambience" ? say("The ambience itself is wanted: nothing of it goes.")
                                                     : say("A part of the ambience is wanted by itself."));
    QString text;
    if (stems && !m_hearing.match().loudness().empty() && !m_hearing.blind()) {
        const auto lufs = [&](Heard heard) {
            const double v = m_hearing.match().loudness().at(int(heard));
            return v > -190 ? QString::number(v, 'f', 1).replace('-', QChar(0x2212)) : say("silent");
        };
        text = say("LUFS here: source %1, result %2, leftovers %3")
                   .arg(lufs(Heard::Source), lufs(Heard::Result), lufs(Heard::Leftovers));
    }
    m_loudness->setText(text);
}

}  // namespace rivlen

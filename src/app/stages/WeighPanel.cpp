#include <QHBoxLayout>
#include <QPushButton>

#include "app/Theme.h"
#include "app/stages/StagePanel.h"
#include "app/views/BandBiasCurve.h"
#include "app/views/CandidateBar.h"
#include "app/views/PresetButton.h"
#include "app/views/SettingRow.h"

namespace rivlen {

namespace {

class WeighPanel : public StagePanel {
public:
    explicit WeighPanel(Controller& controller) : StagePanel(controller, "How strong can isolation be before it hurts?") {
        m_state = addText();
        m_presets = new PresetButton(controller);
        auto* above = new QHBoxLayout;
        m_column->removeWidget(m_state);
        above->addWidget(m_state, 1);
        above->addWidget(m_presets, 0, Qt::AlignTop);
        m_column->addLayout(above);
        for (const auto& parameter : isolationParameters()) {
            auto* row = new SettingRow(controller, parameter);
            m_column->addWidget(row);
            connect(row, &SettingRow::explained, this, [this](const QString& sentence) { m_why->setText(sentence); });
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
        m_column->addLayout(head);
        m_curve = new BandBiasCurve(controller);
        m_column->addWidget(m_curve);
        connect(reset, &QPushButton::clicked, this, [this] { m_controller.editReel("Reset Band bias", [](Reel& r) { r.isolation.bandBias.clear(); }); });
        connect(m_curve, &BandBiasCurve::explained, this, [this](const QString& sentence) { m_why->setText(sentence); });
        m_why = addText(isolationParameters()[0].explanation);
        m_why->setMinimumHeight(52);
        m_why->setAlignment(Qt::AlignTop);
        m_column->addWidget(new CandidateBar(*new CandidateDesk(controller, this), controller));
        addText("If you hear the voice in 6 Leftovers, it is too much.");
        m_loudness = addText();
        m_column->addStretch();
        refresh();
    }

    void refresh() override {
        const Reel* reel = m_controller.reel();
        const ReelState* s = m_controller.currentState();
        const bool stems = reel && s->stems;
        m_presets->setEnabled(stems && !m_controller.blind());
        m_curve->setEnabled(stems && !m_controller.blind());
        m_state->setText(!reel ? "Add a recording at Intake first." : !stems ? "Split this reel first; then its strength can be weighed here, live while it plays."
                               : "For the dialogue. Result and Leftovers always sum to the source.");
        QString text;
        if (stems && !s->loudness.empty() && !m_controller.blind()) {
            const double source = s->loudness.at(int(Heard::Source)), result = s->loudness.at(int(Heard::Result)), rest = s->loudness.at(int(Heard::Leftovers));
            if (source > -190 && result > -190)
                text = QString("Around the playhead: source %1 LUFS, result %2 LUFS, leftovers %3.")
                           .arg(source, 0, 'f', 1).arg(result, 0, 'f', 1).arg(rest > -190 ? QString("%1 LUFS").arg(rest, 0, 'f', 1) : QString("silent"));
        }
        m_loudness->setText(text);
    }

private:
    BandBiasCurve* m_curve;
    PresetButton* m_presets;
    QLabel *m_state, *m_why, *m_loudness;
};

}  // namespace

StagePanel* makeWeighPanel(Controller& controller) { return new WeighPanel(controller); }

}  // namespace rivlen

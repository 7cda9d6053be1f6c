#include <QComboBox>
#include <QDialog>
#include <QDoubleSpinBox>
#include <QFormLayout>
#include <QSpinBox>
#include <QVBoxLayout>

#include "app/rebuild/TakeControls.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

class MicrophoneDialog : public QDialog {
public:
    MicrophoneDialog(TakeDesk& takes, QWidget* parent) : QDialog(parent), m_takes(takes) {
        setObjectName("microphoneDialog");
        setWindowTitle(say("Microphone"));
        setAttribute(Qt::WA_DeleteOnClose);
        setMinimumWidth(520);
        auto* column = new QVBoxLayout(this);
        auto* form = new QFormLayout;
        column->addLayout(form);
        m_from = new QComboBox;
        add(form, m_from, "voiceFrom", say("Voice comes from"),
            say("With JACK as the sound output it is what is connected to the port Voice, whatever is chosen here"));
        m_channel = new QSpinBox;
        m_channel->setRange(1, kVoiceChannels);
        add(form, m_channel, "voiceChannel", say("Channel"), say("Of the card"));
        m_late = new QDoubleSpinBox;
        m_late->setRange(-kLargestCorrection, kLargestCorrection);
        m_late->setDecimals(2);
        m_late->setSingleStep(0.1);
        m_late->setSuffix(" ms");
        add(form, m_late, "voiceLate", say("Later than it says"),
            say("What the device itself says of its ways is taken off already; this goes off as well"));
        m_level = makeLevelBar("voiceDialogLevel");
        form->addRow(say("Level"), m_level);
        m_text =
            addPageText(column,
                        say("Where takes come late or early: connect the output to the input with a cable, or hold the "
                            "microphone to the loudspeaker, and measure it."));
        column->addStretch();
        auto* buttons = new QHBoxLayout;
        m_measure =
            makeSmallButton("measureLate", say("Measure"),
                            say("Plays four seconds of the recording from the playhead on, and finds how late they "
                                "come back"));
        auto* close = makeSmallButton("microphoneClose", say("Close"), say("What is chosen is in use already"));
        buttons->addWidget(m_measure);
        buttons->addStretch();
        buttons->addWidget(close);
        column->addLayout(buttons);

        offer({}, say("the default microphone"));
        for (const auto& card : microphones()) offer({VoiceInput::Kind::Card, card, 0}, QString::fromStdString(card));
        offer({VoiceInput::Kind::Itself, {}, 0}, say("nowhere: what is heard comes back (to try it)"));
        const VoiceInput now = takes.ways().input;
        const auto same = [&](const VoiceInput& v) { return v.kind == now.kind && v.card == now.card; };
        auto at = std::ranges::find_if(m_inputs, same);
        if (at == m_inputs.end()) {
            offer(now, QString::fromStdString(now.card) + say(" (not there)"));
            at = m_inputs.end() - 1;
        }
        m_from->setCurrentIndex(int(at - m_inputs.begin()));
        m_channel->setValue(now.channel + 1);

        connect(m_from, &QComboBox::activated, this, &MicrophoneDialog::take);
        connect(m_channel, &QSpinBox::valueChanged, this, &MicrophoneDialog::take);
        connect(m_late, &QDoubleSpinBox::valueChanged, this, &MicrophoneDialog::take);
        connect(m_measure, &QPushButton::clicked, &takes, &TakeDesk::measure);
        connect(close, &QPushButton::clicked, this, &QDialog::close);
        connect(&takes, &TakeDesk::changed, this, &MicrophoneDialog::show);
        show();
    }

private:
    void add(QFormLayout* form, QWidget* box, const char* name, const QString& label, const QString& tip) {
        box->setObjectName(name);
        box->setAccessibleName(label);
        box->setToolTip(tip);
        form->addRow(label, box);
    }
    void offer(const VoiceInput& input, const QString& text) {
        m_inputs.push_back(input);
        m_from->addItem(text);
    }
    void take() {
        TakeWays ways = m_takes.ways();
        ways.input = m_inputs[size_t(m_from->currentIndex())];
        ways.input.channel = m_channel->value() - 1;
        ways.correction = m_late->value();
        m_takes.setWays(ways);
    }
    void show() {
        m_channel->setEnabled(m_inputs[size_t(m_from->currentIndex())].kind != VoiceInput::Kind::Itself);
        const QSignalBlocker quiet(m_late);
        if (!m_late->hasFocus()) m_late->setValue(m_takes.ways().correction);
        m_measure->setEnabled(!m_takes.recording());
        showLevel(*m_level, m_takes.listening() ? m_takes.peak() : 0);
        if (!m_takes.measured().isEmpty()) m_text->setText(m_takes.measured());
    }

    TakeDesk& m_takes;
    QComboBox* m_from;
    QSpinBox* m_channel;
    QDoubleSpinBox* m_late;
    QProgressBar* m_level;
    QLabel* m_text;
    QPushButton* m_measure;
    std::vector<VoiceInput> m_inputs;
};

}  // namespace

void openMicrophoneDialog(TakeDesk& takes, QWidget* parent) { (new MicrophoneDialog(takes, parent))->QDialog::show(); }

}  // namespace rivlen

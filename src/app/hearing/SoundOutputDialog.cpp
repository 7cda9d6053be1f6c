#include "app/hearing/SoundOutputDialog.h"

#include <QComboBox>
#include <QDialog>
#include <QFormLayout>
#include <QVBoxLayout>

#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

class SoundOutputDialog : public QDialog {
public:
    SoundOutputDialog(SoundOutput& output, QWidget* parent) : QDialog(parent), m_output(output) {
        setObjectName("soundOutput");
        setWindowTitle(say("Sound output"));
        setAttribute(Qt::WA_DeleteOnClose);
        setMinimumWidth(520);
        auto* column = new QVBoxLayout(this);
        auto* form = new QFormLayout;
        column->addLayout(form);
        m_to = row(form, "outputTo", say("Sound goes to"));
        m_frames = row(form, "outputFrames", say("Block"));
        m_frames->setToolTip(say("Shorter answers sooner; longer is safer on a busy machine. JACK has its own"));
        m_rate = row(form, "outputRate", say("Rate"));
        m_rate->setToolTip(
            say("Another rate than the recording's is converted to; a voice can be recorded at the recording's alone"));
        m_transport = row(form, "outputTransport", say("Transport"));
        m_transport->setToolTip(
            say("JACK's transport is shared by all programs that are connected to the same server"));
        m_state = addPageText(column);
        m_state->setObjectName("outputState");
        column->addStretch();
        auto* close = makeSmallButton("outputClose", say("Close"), say("What is chosen is in use already"));
        auto* buttons = new QHBoxLayout;
        buttons->addStretch();
        buttons->addWidget(close);
        column->addLayout(buttons);

        add({}, say("the default sound card"));
        for (const auto& card : soundCards())
            add({OutputChoice::Kind::Card, card, {}, {}}, QString::fromStdString(card));
        add({OutputChoice::Kind::Jack, {}, {}, {}}, say("ports of JACK or PipeWire"));
        add({OutputChoice::Kind::Silent, {}, {}, {}}, say("nowhere (silent clock)"));
        for (const int frames : kBlockSizes) m_frames->addItem(say("%1 frames").arg(frames), frames);
        m_rate->addItem(say("the recording's"), 0);
        for (const int rate : kCardRates) m_rate->addItem(QString("%1 Hz").arg(rate), rate);
        m_transport->addItems({say("alone"), say("follows JACK's"), say("follows and leads JACK's")});

        connect(close, &QPushButton::clicked, this, &QDialog::close);
        for (auto* box : {m_to, m_frames, m_rate, m_transport})
            connect(box, &QComboBox::activated, this, &SoundOutputDialog::take);
        connect(&output, &SoundOutput::changed, this, &SoundOutputDialog::show);
        show();
    }

private:
    QComboBox* row(QFormLayout* form, const char* name, const QString& label) {
        auto* box = new QComboBox;
        box->setObjectName(name);
        box->setAccessibleName(label);
        form->addRow(label, box);
        return box;
    }
    void add(const OutputChoice& what, const QString& text) {
        m_choices.push_back(what);
        m_to->addItem(text);
    }
    void take() {
        OutputChoice choice = m_choices[size_t(m_to->currentIndex())];
        choice.frames = m_frames->currentData().toInt();
        choice.rate = m_rate->currentData().toInt();
        choice.transport = TransportUse(m_transport->currentIndex());
        m_output.choose(choice);
        show();
    }
    void show() {
        const OutputChoice& now = m_output.choice();
        const auto same = [&](const OutputChoice& c) { return c.kind == now.kind && c.card == now.card; };
        auto at = std::ranges::find_if(m_choices, same);
        if (at == m_choices.end()) {  // a card that is not there now stays chosen
            add(now, QString::fromStdString(now.card) + say(" (not there)"));
            at = m_choices.end() - 1;
        }
        m_to->setCurrentIndex(int(at - m_choices.begin()));
        m_frames->setCurrentIndex(m_frames->findData(now.frames));
        m_transport->setCurrentIndex(int(now.transport));
        m_rate->setCurrentIndex(m_rate->findData(now.rate));
        for (auto* box : {m_frames, m_rate})
            box->setEnabled(now.kind == OutputChoice::Kind::Default || now.kind == OutputChoice::Kind::Card);
        m_transport->setEnabled(now.kind == OutputChoice::Kind::Jack);
        m_state->setText(m_output.state());
        m_state->setStyleSheet(theme::sheet(m_output.silentInstead() ? "color: @attention" : "color: @quiet"));
    }

    SoundOutput& m_output;
    QComboBox *m_to, *m_frames, *m_rate, *m_transport;
    QLabel* m_state;
    std::vector<OutputChoice> m_choices;
};

}  // namespace

void openSoundOutputDialog(SoundOutput& output, QWidget* parent) {
    (new SoundOutputDialog(output, parent))->QDialog::show();
}

}  // namespace rivlen

#include "app/hearing/SoundOutputDialog.h"

#include <QComboBox>
#include <QDialog>
#include <QFormLayout>
#include <QVBoxLayout>

#include "app/widgets/PanelParts.h"

namespace rivlen {

namespace {

class SoundOutputDialog : public QDialog {
public:
    SoundOutputDialog(SoundOutput& output, QWidget* parent) : QDialog(parent), m_output(output) {
        setObjectName("soundOutput");
        setWindowTitle("Sound output");
        setAttribute(Qt::WA_DeleteOnClose);
        setMinimumWidth(520);
        auto* column = new QVBoxLayout(this);
        auto* form = new QFormLayout;
        column->addLayout(form);
        m_to = row(form, "outputTo", "Sound goes to");
        m_frames = row(form, "outputFrames", "Block");
        m_frames->setToolTip("Shorter answers sooner; longer is safer on a busy machine. JACK has its own");
        m_transport = row(form, "outputTransport", "Transport");
        m_transport->setToolTip("JACK's transport is shared by all programs that are connected to the same server");
        m_state = addPageText(column);
        m_state->setObjectName("outputState");
        column->addStretch();
        auto* close = makeSmallButton("outputClose", "Close", "What is chosen is in use already");
        auto* buttons = new QHBoxLayout;
        buttons->addStretch();
        buttons->addWidget(close);
        column->addLayout(buttons);

        add({}, "the default sound card");
        for (const auto& card : soundCards())
            add({OutputChoice::Kind::Card, card, {}, {}}, QString::fromStdString(card));
        add({OutputChoice::Kind::Jack, {}, {}, {}}, "ports of JACK or PipeWire");
        add({OutputChoice::Kind::Silent, {}, {}, {}}, "nowhere (silent clock)");
        for (const int frames : kBlockSizes) m_frames->addItem(QString("%1 frames").arg(frames), frames);
        m_transport->addItems({"alone", "follows JACK's", "follows and leads JACK's"});

        connect(close, &QPushButton::clicked, this, &QDialog::close);
        for (auto* box : {m_to, m_frames, m_transport})
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
        choice.transport = TransportUse(m_transport->currentIndex());
        m_output.choose(choice);
        show();
    }
    void show() {
        const OutputChoice& now = m_output.choice();
        const auto same = [&](const OutputChoice& c) { return c.kind == now.kind && c.card == now.card; };
        auto at = std::ranges::find_if(m_choices, same);
        if (at == m_choices.end()) {  // a card that is not there now stays chosen
            add(now, QString::fromStdString(now.card) + " (not there)");
            at = m_choices.end() - 1;
        }
        m_to->setCurrentIndex(int(at - m_choices.begin()));
        m_frames->setCurrentIndex(m_frames->findData(now.frames));
        m_transport->setCurrentIndex(int(now.transport));
        m_frames->setEnabled(now.kind == OutputChoice::Kind::Default || now.kind == OutputChoice::Kind::Card);
        m_transport->setEnabled(now.kind == OutputChoice::Kind::Jack);
        m_state->setText(m_output.state());
        m_state->setStyleSheet(theme::sheet(m_output.silentInstead() ? "color: @attention" : "color: @quiet"));
    }

    SoundOutput& m_output;
    QComboBox *m_to, *m_frames, *m_transport;
    QLabel* m_state;
    std::vector<OutputChoice> m_choices;
};

}  // namespace

void openSoundOutputDialog(SoundOutput& output, QWidget* parent) {
    (new SoundOutputDialog(output, parent))->QDialog::show();
}

}  // namespace rivlen

#include <QComboBox>
#include <QFileDialog>
#include <QPushButton>

#include "app/stages/StagePanel.h"

namespace rivlen {

namespace {

class DispatchPanel : public StagePanel {
public:
    explicit DispatchPanel(Controller& controller) : StagePanel(controller, "What leaves the house, and does it conform?") {
        addHeading("Stems of this reel");
        m_settings = addText();
        m_format = new QComboBox;
        m_format->setObjectName("format");
        m_format->addItem("WAV, 32-bit float (sums exactly)", QStringList{"wav", "32f"});
        m_format->addItem("WAV, 24 bit", QStringList{"wav", "24"});
        m_format->addItem("FLAC, 24 bit", QStringList{"flac", "24"});
        m_column->addWidget(m_format);
        m_export = new QPushButton("Export stems to a folder…");
        m_export->setObjectName("export");
        m_export->setToolTip("Dialogue, music and ambience as three files, aligned to the sample; nothing is overwritten (Ctrl+E)");
        m_column->addWidget(m_export);
        m_column->addSpacing(12);
        addText("Not built yet: deliverables with loudness targets and checks, the video with its new sound, reports, a queue.");
        m_column->addStretch();
        connect(m_export, &QPushButton::clicked, this, [this] {
            const QString folder = QFileDialog::getExistingDirectory(this, "Export stems to");
            const QStringList words = m_format->currentData().toStringList();
            if (!folder.isEmpty()) m_controller.exportStems(folder, AudioFormat::parse(words[0].toStdString(), words[1].toStdString()));
        });
        refresh();
    }

    void refresh() override {
        const Reel* reel = m_controller.reel();
        const ReelState* s = m_controller.currentState();
        const bool ready = reel && s->stems && s->stems->finished();
        m_export->setEnabled(ready);
        m_format->setEnabled(ready);
        if (!ready) {
            m_settings->setText("Split the reel first; then its stems can be exported.");
            return;
        }
        QStringList values;
        for (const auto& p : isolationParameters())
            values << QString("%1 %2").arg(p.name, QString::fromStdString(describeValue(p, reel->course().base.*p.value)));
        const QString name = QString::fromStdString(reel->name), stem = QString::fromStdString(reel->stem);
        QString text = QString("%1.dialogue, %1.music and %1.ambience at the strength weighed for the %2: %3").arg(name, stem, values.join(", "));
        if (!reel->course().constant()) text += ", changing over time";
        text += QString(". What the %1 keeps, the others give up.").arg(stem);
        if (reel->course().uses("balance")) text += QString(" And %1.result: the %2 with its Balance.").arg(name, stem);
        m_settings->setText(text);
    }

private:
    QLabel* m_settings;
    QComboBox* m_format;
    QPushButton* m_export;
};

}  // namespace

StagePanel* makeDispatchPanel(Controller& controller) { return new DispatchPanel(controller); }

}  // namespace rivlen

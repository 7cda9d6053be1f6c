#include <QFileDialog>
#include <QHBoxLayout>
#include <QListWidget>
#include <QPushButton>
#include <QSignalBlocker>
#include <cmath>

#include "app/stages/StagePanel.h"
#include "core/audio/Timecode.h"

namespace rivlen {

namespace {

class IntakePanel : public StagePanel {
public:
    explicit IntakePanel(Controller& controller) : StagePanel(controller, "What do I have, and what is wrong with it?") {
        auto* row = new QHBoxLayout;
        auto* add = new QPushButton("Add recordings…");
        add->setObjectName("addRecordings");
        add->setToolTip("Audio or video files (Ctrl+I), or drop them on the window");
        m_remove = new QPushButton("Remove");
        m_remove->setToolTip("Takes the reel out of the session; its file stays where it is");
        row->addWidget(add, 1);
        row->addWidget(m_remove);
        m_column->addLayout(row);
        m_list = new QListWidget;
        m_list->setObjectName("reels");
        m_list->setAccessibleName("Reels of this session");
        m_list->setMinimumHeight(110);
        m_column->addWidget(m_list, 1);
        m_find = new QPushButton("Find the missing file…");
        m_column->addWidget(m_find);
        m_name = addHeading("");
        m_facts = addText();
        m_facts->setObjectName("facts");
        m_facts->setTextFormat(Qt::RichText);
        m_heading = addHeading("Faults");
        m_findings = new QListWidget;
        m_findings->setObjectName("findings");
        m_findings->setAccessibleName("Faults of this reel");
        m_findings->setStyleSheet("QListWidget::item { padding: 3px 6px; }");
        m_findings->setToolTip("A click or Return plays a fault in a loop");
        m_column->addWidget(m_findings, 1);
        m_about = addText();
        m_about->setObjectName("faultabout");
        m_about->setMinimumHeight(50);
        m_about->setAlignment(Qt::AlignTop);
        connect(m_findings, &QListWidget::itemClicked, this, [this] { hear(m_findings->currentRow()); });
        connect(m_findings, &QListWidget::itemActivated, this, [this] { hear(m_findings->currentRow()); });
        connect(m_findings, &QListWidget::currentRowChanged, this, &IntakePanel::explain);
        connect(add, &QPushButton::clicked, this, [this] {
            m_controller.addFiles(QFileDialog::getOpenFileNames(this, "Add recordings"));
        });
        connect(m_remove, &QPushButton::clicked, this, [this] { if (m_controller.reel()) m_controller.removeReel(m_controller.reel()->id); });
        connect(m_find, &QPushButton::clicked, this, [this] {
            const QString file = QFileDialog::getOpenFileName(this, "Find " + QString::fromStdString(m_controller.reel()->source.filename().string()));
            if (!file.isEmpty()) m_controller.relink(m_controller.reel()->id, file);
        });
        connect(m_list, &QListWidget::currentRowChanged, this, [this](int r) {
            if (r >= 0 && r < int(m_controller.session().reels.size())) m_controller.selectReel(m_controller.session().reels[size_t(r)].id);
        });
        refresh();
    }

    void refresh() override {
        const Session& session = m_controller.session();
        const QSignalBlocker quiet(m_list);
        while (m_list->count() > int(session.reels.size())) delete m_list->takeItem(m_list->count() - 1);
        for (size_t i = 0; i < session.reels.size(); ++i) {
            const Reel& r = session.reels[i];
            const ReelState& s = m_controller.state(r.id);
            QString text = QString::fromStdString(r.name);
            if (s.missing) text += "  –  file missing";
            else if (s.info) text += "  –  " + QString::fromStdString(formatDuration(s.info->duration()));
            if (int(i) >= m_list->count()) m_list->addItem(text);
            else m_list->item(int(i))->setText(text);
            if (r.id == session.current) m_list->setCurrentRow(int(i));
        }
        const Reel* reel = m_controller.reel();
        const ReelState* state = m_controller.currentState();
        m_remove->setEnabled(reel);
        m_find->setVisible(reel && state->missing);
        m_name->setText(reel ? QString::fromStdString(reel->name) : "");
        m_facts->setText(reel ? describe(*reel, *state) : "No reels yet: add recordings or drop them here.");
        showFindings(reel, state);
    }

private:
    const std::vector<Finding>* findings() const {
        const ReelState* state = m_controller.reel() ? m_controller.currentState() : nullptr;
        return state && state->diagnosis ? &state->diagnosis->findings : nullptr;
    }

    void showFindings(const Reel* reel, const ReelState* state) {
        const auto* all = findings();
        m_heading->setText(!reel ? "" : !all ? (state->missing ? "" : "Looking for faults…") : all->empty() ? "No faults were found" : all->size() == 1 ? "One fault" : QString("%1 faults").arg(all->size()));
        m_findings->setVisible(all && !all->empty());
        QStringList lines;
        if (all)
            for (const auto& f : *all) {
                const bool whole = f.to - f.from > 0.9 * state->info->duration();
                lines << QString::fromStdString(rivlen::describe(f)) + (whole ? QString() : QString("  –  %1").arg(QString::fromStdString(formatTime(f.from)).chopped(2)));
            }
        QStringList shown;
        for (int i = 0; i < m_findings->count(); ++i) shown << m_findings->item(i)->text();
        if (shown == lines) return;
        const QSignalBlocker quiet(m_findings);
        m_findings->clear();
        m_findings->addItems(lines);
        explain(-1);
    }

    void explain(int row) {
        const auto* all = findings();
        if (!all || row < 0 || row >= int(all->size())) {
            m_about->setText(all && !all->empty() ? "Choose one to hear it and read what it is." : "The source is only ever read.");
            return;
        }
        const Finding& f = (*all)[size_t(row)];
        const auto& entry = entryOf(f.kind);
        m_about->setText(QString("%1 %2 % sure.%3").arg(entry.explanation).arg(std::lround(100 * f.confidence))
                             .arg(*entry.treatment ? QString(" Proposed: %1 (rivlen-cli treat).").arg(entry.treatment) : QString()));
    }

    void hear(int row) {
        const auto* all = findings();
        if (!all || row < 0 || row >= int(all->size())) return;
        const Finding& f = (*all)[size_t(row)];
        const double end = m_controller.currentState()->info->duration(), middle = f.from + 2 > f.to ? (f.from + f.to) / 2 : f.from + 1;
        m_controller.hear(Heard::Source);
        m_controller.audition(std::max(0.0, std::min(f.from, middle - 1)), std::min({end, std::max(f.to, middle + 1), f.from + 10}));
    }

    static QString describe(const Reel& reel, const ReelState& s) {
        if (s.missing)
            return QString("The file %1 is not there. Connect its disk, or find it.").arg(QString::fromStdString(reel.source.string()).toHtmlEscaped());
        if (!s.info) return "Reading…";
        const MediaInfo& i = *s.info;
        QStringList rows;
        const auto add = [&rows](const QString& name, const QString& value) {
            rows << QString("<tr><td style='padding-right:14px'>%1</td><td style='color:#ece4d6'>%2</td></tr>").arg(name, value);
        };
        add("Length", QString::fromStdString(formatTime(i.duration())));
        add("Sound", QString("%1 kHz, %2, %3").arg(i.sampleRate / 1000.0).arg(QString::fromStdString(i.layout), QString::fromStdString(i.codec)));
        if (i.timecode) add("Timecode", QString::fromStdString(*i.timecode));
        if (i.picture) add("Picture", QString("%1×%2, %3 frames/s").arg(i.picture->width).arg(i.picture->height).arg(i.picture->fps, 0, 'g', 5));
        if (s.inspection) {
            const auto number = [](double v, const char* unit) { return std::isfinite(v) && v > -190 ? QString("%1 %2").arg(v, 0, 'f', 1).arg(unit) : QString("silent"); };
            add("Loudness", number(s.inspection->integratedLufs, "LUFS"));
            add("True peak", number(s.inspection->truePeakDbtp, "dBTP"));
            add("Noise floor", number(s.inspection->noiseFloorDbfs, "dBFS"));
        }
        if (s.diagnosis && s.diagnosis->content)
            add("Holds", *s.diagnosis->content == Content::Speech ? "speech" : *s.diagnosis->content == Content::Music ? "music" : "speech and other sound");
        return "<table cellspacing=3>" + rows.join("") + "</table>";
    }

    QListWidget* m_list;
    QPushButton *m_remove, *m_find;
    QLabel *m_name, *m_facts, *m_heading, *m_about;
    QListWidget* m_findings;
};

}  // namespace

StagePanel* makeIntakePanel(Controller& controller) { return new IntakePanel(controller); }

}  // namespace rivlen

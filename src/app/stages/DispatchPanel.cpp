#include <QCheckBox>
#include <QComboBox>
#include <QFileDialog>
#include <QGridLayout>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QPushButton>
#include <QSignalBlocker>

#include "app/stages/StagePanel.h"
#include "app/views/PanelParts.h"

namespace rivlen {

namespace {

class DispatchPanel : public StagePanel {
public:
    DispatchPanel(Controller& controller, Desks& desks) : StagePanel(controller, "What leaves the house, and does it conform?"), m_desk(desks.dispatch) {
        m_column->takeAt(1);
        auto* top = new QHBoxLayout;
        auto* heading = new QLabel("Deliverables");
        heading->setFont(theme::font(13, QFont::DemiBold));
        auto* sets = makeSmallButton("deliverysets", "Sets", "Deliverables for common destinations, to begin with");
        auto* menu = new QMenu(sets);
        for (size_t i = 0; i < shippedDeliveries().size(); ++i) menu->addAction(QString("%1: %2").arg(shippedDeliveries()[i].name, shippedDeliveries()[i].purpose), this, [this, i] { m_desk.useSet(i); });
        sets->setMenu(menu);
        auto* add = makeSmallButton("adddeliverable", "Add", "Another one, like the chosen one");
        auto* remove = makeSmallButton("removedeliverable", "Remove", "Takes the chosen one out of the session");
        top->addWidget(heading, 1);
        for (auto* b : {sets, add, remove}) top->addWidget(b);
        m_column->addLayout(top);
        m_list = new QListWidget;
        m_list->setObjectName("deliverables");
        m_list->setAccessibleName("Deliverables");
        m_list->setStyleSheet("QListWidget::item { padding: 3px 6px; }");
        m_column->addWidget(m_list, 2);
        auto* grid = new QGridLayout;
        grid->setVerticalSpacing(4);
        int row = 0;
        const auto place = [&](const QString& label, QWidget* w, const char* name, const QString& tip) {
            w->setObjectName(name);
            w->setAccessibleName(label);
            w->setToolTip(tip);
            grid->addWidget(new QLabel(label), row, 0);
            grid->addWidget(w, row++, 1);
        };
        place("Name", m_name = new QLineEdit, "deliveryname", "Unique in the session");
        m_holds = new QComboBox;
        for (const auto& c : deliveryContents()) m_holds->addItem(c.name, c.id);
        place("Holds", m_holds, "holds", "Which lanes of the rebuild");
        m_strength = new QComboBox;
        m_strength->addItem("the reel's own", "");
        for (char c = 'A'; c < 'A' + kCandidates; ++c) m_strength->addItem(QString("candidate %1").arg(c), QString(c));
        place("Strength", m_strength, "strength", "At which strength the stems are: natural and fully isolated versions of the same reel");
        place("Loudness", m_loudness = new QLineEdit, "loudness", "LUFS integrated that it is brought to (EBU R 128 asks for -23); empty: as it is");
        place("Ceiling", m_ceiling = new QLineEdit, "ceiling", "dBTP that no peak may pass; a limiter holds it where it must");
        m_format = new QComboBox;
        for (const auto& f : storageTable()) {
            if (!f.lossless) {
                m_format->addItem(f.name, QVariantList{f.id, 24});
                continue;
            }
            for (int bits : {16, 24, 32})
                if (bits < 32 || f.storage != Storage::Flac) m_format->addItem(QString("%1, %2").arg(f.name, bits == 32 ? QString("32-bit float") : QString("%1 bit").arg(bits)), QVariantList{f.id, bits});
        }
        place("Format", m_format, "deliveryformat", "Lossy ones are for listening only");
        m_rate = new QComboBox;
        m_rate->addItem("the reel's own", 0);
        for (int rate : {44100, 48000, 88200, 96000, 192000}) m_rate->addItem(QString("%1 kHz").arg(rate / 1000.0), rate);
        place("Rate", m_rate, "deliveryrate", "Sample rate of the file");
        QStringList tokens;
        for (const auto& [token, what] : fileNameTokens()) tokens << QString("{%1}: %2").arg(token, what);
        place("File name", m_file = new QLineEdit, "filename", "Tokens:\n" + tokens.join("\n"));
        m_column->addLayout(grid);
        m_preview = addText();
        m_preview->setObjectName("filepreview");
        auto* go = new QHBoxLayout;
        m_all = new QCheckBox("All reels");
        m_all->setObjectName("allreels");
        m_go = new QPushButton("Dispatch…");
        m_go->setObjectName("dispatch");
        m_go->setToolTip("Chooses a folder, makes the ticked deliverables, checks them and writes a report beside them; nothing is overwritten");
        go->addWidget(m_go, 1);
        go->addWidget(m_all);
        m_column->addLayout(go);
        m_results = new QListWidget;
        m_results->setObjectName("results");
        m_results->setAccessibleName("What was delivered");
        m_results->setStyleSheet("QListWidget::item { padding: 2px 6px; }");
        m_column->addWidget(m_results, 2);
        auto* stems = new QHBoxLayout;
        m_stemFormat = new QComboBox;
        m_stemFormat->setObjectName("format");
        m_stemFormat->addItem("WAV, 32-bit float", QStringList{"wav", "32f"});
        m_stemFormat->addItem("WAV, 24 bit", QStringList{"wav", "24"});
        m_stemFormat->addItem("FLAC, 24 bit", QStringList{"flac", "24"});
        m_export = new QPushButton("Export stems…");
        m_export->setObjectName("export");
        stems->addWidget(m_export);
        stems->addWidget(m_stemFormat, 1);
        m_column->addLayout(stems);

        connect(add, &QPushButton::clicked, &m_desk, &DispatchDesk::add);
        connect(remove, &QPushButton::clicked, &m_desk, &DispatchDesk::remove);
        connect(m_list, &QListWidget::currentRowChanged, this, [this](int i) { if (i >= 0) m_desk.choose(i); });
        connect(m_list, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) { m_desk.setOn(m_list->row(item), item->checkState() == Qt::Checked); });
        typed(m_name, "Name deliverable", [](Deliverable& d, const QString& t) { if (!t.isEmpty()) d.name = t.toStdString(); });
        typed(m_file, "File name", [](Deliverable& d, const QString& t) { d.fileName = t.toStdString(); });
        typed(m_loudness, "Loudness", [this](Deliverable& d, const QString& t) {
            if (t.isEmpty()) return d.loudness.reset();
            if (const auto v = figure(t, -60, 0, "Loudness")) d.loudness = *v;
        });
        typed(m_ceiling, "Ceiling", [this](Deliverable& d, const QString& t) { if (const auto v = figure(t, -30, 0, "Ceiling")) d.ceiling = *v; });
        connect(m_holds, &QComboBox::activated, this, [this](int i) { m_desk.edit("What it holds", [&](Deliverable& d) { d.holds = m_holds->itemData(i).toString().toStdString(); }); });
        connect(m_strength, &QComboBox::activated, this, [this](int i) { m_desk.edit("Strength", [&](Deliverable& d) { d.candidate = m_strength->itemData(i).toString().toStdString(); }); });
        connect(m_rate, &QComboBox::activated, this, [this](int i) { m_desk.edit("Rate", [&](Deliverable& d) { d.sampleRate = m_rate->itemData(i).toInt(); }); });
        connect(m_format, &QComboBox::activated, this, [this](int i) {
            const auto data = m_format->itemData(i).toList();
            m_desk.edit("Format", [&](Deliverable& d) {
                for (const auto& f : storageTable())
                    if (data[0].toString() == f.id) d.storage = f.storage;
                d.bits = data[1].toInt();
            });
        });
        connect(m_go, &QPushButton::clicked, this, [this] {
            if (m_desk.busy()) return m_desk.cancel();
            if (const QString folder = QFileDialog::getExistingDirectory(this, "Dispatch to"); !folder.isEmpty()) m_desk.dispatch(folder, m_all->isChecked());
        });
        connect(m_export, &QPushButton::clicked, this, [this] {
            const QString folder = QFileDialog::getExistingDirectory(this, "Export stems to");
            const QStringList words = m_stemFormat->currentData().toStringList();
            if (!folder.isEmpty()) m_controller.exportStems(folder, AudioFormat::parse(words[0].toStdString(), words[1].toStdString()));
        });
        connect(&m_desk, &DispatchDesk::changed, this, &DispatchPanel::refresh);
        refresh();
    }

    void refresh() override {
        const QSignalBlocker a(m_list), b(m_holds), c(m_strength), e(m_format), f(m_rate);
        const auto& all = m_desk.deliverables();
        while (m_list->count() > int(all.size())) delete m_list->takeItem(m_list->count() - 1);
        while (m_list->count() < int(all.size())) m_list->addItem("");
        for (int i = 0; i < m_list->count(); ++i) {
            const Deliverable& d = all[size_t(i)];
            auto* item = m_list->item(i);
            item->setFlags(item->flags() | Qt::ItemIsUserCheckable);
            item->setCheckState(d.on ? Qt::Checked : Qt::Unchecked);
            item->setText(QString("%1   %2%3").arg(QString::fromStdString(d.name), storageFacts(d.storage).name, d.loudness ? QString(", %1 LUFS").arg(*d.loudness) : QString()));
            item->setToolTip(deliveryContent(d.holds).explanation);
        }
        m_list->setCurrentRow(m_desk.chosen());
        const bool any = m_desk.chosen() >= 0 && m_desk.chosen() < int(all.size());
        if (any) {
            const Deliverable& d = all[size_t(m_desk.chosen())];
            const auto show = [](QLineEdit* box, const QString& text) { if (!box->hasFocus() || !box->isModified()) box->setText(text); };
            show(m_name, QString::fromStdString(d.name));
            show(m_file, QString::fromStdString(d.fileName));
            show(m_loudness, d.loudness ? QString("%1 LUFS").arg(*d.loudness, 0, 'f', 1) : QString());
            m_loudness->setPlaceholderText("as it is");
            show(m_ceiling, QString("%1 dBTP").arg(d.ceiling, 0, 'f', 1));
            m_ceiling->setEnabled(d.loudness.has_value());
            m_holds->setCurrentIndex(std::max(0, m_holds->findData(QString::fromStdString(d.holds))));
            m_strength->setCurrentIndex(std::max(0, m_strength->findData(QString::fromStdString(d.candidate))));
            m_rate->setCurrentIndex(std::max(0, m_rate->findData(d.sampleRate)));
            for (int i = 0; i < m_format->count(); ++i) {
                const auto data = m_format->itemData(i).toList();
                if (data[0].toString() == storageFacts(d.storage).id && (!storageFacts(d.storage).lossless || data[1].toInt() == d.bits)) m_format->setCurrentIndex(i);
            }
        }
        m_preview->setText(m_desk.preview());
        m_go->setEnabled(m_controller.reel() != nullptr);
        m_go->setText(m_desk.busy() ? "Cancel" : "Dispatch…");
        const ReelState* s = m_controller.currentState();
        const bool stems = m_controller.reel() && s->stems && s->stems->finished();
        m_export->setEnabled(stems);
        m_stemFormat->setEnabled(stems);
        m_export->setToolTip(stems ? QString("Dialogue, music and ambience of this reel at the strength weighed for the %1, as they are without the rebuild; they sum to the recording (Ctrl+E)").arg(QString::fromStdString(m_controller.reel()->stem)) : "Split the reel first; then its stems can be exported.");
        m_results->setVisible(!m_desk.reports().empty());
        m_results->clear();
        for (const auto& r : m_desk.reports()) {
            QStringList facts;
            if (r.integrated) facts << QString("%1 LUFS").arg(*r.integrated, 0, 'f', 1);
            if (r.truePeak) facts << QString("%1 dBTP").arg(*r.truePeak, 0, 'f', 1);
            QStringList checks;
            for (const auto& check : r.checks) {
                checks << QString("%1 %2: %3").arg(check.passed ? QChar(0x2713) : QChar(0x2717)).arg(QString::fromStdString(check.name), QString::fromStdString(check.detail));
                if (!check.passed) facts << QString::fromStdString(check.name) + " failed";
            }
            auto* item = new QListWidgetItem(QString("%1 %2\n     %3").arg(r.heldBack ? QChar(0x2717) : QChar(0x2713)).arg(QString::fromStdString(r.path.filename().string()), facts.join(", ")));
            item->setForeground(r.heldBack ? theme::attention : theme::ink);
            item->setToolTip(checks.join("\n"));
            m_results->addItem(item);
        }
    }

private:
    template <typename Set>
    void typed(QLineEdit* box, const QString& name, Set set) {
        connect(box, &QLineEdit::editingFinished, this, [this, box, name, set] {
            if (!box->isModified()) return;
            box->setModified(false);
            const QString text = box->text().trimmed();
            m_desk.edit(name, [&](Deliverable& d) { set(d, text); });
            refresh();
        });
    }

    std::optional<double> figure(QString text, double low, double high, const QString& name) {
        text.remove("LUFS").remove("dBTP");
        bool good = false;
        const double v = text.trimmed().toDouble(&good);
        if (good && v >= low && v <= high) return v;
        emit m_controller.notice(QString("\"%1\" is not a value for %2: give %3 to %4.").arg(text.trimmed(), name).arg(low).arg(high));
        return std::nullopt;
    }

    DispatchDesk& m_desk;
    QListWidget *m_list, *m_results;
    QLineEdit *m_name, *m_loudness, *m_ceiling, *m_file;
    QComboBox *m_holds, *m_strength, *m_format, *m_rate, *m_stemFormat;
    QCheckBox* m_all;
    QPushButton *m_go, *m_export;
    QLabel* m_preview;
};

}  // namespace

StagePanel* makeDispatchPanel(Controller& controller, Desks& desks) { return new DispatchPanel(controller, desks); }

}  // namespace rivlen

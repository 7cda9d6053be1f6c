#include "app/views/RetouchControls.h"

#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <cmath>

#include "app/views/PanelParts.h"
#include "app/views/PlainRow.h"
#include "core/audio/Timecode.h"

namespace rivlen {

namespace {

/// The choices of what is done, with whom it is given to.
struct Choice {
    const char* text;
    Retouch::Action action;
    int to;
};
constexpr Choice kChoices[] = {{"Give to the dialogue", Retouch::Action::Give, 0}, {"Give to the music", Retouch::Action::Give, 1}, {"Give to the ambience", Retouch::Action::Give, 2},
                               {"Attenuate", Retouch::Action::Attenuate, 0}, {"Heal from its surroundings", Retouch::Action::Heal, 0}};

}  // namespace

RetouchControls::RetouchControls(RebuildDesk& desk, RetouchTool& tool, QWidget* parent) : QWidget(parent), m_desk(desk), m_tool(tool) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    m_active = new QCheckBox("Mark areas on the Ownership picture");
    m_active->setObjectName("retouch");
    m_active->setToolTip("While it is on, dragging over the picture marks an area instead of setting the loop");
    column->addWidget(m_active);
    m_kind = new QComboBox;
    m_kind->setObjectName("retouchkind");
    m_kind->setAccessibleName("How an area is marked");
    m_kind->addItems({"Rectangle", "Lasso", "Brush"});
    m_stem = new QComboBox;
    m_stem->setObjectName("retouchstem");
    m_stem->setAccessibleName("Whose sound is touched");
    m_stem->addItems({"in the dialogue", "in the music", "in the ambience"});
    auto* row = new QHBoxLayout;
    row->addWidget(m_kind, 1);
    row->addWidget(m_stem, 1);
    column->addLayout(row);
    m_action = new QComboBox;
    m_action->setObjectName("retouchaction");
    m_action->setAccessibleName("What is done");
    for (const auto& c : kChoices) m_action->addItem(c.text);
    m_action->setCurrentIndex(2);
    column->addWidget(m_action);
    m_amount = makePlainRow("retouchamount", "Amount", "", 0, 100, 1, 100, 0, "How much of it: per cent, or decibels down where it is attenuated.");
    m_harmonics = makePlainRow("retouchharmonics", "Harmonics", "", 1, 30, 1, 1, 0, "So many multiples of the marked frequencies belong to it: for hums, whistles and horns.");
    m_width = makePlainRow("brushwidth", "Brush width", "s", 0.01, 0.5, 0.01, 0.05, 2, "Half the width of the brush in time.");
    m_height = makePlainRow("brushheight", "Brush height", "oct", 0.02, 2, 0.02, 0.2, 2, "Half the height of the brush in octaves.");
    for (auto* r : {m_amount, m_harmonics, m_width, m_height}) {
        connect(r, &ValueRow::refused, this, [this](const QString& why) { m_desk.tell(why); });
        column->addWidget(r);
    }
    addPageHeading(column, "Retouches");
    m_list = new QListWidget;
    m_list->setObjectName("retouches");
    m_list->setAccessibleName("Retouches");
    m_list->setStyleSheet("QListWidget::item { padding: 3px 6px; }");
    column->addWidget(m_list, 1);
    m_remove = makeSmallButton("removeretouch", "Remove", "Takes the chosen retouch away");
    column->addWidget(m_remove, 0, Qt::AlignLeft);
    addPageText(column, "What changes owner is conserved: the stems still sum to the recording. What is attenuated or healed is changed in both.");

    connect(m_active, &QCheckBox::toggled, this, [this] { take(); });
    for (auto* box : {m_kind, m_stem, m_action}) connect(box, &QComboBox::currentIndexChanged, this, [this] { take(); });
    const auto value = [this](ValueRow* r, auto set) {
        connect(r, &ValueRow::set, this, [this, set](double v, bool) {
            set(m_tool.next, v);
            m_tool.set();
        });
    };
    value(m_amount, [](Retouch& n, double v) { n.amount = v; });
    value(m_harmonics, [](Retouch& n, double v) { n.area.harmonics = int(v); });
    value(m_width, [](Retouch& n, double v) { n.area.brushSeconds = v; });
    value(m_height, [](Retouch& n, double v) { n.area.brushOctaves = v; });
    connect(m_remove, &QPushButton::clicked, this, [this] {
        const int i = m_list->currentRow();
        m_desk.edit("Remove retouch", [i](Rebuild& r) {
            if (i >= 0 && i < int(r.retouches.size())) r.retouches.erase(r.retouches.begin() + i);
        });
    });
    connect(m_list, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
        const int i = m_list->row(item);
        const bool on = item->checkState() == Qt::Checked;
        m_desk.edit(on ? "Retouch on" : "Retouch off", [i, on](Rebuild& r) {
            if (i < int(r.retouches.size())) r.retouches[size_t(i)].on = on;
        });
    });
    connect(&tool, &RetouchTool::changed, this, &RetouchControls::refresh);
    connect(&desk, &RebuildDesk::changed, this, &RetouchControls::refresh);
    take();
}

void RetouchControls::take() {
    const Choice& c = kChoices[m_action->currentIndex()];
    Retouch& next = m_tool.next;
    if (next.action != c.action) next.amount = c.action == Retouch::Action::Attenuate ? 18 : 100;
    next.action = c.action;
    next.to = c.to;
    next.stem = m_stem->currentIndex();
    next.area.kind = Area::Kind(m_kind->currentIndex());
    m_tool.active = m_active->isChecked();
    m_tool.set();
}

void RetouchControls::refresh() {
    setEnabled(m_desk.ready());
    const Retouch& next = m_tool.next;
    m_amount->show(next.amount, next.action == Retouch::Action::Attenuate ? QString("%1 dB").arg(next.amount, 0, 'f', 0) : QString("%1 %").arg(next.amount, 0, 'f', 0));
    m_harmonics->show(next.area.harmonics);
    m_width->show(next.area.brushSeconds);
    m_height->show(next.area.brushOctaves);
    m_width->setUsable(next.area.kind == Area::Kind::Brush);
    m_height->setUsable(next.area.kind == Area::Kind::Brush);
    const QSignalBlocker quiet(m_list);
    const auto& all = m_desk.rebuild().retouches;
    const int row = m_list->currentRow();
    m_list->clear();
    for (const auto& r : all) {
        static const char* stems[] = {"dialogue", "music", "ambience"};
        const QString what = r.action == Retouch::Action::Give ? QString("%1 to %2").arg(stems[r.stem], stems[r.to]) : QString("%1 %2").arg(stems[r.stem], r.action == Retouch::Action::Heal ? "healed" : "attenuated");
        auto* item = new QListWidgetItem(QString("%1  %2").arg(QString::fromStdString(formatTime(r.area.span().first)), what));
        item->setFlags(item->flags() | Qt::ItemIsUserCheckable);
        item->setCheckState(r.on ? Qt::Checked : Qt::Unchecked);
        m_list->addItem(item);
    }
    m_list->setCurrentRow(std::min(row, m_list->count() - 1));
    m_remove->setEnabled(!all.empty());
}

}  // namespace rivlen

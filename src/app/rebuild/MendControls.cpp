#include "app/rebuild/MendControls.h"

#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <cmath>

#include "app/widgets/PanelParts.h"
#include "app/widgets/PlainRow.h"
#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

namespace {

/// The choices of what is done, with whom it is given to.
struct Choice {
    const char* text;
    Mend::Action action;
    int to;
};
constexpr Choice kChoices[] = {{QT_TRID_NOOP("Give to the dialogue"), Mend::Action::Give, 0},
                               {QT_TRID_NOOP("Give to the music"), Mend::Action::Give, 1},
                               {QT_TRID_NOOP("Give to the ambience"), Mend::Action::Give, 2},
                               {QT_TRID_NOOP("Lower"), Mend::Action::Lower, 0},
                               {QT_TRID_NOOP("Heal from its surroundings"), Mend::Action::Heal, 0}};

}  // namespace

MendControls::MendControls(RebuildDesk& desk, MendTool& tool, QWidget* parent)
    : QWidget(parent), m_desk(desk), m_tool(tool) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    m_active = new QCheckBox(say("Mark areas on the Ownership picture"));
    m_active->setObjectName("mend");
    m_active->setToolTip(say("While it is on, dragging over the picture marks an area instead of setting the loop"));
    column->addWidget(m_active);
    m_kind = new QComboBox;
    m_kind->setObjectName("mendkind");
    m_kind->setAccessibleName(say("How an area is marked"));
    m_kind->addItems({say("Rectangle"), say("Lasso"), say("Brush")});
    m_stem = new QComboBox;
    m_stem->setObjectName("mendstem");
    m_stem->setAccessibleName(say("Whose sound is touched"));
    m_stem->addItems({say("in the dialogue"), say("in the music"), say("in the ambience")});
    auto* row = new QHBoxLayout;
    row->addWidget(m_kind, 1);
    row->addWidget(m_stem, 1);
    column->addLayout(row);
    m_action = new QComboBox;
    m_action->setObjectName("mendaction");
    m_action->setAccessibleName(say("What is done"));
    for (const auto& c : kChoices) m_action->addItem(say(c.text));
    m_action->setCurrentIndex(2);
    column->addWidget(m_action);
    m_amount = makePlainRow("mendamount", say("Amount"), "", 0, 100, 1, 100, 0,
                            say("How much of it: per cent, or decibels down where it is lowered."));
    m_harmonics =
        makePlainRow("mendharmonics", say("Harmonics"), "", 1, 30, 1, 1, 0,
                     say("So many multiples of the marked frequencies belong to it: for hums, whistles and horns."));
    m_width = makePlainRow("brushwidth", say("Brush width"), "s", 0.01, 0.5, 0.01, 0.05, 2,
                           say("Half the width of the brush in time."));
    m_height = makePlainRow("brushheight", say("Brush height"), "oct", 0.02, 2, 0.02, 0.2, 2,
                            say("Half the height of the brush in octaves."));
    for (auto* r : {m_amount, m_harmonics, m_width, m_height}) {
        connect(r, &ValueRow::refused, this, [this](const QString& why) { m_desk.tell(why); });
        column->addWidget(r);
    }
    addPageHeading(column, say("Mends"));
    m_list = new QListWidget;
    m_list->setObjectName("mends");
    m_list->setAccessibleName(say("Mends"));
    m_list->setStyleSheet("QListWidget::item { padding: 3px 6px; }");
    column->addWidget(m_list, 1);
    m_remove = makeSmallButton("removemend", say("Remove"), say("Takes the chosen mend away"));
    column->addWidget(m_remove, 0, Qt::AlignLeft);
    addPageText(
        column,
        say("What changes owner is conserved: the stems still sum to the recording. What is lowered or healed is "
            "changed in both."));

    connect(m_active, &QCheckBox::toggled, this, [this] { take(); });
    for (auto* box : {m_kind, m_stem, m_action})
        connect(box, &QComboBox::currentIndexChanged, this, [this] { take(); });
    const auto value = [this](ValueRow* r, auto set) {
        connect(r, &ValueRow::set, this, [this, set](double v, bool) {
            set(m_tool.next, v);
            m_tool.set();
        });
    };
    value(m_amount, [](Mend& n, double v) { n.amount = v; });
    value(m_harmonics, [](Mend& n, double v) { n.area.harmonics = int(v); });
    value(m_width, [](Mend& n, double v) { n.area.brushSeconds = v; });
    value(m_height, [](Mend& n, double v) { n.area.brushOctaves = v; });
    connect(m_remove, &QPushButton::clicked, this, [this] {
        const int i = m_list->currentRow();
        m_desk.edit(say("Remove mend"), [i](Rebuild& r) {
            if (i >= 0 && i < int(r.mends.size())) r.mends.erase(r.mends.begin() + i);
        });
    });
    connect(m_list, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
        const int i = m_list->row(item);
        const bool on = item->checkState() == Qt::Checked;
        m_desk.edit(on ? say("Mend on") : say("Mend off"), [i, on](Rebuild& r) {
            if (i < int(r.mends.size())) r.mends[size_t(i)].on = on;
        });
    });
    connect(&tool, &MendTool::changed, this, &MendControls::refresh);
    connect(&desk, &RebuildDesk::changed, this, &MendControls::refresh);
    take();
}

void MendControls::take() {
    const Choice& c = kChoices[m_action->currentIndex()];
    Mend& next = m_tool.next;
    if (next.action != c.action) next.amount = c.action == Mend::Action::Lower ? 18 : 100;
    next.action = c.action;
    next.to = c.to;
    next.stem = m_stem->currentIndex();
    next.area.kind = Area::Kind(m_kind->currentIndex());
    m_tool.active = m_active->isChecked();
    m_tool.set();
}

void MendControls::refresh() {
    setEnabled(m_desk.ready());
    const Mend& next = m_tool.next;
    m_amount->show(next.amount, next.action == Mend::Action::Lower ? QString("%1 dB").arg(next.amount, 0, 'f', 0)
                                                                   : QString("%1 %").arg(next.amount, 0, 'f', 0));
    m_harmonics->show(next.area.harmonics);
    m_width->show(next.area.brushSeconds);
    m_height->show(next.area.brushOctaves);
    m_width->setUsable(next.area.kind == Area::Kind::Brush);
    m_height->setUsable(next.area.kind == Area::Kind::Brush);
    const QSignalBlocker quiet(m_list);
    const auto& all = m_desk.rebuild().mends;
    const int row = m_list->currentRow();
    m_list->clear();
    for (const auto& r : all) {
        static const char* stems[] = {QT_TRID_NOOP("dialogue"), QT_TRID_NOOP("music"), QT_TRID_NOOP("ambience")};
        const QString what =
            r.action == Mend::Action::Give
                ? say("%1: to %2").arg(say(stems[r.stem]), say(stems[r.to]))
                : (r.action == Mend::Action::Heal ? say("%1 healed") : say("%1 lowered")).arg(say(stems[r.stem]));
        auto* item =
            new QListWidgetItem(QString("%1  %2").arg(QString::fromStdString(formatTime(r.area.span().first)), what));
        item->setFlags(item->flags() | Qt::ItemIsUserCheckable);
        item->setCheckState(r.on ? Qt::Checked : Qt::Unchecked);
        m_list->addItem(item);
    }
    m_list->setCurrentRow(std::min(row, m_list->count() - 1));
    m_remove->setEnabled(!all.empty());
}

}  // namespace rivlen

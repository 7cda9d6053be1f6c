#include "app/rebuild/LaneControls.h"

#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/rebuild/LaneNames.h"
#include "app/rebuild/ParameterRow.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "core/rebuild/ReplaceMusic.h"

namespace rivlen {

LaneControls::LaneControls(RebuildDesk& desk, LaneTools& lanes, LaneCurves& curves, QWidget* parent)
    : QWidget(parent), m_desk(desk), m_lanes(lanes), m_curves(curves) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    auto* top = new QHBoxLayout;
    top->setSpacing(6);
    m_name = new QLineEdit;
    m_name->setObjectName("lanename");
    m_name->setAccessibleName(say("Name of the lane"));
    m_mute = makeSmallButton("lanemute", say("Mute"), say("Leaves it out of the mix (Shift+U)"));
    m_solo = makeSmallButton("lanesolo", say("Solo"), say("Hears it alone, with others that are soloed (Shift+S)"));
    for (auto* b : {m_mute, m_solo}) b->setCheckable(true);
    top->addWidget(m_name, 1);
    top->addWidget(m_mute);
    top->addWidget(m_solo);
    column->addLayout(top);
    for (const auto& p : stripParameters()) {
        if (m_rows.size() == 3) break;  // where it is placed is on a page of its own
        auto* row = makeParameterRow(p, QString("lane_%1").arg(p.id));
        connect(row, &ValueRow::set, this, [this, &p](double v, bool dragging) {
            m_desk.editStrip(
                say("Set %1").arg(said(p.name)), [&](Strip& s) { s.*p.value = v; },
                dragging ? std::string("strip ") + p.id : "");
        });
        connect(row, &ValueRow::released, this, [this] { m_desk.endDrag(); });
        connect(row, &ValueRow::refused, this, [this](const QString& why) { m_desk.tell(why); });
        column->addWidget(row);
        m_rows.push_back(row);
    }
    auto* group = new QHBoxLayout;
    group->addWidget(new QLabel(say("Group")));
    m_group = new QComboBox;
    m_group->setObjectName("lanegroup");
    m_group->setEditable(true);
    m_group->setInsertPolicy(QComboBox::NoInsert);
    m_group->setToolTip(say("Lanes of a group are led together: one level, one chain. Type a new name to begin one."));
    group->addWidget(m_group, 1);
    column->addLayout(group);
    auto* laneRow = new QHBoxLayout;
    laneRow->setSpacing(6);
    const auto laneButton = [&](const char* name, const QString& text, const QString& tip, auto action) {
        auto* b = makeSmallButton(name, text, tip);
        connect(b, &QPushButton::clicked, this, action);
        laneRow->addWidget(b);
        m_laneButtons << b;
    };
    laneButton("addlane", say("Add lane"), say("An empty lane below this one"), [this] { m_lanes.addLane(); });
    laneButton("laneup", say("Up"), say("Moves the lane up"), [this] { m_lanes.moveLane(-1); });
    laneButton("lanedown", say("Down"), say("Moves the lane down"), [this] { m_lanes.moveLane(1); });
    laneButton("removelane", say("Remove"), say("Takes the lane and its clips away; undo brings them back"),
               [this] { m_lanes.removeLane(); });
    laneRow->addStretch();
    column->addLayout(laneRow);
    column->addSpacing(6);
    addPageHeading(column, say("Curves over time"));
    m_automation = new QComboBox;
    m_automation->setObjectName("automation");
    m_automation->setAccessibleName(say("Curve shown on the lanes"));
    m_automation->addItem(say("Hidden"), "");
    for (const auto& p : stripParameters()) m_automation->addItem(said(p.name), p.id);
    m_automation->addItem(say("Strength of the stems"), "strength");
    m_automation->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    m_ownCurves = m_automation->count();
    column->addWidget(m_automation);
    m_hint = addPageText(column);
    auto* curveRow = new QHBoxLayout;
    curveRow->setSpacing(4);
    const auto curveButton = [&](const char* name, const QString& text, const QString& tip, auto action) {
        auto* b = makeSmallButton(name, text, tip);
        b->setStyleSheet("QPushButton { padding: 3px 7px }");
        connect(b, &QPushButton::clicked, this, action);
        curveRow->addWidget(b);
        m_curveButtons << b;
    };
    curveButton("curveup", "+", say("Raises the curve in the loop: 1 dB, or 5"), [this] { m_curves.trim(1); });
    curveButton("curvedown", "–", say("Lowers the curve in the loop: 1 dB, or 5"), [this] { m_curves.trim(-1); });
    curveButton("curvecopy", say("Copy"), say("Copies what the loop holds of the curve"), [this] { m_curves.copy(); });
    curveButton("curvepaste", say("Paste"), say("Lays what was copied at the playhead"), [this] { m_curves.paste(); });
    curveButton("curvethin", say("Thin"), say("Takes points away that are not needed"), [this] { m_curves.thin(); });
    curveButton("curveclear", say("Clear"), say("Takes the curve away; the slider holds again"),
                [this] { m_curves.set({}); });
    curveRow->addStretch();
    column->addLayout(curveRow);
    column->addStretch();

    connect(m_name, &QLineEdit::editingFinished, this, [this] {
        const std::string name = m_name->text().trimmed().toStdString();
        if (!m_name->isModified() || name.empty()) return;
        m_name->setModified(false);
        m_desk.edit(say("Name lane"), [&](Rebuild& r) {
            if (Lane* l = r.lane(m_desk.laneId())) l->name = name;
            for (auto& g : r.groups)
                if (g.id == m_desk.laneId()) g.name = name;
        });
    });
    connect(m_mute, &QPushButton::clicked, this,
            [this](bool on) { m_desk.editStrip(say("Mute lane"), [on](Strip& s) { s.mute = on; }); });
    connect(m_solo, &QPushButton::clicked, this,
            [this](bool on) { m_desk.editStrip(say("Solo lane"), [on](Strip& s) { s.solo = on; }); });
    connect(m_group, &QComboBox::activated, this,
            [this](int i) { m_lanes.setGroup(i == 0 ? QString() : m_group->itemText(i)); });
    connect(m_group->lineEdit(), &QLineEdit::editingFinished, this, [this] {
        if (!m_group->lineEdit()->isModified()) return;
        m_group->lineEdit()->setModified(false);
        m_lanes.setGroup(m_group->currentText() == say("none") ? QString() : m_group->currentText());
    });
    connect(m_automation, &QComboBox::currentIndexChanged, this, [this] {
        const QString id = m_automation->currentData().toString();
        emit strengthWanted(id == "strength");
        m_curves.show(id == "strength" ? "" : id.toStdString());
    });
    connect(&desk, &RebuildDesk::changed, this, &LaneControls::refresh);
    refresh();
}

void LaneControls::refresh() {
    setEnabled(m_desk.ready());
    const Strip& strip = m_desk.strip();
    const bool lane = m_desk.lane() != nullptr, mix = m_desk.laneId() == "mix";
    if (!m_name->hasFocus() || !m_name->isModified()) m_name->setText(laneName(m_desk.rebuild(), m_desk.laneId()));
    m_name->setEnabled(!mix);
    const QSignalBlocker a(m_mute), b(m_solo), c(m_group), d(m_automation);
    // Behind the strip's own: the controls of effects that have a curve, or are shown.
    while (m_automation->count() > m_ownCurves) m_automation->removeItem(m_automation->count() - 1);
    std::set<std::string> moved;
    for (const auto& [id, curve] : strip.automation)
        if (id.find(':') != std::string::npos) moved.insert(id);
    if (m_curves.shown().find(':') != std::string::npos) moved.insert(m_curves.shown());
    for (const auto& id : moved) m_automation->addItem(m_curves.nameOf(id), QString::fromStdString(id));
    if (const int at = m_automation->findData(QString::fromStdString(m_curves.shown()));
        at >= m_ownCurves || m_automation->currentIndex() < 0)
        m_automation->setCurrentIndex(std::max(0, at));
    m_mute->setChecked(strip.mute);
    m_solo->setChecked(strip.solo);
    m_solo->setEnabled(!mix);
    for (size_t i = 0; i < m_rows.size(); ++i) {
        const auto& p = stripParameters()[i];
        const double v = strip.*p.value;
        m_rows[i]->show(v, i == 0 && v <= kSilentLevel ? say("silent") : QString());
        // In a format of its own lanes are placed, and neither groups nor the mix have a width.
        const bool counts = i == 0 || m_desk.rebuild().format == MixFormat::Reel || (lane && i == 2);
        m_rows[i]->setUsable(counts && !strip.automation.count(p.id));
    }
    if (!m_group->lineEdit()->hasFocus()) {
        m_group->clear();
        m_group->addItem(say("none"));
        for (const auto& g : m_desk.rebuild().groups) m_group->addItem(QString::fromStdString(g.name));
        m_group->setCurrentText(lane && !m_desk.lane()->group.empty() ? laneName(m_desk.rebuild(), m_desk.lane()->group)
                                                                      : say("none"));
    }
    m_group->setEnabled(lane);
    for (auto* button : m_laneButtons) button->setEnabled(lane || button->objectName() == "addlane");
    if (m_automation->currentData() != "strength")
        m_automation->setCurrentIndex(std::max(0, m_automation->findData(QString::fromStdString(m_curves.shown()))));
    const bool shown = !m_curves.shown().empty();
    for (auto* button : m_curveButtons) button->setEnabled(shown);
    m_hint->setText(m_automation->currentData() == "strength"
                        ? say("Below the lanes the strength of the stems is drawn: a double click sets a point.")
                    : shown
                        ? say("On the chosen lane: a double click sets a point, drag moves it, drag with Shift draws, "
                              "Delete takes it away.")
                        : say("Choose what is drawn on the lanes."));
}

DuckControls::DuckControls(RebuildDesk& desk, Ducking& ducking, QWidget* parent) : QWidget(parent), m_desk(desk) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    m_lane = addPageHeading(column, "");
    addPageText(column, say("Pulls this lane down while another one sounds. The change is drawn over its waveform."));
    m_on = new QCheckBox(say("Ducked by"));
    m_on->setObjectName("duck");
    m_key = new QComboBox;
    m_key->setObjectName("duckkey");
    m_key->setAccessibleName(say("Lane that pulls it down"));
    auto* row = new QHBoxLayout;
    row->addWidget(m_on);
    row->addWidget(m_key, 1);
    column->addLayout(row);
    m_by = new QComboBox;
    m_by->setObjectName("duckby");
    m_by->addItem(say("wherever somebody speaks there"));
    m_by->addItem(say("wherever it is louder than the threshold"));
    column->addWidget(m_by);
    for (const auto& p : duckParameters()) {
        auto* r = makeParameterRow(p, QString("duck_%1").arg(p.id));
        connect(r, &ValueRow::set, this, [this, &p](double v, bool dragging) {
            edit(
                say("Ducking: %1").arg(said(p.name)), [&](Duck& d) { d.*p.value = v; },
                dragging ? std::string("duck ") + p.id : "");
        });
        connect(r, &ValueRow::released, this, [this] { m_desk.endDrag(); });
        connect(r, &ValueRow::refused, this, [this](const QString& why) { m_desk.tell(why); });
        column->addWidget(r);
        m_rows.push_back(r);
    }
    m_convert = makeSmallButton("ducktocurve", say("Turn into a level curve"),
                                say("The ducking becomes points that can be drawn by hand; it is switched off"));
    column->addWidget(m_convert, 0, Qt::AlignLeft);
    column->addStretch();
    connect(m_on, &QCheckBox::clicked, this, [this](bool on) {
        edit(on ? say("Duck") : say("Duck no longer"), [&](Duck& d) {
            d.on = on;
            if (d.key.empty()) d.key = voiceLane(m_desk.rebuild());
        });
    });
    connect(m_key, &QComboBox::activated, this, [this](int i) {
        edit(say("Duck by"), [&](Duck& d) { d.key = m_key->itemData(i).toString().toStdString(); });
    });
    connect(m_by, &QComboBox::activated, this,
            [this](int i) { edit(say("Duck by"), [&](Duck& d) { d.voice = i == 0; }); });
    connect(m_convert, &QPushButton::clicked, &ducking, &Ducking::toAutomation);
    connect(&desk, &RebuildDesk::changed, this, &DuckControls::refresh);
    refresh();
}

void DuckControls::edit(const QString& name, const std::function<void(Duck&)>& change, const std::string& gesture) {
    m_desk.edit(
        name,
        [&](Rebuild& r) {
            if (Lane* l = r.lane(m_desk.laneId())) change(l->duck);
        },
        gesture);
}

void DuckControls::refresh() {
    const Lane* lane = m_desk.lane();
    setEnabled(lane);
    m_lane->setText(lane ? laneName(m_desk.rebuild(), lane->id) : say("Choose a lane"));
    if (!lane) return;
    const QSignalBlocker a(m_on), b(m_key), c(m_by);
    m_on->setChecked(lane->duck.on);
    m_key->clear();
    for (const auto& l : m_desk.rebuild().lanes)
        if (l->id != lane->id) m_key->addItem(QString::fromStdString(l->name), QString::fromStdString(l->id));
    m_key->setCurrentIndex(
        m_key->findData(QString::fromStdString(lane->duck.key.empty() ? voiceLane(m_desk.rebuild()) : lane->duck.key)));
    m_by->setCurrentIndex(lane->duck.voice ? 0 : 1);
    for (size_t i = 0; i < m_rows.size(); ++i) m_rows[i]->show(lane->duck.*duckParameters()[i].value);
    for (QWidget* w : {static_cast<QWidget*>(m_key), static_cast<QWidget*>(m_by), static_cast<QWidget*>(m_convert)})
        w->setEnabled(lane->duck.on);
    for (auto* r : m_rows) r->setUsable(lane->duck.on);
}

}  // namespace rivlen

#include "app/rebuild/ChainControls.h"

#include <QMenu>
#include <QScrollArea>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <algorithm>

#include "app/rebuild/EffectPicker.h"
#include "app/rebuild/LaneNames.h"
#include "app/rebuild/ParameterRow.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {
constexpr int kCellText = 74;  // pixels of a name in a third of the panel
}

ChainControls::ChainControls(RebuildDesk& desk, SceneTools& scene, EffectDesk& effects, LaneCurves& curves,
                             HeardMeters& meters, Hearing& hearing, QWidget* parent)
    : QWidget(parent), m_desk(desk), m_effects(effects) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    auto* top = new QHBoxLayout;
    m_lane = new QLabel;
    m_lane->setFont(theme::font(13, QFont::DemiBold));
    auto* presets =
        makeSmallButton("chainpresets", say("Chains"), say("Whole chains of common practice, to begin with"));
    auto* menu = new QMenu(presets);
    for (const auto& preset : shippedChains())
        menu->addAction(QString("%1: %2").arg(said(preset.name), said(preset.purpose)), this, [this, &preset] {
            edit(say("Use chain ") + said(preset.name), [&](ChainSettings& c) {
                auto own = std::move(c.effects);  // what is installed here belongs to no shipped chain
                c = preset.chain;
                c.effects = std::move(own);
            });
        });
    menu->addAction(say("Nothing: all off, all as usual"), this,
                    [this] { edit(say("Reset chain"), [](ChainSettings& c) { c = {}; }); });
    presets->setMenu(menu);
    auto* add = makeSmallButton("addeffect", say("Add effect…"),
                                say("An installed LV2 effect, tried before it is let in (Shift+E)"));
    connect(add, &QPushButton::clicked, this, [this] { (new EffectPicker(m_effects, window()))->show(); });
    top->addWidget(m_lane, 1);
    top->addWidget(add);
    top->addWidget(presets);
    column->addLayout(top);
    // Three columns of switches in the order of work, read downwards.
    m_grid = new QGridLayout;
    m_grid->setHorizontalSpacing(4);
    m_grid->setVerticalSpacing(2);
    for (size_t m = 0; m < chainModules().size(); ++m) addModule(m, scene);
    column->addLayout(m_grid);
    m_curve = new ChainCurve(desk, meters, hearing);
    column->addWidget(m_curve);
    auto* stack = new QWidget;
    auto* pages = new QVBoxLayout(stack);
    pages->setContentsMargins(0, 0, 4, 0);
    for (auto& m : m_modules) pages->addWidget(m.page);
    m_effect = new EffectControls(desk, effects, curves);
    pages->addWidget(m_effect);
    auto* scroll = new QScrollArea;
    scroll->setAccessibleName(say("Steps of the chain"));
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setWidget(stack);
    scroll->setStyleSheet("QScrollArea, QScrollArea > QWidget > QWidget { background: transparent }");
    column->addWidget(scroll, 1);
    m_explanation = addPageText(column);
    m_explanation->setFixedHeight(32);
    connect(m_effect, &EffectControls::explained, this, [this](const QString& says) { m_explanation->setText(says); });
    connect(&desk, &RebuildDesk::changed, this, &ChainControls::refresh);
    connect(&effects, &EffectDesk::added, this, [this](const QString& id) { showEffect(id.toStdString()); });
    connect(&meters, &HeardMeters::changed, &effects, &EffectDesk::lookForTroubles);
    showModule(4);
    refresh();
}

QWidget* ChainControls::cell(QCheckBox* on, QPushButton* name, const QString& id, const QString& text,
                             const QString& tip) {
    auto* cell = new QWidget;
    on->setObjectName(id + "_on");
    on->setAccessibleName(text + say(" on"));
    on->setToolTip(tip);
    name->setObjectName(id + "_show");
    name->setCheckable(true);
    name->setStyleSheet("QPushButton { padding: 3px 3px; text-align: left; font-size: 12px }");
    name->setToolTip(tip);
    name->setAccessibleName(text);
    auto* across = new QHBoxLayout(cell);
    across->setContentsMargins(0, 0, 0, 0);
    across->setSpacing(3);
    across->addWidget(on);
    across->addWidget(name, 1);
    return cell;
}

void ChainControls::addModule(size_t m, SceneTools& scene) {
    const auto& module = chainModules()[m];
    Module row{new QCheckBox, new QPushButton(module.name), nullptr, new QWidget, {}};
    row.cell = cell(row.on, row.name, module.id, said(module.name), said(module.explanation));
    auto* page = new QVBoxLayout(row.page);
    page->setContentsMargins(0, 0, 0, 0);
    page->setSpacing(4);
    for (const auto& p : module.parameters) {
        auto* value = makeParameterRow(p, QString("%1_%2").arg(module.id, p.id));
        connect(value, &ValueRow::set, this, [this, &p, &module](double v, bool dragging) {
            edit(
                QString("%1: %2").arg(said(module.name), said(p.name)), [&](ChainSettings& c) { c.*p.value = v; },
                dragging ? std::string(module.id) + p.id : "");
        });
        connect(value, &ValueRow::released, this, [this] { m_desk.endDrag(); });
        connect(value, &ValueRow::refused, this, [this](const QString& why) { m_desk.tell(why); });
        connect(value, &ValueRow::explained, this,
                [this](const QString& sentence) { m_explanation->setText(sentence); });
        page->addWidget(value);
        row.rows.push_back(value);
    }
    if (std::string(module.id) == "room") addRoom(*page, scene);
    page->addStretch();
    connect(row.on, &QCheckBox::clicked, this, [this, m, &module](bool on) {
        showModule(m);
        edit(QString(on ? say("%1 on") : say("%1 off")).arg(module.name), [&](ChainSettings& c) { c.*module.on = on; });
    });
    connect(row.name, &QPushButton::clicked, this, [this, m] { showModule(m); });
    m_modules.push_back(row);
}

void ChainControls::addRoom(QVBoxLayout& page, SceneTools& scene) {
    m_estimate =
        makeSmallButton("estimateroom", say("Estimate from the scene"),
                        say("Listens how words die away in the loop (or the whole reel) and makes a room of it"));
    m_impulse = new QComboBox;
    m_impulse->setObjectName("roomimpulse");
    m_impulse->setAccessibleName(say("Which room"));
    m_impulse->setToolTip(say("The room of Decay and Tone, one that was estimated, or an imported impulse response"));
    page.addWidget(m_impulse);
    page.addWidget(m_estimate, 0, Qt::AlignLeft);
    connect(m_estimate, &QPushButton::clicked, this, [&scene] { scene.estimateRoom(); });
    connect(m_impulse, &QComboBox::activated, this, [this](int i) {
        edit(say("Choose room"),
             [&](ChainSettings& c) { c.roomImpulse = m_impulse->itemData(i).toString().toStdString(); });
    });
}

QWidget* ChainControls::cellOf(const EffectSlot& slot) {
    Effect e{new QCheckBox, new QPushButton, nullptr};
    const QString name = QString::fromStdString(slot.name);
    e.cell = cell(e.on, e.name, QString::fromStdString(slot.id), name, name + say(", an installed effect"));
    e.name->setText(e.name->fontMetrics().elidedText(name, Qt::ElideRight, kCellText));
    connect(e.on, &QCheckBox::clicked, this, [this, id = slot.id](bool on) {
        showEffect(id);
        m_effects.setOn(id, on);
    });
    connect(e.name, &QPushButton::clicked, this, [this, id = slot.id] { showEffect(id); });
    m_cells[slot.id] = e;
    return e.cell;
}

void ChainControls::layCells() {
    const ChainSettings& chain = m_desk.strip().chain;
    const bool same = m_laidStrip == m_desk.laneId() &&
                      std::equal(chain.effects.begin(), chain.effects.end(), m_laid.begin(), m_laid.end(),
                                 [](const auto& a, const auto& b) {
                                     return a.id == b.id && a.name == b.name && a.before == b.before;
                                 });
    if (same && m_grid->count() > 0) return;
    m_laid = chain.effects;
    m_laidStrip = m_desk.laneId();
    for (auto& [id, e] : m_cells) {
        e.cell->hide();
        e.cell->deleteLater();  // its own click may have asked for this
    }
    m_cells.clear();
    while (m_grid->count() > 0) delete m_grid->takeAt(0);
    std::vector<QWidget*> cells;
    for (const auto& [module, placed] : chain.order()) {
        for (const EffectSlot* s : placed) cells.push_back(cellOf(*s));
        for (size_t m = 0; m < m_modules.size(); ++m)
            if (module == chainModules()[m].id) cells.push_back(m_modules[m].cell);
    }
    const size_t rows = (cells.size() + 2) / 3;
    for (size_t i = 0; i < cells.size(); ++i) m_grid->addWidget(cells[i], int(i % rows), int(i / rows));
    for (int c = 0; c < 3; ++c) m_grid->setColumnStretch(c, 1);
}

void ChainControls::edit(const QString& name, const std::function<void(ChainSettings&)>& change,
                         const std::string& gesture) {
    m_desk.editStrip(
        name, [&](Strip& s) { change(s.chain); }, gesture);
}

void ChainControls::showModule(size_t module) {
    m_shown = module;
    for (size_t m = 0; m < m_modules.size(); ++m) {
        m_modules[m].page->setVisible(m == module);
        m_modules[m].name->setChecked(m == module);
    }
    m_effect->hide();
    for (auto& [id, e] : m_cells) e.name->setChecked(false);
    m_curve->show();
    m_curve->showModule(module);
    m_explanation->setText(said(chainModules()[module].explanation));
}

void ChainControls::showEffect(const std::string& id) {
    if (!m_effects.slot(id)) return showModule(m_shown);
    for (auto& m : m_modules) {
        m.page->hide();
        m.name->setChecked(false);
    }
    for (auto& [slot, e] : m_cells) e.name->setChecked(slot == id);
    m_curve->hide();
    m_effect->show(id);
    static_cast<QWidget*>(m_effect)->show();
    m_explanation->setText(
        say("An installed effect, in a process of its own: if it fails, the sound goes on without it."));
}

void ChainControls::refresh() {
    layCells();
    setEnabled(m_desk.ready());
    m_lane->setText(laneName(m_desk.rebuild(), m_desk.laneId()));
    const ChainSettings& chain = m_desk.strip().chain;
    for (const auto& e : chain.effects)
        if (const auto found = m_cells.find(e.id); found != m_cells.end()) found->second.on->setChecked(e.on);
    // The effect that was shown is not in this chain: its place is a module's.
    if (m_effect->isVisibleTo(this) && !m_cells.count(m_effect->shown())) showModule(m_shown);
    else if (m_effect->isVisibleTo(this)) m_cells[m_effect->shown()].name->setChecked(true);
    const QSignalBlocker still(m_impulse);
    m_impulse->clear();
    m_impulse->addItem(say("Plain room: Decay and Tone"), "");
    for (const auto& r : m_desk.rebuild().rooms)
        m_impulse->addItem(QString::fromStdString(r.name) + say(", estimated"), QString::fromStdString(r.id));
    for (const auto& s : m_desk.rebuild().sounds)
        m_impulse->addItem(QString::fromStdString(s.name) + say(", as impulse response"), QString::fromStdString(s.id));
    m_impulse->setCurrentIndex(std::max(0, m_impulse->findData(QString::fromStdString(chain.roomImpulse))));
    for (size_t m = 0; m < m_modules.size(); ++m) {
        const QSignalBlocker quiet(m_modules[m].on);
        m_modules[m].on->setChecked(chain.*chainModules()[m].on);
        for (size_t i = 0; i < m_modules[m].rows.size(); ++i)
            m_modules[m].rows[i]->show(chain.*chainModules()[m].parameters[i].value);
    }
}

}  // namespace rivlen

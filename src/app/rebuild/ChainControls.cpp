#include "app/rebuild/ChainControls.h"

#include <QGridLayout>
#include <QMenu>
#include <QScrollArea>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/rebuild/LaneNames.h"
#include "app/rebuild/ParameterRow.h"
#include "app/widgets/PanelParts.h"

namespace rivlen {

ChainControls::ChainControls(RebuildDesk& desk, SceneTools& scene, HeardMeters& meters, Hearing& hearing,
                             QWidget* parent)
    : QWidget(parent), m_desk(desk) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    auto* top = new QHBoxLayout;
    m_lane = new QLabel;
    m_lane->setFont(theme::font(13, QFont::DemiBold));
    auto* presets = makeSmallButton("chainpresets", "Chains", "Whole chains of common practice, to begin with");
    auto* menu = new QMenu(presets);
    for (const auto& preset : shippedChains())
        menu->addAction(
            QString("%1: %2").arg(QString::fromStdString(preset.name), QString::fromStdString(preset.purpose)), this,
            [this, &preset] {
                edit("Use chain " + QString::fromStdString(preset.name), [&](ChainSettings& c) { c = preset.chain; });
            });
    menu->addAction("Nothing: all off, all as usual", this,
                    [this] { edit("Reset chain", [](ChainSettings& c) { c = {}; }); });
    presets->setMenu(menu);
    top->addWidget(m_lane, 1);
    top->addWidget(presets);
    column->addLayout(top);
    // Three columns of switches in the order of work, read downwards.
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(4);
    grid->setVerticalSpacing(2);
    const size_t rows = (chainModules().size() + 2) / 3;
    for (size_t m = 0; m < chainModules().size(); ++m) {
        const auto& module = chainModules()[m];
        Module row{new QCheckBox, new QPushButton(module.name), new QWidget, {}};
        row.on->setObjectName(QString("%1_on").arg(module.id));
        row.on->setAccessibleName(QString("%1 on").arg(module.name));
        row.on->setToolTip(module.explanation);
        row.name->setObjectName(QString("%1_show").arg(module.id));
        row.name->setCheckable(true);
        row.name->setStyleSheet("QPushButton { padding: 3px 3px; text-align: left; font-size: 12px }");
        row.name->setToolTip(module.explanation);
        auto* cell = new QHBoxLayout;
        cell->setSpacing(3);
        cell->addWidget(row.on);
        cell->addWidget(row.name, 1);
        grid->addLayout(cell, int(m % rows), int(m / rows));
        auto* page = new QVBoxLayout(row.page);
        page->setContentsMargins(0, 0, 0, 0);
        page->setSpacing(4);
        for (const auto& p : module.parameters) {
            auto* value = makeParameterRow(p, QString("%1_%2").arg(module.id, p.id));
            connect(value, &ValueRow::set, this, [this, &p, &module](double v, bool dragging) {
                edit(
                    QString("%1: %2").arg(module.name, p.name), [&](ChainSettings& c) { c.*p.value = v; },
                    dragging ? std::string(module.id) + p.id : "");
            });
            connect(value, &ValueRow::released, this, [this] { m_desk.endDrag(); });
            connect(value, &ValueRow::refused, this, [this](const QString& why) { m_desk.tell(why); });
            connect(value, &ValueRow::explained, this,
                    [this](const QString& sentence) { m_explanation->setText(sentence); });
            page->addWidget(value);
            row.rows.push_back(value);
        }
        if (std::string(module.id) == "room") {
            m_estimate =
                makeSmallButton("estimateroom", "Estimate from the scene",
                                "Listens how words die away in the loop (or the whole reel) and makes a room of it");
            m_impulse = new QComboBox;
            m_impulse->setObjectName("roomimpulse");
            m_impulse->setAccessibleName("Which room");
            m_impulse->setToolTip(
                "The room of Decay and Tone, one that was estimated, or an imported impulse response");
            page->addWidget(m_impulse);
            page->addWidget(m_estimate, 0, Qt::AlignLeft);
            connect(m_estimate, &QPushButton::clicked, this, [&scene] { scene.estimateRoom(); });
            connect(m_impulse, &QComboBox::activated, this, [this](int i) {
                edit("Choose room",
                     [&](ChainSettings& c) { c.roomImpulse = m_impulse->itemData(i).toString().toStdString(); });
            });
        }
        page->addStretch();
        connect(row.on, &QCheckBox::clicked, this, [this, m, &module](bool on) {
            showModule(m);
            edit(QString(on ? "%1 on" : "%1 off").arg(module.name), [&](ChainSettings& c) { c.*module.on = on; });
        });
        connect(row.name, &QPushButton::clicked, this, [this, m] { showModule(m); });
        m_modules.push_back(row);
    }
    column->addLayout(grid);
    m_curve = new ChainCurve(desk, meters, hearing);
    column->addWidget(m_curve);
    auto* stack = new QWidget;
    auto* pages = new QVBoxLayout(stack);
    pages->setContentsMargins(0, 0, 4, 0);
    for (auto& m : m_modules) pages->addWidget(m.page);
    auto* scroll = new QScrollArea;
    scroll->setAccessibleName("Steps of the chain");
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setWidget(stack);
    scroll->setStyleSheet("QScrollArea, QScrollArea > QWidget > QWidget { background: transparent }");
    column->addWidget(scroll, 1);
    m_explanation = addPageText(column);
    m_explanation->setFixedHeight(32);
    connect(&desk, &RebuildDesk::changed, this, &ChainControls::refresh);
    showModule(4);
    refresh();
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
    m_curve->showModule(module);
    m_explanation->setText(chainModules()[module].explanation);
}

void ChainControls::refresh() {
    setEnabled(m_desk.ready());
    m_lane->setText(laneName(m_desk.rebuild(), m_desk.laneId()));
    const ChainSettings& chain = m_desk.strip().chain;
    const QSignalBlocker still(m_impulse);
    m_impulse->clear();
    m_impulse->addItem("Plain room: Decay and Tone", "");
    for (const auto& r : m_desk.rebuild().rooms)
        m_impulse->addItem(QString::fromStdString(r.name) + ", estimated", QString::fromStdString(r.id));
    for (const auto& s : m_desk.rebuild().sounds)
        m_impulse->addItem(QString::fromStdString(s.name) + ", as impulse response", QString::fromStdString(s.id));
    m_impulse->setCurrentIndex(std::max(0, m_impulse->findData(QString::fromStdString(chain.roomImpulse))));
    for (size_t m = 0; m < m_modules.size(); ++m) {
        const QSignalBlocker quiet(m_modules[m].on);
        m_modules[m].on->setChecked(chain.*chainModules()[m].on);
        for (size_t i = 0; i < m_modules[m].rows.size(); ++i)
            m_modules[m].rows[i]->show(chain.*chainModules()[m].parameters[i].value);
    }
}

}  // namespace rivlen

#include "app/rebuild/EffectControls.h"

#include <QCheckBox>
#include <QGridLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/widgets/PanelParts.h"
#include "app/widgets/ValueRow.h"
#include "app/words/Say.h"

namespace rivlen {

EffectControls::EffectControls(RebuildDesk& desk, EffectDesk& effects, LaneCurves& curves, QWidget* parent)
    : QWidget(parent), m_desk(desk), m_effects(effects), m_curves(curves) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    m_about = addPageText(column);
    m_about->setObjectName("effectstate");
    auto* buttons = new QHBoxLayout;
    buttons->setSpacing(4);
    m_earlier = makeSmallButton("effectearlier", say("Earlier"), say("Works before what stands in front of it now"));
    m_later = makeSmallButton("effectlater", say("Later"), say("Works after what stands behind it now"));
    m_remove = makeSmallButton("effectremove", say("Take out"),
                               say("Takes it out of the chain, with its curves; undo brings it back"));
    for (auto* b : {m_earlier, m_later, m_remove}) buttons->addWidget(b);
    buttons->addStretch();
    column->addLayout(buttons);
    auto* grid = new QGridLayout;
    grid->setColumnStretch(1, 1);
    const auto combo = [&](const char* name, const QString& label, const QString& tip, int line) {
        auto* box = new QComboBox;
        box->setObjectName(name);
        box->setAccessibleName(label);
        box->setToolTip(tip);
        box->setMinimumContentsLength(8);
        box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
        auto* text = new QLabel(label);
        text->setFont(theme::font(13, QFont::Medium));
        grid->addWidget(text, line, 0);
        grid->addWidget(box, line, 1);
        return box;
    };
    m_presets = combo("effectpresets", say("Preset"), say("Settings that came with the effect"), 0);
    m_moved = combo("effectmoved", say("Curve of"), say("Draws this control over time, on the lanes"), 1);
    column->addLayout(grid);
    connect(m_earlier, &QPushButton::clicked, this, [this] { m_effects.move(m_id, -1); });
    connect(m_later, &QPushButton::clicked, this, [this] { m_effects.move(m_id, 1); });
    connect(m_remove, &QPushButton::clicked, this, [this] { m_effects.remove(m_id); });
    connect(m_presets, &QComboBox::activated, this, [this](int i) {
        const EffectSlot* slot = m_effects.slot(m_id);
        const EffectFacts* facts = slot ? m_effects.facts(slot->uri) : nullptr;
        if (facts && i > 0 && i <= int(facts->presets.size())) m_effects.usePreset(m_id, facts->presets[size_t(i - 1)]);
        m_presets->setCurrentIndex(0);
    });
    connect(m_moved, &QComboBox::activated, this, [this](int i) {
        m_curves.show(i == 0 ? std::string() : effectCurve(m_id, m_controls[size_t(i - 1)].symbol));
    });
    connect(&effects, &EffectDesk::changed, this, &EffectControls::refresh);
    connect(&desk, &RebuildDesk::changed, this, &EffectControls::refresh);
}

void EffectControls::show(const std::string& id) {
    m_id = id;
    refresh();
}

QWidget* EffectControls::row(const EffectControl& c) {
    const QString id = QString("effect_%1").arg(QString::fromStdString(c.symbol)),
                  name = QString::fromStdString(c.name);
    const QString explanation =
        say("%1: %2 to %3, usually %4.")
            .arg(name, QString::fromStdString(c.text(c.minimum)), QString::fromStdString(c.text(c.maximum)),
                 QString::fromStdString(c.text(c.usual)));
    if (c.toggled) {
        auto* box = new QCheckBox(name);
        box->setObjectName(id);
        connect(box, &QCheckBox::clicked, this,
                [this, c](bool on) { m_effects.set(m_id, c, on ? c.maximum : c.minimum, false); });
        m_show.push_back([box, c](double v, bool usable) {
            box->setChecked(v > 0.5 * (c.minimum + c.maximum));
            box->setEnabled(usable);
        });
        return box;
    }
    auto* label = new QLabel;
    label->setFont(theme::font(13, QFont::Medium));
    label->setText(label->fontMetrics().elidedText(name, Qt::ElideRight, 86));
    label->setToolTip(explanation);
    if (c.named && !c.points.empty()) {
        auto* line = new QWidget;
        auto* across = new QHBoxLayout(line);
        across->setContentsMargins(0, 0, 0, 0);
        across->setSpacing(8);
        auto* box = new QComboBox;
        box->setObjectName(id);
        box->setAccessibleName(name);
        box->setToolTip(explanation);
        for (const auto& [value, text] : c.points) box->addItem(QString::fromStdString(text), value);
        label->setFixedWidth(86);
        across->addWidget(label);
        across->addWidget(box, 1);
        connect(box, &QComboBox::activated, this,
                [this, c](int i) { m_effects.set(m_id, c, c.points[size_t(i)].first, false); });
        m_show.push_back([box, c](double v, bool usable) {
            int nearest = 0;
            for (size_t i = 0; i < c.points.size(); ++i)
                if (std::abs(c.points[i].first - v) < std::abs(c.points[size_t(nearest)].first - v)) nearest = int(i);
            box->setCurrentIndex(nearest);
            box->setEnabled(usable);
        });
        return line;
    }
    // What the effect calls logarithmic moves by ratios.
    const bool ratios = c.logarithmic && c.minimum > 0;
    const auto to = [ratios](double v) { return ratios ? std::log10(v) : v; };
    const auto from = [ratios, c](double v) {
        const double value = ratios ? std::pow(10, v) : v;
        return std::clamp(c.integer ? std::round(value) : value, c.minimum, c.maximum);
    };
    ValueRow::Range range{id,          name, explanation, to(c.minimum), to(c.maximum), ratios ? 0.005 : c.step(),
                          to(c.usual), {},   {}};
    range.describe = [c, from](double v) { return QString::fromStdString(c.text(from(v))); };
    range.parse = [c, to](const QString& text) { return to(c.parse(text.toStdString())); };
    auto* value = new ValueRow(range, label);
    connect(value, &ValueRow::set, this,
            [this, c, from](double v, bool dragging) { m_effects.set(m_id, c, from(v), dragging); });
    connect(value, &ValueRow::released, this, [this] { m_desk.endDrag(); });
    connect(value, &ValueRow::refused, this, [this](const QString& why) { m_desk.tell(why); });
    connect(value, &ValueRow::explained, this, &EffectControls::explained);
    m_show.push_back([value, to](double v, bool usable) {
        value->show(to(v));
        value->setUsable(usable);
    });
    return value;
}

void EffectControls::build() {
    delete m_rows;
    m_show.clear();
    m_rows = new QWidget;
    auto* column = new QVBoxLayout(m_rows);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    for (const auto& c : m_controls) column->addWidget(row(c));
    column->addStretch();
    layout()->addWidget(m_rows);
    const QSignalBlocker quiet(m_moved);
    m_moved->clear();
    m_moved->addItem(say("none"));
    for (const auto& c : m_controls) m_moved->addItem(QString::fromStdString(c.name));
}

void EffectControls::refresh() {
    const EffectSlot* slot = m_effects.slot(m_id);
    if (!slot) return;
    const EffectFacts* facts = m_effects.facts(slot->uri);
    const std::string of = slot->uri + (facts ? "" : "?");
    if (of != m_built) {
        m_built = of;
        m_controls = facts ? facts->controls : std::vector<EffectControl>();
        build();
        const QSignalBlocker quiet(m_presets);
        m_presets->clear();
        m_presets->addItem(facts && !facts->presets.empty() ? say("%1 that came with it").arg(facts->presets.size())
                                                            : say("none came with it"));
        for (const auto& p : facts ? facts->presets : std::vector<EffectPreset>())
            m_presets->addItem(QString::fromStdString(p.name));
    }
    m_presets->setEnabled(facts && !facts->presets.empty());
    m_moved->setEnabled(facts && m_desk.lane() && !m_controls.empty());
    const Strip& strip = m_desk.strip();
    int moved = 0;
    for (size_t i = 0; i < m_controls.size(); ++i) {
        const std::string curve = effectCurve(m_id, m_controls[i].symbol);
        if (m_curves.shown() == curve) moved = int(i) + 1;
        m_show[i](m_effects.value(*slot, m_controls[i]), !strip.automation.count(curve));
    }
    m_moved->setCurrentIndex(moved);
    ChainSettings probe = strip.chain;
    m_earlier->setEnabled(moveEffect(probe, m_id, -1));
    probe = strip.chain;
    m_later->setEnabled(moveEffect(probe, m_id, 1));
    const QString trouble = m_effects.trouble(m_id);
    const QString by = facts && !facts->maker.empty() ? say(", by ") + QString::fromStdString(facts->maker) : QString();
    m_about->setText(
        !trouble.isEmpty() ? trouble
        : facts            ? QString("%1%2").arg(QString::fromStdString(facts->kind), by)
                : say("\"%1\" is not installed on this machine, or is still being read: its settings are kept.")
                      .arg(QString::fromStdString(slot->name)));
}

}  // namespace rivlen

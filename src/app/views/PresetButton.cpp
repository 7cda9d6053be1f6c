#include "app/views/PresetButton.h"

#include <QInputDialog>
#include <QMenu>

#include "core/base/Error.h"
#include "core/session/Presets.h"

namespace rivlen {

PresetButton::PresetButton(Controller& controller, QWidget* parent)
    : QPushButton("Presets", parent), m_controller(controller), m_menu(new QMenu(this)) {
    setObjectName("presets");
    setToolTip("Strength settings for common uses, and your own");
    setStyleSheet("QPushButton { padding: 3px 10px }");
    m_menu->setObjectName("presetmenu");
    m_menu->setToolTipsVisible(true);
    setMenu(m_menu);
    connect(m_menu, &QMenu::aboutToShow, this, &PresetButton::fill);
}

namespace {
void guarded(Controller& controller, const std::function<void()>& action) {
    try {
        action();
    } catch (const Error& e) {
        emit controller.notice(QString::fromStdString(e.what()));
    }
}
}  // namespace

void keepAsPreset(Controller& controller, const IsolationSettings& settings, QWidget* parent) {
    const QString name = QInputDialog::getText(parent, "Keep as preset", "Name");
    if (!name.trimmed().isEmpty()) guarded(controller, [&] { savePreset(name.trimmed().toStdString(), settings); });
}

void PresetButton::fill() {
    m_menu->clear();
    const auto presets = listPresets();
    auto* remove = new QMenu("Remove", m_menu);
    bool own = false;
    for (const Preset& preset : presets) {
        const QString name = QString::fromStdString(preset.name);
        if (!preset.shipped && !own) m_menu->addSeparator();
        own |= !preset.shipped;
        auto* action = m_menu->addAction(name, this, [this, preset, name] {
            m_controller.editReel("Use preset " + name, [&](Reel& r) { r.setIsolation(preset.settings); });
        });
        action->setToolTip(QString::fromStdString(preset.purpose));
        action->setCheckable(true);
        action->setChecked(m_controller.reel() && sameStrength(m_controller.reel()->isolation(), preset.settings));
        if (!preset.shipped)
            remove->addAction(name, this, [this, preset] { guarded(m_controller, [&] { removePreset(preset); }); });
    }
    m_menu->addSeparator();
    m_menu->addAction("Keep as preset…", this, [this] {
        if (m_controller.reel()) keepAsPreset(m_controller, m_controller.reel()->isolation(), this);
    });
    m_menu->addMenu(remove)->setEnabled(own);
}

}  // namespace rivlen

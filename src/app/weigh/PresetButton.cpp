#include "app/weigh/PresetButton.h"

#include <QInputDialog>
#include <QMenu>

#include "app/words/Say.h"
#include "core/base/Error.h"
#include "core/session/Presets.h"

namespace rivlen {

PresetButton::PresetButton(Document& document, Work& work, QWidget* parent)
    : QPushButton(say("Presets"), parent), m_document(document), m_work(work), m_menu(new QMenu(this)) {
    setObjectName("presets");
    setToolTip(say("Strength settings for common uses, and your own"));
    setStyleSheet("QPushButton { padding: 3px 10px }");
    m_menu->setObjectName("presetmenu");
    m_menu->setToolTipsVisible(true);
    setMenu(m_menu);
    connect(m_menu, &QMenu::aboutToShow, this, &PresetButton::fill);
}

namespace {
void guarded(Work& work, const std::function<void()>& action) {
    try {
        action();
    } catch (const Error& e) {
        work.warn(QString::fromStdString(e.what()));
    }
}
}  // namespace

void keepAsPreset(Work& work, const IsolationSettings& settings, QWidget* parent) {
    const QString name = QInputDialog::getText(parent, say("Keep as preset"), say("Name"));
    if (!name.trimmed().isEmpty()) guarded(work, [&] { savePreset(name.trimmed().toStdString(), settings); });
}

void PresetButton::fill() {
    m_menu->clear();
    const auto presets = listPresets();
    auto* remove = new QMenu(say("Remove"), m_menu);
    bool own = false;
    for (const Preset& preset : presets) {
        const QString name = QString::fromStdString(preset.name);
        if (!preset.shipped && !own) m_menu->addSeparator();
        own |= !preset.shipped;
        auto* action = m_menu->addAction(name, this, [this, preset, name] {
            m_document.editReel(say("Use preset ") + name, [&](Reel& r) { r.setIsolation(preset.settings); });
        });
        action->setToolTip(said(preset.purpose));
        action->setCheckable(true);
        action->setChecked(m_document.reel() && sameStrength(m_document.reel()->isolation(), preset.settings));
        if (!preset.shipped)
            remove->addAction(name, this, [this, preset] { guarded(m_work, [&] { removePreset(preset); }); });
    }
    m_menu->addSeparator();
    m_menu->addAction(say("Keep as preset…"), this, [this] {
        if (m_document.reel()) keepAsPreset(m_work, m_document.reel()->isolation(), this);
    });
    m_menu->addMenu(remove)->setEnabled(own);
}

}  // namespace rivlen

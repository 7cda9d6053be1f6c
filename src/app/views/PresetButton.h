#pragma once
#include <QPushButton>

#include "app/Controller.h"

namespace rivlen {

/// Opens the menu of presets: use one, keep the present setting as one, remove one's own, give the setting to all
/// reels.
class PresetButton : public QPushButton {
    Q_OBJECT
public:
    explicit PresetButton(Controller& controller, QWidget* parent = nullptr);

private:
    void fill();
    Controller& m_controller;
    QMenu* m_menu;
};

/// Asks for a name and keeps a setting as a preset of one's own.
void keepAsPreset(Controller& controller, const IsolationSettings& settings, QWidget* parent);

}  // namespace rivlen

#pragma once
#include <QLabel>
#include <QLineEdit>
#include <QSlider>
#include <QWidget>

#include "app/Controller.h"

namespace rivlen {

/// One strength setting from the parameter table: name, typed value with unit, reset, slider, explanation.
class SettingRow : public QWidget {
    Q_OBJECT
public:
    SettingRow(Controller& controller, const IsolationParameter& parameter, QWidget* parent = nullptr);

private:
    void refresh();
    void set(double value, bool dragging);
    Controller& m_controller;
    const IsolationParameter& m_parameter;
    QSlider* m_slider;
    QLineEdit* m_value;
};

}  // namespace rivlen

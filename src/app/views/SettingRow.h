#pragma once
#include <QLabel>
#include <QLineEdit>
#include <QSlider>
#include <QWidget>

#include "app/Controller.h"

namespace rivlen {

/// One strength setting from the parameter table: name, slider, typed value with unit, reset. Its explanation is told when the pointer
/// or the keyboard comes to it.
class SettingRow : public QWidget {
    Q_OBJECT
public:
    SettingRow(Controller& controller, const IsolationParameter& parameter, QWidget* parent = nullptr);

signals:
    void explained(const QString& sentence);

protected:
    void enterEvent(QEnterEvent*) override;
    bool eventFilter(QObject*, QEvent*) override;

private:
    void refresh();
    void set(double value, bool dragging);
    Controller& m_controller;
    const IsolationParameter& m_parameter;
    QSlider* m_slider;
    QLineEdit* m_value;
};

}  // namespace rivlen

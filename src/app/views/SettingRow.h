#pragma once
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
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

    /// Why the setting cannot be used now, one sentence; empty when it can.
    void setHindrance(const QString& sentence);

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
    QPushButton* m_reset;
    QString m_hindrance;
};

}  // namespace rivlen

#pragma once
#include "app/Controller.h"
#include "app/views/ValueRow.h"

namespace rivlen {

/// One strength setting from the parameter table.
class SettingRow : public ValueRow {
    Q_OBJECT
public:
    SettingRow(Controller& controller, const IsolationParameter& parameter, QWidget* parent = nullptr);

    /// Why the setting cannot be used now, one sentence; empty when it can.
    void setHindrance(const QString& sentence);

private:
    void refresh();
    Controller& m_controller;
    const IsolationParameter& m_parameter;
    QString m_hindrance;
};

}  // namespace rivlen

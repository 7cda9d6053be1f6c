#pragma once
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QPushButton>

#include "app/DispatchDesk.h"

namespace rivlen {

/// What goes to the next department: lanes with event lists, or the stems alone.
class HandOverControls : public QWidget {
    Q_OBJECT
public:
    HandOverControls(Controller& controller, DispatchDesk& desk, QWidget* parent = nullptr);
    void refresh();

private:
    Controller& m_controller;
    DispatchDesk& m_desk;
    QDoubleSpinBox* m_handles;
    QPushButton *m_handOver, *m_export;
    QComboBox* m_stemFormat;
};

}  // namespace rivlen

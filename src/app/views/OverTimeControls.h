#pragma once
#include <QDoubleSpinBox>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>

#include "app/Desks.h"

namespace rivlen {

/// Strength over time and over reels: the regions with their names and fades, what is drawn, giving a strength to other
/// reels.
class OverTimeControls : public QWidget {
    Q_OBJECT
public:
    OverTimeControls(Controller& controller, Desks& desks, QWidget* parent = nullptr);

private:
    void refresh();
    Controller& m_controller;
    StrengthDesk& m_desk;
    QListWidget* m_regions;
    QDoubleSpinBox* m_fade;
    QPushButton *m_add, *m_remove, *m_copy, *m_undraw, *m_reels;
    QLabel *m_drawn, *m_why;
};

}  // namespace rivlen

#pragma once
#include <QLabel>
#include <QWidget>

#include "app/Desks.h"

namespace rivlen {

class BandBiasCurve;
class SettingRow;

/// All settings of the strength that is worked on: a row for each of the parameter table, the Band bias, what they do
/// in words.
class StrengthControls : public QWidget {
    Q_OBJECT
public:
    StrengthControls(Controller& controller, Desks& desks, QWidget* parent = nullptr);

private:
    void refresh();
    Controller& m_controller;
    SettingRow* m_room = nullptr;
    BandBiasCurve* m_curve;
    QLabel *m_why, *m_loudness;
};

}  // namespace rivlen

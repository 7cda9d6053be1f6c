#pragma once
#include <QCheckBox>
#include <QComboBox>
#include <QLineEdit>

#include "app/rebuild/Ducking.h"
#include "app/rebuild/LaneTools.h"
#include "app/widgets/ValueRow.h"

namespace rivlen {

/// Level, pan, width, name, group and curves of the chosen lane, group or the mix.
class LaneControls : public QWidget {
    Q_OBJECT
public:
    LaneControls(RebuildDesk& desk, LaneTools& lanes, LaneCurves& curves, QWidget* parent = nullptr);

signals:
    void strengthWanted(bool on);  ///< the strength lane is to be shown below the lanes

private:
    void refresh();
    RebuildDesk& m_desk;
    LaneTools& m_lanes;
    LaneCurves& m_curves;
    QLineEdit* m_name;
    QPushButton *m_mute, *m_solo;
    QComboBox *m_group, *m_automation;
    int m_ownCurves = 0;  ///< entries that every strip has
    std::vector<ValueRow*> m_rows;
    QList<QPushButton*> m_curveButtons;
    QList<QPushButton*> m_laneButtons;
    QLabel* m_hint;
};

/// How the chosen lane is pulled down by another.
class DuckControls : public QWidget {
    Q_OBJECT
public:
    DuckControls(RebuildDesk& desk, Ducking& ducking, QWidget* parent = nullptr);

private:
    void refresh();
    void edit(const QString& name, const std::function<void(Duck&)>& change, const std::string& gesture = "");
    RebuildDesk& m_desk;
    QLabel* m_lane;
    QCheckBox* m_on;
    QComboBox *m_key, *m_by;
    std::vector<ValueRow*> m_rows;
    QPushButton* m_convert;
};

}  // namespace rivlen

#pragma once
#include <QComboBox>
#include <QPushButton>

#include "app/rebuild/FollowDesk.h"
#include "app/rebuild/PlanView.h"
#include "app/rebuild/SphereView.h"
#include "app/widgets/ValueRow.h"

namespace rivlen {

/// What the mix is made for and how it is heard, where its lanes stand in it, what comes of that, and what they follow.
class SpaceControls : public QWidget {
    Q_OBJECT
public:
    SpaceControls(RebuildDesk& desk, Hearing& hearing, SpaceListening& listening, FollowDesk& follow,
                  QWidget* parent = nullptr);

private:
    void refresh();
    RebuildDesk& m_desk;
    Hearing& m_hearing;
    QPushButton* m_phones;
    QComboBox *m_format, *m_monitor;
    PlanView* m_plan;
    SphereView* m_sphere;
    QWidget* m_places;  ///< what belongs to the chosen lane
    QLabel *m_lane, *m_hint;
    std::vector<ValueRow*> m_rows;
};

}  // namespace rivlen

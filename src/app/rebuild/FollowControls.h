#pragma once
#include <QCheckBox>
#include <QPushButton>

#include "app/rebuild/FollowDesk.h"
#include "app/widgets/ValueRow.h"

namespace rivlen {

/// How a lane follows something in the picture: marking, what of its way counts, where it was lost.
class FollowControls : public QWidget {
    Q_OBJECT
public:
    FollowControls(FollowDesk& follow, RebuildDesk& desk, QWidget* parent = nullptr);

private:
    void refresh();
    FollowDesk& m_follow;
    RebuildDesk& m_desk;
    QLabel *m_hint, *m_found;
    QPushButton *m_mark, *m_hand, *m_stop, *m_lost;
    std::array<QCheckBox*, 3> m_what;
    ValueRow *m_angle, *m_smooth;
};

}  // namespace rivlen

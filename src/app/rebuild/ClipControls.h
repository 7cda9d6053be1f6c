#pragma once
#include <QComboBox>
#include <QLineEdit>

#include "app/rebuild/ClipTools.h"
#include "app/rebuild/LaneTools.h"
#include "app/widgets/ValueRow.h"

namespace rivlen {

/// What the selected clips are like, and what is done to them.
class ClipControls : public QWidget {
    Q_OBJECT
public:
    ClipControls(RebuildDesk& desk, ClipTools& clips, LaneTools& lanes, QWidget* parent = nullptr);

signals:
    void snappingChanged(bool on);

private:
    void refresh();
    RebuildDesk& m_desk;
    ClipTools& m_clips;
    LaneTools& m_lanes;
    QLabel* m_facts;
    QLineEdit* m_name;
    ValueRow *m_gain, *m_in, *m_out;
    QComboBox *m_inShape, *m_outShape;
    QList<QWidget*> m_needClip;
    QPushButton* m_swap;
};

}  // namespace rivlen

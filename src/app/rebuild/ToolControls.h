#pragma once
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/rebuild/RebuildTools.h"

namespace rivlen {

/// What is done to lanes in one step: sounds imported, music replaced, holes filled, silences shortened, the mix
/// written.
class ToolControls : public QWidget {
    Q_OBJECT
public:
    explicit ToolControls(RebuildTools& tools, QWidget* parent = nullptr);
    void importSounds();
    void replaceMusic();

private:
    void refresh();
    RebuildTools& m_tools;
    QDoubleSpinBox *m_threshold, *m_shortest, *m_to;
    QLabel* m_found;
    QPushButton *m_shorten, *m_fill;
    QList<QWidget*> m_needLane;
};

}  // namespace rivlen

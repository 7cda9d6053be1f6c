#pragma once
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QTimer>

#include "app/split/SceneDesk.h"

namespace rivlen {

/// Below the marks: learning the scene from them, and what came of it.
class SceneControls : public QWidget {
    Q_OBJECT
public:
    explicit SceneControls(SceneDesk& desk, QWidget* parent = nullptr);

private:
    void refresh();

    SceneDesk& m_desk;
    QPushButton *m_learn, *m_without, *m_group;
    QProgressBar* m_along;
    QLabel* m_said;
    QTimer m_tick;  ///< while something is learned
};

}  // namespace rivlen

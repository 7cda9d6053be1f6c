#pragma once
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <array>

#include "app/split/SceneDesk.h"

namespace rivlen {

/// At Split: what alone is heard where, as a list, and what Rivlen proposes.
class MarkControls : public QWidget {
    Q_OBJECT
public:
    MarkControls(MarkDesk& desk, SceneDesk& scenes, Hearing& hearing, QWidget* parent = nullptr);

private:
    void refresh();

    MarkDesk& m_desk;
    Hearing& m_hearing;
    QLabel* m_text;
    QListWidget* m_list;
    std::array<QPushButton*, 3> m_only;
    QPushButton *m_hear, *m_take, *m_accept;
};

}  // namespace rivlen

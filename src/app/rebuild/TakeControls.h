#pragma once
#include <QCheckBox>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QWidget>

#include "app/rebuild/TakeDesk.h"

namespace rivlen {

/// A voice line: record, the microphone and its level, the pre-roll.
class TakeControls : public QWidget {
    Q_OBJECT
public:
    explicit TakeControls(TakeDesk& takes, QWidget* parent = nullptr);

private:
    void refresh();
    TakeDesk& m_takes;
    QPushButton* m_record;
    QCheckBox* m_listen;
    QProgressBar* m_level;
    QLabel* m_state;
};

/// Shows a peak (1: full scale) on a bar made by makeLevelBar(), from -60 dBFS on.
QProgressBar* makeLevelBar(const char* name);
void showLevel(QProgressBar& bar, float peak);

/// Which microphone, and how late it is.
void openMicrophoneDialog(TakeDesk& takes, QWidget* parent);

}  // namespace rivlen

#pragma once
#include <QCheckBox>
#include <QDialog>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QLineEdit>

#include "app/rebuild/SceneTools.h"

namespace rivlen {

/// One guided step: which cue, for which span, how it begins and ends, how loud.
class ReplaceMusicDialog : public QDialog {
    Q_OBJECT
public:
    ReplaceMusicDialog(RebuildMix& mix, SceneTools& scene, std::optional<std::pair<double, double>> loop,
                       QWidget* parent = nullptr);
    void chooseFile(const QString& file);

private:
    void describe();
    void lay();
    RebuildMix& m_mix;
    SceneTools& m_scene;
    QLineEdit* m_file;
    QDoubleSpinBox *m_from, *m_to, *m_cueFrom, *m_loopFrom, *m_loopTo, *m_fadeIn, *m_fadeOut, *m_tail, *m_gain;
    QCheckBox *m_match, *m_duck;
    QLabel* m_plan;
    QPushButton* m_ok;
    double m_cueSeconds = 0;
};

}  // namespace rivlen

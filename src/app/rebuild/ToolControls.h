#pragma once
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/rebuild/SceneTools.h"
#include "app/rebuild/TakeDesk.h"
#include "app/rebuild/ToneTools.h"

namespace rivlen {

/// What is done to lanes in one step: sounds imported, voice lines recorded, music replaced, holes filled, silences
/// shortened, the mix written.
class ToolControls : public QWidget {
    Q_OBJECT
public:
    ToolControls(RebuildDesk& desk, RebuildMix& mix, ToneTools& tones, SceneTools& scene, TakeDesk& takes,
                 QWidget* parent = nullptr);
    void importSounds();
    void replaceMusic();

private:
    void refresh();
    RebuildDesk& m_desk;
    RebuildMix& m_mix;
    ToneTools& m_tones;
    SceneTools& m_scene;
    QDoubleSpinBox *m_threshold, *m_shortest, *m_to;
    QLabel* m_found;
    QPushButton *m_shorten, *m_fill;
    QList<QWidget*> m_needLane;
};

}  // namespace rivlen

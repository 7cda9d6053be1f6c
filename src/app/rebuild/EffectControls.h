#pragma once
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/rebuild/EffectDesk.h"
#include "app/rebuild/LaneCurves.h"

namespace rivlen {

/// One effect of the chosen chain: where it stands, its presets, its controls with the ranges that it names.
class EffectControls : public QWidget {
    Q_OBJECT
public:
    EffectControls(RebuildDesk& desk, EffectDesk& effects, LaneCurves& curves, QWidget* parent = nullptr);
    void show(const std::string& id);  ///< of a slot of the chosen strip
    const std::string& shown() const { return m_id; }

signals:
    void explained(const QString& sentence);

private:
    void refresh();
    void build();  ///< rows for the controls of another effect
    QWidget* row(const EffectControl& control);
    RebuildDesk& m_desk;
    EffectDesk& m_effects;
    LaneCurves& m_curves;
    std::string m_id, m_built;  ///< m_built: strip, slot and effect that the rows are of
    std::vector<EffectControl> m_controls;
    QLabel* m_about;
    QComboBox *m_presets, *m_moved;
    QPushButton *m_earlier, *m_later, *m_remove;
    QWidget* m_rows = nullptr;
    std::vector<std::function<void(double, bool usable)>> m_show;  ///< by control
};

}  // namespace rivlen

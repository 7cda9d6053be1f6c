#pragma once
#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <map>

#include "app/rebuild/ChainCurve.h"
#include "app/rebuild/EffectControls.h"
#include "app/rebuild/SceneTools.h"
#include "app/widgets/ValueRow.h"

namespace rivlen {

/// The chain of the chosen lane, group or the mix: its modules and installed effects with switches, in the order of
/// work, the chosen one drawn and with its settings.
class ChainControls : public QWidget {
    Q_OBJECT
public:
    ChainControls(RebuildDesk& desk, SceneTools& scene, EffectDesk& effects, LaneCurves& curves, HeardMeters& meters,
                  Hearing& hearing, QWidget* parent = nullptr);
    void showModule(size_t module);
    void showEffect(const std::string& id);

private:
    void refresh();
    void edit(const QString& name, const std::function<void(ChainSettings&)>& change, const std::string& gesture = "");
    void addModule(size_t module, SceneTools& scene);
    void addRoom(QVBoxLayout& page, SceneTools& scene);
    void layCells();  ///< modules and effects, in the order of work
    QWidget* cellOf(const EffectSlot& slot);
    /// A switch and a name, as each step of the chain has them.
    static QWidget* cell(QCheckBox* on, QPushButton* name, const QString& id, const QString& text, const QString& tip);

    RebuildDesk& m_desk;
    EffectDesk& m_effects;
    ChainCurve* m_curve;
    EffectControls* m_effect;
    QGridLayout* m_grid;
    QLabel *m_lane, *m_explanation;
    struct Module {
        QCheckBox* on;
        QPushButton* name;
        QWidget *cell, *page;
        std::vector<ValueRow*> rows;
    };
    std::vector<Module> m_modules;
    struct Effect {
        QCheckBox* on;
        QPushButton* name;
        QWidget* cell;
    };
    std::map<std::string, Effect> m_cells;  ///< by slot
    std::vector<EffectSlot> m_laid;         ///< what the cells were made of
    std::string m_laidStrip;
    size_t m_shown = 4;
    QPushButton* m_estimate;
    QComboBox* m_impulse;
};

}  // namespace rivlen

#pragma once
#include <QCheckBox>
#include <QComboBox>
#include <QListWidget>

#include "app/rebuild/ChainCurve.h"
#include "app/rebuild/SceneTools.h"
#include "app/widgets/ValueRow.h"

namespace rivlen {

/// The voice chain of the chosen lane, group or the mix: its modules with switches, the chosen one drawn and with its
/// settings.
class ChainControls : public QWidget {
    Q_OBJECT
public:
    ChainControls(RebuildDesk& desk, SceneTools& scene, HeardMeters& meters, Hearing& hearing,
                  QWidget* parent = nullptr);
    void showModule(size_t module);

private:
    void refresh();
    void edit(const QString& name, const std::function<void(ChainSettings&)>& change, const std::string& gesture = "");
    RebuildDesk& m_desk;
    ChainCurve* m_curve;
    QLabel *m_lane, *m_explanation;
    struct Module {
        QCheckBox* on;
        QPushButton* name;
        QWidget* page;
        std::vector<ValueRow*> rows;
    };
    std::vector<Module> m_modules;
    size_t m_shown = 4;
    QPushButton* m_estimate;
    QComboBox* m_impulse;
};

}  // namespace rivlen

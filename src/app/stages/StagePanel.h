#pragma once
#include <QLabel>
#include <QVBoxLayout>
#include <QWidget>
#include <functional>
#include <vector>

#include "app/Desks.h"

namespace rivlen {

/// The controls of one stage, on the right of the window.
class StagePanel : public QWidget {
    Q_OBJECT
public:
    StagePanel(Controller& controller, const QString& question, QWidget* parent = nullptr);
    /// Called when anything in the document or its state has changed.
    virtual void refresh() {}

signals:
    void tableWanted();             ///< all reels are to be shown as a table, or no longer
    void differenceWanted();        ///< the Difference picture is to be shown, or hidden
    void strengthWanted(bool on);   ///< strength over time is to be shown at Rebuild
    void snappingChanged(bool on);  ///< clips keep to borders, or move freely

protected:
    QLabel* addText(const QString& text = {}, bool quiet = true);
    QLabel* addHeading(const QString& text);
    Controller& m_controller;
    QVBoxLayout* m_column;
};

/// A stage: its id and how its panel is made. A new stage is one more line in stageTable().
struct StageEntry {
    const char* id;
    std::function<StagePanel*(Controller&, Desks&)> make;
};
const std::vector<StageEntry>& stageTable();

StagePanel* makeIntakePanel(Controller& controller, Desks& desks);
StagePanel* makeSplitPanel(Controller& controller);
StagePanel* makeWeighPanel(Controller& controller, Desks& desks);
StagePanel* makeRebuildPanel(Controller& controller, Desks& desks);
StagePanel* makeDispatchPanel(Controller& controller, Desks& desks);

}  // namespace rivlen

#include <QStackedWidget>
#include <QTabBar>

#include "app/stages/StagePanel.h"
#include "app/views/FaultControls.h"
#include "app/views/PanelParts.h"
#include "app/views/ReelControls.h"
#include "app/views/TreatmentControls.h"

namespace rivlen {

namespace {

class IntakePanel : public StagePanel {
public:
    IntakePanel(Controller& controller, Desks& desks)
        : StagePanel(controller, "What do I have, and what is wrong with it?") {
        m_tabs = makePageTabs("intaketabs", {"Reels", "Faults", "Treatments"});
        auto* pages = new QStackedWidget;
        auto* reels = new ReelControls(controller, desks.reels);
        auto* faults = new FaultControls(controller, desks);
        auto* treatments = new TreatmentControls(controller, desks);
        for (QWidget* page :
             {static_cast<QWidget*>(reels), static_cast<QWidget*>(faults), static_cast<QWidget*>(treatments)})
            pages->addWidget(page);
        m_column->addWidget(m_tabs);
        m_column->addWidget(pages, 1);
        connect(m_tabs, &QTabBar::currentChanged, pages, &QStackedWidget::setCurrentIndex);
        connect(reels, &ReelControls::tableWanted, this, &StagePanel::tableWanted);
        connect(faults, &FaultControls::treatmentWanted, this, [this, treatments](const QString& id) {
            m_tabs->setCurrentIndex(2);
            treatments->choose(id);
        });
        connect(&desks.repairs, &RepairDesk::changed, this, [this, &desks] {
            const auto found = desks.repairs.found();
            const auto open = found ? std::count_if(found->begin(), found->end(),
                                                    [&](const Finding& f) {
                                                        return desks.repairs.verdict(f) == RepairDesk::Verdict::Open;
                                                    })
                                    : 0;
            m_tabs->setTabText(1, open > 0 ? QString("Faults (%1)").arg(open) : QString("Faults"));
            const auto& chain = desks.repairs.chain();
            const auto on = std::count_if(chain.begin(), chain.end(), [](const Treatment& t) { return t.on; });
            m_tabs->setTabText(2, on > 0 ? QString("Treatments (%1)").arg(on) : QString("Treatments"));
        });
    }

private:
    QTabBar* m_tabs;
};

}  // namespace

StagePanel* makeIntakePanel(Controller& controller, Desks& desks) { return new IntakePanel(controller, desks); }

}  // namespace rivlen

#include <QStackedWidget>

#include "app/stages/StagePanel.h"
#include "app/views/DeliverableControls.h"
#include "app/views/HandOverControls.h"
#include "app/views/PanelParts.h"
#include "app/views/QueueControls.h"

namespace rivlen {

namespace {

class DispatchPanel : public StagePanel {
public:
    DispatchPanel(Controller& controller, Desks& desks)
        : StagePanel(controller, "What leaves the house, and does it conform?") {
        m_column->takeAt(1);  // the room below the question goes to the pages
        auto* tabs = makePageTabs("dispatchtabs", {"Deliver", "Queue", "Hand over"});
        auto* pages = new QStackedWidget;
        auto* deliverables = new DeliverableControls(controller, desks.dispatch);
        pages->addWidget(deliverables);
        pages->addWidget(new QueueControls(desks.dispatch));
        m_handOver = new HandOverControls(controller, desks.dispatch);
        pages->addWidget(m_handOver);
        m_column->addWidget(tabs);
        m_column->addWidget(pages, 1);
        connect(tabs, &QTabBar::currentChanged, pages, &QStackedWidget::setCurrentIndex);
        connect(deliverables, &DeliverableControls::dispatched, tabs, [tabs] { tabs->setCurrentIndex(1); });
        m_deliverables = deliverables;
    }

    void refresh() override {
        m_deliverables->refresh();
        m_handOver->refresh();
    }

private:
    DeliverableControls* m_deliverables;
    HandOverControls* m_handOver;
};

}  // namespace

StagePanel* makeDispatchPanel(Controller& controller, Desks& desks) { return new DispatchPanel(controller, desks); }

}  // namespace rivlen

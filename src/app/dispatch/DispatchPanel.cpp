#include "app/dispatch/DispatchPanel.h"

#include <QStackedWidget>

#include "app/dispatch/DeliverableControls.h"
#include "app/dispatch/HandOverControls.h"
#include "app/dispatch/QueueControls.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

class DispatchPanel : public StagePanel {
public:
    DispatchPanel(Document& document, Reels& reels, Work& work, DeliverablesDesk& desk, DispatchDesk& dispatch)
        : StagePanel(say("What leaves the house, and does it conform?")) {
        m_column->takeAt(1);  // the room below the question goes to the pages
        auto* tabs = makePageTabs("dispatchtabs", {say("Deliver"), say("Queue"), say("Hand over")});
        auto* pages = new QStackedWidget;
        auto* deliverables = new DeliverableControls(document, reels, desk, dispatch);
        pages->addWidget(deliverables);
        pages->addWidget(new QueueControls(dispatch));
        m_handOver = new HandOverControls(document, reels, work, dispatch);
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

StagePanel* makeDispatchPanel(Document& document, Reels& reels, Work& work, DeliverablesDesk& deliverables,
                              DispatchDesk& dispatch) {
    return new DispatchPanel(document, reels, work, deliverables, dispatch);
}

}  // namespace rivlen

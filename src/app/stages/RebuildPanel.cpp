#include <QStackedWidget>

#include "app/stages/StagePanel.h"
#include "app/views/ChainControls.h"
#include "app/views/ClipControls.h"
#include "app/views/LaneControls.h"
#include "app/views/MendControls.h"
#include "app/views/MeterView.h"
#include "app/views/PanelParts.h"
#include "app/views/ToolControls.h"

namespace rivlen {

namespace {

class RebuildPanel : public StagePanel {
public:
    RebuildPanel(Controller& controller, Desks& desks)
        : StagePanel(controller, "What does the finished track sound like?") {
        m_column->takeAt(1);  // the room below the question goes to the pages
        auto* tabs = makePageTabs("rebuildtabs", {"Lane", "Chain", "Duck", "Clip", "Tools", "Mend"});
        tabs->setUsesScrollButtons(false);
        auto* pages = new QStackedWidget;
        auto* lane = new LaneControls(desks.rebuild);
        auto* clip = new ClipControls(desks.rebuild);
        pages->addWidget(lane);
        pages->addWidget(new ChainControls(desks.rebuild, desks.meters, controller));
        pages->addWidget(new DuckControls(desks.rebuild));
        pages->addWidget(clip);
        auto* tools = new ToolControls(desks.rebuild);
        tools->setObjectName("tools");
        pages->addWidget(tools);
        pages->addWidget(new MendControls(desks.rebuild, desks.mend));
        m_column->addWidget(tabs);
        m_column->addWidget(pages, 1);
        auto* meters = new MeterView(desks.meters);
        m_column->addWidget(meters);
        connect(tabs, &QTabBar::currentChanged, this, [pages, meters](int i) {
            pages->setCurrentIndex(i);
            meters->setFixedHeight(i == 1 ? 70 : 118);  // a chain draws the spectrum itself
        });
        connect(lane, &LaneControls::strengthWanted, this, &StagePanel::strengthWanted);
        connect(clip, &ClipControls::snappingChanged, this, &StagePanel::snappingChanged);
    }
};

}  // namespace

StagePanel* makeRebuildPanel(Controller& controller, Desks& desks) { return new RebuildPanel(controller, desks); }

}  // namespace rivlen

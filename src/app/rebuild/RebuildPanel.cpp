#include "app/rebuild/RebuildPanel.h"

#include <QStackedWidget>

#include "app/rebuild/ChainControls.h"
#include "app/rebuild/ClipControls.h"
#include "app/rebuild/LaneControls.h"
#include "app/rebuild/MendControls.h"
#include "app/rebuild/ToolControls.h"
#include "app/views/MeterView.h"
#include "app/widgets/PanelParts.h"

namespace rivlen {

namespace {

class RebuildPanel : public StagePanel {
public:
    RebuildPanel(Hearing& hearing, RebuildDesk& rebuild, HeardMeters& heard, MendTool& mend)
        : StagePanel("What does the finished track sound like?") {
        m_column->takeAt(1);  // the room below the question goes to the pages
        auto* tabs = makePageTabs("rebuildtabs", {"Lane", "Chain", "Duck", "Clip", "Tools", "Mend"});
        tabs->setUsesScrollButtons(false);
        auto* pages = new QStackedWidget;
        auto* lane = new LaneControls(rebuild);
        auto* clip = new ClipControls(rebuild);
        pages->addWidget(lane);
        pages->addWidget(new ChainControls(rebuild, heard, hearing));
        pages->addWidget(new DuckControls(rebuild));
        pages->addWidget(clip);
        auto* tools = new ToolControls(rebuild);
        tools->setObjectName("tools");
        pages->addWidget(tools);
        pages->addWidget(new MendControls(rebuild, mend));
        m_column->addWidget(tabs);
        m_column->addWidget(pages, 1);
        auto* meters = new MeterView(heard);
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

StagePanel* makeRebuildPanel(Hearing& hearing, RebuildDesk& rebuild, HeardMeters& heard, MendTool& mend) {
    return new RebuildPanel(hearing, rebuild, heard, mend);
}

}  // namespace rivlen

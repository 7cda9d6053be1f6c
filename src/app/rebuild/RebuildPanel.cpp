#include "app/rebuild/RebuildPanel.h"

#include <QStackedWidget>

#include "app/rebuild/ChainControls.h"
#include "app/rebuild/ClipControls.h"
#include "app/rebuild/LaneControls.h"
#include "app/rebuild/MendControls.h"
#include "app/rebuild/PartBalances.h"
#include "app/rebuild/SpaceControls.h"
#include "app/rebuild/ToolControls.h"
#include "app/views/MeterView.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

class RebuildPanel : public StagePanel {
public:
    RebuildPanel(const Document& document, Hearing& hearing, RebuildTools& tools, HeardMeters& heard)
        : StagePanel(say("What does the finished track sound like?")) {
        m_column->takeAt(1);  // the room below the question goes to the pages
        auto* tabs = makePageTabs("rebuildtabs", {say("Lane"), say("Chain"), say("Duck"), say("Clip"), say("Parts"),
                                                  say("Tools"), say("Mend"), say("Space")});
        auto* pages = new QStackedWidget;
        auto* lane = new LaneControls(tools.desk, tools.lanes, tools.curves);
        auto* clip = new ClipControls(tools.desk, tools.clips, tools.lanes);
        pages->addWidget(lane);
        pages->addWidget(new ChainControls(tools.desk, tools.scene, tools.effects, tools.curves, heard, hearing));
        pages->addWidget(new DuckControls(tools.desk, tools.ducking));
        pages->addWidget(clip);
        pages->addWidget(new PartBalances(document, tools.desk, tools.parts));
        auto* page = new ToolControls(tools.desk, tools.mix, tools.tones, tools.scene, tools.takes);
        page->setObjectName("tools");
        pages->addWidget(page);
        pages->addWidget(new MendControls(tools.desk, tools.mend));
        pages->addWidget(new SpaceControls(tools.desk, hearing, tools.listening, tools.follow));
        m_column->addWidget(tabs);
        m_column->addWidget(pages, 1);
        auto* meters = new MeterView(heard);
        m_column->addWidget(meters);
        showPage(*pages, 0);
        connect(tabs, &QTabBar::currentChanged, this, [pages, meters](int i) {
            // First out, then in: both would ask for more than the window has.
            if (i == 7) meters->hide();
            showPage(*pages, i);
            meters->setFixedHeight(i == 1 ? 70 : 118);  // a chain draws the spectrum itself
            meters->setVisible(i != 7);                 // space has meters of its own, and needs the room
        });
        connect(&tools.effects, &EffectDesk::added, this, [tabs] { tabs->setCurrentIndex(1); });
        connect(lane, &LaneControls::strengthWanted, this, &StagePanel::strengthWanted);
        connect(clip, &ClipControls::snappingChanged, this, &StagePanel::snappingChanged);
    }
};

}  // namespace

StagePanel* makeRebuildPanel(const Document& document, Hearing& hearing, RebuildTools& tools, HeardMeters& heard) {
    return new RebuildPanel(document, hearing, tools, heard);
}

}  // namespace rivlen

#include "app/window/Stages.h"

#include <QTabBar>

#include "app/dispatch/CleanControls.h"
#include "app/dispatch/DispatchPanel.h"
#include "app/intake/IntakePanel.h"
#include "app/rebuild/RebuildPanel.h"
#include "app/split/SplitPanel.h"
#include "app/weigh/TrialControls.h"
#include "app/weigh/WeighPanel.h"

namespace rivlen {

const std::array<MakePanel, kStages.size()>& panelTable() {
    static const std::array<MakePanel, kStages.size()> table{
        [](Studio& s, Desks& d) {
            return makeIntakePanel(s.document, s.reels, s.reader, s.work, d.reels, d.treatment,
                                   new CleanControls(s.document, d.clean));
        },
        [](Studio& s, Desks& d) {
            auto* tryPage = new TrialControls(s.hearing, d.trials, "split_");
            auto* panel = makeSplitPanel(s.document, s.reels, s.splitting, s.apart, s.work, s.networks, d.marks,
                                         d.scenes, s.hearing, tryPage);
            // Whoever tries networks sees what comes of it.
            QObject::connect(&d.trials, &TrialDesk::began, panel, [panel, &document = s.document] {
                if (document.session().stage == stage::split)
                    panel->findChild<QTabBar*>("splittabs")->setCurrentIndex(3);
            });
            return panel;
        },
        [](Studio& s, Desks& d) {
            return makeWeighPanel(s.document, s.reels, s.splitting, s.hearing, s.work, d.strength, d.weigh,
                                  d.candidates, d.trials, d.outside);
        },
        [](Studio& s, Desks& d) { return makeRebuildPanel(s.document, s.hearing, d.rebuild, d.meters); },
        [](Studio& s, Desks& d) { return makeDispatchPanel(s.document, s.reels, s.work, d.deliverables, d.dispatch); },
    };
    return table;
}

}  // namespace rivlen

#include "app/intake/IntakePanel.h"

#include <QStackedWidget>
#include <QTabBar>

#include "app/intake/FaultControls.h"
#include "app/intake/ReelControls.h"
#include "app/intake/TreatmentControls.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

class IntakePanel : public StagePanel {
public:
    IntakePanel(Document& document, Reels& reels, ReelReader& reader, Work& work, ReelsModel& model,
                TreatmentDesk& desk, QWidget* foot)
        : StagePanel(say("What do I have, and what is wrong with it?")) {
        m_tabs = makePageTabs("intaketabs", {say("Reels"), say("Faults"), say("Treatments")});
        auto* pages = new QStackedWidget;
        auto* list = new ReelControls(document, reels, reader, work, model, foot);
        auto* faults = new FaultControls(document, reels, desk);
        auto* treatments = new TreatmentControls(document, reels, work, desk);
        for (QWidget* page :
             {static_cast<QWidget*>(list), static_cast<QWidget*>(faults), static_cast<QWidget*>(treatments)})
            pages->addWidget(page);
        m_column->addWidget(m_tabs);
        m_column->addWidget(pages, 1);
        connect(m_tabs, &QTabBar::currentChanged, pages, &QStackedWidget::setCurrentIndex);
        connect(list, &ReelControls::tableWanted, this, &StagePanel::tableWanted);
        connect(faults, &FaultControls::treatmentWanted, this, [this, treatments](const QString& id) {
            m_tabs->setCurrentIndex(2);
            treatments->choose(id);
        });
        connect(&desk, &TreatmentDesk::changed, this, [this, &desk] {
            const auto found = desk.found();
            const auto open =
                found ? std::count_if(found->begin(), found->end(),
                                      [&](const Finding& f) { return desk.verdict(f) == TreatmentDesk::Verdict::Open; })
                      : 0;
            m_tabs->setTabText(1, open > 0 ? say("Faults (%1)").arg(open) : say("Faults"));
            const auto& chain = desk.chain();
            const auto on = std::count_if(chain.begin(), chain.end(), [](const Treatment& t) { return t.on; });
            m_tabs->setTabText(2, on > 0 ? say("Treatments (%1)").arg(on) : say("Treatments"));
        });
    }

private:
    QTabBar* m_tabs;
};

}  // namespace

StagePanel* makeIntakePanel(Document& document, Reels& reels, ReelReader& reader, Work& work, ReelsModel& model,
                            TreatmentDesk& desk, QWidget* foot) {
    return new IntakePanel(document, reels, reader, work, model, desk, foot);
}

}  // namespace rivlen

#include "app/split/SplitPanel.h"

#include <QStackedWidget>

#include "app/split/MarkControls.h"
#include "app/split/PartsControls.h"
#include "app/split/SplitControls.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

class SplitPanel : public StagePanel {
public:
    SplitPanel(Document& document, Reels& reels, Splitting& splitting, TakingApart& apart, Work& work,
               InstalledNetworks& networks, MarkDesk& marks, SceneDesk& scenes, Hearing& hearing, QWidget* tryPage)
        : StagePanel(say("Which network, and how well did it go?")), m_marks(marks) {
        m_tabs = makePageTabs("splittabs", {say("Network"), say("Marks"), say("Parts"), say("Try")});
        m_tabs->setTabToolTip(1, say("What alone is heard where: what you know of this recording and no network can"));
        m_tabs->setTabToolTip(
            2, say("Stems taken further apart: the music into instruments, the ambience into events and bed"));
        m_tabs->setTabToolTip(
            3, say("The loop separated at once with other networks and qualities, to be heard side by side"));
        auto* pages = new QStackedWidget;
        m_controls = new SplitControls(document, reels, splitting, work, networks, scenes);
        pages->addWidget(m_controls);
        pages->addWidget(new MarkControls(marks, scenes, hearing));
        m_parts = new PartsControls(document, reels, apart, hearing);
        pages->addWidget(m_parts);
        pages->addWidget(tryPage);
        m_column->addWidget(m_tabs);
        m_column->addWidget(pages, 1);
        connect(m_tabs, &QTabBar::currentChanged, pages, &QStackedWidget::setCurrentIndex);
        connect(&marks, &MarkDesk::changed, this, &SplitPanel::count);
        // Whoever takes up a mark in a picture sees the list of them.
        connect(&marks, &MarkDesk::taken, this, [this] { m_tabs->setCurrentIndex(1); });
    }

    void refresh() override {
        m_controls->refresh();
        m_parts->refresh();
    }

private:
    void count() {
        m_tabs->setTabText(1, m_marks.count() == 0 ? say("Marks") : say("Marks (%1)").arg(m_marks.count()));
    }

    MarkDesk& m_marks;
    QTabBar* m_tabs;
    SplitControls* m_controls;
    PartsControls* m_parts;
};

}  // namespace

StagePanel* makeSplitPanel(Document& document, Reels& reels, Splitting& splitting, TakingApart& apart, Work& work,
                           InstalledNetworks& networks, MarkDesk& marks, SceneDesk& scenes, Hearing& hearing,
                           QWidget* tryPage) {
    return new SplitPanel(document, reels, splitting, apart, work, networks, marks, scenes, hearing, tryPage);
}

}  // namespace rivlen

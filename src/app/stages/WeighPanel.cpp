#include <QButtonGroup>
#include <QHBoxLayout>
#include <QPushButton>
#include <QStackedWidget>
#include <QTabBar>

#include "app/Theme.h"
#include "app/stages/StagePanel.h"
#include "app/views/CandidateBar.h"
#include "app/views/CompareControls.h"
#include "app/views/OverTimeControls.h"
#include "app/views/PanelParts.h"
#include "app/views/PresetButton.h"
#include "app/views/StrengthControls.h"

namespace rivlen {

namespace {

class WeighPanel : public StagePanel {
public:
    WeighPanel(Controller& controller, Desks& desks)
        : StagePanel(controller, "How strong before it hurts?"), m_desks(desks) {
        auto* row = new QHBoxLayout;
        row->setSpacing(6);
        for (size_t i = 0; i < kStemCount; ++i) {
            auto* b = m_stems[i] = new QPushButton(theme::stemName(int(i)));
            b->setObjectName(QString("strength_%1").arg(QString::fromStdString(kStemNames[i])));
            b->setCheckable(true);
            b->setToolTip(
                QString("Weigh the strength of the %1 (Ctrl+%2)").arg(theme::stemName(int(i)).toLower()).arg(i + 1));
            b->setStyleSheet(QString("QPushButton { padding: 4px 8px; border-bottom: 3px solid %1 } "
                                     "QPushButton:checked { background: %1; color: #1d1b18 }")
                                 .arg(theme::stemColor(int(i)).name()));
            connect(b, &QPushButton::clicked, this, [this, i] {
                m_desks.strength.chooseStem(kStemNames[i]);
                refresh();
            });
            row->addWidget(b, 1);
        }
        m_column->addLayout(row);
        auto* second = new QHBoxLayout;
        m_where = new QLabel;
        m_where->setObjectName("where");
        m_where->setWordWrap(true);
        m_where->setStyleSheet("color: #a79d8c");
        m_presets = new PresetButton(controller);
        second->addWidget(m_where, 1);
        second->addWidget(m_presets);
        m_column->addLayout(second);
        m_tabs = makePageTabs("weightabs", {"Strength", "Over time", "Compare"});
        auto* pages = new QStackedWidget;
        pages->addWidget(new StrengthControls(controller, desks));
        pages->addWidget(new OverTimeControls(controller, desks));
        auto* compare = new CompareControls(controller, desks);
        pages->addWidget(compare);
        m_column->addWidget(m_tabs);
        m_column->addWidget(pages, 1);
        m_column->addWidget(new CandidateBar(desks.candidates, controller));
        connect(m_tabs, &QTabBar::currentChanged, pages, &QStackedWidget::setCurrentIndex);
        connect(compare, &CompareControls::differenceWanted, this, &StagePanel::differenceWanted);
        refresh();
    }

    void refresh() override {
        const Reel* reel = m_controller.reel();
        const ReelState* s = m_controller.currentState();
        const bool ready = reel && s->stems && !m_controller.blind();
        m_presets->setEnabled(ready);
        for (size_t i = 0; i < kStemCount; ++i) {
            m_stems[i]->setEnabled(ready);
            m_stems[i]->setChecked(reel && reel->stem == kStemNames[i]);
        }
        m_where->setText(!reel       ? "Add a recording at Intake first."
                         : !s->stems ? "Split this reel first; then its strength is weighed here, live while it plays."
                                     : QString("In force on: %1").arg(m_desks.strength.regionName(reel->region)));
    }

private:
    Desks& m_desks;
    std::array<QPushButton*, kStemCount> m_stems{};
    PresetButton* m_presets;
    QLabel* m_where;
    QTabBar* m_tabs;
};

}  // namespace

StagePanel* makeWeighPanel(Controller& controller, Desks& desks) { return new WeighPanel(controller, desks); }

}  // namespace rivlen

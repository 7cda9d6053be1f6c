#include "app/weigh/WeighPanel.h"

#include <QButtonGroup>
#include <QComboBox>
#include <QHBoxLayout>
#include <QPushButton>
#include <QStackedWidget>
#include <QTabBar>

#include "app/views/PartLook.h"
#include "app/weigh/CandidateBar.h"
#include "app/weigh/CompareControls.h"
#include "app/weigh/OutsideControls.h"
#include "app/weigh/OverTimeControls.h"
#include "app/weigh/PresetButton.h"
#include "app/weigh/StrengthControls.h"
#include "app/widgets/PanelParts.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

class WeighPanel : public StagePanel {
public:
    WeighPanel(Document& document, Reels& reels, Splitting& splitting, Hearing& hearing, Work& work,
               StrengthDesk& strength, WeighDesk& weigh, CandidateDesk& candidates, TrialDesk& trials,
               OutsideDesk& outside)
        : StagePanel(say("How strong before it hurts?")),
          m_document(document),
          m_reels(reels),
          m_hearing(hearing),
          m_strength(strength) {
        auto* row = new QHBoxLayout;
        row->setSpacing(6);
        for (size_t i = 0; i < kStemCount; ++i) {
            auto* b = m_stems[i] = new QPushButton(theme::stemName(int(i)));
            b->setObjectName(QString("strength_%1").arg(QString::fromStdString(kStemNames[i])));
            b->setCheckable(true);
            b->setToolTip(
                say("Weigh the strength of the %1 (Ctrl+%2)").arg(within(theme::stemName(int(i)))).arg(i + 1));
            b->setStyleSheet(theme::sheet("QPushButton { padding: 4px 8px; border-bottom: 3px solid %1 } "
                                          "QPushButton:checked { background: %1; color: @ground }")
                                 .arg(theme::stemColor(int(i)).name()));
            connect(b, &QPushButton::clicked, this, [this, i] {
                m_strength.chooseStem(kStemNames[i]);
                refresh();
            });
            row->addWidget(b, 1);
        }
        m_column->addLayout(row);
        m_part = new QComboBox;
        m_part->setObjectName("weighpart");
        m_part->setAccessibleName(say("Part of the stem"));
        m_part->setToolTip(say("Weigh one part of the stem, which is taken apart for it (Shift+P: the next one)"));
        connect(m_part, &QComboBox::activated, this, [this](int i) {
            m_strength.chooseStem(m_part->itemData(i).toString().toStdString());
            refresh();
        });
        m_part->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
        m_part->setMinimumContentsLength(10);
        auto* second = new QHBoxLayout;
        m_where = new QLabel;
        m_where->setObjectName("where");
        m_where->setWordWrap(true);
        m_where->setStyleSheet(theme::sheet("color: @quiet"));
        m_presets = new PresetButton(document, work);
        second->addWidget(m_where, 1);
        second->addWidget(m_part);
        second->addWidget(m_presets);
        m_column->addLayout(second);
        m_tabs = makePageTabs("weightabs", {say("Strength"), say("Over time"), say("Compare"), say("Outside")});
        auto* pages = new QStackedWidget;
        pages->addWidget(new StrengthControls(document, reels, hearing, work, weigh));
        pages->addWidget(new OverTimeControls(document, reels, splitting, hearing, work, strength));
        auto* compare = new CompareControls(hearing, candidates, trials);
        pages->addWidget(compare);
        pages->addWidget(new OutsideControls(hearing, outside));
        m_column->addWidget(m_tabs);
        m_column->addWidget(pages, 1);
        m_column->addWidget(new CandidateBar(candidates, document, reels, splitting, work));
        connect(m_tabs, &QTabBar::currentChanged, pages, &QStackedWidget::setCurrentIndex);
        connect(compare, &CompareControls::differenceWanted, this, &StagePanel::differenceWanted);
        refresh();
    }

    void refresh() override {
        const Reel* reel = m_document.reel();
        const ReelFacts* s = m_reels.current();
        const bool ready = reel && s->stems && !m_hearing.blind();
        m_presets->setEnabled(ready);
        for (size_t i = 0; i < kStemCount; ++i) {
            m_stems[i]->setEnabled(ready);
            m_stems[i]->setChecked(reel && stemPlace(reel->stem) == i);
        }
        refreshPart(ready ? reel : nullptr, s ? s->stems.get() : nullptr);
        m_where->setText(!reel ? say("Add a recording at Intake first.")
                         : !s->stems
                             ? say("Split this reel first; then its strength is weighed here, live while it plays.")
                         : m_part->isHidden() ? say("In force on: %1").arg(m_strength.regionName(reel->region))
                                              : m_strength.regionName(reel->region));
    }

private:
    void refreshPart(const Reel* reel, const StemStore* stems) {
        const std::string whole = reel ? kStemNames[stemPlace(reel->stem)] : "";
        m_part->setVisible(!partsOf(whole).empty());
        if (m_part->isHidden()) return;
        const bool pending = !stemOfPart(reel->stem).empty() && !stems->parts(whole);
        m_part->clear();
        m_part->addItem(say("All of the %1").arg(said(whole)), QString::fromStdString(whole));
        for (const std::string& part : partsOf(whole))
            m_part->addItem(partLetter(part) + "  " + said(partTitle(part)) +
                                (pending && part == reel->stem ? say(": being taken out of the %1…").arg(said(whole))
                                                               : QString()),
                            QString::fromStdString(part));
        m_part->setCurrentIndex(1 + partPlace(reel->stem));
    }

    Document& m_document;
    Reels& m_reels;
    Hearing& m_hearing;
    StrengthDesk& m_strength;
    std::array<QPushButton*, kStemCount> m_stems{};
    QComboBox* m_part;
    PresetButton* m_presets;
    QLabel* m_where;
    QTabBar* m_tabs;
};

}  // namespace

StagePanel* makeWeighPanel(Document& document, Reels& reels, Splitting& splitting, Hearing& hearing, Work& work,
                           StrengthDesk& strength, WeighDesk& weigh, CandidateDesk& candidates, TrialDesk& trials,
                           OutsideDesk& outside) {
    return new WeighPanel(document, reels, splitting, hearing, work, strength, weigh, candidates, trials, outside);
}

}  // namespace rivlen

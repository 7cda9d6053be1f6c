#include "app/weigh/OverTimeControls.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/weigh/GiveStrengthDialog.h"
#include "app/widgets/PanelParts.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

OverTimeControls::OverTimeControls(Document& document, Reels& reels, Splitting& splitting, Hearing& hearing, Work& work,
                                   StrengthDesk& desk, QWidget* parent)
    : QWidget(parent),
      m_document(document),
      m_reels(reels),
      m_splitting(splitting),
      m_hearing(hearing),
      m_work(work),
      m_desk(desk) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    addPageHeading(column, say("Regions"));
    m_regions = new QListWidget;
    m_regions->setObjectName("regions");
    m_regions->setAccessibleName(say("Regions"));
    m_regions->setToolTip(
        say("What the controls change: the whole reel, or a region. F2 or a double click names a region."));
    m_regions->setStyleSheet("QListWidget::item { padding: 3px 6px; }");
    m_regions->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed);
    column->addWidget(m_regions, 1);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    m_add = makeSmallButton("addregion", say("Add from the loop"), say("Gives the loop a strength of its own (R)"));
    m_copy = makeSmallButton("copyregion", say("Copy to"), say("Gives these settings to another region"));
    m_copy->setMenu(new QMenu(m_copy));
    m_remove = makeSmallButton("removeregion", say("Remove"), say("The strength of the whole reel holds there again"));
    for (auto* b : {m_add, m_copy, m_remove}) row->addWidget(b);
    column->addLayout(row);
    auto* fade = new QHBoxLayout;
    auto* label = new QLabel(say("Fade at its borders"));
    m_fade = new QDoubleSpinBox;
    m_fade->setObjectName("fade");
    m_fade->setAccessibleName(say("Fade"));
    m_fade->setRange(kShortestFade, kLongestFade);
    m_fade->setSingleStep(0.05);
    m_fade->setDecimals(2);
    m_fade->setSuffix(" s");
    m_fade->setToolTip(say("Over which its strength comes and goes; there is never a step"));
    fade->addWidget(label);
    fade->addStretch();
    fade->addWidget(m_fade);
    column->addLayout(fade);
    column->addSpacing(6);
    addPageHeading(column, say("Drawn over time"));
    m_drawn = addPageText(column);
    m_undraw = makeSmallButton("undraw", say("Take the drawing away"), say("The setting is level again"));
    column->addWidget(m_undraw, 0, Qt::AlignLeft);
    column->addSpacing(6);
    addPageHeading(column, say("Other reels"));
    m_why = addPageText(column, say("One strength for all similar reels, with what it does to each."));
    m_toReels = makeSmallButton("givestrength", say("Give strength to reels…"),
                                say("Shows spill and damage before and after for each reel"));
    column->addWidget(m_toReels, 0, Qt::AlignLeft);

    connect(m_regions, &QListWidget::currentRowChanged, this, [this](int r) { m_desk.workOn(r - 1); });
    connect(m_regions, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
        if (const int r = m_regions->row(item) - 1; r >= 0) m_desk.renameRegion(r, item->text());
    });
    connect(m_add, &QPushButton::clicked, &m_desk, &StrengthDesk::regionFromLoop);
    connect(m_remove, &QPushButton::clicked, this, [this] { m_desk.removeRegion(m_document.reel()->region); });
    connect(m_copy->menu(), &QMenu::aboutToShow, this, [this] {
        m_copy->menu()->clear();
        const Reel* reel = m_document.reel();
        for (int r = -1; reel && r < int(reel->timeline().regions.size()); ++r)
            if (r != reel->region)
                m_copy->menu()->addAction(m_desk.regionName(r), this, [this, r] { m_desk.copyTo(r); });
    });
    connect(m_fade, &QDoubleSpinBox::valueChanged, this,
            [this](double v) { m_desk.setFade(m_document.reel()->region, v, true); });
    connect(m_fade, &QDoubleSpinBox::editingFinished, &m_desk, &StrengthDesk::endDrag);
    connect(m_undraw, &QPushButton::clicked, this, [this] { m_desk.setCurve({}, false); });
    connect(m_toReels, &QPushButton::clicked, this, [this] {
        (new GiveStrengthDialog(m_document, m_reels, m_splitting, m_work, m_document.reel()->isolation(), window()))
            ->open();
    });
    connect(&m_desk, &StrengthDesk::changed, this, &OverTimeControls::refresh);
    connect(&reels, &Reels::stemsChanged, this, &OverTimeControls::refresh);
    refresh();
}

void OverTimeControls::refresh() {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    const bool ready = reel && state && state->stems && !m_hearing.blind();
    setEnabled(ready);
    if (!reel) return;
    const auto& regions = reel->timeline().regions;
    const QSignalBlocker a(m_regions), b(m_fade);
    while (m_regions->count() > int(regions.size()) + 1) delete m_regions->takeItem(m_regions->count() - 1);
    while (m_regions->count() < int(regions.size()) + 1) m_regions->addItem("");
    for (int i = 0; i < m_regions->count(); ++i) {
        auto* item = m_regions->item(i);
        item->setText(m_desk.regionName(i - 1));
        item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable | (i > 0 ? Qt::ItemIsEditable : Qt::NoItemFlags));
        if (i > 0) {
            const auto& r = regions[size_t(i - 1)];
            item->setToolTip(
                say("%1 to %2")
                    .arg(QString::fromStdString(formatTime(r.from)), QString::fromStdString(formatTime(r.to))));
        }
    }
    m_regions->setCurrentRow(reel->workedRegion() ? reel->region + 1 : 0);
    const StrengthRegion* worked = reel->workedRegion();
    m_remove->setEnabled(worked);
    m_fade->setEnabled(worked);
    m_copy->setEnabled(!regions.empty());
    if (worked && !m_fade->hasFocus()) m_fade->setValue(worked->fade);
    const DrawnCurve* curve = m_desk.curve();
    m_undraw->setEnabled(curve);
    const QString name = said(m_desk.parameter().name);
    m_drawn->setText(
        curve ? (curve->size() == 1 ? say("%1 follows %2 point outside the regions.")
                                    : say("%1 follows %2 points outside the regions."))
                    .arg(name)
                    .arg(curve->size())
              : say("%1 is level. A double click below the picture draws it; the list there chooses another setting.")
                    .arg(name));
    m_toReels->setEnabled(ready && m_document.session().reels.size() > 1);
    m_why->setText(m_document.session().reels.size() > 1
                       ? say("One strength for all similar reels, with what it does to each.")
                       : say("There is no other reel in this session."));
}

}  // namespace rivlen

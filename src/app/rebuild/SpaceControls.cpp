#include "app/rebuild/SpaceControls.h"

#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/rebuild/FollowControls.h"
#include "app/rebuild/LaneNames.h"
#include "app/rebuild/ParameterRow.h"
#include "app/rebuild/SpaceMeters.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "core/rebuild/LanePlacer.h"

namespace rivlen {

SpaceControls::SpaceControls(RebuildDesk& desk, Hearing& hearing, SpaceListening& listening, FollowDesk& follow,
                             QWidget* parent)
    : QWidget(parent), m_desk(desk), m_hearing(hearing) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    auto* top = new QHBoxLayout;
    m_format = new QComboBox;
    m_format->setObjectName("mixformat");
    m_format->setAccessibleName(say("Format of the mix"));
    m_format->setToolTip(
        say("What the mix is made for. You hear it folded to two channels; deliverables whose layout is the "
            "mix's own have its channels."));
    for (const auto& facts : mixFormats()) m_format->addItem(said(facts.name), facts.id);
    top->addWidget(new QLabel(say("The mix is")));
    top->addWidget(m_format, 1);
    m_phones = makeSmallButton("headphones", say("Headphones"),
                               say("Hears the mix through a head's two ears in place of two loudspeakers (Ctrl+H); "
                                   "Ctrl+Shift with left and right turns the head"));
    m_phones->setCheckable(true);
    connect(m_phones, &QPushButton::clicked, &hearing.headphones(), &Headphones::set);
    connect(&hearing.headphones(), &Headphones::changed, this, &SpaceControls::refresh);
    column->addLayout(top);
    auto* heard = new QHBoxLayout;
    m_monitor = new QComboBox;
    m_monitor->setObjectName("monitor");
    m_monitor->setAccessibleName(say("What the mix is heard as"));
    m_monitor->setToolTip(say(
        "How you listen, apart from what the mix is made for: folded to fewer loudspeakers first (ITU-R BS.775), as a "
        "listener who has only those hears it"));
    for (const Monitor& m : monitors()) m_monitor->addItem(said(m.name), int(m.layout));
    connect(m_monitor, &QComboBox::activated, this,
            [this](int i) { m_hearing.headphones().setMonitor(monitors()[size_t(i)].layout); });
    heard->addWidget(new QLabel(say("Heard as")));
    heard->addWidget(m_monitor, 1);
    heard->addWidget(m_phones);
    column->addLayout(heard);
    auto* tabs = makePageTabs("spacetabs", {say("From above"), say("Sphere"), say("Meters"), say("Follow")});
    column->addWidget(tabs);
    auto* views = new QStackedWidget;
    m_plan = new PlanView(desk, hearing);
    m_sphere = new SphereView(desk, hearing, listening);
    views->addWidget(m_plan);
    views->addWidget(m_sphere);
    views->addWidget(new SpaceMeters(listening));
    views->addWidget(new FollowControls(follow, desk));
    showPage(*views, 0);
    column->addWidget(views, 1);
    m_places = new QWidget;
    connect(tabs, &QTabBar::currentChanged, this, [this, views](int i) {
        showPage(*views, i);
        m_places->setVisible(i < 2);  // meters and what is followed need the room
    });
    column->addWidget(m_places);
    column = new QVBoxLayout(m_places);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(2);  // five rows below a picture
    m_lane = addPageHeading(column, "");
    for (const auto& p : placeParameters()) {
        auto* row = makeParameterRow(p, QString("place_%1").arg(p.id));
        connect(row, &ValueRow::set, this, [this, &p](double v, bool dragging) {
            m_desk.editStrip(
                say("Set %1").arg(within(said(p.name))), [&](Strip& s) { s.*p.value = v; },
                dragging ? std::string("place ") + p.id : "");
        });
        connect(row, &ValueRow::released, this, [this] { m_desk.endDrag(); });
        connect(row, &ValueRow::refused, this, [this](const QString& why) { m_desk.tell(why); });
        connect(row, &ValueRow::explained, this, [this](const QString& text) { m_hint->setText(text); });
        column->addWidget(row);
        m_rows.push_back(row);
    }
    m_hint = addPageText(column, "");
    m_hint->setObjectName("placehint");
    connect(m_format, &QComboBox::activated, this, [this](int i) {
        const MixFormat format = mixFormatOf(m_format->itemData(i).toString().toStdString());
        if (format != m_desk.rebuild().format)
            m_desk.edit(say("Mix for ") + m_format->itemText(i), [&](Rebuild& r) { r.format = format; });
    });
    connect(&desk, &RebuildDesk::changed, this, &SpaceControls::refresh);
    connect(&hearing, &Hearing::pulse, this, [this] {  // a moving place is told as it moves
        const Lane* chosen = m_desk.lane();
        if (chosen && m_hint->isVisible() && m_hearing.player().playing() && m_desk.rebuild().format != MixFormat::Reel)
            m_hint->setText(placeText(placeAt(chosen->strip, m_desk.playhead())));
    });
    refresh();
}

void SpaceControls::refresh() {
    setEnabled(m_desk.ready());
    const MixFormat format = m_desk.rebuild().format;
    const QSignalBlocker quiet(m_format);
    m_format->setCurrentIndex(int(format));
    const Lane* lane = m_desk.lane();
    const bool placed = lane && format != MixFormat::Reel;
    m_lane->setText(lane ? laneName(m_desk.rebuild(), lane->id) : say("No lane is chosen"));
    const auto& table = placeParameters();
    for (size_t i = 0; i < table.size(); ++i) {
        const Strip& strip = m_desk.strip();
        m_rows[i]->show(strip.*table[i].value);
        m_rows[i]->setUsable(placed && !strip.automation.count(table[i].id));
    }
    Headphones& head = m_hearing.headphones();
    m_phones->setChecked(head.on());
    m_plan->setYaw(head.on() ? head.yaw() : 0);
    for (size_t i = 0; i < monitors().size(); ++i)
        if (monitors()[i].layout == head.monitor()) m_monitor->setCurrentIndex(int(i));
    m_hint->setText(!lane    ? say("Groups and the mix have no place: choose one of their lanes.")
                    : placed ? placeText(placeAt(lane->strip, m_desk.playhead()))
                             : say("As the reel: lanes are panned on the page Lane."));
}

}  // namespace rivlen

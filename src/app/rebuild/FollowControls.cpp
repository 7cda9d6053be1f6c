#include "app/rebuild/FollowControls.h"

#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/rebuild/LaneNames.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "core/base/Parameter.h"

namespace rivlen {

namespace {

const std::vector<Parameter<PanFromPath>>& followParameters() {
    static const std::vector<Parameter<PanFromPath>> table = {
        {"view_angle", QT_TRID_NOOP("Angle"), "°", 20, 160, 60, 1,
         QT_TRID_NOOP(
             "How wide an angle the picture stands for: a thing at its edge is heard half of that aside. Too wide, and "
             "the "
             "sound leaves the "
             "screen."),
         &PanFromPath::viewAngle},
        {"smoothing", QT_TRID_NOOP("Calm"), "s", 0, 2, 0.15, 0.01,
         QT_TRID_NOOP("How long a trembling is averaged over. Too long, and the sound lags where the object turns."),
         &PanFromPath::smoothing},
    };
    return table;
}

struct What {
    const char* name;
    const char* label;
    bool PanFromPath::*on;
};
constexpr What kWhat[] = {{"followaside", QT_TRID_NOOP("left-right"), &PanFromPath::leftRight},
                          {"followup", QT_TRID_NOOP("up-down"), &PanFromPath::upDown},
                          {"follownear", QT_TRID_NOOP("near-far"), &PanFromPath::nearFar}};

}  // namespace

FollowControls::FollowControls(FollowDesk& follow, RebuildDesk& desk, QWidget* parent)
    : QWidget(parent), m_follow(follow), m_desk(desk) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    m_hint = addPageText(column);
    m_hint->setObjectName("followhint");
    auto* buttons = new QHBoxLayout;
    m_mark = makeSmallButton("followmark", say("Mark it"),
                             say("Then drag a box around the object in the picture window: the chosen lane follows it "
                                 "from there (Shift+F)"));
    m_mark->setCheckable(true);
    connect(m_mark, &QPushButton::clicked, &follow, &FollowDesk::setMarking);
    m_hand = makeSmallButton(
        "followhand", say("By hand"),
        say("While it plays the pointer over the picture leads the chosen lane; what it did is written when it stops"));
    m_hand->setCheckable(true);
    connect(m_hand, &QPushButton::clicked, &follow, &FollowDesk::setByHand);
    m_stop = makeSmallButton("followstop", say("Stop"), say("Ends the following; the lane stays as it is"));
    connect(m_stop, &QPushButton::clicked, &follow, &FollowDesk::stop);
    for (QPushButton* b : {m_mark, m_hand, m_stop}) buttons->addWidget(b);
    column->addLayout(buttons);
    auto* what = new QHBoxLayout;
    for (size_t i = 0; i < m_what.size(); ++i) {
        auto* box = m_what[i] = new QCheckBox(say(kWhat[i].label));
        box->setObjectName(kWhat[i].name);
        connect(box, &QCheckBox::clicked, this, [this, i](bool on) {
            PanFromPath how = m_follow.how();
            how.*kWhat[i].on = on;
            m_follow.setHow(how, false);
        });
        what->addWidget(box);
    }
    column->addLayout(what);
    const auto row = [&](const Parameter<PanFromPath>& p) {
        ValueRow::Range range{QString("follow_") + p.id,
                              said(p.name),
                              said(p.explanation),
                              p.minimum,
                              p.maximum,
                              p.step,
                              p.usual,
                              {},
                              {}};
        range.describe = [&p](double v) { return said(describeValue(p, v)); };
        range.parse = [&p](const QString& text) { return parseValue(p, text.toStdString()); };
        auto* r = new ValueRow(range);
        connect(r, &ValueRow::set, this, [this, &p](double v, bool dragging) {
            PanFromPath how = m_follow.how();
            how.*p.value = v;
            m_follow.setHow(how, dragging);
        });
        connect(r, &ValueRow::released, this, [this] { m_desk.endDrag(); });
        connect(r, &ValueRow::refused, this, [this](const QString& why) { m_desk.tell(why); });
        connect(r, &ValueRow::explained, this, [this](const QString& text) { m_hint->setText(text); });
        column->addWidget(r);
        return r;
    };
    m_angle = row(followParameters()[0]);
    m_smooth = row(followParameters()[1]);
    m_found = addPageText(column);
    m_found->setObjectName("followfound");
    m_lost =
        makeSmallButton("followlost", say("Where it was lost"),
                        say("Goes to the next place where it was not found: drag a box around it in the picture, and "
                            "it is followed on from there (Ctrl+Shift+F)"));
    connect(m_lost, &QPushButton::clicked, &follow, &FollowDesk::toLost);
    column->addWidget(m_lost);
    column->addStretch();
    connect(&follow, &FollowDesk::changed, this, &FollowControls::refresh);
    refresh();
}

void FollowControls::refresh() {
    const bool possible = m_follow.possible();
    m_hint->setText(
        possible && m_follow.marking()  ? say("Drag a box around it in the picture window.")
        : possible && m_follow.byHand() ? say("Play, and lead it with the pointer over the picture.")
        : possible ? say("%1 can follow something in the picture.").arg(laneName(m_desk.rebuild(), m_desk.laneId()))
        : m_desk.rebuild().format == MixFormat::Reel ? say("Choose a format above: as the reel, nothing is placed.")
        : !m_desk.lane()                             ? say("Choose a lane: groups and the mix have no place.")
                                                     : say("This reel has no picture to follow."));
    m_mark->setEnabled(possible && !m_follow.busy());
    m_mark->setChecked(m_follow.marking());
    m_hand->setEnabled(possible && !m_follow.busy());
    m_hand->setChecked(m_follow.byHand());
    m_stop->setEnabled(m_follow.busy());
    const PanFromPath& how = m_follow.how();
    for (size_t i = 0; i < m_what.size(); ++i) m_what[i]->setChecked(how.*kWhat[i].on);
    m_angle->show(how.viewAngle);
    m_smooth->show(how.smoothing);
    const auto& frames = m_follow.frames();
    const auto lost = m_follow.lost();
    double seconds = 0;
    for (const auto& s : lost) seconds += s.second - s.first;
    m_found->setText(m_follow.busy() ? say("Following …")
                     : frames.empty()
                         ? QString()
                         : say("Followed from %1 to %2 s%3.")
                               .arg(frames.front().second, 0, 'f', 1)
                               .arg(frames.back().second, 0, 'f', 1)
                               .arg(lost.empty() ? QString()
                                                 : (lost.size() == 1 ? say("; not seen for %1 s in %2 place")
                                                                     : say("; not seen for %1 s in %2 places"))
                                                       .arg(seconds, 0, 'f', 1)
                                                       .arg(lost.size())));
    m_lost->setVisible(!lost.empty());
}

}  // namespace rivlen

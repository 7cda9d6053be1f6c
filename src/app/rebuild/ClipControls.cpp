#include "app/rebuild/ClipControls.h"

#include <QCheckBox>
#include <QGridLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/rebuild/LaneNames.h"
#include "app/widgets/PanelParts.h"
#include "app/widgets/PlainRow.h"
#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

ClipControls::ClipControls(RebuildDesk& desk, ClipTools& clips, LaneTools& lanes, QWidget* parent)
    : QWidget(parent), m_desk(desk), m_clips(clips), m_lanes(lanes) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    m_name = new QLineEdit;
    m_name->setObjectName("clipname");
    m_name->setAccessibleName(say("Name of the clip"));
    column->addWidget(m_name);
    m_facts = addPageText(column);
    m_facts->setObjectName("clipfacts");
    m_gain = makePlainRow("clip_gain", say("Gain"), "dB", -48, 24, 0.5, 0, 1,
                          say("How loud the clip is, before the chain. Too much drives the compressor."));
    m_in = makePlainRow("clip_in", say("Fade in"), "s", 0, 10, 0.01, 0, 2,
                        say("Over which it comes. None at all may click."));
    m_out = makePlainRow("clip_out", say("Fade out"), "s", 0, 10, 0.01, 0, 2,
                         say("Over which it goes. Too long takes the last word along."));
    const auto shapes = [&](const char* name) {
        auto* box = new QComboBox;
        box->setObjectName(name);
        box->addItems({say("equal power"), say("linear"), say("S-shaped")});
        box->setToolTip(say("Equal power for sounds that differ, linear or S-shaped where the same sound goes on"));
        return box;
    };
    m_inShape = shapes("clip_in_shape");
    m_outShape = shapes("clip_out_shape");
    column->addWidget(m_gain);
    column->addWidget(m_in);
    column->addWidget(m_inShape);
    column->addWidget(m_out);
    column->addWidget(m_outShape);
    const auto follow = [this](ValueRow* row, const QString& name, const std::string& gesture, auto set) {
        connect(row, &ValueRow::set, this, [this, name, gesture, set](double v, bool dragging) {
            m_clips.edit(
                name, [&](Clip& c) { set(c, v); }, dragging ? gesture : "");
        });
        connect(row, &ValueRow::released, this, [this] { m_desk.endDrag(); });
        connect(row, &ValueRow::refused, this, [this](const QString& why) { m_desk.tell(why); });
        m_needClip << row;
    };
    follow(m_gain, say("Clip gain"), "clip gain", [](Clip& c, double v) { c.gain = v; });
    follow(m_in, say("Fade in"), "fade in", [](Clip& c, double v) { c.fadeIn = v; });
    follow(m_out, say("Fade out"), "fade out", [](Clip& c, double v) { c.fadeOut = v; });
    connect(m_inShape, &QComboBox::activated, this,
            [this](int i) { m_clips.edit(say("Shape of the fade"), [i](Clip& c) { c.fadeInShape = FadeShape(i); }); });
    connect(m_outShape, &QComboBox::activated, this,
            [this](int i) { m_clips.edit(say("Shape of the fade"), [i](Clip& c) { c.fadeOutShape = FadeShape(i); }); });
    auto* grid = new QGridLayout;
    grid->setSpacing(6);
    int place = 0;
    const auto button = [&](const char* name, const QString& text, const QString& tip, bool needsClip, auto action) {
        auto* b = makeSmallButton(name, text, tip);
        connect(b, &QPushButton::clicked, this, action);
        grid->addWidget(b, place / 2, place % 2);
        ++place;
        if (needsClip) m_needClip << b;
        return b;
    };
    button("cutclip", say("Cut"),
           say("Cuts the selected clips at the playhead; without a selection the chosen lane's (S)"), false,
           [this] { m_clips.cutAtPlayhead(); });
    button("crossfade", say("Cross-fade"), say("Fades the clip into the next one on its lane (X)"), true,
           [this] { m_clips.crossFadeSelected(); });
    button("duplicate", say("Duplicate"), say("A copy behind each (Ctrl+D)"), true,
           [this] { m_clips.duplicateSelected(); });
    button("muteclip", say("Mute"), say("Silent, but still there (U)"), true, [this] { m_clips.toggleMuted(); });
    button("keepbefore", say("Keep a before"),
           say("Keeps the clip as it is on a lane below, muted and marked; work goes on with this one (E)"), true,
           [this] { m_clips.keepBefore(); });
    m_swap = button("swapbefore", say("Before or after"), say("Hears the other one of the pair (W)"), true,
                    [this] { m_clips.swapBefore(); });
    button("removeclip", say("Remove"), say("Takes the clips away (Delete, on the lanes)"), true,
           [this] { m_clips.removeSelected(); });
    button("marker", say("Marker"), say("Sets a marker at the playhead, or takes the one there away (K)"), false,
           [this] { m_lanes.addMarker(); });
    column->addLayout(grid);
    auto* snap = new QCheckBox(say("Snap to clips, markers and frames"));
    snap->setObjectName("snap");
    snap->setChecked(true);
    snap->setToolTip(say(
        "Clips keep to the borders of others, the loop, markers, the playhead and picture frames; with Ctrl held they "
        "move freely"));
    connect(snap, &QCheckBox::toggled, this, &ClipControls::snappingChanged);
    column->addWidget(snap);
    addPageText(
        column,
        say("Drag a clip by its title strip, with Alt to slip what it holds. Drag its borders to trim, the corners "
            "below to fade."));
    column->addStretch();
    connect(m_name, &QLineEdit::editingFinished, this, [this] {
        if (!m_name->isModified()) return;
        m_name->setModified(false);
        m_clips.edit(say("Name clip"), [name = m_name->text().trimmed().toStdString()](Clip& c) { c.name = name; });
    });
    connect(&desk, &RebuildDesk::changed, this, &ClipControls::refresh);
    refresh();
}

void ClipControls::refresh() {
    const size_t count = m_desk.selected().size();
    const Clip* clip = count ? m_desk.rebuild().clip(*m_desk.selected().begin()) : nullptr;
    for (auto* w : m_needClip) w->setEnabled(clip);
    for (QWidget* w :
         {static_cast<QWidget*>(m_name), static_cast<QWidget*>(m_inShape), static_cast<QWidget*>(m_outShape)})
        w->setEnabled(clip);
    if (!clip) {
        m_name->setText({});
        m_facts->setText(m_desk.ready() ? say("Choose a clip: click its title strip, or go through them with N.")
                                        : say("There are no lanes yet."));
        return;
    }
    if (!m_name->hasFocus() || !m_name->isModified()) m_name->setText(clipName(m_desk.rebuild(), *clip));
    m_name->setEnabled(count == 1);
    m_facts->setText(
        count > 1
            ? say("%1 clips are selected; what is set holds for all of them.").arg(count)
            : say("%1 to %2, from %3 of its sound%4")
                  .arg(QString::fromStdString(formatTime(clip->at)), QString::fromStdString(formatTime(clip->end())),
                       QString::fromStdString(formatTime(clip->offset)), clip->loops() ? say(", repeating") : ""));
    m_gain->show(clip->gain);
    m_in->show(clip->fadeIn);
    m_out->show(clip->fadeOut);
    const QSignalBlocker a(m_inShape), b(m_outShape);
    m_inShape->setCurrentIndex(int(clip->fadeInShape));
    m_outShape->setCurrentIndex(int(clip->fadeOutShape));
    m_swap->setEnabled(!clip->pair.empty());
}

}  // namespace rivlen

#include "app/rebuild/ToolControls.h"

#include <QFileDialog>
#include <QGridLayout>
#include <QVBoxLayout>

#include "app/rebuild/ReplaceMusicDialog.h"
#include "app/rebuild/TakeControls.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

ToolControls::ToolControls(RebuildDesk& desk, RebuildMix& mix, ToneTools& tones, SceneTools& scene, TakeDesk& takes,
                           QWidget* parent)
    : QWidget(parent), m_desk(desk), m_mix(mix), m_tones(tones), m_scene(scene) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    const auto button = [&](QBoxLayout* to, const char* name, const QString& text, const QString& tip, auto action) {
        auto* b = makeSmallButton(name, text, tip);
        connect(b, &QPushButton::clicked, this, action);
        to->addWidget(b);
        return b;
    };
    addPageHeading(column, say("Sounds and the mix"));
    auto* sounds = new QHBoxLayout;
    button(sounds, "importsound", say("Import sounds…"),
           say("Lays sound files on lanes of their own, at the playhead; they can be dropped on the lanes, too"),
           [this] { importSounds(); });
    button(sounds, "replacemusic", say("Replace the music…"),
           say("Takes the old music out of the loop and lays a new cue in: trimmed, as loud, ducked (R)"),
           [this] { replaceMusic(); });
    sounds->addStretch();
    column->addLayout(sounds);
    auto* lists = new QHBoxLayout;
    button(
        lists, "layinlist", say("Lay in a list…"),
        say("The tracks of an event list (OpenTimelineIO, AES31-3, CMX 3600) on lanes of their own, with their sounds; "
            "or markers (CSV, labels)"),
        [this] {
            const QString file = QFileDialog::getOpenFileName(this, say("Lay in a list"), {},
                                                              say("Lists (*.otio *.adl *.edl *.csv *.txt)"));
            if (!file.isEmpty()) m_scene.layInList(file);
        });
    button(lists, "writemix", say("Write the mix…"),
           say("Renders all lanes into a WAV file, 32-bit float, the same to the bit as it plays"), [this] {
               QString file = QFileDialog::getSaveFileName(this, say("Write the mix"), {}, say("Sound (*.wav)"));
               if (file.isEmpty()) return;
               if (!file.endsWith(".wav")) file += ".wav";
               m_scene.render(file);
           });
    lists->addStretch();
    column->addLayout(lists);
    column->addSpacing(4);
    column->addWidget(new TakeControls(takes));
    column->addSpacing(4);
    addPageHeading(column, say("Holes, bangs and stray words"));
    addPageText(column, say("In the loop, on the chosen lane."));
    auto* holes = new QHBoxLayout;
    m_needLane << button(
        holes, "filltone", say("Fill with room tone"),
        say("Takes out what is there and fills it, with tone made from what is heard between the words; "
            "it never repeats (T)"),
        [this] { m_tones.fillWithTone(); });
    m_needLane << button(holes, "cutout", say("Cut out"), say("Takes out what is there and leaves a hole"),
                         [this] { m_tones.muteLoop(); });
    holes->addStretch();
    column->addLayout(holes);
    column->addSpacing(4);
    addPageHeading(column, say("Silences"));
    auto* grid = new QGridLayout;
    const auto spin = [&](int row, const char* name, const QString& label, double low, double high, double step,
                          double value, const QString& unit, const QString& tip) {
        auto* box = new QDoubleSpinBox;
        box->setObjectName(name);
        box->setRange(low, high);
        box->setSingleStep(step);
        box->setDecimals(step < 1 ? 2 : 0);
        box->setValue(value);
        box->setSuffix(unit);
        box->setToolTip(tip);
        box->setAccessibleName(label);
        grid->addWidget(new QLabel(label), row, 0);
        grid->addWidget(box, row, 1);
        return box;
    };
    m_threshold = spin(0, "silencedb", say("Below"), -90, -10, 1, -50, " dB",
                       say("What counts as silent on the lane, as it sounds"));
    m_shortest = spin(1, "silenceseconds", say("For at least"), 0.05, 60, 0.05, 0.7, " s",
                      say("Shorter ones are the breath of speech"));
    m_to = spin(2, "silenceto", say("Shorten to"), 0.0, 10, 0.05, 0.35, " s", say("So much of each is left"));
    column->addLayout(grid);
    auto* silences = new QHBoxLayout;
    m_needLane << button(silences, "findsilences", say("Find"), say("Marks the silences of the chosen lane"),
                         [this] { m_tones.findSilences(m_threshold->value(), m_shortest->value()); });
    m_shorten = button(silences, "shortensilences", say("Shorten"),
                       say("Takes time out of all lanes; with a picture the sound then runs ahead of it"),
                       [this] { m_tones.shortenSilences(m_to->value()); });
    m_fill = button(silences, "fillsilences", say("Fill"),
                    say("Lays room tone under all of them, on a lane of its own"), [this] { m_tones.fillSilences(); });
    silences->addStretch();
    column->addLayout(silences);
    m_found = addPageText(column);
    m_found->setObjectName("silencesfound");
    column->addStretch();
    connect(&m_desk, &RebuildDesk::changed, this, &ToolControls::refresh);
    refresh();
}

void ToolControls::importSounds() { m_mix.importSounds(QFileDialog::getOpenFileNames(this, say("Import sounds"))); }

void ToolControls::replaceMusic() {
    if (!m_desk.ready()) return;
    (new ReplaceMusicDialog(m_mix, m_scene, m_desk.loop(), window()))->open();
}

void ToolControls::refresh() {
    setEnabled(m_desk.ready());
    for (auto* w : m_needLane) w->setEnabled(m_desk.lane());
    const auto& found = m_tones.silences();
    m_shorten->setEnabled(!found.empty());
    m_fill->setEnabled(!found.empty());
    double total = 0;
    for (const auto& [a, b] : found) total += b - a;
    m_found->setText(found.empty() ? say("None are marked.")
                                   : say("%1 marked, %2 s together.").arg(found.size()).arg(total, 0, 'f', 1));
}

}  // namespace rivlen

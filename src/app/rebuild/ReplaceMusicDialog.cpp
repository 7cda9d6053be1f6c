#include "app/rebuild/ReplaceMusicDialog.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QGridLayout>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/media/MediaReader.h"

namespace rivlen {

ReplaceMusicDialog::ReplaceMusicDialog(RebuildMix& mix, SceneTools& scene,
                                       std::optional<std::pair<double, double>> loop, QWidget* parent)
    : QDialog(parent), m_mix(mix), m_scene(scene) {
    setObjectName("replacemusicdialog");
    setAttribute(Qt::WA_DeleteOnClose);
    setWindowTitle(say("Replace the music"));
    resize(620, 0);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(18, 16, 18, 14);
    column->setSpacing(10);
    const auto heading = [&](const QString& text) {
        auto* label = new QLabel(text);
        label->setFont(theme::font(13, QFont::DemiBold));
        column->addWidget(label);
    };
    heading(say("1   The new cue"));
    auto* file = new QHBoxLayout;
    m_file = new QLineEdit;
    m_file->setObjectName("cuefile");
    m_file->setPlaceholderText(say("A sound file, at any rate"));
    auto* choose = new QPushButton(say("Choose…"));
    choose->setObjectName("choosecue");
    file->addWidget(m_file, 1);
    file->addWidget(choose);
    column->addLayout(file);
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(10);
    int place = 0;
    const auto spin = [&](const char* name, const QString& label, double high, double value, const QString& tip,
                          const QString& unit = " s", double low = 0) {
        auto* box = new QDoubleSpinBox;
        box->setObjectName(name);
        box->setRange(low, high);
        box->setDecimals(2);
        box->setSingleStep(unit == " s" ? 0.1 : 0.5);
        box->setSuffix(unit);
        box->setValue(value);
        box->setToolTip(tip);
        box->setAccessibleName(label);
        grid->addWidget(new QLabel(label), place / 2, place % 2 * 2);
        grid->addWidget(box, place / 2, place % 2 * 2 + 1);
        ++place;
        connect(box, &QDoubleSpinBox::valueChanged, this, [this] { describe(); });
        return box;
    };
    const double end =
        m_mix.materials() ? double(m_mix.materials()->reel().frames) / m_mix.materials()->reel().sampleRate : 0;
    m_from = spin("from", say("Old music goes from"), 1e6, 0, say("Where the loop begins, if there is one"));
    m_to = spin("to", "to", 1e6, end, say("Where the loop ends"));
    m_cueFrom = spin("cuefrom", say("Cue begins at"), 1e6, 0, say("What lies before is left out"));
    m_tail = spin("tail", say("Own ending"), 60, 0,
                  say("So many seconds of the cue's own ending close the span; 0: it fades out"));
    m_loopFrom = spin("loopfrom", say("Repeats from"), 1e6, 0,
                      say("Of the cue, where it is too short; both 0: chosen by itself"));
    m_loopTo = spin("loopto", say("to "), 1e6, 0, say("End of what is repeated"));
    m_fadeIn = spin("fadein", say("Fade in"), 30, 0.05, say("Over which the cue comes"));
    m_fadeOut = spin("fadeout", say("Fade out"), 30, 1.0, say("Over which it goes, where it has no ending of its own"));
    m_gain = spin("gain", say("Gain"), 24, 0, say("On top of the match"), " dB", -48);
    column->addLayout(grid);
    heading(say("2   How it sits"));
    m_match = new QCheckBox(say("As loud as the old music (BS.1770 in the span)"));
    m_match->setObjectName("match");
    m_match->setChecked(true);
    m_duck = new QCheckBox(say("Ducked under the voice; how far is set at Duck"));
    m_duck->setObjectName("under");
    m_duck->setChecked(true);
    column->addWidget(m_match);
    column->addWidget(m_duck);
    m_plan = new QLabel;
    m_plan->setWordWrap(true);
    m_plan->setStyleSheet(theme::sheet("color: @quiet"));
    m_plan->setObjectName("plan");
    m_plan->setMinimumHeight(52);
    column->addWidget(m_plan);
    auto* last = new QHBoxLayout;
    auto* leave = new QPushButton(say("Leave it"));
    leave->setObjectName("leave");
    m_ok = new QPushButton(say("Replace"));
    m_ok->setObjectName("replace");
    m_ok->setDefault(true);
    last->addStretch();
    last->addWidget(leave);
    last->addWidget(m_ok);
    column->addLayout(last);
    connect(choose, &QPushButton::clicked, this, [this] {
        if (const QString f = QFileDialog::getOpenFileName(this, say("The new cue")); !f.isEmpty()) chooseFile(f);
    });
    connect(m_file, &QLineEdit::editingFinished, this, [this] { chooseFile(m_file->text()); });
    connect(leave, &QPushButton::clicked, this, &QDialog::reject);
    connect(m_ok, &QPushButton::clicked, this, &ReplaceMusicDialog::lay);
    if (loop) {
        m_from->setValue(loop->first);
        m_to->setValue(loop->second);
    }
    describe();
}

void ReplaceMusicDialog::chooseFile(const QString& file) {
    m_file->setText(file);
    m_cueSeconds = 0;
    if (!file.isEmpty()) {
        try {
            const MediaReader probe(toPath(file));
            m_cueSeconds = double(probe.frames()) / probe.sampleRate();
        } catch (const Error& e) {
            m_plan->setText(QString::fromStdString(e.what()));
            m_ok->setEnabled(false);
            return;
        }
    }
    describe();
}

void ReplaceMusicDialog::describe() {
    const double span = m_to->value() - m_from->value(), cue = m_cueSeconds - m_cueFrom->value();
    m_ok->setEnabled(m_cueSeconds > 0 && span >= 0.5 && cue >= 0.2);
    if (m_cueSeconds <= 0)
        return m_plan->setText(
            say("Choose the cue. The old music is taken out of the span; the voice and its room stay as they are."));
    if (span < 0.5) return m_plan->setText(say("The span is shorter than half a second: make it longer."));
    if (cue < 0.2) return m_plan->setText(say("The cue begins after its own end: let it begin earlier."));
    QString text = say("The old music goes for %1 s. The cue is %2 s long").arg(span, 0, 'f', 1).arg(cue, 0, 'f', 1);
    text += cue + 0.001 < span  ? say(", so it repeats")
            : cue > span + 0.05 ? say(", so it is cut to length")
                                : QString();
    text += m_tail->value() > 0 ? say(" and closes with its own last %1 s.").arg(m_tail->value(), 0, 'f', 1)
                                : say(" and fades out over %1 s.").arg(m_fadeOut->value(), 0, 'f', 1);
    m_plan->setText(text);
}

void ReplaceMusicDialog::lay() {
    MusicReplacement m;
    m.from = m_from->value(), m.to = m_to->value();
    m.cueFrom = m_cueFrom->value(), m.cueEnd = m_cueSeconds;
    m.loopFrom = m_loopFrom->value(), m.loopTo = m_loopTo->value();
    m.fadeIn = m_fadeIn->value(), m.fadeOut = m_fadeOut->value(), m.tail = m_tail->value();
    m.gain = m_gain->value();
    m.duck = m_duck->isChecked();
    m_scene.replaceMusic(m, toPath(QFileInfo(m_file->text()).absoluteFilePath()), m_match->isChecked());
    accept();
}

}  // namespace rivlen

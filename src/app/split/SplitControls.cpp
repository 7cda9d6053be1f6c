#include "app/split/SplitControls.h"
#include "app/widgets/Theme.h"

#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <cmath>

#include "app/split/NetworkText.h"
#include "app/split/NetworksDialog.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "core/separation/Confidence.h"
#include "core/separation/NetworkLibrary.h"

namespace rivlen {

namespace {

/// What the split left over, how sure it was and how long it took.
QString outcome(const ReelFacts& state) {
    QString text = say("Done. ");
    if (const auto residual = state.stems->residualDb())
        text += *residual <= -150
                    ? say("The stems sum to the source exactly. ")
                    : say("Residual: the stems sum to the source within %1 dBFS. ").arg(*residual, 0, 'f', 0);
    if (state.levels)
        text += say("Confidence %1 % on average. ")
                    .arg(std::lround(100 * confidence(state.stems->levels(), *state.levels, 0, state.info->frames)));
    if (state.speed >= 1.5) text += say("It took 1/%1 of its length. ").arg(std::lround(state.speed));
    else if (state.speed > 0) text += say("It took %1 times its length. ").arg(1 / state.speed, 0, 'f', 1);
    return text + say("Hear the stems with 3, 4 and 5, then weigh the strength.");
}

QString levels(const ReelFacts& state) {
    QString rows;
    const LevelTrack& track = state.stems->levels();
    double energy[3] = {}, total = 1e-20;
    for (int s = 0; s < 3 && s < track.rows(); ++s)
        total += energy[s] = double(track.meanSquare(s, 0, state.info->frames));
    for (int s = 0; s < 3; ++s)
        rows +=
            QString(theme::sheet(
                        "<tr><td style='color:%1; padding-right:14px'>%2 %3</td><td align=right style='color:@ink'>%4 "
                        "dBFS</td><td align=right style='padding-left:14px'>%5 % of the energy</td></tr>"))
                .arg(theme::stemColor(s).name(), theme::stemLetter(s), theme::stemName(s))
                .arg(energy[s] > 0 ? 10 * std::log10(energy[s]) : -200.0, 0, 'f', 1)
                .arg(energy[s] > 0 && energy[s] < 0.005 * total ? QString("&lt;1")
                                                                : QString::number(100 * energy[s] / total, 'f', 0));
    return "<table cellspacing=3>" + rows + "</table>";
}

}  // namespace

SplitControls::SplitControls(Document& document, Reels& reels, Splitting& splitting, Work& work,
                             InstalledNetworks& networks, SceneDesk& scenes, QWidget* parent)
    : QWidget(parent),
      m_document(document),
      m_reels(reels),
      m_splitting(splitting),
      m_work(work),
      m_networks(networks),
      m_scenes(scenes) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    addPageHeading(column, say("Network"));
    m_network = new QComboBox;
    m_network->setObjectName("network");
    auto* open = new QPushButton(say("Networks…"));
    open->setObjectName("openNetworks");
    open->setToolTip(say("All networks with their cards; install and remove them"));
    open->setStyleSheet("padding: 3px 10px");
    auto* chosen = new QHBoxLayout;
    chosen->addWidget(m_network, 1);
    chosen->addWidget(open);
    column->addLayout(chosen);
    m_purpose = addPageText(column);
    addPageHeading(column, say("Quality"));
    m_quality = new QComboBox;
    m_quality->setObjectName("quality");
    m_quality->addItem(say("Fine: for delivery"), "fine");
    m_quality->addItem(say("Quick: for a first listen"), "quick");
    column->addWidget(m_quality);
    m_card = addPageText(column);
    m_card->setObjectName("qualityInWords");
    column->addSpacing(8);
    m_split = new QPushButton(say("Split this reel"));
    m_split->setObjectName("split");
    m_split->setToolTip(say("Separates the whole reel on this machine (Ctrl+Return); you can go on working"));
    column->addWidget(m_split);
    m_goOn = new QPushButton(say("Go on: silence where it is damaged"));
    m_goOn->setObjectName("tolerateDamage");
    m_goOn->setToolTip(
        say("Splits the reel although its file cannot be decoded everywhere; nothing moves from its place"));
    column->addWidget(m_goOn);
    connect(m_goOn, &QPushButton::clicked, this, [this] {
        m_document.editReel(say("Go on where it is damaged"), [](Reel& r) { r.tolerateDamage = true; });
        m_splitting.split();
    });
    m_state = addPageText(column);
    m_levels = addPageText(column);
    m_levels->setTextFormat(Qt::RichText);
    column->addStretch();
    connect(open, &QPushButton::clicked, this, [this] {
        auto* dialog = new NetworksDialog(m_work, m_networks, window());
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->open();
    });
    connect(&networks, &InstalledNetworks::changed, this, [this] {
        reload();
        refresh();
    });
    connect(m_split, &QPushButton::clicked, this, [this] {
        const ReelFacts* s = m_reels.current();
        if (s && s->splitting) m_splitting.cancel();
        else m_splitting.split();
    });
    connect(m_network, &QComboBox::activated, this, [this] {
        const Choice& choice = m_choices[size_t(m_network->currentIndex())];
        m_document.editReel(say("Choose network"),
                            [&](Reel& r) { r.network = choice.card.id, r.scene = choice.scene; });
        m_splitting.reopen();
    });
    connect(m_quality, &QComboBox::activated, this, [this] {
        m_document.editReel(say("Choose quality"),
                            [this](Reel& r) { r.quality = m_quality->currentData().toString().toStdString(); });
        m_splitting.reopen();
    });
    reload();
    refresh();
}

void SplitControls::refresh() {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    const bool ready = reel && state->info && !state->missing;
    if (m_scenes.scenes() != m_listed) reload();
    const QSignalBlocker a(m_network), b(m_quality);
    if (reel) {
        const auto chosen = std::find_if(m_choices.begin(), m_choices.end(), [&](const Choice& c) {
            return c.scene == reel->scene && (c.card.id == reel->network || reel->network.empty());
        });
        m_network->setCurrentIndex(chosen == m_choices.end() ? 0 : int(chosen - m_choices.begin()));
        m_quality->setCurrentIndex(std::max(0, m_quality->findData(QString::fromStdString(reel->quality))));
    }
    const bool busy = ready && state->splitting;
    for (QWidget* w : {static_cast<QWidget*>(m_network), static_cast<QWidget*>(m_quality)})
        w->setEnabled(ready && !busy);
    const bool refused = ready && state->damaged() && !reel->tolerateDamage;
    m_goOn->setVisible(refused);
    m_split->setEnabled(ready && !m_choices.empty() && !refused);
    const bool split = ready && state->stems && state->stems->finished();
    m_split->setText(busy ? say("Cancel the split") : split ? say("Split again") : say("Split this reel"));
    const size_t index = size_t(std::max(0, m_network->currentIndex()));
    const bool any = index < m_choices.size();
    const QString quality = m_quality->currentData().toString();
    m_purpose->setText(any ? said(m_choices[index].card.purpose)
                           : say("No network is installed: restore the networks folder that came with Rivlen."));
    m_card->setText(any ? qualityInWords(forQuality(m_choices[index].card, quality.toStdString()), quality)
                        : QString());
    m_state->setText(!ready    ? say("Add a recording at Intake first.")
                     : refused ? say("The file is damaged, see the faults at Intake: copy it again, or go on.")
                     : busy    ? say("What is done already can be heard.")
                     : split   ? outcome(*state)
                               : say("Not split yet with this network and quality."));
    m_levels->setText(split ? levels(*state) : QString());
}

void SplitControls::reload() {
    m_choices.clear();
    m_listed = m_scenes.scenes();
    const QSignalBlocker quiet(m_network);
    m_network->clear();
    for (const auto& card : reelNetworks()) {
        if (!fitsTheWindow(card)) continue;
        m_choices.push_back({card, {}});
        m_network->addItem(QString::fromStdString(card.name));
        for (const auto& scene : m_listed) try {
                m_choices.push_back({withScene(card, scene), scene});
                m_network->addItem(QString::fromStdString(card.name) + say(", learned: ") +
                                   QString::fromStdString(scene.stem().string()));
            } catch (const Error&) {  // another network's, or gone: the split says so
            }
    }
}

}  // namespace rivlen

#include <QComboBox>
#include <QPushButton>
#include <QSignalBlocker>
#include <cmath>

#include "app/Theme.h"
#include "app/stages/StagePanel.h"
#include "core/separation/NetworkLibrary.h"

namespace rivlen {

namespace {

class SplitPanel : public StagePanel {
public:
    explicit SplitPanel(Controller& controller) : StagePanel(controller, "Which network, and how well did it go?"), m_cards(listNetworks()) {
        addHeading("Network");
        m_network = new QComboBox;
        m_network->setObjectName("network");
        for (const auto& card : m_cards) m_network->addItem(QString::fromStdString(card.name), QString::fromStdString(card.id));
        m_column->addWidget(m_network);
        m_card = addText();
        addHeading("Quality");
        m_quality = new QComboBox;
        m_quality->setObjectName("quality");
        m_quality->addItem("Fine: two passes, averaged", "fine");
        m_quality->addItem("Quick: one pass", "quick");
        m_column->addWidget(m_quality);
        m_column->addSpacing(8);
        m_split = new QPushButton("Split this reel");
        m_split->setObjectName("split");
        m_split->setToolTip("Separates the whole reel on this machine (Ctrl+Return); you can go on working");
        m_column->addWidget(m_split);
        m_state = addText();
        m_levels = addText();
        m_levels->setTextFormat(Qt::RichText);
        m_column->addStretch();
        connect(m_split, &QPushButton::clicked, this, [this] {
            const ReelState* s = m_controller.currentState();
            if (s && s->splitting) m_controller.cancelSplit();
            else m_controller.split();
        });
        connect(m_network, &QComboBox::activated, this, [this] {
            m_controller.editReel("Choose network", [this](Reel& r) { r.network = m_network->currentData().toString().toStdString(); });
            m_controller.reopenStems();
        });
        connect(m_quality, &QComboBox::activated, this, [this] {
            m_controller.editReel("Choose quality", [this](Reel& r) { r.quality = m_quality->currentData().toString().toStdString(); });
            m_controller.reopenStems();
        });
        refresh();
    }

    void refresh() override {
        const Reel* reel = m_controller.reel();
        const ReelState* state = m_controller.currentState();
        const bool ready = reel && state->info && !state->missing;
        const QSignalBlocker a(m_network), b(m_quality);
        if (reel) {
            m_network->setCurrentIndex(std::max(0, m_network->findData(QString::fromStdString(reel->network))));
            m_quality->setCurrentIndex(std::max(0, m_quality->findData(QString::fromStdString(reel->quality))));
        }
        const bool busy = ready && state->splitting;
        for (QWidget* w : {static_cast<QWidget*>(m_network), static_cast<QWidget*>(m_quality)}) w->setEnabled(ready && !busy);
        m_split->setEnabled(ready && !m_cards.empty());
        const bool split = ready && state->stems && state->stems->finished();
        m_split->setText(busy ? "Cancel the split" : split ? "Split again" : "Split this reel");
        const size_t index = size_t(std::max(0, m_network->currentIndex()));
        m_card->setText(index < m_cards.size() ? describe(m_cards[index]) : QString("No network is installed: restore the networks folder that came with Rivlen."));
        m_state->setText(!ready ? "Add a recording at Intake first."
                         : busy ? "What is done already can be heard."
                         : split ? "Done. The stems sum back to the source. Hear them with 3, 4 and 5, then weigh the strength."
                                 : "Not split yet with this network and quality.");
        m_levels->setText(split ? levels(*state) : QString());
    }

private:
    static QString describe(const NetworkCard& card) {
        QString text = QString::fromStdString(card.purpose);
        try {
            const auto& q = card.all.at("quality").at("gain");
            text += QString(" Measured: dialogue %1 dB, music %2 dB, ambience %3 dB cleaner than the mix (SI-SDR, unseen recordings).")
                        .arg(q.at("dialogue").get<double>(), 0, 'f', 1).arg(q.at("music").get<double>(), 0, 'f', 1).arg(q.at("ambience").get<double>(), 0, 'f', 1);
        } catch (const nlohmann::json::exception&) {  // a foreign card need not have measured this
        }
        return text;
    }

    static QString levels(const ReelState& state) {
        QString rows;
        const LevelTrack& track = state.stems->levels();
        double energy[3] = {}, total = 1e-20;
        for (int s = 0; s < 3 && s < track.rows(); ++s) total += energy[s] = double(track.meanSquare(s, 0, state.info->frames));
        for (int s = 0; s < 3; ++s)
            rows += QString("<tr><td style='color:%1; padding-right:14px'>%2 %3</td><td align=right style='color:#ece4d6'>%4 dBFS</td><td align=right style='padding-left:14px'>%5 % of the energy</td></tr>")
                        .arg(theme::stemColor(s).name(), theme::stemLetter(s), theme::stemName(s))
                        .arg(energy[s] > 0 ? 10 * std::log10(energy[s]) : -200.0, 0, 'f', 1).arg(energy[s] > 0 && energy[s] < 0.005 * total ? QString("&lt;1") : QString::number(100 * energy[s] / total, 'f', 0));
        return "<table cellspacing=3>" + rows + "</table>";
    }

    std::vector<NetworkCard> m_cards;
    QComboBox *m_network, *m_quality;
    QPushButton* m_split;
    QLabel *m_card, *m_state, *m_levels;
};

}  // namespace

StagePanel* makeSplitPanel(Controller& controller) { return new SplitPanel(controller); }

}  // namespace rivlen

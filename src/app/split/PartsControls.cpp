#include "app/split/PartsControls.h"
#include "app/widgets/Theme.h"

#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <cmath>

#include "app/views/PartLook.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "core/base/Error.h"
#include "core/isolation/StemNames.h"
#include "core/separation/CardFigures.h"

namespace rivlen {

namespace {

/// Level and share of each part.
QString found(const StemStore& parts) {
    const LevelTrack& track = parts.levels();
    const auto& names = parts.shape().stems;
    std::vector<double> energy(names.size());
    double total = 1e-20;
    for (size_t p = 0; p < names.size(); ++p)
        total += energy[p] = double(track.meanSquare(int(p), 0, parts.shape().frames));
    QString rows;
    for (size_t p = 0; p < names.size(); ++p)
        rows += QString(theme::sheet(
                            "<tr><td style='color:%1; padding-right:10px'>%2&nbsp; %3</td><td align=right "
                            "style='color:@ink'>%4 dBFS</td><td align=right style='padding-left:10px'>%5 %</td></tr>"))
                    .arg(partColor(names[p]).name(), partLetter(names[p]), said(partTitle(names[p])))
                    .arg(energy[p] > 0 ? 10 * std::log10(energy[p]) : -200.0, 0, 'f', 1)
                    .arg(energy[p] > 0 && energy[p] < 0.005 * total ? QString("&lt;1")
                                                                    : QString::number(100 * energy[p] / total, 'f', 0));
    return "<table cellspacing=2>" + rows + "</table>";
}

/// How far the network for a stem can be trusted, part by part, from its card.
QString trust(const std::string& stem) {
    try {
        const CardFigures figures = figuresOf(partsNetwork(stem));
        const auto measured = figures.stems.find("stereo");
        if (measured == figures.stems.end()) return {};
        QStringList shares;
        for (const auto& part : partsOf(stem))
            if (const auto found = measured->second.find(part); found != measured->second.end() && found->second.share)
                shares << QString("%1 %2 %")
                              .arg(within(said(partTitle(part))))
                              .arg(std::lround(100 * *found->second.share));
        return shares.isEmpty() ? QString()
                                : say("Of what the best possible mask gains, on sounds that it never heard: ") +
                                      shares.join(", ") + ".";
    } catch (const Error& e) {
        return QString::fromStdString(e.what());
    }
}

}  // namespace

PartsControls::PartsControls(Document& document, Reels& reels, TakingApart& parts, Hearing& hearing, QWidget* parent)
    : QWidget(parent), m_document(document), m_reels(reels), m_parts(parts), m_hearing(hearing) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    addPageHeading(column, say("Further apart"));
    addPageText(
        column,
        say("A stem can be taken into parts that sum to it: lanes of their own at Rebuild, files of their own at "
            "Dispatch."));
    column->addSpacing(6);
    for (const auto& stem : stemsWithParts()) {
        const int place = int(stemPlace(stem));
        QStringList names;
        for (const auto& part : partsOf(stem)) names << within(said(partTitle(part)));
        auto* box = new QCheckBox(QString("%1  %2").arg(theme::stemLetter(place), theme::stemName(place)));
        box->setObjectName(QString::fromStdString("parts" + stem));
        box->setFont(theme::font(13, QFont::DemiBold));
        box->setToolTip(say("Takes the %1 into %2").arg(within(theme::stemName(place)), names.join(", ")));
        column->addWidget(box);
        auto* into = addPageText(column, say("Into %1.").arg(names.join(", ")));
        into->setToolTip(trust(stem));
        box->setToolTip(box->toolTip() + ". " + trust(stem));
        auto* state = addPageText(column);
        state->setTextFormat(Qt::RichText);
        state->setObjectName(QString::fromStdString("partsof" + stem));
        Row row{stem, box, state, {}};
        auto* buttons = new QHBoxLayout;
        buttons->setSpacing(4);
        for (const auto& part : partsOf(stem)) {
            auto* b =
                makeSmallButton(("hear" + part).c_str(), partLetter(part),
                                say("Plays the %1 alone; again: the reel as it is").arg(within(said(partTitle(part)))));
            b->setCheckable(true);
            b->setAccessibleName(say("Hear the %1").arg(within(said(partTitle(part)))));
            buttons->addWidget(b, 1);
            connect(b, &QPushButton::toggled, this, [this, b](bool on) { hear(b, on); });
            row.hear.push_back(b);
        }
        column->addLayout(buttons);
        column->addSpacing(8);
        m_rows.push_back(row);
        connect(box, &QCheckBox::toggled, this, [this, stem](bool on) { m_parts.setWanted(stem, on); });
    }
    m_begin = new QPushButton(say("Take apart"));
    m_begin->setObjectName("takeapart");
    column->addWidget(m_begin);
    connect(m_begin, &QPushButton::clicked, this, [this] {
        if (m_parts.busyWith().empty()) m_parts.begin();
        else m_parts.cancel();
    });
    column->addStretch();
    connect(&parts, &TakingApart::changed, this, &PartsControls::refresh);
    connect(&document, &Document::changed, this, [this] {
        hearNothing();
        refresh();
    });
    connect(&reels, &Reels::stemsReplaced, this, &PartsControls::hearNothing);
    refresh();
}

void PartsControls::hear(QPushButton* button, bool on) {
    if (!on) return m_hearing.playVersions();
    const ReelFacts* state = m_reels.current();
    for (const Row& row : m_rows)
        for (size_t p = 0; p < row.hear.size(); ++p) {
            if (row.hear[p] != button) {
                const QSignalBlocker quiet(row.hear[p]);
                row.hear[p]->setChecked(false);
                continue;
            }
            const auto made = state->parts.find(row.stem);
            if (made == state->parts.end()) return;
            m_hearing.tryVersions([store = made->second, p] { return store->open(int(p)); }, {}, {});
            m_hearing.hear(Heard::Source);
        }
}

void PartsControls::hearNothing() {
    bool heard = false;
    for (const Row& row : m_rows)
        for (QPushButton* b : row.hear) {
            const QSignalBlocker quiet(b);
            heard = heard || b->isChecked();
            b->setChecked(false);
        }
    if (heard) m_hearing.playVersions();
}

void PartsControls::refresh() {
    const ReelFacts* state = m_reels.current();
    const bool split = m_document.reel() && state && state->stems && state->stems->finished();
    const std::string busy = m_parts.busyWith();
    bool missing = false;
    for (const Row& row : m_rows) {
        const QSignalBlocker quiet(row.wanted);
        const bool wanted = m_parts.wanted(row.stem);
        row.wanted->setEnabled(m_document.reel() != nullptr);
        row.wanted->setChecked(wanted);
        const auto made = state ? state->parts.find(row.stem) : decltype(state->parts.end()){};
        const bool done = state && made != state->parts.end();
        missing = missing || (wanted && !done);
        for (QPushButton* b : row.hear) b->setVisible(wanted && done);
        row.state->setText(!wanted            ? QString()
                           : done             ? found(*made->second)
                           : busy == row.stem ? say("At work.")
                           : split            ? say("Not taken apart yet.")
                                              : say("Taken apart once the reel is split."));
    }
    m_begin->setVisible(split && (missing || !busy.empty()));
    m_begin->setText(busy.empty() ? say("Take apart") : say("Cancel"));
}

}  // namespace rivlen

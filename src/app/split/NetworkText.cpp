#include "app/split/NetworkText.h"

#include <QLocale>
#include <QStringList>
#include <cmath>

#include "app/reels/Splitting.h"
#include "app/widgets/Strong.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/separation/CardFigures.h"

namespace rivlen {

namespace {

QString number(double value, int digits = 1) { return QLocale::c().toString(value, 'f', digits); }

QString escaped(const std::string& text) { return QString::fromStdString(text).toHtmlEscaped(); }

QString row(const QStringList& cells, bool heading = false) {
    QString html = "<tr>";
    for (int i = 0; i < cells.size(); ++i)
        html += QString("<td style='padding: 2px 14px 2px 0' align=%1><span style='color:%2'>%3</span></td>")
                    .arg(i == 0 ? say("left") : say("right"), heading ? theme::sheet("@quiet") : theme::sheet("@ink"),
                         cells[i]);
    return html + "</tr>";
}

QString section(const QString& title, const QString& body) {
    return strong("<p style='margin: 12px 0 3px 0'><b>%1</b></p>%2").arg(title, body);
}

QString signedDb(double db) { return QString(db < 0 ? "" : "+") + number(db) + " dB"; }

QString qualityTable(const NetworkCard& card, const CardFigures& figures) {
    QString rows;
    for (const char* kind : {"stereo", "mono"}) {
        const auto measured = figures.stems.find(kind);
        if (measured == figures.stems.end()) continue;
        const auto& stems = measured->second;
        QStringList cells{say("%1 recordings").arg(kind)}, worse{say("made worse in")};
        for (const auto& name : card.shown) {
            const auto m = stems.find(name);
            if (m == stems.end()) continue;
            cells << signedDb(m->second.gainDb) +
                         (m->second.share ? QString(" (%1 %)").arg(std::lround(*m->second.share * 100)) : QString());
            if (m->second.worse) worse << say("%1 of %2").arg(m->second.worse->first).arg(m->second.worse->second);
        }
        rows += row(cells);
        if (worse.size() > 1) rows += row(worse);
    }
    if (rows.isEmpty()) return {};
    QStringList head{""};
    for (const auto& name : card.shown) head << escaped(name);
    QString text =
        "<table cellspacing=0>" + row(head, true) + rows +
        theme::sheet(
            "</table><p style='color:@quiet; margin:2px 0'>SI-SDR gained over the mix, and its share of what "
            "the best possible "
            "mask would gain, on ") +
        QString(figures.inTheField ? say("speakers, music, places and rooms that had no part in its making")
                                   : say("recordings that it never saw")) +
        ".</p>";
    if (figures.estoiGain)
        text += say("<p style='margin:2px 0'>Speech intelligibility (ESTOI) %1 above the mix's.</p>")
                    .arg(number(*figures.estoiGain, 2));
    else if (figures.estoi)
        text += say("<p style='margin:2px 0'>Speech intelligibility (ESTOI) %1, of the mix %2.</p>")
                    .arg(number(figures.estoi->first, 2), number(figures.estoi->second, 2));
    return section(say("Measured quality"), text);
}

QString crossTalkTable(const NetworkCard& card, const CardFigures& figures) {
    if (figures.crossTalkDb.empty()) return {};
    QStringList head{say("only this is there")};
    for (const auto& name : card.shown) head << say("in ") + escaped(name);
    QString rows = row(head, true);
    for (const auto& alone : card.shown) {
        QStringList cells{escaped(alone)};
        for (const auto& stem : card.shown) cells << number(figures.crossTalkDb.at(alone).at(stem)) + " dB";
        rows += row(cells);
    }
    return section(say("Cross-talk"), "<table cellspacing=0>" + rows + "</table>");
}

QString figuresInFull(const NetworkCard& card, const CardFigures& figures) {
    if (!figures.understood)
        return section(say("Measured quality"),
                       say("<p style='margin:0'>The card states it in a way that is not understood here.</p>"));
    QString text = qualityTable(card, figures) + crossTalkTable(card, figures);
    QStringList parts;
    for (const auto& [quality, times] : figures.speed)
        parts << say("%1 %2x real time").arg(said(quality), number(times, 0));
    if (!parts.isEmpty())
        text += section(say("Speed"), "<p style='margin:0'>" + parts.join(", ") + say(" for stereo on two cores</p>"));
    if (!figures.trainedWith.empty())
        text += section(say("Trained with"), "<p style='margin:0'>" + escaped(figures.trainedWith) + "</p>");
    return text;
}

}  // namespace

QString qualityInWords(const NetworkCard& card, const QString& quality) {
    const CardFigures figures = figuresOf(card, quality.toStdString());
    QString text;
    const auto stereo = figures.stems.find("stereo");
    const auto gain = [&](const char* stem) {
        const auto found = stereo->second.find(stem);
        return found == stereo->second.end() ? std::nullopt : std::optional(found->second.gainDb);
    };
    if (stereo != figures.stems.end())
        if (const auto dialogue = gain("dialogue"), music = gain("music"), ambience = gain("ambience");
            dialogue && music && ambience)
            text = say("The dialogue comes out %1 dB cleaner, the music %2 dB, the ambience %3 dB (mean over stereo "
                       "mixes of voices, music and places that it never heard). ")
                       .arg(number(*dialogue), number(*music), number(*ambience));
    if (const auto speed = figures.speed.find(quality == "quick" ? "quick" : "fine"); speed != figures.speed.end())
        text += say("An hour takes about %1 on two cores.")
                    .arg(speed->second > 60 ? QString("%1 s").arg(std::lround(3600 / speed->second))
                                            : say("%1 min").arg(std::lround(60 / speed->second)));
    return text.isEmpty() ? say("Its card states no measured quality.") : text;
}

QString cardInFull(const NetworkCard& card, bool shipped) {
    QString text =
        strong(
            theme::sheet(
                "<p style='font-size:16px; margin:0'><b>%1</b></p><p style='color:@quiet; margin:2px 0 8px 0'>%2</p><p "
                "style='margin:0'>%3</p>"))
            .arg(escaped(card.name), shipped ? say("came with Rivlen") : say("installed by you"),
                 escaped(card.purpose));
    QStringList stems;
    for (const auto& stem : card.stems) stems << escaped(stem);
    text += section(say("Stems"), say("<p style='margin:0'>%1; %2 Hz, %3</p>")
                                      .arg(stems.join(", "))
                                      .arg(card.sampleRate)
                                      .arg(card.mono && card.stereo ? say("mono and stereo")
                                           : card.stereo            ? say("stereo")
                                                                    : say("mono")));
    text += figuresInFull(card, figuresOf(card));
    text += section(say("Licence and date"),
                    QString("<p style='margin:0'>%1, %2</p>").arg(escaped(card.licence), escaped(card.date)));
    if (!fitsTheWindow(card))
        text +=
            section(say("Only on the command line"),
                    say("<p style='margin:0'>Its stems are not shown as dialogue, music and ambience: its card can say "
                        "where each belongs (\"shown\").</p>"));
    return text;
}

}  // namespace rivlen

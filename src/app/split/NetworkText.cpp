#include "app/split/NetworkText.h"

#include "app/reels/Splitting.h"

#include <QLocale>
#include <QStringList>
#include <cmath>
#include <optional>

namespace rivlen {

namespace {

using nlohmann::json;

/// The value at a path of keys, or nothing: cards from elsewhere need not state everything.
const json* find(const json& card, std::initializer_list<const char*> path) {
    const json* at = &card;
    for (const char* key : path) {
        if (!at->is_object() || !at->contains(key)) return nullptr;
        at = &(*at)[key];
    }
    return at;
}

QString number(const json& value, int digits = 1) { return QLocale::c().toString(value.get<double>(), 'f', digits); }

QString escaped(const std::string& text) { return QString::fromStdString(text).toHtmlEscaped(); }

QString row(const QStringList& cells, bool heading = false) {
    QString html = "<tr>";
    for (int i = 0; i < cells.size(); ++i)
        html += QString("<td style='padding: 2px 14px 2px 0' align=%1><span style='color:%2'>%3</span></td>")
                    .arg(i == 0 ? "left" : "right", heading ? "#a79d8c" : "#ece4d6", cells[i]);
    return html + "</tr>";
}

QString section(const QString& title, const QString& body) {
    return QString("<p style='margin: 12px 0 3px 0'><b>%1</b></p>%2").arg(title, body);
}

/// What a card says of one kind of recording ("stereo", "mono"): on the field set where it was measured there, else on
/// its own set.
struct Measured {
    double gainDb = 0;
    std::optional<double> share;
    std::optional<std::pair<int, int>> worse;  ///< how many mixtures the stem got worse in, of how many
};

std::optional<Measured> measured(const NetworkCard& card, const char* kind, const std::string& stem) {
    if (const json* field = find(card.all, {"quality", "field", kind, "all", stem.c_str()}))
        return Measured{field->at("gain").get<double>(), field->at("share").get<double>(),
                        std::pair(field->at("worse").get<int>(), field->at("of").get<int>())};
    const json* gain = find(card.all, {"quality", kind, "gain", stem.c_str()});
    if (!gain) return {};
    Measured m{gain->get<double>(), {}, {}};
    if (const json* share = find(card.all, {"quality", kind, "share_of_oracle_gain", stem.c_str()}))
        m.share = share->get<double>();
    return m;
}

QString signedDb(double db) { return QString(db < 0 ? "" : "+") + QLocale::c().toString(db, 'f', 1) + " dB"; }

QString qualityTable(const NetworkCard& card) {
    QString rows;
    for (const char* kind : {"stereo", "mono"}) {
        QStringList cells{QString("%1 recordings").arg(kind)}, worse{"made worse in"};
        for (const auto& name : card.shown) {
            const auto m = measured(card, kind, name);
            if (!m) continue;
            cells << signedDb(m->gainDb) +
                         (m->share ? QString(" (%1 %)").arg(std::lround(*m->share * 100)) : QString());
            if (m->worse) worse << QString("%1 of %2").arg(m->worse->first).arg(m->worse->second);
        }
        if (cells.size() > 1) rows += row(cells);
        if (worse.size() > 1) rows += row(worse);
    }
    if (rows.isEmpty()) return {};
    QStringList head{""};
    for (const auto& name : card.shown) head << escaped(name);
    const bool inTheField = find(card.all, {"quality", "field"});
    QString text = "<table cellspacing=0>" + row(head, true) + rows +
                   "</table><p style='color:#a79d8c; margin:2px 0'>SI-SDR gained over the mix, and its share of what "
                   "the best possible "
                   "mask would gain, on " +
                   QString(inTheField ? "speakers, music, places and rooms that had no part in its making"
                                      : "recordings that it never saw") +
                   ".</p>";
    if (const json* field = find(card.all, {"quality", "field", "stereo", "all", "estoi_gain"}))
        text += QString("<p style='margin:2px 0'>Speech intelligibility (ESTOI) %1 above the mix's.</p>")
                    .arg(number(*field, 2));
    else if (const json* e = find(card.all, {"quality", "stereo", "estoi"}))
        text += QString("<p style='margin:2px 0'>Speech intelligibility (ESTOI) %1, of the mix %2.</p>")
                    .arg(number(e->at("network"), 2), number(e->at("mixture"), 2));
    return section("Measured quality", text);
}

QString crossTalkTable(const NetworkCard& card) {
    const json* table = find(card.all, {"cross_talk", "db"});
    if (!table) return {};
    QStringList head{"only this is there"};
    for (const auto& name : card.shown) head << "in " + escaped(name);
    QString rows = row(head, true);
    for (const auto& alone : card.shown) {
        QStringList cells{escaped(alone)};
        for (const auto& stem : card.shown) cells << number(table->at(alone).at(stem)) + " dB";
        rows += row(cells);
    }
    return section("Cross-talk", "<table cellspacing=0>" + rows + "</table>");
}

}  // namespace

QString qualityInWords(const NetworkCard& card, const QString& quality) {
    QString text;
    try {
        const auto dialogue = measured(card, "stereo", "dialogue"), music = measured(card, "stereo", "music"),
                   ambience = measured(card, "stereo", "ambience");
        if (dialogue && music && ambience)
            text = QString(
                       "The dialogue comes out %1 dB cleaner, the music %2 dB, the ambience %3 dB (mean over stereo "
                       "mixes of voices, music and places that it never heard). ")
                       .arg(dialogue->gainDb, 0, 'f', 1)
                       .arg(music->gainDb, 0, 'f', 1)
                       .arg(ambience->gainDb, 0, 'f', 1);
        if (const json* speed = find(card.all, {"speed", quality == "quick" ? "quick" : "fine"}))
            text += QString("An hour takes about %1 on two cores.")
                        .arg(speed->get<double>() > 60 ? QString("%1 s").arg(std::lround(3600 / speed->get<double>()))
                                                       : QString("%1 min").arg(std::lround(60 / speed->get<double>())));
    } catch (const json::exception&) {
        text.clear();  // a card from elsewhere may put other things there
    }
    return text.isEmpty() ? QString("Its card states no measured quality.") : text;
}

QString cardInFull(const NetworkCard& card, bool shipped) {
    QString text =
        QString(
            "<p style='font-size:16px; margin:0'><b>%1</b></p><p style='color:#a79d8c; margin:2px 0 8px 0'>%2</p><p "
            "style='margin:0'>%3</p>")
            .arg(escaped(card.name), shipped ? "came with Rivlen" : "installed by you", escaped(card.purpose));
    QStringList stems;
    for (const auto& stem : card.stems) stems << escaped(stem);
    text += section("Stems", QString("<p style='margin:0'>%1; %2 Hz, %3</p>")
                                 .arg(stems.join(", "))
                                 .arg(card.sampleRate)
                                 .arg(card.mono && card.stereo ? "mono and stereo"
                                      : card.stereo            ? "stereo"
                                                               : "mono"));
    try {
        text += qualityTable(card) + crossTalkTable(card);
        if (const json* speed = find(card.all, {"speed"}); speed && speed->is_object()) {
            QStringList parts;
            for (const char* quality : {"fine", "quick"})
                if (speed->contains(quality))
                    parts << QString("%1 %2x real time").arg(quality, number(speed->at(quality), 0));
            text += section("Speed", "<p style='margin:0'>" + parts.join(", ") + " for stereo on two cores</p>");
        }
        if (const json* data = find(card.all, {"training", "data"}))
            text += section("Trained with", "<p style='margin:0'>" + escaped(data->get<std::string>()) + "</p>");
    } catch (const json::exception&) {
        text += section("Measured quality",
                        "<p style='margin:0'>The card states it in a way that is not understood here.</p>");
    }
    text += section("Licence and date",
                    QString("<p style='margin:0'>%1, %2</p>").arg(escaped(card.licence), escaped(card.date)));
    if (!fitsTheWindow(card))
        text += section("Only on the command line",
                        "<p style='margin:0'>Its stems are not shown as dialogue, music and ambience: its card can say "
                        "where each belongs (\"shown\").</p>");
    return text;
}

}  // namespace rivlen

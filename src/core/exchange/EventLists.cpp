#include <algorithm>
#include <cmath>
#include <nlohmann/json.hpp>
#include <sstream>

#include "core/base/Text.h"
#include "core/exchange/HandOver.h"

namespace rivlen {

namespace {

/// Event lists are of plain letters: what is not becomes "_".
std::string plain(const std::string& name) {
    std::string out;
    for (char c : name) out += static_cast<unsigned char>(c) < 32 || (c & 0x80) || c == '"' ? '_' : c;
    return out;
}

std::string shown(const LaneEvent& e) { return e.clip.name.empty() ? e.clip.material : e.clip.name; }

/// Lists count at most 30 frames a second: 50 and 60 are halved.
FrameRate listRate(FrameRate rate) {
    return rate.nominal() > 30 ? FrameRate{rate.numerator, rate.denominator * 2} : rate;
}

/// AES31-3's timecode character format: the sign before the frames tells their rate, what is left over follows in
/// samples.
std::string tcf(const EventList& list, int64_t frame) {
    const FrameRate rate = listRate(list.rate);
    const double exact = (list.start + double(frame) / list.sampleRate) * rate.perSecond();
    auto number = int64_t(std::floor(exact + 1e-9));
    auto rest = int64_t(std::llround((exact - double(number)) * list.sampleRate / rate.perSecond()));
    if (rest >= int64_t(list.sampleRate / rate.perSecond())) ++number, rest = 0;
    std::string code = timecodeOfFrames(number, rate, list.drop);
    const bool slow = rate.denominator % 1001 == 0;
    const char sign = rate.nominal() == 25   ? '.'
                      : rate.nominal() == 24 ? (slow ? '-' : '=')
                      : list.drop            ? ';'
                      : slow                 ? ':'
                                             : '|';
    code[8] = sign;
    for (size_t i : {2u, 5u}) code[i] = '.';
    return code + formatted("/%04lld", static_cast<long long>(rest));
}

}  // namespace

std::string EventList::timecode(int64_t frame) const {
    const FrameRate r = listRate(rate);
    return timecodeOfFrames(std::llround((start + double(frame) / sampleRate) * r.perSecond()), r, drop);
}

std::vector<LaneTrack> tracksOf(const Rebuild& rebuild, int rate) {
    std::vector<LaneTrack> all;
    for (const auto& lane : rebuild.lanes) {
        std::vector<LaneTrack> mine;
        for (const Clip& clip : lane->clips) {
            if (clip.muted) continue;
            LaneEvent event;
            event.clip = clip;
            event.from = std::llround(clip.at * rate);
            event.to = std::llround(clip.end() * rate);
            auto track = std::find_if(mine.begin(), mine.end(),
                                      [&](const LaneTrack& t) { return t.events.back().to <= event.from; });
            if (track == mine.end()) {
                mine.push_back(
                    {mine.empty() ? lane->name : lane->name + " (" + std::to_string(mine.size() + 1) + ")", {}});
                track = mine.end() - 1;
            }
            track->events.push_back(std::move(event));
        }
        all.insert(all.end(), mine.begin(), mine.end());
    }
    return all;
}

std::string cmxList(const EventList& list, const LaneTrack& track) {
    std::ostringstream out;
    out << "TITLE: " << plain(list.title + ", " + track.name).substr(0, 70)
        << "\nFCM: " << (list.drop ? "DROP FRAME" : "NON-DROP FRAME") << "\n"
        << formatted("* PROGRAMME BEGINS AT %.6f S", list.start) << "\n\n";
    size_t number = 0;
    for (const LaneEvent& e : track.events) {
        if (++number > 999) break;
        const std::string in = list.timecode(e.from), end = list.timecode(e.to);
        out << formatted("%03zu  %-8s %-5s C        ", number, e.reelName.c_str(), list.channels == 1 ? "A" : "AA")
            << in << ' ' << end << ' ' << in << ' ' << end << '\n';
        out << "* FROM CLIP NAME: " << plain(e.file) << "\n* NAME: " << plain(shown(e)) << "\n";
        out << formatted("* EXACT: SAMPLES %lld TO %lld AT %d HZ", static_cast<long long>(e.from),
                         static_cast<long long>(e.to), list.sampleRate)
            << "\n";
        if (e.clip.gain != 0) out << formatted("* GAIN: %+.2f DB", e.clip.gain) << "\n";
        if (e.clip.fadeIn > 0 || e.clip.fadeOut > 0)
            out << formatted("* FADES: IN %lld SAMPLES %s, OUT %lld SAMPLES %s",
                             static_cast<long long>(std::llround(e.clip.fadeIn * list.sampleRate)),
                             fadeShapeName(e.clip.fadeInShape),
                             static_cast<long long>(std::llround(e.clip.fadeOut * list.sampleRate)),
                             fadeShapeName(e.clip.fadeOutShape))
                << "\n";
    }
    return out.str();
}

std::string adlList(const EventList& list) {
    std::ostringstream out;
    out << "<ADL>\n<VERSION>\n\t(VER_ADL_VERSION)\t01.01\n\t(VER_CREATOR)\t\"Rivlen\"\n\t(VER_CRTR)\t\""
        << RIVLEN_VERSION << "\"\n</VERSION>\n";
    out << "<PROJECT>\n\t(PROJ_TITLE)\t\"" << plain(list.title) << "\"\n</PROJECT>\n";
    out << "<SEQUENCE>\n\t(SEQ_SAMPLE_RATE)\tS" << list.sampleRate << "\n\t(SEQ_FRAME_RATE)\t"
        << listRate(list.rate).nominal()
        << "\n\t(SEQ_ADL_LEVEL)\t1\n\t(SEQ_CLEAN)\tFALSE\n\t(SEQ_SORT)\t1\n\t(SEQ_MULTICHAN)\tTRUE\n\t(SEQ_DEST_START)"
           "\t"
        << tcf(list, 0) << "\n</SEQUENCE>\n<TRACKLIST>\n";
    int track = 0;
    for (const auto& t : list.tracks)
        out << formatted("\t(Track)\t%d\t(Name)\t", ++track) << '"' << plain(t.name) << "\"\n";
    out << "</TRACKLIST>\n<SOURCE_INDEX>\n";
    int number = 0;
    for (const auto& t : list.tracks)
        for (const auto& e : t.events)
            out << formatted("\t(Index)\t%04d\t(F)\t\"URL:file://localhost/%s\"\tBBCK\t", ++number,
                             plain(e.file).c_str())
                << tcf(list, e.fileStart) << '\t' << tcf(list, e.fileStart + e.fileFrames) << "\t\"" << plain(shown(e))
                << "\"\tN\n";
    out << "</SOURCE_INDEX>\n<EVENT_LIST>\n";
    track = number = 0;
    // A fade's shape: linear, or a curve through its middle at -3 dB (equal power) or -6 dB (S-shaped).
    const auto shape = [](FadeShape s) {
        return s == FadeShape::Linear       ? "LIN\t_\t_\t_"
               : s == FadeShape::EqualPower ? "CURVE\t-1.16\t-3.01\t-8.34"
                                            : "CURVE\t-1.37\t-6.02\t-16.68";
    };
    for (const auto& t : list.tracks) {
        ++track;
        for (const auto& e : t.events) {
            const std::string channels = list.channels == 1 ? "1" : formatted("1~%d", list.channels);
            ++number;
            out << formatted("\t(Entry)\t%04d\t(Cut)\tI\t%04d\t%s\t%d\t", number, number, channels.c_str(), track)
                << tcf(list, e.from) << '\t' << tcf(list, e.from) << '\t' << tcf(list, e.to) << "\tR\n";
            const auto length = [&](double seconds) {
                return formatted("%lld", static_cast<long long>(std::llround(seconds * list.sampleRate)));
            };
            if (e.clip.fadeIn > 0)
                out << "\t\t(Infade)\t" << length(e.clip.fadeIn) << '\t' << shape(e.clip.fadeInShape) << '\n';
            if (e.clip.fadeOut > 0)
                out << "\t\t(Outfade)\t" << length(e.clip.fadeOut) << '\t' << shape(e.clip.fadeOutShape) << '\n';
            if (e.clip.gain != 0) out << formatted("\t\t(Gain)\t_\t%.2f", e.clip.gain) << '\n';
            out << "\t\t(Rem)\tNAME\t\"" << plain(shown(e)) << "\"\n";
        }
    }
    out << "</EVENT_LIST>\n</ADL>\n";
    return out.str();
}

std::string otioList(const EventList& list) {
    using nlohmann::json;
    const auto time = [&](int64_t frames) {
        return json{{"OTIO_SCHEMA", "RationalTime.1"}, {"rate", double(list.sampleRate)}, {"value", double(frames)}};
    };
    const auto range = [&](int64_t from, int64_t count) {
        return json{{"OTIO_SCHEMA", "TimeRange.1"}, {"start_time", time(from)}, {"duration", time(count)}};
    };
    json tracks = json::array();
    for (const auto& t : list.tracks) {
        json children = json::array();
        int64_t at = 0;
        for (const auto& e : t.events) {
            if (e.from > at)
                children.push_back({{"OTIO_SCHEMA", "Gap.1"},
                                    {"name", ""},
                                    {"source_range", range(0, e.from - at)},
                                    {"effects", json::array()},
                                    {"markers", json::array()},
                                    {"metadata", json::object()}});
            const json reference{{"OTIO_SCHEMA", "ExternalReference.1"},
                                 {"target_url", e.file},
                                 {"available_range", range(0, e.fileFrames)},
                                 {"metadata", json::object()}};
            children.push_back({{"OTIO_SCHEMA", "Clip.1"},
                                {"name", shown(e)},
                                {"media_reference", reference},
                                {"source_range", range(e.from - e.fileStart, e.to - e.from)},
                                {"effects", json::array()},
                                {"markers", json::array()},
                                {"metadata",
                                 {{"rivlen",
                                   {{"gain_db", e.clip.gain},
                                    {"fade_in_s", e.clip.fadeIn},
                                    {"fade_in_shape", fadeShapeName(e.clip.fadeInShape)},
                                    {"fade_out_s", e.clip.fadeOut},
                                    {"fade_out_shape", fadeShapeName(e.clip.fadeOutShape)}}}}}});
            at = e.to;
        }
        tracks.push_back({{"OTIO_SCHEMA", "Track.1"},
                          {"name", t.name},
                          {"kind", "Audio"},
                          {"children", children},
                          {"source_range", nullptr},
                          {"effects", json::array()},
                          {"markers", json::array()},
                          {"metadata", json::object()}});
    }
    json markers = json::array();
    for (const Marker& m : list.markers)
        markers.push_back({{"OTIO_SCHEMA", "Marker.2"},
                           {"name", m.name},
                           {"color", "RED"},
                           {"marked_range", range(std::llround(m.at * list.sampleRate), 0)},
                           {"metadata", json::object()}});
    const json stack{{"OTIO_SCHEMA", "Stack.1"},  {"name", "tracks"},         {"children", tracks},
                     {"source_range", nullptr},   {"effects", json::array()}, {"markers", markers},
                     {"metadata", json::object()}};
    return json{{"OTIO_SCHEMA", "Timeline.1"},
                {"name", list.title},
                {"global_start_time", time(std::llround(list.start * list.sampleRate))},
                {"tracks", stack},
                {"metadata", json::object()}}
               .dump(1) +
           "\n";
}

std::string markersCsv(const EventList& list) {
    std::ostringstream out;
    out << "kind,name,lane,from_s,to_s,from_timecode,to_timecode\n";
    const auto row = [&](const std::string& kind, const std::string& name, const std::string& lane, double from,
                         double to) {
        out << kind << ',' << quotedForCsv(name) << ',' << quotedForCsv(lane) << ','
            << formatted("%.6f,%.6f,", from, to) << list.timecode(std::llround(from * list.sampleRate)) << ','
            << list.timecode(std::llround(to * list.sampleRate)) << '\n';
    };
    for (const Marker& m : list.markers) row("marker", m.name, "", m.at, m.at);
    for (const NamedSpan& s : list.spans) row(s.kind, s.name, s.lane, s.from, s.to);
    return out.str();
}

std::string markersLabels(const EventList& list) {
    std::ostringstream out;
    const auto row = [&](std::string name, double from, double to) {
        for (char& c : name)
            if (c == '\t' || c == '\n') c = ' ';
        out << formatted("%.6f\t%.6f\t", from, to) << name << '\n';
    };
    for (const Marker& m : list.markers) row(m.name, m.at, m.at);
    for (const NamedSpan& s : list.spans) row(s.lane.empty() ? s.name : s.lane + ": " + s.name, s.from, s.to);
    return out.str();
}

}  // namespace rivlen

#include <algorithm>
#include <cmath>
#include <nlohmann/json.hpp>
#include <set>

#include "core/base/Error.h"
#include "core/exchange/ReadList.h"

namespace rivlen {

namespace {

using nlohmann::json;

struct Span {
    double from = 0, length = 0;
};

class OtioReader {
public:
    explicit OtioReader(std::string file) : m_file(std::move(file)) {}

    ReadList read(const std::string& text) {
        json root;
        try {
            root = json::parse(text);
        } catch (const json::parse_error& e) {
            const auto end = text.begin() + long(std::min(text.size(), e.byte));
            fail("is no JSON from line " + std::to_string(std::count(text.begin(), end, '\n') + 1) + " on");
        }
        try {
            if (schema(root) != "Timeline")
                fail("is no timeline of OpenTimelineIO: its schema is \"" + root.value("OTIO_SCHEMA", "") + "\"");
            m_list.title = text_(root, "name");
            if (const json& start = at(root, "global_start_time"); start.is_object())
                m_list.start = time(start), m_list.clocked = m_list.start > 0;
            const json& stack = at(root, "tracks");
            for (const json& track : at(stack, "children")) readTrack(track);
            readMarkers(stack, 0);
        } catch (const json::exception&) {
            fail("has a value that is no such thing near " + m_where);
        }
        for (const auto& what : m_passed) m_list.leftOut.push_back(what);
        std::stable_sort(m_list.markers.begin(), m_list.markers.end(),
                         [](const Marker& a, const Marker& b) { return a.at < b.at; });
        return std::move(m_list);
    }

private:
    [[noreturn]] void fail(const std::string& what) const {
        throw Error(Error::Kind::InputUnreadable,
                    "The list \"" + m_file + "\" " + what + ": export it again, or mend that place.");
    }
    static const json& at(const json& j, const char* key) {
        static const json nothing;
        const auto found = j.is_object() ? j.find(key) : j.end();
        return found == j.end() ? nothing : *found;
    }
    static std::string text_(const json& j, const char* key) {
        return at(j, key).is_string() ? at(j, key).get<std::string>() : std::string();
    }
    /// Without its version.
    static std::string schema(const json& j) {
        const std::string whole = text_(j, "OTIO_SCHEMA");
        return whole.substr(0, whole.find('.'));
    }
    double time(const json& j) {
        const double rate = j.at("rate"), value = j.at("value");
        if (!(rate > 0) || !std::isfinite(value)) fail("has a time without a rate near " + m_where);
        return value / rate;
    }
    std::optional<Span> range(const json& j) {
        if (!j.is_object()) return {};
        const Span s{time(j.at("start_time")), time(j.at("duration"))};
        if (s.length < 0) fail("has a span that ends before it begins near " + m_where);
        return s;
    }

    void readMarkers(const json& owner, double offset) {
        for (const json& m : at(owner, "markers"))
            if (const auto span = range(at(m, "marked_range")))
                m_list.markers.push_back({m_list.start + offset + span->from, text_(m, "name")});
    }

    void readTrack(const json& track) {
        m_where = "the track \"" + text_(track, "name") + "\"";
        if (schema(track) != "Track" || text_(track, "kind") != "Audio") {
            m_passed.insert("Tracks that are not sound were left out.");
            return;
        }
        ReadTrack out;
        out.name = text_(track, "name");
        double now = 0, joins = 0;  // seconds of the fade that the next clip comes in with
        for (const json& item : at(track, "children")) {
            const std::string kind = schema(item);
            if (kind == "Transition") {
                const double in = time(item.at("in_offset")), after = time(item.at("out_offset"));
                // Both sounds run into each other: the one before on for what lies behind the cut, the next from what
                // lies before it.
                if (!out.events.empty()) out.events.back().length += after, out.events.back().fadeOut = in + after;
                joins = in + after;
                m_before = in;
                continue;
            }
            const auto span = range(at(item, "source_range"));
            if (kind == "Gap") {
                now += span ? span->length : 0;
                joins = 0;
                continue;
            }
            if (kind != "Clip") {
                m_passed.insert("Nested " + (kind.empty() ? std::string("things") : kind + "s") + " were left out.");
                now += span ? span->length : 0;
                continue;
            }
            out.events.push_back(readClip(item, span));
            ReadEvent& e = out.events.back();
            readMarkers(item, now - (span ? span->from : 0));
            e.at = m_list.start + now;
            now += e.length;
            if (joins > 0) e.at -= m_before, e.offset -= m_before, e.length += m_before, e.fadeIn = joins;
            joins = 0;
        }
        readMarkers(track, 0);
        m_list.tracks.push_back(std::move(out));
    }

    ReadEvent readClip(const json& clip, const std::optional<Span>& span) {
        m_where = "the clip \"" + text_(clip, "name") + "\"";
        ReadEvent e;
        e.name = text_(clip, "name");
        const json& many = at(clip, "media_references");
        std::string key = text_(clip, "active_media_reference_key");
        if (key.empty()) key = "DEFAULT_MEDIA";
        const json& media = many.is_object() ? at(many, key.c_str()) : at(clip, "media_reference");
        e.media = text_(media, "target_url");
        const auto available = range(at(media, "available_range"));
        if (!span && !available) fail("does not say how long the clip \"" + e.name + "\" is");
        e.length = span ? span->length : available->length;
        e.offset = span && available ? span->from - available->from : span ? span->from : 0;
        e.onClock = span && !available;
        for (const json& effect : at(clip, "effects"))
            m_passed.insert("Effects (" + text_(effect, "effect_name") + ") were left out.");
        const json& ours = at(at(clip, "metadata"), "rivlen");
        if (ours.is_object()) {
            e.gain = ours.value("gain_db", 0.0);
            e.fadeIn = ours.value("fade_in_s", 0.0);
            e.fadeOut = ours.value("fade_out_s", 0.0);
            e.fadeInShape = fadeShapeOf(ours.value("fade_in_shape", ""));
            e.fadeOutShape = fadeShapeOf(ours.value("fade_out_shape", ""));
        }
        return e;
    }

    std::string m_file, m_where = "its head";
    ReadList m_list;
    std::set<std::string> m_passed;
    double m_before = 0;
};

}  // namespace

ReadList readOtio(const std::string& text, const std::string& file) { return OtioReader(file).read(text); }

}  // namespace rivlen

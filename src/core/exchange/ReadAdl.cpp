#include <algorithm>
#include <cmath>
#include <map>
#include <sstream>

#include "core/base/Error.h"
#include "core/exchange/ReadList.h"

namespace rivlen {

namespace {

/// Words between white space; what stands in quotation marks is one.
std::vector<std::string> wordsOf(const std::string& line) {
    std::vector<std::string> words;
    for (size_t i = 0; i < line.size();) {
        if (std::isspace(static_cast<unsigned char>(line[i]))) {
            ++i;
            continue;
        }
        if (line[i] == '"') {
            const size_t end = std::min(line.size(), line.find('"', i + 1));
            words.push_back(line.substr(i + 1, end - i - 1));
            i = end + 1;
            continue;
        }
        size_t end = i;
        while (end < line.size() && !std::isspace(static_cast<unsigned char>(line[end]))) ++end;
        words.push_back(line.substr(i, end - i));
        i = end;
    }
    return words;
}

class AdlReader {
public:
    explicit AdlReader(std::string file) : m_file(std::move(file)) {}

    ReadList read(const std::string& text) {
        std::istringstream in(text);
        std::string line;
        bool known = false;
        while (std::getline(in, line)) {
            ++m_line;
            const auto words = wordsOf(line);
            if (words.empty()) continue;
            known = known || words[0] == "<ADL>";
            if (!known) fail("is no AES31-3 list: it does not begin with <ADL>");
            take(words);
        }
        if (!known) fail("is no AES31-3 list: it is empty");
        for (auto& [number, track] : m_tracks) m_list.tracks.push_back(std::move(track));
        return std::move(m_list);
    }

private:
    [[noreturn]] void fail(const std::string& what) const {
        throw Error(Error::Kind::InputUnreadable, "The list \"" + m_file + "\", line " + std::to_string(m_line) + ", " +
                                                      what + ": export it again, or mend that line.");
    }
    const std::string& word(const std::vector<std::string>& words, size_t i) const {
        if (i >= words.size()) fail("ends too early");
        return words[i];
    }
    double number(const std::string& text) const {
        try {
            size_t end = 0;
            const double v = std::stod(text, &end);
            if (end == text.size() && std::isfinite(v)) return v;
        } catch (const std::exception&) {}
        fail("has \"" + text + "\" where a number is wanted");
    }
    int count(const std::string& text) const { return int(std::clamp(number(text), -1e6, 1e6)); }

    /// Timecode character format: hours, minutes, seconds, a sign that tells the rate, frames, and samples behind a
    /// stroke.
    double clock(const std::string& text) const {
        const size_t stroke = text.find('/');
        std::string code = text.substr(0, stroke);
        if (code.size() != 11) fail("has \"" + text + "\" where a time is wanted");
        const char sign = code[8];
        const FrameRate rate = sign == '.'   ? FrameRate{25, 1}
                               : sign == '=' ? FrameRate{24, 1}
                               : sign == '-' ? FrameRate{24000, 1001}
                               : sign == '|' ? FrameRate{30, 1}
                                             : FrameRate{30000, 1001};
        code[2] = code[5] = ':';
        code[8] = sign == ';' ? ';' : ':';
        try {
            return double(framesOfTimecode(code, rate)) / rate.perSecond() +
                   (stroke == std::string::npos ? 0 : number(text.substr(stroke + 1)) / m_rate);
        } catch (const Error&) {
            fail("has \"" + text + "\" where a time is wanted");
        }
    }
    /// By its middle: -3 dB is equal power, -6 an S.
    FadeShape shapeOf(const std::vector<std::string>& words) const {
        if (word(words, 2) == "LIN") return FadeShape::Linear;
        if (word(words, 2) != "CURVE" || words.size() < 5) return FadeShape::EqualPower;
        return number(words[4]) < -4.5 ? FadeShape::Smooth : FadeShape::EqualPower;
    }

    void take(const std::vector<std::string>& words) {
        const std::string& key = words[0];
        if (key == "(PROJ_TITLE)") m_list.title = word(words, 1);
        else if (key == "(SEQ_SAMPLE_RATE)") {
            m_rate = number(word(words, 1).substr(word(words, 1)[0] == 'S' ? 1 : 0));
            if (!(m_rate >= 8000 && m_rate <= 384000)) fail("has a sample rate of " + words[1]);
        } else if (key == "(SEQ_DEST_START)") {
            m_list.start = clock(word(words, 1));
            m_list.clocked = m_list.start > 0;
        } else if (key == "(Track)") {
            m_tracks[count(word(words, 1))].name = words.size() > 3 ? words[3] : "";
        } else if (key == "(Index)") {
            // (Index) number (F) "URL" id in out "name" N
            Source s;
            s.media = word(words, 3);
            s.from = clock(word(words, 5));
            m_sources[count(word(words, 1))] = s;
        } else if (key == "(Entry)") {
            entry(words);
        } else if (key == "(Infade)" || key == "(Outfade)") {
            ReadEvent& e = last(key);
            const double seconds = number(word(words, 1)) / m_rate;
            (key == "(Infade)" ? e.fadeIn : e.fadeOut) = seconds;
            (key == "(Infade)" ? e.fadeInShape : e.fadeOutShape) = shapeOf(words);
        } else if (key == "(Gain)") {
            last(key).gain = number(word(words, 2));
        } else if (key == "(Rem)" && words.size() > 2 && words[1] == "NAME" && m_last) {
            m_last->name = words[2];
        }
    }

    void entry(const std::vector<std::string>& words) {
        // (Entry) number (Cut) I index channels track source-in in out R
        if (word(words, 2) != "(Cut)") {
            m_list.leftOut.push_back("The event " + word(words, 1) + " is no cut and was left out.");
            m_last = nullptr;
            return;
        }
        const auto source = m_sources.find(count(word(words, 4)));
        if (source == m_sources.end()) fail("plays source " + words[4] + ", which is not in its index");
        ReadEvent e;
        e.media = source->second.media;
        e.offset = clock(word(words, 7)) - source->second.from;
        e.at = clock(word(words, 8));
        e.length = clock(word(words, 9)) - e.at;
        if (e.length < 0) fail("ends before it begins");
        auto& events = m_tracks[count(word(words, 6))].events;
        events.push_back(e);
        m_last = &events.back();
    }
    ReadEvent& last(const std::string& key) const {
        if (!m_last) fail("has " + key + " without an event before it");
        return *m_last;
    }

    struct Source {
        std::string media;
        double from = 0;
    };
    std::string m_file;
    int m_line = 0;
    double m_rate = 48000;
    ReadList m_list;
    std::map<int, Source> m_sources;
    std::map<int, ReadTrack> m_tracks;
    ReadEvent* m_last = nullptr;
};

}  // namespace

ReadList readAdl(const std::string& text, const std::string& file) { return AdlReader(file).read(text); }

}  // namespace rivlen

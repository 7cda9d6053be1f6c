#include <algorithm>
#include <cmath>
#include <regex>
#include <sstream>

#include "core/base/Error.h"
#include "core/exchange/ReadList.h"

namespace rivlen {

namespace {

/// A regular expression takes some hundred bytes of the stack for each character: nobody's comment is longer.
constexpr size_t kLongestLine = 4096;

class CmxReader {
public:
    /// Lists count at most 30 frames a second.
    CmxReader(std::string file, FrameRate rate)
        : m_file(std::move(file)),
          m_rate(rate.nominal() > 30 ? FrameRate{rate.numerator, rate.denominator * 2} : rate) {}

    ReadList read(const std::string& text) {
        std::istringstream in(text);
        std::string line;
        ReadTrack track;
        while (std::getline(in, line)) {
            ++m_line;
            if (line.size() > kLongestLine) line.resize(kLongestLine);
            while (!line.empty() && std::isspace(static_cast<unsigned char>(line.back()))) line.pop_back();
            if (line.rfind("TITLE:", 0) == 0) m_list.title = line.size() > 7 ? line.substr(7) : "";
            else if (line.rfind("FCM:", 0) == 0) m_drop = line.find("NON") == std::string::npos;
            else if (!line.empty() && line[0] == '*') comment(line, track.events);
            else if (!line.empty() && std::isdigit(static_cast<unsigned char>(line[0]))) event(line, track.events);
        }
        if (track.events.empty()) fail("is no CMX 3600 list with sound: no event in it plays an audio channel");
        track.name = m_list.title;
        m_list.start = track.events.front().at;
        for (const auto& e : track.events) m_list.start = std::min(m_list.start, e.at);
        if (m_begins) m_list.start = *m_begins;
        m_list.clocked = true;
        m_list.tracks.push_back(std::move(track));
        if (m_pictures > 0)
            m_list.leftOut.push_back("Events of the picture were left out (" + std::to_string(m_pictures) + ").");
        return std::move(m_list);
    }

private:
    [[noreturn]] void fail(const std::string& what) const {
        throw Error(Error::Kind::InputUnreadable, "The list \"" + m_file + "\", line " + std::to_string(m_line) + ", " +
                                                      what + ": export it again, or mend that line.");
    }
    double clock(std::string code) const {
        if (m_drop && code.size() == 11) code[8] = ';';
        try {
            return double(framesOfTimecode(code, m_rate)) / m_rate.perSecond();
        } catch (const Error&) {
            fail("has \"" + code + "\", which is no timecode at " + std::to_string(m_rate.nominal()) +
                 " frames a second");
        }
    }

    void event(const std::string& line, std::vector<ReadEvent>& events) {
        std::istringstream in(line);
        std::string number, reel, channels, kind;
        in >> number >> reel >> channels >> kind;
        std::vector<std::string> rest;
        for (std::string w; in >> w;) rest.push_back(w);
        double fade = 0;
        if (kind != "C" && !kind.empty()) {  // a dissolve or wipe has its length in frames
            if (rest.size() < 5) fail("is an event that ends too early");
            try {
                fade = std::stod(rest[0]) / m_rate.perSecond();
            } catch (const std::exception&) {
                fail("has \"" + rest[0] + "\" where a length in frames is wanted");
            }
            rest.erase(rest.begin());
        }
        if (rest.size() < 4) fail("is an event that ends too early");
        m_last = false;
        const bool sound = channels.find('A') != std::string::npos || channels == "B" || channels == "NONE";
        if (!sound) {
            ++m_pictures;
            return;
        }
        if (reel == "BL") return;  // black and silence
        ReadEvent e;
        e.media = e.name = reel;
        e.offset = clock(rest[0]);
        clock(rest[1]);  // the source's end follows from the event's, but must be a time
        e.onClock = true;
        e.at = clock(rest[2]);
        e.length = clock(rest[3]) - e.at;
        if (e.length < 0) fail("ends before it begins");
        e.fadeIn = std::min(fade, e.length);
        if (fade > 0 && !events.empty()) {  // the one before is heard on while this one comes in
            events.back().length += fade;
            events.back().fadeOut = fade;
        }
        events.push_back(e);
        m_last = true;
    }

    double wholeFrame(double second) const { return std::round(second * m_rate.perSecond()) / m_rate.perSecond(); }

    void comment(const std::string& line, std::vector<ReadEvent>& events) {
        static const std::regex begins(R"(\*\s*PROGRAMME BEGINS AT ([\d.]{1,20}) S)");
        if (std::smatch m; std::regex_match(line, m, begins)) m_begins = std::stod(m[1]);
        if (!m_last) return;
        ReadEvent& e = events.back();
        static const std::regex from(R"(\*\s*FROM CLIP NAME:\s*(.*))", std::regex::icase);
        static const std::regex exact(R"(\*\s*EXACT: SAMPLES (-?\d+) TO (-?\d+) AT (\d+) HZ)");
        static const std::regex gain(R"(\*\s*GAIN: ([-+.\d]+) DB)");
        static const std::regex fades(R"(\*\s*FADES: IN (\d+) SAMPLES ([a-z-]+), OUT (\d+) SAMPLES ([a-z-]+))");
        static const std::regex name(R"(\*\s*NAME: (.*))");
        std::smatch m;
        try {
            if (std::regex_match(line, m, from)) {
                e.media = e.name = m[1];
            } else if (std::regex_match(line, m, exact)) {
                // What frames cannot say: the event and its source are moved by what was rounded off.
                m_hz = std::stod(m[3]);
                if (!m_begins) m_begins = wholeFrame(e.at - std::stod(m[1]) / m_hz);
                const double exactly = *m_begins + std::stod(m[1]) / m_hz;
                e.offset += exactly - e.at;
                e.at = exactly;
                e.length = (std::stod(m[2]) - std::stod(m[1])) / m_hz;
            } else if (std::regex_match(line, m, gain)) {
                e.gain = std::stod(m[1]);
            } else if (std::regex_match(line, m, fades)) {
                e.fadeIn = std::stod(m[1]) / m_hz, e.fadeOut = std::stod(m[3]) / m_hz;
                e.fadeInShape = fadeShapeOf(m[2]), e.fadeOutShape = fadeShapeOf(m[4]);
            } else if (std::regex_match(line, m, name)) {
                e.name = m[1];
            }
        } catch (const std::exception&) {
            fail("has a number that is none");
        }
    }

    std::string m_file;
    FrameRate m_rate;
    bool m_drop = false, m_last = false;
    int m_line = 0, m_pictures = 0;
    double m_hz = 48000;
    std::optional<double> m_begins;  ///< of the programme, seconds on the list's clock
    ReadList m_list;
};

}  // namespace

ReadList readCmx(const std::string& text, const std::string& file, FrameRate rate) {
    return CmxReader(file, rate).read(text);
}

}  // namespace rivlen

#include <algorithm>
#include <cmath>
#include <sstream>

#include "core/base/Error.h"
#include "core/exchange/ReadList.h"

namespace rivlen {

namespace {

/// Fields of a line of CSV (RFC 4180), or between tabs.
std::vector<std::string> fieldsOf(const std::string& line, char between) {
    std::vector<std::string> fields(1);
    bool quoted = false;
    for (size_t i = 0; i < line.size(); ++i) {
        const char c = line[i];
        if (quoted && c == '"' && i + 1 < line.size() && line[i + 1] == '"') fields.back() += line[++i];
        else if (c == '"' && between != '\t') quoted = !quoted;
        else if (c == between && !quoted) fields.emplace_back();
        else fields.back() += c;
    }
    return fields;
}

std::string small(std::string text) {
    std::transform(text.begin(), text.end(), text.begin(), [](unsigned char c) { return char(std::tolower(c)); });
    return text;
}

class MarkerReader {
public:
    MarkerReader(std::string file, FrameRate rate) : m_file(std::move(file)), m_rate(rate) {}

    ReadList read(const std::string& text) {
        std::istringstream in(text);
        std::string line;
        while (std::getline(in, line)) {
            ++m_line;
            while (!line.empty() && (line.back() == '\r' || line.back() == '\n')) line.pop_back();
            if (line.empty()) continue;
            if (m_line == 1 || (m_name < 0 && m_list.markers.empty())) {
                if (line.find('\t') != std::string::npos) {
                    m_between = '\t', m_time = 0, m_name = 2;
                } else {
                    head(fieldsOf(line, ','));
                    continue;
                }
            }
            row(fieldsOf(line, m_between));
        }
        if (m_name < 0) fail("holds no markers: its first line names no column \"name\" and no time");
        std::stable_sort(m_list.markers.begin(), m_list.markers.end(),
                         [](const Marker& a, const Marker& b) { return a.at < b.at; });
        return std::move(m_list);
    }

private:
    [[noreturn]] void fail(const std::string& what) const {
        throw Error(Error::Kind::InputUnreadable, "The list \"" + m_file + "\", line " + std::to_string(m_line) + ", " +
                                                      what + ": export it again, or mend that line.");
    }

    void head(const std::vector<std::string>& names) {
        const auto column = [&](std::initializer_list<const char*> wanted) {
            for (const char* w : wanted)
                for (size_t i = 0; i < names.size(); ++i)
                    if (small(names[i]) == w) return int(i);
            return -1;
        };
        m_name = column({"name", "marker", "comment", "label"});
        m_time = column({"from_s", "time", "start", "seconds", "from_timecode", "timecode", "in"});
        m_kind = column({"kind", "type"});
        if (m_name < 0 || m_time < 0) fail("names no column \"name\" and \"from_s\" (or \"time\", \"timecode\")");
    }

    void row(const std::vector<std::string>& fields) {
        if (int(fields.size()) <= std::max(m_name, m_time))
            fail("has " + std::to_string(fields.size()) + " fields, fewer than its columns");
        if (m_kind >= 0 && m_kind < int(fields.size()) && fields[size_t(m_kind)] != "marker")
            return;  // spans have a home of their own
        const std::string& at = fields[size_t(m_time)];
        try {
            const double seconds =
                at.find(':') == std::string::npos ? parseTime(at) : parseTime(at, m_rate.perSecond());
            m_list.markers.push_back({seconds, fields[size_t(m_name)]});
        } catch (const Error&) {
            fail("has \"" + at + "\" where a time is wanted");
        }
    }

    std::string m_file;
    FrameRate m_rate;
    char m_between = ',';
    int m_line = 0, m_name = -1, m_time = -1, m_kind = -1;
    ReadList m_list;
};

}  // namespace

ReadList readMarkers(const std::string& text, const std::string& file, FrameRate rate) {
    return MarkerReader(file, rate).read(text);
}

}  // namespace rivlen

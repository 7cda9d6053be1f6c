#include "core/exchange/ReadList.h"

#include <algorithm>
#include <cmath>
#include <fstream>
#include <map>
#include <set>
#include <sstream>

#include "core/base/Error.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr uintmax_t kLargest = 64 << 20;  // bytes: a list of a hundred thousand events has less

std::string wholeList(const fs::path& file) {
    std::error_code problem;
    if (!fs::is_regular_file(file, problem) || fs::file_size(file, problem) > kLargest)
        throw Error(Error::Kind::InputUnreadable,
                    "The list \"" + file.string() +
                        "\" is no file that can be read: check its name, and that it is a list.");
    std::ifstream in(file, std::ios::binary);
    std::ostringstream all;
    all << in.rdbuf();
    if (!in)
        throw Error(Error::Kind::InputUnreadable,
                    "The list \"" + file.string() + "\" cannot be read: check its permissions.");
    return all.str();
}

/// Of "file:///a%20b" or "URL:file://localhost/a b" what the file system knows.
std::string pathOf(std::string media) {
    for (const char* head : {"URL:", "file://localhost/", "file://", "file:"})
        if (media.rfind(head, 0) == 0)
            media.erase(0, std::string(head).size() - (std::string(head) == "file://localhost/" ? 1 : 0));
    std::string out;
    const auto digit = [](char c) { return std::isxdigit(static_cast<unsigned char>(c)) != 0; };
    for (size_t i = 0; i < media.size(); ++i) {
        if (media[i] == '%' && i + 2 < media.size() && digit(media[i + 1]) && digit(media[i + 2])) {
            out += char(std::stoi(media.substr(i + 1, 2), nullptr, 16));
            i += 2;
        } else {
            out += media[i];
        }
    }
    return out;
}

/// A sound of the list as it lies on the disk.
struct Found {
    std::string sound;  ///< id in the rebuild; empty: it is not there
    double seconds = 0, clock = 0;
};

class Layer {
public:
    Layer(Rebuild& rebuild, const ReadList& from, const fs::path& in) : r(rebuild), list(from), folder(in) {}

    LaidIn run(std::optional<double> reelStart, double reelSeconds) {
        m_zero = list.start;
        if (reelStart && list.clocked) {
            // By the clock, unless nothing of it would lie in the reel.
            double first = 1e300, last = -1e300;
            for (const auto& t : list.tracks)
                for (const auto& e : t.events) first = std::min(first, e.at), last = std::max(last, e.at + e.length);
            for (const auto& m : list.markers) first = std::min(first, m.at), last = std::max(last, m.at);
            if (first < *reelStart + reelSeconds && last > *reelStart) m_zero = *reelStart;
            else
                out.notes.push_back(
                    "The list's timecodes lie outside of the reel: it was laid in from the reel's beginning.");
        }
        for (const auto& track : list.tracks) lay(track);
        for (const Marker& m : list.markers) {
            if (m.at < m_zero) continue;
            r.markers.push_back({m.at - m_zero, m.name});
            ++out.markers;
        }
        std::stable_sort(r.markers.begin(), r.markers.end(),
                         [](const Marker& a, const Marker& b) { return a.at < b.at; });
        for (const auto& name : m_missing)
            out.notes.push_back("The sound \"" + name + "\" is not there: put it beside the list and lay it in again.");
        out.notes.insert(out.notes.end(), list.leftOut.begin(), list.leftOut.end());
        return std::move(out);
    }

private:
    void lay(const ReadTrack& track) {
        Lane lane;
        lane.id = r.freeId("lane");
        lane.name = track.name.empty() ? "Track " + std::to_string(out.lanes + 1) : track.name;
        for (const ReadEvent& e : track.events) {
            const Found& media = find(e.media);
            if (media.sound.empty()) continue;
            Clip c;
            c.id = "clip-" + std::to_string(++m_number + firstFree());
            c.name = e.name;
            c.material = media.sound;
            c.at = e.at - m_zero;
            c.length = e.length;
            c.offset = e.offset;
            // A place on the media's own clock; lists without one count from its beginning all the same.
            if (e.onClock && media.clock > 0 && e.offset >= media.clock - 1) c.offset -= media.clock;
            else if (e.onClock && e.offset > media.seconds) c.offset = 0, odd(e, "begins outside of its sound");
            if (c.offset < 0) c.at -= c.offset, c.length += c.offset, c.offset = 0;
            if (c.at < 0) c.offset -= c.at, c.length += c.at, c.at = 0;
            if (c.length < kShortestClip) {
                odd(e, "has no length in this reel");
                continue;
            }
            c.gain = std::clamp(e.gain, -60.0, 24.0);
            const double fades = e.fadeIn + e.fadeOut, most = fades > c.length ? c.length / fades : 1;
            c.fadeIn = e.fadeIn * most, c.fadeOut = e.fadeOut * most;
            c.fadeInShape = e.fadeInShape, c.fadeOutShape = e.fadeOutShape;
            lane.clips.push_back(c);
            ++out.clips;
        }
        if (lane.clips.empty()) return;
        sortClips(lane);
        r.lanes.emplace_back(lane);
        ++out.lanes;
    }

    int firstFree() {
        if (m_first < 0) {
            const std::string id = r.freeId("clip");
            m_first = std::stoi(id.substr(5)) - 1;
        }
        return m_first;
    }
    void odd(const ReadEvent& e, const char* what) {
        out.notes.push_back("The event \"" + e.name + "\" " + what + ".");
    }

    const Found& find(const std::string& media) {
        const auto known = m_found.find(media);
        if (known != m_found.end()) return known->second;
        Found& f = m_found[media];
        const fs::path said = pathOf(media), name = said.filename();
        for (const fs::path& file : {said.is_absolute() ? said : folder / said, folder / said.relative_path(),
                                     folder / name, folder / "media" / name}) {
            std::error_code ignored;
            if (name.empty() || !fs::is_regular_file(file, ignored)) continue;
            try {
                const MediaReader reader(file);
                const MediaInfo& info = reader.info();
                f.seconds = info.duration();
                f.clock = info.timecodeSeconds.value_or(0);
                const fs::path whole = fs::absolute(file).lexically_normal();
                for (const Sound& s : r.sounds)
                    if (s.file == whole) f.sound = s.id;
                if (f.sound.empty()) {
                    f.sound = r.freeId("sound");
                    r.sounds.push_back({f.sound, name.stem().string(), whole});
                }
                return f;
            } catch (const Error&) {  // there, but no sound: told as missing
            }
        }
        m_missing.insert(media.empty() ? "without a name" : media);
        return f;
    }

    Rebuild& r;
    const ReadList& list;
    const fs::path folder;
    LaidIn out;
    double m_zero = 0;
    int m_number = 0, m_first = -1;
    std::map<std::string, Found> m_found;
    std::set<std::string> m_missing;
};

}  // namespace

ReadList readList(const fs::path& file, FrameRate rate) {
    std::string suffix = file.extension().string();
    std::transform(suffix.begin(), suffix.end(), suffix.begin(), [](unsigned char c) { return char(std::tolower(c)); });
    const std::string name = file.string();
    if (suffix == ".otio") return readOtio(wholeList(file), name);
    if (suffix == ".adl") return readAdl(wholeList(file), name);
    if (suffix == ".edl") return readCmx(wholeList(file), name, rate);
    if (suffix == ".csv" || suffix == ".txt") return readMarkers(wholeList(file), name, rate);
    throw Error(Error::Kind::InputUnreadable,
                "The list \"" + name +
                    "\" is of no kind that is known: .otio, .adl, .edl, and .csv or .txt with markers are.");
}

LaidIn layIn(Rebuild& rebuild, const ReadList& list, const fs::path& folder, std::optional<double> reelStart,
             double reelSeconds) {
    return Layer(rebuild, list, folder).run(reelStart, reelSeconds);
}

}  // namespace rivlen

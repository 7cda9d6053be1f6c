#pragma once
#include <filesystem>
#include <optional>

#include "core/media/Timecode.h"
#include "core/rebuild/Rebuild.h"

namespace rivlen {

/// A sound event of a list that came in. Times are seconds.
struct ReadEvent {
    std::string name;
    std::string media;  ///< file or URL as the list has it; empty: it says none
    double at = 0;      ///< on the list's clock
    double length = 0;
    double offset = 0;     ///< in the media
    bool onClock = false;  ///< offset is on the media's own timecode, not from its beginning
    double gain = 0;       ///< dB
    double fadeIn = 0, fadeOut = 0;
    FadeShape fadeInShape = FadeShape::EqualPower, fadeOutShape = FadeShape::EqualPower;
};

struct ReadTrack {
    std::string name;
    std::vector<ReadEvent> events;
};

/// A list of events, as it stands.
struct ReadList {
    std::string title;
    double start = 0;      ///< of its programme on the list's clock
    bool clocked = false;  ///< its clock is a timecode
    std::vector<ReadTrack> tracks;
    std::vector<Marker> markers;       ///< on the list's clock
    std::vector<std::string> leftOut;  ///< what it has that is not taken, a sentence each
};

/// Reads OpenTimelineIO JSON (.otio: Timeline.1 with Track.1, Clip.1 and 2, Gap.1, Transition.1, Marker.1 and 2),
/// AES31-3 (.adl), CMX 3600
/// (.edl), and markers as CSV (a column for the name, and one for the time in seconds or as timecode) or labels (.txt:
/// from, to and name between tabs). rate: what timecodes count in where the list does not say. Throws Error
/// (InputUnreadable), one sentence with the line.
ReadList readList(const std::filesystem::path& file, FrameRate rate);

ReadList readOtio(const std::string& text, const std::string& file);
ReadList readAdl(const std::string& text, const std::string& file);
ReadList readCmx(const std::string& text, const std::string& file, FrameRate rate);
ReadList readMarkers(const std::string& text, const std::string& file, FrameRate rate);

/// What became of a list that was laid in.
struct LaidIn {
    int lanes = 0, clips = 0, markers = 0;
    std::vector<std::string> notes;  ///< what is missing or was left out, a sentence each
};

/// Lays a list's tracks on lanes of their own below the others, with its sounds: media are looked for where the list
/// says, beside it, and in its folder "media". Where the reel has a timecode (reelStart, seconds) and the list's clock
/// is one, events lie by the clock; else the list begins where the reel does. folder: of the list.
LaidIn layIn(Rebuild& rebuild, const ReadList& list, const std::filesystem::path& folder,
             std::optional<double> reelStart, double reelSeconds);

}  // namespace rivlen

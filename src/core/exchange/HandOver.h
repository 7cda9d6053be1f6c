#pragma once
#include "core/delivery/DeliveryRender.h"
#include "core/media/Timecode.h"

namespace rivlen {

/// A named stretch of a reel.
struct NamedSpan {
    std::string kind;  ///< "region", "loop", "clip"
    std::string name, lane;
    double from = 0, to = 0;  ///< seconds
};

/// A clip with the file that holds it and its handles.
struct LaneEvent {
    Clip clip;
    std::string file;       ///< relative to the hand-over folder
    std::string reelName;   ///< at most 8 letters, for event lists
    int64_t fileStart = 0;  ///< frame of the axis at the file's first one
    int64_t fileFrames = 0;
    int64_t from = 0, to = 0;  ///< the clip on the axis, frames
};

/// A track of event lists: the clips of a lane that do not overlap; overlapping ones go to a further track of the same
/// lane.
struct LaneTrack {
    std::string name;
    std::vector<LaneEvent> events;  ///< by time
};

/// All that event lists are written from.
struct EventList {
    std::string title;
    int sampleRate = 48000, channels = 2;
    FrameRate rate;
    bool drop = false;
    double start = 0;  ///< of frame 0 on the timecode's clock, seconds
    std::vector<LaneTrack> tracks;
    std::vector<Marker> markers;
    std::vector<NamedSpan> spans;

    std::string timecode(int64_t frame) const;  ///< nearest
};

/// Which clips go onto which tracks.
std::vector<LaneTrack> tracksOf(const Rebuild& rebuild, int sampleRate);

/// CMX 3600 event list of one track: cuts in whole frames; sources bear the programme's own time. What frames cannot
/// say (exact samples, gain, fades) stands in comments. At most 999 events, as the format has it.
std::string cmxList(const EventList& list, const LaneTrack& track);
/// AES31-3 audio decision list of all tracks, exact to the sample, with gains and fades. Written from memory of
/// AES31-3-1999.
std::string adlList(const EventList& list);
/// OpenTimelineIO JSON (Timeline.1), exact to the sample, with gains and fades as metadata.
std::string otioList(const EventList& list);
/// Markers and spans as CSV, and as labels: from, to and name in seconds, separated by tabs.
std::string markersCsv(const EventList& list);
std::string markersLabels(const EventList& list);

/// Makes a folder NAME.handover for the next department: each clip of each lane as a WAV with handles (32-bit float,
/// BWF time reference, no gain, no fades, no chain), event lists that put them in place, the stems, markers and
/// regions, and a MANIFEST.txt that says what is what. It appears complete or not at all. Returns its path. Throws
/// Error (OutputUnwritable, InputUnreadable, Cancelled, Usage where the rebuild is empty).
std::filesystem::path writeHandOver(const DeliverySource& source, const std::vector<NamedSpan>& spans, FrameRate rate,
                                    bool drop, double handles, const std::filesystem::path& folder,
                                    const Progress& progress);

}  // namespace rivlen

#pragma once
#include <cstdint>

namespace rivlen {

// What rivlen-live-host is told and answers. Plain types alone: the effect that other programs load knows nothing else
// of the core.

inline constexpr int kLiveControls = 5;

enum class LiveAsk : int32_t {
    Begin,  ///< anew, with what is played from frame 0 on; the answer has the latencies
    Go,     ///< samples that came, channel after channel, and what is wanted
};

/// Followed by the samples.
struct LiveRequest {
    LiveAsk ask = LiveAsk::Go;
    int32_t rate = 0, channels = 0, lookAhead = 0;  ///< Begin's
    int32_t frames = 0;
    int32_t stem = 0, removed = 0;
    float controls[kLiveControls] = {};  ///< Depth, Firmness, Onset guard, Steadiness, Balance
    int64_t from = 0, before = 0;        ///< frames that are wanted next
};

enum class LiveTell : int32_t {
    Begun,    ///< latencies in frames, by look-ahead
    Sound,    ///< samples from first on, channel after channel
    Trouble,  ///< nothing comes any more
};

/// Followed by the samples.
struct LiveReply {
    LiveTell tell = LiveTell::Sound;
    int32_t frames = 0;
    int64_t first = 0;
    int64_t latencies[3] = {};
};

}  // namespace rivlen

#pragma once
#include <cstdint>

namespace rivlen {

// What rivlen-effect-host is asked and answers; both are programs of one build on one machine.

enum class EffectAsk : int32_t {
    Describe,  ///< answers EffectFacts with controls and presets
    Begin,     ///< an instance anew; the text holds EffectSetup, the answer the ports of its controls
    Process,   ///< samples, channel after channel; worked on in blocks of the setup's size
    State,     ///< of the instance, with the values of its controls
};

/// Followed by the changes, the text, and for Process by the samples.
struct EffectRequest {
    EffectAsk ask;
    int32_t channels, frames, changes;
    int64_t textBytes;
};

struct EffectChange {
    int32_t port;
    float value;
    int32_t at = 0;  ///< frame of the request from which on it holds: the beginning of a block
};

/// Followed by the text (JSON; "error": a sentence) and the samples.
struct EffectReply {
    int32_t latency;  ///< frames, as the effect reports it now
    int32_t frames;
    int64_t textBytes;
};

}  // namespace rivlen

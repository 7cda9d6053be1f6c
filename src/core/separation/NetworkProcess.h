#pragma once
#include <string>

#include "core/base/HelperProcess.h"
#include "core/separation/NetworkCard.h"

namespace rivlen {

/// Bounds of the process that runs a network.
struct NetworkLimits {
    int seconds = 180;                 ///< of wall-clock time, for whatever it is asked to do
    int64_t bytes = int64_t(6) << 30;  ///< address space, libtorch's own libraries included
};

/// What the process is asked, followed by the samples, channel after channel.
struct NetworkRequest {
    int32_t channels, threads;
    int64_t frames;
};

/// What it answers: a text of so many bytes, or so many stems of the request's shape, stem after stem.
struct NetworkReply {
    int64_t textBytes, stems;
};

/// A process of its own that runs one network (rivlen-network-host, src/host): bounded in memory, with none of this
/// process's files but the socket between the two, and confined there before the network's module is read. Whatever a
/// damaged or hostile module does, it does to that process alone.
class NetworkProcess : public HelperProcess {
public:
    enum class Task {
        Try,    ///< answers once, with NetworkFacts as JSON
        Learn,  ///< learnApart(), which see
        Serve   ///< answers at once (a text: why the module cannot be loaded), then each request
    };
    /// Starts it. Throws Error (Other) when it cannot be started.
    NetworkProcess(Task task, const NetworkCard& card, const NetworkLimits& limits);
    /// The reply's text; longer ones than 64 KiB are cut.
    Outcome readText(const NetworkReply& reply, std::string& text, Clock::time_point until);
};

}  // namespace rivlen

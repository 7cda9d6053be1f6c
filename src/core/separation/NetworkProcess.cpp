#include "core/separation/NetworkProcess.h"

#include <algorithm>

namespace rivlen {

namespace {

const char* modeOf(NetworkProcess::Task task) {
    return task == NetworkProcess::Task::Try ? "try" : task == NetworkProcess::Task::Learn ? "learn" : "serve";
}

}  // namespace

// Its threads sleep while they wait for each other: on processors that are busy otherwise, threads that spin took ten
// times as long (measured, docs/performance.md).
NetworkProcess::NetworkProcess(Task task, const NetworkCard& card, const NetworkLimits& limits)
    : HelperProcess("rivlen-network-host", {modeOf(task), card.path.string(), card.sha256}, "runs networks",
                    {limits.bytes, false, {"OMP_WAIT_POLICY=passive"}}) {}

NetworkProcess::Outcome NetworkProcess::readText(const NetworkReply& reply, std::string& text,
                                                 Clock::time_point until) {
    text.resize(size_t(std::clamp<int64_t>(reply.textBytes, 0, 65536)));
    return read(text.data(), text.size(), until);
}

}  // namespace rivlen

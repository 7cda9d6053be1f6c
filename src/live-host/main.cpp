// Separates what another program plays, for the effect that it has loaded (src/lv2): apart from that program, which
// gets neither libtorch nor whatever could go wrong here. Started by the effect, talked to over a socket.
#include <poll.h>
#include <sys/resource.h>
#include <unistd.h>

#include <csignal>

#include "core/base/Error.h"
#include "core/base/HelperProcess.h"
#include "core/live/LiveProtocol.h"
#include "core/live/LiveSplit.h"
#include "core/separation/NetworkLibrary.h"

using namespace rivlen;

namespace {

constexpr int kMostFrames = 1 << 16, kLeastRate = 8000, kMostRate = 384000;
constexpr int kNice = -11;
constexpr int kLook = 3;  // ms between looks at whether more is ready

IsolationSettings settingsOf(const LiveRequest& r) {
    IsolationSettings s;
    s.stem = kStemNames[size_t(std::clamp(r.stem, 0, int(kStemCount) - 1))];
    double* const values[kLiveControls] = {&s.depth, &s.firmness, &s.onsetGuard, &s.steadiness, &s.balance};
    for (int i = 0; i < kLiveControls; ++i)
        for (const auto& p : isolationParameters())
            if (&(s.*p.value) == values[i] && std::isfinite(r.controls[i]))
                *values[i] = std::clamp(double(r.controls[i]), p.minimum, p.maximum);
    if (s.depth > kMostDepth) s.depth = kFullDepth;
    return s;
}

void tellTrouble() {
    LiveReply reply;
    reply.tell = LiveTell::Trouble;
    helperPut(&reply, sizeof reply);
}

class Served {
public:
    void answer(const LiveRequest& r) {
        if (r.frames < 0 || r.frames > kMostFrames) _exit(1);
        if (r.ask == LiveAsk::Begin) begin(r);
        if (!m_split) _exit(1);
        m_split->set(settingsOf(r), r.removed != 0);
        if (r.frames > 0) {
            AudioBuffer in(m_channels, r.frames);
            helperGet(in.samples().data(), in.samples().size() * sizeof(float));
            m_split->push(in);
        }
        m_from = r.from, m_before = r.before;
    }
    /// Gives what has become ready. True when something that is wanted is not.
    bool give() {
        if (!m_split || m_told) return false;
        if (!m_split->trouble().empty()) {
            m_told = true;
            tellTrouble();
            return false;
        }
        while (true) {
            const auto piece = m_split->take(m_from, m_before);
            if (piece.sound.frames() == 0) return piece.first < m_before;
            LiveReply reply;
            reply.frames = int32_t(piece.sound.frames());
            reply.first = piece.first;
            helperPut(&reply, sizeof reply);
            helperPut(piece.sound.samples().data(), piece.sound.samples().size() * sizeof(float));
        }
    }

private:
    void begin(const LiveRequest& r) {
        if (r.rate < kLeastRate || r.rate > kMostRate || r.channels < 1 || r.channels > 2 || r.lookAhead < 0 ||
            r.lookAhead >= kLookAheads)
            _exit(1);
        m_split.reset();
        if (!m_network) m_card = forQuality(findNetwork(""), "quick");
        LiveReply reply;
        reply.tell = LiveTell::Begun;
        for (int i = 0; i < kLookAheads; ++i) reply.latencies[i] = LiveSplit::latency(m_card, r.rate, LookAhead(i));
        helperPut(&reply, sizeof reply);  // before the network is there: whoever waits for it wants to go on
        if (!m_network) {
            m_network = loadNetwork(m_card);
            LiveSplit::warmUp(*m_network);
        }
        m_channels = r.channels;
        m_told = false;
        m_split = std::make_unique<LiveSplit>(m_network, r.rate, r.channels, LookAhead(r.lookAhead));
    }

    NetworkCard m_card;
    std::shared_ptr<Network> m_network;
    std::unique_ptr<LiveSplit> m_split;
    int m_channels = 0;
    int64_t m_from = 0, m_before = 0;
    bool m_told = false;
};

}  // namespace

int main() {
    std::signal(SIGPIPE, SIG_IGN);
    endWithTheOther();
    setpriority(PRIO_PROCESS, 0, kNice);  // where the user may: somebody listens
    Served served;
    try {
        bool awaited = false;
        while (true) {
            pollfd socket{HelperProcess::kSocket, POLLIN, 0};
            if (poll(&socket, 1, awaited ? kLook : -1) > 0) {
                LiveRequest request;
                helperGet(&request, sizeof request);
                served.answer(request);
            }
            awaited = served.give();
        }
    } catch (const std::exception&) {  // no network, no memory: the effect lets the sound through as it came
        tellTrouble();
        _exit(1);
    }
}

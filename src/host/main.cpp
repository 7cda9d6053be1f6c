// Runs one network apart from everything else: tries it and says what it found, or answers what it is asked over the
// socket until that closes. Started by NetworkProcess with its memory bounded; confined before the module is loaded.
#include <poll.h>
#include <sys/socket.h>
#include <unistd.h>

#include <cstring>
#include <thread>

#include "Confinement.h"
#include "core/base/Memory.h"
#include "core/base/Unexpected.h"
#include "core/separation/NetworkCheck.h"
#include "core/separation/NetworkModule.h"

using namespace rivlen;

namespace {

constexpr int kSocket = 3;
constexpr int64_t kMostFrames = int64_t(192000) * 3600;  ///< of a request: an hour at the highest rate

void put(const void* from, size_t bytes) {
    const char* at = static_cast<const char*>(from);
    while (bytes > 0) {
        const ssize_t sent = send(kSocket, at, bytes, MSG_NOSIGNAL);
        if (sent < 0 && errno == EINTR) continue;
        if (sent <= 0) _exit(0);  // nobody listens any more
        at += sent, bytes -= size_t(sent);
    }
}

void get(void* to, size_t bytes) {
    char* at = static_cast<char*>(to);
    while (bytes > 0) {
        const ssize_t got = recv(kSocket, at, bytes, 0);
        if (got < 0 && errno == EINTR) continue;
        if (got <= 0) _exit(0);
        at += got, bytes -= size_t(got);
    }
}

void say(const std::string& text) {
    const NetworkReply reply{int64_t(text.size()), 0};
    put(&reply, sizeof reply);
    put(text.data(), text.size());
}

/// A network that computes without end would outlive a program that was killed.
void endWithTheOther() {
    std::thread([] {
        pollfd other{kSocket, POLLRDHUP, 0};
        while (poll(&other, 1, -1) <= 0) {}
        _exit(0);
    }).detach();
}

void serve(Network& network) {
    say("");
    while (true) {
        NetworkRequest request{};
        get(&request, sizeof request);
        if (request.channels < 1 || request.channels > 2 || request.frames < 1 || request.frames > kMostFrames)
            _exit(1);
        try {
            AudioBuffer mixture = AudioBuffer::uncleared(request.channels, request.frames);
            get(mixture.samples().data(), mixture.samples().size() * sizeof(float));
            const auto stems = network.separate(mixture, request.threads);
            const NetworkReply reply{0, int64_t(stems.size())};
            put(&reply, sizeof reply);
            for (const auto& stem : stems) put(stem.samples().data(), stem.samples().size() * sizeof(float));
        } catch (const Error& e) {
            say(e.what());
        } catch (const std::exception& e) {
            say(unexpected(e, "running the network").what());
        }
    }
}

}  // namespace

int main(int argc, char** argv) {
    keepLargeBlocks();
    NetworkFacts facts;
    const bool tries = argc == 4 && std::strcmp(argv[1], "try") == 0;
    if (!tries && !(argc == 4 && std::strcmp(argv[1], "serve") == 0)) return 2;
    try {
        NetworkCard card = NetworkCard::load(argv[2]);
        card.sha256 = argv[3];  // the module that was asked for, whatever the card says by now
        const std::string module = moduleBytes(card);
        prepareBackend();
        facts.confinedBy = confine();
        endWithTheOther();
        refuseInflating(card, module);
        const auto network = loadHere(card, module);
        if (!tries) serve(*network);
        const std::string by = facts.confinedBy;
        facts = probe(*network);
        facts.confinedBy = by;
    } catch (const Error& e) {
        facts.reason = e.what();
    } catch (const std::exception& e) {
        facts.reason = unexpected(e, "loading the network").what();
    }
    say(tries ? toJson(facts).dump(-1, ' ', false, nlohmann::json::error_handler_t::replace) : facts.reason);
    _exit(0);  // libtorch's destructors have nothing to save
}

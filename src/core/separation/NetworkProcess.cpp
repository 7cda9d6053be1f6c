#include "core/separation/NetworkProcess.h"

#include <fcntl.h>
#include <poll.h>
#include <signal.h>
#include <sys/resource.h>
#include <sys/socket.h>
#include <sys/wait.h>
#include <unistd.h>

#include <algorithm>
#include <vector>

#include "core/base/Error.h"
#include "core/base/Resources.h"

namespace rivlen {

namespace {

constexpr const char* kHost = "rivlen-network-host";
constexpr int kSocketOfHost = 3;  ///< src/host/main.cpp

std::filesystem::path hostFile() {
    for (const char* place : {"", RIVLEN_LIBRARY_FOLDER}) {
        const auto path = programFolder() / place / kHost;
        if (std::filesystem::exists(path)) return path;
    }
    throw Error(Error::Kind::Other,
                "The program that runs networks is missing: install Rivlen again, or run ./rivlen build.");
}

/// Waits until the socket can be read or written. False when the time is over.
bool ready(int socket, short events, NetworkProcess::Clock::time_point until) {
    while (true) {
        const auto left =
            std::chrono::duration_cast<std::chrono::milliseconds>(until - NetworkProcess::Clock::now()).count();
        if (left <= 0) return false;
        pollfd wait{socket, events, 0};
        if (poll(&wait, 1, int(std::min<long long>(left, 1000))) > 0) return true;
    }
}

}  // namespace

NetworkProcess::NetworkProcess(Task task, const NetworkCard& card, const NetworkLimits& limits) {
    const std::string host = hostFile().string(), file = card.path.string(), sum = card.sha256;
    const char* mode = task == Task::Try ? "try" : task == Task::Learn ? "learn" : "serve";
    // Its threads sleep while they wait for each other: on processors that are busy otherwise, threads that spin took
    // ten times as long (measured, docs/performance.md).
    char quiet[] = "OMP_WAIT_POLICY=passive";
    std::vector<char*> settings;
    for (char** at = environ; *at; ++at) settings.push_back(*at);
    settings.push_back(quiet);
    settings.push_back(nullptr);
    int ends[2];
    if (socketpair(AF_UNIX, SOCK_STREAM | SOCK_CLOEXEC, 0, ends) != 0)
        throw Error(Error::Kind::Other,
                    "The program that runs networks cannot be started: close some programs and try again.");
    m_child = fork();
    if (m_child == 0) {  // only async-signal-safe calls from here on
        const rlimit memory{rlim_t(limits.bytes), rlim_t(limits.bytes)}, none{0, 0};
        setrlimit(RLIMIT_AS, &memory);
        setrlimit(RLIMIT_FSIZE, &none);
        setrlimit(RLIMIT_CORE, &none);
        const int nowhere = open("/dev/null", O_RDWR);
        for (int standard : {STDIN_FILENO, STDOUT_FILENO, STDERR_FILENO}) dup2(nowhere, standard);
        dup2(ends[1], kSocketOfHost);
        if (ends[1] == kSocketOfHost) fcntl(kSocketOfHost, F_SETFD, 0);
        close_range(kSocketOfHost + 1, ~0U, 0);  // recordings, the display, whatever else is open here
        execle(host.c_str(), kHost, mode, file.c_str(), sum.c_str(), nullptr, settings.data());
        _exit(127);
    }
    close(ends[1]);
    m_socket = ends[0];
    if (m_child < 0) {
        close(m_socket);
        throw Error(Error::Kind::Other,
                    "The program that runs networks cannot be started: close some programs and try again.");
    }
}

NetworkProcess::~NetworkProcess() {
    kill(m_child, SIGKILL);
    waitpid(m_child, nullptr, 0);
    close(m_socket);
}

NetworkProcess::Outcome NetworkProcess::await(Clock::time_point until) {
    return ready(m_socket, POLLIN, until) ? Outcome::Done : Outcome::Late;
}

NetworkProcess::Outcome NetworkProcess::write(const void* from, size_t bytes, Clock::time_point until) {
    const char* at = static_cast<const char*>(from);
    while (bytes > 0) {
        if (!ready(m_socket, POLLOUT, until)) return Outcome::Late;
        const ssize_t sent = send(m_socket, at, bytes, MSG_NOSIGNAL | MSG_DONTWAIT);
        if (sent < 0 && (errno == EAGAIN || errno == EINTR)) continue;
        if (sent <= 0) return Outcome::Gone;
        at += sent, bytes -= size_t(sent);
    }
    return Outcome::Done;
}

NetworkProcess::Outcome NetworkProcess::read(void* to, size_t bytes, Clock::time_point until) {
    char* at = static_cast<char*>(to);
    while (bytes > 0) {
        if (!ready(m_socket, POLLIN, until)) return Outcome::Late;
        const ssize_t got = recv(m_socket, at, bytes, MSG_DONTWAIT);
        if (got < 0 && (errno == EAGAIN || errno == EINTR)) continue;
        if (got <= 0) return Outcome::Gone;
        at += got, bytes -= size_t(got);
    }
    return Outcome::Done;
}

NetworkProcess::Outcome NetworkProcess::readText(const NetworkReply& reply, std::string& text,
                                                 Clock::time_point until) {
    text.resize(size_t(std::clamp<int64_t>(reply.textBytes, 0, 65536)));
    return read(text.data(), text.size(), until);
}

}  // namespace rivlen

#include "core/base/HelperProcess.h"

#include <fcntl.h>
#include <poll.h>
#include <signal.h>
#include <sys/resource.h>
#include <sys/socket.h>
#include <sys/wait.h>
#include <unistd.h>

#include <algorithm>
#include <thread>

#include "core/base/Error.h"
#include "core/base/Resources.h"

extern char** environ;

namespace rivlen {

namespace {

/// Waits until the socket can be read or written. False when the time is over.
bool socketReady(int socket, short events, HelperProcess::Clock::time_point until) {
    while (true) {
        const auto left =
            std::chrono::duration_cast<std::chrono::milliseconds>(until - HelperProcess::Clock::now()).count();
        if (left <= 0) return false;
        pollfd wait{socket, events, 0};
        if (poll(&wait, 1, int(std::min<long long>(left, 1000))) > 0) return true;
    }
}

}  // namespace

std::filesystem::path HelperProcess::fileOf(const std::string& program) {
    if (std::filesystem::path(program).is_absolute()) return std::filesystem::exists(program) ? program : "";
    for (const char* place : {"", RIVLEN_LIBRARY_FOLDER}) {
        const auto path = programFolder() / place / program;
        if (std::filesystem::exists(path)) return path;
    }
    return {};
}

HelperProcess::HelperProcess(const std::string& program, const std::vector<std::string>& arguments,
                             const std::string& what, const Bounds& bounds) {
    const std::string file = fileOf(program).string();
    if (file.empty())
        throw Error(Error::Kind::Other,
                    "The program that " + what + " is missing: install Rivlen again, or run ./rivlen build.");
    std::vector<char*> words, settings;
    words.push_back(const_cast<char*>(program.c_str()));
    for (const auto& a : arguments) words.push_back(const_cast<char*>(a.c_str()));
    for (char** at = environ; *at; ++at) settings.push_back(*at);
    for (const auto& s : bounds.settings) settings.push_back(const_cast<char*>(s.c_str()));
    words.push_back(nullptr);
    settings.push_back(nullptr);
    const Error notStarted(Error::Kind::Other,
                           "The program that " + what + " cannot be started: close some programs and try again.");
    int ends[2];
    if (socketpair(AF_UNIX, SOCK_STREAM | SOCK_CLOEXEC, 0, ends) != 0) throw notStarted;
    m_child = fork();
    if (m_child == 0) {  // only async-signal-safe calls from here on
        const rlimit memory{rlim_t(bounds.bytes), rlim_t(bounds.bytes)}, none{0, 0};
        if (bounds.bytes > 0) setrlimit(RLIMIT_AS, &memory);
        if (!bounds.writesFiles) setrlimit(RLIMIT_FSIZE, &none);
        setrlimit(RLIMIT_CORE, &none);
        const int nowhere = open("/dev/null", O_RDWR);
        for (int standard : {STDIN_FILENO, STDOUT_FILENO, STDERR_FILENO}) dup2(nowhere, standard);
        dup2(ends[1], kSocket);
        if (ends[1] == kSocket) fcntl(kSocket, F_SETFD, 0);
        close_range(kSocket + 1, ~0U, 0);  // recordings, the display, whatever else is open here
        execve(file.c_str(), words.data(), settings.data());
        _exit(127);
    }
    close(ends[1]);
    m_socket = ends[0];
    if (m_child < 0) {
        close(m_socket);
        throw notStarted;
    }
}

HelperProcess::~HelperProcess() {
    if (!m_collected) {
        kill(m_child, SIGKILL);
        waitpid(m_child, nullptr, 0);
    }
    close(m_socket);
}

HelperProcess::Outcome HelperProcess::await(Clock::time_point until) {
    return socketReady(m_socket, POLLIN, until) ? Outcome::Done : Outcome::Late;
}

HelperProcess::Outcome HelperProcess::write(const void* from, size_t bytes, Clock::time_point until) {
    const char* at = static_cast<const char*>(from);
    while (bytes > 0) {
        const ssize_t sent = send(m_socket, at, bytes, MSG_NOSIGNAL | MSG_DONTWAIT);
        if (sent < 0 && (errno == EAGAIN || errno == EINTR)) {
            if (!socketReady(m_socket, POLLOUT, until)) return Outcome::Late;
            continue;
        }
        if (sent <= 0) return Outcome::Gone;
        at += sent, bytes -= size_t(sent);
    }
    return Outcome::Done;
}

HelperProcess::Outcome HelperProcess::read(void* to, size_t bytes, Clock::time_point until) {
    char* at = static_cast<char*>(to);
    while (bytes > 0) {
        const ssize_t got = recv(m_socket, at, bytes, MSG_DONTWAIT);
        if (got < 0 && (errno == EAGAIN || errno == EINTR)) {
            if (!socketReady(m_socket, POLLIN, until)) return Outcome::Late;
            continue;
        }
        if (got <= 0) return Outcome::Gone;
        at += got, bytes -= size_t(got);
    }
    return Outcome::Done;
}

int HelperProcess::endedBy() {
    int status = 0;
    if (!m_collected && waitpid(m_child, &status, 0) == m_child) {
        m_collected = true;
        m_signal = WIFSIGNALED(status) ? WTERMSIG(status) : 0;
    }
    return m_signal;
}

void helperPut(const void* from, size_t bytes) {
    const char* at = static_cast<const char*>(from);
    while (bytes > 0) {
        const ssize_t sent = send(HelperProcess::kSocket, at, bytes, MSG_NOSIGNAL);
        if (sent < 0 && errno == EINTR) continue;
        if (sent <= 0) _exit(0);
        at += sent, bytes -= size_t(sent);
    }
}

void helperGet(void* to, size_t bytes) {
    char* at = static_cast<char*>(to);
    while (bytes > 0) {
        const ssize_t got = recv(HelperProcess::kSocket, at, bytes, 0);
        if (got < 0 && errno == EINTR) continue;
        if (got <= 0) _exit(0);
        at += got, bytes -= size_t(got);
    }
}

void endWithTheOther() {
    std::thread([] {
        pollfd other{HelperProcess::kSocket, POLLRDHUP, 0};
        while (poll(&other, 1, -1) <= 0) {}
        _exit(0);
    }).detach();
}

}  // namespace rivlen

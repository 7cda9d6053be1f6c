#include "core/base/ChildProcess.h"

#include <fcntl.h>
#include <sys/prctl.h>
#include <sys/wait.h>
#include <unistd.h>

#include <csignal>
#include <fstream>
#include <iterator>

#include "core/base/Error.h"

extern char** environ;

namespace rivlen {

ChildProcess::ChildProcess(const std::vector<std::string>& words, const std::filesystem::path& output,
                           const std::filesystem::path& messages, bool gently, Group group)
    : m_group(group) {
    std::vector<std::string> settings;
    for (char** at = environ; *at; ++at) settings.emplace_back(*at);
    if (gently) settings.emplace_back("OMP_WAIT_POLICY=PASSIVE");
    std::vector<char*> arguments, variables;
    for (const auto& w : words) arguments.push_back(const_cast<char*>(w.c_str()));
    for (const auto& s : settings) variables.push_back(const_cast<char*>(s.c_str()));
    arguments.push_back(nullptr);
    variables.push_back(nullptr);
    const std::string out = output.string(), said = messages.string();
    const pid_t mine = getpid();
    m_child = fork();
    if (m_child == 0) {  // only async-signal-safe calls from here on
        prctl(PR_SET_PDEATHSIG, SIGTERM);
        if (getppid() != mine) _exit(127);
        if (group == Group::Own) setpgid(0, 0);
        const int nothing = open("/dev/null", O_RDONLY), to = open(out.c_str(), O_WRONLY | O_CREAT | O_TRUNC, 0644),
                  log = open(said.c_str(), O_WRONLY | O_CREAT | O_TRUNC, 0644);
        if (nothing < 0 || to < 0 || log < 0) _exit(127);
        dup2(nothing, STDIN_FILENO);
        dup2(to, STDOUT_FILENO);
        dup2(log, STDERR_FILENO);
        close_range(STDERR_FILENO + 1, ~0U, 0);
        execve(arguments[0], arguments.data(), variables.data());
        _exit(127);
    }
    if (m_child > 0 && group == Group::Own) setpgid(m_child, m_child);  // whoever of both comes first
    if (m_child < 0)
        throw Error(Error::Kind::Other,
                    "\"" + words[0] + "\" cannot be started: close some programs, or give fewer --jobs.");
}

ChildProcess::~ChildProcess() {
    if (m_group == Group::Own) kill(-m_child, SIGKILL);
    if (m_ended) return;
    kill(m_child, SIGKILL);
    waitpid(m_child, nullptr, 0);
}

bool ChildProcess::running() {
    if (m_ended) return false;
    int status = 0;
    if (waitpid(m_child, &status, WNOHANG) != m_child) return true;
    m_ended = true;
    m_code = WIFEXITED(status) ? WEXITSTATUS(status) : -WTERMSIG(status);
    return false;
}

void ChildProcess::ask() {
    if (!m_ended) kill(m_child, SIGTERM);
}

std::string textOf(const std::filesystem::path& file) {
    std::ifstream in(file);
    return {std::istreambuf_iterator<char>(in), {}};
}

}  // namespace rivlen

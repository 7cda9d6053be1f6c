#pragma once
#include <sys/types.h>

#include <chrono>
#include <filesystem>
#include <string>
#include <vector>

namespace rivlen {

/// One of Rivlen's own programs that does risky work apart from this process, with none of its files but a socket
/// between the two. Whatever happens there happens to that process alone; it is killed with this object.
class HelperProcess {
public:
    enum class Outcome { Done, Late, Gone };
    using Clock = std::chrono::steady_clock;
    static constexpr int kSocket = 3;  ///< the helper's end

    /// What it may have.
    struct Bounds {
        int64_t bytes = 0;  ///< of address space; 0: no bound
        bool writesFiles = true;
        std::vector<std::string> settings = {};  ///< added to this process's environment: "NAME=value"
    };
    /// program: its file's name, beside this program or among the libraries of an installed Rivlen; or its whole path.
    /// Throws Error (Other) when it is missing or cannot be started; what: "runs networks", for the sentence.
    HelperProcess(const std::string& program, const std::vector<std::string>& arguments, const std::string& what,
                  const Bounds& bounds);
    ~HelperProcess();
    HelperProcess(const HelperProcess&) = delete;

    /// Waits until there is something to read, or the process is gone.
    Outcome await(Clock::time_point until);
    Outcome write(const void* from, size_t bytes, Clock::time_point until);
    Outcome read(void* to, size_t bytes, Clock::time_point until);
    /// After it is gone: the signal that ended it, or 0.
    int endedBy();
    /// Where a helper's program is; empty when it is missing.
    static std::filesystem::path fileOf(const std::string& program);

private:
    pid_t m_child = -1;
    int m_socket = -1;
    bool m_collected = false;
    int m_signal = 0;
};

/// The helper's side: reads and writes its socket, and ends the process when nobody is there any more.
void helperPut(const void* from, size_t bytes);
void helperGet(void* to, size_t bytes);
/// Ends the process when the other end is closed, whatever it is doing: one that computes without end would outlive a
/// program that was killed.
void endWithTheOther();

}  // namespace rivlen

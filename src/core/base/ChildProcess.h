#pragma once
#include <filesystem>
#include <string>
#include <vector>

namespace rivlen {

/// A program that runs beside this one and ends with it, whatever ends that. Its standard output and its messages go to
/// files.
class ChildProcess {
public:
    /// Own: what it starts in its turn ends with it as well.
    enum class Group { Ours, Own };
    /// words: the program's file and its arguments. gently: where several run at once, threads that wait sleep.
    /// Throws Error when it cannot be started.
    ChildProcess(const std::vector<std::string>& words, const std::filesystem::path& output,
                 const std::filesystem::path& messages, bool gently, Group group = Group::Ours);
    ~ChildProcess();  ///< kills it if it still runs
    ChildProcess(const ChildProcess&) = delete;

    bool running();  ///< also collects its end
    void ask();      ///< to end in good order (SIGTERM)
    /// After it has ended: its exit code, or -signal where a signal ended it.
    int code() const { return m_code; }

private:
    int m_child = -1;
    Group m_group;
    bool m_ended = false;
    int m_code = 0;
};

/// All that a file holds; nothing where it cannot be read.
std::string textOf(const std::filesystem::path& file);

}  // namespace rivlen

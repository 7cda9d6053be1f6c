#pragma once
#include <chrono>
#include <string>

namespace rivlen {

/// Progress on stderr: a bar with time left on a terminal, a plain line now and then otherwise.
class ProgressLine {
public:
    explicit ProgressLine(std::string label);
    ~ProgressLine();
    /// what: what is being done just now, after the label.
    void show(double fraction, const std::string& what = {});

private:
    using Clock = std::chrono::steady_clock;
    std::string m_label;
    bool m_terminal;
    bool m_shown = false;
    Clock::time_point m_start = Clock::now(), m_last{};
};

}  // namespace rivlen

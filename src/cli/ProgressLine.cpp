#include "cli/ProgressLine.h"

#include <unistd.h>

#include <cstdio>

#include "core/media/Timecode.h"

namespace rivlen {

ProgressLine::ProgressLine(std::string label) : m_label(std::move(label)), m_terminal(isatty(STDERR_FILENO)) {}

ProgressLine::~ProgressLine() {
    if (m_terminal && m_shown) std::fputc('\n', stderr);
}

void ProgressLine::show(double fraction, const std::string& what) {
    const auto now = Clock::now();
    const std::chrono::duration<double> pause =
        m_terminal ? std::chrono::duration<double>(0.1) : std::chrono::duration<double>(2.0);
    if (m_shown && fraction < 1.0 && now - m_last < pause) return;
    m_last = now;
    m_shown = true;
    const double spent = std::chrono::duration<double>(now - m_start).count();
    const std::string left = fraction > 0.01 ? formatDuration(spent * (1 - fraction) / fraction) + " left" : "";
    if (!m_terminal) {
        std::fprintf(stderr, "%s%s%s: %3.0f %%%s%s\n", m_label.c_str(), what.empty() ? "" : " ", what.c_str(),
                     100 * fraction, left.empty() ? "" : ", ", left.c_str());
        return;
    }
    constexpr int width = 30;
    const int full = int(fraction * width);
    std::fprintf(stderr, "\r%s [%s%s] %3.0f %% %-14s %-30.30s", m_label.c_str(), std::string(size_t(full), '=').c_str(),
                 std::string(size_t(width - full), ' ').c_str(), 100 * fraction, left.c_str(), what.c_str());
    std::fflush(stderr);
}

}  // namespace rivlen

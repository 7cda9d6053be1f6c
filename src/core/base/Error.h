#pragma once
#include <stdexcept>
#include <string>

namespace rivlen {

/// The one exception that crosses the core's boundary. Its text is a sentence for the user:
/// what happened, to which file, and what can be done.
class Error : public std::runtime_error {
public:
    enum class Kind { Other, Usage, InputUnreadable, OutputUnwritable, Cancelled };
    Error(Kind kind, const std::string& sentence) : std::runtime_error(sentence), m_kind(kind) {}
    Kind kind() const { return m_kind; }

private:
    Kind m_kind;
};

}  // namespace rivlen

#pragma once
#include <map>
#include <optional>
#include <string>

#include "core/isolation/IsolationSettings.h"
#include "core/media/MediaReader.h"

namespace CLI {
class App;
}

namespace rivlen {

/// The strength settings on the command line, one option for each row of isolationParameters().
class StrengthOptions {
public:
    void addTo(CLI::App& command);
    /// Throws Error (Usage) that names the setting and its range.
    IsolationSettings settings() const;

private:
    std::map<std::string, std::string> m_given;  ///< by flag
    std::string m_bandBias;
};

/// --from and --to.
struct SpanOptions {
    std::string from, to;

    void addTo(CLI::App& command);
    void check() const;  ///< throws Error (Usage) for what is no time
    /// First frame and one past the last; throws Error (Usage) when nothing lies between them.
    std::pair<int64_t, int64_t> frames(const MediaReader& reader, const std::string& file) const;
};

}  // namespace rivlen

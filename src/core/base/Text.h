#pragma once
#include <fmt/printf.h>

#include <string>

namespace rivlen {

/// As printf gives it, whatever its length; each value is taken as what it is.
template <typename... Values>
std::string formatted(const char* format, const Values&... values) {
    return fmt::sprintf(format, values...);
}

/// For XML and HTML, in text and in attributes.
inline std::string escapedForXml(const std::string& plain) {
    std::string out;
    for (char c : plain)
        out += c == '<' ? "&lt;" : c == '>' ? "&gt;" : c == '&' ? "&amp;" : c == '"' ? "&quot;" : std::string(1, c);
    return out;
}

/// A field of a CSV file (RFC 4180).
inline std::string quotedForCsv(const std::string& plain) {
    std::string out = "\"";
    for (char c : plain) out += c == '"' ? "\"\"" : std::string(1, c);
    return out + "\"";
}

}  // namespace rivlen

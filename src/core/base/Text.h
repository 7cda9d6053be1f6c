#pragma once
#include <algorithm>
#include <cstdio>
#include <string>

namespace rivlen {

/// As printf gives it, whatever its length.
inline std::string formatted(const char* format, auto... values) {
    std::string out(size_t(std::max(0, std::snprintf(nullptr, 0, format, values...))), '\0');
    std::snprintf(out.data(), out.size() + 1, format, values...);
    return out;
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

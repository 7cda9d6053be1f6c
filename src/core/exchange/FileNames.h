#pragma once
#include <string>

namespace rivlen {

/// A name that any file system takes, of a reel or a lane; "reel" where nothing of it is left.
inline std::string fileName(const std::string& name) {
    std::string out;
    for (char c : name)
        out += std::string("/\\:*?\"<>|").find(c) != std::string::npos || static_cast<unsigned char>(c) < 32 ? '-' : c;
    while (!out.empty() && (out[0] == '.' || out[0] == ' ')) out.erase(out.begin());
    return out.empty() ? "reel" : out;
}

}  // namespace rivlen

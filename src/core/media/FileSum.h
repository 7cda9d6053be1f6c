#pragma once
#include <filesystem>
#include <string>
#include <string_view>

namespace rivlen {

/// Sums over a file's bytes in hexadecimal digits, from one pass; empty when it cannot be read.
struct FileSums {
    std::string sha256, md5;
};
FileSums fileSums(const std::filesystem::path& file);
inline std::string fileSha256(const std::filesystem::path& file) { return fileSums(file).sha256; }

/// The SHA-256 of bytes in memory.
std::string sha256Of(std::string_view bytes);

/// Bytes as hexadecimal digits.
std::string hexadecimal(const unsigned char* bytes, size_t count);

}  // namespace rivlen

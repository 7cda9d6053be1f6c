#pragma once
#include <filesystem>
#include <string>

namespace rivlen {

/// Writes a small file completely or not at all: beside its place first, flushed to the disk, then renamed. Makes the
/// folder. Returns false when it cannot be written; nothing is left behind then.
bool writeWholeFile(const std::filesystem::path& file, const std::string& text);

}  // namespace rivlen

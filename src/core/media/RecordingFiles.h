#pragma once
#include <filesystem>
#include <vector>

namespace rivlen {

/// By its name: in folders, what can't be a recording is passed over without a word. A file that is named by the user
/// is always tried.
bool mayBeRecording(const std::filesystem::path& file);

/// All of a folder and of those in it, in order of their paths; links to folders are not followed, and folders that may
/// not be read are passed over. Throws Error (InputUnreadable) where the folder itself cannot be read.
std::vector<std::filesystem::path> recordingsIn(const std::filesystem::path& folder);

}  // namespace rivlen

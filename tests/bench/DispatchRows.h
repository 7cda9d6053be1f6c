#pragma once
#include <filesystem>
#include <functional>
#include <string>

/// Speed of what Dispatch does with a stereo recording, as rows of the table: what, measured, bar. run takes a command
/// line and gives seconds and megabytes.
void dispatchRows(const std::filesystem::path& recording, double seconds, const std::filesystem::path& folder,
                  const std::function<std::pair<double, double>(const std::vector<std::string>&)>& run,
                  const std::function<void(const char*, const std::string&, const char*)>& row);

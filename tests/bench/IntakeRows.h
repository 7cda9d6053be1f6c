#pragma once
#include <filesystem>
#include <functional>
#include <string>

/// Speed of what Intake does with a stereo recording, as rows of the table: what, measured, bar. folder is for files in
/// between.
void intakeRows(const std::filesystem::path& recording, const std::filesystem::path& folder,
                const std::function<void(const char*, const std::string&, const char*)>& row);

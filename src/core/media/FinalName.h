#pragma once
#include <filesystem>
#include <system_error>

namespace rivlen {

/// Gives a finished file its name. Without overwrite one that is there, or comes meanwhile, is never replaced: then the error is file_exists and part
/// stays where it is; otherwise part is gone afterwards.
std::error_code giveFinalName(const std::filesystem::path& part, const std::filesystem::path& file, bool overwrite);

}  // namespace rivlen

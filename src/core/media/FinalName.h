#pragma once
#include <filesystem>
#include <system_error>

namespace rivlen {

/// Waits until a file's bytes, or a folder's names, are on the disk, so that a power cut cannot take them back. File
/// systems that cannot say so are taken at their word.
void toDisk(const std::filesystem::path& fileOrFolder);

/// Gives a finished file its name, once its bytes are on the disk: a name never stands for a half-written file, not
/// even after a power cut. Without overwrite one that is there, or comes meanwhile, is never replaced: then the error
/// is file_exists and part stays where it is; otherwise part is gone afterwards.
std::error_code giveFinalName(const std::filesystem::path& part, const std::filesystem::path& file, bool overwrite);

}  // namespace rivlen

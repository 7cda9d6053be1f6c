#pragma once
#include <filesystem>
#include <string>

namespace rivlen {

/// Folder of the running program.
std::filesystem::path programFolder();

/// A shipped resource folder ("networks", "presets", "demo", "fonts"): installed under share/rivlen, or in the source
/// tree two folders above the build's programs. Empty when there is none.
std::filesystem::path resourceFolder(const std::string& name);

/// Where Rivlen keeps what the user installed or made: $XDG_DATA_HOME/rivlen or ~/.local/share/rivlen.
std::filesystem::path dataFolder();

/// Where Rivlen keeps what it can make again: $XDG_CACHE_HOME/rivlen or ~/.cache/rivlen.
std::filesystem::path cacheFolder();

}  // namespace rivlen

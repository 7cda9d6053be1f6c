#pragma once
#include <cstdint>
#include <filesystem>
#include <optional>

namespace rivlen {

/// The frames that a RIFF or RF64 wave file's header promises (EBU Tech 3306): decoders take what there is without a
/// word. Nothing for other files, for compressed waves, and for headers that were written before the length was known
/// (a length of 0 or of all ones).
std::optional<int64_t> waveFramesPromised(const std::filesystem::path& file);

}  // namespace rivlen

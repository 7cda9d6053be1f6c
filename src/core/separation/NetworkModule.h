#pragma once
#include <string>

#include "core/separation/NetworkCard.h"

namespace rivlen {

/// The bytes of a network's module, read once: what was compared with the card's checksum is what is loaded.
/// Throws Error (InputUnreadable) when the file is missing, larger than 512 MB, or not the one that the card describes.
std::string moduleBytes(const NetworkCard& card);

/// How much a module takes when it is unpacked (it is a zip archive); 0 when it is no archive.
int64_t unpackedBytes(const std::string& module);

/// Throws Error (InputUnreadable) when a module unpacks to more than 1 GB.
void refuseInflating(const NetworkCard& card, const std::string& module);

}  // namespace rivlen

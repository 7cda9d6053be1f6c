#pragma once
#include <string>

#include "core/rebuild/Rebuild.h"

namespace rivlen {

/// Lays a stem out in its parts (core/separation/Parts.h): each lane that plays the whole stem becomes a folded group
/// of its name with its strip, and a lane for each part, in its place, with its clips and its ducking. The mix stays as
/// it is. False, and nothing changed, where no lane plays the whole stem.
bool layInParts(Rebuild& rebuild, const std::string& stem);

/// True where clips are made of parts of the stem.
bool usesPartsOf(const Rebuild& rebuild, const std::string& stem);

/// Mutes the lanes that play a part; false where there are none. Everything else of the stem stays: without its vocals
/// music is an instrumental.
bool muteParts(Rebuild& rebuild, const std::string& part, bool mute = true);

}  // namespace rivlen

#pragma once
#include <exception>
#include <string>

#include "core/base/Error.h"

namespace rivlen {

/// A sentence for whatever else than Error was thrown: memory that ran out, a file system that refused, a library. No
/// library's own text reaches the user; with RIVLEN_DEBUG set in the environment it is added in brackets. doing: what
/// was done, as "splitting a.wav".
Error unexpected(const std::exception& e, const std::string& doing);

}  // namespace rivlen

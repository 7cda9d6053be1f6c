#pragma once
#include <cstdint>
#include <functional>
#include <string>
#include <vector>

namespace rivlen::fuzz {

/// Something that reads what others wrote. It may refuse with rivlen::Error or, for JSON's parts, nlohmann's
/// exceptions; anything else is a fault.
struct Reader {
    const char* name;  ///< also of its folder in tests/data/fuzz
    std::function<void(const std::string& bytes)> read;
};
const std::vector<Reader>& readers();

/// Reads as a fuzzer does: refusals are caught.
void tried(const Reader& reader, const std::string& bytes);

}  // namespace rivlen::fuzz

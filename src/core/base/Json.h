#pragma once
#include <cmath>
#include <cstdint>
#include <nlohmann/json.hpp>
#include <vector>

namespace rivlen {

inline constexpr double kLargestNumber =
    2e9;  ///< that a file of ours can hold as a float: it fits into any integer that it may be read as

/// Parses what somebody else may have written. Throws nlohmann's exceptions, for numbers out of all range as well:
/// reading 1e77 as an integer is undefined. input: text or a stream.
template <typename Input>
nlohmann::json parsedJson(Input&& input) {
    using nlohmann::json;
    return json::parse(std::forward<Input>(input), [](int, json::parse_event_t event, json& parsed) {
        if (event == json::parse_event_t::value && parsed.is_number_float() &&
            !(std::fabs(parsed.get<double>()) <= kLargestNumber))
            throw json::out_of_range::create(406, "a number is out of range", nullptr);
        return true;
    });
}

/// The same for CBOR (RFC 8949) of at most some levels: its parser goes down them one in the other.
nlohmann::json parsedCbor(const std::vector<std::uint8_t>& bytes);

}  // namespace rivlen

#include "core/base/JsonReason.h"

namespace rivlen {

namespace {

/// What stands between the first two quotes of a text, or nothing.
std::string quoted(const std::string& text) {
    const size_t from = text.find('\''), to = from == std::string::npos ? from : text.find('\'', from + 1);
    return to == std::string::npos ? "" : text.substr(from + 1, to - from - 1);
}

}  // namespace

// Numbers of the exceptions: nlohmann's documentation, "Exceptions".
std::string jsonReason(const nlohmann::json::exception& e) {
    if (const auto* parse = dynamic_cast<const nlohmann::json::parse_error*>(&e))
        return "it is no JSON from byte " + std::to_string(parse->byte) + " on";
    switch (e.id) {
        case 302: return "a field holds another kind of value than it should";
        case 304:
        case 305: return "a field stands where a list or an object should";
        case 401: return "a list is shorter than it should be";
        case 403: return "the field \"" + quoted(e.what()) + "\" is missing";
        case 406: return "a number in it is out of range";
        case 408: return "it is nested too deeply";
        default: return "a field is not as it should be";
    }
}

}  // namespace rivlen

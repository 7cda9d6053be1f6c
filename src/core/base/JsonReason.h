#pragma once
#include <nlohmann/json.hpp>
#include <string>

namespace rivlen {

/// What is wrong with a document, in words of ours, to go on from "is damaged: ": the library's own text is for
/// programmers.
std::string jsonReason(const nlohmann::json::exception& e);

}  // namespace rivlen

#pragma once
#include <string>

namespace rivlen::fuzz {

/// A JSON document with one to four things changed that keep it a document: values replaced by extremes or by another
/// kind, members taken away, doubled, renamed or moved, numbers nudged, strings grown. Fuzzing by bytes hardly ever
/// gets past the parser; this does. Empty when the text is no document, or the result would be longer than most.
std::string mutatedJson(const std::string& text, unsigned seed, size_t most);

}  // namespace rivlen::fuzz

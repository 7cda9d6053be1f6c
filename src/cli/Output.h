#pragma once
#include <nlohmann/json.hpp>
#include <string>

#include "core/audio/SampleSource.h"
#include "core/media/AudioWriter.h"

namespace CLI {
class App;
}

namespace rivlen {

/// One JSON document on stdout. File names that are not valid UTF-8 get U+FFFD for what is not.
void printJson(const nlohmann::json& json);

/// Says on stderr what was wrong with a file and how it was gone on with; nothing where nothing was.
void tellFaults(const SampleSource& source, const std::string& file);

/// The suffix of a file to be written decides: .wav (32-bit float unless bits say otherwise) or .flac (24). Throws
/// Error (Usage).
AudioFormat formatBySuffix(const std::string& out, const std::string& bits, const std::string& command);

/// --tolerate-damage.
void addTolerateDamage(CLI::App& command, bool& flag);

/// --scene.
void addScene(CLI::App& command, std::string& file);

}  // namespace rivlen

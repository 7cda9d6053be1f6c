#pragma once
#include <nlohmann/json.hpp>
#include <string>

#include "core/audio/SampleSource.h"

namespace CLI {
class App;
}

namespace rivlen {

/// One JSON document on stdout. File names that are not valid UTF-8 get U+FFFD for what is not.
void printJson(const nlohmann::json& json);

/// Says on stderr what was wrong with a file and how it was gone on with; nothing where nothing was.
void tellFaults(const SampleSource& source, const std::string& file);

/// --tolerate-damage.
void addTolerateDamage(CLI::App& command, bool& flag);

/// --scene.
void addScene(CLI::App& command, std::string& file);

}  // namespace rivlen

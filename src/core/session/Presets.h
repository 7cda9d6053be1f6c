#pragma once
#include <filesystem>
#include <string>
#include <vector>

#include "core/isolation/IsolationSettings.h"

namespace rivlen {

/// A strength setting for a use, kept in a file of its own (docs/formats.md).
struct Preset {
    std::string name, purpose;
    IsolationSettings settings;
    std::filesystem::path file;
    bool shipped = false;  ///< came with Rivlen and cannot be removed
};

/// Where presets of one's own are kept.
std::filesystem::path ownPresetsFolder();

/// The shipped ones by rank, then one's own by name. Files that cannot be read are left out.
std::vector<Preset> listPresets();
/// Keeps a setting under a name; one's own preset of that name is replaced. Throws Error: Usage when the name is empty
/// or that of a shipped preset, OutputUnwritable.
Preset savePreset(const std::string& name, const IsolationSettings& settings);
/// Removes one of one's own. Throws Error (Usage) for a shipped one.
void removePreset(const Preset& preset);

}  // namespace rivlen

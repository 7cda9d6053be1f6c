#pragma once
#include <string>
#include <vector>

// What a stem can be taken further apart into: music into vocals, drums, bass, guitar and other, ambience into events
// and bed. The last part of each takes what no network has seen, so that the parts sum to the stem.
namespace rivlen {

/// The parts of a stem, in order; none where it is not taken further apart.
const std::vector<std::string>& partsOf(const std::string& stem);

/// The stem that a part belongs to; empty for what is no part.
std::string stemOfPart(const std::string& part);

/// Its place among the parts of its stem; -1 for what is no part.
int partPlace(const std::string& part);

/// Stems that can be taken apart: "music", "ambience".
const std::vector<std::string>& stemsWithParts();

/// What a part is called where people read it, "Drums".
std::string partTitle(const std::string& part);

}  // namespace rivlen

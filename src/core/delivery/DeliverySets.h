#pragma once
#include <filesystem>

#include "core/delivery/Deliverable.h"

// Sets of deliverables as files (docs/formats.md): made once, used in many sessions.
namespace rivlen {

/// Where sets of one's own are kept.
std::filesystem::path ownSetsFolder();
/// By name. Files that cannot be read are left out.
std::vector<DeliverySet> ownDeliverySets();
/// Keeps a set under its name; one's own of that name is replaced. Throws Error: Usage when the name is empty or that
/// of a shipped set, OutputUnwritable.
void saveOwnDeliverySet(const DeliverySet& set);

/// Throws Error (OutputUnwritable).
void writeDeliverySet(const DeliverySet& set, const std::filesystem::path& file);
/// Throws Error (InputUnreadable) with what is wrong.
DeliverySet readDeliverySet(const std::filesystem::path& file);
/// The same from text; file is for the sentence.
DeliverySet parseDeliverySet(const std::string& text, const std::string& file);

}  // namespace rivlen

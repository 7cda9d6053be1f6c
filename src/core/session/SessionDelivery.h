#pragma once
#include "core/delivery/DeliveryRender.h"
#include "core/delivery/ReelRecipe.h"
#include "core/session/Session.h"

// What a session tells the delivery, the same for the window and the command line.
namespace rivlen {

/// How a reel is worked through; its stems only where its rebuild uses them.
ReelRecipe recipeOf(const Reel& reel);

/// A reel ready to be delivered, at the deliverable's strength. Throws Error (Usage) for a candidate that was not kept,
/// (InputUnreadable) for a source that cannot be read.
DeliverySource deliverySource(const Session& session, const Reel& reel, const Deliverable& deliverable,
                              ReelMaterial material);

/// Names of the channels of a reel's mix; of a mix in the reel's own format those of a stereo one.
std::vector<std::string> mixNamesOf(const Reel& reel);

/// Refuses two files of one name, and with overwrite false any that is there. Throws Error (Usage, OutputUnwritable).
void checkNames(const Session& session, const std::vector<const Reel*>& reels,
                const std::vector<Deliverable>& deliverables, const std::filesystem::path& folder, bool overwrite);

/// Hands a reel over (writeHandOver): its rebuild, with its strength's regions and its loop among the spans. Times are
/// counted at the picture's rate, without one at 25 frames a second.
std::filesystem::path handOverReel(const Session& session, const Reel& reel, const ReelMaterial& material,
                                   double handles, const std::filesystem::path& folder, const Progress& progress);

}  // namespace rivlen

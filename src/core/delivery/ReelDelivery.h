#pragma once
#include <functional>

#include "core/delivery/DeliveryRender.h"

namespace rivlen {

/// Who is told of a reel's deliverables on their way, and what was made of them before. All may be empty.
struct DeliveryWatch {
    /// One that was made before and is still there as it was: it is not made again.
    std::function<std::optional<DeliveryReport>(const Deliverable&)> known;
    /// One is begun.
    std::function<void(const Deliverable&)> making;
    /// Files are whole and checked and are about to get their names; their sums are known.
    std::function<void(const DeliveryReport&)> naming;
    /// They have their names, or are held back.
    std::function<void(const DeliveryReport&)> ended;
};

/// All deliverables of one reel, in order. source gives each its reel, at its strength. Where dialogue, music and
/// ambience are among them (lossless, of one span, strength, rate and layout), they are held until they have been
/// summed: with their gains undone they must be the mix before its chain, and M&E the music and ambience; what fails is
/// held back with the others. A recipe that does not fit the reel (a picture where there is none, a candidate that was
/// not kept) is held back by itself. Throws as deliver() does, but for Usage.
std::vector<DeliveryReport> deliverReel(const std::vector<Deliverable>& deliverables,
                                        const std::function<DeliverySource(const Deliverable&)>& source,
                                        const std::filesystem::path& folder, bool overwrite, const DeliveryWatch& watch,
                                        const Progress& progress);

}  // namespace rivlen

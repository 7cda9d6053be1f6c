#pragma once
#include <memory>

#include "core/delivery/Deliverable.h"
#include "core/delivery/DeliveryMix.h"
#include "core/delivery/DeliveryReport.h"
#include "core/delivery/ScratchFolder.h"

namespace rivlen {

/// A deliverable whose files are whole and checked, but have no names yet.
struct MadeDelivery {
    DeliveryReport report;
    std::unique_ptr<ScratchFolder> work;
    std::vector<std::filesystem::path> stored;  ///< in the work folder, by report.files
    int64_t first = 0, frames = 0;              ///< its span: first frame at the reel's rate, frames at its own
    int sampleRate = 0;
};

/// Makes one deliverable: rendered at its rate and in its layout, measured, brought to its loudness by gain and, only
/// where peaks would pass the ceiling, a limiter, stored, read again and checked. A file that is there is refused
/// unless overwrite is given. Throws Error (Usage, Cancelled, InputUnreadable, OutputUnwritable).
MadeDelivery makeDelivery(const Deliverable& deliverable, const DeliverySource& source,
                          const std::filesystem::path& folder, bool overwrite, const Progress& progress);

/// Gives a made delivery's files their names, unless a check failed: then it is held back. Throws Error
/// (OutputUnwritable); then none of them has its name.
void giveNames(MadeDelivery& made, bool overwrite);

/// Both, one after the other.
DeliveryReport deliver(const Deliverable& deliverable, const DeliverySource& source,
                       const std::filesystem::path& folder, bool overwrite, const Progress& progress);

}  // namespace rivlen

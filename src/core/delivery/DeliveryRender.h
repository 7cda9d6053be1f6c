#pragma once
#include <memory>

#include "core/delivery/Deliverable.h"
#include "core/delivery/DeliveryReport.h"
#include "core/delivery/ScratchFolder.h"
#include "core/rebuild/RenderGraph.h"

namespace rivlen {

/// What a reel gives its deliverables.
struct DeliverySource {
    std::string session, reel;
    Shared<Rebuild> rebuild;
    std::shared_ptr<Materials> materials;
    int channels = 2;                ///< of the mix
    std::optional<double> timecode;  ///< seconds of the first frame on the timecode's clock, for BWF's time reference
    std::filesystem::path picture;   ///< the video file that the reel is of; empty: there is no picture
};

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

/// Lanes of a rebuild that a deliverable of this content is made of, by id.
std::set<std::string> lanesOf(const Rebuild& rebuild, const DeliveryContent& content);
/// Renders lanes at a rate and in a layout into a 32-bit float WAV of exactly so many frames; heard, if there is one,
/// gets each block as well.
void renderDelivery(const DeliverySource& source, RenderGraph::Options options, int64_t first, int64_t count,
                    int sampleRate, ChannelLayout layout, int64_t frames, const std::filesystem::path& file,
                    const std::function<void(const AudioBuffer&)>& heard, const Progress& progress);

}  // namespace rivlen

#pragma once
#include <filesystem>
#include <functional>
#include <memory>
#include <optional>
#include <set>
#include <string>

#include "core/delivery/Deliverable.h"
#include "core/media/AudioWriter.h"
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

/// How a mix is kept until it is stored.
inline const AudioFormat kRendered{AudioFormat::Container::Wav, AudioFormat::Bits::Float32};

/// Lanes of a rebuild that a deliverable of this content is made of, by id.
std::set<std::string> lanesOf(const Rebuild& rebuild, const DeliveryContent& content);
/// Renders lanes at a rate and in a layout into a 32-bit float WAV of exactly so many frames; heard, if there is one,
/// gets each block as well.
void renderDelivery(const DeliverySource& source, RenderGraph::Options options, int64_t first, int64_t count,
                    int sampleRate, ChannelLayout layout, int64_t frames, const std::filesystem::path& file,
                    const std::function<void(const AudioBuffer&)>& heard, const Progress& progress);

}  // namespace rivlen

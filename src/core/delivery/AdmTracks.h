#pragma once
#include <memory>

#include "core/delivery/AdmScene.h"
#include "core/delivery/DeliveryRender.h"
#include "core/media/MediaReader.h"

namespace rivlen {

/// The tracks of an ADM file, rendered apart: a bed of all that stays where it is or goes through a group's chain, and
/// each lane that has been placed as an object. An object's sound is as loud and as dull as its distance makes it; its
/// directions, spread and divergence are told to whoever plays it. One channel an object where its width is 0.
class AdmTracks {
public:
    /// lanes: ids of those that are delivered. Renders into the work folder. source: without the chain of the mix,
    /// which cannot go over what is summed elsewhere. Throws Error (Cancelled, InputUnreadable, OutputUnwritable).
    AdmTracks(const DeliverySource& source, const RenderGraph::Options& options, int64_t first, int64_t count,
              int sampleRate, int64_t frames, const ScratchFolder& work, const Progress& progress);
    const AdmScene& scene() const { return m_scene; }
    int64_t frames() const { return m_frames; }
    /// Of all tracks, the bed first.
    AudioBuffer read(int64_t first, int64_t count);

private:
    struct Part {
        std::unique_ptr<MediaReader> reader;
        bool joined = false;  ///< its channels are one
    };
    std::vector<Part> m_parts;
    AdmScene m_scene;
    int64_t m_frames;
};

/// The way of a lane's channels from one time to another (seconds), counted from the first; by channel.
std::vector<std::vector<AdmPlace>> wayOf(const Strip& strip, int channels, double from, double to);

}  // namespace rivlen

#include "core/delivery/DeliveryMix.h"

#include <algorithm>

#include "core/audio/Resampler.h"
#include "core/space/Binaural.h"
#include "core/space/MixFold.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

/// A block of any length through a head.
AudioBuffer heardWhole(Binaural& head, const AudioBuffer& mix) {
    AudioBuffer out(2, 0);
    for (int64_t at = 0; at < mix.frames(); at += Binaural::kBlock)
        out.append(head.process(mix.slice(at, std::min<int64_t>(Binaural::kBlock, mix.frames() - at))));
    return out;
}

}  // namespace

std::set<std::string> lanesOf(const Rebuild& rebuild, const DeliveryContent& content) {
    const auto has = [](const auto& list, const auto& what) {
        return std::find(list.begin(), list.end(), what) != list.end();
    };
    std::set<std::string> ids;
    for (const auto& lane : rebuild.lanes) {
        if (!has(content.stems, lane->stem)) continue;
        const bool of = std::all_of(lane->clips.begin(), lane->clips.end(), [&](const Clip& c) {
            return !has(content.without, c.material) && (content.only.empty() || c.material == content.only);
        });
        if (of) ids.insert(lane->id);
    }
    return ids;
}

void renderDelivery(const DeliverySource& source, RenderGraph::Options options, int64_t first, int64_t count, int rate,
                    ChannelLayout layout, int64_t frames, const fs::path& file,
                    const std::function<void(const AudioBuffer&)>& heard, const Progress& progress) {
    const int own = source.materials->reel().sampleRate;
    const MixFormat format = options.unplaced ? MixFormat::Reel : source.rebuild->format;
    const MixFold fold(format, source.channels, layout);
    const int channels = fold.outputs(), mixed = MixFold(format, source.channels, ChannelLayout::Own).outputs();
    std::optional<Binaural> head;
    if (layout == ChannelLayout::Binaural)
        head.emplace(format, mixed, std::make_shared<HeadResponses>(HeadResponses::shipped(), own));
    AudioWriter writer(file, rate, channels, kRendered);
    Resampler resampler(own, rate, head ? 2 : mixed);
    int64_t written = 0;
    const auto write = [&](const AudioBuffer& out) {
        writer.write(out);
        if (heard) heard(out);
    };
    const auto put = [&](const AudioBuffer& audio) {  // converted rates end a frame early or late
        const int64_t some = std::min(audio.frames(), frames - written);
        if (some > 0) write(fold(some == audio.frames() ? audio : audio.slice(0, some)));
        written += std::max<int64_t>(0, some);
    };
    renderMix(
        source.rebuild, source.materials, std::move(options), first, count,
        [&](const AudioBuffer& b) {
            const AudioBuffer out = head ? heardWhole(*head, b) : b;
            put(rate == own ? out : resampler.process(out));
        },
        progress);
    if (rate != own) put(resampler.finish());
    if (written < frames) write(AudioBuffer(channels, frames - written));
    writer.commitForNow();
}

}  // namespace rivlen

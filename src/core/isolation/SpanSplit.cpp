#include "core/isolation/SpanSplit.h"

#include <algorithm>

#include "core/isolation/StemNames.h"

namespace rivlen {

SpanSplit splitSpan(SampleSource& source, const std::shared_ptr<Network>& network, const std::string& quality,
                    bool room, int64_t first, int64_t end, int64_t around, bool atOnce, const Progress& progress) {
    EngineOptions options;
    options.quality = quality == "quick" ? EngineOptions::Quality::Quick : EngineOptions::Quality::Fine;
    options.stems = room ? withRoom(network->card(), kStemNames) : kStemNames;
    options.from = std::max<int64_t>(0, first - around);
    options.to = std::min(source.frames(), end + around);
    if (atOnce)
        options.firstTileSeconds = options.tileSeconds = double(options.to - options.from) / source.sampleRate();
    SpanSplit split{options.from, {}};
    separate(
        source, network, options,
        [&](int64_t, const AudioBuffer& x, const std::vector<AudioBuffer>& stems) {
            split.block.append(gathered(x, stems, room));
        },
        progress);
    progress.throwIfCancelled();
    return split;
}

}  // namespace rivlen

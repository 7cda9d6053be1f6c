#include "core/isolation/Weighable.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"

namespace rivlen {

namespace {
constexpr double kLeastSeconds = 0.5, kSilentDb = -70;
}

std::string hindranceToWeighing(SampleSource& source, int64_t first, int64_t count) {
    if (double(count) < kLeastSeconds * source.sampleRate())
        return "There is too little to weigh: choose half a second or more.";
    const int64_t step = source.sampleRate();
    for (int64_t at = first; at < first + count; at += step) {
        const AudioBuffer x = source.read(at, std::min(step, first + count - at));
        for (int c = 0; c < x.channels(); ++c) {
            double sum = 0, squares = 0;
            for (float v : x.channel(c)) sum += v, squares += double(v) * v;
            const double mean = sum / double(x.frames());
            if (toDb(std::sqrt(std::max(0.0, squares / double(x.frames()) - mean * mean))) > kSilentDb) return "";
        }
    }
    return "There is nothing to weigh: the span is silent.";
}

}  // namespace rivlen

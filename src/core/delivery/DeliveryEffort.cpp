#include "core/delivery/DeliveryEffort.h"

#include <algorithm>

namespace rivlen {

double effortToPrepare(const ReelRecipe& recipe, double seconds) {
    if (isPrepared(recipe)) return 0;
    const double treating = recipe.treatments.empty() ? 0 : 0.02;
    return seconds * (treating + (!recipe.needsStems ? 0 : recipe.quality == "quick" ? 0.02 : 0.09));
}

double effortToMake(const Deliverable& d, double seconds) {
    if (d.span) seconds = std::clamp(d.span->second - d.span->first, 0.0, seconds);
    const int channels = channelsOf(d.layout, 2);
    const bool encoded = d.storage == Storage::Aac || d.storage == Storage::Mp4;
    return 0.1 + seconds * (0.025 * (1 + channels) * (d.dialogueGated ? 1.5 : 1) / 1.5 + (encoded ? 0.05 : 0));
}

}  // namespace rivlen

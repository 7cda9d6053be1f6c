#pragma once
#include "core/delivery/Deliverable.h"
#include "core/delivery/ReelRecipe.h"

namespace rivlen {

/// What the steps of a dispatch take beside each other, in seconds of two processor cores that are no better than a
/// server's (`./rivlen bench`, `./rivlen bench --dispatch`). Only shares of progress and the time left are made of
/// them.

/// Splitting and treating a reel of so many seconds; 0 where that was done before.
double effortToPrepare(const ReelRecipe& recipe, double seconds);
/// Rendering, measuring, storing and checking a deliverable of a reel of so many seconds.
double effortToMake(const Deliverable& deliverable, double seconds);

}  // namespace rivlen

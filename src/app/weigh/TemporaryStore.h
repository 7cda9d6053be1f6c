#pragma once
#include <functional>

#include "core/separation/StemStore.h"

namespace rivlen {

/// Stems that are tried, which go away with the last one who plays them: silent up to a frame, then what fill appends,
/// then silent again. Throws what StemStore and fill throw.
std::shared_ptr<StemStore> temporaryStore(const StemStore::Shape& shape, int64_t from,
                                          const std::function<void(StemStore&)>& fill);

}  // namespace rivlen

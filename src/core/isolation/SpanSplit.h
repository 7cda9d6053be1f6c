#pragma once
#include "core/separation/Engine.h"
#include "core/separation/NetworkCard.h"
#include "core/separation/StemBlock.h"

namespace rivlen {

/// A stretch of a recording that was separated in memory.
struct SpanSplit {
    int64_t from = 0;  ///< frame that the block begins with
    StemBlock block;   ///< kStemNames
};

/// Separates [first, end) with so many frames on either side, as far as there are any, so that the edges are judged by
/// what surrounds them. room: the voice's room is wanted as well. atOnce: in one tile, so that nothing is computed
/// twice, for spans of less than a minute. Throws Error (Cancelled, InputUnreadable, Usage).
SpanSplit splitSpan(SampleSource& source, const std::shared_ptr<Network>& network, const std::string& quality,
                    bool room, int64_t first, int64_t end, int64_t around, bool atOnce, const Progress& progress);

}  // namespace rivlen

#pragma once
#include "core/exchange/Answer.h"
#include "core/exchange/RoundTrip.h"
#include "core/rebuild/Rebuild.h"

namespace rivlen {

/// Lays an answer on a lane of its own below the lanes of a stem (by kStemNames), to the sample, within the span that
/// was wanted back, and takes the span out of those lanes where it was found; both go over in 10 ms. Returns the new
/// lane's id. Throws Error (Usage) where nothing of the span was found.
std::string layAnswer(Rebuild& rebuild, const Answer& answer, const SentSound& sent, int sampleRate, size_t stem,
                      double gainDb);

}  // namespace rivlen

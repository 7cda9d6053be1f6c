#pragma once
#include <optional>
#include <span>

namespace rivlen {

/// Samples by which a sound comes late in what was recorded of it (negative: early), at most most either way; nothing
/// where it is not heard in it. Both begin at the same moment. Generalised cross-correlation with the phase transform
/// (Knapp and Carter, IEEE Trans. ASSP 24(4), 1976), which a room or a loudspeaker's colour hardly moves.
std::optional<int> lateness(std::span<const float> sound, std::span<const float> recorded, int most);

}  // namespace rivlen

#pragma once
#include <vector>

#include "core/isolation/StrengthTimeline.h"

namespace rivlen {

/// One value per frame and bin.
using Cells = std::vector<std::vector<float>>;

/// Frames on either side that a cell's strength can depend on.
inline constexpr int kCellReach = 12;

/// The wanted stem's share of each cell at a strength.
///
/// share and power are the network's share for the wanted stem (0 ... 1) and the source's power, for count + 2 * reach
/// frames, where reach is kCellReach when the settings look around themselves (looksAround()), else 0; power may be
/// empty when there is no onset guard. Returns count frames, in this order:
///  - Steadiness S averages the share over time with a Hann weight, S / 100 of kCellReach frames to either side.
///  - Firmness F sharpens it, p' = p^y / (p^y + (1 - p)^y) with y = 2^(F / 50).
///  - Band bias strengthens or weakens it by region (biased(), BandBias.h).
///  - Onset guard O: where a short noisy beginning near the wanted sound is found (Onsets.h), O / 100 of what is
///  missing goes
///    to the wanted stem; it lets go over 5 frames.
/// binHz: width of a bin.
///
/// blends: one for all frames, or one for each of the count frames; a frame's answers are averaged with the blend's
/// weights.
Cells strengthened(const std::vector<Blend>& blends, const Cells& share, const Cells& power, int count, double binHz);
inline Cells strengthened(const IsolationSettings& settings, const Cells& share, const Cells& power, int count,
                          double binHz) {
    return strengthened(std::vector<Blend>{{{settings, 1.0}}}, share, power, count, binHz);
}

/// True when the strength of a cell depends on frames around it.
inline bool looksAround(const IsolationSettings& s) { return s.steadiness > 0 || s.onsetGuard > 0; }

/// True when a cell changes its owner: by anything but Depth, Room keep and Balance.
inline bool movesCells(const IsolationSettings& s) {
    return s.firmness != 0 || looksAround(s) || !isNeutral(s.bandBias);
}

/// The same of any of the settings.
bool looksAround(const std::vector<Blend>& blends);
bool movesCells(const std::vector<Blend>& blends);

}  // namespace rivlen

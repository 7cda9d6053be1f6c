#pragma once
#include "core/base/Progress.h"
#include "core/isolation/Weighing.h"

namespace rivlen {

/// One strength on the trade-off chart.
struct TradePoint {
    double depth = 0, firmness = 0;  ///< as in IsolationSettings
    double spillDb = 0;
    Damage damage;
    double sdrDb = 0;
};

/// Spill against damage over the whole range of strength.
struct TradeOff {
    std::vector<TradePoint> curve;  ///< from no isolation to the strongest
    int knee = 0;                   ///< index into curve: the suggestion
    std::string reason;             ///< why just there, one sentence
};

/// The curve for a span: Depth from 0 to full at the settings' firmness, then, at full depth, firmness up to +100.
/// Everything else is as in settings.
///
/// The knee is where the expected ratio of what is kept of the wanted sound to what is bent, spilt and moved
/// (Weighing::sdrDb) is highest over Depth: beyond it, isolation does more harm than it removes spill. Where the ratio
/// stays within 0.1 dB of its best, the weaker setting is taken. Throws Error (Cancelled).
TradeOff tradeOff(const IsolationSettings& settings, Weigher& weigher, const Progress& progress);

}  // namespace rivlen

#pragma once
#include "core/base/Progress.h"
#include "core/isolation/Weighing.h"
#include "core/separation/Engine.h"
#include "core/separation/NetworkCard.h"

namespace rivlen {

/// A network at a quality, to be tried on a few seconds.
struct TrialChoice {
    NetworkCard card;             ///< of the network that does the work
    std::string network;          ///< id as it is chosen in a reel
    std::string quality;          ///< "quick" or "fine"
    std::filesystem::path scene;  ///< as it is chosen in a reel
    std::string name;             ///< "Main, fine"
};

/// Every network that gives the window's stems, at each quality; with scenes also as these changed it (those that fit
/// no network are left out).
std::vector<TrialChoice> trialChoices(const std::vector<std::filesystem::path>& scenes = {});

/// What a network made of the stretch.
struct Trial {
    TrialChoice choice;
    int64_t from = 0;  ///< frame that the block begins with
    StemBlock block;
    double seconds = 0;               ///< that separating it took
    std::vector<Weighing> weighings;  ///< of the span, by strength tried
    std::vector<double> loudness;     ///< of the span's result, LUFS, by strength tried
};

/// Separates [first, first + count) with kTrialAround seconds on either side, then weighs it at each strength; all are
/// for one stem. Throws Error (Cancelled, InputUnreadable).
Trial tryNetwork(SampleSource& source, const TrialChoice& choice, const std::shared_ptr<Network>& network,
                 const std::vector<StrengthTimeline>& timelines, int64_t first, int64_t count,
                 const Progress& progress);

inline constexpr double kTrialAround = 1.0;  ///< seconds

/// The dialogue's SI-SDR that a network's card states for known stereo mixtures, dB; nothing when it does not.
std::optional<double> measuredQuality(const NetworkCard& card, const std::string& quality);

/// A network's answer at a strength, as it is ranked.
struct TrialRow {
    std::string name;
    Weighing weighing;
    std::optional<double> quality;  ///< measuredQuality() of the network
    double seconds = 0;             ///< that separating took
};

/// The rows from the best to the worst with the reason for the first, one sentence.
///
/// A network's own measures tell how sure it is, not how right: they rank settings of one network well and networks
/// among each other less well (`./rivlen bench measures`). So the measured SI-SDR of the cards counts as well: the
/// order is that of Weighing::sdrDb plus the card's figure, the mean of the others' where it is not known.
struct TrialRanking {
    std::vector<size_t> order;  ///< indices into the rows
    std::string reason;
};
TrialRanking rankTrials(const std::vector<TrialRow>& rows);

}  // namespace rivlen

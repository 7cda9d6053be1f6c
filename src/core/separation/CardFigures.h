#pragma once
#include <map>
#include <optional>
#include <string>
#include <utility>

#include "core/separation/NetworkCard.h"

namespace rivlen {

/// What a card states of its network's quality and speed. Cards from elsewhere need not state anything.
struct CardFigures {
    struct Stem {
        double gainDb = 0;                         ///< SI-SDR over the mixture
        std::optional<double> share;               ///< of what the best possible mask gains
        std::optional<std::pair<int, int>> worse;  ///< how many mixtures it got worse in, of how many
    };
    /// By kind of recording ("stereo", "mono") and by stem as it is shown; of the field set where it was measured
    /// there.
    std::map<std::string, std::map<std::string, Stem>> stems;
    bool inTheField = false;                         ///< speakers, music, places and rooms had no part in its making
    std::optional<double> estoiGain;                 ///< over the mixture, on the field set
    std::optional<std::pair<double, double>> estoi;  ///< of the network's dialogue, of the mixture
    std::map<std::string, std::map<std::string, double>>
        crossTalkDb;                      ///< by what is there alone, then where it is found
    std::map<std::string, double> speed;  ///< by quality, times real time
    std::string trainedWith;
    bool understood = true;  ///< false: it states them in a way that is not known here, and nothing is filled in
};

/// Of a quality, "fine" or "quick"; a card that does not tell them apart states one set of figures for both.
CardFigures figuresOf(const NetworkCard& card, const std::string& quality = "fine");

}  // namespace rivlen

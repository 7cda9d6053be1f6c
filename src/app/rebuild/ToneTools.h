#pragma once
#include "app/rebuild/RebuildMix.h"

namespace rivlen {

/// Holes: made, filled with room tone, found as silences and shortened.
class ToneTools {
public:
    ToneTools(const Document& document, const Reels& reels, RebuildDesk& desk, RebuildMix& mix);
    void fillWithTone();  ///< the loop on the chosen lane, from what is between the words
    void muteLoop();      ///< cuts the loop out of the chosen lane
    void findSilences(double thresholdDb, double seconds);  ///< of the chosen lane
    const std::vector<std::pair<double, double>>& silences() const { return m_silences; }
    void shortenSilences(double to);
    void fillSilences();

private:
    const Document& m_document;
    const Reels& m_reels;
    RebuildDesk& m_desk;
    RebuildMix& m_mix;
    std::vector<std::pair<double, double>> m_silences;
    std::string m_silencesOf;  ///< a lane
};

}  // namespace rivlen

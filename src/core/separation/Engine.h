#pragma once
#include <functional>
#include <memory>

#include "core/audio/SampleSource.h"
#include "core/base/Progress.h"
#include "core/separation/Network.h"

namespace rivlen {

/// Of a tile without its context, as long as nobody says otherwise; shorter where a network hears at several speeds.
inline constexpr double kTileSeconds = 72;

/// How a recording is separated.
struct EngineOptions {
    enum class Quality { Quick, Fine };
    Quality quality = Quality::Fine;  ///< which of the card's rates are averaged
    int64_t from = 0;                 ///< first frame, at the source's rate
    int64_t to = -1;                  ///< one past the last frame; -1: the end
    double tileSeconds = 0;           ///< length of a tile without its context; 0: kTileSeconds
    double firstTileSeconds = 4.0;    ///< shorter first tile, so that something is heard soon
    std::vector<std::string>
        stems;  ///< the stems wanted, in order, by their own or their shown names; one that the network lacks is silent
    double readSeconds = 2;  ///< how much of the source is read at a time
    /// What is heard after a tile, in seconds, where that is less than the card asks for: what is wanted soon is less
    /// well separated, and depends on the tiles. Negative: as the card says.
    double lookAhead = -1;
    bool prompt = false;  ///< each tile is waited for before more is read: what is read ends only later
    /// The span's tiles lie as they do when the recording is separated in one piece, so that spans put together are
    /// that piece (below -100 dB); for that, up to a tile more is separated on either side.
    bool asInWhole = false;
    bool apart = false;  ///< every stem of the network by itself, also those shown as part of another
};

/// Takes the separated sound block by block, in order: the source's frames and one buffer per stem, at the
/// source's rate and channel count. first counts from EngineOptions::from. Called from a thread of separate()'s
/// own, one call after the other, while the next tile is being separated.
using StemSink = std::function<void(int64_t first, const AudioBuffer& source, const std::vector<AudioBuffer>& stems)>;

/// The stems that separate() gives, in order: the wanted ones, the card's shown ones, or all of them.
/// Throws Error (Usage) when the network has a stem that nobody wants: it would be lost.
std::vector<std::string> stemsGiven(const NetworkCard& card, const EngineOptions& options);

/// The same stems with the voice's room after them, for EngineOptions::stems; see gathered(). Throws Error (Usage) when
/// the network does not separate the room from the dialogue.
std::vector<std::string> withRoom(const NetworkCard& card, std::vector<std::string> stems);
bool separatesRoom(const NetworkCard& card);

/// Separates a recording of any length, rate and channel count in bounded memory.
///
/// Groups of channels (channelGroups()) are run through the network in tiles with the context that its card asks for
/// (also from outside of the span, so that a span sounds as it does in the whole); in both qualities at the rates that
/// the card gives, as if the recording were slower or faster (Speed.h: in other frames, or resampled there and back),
/// and the mean is taken. What is left over - the band above the network's rate, the filters' edges, rounding - is
/// shared out by Remainder, so that the stems sum to the source to within float rounding. Progress is reported in 0 ...
/// 1; a cancelled computation returns within 200 ms (a tile in flight is abandoned) by throwing Error (Cancelled).
void separate(SampleSource& source, const std::shared_ptr<Network>& network, const EngineOptions& options,
              const StemSink& sink, const Progress& progress);

}  // namespace rivlen

#pragma once
#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <vector>

#include "core/spectral/LevelTrack.h"

namespace rivlen {

/// A span of which the user says what alone is heard in it.
struct Mark {
    std::string stem = "ambience";  ///< one of kStemNames
    double from = 0, to = 0;        ///< seconds
    bool operator==(const Mark&) const = default;
};

inline constexpr double kShortestMark = 0.3;  ///< seconds; below, nothing can be learned
inline constexpr size_t kMostMarks = 1000;

nlohmann::json toJson(const std::vector<Mark>& marks);
/// Throws nlohmann's exceptions for what is missing, Error (InputUnreadable) for what cannot be, without a subject.
std::vector<Mark> marksFromJson(const nlohmann::json& json);

/// Puts a mark among others, in order of time. Where it overlaps a mark of the same stem they become one; of another
/// stem's it takes what it covers, since two cannot be alone at once.
void placeMark(std::vector<Mark>& marks, const Mark& mark);

/// What a proposal is remembered by when the user does not take it.
std::string markKey(const Mark& mark);

/// What a separation left in the other stems where a mark says that there is nothing else: their energy against that of
/// all, dB (-100 at least). Nothing where the span is silent. This is measured on the recording itself, not promised by
/// a card.
std::optional<double> leakDb(const LevelTrack& stems, int sampleRate, const Mark& mark);

/// Spans in which a separation gave nearly everything to one stem: the others together at least 25 dB below it, the
/// shares decided (core/separation/Confidence.h), sound of -55 dBFS at least, 1.5 s or longer. The clearest first,
/// three for each stem at most; none that touches one of the known marks. stems, source: levels over frames of the
/// reel.
std::vector<Mark> proposedMarks(const LevelTrack& stems, const LevelTrack& source, int sampleRate, int64_t frames,
                                const std::vector<Mark>& known);

}  // namespace rivlen

#pragma once
#include <map>
#include <string>
#include <vector>

#include "core/rebuild/Rebuild.h"

namespace rivlen {

/// Levels of the parts of a stem against each other: a remix that can be kept and used again.
struct PartBalance {
    std::string name;
    std::string stem;                      ///< "music" or "ambience"
    std::map<std::string, double> levels;  ///< dB by part; kSilentLevel: not heard. A part that is left out: 0

    bool operator==(const PartBalance&) const = default;
};

/// Those that came with Rivlen, then one's own by name; files that cannot be read are left out.
std::vector<PartBalance> listBalances(const std::string& stem);
const std::vector<PartBalance>& shippedBalances();

/// Sets the levels of the lanes that play parts of the stem, whole or, where from < to (seconds), over that span alone,
/// faded over fade seconds at both ends; curves that are drawn there give way to it. False where no lane plays a part.
bool applyBalance(Rebuild& rebuild, const PartBalance& balance, double from = 0, double to = 0, double fade = 0.5);

/// The levels that the lanes have at a second.
PartBalance balanceAt(const Rebuild& rebuild, const std::string& stem, double second);

/// Keeps one's own under its name. Throws Error: Usage when the name is empty or a shipped one's, OutputUnwritable.
void saveBalance(const PartBalance& balance);
/// Throws Error (Usage) for a shipped one.
void removeBalance(const PartBalance& balance);

/// Gives another rebuild the remix of this one: the levels of its parts' lanes and what is drawn over time, and the
/// level, mute and chain of the group. Lanes are laid in parts where they are not yet. False where this one has none.
bool copyRemix(const Rebuild& from, const std::string& stem, Rebuild& to);

}  // namespace rivlen

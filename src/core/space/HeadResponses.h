#pragma once
#include <filesystem>
#include <memory>
#include <vector>

#include "core/space/Direction.h"

struct MYSOFA_EASY;

namespace rivlen {

/// Head-related impulse responses out of a SOFA file (AES69), by libmysofa: how a sound from a direction reaches both
/// ears. Safe from one thread at a time.
class HeadResponses {
public:
    /// The set that comes with Debian's libmysofa (a KEMAR dummy head, measured at MIT).
    static std::filesystem::path shipped();
    /// Brought to a rate. Throws Error (InputUnreadable).
    HeadResponses(const std::filesystem::path& file, int sampleRate);
    ~HeadResponses();
    HeadResponses(const HeadResponses&) = delete;

    struct Pair {
        std::vector<float> left, right;  ///< length() samples, with what one ear hears later
    };
    /// Between the measured directions it is interpolated.
    Pair at(const Direction& direction) const;
    int length() const { return m_length; }
    int sampleRate() const { return m_rate; }

private:
    MYSOFA_EASY* m_set;
    int m_filter = 0, m_length = 0, m_rate;
};

}  // namespace rivlen

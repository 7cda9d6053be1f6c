#pragma once
#include <functional>
#include <memory>
#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <vector>

#include "core/audio/SampleSource.h"
#include "core/base/Progress.h"
#include "core/spectral/Fft.h"

namespace rivlen {

/// A room by octave bands: how long each dies away and how strong it is.
struct RoomShape {
    struct Band {
        double hz;     ///< centre
        double decay;  ///< s for 60 dB
        double level;  ///< dB against the other bands
        bool operator==(const Band&) const = default;
    };
    std::vector<Band> bands;
    bool operator==(const RoomShape&) const = default;

    /// The same decay everywhere, but for a tone of -100 (dark) to +100 (bright).
    static RoomShape plain(double decay, double tone);
    /// Of the middle bands.
    double decay() const;
};

nlohmann::json toJson(const RoomShape& room);
RoomShape roomFromJson(const nlohmann::json& json);  ///< throws nlohmann's or Error (InputUnreadable)

/// An impulse response of such a room, without the direct sound: noise that dies away in each band (Moorer 1979, "About
/// this reverberation business": exponentially falling noise), another in each channel; its energy in each channel
/// is 1.
AudioBuffer roomImpulse(const RoomShape& room, int channels, int rate);

/// Estimates a room from voices that were recorded in it: in each octave band from how its level falls after words (the
/// later halves of straight falls of 15 dB or more, their median). A separated voice in rooms of 0.3 to 1.6 s, 6 dB
/// below the direct sound, was told within a quarter; a dry one as 0.3 s. How strong the room is it does not tell.
/// Nothing when too few falls are found. Throws Error (Cancelled, InputUnreadable).
std::optional<RoomShape> estimateRoom(SampleSource& voice, int64_t from, int64_t to, const Progress& progress);

/// Convolution with an impulse response of any length, in equal blocks of kBlock frames (overlap-save, partitioned;
/// Kulp 1988). Its answer comes kBlock frames late.
class Convolver {
public:
    static constexpr int kBlock = 256;
    /// One row of the impulse for each channel; fewer rows are used in turn.
    Convolver(const AudioBuffer& impulse, int channels);
    /// kBlock frames in, the answer of the block before out, scaled by gain and added to out.
    void process(const AudioBuffer& in, float gain, AudioBuffer& out);

private:
    int m_channels, m_parts;
    Fft m_fft;
    std::vector<std::vector<std::complex<float>>> m_impulse;            ///< row by row, part by part
    std::vector<std::vector<std::vector<std::complex<float>>>> m_past;  ///< [channel][part]: spectra of blocks before
    std::vector<std::vector<float>> m_last, m_ready;
    int m_at = 0, m_rows;
};

}  // namespace rivlen

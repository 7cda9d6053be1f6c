#pragma once
#include <memory>
#include <mutex>
#include <vector>

#include "core/audio/AudioBuffer.h"
#include "core/loudness/Loudness.h"
#include "core/loudness/TruePeak.h"
#include "core/space/MixFold.h"
#include "core/space/MixFormat.h"

namespace rivlen {

/// What a mix was like in its channels a moment ago.
struct SpaceReading {
    MixFormat format = MixFormat::Reel;
    int channels = 0;
    std::vector<double> truePeaks;  ///< dBTP since the last reading, by channel
    std::vector<double>
        loudness;  ///< momentary LUFS of a channel by itself, without its loudspeaker's weight; empty: ambisonics
    double momentary = -200, shortTerm = -200,
           integrated = -200;        ///< LUFS of the whole, BS.1770 weights, since the meter was made
    std::vector<double> covariance;  ///< means of products over the last tenth of a second or so, channel by channel

    double product(int a, int b) const { return covariance[size_t(a) * size_t(channels) + size_t(b)]; }
    /// -1 ... 1; 0 where one of them is silent.
    double correlation(int a, int b) const;
};

/// Listens to a mix in its own channels: true peaks and loudness of each and of the whole (ITU-R BS.1770, by
/// libebur128; ambisonics as they are decoded to 7.1), and how alike any two are. add() is for the thread that plays,
/// read() for another.
class SpaceMeter {
public:
    SpaceMeter(MixFormat format, int channels, int sampleRate);
    /// What is found out: where the energy is costs little, peaks and loudness of each channel are dearer.
    enum class Detail { Energy, Everything };
    void add(const AudioBuffer& mix, Detail detail = Detail::Everything);
    SpaceReading read();
    MixFormat format() const { return m_format; }
    int channels() const { return m_channels; }

private:
    const MixFormat m_format;
    const int m_channels, m_rate;
    std::vector<TruePeak> m_peaks;
    MixFold m_measured;  ///< to the loudspeakers that loudness is that of
    LoudnessMeter m_whole;
    std::vector<LoudnessMeter> m_loudness;  ///< none: ambisonics
    std::vector<double> m_covariance;
    std::mutex m_guard;
    SpaceReading m_reading;
};

/// Where the energy of a mix comes from: how strong a beam of the ambisonic signal is in each direction of a grid.
/// Loudspeakers are encoded in third order, each where it stands, the LFE left out. Beams are those of max rE
/// (AmbisonicDecoder.h).
class SphereMap {
public:
    /// columns: from azimuth 180 on the left to -180 on the right; rows: from the zenith down; both at the cells'
    /// middles.
    SphereMap(MixFormat format, int channels, int columns, int rows);
    MixFormat format() const { return m_format; }
    int channels() const { return m_channels; }
    int columns() const { return m_columns; }
    int rows() const { return m_rows; }
    Direction at(int column, int row) const;
    /// Power in each cell, row by row: a plane wave of power 1 has 1 where it comes from.
    std::vector<double> energy(const SpaceReading& reading) const;

    /// Direction of the active intensity, the power, and how diffuse it is: 0 a plane wave, 1 from everywhere alike
    /// (Merimaa and Pulkki, "Spatial impulse response rendering I", 2005).
    struct Whence {
        Direction at;
        double power = 0, diffuseness = 1;
    };
    Whence whence(const SpaceReading& reading) const;

private:
    /// The covariance of the mix as ambisonics.
    std::vector<double> ambisonic(const SpaceReading& reading) const;
    MixFormat m_format;
    int m_channels, m_columns, m_rows, m_order;
    std::vector<double> m_encoder;  ///< by ambisonic channel, then channel of the mix; empty: it is ambisonic
    std::vector<double> m_beams;    ///< by cell, then ambisonic channel
};

}  // namespace rivlen

#pragma once
#include <array>
#include <optional>
#include <vector>

#include "core/audio/AudioBuffer.h"
#include "core/diagnosis/Finding.h"
#include "core/spectral/Fft.h"

namespace rivlen {

/// What a recording mainly holds.
enum class Content { Speech, Music, Mixed };
const char* contentName(Content content);  ///< "speech", "music", "mixed"

/// Tells speech from music while a recording passes by, from how its sound moves (after Scheirer and Slaney 1997,
/// "Construction and evaluation of a robust multifeature speech/music discriminator"): words come about four a second
/// with pauses between them, and notes stay. A logistic regression over kFeatures features gives how likely it is
/// speech; its weights are fitted by training/fit_content.py. From 0.03 to 0.97 the answer is Mixed: on clips of 16 s
/// that nothing was fitted to, all speech lies above, nine tenths of music below, and 85 % of speech with music 3 to 15
/// dB below it between (`./rivlen bench content`). A voice far below dense music is called music.
class ContentSearch {
public:
    static constexpr int kFeatures = 7;
    using Features = std::array<double, kFeatures>;

    explicit ContentSearch(int rate);
    void add(const AudioBuffer& block);
    /// Nothing when there are less than two seconds of sound.
    std::optional<Features> features() const;
    static double likelySpeech(const Features& features);  ///< 0 ... 1
    std::optional<Content> content() const;
    /// Music under the voice, when what sounds between the words holds notes; for a recording that is Mixed.
    std::optional<Finding> under() const;

private:
    static constexpr int kBands = 8;
    struct Frame {
        float energy, flux, centroid, sameAsBefore;
        std::array<float, kBands> bands;
    };
    int m_rate, m_size;
    Fft m_fft;
    std::vector<float> m_window, m_frame, m_waiting;
    std::vector<std::complex<float>> m_spectrum;
    std::vector<std::vector<float>> m_fine;  ///< fine structure of the last frames' log spectra, a ring
    std::vector<float> m_last;               ///< log spectrum of the frame before
    std::vector<Frame> m_frames;
};

}  // namespace rivlen

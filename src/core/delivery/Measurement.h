#pragma once
#include <memory>

#include "core/delivery/Inspection.h"

namespace rivlen {

/// All that a delivery wants to know of a sound, from one pass.
struct Measurement {
    Inspection inspection;
    std::optional<double> maxMomentary, maxShortTerm;  ///< LUFS (EBU Tech 3341); short-term from 3 s on
    std::optional<double>
        dialogue;  ///< LUFS where somebody speaks; nothing below 2 s of speech or without a speech to look at
    double dialogueSeconds = 0;
    double dcDbfs = -200;                       ///< of the worst channel
    double correlation = 1;                     ///< of the first two channels, -1 ... +1
    std::vector<float> shortTerm;               ///< LUFS, each half second, for drawing; below -70: nothing
    std::vector<std::pair<float, float>> wave;  ///< lowest and highest sample of each of up to 600 columns

    /// What the loudness is measured by: the whole, or where that was asked for and is known the dialogue.
    std::optional<double> loudness(bool dialogueGated) const;
    /// What it is after a gain, dB: all levels move along (what the gates at -70 LUFS let through aside).
    Measurement raised(double gain) const;
};

/// Overview: without momentary and short-term loudness, which cost as much as the rest.
enum class MeasurementDetail { Overview, Everything };

/// Measures a sound that comes in pieces of any length. Dialogue-gated loudness is the mean power (K-weighted, ITU-R
/// BS.1770) of those 100 ms stretches of the whole in which the speech itself passes BS.1770's gates (-70 LUFS, and 10
/// LU below its mean). That loudness is anchored in the dialogue is common practice; that the stretches are told by the
/// separated dialogue, and are shorter than BS.1770's blocks so that no music around a word gets in, is our way.
class Measurer {
public:
    /// frames: how many will come; speechChannels: of the dialogue alone, 0 where it is not given. Throws Error (Other)
    /// where loudness is not defined.
    Measurer(int channels, int sampleRate, int64_t frames, int speechChannels, MeasurementDetail detail);
    ~Measurer();
    /// speech: the dialogue alone, of the same length; without channels where it is not given.
    void add(const AudioBuffer& sound, const AudioBuffer& speech);
    Measurement finish();

private:
    struct Impl;
    std::unique_ptr<Impl> m;
};

/// Reads the whole source and measures it. speech: the dialogue alone, at the same rate and length, or null. Throws
/// Error (Cancelled, InputUnreadable).
Measurement measure(SampleSource& source, SampleSource* speech, MeasurementDetail detail, const Progress& progress);

}  // namespace rivlen

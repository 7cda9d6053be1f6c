#pragma once
#include <filesystem>
#include <memory>
#include <vector>

#include "core/audio/SampleSource.h"
#include "core/base/Progress.h"
#include "core/spectral/Alignment.h"

namespace rivlen {

/// What a cleaner outside made of a sound that was sent, found in it by its sound: it may begin earlier or later, lack
/// its ends, be of another rate, another level, or lossy.
struct Answer {
    std::filesystem::path file;             ///< as it came; never written to
    std::filesystem::path sound;            ///< the same at the sent sound's rate: itself, or one in the cache folder
    int rate = 0, channels = 0;             ///< of file
    std::vector<AlignedStretch> stretches;  ///< in order; shift: into what was sent; each is found

    double seconds() const;  ///< that are found
    /// Seconds by which its sound comes later than in what was sent; of the longest stretch.
    double late() const;
};

/// Throws Error (InputUnreadable: it cannot be read, has other channels than what was sent or one, or nothing of what
/// was sent is heard in it; Cancelled, OutputUnwritable).
Answer findAnswer(const std::filesystem::path& sent, const std::filesystem::path& file, const Progress& progress);

/// A reel's sound (the recording or one of its stems) with an answer in the place of what was sent of it, sample by
/// sample, at a gain. Where nothing was found it is as it was; it goes over in 10 ms. For one thread.
class AnsweredSource : public SampleSource {
public:
    /// begin: second of the reel that what was sent begins with. Throws Error (InputUnreadable).
    AnsweredSource(std::shared_ptr<SampleSource> reel, const Answer& answer, double begin, double gainDb);

    int channels() const override { return m_reel->channels(); }
    int sampleRate() const override { return m_reel->sampleRate(); }
    int64_t frames() const override { return m_reel->frames(); }
    AudioBuffer read(int64_t first, int64_t count) override;

private:
    struct Place {
        int64_t from, to;  ///< frames of the reel
        int64_t shift;     ///< from there into the answer
    };
    /// How much of the answer there is at a frame of a place, 0 ... 1.
    float share(const Place& place, int64_t frame) const;
    std::shared_ptr<SampleSource> m_reel;
    std::unique_ptr<SampleSource> m_answer;
    std::vector<Place> m_places;
    float m_gain;
};

}  // namespace rivlen

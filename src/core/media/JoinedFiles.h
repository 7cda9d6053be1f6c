#pragma once
#include <filesystem>
#include <memory>

#include "core/base/Progress.h"
#include "core/media/MediaReader.h"

namespace rivlen {

/// Files of one channel each as the channels of one sound, as long as the shortest of them; a single file as it is.
class JoinedFiles : public SampleSource {
public:
    /// At least one file. Throws Error (InputUnreadable): also where there are several and one of them has another rate
    /// or more than one channel.
    explicit JoinedFiles(const std::vector<std::filesystem::path>& files);
    int channels() const override;
    int sampleRate() const override { return m_readers.front()->sampleRate(); }
    int64_t frames() const override;
    AudioBuffer read(int64_t first, int64_t count) override;

private:
    std::vector<std::unique_ptr<MediaReader>> m_readers;
};

/// Lowest and highest value of all channels in each of so many equal columns of [first, end). Throws what JoinedFiles
/// does, and Error (Cancelled).
std::vector<std::pair<float, float>> waveOfFiles(const std::vector<std::filesystem::path>& files, int64_t first,
                                                 int64_t end, int columns, const Progress& progress);

}  // namespace rivlen

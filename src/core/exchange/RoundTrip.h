#pragma once
#include <filesystem>
#include <map>
#include <optional>
#include <string>

#include "core/audio/SampleSource.h"
#include "core/base/Progress.h"

namespace rivlen {

/// A sound that was handed to a cleaner outside of Rivlen. Times are seconds of the reel.
struct SentSound {
    std::filesystem::path file;
    double from = 0, to = 0;  ///< the span that is wanted back, without its handles
    double begin = 0;         ///< of the file's first sample
};

/// What a span of a reel's sound is called when it is sent: the reel, what of it, and where.
std::string sentName(const std::string& reel, const std::string& what, double from, double to);

/// Writes a span with so many seconds on either side, as far as there is any sound, into a folder, as a WAV of 32-bit
/// floats. One of the same name that was sent before is replaced. clockStart: of the reel's first sample on its
/// timecode's clock, seconds. Throws Error (Usage: the span is empty; OutputUnwritable, InputUnreadable, Cancelled).
SentSound sendSound(SampleSource& sound, const std::string& name, double from, double to, double handles,
                    const std::filesystem::path& folder, std::optional<double> clockStart, const Progress& progress);

/// A folder into which the answer to what was sent is put by others. Only a file that came after this was made, or
/// changed since, counts, whose name begins as that of what was sent, and that has not grown for a second.
class AnswerWatch {
public:
    AnswerWatch(std::filesystem::path folder, const SentSound& sent);
    /// Looks once; whoever waits asks again.
    std::optional<std::filesystem::path> look();

private:
    std::map<std::filesystem::path, std::pair<uintmax_t, std::filesystem::file_time_type>> files() const;
    std::filesystem::path m_folder, m_sent;
    std::map<std::filesystem::path, std::pair<uintmax_t, std::filesystem::file_time_type>> m_before, m_last;
    std::filesystem::file_time_type m_still;
};

/// Runs the user's command in a shell, with {in} and {out} as the names of what was sent and of the answer (quoted), or
/// as RIVLEN_IN and RIVLEN_OUT where it names neither. Returns the answer's name. Throws Error (Other: with what the
/// command said last; Cancelled: then the command and all that it started have been ended).
std::filesystem::path runCleaner(const std::string& command, const SentSound& sent, const std::filesystem::path& answer,
                                 const Progress& progress);

}  // namespace rivlen

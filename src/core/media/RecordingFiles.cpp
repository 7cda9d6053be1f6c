#include "core/media/RecordingFiles.h"

#include <algorithm>
#include <cctype>
#include <set>
#include <string>

#include "core/base/Error.h"

namespace rivlen {

namespace fs = std::filesystem;

bool mayBeRecording(const fs::path& file) {
    static const std::set<std::string> known{".wav",  ".wave", ".bwf",  ".rf64", ".w64", ".flac", ".aif", ".aiff",
                                             ".aifc", ".caf",  ".mp3",  ".m4a",  ".aac", ".ogg",  ".oga", ".opus",
                                             ".wma",  ".ac3",  ".eac3", ".dts",  ".mka", ".mp4",  ".mov", ".m4v",
                                             ".mkv",  ".webm", ".avi",  ".mxf",  ".mpg", ".mpeg", ".ts",  ".mts",
                                             ".m2ts", ".wmv",  ".flv",  ".3gp",  ".au",  ".snd"};
    std::string suffix = file.extension().string();
    std::transform(suffix.begin(), suffix.end(), suffix.begin(), [](unsigned char c) { return char(std::tolower(c)); });
    return known.count(suffix) && file.filename().string().front() != '.';
}

std::vector<fs::path> recordingsIn(const fs::path& folder) {
    std::error_code failed;
    fs::recursive_directory_iterator each(folder, fs::directory_options::skip_permission_denied, failed);
    if (failed)
        throw Error(Error::Kind::InputUnreadable,
                    "The folder \"" + folder.string() + "\" cannot be read: check the path and that you may read it.");
    std::vector<fs::path> all;
    for (; each != fs::recursive_directory_iterator(); each.increment(failed)) {
        if (failed) break;
        std::error_code unknown;
        if (each->is_regular_file(unknown) && mayBeRecording(each->path())) all.push_back(each->path());
    }
    std::sort(all.begin(), all.end());
    return all;
}

}  // namespace rivlen

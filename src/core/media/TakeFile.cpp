#include "core/media/TakeFile.h"

#include <fcntl.h>
#include <sndfile.h>
#include <sys/file.h>
#include <unistd.h>

#include <algorithm>
#include <cstring>
#include <utility>

#include "core/base/Error.h"
#include "core/media/FinalName.h"
#include "core/media/OutputPlace.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr const char* kUnfinished = ".recording.wav";

fs::path unfinished(const fs::path& file) { return file.parent_path() / (file.stem().string() + kUnfinished); }

bool isUnfinished(const fs::path& file) { return file.filename().string().ends_with(kUnfinished); }

fs::path finished(const fs::path& part) {
    const std::string name = part.filename().string();
    return part.parent_path() / (name.substr(0, name.size() - std::strlen(kUnfinished)) + ".wav");
}

}  // namespace

struct TakeFile::Handle {
    int lock = -1;
    SNDFILE* sound = nullptr;
    ~Handle() {
        if (sound) sf_close(sound);
        if (lock >= 0) ::close(lock);
    }
};

void TakeFile::fail() const {
    throw Error(Error::Kind::OutputUnwritable, "The take \"" + m_file.string() +
                                                   "\" cannot be written: the disk is full or refuses more; free some "
                                                   "space. What was recorded until then is kept.");
}

TakeFile::TakeFile(const fs::path& folder, const std::string& name, int sampleRate, int64_t first, int64_t clock)
    : m_handle(std::make_unique<Handle>()), m_first(first) {
    makeFolder(folder);
    for (int number = 1;; ++number) {
        m_file = folder / (name + " " + std::to_string(number) + ".wav");
        m_part = unfinished(m_file);
        if (fs::exists(m_file)) continue;
        m_handle->lock = ::open(m_part.c_str(), O_RDWR | O_CREAT | O_EXCL | O_CLOEXEC, 0644);
        if (m_handle->lock >= 0) break;
        if (errno != EEXIST)
            throw Error(Error::Kind::OutputUnwritable, "The take \"" + m_file.string() +
                                                           "\" cannot be written: check the folder's permissions and "
                                                           "the disk.");
    }
    ::flock(m_handle->lock, LOCK_EX | LOCK_NB);
    SF_INFO info{};
    info.samplerate = sampleRate;
    info.channels = 1;
    info.format = SF_FORMAT_WAV | SF_FORMAT_FLOAT;
    m_handle->sound = sf_open(m_part.c_str(), SFM_WRITE, &info);
    if (!m_handle->sound) fail();
    SF_BROADCAST_INFO notes{};  // EBU Tech 3285
    name.copy(notes.description, sizeof notes.description - 1);
    std::strncpy(notes.originator, "Rivlen " RIVLEN_VERSION, sizeof notes.originator - 1);
    const auto reference = uint64_t(std::max<int64_t>(0, clock + first));
    notes.time_reference_low = uint32_t(reference);
    notes.time_reference_high = uint32_t(reference >> 32);
    notes.version = 1;
    sf_command(m_handle->sound, SFC_SET_BROADCAST_INFO, &notes, sizeof notes);
}

TakeFile::~TakeFile() {
    if (!m_handle) return;
    try {
        write();
    } catch (const Error&) {
        // It was told when the disk refused the first time.
    }
}

void TakeFile::put(int64_t frame, float value) {
    const int64_t at = frame - m_first;
    if (at < m_frames) return;
    for (; m_frames < at; ++m_frames, ++m_missing) m_waiting.push_back(0);
    m_waiting.push_back(value);
    ++m_frames;
    if (m_waiting.size() >= 4096) write();
}

void TakeFile::write() {
    const auto count = sf_count_t(m_waiting.size());
    const bool done = sf_writef_float(m_handle->sound, m_waiting.data(), count) == count;
    m_waiting.clear();
    if (!done) fail();
}

void TakeFile::keep() {
    write();
    sf_command(m_handle->sound, SFC_UPDATE_HEADER_NOW, nullptr, 0);
}

fs::path TakeFile::finish() {
    keep();
    const bool closed = sf_close(std::exchange(m_handle->sound, nullptr)) == 0;
    if (!closed || giveFinalName(m_part, m_file, false)) fail();
    m_handle.reset();
    return m_file;
}

void TakeFile::discard() {
    m_handle.reset();
    std::error_code ignored;
    fs::remove(m_part, ignored);
}

std::vector<fs::path> TakeFile::recover(const fs::path& folder) {
    std::vector<fs::path> kept;
    std::error_code none;
    for (const auto& entry : fs::directory_iterator(folder, none)) {
        if (!isUnfinished(entry.path())) continue;
        const int lock = ::open(entry.path().c_str(), O_RDWR | O_CLOEXEC);
        if (lock < 0) continue;
        if (::flock(lock, LOCK_EX | LOCK_NB) == 0 && !giveFinalName(entry.path(), finished(entry.path()), false))
            kept.push_back(finished(entry.path()));
        ::close(lock);
    }
    std::ranges::sort(kept);
    return kept;
}

}  // namespace rivlen

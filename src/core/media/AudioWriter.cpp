#include "core/media/AudioWriter.h"

#include <sndfile.h>
#include <unistd.h>

#include <atomic>
#include <random>
#include <vector>

#include "core/audio/Error.h"

namespace rivlen {

namespace fs = std::filesystem;

AudioFormat AudioFormat::parse(const std::string& container, const std::string& bits) {
    AudioFormat f;
    if (container == "flac") f.container = Container::Flac;
    else if (container != "wav") throw Error(Error::Kind::Usage, "\"" + container + "\" is not a format: use wav or flac.");
    if (bits == "16") f.bits = Bits::Int16;
    else if (bits == "24") f.bits = Bits::Int24;
    else if (bits != "32f") throw Error(Error::Kind::Usage, "\"" + bits + "\" is not a bit depth: use 16, 24 or 32f.");
    if (f.container == Container::Flac && f.bits == Bits::Float32)
        throw Error(Error::Kind::Usage, "FLAC stores integers only: use --bits 24 or --bits 16 with --format flac.");
    return f;
}

struct AudioWriter::Impl {
    fs::path file, part;
    SNDFILE* handle = nullptr;
    int channels = 0;
    bool overwrite = false;
    bool dither = false;
    std::minstd_rand random{20240229};
    std::vector<float> interleaved;

    [[noreturn]] void fail(const std::string& why) const {
        throw Error(Error::Kind::OutputUnwritable, "\"" + file.string() + "\" cannot be written: " + why);
    }
};

AudioWriter::AudioWriter(fs::path file, int sampleRate, int channels, AudioFormat format, bool overwrite)
    : m(std::make_unique<Impl>()) {
    m->file = std::move(file);
    m->channels = channels;
    m->overwrite = overwrite;
    static std::atomic<int> number{0};  // two writers never share a partial file
    m->part = m->file.parent_path() / ("." + m->file.filename().string() + "." + std::to_string(getpid()) + "-" + std::to_string(++number) + ".part");
    if (!overwrite && fs::exists(m->file)) m->fail("it is already there; choose another folder, or allow overwriting.");
    std::error_code problem;
    if (!m->file.parent_path().empty()) fs::create_directories(m->file.parent_path(), problem);
    SF_INFO info{};
    info.samplerate = sampleRate;
    info.channels = channels;
    const int type = format.container == AudioFormat::Container::Flac ? SF_FORMAT_FLAC : SF_FORMAT_RF64;
    const int bits = format.bits == AudioFormat::Bits::Int16   ? SF_FORMAT_PCM_16
                     : format.bits == AudioFormat::Bits::Int24 ? SF_FORMAT_PCM_24
                                                               : SF_FORMAT_FLOAT;
    info.format = type | bits;
    m->dither = format.bits == AudioFormat::Bits::Int16;
    m->handle = sf_open(m->part.c_str(), SFM_WRITE, &info);
    if (!m->handle) m->fail(std::string(sf_strerror(nullptr)) + " Check that the folder exists and may be written to.");
    sf_command(m->handle, SFC_RF64_AUTO_DOWNGRADE, nullptr, SF_TRUE);  // plain WAV unless it grows beyond 4 GB
    sf_command(m->handle, SFC_SET_CLIPPING, nullptr, SF_TRUE);
    if (channels == 6) {
        int map[] = {SF_CHANNEL_MAP_LEFT, SF_CHANNEL_MAP_RIGHT, SF_CHANNEL_MAP_CENTER,
                     SF_CHANNEL_MAP_LFE, SF_CHANNEL_MAP_REAR_LEFT, SF_CHANNEL_MAP_REAR_RIGHT};
        sf_command(m->handle, SFC_SET_CHANNEL_MAP_INFO, map, sizeof map);
    }
}

AudioWriter::~AudioWriter() {
    if (!m->handle) return;
    sf_close(m->handle);
    std::error_code ignored;
    fs::remove(m->part, ignored);
}

const fs::path& AudioWriter::file() const { return m->file; }

void AudioWriter::write(const AudioBuffer& audio) {
    m->interleaved.resize(size_t(audio.frames()) * size_t(m->channels));
    std::uniform_real_distribution<float> half(-0.5f / 32768, 0.5f / 32768);
    for (int c = 0; c < m->channels; ++c) {
        const auto row = audio.channel(c);
        for (int64_t i = 0; i < audio.frames(); ++i) {
            float v = row[size_t(i)];
            if (m->dither && v != 0.0f) v += half(m->random) + half(m->random);  // silence stays silence
            m->interleaved[size_t(i * m->channels + c)] = v;
        }
    }
    if (sf_writef_float(m->handle, m->interleaved.data(), audio.frames()) != audio.frames())
        m->fail(std::string(sf_strerror(m->handle)) + " Free some space on the disk and start again.");
}

void AudioWriter::commit() {
    const int problem = sf_close(m->handle);
    m->handle = nullptr;
    std::error_code code;
    if (problem != 0) {
        fs::remove(m->part, code);
        m->fail(std::string(sf_error_number(problem)) + " Free some space on the disk and start again.");
    }
    if (m->overwrite) {
        fs::rename(m->part, m->file, code);
    } else {
        // A hard link fails when the name has been taken meanwhile; renaming would replace it.
        fs::create_hard_link(m->part, m->file, code);
        if (code == std::errc::operation_not_permitted || code == std::errc::function_not_supported) {
            code.clear();
            if (fs::exists(m->file)) code = std::make_error_code(std::errc::file_exists);
            else fs::rename(m->part, m->file, code);
        }
        std::error_code ignored;
        fs::remove(m->part, ignored);
    }
    if (code) m->fail(code.message() + ".");
}

}  // namespace rivlen

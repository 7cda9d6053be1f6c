#include "core/media/AudioWriter.h"

#include <sndfile.h>
#include <unistd.h>

#include <algorithm>
#include <atomic>
#include <cmath>
#include <ctime>
#include <random>
#include <vector>

#include "core/audio/Error.h"
#include "core/media/FinalName.h"

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

namespace {

int typeOf(const AudioFormat& f) {
    const int bits = f.bits == AudioFormat::Bits::Int16 ? SF_FORMAT_PCM_16 : f.bits == AudioFormat::Bits::Int24 ? SF_FORMAT_PCM_24 : SF_FORMAT_FLOAT;
    switch (f.container) {
        case AudioFormat::Container::Flac: return SF_FORMAT_FLAC | bits;
        case AudioFormat::Container::Aiff: return SF_FORMAT_AIFF | bits;
        case AudioFormat::Container::Vorbis: return SF_FORMAT_OGG | SF_FORMAT_VORBIS;
        case AudioFormat::Container::Opus: return SF_FORMAT_OGG | SF_FORMAT_OPUS;
        case AudioFormat::Container::Mp3: return SF_FORMAT_MPEG | SF_FORMAT_MPEG_LAYER_III;
        default: return SF_FORMAT_RF64 | bits;
    }
}

void fill(char* field, size_t size, const std::string& text) { std::copy_n(text.begin(), std::min(size, text.size()), field); }

/// Loudness fields are hundredths; what is not known is 0x7fff (EBU Tech 3285, 2.4).
int16_t hundredths(const std::optional<double>& v) { return v ? int16_t(std::lround(std::clamp(*v, -99.99, 99.99) * 100)) : int16_t(0x7fff); }

void describe(SNDFILE* handle, const AudioFormat& format, const AudioNotes& notes) {
    if (format.container != AudioFormat::Container::Wav) {
        sf_set_string(handle, SF_STR_TITLE, notes.description.c_str());
        sf_set_string(handle, SF_STR_SOFTWARE, "Rivlen " RIVLEN_VERSION);
        return;
    }
    SF_BROADCAST_INFO info{};
    fill(info.description, sizeof info.description, notes.description);
    fill(info.originator, sizeof info.originator, "Rivlen " RIVLEN_VERSION);
    const std::time_t now = std::time(nullptr);
    char text[16];
    std::strftime(text, sizeof text, "%Y-%m-%d", std::localtime(&now));
    fill(info.origination_date, sizeof info.origination_date, text);
    std::strftime(text, sizeof text, "%H:%M:%S", std::localtime(&now));
    fill(info.origination_time, sizeof info.origination_time, text);
    info.time_reference_low = uint32_t(uint64_t(notes.timeReference) & 0xffffffffu);
    info.time_reference_high = uint32_t(uint64_t(notes.timeReference) >> 32);
    info.version = 2;
    info.loudness_value = hundredths(notes.integrated);
    info.loudness_range = hundredths(notes.range);
    info.max_true_peak_level = hundredths(notes.truePeak);
    info.max_momentary_loudness = info.max_shortterm_loudness = 0x7fff;
    sf_command(handle, SFC_SET_BROADCAST_INFO, &info, sizeof info);
}

}  // namespace

std::string AudioFormat::extension() const {
    switch (container) {
        case Container::Flac: return "flac";
        case Container::Aiff: return "aiff";
        case Container::Vorbis: return "ogg";
        case Container::Opus: return "opus";
        case Container::Mp3: return "mp3";
        default: return "wav";
    }
}

AudioWriter::AudioWriter(fs::path file, int sampleRate, int channels, AudioFormat format, bool overwrite, const AudioNotes* notes)
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
    info.format = typeOf(format);
    m->dither = format.bits == AudioFormat::Bits::Int16 && (format.container == AudioFormat::Container::Wav || format.container == AudioFormat::Container::Flac || format.container == AudioFormat::Container::Aiff);
    m->handle = sf_open(m->part.c_str(), SFM_WRITE, &info);
    if (!m->handle) m->fail(std::string(sf_strerror(nullptr)) + " Check that the folder exists and may be written to.");
    sf_command(m->handle, SFC_RF64_AUTO_DOWNGRADE, nullptr, SF_TRUE);  // plain WAV unless it grows beyond 4 GB
    sf_command(m->handle, SFC_SET_CLIPPING, nullptr, SF_TRUE);
    if (notes) describe(m->handle, format, *notes);
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
    code = giveFinalName(m->part, m->file, m->overwrite);
    std::error_code ignored;
    if (code) fs::remove(m->part, ignored);
    if (code) m->fail(code.message() + ".");
}

}  // namespace rivlen

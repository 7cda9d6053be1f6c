#include "core/media/AudioWriter.h"

#include <sndfile.h>

#include <algorithm>
#include <cmath>
#include <cstring>
#include <ctime>
#include <fstream>
#include <vector>

#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/media/FinalName.h"
#include "core/media/OutputPlace.h"
#include "core/media/WavePromise.h"

namespace rivlen {

namespace fs = std::filesystem;

AudioFormat AudioFormat::parse(const std::string& container, const std::string& bits) {
    AudioFormat f;
    if (container == "flac") f.container = Container::Flac;
    else if (container != "wav")
        throw Error(Error::Kind::Usage, "\"" + container + "\" is not a format: use wav or flac.");
    if (bits == "16") f.bits = Bits::Int16;
    else if (bits == "24") f.bits = Bits::Int24;
    else if (bits != "32f") throw Error(Error::Kind::Usage, "\"" + bits + "\" is not a bit depth: use 16, 24 or 32f.");
    if (f.container == Container::Flac && f.bits == Bits::Float32)
        throw Error(Error::Kind::Usage, "FLAC stores integers only: use --bits 24 or --bits 16 with --format flac.");
    return f;
}

struct AudioWriter::Impl {
    fs::path file;
    std::unique_ptr<PartFile> part;
    SNDFILE* handle = nullptr;
    int channels = 0;
    bool overwrite = false;
    std::unique_ptr<Quantiser> quantiser;  ///< null: stored as floats, or lossy
    bool lossless = true;
    int64_t frames = 0;  ///< written so far
    uint64_t sum = kNoFingerprint;
    std::string behind;  ///< axml, which comes behind the sound
    std::vector<float> interleaved;
    std::vector<int32_t> stored;

    /// libsndfile writes the lengths into the header last, and does not say when the disk refuses that. Of a wave that
    /// says 0 it would take what there is.
    bool isWhole() const {
        SF_INFO info{};
        errno = 0;
        SNDFILE* written = sf_open(part->path().c_str(), SFM_READ, &info);
        if (!written && errno == ENOMEM) throw std::bad_alloc();  // which is not the disk's fault
        if (!written) return false;
        sf_close(written);
        const int kind = info.format & SF_FORMAT_TYPEMASK;
        const bool wave = kind == SF_FORMAT_WAV || kind == SF_FORMAT_WAVEX || kind == SF_FORMAT_RF64;
        if (wave && frames > 0 && waveFramesPromised(part->path()) != frames) return false;
        return !lossless || info.frames == frames;
    }

    [[noreturn]] void fail(const std::string& why) const {
        throw Error(Error::Kind::OutputUnwritable, "\"" + file.string() + "\" cannot be written: " + why);
    }
};

namespace {

constexpr const char* kDiskRefuses = "the disk is full or refuses more; free some space and start again.";
constexpr const char* kNoName = "its folder does not take the name; check its permissions and the disk.";

int typeOf(const AudioFormat& f, int channels, const AudioNotes* notes) {
    const int bits = f.bits == AudioFormat::Bits::Int16   ? SF_FORMAT_PCM_16
                     : f.bits == AudioFormat::Bits::Int24 ? SF_FORMAT_PCM_24
                                                          : SF_FORMAT_FLOAT;
    switch (f.container) {
        case AudioFormat::Container::Flac: return SF_FORMAT_FLAC | bits;
        case AudioFormat::Container::Aiff: return SF_FORMAT_AIFF | bits;
        case AudioFormat::Container::Vorbis: return SF_FORMAT_OGG | SF_FORMAT_VORBIS;
        case AudioFormat::Container::Opus: return SF_FORMAT_OGG | SF_FORMAT_OPUS;
        case AudioFormat::Container::Mp3: return SF_FORMAT_MPEG | SF_FORMAT_MPEG_LAYER_III;
        default: {
            const bool small = notes && notes->frames > 0 && double(notes->frames) * channels * 4 < 4.0e9;
            // libsndfile guesses loudspeakers for WAVEX; AmbiX has none.
            return (!small                                             ? SF_FORMAT_RF64
                    : channels > 2 && f.layout != ChannelLayout::AmbiX ? SF_FORMAT_WAVEX
                                                                       : SF_FORMAT_WAV) |
                   bits;
        }
    }
}

void fill(char* field, size_t size, const std::string& text) {
    std::copy_n(text.begin(), std::min(size, text.size()), field);
}

/// Loudness fields are hundredths; what is not known is 0x7fff (EBU Tech 3285, 2.4).
int16_t hundredths(const std::optional<double>& v) {
    return v ? int16_t(std::lround(std::clamp(*v, -99.99, 99.99) * 100)) : int16_t(0x7fff);
}

/// iXML 1.5 (open specification): project, scene, note, and a name for each track.
std::string ixml(const AudioNotes& notes) {
    std::string x = "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<BWFXML>\n<IXML_VERSION>1.5</IXML_VERSION>\n";
    x += "<PROJECT>" + escapedForXml(notes.project) + "</PROJECT>\n<SCENE>" + escapedForXml(notes.scene) +
         "</SCENE>\n<NOTE>" + escapedForXml(notes.description) + "</NOTE>\n";
    x += "<TRACK_LIST>\n<TRACK_COUNT>" + std::to_string(notes.tracks.size()) + "</TRACK_COUNT>\n";
    for (size_t i = 0; i < notes.tracks.size(); ++i) {
        const std::string number = std::to_string(i + 1);
        x += "<TRACK><CHANNEL_INDEX>" + number + "</CHANNEL_INDEX><INTERLEAVE_INDEX>" + number +
             "</INTERLEAVE_INDEX><NAME>" + escapedForXml(notes.tracks[i]) + "</NAME></TRACK>\n";
    }
    x += "</TRACK_LIST>\n</BWFXML>\n";
    x.resize((x.size() + 3) / 4 * 4, '\n');
    return x;
}

/// The bytes must be a multiple of four: libsndfile fills up with zeros that it counts as content, which nobody can
/// read in a list.
void addChunk(SNDFILE* handle, const char* id, std::string& bytes) {
    SF_CHUNK_INFO chunk{};
    std::strncpy(chunk.id, id, sizeof chunk.id - 1);
    chunk.id_size = 4;
    chunk.datalen = unsigned(bytes.size());
    chunk.data = bytes.data();
    sf_set_chunk(handle, &chunk);
}

void putNumber(std::string& bytes, uint32_t v) {
    for (int i = 0; i < 4; ++i) bytes += char(v >> (8 * i) & 0xff);
}

/// Cue points, and their names as an associated data list (RIFF: "adtl" with a "labl" each). Written as chunks of our
/// own: libsndfile's cues end at 100, and are not written into RF64.
void describeCues(SNDFILE* handle, const std::vector<std::pair<int64_t, std::string>>& cues) {
    std::string points, names = "adtl";
    putNumber(points, uint32_t(cues.size()));
    for (uint32_t i = 0; i < cues.size(); ++i) {
        const auto frame = uint32_t(cues[i].first);
        putNumber(points, i + 1);
        putNumber(points, frame);  // its place in the order of playing
        points += "data";
        putNumber(points, 0);
        putNumber(points, 0);
        putNumber(points, frame);
        std::string name = cues[i].second;
        name.resize((name.size() / 4 + 1) * 4);  // at least one zero at its end
        names += "labl";
        putNumber(names, uint32_t(4 + name.size()));
        putNumber(names, i + 1);
        names += name;
    }
    addChunk(handle, "cue ", points);
    addChunk(handle, "LIST", names);
}

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
    info.max_momentary_loudness = hundredths(notes.maxMomentary);
    info.max_shortterm_loudness = hundredths(notes.maxShortTerm);
    sf_command(handle, SFC_SET_BROADCAST_INFO, &info, sizeof info);
    if (!notes.tracks.empty()) {
        std::string xml = ixml(notes);
        addChunk(handle, "iXML", xml);
    }
    if (!notes.axml.empty()) {
        std::string table = notes.chna;
        table.resize((table.size() + 3) / 4 * 4, '\0');
        addChunk(handle, "chna", table);
    }
    if (!notes.cues.empty()) describeCues(handle, notes.cues);
}

/// A chunk behind the sound of a wave file that is whole: libsndfile's own chunks stand before it and end at 100 kB
/// together. False: the disk does not take it.
bool appendChunk(const fs::path& wave, const char* id, std::string bytes) {
    if (bytes.size() % 2) bytes += '\n';
    std::fstream file(wave, std::ios::in | std::ios::out | std::ios::binary);
    std::string form(4, ' ');
    file.read(form.data(), 4);
    file.seekp(0, std::ios::end);
    if (file.tellp() % 2) file.put('\0');
    std::string head = id;
    putNumber(head, uint32_t(bytes.size()));
    file << head << bytes;
    const auto size = uint64_t(file.tellp()) - 8;
    std::string length;
    const bool large = form == "RF64";
    putNumber(length, uint32_t(size));
    if (large) putNumber(length, uint32_t(size >> 32));
    file.seekp(large ? 20 : 4);  // of the ds64 chunk, or of the form itself
    file << length;
    file.close();
    return bool(file);
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

AudioWriter::AudioWriter(fs::path file, int sampleRate, int channels, AudioFormat format, bool overwrite,
                         const AudioNotes* notes)
    : m(std::make_unique<Impl>()) {
    m->file = std::move(file);
    m->channels = channels;
    m->overwrite = overwrite;
    checkOutputPlace(m->file, overwrite);
    m->part = std::make_unique<PartFile>(m->file);
    SF_INFO info{};
    info.samplerate = sampleRate;
    info.channels = channels;
    info.format = typeOf(format, channels, notes);
    using Container = AudioFormat::Container;
    m->lossless = format.container == Container::Wav || format.container == Container::Flac ||
                  format.container == Container::Aiff;
    if (m->lossless && format.bits != AudioFormat::Bits::Float32)
        m->quantiser =
            std::make_unique<Quantiser>(format.bits == AudioFormat::Bits::Int16 ? 16 : 24, channels, format.dither);
    m->handle = sf_open(m->part->path().c_str(), SFM_WRITE, &info);
    if (!m->handle)
        m->fail(sf_format_check(&info) ? std::string(kDiskRefuses)
                                       : "its format does not take " + std::to_string(channels) + " channels at " +
                                             std::to_string(sampleRate) + " Hz; choose another format.");
    sf_command(m->handle, SFC_RF64_AUTO_DOWNGRADE, nullptr, SF_TRUE);  // plain WAV unless it grows beyond 4 GB
    sf_command(m->handle, SFC_SET_CLIPPING, nullptr, SF_TRUE);
    if (notes) describe(m->handle, format, *notes);
    if (notes && format.container == AudioFormat::Container::Wav) m->behind = notes->axml;
    if (format.layout == ChannelLayout::AmbiX) return;  // its channels are no loudspeakers: the mask stays empty
    // In the order of the mask's bits (WAVE_FORMAT_EXTENSIBLE).
    int surround[] = {SF_CHANNEL_MAP_LEFT,      SF_CHANNEL_MAP_RIGHT,     SF_CHANNEL_MAP_CENTER,
                      SF_CHANNEL_MAP_LFE,       SF_CHANNEL_MAP_REAR_LEFT, SF_CHANNEL_MAP_REAR_RIGHT,
                      SF_CHANNEL_MAP_SIDE_LEFT, SF_CHANNEL_MAP_SIDE_RIGHT};
    if (channels == 3 || channels == 6 || channels == 8)
        sf_command(m->handle, SFC_SET_CHANNEL_MAP_INFO, surround, channels * int(sizeof(int)));
    if (channels != 10 && channels != 12) return;
    std::vector<int> sphere(surround, surround + (channels - 4));
    for (int above : {SF_CHANNEL_MAP_TOP_FRONT_LEFT, SF_CHANNEL_MAP_TOP_FRONT_RIGHT, SF_CHANNEL_MAP_TOP_REAR_LEFT,
                      SF_CHANNEL_MAP_TOP_REAR_RIGHT})
        sphere.push_back(above);
    sf_command(m->handle, SFC_SET_CHANNEL_MAP_INFO, sphere.data(), channels * int(sizeof(int)));
}

AudioWriter::~AudioWriter() {
    if (m->handle) sf_close(m->handle);
}

const fs::path& AudioWriter::file() const { return m->file; }

void AudioWriter::write(const AudioBuffer& audio, int64_t first, int64_t count) {
    sf_count_t written = 0;
    if (m->quantiser) {
        m->stored.clear();
        m->quantiser->add(count == audio.frames() ? audio : audio.slice(first, count), m->stored);
        written = sf_writef_int(m->handle, m->stored.data(), count);
    } else {
        const size_t channels = size_t(m->channels);
        m->interleaved.resize(size_t(count) * channels);
        for (size_t c = 0; c < channels; ++c) {
            const float* row = audio.channel(int(c)).data() + first;
            for (size_t i = 0; i < size_t(count); ++i) m->interleaved[i * channels + c] = row[i];
        }
        written = sf_writef_float(m->handle, m->interleaved.data(), count);
        if (m->lossless) {
            m->stored.resize(m->interleaved.size());
            std::memcpy(m->stored.data(), m->interleaved.data(), m->stored.size() * sizeof(float));
        }
    }
    if (written != count) m->fail(kDiskRefuses);
    m->frames += count;
    if (m->lossless) m->sum = rivlen::fingerprint(m->sum, m->stored);
}

uint64_t AudioWriter::fingerprint() const { return m->lossless ? m->sum : 0; }

uint64_t fingerprint(uint64_t sum, const std::vector<int32_t>& samples) {
    for (const int32_t v : samples) sum = (sum ^ uint32_t(v)) * 1099511628211ull;
    return sum;
}

void AudioWriter::close() {
    const int problem = sf_close(m->handle);
    m->handle = nullptr;
    if (problem == 0 && !m->behind.empty() && !appendChunk(m->part->path(), "axml", m->behind)) m->fail(kDiskRefuses);
    if (problem != 0 || !m->isWhole()) m->fail(kDiskRefuses);
}

void AudioWriter::commitForNow() {
    close();
    std::error_code code;
    fs::rename(m->part->path(), m->file, code);
    if (code) m->fail(kNoName);
}

void AudioWriter::commit() {
    close();
    const std::error_code code = giveFinalName(m->part->path(), m->file, m->overwrite);
    if (code == std::errc::file_exists)
        m->fail("a file of that name has come there meanwhile; choose another folder or name.");
    if (code) m->fail(kNoName);
}

}  // namespace rivlen

#include "core/media/PictureMux.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include <libavutil/md5.h>
}

#include <algorithm>
#include <cmath>
#include <memory>
#include <optional>

#include "core/media/FileSum.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

struct Packet {
    AVPacket* p = av_packet_alloc();
    ~Packet() { av_packet_free(&p); }
};

/// A video file, its picture's stream and that of its sound.
struct PictureInput {
    fs::path file;
    AVFormatContext* format = nullptr;
    AVStream *picture = nullptr, *sound = nullptr;

    explicit PictureInput(fs::path path) : file(std::move(path)) {
        av_log_set_level(AV_LOG_FATAL);
        if (avformat_open_input(&format, ("file:" + file.string()).c_str(), nullptr, nullptr) < 0 || avformat_find_stream_info(format, nullptr) < 0)
            unreadable("cannot be read: check that the file is there and whole.");
        const int v = av_find_best_stream(format, AVMEDIA_TYPE_VIDEO, -1, -1, nullptr, 0), a = av_find_best_stream(format, AVMEDIA_TYPE_AUDIO, -1, -1, nullptr, 0);
        if (v < 0 || (format->streams[v]->disposition & AV_DISPOSITION_ATTACHED_PIC)) unreadable("is missing: only a video file's reel can be delivered with its picture; choose a sound format.");
        picture = format->streams[v];
        if (a >= 0) sound = format->streams[a];
    }
    ~PictureInput() { avformat_close_input(&format); }
    [[noreturn]] void unreadable(const std::string& why) const { throw Error(Error::Kind::InputUnreadable, "The picture of \"" + file.string() + "\" " + why); }

    static double start(const AVStream* s) { return s && s->start_time != AV_NOPTS_VALUE ? double(s->start_time) * av_q2d(s->time_base) : 0.0; }
    double pictureStart() const { return start(picture); }
    double soundStart() const { return sound ? start(sound) : pictureStart(); }
    double length() const { return format->duration > 0 ? double(format->duration) / AV_TIME_BASE : 0; }
};

class Muxer {
public:
    Muxer(const NewSound& sound, fs::path out) : m_sound(sound), m_reader(sound.file), m_out(std::move(out)) {
        if (avformat_alloc_output_context2(&m_format, nullptr, m_out.extension() == ".m4a" ? "ipod" : nullptr, m_out.c_str()) < 0) fail("its ending stands for no container that is known here.");
    }
    ~Muxer() {
        av_frame_free(&m_frame);
        avcodec_free_context(&m_codec);
        if (m_format && m_format->pb) avio_closep(&m_format->pb);
        avformat_free_context(m_format);
    }

    void write(PictureInput* in, bool keepOriginal, const Progress& progress) {
        if (in) m_picture = copied(in->picture, AV_DISPOSITION_DEFAULT);
        openSound();
        if (in && keepOriginal && in->sound) {
            m_original = copied(in->sound, 0);
            av_dict_set(&m_original->metadata, "title", "original", 0);
        }
        if (in) describe(*in);
        if (avio_open(&m_format->pb, m_out.c_str(), AVIO_FLAG_WRITE) < 0) fail("check that the folder may be written to and has space.");
        AVDictionary* options = nullptr;
        if (std::string(m_format->oformat->name) == "mp4") av_dict_set(&options, "movflags", "+faststart", 0);  // plays while it is still being fetched
        const int begun = avformat_write_header(m_format, &options);
        av_dict_free(&options);
        if (begun < 0) throw Error(Error::Kind::Usage, "\"" + m_out.filename().string() + "\" cannot hold the picture's codec (" + (in ? avcodec_get_name(in->picture->codecpar->codec_id) : "none") + "): choose another container, MKV takes nearly all.");
        if (in) copyAll(*in, progress);
        encodeUntil(INFINITY, progress, in ? 0.95 : 0.0);
        finishSound();
        if (av_write_trailer(m_format) < 0) fail("free some space on the disk and start again.");
        if (avio_closep(&m_format->pb) < 0) fail("free some space on the disk and start again.");
    }

private:
    [[noreturn]] void fail(const std::string& why) const { throw Error(Error::Kind::OutputUnwritable, "\"" + m_out.string() + "\" cannot be written: " + why); }

    AVStream* copied(const AVStream* from, int disposition) {
        AVStream* to = avformat_new_stream(m_format, nullptr);
        if (!to || avcodec_parameters_copy(to->codecpar, from->codecpar) < 0) fail("there is not enough memory.");
        to->codecpar->codec_tag = 0;  // each container has tags of its own
        to->time_base = from->time_base;
        to->avg_frame_rate = from->avg_frame_rate;
        to->r_frame_rate = from->r_frame_rate;
        to->sample_aspect_ratio = from->sample_aspect_ratio;
        to->disposition = disposition;
        av_dict_copy(&to->metadata, from->metadata, 0);
        for (int i = 0; i < from->nb_side_data; ++i)  // as the way that a telephone was held
            if (uint8_t* data = av_stream_new_side_data(to, from->side_data[i].type, from->side_data[i].size)) std::copy_n(from->side_data[i].data, from->side_data[i].size, data);
        return to;
    }

    void openSound() {
        const AVCodecID id = m_sound.codec == NewSound::Codec::Aac ? AV_CODEC_ID_AAC : m_sound.codec == NewSound::Codec::Pcm16 ? AV_CODEC_ID_PCM_S16LE : AV_CODEC_ID_PCM_S24LE;
        const AVCodec* encoder = avcodec_find_encoder(id);
        if (!encoder) throw Error(Error::Kind::Usage, "This build of FFmpeg cannot write AAC: choose MOV or MKV with PCM, or another format.");
        m_codec = avcodec_alloc_context3(encoder);
        m_codec->sample_rate = m_reader.sampleRate();
        av_channel_layout_default(&m_codec->ch_layout, m_reader.channels());
        m_codec->sample_fmt = encoder->sample_fmts[0];
        m_codec->time_base = {1, m_reader.sampleRate()};
        if (id == AV_CODEC_ID_AAC) m_codec->bit_rate = 128000 * m_reader.channels();
        if (m_format->oformat->flags & AVFMT_GLOBALHEADER) m_codec->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
        if (avcodec_open2(m_codec, encoder, nullptr) < 0)
            throw Error(Error::Kind::Usage, "\"" + m_out.filename().string() + "\" cannot hold " + std::to_string(m_reader.channels()) + " channels at " + std::to_string(m_reader.sampleRate()) + " Hz: choose PCM, another layout or rate.");
        m_stream = avformat_new_stream(m_format, nullptr);
        avcodec_parameters_from_context(m_stream->codecpar, m_codec);
        m_stream->time_base = m_codec->time_base;
        m_stream->disposition = AV_DISPOSITION_DEFAULT;
        if (!m_sound.language.empty()) av_dict_set(&m_stream->metadata, "language", m_sound.language.c_str(), 0);
        if (!m_sound.title.empty()) av_dict_set(m_picture ? &m_stream->metadata : &m_format->metadata, "title", m_sound.title.c_str(), 0);
        m_frame = av_frame_alloc();
    }

    void describe(const PictureInput& in) {
        av_dict_copy(&m_format->metadata, in.format->metadata, 0);
        for (const char* own : {"major_brand", "minor_version", "compatible_brands", "encoder"}) av_dict_set(&m_format->metadata, own, nullptr, 0);
        for (unsigned i = 0; i < in.format->nb_streams; ++i)  // containers keep the timecode in a track of its own, which is made anew
            if (const AVDictionaryEntry* tag = av_dict_get(in.format->streams[i]->metadata, "timecode", nullptr, 0)) av_dict_set(&m_picture->metadata, "timecode", tag->value, 0);
        m_zero = std::min(in.pictureStart(), in.soundStart());
        m_lead = std::max<int64_t>(0, std::llround((in.soundStart() - in.pictureStart()) * m_reader.sampleRate()));
    }

    void put(AVPacket* packet, AVStream* stream, AVRational base) {
        av_packet_rescale_ts(packet, base, stream->time_base);
        packet->stream_index = stream->index;
        packet->pos = -1;
        if (av_interleaved_write_frame(m_format, packet) < 0) fail("free some space on the disk and start again; or the container cannot hold its streams: choose another one.");
    }

    void copyAll(PictureInput& in, const Progress& progress) {
        Packet packet;
        while (av_read_frame(in.format, packet.p) >= 0) {
            progress.throwIfCancelled();
            AVStream* from = in.format->streams[packet.p->stream_index];
            AVStream* to = from == in.picture ? m_picture : from == in.sound ? m_original : nullptr;
            if (!to) {
                av_packet_unref(packet.p);
                continue;
            }
            const auto shift = int64_t(std::llround(m_zero / av_q2d(from->time_base)));
            if (packet.p->pts != AV_NOPTS_VALUE) packet.p->pts -= shift;
            if (packet.p->dts != AV_NOPTS_VALUE) packet.p->dts -= shift;
            const int64_t when = packet.p->dts != AV_NOPTS_VALUE ? packet.p->dts : packet.p->pts;
            if (when != AV_NOPTS_VALUE) {
                const double second = double(when) * av_q2d(from->time_base);
                encodeUntil(second, progress, 0);
                if (in.length() > 0) progress.report(std::clamp(0.95 * second / in.length(), 0.0, 0.95));
            }
            put(packet.p, to, from->time_base);
        }
    }

    int64_t frames() const { return m_lead + m_reader.frames(); }

    /// Encodes the sound up to a second of the file.
    void encodeUntil(double second, const Progress& progress, double from) {
        const int64_t step = m_codec->frame_size > 0 ? m_codec->frame_size : 2048;
        while (m_at < frames() && double(m_at) < second * m_codec->sample_rate) {
            progress.throwIfCancelled();
            const int64_t count = std::min(step, frames() - m_at);
            fill(m_reader.read(m_at - m_lead, count));
            m_frame->pts = m_at;
            m_at += count;
            if (avcodec_send_frame(m_codec, m_frame) < 0) fail("its sound cannot be encoded.");
            av_frame_unref(m_frame);
            receive();
            if (second == INFINITY && m_at % (100 * step) == 0) progress.report(from + (1 - from) * double(m_at) / double(frames()));
        }
    }

    void fill(const AudioBuffer& block) {
        m_frame->nb_samples = int(block.frames());
        m_frame->format = m_codec->sample_fmt;
        m_frame->sample_rate = m_codec->sample_rate;
        av_channel_layout_copy(&m_frame->ch_layout, &m_codec->ch_layout);
        if (av_frame_get_buffer(m_frame, 0) < 0) fail("there is not enough memory.");
        for (int c = 0; c < block.channels(); ++c) {
            const auto row = block.channel(c);
            for (size_t i = 0; i < row.size(); ++i) {
                const size_t place = i * size_t(block.channels()) + size_t(c);
                if (m_codec->sample_fmt == AV_SAMPLE_FMT_FLTP) reinterpret_cast<float*>(m_frame->extended_data[c])[i] = row[i];
                else if (m_codec->sample_fmt == AV_SAMPLE_FMT_S16) reinterpret_cast<int16_t*>(m_frame->data[0])[place] = int16_t(std::lround(double(row[i]) * 32768));
                else reinterpret_cast<int32_t*>(m_frame->data[0])[place] = int32_t(std::clamp(std::llround(double(row[i]) * 2147483648.0), -2147483648LL, 2147483647LL));
            }
        }
    }

    void receive() {
        Packet packet;
        while (avcodec_receive_packet(m_codec, packet.p) == 0) put(packet.p, m_stream, m_codec->time_base);
    }

    void finishSound() {
        avcodec_send_frame(m_codec, nullptr);
        receive();
    }

    NewSound m_sound;
    MediaReader m_reader;
    fs::path m_out;
    AVFormatContext* m_format = nullptr;
    AVCodecContext* m_codec = nullptr;
    AVStream *m_picture = nullptr, *m_stream = nullptr, *m_original = nullptr;
    AVFrame* m_frame = nullptr;
    double m_zero = 0;    ///< seconds on the input's clock that are 0 in the output
    int64_t m_lead = 0;   ///< frames of silence before the sound
    int64_t m_at = 0;
};

}  // namespace

void muxSound(const fs::path& picture, const NewSound& sound, bool keepOriginal, const fs::path& out, const Progress& progress) {
    std::optional<PictureInput> in;
    if (!picture.empty()) in.emplace(picture);
    Muxer(sound, out).write(in ? &*in : nullptr, keepOriginal, progress);
    progress.report(1);
}

int64_t soundLead(const fs::path& picture, int rate) {
    const PictureInput in(picture);
    return std::max<int64_t>(0, std::llround((in.soundStart() - in.pictureStart()) * rate));
}

PictureSum pictureSum(const fs::path& file, const Progress& progress) {
    PictureInput in(file);
    const std::unique_ptr<AVMD5, void (*)(void*)> sum(av_md5_alloc(), av_free);
    av_md5_init(sum.get());
    PictureSum found;
    Packet packet;
    while (av_read_frame(in.format, packet.p) >= 0) {
        progress.throwIfCancelled();
        if (packet.p->stream_index == in.picture->index) {
            av_md5_update(sum.get(), packet.p->data, size_t(packet.p->size));
            ++found.packets;
            if (in.length() > 0 && packet.p->dts != AV_NOPTS_VALUE) progress.report(std::clamp(double(packet.p->dts) * av_q2d(in.picture->time_base) / in.length(), 0.0, 1.0));
        }
        av_packet_unref(packet.p);
    }
    uint8_t bytes[16];
    av_md5_final(sum.get(), bytes);
    found.md5 = hexadecimal(bytes, sizeof bytes);
    return found;
}

}  // namespace rivlen

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
#include <vector>

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
        if (avformat_open_input(&format, ("file:" + file.string()).c_str(), nullptr, nullptr) < 0 ||
            avformat_find_stream_info(format, nullptr) < 0)
            unreadable("cannot be read: check that the file is there and whole.");
        const int v = av_find_best_stream(format, AVMEDIA_TYPE_VIDEO, -1, -1, nullptr, 0),
                  a = av_find_best_stream(format, AVMEDIA_TYPE_AUDIO, -1, -1, nullptr, 0);
        if (v < 0 || (format->streams[v]->disposition & AV_DISPOSITION_ATTACHED_PIC))
            unreadable(
                "is missing: only a video file's reel can be delivered with its picture; choose a sound format.");
        picture = format->streams[v];
        if (a >= 0) sound = format->streams[a];
    }
    ~PictureInput() { avformat_close_input(&format); }
    [[noreturn]] void unreadable(const std::string& why) const {
        throw Error(Error::Kind::InputUnreadable, "The picture of \"" + file.string() + "\" " + why);
    }

    static double start(const AVStream* s) {
        return s && s->start_time != AV_NOPTS_VALUE ? double(s->start_time) * av_q2d(s->time_base) : 0.0;
    }
    double pictureStart() const { return start(picture); }
    double soundStart() const { return sound ? start(sound) : pictureStart(); }
    double length() const { return format->duration > 0 ? double(format->duration) / AV_TIME_BASE : 0; }
};

/// A sound on its way into a stream of its own.
struct Track {
    explicit Track(const fs::path& file) : reader(file) {}
    ~Track() {
        av_frame_free(&frame);
        avcodec_free_context(&codec);
    }
    int64_t frames() const { return lead + reader.frames(); }

    MediaReader reader;
    AVCodecContext* codec = nullptr;
    AVStream* stream = nullptr;
    AVFrame* frame = av_frame_alloc();
    int64_t lead = 0;  ///< frames of silence before it
    int64_t at = 0;
};

class Muxer {
public:
    Muxer(const NewSound& sound, fs::path out) : m_sound(sound), m_out(std::move(out)) {
        if (avformat_alloc_output_context2(&m_format, nullptr, m_out.extension() == ".m4a" ? "ipod" : nullptr,
                                           m_out.c_str()) < 0)
            fail("its ending stands for no container that is known here.");
    }
    ~Muxer() {
        m_tracks.clear();
        if (m_format && m_format->pb) avio_closep(&m_format->pb);
        avformat_free_context(m_format);
    }

    void write(PictureInput* in, bool keepOriginal, const Progress& progress) {
        if (in) m_picture = copied(in->picture, AV_DISPOSITION_DEFAULT);
        AVStream* sound = addTrack(m_sound.file, m_sound.codec, AV_DISPOSITION_DEFAULT)->stream;
        if (!m_sound.language.empty()) av_dict_set(&sound->metadata, "language", m_sound.language.c_str(), 0);
        if (!m_sound.title.empty())
            av_dict_set(m_picture ? &sound->metadata : &m_format->metadata, "title", m_sound.title.c_str(), 0);
        if (in && keepOriginal && in->sound) addOriginal(*in);
        if (in) describe(*in);
        if (avio_open(&m_format->pb, m_out.c_str(), AVIO_FLAG_WRITE) < 0)
            fail("check that the folder may be written to and has space.");
        AVDictionary* options = nullptr;
        if (std::string(m_format->oformat->name) == "mp4")
            av_dict_set(&options, "movflags", "+faststart", 0);  // plays while it is still being fetched
        const int begun = avformat_write_header(m_format, &options);
        av_dict_free(&options);
        if (begun < 0)
            throw Error(Error::Kind::Usage, "\"" + m_out.filename().string() + "\" cannot hold the picture's codec (" +
                                                (in ? avcodec_get_name(in->picture->codecpar->codec_id) : "none") +
                                                "): choose another container, MKV takes nearly all.");
        if (in) copyAll(*in, progress);
        encodeUntil(INFINITY, progress, in ? 0.95 : 0.0);
        for (auto& track : m_tracks) {
            avcodec_send_frame(track->codec, nullptr);
            receive(*track);
        }
        if (av_write_trailer(m_format) < 0 || avio_closep(&m_format->pb) < 0)
            fail("free some space on the disk and start again.");
    }

private:
    [[noreturn]] void fail(const std::string& why) const {
        throw Error(Error::Kind::OutputUnwritable, "\"" + m_out.string() + "\" cannot be written: " + why);
    }

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
            if (uint8_t* data = av_stream_new_side_data(to, from->side_data[i].type, from->side_data[i].size))
                std::copy_n(from->side_data[i].data, from->side_data[i].size, data);
        return to;
    }

    Track* addTrack(const fs::path& file, NewSound::Codec kind, int disposition) {
        auto track = std::make_unique<Track>(file);
        const int channels = track->reader.channels(), rate = track->reader.sampleRate();
        const AVCodecID id = kind == NewSound::Codec::Aac     ? AV_CODEC_ID_AAC
                             : kind == NewSound::Codec::Pcm16 ? AV_CODEC_ID_PCM_S16LE
                                                              : AV_CODEC_ID_PCM_S24LE;
        const AVCodec* encoder = avcodec_find_encoder(id);
        if (!encoder)
            throw Error(Error::Kind::Usage,
                        "This build of FFmpeg cannot write AAC: choose MOV or MKV with PCM, or another format.");
        AVCodecContext* codec = track->codec = avcodec_alloc_context3(encoder);
        codec->sample_rate = rate;
        av_channel_layout_default(&codec->ch_layout, channels);
        codec->sample_fmt = encoder->sample_fmts[0];
        codec->time_base = {1, rate};
        if (id == AV_CODEC_ID_AAC) codec->bit_rate = 128000 * channels;
        if (m_format->oformat->flags & AVFMT_GLOBALHEADER) codec->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
        if (avcodec_open2(codec, encoder, nullptr) < 0)
            throw Error(Error::Kind::Usage, "\"" + m_out.filename().string() + "\" cannot hold " +
                                                std::to_string(channels) + " channels at " + std::to_string(rate) +
                                                " Hz: choose PCM, another layout or rate.");
        track->stream = avformat_new_stream(m_format, nullptr);
        avcodec_parameters_from_context(track->stream->codecpar, codec);
        track->stream->time_base = codec->time_base;
        track->stream->disposition = disposition;
        m_tracks.push_back(std::move(track));
        return m_tracks.back().get();
    }

    /// Copied where the container can hold it, else encoded.
    void addOriginal(const PictureInput& in) {
        AVStream* stream = nullptr;
        if (avformat_query_codec(m_format->oformat, in.sound->codecpar->codec_id, FF_COMPLIANCE_NORMAL) == 1)
            stream = m_original = copied(in.sound, 0);
        else stream = addTrack(in.file, NewSound::Codec::Aac, 0)->stream;
        for (const char* key : {"title", "handler_name"})
            av_dict_set(&stream->metadata, key, "original", 0);  // MP4 knows only the latter
    }

    void describe(const PictureInput& in) {
        av_dict_copy(&m_format->metadata, in.format->metadata, 0);
        for (const char* own : {"major_brand", "minor_version", "compatible_brands", "encoder"})
            av_dict_set(&m_format->metadata, own, nullptr, 0);
        for (unsigned i = 0; i < in.format->nb_streams;
             ++i)  // containers keep the timecode in a track of its own, which is made anew
            if (const AVDictionaryEntry* tag = av_dict_get(in.format->streams[i]->metadata, "timecode", nullptr, 0))
                av_dict_set(&m_picture->metadata, "timecode", tag->value, 0);
        m_zero = std::min(in.pictureStart(), in.soundStart());
        for (auto& track : m_tracks)
            track->lead =
                std::max<int64_t>(0, std::llround((in.soundStart() - in.pictureStart()) * track->reader.sampleRate()));
    }

    void put(AVPacket* packet, AVStream* stream, AVRational base) {
        av_packet_rescale_ts(packet, base, stream->time_base);
        packet->stream_index = stream->index;
        packet->pos = -1;
        if (av_interleaved_write_frame(m_format, packet) < 0)
            fail(
                "free some space on the disk and start again; or the container cannot hold its streams: choose another "
                "one.");
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

    /// Encodes the sounds up to a second of the file.
    void encodeUntil(double second, const Progress& progress, double from) {
        for (auto& track : m_tracks) {
            Track& t = *track;
            const int64_t step = t.codec->frame_size > 0 ? t.codec->frame_size : 2048;
            while (t.at < t.frames() && double(t.at) < second * t.codec->sample_rate) {
                progress.throwIfCancelled();
                const int64_t count = std::min(step, t.frames() - t.at);
                fill(t, t.reader.read(t.at - t.lead, count));
                t.frame->pts = t.at;
                t.at += count;
                if (avcodec_send_frame(t.codec, t.frame) < 0) fail("its sound cannot be encoded.");
                av_frame_unref(t.frame);
                receive(t);
                if (second == INFINITY && t.at % (100 * step) == 0)
                    progress.report(from + (1 - from) * double(t.at) / double(t.frames()));
            }
        }
    }

    void fill(Track& t, const AudioBuffer& block) {
        AVFrame* frame = t.frame;
        frame->nb_samples = int(block.frames());
        frame->format = t.codec->sample_fmt;
        frame->sample_rate = t.codec->sample_rate;
        av_channel_layout_copy(&frame->ch_layout, &t.codec->ch_layout);
        if (av_frame_get_buffer(frame, 0) < 0) fail("there is not enough memory.");
        for (int c = 0; c < block.channels(); ++c) {
            const auto row = block.channel(c);
            for (size_t i = 0; i < row.size(); ++i) {
                const size_t place = i * size_t(block.channels()) + size_t(c);
                if (t.codec->sample_fmt == AV_SAMPLE_FMT_FLTP)
                    reinterpret_cast<float*>(frame->extended_data[c])[i] = row[i];
                else if (t.codec->sample_fmt == AV_SAMPLE_FMT_S16)
                    reinterpret_cast<int16_t*>(frame->data[0])[place] = int16_t(std::lround(double(row[i]) * 32768));
                else
                    reinterpret_cast<int32_t*>(frame->data[0])[place] =
                        int32_t(std::clamp(std::llround(double(row[i]) * 2147483648.0), -2147483648LL, 2147483647LL));
            }
        }
    }

    void receive(Track& t) {
        Packet packet;
        while (avcodec_receive_packet(t.codec, packet.p) == 0) put(packet.p, t.stream, t.codec->time_base);
    }

    NewSound m_sound;
    fs::path m_out;
    AVFormatContext* m_format = nullptr;
    AVStream *m_picture = nullptr, *m_original = nullptr;
    std::vector<std::unique_ptr<Track>> m_tracks;
    double m_zero = 0;  ///< seconds on the input's clock that are 0 in the output
};

}  // namespace

void muxSound(const fs::path& picture, const NewSound& sound, bool keepOriginal, const fs::path& out,
              const Progress& progress) {
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
            if (in.length() > 0 && packet.p->dts != AV_NOPTS_VALUE)
                progress.report(
                    std::clamp(double(packet.p->dts) * av_q2d(in.picture->time_base) / in.length(), 0.0, 1.0));
        }
        av_packet_unref(packet.p);
    }
    uint8_t bytes[16];
    av_md5_final(sum.get(), bytes);
    found.md5 = hexadecimal(bytes, sizeof bytes);
    return found;
}

}  // namespace rivlen

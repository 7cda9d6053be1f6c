#include "core/media/PictureReader.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include <libavutil/imgutils.h>
#include <libswscale/swscale.h>
}

#include <algorithm>
#include <cmath>

#include "core/base/Error.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {
constexpr double kRunOn = 1.5;  // seconds that are rather decoded through than searched
constexpr double kHair = 1e-5;  // seconds: clocks are rounded to the container's ticks
}  // namespace

struct PictureReader::Impl {
    fs::path file;
    AVFormatContext* format = nullptr;
    AVCodecContext* codec = nullptr;
    AVStream* stream = nullptr;
    AVPacket* packet = av_packet_alloc();
    AVFrame *shown = av_frame_alloc(), *coming = av_frame_alloc();  ///< the frame at the place, and the one after it
    bool swift = false;
    bool haveShown = false, haveComing = false, drained = false;
    SwsContext* scale = nullptr;
    PictureInfo info;
    double soundStart = 0;  ///< of the sound's first sample, seconds on the container's clock
    double pictureStart = 0;

    ~Impl() {
        sws_freeContext(scale);
        av_frame_free(&shown);
        av_frame_free(&coming);
        av_packet_free(&packet);
        avcodec_free_context(&codec);
        avformat_close_input(&format);
    }

    [[noreturn]] void unreadable(const std::string& why) const {
        throw Error(Error::Kind::InputUnreadable, "The picture of \"" + file.string() + "\" " + why);
    }

    void open() {
        if (avformat_open_input(&format, ("file:" + file.string()).c_str(), nullptr, nullptr) < 0 ||
            avformat_find_stream_info(format, nullptr) < 0)
            unreadable("cannot be read: check that the file is there and whole.");
        const AVCodec* decoder = nullptr;
        const int index = av_find_best_stream(format, AVMEDIA_TYPE_VIDEO, -1, -1, &decoder, 0);
        if (index < 0 || !decoder || (format->streams[index]->disposition & AV_DISPOSITION_ATTACHED_PIC))
            unreadable("is missing, or its codec is not known here; its sound can be worked on all the same.");
        stream = format->streams[index];
        const int sound = av_find_best_stream(format, AVMEDIA_TYPE_AUDIO, -1, -1, nullptr, 0);
        for (unsigned i = 0; i < format->nb_streams; ++i)
            if (int(i) != index) format->streams[i]->discard = AVDISCARD_ALL;
        codec = avcodec_alloc_context3(decoder);
        avcodec_parameters_to_context(codec, stream->codecpar);
        codec->pkt_timebase = stream->time_base;
        codec->thread_count = swift ? 2 : 1;  // sound and separation need the processors more
        if (swift) {
            codec->flags2 |= AV_CODEC_FLAG2_FAST;
            codec->skip_loop_filter = AVDISCARD_NONREF;
        }
        if (avcodec_open2(codec, decoder, nullptr) < 0)
            unreadable("cannot be decoded; its sound can be worked on all the same.");
        info.width = codec->width;
        info.height = codec->height;
        info.codec = avcodec_get_name(codec->codec_id);
        const AVRational rate = av_guess_frame_rate(format, stream, nullptr);
        info.fps = rate.den > 0 ? av_q2d(rate) : 25;
        info.rate = FrameRate::nearest(info.fps);
        info.duration = stream->duration != AV_NOPTS_VALUE
                            ? double(stream->duration) * av_q2d(stream->time_base)
                            : double(std::max<int64_t>(0, format->duration)) / AV_TIME_BASE;
        if (stream->start_time != AV_NOPTS_VALUE) pictureStart = double(stream->start_time) * av_q2d(stream->time_base);
        soundStart = pictureStart;
        if (sound >= 0 && format->streams[sound]->start_time != AV_NOPTS_VALUE)
            soundStart = double(format->streams[sound]->start_time) * av_q2d(format->streams[sound]->time_base);
    }

    double timeOf(const AVFrame* frame) const {
        const int64_t pts = frame->best_effort_timestamp != AV_NOPTS_VALUE ? frame->best_effort_timestamp : frame->pts;
        return pts == AV_NOPTS_VALUE ? pictureStart : double(pts) * av_q2d(stream->time_base);
    }

    /// Decodes the next frame into one; false at the end.
    bool decode(AVFrame* into) {
        while (true) {
            const int got = avcodec_receive_frame(codec, into);
            if (got == 0) return true;
            if (drained) return false;
            if (av_read_frame(format, packet) < 0) {
                drained = true;
                avcodec_send_packet(codec, nullptr);
                continue;
            }
            if (packet->stream_index == stream->index)
                avcodec_send_packet(codec, packet);  // what is damaged is passed over
            av_packet_unref(packet);
        }
    }

    void search(double time) {
        const auto ticks = int64_t(std::floor((time + kHair) / av_q2d(stream->time_base)));
        if (avformat_seek_file(format, stream->index, INT64_MIN, ticks, ticks, 0) < 0)
            av_seek_frame(format, stream->index, 0, AVSEEK_FLAG_BACKWARD);
        avcodec_flush_buffers(codec);
        drained = haveShown = haveComing = false;
    }

    void advance() {
        std::swap(shown, coming);
        haveShown = true;
        haveComing = decode(coming);
    }

    bool placeAt(double time) {
        if (!haveShown || time < timeOf(shown) - kHair || time > timeOf(shown) + kRunOn) search(time);
        if (!haveShown) {
            haveShown = decode(shown);
            if (!haveShown && time > pictureStart) {  // after the last key frame of a file that ends early
                search(pictureStart);
                haveShown = decode(shown);
            }
            haveComing = haveShown && decode(coming);
        }
        while (haveComing && timeOf(coming) <= time + kHair) advance();
        return haveShown;
    }

    PictureFrame converted(int height) {
        const AVRational pixel = shown->sample_aspect_ratio.num > 0 ? shown->sample_aspect_ratio : AVRational{1, 1};
        PictureFrame out;
        out.height = height > 0 ? height : shown->height;
        out.width = std::max(1, int(std::lround(double(out.height) * shown->width / shown->height * av_q2d(pixel))));
        out.rgba.resize(size_t(out.width) * size_t(out.height) * 4);
        // To look for things in, rows may be left out: taking the mean of all of them costs as much as decoding them.
        const int every = swift ? std::max(1, shown->height / (2 * out.height)) : 1, taken = shown->height / every;
        scale =
            sws_getCachedContext(scale, shown->width, taken, AVPixelFormat(shown->format), out.width, out.height,
                                 AV_PIX_FMT_RGBA, swift ? SWS_FAST_BILINEAR : SWS_BILINEAR, nullptr, nullptr, nullptr);
        if (!scale) unreadable("has a pixel format that cannot be shown.");
        // The scaler writes in blocks of up to 64 bytes, beyond the ends of short rows: it gets rows with room for
        // that.
        uint8_t* rows[4] = {};
        int stride[4] = {};
        if (av_image_alloc(rows, stride, out.width + 32, out.height + 1, AV_PIX_FMT_RGBA, 64) < 0)
            unreadable("is too large to be shown.");
        int apart[AV_NUM_DATA_POINTERS];
        for (int plane = 0; plane < AV_NUM_DATA_POINTERS; ++plane) apart[plane] = shown->linesize[plane] * every;
        sws_scale(scale, shown->data, apart, 0, taken, rows, stride);
        for (int y = 0; y < out.height; ++y)
            std::copy_n(rows[0] + ptrdiff_t(y) * stride[0], size_t(out.width) * 4,
                        out.rgba.begin() + ptrdiff_t(y) * out.width * 4);
        av_freep(&rows[0]);
        const double time = timeOf(shown);
        out.number = std::llround((time - pictureStart) * info.rate.perSecond());
        out.from = time - soundStart;
        out.to = haveComing ? timeOf(coming) - soundStart : out.from + 1 / info.rate.perSecond();
        return out;
    }
};

PictureReader::PictureReader(const fs::path& file, Care care) : m(std::make_unique<Impl>()) {
    m->swift = care == Care::Swift;
    av_log_set_level(AV_LOG_FATAL);
    m->file = file;
    m->open();
}
PictureReader::~PictureReader() = default;

const PictureInfo& PictureReader::info() const { return m->info; }

std::optional<PictureFrame> PictureReader::at(double seconds, int height) {
    if (!m->placeAt(std::max(m->pictureStart, seconds + m->soundStart))) return {};
    return m->converted(height);
}

std::optional<PictureFrame> PictureReader::near(double seconds, int height) {
    m->search(std::max(m->pictureStart, seconds + m->soundStart));
    m->codec->skip_frame = AVDISCARD_NONKEY;
    const bool got = m->haveShown = m->decode(m->shown);
    m->codec->skip_frame = AVDISCARD_DEFAULT;
    if (!got) return at(seconds, height);
    auto frame = m->converted(height);
    m->haveShown = false;  // what follows it was not decoded in order
    return frame;
}

}  // namespace rivlen

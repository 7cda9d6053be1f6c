#include "core/media/AudioDecoder.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include <libavutil/channel_layout.h>
#include <libavutil/opt.h>
#include <libavutil/timecode.h>
#include <libswresample/swresample.h>
}

#include <algorithm>
#include <cmath>
#include <deque>
#include <utility>

#include "core/base/Error.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr int kLowestRate = 4000, kHighestRate = 768000;
/// From so much on a jump of the clock is one: containers that count milliseconds round.
constexpr double kJumpSeconds = 0.005;
constexpr double kPageSeconds = 6, kBlocksSeconds = 0.5;  // Opus has pages of five seconds

[[noreturn]] void unreadable(const fs::path& file, const std::string& why) {
    throw Error(Error::Kind::InputUnreadable, "\"" + file.string() + "\" " + why);
}

std::string layoutName(const AVChannelLayout& layout) {
    char text[64] = "";
    av_channel_layout_describe(&layout, text, sizeof text);
    return text;
}

}  // namespace

struct AudioDecoder::Impl {
    AVFormatContext* format = nullptr;
    AVCodecContext* codec = nullptr;
    SwrContext* convert = nullptr;
    AVPacket* packet = av_packet_alloc();
    AVFrame* frame = av_frame_alloc();
    struct Ahead {
        AVFrame* frame;
        int errors;  ///< of the decoder before it
    };
    std::deque<Ahead> ahead;  ///< frames after it that were looked at already
    AVStream* stream = nullptr;
    MediaInfo info;
    int64_t firstPts = AV_NOPTS_VALUE;  ///< pts of the first decoded sample, in 1/sampleRate
    int64_t position = 0;               ///< where the next block starts
    bool known = true;                  ///< position is right (false after a seek until a pts arrives)
    bool drained = false;

    ~Impl() {
        av_frame_free(&frame);
        dropAhead();
        av_packet_free(&packet);
        swr_free(&convert);
        avcodec_free_context(&codec);
        avformat_close_input(&format);
    }

    int64_t toSamples(int64_t pts) const {
        return av_rescale_q_rnd(pts, stream->time_base, AVRational{1, info.sampleRate}, AV_ROUND_NEAR_INF);
    }

    void open(const fs::path& file) {
        std::error_code problem;
        const auto status = fs::status(file, problem);
        if (problem == std::errc::too_many_symbolic_link_levels)
            unreadable(file, "is a symbolic link that leads in a circle: name the file itself.");
        if (problem == std::errc::permission_denied)
            unreadable(file, "lies in a folder that is closed to you: change the folder's permissions.");
        if (problem == std::errc::filename_too_long)
            unreadable(file, "has a name longer than file systems allow: check it.");
        if (problem == std::errc::not_a_directory)
            unreadable(file, "is not there: a part of its path is a file, not a folder.");
        if (!fs::exists(status))
            unreadable(file, "is not there: check the path, or whether the disk it is on is connected.");
        if (fs::is_directory(status)) unreadable(file, "is a folder: choose a file inside it.");
        if (!fs::is_regular_file(status))
            unreadable(file, "is a pipe or a device, not a file: copy what comes out of it into a file first.");
        if (fs::file_size(file, problem) == 0) unreadable(file, "is empty (0 bytes): copy or export it again.");
        if (const int code = avformat_open_input(&format, ("file:" + file.string()).c_str(), nullptr, nullptr);
            code < 0) {
            if (code == AVERROR(EACCES)) unreadable(file, "may not be read by you: change its permissions.");
            unreadable(file,
                       "is not a recording that can be read, or it was cut short: choose an audio or video file, or "
                       "copy it again.");
        }
        if (avformat_find_stream_info(format, nullptr) < 0)
            unreadable(file, "holds nothing that can be decoded: it may be damaged; copy or export it again.");
        const int index = av_find_best_stream(format, AVMEDIA_TYPE_AUDIO, -1, -1, nullptr, 0);
        if (index < 0) {
            const bool picture = av_find_best_stream(format, AVMEDIA_TYPE_VIDEO, -1, -1, nullptr, 0) >= 0;
            unreadable(file, picture ? "has a picture but no sound: choose a file with a sound track."
                                     : "holds no sound: choose an audio or video file.");
        }
        stream = format->streams[index];
        for (unsigned i = 0; i < format->nb_streams; ++i)
            if (int(i) != index) format->streams[i]->discard = AVDISCARD_ALL;
        const AVCodec* decoder = avcodec_find_decoder(stream->codecpar->codec_id);
        if (!decoder)
            unreadable(file, std::string("uses the sound codec \"") + avcodec_get_name(stream->codecpar->codec_id) +
                                 "\", which cannot be decoded here: convert it first.");
        codec = avcodec_alloc_context3(decoder);
        avcodec_parameters_to_context(codec, stream->codecpar);
        codec->pkt_timebase = stream->time_base;
        // Their frames have check sums: one that does not fit is damage, not sound.
        if (codec->codec_id == AV_CODEC_ID_FLAC || codec->codec_id == AV_CODEC_ID_WAVPACK ||
            codec->codec_id == AV_CODEC_ID_TTA)
            codec->err_recognition |= AV_EF_CRCCHECK | AV_EF_EXPLODE;
        if (avcodec_open2(codec, decoder, nullptr) < 0 || codec->sample_rate <= 0 || codec->ch_layout.nb_channels <= 0)
            unreadable(file, "has a sound stream that cannot be decoded: it may be damaged; copy or export it again.");
        if (codec->sample_rate < kLowestRate || codec->sample_rate > kHighestRate)
            unreadable(file, "has a sample rate of " + std::to_string(codec->sample_rate) +
                                 " Hz: rates from 4000 Hz to 768 kHz are known; convert it first.");
        describe(file);
    }

    void describe(const fs::path& file) {
        info.file = file.string();
        info.sampleRate = codec->sample_rate;
        info.channels = codec->ch_layout.nb_channels;
        AVChannelLayout layout{};
        av_channel_layout_copy(&layout, &codec->ch_layout);
        if (layout.order == AV_CHANNEL_ORDER_UNSPEC) {
            av_channel_layout_uninit(&layout);
            av_channel_layout_default(&layout, info.channels);
        }
        info.layout = layoutName(layout);
        av_channel_layout_uninit(&layout);
        info.codec = avcodec_get_name(codec->codec_id);
        const bool lossless = av_get_exact_bits_per_sample(codec->codec_id) > 0 || codec->bits_per_raw_sample > 0;
        info.bits = codec->bits_per_raw_sample > 0 ? codec->bits_per_raw_sample
                    : lossless                     ? av_get_exact_bits_per_sample(codec->codec_id)
                                                   : 0;
        info.isFloat = info.codec.rfind("pcm_f", 0) == 0;
        const bool guessed = format->duration_estimation_method == AVFMT_DURATION_FROM_BITRATE;
        if (stream->duration != AV_NOPTS_VALUE && !guessed) info.frames = toSamples(stream->duration);
        else if (const double end = promisedEnd(); end > 0 && !guessed)
            info.frames = std::llround(
                (end -
                 (stream->start_time != AV_NOPTS_VALUE ? double(stream->start_time) * av_q2d(stream->time_base) : 0)) *
                info.sampleRate);
        readPicture();
        for (const AVDictionary* tags : {format->metadata, stream->metadata})
            if (const AVDictionaryEntry* tag = av_dict_get(tags, "timecode", nullptr, 0)) info.timecode = tag->value;
        for (unsigned i = 0; i < format->nb_streams; ++i)
            if (const AVDictionaryEntry* tag = av_dict_get(format->streams[i]->metadata, "timecode", nullptr, 0))
                info.timecode = tag->value;
        placeOnClock();
    }

    /// When the sound ends by what the container says of itself, seconds; 0: it does not say. The length of a whole
    /// file is that of its longest stream: a picture that goes on after the sound does not make the sound cut short.
    double promisedEnd() const {
        if (const AVDictionaryEntry* tag = av_dict_get(stream->metadata, "DURATION", nullptr, 0)) {
            int h = 0, m = 0;
            double s = 0;
            if (std::sscanf(tag->value, "%d:%d:%lf", &h, &m, &s) == 3) return 3600.0 * h + 60.0 * m + s;
        }
        return format->nb_streams == 1 && format->duration != AV_NOPTS_VALUE ? double(format->duration) / AV_TIME_BASE
                                                                             : 0;
    }

    /// Where the first sample is in time of day: by the timecode of the picture, or the time reference of a broadcast
    /// wave file (EBU Tech 3285).
    void placeOnClock() {
        if (info.timecode) {
            try {
                const FrameRate rate = info.picture       ? info.picture->rate
                                       : info.dropFrame() ? FrameRate{30000, 1001}
                                                          : FrameRate{25, 1};
                info.timecodeSeconds = double(framesOfTimecode(*info.timecode, rate)) / rate.perSecond() +
                                       (info.picture ? info.startOffset : 0);
            } catch (const Error&) {
                info.timecode.reset();  // not a timecode: of no use
            }
        }
        if (info.timecode) return;
        for (const AVDictionary* tags : {format->metadata, stream->metadata}) {
            const AVDictionaryEntry* tag = av_dict_get(tags, "time_reference", nullptr, 0);
            if (!tag) continue;
            const double at = double(std::strtoll(tag->value, nullptr, 10)) / info.sampleRate;
            if (at <= 0) continue;
            info.timecodeSeconds = at;
            info.timecode = timecodeOfFrames(std::llround(std::floor(at * 25 + 1e-6)), {25, 1}, false);
        }
    }

    void readPicture() {
        const int index = av_find_best_stream(format, AVMEDIA_TYPE_VIDEO, -1, -1, nullptr, 0);
        if (index < 0) return;
        AVStream* video = format->streams[index];
        if (video->disposition & AV_DISPOSITION_ATTACHED_PIC) return;  // cover art
        PictureInfo picture;
        picture.width = video->codecpar->width;
        picture.height = video->codecpar->height;
        picture.codec = avcodec_get_name(video->codecpar->codec_id);
        const AVRational rate = av_guess_frame_rate(format, video, nullptr);
        picture.fps = rate.den > 0 ? av_q2d(rate) : 0.0;
        picture.rate = FrameRate::nearest(picture.fps);
        if (video->duration != AV_NOPTS_VALUE) picture.duration = double(video->duration) * av_q2d(video->time_base);
        else if (format->duration != AV_NOPTS_VALUE) picture.duration = double(format->duration) / AV_TIME_BASE;
        if (video->start_time != AV_NOPTS_VALUE && stream->start_time != AV_NOPTS_VALUE)
            info.startOffset = double(stream->start_time) * av_q2d(stream->time_base) -
                               double(video->start_time) * av_q2d(video->time_base);
        info.picture = picture;
    }

    AudioBuffer converted() {
        if (frame->sample_rate != info.sampleRate || frame->ch_layout.nb_channels != info.channels)
            unreadable(info.file,
                       "changes its sample rate or channel count on the way: convert it to one format first.");
        if (!convert) {
            if (swr_alloc_set_opts2(&convert, &frame->ch_layout, AV_SAMPLE_FMT_FLTP, info.sampleRate, &frame->ch_layout,
                                    AVSampleFormat(frame->format), info.sampleRate, 0, nullptr) < 0 ||
                swr_init(convert) < 0)
                unreadable(info.file, "has a sample format that cannot be converted: convert it to WAV first.");
        }
        AudioBuffer out(info.channels, frame->nb_samples);
        std::vector<uint8_t*> rows;
        rows.reserve(size_t(info.channels));
        for (int c = 0; c < info.channels; ++c) rows.push_back(reinterpret_cast<uint8_t*>(out.channel(c).data()));
        swr_convert(convert, rows.data(), frame->nb_samples, const_cast<const uint8_t**>(frame->extended_data),
                    frame->nb_samples);
        return out;
    }

    /// Infinite samples and such that are no numbers would spread through every filter: a straight line over them.
    std::vector<SourceFault> bridged(AudioBuffer& x) const {
        std::vector<SourceFault> found;
        for (int c = 0; c < x.channels(); ++c) {
            const auto row = x.channel(c);
            for (int64_t i = 0; i < x.frames(); ++i) {
                if (std::isfinite(row[size_t(i)])) continue;
                int64_t end = i;
                while (end < x.frames() && !std::isfinite(row[size_t(end)])) ++end;
                const float before = i > 0 ? row[size_t(i - 1)] : 0, after = end < x.frames() ? row[size_t(end)] : 0;
                for (int64_t k = i; k < end; ++k)
                    row[size_t(k)] = before + (after - before) * float(k - i + 1) / float(end - i + 1);
                found.push_back({SourceFault::Kind::NotNumbers, position + i, end - i, c});
                i = end;
            }
        }
        return found;
    }

    /// Decodes one more frame; false at the end.
    bool decode(AVFrame* into) {
        for (;;) {
            const int got = avcodec_receive_frame(codec, into);
            if (got == 0) return true;
            if (drained) return false;
            errors += got != AVERROR(EAGAIN) && got != AVERROR_EOF;
            if (av_read_frame(format, packet) < 0) {
                drained = true;
                avcodec_send_packet(codec, nullptr);
                continue;
            }
            if (packet->stream_index == stream->index) errors += avcodec_send_packet(codec, packet) < 0;
            av_packet_unref(packet);
        }
    }
    bool take() {
        if (ahead.empty()) return decode(frame);
        av_frame_unref(frame);
        av_frame_move_ref(frame, ahead.front().frame);
        errors = ahead.front().errors;
        av_frame_free(&ahead.front().frame);
        ahead.pop_front();
        return true;
    }
    /// Whether there is an i-th frame ahead, counted from 0.
    bool look(size_t i) {
        while (ahead.size() <= i) {
            const int mine = std::exchange(errors, 0);
            AVFrame* next = av_frame_alloc();
            const bool got = decode(next);
            const int its = std::exchange(errors, mine);
            if (!got) {
                av_frame_free(&next);
                return false;
            }
            ahead.push_back({next, its});
        }
        return true;
    }
    void dropAhead() {
        for (auto& a : ahead) av_frame_free(&a.frame);
        ahead.clear();
    }

    /// By how much the clock is ahead of the samples at each frame of the next seconds, counted from the end of the
    /// frame at hand at a place.
    std::vector<int64_t> leads(int64_t end, double seconds) {
        std::vector<int64_t> all;
        const int64_t until = end + int64_t(seconds * info.sampleRate);
        for (size_t i = 0; end < until && look(i); ++i) {
            if (ahead[i].frame->pts != AV_NOPTS_VALUE) all.push_back(toSamples(ahead[i].frame->pts) - firstPts - end);
            end += ahead[i].frame->nb_samples;
        }
        return all;
    }
    int64_t threshold() const { return int64_t(kJumpSeconds * info.sampleRate); }
    /// Vorbis and Opus in Ogg have a clock by the page, and blocks of other lengths than their neighbours: it runs
    /// ahead for some frames and comes back although nothing is missing. Whoever converts such files keeps that.
    bool comesBack() {
        const auto all = leads(position + frame->nb_samples, kPageSeconds);
        return all.empty() || std::any_of(all.begin(), all.end(), [this](int64_t lead) { return lead <= threshold(); });
    }
    /// Where a frame that a seek led to begins: what most frames of the next time say; of a clock that is coarser than
    /// samples the mean of those.
    int64_t agreed(int64_t at) {
        const bool pages = codec->codec_id == AV_CODEC_ID_VORBIS || codec->codec_id == AV_CODEC_ID_OPUS;
        auto all = leads(at + frame->nb_samples, pages ? kPageSeconds : kBlocksSeconds);
        all.push_back(0);
        std::nth_element(all.begin(), all.begin() + long(all.size() / 2), all.end());
        const int64_t most = all[all.size() / 2];
        if (!coarse()) return at + most;
        double sum = 0, count = 0;
        for (const int64_t lead : all)
            if (std::llabs(lead - most) <= threshold() / 2) sum += double(lead), ++count;
        return at + std::llround(sum / count);
    }

    /// Where the decoded frame starts. Containers with coarse clocks (Matroska counts milliseconds) are
    /// brought back onto the codec's grid of equal frames.
    void place() {
        if (frame->pts == AV_NOPTS_VALUE) return;
        const int64_t at = toSamples(frame->pts);
        if (firstPts == AV_NOPTS_VALUE) {
            firstPts = at;
            gridOffset = frame->nb_samples;
        } else if (!known) {
            position = onGrid(lossless() ? at - firstPts : agreed(at - firstPts));
            known = true;
        } else if (errors > 0 || at - firstPts - position > threshold()) {
            // A jump of the clock: packets were lost or could not be decoded, or the file has a gap.
            const int64_t jump = onGrid(at - firstPts) - position;
            if (jump <= threshold() || (errors == 0 && !lossless() && comesBack())) return;
            missing = jump;
            position += jump;
        }
    }

    /// A place by the container's clock, on the codec's grid where that clock is coarse.
    int64_t onGrid(int64_t at) const {
        const int grid = codec->codec_id == AV_CODEC_ID_VORBIS ? 0  // its blocks have two lengths
                         : stream->codecpar->frame_size > 0    ? stream->codecpar->frame_size
                                                               : frame->nb_samples;
        return coarse() && grid > 0 ? gridOffset + std::llround(double(at - gridOffset) / grid) * int64_t(grid) : at;
    }
    bool coarse() const { return int64_t(stream->time_base.den) < int64_t(info.sampleRate) * stream->time_base.num; }
    bool lossless() const { return info.bits > 0; }
    /// Packets by themselves, one after the other: their clock only jumps where some are lost.
    bool bare() const {
        const std::string name = format->iformat->name;
        return name == "flac" || name == "mp3" || name == "aac" || name == "ogg";
    }
    int errors = 0;       ///< of the decoder since the last frame that it gave
    int aheadErrors = 0;  ///< the same of the frame ahead
    bool hasAhead = false;
    int64_t missing = 0;     ///< before the frame at hand
    int64_t gridOffset = 0;  ///< length of the first block: it can be shorter by the encoder delay
};

AudioDecoder::AudioDecoder(const fs::path& file) : m(std::make_unique<Impl>()) {
    av_log_set_level(AV_LOG_FATAL);
    m->open(file);
}
AudioDecoder::~AudioDecoder() = default;

const MediaInfo& AudioDecoder::promised() const { return m->info; }

std::optional<AudioDecoder::Block> AudioDecoder::next() {
    while (m->take()) {
        m->missing = 0;
        m->place();
        const bool damaged = m->errors > 0 || m->bare();
        m->errors = 0;
        if (!m->known || m->frame->nb_samples == 0) continue;  // after a seek: wait for a frame that says where it is
        Block block{m->position, m->converted(), m->missing, damaged};
        block.notNumbers = m->bridged(block.audio);
        m->position += block.audio.frames();
        return block;
    }
    return std::nullopt;
}

bool AudioDecoder::seek(int64_t frame) {
    if (m->firstPts == AV_NOPTS_VALUE) return false;  // nothing decoded yet: the origin is unknown
    const int64_t wanted = av_rescale_q(m->firstPts + frame, AVRational{1, m->info.sampleRate}, m->stream->time_base);
    if (avformat_seek_file(m->format, m->stream->index, INT64_MIN, wanted, wanted, 0) < 0) return false;
    avcodec_flush_buffers(m->codec);
    m->dropAhead();
    m->known = false;
    m->drained = false;
    m->errors = 0;  // a decoder that begins in the middle may miss what came before
    return true;
}

}  // namespace rivlen

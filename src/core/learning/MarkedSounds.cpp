#include "core/learning/MarkedSounds.h"

#include <ctime>

#include "core/audio/Resampler.h"
#include "core/media/MediaReader.h"
#include "core/media/Timecode.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr double kStretch = 2.5;  ///< seconds
constexpr size_t kStretches = 16;
constexpr double kMostSeconds = 120;  ///< of a stem: more takes memory and teaches nothing new

std::string today() {
    const std::time_t now = std::time(nullptr);
    std::tm day{};
    localtime_r(&now, &day);
    char text[16];
    std::strftime(text, sizeof text, "%Y-%m-%d", &day);
    return text;
}

AudioBuffer cut(MediaReader& reader, const MarkedSpan& span, double seconds, int sampleRate) {
    const double length = double(reader.frames()) / reader.sampleRate();
    if (!(span.from >= 0) || !(span.to > span.from) || span.from >= length)
        throw Error(Error::Kind::Usage, "\"" + span.recording.string() + "\" has no span from " +
                                            formatTime(span.from) + " to " + formatTime(span.to) +
                                            ": mark another one.");
    const auto first = int64_t(span.from * reader.sampleRate());
    const auto count =
        std::min(reader.frames() - first, int64_t(std::min(span.to - span.from, seconds) * reader.sampleRate()));
    const int channels = std::min(2, reader.channels());
    Resampler resampler(reader.sampleRate(), sampleRate, channels);
    AudioBuffer sound = resampler.process(withChannels(reader.read(first, count), channels));
    sound.append(resampler.finish());
    return sound;
}

}  // namespace

SoundsByStem markedSounds(const std::vector<MarkedSpan>& spans, int sampleRate) {
    SoundsByStem sounds;
    std::array<double, kStemCount> seconds{};
    int channels = 1;
    for (const MarkedSpan& span : spans) {
        const size_t stem = stemPlace(span.stem);
        if (seconds[stem] >= kMostSeconds) continue;
        MediaReader reader(span.recording);
        AudioBuffer sound = cut(reader, span, kMostSeconds - seconds[stem], sampleRate);
        if (sound.frames() == 0) continue;
        seconds[stem] += double(sound.frames()) / sampleRate;
        channels = std::max(channels, sound.channels());
        sounds[stem].push_back(std::move(sound));
    }
    for (auto& of : sounds)
        for (AudioBuffer& sound : of) sound = withChannels(sound, channels);
    return sounds;
}

std::vector<AudioBuffer> stretchesBeside(const std::vector<MarkedSpan>& spans, int sampleRate, int channels) {
    std::vector<fs::path> recordings;
    for (const MarkedSpan& s : spans)
        if (std::find(recordings.begin(), recordings.end(), s.recording) == recordings.end())
            recordings.push_back(s.recording);
    std::vector<AudioBuffer> stretches;
    const size_t each = std::max<size_t>(2, kStretches / std::max<size_t>(1, recordings.size()));
    for (const fs::path& recording : recordings) {
        MediaReader reader(recording);
        const double length = double(reader.frames()) / reader.sampleRate();
        std::vector<double> starts;
        for (double at = 0; at + kStretch <= length; at += kStretch)
            if (std::none_of(spans.begin(), spans.end(), [&](const MarkedSpan& s) {
                    return s.recording == recording && at < s.to && s.from < at + kStretch;
                }))
                starts.push_back(at);
        const size_t taken = std::min(each, starts.size());
        for (size_t i = 0; i < taken; ++i) {
            const double at = starts[i * starts.size() / taken];
            stretches.push_back(
                withChannels(cut(reader, {recording, "", at, at + kStretch}, kStretch, sampleRate), channels));
        }
    }
    return stretches;
}

SceneSounds sceneSounds(const std::vector<MarkedSpan>& spans, int sampleRate) {
    SceneSounds sounds;
    sounds.marked = markedSounds(spans, sampleRate);
    int channels = 1;
    for (const auto& of : sounds.marked)
        if (!of.empty()) channels = of[0].channels();
    sounds.reel = stretchesBeside(spans, sampleRate, channels);
    return sounds;
}

Scene sceneOf(const std::string& name, const NetworkCard& card, const std::vector<MarkedSpan>& spans,
              const SceneOutcome& outcome) {
    Scene scene{name, card.id, card.sha256, today(), {}, outcome.gainDb, outcome.changes};
    for (const MarkedSpan& s : spans) scene.spans.push_back({s.recording.filename().string(), s.stem, s.from, s.to});
    return scene;
}

}  // namespace rivlen

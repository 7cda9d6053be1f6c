#include "core/exchange/Answer.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/base/Error.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/Materials.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr double kFade = 0.01;  // seconds

}  // namespace

double Answer::seconds() const {
    double sum = 0;
    for (const auto& s : stretches) sum += s.to - s.from;
    return sum;
}

double Answer::late() const {
    const auto longest = std::max_element(stretches.begin(), stretches.end(),
                                          [](const auto& a, const auto& b) { return a.to - a.from < b.to - b.from; });
    return longest == stretches.end() ? 0 : -longest->shift;
}

Answer findAnswer(const fs::path& sent, const fs::path& file, const Progress& progress) {
    MediaReader was(sent);
    Answer answer;
    answer.file = file;
    {
        const MediaReader came(file);
        answer.rate = came.sampleRate();
        answer.channels = came.channels();
    }
    if (answer.channels != 1 && answer.channels != was.channels())
        throw Error(Error::Kind::InputUnreadable, "\"" + file.string() + "\" has " + std::to_string(answer.channels) +
                                                      " channels where " + std::to_string(was.channels()) +
                                                      " were sent: let the cleaner keep them, or give one.");
    answer.sound =
        answer.rate == was.sampleRate() ? file : convertSound(file, was.sampleRate(), Progress(progress, 0, 0.3));
    MediaReader is(answer.sound);
    for (const auto& s : align(was, is, Progress(progress, 0.3, 1)))
        if (s.found) answer.stretches.push_back(s);
    if (answer.stretches.empty())
        throw Error(Error::Kind::InputUnreadable, "Nothing of what was sent is heard in \"" + file.string() +
                                                      "\": see whether it is the answer to \"" +
                                                      sent.filename().string() + "\".");
    return answer;
}

AnsweredSource::AnsweredSource(std::shared_ptr<SampleSource> reel, const Answer& answer, double begin, double gainDb)
    : m_reel(std::move(reel)), m_answer(std::make_unique<MediaReader>(answer.sound)), m_gain(float(fromDb(gainDb))) {
    const double rate = m_reel->sampleRate();
    for (const auto& s : answer.stretches) {
        const int64_t shift = std::llround(s.shift * rate) + std::llround(begin * rate);
        m_places.push_back({std::llround(s.from * rate) + shift, std::llround(s.to * rate) + shift, -shift});
    }
}

float AnsweredSource::share(const Place& place, int64_t frame) const {
    const double fade = kFade * m_reel->sampleRate();
    return float(std::clamp(double(std::min(frame - place.from + 1, place.to - frame)) / fade, 0.0, 1.0));
}

AudioBuffer AnsweredSource::read(int64_t first, int64_t count) {
    AudioBuffer out = m_reel->read(first, count);
    for (const Place& place : m_places) {
        const int64_t from = std::max(first, place.from), to = std::min(first + count, place.to);
        if (to <= from) continue;
        const AudioBuffer x = m_answer->read(from + place.shift, to - from);
        for (int c = 0; c < out.channels(); ++c) {
            const auto in = x.channel(x.channels() == 1 ? 0 : c);
            const auto y = out.channel(c);
            for (int64_t i = from; i < to; ++i) {
                float& v = y[size_t(i - first)];
                v += share(place, i) * (m_gain * in[size_t(i - from)] - v);
            }
        }
    }
    return out;
}

}  // namespace rivlen

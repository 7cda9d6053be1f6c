#include "LiveLine.h"

#include <algorithm>
#include <cstring>

#include "core/base/Error.h"

namespace rivlen {

namespace {

using Outcome = HelperProcess::Outcome;
constexpr int64_t kMostSent = 8192;  ///< frames at once
constexpr int64_t kMostPiece = 1 << 16;
constexpr int kUnsent = 10;       ///< seconds that may wait to be sent: a network takes one or two to be loaded
constexpr double kPatience = 60;  // seconds until the process counts as hung: it may be loading a network
constexpr double kLook = 0.002;   // seconds between looks at what was played

HelperProcess::Clock::time_point after(double seconds) {
    return HelperProcess::Clock::now() +
           std::chrono::duration_cast<HelperProcess::Clock::duration>(std::chrono::duration<double>(seconds));
}

size_t powerOfTwo(int64_t least) {
    size_t size = 1;
    while (int64_t(size) < least) size *= 2;
    return size;
}

}  // namespace

LiveLine::LiveLine(const std::string& program, int rate, int channels)
    : m_rate(rate), m_channels(channels), m_process(program, {}, "separates what is played", {}) {
    if (!begin(0))
        throw Error(Error::Kind::Other, "The program that separates what is played does not answer: install it again.");
    const int64_t longest = *std::max_element(m_latencies.begin(), m_latencies.end());
    m_mask = powerOfTwo(longest + kUnsent * rate) - 1;
    m_answerMask = powerOfTwo(std::max<int64_t>(4 * kMostPiece, rate)) - 1;
    m_in.resize((m_mask + 1) * size_t(channels));
    m_answers.resize((m_answerMask + 1) * size_t(channels));
    m_stamps = std::vector<std::atomic<int64_t>>(m_answerMask + 1);
    for (auto& stamp : m_stamps) stamp = -1;
    m_thread = std::thread([this] { work(); });
}

LiveLine::~LiveLine() {
    m_stop = true;
    if (m_thread.joinable()) m_thread.join();
}

void LiveLine::restart(int lookAhead) {
    m_lookAhead.store(lookAhead, std::memory_order_relaxed);
    m_position.store(0, std::memory_order_release);  // before the generation: see send()
    m_generation.fetch_add(1, std::memory_order_release);
}

bool LiveLine::put(const float* const* in, int frames) {
    const int64_t first = position();
    if (unsent() > (kUnsent - 1) * m_rate && !broken()) return false;  // broken: what was put is all that is heard
    for (int c = 0; c < m_channels; ++c) {
        float* ring = m_in.data() + size_t(c) * (m_mask + 1);
        for (int i = 0; i < frames; ++i) ring[size_t(first + i) & m_mask] = in[c][i];
    }
    m_position.store(first + frames, std::memory_order_release);
    return true;
}

float LiveLine::heard(int channel, int64_t frame) const {
    return frame < 0 ? 0 : m_in[size_t(channel) * (m_mask + 1) + (size_t(frame) & m_mask)];
}

bool LiveLine::ready(int64_t frame) const {
    return frame >= 0 && m_stamps[size_t(frame) & m_answerMask].load(std::memory_order_acquire) ==
                             stampOf(m_generation.load(std::memory_order_relaxed), frame);
}

float LiveLine::answer(int channel, int64_t frame) const {
    return m_answers[size_t(channel) * (m_answerMask + 1) + (size_t(frame) & m_answerMask)];
}

LiveRequest LiveLine::request() const {
    LiveRequest r;
    r.rate = m_rate, r.channels = m_channels;
    r.lookAhead = m_lookAhead.load(std::memory_order_relaxed);
    const int what = m_what.load(std::memory_order_relaxed);
    r.stem = what / 2, r.removed = what % 2;
    for (size_t i = 0; i < m_controls.size(); ++i) r.controls[i] = m_controls[i].load(std::memory_order_relaxed);
    return r;
}

bool LiveLine::begin(uint32_t generation) {
    m_at = generation;
    m_sent = 0;
    m_sentByNow.store(0, std::memory_order_release);
    m_last = {};
    LiveRequest r = request();
    r.ask = LiveAsk::Begin;
    const auto until = after(kPatience);
    if (m_process.write(&r, sizeof r, until) != Outcome::Done) return false;
    // What was made of before comes first.
    LiveReply reply;
    while (m_process.read(&reply, sizeof reply, until) == Outcome::Done) {
        if (reply.tell == LiveTell::Begun) {
            std::copy(std::begin(reply.latencies), std::end(reply.latencies), m_latencies.begin());
            return true;
        }
        if (reply.frames < 0 || reply.frames > kMostPiece || reply.tell == LiveTell::Trouble) return false;
        m_samples.resize(size_t(reply.frames) * size_t(m_channels));
        if (m_process.read(m_samples.data(), m_samples.size() * sizeof(float), until) != Outcome::Done) return false;
    }
    return false;
}

bool LiveLine::send() {
    // A position of the new beginning with the old generation is only too small: nothing is sent.
    const uint32_t generation = m_generation.load(std::memory_order_acquire);
    if (generation != m_at && !begin(generation)) return false;
    const int64_t position = m_position.load(std::memory_order_acquire);
    LiveRequest r = request();
    const int64_t latency = m_latencies[size_t(r.lookAhead)];
    r.from = std::max<int64_t>(0, position - latency - kMostPut);  // what was put last is being heard
    // Ready before it is heard, by as much as the latency counts for, and not only by what was put last.
    r.before = std::max<int64_t>(0, position - latency + std::max<int64_t>(m_rate / 8, 4 * kMostPut));
    r.frames = int32_t(std::clamp<int64_t>(position - m_sent, 0, kMostSent));
    const bool news = r.frames > 0 || r.stem != m_last.stem || r.removed != m_last.removed ||
                      r.before != m_last.before || !std::equal(r.controls, r.controls + kLiveControls, m_last.controls);
    if (!news) return true;
    const auto n = size_t(r.frames);
    m_message.resize(sizeof r + n * size_t(m_channels) * sizeof(float));
    std::memcpy(m_message.data(), &r, sizeof r);
    auto* to = m_message.data() + sizeof r;
    for (int c = 0; c < m_channels; ++c)
        for (size_t i = 0; i < n; ++i, to += sizeof(float)) {
            const float v = heard(c, m_sent + int64_t(i));
            std::memcpy(to, &v, sizeof v);
        }
    m_last = r;
    m_sent += r.frames;
    m_sentByNow.store(m_sent, std::memory_order_release);
    return m_process.write(m_message.data(), m_message.size(), after(kPatience)) == Outcome::Done;
}

bool LiveLine::receive() {
    // Its time is short while there is something to send.
    while (m_process.await(after(kLook)) == Outcome::Done) {
        LiveReply reply;
        const auto until = after(kPatience);
        if (m_process.read(&reply, sizeof reply, until) != Outcome::Done) return false;
        if (reply.tell != LiveTell::Sound || reply.frames < 0 || reply.frames > kMostPiece || reply.first < 0)
            return false;
        const auto n = size_t(reply.frames);
        m_samples.resize(n * size_t(m_channels));
        if (m_process.read(m_samples.data(), m_samples.size() * sizeof(float), until) != Outcome::Done) return false;
        for (size_t i = 0; i < n; ++i) {
            const size_t at = size_t(reply.first + int64_t(i)) & m_answerMask;
            m_stamps[at].store(-1, std::memory_order_release);
            for (size_t c = 0; c < size_t(m_channels); ++c)
                m_answers[c * (m_answerMask + 1) + at] = m_samples[c * n + i];
            m_stamps[at].store(stampOf(m_at, reply.first + int64_t(i)), std::memory_order_release);
        }
        if (m_position.load(std::memory_order_acquire) != m_sent) break;
    }
    return true;
}

void LiveLine::work() {
    while (!m_stop)
        if (!send() || !receive()) {
            m_broken = true;
            return;
        }
}

}  // namespace rivlen

#include "core/live/LiveSplit.h"

#include <algorithm>
#include <cmath>

#include "core/base/Error.h"
#include "core/base/Unexpected.h"

namespace rivlen {

namespace {

constexpr double kRead = 0.1;      // seconds that the separation reads at a time
constexpr double kFilters = 0.05;  // seconds that the resamplers hold back, and the fade between tiles beyond its own
constexpr double kAhead = 0.15;    // seconds that the answer is ready before it is heard
constexpr double kBehind = 10;     // seconds of delay beyond the latency at which sound is left out
constexpr int64_t kEndless = int64_t(1) << 50;

double slowestRate(const NetworkCard& card) {
    return card.quickRates.empty() ? card.sampleRate
                                   : *std::min_element(card.quickRates.begin(), card.quickRates.end());
}

double tileSeconds(const NetworkCard& card, LookAhead lookAhead) {
    const int grids = lookAhead == LookAhead::Whole ? 4 : lookAhead == LookAhead::Two ? 2 : 1;
    const double shortest = lookAhead == LookAhead::Half ? 0.4 : 0.8;  // of a network with a fine grid
    const double grid = double(card.grid) / slowestRate(card);
    return std::max(grids * grid, std::ceil(shortest / grid) * grid);
}

}  // namespace

/// What came, as a recording without end that begins at a frame; whoever reads waits until it is there.
class LiveSplit::Source : public SampleSource {
public:
    Source(LiveSplit& of, int64_t origin, std::shared_ptr<Progress> progress)
        : m_of(of), m_origin(origin), m_progress(std::move(progress)) {}
    int channels() const override { return m_of.m_channels; }
    int sampleRate() const override { return m_of.m_rate; }
    int64_t frames() const override { return kEndless; }
    AudioBuffer read(int64_t first, int64_t count) override {
        std::unique_lock lock(m_of.m_guard);
        first += m_origin;
        m_of.m_came.wait(lock, [&] { return m_of.m_received >= first + count || m_progress->cancelled(); });
        m_progress->throwIfCancelled();
        AudioBuffer out = m_of.m_input.peek(first - m_of.m_inputAt, count);
        m_of.m_input.drop(first + count - m_of.m_inputAt);  // it is read once, in order
        m_of.m_inputAt = first + count;
        return out;
    }

private:
    LiveSplit& m_of;
    const int64_t m_origin;
    const std::shared_ptr<Progress> m_progress;
};

double LiveSplit::seconds(const NetworkCard& card, LookAhead lookAhead) {
    const double all = double(card.context) / slowestRate(card);
    return lookAhead == LookAhead::Whole ? all : std::min(all, lookAhead == LookAhead::Two ? 2.0 : 0.5);
}

int64_t LiveSplit::latency(const NetworkCard& card, int rate, LookAhead lookAhead) {
    const double slowest = slowestRate(card), tile = tileSeconds(card, lookAhead), after = seconds(card, lookAhead),
                 fade = card.sampleRate / 20 / slowest,  // TileStream's
        heard = double(card.context) / slowest + tile + fade + after;
    const double waits = tile + fade + after + kFilters + 2 * kRead + heard / kSpeed + kAhead;
    return int64_t(std::ceil(waits * rate)) + Isolator(1, rate).margin() + kPiece;
}

void LiveSplit::warmUp(Network& network) {
    const NetworkCard& card = network.card();
    // libtorch looks at two runs before it has compiled what it will use.
    for (int i = 0; i < 2; ++i)
        network.separate(AudioBuffer(card.stereo ? 2 : 1, std::max<int64_t>(card.minimum, card.sampleRate)), 1);
}

LiveSplit::LiveSplit(std::shared_ptr<Network> network, int rate, int channels, LookAhead lookAhead)
    : m_network(std::move(network)),
      m_rate(rate),
      m_channels(channels),
      m_lookAhead(lookAhead),
      m_latency(latency(m_network->card(), rate, lookAhead)),
      m_isolator(channels, rate),
      m_input(channels),
      m_source(channels),
      m_stems(kStemCount, AudioQueue(channels)),
      m_progress(std::make_shared<Progress>()) {
    m_isolator.keepFrames();
    m_worker = std::thread([this] { work(); });
}

LiveSplit::~LiveSplit() {
    {
        const std::lock_guard lock(m_guard);
        m_stop = true;
        m_progress->cancel();
    }
    m_came.notify_all();
    m_worker.join();
}

void LiveSplit::work() {
    while (true) {
        std::shared_ptr<Progress> progress;
        int64_t origin = 0;
        {
            const std::lock_guard lock(m_guard);
            if (m_stop) return;
            progress = m_progress;
            origin = m_origin;
        }
        EngineOptions options;
        options.quality = EngineOptions::Quality::Quick;
        options.tileSeconds = options.firstTileSeconds = tileSeconds(m_network->card(), m_lookAhead);
        options.readSeconds = kRead;
        options.prompt = true;
        // Also of the whole context: frames that are a little longer than the card says would be late by as much.
        options.lookAhead = seconds(m_network->card(), m_lookAhead);
        options.stems.assign(kStemNames.begin(), kStemNames.end());
        try {
            Source source(*this, origin, progress);
            separate(
                source, m_network, options,
                [&](int64_t, const AudioBuffer& sound, const std::vector<AudioBuffer>& stems) {
                    const std::lock_guard lock(m_guard);
                    if (progress->cancelled()) return;
                    m_source.append(sound);
                    for (size_t s = 0; s < kStemCount; ++s) m_stems[s].append(stems[s]);
                },
                *progress);
        } catch (const Error& e) {
            const std::lock_guard lock(m_guard);
            if (e.kind() != Error::Kind::Cancelled) m_trouble = e.what();
        } catch (const std::exception& e) {
            const std::lock_guard lock(m_guard);
            m_trouble = unexpected(e, "separating what is played").what();
        }
        const std::lock_guard lock(m_guard);
        if (!m_trouble.empty()) return;
    }
}

void LiveSplit::skip() {
    const int64_t end = m_stemsAt + m_source.frames();
    if (m_received - end < m_latency + int64_t(kBehind * m_rate)) return;
    m_progress->cancel();
    m_progress = std::make_shared<Progress>();
    const auto heard = int64_t(double(m_network->card().context) / slowestRate(m_network->card()) * m_rate);
    m_origin = std::max(m_inputAt, m_received - heard);
    m_input.drop(m_origin - m_inputAt);
    m_inputAt = m_origin;
    m_source.drop(m_source.frames());
    for (auto& stem : m_stems) stem.drop(stem.frames());
    m_stemsAt = m_origin;
    m_isolator.forget();
}

void LiveSplit::push(const AudioBuffer& in) {
    {
        const std::lock_guard lock(m_guard);
        if (!m_trouble.empty()) return;
        m_input.append(in);
        m_received += in.frames();
        skip();
    }
    m_came.notify_all();
}

void LiveSplit::set(const IsolationSettings& settings, bool removed) {
    m_strength.timeline = settings;
    m_strength.removed = removed;
    if (m_taken == 0) m_before = m_strength;  // nothing to come from
}

AudioBuffer LiveSplit::shaped(const Strength& strength, int64_t first, const StemBlock& block, int64_t around) {
    const std::string& stem = strength.timeline.base.stem;
    auto out = m_isolator.apply(strength.timeline, int(stemPlace(stem)), first, block, around);
    if (!strength.removed) return std::move(out.result);
    AudioBuffer rest = block.source.slice(around, kPiece);
    const AudioBuffer& wanted = out.wanted(stem);
    for (size_t i = 0; i < rest.samples().size(); ++i) rest.samples()[i] -= wanted.samples()[i];
    return rest;
}

LiveSplit::Piece LiveSplit::take(int64_t from, int64_t before) {
    // What is needed before and after is kept in any case; what is not used now is not copied.
    const int64_t margin = m_isolator.margin(),
                  around = std::max(m_isolator.margin(m_strength.timeline), m_isolator.margin(m_before.timeline));
    StemBlock block;
    Piece piece;
    {
        const std::lock_guard lock(m_guard);
        m_taken = std::max({m_taken, from, m_stemsAt == 0 ? 0 : m_stemsAt + margin});
        const int64_t end = m_stemsAt + m_source.frames() - margin;
        if (m_taken >= before || m_taken + kPiece > end) return {m_taken, AudioBuffer(m_channels, 0)};
        piece.first = m_taken;
        m_taken += kPiece;
        const int64_t at = piece.first - around;
        const auto part = [&](const AudioQueue& of) { return of.peek(at - m_stemsAt, kPiece + 2 * around); };
        block.source = part(m_source);
        for (const auto& stem : m_stems) block.stems.push_back(part(stem));
        const int64_t used = m_taken - margin - m_stemsAt;
        if (used > 0) {
            m_source.drop(used);
            for (auto& stem : m_stems) stem.drop(used);
            m_stemsAt += used;
        }
    }
    piece.sound = shaped(m_strength, piece.first, block, around);
    if (m_before != m_strength) {
        const AudioBuffer old = shaped(m_before, piece.first, block, around);
        for (int c = 0; c < m_channels; ++c)
            for (int64_t i = 0; i < kPiece; ++i) {
                const float w = float(i + 1) / float(kPiece);
                float& v = piece.sound.channel(c)[size_t(i)];
                v = w * v + (1 - w) * old.channel(c)[size_t(i)];
            }
        m_before = m_strength;
    }
    return piece;
}

std::string LiveSplit::trouble() const {
    const std::lock_guard lock(m_guard);
    return m_trouble;
}

}  // namespace rivlen

#include "core/separation/TileStream.h"

#include <chrono>
#include <thread>

#include "core/base/Error.h"

namespace rivlen {

namespace {

using Stems = std::vector<AudioBuffer>;

int64_t atOrAfter(int64_t sample, int64_t grid) { return (sample + grid - 1) / grid * grid; }

/// At another speed the grid is a little longer or shorter than the one that a length was made for: the nearest.
int64_t onGrid(int64_t samples, int64_t grid) { return std::max(grid, (samples + grid / 2) / grid * grid); }

Stems slices(const Stems& from, int64_t first, int64_t count) {
    Stems out;
    for (const auto& b : from) out.push_back(b.slice(first, count));
    return out;
}

/// Holds one of the places as long as it lives.
class Place {
public:
    explicit Place(TileStream::Places& places) : m_places(places) { m_places.acquire(); }
    ~Place() { m_places.release(); }
    Place(const Place&) = delete;
    Place& operator=(const Place&) = delete;

private:
    TileStream::Places& m_places;
};

/// A part of the network's answer; one that knows only stereo gets a mono recording twice.
Stems answer(Network& network, const AudioBuffer& input, const Network::Part& part) {
    if (input.channels() != 1 || network.card().mono) return network.separatePart(input, part, 1);
    AudioBuffer both = AudioBuffer::uncleared(2, input.frames());
    for (int c = 0; c < 2; ++c) std::copy(input.samples().begin(), input.samples().end(), both.channel(c).begin());
    auto stems = network.separatePart(both, part, 1);
    for (auto& stem : stems) {
        AudioBuffer one = AudioBuffer::uncleared(1, stem.frames());
        for (size_t i = 0; i < one.samples().size(); ++i)
            one.samples()[i] = 0.5f * (stem.channel(0)[i] + stem.channel(1)[i]);
        stem = std::move(one);
    }
    return stems;
}

}  // namespace

TileGrid::TileGrid(const Speed& speed, int64_t firstTile, int64_t usualTile, int64_t notBefore)
    : tile(onGrid(usualTile, speed.grid)),
      first(std::min(tile, onGrid(firstTile, speed.grid))),
      origin(atOrAfter(notBefore, speed.grid)),
      fade(std::min<int64_t>(speed.rate / 20, first / 2)) {}

int64_t TileGrid::begin(int64_t at) const {
    const int64_t second = origin + first;
    return at < second ? origin : second + (at - second) / tile * tile;
}

int64_t TileGrid::end(int64_t at) const { return at < origin + first ? origin + first : begin(at) + tile; }

TileStream::TileStream(std::shared_ptr<Network> network, const Speed& speed, int channels, const TileGrid& grid,
                       int64_t after, size_t atOnce, std::shared_ptr<Places> places, const Part& part)
    : m_network(std::move(network)),
      m_speed(speed),
      m_channels(channels),
      m_grid(grid),
      m_after(std::min(after, speed.context)),
      m_atOnce(atOnce),
      m_places(std::move(places)),
      m_pending(channels),
      m_pendingAt(part.at),
      m_launched(m_grid.begin(std::max<int64_t>(0, part.from - m_grid.fade))),
      m_until(part.to),
      m_earliest(atOrAfter(part.at, speed.grid)),
      m_begins(part.begins),
      m_ends(part.ends),
      m_leftOut(m_launched - part.at),
      m_abandoned(std::make_shared<std::atomic<bool>>(false)) {}

TileStream::~TileStream() {
    if (m_abandoned) *m_abandoned = true;
}

Stems TileStream::process(const AudioBuffer& in, const Progress& progress) {
    m_pending.append(in);
    return drain(false, progress);
}

Stems TileStream::finish(const Progress& progress) { return drain(true, progress); }

Stems TileStream::drain(bool ended, const Progress& progress) {
    Stems out;
    while (true) {
        progress.throwIfCancelled();
        const int64_t available = m_pendingAt + m_pending.frames();
        const bool more = m_launched < m_until && (ended ? m_launched < available
                                                         : available >= m_grid.end(m_launched) + m_grid.fade + m_after);
        if (more && m_atOnce == 0) {
            launch(available, ended);
            land(out, progress);
        } else if (more && m_flights.size() < m_atOnce) {
            launch(available, ended);
        } else if (!m_flights.empty() &&
                   (more || ended ||
                    m_flights.front().answer.wait_for(std::chrono::seconds(0)) == std::future_status::ready)) {
            land(out, progress);
        } else {
            break;
        }
    }
    while (out.size() < m_network->card().stems.size()) out.emplace_back(m_channels, 0);
    return out;
}

void TileStream::launch(int64_t available, bool ended) {
    const int64_t start = m_launched, end = std::min(m_grid.end(start), available),
                  faded = std::min(end + m_grid.fade, available);
    // What there is of a mirror image, in steps of the grid where it shifts what follows.
    const int64_t earliest =
        m_begins ? -(std::min(m_speed.context, available - 1) / m_speed.grid * m_speed.grid) : m_earliest;
    const int64_t from = std::max(start - m_speed.context, earliest),
                  to = std::min(faded + m_after,
                                m_ends && ended ? 2 * available - std::max<int64_t>(from, 0) - 1 : available);
    const int64_t length = std::max(to - from, m_speed.minimum);
    AudioBuffer input(m_channels, length);
    const int64_t first = std::max<int64_t>(from, 0), last = std::min(to, available);
    m_pending.copy(first - m_pendingAt, last - first, input, first - from);
    for (int c = 0; c < m_channels; ++c) {
        const auto x = input.channel(c);
        const int64_t zero = -from, top = last - from - 1;  // of the recording's first and last sample
        for (int64_t i = 0; i < zero; ++i) x[size_t(i)] = x[size_t(2 * zero - i)];
        for (int64_t i = top + 1; i < to - from; ++i) x[size_t(i)] = x[size_t(2 * top - i)];
    }
    // A network cannot be interrupted inside; it runs on a thread of its own that is left behind when the user cancels.
    std::packaged_task<Stems()> task([network = m_network, abandoned = m_abandoned, places = m_places,
                                      input = std::move(input),
                                      part = Network::Part{start - from, faded - start, m_speed.frame}]() mutable {
        const Place place(*places);
        if (*abandoned) throw Error(Error::Kind::Cancelled, "Cancelled.");
        return answer(*network, input, part);
    });
    m_flights.push_back({end - start, task.get_future()});
    std::thread(std::move(task)).detach();
    m_launched = end;
    const int64_t keepFrom = std::max<int64_t>(0, m_launched - m_speed.context - m_speed.grid);
    if (keepFrom > m_pendingAt) {
        m_pending.drop(keepFrom - m_pendingAt);
        m_pendingAt = keepFrom;
    }
}

void TileStream::land(Stems& out, const Progress& progress) {
    Flight& flight = m_flights.front();
    while (flight.answer.wait_for(std::chrono::milliseconds(20)) != std::future_status::ready)
        progress.throwIfCancelled();
    const int64_t length = flight.length;
    Stems stems = flight.answer.get();
    m_flights.pop_front();
    for (size_t s = 0; s < stems.size(); ++s) {
        const int64_t n = m_tail.empty() ? 0 : std::min({m_grid.fade, m_tail[s].frames(), stems[s].frames()});
        for (int c = 0; c < m_channels; ++c)
            for (int64_t i = 0; i < n; ++i) {
                // The two are nearly the same signal: equal gain, not equal power.
                const float w = (float(i) + 0.5f) / float(n);
                float& v = stems[s].channel(c)[size_t(i)];
                v = w * v + (1 - w) * m_tail[s].channel(c)[size_t(i)];
            }
        if (out.size() <= s) out.push_back(stems[s].slice(0, length));
        else out[s].append(stems[s].slice(0, length));
    }
    m_tail = slices(stems, length, stems[0].frames() - length);
}

}  // namespace rivlen

#pragma once
#include <condition_variable>
#include <mutex>
#include <thread>

#include "core/audio/AudioQueue.h"
#include "core/isolation/Isolator.h"
#include "core/separation/Engine.h"

namespace rivlen {

/// How much of what comes a separation in real time waits for. Whole: all that the network's card asks for, so that the
/// answer is that of a recording that is there as a whole; less is sooner and less well separated (docs/live.md).
enum class LookAhead { Whole, Two, Half };
inline constexpr int kLookAheads = 3;

/// Separates sound that comes bit by bit, in quality Quick, and gives the wanted stem at a strength, late by latency().
/// push(), set() and take() are for one thread and never wait for the network, which works on others. Where it cannot
/// keep up it leaves sound out and goes on with what came last.
class LiveSplit {
public:
    /// channels: 1 or 2. What cannot be separated at all is told by trouble().
    LiveSplit(std::shared_ptr<Network> network, int rate, int channels, LookAhead lookAhead);
    ~LiveSplit();
    LiveSplit(const LiveSplit&) = delete;

    /// Frames after which the answer to what came is expected on a machine that runs the network at kSpeed times real
    /// time or faster.
    static int64_t latency(const NetworkCard& card, int rate, LookAhead lookAhead);
    static constexpr double kSpeed = 12;
    /// Runs the network on a little silence: its first answers take several times as long as all later ones.
    static void warmUp(Network& network);
    /// Seconds of what follows that the network hears.
    static double seconds(const NetworkCard& card, LookAhead lookAhead);

    void push(const AudioBuffer& in);
    /// removed: what the strength takes away is given instead of the result, without its Balance.
    void set(const IsolationSettings& settings, bool removed);

    struct Piece {
        int64_t first = 0;  ///< frame of what came
        AudioBuffer sound;
    };
    /// The next kPiece frames of what is wanted, or none when they are not there yet. from: frames before are not
    /// wanted any more; before: those from there on not yet. Strengths change over one piece.
    Piece take(int64_t from, int64_t before);
    static constexpr int64_t kPiece = 1024;
    /// A sentence: why nothing comes any more; empty while it works.
    std::string trouble() const;

private:
    class Source;
    struct Strength {
        StrengthTimeline timeline;
        bool removed = false;
        bool operator==(const Strength&) const = default;
    };
    void work();
    void skip();
    AudioBuffer shaped(const Strength& strength, int64_t first, const StemBlock& block, int64_t around);

    std::shared_ptr<Network> m_network;
    const int m_rate, m_channels;
    const LookAhead m_lookAhead;
    const int64_t m_latency;
    Isolator m_isolator;
    Strength m_strength, m_before;
    int64_t m_taken = 0;

    mutable std::mutex m_guard;
    std::condition_variable m_came;
    AudioQueue m_input;
    int64_t m_inputAt = 0, m_received = 0;  ///< of the front of m_input; of all that came
    AudioQueue m_source;
    std::vector<AudioQueue> m_stems;
    int64_t m_stemsAt = 0;  ///< of their front
    bool m_stop = false;
    std::shared_ptr<Progress> m_progress;  ///< of the separation at work
    int64_t m_origin = 0;                  ///< where it began
    std::string m_trouble;
    std::thread m_worker;
};

}  // namespace rivlen

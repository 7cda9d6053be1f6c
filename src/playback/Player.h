#pragma once
#include <atomic>
#include <condition_variable>
#include <functional>
#include <memory>
#include <mutex>
#include <optional>
#include <thread>
#include <utility>

#include "core/isolation/StemNames.h"
#include "core/isolation/StrengthTimeline.h"
#include "core/separation/StemStore.h"
#include "playback/BlockQueue.h"
#include "playback/Device.h"
#include "playback/HeardRing.h"
#include "playback/MixFeed.h"
#include "playback/VoiceRing.h"

namespace rivlen {

/// What is heard. Stems are as the network gave them; Result is the wanted stem at the present strength,
/// with its Balance, Leftovers all that the strength takes away: Result without Balance + Leftovers = Source. Where
/// treatments work, Source is what they made of the recording, Recorded the recording as it came in, Removed what they
/// took away. Mix is the rebuild.
enum class Heard { Source, Result, Dialogue, Music, Ambience, Leftovers, Recorded, Removed, Mix };
inline constexpr int kHeardCount = 9;

/// Plays one recording and its separation. Switching what is heard, the strength, the place and the loop
/// are all live and free of clicks: gains move along 10 ms ramps, a changed strength fades in over a block, places
/// change behind 5 ms fades. A change of strength is heard after at most BlockQueue::kBlocks blocks, 43 ms at 48 kHz,
/// and the device's own delay. All functions are for one controlling thread (the window's).
class Player {
public:
    explicit Player(std::unique_ptr<Device> device = makeDefaultDevice());
    ~Player();

    using OpenSource = std::function<std::unique_ptr<SampleSource>()>;
    /// Opens a recording; openSource makes a reader for the feeder's own thread. Stops what was playing.
    void open(const OpenSource& openSource);
    /// Plays another version of the same recording from now on, at the same place: source as in open(); recorded, if
    /// given, for Heard::Recorded; removed, if given, for Heard::Removed, else that is recorded without source.
    void setVersions(OpenSource source, OpenSource recorded, OpenSource removed = {});
    void close();
    bool isOpen() const { return m_frames > 0; }
    /// The stems that go with it, possibly still growing; null takes them away.
    void setStems(std::shared_ptr<StemStore> stems);

    /// The rebuild that goes with it; null takes it away.
    void setMix(std::shared_ptr<const MixPlan> plan);
    /// The mix is heard through these, as by a head that is turned to the left by yaw degrees; null: in two channels.
    void setHeadphones(std::shared_ptr<const HeadResponses> responses, double yaw) {
        m_mix.setHeadphones(std::move(responses), yaw);
    }
    /// The layout that the mix is brought into before it is heard; Own: as it is.
    void setMonitor(ChannelLayout layout) { m_mix.setMonitor(layout); }
    /// What is measured of the mix in its own channels while it plays, and what it was since the last call.
    void setMeasured(MixFeed::Measured what) { m_mix.setMeasured(what); }
    SpaceReading takeReading() { return m_mix.takeReading(); }
    std::shared_ptr<MixMeters> mixMeters() const { return m_mix.meters(); }
    std::vector<RenderGraph::Trouble> mixTroubles() const { return m_mix.troubles(); }

    void play();
    void stop();
    /// Nothing has been heard for a while: the device and the feeder sleep until play(). Nothing while it plays.
    void rest();
    bool resting() const { return m_resting; }
    bool playing() const { return m_playing; }
    void locate(int64_t frame);
    /// The span that repeats, in frames; nothing: play to the end.
    void setLoop(std::optional<std::pair<int64_t, int64_t>> loop);
    void setHeard(Heard heard);
    Heard heard() const { return Heard(m_heard.load()); }
    /// The strength of the wanted stem, timeline.base.stem.
    void setStrength(const StrengthTimeline& timeline);
    /// Gain (linear) for each heard thing, so that comparisons are at equal loudness.
    void setMatchGain(Heard heard, float gain) { m_matchGain[size_t(heard)] = gain; }
    float matchGain(Heard heard) const { return m_matchGain[size_t(heard)]; }

    int64_t position() const;  ///< the frame that is heard now
    int64_t frames() const { return m_frames; }
    int sampleRate() const { return m_rate; }
    /// Largest magnitude since the last call, left and right.
    std::pair<float, float> takePeaks() { return {m_peakLeft.exchange(0), m_peakRight.exchange(0)}; }
    /// What was heard since the last call, interleaved left and right, for meters; at most HeardRing::kFrames frames.
    std::vector<float> takeHeard() { return m_ring.take(); }
    int underruns() const { return m_underruns; }

    /// Blocks that are ready for the device, of BlockQueue::kBlocks; 0 without a recording.
    size_t waiting() const { return m_queue ? m_queue->waiting() : 0; }
    std::string deviceName() const { return m_device->name(); }

    /// The rate that the device runs at, Hz.
    int deviceRate() const { return m_device->rate() > 0 ? m_device->rate() : m_rate; }

    /// Goes on with another device, at the same place.
    void setDevice(std::unique_ptr<Device> device);
    /// The device went away while it was in use: setDevice() goes on.
    bool deviceLost() const { return isOpen() && m_device->lost(); }
    /// The device brings a voice. It does not rest then.
    bool listens() const { return isOpen() && m_device->listens(); }
    /// While it plays, what comes in goes into the ring, at the frames that it answers; null: nowhere.
    void keepVoice(std::shared_ptr<VoiceRing> ring);
    /// Largest magnitude of what came in since the last call, whether it plays or not.
    float takeVoicePeak() { return m_voicePeak.exchange(0); }

    /// The shared transport that is to be followed or led; null: none.
    SharedTransport* transport() const;
    /// What is to be played from the place of the last locate() on is ready.
    bool prepared() const { return m_prepared == m_generation; }

private:
    void feed();
    void fillBlock(PlayBlock& block, int64_t first);
    void fillRows(PlayBlock& block, int64_t first);
    void fillMix(PlayBlock& block, int64_t first, const std::optional<std::pair<int64_t, int64_t>>& loop, int fadeOut);
    void restart();  ///< at the same place, behind a fade
    void wake();
    void pauseFeeding();  ///< the feeder has nothing to do at the moment
    void startDevice();
    void render(const DeviceBlock& out);
    void addRow(const PlayBlock& block, int row, int i, float gain, float* out) const;
    void mixFrame(const PlayBlock& block, int i, float* out) const;
    const PlayBlock* goTo(int64_t frame);
    void updateTargets();

    std::unique_ptr<Device> m_device;
    std::unique_ptr<BlockQueue> m_queue;
    std::thread m_feeder;
    std::atomic<bool> m_running{false}, m_playing{false}, m_resting{false};
    std::condition_variable m_wakeFeeder;  ///< with m_guard; used only from and to rest

    // Written by whoever controls it, read by the feeder, under m_guard (never by the callback).
    std::mutex m_guard;
    OpenSource m_openSource, m_openRecorded, m_openRemoved;
    uint64_t m_sourceVersion = 0;
    std::shared_ptr<StemStore> m_stems;
    uint64_t m_stemsVersion = 0;
    std::shared_ptr<const StrengthTimeline> m_timeline;
    std::optional<std::pair<int64_t, int64_t>> m_loop;
    int64_t m_locateTo = 0;

    // Shared with the callback.
    std::atomic<uint64_t> m_generation{0}, m_prepared{~uint64_t(0)};
    std::atomic<int> m_heard{0};
    std::array<std::atomic<float>, kHeardCount> m_matchGain;
    std::atomic<int64_t> m_position{0};
    std::atomic<float> m_peakLeft{0}, m_peakRight{0};
    std::atomic<int> m_underruns{0};
    std::atomic<bool> m_looping{false};
    std::atomic<bool> m_stemsHeard{false};  ///< the device asks for stems too
    std::atomic<float> m_voicePeak{0};
    std::atomic<VoiceRing*> m_voice{nullptr};

    int64_t m_frames = 0;
    int m_rate = 48000, m_channels = 2;

    // The callback's own.
    static constexpr int kRows = int(Heard::Mix);  // in the order of Heard; the mix has a place of its own
    std::array<float, kHeardCount> m_gain{}, m_target{};
    std::optional<bool> m_rolling;  ///< the transport, as it was in the last block
    float m_open = 0;               ///< fade for starting, stopping and locating
    uint64_t m_heardGeneration = 0;
    int m_offset = 0;  ///< frames of the present block already played
    float m_gainStep = 0.002f, m_fadeStep = 0.004f;

    HeardRing m_ring;
    std::shared_ptr<VoiceRing> m_voiceRing, m_lastVoice;
    MixFeed m_mix;

    // The feeder's own.
    struct Feeding;
    std::unique_ptr<Feeding> m_feeding;
};

}  // namespace rivlen

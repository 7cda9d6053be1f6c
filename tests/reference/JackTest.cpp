// Sound and transport through a JACK server, which the tests start with a driver that needs no sound card (Debian's
// jackd2, "dummy"), and once more through PipeWire, which speaks JACK to programs that are started with its library.
// What arrives is recorded by a client of the tests, which knows nothing of Rivlen.
// The rules of the transport: the JACK Audio Connection Kit's API, "The JACK transport" (jack/transport.h).
#include <gtest/gtest.h>
#include <jack/jack.h>
#include <jack/transport.h>
#include <signal.h>
#include <sys/wait.h>
#include <unistd.h>

#include <atomic>

#include "Places.h"
#include "StoredReel.h"
#include "core/base/Resources.h"
#include "playback/Player.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

constexpr const char* kPipeWire = "RIVLEN_TEST_PIPEWIRE";
bool throughPipeWire() { return getenv(kPipeWire) != nullptr; }

/// What is connected to a port of a card: JACK's dummy has such ports, PipeWire without any card has none.
std::vector<std::string> ofACard(const char* port) {
    return throughPipeWire() ? std::vector<std::string>() : std::vector<std::string>{port};
}

/// A server of its own for the tests.
class Server {
public:
    Server() {
        const std::string name = "rivlen-test-" + std::to_string(getpid());
        if (throughPipeWire()) setenv("XDG_RUNTIME_DIR", m_folder.path().c_str(), 1);
        else setenv("JACK_DEFAULT_SERVER", name.c_str(), 1);
        jack_set_error_function([](const char*) {});
        jack_set_info_function([](const char*) {});
        m_process = fork();
        if (m_process == 0) {
            ::freopen("/dev/null", "w", stdout);
            ::freopen("/dev/null", "w", stderr);
            if (throughPipeWire()) {
                unsetenv("LD_LIBRARY_PATH");
                execlp("pipewire", "pipewire", nullptr);
                _exit(127);
            }
            execlp("jackd", "jackd", "--no-realtime", "--no-mlock", "-n", name.c_str(), "-d", "dummy", "-r", "48000",
                   "-p", "256", nullptr);
            _exit(127);
        }
    }
    ~Server() { end(); }
    bool runs() {
        return waitFor([] { return jackRuns(); });
    }
    void end() {
        if (m_process <= 0) return;
        kill(m_process, SIGTERM);
        waitpid(m_process, nullptr, 0);
        m_process = 0;
    }

private:
    TempFolder m_folder;
    pid_t m_process = 0;
};

/// Another program: hears a port and works the transport.
class Ear {
public:
    Ear() {
        m_client = jack_client_open("ear", JackNoStartServer, nullptr);
        m_in = jack_port_register(m_client, "in", JACK_DEFAULT_AUDIO_TYPE, JackPortIsInput, 0);
        heard.resize(20 * kRate);
        jack_set_process_callback(
            m_client, [](jack_nframes_t n, void* self) { return static_cast<Ear*>(self)->process(n); }, this);
        jack_activate(m_client);
    }
    ~Ear() { jack_client_close(m_client); }
    bool listen(const std::string& port) {
        return waitFor([&] { return jack_connect(m_client, port.c_str(), jack_port_name(m_in)) == 0; });
    }
    std::vector<std::string> ports(const char* pattern, unsigned long flags) {
        std::vector<std::string> names;
        const char** found = jack_get_ports(m_client, pattern, JACK_DEFAULT_AUDIO_TYPE, flags);
        for (int i = 0; found && found[i]; ++i) names.emplace_back(found[i]);
        jack_free(found);
        return names;
    }
    std::vector<std::string> connections(const std::string& port) {
        std::vector<std::string> names;
        const char** found = jack_port_get_all_connections(m_client, jack_port_by_name(m_client, port.c_str()));
        for (int i = 0; found && found[i]; ++i) names.emplace_back(found[i]);
        jack_free(found);
        return names;
    }
    void roll() { jack_transport_start(m_client); }
    void halt() { jack_transport_stop(m_client); }
    void locate(int64_t frame) { jack_transport_locate(m_client, jack_nframes_t(frame)); }
    bool rolling() const { return jack_transport_query(m_client, nullptr) == JackTransportRolling; }
    int64_t frame() const { return jack_get_current_transport_frame(m_client); }

    std::vector<float> heard;                                 ///< by frame of the transport, while it rolls
    std::atomic<int64_t> until{0};                            ///< the transport's frame up to which something was heard
    std::atomic<int64_t> anyway{0};                           ///< frames that came, rolling or not
    std::vector<float> all = std::vector<float>(20 * kRate);  ///< those

private:
    int process(jack_nframes_t frames) {
        jack_position_t at{};
        const bool rolls = jack_transport_query(m_client, &at) == JackTransportRolling;
        const float* in = static_cast<float*>(jack_port_get_buffer(m_in, frames));
        const int64_t before = anyway;
        for (jack_nframes_t i = 0; i < frames; ++i) {
            if (rolls && at.frame + i < heard.size()) heard[at.frame + i] = in[i];
            if (size_t(before) + i < all.size()) all[size_t(before) + i] = in[i];
        }
        anyway = before + frames;
        if (rolls) until = at.frame + frames;
        return 0;
    }
    jack_client_t* m_client;
    jack_port_t* m_in;
};

/// What the window does with each pulse.
void pulse(Player& player, std::optional<int64_t>& going) {
    SharedTransport* const shared = player.transport();
    const auto wanted = shared ? shared->wanted() : std::nullopt;
    if (!wanted) return going.reset();
    if (going != wanted) player.locate(*wanted);
    else if (player.prepared()) shared->reached(*wanted);
    going = wanted;
}

/// The share of frames that are what they should be, the first hundredth of a second, a fade, left out.
double inPlace(const std::vector<float>& heard, std::span<const float> right, int64_t from, int64_t to) {
    int64_t same = 0;
    for (int64_t i = from + kRate / 100; i < to; ++i)
        same += std::fabs(heard[size_t(i)] - right[size_t(i)]) < 1e-4 && right[size_t(i)] != 0;
    return double(same) / double(to - from - kRate / 100);
}

/// What arrived is in its place and not one frame beside it. On a busy machine blocks can be late, silent and faded in
/// again, with PipeWire nearly a third of them; a sound that is a frame off has next to none in its place.
void expectInPlace(const std::vector<float>& heard, std::span<const float> right, int64_t from, int64_t to) {
    EXPECT_GT(inPlace(heard, right, from, to), 0.4);
    for (const int64_t off : {-1, 1}) {
        const std::vector<float> beside(right.begin() + from - off, right.begin() + to - off);
        EXPECT_LT(inPlace({heard.begin() + from, heard.begin() + to}, beside, 0, to - from), 0.1) << off;
    }
}

struct Jack : testing::Test {
    Server server;
    StoredReel reel;
    std::optional<int64_t> going;
    void SetUp() override { ASSERT_TRUE(server.runs()) << "jackd did not start"; }
    void open(Player& player) {
        player.open([this] { return std::make_unique<BufferSource>(reel.source, kRate); });
        player.setStems(reel.store);
    }
    bool until(Player& player, const std::function<bool()>& what) {
        return waitFor([&] {
            pulse(player, going);
            return what();
        });
    }
};

}  // namespace

TEST_F(Jack, PortsBearNamesAndWhatIsHeardGoesToTheLoudspeakers) {
    Player player(makeJackPorts(TransportUse::Alone));
    open(player);
    EXPECT_EQ(player.deviceName(), "JACK");
    Ear ear;
    EXPECT_EQ(ear.ports("^Rivlen:", JackPortIsOutput),
              (std::vector<std::string>{"Rivlen:Heard left", "Rivlen:Heard right", "Rivlen:Dialogue left",
                                        "Rivlen:Dialogue right", "Rivlen:Music left", "Rivlen:Music right",
                                        "Rivlen:Ambience left", "Rivlen:Ambience right"}));
    EXPECT_EQ(ear.connections("Rivlen:Heard left"), ofACard("system:playback_1"));
    EXPECT_EQ(ear.connections("Rivlen:Heard right"), ofACard("system:playback_2"));
    EXPECT_TRUE(ear.connections("Rivlen:Music left").empty());
    EXPECT_EQ(player.transport(), nullptr) << "alone";
}

TEST_F(Jack, FollowsTheTransportToTheSample) {
    Player player(makeJackPorts(TransportUse::Follow));
    open(player);
    Ear ear;
    ASSERT_TRUE(ear.listen("Rivlen:Heard left"));
    ear.locate(31234);
    ASSERT_TRUE(until(player, [&] { return player.position() == 31234; })) << "it goes there while it stands";
    EXPECT_FALSE(player.playing());
    ear.roll();
    ASSERT_TRUE(until(player, [&] { return ear.until > 31234 + kRate / 2; }));
    EXPECT_TRUE(player.playing());
    ear.halt();
    ASSERT_TRUE(until(player, [&] { return !player.playing(); }));
    expectInPlace(ear.heard, reel.source.channel(0), 31234, 31234 + kRate / 2);
}

TEST_F(Jack, StemsAreHeardWhateverIsListenedTo) {
    Player player(makeJackPorts(TransportUse::Follow));
    open(player);
    player.setHeard(Heard::Ambience);
    Ear ear;
    ASSERT_TRUE(ear.listen("Rivlen:Music right"));
    ear.locate(5000);
    ASSERT_TRUE(until(player, [&] { return player.position() == 5000; }));
    ear.roll();
    ASSERT_TRUE(until(player, [&] { return ear.until > 5000 + kRate / 2; }));
    ear.halt();
    expectInPlace(ear.heard, reel.stems[1].channel(1), 5000, 5000 + kRate / 2);
}

TEST_F(Jack, LeadsTheTransportAndGoesElsewhereWhileItRolls) {
    Player player(makeJackPorts(TransportUse::Lead));
    open(player);
    Ear ear;
    ASSERT_TRUE(ear.listen("Rivlen:Heard left"));
    player.transport()->locate(40000);
    player.transport()->roll();
    ASSERT_TRUE(until(player, [&] { return ear.rolling() && ear.until > 40000 + kRate / 4; }));
    player.transport()->locate(90000);
    ASSERT_TRUE(until(player, [&] { return ear.until > 90000 + kRate / 4 && ear.until < 90000 + 2 * kRate; }));
    expectInPlace(ear.heard, reel.source.channel(0), 90000, 90000 + kRate / 4);
    player.transport()->halt();
    ASSERT_TRUE(until(player, [&] { return !player.playing() && !ear.rolling(); }));
    EXPECT_NEAR(double(player.position()), double(ear.frame()), 0.02 * kRate);
}

TEST_F(Jack, AnotherRateIsConverted) {
    Player player(makeJackPorts(TransportUse::Alone));
    const AudioBuffer tone = sine(1000, 0.5, 44100, 44100 * 3, 2);
    player.open([&] { return std::make_unique<BufferSource>(tone, 44100); });
    Ear ear;
    ASSERT_TRUE(ear.listen("Rivlen:Heard right"));
    player.play();
    ASSERT_TRUE(waitFor([&] { return player.position() > 44100; }));
    // 1000 Hz at the server's rate and nothing else, in most pieces of the last half second: a busy machine may have
    // left some out.
    constexpr int64_t kPiece = 960;
    int right = 0;
    for (int piece = 0; piece < 25; ++piece) {
        double c = 0, s = 0, all = 0;
        for (int64_t i = ear.anyway - kPiece * (26 - piece), k = 0; k < kPiece; ++k) {
            const double v = ear.all[size_t(i + k)], phase = 2 * std::numbers::pi * 1000 * double(k) / kRate;
            c += v * std::cos(phase), s += v * std::sin(phase), all += v * v;
        }
        const double amplitude = 2 * std::hypot(c, s) / double(kPiece);
        right += std::fabs(amplitude - 0.5) < 0.005 && all / double(kPiece) - amplitude * amplitude / 2 < 1e-5;
    }
    EXPECT_GT(right, 12);
}

TEST_F(Jack, AServerThatGoesAwayIsNoticed) {
    Player player(makeJackPorts(TransportUse::Lead));
    open(player);
    player.play();
    EXPECT_FALSE(player.deviceLost());
    server.end();
    ASSERT_TRUE(waitFor([&] { return player.deviceLost(); }));
    player.transport()->locate(3);  // nobody is there any more
    player.transport()->roll();
    player.setDevice(makeSilentClock());
    const int64_t here = player.position();
    player.play();
    EXPECT_TRUE(waitFor([&] { return player.position() > here + 1000; })) << "it goes on without";
    EXPECT_FALSE(jackRuns());
    EXPECT_FALSE(makeJackPorts(TransportUse::Alone)->start(kRate, [](const DeviceBlock&) {}));
}

TEST_F(Jack, AVoiceComesInAtTheFramesThatItAnswers) {
    // A client that says where the transport is: what Rivlen keeps of it must be late by what the server says of the
    // way to the loudspeakers, everywhere.
    struct Speaker {
        jack_client_t* client = jack_client_open("speaker", JackNoStartServer, nullptr);
        jack_port_t* out = jack_port_register(client, "out", JACK_DEFAULT_AUDIO_TYPE, JackPortIsOutput, 0);
        Speaker() {
            jack_set_process_callback(
                client,
                [](jack_nframes_t n, void* self) {
                    auto* s = static_cast<Speaker*>(self);
                    jack_position_t at{};
                    jack_transport_query(s->client, &at);
                    auto* to = static_cast<float*>(jack_port_get_buffer(s->out, n));
                    for (jack_nframes_t i = 0; i < n; ++i) to[i] = float(at.frame + i) / float(1 << 20);
                    return 0;
                },
                this);
            jack_activate(client);
        }
        ~Speaker() { jack_client_close(client); }
    } speaker;
    Player player(makeJackPorts(TransportUse::Lead, true));
    open(player);
    EXPECT_TRUE(player.listens());
    Ear ear;
    const auto microphone = ear.connections("Rivlen:Voice");
    EXPECT_EQ(microphone, ofACard("system:capture_1")) << "the first microphone";
    for (const auto& port : microphone) ASSERT_EQ(jack_disconnect(speaker.client, port.c_str(), "Rivlen:Voice"), 0);
    ASSERT_EQ(jack_connect(speaker.client, "speaker:out", "Rivlen:Voice"), 0);
    jack_latency_range_t way{};
    jack_port_get_latency_range(jack_port_by_name(speaker.client, "Rivlen:Heard left"), JackPlaybackLatency, &way);
    if (!throughPipeWire()) {  // without a card nothing is late there
        EXPECT_GT(way.max, 0u);
    }
    const auto ring = std::make_shared<VoiceRing>();
    player.keepVoice(ring);
    player.transport()->locate(40000);
    player.transport()->roll();
    ASSERT_TRUE(until(player, [&] { return player.position() > 40000 + kRate / 2; }));
    player.transport()->halt();
    player.keepVoice(nullptr);
    const auto came = ring->take();
    ASSERT_GT(came.size(), size_t(kRate) / 4);
    size_t right = 0;
    for (const auto& sample : came)
        right += std::llround(double(sample.value) * (1 << 20)) - sample.frame == int64_t(way.max);
    EXPECT_GT(double(right) / double(came.size()), 0.5) << "but for blocks in which the transport stood";
}

TEST_F(Jack, AtAnotherRateThereIsNoVoice) {
    Player player(makeJackPorts(TransportUse::Alone, true));
    const AudioBuffer tone = sine(1000, 0.5, 44100, 44100, 2);
    player.open([&] { return std::make_unique<BufferSource>(tone, 44100); });
    EXPECT_FALSE(player.listens());
}

TEST(PipeWire, CarriesTheSameSoundAndTransport) {
    ASSERT_TRUE(fs::exists("/usr/bin/pw-jack")) << "./rivlen test installs pipewire-jack";
    const auto all = test::run(std::string(kPipeWire) + "=1 timeout 120 pw-jack -p 256 " +
                               (programFolder() / "rivlen-test-reference").string() + " --gtest_filter='Jack.*'");
    EXPECT_EQ(all.code, 0) << all.out;
}

// The rebuild under load: 16 lanes with chains played on two cores, and 2000 clips edited in the real window. Ratios,
// not seconds, are to be compared.
#include <sys/resource.h>
#include <sys/syscall.h>
#include <unistd.h>

#include <QApplication>
#include <QMouseEvent>
#include <QTest>
#include <atomic>
#include <chrono>
#include <cstdio>
#include <random>

#include "EffectFolder.h"
#include "MovingClip.h"
#include "Support.h"
#include "app/widgets/Theme.h"
#include "app/window/MainWindow.h"
#include "core/following/Follow.h"
#include "core/rebuild/RenderGraph.h"

using namespace rivlen;
using namespace rivlen::test;
using Clock = std::chrono::steady_clock;

namespace {

constexpr int kRate = 48000, kLanes = 16, kBlock = 256;
constexpr double kBudget = double(kBlock) / kRate;  // seconds of a callback's block

double since(Clock::time_point start) { return std::chrono::duration<double>(Clock::now() - start).count(); }
void row(const std::string& what, const std::string& value, const char* bar) {
    std::printf("| %-58s | %-34s | %-24s |\n", what.c_str(), value.c_str(), bar);
}

/// Asks for blocks of 256 frames in real time, as a sound card does, and takes the time of each callback.
class TimedDevice : public Device {
public:
    bool start(int rate, RenderCallback callback) override {
        m_run = true;
        m_thread = std::thread([this, rate, callback = std::move(callback)] {
            setpriority(PRIO_PROCESS, id_t(::syscall(SYS_gettid)), -10);  // as a sound server gives it, where it may
            std::vector<float> out(2 * kBlock);
            auto next = Clock::now();
            while (m_run) {
                const auto begin = Clock::now();
                callback({out.data(), {}, kBlock, {}, {}});
                if (counting) times.push_back(since(begin));
                next += std::chrono::nanoseconds(int64_t(1e9 * kBlock / rate));
                std::this_thread::sleep_until(next);
            }
        });
        return true;
    }
    void stop() override {
        m_run = false;
        if (m_thread.joinable()) m_thread.join();
    }
    std::string name() const override { return "timed"; }
    std::atomic<bool> counting{false};
    std::vector<double> times;

private:
    std::atomic<bool> m_run{false};
    std::thread m_thread;
};

/// Work beside it, at the priority that background jobs have.
struct Load {
    std::atomic<bool> run{true};
    std::vector<std::thread> threads;
    explicit Load(int count) {
        for (int i = 0; i < count; ++i)
            threads.emplace_back([this] {
                setpriority(PRIO_PROCESS, id_t(::syscall(SYS_gettid)), 5);
                volatile double x = 1;
                while (run)
                    for (int k = 0; k < 1000; ++k) x = x * 1.0000001 + 1e-9;
            });
    }
    ~Load() {
        run = false;
        for (auto& t : threads) t.join();
    }
};

/// Each lane with a sound of its own, cut into clips, the whole voice chain at work, every other lane ducked, in two
/// groups.
Rebuild session(const fs::path& sound, double seconds) {
    Rebuild r;
    r.groups = {{"group-1", "voices", {}}, {"group-2", "beds", {}}};
    r.sounds.push_back({"sound-1", "sound", sound});
    for (int l = 0; l < kLanes; ++l) {
        Lane lane;
        lane.id = "lane-" + std::to_string(l + 1);
        lane.name = "Lane " + std::to_string(l + 1);
        lane.group = l % 2 ? "group-2" : "group-1";
        lane.strip.level = -18;
        lane.strip.chain = voiceChain();
        lane.strip.chain.gate = true;
        lane.strip.chain.room = l < 2;  // two rooms for all
        lane.strip.automation["level"] = {{0, -18}, {seconds / 2, -15}, {seconds, -20}};
        if (l % 2) lane.duck.on = true, lane.duck.key = "lane-1";
        for (int c = 0; c < int(seconds); ++c) {
            Clip clip;
            clip.id = "clip-" + std::to_string(l * 1000 + c + 1);
            clip.material = "sound-1";
            clip.at = c, clip.length = 1.05, clip.offset = std::fmod(c * 1.37 + l, 10);
            clip.fadeIn = clip.fadeOut = 0.05;
            lane.clips.push_back(clip);
        }
        r.lanes.emplace_back(lane);
    }
    r.mix.chain.compressor = r.mix.chain.limiter = true;
    return r;
}

std::shared_ptr<Materials> materialsOf(double seconds) {
    ReelMaterial reel{[seconds] {
                          return std::make_unique<BufferSource>(AudioBuffer(2, int64_t(seconds * kRate)), kRate);
                      },
                      nullptr,
                      StrengthTimeline(),
                      kRate,
                      2,
                      int64_t(seconds * kRate)};
    return std::make_shared<Materials>(std::move(reel), true);
}

std::string percentiles(std::vector<double> times) {
    std::sort(times.begin(), times.end());
    const auto at = [&](double share) { return 100 * times[size_t(share * double(times.size() - 1))] / kBudget; };
    return text("%.1f %% (median), %.1f %% (99.9 %%), %.1f %%", at(0.5), at(0.999), at(1));
}

void playedRows(const Rebuild& rebuild, double seconds, const char* what,
                const std::shared_ptr<const HeadResponses>& head);

void graphRows(const fs::path& folder) {
    constexpr double seconds = 30;
    writeWav(folder / "sound.wav", programme(2, kRate, 12 * kRate), kRate);
    const Rebuild rebuild = session(folder / "sound.wav", seconds);
    for (int threads : {1, 2}) {
        RenderGraph graph(rebuild, materialsOf(seconds), {threads, 2});
        graph.seek(0, 0);
        std::vector<double> times;
        const auto start = Clock::now();
        for (int64_t at = 0; at < int64_t(seconds * kRate); at += kBlock) {
            const auto begin = Clock::now();
            graph.next(kBlock);
            times.push_back(since(begin));
        }
        row(text("16 lanes, chains, ducking, 2 groups, rendered on %d thread%s", threads, threads > 1 ? "s" : ""),
            text("%.1fx real time", seconds / since(start)), "");
        row("    the graph's share of 256 frames", percentiles(times), "");
    }
    playedRows(rebuild, seconds, "the same", nullptr);
}

/// Played in real time, alone and beside work; heard through a head where there is one.
void playedRows(const Rebuild& rebuild, double seconds, const char* what,
                const std::shared_ptr<const HeadResponses>& head) {
    for (int load : {0, 2}) {
        auto* device = new TimedDevice;
        Player player{std::unique_ptr<Device>(device)};
        player.open(
            [seconds] { return std::make_unique<BufferSource>(AudioBuffer(2, int64_t(seconds * kRate)), kRate); });
        if (head) player.setHeadphones(head, 0), player.setMeasured(MixFeed::Measured::Everything);
        auto plan = std::make_shared<MixPlan>();
        plan->rebuild = rebuild;
        plan->materials = materialsOf(seconds);
        player.setMix(plan);
        player.setHeard(Heard::Mix);
        std::unique_ptr<Load> busy;
        if (load) busy = std::make_unique<Load>(load);
        player.play();
        std::this_thread::sleep_for(std::chrono::seconds(2));
        const int before = player.underruns();
        device->times.reserve(10000);
        device->counting = true;
        std::this_thread::sleep_for(std::chrono::seconds(20));
        device->counting = false;
        const int late = player.underruns() - before;
        busy.reset();
        player.close();
        row(text("%s played in real time for 20 s, %d busy threads beside it", what, load),
            text("%d blocks late", late), "none");
        row("    the callback's share of 256 frames", percentiles(device->times), "never above 50 %");
    }
}

/// The same lanes with an installed effect on each, in processes of their own: what the way there and back costs.
void effectRows(const fs::path& folder) {
    constexpr double seconds = 20;
    writeWav(folder / "sound.wav", programme(2, kRate, 12 * kRate), kRate);
    Rebuild rebuild = session(folder / "sound.wav", seconds);
    double without = 0;
    for (int count : {0, 1, 4}) {
        for (auto& lane : rebuild.lanes) {
            lane.edit().strip.chain.effects.clear();
            for (int i = 0; i < count; ++i) {
                EffectSlot slot = testSlot("late");
                slot.id += std::to_string(i);
                lane.edit().strip.chain.effects.push_back(slot);
            }
        }
        RenderGraph graph(rebuild, materialsOf(seconds), {2, 2});
        graph.seek(0, 0);
        graph.next(kRate);
        const auto start = Clock::now();
        for (int64_t at = kRate; at < int64_t(seconds * kRate); at += kBlock) graph.next(kBlock);
        const double took = since(start) / (seconds - 1);
        if (count == 0) without = took;
        row(text("16 lanes, chains, %d installed effects in all, 2 threads", count * kLanes),
            text("%.1fx real time", 1 / took) +
                (count ? text(", %.2f %% of it for each", 100 * (took - without) / count / kLanes) : ""),
            "");
    }
    for (auto& lane : rebuild.lanes) lane.edit().strip.chain.effects.resize(1);
    playedRows(rebuild, seconds + 10, "16 effects,", nullptr);
}

/// The same lanes placed in third order, moving, and heard through a head while the mix is measured in its channels.
void spaceRows(const fs::path& folder) {
    constexpr double seconds = 30;
    writeWav(folder / "sound.wav", programme(2, kRate, 12 * kRate), kRate);
    Rebuild rebuild = session(folder / "sound.wav", seconds);
    rebuild.format = MixFormat::Ambix3;
    for (size_t i = 0; i < rebuild.lanes.size(); ++i) {
        Strip& strip = rebuild.lanes[i].edit().strip;
        strip.automation["azimuth"] = {{0, -180}, {seconds, 180}};
        strip.elevation = double(i) * 5 - 40;
        strip.distance = 1 + double(i) / 2;
    }
    {
        RenderGraph graph(rebuild, materialsOf(seconds), {2, 2});
        graph.seek(0, 0);
        const auto start = Clock::now();
        for (int64_t at = 0; at < int64_t(seconds * kRate); at += kBlock) graph.next(kBlock);
        row("16 moving lanes, chains, into third order, rendered on 2 threads",
            text("%.1fx real time", seconds / since(start)), "");
    }
    {
        // 20 pictures a second of where the energy is: the meter's work on the sound, and the map's.
        SpaceMeter meter(MixFormat::Ambix3, 16, kRate);
        const AudioBuffer sound = noise(16, kRate);
        const auto listen = [&](SpaceMeter::Detail detail) {
            const auto begin = Clock::now();
            for (int64_t at = 0; at < kRate; at += 512)
                meter.add(sound.slice(at, std::min<int64_t>(512, kRate - at)), detail);
            return since(begin);
        };
        const double listening = listen(SpaceMeter::Detail::Energy);
        const SphereMap map(MixFormat::Ambix3, 16, 60, 30);
        const SpaceReading reading = meter.read();
        const auto drawing = Clock::now();
        double sum = 0;
        for (int i = 0; i < 20; ++i) sum += map.energy(reading)[0];
        const double drawn = since(drawing);
        row("energy of third order over the sphere, 20 pictures a second",
            text("%.1f %% of a core", 100 * (drawn + listening) + (sum < 0 ? 1 : 0)), "below 10 %");
        row("    peaks and loudness of the 16 channels as well",
            text("%.1f %% of a core", 100 * listen(SpaceMeter::Detail::Everything)), "");
    }
    playedRows(rebuild, seconds, "the same on headphones",
               std::make_shared<HeadResponses>(HeadResponses::shipped(), kRate));
}

/// An object followed through ten seconds of picture at 1920 x 1080.
void followRows(const fs::path& folder) {
    const MovingClip clip(1920, 1080);
    if (!clip.write(folder / "moving.mkv")) return;
    const double r = MovingClip::radiusAt(0), high = r * clip.width / clip.height;
    const PictureBox box{MovingClip::xAt(0) - r, MovingClip::yAt(0) - high, 2 * r, 2 * high};
    const auto start = Clock::now();
    const auto frames = followObject(folder / "moving.mkv", {{0, box}}, 10, {});
    row("an object followed at 1920 x 1080",
        text("%.1fx real time", double(frames.size()) / MovingClip::kFps / since(start)), "more than 3");
}

void windowRows(const fs::path& folder) {
    qputenv("XDG_CACHE_HOME", QByteArray::fromStdString((folder / "cache").string()));
    writeWav(folder / "reel.wav", programme(2, kRate, 130 * kRate), kRate);
    Studio studio(makeSilentClock());
    MainWindow window(studio);
    window.show();
    studio.reader.addFiles({QString::fromStdString((folder / "reel.wav").string())});
    if (!QTest::qWaitFor([&] { return studio.document.reel() && studio.reels.current()->info && !studio.busy(); },
                         60000))
        return;
    studio.document.setStage("rebuild");
    RebuildTools& tools = window.desks().rebuild;
    RebuildDesk& desk = tools.desk;
    desk.edit("Many clips", [](Rebuild& r) {
        std::mt19937 random(3);
        r.lanes.clear();
        int number = 0;
        for (int l = 0; l < kLanes; ++l) {
            Lane lane;
            lane.id = "lane-" + std::to_string(l + 1);
            lane.name = "Lane " + std::to_string(l + 1);
            lane.stem = l % 4 - 1;
            for (int c = 0; c < 125; ++c) {
                Clip clip;
                clip.id = "clip-" + std::to_string(++number);
                clip.material = "source";
                clip.at = clip.offset = c * 1.04;
                clip.length = 1.0;
                clip.fadeIn = clip.fadeOut = 0.05;
                clip.gain = double(random() % 12) - 6;
                lane.clips.push_back(clip);
            }
            r.lanes.emplace_back(lane);
        }
    });
    QApplication::processEvents();
    LanesView& lanes = window.pictures().lanes();
    const std::string clip = desk.rebuild().lanes[1]->clips[60].id;
    // A clip is dragged: every move is drawn before the next comes.
    QPointF at = lanes.lanesLayout().clip(clip).topLeft() + QPointF(4, 5);
    QTest::mousePress(&lanes, Qt::LeftButton, {}, at.toPoint());
    std::vector<double> frames;
    for (int i = 0; i < 200; ++i) {
        at += QPointF(i < 100 ? 1 : -1, 0);
        const auto start = Clock::now();
        QTest::mouseMove(&lanes, at.toPoint());
        lanes.repaint();
        frames.push_back(since(start));
    }
    const auto release = Clock::now();
    QTest::mouseRelease(&lanes, Qt::LeftButton, {}, at.toPoint());
    QApplication::processEvents();
    const double done = since(release);
    std::sort(frames.begin(), frames.end());
    row("2000 clips on 16 lanes: a frame while one is dragged",
        text("%.1f ms (median), %.1f ms (99 %%)", 1000 * frames[100], 1000 * frames[197]), "at most 16.7 ms");
    row("    letting go: the document, undo and everything drawn", text("%.1f ms", 1000 * done), "");
    frames.clear();
    for (int i = 0; i < 60; ++i) {
        const auto start = Clock::now();
        window.pictures().axis().zoom(i < 30 ? 0.9 : 1.11, 60);
        lanes.repaint();
        frames.push_back(since(start));
    }
    std::sort(frames.begin(), frames.end());
    row("    a frame while zooming", text("%.1f ms (median), %.1f ms (worst)", 1000 * frames[30], 1000 * frames.back()),
        "at most 16.7 ms");
    studio.file.begin();
}

}  // namespace

int main(int argc, char** argv) {
    QApplication app(argc, argv);
    QApplication::setApplicationName("rivlen-bench");
    theme::apply();
    TempFolder folder;
    row("what", "measured", "bar");
    row("---", "---", "---");
    const std::string only = argc > 1 ? argv[1] : "";  // "graph", "effects", "space", "follow" or "window" alone
    const auto wanted = [&](const char* what) { return only.empty() || only == what; };
    if (wanted("graph")) graphRows(folder.path());
    if (wanted("effects")) effectRows(folder.path());
    if (wanted("space")) spaceRows(folder.path());
    if (wanted("follow")) followRows(folder.path());
    if (wanted("window")) windowRows(folder.path());
    std::fflush(stdout);
    _exit(0);
}

// Measures speed and memory and prints a table. Figures are of this machine at this moment: compare ratios.
//   rivlen-bench [--two-hours | --intake | --dispatch]     also splits a two-hour file (about ten minutes); only what
//   Intake or Dispatch does
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

#include <chrono>
#include <cstdio>
#include <cstring>
#include <filesystem>
#include <random>

#include "DispatchRows.h"
#include "IntakeRows.h"
#include "Places.h"
#include "Support.h"
#include "core/base/Resources.h"
#include "core/isolation/Isolator.h"
#include "core/isolation/TradeOff.h"
#include "core/isolation/Trial.h"
#include "core/media/AudioWriter.h"
#include "core/media/MediaReader.h"
#include "core/separation/Engine.h"
#include "core/separation/NetworkLibrary.h"

using namespace rivlen;
using test::text;
namespace fs = std::filesystem;
using Clock = std::chrono::steady_clock;

namespace {

double since(Clock::time_point start) { return std::chrono::duration<double>(Clock::now() - start).count(); }

struct Cost {
    double seconds = 0, megabytes = 0;
};

/// Runs a program to its end: wall time and the peak of its resident memory.
Cost runProgram(const std::vector<std::string>& words) {
    const auto start = Clock::now();
    std::fflush(stdout);
    const pid_t child = fork();
    if (child == 0) {
        std::vector<char*> argv;
        for (const auto& w : words) argv.push_back(const_cast<char*>(w.c_str()));
        argv.push_back(nullptr);
        if (!freopen("/dev/null", "w", stderr) || !freopen("/dev/null", "w", stdout)) _exit(98);
        execv(argv[0], argv.data());
        _exit(99);
    }
    int status = 0;
    rusage usage{};
    wait4(child, &status, 0, &usage);
    if (!WIFEXITED(status) || WEXITSTATUS(status) != 0)
        std::printf("! %s failed with %d\n", words[0].c_str(), WEXITSTATUS(status));
    return {since(start), double(usage.ru_maxrss) / 1024};
}

/// A stereo 48 kHz recording of the given length: the demo's saloon, repeated.
fs::path recording(const fs::path& folder, double seconds) {
    const fs::path file = folder / (std::to_string(int(seconds)) + "s.wav");
    if (fs::exists(file)) return file;
    MediaReader reader(resourceFolder("demo") / "reel-2-saloon.flac");
    const AudioBuffer reel = reader.read(0, reader.frames());
    AudioWriter writer(file, 48000, 2, {AudioFormat::Container::Wav, AudioFormat::Bits::Int16});
    for (double done = 0; done < seconds; done += reader.info().duration())
        writer.write(reel.slice(0, std::min<int64_t>(reel.frames(), int64_t((seconds - done) * 48000))));
    writer.commit();
    return file;
}

void row(const char* what, const std::string& value, const char* bar) {
    std::printf("| %-52s | %-28s | %-18s |\n", what, value.c_str(), bar);
}

}  // namespace

int main(int argc, char** argv) {
    const bool long_ = argc > 1 && !std::strcmp(argv[1], "--two-hours");
    std::string name = (fs::temp_directory_path() / "rivlen-bench-XXXXXX").string();
    const fs::path folder = mkdtemp(name.data());
    const std::string cli = (programFolder() / "rivlen-cli").string(),
                      desk = (programFolder() / "rivlen-desk").string();
    row("what", "measured", "bar");
    row("---", "---", "---");
    if (argc > 1 && !std::strcmp(argv[1], "--intake")) {
        intakeRows(recording(folder, 600), folder, row);
        fs::remove_all(folder);
        return 0;
    }
    const auto dispatched = [&](double seconds) {
        dispatchRows(
            recording(folder, seconds), seconds, folder,
            [](const auto& words) {
                const Cost c = runProgram(words);
                return std::pair(c.seconds, c.megabytes);
            },
            row);
    };
    if (argc > 1 && !std::strcmp(argv[1], "--dispatch")) {
        dispatched(600);
        fs::remove_all(folder);
        return 0;
    }
    const double peak = matrixPeak();
    row("matrix multiplication 1024 x 1024, two threads", text("%.0f GFLOP/s", peak), "");
    const fs::path ten = recording(folder, 600);
    for (const char* quality : {"fine", "quick"}) {
        const NetworkCard card = forQuality(findNetwork(""), quality);
        const Cost c =
            runProgram({cli, "split", ten.string(), "--out", (folder / quality).string(), "--quality", quality});
        row(text("split, %s, stereo 48 kHz, 600 s", quality).c_str(),
            text("%.1fx real time, %.0f MB", 600 / c.seconds, c.megabytes),
            std::strcmp(quality, "fine") ? "at least 60x" : "at least 10x");
        // One pass alone on a tile of the usual length: what the network itself costs and makes of the machine.
        const auto network = loadNetwork(card);
        const AudioBuffer tile = MediaReader(ten).read(0, 48000 * 40);
        network->separate(tile);
        double pass = 1e9;
        for (int i = 0; i < 3; ++i) {
            const auto start = Clock::now();
            network->separate(tile);
            pass = std::min(pass, since(start));
        }
        const double work = card.all.value("gigaflop_per_second_of_stereo", 0.0);
        row(text("network \"%s\" alone, one pass of 40 s", card.id.c_str()).c_str(), text("%.1fx real time", 40 / pass),
            "");
        row("    its work for a second of stereo", text("%.2f GFLOP", work), "");
        row("    share of the matrix peak", text("%.0f %%", 100 * work * 40 / pass / peak), "");
    }
    const fs::path length = long_ ? recording(folder, 7200) : ten;
    {
        const auto start = Clock::now();
        MediaReader reader(length);
        row(text("opening a file of %.0f s", reader.info().duration()).c_str(), text("%.3f s", since(start)), "");
    }
    {
        const auto start = Clock::now();
        MediaReader reader(length);
        Progress progress;
        double first = 0;
        try {
            separate(
                reader, loadNetwork(findNetwork("")), {},
                [&](int64_t, const AudioBuffer&, const std::vector<AudioBuffer>&) {
                    first = since(start);
                    progress.cancel();
                },
                progress);
        } catch (const Error&) {  // cancelled on purpose
        }
        row("first separated sound of a freshly opened file", text("%.2f s", first), "below 3 s");
    }
    if (long_) {
        const Cost memory = runProgram({cli, "split", length.string(), "--out", (folder / "long").string()});
        row("split of two hours, fine", text("%.1fx real time, %.0f MB", 7200 / memory.seconds, memory.megabytes),
            "below 1500 MB");
    }
    const Cost window = runProgram({desk, "--first-paint"});
    row("window: process start to first paint and end", text("%.2f s", window.seconds), "below 1.5 s");
    IsolationSettings firm, everything;
    firm.firmness = everything.firmness = 40;
    everything.onsetGuard = everything.steadiness = 50;
    for (const auto& [name, settings] : {std::pair("firmness", firm), std::pair("all strength controls", everything)}) {
        Isolator isolator(2, 48000);
        isolator.keepFrames();  // as the player does
        const int64_t n = 512, m = isolator.margin();
        const AudioBuffer x(2, n + 2 * m);
        const std::vector<AudioBuffer> stems(3, x);
        const auto start = Clock::now();
        for (int i = 0; i < 300; ++i) isolator.apply(settings, 0, i * n, n, x, stems);
        row(text("%s while playing, share of one core", name).c_str(),
            text("%.1f %%", 100 * since(start) / (300.0 * 512 / 48000)), "");
    }
    {
        // Half a minute of made-up stems: the arithmetic does not depend on what they hold.
        std::mt19937 random(1);
        std::normal_distribution<float> normal(0, 0.1f);
        StemReaders stems;
        AudioBuffer sum(2, 30 * 48000);
        for (int s = 0; s < 3; ++s) {
            AudioBuffer stem(2, sum.frames());
            for (size_t i = 0; i < stem.samples().size(); ++i) sum.samples()[i] += stem.samples()[i] = normal(random);
            stems.stems.push_back(std::make_unique<BufferSource>(std::move(stem), 48000));
        }
        BufferSource source(std::move(sum), 48000);
        const auto start = Clock::now();
        const SpanCells cells = readSpanCells(source, stems, {}, 0, 0, source.frames());
        Weigher weigher(cells);
        const double ready = since(start);
        weigher.weigh({});
        const double one = since(start) - ready;
        tradeOff({}, weigher, {});
        row("trade-off chart of 30 s of stereo, from the stems", text("%.2f s", since(start)), "below 3 s");
        row("    one strength weighed again", text("%.2f s", one), "");
    }
    {
        MediaReader reader(fs::path(test::kSourceFolder) / "demo" / "reel-2-saloon.flac");
        const int64_t first = 5 * 48000, count = 10 * 48000;
        for (const auto& choice : trialChoices()) {
            const auto network = loadNetwork(choice.card);
            for (const char* when : {"first", "again"})
                row(text("trying %s on 10 s, %s", choice.name.c_str(), when).c_str(),
                    text("%.2f s", tryNetwork(reader, choice, network, {{}}, first, count, {}).seconds), "below 2 s");
        }
    }
    intakeRows(ten, folder, row);
    dispatched(600);
    fs::remove_all(folder);
    std::fflush(stdout);
    _exit(0);  // the abandoned tile may still be computing
}

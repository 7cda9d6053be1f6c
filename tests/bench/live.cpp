// What is separated while it plays: what a shorter look-ahead costs in quality, how late the answer is, what it takes
// of a processor, and whether it is there in time.
//   rivlen-bench-live FOLDER     clips of training/make_clips.py, heard one after the other as one programme; none:
//                                only whether it is there in time
#include <sys/resource.h>

#include <chrono>
#include <cstdio>
#include <fstream>
#include <thread>

#include "Support.h"
#include "core/base/Resources.h"
#include "core/live/LiveSplit.h"
#include "core/measures/SeparationMeasures.h"
#include "core/media/MediaReader.h"
#include "core/separation/NetworkLibrary.h"
#include "lv2/LiveLine.h"

using namespace rivlen;
namespace fs = std::filesystem;
using Clock = std::chrono::steady_clock;

namespace {

constexpr int kRate = 48000;
const char* const kNames[] = {"whole", "2 s", "0.5 s"};

double processorSeconds(int who) {
    rusage use{};
    getrusage(who, &use);
    return double(use.ru_utime.tv_sec + use.ru_stime.tv_sec) +
           1e-6 * double(use.ru_utime.tv_usec + use.ru_stime.tv_usec);
}

struct Programme {
    AudioBuffer dialogue{2, 0}, mix{2, 0};
    std::vector<std::pair<int64_t, int64_t>> clips;  ///< first frame, frames
};

AudioBuffer stereo(const AudioBuffer& x) {
    AudioBuffer out(2, x.frames());
    for (int c = 0; c < 2; ++c) std::ranges::copy(x.channel(std::min(c, x.channels() - 1)), out.channel(c).begin());
    return out;
}

Programme programmeOf(const fs::path& folder) {
    Programme p;
    for (const fs::path& file : test::entries(folder)) {
        const std::string name = file.filename().string();
        if (!name.ends_with("-dialogue.flac")) continue;
        MediaReader dialogue(file), bed(folder / (name.substr(0, 3) + "-bed.flac"));
        const AudioBuffer d = stereo(dialogue.read(0, dialogue.frames()));
        p.clips.emplace_back(p.mix.frames(), d.frames());
        p.dialogue.append(d);
        p.mix.append(test::sumOf({d, stereo(bed.read(0, dialogue.frames()))}));
    }
    return p;
}

/// The dialogue as it comes while it plays; took: processor seconds.
AudioBuffer played(const std::shared_ptr<Network>& network, const AudioBuffer& mix, LookAhead lookAhead, double& took) {
    LiveSplit split(network, kRate, 2, lookAhead);
    IsolationSettings settings;
    split.set(settings, false);
    const double before = processorSeconds(RUSAGE_SELF);
    AudioBuffer out(2, mix.frames());
    int64_t there = 0;
    const int64_t latency = LiveSplit::latency(network->card(), kRate, lookAhead);
    for (int64_t at = 0; there < mix.frames(); at += 4800) {
        split.push(mix.slice(at, 4800));  // silence after the end
        while (there < std::min(mix.frames(), at + 4800 - latency)) {
            const auto piece = split.take(there, mix.frames());
            const int64_t count = std::min(piece.sound.frames(), mix.frames() - there);
            for (int c = 0; c < 2; ++c)
                std::copy_n(piece.sound.channel(c).begin(), count, out.channel(c).begin() + there);
            there += count;
            if (piece.sound.frames() == 0) std::this_thread::sleep_for(std::chrono::milliseconds(1));
        }
    }
    took = processorSeconds(RUSAGE_SELF) - before;
    return out;
}

void qualityRows(const fs::path& folder) {
    const auto network = loadNetwork(forQuality(findNetwork(""), "quick"));
    const Programme p = programmeOf(folder);
    std::vector<double> whole;
    for (int look = 0; look < kLookAheads; ++look) {
        double took = 0;
        const AudioBuffer answer = played(network, p.mix, LookAhead(look), took);
        std::vector<double> gains;
        double mean = 0, least = 1e9, worstAgainst = 1e9;
        int worse = 0;
        for (size_t i = 0; i < p.clips.size(); ++i) {
            const auto [first, count] = p.clips[i];
            const AudioBuffer truth = p.dialogue.slice(first, count);
            gains.push_back(siSdr(answer.slice(first, count), truth) - siSdr(p.mix.slice(first, count), truth));
            mean += gains.back() / double(p.clips.size());
            least = std::min(least, gains.back());
            worse += gains.back() < 0;
            if (look > 0) worstAgainst = std::min(worstAgainst, gains.back() - whole[i]);
        }
        if (look == 0) whole = gains;
        std::printf("| %-6s | %6.2f s | %+5.2f dB (%+.1f at least, worse than before in %d of %zu) | %s | %.0f %% |\n",
                    kNames[look], double(LiveSplit::latency(network->card(), kRate, LookAhead(look))) / kRate, mean,
                    least, worse, p.clips.size(), look ? test::text("%+.1f dB", worstAgainst).c_str() : "",
                    100 * took * kRate / double(p.mix.frames()));
        std::fflush(stdout);
    }
}

/// As a host plays it, in blocks of 256 frames in real time; busy: threads beside it.
void timeRow(const AudioBuffer& mix, int look, int busy) {
    LiveLine line((programFolder() / "rivlen-live-host").string(), kRate, 2);
    line.setControl(0, 61);
    line.restart(look);
    std::atomic<bool> run{true};
    std::vector<std::thread> load;
    for (int i = 0; i < busy; ++i)
        load.emplace_back([&] {
            volatile double x = 1;
            while (run) x = x * 1.0000001 + 1e-9;
        });
    const int64_t latency = line.latency(look), frames = latency + 20 * kRate;
    int late = 0, lateFirst = 0;
    double longest = 0;
    auto next = Clock::now();
    for (int64_t at = 0; at + 256 <= frames; at += 256) {
        const AudioBuffer block = mix.slice(at % (mix.frames() - 256), 256);
        const float* in[2] = {block.channel(0).data(), block.channel(1).data()};
        const auto begin = Clock::now();
        line.put(in, 256);
        const int64_t first = at - latency;
        const bool isLate = first >= 0 && !(line.ready(first) && line.ready(first + 255));
        late += isLate;
        lateFirst += isLate && first < 2 * kRate;
        longest = std::max(longest, std::chrono::duration<double>(Clock::now() - begin).count());
        next += std::chrono::nanoseconds(int64_t(1e9 * 256 / kRate));
        std::this_thread::sleep_until(next);
    }
    run = false;
    for (auto& t : load) t.join();
    std::printf(
        "| %s, %d busy threads beside it | %.2f s | %d of %d blocks late, %d of them in the first two seconds | "
        "longest call %.2f ms |\n",
        kNames[look], busy, double(latency) / kRate, late, 20 * kRate / 256, lateFirst, 1000 * longest);
    std::fflush(stdout);
}

}  // namespace

int main(int argc, char** argv) {
    if (argc != 2) return 2;
    if (!fs::is_empty(argv[1])) {
        std::printf(
            "| look-ahead | late by | the dialogue's gain in SI-SDR | worst case against whole | of a processor |\n"
            "|---|---|---|---|---|\n");
        qualityRows(argv[1]);
    }
    std::printf("\n| played for 20 s | late by | | |\n|---|---|---|---|\n");
    const AudioBuffer mix = test::programme(2, kRate, 30 * kRate);
    for (int look = 0; look < kLookAheads; ++look)
        for (int busy : {0, 2}) timeRow(mix, look, busy);
    std::fflush(stdout);
    _exit(0);
}

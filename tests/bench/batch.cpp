// What a batch costs beside the work itself: ./rivlen bench batch.
#include <nlohmann/json.hpp>

#include "SmallCluster.h"
#include "Support.h"
#include "core/base/Resources.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kReels = 20, kSeconds = 10;

double secondsOf(const std::string& command) {
    const auto start = std::chrono::steady_clock::now();
    const Run r = run(command);
    if (r.code != 0) std::fprintf(stderr, "%s\n", r.out.c_str());
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
}

void row(const char* what, double seconds, double plain) {
    std::printf("| %-62s | %6.1f s | %+6.2f s a reel |\n", what, seconds, (seconds - plain) / kReels);
    std::fflush(stdout);
}

}  // namespace

int main() {
    const TempFolder folder;
    fs::create_directories(folder / "in");
    std::string files;
    for (int i = 0; i < kReels; ++i) {
        const fs::path file = folder / ("in/r" + std::to_string(i) + ".wav");
        writeWav(file, programme(2, 48000, kSeconds * 48000), 48000);
        files += " " + file.string();
    }
    const std::string cli = (programFolder() / "rivlen-cli").string(), in = (folder / "in").string(),
                      work = " --quality quick --out " + folder.path().string();
    std::printf("| %d reels of %d s, split, quick | time | more than one command |\n|---|---|---|\n", kReels, kSeconds);
    const double plain = secondsOf(cli + " split" + files + work + "/plain");
    row("one command over all files", plain, plain);
    row("batch --jobs 1", secondsOf(cli + " batch split " + in + work + "/one --jobs 1"), plain);
    row("batch --jobs 2", secondsOf(cli + " batch split " + in + work + "/two --jobs 2"), plain);
    std::printf("| %-62s | %6.2f s | |\n", "    given again: nothing is missing",
                secondsOf(cli + " batch split " + in + work + "/two --jobs 2"));
    if (!fs::exists("/usr/sbin/slurmctld")) return 0;
    const SmallCluster cluster(folder.path() / "slurm");
    if (!cluster.ready()) return 1;
    row("batch --slurm, two nodes of one processor on this machine",
        secondsOf(cli + " batch split " + in + work + "/three --slurm"), plain);
    return 0;
}

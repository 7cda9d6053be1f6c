// Are Spill and Damage true? Compares them with the SIR and SAR of BSS Eval on mixtures whose parts are known.
//   rivlen-bench-measures FOLDER     clips of training/make_clips.py
#include <cstdio>
#include <filesystem>

#include "core/isolation/Isolator.h"
#include "core/isolation/Weighing.h"
#include "core/measures/SeparationMeasures.h"
#include "core/media/MediaReader.h"
#include "core/separation/Engine.h"
#include "core/separation/NetworkLibrary.h"
#include "Support.h"
using namespace rivlen;
namespace fs = std::filesystem;

int main(int argc, char** argv) {
    const auto network = loadNetwork(findNetwork(""));
    std::vector<IsolationSettings> all;
    for (double depth : {6.0, 12.0, 20.0, kFullDepth})
        for (double firmness : {0.0, 50.0}) { IsolationSettings s; s.depth = depth; s.firmness = firmness; all.push_back(s); }
    { IsolationSettings s; s.firmness = -50; all.push_back(s); }
    { IsolationSettings s; s.onsetGuard = 70; all.push_back(s); }
    { IsolationSettings s; s.steadiness = 60; all.push_back(s); }
    { IsolationSettings s; s.steadiness = 60; s.depth = 12; s.firmness = 30; all.push_back(s); }
    for (int n = 0;; ++n) {
        char name[64];
        std::snprintf(name, sizeof name, "%03d-", n);
        if (!fs::exists(fs::path(argv[1]) / (std::string(name) + "bed.flac"))) break;
        const auto read = [&](const char* what) { MediaReader r(fs::path(argv[1]) / (std::string(name) + what + ".flac")); return r.read(0, r.frames()); };
        const AudioBuffer dialogue = read("dialogue"), bed = read("bed");
        AudioBuffer x = test::sumOf({dialogue, bed});
        EngineOptions options; options.quality = EngineOptions::Quality::Fine; options.stems = {"dialogue", "music", "ambience"};
        const auto stems = test::separated(network, x, 48000, options);
        Isolator isolator(2, 48000);
        const int64_t m = isolator.margin(), frames = x.frames();
        const auto padded = [&](const AudioBuffer& b) { AudioBuffer out(2, frames + 2 * m); for (int c = 0; c < 2; ++c) std::copy(b.channel(c).begin(), b.channel(c).end(), out.channel(c).begin() + m); return out; };
        std::vector<AudioBuffer> ps; for (auto& s : stems) ps.push_back(padded(s));
        const AudioBuffer px = padded(x);
        const SpanCells cells = isolator.cells(0, 0, frames, px, ps);
        const double before = estoi(x, dialogue, 48000).value_or(0);
        for (size_t i = 0; i < all.size(); ++i) {
            const auto y = isolator.apply(all[i], 0, 0, frames, px, ps);
            const auto bss = bssEval({y[0], test::sumOf({y[1], y[2]})}, {dialogue, bed});
            const Weighing w = weigh(all[i], cells);
            std::printf("%d %zu %.3f %.3f %.4f %.3f %.3f %.3f %.3f %.3f\n", n, i, bss[0].sir, bss[0].sar, estoi(y[0], dialogue, 48000).value_or(0) - before,
              siSdr(y[0], dialogue), w.spillDb, w.artifactDb, w.damage.onsetLoss, w.damage.warble);
            std::fflush(stdout);
        }
    }
}

// What learning a scene brings: on mixtures like the field set's, with what was heard before them marked as ambience.
//   rivlen-bench-scene FOLDER [SECONDS [self]]     scenes of training/make_scenes.py; SECONDS of ambience marked before
//   each mixture (5 by default, 0 for none); "self": no marks, what Rivlen is sure of itself counts
#include <sys/resource.h>

#include <chrono>
#include <cstdio>
#include <fstream>

#include "Support.h"
#include "core/learning/LearnProcess.h"
#include "core/learning/MarkedSounds.h"
#include "core/measures/SeparationMeasures.h"
#include "core/media/MediaReader.h"
#include "core/separation/Engine.h"
#include "core/separation/NetworkLibrary.h"
#include "core/session/Mark.h"

using namespace rivlen;
namespace fs = std::filesystem;

namespace {

constexpr double kMarked = 5;  ///< seconds before each mixture
constexpr double kNoWorse = -0.3, kWanted = 1.5;

struct Row {
    std::string kind;
    bool kept = false;
    std::array<double, kStemCount> gain{}, unguarded{};  ///< dB of SI-SDR over the network as it came
    double seconds = 0;
};

/// What a network makes of a mixture whose parts are known.
struct Answer {
    std::array<double, kStemCount> siSdr{};
    double apartDb = 0;  ///< how far apart the dialogues of its speeds are, over their mean's level
};

Answer answer(const NetworkCard& card, const AudioBuffer& mixture, const std::array<AudioBuffer, kStemCount>& parts) {
    EngineOptions options;
    options.stems = kStemNames;
    std::vector<std::vector<AudioBuffer>> speeds;
    for (const int rate : card.fineRates) {
        NetworkCard alone = card;
        alone.fineRates = {rate};
        speeds.push_back(test::separated(loadNetwork(alone), mixture, 48000, options));
    }
    std::vector<AudioBuffer> mean = speeds[0];
    Answer out;
    double apart = 0, level = 1e-12;
    for (size_t s = 0; s < kStemCount; ++s) {
        for (size_t i = 0; i < mean[s].samples().size(); ++i) {
            double sum = 0;
            for (const auto& speed : speeds) sum += double(speed[s].samples()[i]);
            sum /= double(speeds.size());
            mean[s].samples()[i] = float(sum);
            if (s > 0) continue;
            level += sum * sum;
            for (const auto& speed : speeds)
                apart += std::pow(double(speed[s].samples()[i]) - sum, 2) / double(speeds.size());
        }
        out.siSdr[s] = test::levelDb(parts[s]) > -90 ? rivlen::siSdr(mean[s], parts[s]) : std::nan("");
    }
    out.apartDb = 10 * std::log10((apart + 1e-12) / level);
    return out;
}

std::vector<MarkedSpan> sureMoments(const fs::path& scene, const NetworkCard& card) {
    MediaReader reader(scene);
    const AudioBuffer x = reader.read(0, reader.frames());
    EngineOptions options;
    options.stems = kStemNames;
    LevelTrack stems{int(kStemCount)}, source{1};
    const auto parts = test::separated(loadNetwork(card), x, 48000, options);
    stems.add(parts);
    stems.finish();
    source.add(std::span(&x, 1));
    source.finish();
    std::vector<MarkedSpan> spans;
    for (const Mark& m : proposedMarks(stems, source, 48000, x.frames(), {}))
        spans.push_back({scene, m.stem, m.from, m.to});
    return spans;
}

Row measured(const fs::path& base, double marked, bool self) {
    const auto read = [&](const std::string& what) {
        MediaReader reader(base.string() + "-" + what + ".flac");
        return reader.read(0, reader.frames());
    };
    Row row;
    std::ifstream(base.string() + ".txt") >> row.kind;
    const std::array<AudioBuffer, kStemCount> parts{read("dialogue"), read("music"), read("ambience")};
    const AudioBuffer mixture = test::sumOf({parts[0], parts[1], parts[2]});
    const fs::path scene = base.string() + "-scene.flac", file = base.string() + ".scene";
    const NetworkCard card = findNetwork("");
    const Answer before = answer(card, mixture, parts);
    const auto start = std::chrono::steady_clock::now();
    std::vector<MarkedSpan> spans{{scene, "ambience", kMarked - marked, kMarked}};
    if (self) spans = sureMoments(scene, card);
    LearnSettings settings;
    settings.keepAnyway = true;
    if (spans.empty()) {  // the window says so, and does not begin
        std::printf("%s %-9s no sure moment to learn from\n", base.filename().c_str(), row.kind.c_str());
        return row;
    }
    const SceneOutcome outcome = learnApart(card, sceneSounds(spans, card.sampleRate), {}, settings);
    row.seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    row.kept = outcome.kept;
    if (outcome.changes.empty()) return row;
    sceneOf("bench", card, spans, outcome).save(file);
    const Answer after = answer(withScene(card, file), mixture, parts);
    for (size_t s = 0; s < kStemCount; ++s) {
        row.unguarded[s] = after.siSdr[s] - before.siSdr[s];
        row.gain[s] = outcome.kept ? row.unguarded[s] : std::isnan(after.siSdr[s]) ? after.siSdr[s] : 0;
    }
    std::printf("%s %-9s %s | %+.2f %+.2f %+.2f | promised", base.filename().c_str(), row.kind.c_str(),
                row.kept ? "kept   " : "refused", row.unguarded[0], row.unguarded[1], row.unguarded[2]);
    for (const auto& [stem, gain] : outcome.gainDb) std::printf(" %s %+.2f", stem.c_str(), gain);
    std::printf(" steadier %+.2f | speeds apart %.1f to %.1f dB | %.0f s\n", outcome.steadierDb, before.apartDb,
                after.apartDb, row.seconds);
    std::fflush(stdout);
    return row;
}

void print(const char* name, const std::vector<Row>& rows) {
    double sum = 0, ambience = 0, worst = 100, raw = 0, rawWorst = 100;
    int kept = 0, worse = 0, good = 0;
    for (const Row& r : rows) {
        sum += r.gain[0], ambience += r.gain[2], raw += r.unguarded[0];
        worst = std::min(worst, r.gain[0]), rawWorst = std::min(rawWorst, r.unguarded[0]);
        kept += r.kept, worse += r.gain[0] < kNoWorse, good += r.gain[0] >= kWanted;
    }
    const double n = double(std::max<size_t>(1, rows.size()));
    std::printf("| %s | %zu | %d | %+.2f | %+.2f | %d | %d | %+.2f | %+.2f | %+.2f |\n", name, rows.size(), kept,
                sum / n, worst, worse, good, ambience / n, raw / n, rawWorst);
}

}  // namespace

int main(int argc, char** argv) {
    if (argc < 2) return 2;
    const double marked = argc > 2 ? std::atof(argv[2]) : kMarked;
    const bool self = argc > 3;
    std::vector<fs::path> bases;
    for (const auto& entry : fs::directory_iterator(argv[1]))
        if (entry.path().extension() == ".txt") bases.push_back(entry.path().parent_path() / entry.path().stem());
    std::sort(bases.begin(), bases.end());
    std::vector<Row> rows;
    for (const fs::path& base : bases) rows.push_back(measured(base, marked, self));
    std::printf(
        "\n| kind | scenes | kept | dialogue, dB | worst | worse than %.1f | at least %.1f | ambience, dB | without "
        "the guard: dialogue | worst |\n|---|---|---|---|---|---|---|---|---|---|\n",
        kNoWorse, kWanted);
    std::map<std::string, std::vector<Row>> kinds;
    for (const Row& r : rows) kinds[r.kind].push_back(r);
    for (const auto& [kind, of] : kinds) print(kind.c_str(), of);
    print("all", rows);
    double longest = 0;
    for (const Row& r : rows) longest = std::max(longest, r.seconds);
    rusage used{};
    getrusage(RUSAGE_CHILDREN, &used);
    std::printf("\nLearned in %.0f s at most, in a process of %.0f MB at most.\n", longest,
                double(used.ru_maxrss) / 1024);
}

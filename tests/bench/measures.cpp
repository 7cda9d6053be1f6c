// Are Spill and Damage true? Compares them with the SIR and SAR of BSS Eval on mixtures whose parts are known, and the
// suggested knee with fixed settings.
//   rivlen-bench-measures FOLDER [FEATURES [KNEES]]     clips of training/make_clips.py; tables for
//   training/fit_spill.py, fit_knee.py. A clip with a NNN-part.txt is a stem with that part as its "dialogue".
#include <cstdio>
#include <filesystem>
#include <fstream>

#include "Support.h"
#include "core/isolation/Isolator.h"
#include "core/isolation/SpillModel.h"
#include "core/isolation/TradeOff.h"
#include "core/isolation/Trial.h"
#include "core/measures/RankCorrelation.h"
#include "core/measures/SeparationMeasures.h"
#include "core/media/MediaReader.h"
#include "core/separation/Confidence.h"
#include "core/separation/NetworkLibrary.h"
#include "core/separation/Parts.h"

using namespace rivlen;
namespace fs = std::filesystem;

namespace {

IsolationSettings setting(double depth, double firmness = 0, double onsetGuard = 0, double steadiness = 0) {
    return test::strength(depth, firmness, onsetGuard, steadiness);
}

const std::vector<IsolationSettings> kSettings{setting(6),
                                               setting(6, 50),
                                               setting(12),
                                               setting(12, 50),
                                               setting(20),
                                               setting(20, 50),
                                               setting(kFullDepth),
                                               setting(kFullDepth, 50),
                                               setting(kFullDepth, -50),
                                               setting(kFullDepth, 0, 70),
                                               setting(kFullDepth, 0, 0, 60),
                                               setting(12, 30, 0, 60)};
const std::vector<IsolationSettings> kForFitting{setting(12), setting(kFullDepth), setting(kFullDepth, 50),
                                                 setting(kFullDepth, 0, 0, 60)};

/// Common practice gives isolation in per cent: what is let back in is the rest, so 60 % is 20 log10(1 / 0.4) = 8 dB of
/// Depth.
const std::vector<std::pair<const char*, IsolationSettings>> kFixed{
    {"full", setting(kFullDepth)}, {"60 % (8 dB)", setting(8)}, {"25 % (2.5 dB)", setting(2.5)}};

struct Clip {
    AudioBuffer dialogue, bed;
    StemBlock block;  ///< with the isolation's margin around
    SpanCells cells;
    std::string wanted = "dialogue";

    AudioBuffer result(Isolator& isolator, IsolationSettings s) const {
        s.stem = wanted;
        return isolator.apply(s, int(stemPlace(wanted)), 0, block).wanted(wanted);
    }
};

/// The part that a clip is about; empty: it is a recording with a voice.
std::string partOf(const fs::path& stem) {
    std::string name;
    std::ifstream(stem.string() + "part.txt") >> name;
    return name;
}

Clip prepared(const fs::path& stem, const std::shared_ptr<Network>& network,
              EngineOptions::Quality quality = EngineOptions::Quality::Fine) {
    const auto read = [&](const char* what) {
        MediaReader reader(stem.string() + what + ".flac");
        return reader.read(0, reader.frames());
    };
    Clip clip{read("dialogue"), read("bed"), {}, {}};
    const AudioBuffer x = test::sumOf({clip.dialogue, clip.bed});
    EngineOptions options;
    options.stems = {"dialogue", "music", "ambience"};
    options.quality = quality;
    Isolator isolator(x.channels(), 48000);
    const int64_t margin = isolator.margin(), frames = x.frames();
    StemBlock whole{x, {}, {}};
    if (const std::string part = partOf(stem); !part.empty()) {  // all of the recording is its stem
        clip.wanted = part;
        whole.stems.assign(kStemCount, AudioBuffer(x.channels(), frames));
        whole.stems[stemPlace(part)] = x;
        takeApart(whole, stemOfPart(part), 48000, "fine", {});
    } else {
        whole.stems = test::separated(network, x, 48000, options);
    }
    clip.block = whole.slice(-margin, frames + 2 * margin);
    IsolationSettings neutral;
    neutral.stem = clip.wanted;
    clip.cells = isolator.cells(neutral, int(stemPlace(clip.wanted)), 0, clip.block);
    return clip;
}

double mean(const std::vector<double>& v) {
    double sum = 0;
    for (double x : v) sum += x / double(v.size());
    return sum;
}

double median(std::vector<double> v) {
    std::sort(v.begin(), v.end());
    return v.size() % 2 ? v[v.size() / 2] : (v[v.size() / 2 - 1] + v[v.size() / 2]) / 2;
}

/// One comparison: a measure and its truth over all settings and clips; larger means better in both.
struct Pairing {
    const char* name;
    std::vector<double> truth, measure, perClip;
    size_t begin = 0;

    void add(double t, double m) { truth.push_back(t), measure.push_back(m); }
    void endClip() {
        perClip.push_back(rankCorrelation({truth.begin() + long(begin), truth.end()},
                                          {measure.begin() + long(begin), measure.end()}));
        begin = truth.size();
    }
    void print() const {
        std::printf("| %-42s | %6.3f | %6.3f | %6.3f |\n", name, median(perClip),
                    *std::min_element(perClip.begin(), perClip.end()), rankCorrelation(truth, measure));
    }
};

/// Whether the measures tell clips apart at one and the same setting: which split went well, and which did not.
struct BetweenClips {
    std::vector<double> sir, spill, sar, damage, gain, sure;

    void add(const Clip& clip, const BssFigures& truth, const Weighing& w, const AudioBuffer& answer) {
        sir.push_back(truth.sir), spill.push_back(-w.spillDb);
        sar.push_back(truth.sar), damage.push_back(-w.damage.total);
        const AudioBuffer mixture = test::sumOf({clip.dialogue, clip.bed});
        gain.push_back(siSdr(answer, clip.dialogue) - siSdr(mixture, clip.dialogue));
        const int64_t margin = (clip.block.source.frames() - clip.dialogue.frames()) / 2,
                      frames = clip.dialogue.frames();
        const auto& given = clip.block.parts.empty() ? clip.block.stems : clip.block.parts;
        LevelTrack stems(int(given.size())), source(1);
        std::vector<AudioBuffer> inside;
        for (const auto& s : given) inside.push_back(s.slice(margin, frames));
        stems.add(inside);
        const AudioBuffer whole = clip.block.source.slice(margin, frames);
        source.add(std::span(&whole, 1));
        sure.push_back(confidence(stems, source, 0, frames));
    }
    void print() const {
        std::printf("\n| between clips, all at full strength | Spearman's rank correlation |\n|---|---|\n");
        std::printf(
            "| Spill, and SIR | %.3f |\n| Damage, and SAR | %.3f |\n| confidence, and the gain in SI-SDR | %.3f |\n",
            rankCorrelation(sir, spill), rankCorrelation(sar, damage), rankCorrelation(gain, sure));
        // Of the quarter in which least was gained, how many are in the least sure half?
        std::vector<size_t> order(gain.size());
        for (size_t i = 0; i < order.size(); ++i) order[i] = i;
        std::sort(order.begin(), order.end(), [this](size_t a, size_t b) { return gain[a] < gain[b]; });
        int doubted = 0;
        for (size_t i = 0; i < order.size() / 4; ++i) doubted += sure[order[i]] < median(sure);
        std::printf("| of the %zu clips that gained least, doubted (below the median confidence) | %d |\n",
                    order.size() / 4, doubted);
    }
};

/// How well rankTrials() chooses: over networks and qualities, each at two strengths.
class RankingTruth {
public:
    RankingTruth() : m_choices(trialChoices()) {
        for (const auto& c : m_choices) m_networks.push_back(loadNetwork(c.card));
    }
    void add(const fs::path& stem) {
        std::vector<TrialRow> rows;
        std::vector<double> truth;
        for (size_t i = 0; i < m_choices.size(); ++i) {
            const Clip clip = prepared(stem, m_networks[i],
                                       m_choices[i].quality == "quick" ? EngineOptions::Quality::Quick
                                                                       : EngineOptions::Quality::Fine);
            Isolator isolator(clip.dialogue.channels(), 48000);
            Weigher weigher(clip.cells);
            for (const auto& s : {setting(kFullDepth), setting(12)}) {
                rows.push_back({"", weigher.weigh(s), measuredQuality(m_choices[i].card, m_choices[i].quality), 0});
                truth.push_back(siSdr(clip.result(isolator, s), clip.dialogue));
            }
        }
        const size_t chosen = rankTrials(rows).order.front();
        const double best = *std::max_element(truth.begin(), truth.end());
        m_right += truth[chosen] > best - 0.1;
        m_chosen.push_back(truth[chosen]);
        m_best.push_back(best);
        m_worst.push_back(*std::min_element(truth.begin(), truth.end()));
    }
    void print() const {
        std::printf(
            "\n| trials of %zu networks and qualities at full and 12 dB | SI-SDR of the dialogue, dB |\n|---|---|\n| "
            "the one ranked first | %.2f |\n| the best of them | %.2f |\n| the worst of them | %.2f |\n",
            m_choices.size(), mean(m_chosen), mean(m_best), mean(m_worst));
        std::printf("\nThe one ranked first is the best, or within 0.1 dB of it, in %d of %zu clips.\n", m_right,
                    m_chosen.size());
    }

private:
    std::vector<TrialChoice> m_choices;
    std::vector<std::shared_ptr<Network>> m_networks;
    std::vector<double> m_chosen, m_best, m_worst;
    int m_right = 0;
};

}  // namespace

int main(int argc, char** argv) {
    if (argc < 2) return std::fprintf(stderr, "rivlen-bench-measures: give the folder of the clips.\n"), 2;
    FILE* features = argc > 2 ? std::fopen(argv[2], "w") : nullptr;
    FILE* knees = argc > 3 ? std::fopen(argv[3], "w") : nullptr;
    const auto network = loadNetwork(findNetwork(""));
    Pairing spill{"Spill, and SIR", {}, {}, {}}, damage{"Damage, and SAR", {}, {}, {}},
        words{"Damage, and the rise of ESTOI", {}, {}, {}};
    std::vector<std::vector<double>> sdr(kFixed.size() + 1), clear(kFixed.size() + 1);
    RankingTruth ranking;
    BetweenClips between;
    int count = 0;
    for (;; ++count) {
        char name[16];
        std::snprintf(name, sizeof name, "%03d-", count);
        const fs::path stem = fs::path(argv[1]) / name;
        if (!fs::exists(stem.string() + "bed.flac")) break;
        const Clip clip = prepared(stem, network);
        Isolator isolator(clip.dialogue.channels(), 48000);
        const BssEval bss({clip.dialogue, clip.bed});
        Weigher weigher(clip.cells);
        const auto result = [&](const IsolationSettings& s) { return clip.result(isolator, s); };
        const bool voice = partOf(stem).empty();
        for (const auto& s : features ? kForFitting : kSettings) {
            const AudioBuffer y = result(s);
            const BssFigures truth = bss.figures(y, 0);
            const Weighing w = weigher.weigh(s);
            spill.add(truth.sir, -w.spillDb);
            damage.add(truth.sar, -w.damage.total);
            if (voice) words.add(estoi(y, clip.dialogue, 48000).value_or(0), -w.damage.total);
            if (features) {
                const SpillFeatures f = spillFeatures(clip.cells);
                std::fprintf(features, "%d %.4f %.4f %.5f %.5f %.5f %.5f\n", count, truth.sir,
                             -w.spillDb + spillCorrection(clip.cells), f.unsure, f.low, f.wantedMoves, f.bedMoves);
                std::fflush(features);
            }
        }
        for (Pairing* p : {&spill, &damage}) p->endClip();
        if (voice) words.endClip();
        const AudioBuffer full = result(setting(kFullDepth));
        between.add(clip, bss.figures(full, 0), weigher.weigh(setting(kFullDepth)), full);
        const TradeOff curve = tradeOff({}, weigher, {});
        const TradePoint& knee = curve.curve[size_t(curve.knee)];
        for (const auto& p : knees ? curve.curve : std::vector<TradePoint>{}) {
            const Weighing w = weigher.weigh(setting(p.depth, p.firmness));
            std::fprintf(knees, "%d %g %g %.3f %.6f %.6f %.6f %.2f\n", count, p.depth, p.firmness,
                         siSdr(result(setting(p.depth, p.firmness)), clip.dialogue), w.bent, w.spilt, w.moved,
                         spillCorrection(clip.cells));
            std::fflush(knees);
        }
        for (size_t i = 0; i <= kFixed.size() && !features; ++i) {
            const AudioBuffer y = result(i < kFixed.size() ? kFixed[i].second : setting(knee.depth, knee.firmness));
            sdr[i].push_back(siSdr(y, clip.dialogue));
            clear[i].push_back(voice ? estoi(y, clip.dialogue, 48000).value_or(0) : 0);
        }
        if (!features && voice) ranking.add(stem);
        std::fprintf(stderr, "\rclip %d", count + 1);
    }
    if (features) std::fclose(features);
    if (count == 0)
        return std::fprintf(
                   stderr,
                   "rivlen-bench-measures: there are no clips in \"%s\": make them with training/make_clips.py.\n",
                   argv[1]),
               3;
    std::printf(
        "\n%d clips x %zu settings\n\n| Spearman's rank correlation of              | median | least  | pooled "
        "|\n|---|---|---|---|\n",
        count, (features ? kForFitting : kSettings).size());
    for (const Pairing* p : {&spill, &damage, &words})
        if (!p->perClip.empty()) p->print();
    between.print();
    if (features) return 0;
    std::printf("\n| strength of the dialogue | SI-SDR, dB | ESTOI |\n|---|---|---|\n");
    for (size_t i = 0; i <= kFixed.size(); ++i)
        std::printf("| %-24s | %.2f | %.3f |\n", i < kFixed.size() ? kFixed[i].first : "the suggested knee",
                    mean(sdr[i]), mean(clear[i]));
    if (!words.perClip.empty()) ranking.print();
    return 0;
}

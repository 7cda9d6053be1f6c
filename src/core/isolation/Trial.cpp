#include "core/isolation/Trial.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <numeric>

#include "core/base/Text.h"
#include "core/isolation/Isolator.h"
#include "core/isolation/SpanSplit.h"
#include "core/isolation/StemNames.h"
#include "core/loudness/Loudness.h"
#include "core/separation/NetworkLibrary.h"
#include "core/separation/Scene.h"

namespace rivlen {

std::optional<double> measuredQuality(const NetworkCard& card, const std::string& quality) {
    const auto own = nlohmann::json::json_pointer("/quality/quick");
    const auto place = nlohmann::json::json_pointer(quality == "quick" && card.all.contains(own)
                                                        ? "/quality/quick/stereo/si_sdr/network/dialogue"
                                                        : "/quality/stereo/si_sdr/network/dialogue");
    if (!card.all.contains(place) || !card.all.at(place).is_number()) return std::nullopt;
    return card.all.at(place).get<double>();
}

std::vector<TrialChoice> trialChoices(const std::vector<std::filesystem::path>& scenes) {
    std::vector<TrialChoice> all;
    const auto cards = reelNetworks();
    for (const auto& card : cards) {
        const bool fits = std::all_of(card.shown.begin(), card.shown.end(), [](const auto& s) {
            return std::find(kStemNames.begin(), kStemNames.end(), s) != kStemNames.end();
        });
        // A network that another one names as its quick one is tried as that.
        const bool another = std::any_of(cards.begin(), cards.end(), [&](const auto& c) { return c.quick == card.id; });
        if (!fits || another || !card.all.value("tried", true)) continue;
        for (const char* quality : {"fine", "quick"})
            all.push_back({forQuality(card, quality), card.id, quality, {}, card.name + ", " + quality});
        for (const auto& scene : scenes) try {
                const NetworkCard learned = withScene(card, scene);
                all.push_back({learned, card.id, "fine", scene, card.name + ", " + scene.stem().string()});
            } catch (const Error&) {  // another network's
            }
    }
    return all;
}

Trial tryNetwork(SampleSource& source, const TrialChoice& choice, const std::shared_ptr<Network>& network,
                 const std::vector<StrengthTimeline>& timelines, int64_t first, int64_t count,
                 const Progress& progress) {
    const auto start = std::chrono::steady_clock::now();
    Isolator isolator(source.channels(), source.sampleRate());
    const int64_t around = std::max(isolator.margin(), int64_t(kTrialAround * source.sampleRate()));
    SpanSplit split = splitSpan(source, network, choice.quality, separatesRoom(choice.card), first,
                                std::min(source.frames(), first + count), around, true, progress);
    Trial trial{choice, split.from, std::move(split.block), 0, {}, {}};
    trial.seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    const int64_t margin = isolator.margin();
    const StemBlock part = trial.block.slice(first - trial.from - margin, count + 2 * margin);
    for (const auto& timeline : timelines) {
        progress.throwIfCancelled();
        const int wanted = int(stemPlace(timeline.base.stem));
        const SpanCells cells = isolator.cells(timeline, wanted, first, part);
        trial.weighings.push_back(Weigher(cells).weigh(timeline));
        LoudnessMeter meter(source.channels(), source.sampleRate(), LoudnessMeter::Detail::LoudnessAndPeak);
        meter.add(isolator.apply(timeline, wanted, first, part).result);
        trial.loudness.push_back(meter.integrated());
    }
    return trial;
}

TrialRanking rankTrials(const std::vector<TrialRow>& rows) {
    TrialRanking ranking;
    if (rows.empty()) return ranking;
    double sum = 0;
    int known = 0;
    for (const auto& r : rows)
        if (r.quality) sum += *r.quality, ++known;
    const double otherwise = known ? sum / known : 0;
    const auto score = [&](size_t i) { return rows[i].weighing.sdrDb + rows[i].quality.value_or(otherwise); };
    ranking.order.resize(rows.size());
    std::iota(ranking.order.begin(), ranking.order.end(), 0);
    std::stable_sort(ranking.order.begin(), ranking.order.end(),
                     [&](size_t a, size_t b) { return score(a) > score(b); });
    const TrialRow& best = rows[ranking.order[0]];
    if (rows.size() == 1) {
        ranking.reason = best.name + " is the only one that can be tried here.";
        return ranking;
    }
    const TrialRow& next = rows[ranking.order[1]];
    const double cleaner = next.weighing.spillDb - best.weighing.spillDb,
                 kinder = next.weighing.damage.total - best.weighing.damage.total;
    std::string why;
    std::string text;
    if (std::fabs(cleaner) >= 0.3 || std::fabs(kinder) >= 0.5) {
        text = formatted("%.1f dB %s spill and %.0f point%s %s damage than ", std::fabs(cleaner),
                         cleaner >= 0 ? "less" : "more", std::fabs(kinder),
                         std::lround(std::fabs(kinder)) == 1 ? "" : "s", kinder >= 0 ? "less" : "more");
        why = text + next.name;
    } else {
        why = "nearly the same figures here as " + next.name;
    }
    if (best.quality && next.quality && std::fabs(*best.quality - *next.quality) >= 0.05) {
        text = formatted(", and %.1f dB %s on known mixtures", std::fabs(*best.quality - *next.quality),
                         *best.quality > *next.quality ? "better" : "worse");
        why += text;
    } else if (best.seconds < next.seconds * 0.7) {
        text = formatted(", and %.1f times as fast", next.seconds / best.seconds);
        why += text;
    }
    ranking.reason = best.name + " is recommended: " + why + ".";
    return ranking;
}

}  // namespace rivlen

#include <CLI/CLI.hpp>
#include <cmath>
#include <cstdio>

#include "cli/Commands.h"
#include "cli/Mistakes.h"
#include "cli/Output.h"
#include "cli/ProgressLine.h"
#include "cli/StrengthOptions.h"
#include "core/base/Error.h"
#include "core/isolation/Isolator.h"
#include "core/isolation/SpanSplit.h"
#include "core/isolation/StemNames.h"
#include "core/isolation/TradeOff.h"
#include "core/isolation/Weighable.h"
#include "core/media/Timecode.h"
#include "core/separation/Parts.h"
#include "core/separation/Scene.h"

namespace rivlen {

namespace {

constexpr double kMostSeconds = 300;  // what is weighed at once is held in memory

struct WeighOptions {
    std::string file, network, scene, quality = "fine", stem = "dialogue";
    SpanOptions span;
    StrengthOptions strength;
    bool json = false, tolerateDamage = false;
};

double rounded(double value, int perUnit) { return std::round(value * perUnit) / perUnit + 0.0; }

nlohmann::json depthJson(double depth) { return depth >= kFullDepth ? nlohmann::json("full") : nlohmann::json(depth); }

nlohmann::json pointJson(const TradePoint& p) {
    return {{"depth_db", depthJson(p.depth)},
            {"firmness", p.firmness},
            {"spill_db", rounded(p.spillDb, 100)},
            {"damage", rounded(p.damage.total, 10)}};
}

SpanCells separatedCells(MediaReader& reader, const WeighOptions& o, const IsolationSettings& settings,
                         std::pair<int64_t, int64_t> span, const Progress& progress) {
    const NetworkCard card = networkFor(o.network, o.quality, o.scene);
    // Some seconds around, so that the edges of the span are judged by what surrounds them.
    const int64_t around = 4 * int64_t(reader.sampleRate());
    const std::string whole = stemOfPart(o.stem);
    SpanSplit split = splitSpan(reader, loadNetwork(card), o.quality, o.stem == "dialogue" && settings.roomKeep != 100,
                                span.first, span.second, around, false, Progress(progress, 0, whole.empty() ? 1 : 0.7));
    StemBlock& all = split.block;
    if (!whole.empty()) takeApart(all, whole, reader.sampleRate(), o.quality, Progress(progress, 0.7, 1));
    Isolator isolator(reader.channels(), reader.sampleRate());
    return isolator.cells(settings, int(stemPlace(o.stem)), span.first,
                          all.slice(span.first - split.from - isolator.margin(),
                                    span.second - span.first + 2 * isolator.margin()));
}

void run(const WeighOptions& o, Progress& progress) {
    IsolationSettings settings = o.strength.settings();
    settings.stem = o.stem;
    o.span.check();
    MediaReader reader(o.file);
    if (!o.tolerateDamage) reader.refuseDamage();
    const auto span = o.span.frames(reader, o.file);
    if (double(span.second - span.first) / reader.sampleRate() > kMostSeconds)
        throw Error(Error::Kind::Usage,
                    "\"" + o.file + "\" is " + formatTime(reader.info().duration()) +
                        " long and at most five minutes are weighed at once: give --from and --to.");
    if (const auto why = hindranceToWeighing(reader, span.first, span.second - span.first); !why.empty())
        throw Error(Error::Kind::Usage, "\"" + o.file + "\": " + why);
    ProgressLine line("weighing " + std::filesystem::path(o.file).filename().string());
    progress.onProgress = [&line](double f) { line.show(f * 0.8); };
    const SpanCells cells = separatedCells(reader, o, settings, span, progress);
    progress.onProgress = [&line](double f) { line.show(0.8 + f * 0.2); };
    Weigher weigher(cells);
    const Weighing now = weigher.weigh(settings);
    const TradeOff curve = tradeOff(settings, weigher, progress);
    const TradePoint& knee = curve.curve[size_t(curve.knee)];
    if (!o.json) {
        std::printf("Spill %.1f dB, damage %.0f of 100 (", now.spillDb, now.damage.total);
        for (int i = 0; i < Damage::kParts; ++i)
            std::printf("%s%s %.0f", i ? ", " : "", Damage::partName(i), now.damage.part(i));
        std::printf(").\nSuggested: Depth %s, Firmness %s: spill %.1f dB, damage %.0f.\n%s\n",
                    describeValue(isolationParameters()[0], knee.depth).c_str(),
                    describeValue(isolationParameters()[1], knee.firmness).c_str(), knee.spillDb, knee.damage.total,
                    curve.reason.c_str());
        return;
    }
    nlohmann::json json{{"file", o.file},
                        {"stem", o.stem},
                        {"from_s", double(span.first) / reader.sampleRate()},
                        {"to_s", double(span.second) / reader.sampleRate()},
                        {"settings", toJson(settings)},
                        {"wanted_db", rounded(now.wantedDb, 100)},
                        {"spill_db", rounded(now.spillDb, 100)},
                        {"damage", rounded(now.damage.total, 10)}};
    json["damage_parts"] = {{"onset_loss", rounded(now.damage.onsetLoss, 10)},
                            {"dulling", rounded(now.damage.dulling, 10)},
                            {"warble", rounded(now.damage.warble, 10)},
                            {"pumping", rounded(now.damage.pumping, 10)},
                            {"holes", rounded(now.damage.holes, 10)}};
    json["trade_off"] = {{"curve", nlohmann::json::array()}, {"knee", pointJson(knee)}, {"reason", curve.reason}};
    for (const auto& p : curve.curve) json["trade_off"]["curve"].push_back(pointJson(p));
    printJson(json);
}

}  // namespace

void addWeigh(CLI::App& program, Progress& progress) {
    auto o = std::make_shared<WeighOptions>();
    auto* command =
        program.add_subcommand("weigh",
                               "Measures spill and damage of one stem at a strength, and suggests a strength.");
    command->add_option("FILE", o->file, "An audio or video file.")->required();
    command->add_option("--network", o->network, "Network id, see `rivlen-cli networks`.");
    addScene(*command, o->scene);
    command->add_option("--quality", o->quality, "quick or fine (default).")->check(oneOf({"quick", "fine"}));
    command
        ->add_option("--stem", o->stem,
                     "The wanted stem: dialogue (default), music or ambience; or a part: vocals, drums, bass, guitar, "
                     "other, events, "
                     "bed.")
        ->check(oneOf(kWantedNames));
    o->span.addTo(*command);
    o->strength.addTo(*command);
    addTolerateDamage(*command, o->tolerateDamage);
    command->add_flag("--json", o->json, "Print one JSON document.");
    command->callback([o, &progress] { run(*o, progress); });
}

}  // namespace rivlen

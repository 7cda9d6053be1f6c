#include <CLI/CLI.hpp>
#include <cmath>
#include <cstdio>
#include <filesystem>
#include <thread>

#include "cli/Commands.h"
#include "cli/Mistakes.h"
#include "cli/Output.h"
#include "cli/ProgressLine.h"
#include "cli/StrengthOptions.h"
#include "core/audio/Decibel.h"
#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/delivery/ScratchFolder.h"
#include "core/exchange/Answer.h"
#include "core/exchange/RoundTrip.h"
#include "core/isolation/ForeignResult.h"
#include "core/isolation/Isolator.h"
#include "core/isolation/SpanSplit.h"
#include "core/isolation/Weighable.h"
#include "core/media/OutputPlace.h"
#include "core/media/Timecode.h"
#include "core/separation/Scene.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr double kMostSeconds = 300;  // what is separated at once is held in memory

struct OutsideOptions {
    std::string file, out, command, folder, answer, bits, network, scene, quality = "fine", stem = "dialogue";
    SpanOptions span;
    double handles = 1, wait = 600;
    bool sendStem = false, keepLevel = false, force = false, json = false, tolerateDamage = false;

    void check() const {
        if (int(!command.empty()) + int(!folder.empty()) + int(!answer.empty()) != 1)
            throw Error(Error::Kind::Usage,
                        "outside needs one way to the cleaner: give --command, --folder, or --answer with a file that "
                        "came back already.");
        if (!std::isfinite(handles) || !std::isfinite(wait))
            throw Error(Error::Kind::Usage, "--handles and --wait are numbers of seconds: give 0 or more.");
        span.check();
    }
};

/// A stem of a span that is in memory, in its place on the recording's axis; silent elsewhere.
class SpanStem : public SampleSource {
public:
    SpanStem(const SpanSplit& split, size_t stem, const SampleSource& recording)
        : m_split(split),
          m_stem(split.block.stems[stem]),
          m_rate(recording.sampleRate()),
          m_frames(recording.frames()) {}
    int channels() const override { return m_stem.channels(); }
    int sampleRate() const override { return m_rate; }
    int64_t frames() const override { return m_frames; }
    AudioBuffer read(int64_t first, int64_t count) override {
        AudioBuffer out(m_stem.channels(), count);
        for (int c = 0; c < out.channels(); ++c)
            for (int64_t i = 0; i < count; ++i)
                if (const int64_t at = first + i - m_split.from; at >= 0 && at < m_stem.frames())
                    out.channel(c)[size_t(i)] = m_stem.channel(c)[size_t(at)];
        return out;
    }

private:
    const SpanSplit& m_split;
    const AudioBuffer& m_stem;
    int m_rate;
    int64_t m_frames;
};

fs::path waitFor(AnswerWatch watch, const OutsideOptions& o, const SentSound& sent, ProgressLine& line,
                 const Progress& progress) {
    const auto begun = std::chrono::steady_clock::now();
    std::fprintf(stderr, "rivlen-cli: sent \"%s\"; waiting for an answer whose name begins like it.\n",
                 sent.file.c_str());
    for (;;) {
        progress.throwIfCancelled();
        if (const auto file = watch.look()) return *file;
        const double waited = std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
        if (waited > o.wait)
            throw Error(Error::Kind::Other, "No answer to \"" + sent.file.string() + "\" came within " +
                                                formatted("%.0f", o.wait) +
                                                " s: see whether the cleaner runs, or give a longer --wait.");
        line.show(0.5, "waiting");
        std::this_thread::sleep_for(std::chrono::milliseconds(200));
    }
}

double rounded(double value, int perUnit) { return std::round(value * perUnit) / perUnit + 0.0; }

void run(const OutsideOptions& o, Progress& progress) {
    o.check();
    const AudioFormat format = formatBySuffix(o.out, o.bits, "outside");
    auto reader = std::make_shared<MediaReader>(o.file);
    if (!o.tolerateDamage) reader->refuseDamage();
    const int rate = reader->sampleRate();
    const auto span = o.span.frames(*reader, o.file);
    const int64_t count = span.second - span.first;
    if (double(count) / rate > kMostSeconds)
        throw Error(Error::Kind::Usage,
                    "\"" + o.file + "\" is " + formatTime(reader->info().duration()) +
                        " long and at most five minutes go through a cleaner at once: give --from and --to.");
    if (const auto why = hindranceToWeighing(*reader, span.first, count); !why.empty())
        throw Error(Error::Kind::Usage, "\"" + o.file + "\": " + why);
    checkOutputPlace(o.out, o.force, o.file);
    ProgressLine line("sending " + fs::path(o.file).filename().string());
    double from = 0, share = 0.4;
    progress.onProgress = [&](double f) { line.show(from + f * share); };

    const size_t stem = stemPlace(o.stem);
    const int64_t handles = std::llround(o.handles * rate), around = handles + 4 * int64_t(rate);
    const NetworkCard card = networkFor(o.network, o.quality, o.scene);
    const SpanSplit split =
        splitSpan(*reader, loadNetwork(card), o.quality, false, span.first, span.second, around, false, progress);
    const auto ownStem = std::make_shared<SpanStem>(split, stem, *reader);
    SampleSource& sound = o.sendStem ? static_cast<SampleSource&>(*ownStem) : *reader;

    const ScratchFolder scratch(fs::absolute(o.out).parent_path());
    const fs::path folder = o.folder.empty() ? scratch / "sent" : fs::path(o.folder);
    const double begin = double(span.first) / rate, end = double(span.second) / rate;
    makeFolder(folder);
    const std::string name = sentName(fs::path(o.file).stem().string(), o.sendStem ? o.stem : "recording", begin, end);
    AnswerWatch watch(folder, {folder / (name + ".wav"), begin, end, begin});
    from = 0.4, share = 0.1;
    const SentSound sent =
        sendSound(sound, name, begin, end, o.handles, folder, reader->info().timecodeSeconds, progress);
    const fs::path file = !o.answer.empty()    ? fs::path(o.answer)
                          : !o.command.empty() ? runCleaner(o.command, sent, scratch / "answer.wav", progress)
                                               : waitFor(watch, o, sent, line, progress);
    from = 0.5, share = 0.3;
    const Answer answer = findAnswer(sent.file, file, progress);
    from = 0.8, share = 0.2;

    Isolator isolator(reader->channels(), rate);
    IsolationSettings settings;
    settings.stem = o.stem;
    const SpanCells cells =
        isolator.cells(settings, int(stem), span.first,
                       split.block.slice(span.first - split.from - isolator.margin(), count + 2 * isolator.margin()));
    Weigher weigher(cells);
    const Weighing own = weigher.weigh(settings);
    AnsweredSource asItCame(ownStem, answer, sent.begin, 0);
    const Weighing its = weigher.weighGains(gainsOf(asItCame, cells, span.first, count));
    // The wanted sound as loud as in Rivlen's own stem.
    const double gain = o.keepLevel ? 0 : levelMatchDb(own, its);

    AnsweredSource placed(ownStem, answer, sent.begin, gain);
    AudioWriter writer(o.out, rate, reader->channels(), format, o.force);
    for (int64_t at = span.first; at < span.second; at += rate) {
        progress.throwIfCancelled();
        progress.report(double(at - span.first) / double(count));
        writer.write(placed.read(at, std::min<int64_t>(rate, span.second - at)));
    }
    writer.commit();
    tellFaults(*reader, o.file);
    progress.onProgress = nullptr;
    const auto figures = [](const Weighing& w) {
        return nlohmann::json{{"spill_db", rounded(w.spillDb, 100)}, {"damage", rounded(w.damage.total, 10)}};
    };
    double missing = double(count) / rate;
    for (const auto& s : answer.stretches)
        missing -=
            std::max(0.0, std::min(s.to + s.shift + sent.begin, end) - std::max(s.from + s.shift + sent.begin, begin));
    if (!o.json) {
        std::printf("%s\nThe answer comes %.2f ms %s, at %d Hz with %d channel%s; brought in at %+.1f dB.\n",
                    o.out.c_str(), 1000 * std::fabs(answer.late()), answer.late() < 0 ? "early" : "late", answer.rate,
                    answer.channels, answer.channels == 1 ? "" : "s", gain);
        if (missing > 0.02) std::printf("%.2f s of the span are not in it: Rivlen's own stem stands there.\n", missing);
        std::printf("Its %s: spill %.1f dB, damage %.0f of 100; Rivlen's own: spill %.1f dB, damage %.0f.\n",
                    o.stem.c_str(), its.spillDb, its.damage.total, own.spillDb, own.damage.total);
        return;
    }
    nlohmann::json json{{"file", o.file},
                        {"out", o.out},
                        {"answer", o.command.empty() ? nlohmann::json(file.string()) : nlohmann::json(nullptr)},
                        {"stem", o.stem},
                        {"from_s", begin},
                        {"to_s", end},
                        {"late_ms", rounded(1000 * answer.late(), 1000)},
                        {"sample_rate", answer.rate},
                        {"channels", answer.channels},
                        {"missing_s", rounded(std::max(0.0, missing), 1000)},
                        {"gain_db", rounded(gain, 100)},
                        {"outside", figures(its)},
                        {"own", figures(own)}};
    printJson(json);
}

}  // namespace

void addOutside(CLI::App& program, Progress& progress) {
    auto o = std::make_shared<OutsideOptions>();
    auto* command = program.add_subcommand(
        "outside",
        "Sends a span to another cleaner, finds its answer by its sound, and weighs it beside Rivlen's own.");
    command->add_option("FILE", o->file, "An audio or video file.")->required();
    command->add_option("--out", o->out, "The answer in its place, to the sample, as long as the span: .wav or .flac.")
        ->required();
    command->add_option("--command", o->command,
                        "Run by a shell: {in} is what was sent, {out} what it must write (or RIVLEN_IN, RIVLEN_OUT).");
    command->add_option("--folder", o->folder,
                        "Send into this folder, and wait there for a file whose name begins like what was sent.");
    command->add_option("--answer", o->answer, "A file that came back already.");
    command->add_option("--wait", o->wait, "Seconds to wait for an answer in the folder: 600.")->check(between(0, 1e6));
    command->add_option("--handles", o->handles, "Seconds sent before and after the span, as far as there are any: 1.")
        ->check(between(0, 60));
    command->add_option("--stem", o->stem, "What is wanted: dialogue (default), music or ambience.")
        ->check(oneOf(kStemNames));
    command->add_flag("--send-stem", o->sendStem, "Send Rivlen's own stem, not the recording.");
    command->add_flag("--keep-level", o->keepLevel, "Leave the answer as loud as it came.");
    command->add_option("--bits", o->bits, "16, 24 or 32f.");
    command->add_option("--network", o->network, "Network id, see `rivlen-cli networks`.");
    addScene(*command, o->scene);
    command->add_option("--quality", o->quality, "quick or fine (default).")->check(oneOf({"quick", "fine"}));
    o->span.addTo(*command);
    addTolerateDamage(*command, o->tolerateDamage);
    command->add_flag("--force", o->force, "Overwrite files that are there.");
    command->add_flag("--json", o->json, "Print one JSON document.");
    command->callback([o, &progress] { run(*o, progress); });
}

}  // namespace rivlen

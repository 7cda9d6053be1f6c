#include <CLI/CLI.hpp>
#include <chrono>
#include <cstdio>

#include "cli/Commands.h"
#include "cli/Output.h"
#include "cli/ProgressLine.h"
#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/learning/LearnProcess.h"
#include "core/learning/MarkedSounds.h"
#include "core/media/OutputPlace.h"
#include "core/media/Timecode.h"
#include "core/separation/NetworkLibrary.h"
#include "core/session/NamedFolders.h"

namespace rivlen {

namespace {

namespace fs = std::filesystem;

struct LearnOptions {
    std::string file, out, network;
    std::vector<std::string> only, reels;
    bool force = false, json = false, anywhere = false;
};

/// "ambience=12-19.5", with any of parseTime()'s times.
MarkedSpan parsedSpan(const std::string& text, const fs::path& recording) {
    const size_t equals = text.find('='), dash = text.find('-', equals == std::string::npos ? 0 : equals);
    if (equals == std::string::npos || dash == std::string::npos)
        throw Error(Error::Kind::Usage, "\"" + text + "\" is no span: write ambience=12-19.5, from and to.");
    std::string stem = text.substr(0, equals);
    if (stem == "voice") stem = "dialogue";
    if (kStemNames[stemPlace(stem)] != stem)
        throw Error(Error::Kind::Usage, "\"" + stem + "\" cannot be marked: voice, music and ambience can.");
    return {recording, stem, parseTime(text.substr(equals + 1, dash - equals - 1)), parseTime(text.substr(dash + 1))};
}

std::vector<MarkedSpan> spansOf(const LearnOptions& o) {
    std::vector<MarkedSpan> spans;
    if (fs::path(o.file).extension() != ".rivlen") {
        for (const auto& text : o.only) spans.push_back(parsedSpan(text, o.file));
        if (spans.empty())
            throw Error(Error::Kind::Usage,
                        "Nothing is marked: say what alone is heard where with --only ambience=FROM-TO.");
        return spans;
    }
    const Session session = loadOwnSession(o.file, o.anywhere);
    for (const auto& name : o.reels)
        if (std::none_of(session.reels.begin(), session.reels.end(), [&](const Reel& r) { return r.name == name; }))
            throw Error(Error::Kind::Usage, "\"" + o.file + "\" has no reel called \"" + name + "\".");
    for (const Reel& reel : session.reels) {
        if (!o.reels.empty() && std::find(o.reels.begin(), o.reels.end(), reel.name) == o.reels.end()) continue;
        for (const Mark& m : reel.marks) spans.push_back({reel.source, m.stem, m.from, m.to});
        for (const auto& text : o.only) spans.push_back(parsedSpan(text, reel.source));
    }
    if (spans.empty())
        throw Error(Error::Kind::Usage,
                    "\"" + o.file + "\" has no marks: set them at Split, or with --only ambience=FROM-TO.");
    return spans;
}

nlohmann::json report(const SceneOutcome& outcome, const NetworkCard& card, const std::vector<MarkedSpan>& spans,
                      double seconds) {
    nlohmann::json json{{"learned", outcome.kept},   {"reason", outcome.reason},
                        {"gain_db", outcome.gainDb}, {"seconds_wall", std::round(seconds * 10) / 10},
                        {"base_network", card.id},   {"marks", nlohmann::json::array()}};
    for (const MarkedSpan& s : spans)
        json["marks"].push_back({{"file", s.recording.string()}, {"stem", s.stem}, {"from_s", s.from}, {"to_s", s.to}});
    return json;
}

void run(const LearnOptions& o, Progress& progress) {
    if (fs::path(o.out).extension() != kSceneSuffix)
        throw Error(Error::Kind::Usage, "A scene's name ends in .scene: give --out NAME.scene, not \"" + o.out + "\".");
    const auto spans = spansOf(o);
    checkOutputPlace(o.out, o.force, spans.front().recording);
    const NetworkCard card = findNetwork(o.network);
    const auto start = std::chrono::steady_clock::now();
    ProgressLine line("learning " + fs::path(o.file).filename().string());
    progress.onProgress = [&line](double f) { line.show(f); };
    const SceneOutcome outcome = learnApart(card, sceneSounds(spans, card.sampleRate), progress);
    const double seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    if (outcome.kept) sceneOf(fs::path(o.out).stem().string(), card, spans, outcome).save(o.out);
    if (o.json) return printJson(report(outcome, card, spans, seconds));
    if (outcome.kept) std::printf("Learned: %s.\n%s\n", outcome.reason.c_str(), o.out.c_str());
    else std::printf("Nothing was learned and no file written: %s.\n", outcome.reason.c_str());
}

}  // namespace

void addLearn(CLI::App& program, Progress& progress) {
    auto o = std::make_shared<LearnOptions>();
    auto* command =
        program.add_subcommand("learn",
                               "Adapts a network to a scene: you say what alone is heard where. See split --scene.");
    command->add_option("FILE", o->file, "An audio or video file, or a session with marks.")->required();
    command->add_option("--only", o->only, "STEM=FROM-TO: only ambience, music or voice is heard there; repeatable.");
    command->add_option("--reel", o->reels, "Of a session: only this reel's marks; repeatable.");
    command->add_option("--out", o->out, "The scene to write, NAME.scene.")->required();
    command->add_option("--network", o->network, "Network id, see `rivlen-cli networks`.");
    command->add_flag("--force", o->force, "Overwrite a file that is there.");
    command->add_flag("--anywhere", o->anywhere, "Read recordings that the session names outside of its folder.");
    command->add_flag("--json", o->json, "Print one JSON document.");
    command->callback([o, &progress] { run(*o, progress); });
}

}  // namespace rivlen

// What a batch is made of, and what is known of its pieces.
#include <gtest/gtest.h>

#include <fstream>

#include "Support.h"
#include "core/base/ChildProcess.h"
#include "core/base/Error.h"
#include "core/batch/BatchSpans.h"
#include "core/session/Session.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Batch : testing::Test {
    TempFolder folder;

    fs::path file(const std::string& name) {
        const fs::path path = folder / name;
        fs::create_directories(path.parent_path());
        std::ofstream(path) << name;
        return path;
    }
    BatchRequest request(const std::string& command, std::vector<fs::path> inputs,
                         std::vector<std::string> options = {}) {
        return {command, std::move(inputs), std::move(options), folder / "out"};
    }
    static bool has(const BatchUnit& unit, const std::string& word, const std::string& value) {
        const auto at = std::find(unit.arguments.begin(), unit.arguments.end(), word);
        return at != unit.arguments.end() && at + 1 != unit.arguments.end() && at[1] == value;
    }
    std::string refusal(const BatchRequest& asked) {
        try {
            planBatch(asked);
        } catch (const Error& e) {
            return e.what();
        }
        return "";
    }
};

/// Work with a program that does as the command line would: it writes a file for each input, refuses one that is there,
/// and fails at what is called broken.
struct BatchWorks : Batch {
    fs::path program;

    void SetUp() override {
        program = folder / "stand-in";
        std::ofstream(program) << R"(#!/bin/sh
name=$(basename "$2" .wav)
file=$4/$name.dialogue.wav
case "$*" in *--force*) force=1 ;; esac
case $name in
slow) echo "splitting slow:  40 %, 0:09 left" >&2; exec sleep 60 ;;
half) mkdir -p "$4"
if [ ! -e "$4/mended" ]; then echo sound > "$file"; echo "rivlen-cli: one of two failed." >&2; exit 1; fi ;;
broken) echo "rivlen-cli: \"$2\" is broken: mend it." >&2; exit 3 ;;
esac
if [ -e "$file" ] && [ -z "$force" ]; then echo "rivlen-cli: \"$file\" is there." >&2; exit 4; fi
mkdir -p "$4"
echo sound > "$file"
echo "{\"files\": [{\"stems\": [{\"path\": \"$file\"}]}]}"
)";
        fs::permissions(program, fs::perms::owner_all);
    }
    BatchOutcome work(const std::vector<BatchUnit>& units, int jobs, const Progress& progress = {}) {
        return doBatch(program, folder / "out", units, jobs, progress, [this](const BatchUnit&, BatchEnd) { ++told; });
    }
    int told = 0;
};

}  // namespace

/// The stand-in knows nothing of spans: each writes a file of its own name, as the joining command would read it.
struct BatchSpans : BatchWorks {
    void SetUp() override {
        BatchWorks::SetUp();
        std::ofstream(program) << R"sh(#!/bin/sh
name=$(basename "$2" .wav)
span= folder= force=
out=$4
while [ $# -gt 0 ]; do
case $1 in
--span-of-whole) span=$2; shift ;;
--spans-in) folder=$2; shift ;;
--force) force=1 ;;
esac
shift
done
if [ -e "$out/down" ] && [ "$span" = "$(cat "$out/down")" ]; then
echo "rivlen-cli: no memory: add some." >&2; exit 1
fi
file=$out/$name.dialogue.wav
if [ -n "$span" ]; then mkdir -p "$folder"; file=$folder/$span.dialogue.wav
elif [ -n "$folder" ]; then ls "$folder" > "$out/$name.joined"; fi
if [ -e "$file" ] && [ -z "$force" ]; then echo "rivlen-cli: \"$file\" is there." >&2; exit 4; fi
echo "$name $span" >> "$out/calls"
echo sound > "$file"
echo "{\"files\": [{\"stems\": [{\"path\": \"$file\"}]}]}"
)sh";
        fs::create_directories(folder / "in");
        fs::create_directories(folder / "out");
        writeWav(folder / "in/long.wav", noise(1, 8000 * 200), 8000);
        writeWav(folder / "in/short.wav", noise(1, 8000 * 80), 8000);
        asked = request("split", {folder / "in"});
        asked.spanSeconds = 60;
    }
    BatchOutcome joined() {
        const BatchDoer all = [this](const std::vector<BatchUnit>& some, const Progress& progress) {
            return work(some, 2, progress);
        };
        Progress progress;
        progress.onProgress = [this](double f) { shares.push_back(f); };
        return doBatchInSpans(folder / "out", planBatch(asked), all, progress);
    }
    size_t calls() const { return linesOf(folder / "out/calls"); }
    static size_t linesOf(const fs::path& file) {
        std::ifstream in(file);
        size_t lines = 0;
        for (std::string line; std::getline(in, line);) ++lines;
        return lines;
    }
    BatchRequest asked;
    std::vector<double> shares;
};

TEST_F(BatchWorks, SeveralAtOnceEachWithItsOwnEnd) {
    for (int i = 0; i < 6; ++i) file("in/r" + std::to_string(i) + ".wav");
    file("in/broken.wav");
    const auto units = planBatch(request("split", {folder / "in"}));
    std::vector<double> shares;
    Progress progress;
    progress.onProgress = [&](double f) { shares.push_back(f); };
    const BatchOutcome first = work(units, 3, progress);
    EXPECT_EQ(told, 7);
    EXPECT_EQ(first.report["done"].size(), 6u);
    ASSERT_EQ(first.report["failed"].size(), 1u);
    EXPECT_EQ(first.report["failed"][0]["reason"],
              "\"" + (folder / "in/broken.wav").string() + "\" is broken: mend it.");
    EXPECT_EQ(first.exitCode, 3);
    EXPECT_NEAR(shares.back(), 1, 1e-9);
    EXPECT_EQ(readBatchRecord(folder / "out", units[1]).outputs, std::vector<fs::path>{folder / "out/r0.dialogue.wav"});

    const BatchOutcome again = work(units, 2);
    EXPECT_EQ(again.report["skipped"].size(), 6u);
    EXPECT_EQ(again.report["failed"].size(), 1u);
}

TEST_F(BatchWorks, WhatWasInterruptedIsDoneAgainAndWhatWasThereBeforeIsNotTouched) {
    const auto units = planBatch(request("split", {file("in/a.wav"), file("in/b.wav")}));
    file("out/a.dialogue.wav"), file("out/b.dialogue.wav");
    // a: begun when nothing was there, and everything stopped; b: somebody else's.
    BatchRecord begun;
    begun.state = BatchRecord::State::Begun;
    begun.key = units[0].key;
    begun.clean = true;
    writeBatchRecord(folder / "out", units[0], begun);
    const BatchOutcome outcome = work(units, 1);
    EXPECT_EQ(outcome.ends, (std::vector<BatchEnd>{BatchEnd::Done, BatchEnd::Failed}));
    EXPECT_EQ(outcome.exitCode, 4);
    EXPECT_EQ(textOf(folder / "out/a.dialogue.wav"), "sound\n");
    EXPECT_EQ(textOf(folder / "out/b.dialogue.wav"), "out/b.dialogue.wav");
}

TEST_F(BatchWorks, WhatFailedAfterSomeOfItsFilesGoesThroughOnceItsCauseIsGone) {
    const auto units = planBatch(request("split", {file("in/half.wav")}));
    EXPECT_EQ(work(units, 1).ends, std::vector<BatchEnd>{BatchEnd::Failed});
    EXPECT_EQ(work(units, 1).ends, std::vector<BatchEnd>{BatchEnd::Failed}) << "the cause is still there";
    file("out/mended");
    EXPECT_EQ(work(units, 1).ends, std::vector<BatchEnd>{BatchEnd::Done}) << "its own file is in nobody's way";
    // What somebody else put there stays in the way.
    const auto others = planBatch(request("split", {file("in/theirs.wav")}));
    file("out/theirs.dialogue.wav");
    for (int i = 0; i < 2; ++i) EXPECT_EQ(work(others, 1).ends, std::vector<BatchEnd>{BatchEnd::Failed});
    EXPECT_EQ(textOf(folder / "out/theirs.dialogue.wav"), "out/theirs.dialogue.wav");
}

TEST_F(BatchWorks, CancelledItEndsAtOnceAndLeavesNoRecord) {
    const auto units = planBatch(request("split", {file("slow.wav")}));
    Progress progress;
    progress.onProgress = [&](double f) {
        if (f > 0.39) progress.cancel();
    };
    const auto begun = std::chrono::steady_clock::now();
    try {
        work(units, 2, progress);
        FAIL() << "it ended";
    } catch (const Error& e) {
        EXPECT_EQ(e.kind(), Error::Kind::Cancelled);
    }
    EXPECT_LT(std::chrono::steady_clock::now() - begun, std::chrono::seconds(29)) << "the program was not asked to end";
    EXPECT_EQ(readBatchRecord(folder / "out", units[0]).state, BatchRecord::State::Fresh);
    EXPECT_EQ(told, 0);
}

TEST_F(Batch, WhatLiesInAFolderKeepsItsPlace) {
    file("in/b/x.wav"), file("in/a/x.wav"), file("in/notes.txt"), file("in/.hidden.wav");
    const auto units = planBatch(request("split", {folder / "in"}, {"--quality", "quick"}));
    ASSERT_EQ(units.size(), 2u);
    EXPECT_EQ(units[0].input, folder / "in/a/x.wav");
    EXPECT_EQ(units[0].folder, folder / "out/a");
    EXPECT_EQ(units[1].folder, folder / "out/b");
    EXPECT_NE(units[0].id, units[1].id);
    EXPECT_NE(planBatch(request("weigh", {folder / "in"}))[0].id, units[0].id) << "both keep a record";
    EXPECT_EQ(units[0].id.find_first_of("/. "), std::string::npos) << units[0].id;
    EXPECT_TRUE(has(units[0], "--out", (folder / "out/a").string()));
    EXPECT_TRUE(has(units[0], "--quality", "quick"));
    EXPECT_EQ(units[0].arguments.back(), "--json");
    EXPECT_TRUE(has(planBatch(request("treat", {folder / "in"}))[1], "--folder", (folder / "out/b").string()));
}

TEST_F(Batch, ASessionBringsTheSettingsOfItsReels) {
    Session session;
    session.reels.push_back(makeReel(session, file("media/one.wav")));
    session.reels.push_back(makeReel(session, file("media/two.wav")));
    session.reels[0].quality = "quick";
    session.reels[0].network = "special";
    session.reels[1].name = "Second";
    session.reels[1].tolerateDamage = true;
    saveSession(session, folder / "day.rivlen");
    auto units = planBatch(request("split", {folder / "day.rivlen"}));
    ASSERT_EQ(units.size(), 2u);
    EXPECT_TRUE(has(units[0], "--quality", "quick"));
    EXPECT_TRUE(has(units[0], "--network", "special"));
    EXPECT_TRUE(has(units[1], "--quality", "fine"));
    EXPECT_TRUE(has(units[1], "--tolerate-damage", "--json"));
    // What is said for all of them counts more.
    units = planBatch(request("split", {folder / "day.rivlen"}, {"--quality=fine"}));
    EXPECT_FALSE(has(units[0], "--quality", "quick"));
    // Treatments know no networks.
    EXPECT_FALSE(has(planBatch(request("treat", {folder / "day.rivlen"}))[0], "--network", "special"));

    units = planBatch(request("dispatch", {folder / "day.rivlen"}));
    ASSERT_EQ(units.size(), 2u);
    EXPECT_EQ(units[1].reel, "Second");
    EXPECT_TRUE(has(units[1], "--reel", "Second"));
    EXPECT_EQ(units[1].folder, folder / "out");
    fs::copy_file(folder / "day.rivlen", folder / "night.rivlen");
    units = planBatch(request("dispatch", {folder / "day.rivlen", folder / "night.rivlen"}));
    ASSERT_EQ(units.size(), 4u);
    EXPECT_EQ(units[0].folder, folder / "out/day") << "reels of several sessions may have the same names";
    EXPECT_EQ(units[2].folder, folder / "out/night");
}

TEST_F(Batch, WhatCannotBeDoneIsSaidBeforeAnythingIsBegun) {
    file("a/x.wav"), file("b/x.flac");
    fs::create_directories(folder / "empty");
    EXPECT_NE(refusal(request("split", {folder / "a/x.wav", folder / "b/x.flac"})).find("would write the same"),
              std::string::npos);
    EXPECT_NE(refusal(request("split", {folder / "nowhere.wav"})).find("is not there"), std::string::npos);
    EXPECT_NE(refusal(request("split", {folder / "empty"})).find("holds no recordings"), std::string::npos);
    EXPECT_NE(refusal(request("dispatch", {folder / "a"})).find("holds no sessions"), std::string::npos);
    EXPECT_NE(refusal(request("dispatch", {folder / "a/x.wav"})).find("is no session"), std::string::npos);
    EXPECT_FALSE(fs::exists(folder / "out"));
}

TEST_F(Batch, ADifferentFileOrOptionIsOtherWork) {
    const fs::path x = file("x.wav");
    const auto key = [&](std::vector<std::string> options) {
        return planBatch(request("split", {x}, std::move(options)))[0].key;
    };
    const std::string first = key({});
    EXPECT_EQ(key({}), first);
    EXPECT_NE(key({"--depth", "12"}), first);
    std::ofstream(x, std::ios::app) << "more";
    EXPECT_NE(key({}), first);
}

TEST_F(Batch, AUnitIsTheSameAfterItsWayThroughAFile) {
    const auto unit = planBatch(request("split", {file("x y.wav")}, {"--depth", "12"}))[0];
    EXPECT_EQ(batchUnitFrom(nlohmann::json::parse(toJson(unit).dump())), unit);
    EXPECT_THROW(batchUnitFrom(nlohmann::json::object()), nlohmann::json::exception);
}

TEST_F(Batch, ARecordHoldsWhileItsFilesAreThere) {
    const auto unit = planBatch(request("split", {file("x.wav")}))[0];
    const fs::path out = folder / "out";
    EXPECT_EQ(readBatchRecord(out, unit).state, BatchRecord::State::Fresh);
    BatchRecord record;
    record.state = BatchRecord::State::Done;
    record.key = unit.key;
    record.outputs = {file("out/x.dialogue.wav")};
    record.result = {{"files", 1}};
    record.seconds = 2.5;
    record.begun = 3;
    writeBatchRecord(out, unit, record);
    const BatchRecord read = readBatchRecord(out, unit);
    EXPECT_TRUE(read.holds(unit));
    EXPECT_EQ(read.result, record.result);
    EXPECT_EQ(read.begun, 3);
    EXPECT_EQ(read.seconds, 2.5);
    fs::remove(folder / "out/x.dialogue.wav");
    EXPECT_FALSE(read.holds(unit));
    // What is no record counts as none.
    std::ofstream(besideBatchRecord(out, unit, ".json")) << "{\"state\": 7}";
    EXPECT_EQ(readBatchRecord(out, unit).state, BatchRecord::State::Fresh);
}

TEST_F(BatchSpans, ALongRecordingIsCutAndWhatIsLeftGoesToTheLast) {
    const auto units = planBatch(asked);
    ASSERT_EQ(units.size(), 2u);
    const BatchUnit &whole = units[0], &brief = units[1];
    EXPECT_TRUE(brief.spans.empty()) << "80 s are no more than one and a half of a span";
    ASSERT_EQ(whole.spans.size(), 3u);
    EXPECT_TRUE(has(whole.spans[2], "--span-of-whole", "000000960000-000001600000"));
    EXPECT_EQ(whole.spans[1].span, "0:01:00.000 to 0:02:00.000");
    EXPECT_TRUE(has(whole, "--spans-in", whole.spans[0].folder.string()));
    EXPECT_TRUE(has(whole.spans[0], "--out", (folder / "out").string()));
    asked.spanSeconds = 0;
    EXPECT_EQ(planBatch(asked)[0].key, whole.key) << "the same work, however it is done";
    const auto refused = [&](const std::string& command, std::vector<std::string> options, double seconds) {
        BatchRequest r = request(command, {folder / "in"}, std::move(options));
        r.spanSeconds = seconds;
        return refusal(r);
    };
    EXPECT_NE(refused("weigh", {}, 60).find("split alone"), std::string::npos);
    EXPECT_NE(refused("split", {}, 59).find("a minute or more"), std::string::npos);
    EXPECT_NE(refused("split", {"--to=9"}, 60).find("leave --from and --to out"), std::string::npos);
    EXPECT_EQ(refused("split", {"--tolerate-damage"}, 60), "");
}

TEST_F(BatchSpans, ArePutTogetherWhenAllAreDone) {
    const BatchOutcome all = joined();
    ASSERT_EQ(all.report["done"].size(), 2u) << all.report.dump(1);
    EXPECT_EQ(all.report["done"][0]["spans"], 3u);
    EXPECT_FALSE(all.report["done"][1].contains("spans"));
    EXPECT_EQ(calls(), 5u);
    EXPECT_EQ(linesOf(folder / "out/long.joined"), 3u) << "all spans were there";
    EXPECT_TRUE(std::is_sorted(shares.begin(), shares.end()));
    EXPECT_NEAR(shares.back(), 1, 1e-9);
    for (const auto& left : entries(folder / "out/.rivlen-batch"))
        EXPECT_EQ(left.filename().string().find("000"), std::string::npos) << left << " is of no use any more";
    EXPECT_EQ(joined().report["skipped"].size(), 2u);
    EXPECT_EQ(calls(), 5u);
}

TEST_F(BatchSpans, OneThatFailsIsAllThatIsDoneAgain) {
    std::ofstream(folder / "out/down") << "000000480000-000000960000";
    const BatchOutcome first = joined();
    ASSERT_EQ(first.report["failed"].size(), 1u);
    EXPECT_EQ(first.report["failed"][0]["file"], (folder / "in/long.wav").string());
    EXPECT_EQ(first.report["failed"][0]["reason"], "0:01:00.000 to 0:02:00.000 failed: no memory: add some.");
    EXPECT_FALSE(fs::exists(folder / "out/long.dialogue.wav"));
    EXPECT_EQ(calls(), 3u);
    fs::remove(folder / "out/down");
    EXPECT_EQ(joined().report["done"].size(), 1u);
    EXPECT_EQ(calls(), 5u) << "the span that was missing, and the joining";
    EXPECT_TRUE(fs::exists(folder / "out/long.dialogue.wav"));
}

TEST_F(BatchSpans, OfAnotherLengthOrNetworkTheyDoNotMix) {
    std::ofstream(folder / "out/down") << "000000480000-000000960000";
    EXPECT_EQ(joined().report["failed"].size(), 1u);
    fs::remove(folder / "out/down");
    asked.spanSeconds = 100;
    asked.options = {"--network", "other"};
    asked.inputs = {folder / "in/long.wav"};
    const BatchOutcome again = joined();
    ASSERT_EQ(again.report["done"].size(), 1u) << again.report.dump(1);
    EXPECT_EQ(linesOf(folder / "out/long.joined"), 2u) << "its own spans alone";
    for (const auto& left : entries(folder / "out/.rivlen-batch")) EXPECT_NE(left.extension(), ".spans") << left;
}

TEST_F(Batch, OfAFailedDispatchOnlyTheMissingDeliverablesAreMade) {
    const fs::path program = folder / "stand-in", out = folder / "out";
    std::ofstream(program) << R"(#!/bin/sh
cd "$4"
echo "$@" | grep -o -e '--leave-out.*' >> asked
one='{"name": "one", "path": "'$4/one'", "files": [{"path": "'$4/one'"}], "held_back": false}'
two='{"name": "two", "path": "'$4/two'", "files": [{"path": "'$4/two'"}], "held_back": false}'
case "$*" in *--leave-out*) echo two > two; echo "{\"deliverables\": [$two]}"; exit 0 ;; esac
echo one > one
echo "{\"deliverables\": [$one]}"
echo "rivlen-cli: \"two\" cannot be written: the disk is full." >&2
exit 4
)";
    fs::permissions(program, fs::perms::owner_all);
    fs::create_directories(out);
    Session session;
    session.reels.resize(1);
    session.reels[0].name = "Reel 1";
    session.reels[0].source = file("a.wav");
    saveSession(session, folder / "day.rivlen");
    const auto units = planBatch(request("dispatch", {folder / "day.rivlen"}));
    const auto told = [](const BatchUnit&, BatchEnd) {};
    const BatchOutcome first = doBatch(program, out, units, 1, {}, told),
                       again = doBatch(program, out, units, 1, {}, told);
    EXPECT_EQ(first.report["failed"].size(), 1u) << first.report.dump(1);
    ASSERT_EQ(again.report["done"].size(), 1u) << again.report.dump(1);
    EXPECT_EQ(again.report["done"][0]["result"]["deliverables"].size(), 2u) << "what was made before counts";
    EXPECT_EQ(again.report["done"][0]["outputs"].size(), 2u);
    std::ifstream in(out / "asked");
    std::string asked;
    std::getline(in, asked);
    EXPECT_EQ(asked, "--leave-out one");
    fs::remove(out / "one");
    EXPECT_EQ(doBatch(program, out, units, 1, {}, told).report["failed"].size(), 1u)
        << "one is gone: all is made again";
}

// A batch for real: on this machine, killed in the middle, and on a Slurm cluster that the test starts (Debian's
// slurm-wlm), of which a node is lost.
#include <gtest/gtest.h>
#include <signal.h>
#include <sys/wait.h>
#include <unistd.h>

#include <fstream>
#include <nlohmann/json.hpp>
#include <set>

#include "Places.h"
#include "SmallCluster.h"
#include "Support.h"
#include "core/base/Resources.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;
using nlohmann::json;

namespace {

struct Batches : testing::Test {
    TempFolder folder;
    const std::string cli = (programFolder() / "rivlen-cli").string();

    /// Recordings r0, r1, ...
    void record(int count, int seconds) {
        fs::create_directories(folder / "in");
        for (int i = 0; i < count; ++i)
            writeWav(folder / ("in/r" + std::to_string(i) + ".wav"), programme(1, 48000, seconds * 48000), 48000);
    }
    std::string split(const std::string& more) const {
        return cli + " batch split " + (folder / "in").string() + " --out " + (folder / "out").string() +
               " --quality quick " + more;
    }
    json report(const std::string& more, int code) const {
        const auto r = run("( " + split(more + " --json") + " 2>/dev/null )");
        EXPECT_EQ(r.code, code) << r.out;
        return json::parse(r.out);
    }
    json record(const std::string& name) const {
        for (const auto& file : entries(folder / "out/.rivlen-batch"))
            if (file.extension() == ".json" && file.filename().string().rfind("split-" + name + "-", 0) == 0) {
                std::ifstream in(file);
                return json::parse(in);
            }
        return json::object();
    }
    /// Every stem of every recording is there, whole, and the stems sum to it.
    void expectAllWhole(int count) const {
        for (int i = 0; i < count; ++i) {
            const std::string name = "r" + std::to_string(i);
            MediaReader source(folder / ("in/" + name + ".wav"));
            std::vector<AudioBuffer> stems;
            for (const char* stem : {"dialogue", "music", "ambience"}) {
                MediaReader reader(folder / ("out/" + name + "." + stem + ".wav"));
                stems.push_back(reader.read(0, reader.frames()));
                ASSERT_EQ(stems.back().frames(), source.frames()) << name;
            }
            EXPECT_LT(differenceDb(sumOf(stems), source.read(0, source.frames())), -120) << name;
        }
    }
};

}  // namespace

TEST_F(Batches, EachHasItsOwnOutcomeAndOnlyWhatIsMissingIsDoneAgain) {
    record(3, 2);
    std::ofstream(folder / "in/broken.wav") << "no sound";
    json j = report("--jobs 2", 3);
    EXPECT_EQ(j.at("done").size(), 3u);
    ASSERT_EQ(j.at("failed").size(), 1u);
    EXPECT_EQ(j["failed"][0].at("file"), (folder / "in/broken.wav").string());
    EXPECT_NE(j["failed"][0].at("reason").get<std::string>().find("is not a recording"), std::string::npos);
    EXPECT_EQ(j["done"][0].at("outputs").size(), 3u);
    EXPECT_EQ(j["done"][0].at("result").at("files").at(0).at("network"), "main");
    expectAllWhole(3);
    std::ifstream written(folder / "out/batch.json");
    EXPECT_EQ(json::parse(written), j) << "the report beside the files";

    // The broken one mended, a stem taken away: these two alone are done.
    writeWav(folder / "in/broken.wav.part", programme(1, 48000, 48000), 48000);
    fs::rename(folder / "in/broken.wav.part", folder / "in/broken.wav");
    fs::remove(folder / "out/r1.music.wav");
    j = report("--jobs 2", 0);
    std::set<std::string> done;
    for (const auto& line : j.at("done")) done.insert(fs::path(line.at("file").get<std::string>()).filename());
    EXPECT_EQ(done, (std::set<std::string>{"broken.wav", "r1.wav"}));
    EXPECT_EQ(j.at("skipped").size(), 2u);
    expectAllWhole(3);

    // Other options are other work, whose files are in the way of the first: nothing is overwritten unasked.
    EXPECT_EQ(report("--depth 12", 4).at("failed").size(), 4u);
    EXPECT_EQ(report("--depth 12 --force", 0).at("done").size(), 4u);
}

TEST_F(Batches, KilledInTheMiddleItGoesOn) {
    record(4, 20);
    const pid_t child = fork();
    if (child == 0) {
        execl("/bin/sh", "sh", "-c", ("exec " + split("--jobs 1 >/dev/null 2>&1")).c_str(), nullptr);
        _exit(127);
    }
    // The first is done, and another one has begun.
    ASSERT_TRUE(waitFor(
        [&] { return record("r0").value("state", "") == "done" && record("r1").value("state", "") == "begun"; }));
    kill(child, SIGKILL);
    waitpid(child, nullptr, 0);
    const json j = report("--jobs 2", 0);
    EXPECT_GE(j.at("skipped").size(), 1u);
    EXPECT_EQ(j.at("skipped").size() + j.at("done").size(), 4u);
    EXPECT_EQ(record("r0").at("begun"), 1) << "what was done is not done again";
    expectAllWhole(4);
    for (const auto& file : entries(folder / "out"))
        EXPECT_TRUE(file.extension() == ".wav" || file.filename() == "batch.json" || file.filename() == ".rivlen-batch")
            << file;
}

TEST_F(Batches, ALongRecordingInSpansIsWhatItIsInOnePiece) {
    record(1, 170);
    const std::string strength = "--depth 9 --steadiness 60 --room-keep 40 ";
    ASSERT_EQ(report("--jobs 2 --spans 60 " + strength, 0).at("done").at(0).at("spans"), 3);
    const fs::path whole = folder / "whole";
    ASSERT_EQ(run(cli + " split " + (folder / "in/r0.wav").string() + " --quality quick " + strength + "--out " +
                  whole.string())
                  .code,
              0);
    for (const char* stem : {"dialogue", "music", "ambience"}) {
        MediaReader joined(folder / "out" / (std::string("r0.") + stem + ".wav")),
            once(whole / (std::string("r0.") + stem + ".wav"));
        ASSERT_EQ(joined.frames(), once.frames());
        EXPECT_LT(differenceDb(joined.read(0, joined.frames()), once.read(0, once.frames())), -100) << stem;
    }
    expectAllWhole(1);
    EXPECT_EQ(entries(folder / "out/.rivlen-batch").size(), 2u) << "the record and its lock; the spans are gone";
    // What would not be written in the end is not begun.
    const json refused = report("--spans 60 --depth 12", 4);
    EXPECT_NE(refused.at("failed").at(0).at("reason").get<std::string>().find("already there"), std::string::npos)
        << refused.dump(1);
}

TEST_F(Batches, WeighsAndTreatsASessionsRecordings) {
    const std::string out = (folder / "out").string(), source = test::kSourceFolder;
    const auto weighed =
        run(cli + " batch weigh " + source + "/demo/reel-3-bridge.flac --from 0 --to 3 --quality quick --out " + out);
    EXPECT_EQ(weighed.code, 0) << weighed.out;
    std::ifstream in(folder / "out/reel-3-bridge.weigh.json");
    EXPECT_TRUE(json::parse(in).contains("spill_db"));
    const auto treated = run(cli + " batch treat " + source + "/demo/night-ferry.rivlen --auto --out " + out);
    EXPECT_EQ(treated.code, 0) << treated.out;
    EXPECT_TRUE(fs::exists(folder / "out/reel-3-bridge.treated.wav"));
    EXPECT_EQ(run(cli + " batch sing x.wav --out " + out).code, 2);
    EXPECT_EQ(run(cli + " batch split x.wav --colour red --out " + out).code, 2);
    EXPECT_EQ(run(cli + " batch split x.wav --out " + out).code, 3) << "nothing is there";
    EXPECT_EQ(
        run("PATH=/nowhere " + cli + " batch weigh " + source + "/demo/reel-3-bridge.flac --slurm --out " + out).code,
        2);
}

TEST_F(Batches, OnAClusterThatLosesANodeAllAreDoneAndNoneTwice) {
    ASSERT_TRUE(fs::exists("/usr/sbin/slurmctld")) << "./rivlen test installs slurm-wlm";
    record(6, 30);
    SmallCluster cluster(folder.path() / "slurm");
    ASSERT_TRUE(cluster.ready()) << cluster.logs();
    const pid_t child = fork();
    if (child == 0) {
        execl("/bin/sh", "sh", "-c", ("exec " + split("--slurm --partition post --memory 0 >/dev/null 2>&1")).c_str(),
              nullptr);
        _exit(127);
    }
    // One is done and two are at work: the second node goes.
    int done = 0;
    ASSERT_TRUE(waitFor([&] {
        int begun = 0;
        done = 0;
        for (int i = 0; i < 6; ++i) {
            const std::string state = record("r" + std::to_string(i)).value("state", "");
            done += state == "done", begun += state == "begun";
        }
        return done >= 1 && begun >= 2;
    })) << cluster.logs();
    cluster.loseSecondNode();
    cluster.beginAgainAtOnce();
    int status = 0;
    waitpid(child, &status, 0);
    EXPECT_EQ(WEXITSTATUS(status), 0) << cluster.logs();
    std::ifstream in(folder / "out/batch.json");
    const json j = json::parse(in);
    EXPECT_EQ(j.at("done").size(), 6u) << j.dump(1);
    int begun = 0;
    for (int i = 0; i < 6; ++i) begun += record("r" + std::to_string(i)).at("begun").get<int>();
    EXPECT_EQ(begun, 7) << "one was lost with its node and begun again, no other";
    expectAllWhole(6);
    EXPECT_EQ(report("--slurm", 0).at("skipped").size(), 6u);

    // A long one in spans, by what is left of the cluster.
    fs::rename(folder / "in", folder / "before");
    record(1, 100);
    fs::rename(folder / "in/r0.wav", folder / "in/long.wav");
    const json spans = report("--slurm --spans 60", 0);
    EXPECT_EQ(spans.at("done").size(), 1u);
    MediaReader dialogue(folder / "out/long.dialogue.wav");
    EXPECT_EQ(dialogue.frames(), 100 * 48000);

    const auto refused = run(cli + " batch split " + (folder / "in").string() + " --slurm --partition nowhere --out " +
                             (folder / "other").string());
    EXPECT_EQ(refused.code, 2);
    EXPECT_NE(refused.out.find("The cluster refuses"), std::string::npos) << refused.out;
}

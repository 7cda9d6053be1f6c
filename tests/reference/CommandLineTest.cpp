// The command line's contract, with independent programs (soxi, ffmpeg) reading what it writes.
#include <gtest/gtest.h>
#include <sys/wait.h>
#include <csignal>

#include <fstream>
#include <nlohmann/json.hpp>

#include "Places.h"
#include "Support.h"
#include "core/base/Resources.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;
using nlohmann::json;

namespace {

const std::string cli = (programFolder() / "rivlen-cli").string();
const std::string demo = std::string(test::kSourceFolder) + "/demo/";

json parsed(const std::string& command) {
    const auto r = run("( " + command + " 2>/dev/null )");
    EXPECT_EQ(r.code, 0) << command << "\n" << r.out;
    return json::parse(r.out);
}

}  // namespace

TEST(CommandLine, InspectGivesTheContractsFields) {
    const json j = parsed(cli + " inspect " + demo + "deck-video.mp4 --json");
    EXPECT_EQ(j.at("sample_rate"), 48000);
    EXPECT_EQ(j.at("channels"), 2);
    EXPECT_EQ(j.at("layout"), "stereo");
    EXPECT_EQ(j.at("codec"), "aac");
    EXPECT_TRUE(j.at("bits").is_null());
    EXPECT_EQ(j.at("picture").at("width"), 480);
    EXPECT_LT(j.at("loudness").at("integrated_lufs").get<double>(), -10);
    EXPECT_TRUE(j.contains("peak_dbfs") && j.contains("noise_floor_dbfs") && j.contains("timecode"));
    EXPECT_NEAR(j.at("duration_s").get<double>(), 12.0, 0.05);
}

TEST(CommandLine, PartsSumToTheStemThatIsWrittenAndRefuseBeforeTheWork) {
    const TempFolder folder;
    fs::create_directory(folder / "networks");
    for (const char* name :
         {"tests/data/networks/fifths.ts", "tests/data/networks/fifths.json", "networks/main.ts", "networks/main.json"})
        fs::copy_file(fs::path(test::kSourceFolder) / name, folder / "networks" / fs::path(name).filename());
    const std::string with = "RIVLEN_NETWORKS=" + (folder / "networks").string() + " " + cli,
                      split = with + " split " + demo + "reel-2-saloon.flac --from 2 --to 5 --quality quick --out " +
                              folder.path().string();
    const json j = parsed(split + " --depth 15 --parts music --json");
    const json& parts = j.at("files").at(0).at("parts").at("music");
    ASSERT_EQ(parts.size(), 5u);
    EXPECT_GT(j.at("files").at(0).at("parts_seconds_wall").at("music").get<double>(), 0.0);
    AudioBuffer sum(2, 3 * 48000);
    for (const char* part : {"vocals", "drums", "bass", "guitar", "other"}) {
        MediaReader reader(folder / ("reel-2-saloon.music." + std::string(part) + ".wav"));
        const AudioBuffer x = reader.read(0, sum.frames());
        for (size_t i = 0; i < x.samples().size(); ++i) sum.samples()[i] += x.samples()[i];
    }
    MediaReader music(folder / "reel-2-saloon.music.wav");
    EXPECT_LT(differenceDb(sum, music.read(0, sum.frames())), -120);
    // One part that is there refuses all before anything is written.
    for (const auto& entry : entries(folder.path()))
        if (entry.extension() == ".wav" && entry.filename() != "reel-2-saloon.music.bass.wav") fs::remove(entry);
    const auto refused = run(split + " --parts music");
    EXPECT_EQ(refused.code, 4) << refused.out;
    EXPECT_FALSE(fs::exists(folder / "reel-2-saloon.music.wav"));
    EXPECT_EQ(run(split + " --parts dialogue").code, 2);
    EXPECT_EQ(run(split + " --force --parts ambience").code, 1) << "no network for it is installed there";
    EXPECT_EQ(run(split + " --force --network fifths").code, 2) << "it separates no recordings";
}

TEST(CommandLine, CleanDeliversTheVoiceAndItsSessionDoesItAgain) {
    const TempFolder folder;
    const std::string out = (folder / "out").string();
    const json j = parsed(cli + " clean " + demo + "reel-3-bridge.flac " + demo +
                          "deck-video.mp4 --quality quick --out " + out + " --json");
    ASSERT_EQ(j.at("files").size(), 2u);
    const json &bridge = j["files"][0], &video = j["files"][1];
    std::set<std::string> treatments;
    for (const auto& t : bridge.at("treatments")) treatments.insert(t.at("id").get<std::string>());
    EXPECT_TRUE(treatments.count("de-hum") && treatments.count("de-click")) << bridge.dump(1);
    EXPECT_LT(bridge.at("settings").at("depth_db").get<double>(), 60) << "a suggestion, not everything";
    EXPECT_FALSE(bridge.at("reason").get<std::string>().empty());
    const json& wave = bridge.at("deliverables").at(0);
    EXPECT_NEAR(wave.at("integrated_lufs").get<double>(), -23, 0.5);  // EBU R 128
    EXPECT_EQ(fs::path(wave.at("path").get<std::string>()).filename(), "reel-3-bridge.clean.wav");
    const auto streams =
        run("ffprobe -v error -show_entries stream=codec_type -of csv=p=0 " + out + "/deck-video.clean.mp4");
    EXPECT_EQ(streams.out, "video\naudio\naudio\ndata\n") << "the new sound, its own, and the timecode";
    EXPECT_NEAR(video.at("deliverables").at(0).at("integrated_lufs").get<double>(), -23, 0.7);
    // The sessions beside them hold all that was chosen: dispatched, they make the same sound.
    ASSERT_EQ(j.at("sessions").size(), 2u) << "one for the pictures";
    const json again = parsed(cli + " dispatch " + j.at("sessions").at(0).get<std::string>() + " --out " +
                              (folder / "again").string() + " --json");
    MediaReader one(fs::path(out) / "reel-3-bridge.clean.wav"), two(folder / "again/reel-3-bridge.clean.wav");
    ASSERT_EQ(one.frames(), two.frames());
    EXPECT_LT(differenceDb(one.read(0, one.frames()), two.read(0, two.frames())), -120);
    // Given again nothing is overwritten.
    EXPECT_EQ(run(cli + " clean " + demo + "reel-3-bridge.flac --quality quick --out " + out).code, 4);
}

TEST(CommandLine, SplitWritesAlignedStemsThatSumToTheSource) {
    const TempFolder folder;
    const json j = parsed(cli + " split " + demo + "reel-1-deck.flac --out " + folder.path().string() +
                          " --from 2 --to 00:00:05:12 --depth 20 --firmness 30 --onset-guard 60 --steadiness 25 "
                          "--band-bias 100:20,4000:-30 --quality quick --json");
    const json& f = j.at("files").at(0);
    EXPECT_LT(f.at("residual_dbfs").is_null() ? -200.0 : f.at("residual_dbfs").get<double>(), -120);
    EXPECT_NEAR(f.at("seconds_audio").get<double>(), 3.48, 1e-6);
    EXPECT_EQ(f.at("settings").at("depth_db"), 20.0);
    EXPECT_EQ(f.at("settings").at("onset_guard"), 60.0);
    EXPECT_EQ(f.at("settings").at("steadiness"), 25.0);
    EXPECT_EQ(f.at("settings").at("band_bias"), json::parse("[[100.0, 20.0], [4000.0, -30.0]]"));
    MediaReader source(demo + "reel-1-deck.flac");
    AudioBuffer sum(2, 3 * 48000 + 23040);
    for (const char* stem : {"dialogue", "music", "ambience"}) {
        const fs::path file = folder / ("reel-1-deck." + std::string(stem) + ".wav");
        EXPECT_EQ(run("( soxi -s '" + file.string() + "' 2>/dev/null )").out, std::to_string(sum.frames()) + "\n");
        EXPECT_EQ(run("( soxi -r '" + file.string() + "' 2>/dev/null )").out, "48000\n");
        const AudioBuffer x = MediaReader(file).read(0, sum.frames());
        for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += x.samples()[i];
    }
    EXPECT_LT(differenceDb(sum, source.read(2 * 48000, sum.frames())), -120);
}

TEST(CommandLine, RoomAndBalanceShapeWhatIsWritten) {
    const TempFolder folder;
    const std::string span =
        cli + " split " + demo + "reel-3-bridge.flac --from 2 --to 4 --json --out " + folder.path().string();
    EXPECT_LT(parsed(span + "/plain").at("files").at(0).value("residual_dbfs", -200.0), -120);
    const json dry = parsed(span + "/dry --room-keep 0 --balance 6");
    EXPECT_EQ(dry.at("files").at(0).at("settings").at("room_keep"), 0);
    const auto dialogue = [&](const char* which) {
        MediaReader reader(folder / which / "reel-3-bridge.dialogue.wav");
        return reader.read(0, reader.frames());
    };
    EXPECT_GT(differenceDb(dialogue("plain"), dialogue("dry")), -80);
    // Its Balance comes as a file of its own; the stems still sum to the source.
    EXPECT_TRUE(fs::exists(folder / "dry" / "reel-3-bridge.result.wav"));
    EXPECT_FALSE(fs::exists(folder / "plain" / "reel-3-bridge.result.wav"));
    const auto quick = run(cli + " split " + demo + "reel-3-bridge.flac --to 1 --quality quick --room-keep 50 --out " +
                           (folder / "q").string());
    EXPECT_EQ(quick.code, 0) << quick.out;
    EXPECT_EQ(run(cli + " split " + demo + "reel-3-bridge.flac --to 1 --apart --room-keep 50 --out " +
                  (folder / "q").string())
                  .code,
              2);
}

TEST(CommandLine, InspectFindsAndTreatRepairs) {
    const TempFolder folder;
    const std::string bridge = demo + "reel-3-bridge.flac", out = (folder / "mended.wav").string();
    const auto count = [](const json& findings, const char* kind) {
        double sum = 0;
        for (const auto& f : findings)
            if (f.at("kind") == kind) sum += f.at("severity").get<double>();
        return sum;
    };
    const json all = parsed(cli + " inspect " + bridge + " --json"), before = all.at("findings");
    EXPECT_EQ(all.at("content"), "mixed");
    EXPECT_NEAR(count(before, "click"), 40, 3);
    const json done = parsed(cli + " treat " + bridge + " --auto --json --out " + out);
    ASSERT_EQ(done.at("treatments").size(), 4u);
    EXPECT_EQ(done.at("treatments")[0].at("treatment"), "de-clip");
    const json after = parsed(cli + " inspect " + out + " --json").at("findings");
    EXPECT_LT(count(after, "click"), 5);
    EXPECT_EQ(count(after, "clipping"), 0);
    for (const auto& f : after)
        if (f.at("kind") == "hum") {
            EXPECT_LT(f.at("severity").get<double>(), -60) << "it was at -40";
        }
    EXPECT_EQ(parsed(cli + " inspect " + out + " --json").at("duration_s"), 24.0);
    // What has nothing to do says so.
    const auto idle =
        run(cli + " treat " + demo + "reel-1-deck.flac --set de-clip=100 --out " + (folder / "same.flac").string());
    EXPECT_NE(idle.out.find("does nothing here"), std::string::npos) << idle.out;
    EXPECT_EQ(run(cli + " treat " + bridge + " --out " + out).code, 2) << "nothing to do";
    // Many files: a table, and the others are treated where one is missing.
    const std::string many = (folder / "many").string();
    const auto table = run(cli + " treat " + bridge + " " + demo + "reel-1-deck.flac " +
                           (folder / "gone.wav").string() + " --auto --folder " + many);
    EXPECT_EQ(table.code, 3);
    EXPECT_NE(table.out.find("| click"), std::string::npos) << table.out;
    EXPECT_TRUE(fs::exists(many + "/reel-3-bridge.treated.wav") && fs::exists(many + "/reel-1-deck.treated.wav"));
    EXPECT_EQ(run(cli + " treat " + bridge + " " + demo + "reel-1-deck.flac --auto --out " + out).code, 2)
        << "two files can't become one";
    EXPECT_EQ(run(cli + " treat " + bridge + " --set sparkle=1 --out " + (folder / "x.wav").string()).code, 2);
    EXPECT_EQ(run(cli + " treat " + bridge + " --auto --out " + out).code, 4) << "it is there already";
}

TEST(CommandLine, WeighGivesTheContractsFields) {
    const std::string weigh = cli + " weigh " + demo + "reel-2-saloon.flac --from 2 --to 6 --quality quick --json";
    const json j = parsed(weigh + " --depth 12");
    EXPECT_EQ(j.at("stem"), "dialogue");
    EXPECT_EQ(j.at("settings").at("depth_db"), 12.0);
    EXPECT_GT(j.at("damage").get<double>(), 0);
    EXPECT_LT(j.at("damage").get<double>(), 100);
    for (const char* part : {"onset_loss", "dulling", "warble", "pumping", "holes"})
        EXPECT_GE(j.at("damage_parts").at(part).get<double>(), 0) << part;
    const json& curve = j.at("trade_off").at("curve");
    ASSERT_GT(curve.size(), 10u);
    EXPECT_EQ(curve.front().at("depth_db"), 0.0);
    EXPECT_EQ(curve.back().at("depth_db"), "full");
    EXPECT_TRUE(curve.front().contains("firmness") && curve.front().contains("spill_db") &&
                curve.front().contains("damage"));
    EXPECT_NE(std::find(curve.begin(), curve.end(), j.at("trade_off").at("knee")), curve.end());
    EXPECT_FALSE(j.at("trade_off").at("reason").get<std::string>().empty());
    // The present setting lies on the curve: 12 dB is one of its points.
    const auto twelve =
        std::find_if(curve.begin(), curve.end(), [](const json& p) { return p.at("depth_db") == 12.0; });
    ASSERT_NE(twelve, curve.end());
    EXPECT_EQ(twelve->at("spill_db"), j.at("spill_db"));
    const json full = parsed(weigh);
    EXPECT_LT(full.at("spill_db").get<double>(), j.at("spill_db").get<double>());
    EXPECT_EQ(parsed(weigh), full);
    const json drums = parsed(weigh + " --stem drums"), music = parsed(weigh + " --stem music");
    EXPECT_EQ(drums.at("settings").at("stem"), "drums");
    EXPECT_GT(drums.at("trade_off").at("curve").size(), 5u);
    EXPECT_NE(drums.at("spill_db"), music.at("spill_db"));
}

TEST(CommandLine, NetworksListsTheCards) {
    const json j = parsed(cli + " networks --json");
    ASSERT_FALSE(j.at("networks").empty());
    EXPECT_EQ(j.at("networks").at(0).at("format"), "rivlen-network");
}

TEST(CommandLine, ExitCodesAndSentences) {
    const TempFolder folder;
    const std::string out = " --out " + (folder / "o").string();
    const auto expect = [](const std::string& command, int code, const char* says) {
        const auto r = run(command);
        EXPECT_EQ(r.code, code) << command << "\n" << r.out;
        EXPECT_NE(r.out.find(says), std::string::npos) << r.out;
    };
    expect(cli + " split", 2, "");
    expect(cli + " frobnicate", 2, "");
    expect(cli + " split " + demo + "reel-3-bridge.flac" + out + " --depth loud", 2, "Depth");
    expect(cli + " split " + demo + "reel-3-bridge.flac" + out + " --steadiness 140", 2, "Steadiness");
    expect(cli + " split " + demo + "reel-3-bridge.flac" + out + " --network nobody", 2, "no network");
    expect(cli + " split " + demo + "reel-3-bridge.flac" + out + " --from 20 --to 3", 2, "empty");
    expect(cli + " split /nowhere.wav" + out, 3, "is not there");
    expect(cli + " inspect " + demo + "CREDITS.md", 3, "CREDITS.md");
    std::ofstream(folder / "file") << "x";
    expect(cli + " split " + demo + "reel-3-bridge.flac --out " + (folder / "file").string(), 4, "cannot be written");
    expect(cli + " --version", 0, RIVLEN_VERSION);
    expect(cli + " split --help", 0, "--firmness");
}

TEST(CommandLine, NothingIsOverwrittenWithoutForce) {
    const TempFolder folder;
    const std::string split =
        cli + " split " + demo + "reel-3-bridge.flac --quality quick --to 0.5 --out " + folder.path().string();
    EXPECT_EQ(run(split).code, 0);
    std::ofstream(folder / "reel-3-bridge.music.wav") << "precious";
    EXPECT_EQ(run(split).code, 4);
    EXPECT_EQ(fs::file_size(folder / "reel-3-bridge.music.wav"), 8u);
    EXPECT_EQ(run(split + " --force").code, 0);
    EXPECT_GT(fs::file_size(folder / "reel-3-bridge.music.wav"), 8u);
}

TEST(CommandLine, InterruptedItLeavesNothingAndSaysSo) {
    const TempFolder folder;
    writeWav(folder / "long.wav", programme(2, 48000, 48000 * 300), 48000);
    const pid_t child = fork();
    if (child == 0) {
        const fs::path file = folder / "long.wav", out = folder / "out";
        freopen("/dev/null", "w", stderr);
        execl(cli.c_str(), cli.c_str(), "split", file.c_str(), "--out", out.c_str(), nullptr);
        _exit(99);
    }
    ASSERT_TRUE(waitFor([&] { return !entries(folder / "out").empty(); }));
    kill(child, SIGINT);
    int status = 0;
    waitpid(child, &status, 0);
    ASSERT_TRUE(WIFEXITED(status));
    EXPECT_EQ(WEXITSTATUS(status), 5);
    EXPECT_TRUE(fs::is_empty(folder / "out"));
}

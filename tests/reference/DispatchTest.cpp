// What leaves the house, read by independent programs: ffprobe and ffmpeg's ebur128 filter, soxi.
#include <gtest/gtest.h>

#include <fstream>
#include <nlohmann/json.hpp>

#include "Support.h"
#include "core/audio/Resources.h"

using namespace rivlen;
using namespace rivlen::test;
using nlohmann::json;

namespace {

const std::string cli = (programFolder() / "rivlen-cli").string();
const std::string demo = std::string(RIVLEN_SOURCE_DIR) + "/demo/";

/// A session of the demo's saloon with deliverables of every kind, on the quick network.
fs::path session(const TempFolder& folder) {
    json j = json::parse(std::ifstream(demo + "night-ferry-rebuilt.rivlen"));
    json reel = j.at("reels")[1];
    reel["quality"] = "quick";
    reel["source"] = demo + "reel-2-saloon.flac";
    reel["rebuild"]["sounds"][0]["file"] = demo + "cue-ice-road.flac";
    j["reels"] = json::array({reel});
    j["deliverables"] = json::array({{{"name", "broadcast"}, {"holds", "mix"}, {"loudness", -23.0}, {"ceiling", -1.0}, {"bits", 24}},
                                     {{"name", "M&E"}, {"holds", "music-and-effects"}, {"bits", 16}, {"sample_rate", 44100}},
                                     {{"name", "listening"}, {"holds", "mix"}, {"format", "mp3"}, {"loudness", -16.0}}});
    std::ofstream(folder / "s.rivlen") << j.dump();
    return folder / "s.rivlen";
}

std::string value(const std::string& out, const std::string& key) {
    const size_t at = out.rfind(key);
    return at == std::string::npos ? "" : out.substr(at + key.size(), out.find('\n', at) - at - key.size());
}

}  // namespace

TEST(Dispatch, FilesAreWhatTheReportSaysToIndependentReaders) {
    const TempFolder folder;
    setenv("XDG_CACHE_HOME", (folder / "cache").c_str(), 1);
    const fs::path file = session(folder), out = folder / "out";
    const auto r = run("( " + cli + " dispatch " + file.string() + " --out " + out.string() + " --json 2>/dev/null )");
    ASSERT_EQ(r.code, 0) << r.out;
    const json all = json::parse(r.out).at("deliverables");
    ASSERT_EQ(all.size(), 3u);
    for (const json& d : all) {
        EXPECT_FALSE(d.at("held_back").get<bool>());
        for (const json& c : d.at("checks")) EXPECT_TRUE(c.at("passed").get<bool>()) << d.dump(1);
        EXPECT_TRUE(fs::exists(d.at("path").get<std::string>()));
    }
    // Loudness and true peak by ffmpeg's own meter (EBU R 128).
    const std::string mix = all[0].at("path");
    const auto meter = run("ffmpeg -nostats -i '" + mix + "' -filter_complex ebur128=peak=true -f null -");
    const std::string summary = meter.out.substr(meter.out.rfind("Summary:"));
    EXPECT_NEAR(std::stod(value(summary, "I:")), -23.0, 0.5) << "EBU R 128";
    EXPECT_LE(std::stod(value(summary, "Peak:")), -1.0 + 0.1);
    const auto probe = run("ffprobe -v error -show_entries stream=codec_name,sample_rate,channels:format_tags -of default '" + mix + "'");
    EXPECT_NE(probe.out.find("codec_name=pcm_s24le"), std::string::npos) << probe.out;
    EXPECT_NE(probe.out.find("The Night Ferry, rebuilt, Reel 2 Saloon, broadcast"), std::string::npos) << "bext description: " << probe.out;
    EXPECT_NE(probe.out.find("Rivlen"), std::string::npos) << "bext originator";
    const std::string parts = all[1].at("path");
    EXPECT_EQ(run("soxi -r '" + parts + "'").out, "44100\n");
    EXPECT_EQ(run("soxi -b '" + parts + "'").out, "16\n");
    EXPECT_NEAR(std::stod(run("soxi -D '" + parts + "'").out), 24.0, 0.001);
    EXPECT_NE(run("ffprobe -v error -show_entries stream=codec_name -of default '" + all[2].at("path").get<std::string>() + "'").out.find("mp3"), std::string::npos);
    // Once more: nothing is replaced, and the reason is one line.
    const auto again = run(cli + " dispatch " + file.string() + " --out " + out.string());
    EXPECT_EQ(again.code, 4);
    EXPECT_NE(again.out.find("already there"), std::string::npos);
    const auto only = run("( " + cli + " dispatch " + file.string() + " --out " + (folder / "one").string() + " --only broadcast 2>/dev/null )");
    EXPECT_EQ(only.code, 0);
    size_t files = 0;
    for (const auto& entry : fs::directory_iterator(folder / "one")) files += entry.path().extension() == ".wav";
    EXPECT_EQ(files, 1u);
    // The same session gives the same file: what is delivered does not depend on the day.
    EXPECT_EQ(run("ffmpeg -v error -i '" + mix + "' -f md5 -").out, run("ffmpeg -v error -i '" + (folder / "one").string() + "/Reel 2 Saloon.broadcast.wav' -f md5 -").out);
    EXPECT_EQ(run(cli + " dispatch " + file.string() + " --out " + (folder / "two").string() + " --only nothing").code, 2);
}

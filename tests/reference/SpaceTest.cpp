// Mixes in space as independent readers see them: mediainfo's reader of ADM, sndfile-info, ffprobe, and the rules of
// the standards in adm_rules.py.
#include <gtest/gtest.h>

#include <fstream>
#include <nlohmann/json.hpp>

#include "Places.h"
#include "Support.h"
#include "core/base/Resources.h"

using namespace rivlen;
using namespace rivlen::test;
using nlohmann::json;

namespace {

const std::string cli = (programFolder() / "rivlen-cli").string();
const std::string demo = std::string(test::kSourceFolder) + "/demo/";

/// The demo's crossing, its sounds from where they lie, with other deliverables.
fs::path crossing(const TempFolder& folder, const json& deliverables) {
    json j = json::parse(std::ifstream(demo + "night-ferry-crossing.rivlen"));
    json& reel = j["reels"][0];
    reel["quality"] = "quick";
    reel["source"] = demo + "deck-video.mp4";
    reel["rebuild"]["sounds"][0]["file"] = demo + "engine.flac";
    if (!deliverables.empty()) j["deliverables"] = deliverables;
    for (auto& d : j["deliverables"]) d["file_name"] = "{name}";
    std::ofstream(folder / "s.rivlen") << j.dump();
    return folder / "s.rivlen";
}

}  // namespace

TEST(Space, TheCrossingsFilesAreWhatOtherReadersExpect) {
    const TempFolder folder;
    setenv("XDG_CACHE_HOME", (folder / "cache").c_str(), 1);
    const std::string out = (folder / "out").string() + "/";
    const auto r = run(cli + " dispatch " + crossing(folder, json::array()).string() + " --out " + out);
    ASSERT_EQ(r.code, 0) << r.out;
    EXPECT_NE(run("sndfile-info " + out + "sphere.wav").out.find("Channel Mask  : 0x2D63F"), std::string::npos);
    EXPECT_EQ(run("ffprobe -v error -select_streams a -show_entries stream=channel_layout -of csv=p=0 '" + out +
                  "picture 5.1.mov'")
                  .out,
              "5.1\n");
    EXPECT_EQ(run("soxi -c '" + out + "two ears.wav'").out, "2\n");
    const std::string media = run("mediainfo " + out + "objects.wav").out;
    for (const char* told : {"ADM, Version 2", "Number of objects                        : 3", "Engine",
                             "M+030 M-030 M+000 LFE1 M+135 M-135 M+090 M-090 U+045 U-045 U+135 U-135",
                             "Type definition                         : Objects"})
        EXPECT_NE(media.find(told), std::string::npos) << told << "\n" << media;
    const std::string rules = run(std::string("/usr/bin/python3 ") + test::kSourceFolder +
                                  "/tests/reference/adm_rules.py " + out + "objects.wav")
                                  .out;
    EXPECT_NE(rules.find("keeps the rules"), std::string::npos) << rules;
    EXPECT_NE(rules.find("15 channels, 3 objects, 1 moving"), std::string::npos) << rules;
}

TEST(Space, SurroundLiesInPicturesAndAmbisonicsInFiles) {
    const TempFolder folder;
    setenv("XDG_CACHE_HOME", (folder / "cache").c_str(), 1);
    const fs::path file =
        crossing(folder, json::array({{{"name", "seven"}, {"format", "mov"}, {"layout", "7.1"}},
                                      {{"name", "seven in mkv"}, {"format", "mkv"}, {"layout", "7.1"}},
                                      {{"name", "five"}, {"format", "mkv"}, {"layout", "5.1"}},
                                      {{"name", "ambix"}, {"span", {0, 2}}},
                                      {{"name", "sphere as objects"}, {"format", "adm"}, {"span", {1, 6}}},
                                      {{"name", "M&E"}, {"holds", "music-and-effects"}, {"span", {0, 2}}}}));
    json j = json::parse(std::ifstream(file));
    j["reels"][0]["rebuild"]["format"] = "ambix-5";
    std::ofstream(file) << j.dump();
    const std::string out = (folder / "out").string() + "/";
    const auto r = run(cli + " dispatch " + file.string() + " --out " + out);
    ASSERT_EQ(r.code, 0) << r.out;
    const auto layout = [&](const std::string& name) {
        return run("ffprobe -v error -select_streams a -show_entries stream=channels,channel_layout -of csv=p=0 '" +
                   out + name + "'")
            .out;
    };
    EXPECT_EQ(layout("seven.mov"), "8,7.1\n");
    EXPECT_EQ(layout("five.mkv").substr(0, 1), "6");
    EXPECT_EQ(layout("seven in mkv.mkv").substr(0, 1), "8");
    EXPECT_EQ(run("soxi -c " + out + "ambix.wav").out, "36\n");
    EXPECT_EQ(run("soxi -c '" + out + "M&E.wav'").out, "36\n") << "parts in the mix's own format";
    const std::string rules = run(std::string("/usr/bin/python3 ") + test::kSourceFolder +
                                  "/tests/reference/adm_rules.py '" + out + "sphere as objects.wav'")
                                  .out;
    EXPECT_NE(rules.find("keeps the rules"), std::string::npos) << rules;
    EXPECT_NE(rules.find("39 channels, 3 objects"), std::string::npos) << rules;
    EXPECT_NE(run("mediainfo '" + out + "sphere as objects.wav'").out.find("HOA"), std::string::npos);
}

TEST(Space, AHeadTrackerIsStoodInFor) {
    const auto r = run(cli + " head --seconds 0.1 --port 9555");
    EXPECT_EQ(r.code, 0);
    EXPECT_EQ(r.out, "5 messages /head/yaw sent to port 9555\n");
    EXPECT_EQ(run(cli + " head --port 80").code, 2);
}

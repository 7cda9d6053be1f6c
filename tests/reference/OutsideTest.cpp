// A span through FFmpeg's program as the cleaner, and back: the command line's contract.
#include <gtest/gtest.h>

#include <csignal>
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
const std::string deck = std::string(test::kSourceFolder) + "/demo/reel-1-deck.flac";

}  // namespace

TEST(OutsideCommand, WhatFfmpegMadeOfTheSpanLiesInItsPlace) {
    const TempFolder folder;
    const fs::path out = folder / "a.wav";
    const auto sent = [&](const std::string& filter, const std::string& options) {
        const auto r = run("( " + cli + " outside " + deck + " --from 3 --to 8 --quality quick --force --json --out '" +
                           out.string() + "' " + options + " --command 'ffmpeg -v error -i {in} -af " + filter +
                           " -c:a pcm_f32le {out}' 2>/dev/null )");
        EXPECT_EQ(r.code, 0) << r.out;
        return json::parse(r.out);
    };
    MediaReader reel(deck);
    const AudioBuffer expected = reel.read(3 * 48000, 5 * 48000);
    // FFmpeg's adelay puts so many samples before it; what comes back is the recording, late and softer.
    const json late = sent("adelay=1234S:all=1,volume=0.5", "--keep-level");
    EXPECT_NEAR(late.at("late_ms").get<double>(), 1000 * 1234 / 48000.0, 0.001);
    EXPECT_EQ(late.at("gain_db"), 0);
    EXPECT_EQ(late.at("missing_s"), 0);
    EXPECT_LT(late.at("outside").at("damage").get<double>(), 1) << "nothing was done to it";
    EXPECT_GT(late.at("outside").at("spill_db").get<double>(), late.at("own").at("spill_db").get<double>() + 3);
    MediaReader made(out);
    ASSERT_EQ(made.frames(), expected.frames());
    AudioBuffer louder = made.read(0, made.frames());
    for (float& v : louder.samples()) v *= 2;
    EXPECT_LT(differenceDb(louder, expected), -100);
    // Its voice is made as loud as Rivlen's own, whatever its level was.
    const json soft = sent("volume=0.25", ""), loud = sent("volume=0.8", "");
    EXPECT_NEAR(soft.at("gain_db").get<double>() - loud.at("gain_db").get<double>(), 20 * std::log10(0.8 / 0.25), 0.05);
    // What is cut off the beginning is Rivlen's own stem.
    const json cut = sent("atrim=start=2.5,asetpts=N/SR/TB", "--handles 1");
    EXPECT_NEAR(cut.at("missing_s").get<double>(), 1.5, 0.05);
    EXPECT_NEAR(cut.at("late_ms").get<double>(), -2500, 0.05);
}

TEST(OutsideCommand, AFoldersAnswerIsWaitedForAndAnInterruptLeavesNothing) {
    const TempFolder folder;
    const std::string exchange = (folder / "exchange").string(), out = (folder / "a.flac").string();
    fs::create_directory(exchange);
    const std::string cleaner = (programFolder() / "rivlen-cleaner").string();
    const auto r = run("( " + cleaner + " --watch '" + exchange + "' --late 30 --rate 44100 >/dev/null & c=$!; " + cli +
                       " outside " + deck + " --from 3 --to 8 --quality quick --json --out '" + out + "' --folder '" +
                       exchange + "' 2>'" + (folder / "said").string() + "'; code=$?; kill $c; exit $code )");
    ASSERT_EQ(r.code, 0) << r.out;
    const json j = json::parse(r.out);
    EXPECT_NEAR(j.at("late_ms").get<double>(), 30, 0.03);
    EXPECT_EQ(j.at("sample_rate"), 44100);
    EXPECT_NE(j.at("answer").get<std::string>().find("reel-1-deck recording 3.00-8.00 cleaned.wav"), std::string::npos);
    EXPECT_EQ(MediaReader(out).frames(), 5 * 48000);
    const auto waited = run("( cd '" + folder.path().string() + "' && " + cli + " outside " + deck +
                            " --from 3 --to 8 --quality quick --out b.wav --folder empty --wait 1 2>&1 )");
    EXPECT_EQ(waited.code, 1);
    EXPECT_NE(waited.out.find("No answer"), std::string::npos) << waited.out;
    EXPECT_FALSE(fs::exists(folder / "b.wav"));
}

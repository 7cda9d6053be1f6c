// What leaves the house, read by independent programs: ffprobe and ffmpeg's ebur128 filter, soxi, sndfile-info,
// mediainfo, pdftotext.
#include <gtest/gtest.h>

#include <fstream>
#include <nlohmann/json.hpp>

#include <sys/wait.h>
#include <csignal>
#include <map>
#include <random>
#include <set>

#include "Places.h"
#include "Support.h"
#include "core/base/Resources.h"
#include "core/media/FileSum.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;
using nlohmann::json;

namespace {

const std::string cli = (programFolder() / "rivlen-cli").string();
const std::string demo = std::string(test::kSourceFolder) + "/demo/";

/// A session of the demo's saloon with deliverables of every kind, on the quick network.
fs::path session(const TempFolder& folder) {
    json j = json::parse(std::ifstream(demo + "night-ferry-rebuilt.rivlen"));
    json reel = j.at("reels")[1];
    reel["quality"] = "quick";
    reel["source"] = demo + "reel-2-saloon.flac";
    reel["rebuild"]["sounds"][0]["file"] = demo + "cue-ice-road.flac";
    j["reels"] = json::array({reel});
    j["deliverables"] =
        json::array({{{"name", "broadcast"}, {"holds", "mix"}, {"loudness", -23.0}, {"ceiling", -1.0}, {"bits", 24}},
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
    const auto probe = run(
        "ffprobe -v error -show_entries stream=codec_name,sample_rate,channels:format_tags -of default '" + mix + "'");
    EXPECT_NE(probe.out.find("codec_name=pcm_s24le"), std::string::npos) << probe.out;
    EXPECT_NE(probe.out.find("The Night Ferry, rebuilt, Reel 2 Saloon, broadcast"), std::string::npos)
        << "bext description: " << probe.out;
    EXPECT_NE(probe.out.find("Rivlen"), std::string::npos) << "bext originator";
    const std::string parts = all[1].at("path");
    EXPECT_EQ(run("soxi -r '" + parts + "'").out, "44100\n");
    EXPECT_EQ(run("soxi -b '" + parts + "'").out, "16\n");
    EXPECT_NEAR(std::stod(run("soxi -D '" + parts + "'").out), 24.0, 0.001);
    EXPECT_NE(run("ffprobe -v error -show_entries stream=codec_name -of default '" +
                  all[2].at("path").get<std::string>() + "'")
                  .out.find("mp3"),
              std::string::npos);
    // Once more: nothing is replaced, and the reason is one line.
    const auto again = run(cli + " dispatch " + file.string() + " --out " + out.string());
    EXPECT_EQ(again.code, 4);
    EXPECT_NE(again.out.find("already there"), std::string::npos);
    const auto only = run("( " + cli + " dispatch " + file.string() + " --out " + (folder / "one").string() +
                          " --only broadcast 2>/dev/null )");
    EXPECT_EQ(only.code, 0);
    size_t files = 0;
    for (const fs::path& file : entries(folder / "one")) files += file.extension() == ".wav";
    EXPECT_EQ(files, 1u);
    // The same session gives the same file: what is delivered does not depend on the day.
    EXPECT_EQ(run("ffmpeg -v error -i '" + mix + "' -f md5 -").out,
              run("ffmpeg -v error -i '" + (folder / "one").string() + "/Reel 2 Saloon.broadcast.wav' -f md5 -").out);
    EXPECT_EQ(run(cli + " dispatch " + file.string() + " --out " + (folder / "two").string() + " --only nothing").code,
              2);
}

// A marker lies in the demo's saloon; channel masks after WAVE_FORMAT_EXTENSIBLE, bext after EBU Tech 3285, iXML 1.5,
// cue points after RIFF.
TEST(Dispatch, ChunksAndMasksAreWhatOtherReadersExpect) {
    const TempFolder folder;
    setenv("XDG_CACHE_HOME", (folder / "cache").c_str(), 1);
    json j = json::parse(std::ifstream(session(folder)));
    j["reels"][0]["rebuild"]["markers"] = json::array({{{"at", 1.5}, {"name", "who wrote the waltz"}}});
    j["deliverables"] =
        json::array({{{"name", "seven"}, {"layout", "7.1"}, {"bits", 16}, {"dither", "shaped"}, {"span", {1, 3}}},
                     {{"name", "five"}, {"layout", "5.1"}, {"span", {1, 3}}},
                     {{"name", "ambix"}, {"layout", "ambix"}, {"span", {1, 3}}},
                     {{"name", "apart"}, {"mono_files", true}, {"span", {1, 3}}},
                     {{"name", "aac"}, {"format", "aac"}, {"span", {1, 3}}},
                     {{"name", "opus"}, {"format", "opus"}, {"span", {1, 3}}},
                     {{"name", "aiff"}, {"format", "aiff"}, {"span", {1, 3}}},
                     {{"name", "flac"}, {"format", "flac"}, {"span", {1, 3}}, {"sample_rate", 96000}}});
    for (auto& d : j["deliverables"]) d["file_name"] = "{name}";
    std::ofstream(folder / "s.rivlen") << j.dump();
    const std::string out = (folder / "out").string() + "/";
    const auto r = run(cli + " dispatch " + (folder / "s.rivlen").string() + " --out " + out);
    ASSERT_EQ(r.code, 0) << r.out;
    const std::string info = run("sndfile-info " + out + "five.wav").out;
    EXPECT_NE(info.find("Frames      : 96000"), std::string::npos) << info;
    EXPECT_NE(info.find("Channel Mask  : 0x3F"), std::string::npos) << info;
    EXPECT_NE(info.find("labl : 1 : who wrote the waltz"), std::string::npos) << info;
    EXPECT_NE(info.find("Offset : 24000"), std::string::npos) << "1.5 s, 0.5 s into the span: " << info;
    EXPECT_NE(run("sndfile-info --broadcast " + out + "five.wav").out.find("Rivlen"), std::string::npos);
    EXPECT_NE(run("sndfile-info " + out + "seven.wav").out.find("Channel Mask  : 0x63F"), std::string::npos);
    EXPECT_EQ(run("sndfile-info " + out + "ambix.wav").out.find("Channel Mask"), std::string::npos)
        << "AmbiX has no loudspeakers";
    EXPECT_EQ(run("soxi -c " + out + "ambix.wav").out, "4\n");
    EXPECT_NE(
        run("strings " + out + "seven.wav").out.find("<INTERLEAVE_INDEX>8</INTERLEAVE_INDEX><NAME>seven Rs</NAME>"),
        std::string::npos);
    const std::string media = run("mediainfo " + out + "seven.wav").out;
    EXPECT_NE(media.find("L R C LFE Lb Rb Ls Rs"), std::string::npos) << media;
    EXPECT_EQ(run("soxi -c " + out + "apart.L.wav").out, "1\n");
    EXPECT_EQ(run("soxi -s " + out + "aiff.aiff").out, "96000\n");
    EXPECT_EQ(run("soxi -r " + out + "flac.flac").out, "96000\n");
    EXPECT_NE(
        run("ffprobe -v error -show_entries stream=codec_name,channels -of csv " + out + "aac.m4a").out.find("aac,2"),
        std::string::npos);
    EXPECT_NE(run("mediainfo " + out + "opus.opus").out.find("Opus"), std::string::npos);
    const std::string pdf = run("pdftotext " + out + "delivery.pdf -").out;
    EXPECT_NE(pdf.find("8 of 8 deliverables passed all their checks."), std::string::npos) << pdf;
    EXPECT_EQ(run("grep -q '<svg' " + out + "delivery.html").code, 0);
}

// A broadcast wave file that begins at one hour (time reference after EBU Tech 3285): what is delivered of it begins
// there too, a span at its own place, at any rate.
TEST(Dispatch, TheTimecodeGoesAlong) {
    const TempFolder folder;
    const std::string source = (folder / "hour.wav").string();
    ASSERT_EQ(run("ffmpeg -v error -f lavfi -i anoisesrc=d=4:a=0.1:r=48000 -write_bext 1 -metadata "
                  "time_reference=172800000 " +
                  source)
                  .code,
              0);
    json j{{"format", "rivlen-session"},
           {"version", 4},
           {"name", "Ferry"},
           {"reels", json::array({{{"id", "reel-1"}, {"name", "hour"}, {"source", source}}})}};
    json clip{{"id", "clip-1"}, {"material", "source"}, {"at", 0}, {"length", 4}, {"offset", 0}};
    j["reels"][0]["rebuild"] = {
        {"lanes",
         json::array({{{"id", "lane-1"}, {"name", "all"}, {"stem", "dialogue"}, {"clips", json::array({clip})}}})}};
    j["deliverables"] =
        json::array({{{"name", "whole"}, {"file_name", "{name}"}},
                     {{"name", "span"}, {"file_name", "{name}"}, {"span", {1.5, 3}}, {"sample_rate", 96000}}});
    std::ofstream(folder / "s.rivlen") << j.dump();
    const std::string out = (folder / "out").string() + "/";
    const auto r = run(cli + " dispatch " + (folder / "s.rivlen").string() + " --out " + out);
    ASSERT_EQ(r.code, 0) << r.out;
    const auto reference = [&](const char* file) {
        return run("ffprobe -v error -show_entries format_tags=time_reference -of default=nk=1:nw=1 " + out + file).out;
    };
    EXPECT_EQ(reference("whole.wav"), "172800000\n");
    EXPECT_EQ(reference("span.wav"), std::to_string(int64_t(3601.5 * 96000)) + "\n");
    const json report = json::parse(std::ifstream(out + "delivery.json"));
    EXPECT_NE(report.dump().find("begins at 3601.500 s after midnight"), std::string::npos) << report.dump(1);
}

// The picture, frame by frame as FFmpeg decodes it, must be the same; the new sound lies where the old one lay.
TEST(Dispatch, ThePictureIsUntouchedAndItsSoundInPlace) {
    const TempFolder folder;
    setenv("XDG_CACHE_HOME", (folder / "cache").c_str(), 1);
    // 29.97 frames a second, a sound that begins 0.3 s after the picture, one click a second.
    const std::string video = (folder / "late.mkv").string();
    ASSERT_EQ(run("ffmpeg -v error -f lavfi -i testsrc=size=160x120:rate=30000/1001:duration=6 -itsoffset 0.3 -f lavfi "
                  "-i \"aevalsrc='0.5*between(mod(t\\,1)\\,0.5\\,0.51)*sin(2*PI*1000*t)':s=48000:d=5\" -map 0:v -map "
                  "1:a -c:v libx264 -bf 2 -c:a pcm_s16le " +
                  video)
                  .code,
              0);
    json j{{"format", "rivlen-session"},
           {"version", 4},
           {"name", "Ferry"},
           {"reels", json::array({{{"id", "reel-1"}, {"name", "late"}, {"source", video}}})}};
    json clip{{"id", "clip-1"}, {"material", "source"}, {"at", 0}, {"length", 5}, {"offset", 0}};
    j["reels"][0]["rebuild"] = {
        {"lanes",
         json::array({{{"id", "lane-1"}, {"name", "all"}, {"stem", "dialogue"}, {"clips", json::array({clip})}}})}};
    for (const char* format : {"mp4", "mov", "mkv"})
        j["deliverables"].push_back(
            {{"name", format}, {"format", format}, {"language", "fin"}, {"keep_original", true}});
    std::ofstream(folder / "s.rivlen") << j.dump();
    const std::string out = (folder / "out").string() + "/";
    const auto r = run(cli + " dispatch " + (folder / "s.rivlen").string() + " --out " + out);
    ASSERT_EQ(r.code, 0) << r.out;
    const auto frames = [](const std::string& file) {
        return run("ffmpeg -v error -i '" + file + "' -map 0:v -f framemd5 - | grep -v '^#' | awk '{print $NF}'").out;
    };
    // Where clicks begin on the picture's clock, by FFmpeg's own decoding with silence filled in front.
    const auto clicks = [&](const std::string& file, const char* stream) {
        const fs::path wav = folder / "clicks.wav";
        run("ffmpeg -y -v error -i '" + file + "' -map " + stream +
            " -af aresample=async=1:first_pts=0 -c:a pcm_f32le " + wav.string());
        const double start = std::stod(
            "0" +
            value(run("ffprobe -v error -select_streams v -show_entries stream=start_time -of default '" + file + "'")
                      .out,
                  "start_time="));
        MediaReader reader(wav);
        const AudioBuffer x = reader.read(0, reader.frames());
        std::vector<double> found;
        for (int64_t i = 0; i < x.frames(); ++i)
            if (std::fabs(x.channel(0)[size_t(i)]) > 0.1 &&
                (found.empty() || double(i) / 48000 - start - found.back() > 0.5))
                found.push_back(double(i) / 48000 - start);
        return found;
    };
    const auto wanted = clicks(video, "0:a:0");
    ASSERT_EQ(wanted.size(), 5u);
    for (const std::string format : {"mp4", "mov", "mkv"}) {
        const std::string file = out + "late." + format + "." + format;
        EXPECT_EQ(frames(file), frames(video)) << format;
        const auto now = clicks(file, "0:a:0");
        ASSERT_EQ(now.size(), wanted.size()) << format;
        for (size_t i = 0; i < now.size(); ++i) EXPECT_NEAR(now[i], wanted[i], 0.001) << format;
        const std::string streams =
            run("ffprobe -v error -show_entries stream=codec_type:stream_tags=language,title,handler_name -of csv '" +
                file + "'")
                .out;
        EXPECT_NE(streams.find("fin"), std::string::npos) << streams;
        EXPECT_NE(streams.find("original"), std::string::npos) << streams;
        EXPECT_EQ(clicks(file, "0:a:1").size(), 5u) << format << ": the original sound";
    }
}

// Killed without warning at random moments: no damaged file under its final name, and the same command goes on to the
// end.
TEST(Dispatch, SurvivesBeingKilledAtRandomMoments) {
    const TempFolder folder;
    setenv("XDG_CACHE_HOME", (folder / "cache").c_str(), 1);
    json j = json::parse(std::ifstream(session(folder)));
    j["deliverables"] = json::array();
    for (const char* holds : {"mix", "dialogue", "music", "ambience"})
        j["deliverables"].push_back({{"name", holds}, {"holds", holds}, {"span", {1, 2.5}}});
    j["deliverables"].push_back({{"name", "apart"}, {"mono_files", true}, {"span", {2, 3}}});
    std::ofstream(folder / "s.rivlen") << j.dump();
    const auto command = [&](const fs::path& out) {
        return cli + " dispatch " + (folder / "s.rivlen").string() + " --out " + out.string();
    };
    ASSERT_EQ(run(command(folder / "whole")).code, 0);  // what every file should be; the split is kept
    std::map<std::string, std::string> wanted;
    for (const fs::path& file : entries(folder / "whole"))
        if (file.extension() == ".wav")
            wanted[file.filename()] = run("ffmpeg -v error -i '" + file.string() + "' -f md5 -").out;
    ASSERT_EQ(wanted.size(), 6u);
    // How long a whole run takes here and now: the moments are spread over it, on a fast machine and on a busy one.
    const auto begin = std::chrono::steady_clock::now();
    ASSERT_EQ(run(command(folder / "again")).code, 0);
    const auto whole =
        std::chrono::duration_cast<std::chrono::microseconds>(std::chrono::steady_clock::now() - begin).count();
    std::mt19937 random(seed());
    const fs::path out = folder / "out";
    const int wantedKills = kills(8);
    int killed = 0;
    for (int round = 0; killed < wantedKills && round < 20 * wantedKills; ++round) {
        const pid_t child = fork();
        if (child == 0) {
            ::freopen("/dev/null", "w", stderr);
            ::freopen("/dev/null", "w", stdout);
            execl(cli.c_str(), cli.c_str(), "dispatch", (folder / "s.rivlen").c_str(), "--out", out.c_str(), nullptr);
            _exit(127);
        }
        std::this_thread::sleep_for(
            std::chrono::microseconds(std::uniform_int_distribution<int64_t>(whole / 50, whole)(random)));
        kill(child, SIGKILL);
        int status = 0;
        waitpid(child, &status, 0);
        killed += WIFSIGNALED(status);
        for (const fs::path& file : entries(out))  // none when it was killed before it made the folder
            if (file.extension() == ".wav" && file.filename().string()[0] != '.') {
                ASSERT_EQ(run("ffmpeg -v error -i '" + file.string() + "' -f md5 -").out, wanted[file.filename()])
                    << "whole, or not there: " << file << ", round " << round;
            }
        if (!WIFSIGNALED(status)) fs::remove_all(out);  // it came to its end first: from the beginning
    }
    EXPECT_EQ(killed, wantedKills);
    const auto last = run(command(out));
    ASSERT_EQ(last.code, 0) << last.out;
    size_t files = 0;
    for (const fs::path& file : entries(out)) {
        EXPECT_NE(file.filename().string()[0], '.') << "nothing is left behind: " << file;
        files += file.extension() == ".wav";
    }
    EXPECT_EQ(files, wanted.size());
}

TEST(Dispatch, OneReelPerJobSetsAndHandOver) {
    const TempFolder folder;
    setenv("XDG_CACHE_HOME", (folder / "cache").c_str(), 1);
    const fs::path file = session(folder);
    std::ofstream(folder / "set.json") << json{{"format", "rivlen-deliveries"},
                                               {"version", 1},
                                               {"name", "x"},
                                               {"deliverables", json::array({{{"name", "short"}, {"span", {1, 2}}}})}}
                                              .dump();
    const auto r = run(cli + " dispatch " + file.string() + " --out " + (folder / "out").string() +
                       " --reel 'Reel 2 Saloon' --set " + (folder / "set.json").string());
    ASSERT_EQ(r.code, 0) << r.out;
    EXPECT_TRUE(fs::exists(folder / "out" / "Reel 2 Saloon.short.wav"));
    EXPECT_TRUE(fs::exists(folder / "out" / "delivery.Reel 2 Saloon.html"))
        << "jobs side by side do not share a report";
    EXPECT_EQ(run(cli + " dispatch " + file.string() + " --out " + (folder / "out2").string() + " --reel nobody").code,
              2);
    const auto h = run("( " + cli + " handover " + file.string() + " --out " + (folder / "hand").string() +
                       " --handles 1 --json 2>/dev/null )");
    ASSERT_EQ(h.code, 0) << h.out;
    const fs::path made = folder / "hand" / "Reel 2 Saloon.handover";
    EXPECT_EQ(json::parse(h.out).at("handovers").at(0).at("path"), made.string());
    EXPECT_TRUE(fs::exists(made / "stems" / "Reel 2 Saloon.dialogue.wav"));
    // Each clip's BWF time reference, as ffprobe reads it, is what the list says.
    const json otio = json::parse(std::ifstream(made / "tracks.otio"));
    size_t clips = 0;
    for (const json& track : otio.at("tracks").at("children")) {
        double at = 0;
        for (const json& child : track.at("children")) {
            const double length = child.at("source_range").at("duration").at("value");
            if (child.at("OTIO_SCHEMA") == "Clip.1") {
                const std::string media =
                    (made / child.at("media_reference").at("target_url").get<std::string>()).string();
                const std::string tags =
                    run("ffprobe -v error -show_entries format_tags=time_reference -of default=nk=1:nw=1 '" + media +
                        "'")
                        .out;
                EXPECT_EQ(std::stod(tags) + child.at("source_range").at("start_time").at("value").get<double>(),
                          at + otio.at("global_start_time").at("value").get<double>())
                    << media;
                ++clips;
            }
            at += length;
        }
    }
    EXPECT_GE(clips, 3u);
}

#include <gtest/gtest.h>

#include <fstream>

#include "Support.h"
#include "core/base/Error.h"
#include "core/delivery/StemFiles.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(StemFiles, WriteNothingUntilFinished) {
    const TempFolder folder;
    const StemFiles::Target target{folder.path(), "scene", {}, false};
    {
        StemFiles files(target, {"dialogue", "music"}, 48000, 1, {});
        files.add(noise(1, 100000), {noise(1, 100000), AudioBuffer(1, 100000)});
    }
    EXPECT_TRUE(fs::is_empty(folder.path()));
    IsolationSettings s;
    s.stem = "laughter";  // no such stem to be given what the others lose
    s.depth = 10;
    EXPECT_THROW(StemFiles(target, {"dialogue", "music"}, 48000, 1, s), Error);
}

TEST(StemFiles, WritesTheResultWithItsBalanceBesideStemsThatStillSum) {
    const TempFolder folder;
    const AudioBuffer voice = sine(1000, 0.25, 48000, 48000), rest = sine(200, 0.1, 48000, 48000),
                      x = sumOf({voice, rest});
    IsolationSettings s;
    s.depth = 20;
    s.balance = 6;
    StemFiles files({folder.path(), "scene", {}, false, true}, {"dialogue", "music"}, 48000, 1, s);
    files.add(x, {voice, rest});
    EXPECT_LT(files.finish().residualDbfs, -120);
    MediaReader result(folder / "scene.result.wav");
    AudioBuffer expected = voice;
    for (size_t i = 0; i < x.samples().size(); ++i)
        expected.samples()[i] = float(fromDb(3) * voice.samples()[i] + fromDb(-3) * fromDb(-20) * rest.samples()[i]);
    EXPECT_LT(differenceDb(result.read(0, 48000), expected), -90) << "24 bits";
}

TEST(StemFiles, ReportsWhatIsInTheFiles) {
    const TempFolder folder;
    const AudioBuffer voice = sine(1000, 0.5, 48000, 96000), rest = sine(200, 0.1, 48000, 96000);
    AudioBuffer x = voice;
    for (size_t i = 0; i < x.samples().size(); ++i) x.samples()[i] += rest.samples()[i];
    IsolationSettings s;
    s.depth = 12;
    StemFiles files({folder.path(), "scene", {}, false}, {"dialogue", "music"}, 48000, 1, s);
    for (int64_t at = 0; at < 96000; at += 7000) {
        const int64_t n = std::min<int64_t>(7000, 96000 - at);
        files.add(x.slice(at, n), {voice.slice(at, n), rest.slice(at, n)});
    }
    const StemReport report = files.finish();
    EXPECT_LT(report.residualDbfs, -120);
    EXPECT_NEAR(report.stems[0].peakDbfs, toDb(0.5 + 0.1 * fromDb(-12)), 0.2);
    MediaReader dialogue(folder / "scene.dialogue.wav"), music(folder / "scene.music.wav");
    AudioBuffer sum = dialogue.read(0, 96000);
    const AudioBuffer other = music.read(0, 96000);
    for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += other.samples()[i];
    EXPECT_EQ(dialogue.frames(), 96000);
    EXPECT_LT(differenceDb(sum, x), -120);
}

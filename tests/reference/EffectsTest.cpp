// What an installed effect does in Rivlen against what another program that reads the same LV2 bundles does with it:
// lv2apply of Debian's lilv-utils, which runs it frame by frame, in its own process. Effects: lv2-examples (eg-amp) and
// mda-lv2.
#include <gtest/gtest.h>

#include "Support.h"
#include "core/effects/EffectTrial.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Compared {
    const char* uri;
    int channels;
    std::map<std::string, double> values;
    double bound;  ///< dB
};

std::string quoted(const fs::path& p) { return "'" + p.string() + "'"; }

}  // namespace

TEST(InstalledEffects, SoundAsInAnotherHost) {
    const TempFolder folder;
    constexpr int kRate = 48000;
    constexpr int64_t kBlock = 256, kFrames = 200 * kBlock;
    const Compared all[] = {
        {"http://lv2plug.in/plugins/eg-amp", 1, {{"gain", -7.5}}, -120},
        {"http://drobilla.net/plugins/mda/Limiter", 2, {}, -100},
        {"http://drobilla.net/plugins/mda/Bandisto", 2, {}, -95},
        {"http://drobilla.net/plugins/mda/Image", 2, {}, -100},
        {"http://drobilla.net/plugins/mda/DeEss", 2, {}, -100},
    };
    for (const auto& c : all) {
        AudioBuffer in = noise(c.channels, kFrames);
        const fs::path from = folder / "in.wav", to = folder / "out.wav";
        fs::remove(to);
        fs::remove(from);
        writeWav(from, in, kRate);
        std::string command = "lv2apply -i " + quoted(from) + " -o " + quoted(to);
        for (const auto& [symbol, value] : c.values) command += " -c " + symbol + " " + std::to_string(value);
        ASSERT_EQ(std::system((command + " " + c.uri + " > /dev/null 2>&1").c_str()), 0) << c.uri;
        MediaReader reader(to);
        const AudioBuffer theirs = reader.read(0, kFrames);
        EffectProcess effect(c.uri, c.uri);
        const int late = effect.begin({kRate, c.channels, int(kBlock), c.values});
        EXPECT_EQ(late, 0) << c.uri;
        AudioBuffer ours(c.channels, 0);
        for (int64_t at = 0; at < kFrames; at += kBlock) {
            AudioBuffer block = in.slice(at, kBlock);
            effect.process({}, block);
            ours.append(block);
        }
        EXPECT_LT(differenceDb(ours, theirs), c.bound) << c.uri;
        EXPECT_GT(differenceDb(ours, in), -60) << c.uri << " does something";
    }
}

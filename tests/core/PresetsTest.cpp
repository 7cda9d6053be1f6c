#include "core/session/Presets.h"

#include <gtest/gtest.h>

#include <cstdlib>
#include <fstream>

#include "Support.h"
#include "core/base/Error.h"
#include "core/media/WholeFile.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

/// A data folder of the test's own.
struct Presets : testing::Test {
    TempFolder folder;
    std::string before = getenv("XDG_DATA_HOME") ? getenv("XDG_DATA_HOME") : "";
    void SetUp() override { setenv("XDG_DATA_HOME", folder.path().c_str(), 1); }
    void TearDown() override {
        before.empty() ? unsetenv("XDG_DATA_HOME") : setenv("XDG_DATA_HOME", before.c_str(), 1);
    }
};

}  // namespace

TEST_F(Presets, ThoseForTheCommonUsesAreShipped) {
    const auto all = listPresets();
    ASSERT_EQ(all.size(), 4u);
    EXPECT_EQ(all[0].name, "Under music");
    EXPECT_EQ(all[0].settings.depth, kFullDepth);
    // Common practice in per cent of isolation: what comes back is the rest, 20 log10(1 / (1 - share)).
    EXPECT_NEAR(all[1].settings.depth, -20 * std::log10(1 - 0.65), 0.5);
    EXPECT_NEAR(all[2].settings.depth, -20 * std::log10(1 - 0.40), 0.5);
    EXPECT_NEAR(all[3].settings.depth, -20 * std::log10(1 - 0.25), 0.5);
    for (const auto& p : all) EXPECT_TRUE(p.shipped && !p.purpose.empty()) << p.name;
}

TEST_F(Presets, OnesOwnAreKeptReplacedAndRemoved) {
    IsolationSettings s;
    s.depth = 14, s.bandBias = {{100, 20}, {900, -10}};
    savePreset("Deck, wind/gulls", s);
    ASSERT_EQ(listPresets().size(), 5u);
    EXPECT_EQ(listPresets()[4].settings, s);
    EXPECT_EQ(listPresets()[4].name, "Deck, wind/gulls");
    s.depth = 10;
    savePreset("Deck, wind/gulls", s);
    ASSERT_EQ(listPresets().size(), 5u);
    EXPECT_EQ(listPresets()[4].settings.depth, 10);
    removePreset(listPresets()[4]);
    EXPECT_EQ(listPresets().size(), 4u);
}

TEST_F(Presets, ShippedOnesStayAndBrokenOnesAreLeftOut) {
    EXPECT_THROW(savePreset("Under music", {}), Error);
    EXPECT_THROW(savePreset("", {}), Error);
    EXPECT_THROW(removePreset(listPresets()[0]), Error);
    fs::create_directories(ownPresetsFolder());
    std::ofstream(ownPresetsFolder() / "broken.json") << "{\"format\": \"rivlen-preset\", \"version\": 1";
    std::ofstream(ownPresetsFolder() / "wild.json")
        << R"({"format": "rivlen-preset", "version": 1, "name": "Wild", "isolation": {"depth_db": 900}})";
    std::ofstream(ownPresetsFolder() / "newer.json")
        << R"({"format": "rivlen-preset", "version": 2, "name": "Newer", "isolation": {}})";
    EXPECT_EQ(listPresets().size(), 4u);
}

TEST(WholeFile, AppearsWholeOrNotAtAll) {
    const TempFolder folder;
    EXPECT_TRUE(writeWholeFile(folder / "a/b.json", "one"));
    EXPECT_TRUE(writeWholeFile(folder / "a/b.json", "two"));
    std::ifstream in(folder / "a/b.json");
    EXPECT_EQ(std::string(std::istreambuf_iterator<char>(in), {}), "two");
    std::ofstream(folder / "file") << "x";
    EXPECT_FALSE(writeWholeFile(folder / "file/b.json", "three"));
    EXPECT_EQ(std::distance(fs::directory_iterator(folder / "a"), {}), 1) << "nothing is left behind";
}

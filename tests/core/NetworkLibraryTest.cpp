// Networks from elsewhere: installed when they are good, refused with a sentence when they are not.
#include "core/separation/NetworkLibrary.h"

#include <gtest/gtest.h>

#include <fstream>

#include "Support.h"
#include "core/base/Error.h"
#include "core/media/FileSum.h"
#include "core/separation/Engine.h"
#include "core/separation/NetworkCheck.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

const fs::path kNetworks = fs::path(RIVLEN_SOURCE_DIR) / "tests/data/networks";

class Library : public testing::Test {
protected:
    void SetUp() override { setenv("XDG_DATA_HOME", home.path().c_str(), 1); }
    void TearDown() override { unsetenv("XDG_DATA_HOME"); }
    TempFolder home;
};

}  // namespace

TEST_F(Library, InstallsUsesAndRemovesANetworkOfAnotherKind) {
    const size_t before = listNetworks().size();
    const NetworkCard card = installNetwork(kNetworks / "halves.json");
    EXPECT_EQ(listNetworks().size(), before + 1);
    EXPECT_FALSE(isShipped(card));
    EXPECT_TRUE(isShipped(findNetwork("")));
    EXPECT_EQ(findNetwork("halves").sha256, fileSha256(kNetworks / "halves.ts"));
    EXPECT_THROW(installNetwork(kNetworks / "halves.json"), Error) << "the id is taken";

    // Mono, 16 kHz, two stems of its own: the engine brings stereo at 44.1 kHz to it and back.
    const AudioBuffer x = programme(2, 44100, 44100 * 2);
    const auto stems = separated(loadNetwork(card), x, 44100);
    ASSERT_EQ(stems.size(), 2u);
    EXPECT_LT(differenceDb(sumOf(stems), x), -120);

    std::ofstream(card.file, std::ios::app) << "x";
    EXPECT_THROW(loadNetwork(findNetwork("halves")), Error) << "changed since it was checked";
    EXPECT_THROW(loadNetwork(NetworkCard::load(kNetworks / "halves.json")), Error) << "never checked: no checksum";
    removeNetwork("halves");
    EXPECT_EQ(listNetworks().size(), before);
    EXPECT_FALSE(fs::exists(card.file));
    EXPECT_THROW(removeNetwork("halves"), Error);
    EXPECT_THROW(removeNetwork(findNetwork("").id), Error) << "shipped networks stay";
}

class Refused : public Library, public testing::WithParamInterface<std::pair<const char*, const char*>> {};

TEST_P(Refused, WithTheReasonAndWithoutATrace) {
    const auto [name, reason] = GetParam();
    try {
        installNetwork(kNetworks / (std::string(name) + ".json"));
        FAIL();
    } catch (const Error& e) {
        EXPECT_NE(std::string(e.what()).find(reason), std::string::npos) << e.what();
        EXPECT_EQ(e.kind(), Error::Kind::InputUnreadable);
    }
    EXPECT_TRUE(listNetworks(ownNetworksFolder()).empty());
}

INSTANTIATE_TEST_SUITE_P(Bad, Refused,
                         testing::Values(std::pair{"hungry", "failed"}, std::pair{"wrongshape", "promises"},
                                         std::pair{"lossy", "do not sum"}, std::pair{"noisy", "out of silence"},
                                         std::pair{"crashing", "refused"}),
                         [](const auto& info) { return std::string(info.param.first); });

TEST_F(Library, AnEndlessNetworkIsStopped) {
    CheckLimits limits;
    limits.seconds = 3;
    const NetworkFacts facts = checkNetwork(NetworkCard::load(kNetworks / "endless.json"), limits);
    EXPECT_FALSE(facts.passed);
    EXPECT_NE(facts.reason.find("3 seconds"), std::string::npos) << facts.reason;
}

TEST_F(Library, ADamagedModuleEndsTheHelperAlone) {
    // A cut and a scrambled copy of a good module, and one that its card does not describe.
    std::ifstream in(kNetworks / "halves.ts", std::ios::binary);
    const std::string good((std::istreambuf_iterator<char>(in)), {});
    std::string scrambled = good;
    for (size_t i = 40; i < scrambled.size(); i += 7) scrambled[i] = char(scrambled[i] * 31 + 7);
    const TempFolder folder;
    fs::copy_file(kNetworks / "halves.json", folder / "halves.json");
    for (const std::string& bytes : {good.substr(0, good.size() / 2), scrambled, std::string()}) {
        std::ofstream(folder / "halves.ts", std::ios::binary | std::ios::trunc) << bytes;
        const NetworkFacts facts = checkNetwork(NetworkCard::load(folder / "halves.json"));
        EXPECT_FALSE(facts.passed);
        EXPECT_FALSE(facts.reason.empty());
    }
}

TEST(NetworkCard, StemsCanBeShownAsPartOfAnother) {
    const TempFolder folder;
    std::ofstream(folder / "x.json")
        << R"({"format":"rivlen-network","version":1,"id":"x","name":"","purpose":"","licence":"","date":"",
        "stems":["dialogue","room","music","ambience"],"shown":{"room":"dialogue"},
        "sample_rate":48000,"context_samples":0,"file":"x.ts"})";
    const NetworkCard card = NetworkCard::load(folder / "x.json");
    EXPECT_EQ(card.shown, (std::vector<std::string>{"dialogue", "music", "ambience"}));
    EXPECT_EQ(card.shownRow, (std::vector<size_t>{0, 0, 1, 2}));
}

// Networks from elsewhere: installed when they are good, refused with a sentence when they are not.
#include "core/separation/NetworkLibrary.h"

#include <gtest/gtest.h>
#include <zip.h>

#include <cstdlib>
#include <fstream>

#include "Places.h"
#include "Support.h"
#include "core/base/Error.h"
#include "core/media/FileSum.h"
#include "core/separation/Engine.h"
#include "core/separation/NetworkCheck.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

const fs::path kNetworks = fs::path(test::kSourceFolder) / "tests/data/networks";

/// A zip archive with one file of so many zeros.
void writeZeros(const fs::path& file, int64_t size) {
    const std::unique_ptr<void, void (*)(void*)> zeros(std::calloc(size_t(size), 1), std::free);
    zip_t* archive = zip_open(file.c_str(), ZIP_CREATE | ZIP_TRUNCATE, nullptr);
    ASSERT_TRUE(archive);
    const zip_int64_t entry =
        zip_file_add(archive, "halves/data/0", zip_source_buffer(archive, zeros.get(), zip_uint64_t(size), 0), 0);
    zip_set_file_compression(archive, zip_uint64_t(entry), ZIP_CM_DEFLATE, 1);
    ASSERT_EQ(zip_close(archive), 0);
}

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
                         testing::Values(std::pair{"hungry", "not enough memory"}, std::pair{"wrongshape", "promises"},
                                         std::pair{"lossy", "do not sum"}, std::pair{"noisy", "out of silence"},
                                         std::pair{"crashing", "refused"}, std::pair{"overdriven", "do not sum"},
                                         std::pair{"squashing", "depends on the level"},
                                         std::pair{"farsighted", "1.00 s of sound on each side, its card says 0.10 s"},
                                         std::pair{"writing", "failed"}),
                         [](const auto& info) { return std::string(info.param.first); });

TEST_F(Library, AnEndlessNetworkIsStopped) {
    NetworkLimits limits;
    limits.seconds = 3;
    const NetworkFacts facts = checkNetwork(NetworkCard::load(kNetworks / "endless.json"), limits);
    EXPECT_FALSE(facts.passed);
    EXPECT_NE(facts.reason.find("3 seconds"), std::string::npos) << facts.reason;
}

TEST_F(Library, ALoopThatBeginsAboveALengthIsFoundAtTheLengthsInUse) {
    NetworkLimits limits;
    limits.seconds = 8;
    const NetworkFacts facts = checkNetwork(NetworkCard::load(kNetworks / "patient.json"), limits);
    EXPECT_NE(facts.reason.find("did not answer within 8 seconds"), std::string::npos) << facts.reason;
}

TEST_F(Library, AModuleThatUnpacksToGigabytesIsNotUnpacked) {
    const TempFolder folder;
    fs::copy_file(kNetworks / "halves.json", folder / "halves.json");
    const int64_t size = int64_t(1100) << 20;
    writeZeros(folder / "halves.ts", size);
    EXPECT_LT(fs::file_size(folder / "halves.ts"), size / 200);
    const NetworkFacts facts = checkNetwork(NetworkCard::load(folder / "halves.json"));
    EXPECT_NE(facts.reason.find("unpacks to 1.2 GB"), std::string::npos) << facts.reason;
}

TEST_F(Library, ShippedNetworksPassTheirOwnCheck) {
    for (const auto& card : listNetworks(networksFolder())) {
        const NetworkFacts facts = checkNetwork(card);
        EXPECT_TRUE(facts.passed) << card.id << ": " << facts.reason;
        if (card.context == 0) continue;  // separates nothing
        EXPECT_GT(facts.contextNeeded, 0.5) << card.id << " surely depends on what is around";
    }
}

TEST_F(Library, TheContextThatItNeedsIsMeasured) {
    const NetworkFacts facts = checkNetwork(NetworkCard::load(kNetworks / "halves.json"));
    EXPECT_TRUE(facts.passed) << facts.reason;
    EXPECT_LE(facts.contextNeeded, 0.05);
    EXPECT_EQ(facts.confinedBy, "a filter of system calls");
}

TEST_F(Library, ACardThatLiesAboutARealNetworksContextIsRefused) {
    const TempFolder folder;
    nlohmann::json card = nlohmann::json::parse(std::ifstream(networksFolder() / "main.json"));
    fs::copy_file(networksFolder() / "main.ts", folder / "main.ts");
    card["context_samples"] = 10;
    card["grid_samples"] = 1;
    std::ofstream(folder / "main.json") << card;
    const NetworkFacts facts = checkNetwork(NetworkCard::load(folder / "main.json"));
    EXPECT_NE(facts.reason.find("its card says 0.00 s: context_samples must be"), std::string::npos) << facts.reason;
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

// Networks from elsewhere while they are used: whatever they do, they do it to a process of their own.
#include "core/separation/ConfinedNetwork.h"

#include <gtest/gtest.h>

#include <unistd.h>

#include <fstream>
#include <future>
#include <thread>

#include "Places.h"
#include "Support.h"
#include "core/base/Error.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Confined : testing::Test {
    TempFolder folder;
    fs::path before = fs::current_path();
    void SetUp() override { fs::current_path(folder.path()); }
    void TearDown() override { fs::current_path(before); }

    static NetworkCard card(const char* name) {
        return NetworkCard::load(fs::path(test::kSourceFolder) / "tests/data/networks" / (std::string(name) + ".json"));
    }
    static std::string failure(Network& network, int64_t frames) {
        try {
            network.separate(noise(1, frames, 0.1f));
        } catch (const Error& e) {
            EXPECT_EQ(e.kind(), Error::Kind::Other);
            return e.what();
        }
        return "";
    }
    static double error(Network& network, int64_t frames) {
        const AudioBuffer x = noise(1, frames, 0.1f);
        return differenceDb(sumOf(network.separate(x)), x);
    }
};

}  // namespace

TEST_F(Confined, AnswersAsItWouldHereAndSeveralAtATime) {
    ConfinedNetwork network(card("halves"));
    std::vector<std::future<double>> answers;
    for (int64_t frames : {1, 333, 160000, 40000})
        answers.push_back(std::async(std::launch::async, [&network, frames] { return error(network, frames); }));
    for (auto& answer : answers) EXPECT_LT(answer.get(), -120);
}

TEST_F(Confined, EachOfItsThreadsIsFilteredAndItHasNoFilesOfOurs) {
    std::ofstream ours("recording.wav");
    ConfinedNetwork network(card("halves"));
    EXPECT_LT(error(network, 160000), -120);
    const std::string child = run("pgrep -P " + std::to_string(getpid()) + " rivlen-network").out;
    const fs::path process = "/proc/" + std::to_string(std::stoi(child));
    int threads = 0;
    for (const auto& thread : fs::directory_iterator(process / "task")) {
        std::ifstream status(thread.path() / "status");
        const std::string text{std::istreambuf_iterator<char>(status), {}};
        EXPECT_NE(text.find("Seccomp:\t2"), std::string::npos) << text;
        EXPECT_NE(text.find("NoNewPrivs:\t1"), std::string::npos);
        ++threads;
    }
    EXPECT_GE(threads, 2) << "one computes, one watches for our end";
    std::error_code closed;  // of another user's process they cannot be listed
    for (const auto& file : fs::directory_iterator(process / "fd", closed))
        EXPECT_LE(std::stoi(file.path().filename()), 3) << fs::read_symlink(file.path(), closed);
}

TEST_F(Confined, CannotWriteAFile) {
    std::ofstream("victim.raw", std::ios::binary) << std::string(64, 'v');
    ConfinedNetwork network(card("moody"));
    EXPECT_NE(failure(network, 4321).find("failed"), std::string::npos);
    std::ifstream in("victim.raw", std::ios::binary);
    EXPECT_EQ(std::string((std::istreambuf_iterator<char>(in)), {}), std::string(64, 'v'));
    EXPECT_LT(error(network, 4000), -120) << "it goes on";
}

TEST_F(Confined, EndlessGreedyAndLostAnswersAreSentencesAndTheNextOneIsRight) {
    ConfinedNetwork network(card("moody"), {4, int64_t(6) << 30});
    EXPECT_NE(failure(network, 4322).find("did not answer within"), std::string::npos);
    EXPECT_LT(error(network, 4000), -120);
    EXPECT_NE(failure(network, 4323).find("not enough memory"), std::string::npos);
    EXPECT_LT(error(network, 4000), -120);
    // A process that ends at work, as one does that is damaged by what it computes.
    auto endless = std::async(std::launch::async, [&] { return failure(network, 4322); });
    const auto killed = [] { return run("pkill -9 -P " + std::to_string(getpid()) + " rivlen-network").code == 0; };
    std::this_thread::sleep_for(std::chrono::milliseconds(300));
    EXPECT_TRUE(killed());
    EXPECT_NE(endless.get().find("made the program that runs it end"), std::string::npos);
    EXPECT_LT(error(network, 4000), -120);
}

TEST_F(Confined, AModuleThatCannotBeLoadedIsASentence) {
    fs::copy_file(card("halves").path, folder / "halves.json");
    std::ofstream(folder / "halves.ts") << "no network";
    try {
        ConfinedNetwork network(NetworkCard::load(folder / "halves.json"));
        FAIL();
    } catch (const Error& e) {
        EXPECT_EQ(e.kind(), Error::Kind::InputUnreadable);
        EXPECT_NE(std::string(e.what()).find("damaged or not TorchScript"), std::string::npos) << e.what();
    }
}

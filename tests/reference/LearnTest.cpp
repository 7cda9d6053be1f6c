// The command that learns a scene, and what uses it.
#include <gtest/gtest.h>

#include <fstream>
#include <nlohmann/json.hpp>

#include "Places.h"
#include "Support.h"
#include "core/base/Resources.h"
#include "core/media/MediaReader.h"
#include "core/separation/Learner.h"
#include "core/separation/NetworkLibrary.h"
#include "core/separation/NetworkModule.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

const std::string cli = (programFolder() / "rivlen-cli").string();
const std::string deck = std::string(test::kSourceFolder) + "/demo/reel-1-deck.flac";

/// A scene that gives the biases something: the answer is another one.
fs::path made(const fs::path& file) {
    const NetworkCard card = findNetwork("");
    Scene scene{"x", card.id, card.sha256, "2026-11-27", {}, {{"dialogue", 1}}, {}};
    for (auto [name, values] : beginLearning(card, moduleBytes(card), 1)->changes())
        if (name.ends_with("change_bias")) scene.changes[name] = std::vector<float>(values.size(), 0.03f);
    scene.save(file);
    return file;
}

}  // namespace

TEST(Learn, MistakesAreToldBeforeAnythingIsLearned) {
    const TempFolder folder;
    const std::string out = " --out " + (folder / "a.scene").string();
    const auto refused = [](const std::string& command, const char* words) {
        const auto r = run("( " + command + " 2>&1 )");
        EXPECT_EQ(r.code, 2) << command << r.out;
        EXPECT_NE(r.out.find(words), std::string::npos) << r.out;
    };
    refused(cli + " learn " + deck + out, "Nothing is marked");
    refused(cli + " learn " + deck + " --only ambience=0-5 --out " + (folder / "a.txt").string(), "ends in .scene");
    refused(cli + " learn " + deck + " --only steam=0-5" + out, "cannot be marked");
    refused(cli + " learn " + deck + " --only ambience" + out, "is no span");
    refused(cli + " learn " + deck + " --only ambience=900-905" + out, "has no span");
    refused(cli + " learn " + deck + " --only ambience=5-2" + out, "has no span");
    EXPECT_TRUE(fs::is_empty(folder.path()));
}

TEST(Learn, TooLittleTeachesNothingAndIsNoFailure) {
    const TempFolder folder;
    const auto r = run("( " + cli + " learn " + deck + " --only voice=2-2.5 --json --out " +
                       (folder / "a.scene").string() + " 2>/dev/null )");
    EXPECT_EQ(r.code, 0) << r.out;
    const auto j = nlohmann::json::parse(r.out);
    EXPECT_EQ(j.at("learned"), false);
    EXPECT_EQ(j.at("base_network"), "main");
    EXPECT_NE(j.at("reason").get<std::string>().find("too little is marked"), std::string::npos);
    EXPECT_EQ(j.at("marks").at(0).at("stem"), "dialogue");
    EXPECT_FALSE(fs::exists(folder / "a.scene"));
}

TEST(Learn, ASceneChangesTheSplitWhichStillSumsToTheSource) {
    const TempFolder folder;
    const std::string scene = made(folder / "a.scene").string();
    const auto split = [&](const std::string& more, const std::string& to) {
        const auto r = run("( " + cli + " split " + deck + " --from 0 --to 4 --quality quick --out " +
                           (folder / to).string() + " --json " + more + " 2>/dev/null )");
        EXPECT_EQ(r.code, 0) << r.out;
        return nlohmann::json::parse(r.out);
    };
    split("", "plain");
    const auto j = split("--scene " + scene, "learned");
    const auto residual = j.at("files").at(0).at("residual_dbfs");
    EXPECT_LT(residual.is_null() ? -200.0 : residual.get<double>(), -120);
    const auto read = [&](const char* of) {
        MediaReader reader(folder / of / "reel-1-deck.dialogue.wav");
        return reader.read(0, reader.frames());
    };
    EXPECT_GT(differenceDb(read("plain"), read("learned")), -60);
    std::ofstream(folder / "b.scene") << "no scene";
    const auto r = run("( " + cli + " split " + deck + " --out " + (folder / "c").string() + " --scene " +
                       (folder / "b.scene").string() + " 2>&1 )");
    EXPECT_EQ(r.code, 3);
    EXPECT_NE(r.out.find("b.scene"), std::string::npos);
}

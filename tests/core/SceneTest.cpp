#include "core/separation/Scene.h"

#include <gtest/gtest.h>

#include <fstream>
#include <nlohmann/json.hpp>

#include "Places.h"
#include "Support.h"
#include "core/delivery/ReelRecipe.h"
#include "core/media/MediaReader.h"
#include "core/separation/Engine.h"
#include "core/separation/Learner.h"
#include "core/separation/NetworkLibrary.h"
#include "core/separation/NetworkModule.h"

using namespace rivlen;
using namespace rivlen::test;
using nlohmann::json;

namespace {

Scene some() {
    const NetworkCard card = findNetwork("");
    Scene scene{"The deck",          card.id, card.sha256, "2026-11-27", {{"deck.wav", "ambience", 1, 6}},
                {{"dialogue", 1.5}}, {}};
    scene.changes = beginLearning(card, moduleBytes(card), 1)->changes();
    return scene;
}

std::string refusal(const fs::path& file) {
    try {
        Scene::load(file);
    } catch (const Error& e) {
        EXPECT_EQ(e.kind(), Error::Kind::InputUnreadable);
        EXPECT_NE(std::string(e.what()).find(file.string()), std::string::npos);
        return e.what();
    }
    return "";
}

void write(const fs::path& file, const json& j) {
    const auto bytes = json::to_cbor(j);
    std::ofstream(file, std::ios::binary)
        .write(reinterpret_cast<const char*>(bytes.data()), std::streamsize(bytes.size()));
}

json readJson(const fs::path& file) {
    std::ifstream in(file, std::ios::binary);
    return json::from_cbor(in);
}

}  // namespace

TEST(SceneFile, ComesBackAsItWasSaved) {
    const TempFolder folder;
    const Scene scene = some();
    ASSERT_GT(scene.changes.size(), 50u);
    scene.save(folder / "a.scene");
    const Scene again = Scene::load(folder / "a.scene");
    EXPECT_EQ(again.name, "The deck");
    EXPECT_EQ(again.changes, scene.changes);
    EXPECT_EQ(again.gainDb, scene.gainDb);
    ASSERT_EQ(again.spans.size(), 1u);
    EXPECT_EQ(again.spans[0].to, 6);
    EXPECT_LT(fs::file_size(folder / "a.scene"), 2u << 20) << "it is said to be small";
}

TEST(SceneFile, DamagedAndHostileOnesAreRefusedWithASentence) {
    const TempFolder folder;
    const fs::path file = folder / "a.scene";
    EXPECT_NE(refusal(file).find("cannot be read"), std::string::npos);
    some().save(file);
    const json good = readJson(file);
    const auto with = [&](const char* key, const json& value) {
        json j = good;
        j[key] = value;
        write(file, j);
        return refusal(file);
    };
    EXPECT_NE(with("format", "other").find("is not a scene"), std::string::npos);
    EXPECT_NE(with("version", 9).find("newer Rivlen"), std::string::npos);
    EXPECT_NE(with("changes", json::object()).find("changes nothing"), std::string::npos);
    EXPECT_NE(with("changes", 7).find("incomplete or damaged"), std::string::npos);
    EXPECT_NE(with("spans", json::array({1})).find("incomplete or damaged"), std::string::npos);
    const float bad[] = {1.0f, std::nanf("")};
    const auto* bytes = reinterpret_cast<const std::uint8_t*>(bad);
    EXPECT_NE(with("changes", {{"change_x", json::binary({bytes, bytes + sizeof bad})}}).find("weights that cannot be"),
              std::string::npos);
    write(file, good);
    fs::resize_file(file, fs::file_size(file) / 2);
    EXPECT_NE(refusal(file).find("incomplete or damaged"), std::string::npos);
    fs::remove(file);
    fs::create_directory(file);
    EXPECT_NE(refusal(file).find("cannot be read"), std::string::npos);
}

// Lists within lists, eight million deep, and a number that no integer holds: both ended the program once.
TEST(SceneFile, DepthAndNumbersOutOfRangeAreRefused) {
    const TempFolder folder;
    const auto refused = [&](const std::string& bytes) {
        std::ofstream(folder / "a.scene", std::ios::binary) << bytes;
        return refusal(folder / "a.scene");
    };
    EXPECT_NE(refused(std::string(8'000'000, char(0x81))).find("too deeply"), std::string::npos);
    const auto cbor = nlohmann::json::to_cbor({{"format", "rivlen-scene"}, {"version", -1e308}});
    EXPECT_NE(refused(std::string(cbor.begin(), cbor.end())).find("out of range"), std::string::npos);
}

TEST(SceneFile, FitsItsOwnNetworkAlone) {
    const TempFolder folder;
    Scene scene = some();
    scene.networkSum = "0123";
    scene.save(folder / "a.scene");
    EXPECT_THROW(withScene(findNetwork(""), folder / "a.scene"), Error);
    scene.networkSum = findNetwork("").sha256;
    scene.changes = {{"net.first.change_nothing", {1.0f}}};
    scene.save(folder / "a.scene");
    EXPECT_THROW(loadNetwork(withScene(findNetwork(""), folder / "a.scene")), Error) << "no such buffer";
    scene = some();
    scene.changes.begin()->second.pop_back();
    scene.save(folder / "a.scene");
    EXPECT_THROW(loadNetwork(withScene(findNetwork(""), folder / "a.scene")), Error) << "another size";
}

TEST(SceneFile, ChangesTheAnswerAndItsSumTellsThemApart) {
    const TempFolder folder;
    Scene scene = some();
    scene.save(folder / "nothing.scene");  // the left matrices are zero still: it changes nothing
    for (auto& [name, values] : scene.changes)
        if (name.ends_with("change_bias"))
            for (float& v : values) v = 0.05f;
    scene.save(folder / "much.scene");
    const NetworkCard card = findNetwork(""), nothing = withScene(card, folder / "nothing.scene"),
                      much = withScene(card, folder / "much.scene");
    EXPECT_NE(card.sum(), nothing.sum());
    EXPECT_NE(much.sum(), nothing.sum());
    MediaReader reader(fs::path(test::kSourceFolder) / "demo" / "reel-1-deck.flac");
    const AudioBuffer x = reader.read(48000, 48000 * 2);
    const auto plain = loadNetwork(card)->separate(x), same = loadNetwork(nothing)->separate(x),
               other = loadNetwork(much)->separate(x);
    EXPECT_LT(differenceDb(plain[0], same[0]), -100);
    EXPECT_GT(differenceDb(plain[0], other[0]), -60);
}

TEST(SceneFile, AReelWhoseSceneIsGoneIsNotPreparedAndSaysWhyWhenItIsMade) {
    const TempFolder folder;
    ReelRecipe recipe;
    recipe.name = "Deck";
    recipe.source = fs::path(test::kSourceFolder) / "demo" / "reel-1-deck.flac";
    recipe.quality = "quick";
    recipe.scene = folder / "gone.scene";
    EXPECT_FALSE(isPrepared(recipe));
    try {
        prepareReel(recipe, {});
        FAIL();
    } catch (const Error& e) {
        EXPECT_NE(std::string(e.what()).find("gone.scene"), std::string::npos) << e.what();
    }
}

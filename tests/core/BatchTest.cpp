// What a batch is made of, and what is known of its pieces.
#include <gtest/gtest.h>

#include <fstream>

#include "Support.h"
#include "core/base/Error.h"
#include "core/batch/BatchRecord.h"
#include "core/session/Session.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Batch : testing::Test {
    TempFolder folder;

    fs::path file(const std::string& name) {
        const fs::path path = folder / name;
        fs::create_directories(path.parent_path());
        std::ofstream(path) << name;
        return path;
    }
    BatchRequest request(const std::string& command, std::vector<fs::path> inputs,
                         std::vector<std::string> options = {}) {
        return {command, std::move(inputs), std::move(options), folder / "out"};
    }
    static bool has(const BatchUnit& unit, const std::string& word, const std::string& value) {
        const auto at = std::find(unit.arguments.begin(), unit.arguments.end(), word);
        return at != unit.arguments.end() && at + 1 != unit.arguments.end() && at[1] == value;
    }
    std::string refusal(const BatchRequest& asked) {
        try {
            planBatch(asked);
        } catch (const Error& e) {
            return e.what();
        }
        return "";
    }
};

}  // namespace

TEST_F(Batch, WhatLiesInAFolderKeepsItsPlace) {
    file("in/b/x.wav"), file("in/a/x.wav"), file("in/notes.txt"), file("in/.hidden.wav");
    const auto units = planBatch(request("split", {folder / "in"}, {"--quality", "quick"}));
    ASSERT_EQ(units.size(), 2u);
    EXPECT_EQ(units[0].input, folder / "in/a/x.wav");
    EXPECT_EQ(units[0].folder, folder / "out/a");
    EXPECT_EQ(units[1].folder, folder / "out/b");
    EXPECT_NE(units[0].id, units[1].id);
    EXPECT_EQ(units[0].id.find_first_of("/. "), std::string::npos) << units[0].id;
    EXPECT_TRUE(has(units[0], "--out", (folder / "out/a").string()));
    EXPECT_TRUE(has(units[0], "--quality", "quick"));
    EXPECT_EQ(units[0].arguments.back(), "--json");
    EXPECT_TRUE(has(planBatch(request("treat", {folder / "in"}))[1], "--folder", (folder / "out/b").string()));
}

TEST_F(Batch, ASessionBringsTheSettingsOfItsReels) {
    Session session;
    session.reels.push_back(makeReel(session, file("media/one.wav")));
    session.reels.push_back(makeReel(session, file("media/two.wav")));
    session.reels[0].quality = "quick";
    session.reels[0].network = "special";
    session.reels[1].name = "Second";
    session.reels[1].tolerateDamage = true;
    saveSession(session, folder / "day.rivlen");
    auto units = planBatch(request("split", {folder / "day.rivlen"}));
    ASSERT_EQ(units.size(), 2u);
    EXPECT_TRUE(has(units[0], "--quality", "quick"));
    EXPECT_TRUE(has(units[0], "--network", "special"));
    EXPECT_TRUE(has(units[1], "--quality", "fine"));
    EXPECT_TRUE(has(units[1], "--tolerate-damage", "--json"));
    // What is said for all of them counts more.
    units = planBatch(request("split", {folder / "day.rivlen"}, {"--quality=fine"}));
    EXPECT_FALSE(has(units[0], "--quality", "quick"));
    // Treatments know no networks.
    EXPECT_FALSE(has(planBatch(request("treat", {folder / "day.rivlen"}))[0], "--network", "special"));

    units = planBatch(request("dispatch", {folder / "day.rivlen"}));
    ASSERT_EQ(units.size(), 2u);
    EXPECT_EQ(units[1].reel, "Second");
    EXPECT_TRUE(has(units[1], "--reel", "Second"));
    EXPECT_EQ(units[1].folder, folder / "out");
    fs::copy_file(folder / "day.rivlen", folder / "night.rivlen");
    units = planBatch(request("dispatch", {folder / "day.rivlen", folder / "night.rivlen"}));
    ASSERT_EQ(units.size(), 4u);
    EXPECT_EQ(units[0].folder, folder / "out/day") << "reels of several sessions may have the same names";
    EXPECT_EQ(units[2].folder, folder / "out/night");
}

TEST_F(Batch, WhatCannotBeDoneIsSaidBeforeAnythingIsBegun) {
    file("a/x.wav"), file("b/x.flac");
    fs::create_directories(folder / "empty");
    EXPECT_NE(refusal(request("split", {folder / "a/x.wav", folder / "b/x.flac"})).find("would write the same"),
              std::string::npos);
    EXPECT_NE(refusal(request("split", {folder / "nowhere.wav"})).find("is not there"), std::string::npos);
    EXPECT_NE(refusal(request("split", {folder / "empty"})).find("holds no recordings"), std::string::npos);
    EXPECT_NE(refusal(request("dispatch", {folder / "a"})).find("holds no sessions"), std::string::npos);
    EXPECT_NE(refusal(request("dispatch", {folder / "a/x.wav"})).find("is no session"), std::string::npos);
    EXPECT_FALSE(fs::exists(folder / "out"));
}

TEST_F(Batch, ADifferentFileOrOptionIsOtherWork) {
    const fs::path x = file("x.wav");
    const auto key = [&](std::vector<std::string> options) {
        return planBatch(request("split", {x}, std::move(options)))[0].key;
    };
    const std::string first = key({});
    EXPECT_EQ(key({}), first);
    EXPECT_NE(key({"--depth", "12"}), first);
    std::ofstream(x, std::ios::app) << "more";
    EXPECT_NE(key({}), first);
}

TEST_F(Batch, AUnitIsTheSameAfterItsWayThroughAFile) {
    const auto unit = planBatch(request("split", {file("x y.wav")}, {"--depth", "12"}))[0];
    EXPECT_EQ(batchUnitFrom(nlohmann::json::parse(toJson(unit).dump())), unit);
    EXPECT_THROW(batchUnitFrom(nlohmann::json::object()), nlohmann::json::exception);
}

TEST_F(Batch, ARecordHoldsWhileItsFilesAreThere) {
    const auto unit = planBatch(request("split", {file("x.wav")}))[0];
    const fs::path out = folder / "out";
    EXPECT_EQ(readBatchRecord(out, unit).state, BatchRecord::State::Fresh);
    BatchRecord record;
    record.state = BatchRecord::State::Done;
    record.key = unit.key;
    record.outputs = {file("out/x.dialogue.wav")};
    record.result = {{"files", 1}};
    record.seconds = 2.5;
    record.begun = 3;
    writeBatchRecord(out, unit, record);
    const BatchRecord read = readBatchRecord(out, unit);
    EXPECT_TRUE(read.holds(unit));
    EXPECT_EQ(read.result, record.result);
    EXPECT_EQ(read.begun, 3);
    EXPECT_EQ(read.seconds, 2.5);
    fs::remove(folder / "out/x.dialogue.wav");
    EXPECT_FALSE(read.holds(unit));
    // What is no record counts as none.
    std::ofstream(besideBatchRecord(out, unit, ".json")) << "{\"state\": 7}";
    EXPECT_EQ(readBatchRecord(out, unit).state, BatchRecord::State::Fresh);
}

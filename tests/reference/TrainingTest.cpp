// What networks learn from: the mixtures against the definition (the sums of a transform of the mixed sound itself),
// and that nothing that they are measured on is among it.
#include <gtest/gtest.h>

#include <fstream>
#include <map>
#include <nlohmann/json.hpp>
#include <regex>
#include <set>

#include "Places.h"
#include "Support.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(TrainingMixtures, AreWhatMixingTheSoundGives) {
    const std::string root = test::kSourceFolder;
    const auto r = run("PYTHONDONTWRITEBYTECODE=1 /usr/bin/python3 '" + root + "/tests/reference/mixing.py' '" + root +
                       "/training'");
    EXPECT_EQ(r.code, 0) << r.out;
}

TEST(TrainingMaterial, NothingThatIsMeasuredOnIsLearnedFrom) {
    const fs::path folder = fs::path(test::kSourceFolder) / "training";
    const auto kept = nlohmann::json::parse(std::ifstream(folder / "manifest.json")).at("kept");
    std::map<std::string, std::set<std::string>> splitsOfSound, splitsOfGroup;
    std::map<std::string, size_t> files;
    for (const auto& group : kept) {
        const std::string split = group.at("split") == "train" ? "learned from" : "measured on",
                          role = group.at("role");
        // A group is a speaker, or all of a package's music, effects or places.
        splitsOfGroup[role + " of " + group.at("group").get<std::string>()].insert(split);
        for (const auto& file : group.at("files")) splitsOfSound[file.at(1)].insert(split);
        files[group.at("split").get<std::string>() + " " + role] += group.at("files").size();
    }
    for (const char* kind : {"train speech", "train music", "train effects", "train places", "field speech",
                             "field music", "field effects", "field places"})
        EXPECT_GT(files[kind], 10u) << kind;
    for (const auto& [sum, splits] : splitsOfSound) EXPECT_EQ(splits.size(), 1u) << sum;
    for (const auto& [group, splits] : splitsOfGroup) {
        // Two packages give pieces to both: other files of other kinds of sound.
        if (group == "effects of hedgewars-data" || group == "music of hedgewars-data" ||
            group == "music of colobot-common-sounds")
            continue;
        EXPECT_EQ(splits.size(), 1u) << group;
    }
}

TEST(TrainingMaterial, WithheldRecordingsAreNowhere) {
    const fs::path folder = fs::path(test::kSourceFolder) / "training";
    const auto kept = nlohmann::json::parse(std::ifstream(folder / "manifest.json")).at("kept");
    const auto withheld = nlohmann::json::parse(std::ifstream(folder / "sources.json")).at("withheld");
    ASSERT_GE(withheld.size(), 6u);
    for (const auto& rule : withheld) {
        const std::regex match(rule.value("match", ""));
        for (const auto& group : kept) {
            if (group.at("package") != rule.at("package")) continue;
            for (const auto& file : group.at("files"))
                EXPECT_FALSE(std::regex_search(file.at(0).get<std::string>(), match)) << file;
        }
    }
}

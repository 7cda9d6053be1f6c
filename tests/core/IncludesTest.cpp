// The order of folders: who may include whom. docs/architecture.md draws the map.
#include <gtest/gtest.h>

#include <fstream>
#include <map>
#include <regex>
#include <set>

#include "Places.h"
#include "Support.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Include {
    fs::path file;
    std::string line;
};

/// All quoted includes below a folder of src, that begin with prefix.
std::vector<Include> includesBelow(const std::string& folder, const std::string& prefix) {
    const std::regex pattern("^\\s*#include \"(" + prefix + "[^\"]*)\"");
    std::vector<Include> found;
    const fs::path root = fs::path(test::kSourceFolder) / "src";
    for (const auto& entry : fs::recursive_directory_iterator(root / folder)) {
        if (entry.path().extension() != ".h" && entry.path().extension() != ".cpp") continue;
        std::ifstream in(entry.path());
        std::smatch match;
        for (std::string line; std::getline(in, line);)
            if (std::regex_search(line, match, pattern))
                found.push_back({entry.path().lexically_relative(root), match[1]});
    }
    return found;
}

std::string part(const fs::path& path, int which) {
    auto it = path.begin();
    std::advance(it, which);
    return it->string();
}

}  // namespace

// A folder may include itself and what stands before it.
TEST(Includes, FoldersOfTheCoreStandInOneOrder) {
    const std::vector<std::string> order{"base",      "jobs",      "audio",      "spectral",  "media",     "loudness",
                                         "measures",  "space",     "separation", "isolation", "live",      "learning",
                                         "diagnosis", "treatment", "effects",    "rebuild",   "following", "delivery",
                                         "exchange",  "session",   "batch"};
    const auto place = [&](const std::string& folder) {
        return std::find(order.begin(), order.end(), folder) - order.begin();
    };
    size_t seen = 0;
    for (const auto& [file, line] : includesBelow("core", "core/")) {
        const std::string from = part(file, 1), to = part(line, 1);
        ASSERT_LT(size_t(place(from)), order.size()) << "a folder that is not in the order: " << file;
        EXPECT_LE(place(to), place(from)) << file << " includes " << line << ", which stands later";
        ++seen;
    }
    EXPECT_GT(seen, 300u);
}

// In the window a folder may include what stands before it; stages never each other, widgets nothing of the
// application.
TEST(Includes, FoldersOfTheWindowStandInOneOrder) {
    const std::vector<std::string> order{"words",  "widgets", "work",  "document", "reels",    "hearing", "views",
                                         "intake", "split",   "weigh", "rebuild",  "dispatch", "window"};
    const std::set<std::string> stages{"intake", "split", "weigh", "rebuild", "dispatch"};
    const auto place = [&](const std::string& folder) {
        return std::find(order.begin(), order.end(), folder) - order.begin();
    };
    size_t seen = 0;
    for (const auto& [file, line] : includesBelow("app", "app/")) {
        if (file.filename() == "main.cpp") continue;
        const std::string from = part(file, 1), to = part(line, 1);
        ASSERT_LT(size_t(place(from)), order.size()) << "a folder that is not in the order: " << file;
        EXPECT_LE(place(to), place(from)) << file << " includes " << line << ", which stands later";
        if (from == "widgets") {
            EXPECT_TRUE(to == from || to == "words") << file << " includes " << line;
        }
        if (stages.contains(from) && stages.contains(to)) {
            EXPECT_EQ(to, from) << "one stage includes another: " << file << " includes " << line;
        }
        ++seen;
    }
    EXPECT_GT(seen, 200u);
    for (const auto& [file, line] : includesBelow("app/widgets", "(?:core|playback)/"))
        EXPECT_EQ(part(line, 1), "base") << file << " includes " << line;  // where fonts lie, what an error is
}

// Threads and calls across them are the business of work/ and of what computes pictures; nobody emits for another.
TEST(Includes, TheWindowKeepsItsThreadsAndSignalsInOrder) {
    const fs::path root = fs::path(test::kSourceFolder) / "src/app";
    const std::regex threads("std::thread|std::mutex|std::async|invokeMethod"), foreign("\\bemit (?!this)\\w+(\\.|->)"),
        writes("[rR]eels(\\.|->)write\\(");
    for (const auto& entry : fs::recursive_directory_iterator(root)) {
        if (!entry.is_regular_file()) continue;
        std::ifstream in(entry.path());
        const std::string text(std::istreambuf_iterator<char>(in), {});
        const fs::path file = entry.path().lexically_relative(root);
        const std::string folder = part(file, 0);
        EXPECT_FALSE(std::regex_search(text, foreign)) << file << " emits a signal of another object";
        if (folder != "reels") {
            EXPECT_FALSE(std::regex_search(text, writes)) << file << " writes facts of reels";
        }
        if (folder != "work" && folder != "views") {
            EXPECT_FALSE(std::regex_search(text, threads)) << file << " has threads of its own";
        }
    }
}

TEST(Includes, TheCoreKnowsNoInterfaceAndOnlyTheBackendKnowsLibtorch) {
    for (const char* outside : {"app/", "cli/", "playback/"})
        EXPECT_TRUE(includesBelow("core", outside).empty()) << outside;
    for (const char* outside : {"app/", "cli/"}) EXPECT_TRUE(includesBelow("playback", outside).empty()) << outside;
    EXPECT_TRUE(includesBelow("cli", "app/").empty());
    EXPECT_TRUE(includesBelow("app", "cli/").empty());
    const fs::path root = fs::path(test::kSourceFolder) / "src";
    for (const auto& entry : fs::recursive_directory_iterator(root)) {
        if (!entry.is_regular_file()) continue;
        std::ifstream in(entry.path());
        const std::string text(std::istreambuf_iterator<char>(in), {});
        const std::string stem = entry.path().stem();
        if (stem != "TorchNetwork" && stem != "TorchLearner") {
            EXPECT_EQ(text.find("#include <torch"), std::string::npos) << entry.path();
        }
        if (part(entry.path().lexically_relative(root), 0) == "core") {
            EXPECT_FALSE(std::regex_search(text, std::regex("#include <Q[A-Z]"))) << entry.path();
        }
    }
}

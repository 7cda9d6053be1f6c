// What fuzzing found and kept (tests/data/fuzz, grown by `./rivlen fuzz`), read again: each file is taken or refused
// with a sentence, and nothing else happens.
#include <gtest/gtest.h>

#include <fstream>

#include "../fuzz/JsonMutator.h"
#include "../fuzz/readers.h"
#include "Places.h"
#include "Support.h"

using namespace rivlen;
using namespace rivlen::test;

class HostileFiles : public testing::TestWithParam<size_t> {};

TEST_P(HostileFiles, AreRefusedOrRead) {
    const TempFolder folder;
    setenv("XDG_DATA_HOME", folder.path().c_str(), 1);
    const fuzz::Reader& reader = fuzz::readers()[GetParam()];
    size_t files = 0;
    for (const auto& entry : fs::directory_iterator(fs::path(test::kSourceFolder) / "tests/data/fuzz" / reader.name)) {
        std::ifstream in(entry.path(), std::ios::binary);
        const std::string bytes{std::istreambuf_iterator<char>(in), {}};
        EXPECT_NO_THROW(fuzz::tried(reader, bytes)) << entry.path();
        ++files;
    }
    EXPECT_GE(files, 2u) << "the corpus of " << reader.name;
}

/// A short, repeatable piece of what `./rivlen fuzz` does for hours.
TEST_P(HostileFiles, ChangedAsDocumentsAreRefusedOrRead) {
    const TempFolder folder;
    setenv("XDG_DATA_HOME", folder.path().c_str(), 1);
    const fuzz::Reader& reader = fuzz::readers()[GetParam()];
    std::vector<std::string> documents;
    for (const auto& entry : entries(fs::path(test::kSourceFolder) / "tests/data/fuzz" / reader.name)) {
        std::ifstream in(entry, std::ios::binary);
        const std::string bytes{std::istreambuf_iterator<char>(in), {}};
        if (!fuzz::mutatedJson(bytes, 1, 1 << 20).empty()) documents.push_back(bytes);
    }
    if (documents.empty()) GTEST_SKIP() << reader.name << " reads no JSON";
    for (unsigned i = 0; i < 400; ++i) {
        const std::string made = fuzz::mutatedJson(documents[i % documents.size()], seed() * 1000 + i, 1 << 16);
        EXPECT_NO_THROW(fuzz::tried(reader, made)) << reader.name << ": " << made.substr(0, 2000);
    }
}

INSTANTIATE_TEST_SUITE_P(Readers, HostileFiles, testing::Range(size_t(0), fuzz::readers().size()),
                         [](const auto& info) { return fuzz::readers()[info.param].name; });

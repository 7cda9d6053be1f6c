#include "core/base/Unexpected.h"

#include <gtest/gtest.h>

#include <filesystem>
#include <regex>

#include "core/base/Json.h"
#include "core/base/JsonReason.h"

using namespace rivlen;

namespace {

template <typename Throw>
std::string said(Throw doIt) {
    try {
        doIt();
    } catch (const std::exception& e) {
        return unexpected(e, "splitting \"a.wav\"").what();
    }
    return "nothing was thrown";
}

std::string reasonOf(const std::string& text, const std::function<void(const nlohmann::json&)>& use) {
    try {
        use(parsedJson(text));
    } catch (const nlohmann::json::exception& e) {
        return jsonReason(e);
    }
    return "nothing was thrown";
}

}  // namespace

TEST(Unexpected, NoLibrarysTextReachesTheUser) {
    namespace fs = std::filesystem;
    const std::string all[] = {
        said([] { throw std::bad_alloc(); }),
        said([] { (void)fs::file_size("/nowhere/at/all"); }),
        said([] { (void)fs::file_size(std::string(400, 'x')); }),
        said([] {
            throw fs::filesystem_error("rename", "a", "b", std::make_error_code(std::errc::no_space_on_device));
        }),
        said([] { (void)std::string().at(3); }),
        said([] { (void)std::regex("("); }),
        said([] { throw std::runtime_error("c10::Error in aten::conv2d"); }),
        said([] { nlohmann::json j = nlohmann::json::parse("{"); }),
    };
    for (const auto& text : all) {
        for (const char* foreign :
             {"std::", "c10", "aten", "json.exception", "filesystem error", "basic_string", "regex"})
            EXPECT_EQ(text.find(foreign), std::string::npos) << text;
        EXPECT_EQ(text.find('\n'), std::string::npos);
        EXPECT_EQ(text.back(), '.');
    }
    EXPECT_NE(all[0].find("memory"), std::string::npos);
    EXPECT_NE(all[0].find("splitting \"a.wav\""), std::string::npos);
    EXPECT_NE(all[1].find("/nowhere/at/all"), std::string::npos);
    EXPECT_NE(all[2].find("shorten it"), std::string::npos);
    EXPECT_NE(all[3].find("\"b\""), std::string::npos) << "the file that was to be written";
    EXPECT_NE(all[3].find("full"), std::string::npos);
}

TEST(Unexpected, ADebuggersTextIsAddedWhenItIsAskedFor) {
    setenv("RIVLEN_DEBUG", "1", 1);
    const std::string text = said([] { throw std::runtime_error("the innermost reason"); });
    unsetenv("RIVLEN_DEBUG");
    EXPECT_NE(text.find("the innermost reason"), std::string::npos);
}

TEST(JsonReason, NamesTheFieldOrThePlace) {
    EXPECT_EQ(reasonOf("{\"a\": ", [](const auto&) {}), "it is no JSON from byte 7 on");
    EXPECT_EQ(reasonOf("{}", [](const auto& j) { (void)j.at("version"); }), "the field \"version\" is missing");
    EXPECT_EQ(reasonOf("{\"a\": \"x\"}", [](const auto& j) { (void)j.at("a").template get<double>(); }),
              "a field holds another kind of value than it should");
    EXPECT_EQ(reasonOf("{\"a\": 1e300}", [](const auto&) {}), "a number in it is out of range");
    EXPECT_EQ(reasonOf("[1]", [](const auto& j) { (void)j.at(4); }), "a list is shorter than it should be");
}

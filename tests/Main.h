#pragma once
#include <gtest/gtest.h>

#include <cstdio>
#include <string>

#include "Support.h"

namespace rivlen::test {

/// Behind every failure stands the command that repeats it.
class HowToRepeat : public testing::EmptyTestEventListener {
public:
    explicit HowToRepeat(std::string program) : m_program(std::move(program)) {}

private:
    void OnTestEnd(const testing::TestInfo& test) override {
        if (!test.result()->Failed()) return;
        std::printf("To repeat it: RIVLEN_TEST_SEED=%u %s --gtest_filter=%s.%s\n", seed(), m_program.c_str(),
                    test.test_suite_name(), test.name());
        std::fflush(stdout);
    }
    std::string m_program;
};

inline int runAll(int argc, char** argv) {
    testing::InitGoogleTest(&argc, argv);
    testing::UnitTest::GetInstance()->listeners().Append(new HowToRepeat(argv[0]));
    return RUN_ALL_TESTS();
}

}  // namespace rivlen::test

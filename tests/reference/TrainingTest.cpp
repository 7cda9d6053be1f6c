// The mixtures that networks learn from against the definition: the sums of a transform of the mixed sound itself.
#include <gtest/gtest.h>

#include "Support.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(TrainingMixtures, AreWhatMixingTheSoundGives) {
    const std::string root = RIVLEN_SOURCE_DIR;
    const auto r = run("PYTHONDONTWRITEBYTECODE=1 /usr/bin/python3 '" + root + "/tests/reference/mixing.py' '" + root + "/training'");
    EXPECT_EQ(r.code, 0) << r.out;
}

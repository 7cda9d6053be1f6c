#include <gtest/gtest.h>

#include "ChainGain.h"
#include "core/base/Error.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(Chain, AnUnusedChainIsAPureDelayAndSwitchingMakesNoStep) {
    Chain chain(2, kRate, {});
    const AudioBuffer x = sine(300, 0.4, kRate, 40 * Chain::kBlock, 2);
    AudioBuffer y(2, 0);
    for (int b = 0; b < 40; ++b) {
        if (b == 20) {
            ChainSettings all;
            all.gate = all.deEsser = all.highPass = all.equaliser = all.compressor = all.limiter = true;
            chain.set(all);
        }
        AudioBuffer block = x.slice(b * Chain::kBlock, Chain::kBlock);
        chain.process(block);
        y.append(block);
    }
    const int64_t late = chain.latency();
    for (int64_t i = 0; i < 19 * Chain::kBlock; ++i) ASSERT_EQ(x.channel(1)[size_t(i)], y.channel(1)[size_t(i + late)]);
    double step = 0;
    for (int64_t i = late + 1; i < y.frames(); ++i)
        step = std::max(step, std::fabs(double(y.channel(0)[size_t(i)]) - y.channel(0)[size_t(i - 1)]));
    EXPECT_LT(step, 2 * 0.4 * 2 * std::numbers::pi * 300 / kRate) << "no click";
}

TEST(Chain, SettingsAreSavedAndComeBackAndNonsenseIsRefused) {
    ChainSettings c = voiceChain();
    c.threshold = -31.5, c.roomImpulse = "room-2", c.room = true;
    EXPECT_EQ(chainFromJson(toJson(c)), c);
    EXPECT_EQ(toJson(ChainSettings{}).dump(), "{}");
    EXPECT_THROW(chainFromJson({{"compressor", {{"ratio", 900}}}}), Error);
    for (const auto& m : chainModules())
        for (const auto& p : m.parameters) {
            EXPECT_EQ(ChainSettings{}.*p.value, p.usual) << m.id << " " << p.id;
            EXPECT_EQ(parseValue(p, describeValue(p, p.usual)), p.usual) << m.id << " " << p.id;
            EXPECT_GT(std::string(p.explanation).size(), 10u);
        }
    EXPECT_THROW(parseValue(chainModules()[4].parameters[1], "many"), Error);
}

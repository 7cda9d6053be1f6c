#include "core/learning/SceneLearning.h"

#include <gtest/gtest.h>

#include "Support.h"
#include "core/learning/LessonMaker.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

/// Low tones are voices, high ones places: what FakeNetwork's filter tells apart.
SceneSounds tones(double markedSeconds) {
    SceneSounds sounds;
    for (int i = 0; i < 8; ++i) {
        sounds.library[0].push_back(sine(100 + 20 * i, 0.2, kRate, kRate * 5));
        sounds.library[1].push_back(sine(300 + 10 * i, 0.01, kRate, kRate * 5));
        sounds.library[2].push_back(sine(9000 + 200 * i, 0.2, kRate, kRate * 5));
    }
    if (markedSeconds > 0) sounds.marked[2].push_back(sine(8000, 0.1, kRate, int64_t(markedSeconds * kRate)));
    return sounds;
}

/// Gives a share of what lies high to the dialogue, as its only weight; a step changes that by so much.
class OneWeight : public Learner, private FakeNetwork {
public:
    explicit OneWeight(double change) : m_change(change) {}
    double step(const Lesson&, double) override {
        ++steps;
        if (onStep) onStep();
        m_share += m_change;
        return m_share;
    }
    WeightChanges changes() const override { return {{"change_share", {float(m_share)}}}; }
    Network& network() override { return *this; }
    int steps = 0;
    std::function<void()> onStep;
    std::function<void(const AudioBuffer&)> onHeard;

private:
    std::vector<AudioBuffer> separate(const AudioBuffer& x, int threads) override {
        if (onHeard) onHeard(x);
        auto stems = FakeNetwork::separate(x, threads);
        for (size_t i = 0; i < x.samples().size(); ++i) {
            const float high = stems[1].samples()[i];
            stems[1].samples()[i] = 0;
            stems[0].samples()[i] += float(m_share) * high;
            stems[2].samples()[i] = float(1 - m_share) * high;
        }
        return stems;
    }
    double m_share = 0.5, m_change;
};

LearnSettings few() {
    LearnSettings s;
    s.steps = 10;
    s.batch = 1;
    s.seconds = 0.5;
    return s;
}

}  // namespace

TEST(SceneLearning, KeepsWhatProvesBetterOnTheHeldBackPart) {
    OneWeight learner(-0.04);
    const SceneOutcome outcome = learnScene(learner, tones(5), few(), {});
    EXPECT_TRUE(outcome.kept) << outcome.reason;
    EXPECT_EQ(learner.steps, 10);
    EXPECT_GT(outcome.gainDb.at("dialogue"), 3);
    EXPECT_NEAR(outcome.changes.at("change_share").at(0), 0.1, 1e-5);
    EXPECT_NE(outcome.reason.find("dialogue +"), std::string::npos) << outcome.reason;
}

TEST(SceneLearning, KeepsNothingThatHarms) {
    OneWeight learner(+0.04);
    const SceneOutcome outcome = learnScene(learner, tones(5), few(), {});
    EXPECT_FALSE(outcome.kept);
    EXPECT_TRUE(outcome.changes.empty());
    EXPECT_NE(outcome.reason.find("brought too little"), std::string::npos) << outcome.reason;
    EXPECT_LT(outcome.gainDb.at("dialogue"), 0);
}

TEST(SceneLearning, KeepsNothingThatChangesNothing) {
    OneWeight learner(0);
    EXPECT_FALSE(learnScene(learner, tones(5), few(), {}).kept);
}

TEST(SceneLearning, TheRecordingsOwnDialogueDecides) {
    // Low voices over a high place: the less of what lies high is taken for dialogue, the less the place disturbs it.
    SceneSounds sounds = tones(5);
    for (int i = 0; i < 4; ++i)
        sounds.reel.push_back(sumOf({sine(120 + 7 * i, 0.2, kRate, kRate * 4), sine(8300, 0.01, kRate, kRate * 4)}));
    OneWeight learner(-0.04);
    const SceneOutcome better = learnScene(learner, sounds, few(), {});
    EXPECT_TRUE(better.kept) << better.reason;
    EXPECT_GT(better.steadierDb, 1);
    EXPECT_NE(better.reason.find("stays"), std::string::npos) << better.reason;
    OneWeight harm(+0.04);
    const SceneOutcome worse = learnScene(harm, sounds, few(), {});
    EXPECT_FALSE(worse.kept);
    EXPECT_LT(worse.steadierDb, -1);
    EXPECT_NE(worse.reason.find("would not be cleaner"), std::string::npos) << worse.reason;
}

TEST(SceneLearning, AVoiceThatIsFoundNoMoreDoesNotHelp) {
    // One voice lies low and becomes steadier; one lies high, was found in part, and is given away altogether.
    SceneSounds sounds = tones(5);
    for (int i = 0; i < 2; ++i) {
        sounds.reel.push_back(sumOf({sine(120, 0.2, kRate, kRate * 4), sine(8300, 0.01, kRate, kRate * 4)}));
        sounds.reel.push_back(sine(9500, 0.2, kRate, kRate * 4));
    }
    OneWeight learner(-0.05);
    const SceneOutcome outcome = learnScene(learner, sounds, few(), {});
    EXPECT_LT(outcome.steadierDb, -2);
    EXPECT_FALSE(outcome.kept) << outcome.reason;
}

TEST(SceneLearning, AVoiceLikeWhatIsMarkedForbidsIt) {
    // A high voice: what is marked as the place is at its pitch, so learning gives it away, whatever the library says.
    OneWeight learner(-0.04);
    SceneSounds sounds = tones(5);
    for (int i = 0; i < 4; ++i) sounds.reel.push_back(sine(9500, 0.2, kRate, kRate * 4));
    const SceneOutcome outcome = learnScene(learner, sounds, few(), {});
    EXPECT_GT(outcome.gainDb.at("dialogue"), 3);
    EXPECT_LT(outcome.steadierDb, 0.5);
    EXPECT_FALSE(outcome.kept) << outcome.reason;
}

TEST(SceneLearning, TheProofHearsNoSilenceBesideItsMixtures) {
    OneWeight learner(-0.04);
    int heard = 0;
    learner.onHeard = [&](const AudioBuffer& x) {
        ++heard;
        // Longer by the image, which goes back from the mixture's first sample as it went on from there.
        const int64_t beside = (x.frames() - 4 * kRate) / 2;
        ASSERT_GT(beside, kRate);
        for (int64_t i = 1; i <= beside; i += 97) {
            ASSERT_EQ(x.channel(0)[size_t(beside - i)], x.channel(0)[size_t(beside + i)]);
            const int64_t last = x.frames() - 1 - beside;
            ASSERT_EQ(x.channel(0)[size_t(last + i)], x.channel(0)[size_t(last - i)]);
        }
    };
    learnScene(learner, tones(5), few(), {});
    EXPECT_GE(heard, 32);
}

TEST(SceneLearning, TooLittleIsToldBeforeAnythingIsLearned) {
    OneWeight learner(-0.04);
    const SceneOutcome outcome = learnScene(learner, tones(0.8), few(), {});
    EXPECT_FALSE(outcome.kept);
    EXPECT_EQ(learner.steps, 0);
    EXPECT_NE(outcome.reason.find("too little is marked"), std::string::npos);
}

TEST(SceneLearning, IsCancelledBetweenSteps) {
    OneWeight learner(-0.04);
    Progress progress;
    learner.onStep = [&] { progress.cancel(); };
    EXPECT_THROW(learnScene(learner, tones(5), few(), progress), Error);
    EXPECT_EQ(learner.steps, 1);
}

TEST(SceneLearning, ReportsProgressToTheEnd) {
    OneWeight learner(-0.04);
    Progress progress;
    std::vector<double> seen;
    progress.onProgress = [&](double f) { seen.push_back(f); };
    learnScene(learner, tones(5), few(), progress);
    EXPECT_TRUE(std::is_sorted(seen.begin(), seen.end()));
    EXPECT_GT(seen.size(), 20u);
    EXPECT_NEAR(seen.back(), 1, 1e-9);
}

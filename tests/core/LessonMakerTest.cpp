#include "core/learning/LessonMaker.h"

#include <gtest/gtest.h>

#include "Support.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

SceneSounds sounds() {
    SceneSounds all;
    for (size_t stem = 0; stem < kStemCount; ++stem)
        for (int i = 0; i < 4; ++i)
            all.library[stem].push_back(noise(2, 48000 * 2, 0.2f, unsigned(10 * stem) + unsigned(i)));
    return all;
}

double energyOf(Lesson& lesson, int mixture, int part) {
    double energy = 0;
    for (int c = 0; c < lesson.channels; ++c)
        for (int64_t i = 0; i < lesson.frames; ++i) energy += std::pow(lesson.at(mixture, part, c)[i], 2);
    return energy / double(lesson.frames * lesson.channels);
}

}  // namespace

TEST(LessonMaker, TheSameSeedGivesTheSameLessons) {
    const SceneSounds all = sounds();
    const Lesson a = LessonMaker(all, 3).make(4, 9600), b = LessonMaker(all, 3).make(4, 9600),
                 c = LessonMaker(all, 4).make(4, 9600);
    EXPECT_EQ(a.parts, b.parts);
    EXPECT_NE(a.parts, c.parts);
    EXPECT_EQ(a.parts.size(), size_t(4 * 3 * 2 * 9600));
}

TEST(LessonMaker, WhatIsMarkedIsInMostMixturesAndGoesRoundWhereItIsShort) {
    SceneSounds all = sounds();
    AudioBuffer marked(2, 4800);  // left alone: the library has both
    for (float& v : marked.channel(0)) v = 0.1f;
    all.marked[2].push_back(marked);
    Lesson lesson = LessonMaker(all, 1).make(100, 9600);
    int own = 0;
    for (int m = 0; m < lesson.count; ++m) {
        const float left = lesson.at(m, 2, 0)[5000], right = lesson.at(m, 2, 1)[5000];
        if ((left == 0) == (right == 0)) continue;
        ++own;
        const float* there = lesson.at(m, 2, left != 0 ? 0 : 1);
        for (int64_t i = 0; i < lesson.frames; ++i) ASSERT_EQ(there[i], there[0]) << "a gap where it begins again";
    }
    EXPECT_GT(own, 45);
    EXPECT_LT(own, 85);
}

TEST(LessonMaker, WhatIsShortGoesToAndFroWithoutASeam) {
    SceneSounds all = sounds();
    AudioBuffer slope(2, 3000);  // begins and ends at other values: a click where it would begin again
    for (int c = 0; c < 2; ++c)
        for (int64_t i = 0; i < 3000; ++i) slope.channel(c)[size_t(i)] = 0.0001f * float(i);
    all.marked[2] = {slope};
    Lesson lesson = LessonMaker(all, 1).make(60, 48000);
    int own = 0;
    for (int m = 0; m < lesson.count; ++m) {
        const float* x = lesson.at(m, 2, 0);
        double most = 0, level = 0;
        for (int64_t i = 1; i < lesson.frames; ++i) {
            most = std::max(most, std::fabs(double(x[i]) - double(x[i - 1])));
            level = std::max(level, std::fabs(double(x[i])));
        }
        if (most > 0.01 * level) continue;  // noise of the library
        own += level > 0;
    }
    EXPECT_GT(own, 20);
}

TEST(LessonMaker, EveryMixtureHasSomethingAndLevelsStayWithinBounds) {
    const SceneSounds all = sounds();
    Lesson lesson = LessonMaker(all, 2).make(200, 4800);
    int withoutVoice = 0;
    for (int m = 0; m < lesson.count; ++m) {
        const double voice = energyOf(lesson, m, 0), around = energyOf(lesson, m, 2);
        EXPECT_GT(voice + energyOf(lesson, m, 1) + around, 0);
        withoutVoice += voice == 0;
        if (voice > 0 && around > 0) {
            const double db = 10 * std::log10(around / voice);
            EXPECT_GT(db, -13);
            EXPECT_LT(db, 9);
        }
    }
    EXPECT_GT(withoutVoice, 8);
    EXPECT_LT(withoutVoice, 45);
}

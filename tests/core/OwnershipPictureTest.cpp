#include <gtest/gtest.h>

#include "Support.h"
#include "core/spectral/OwnershipPicture.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(OwnershipPicture, ShowsWhoOwnsATone) {
    const int rate = 48000;
    BufferSource low(sine(300, 0.5, rate, rate), rate), high(sine(3000, 0.5, rate, rate), rate),
        none(AudioBuffer(1, rate), rate);
    AudioBuffer both = sine(300, 0.5, rate, rate);
    const AudioBuffer upper = high.read(0, rate);
    for (size_t i = 0; i < both.samples().size(); ++i) both.samples()[i] += upper.samples()[i];
    BufferSource source(both, rate);
    const int rows = 200;
    const auto picture = paintOwnership(source, {&low, &high, &none}, 0, rate, 10, rows, Progress());
    const auto rowOf = [&](double hz) {
        for (int r = 0; r < rows; ++r)
            if (pictureFrequency((r + 1.0) / rows, rate) <= hz) return r;
        return rows - 1;
    };
    EXPECT_GT(picture.shareAt(0, 5, rowOf(300)), 0.98f);
    EXPECT_GT(picture.shareAt(1, 5, rowOf(3000)), 0.98f);
    EXPECT_NEAR(picture.levelAt(5, rowOf(3000)), 20 * std::log10(0.5), 1.5) << "scalloping of a Hann window at most";
    for (int s = 0; s < 3; ++s) EXPECT_GE(picture.shareAt(s, 3, 100), 0.0f);
}

TEST(OwnershipPicture, ShortWindowsPartMomentsLongOnesTones) {
    const int rate = 48000, rows = 400, columns = 400;
    // Two tones 20 Hz apart, and a click.
    AudioBuffer x = sine(1000, 0.2, rate, rate);
    const AudioBuffer other = sine(1020, 0.2, rate, rate);
    for (size_t i = 0; i < x.samples().size(); ++i) x.samples()[i] += other.samples()[i];
    AudioBuffer click(1, rate);
    click.channel(0)[24000] = 1;
    const auto rowOf = [&](double hz) {
        for (int r = 0; r < rows; ++r)
            if (pictureFrequency((r + 1.0) / rows, rate) <= hz) return r;
        return rows - 1;
    };
    const auto width = [&](double window) {  // of the click, in columns above -60 dB of its loudest
        BufferSource source(click, rate);
        const auto picture = paintOwnership(source, {}, 0, rate, columns, rows, Progress(), window);
        float most = -200;
        int wide = 0;
        for (int c = 0; c < columns; ++c) most = std::max(most, picture.levelAt(c, rowOf(5000)));
        for (int c = 0; c < columns; ++c) wide += picture.levelAt(c, rowOf(5000)) > most - 60;
        return double(wide) / columns;
    };
    EXPECT_LT(width(kShortWindow), 0.012);
    EXPECT_GT(width(kUsualWindow), 3 * width(kShortWindow));
    EXPECT_GT(width(kLongWindow), 3 * width(kUsualWindow));
    const auto dip = [&](double window) {  // between the tones against beside them, dB
        BufferSource source(x, rate);
        const auto picture = paintOwnership(source, {}, 0, rate, 8, 3000, Progress(), window);
        const auto at = [&](double hz) {
            for (int r = 0; r < 3000; ++r)
                if (pictureFrequency((r + 1.0) / 3000, rate) <= hz) return picture.levelAt(4, r);
            return -200.f;
        };
        return std::max(at(1000), at(1020)) - at(1010);
    };
    EXPECT_GT(dip(kLongWindow), 6);
    EXPECT_LT(dip(kUsualWindow), 6);
}

TEST(OwnershipPicture, TwoThreadsPaintTheSameAndTellWhatFailed) {
    const int rate = 48000;
    const AudioBuffer one = noise(2, rate, 0.2f, 1), other = noise(2, rate, 0.1f, 2);
    AudioBuffer both = one;
    for (size_t i = 0; i < both.samples().size(); ++i) both.samples()[i] += other.samples()[i];
    BufferSource whole(both, rate), a(one, rate), b(other, rate);
    const auto expected = paintOwnership(whole, {&a, &b}, 100, rate - 5000, 101, 80, Progress());
    const auto open = [&] {
        OwnershipSources sources{std::make_unique<BufferSource>(both, rate), {}};
        sources.stems.push_back(std::make_unique<BufferSource>(one, rate));
        sources.stems.push_back(std::make_unique<BufferSource>(other, rate));
        return sources;
    };
    Progress progress;
    double reached = 0;
    progress.onProgress = [&](double f) { reached = std::max(reached, f); };
    const auto picture = paintOwnership(open, 100, rate - 5000, 101, 80, progress);
    EXPECT_EQ(picture.level, expected.level);
    EXPECT_EQ(picture.share, expected.share);
    EXPECT_DOUBLE_EQ(reached, 1);

    struct Broken : BufferSource {
        using BufferSource::BufferSource;
        AudioBuffer read(int64_t first, int64_t count) override {
            if (first > 30000) throw Error(Error::Kind::InputUnreadable, "gone");
            return BufferSource::read(first, count);
        }
    };
    const auto broken = [&] { return OwnershipSources{std::make_unique<Broken>(both, rate), {}}; };
    EXPECT_THROW(paintOwnership(broken, 0, rate, 101, 80, Progress()), Error);
    progress.onProgress = [&](double) { progress.cancel(); };
    EXPECT_THROW(paintOwnership(open, 0, rate, 101, 80, progress), Error);
}

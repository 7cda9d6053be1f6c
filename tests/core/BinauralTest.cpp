// Listening on headphones, against the set of responses itself.
#include <gtest/gtest.h>

#include <cmath>
#include <fstream>

#include "Support.h"
#include "core/base/Error.h"
#include "core/space/Binaural.h"
#include "core/space/MixFold.h"
#include "core/space/SphericalHarmonics.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

std::shared_ptr<const HeadResponses> kemar() {
    static const auto set = std::make_shared<HeadResponses>(HeadResponses::shipped(), kRate);
    return set;
}

AudioBuffer through(Binaural& binaural, const AudioBuffer& mix, int64_t block) {
    AudioBuffer all(2, 0);
    for (int64_t at = 0; at < mix.frames(); at += block)
        all.append(binaural.process(mix.slice(at, std::min(block, mix.frames() - at))));
    return all;
}

/// An impulse of a plane wave from a direction.
AudioBuffer wave(int order, const Direction& at) {
    const auto y = sphericalHarmonics(order, at);
    AudioBuffer x(int(y.size()), 2048);
    for (size_t n = 0; n < y.size(); ++n) x.channel(int(n))[0] = float(y[n]);
    return x;
}

/// The left ear over the right one in dB, and how much later the right one hears in ms, up to some 1.5 kHz.
std::pair<double, double> differences(const std::vector<float>& left, const std::vector<float>& right) {
    const auto low = [](std::vector<float> x) {  // two poles at 1.2 kHz, the same for both ears
        const double a = 1 - std::exp(-2 * std::numbers::pi * 1200 / kRate);
        double one = 0, two = 0;
        for (float& v : x) one += a * (double(v) - one), two += a * (one - two), v = float(two);
        return x;
    };
    const auto l = low(left), r = low(right);
    double el = 1e-20, er = 1e-20, best = -1;
    int lag = 0;
    for (float v : l) el += double(v) * v;
    for (float v : r) er += double(v) * v;
    for (int d = -60; d <= 60; ++d) {
        double sum = 0;
        for (int i = 0; i < int(l.size()); ++i)
            if (i + d >= 0 && i + d < int(r.size())) sum += double(l[size_t(i)]) * r[size_t(i + d)];
        if (sum > best) best = sum, lag = d;
    }
    return {10 * std::log10(el / er), 1000.0 * lag / kRate};
}

std::vector<float> row(const AudioBuffer& b, int c) { return {b.channel(c).begin(), b.channel(c).end()}; }

}  // namespace

TEST(HeadResponses, HearALeftSoundEarlierAndLouderAtTheLeft) {
    const auto pair = kemar()->at({90, 0});
    const auto [level, later] = differences(pair.left, pair.right);
    EXPECT_GT(level, 2);
    // Woodworth's sphere (Blauert, "Spatial Hearing"): a / c (pi / 2 + 1) = 0.66 ms for a radius of 8.75 cm.
    EXPECT_NEAR(later, 0.66, 0.15);
    const auto [middle, no] = differences(kemar()->at({0, 0}).left, kemar()->at({0, 0}).right);
    EXPECT_NEAR(middle, 0, 1);
    EXPECT_NEAR(no, 0, 0.03);
}

TEST(HeadResponses, RefuseWhatIsNoSet) {
    const TempFolder folder;
    std::ofstream(folder / "no.sofa") << "not a set";
    for (const fs::path& file : {folder / "no.sofa", folder / "missing.sofa", folder.path()}) try {
            HeadResponses set(file, kRate);
            FAIL() << file;
        } catch (const Error& e) {
            EXPECT_NE(std::string(e.what()).find("SOFA"), std::string::npos);
        }
}

TEST(Binaural, ALoudspeakerIsHeardThroughItsResponse) {
    const auto& speakers = speakersOf(MixFormat::Surround714);
    Binaural binaural(MixFormat::Surround714, 12, kemar());
    double scale = 0;
    for (size_t c = 0; c < speakers.size(); ++c) {
        binaural.reset();
        AudioBuffer x(12, 2048);
        x.channel(int(c))[0] = 1;
        const AudioBuffer y = through(binaural, x, 512);
        if (speakers[c].lfe) {
            EXPECT_LT(peakOf(y.samples()), 1e-6f);
            continue;
        }
        const auto pair = kemar()->at(speakers[c].at);
        const auto loudest = std::max_element(pair.left.begin(), pair.left.end()) - pair.left.begin();
        if (scale == 0) scale = double(y.channel(0)[size_t(loudest)]) / double(pair.left[size_t(loudest)]);
        for (size_t i = 0; i < pair.left.size(); ++i) {
            ASSERT_NEAR(y.channel(0)[i], scale * double(pair.left[i]), 1e-4) << speakers[c].name;
            ASSERT_NEAR(y.channel(1)[i], scale * double(pair.right[i]), 1e-4) << speakers[c].name;
        }
    }
}

TEST(Binaural, BlocksDoNotMatter) {
    const AudioBuffer x = noise(6, 5000, 0.1f);
    Binaural a(MixFormat::Surround51, 6, kemar()), b(MixFormat::Surround51, 6, kemar());
    EXPECT_LT(differenceDb(through(a, x, 512), through(b, x, 133)), -110);
}

TEST(Binaural, AmbisonicsKeepTheDifferencesOfTheEars) {
    // Against the set itself below 1.5 kHz, where the fifth order is exact at a head's size (r < 5 c / (2 pi f)).
    Binaural binaural(MixFormat::Ambix5, 36, kemar());
    for (double azimuth : {0.0, 30.0, 90.0, -60.0, 150.0, 180.0}) {
        binaural.reset();
        const AudioBuffer y = through(binaural, wave(5, {azimuth, 0}), 512);
        const auto pair = kemar()->at({azimuth, 0});
        const auto [level, later] = differences(row(y, 0), row(y, 1));
        const auto [wantedLevel, wantedLater] = differences(pair.left, pair.right);
        EXPECT_NEAR(level, wantedLevel, 2) << azimuth;
        EXPECT_NEAR(later, wantedLater, 0.07) << azimuth;
    }
}

TEST(Binaural, ATurnedHeadHearsTheRoomTurnedBack) {
    const auto sound = [](double yaw, const char* name) {
        Binaural binaural(MixFormat::Surround71, 8, kemar(), yaw);
        AudioBuffer x(8, 1024);
        const auto& speakers = speakersOf(MixFormat::Surround71);
        for (size_t c = 0; c < speakers.size(); ++c)
            if (std::string(name) == speakers[c].name) x.channel(int(c))[0] = 1;
        return through(binaural, x, 512);
    };
    // The head turned to the left by 90 degrees hears the left side in front.
    EXPECT_LT(differenceDb(sound(90, "Ls"), sound(0, "C")), -80);
    // Turning while it plays makes no step.
    Binaural binaural(MixFormat::Stereo, 2, kemar());
    const AudioBuffer tone = sine(300, 0.3, kRate, 4096, 2);
    AudioBuffer all = through(binaural, tone.slice(0, 2048), 512);
    binaural.turn(60);
    EXPECT_EQ(binaural.yaw(), 60);
    all.append(through(binaural, tone.slice(2048, 2048), 512));
    double most = 0;
    for (size_t i = 1100; i < 4000; ++i)
        most = std::max(most, std::fabs(double(all.channel(0)[i + 1]) - double(all.channel(0)[i])));
    EXPECT_LT(most, 0.04) << "a sine of this pitch moves by 0.012 a sample at full level";
}

TEST(Binaural, IsAsLoudAsTheFold) {
    // Noise from each loudspeaker of the ring in turn, against its fold.
    double power = 0, folded = 0;
    const auto energy = [](const AudioBuffer& b) {
        double sum = 0;
        for (float v : b.samples()) sum += double(v) * v;
        return sum;
    };
    const auto& speakers = speakersOf(MixFormat::Surround71);
    for (size_t c = 0; c < speakers.size(); ++c) {
        if (speakers[c].lfe) continue;
        AudioBuffer x(8, 8192);
        const AudioBuffer n = noise(1, 8192, 0.1f, unsigned(c) + 3);
        std::copy(n.channel(0).begin(), n.channel(0).end(), x.channel(int(c)).begin());
        Binaural binaural(MixFormat::Surround71, 8, kemar());
        power += energy(through(binaural, x, 512));
        folded += energy(MixFold(MixFormat::Surround71, 8, ChannelLayout::Stereo)(x));
    }
    EXPECT_NEAR(10 * std::log10(power / folded), 0, 3);
}

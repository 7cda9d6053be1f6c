// Is speech told from music? Prints how often the answer is right, also for both together, and features for
// training/fit_content.py.
//   rivlen-bench-content FOLDER [FEATURES]     clips of training/make_programme.py
#include <cstdio>

#include "Support.h"
#include "core/diagnosis/Content.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

int main(int argc, char** argv) {
    if (argc < 2) return std::fprintf(stderr, "rivlen-bench-content: give the folder of the clips.\n"), 2;
    FILE* table = argc > 2 ? std::fopen(argv[2], "w") : nullptr;
    int count = 0, right = 0, speechSaid = 0, musicSaid = 0, together = 0, mixedSaid = 0;
    std::mt19937 random(1);
    for (int number = 0;; ++number) {
        const fs::path stem = fs::path(argv[1]) / text("%03d-", number);
        if (!fs::exists(stem.string() + "speech.flac")) break;
        std::array<AudioBuffer, 2> sounds;
        for (int music : {0, 1}) {
            MediaReader reader(stem.string() + (music ? "music.flac" : "speech.flac"));
            sounds[size_t(music)] = reader.read(0, reader.frames());
            ContentSearch search(reader.sampleRate());
            search.add(sounds[size_t(music)]);
            const auto x = search.features();
            if (!x) continue;
            if (table) {
                std::fprintf(table, "%d", !music);
                for (double v : *x) std::fprintf(table, " %.6f", v);
                std::fprintf(table, "\n");
            }
            const double speech = ContentSearch::likelySpeech(*x);
            ++count;
            right += (speech > 0.5) == !music;
            (music ? musicSaid : speechSaid) += search.content() == (music ? Content::Music : Content::Speech);
        }
        const double below = std::uniform_real_distribution<double>(3, 15)(random),
                     gain = std::pow(10, (levelDb(sounds[0]) - levelDb(sounds[1]) - below) / 20);
        for (int c = 0; c < sounds[1].channels(); ++c)
            for (int64_t i = 0; i < sounds[1].frames(); ++i)
                sounds[1].channel(c)[size_t(i)] =
                    float(gain * sounds[1].channel(c)[size_t(i)] + sounds[0].channel(0)[size_t(i)]);
        ContentSearch both(48000);
        both.add(sounds[1]);
        ++together;
        mixedSaid += both.content() == Content::Mixed;
    }
    if (table) std::fclose(table);
    const double half = std::max(1, count) / 200.0;
    std::printf(
        "Speech and music told apart in %d of %d clips (%.1f %%). Called what they are: speech %.1f %%, music %.1f %%, "
        "speech with music 3 to 15 dB below it %.1f %%.\n",
        right, count, 100.0 * right / std::max(1, count), speechSaid / half, musicSaid / half,
        100.0 * mixedSaid / std::max(1, together));
    return 0;
}

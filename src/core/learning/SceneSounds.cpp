#include "core/learning/SceneSounds.h"

#include "core/audio/Resampler.h"
#include "core/base/Error.h"
#include "core/base/Resources.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr std::array<const char*, kStemCount> kKinds{"voice", "music", "place"};  ///< how their files are named

}  // namespace

AudioBuffer withChannels(const AudioBuffer& sound, int channels) {
    if (sound.channels() == channels) return sound;
    AudioBuffer out = AudioBuffer::uncleared(channels, sound.frames());
    const auto left = sound.channel(0), right = sound.channel(std::min(1, sound.channels() - 1));
    for (size_t i = 0; i < size_t(sound.frames()); ++i) {
        out.channel(0)[i] = channels == 1 ? 0.5f * (left[i] + right[i]) : left[i];
        if (channels == 2) out.channel(1)[i] = right[i];
    }
    return out;
}

SoundsByStem sceneLibrary(int sampleRate, int channels) {
    std::vector<fs::path> files;
    std::error_code problem;
    for (const auto& entry : fs::directory_iterator(resourceFolder("scene"), problem))
        if (entry.path().extension() == ".opus") files.push_back(entry.path());
    std::sort(files.begin(), files.end());
    SoundsByStem library;
    for (const fs::path& file : files)
        for (size_t stem = 0; stem < kStemCount; ++stem) {
            if (file.filename().string().rfind(kKinds[stem], 0) != 0) continue;
            MediaReader reader(file);
            Resampler resampler(reader.sampleRate(), sampleRate, channels);
            AudioBuffer sound = resampler.process(withChannels(reader.read(0, reader.frames()), channels));
            sound.append(resampler.finish());
            library[stem].push_back(std::move(sound));
        }
    for (const auto& sounds : library)
        if (sounds.size() < 4)
            throw Error(Error::Kind::Other,
                        "The library of sounds that scenes are learned with is missing or incomplete: restore the "
                        "scene folder that came with Rivlen.");
    return library;
}

}  // namespace rivlen

#include "core/media/JoinedFiles.h"

#include <algorithm>
#include <future>

#include "core/base/Error.h"

namespace rivlen {

JoinedFiles::JoinedFiles(const std::vector<std::filesystem::path>& files) {
    for (const auto& file : files) {
        m_readers.push_back(std::make_unique<MediaReader>(file));
        const MediaReader& reader = *m_readers.back();
        if (files.size() > 1 && (reader.channels() != 1 || reader.sampleRate() != sampleRate()))
            throw Error(Error::Kind::InputUnreadable, "\"" + file.string() +
                                                          "\" is no channel of the same sound as \"" +
                                                          files.front().string() + "\": deliver both again.");
    }
}

int JoinedFiles::channels() const {
    return m_readers.size() > 1 ? int(m_readers.size()) : m_readers.front()->channels();
}

int64_t JoinedFiles::frames() const {
    int64_t least = m_readers.front()->frames();
    for (const auto& reader : m_readers) least = std::min(least, reader->frames());
    return least;
}

AudioBuffer JoinedFiles::read(int64_t first, int64_t count) {
    if (m_readers.size() == 1) return m_readers.front()->read(first, count);
    AudioBuffer out(channels(), count);
    for (size_t c = 0; c < m_readers.size(); ++c) {
        const AudioBuffer one = m_readers[c]->read(first, count);
        std::copy(one.channel(0).begin(), one.channel(0).end(), out.channel(int(c)).begin());
    }
    return out;
}

std::vector<std::pair<float, float>> waveOfFiles(const std::vector<std::filesystem::path>& files, int64_t first,
                                                 int64_t end, int columns, const Progress& progress) {
    const auto some = [&](int from, int to) {
        JoinedFiles source(files);
        std::vector<std::pair<float, float>> wave;
        for (int column = from; column < to; ++column) {
            progress.throwIfCancelled();
            const int64_t a = first + (end - first) * column / columns,
                          b = first + (end - first) * (column + 1) / columns;
            const AudioBuffer part = source.read(a, std::max<int64_t>(1, b - a));
            const auto [low, high] = std::minmax_element(part.samples().begin(), part.samples().end());
            wave.emplace_back(*low, *high);
        }
        return wave;
    };
    auto behind = std::async(std::launch::async, some, columns / 2, columns);
    auto wave = some(0, columns / 2);
    const auto rest = behind.get();
    wave.insert(wave.end(), rest.begin(), rest.end());
    return wave;
}

}  // namespace rivlen

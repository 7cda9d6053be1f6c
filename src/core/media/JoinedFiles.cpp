#include "core/media/JoinedFiles.h"

#include <algorithm>
#include <array>
#include <span>

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

namespace {

/// Sixteen at a time, side by side: the compiler makes vectors of them, which it may not of one after the other.
std::pair<float, float> lowestAndHighest(std::span<const float> x) {
    constexpr size_t kSide = 16;
    std::array<float, kSide> low, high;
    low.fill(x.front()), high.fill(x.front());
    size_t i = 0;
    for (; i + kSide <= x.size(); i += kSide)
        for (size_t k = 0; k < kSide; ++k) {
            const float v = x[i + k];
            low[k] = v < low[k] ? v : low[k];
            high[k] = v > high[k] ? v : high[k];
        }
    for (; i < x.size(); ++i) low[0] = std::min(low[0], x[i]), high[0] = std::max(high[0], x[i]);
    return {*std::min_element(low.begin(), low.end()), *std::max_element(high.begin(), high.end())};
}

}  // namespace

std::vector<std::pair<float, float>> waveOfFiles(const std::vector<std::filesystem::path>& files, int64_t first,
                                                 int64_t end, int columns, const Progress& progress) {
    JoinedFiles source(files);
    std::vector<std::pair<float, float>> wave;
    for (int column = 0; column < columns; ++column) {
        progress.throwIfCancelled();
        const int64_t a = first + (end - first) * column / columns, b = first + (end - first) * (column + 1) / columns;
        const AudioBuffer part = source.read(a, std::max<int64_t>(1, b - a));
        wave.push_back(lowestAndHighest(part.samples()));
    }
    return wave;
}

}  // namespace rivlen

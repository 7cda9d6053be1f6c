#include "core/separation/SpanFiles.h"

#include <algorithm>
#include <cstdio>

#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr int64_t kBlock = 1 << 16;

fs::path stemOfSpan(const fs::path& folder, const std::string& span, const std::string& stem) {
    return folder / (span + "." + stem + ".wav");
}

struct Span {
    int64_t from, to;
    bool operator<(const Span& other) const { return from < other.from; }
};

std::vector<Span> spansIn(const fs::path& folder, const std::string& stem) {
    std::vector<Span> spans;
    std::error_code gone;
    for (fs::directory_iterator it(folder, gone), end; !gone && it != end; it.increment(gone)) {
        const std::string name = it->path().filename().string();
        long long from = 0, to = 0;
        if (std::sscanf(name.c_str(), "%lld-%lld.", &from, &to) == 2 &&
            it->path() == stemOfSpan(folder, SpanFiles::name(from, to), stem))
            spans.push_back({from, to});
    }
    std::sort(spans.begin(), spans.end());
    return spans;
}

}  // namespace

std::string SpanFiles::name(int64_t from, int64_t to) {
    return formatted("%012lld-%012lld", static_cast<long long>(from), static_cast<long long>(to));
}

SpanFiles::SpanFiles(const fs::path& folder, int64_t from, int64_t to, const std::vector<std::string>& stems,
                     int sampleRate, int channels, bool overwrite) {
    for (const auto& stem : stems)
        m_writers.push_back(std::make_unique<AudioWriter>(stemOfSpan(folder, name(from, to), stem), sampleRate,
                                                          channels, AudioFormat(), overwrite));
}

void SpanFiles::add(const std::vector<AudioBuffer>& stems) {
    for (size_t s = 0; s < stems.size(); ++s) m_writers[s]->write(stems[s]);
}

std::vector<fs::path> SpanFiles::finish() {
    std::vector<fs::path> files;
    for (const auto& writer : m_writers) {
        writer->commit();
        files.push_back(writer->file());
    }
    return files;
}

void joinSpans(SampleSource& source, const fs::path& folder, const std::vector<std::string>& stems,
               const StemSink& sink, const Progress& progress) {
    const auto refuse = [&](int64_t from, const char* what) {
        throw Error(Error::Kind::InputUnreadable,
                    formatted("The span in \"%s\" that begins at frame %d %s: give the batch again.", folder.string(),
                              from, what));
    };
    int64_t at = 0;
    for (const Span& span : spansIn(folder, stems.front())) {
        if (span.from != at || span.to <= span.from || span.to > source.frames()) break;
        std::vector<std::unique_ptr<MediaReader>> readers;
        for (const auto& stem : stems) {
            const fs::path file = stemOfSpan(folder, SpanFiles::name(span.from, span.to), stem);
            if (!fs::exists(file)) refuse(at, "lacks a stem");
            readers.push_back(std::make_unique<MediaReader>(file));
            if (readers.back()->frames() != span.to - span.from ||
                readers.back()->sampleRate() != source.sampleRate() || readers.back()->channels() != source.channels())
                refuse(at, "is cut, or of another recording");
        }
        while (at < span.to) {
            progress.throwIfCancelled();
            const int64_t count = std::min(kBlock, span.to - at);
            std::vector<AudioBuffer> block;
            for (const auto& reader : readers) block.push_back(reader->read(at - span.from, count));
            sink(at, source.read(at, count), block);
            at += count;
            progress.report(double(at) / double(source.frames()));
        }
    }
    if (at < source.frames()) refuse(at, "is missing");
}

}  // namespace rivlen

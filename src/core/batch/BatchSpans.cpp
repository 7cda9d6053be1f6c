#include "core/batch/BatchSpans.h"

#include <algorithm>
#include <cmath>

#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/media/MediaReader.h"
#include "core/media/Timecode.h"
#include "core/separation/SpanFiles.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr double kShortest = 60;     // seconds: a tile more is separated at each end of a span
constexpr double kJoiningTakes = 8;  // spans are separated so many times slower than they are put together

constexpr const char* kSpans = ".spans";

/// One for each work and length: spans of another network, or cut elsewhere, do not fit together.
fs::path folderOfSpans(const fs::path& out, const BatchUnit& unit, int64_t length) {
    return besideBatchRecord(out, unit, formatted(".%s-%d%s", unit.key, length, kSpans).c_str());
}

BatchUnit spanOf(const BatchUnit& whole, const fs::path& folder, int64_t from, int64_t to, int rate) {
    BatchUnit unit = whole;
    const std::string name = SpanFiles::name(from, to);
    unit.id += "-" + name;
    unit.key += "-" + name;
    unit.folder = folder;
    unit.begins = name;
    unit.span = formatTime(double(from) / rate) + " to " + formatTime(double(to) / rate);
    unit.arguments.insert(unit.arguments.end(), {"--span-of-whole", name, "--spans-in", folder.string()});
    return unit;
}

/// The unit's own outcome where a span of it failed.
void fail(const fs::path& out, const BatchUnit& unit, const BatchUnit& span) {
    const BatchRecord why = readBatchRecord(out, span), before = readBatchRecord(out, unit);
    BatchRecord record;
    record.state = BatchRecord::State::Failed;
    record.key = unit.key;
    record.clean = before.key == unit.key && before.clean;
    record.begun = before.key == unit.key ? before.begun : 0;
    record.exitCode = why.exitCode;
    record.reason = span.span + " failed: " +
                    (why.reason.empty() ? "its machine was lost before it ended; give the batch again." : why.reason);
    writeBatchRecord(out, unit, record);
}

void clear(const fs::path& out, const BatchUnit& unit) {
    std::error_code ignored;
    const std::string begins = unit.id + ".";
    std::vector<fs::path> folders;  // also of earlier tries, cut in another way
    for (const auto& entry : fs::directory_iterator(unit.spans.front().folder.parent_path(), ignored))
        if (entry.path().extension() == kSpans && entry.path().filename().string().rfind(begins, 0) == 0)
            folders.push_back(entry.path());
    for (const auto& folder : folders) fs::remove_all(folder, ignored);
    for (const auto& span : unit.spans)
        for (const char* suffix : {".json", ".lock", ".log", ".answer"})
            fs::remove(besideBatchRecord(out, span, suffix), ignored);
}

}  // namespace

void cutIntoSpans(const BatchRequest& request, std::vector<BatchUnit>& units) {
    if (request.spanSeconds == 0) return;
    if (request.command != "split")
        throw Error(Error::Kind::Usage, "--spans goes with split alone; nothing was begun.");
    if (!(request.spanSeconds >= kShortest))
        throw Error(Error::Kind::Usage, "--spans are too short: give a minute or more; nothing was begun.");
    for (const char* name : {"--from", "--to"})
        if (isGiven(request.options, name))
            throw Error(Error::Kind::Usage,
                        "--spans cuts whole recordings: leave --from and --to out; nothing was begun.");
    for (BatchUnit& unit : units) {
        int rate = 0;
        int64_t frames = 0;
        try {
            MediaReader reader(unit.input);
            rate = reader.sampleRate(), frames = reader.frames();
        } catch (const Error&) {
            continue;  // its own command will say what is wrong with it
        }
        const auto length = int64_t(std::llround(request.spanSeconds * rate));
        const int64_t count = std::max<int64_t>(1, (frames + length / 2 - 1) / length);
        if (count == 1) continue;
        const fs::path folder = folderOfSpans(request.out, unit, length);
        for (int64_t i = 0; i < count; ++i)
            unit.spans.push_back(spanOf(unit, folder, i * length, i + 1 == count ? frames : (i + 1) * length, rate));
        unit.arguments.insert(unit.arguments.end(), {"--spans-in", folder.string()});
    }
}

BatchOutcome doBatchInSpans(const fs::path& out, const std::vector<BatchUnit>& units, const BatchDoer& all,
                            const Progress& progress) {
    constexpr size_t kNoSpan = size_t(-1);
    std::vector<BatchUnit> first, second;
    std::vector<std::pair<size_t, size_t>> of;  // of first: unit and its span
    std::vector<size_t> joined;                 // of second: unit
    double weight = 0;
    for (size_t i = 0; i < units.size(); ++i)
        if (units[i].spans.empty() || readBatchRecord(out, units[i]).holds(units[i])) {
            first.push_back(units[i]);
            of.emplace_back(i, kNoSpan);
        } else {
            for (size_t s = 0; s < units[i].spans.size(); ++s) {
                first.push_back(units[i].spans[s]);
                of.emplace_back(i, s);
            }
            weight += double(units[i].spans.size()) / kJoiningTakes;
        }
    const double share = double(first.size()) / (double(first.size()) + weight);
    std::vector<BatchEnd> ends(units.size(), BatchEnd::Done);
    const BatchOutcome began = all(first, Progress(progress, 0, share));
    for (size_t k = 0; k < first.size(); ++k) {
        const auto [i, s] = of[k];
        if (s == kNoSpan) ends[i] = began.ends[k];
        else if (began.ends[k] == BatchEnd::Failed && ends[i] != BatchEnd::Failed) {
            ends[i] = BatchEnd::Failed;
            fail(out, units[i], units[i].spans[s]);
        }
        if (s != kNoSpan && s + 1 == units[i].spans.size() && ends[i] != BatchEnd::Failed) {
            second.push_back(units[i]);
            joined.push_back(i);
        }
    }
    if (!second.empty()) {
        const BatchOutcome ended = all(second, Progress(progress, share, 1));
        for (size_t k = 0; k < second.size(); ++k) {
            ends[joined[k]] = ended.ends[k];
            if (ended.ends[k] != BatchEnd::Failed) clear(out, second[k]);
        }
    }
    return batchOutcome(out, units, ends);
}

}  // namespace rivlen

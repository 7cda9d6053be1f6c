#include "core/session/Mark.h"

#include <algorithm>
#include <cmath>

#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/isolation/StemNames.h"
#include "core/separation/Confidence.h"

namespace rivlen {

using nlohmann::json;

namespace {

constexpr double kJudgedAtOnce = 0.25;     // seconds that are judged at once
constexpr double kShortestProposal = 1.5;  // seconds
constexpr double kOthersBelow = 25;        // dB
constexpr double kLeastConfidence = 0.9;
constexpr double kLeastLevel = -55;      // dBFS
constexpr size_t kMostProposals = 3;     // of a stem
constexpr double kLongestProposal = 12;  // seconds: more is not needed, and may hold something else

bool touches(const Mark& a, const Mark& b) { return a.from < b.to && b.from < a.to; }

/// The stem that is heard alone between two frames, or -1; by how many dB the others are below it.
int aloneBetween(const LevelTrack& stems, const LevelTrack& source, int64_t from, int64_t to, double& margin) {
    double energy[kStemCount] = {}, sum = 1e-20;
    size_t loudest = 0;
    for (size_t s = 0; s < kStemCount && int(s) < stems.rows(); ++s) {
        sum += energy[s] = double(stems.meanSquare(int(s), from, to));
        if (energy[s] > energy[loudest]) loudest = s;
    }
    if (double(source.meanSquare(0, from, to)) < std::pow(10, kLeastLevel / 10)) return -1;
    margin = 10 * std::log10(energy[loudest] / (sum - energy[loudest] + 1e-12 * sum));
    return margin >= kOthersBelow && confidence(stems, source, from, to) >= kLeastConfidence ? int(loudest) : -1;
}

}  // namespace

json toJson(const std::vector<Mark>& marks) {
    json all = json::array();
    for (const Mark& m : marks) all.push_back({{"stem", m.stem}, {"from", m.from}, {"to", m.to}});
    return all;
}

std::vector<Mark> marksFromJson(const json& list) {
    std::vector<Mark> marks;
    if (list.size() > kMostMarks) throw Error(Error::Kind::InputUnreadable, "has more than a thousand marks.");
    for (const json& j : list) {
        const Mark m{j.at("stem"), j.at("from"), j.at("to")};
        if (std::find(kStemNames.begin(), kStemNames.end(), m.stem) == kStemNames.end())
            throw Error(Error::Kind::InputUnreadable,
                        "has a mark of the stem \"" + m.stem + "\": dialogue, music and ambience are known.");
        if (!(m.from >= 0 && m.to >= m.from + kShortestMark - 1e-6))
            throw Error(Error::Kind::InputUnreadable,
                        formatted("has a mark from %g to %g s: it must begin at 0 or later and last %g s at least.",
                                  m.from, m.to, kShortestMark));
        marks.push_back(m);
    }
    return marks;
}

void placeMark(std::vector<Mark>& marks, const Mark& mark) {
    Mark whole = mark;
    std::vector<Mark> kept;
    for (const Mark& other : marks) {
        if (other.stem == whole.stem && other.from <= whole.to && whole.from <= other.to) {
            whole.from = std::min(whole.from, other.from);
            whole.to = std::max(whole.to, other.to);
        } else {
            kept.push_back(other);
        }
    }
    std::vector<Mark> all;
    for (const Mark& other : kept) {
        if (!touches(other, whole)) {
            all.push_back(other);
            continue;
        }
        for (const auto& [from, to] : {std::pair(other.from, whole.from), std::pair(whole.to, other.to)})
            if (to - from >= kShortestMark) all.push_back({other.stem, from, to});
    }
    all.push_back(whole);
    std::sort(all.begin(), all.end(), [](const Mark& a, const Mark& b) { return a.from < b.from; });
    marks = std::move(all);
}

std::string markKey(const Mark& mark) { return "only-" + mark.stem + formatted("@%.1f", mark.from); }

std::optional<double> leakDb(const LevelTrack& stems, int sampleRate, const Mark& mark) {
    const auto from = int64_t(mark.from * sampleRate), to = int64_t(mark.to * sampleRate);
    double all = 0, others = 0;
    for (int s = 0; s < stems.rows() && size_t(s) < kStemCount; ++s) {
        const double energy = double(stems.meanSquare(s, from, to));
        all += energy;
        if (kStemNames[size_t(s)] != mark.stem) others += energy;
    }
    if (all <= 1e-12) return std::nullopt;
    return std::max(-100.0, 10 * std::log10(others / all + 1e-30));
}

std::vector<Mark> proposedMarks(const LevelTrack& stems, const LevelTrack& source, int sampleRate, int64_t frames,
                                const std::vector<Mark>& known) {
    struct Found {
        Mark mark;
        double margin;  ///< dB, of its least clear window
    };
    std::vector<Found> found;
    const auto window = int64_t(kJudgedAtOnce * sampleRate);
    std::optional<Found> run;
    const auto end = [&] {
        if (run && run->mark.to - run->mark.from >= kShortestProposal &&
            std::none_of(known.begin(), known.end(), [&](const Mark& m) { return touches(m, run->mark); }))
            found.push_back(*run);
        run.reset();
    };
    for (int64_t at = 0; at + window <= frames; at += window) {
        double margin = 0;
        const int alone = aloneBetween(stems, source, at, at + window, margin);
        const double from = double(at) / sampleRate, to = double(at + window) / sampleRate;
        if (run && (alone < 0 || run->mark.stem != kStemNames[size_t(alone)] || to - run->mark.from > kLongestProposal))
            end();
        if (alone < 0) continue;
        if (!run) run = Found{{kStemNames[size_t(alone)], from, to}, margin};
        run->mark.to = to;
        run->margin = std::min(run->margin, margin);
    }
    end();
    std::stable_sort(found.begin(), found.end(), [](const Found& a, const Found& b) { return a.margin > b.margin; });
    std::vector<Mark> proposals;
    for (const Found& f : found)
        if (size_t(std::count_if(proposals.begin(), proposals.end(),
                                 [&](const Mark& m) { return m.stem == f.mark.stem; })) < kMostProposals)
            proposals.push_back(f.mark);
    return proposals;
}

}  // namespace rivlen

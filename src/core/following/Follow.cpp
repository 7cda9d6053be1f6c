#include "core/following/Follow.h"

#include <algorithm>
#include <future>

namespace rivlen {

namespace {
constexpr int kHeight = 270;  // rows that are looked at: enough to tell things apart, and quick
}

std::vector<FollowedFrame> followObject(const std::filesystem::path& video, const std::vector<FollowAnchor>& anchors,
                                        double to, const Progress& progress) {
    std::vector<FollowedFrame> all;
    if (anchors.empty()) return all;
    PictureReader reader(video, PictureReader::Care::Swift);
    const auto tracker = makeObjectTracker();
    const double from = anchors[0].second, step = 1 / reader.info().rate.perSecond();
    double at = from;
    int64_t before = -1;
    size_t next = 0;
    PictureBox box = anchors[0].box;
    // The next frame is read while this one is looked at.
    const auto ahead = [&reader, step](double second) {
        return std::async(std::launch::async,
                          [&reader, step, second] { return reader.at(second + step / 4, kHeight); });
    };
    auto coming = ahead(at);
    while (at < to) {
        progress.throwIfCancelled();
        progress.report((at - from) / std::max(step, to - from));
        const auto frame = coming.get();
        if (!frame || frame->number == before) break;  // the picture has ended
        coming = ahead(frame->to);
        before = frame->number;
        bool seen = true;
        if (next < anchors.size() && frame->to > anchors[next].second) {
            while (next + 1 < anchors.size() && frame->to > anchors[next + 1].second) ++next;
            box = anchors[next++].box;
            tracker->begin(*frame, box);
        } else {
            seen = tracker->next(*frame, box);
        }
        all.push_back({std::max(from, frame->from), box, seen});
        at = frame->to;
    }
    progress.report(1);
    return all;
}

std::vector<std::pair<double, double>> lostSpans(const std::vector<FollowedFrame>& frames, int atLeast) {
    std::vector<std::pair<double, double>> spans;
    for (size_t i = 0; i < frames.size();) {
        if (frames[i].seen) {
            ++i;
            continue;
        }
        size_t end = i;
        while (end < frames.size() && !frames[end].seen) ++end;
        if (int(end - i) >= atLeast)
            spans.emplace_back(frames[i].second, end < frames.size() ? frames[end].second : frames.back().second);
        i = end;
    }
    return spans;
}

}  // namespace rivlen

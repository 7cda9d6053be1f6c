#include "app/rebuild/FollowDesk.h"

#include <algorithm>

#include "app/rebuild/LaneNames.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {
constexpr double kPointed = 0.1;  // of the picture: the size of what is pointed at
}

FollowDesk::FollowDesk(Document& document, Reels& reels, RebuildDesk& desk, Hearing& hearing, Work& work,
                       QObject* parent)
    : QObject(parent), m_document(document), m_reels(reels), m_desk(desk), m_hearing(hearing), m_work(work) {
    connect(&desk, &RebuildDesk::reelChanged, this, &FollowDesk::forget);
    connect(&desk, &RebuildDesk::changed, this, &FollowDesk::changed);
}

bool FollowDesk::possible() const {
    const ReelFacts* facts = m_reels.current();
    return facts && facts->info && facts->info->picture && !facts->missing && m_desk.lane() &&
           m_desk.rebuild().format != MixFormat::Reel;
}

void FollowDesk::setMarking(bool on) {
    m_marking = on && possible();
    if (on && !m_marking)
        m_work.warn(say(
            "A lane follows the picture where the mix has a format of its own, a lane is chosen, and the reel has a "
            "picture."));
    if (m_marking) m_byHand = false;
    emit changed();
}

void FollowDesk::forget() {
    stop();
    m_anchors.clear();
    m_frames.clear();
    m_pointed.clear();
    m_marking = m_byHand = false;
    m_lane.clear();
    emit changed();
}

double FollowDesk::end() const {
    const ReelFacts* facts = m_reels.current();
    const double whole = facts && facts->info ? double(facts->info->frames) / facts->info->sampleRate : 0;
    const auto loop = m_desk.loop();
    const double from = m_anchors.empty() ? 0 : m_anchors.front().second;
    return loop && loop->second > from && loop->first <= from + 1 ? std::min(whole, loop->second) : whole;
}

void FollowDesk::mark(const PictureBox& box, double second) {
    if (!possible()) return;
    const bool another = m_lane != m_desk.laneId() || m_frames.empty() || second < m_frames.front().second ||
                         second > m_frames.back().second + 0.1;
    if (another) m_anchors.clear(), m_frames.clear();
    m_lane = m_desk.laneId();
    // A correction counts for all that comes behind it, but not beyond the next one.
    std::erase_if(m_anchors, [&](const FollowAnchor& a) { return std::abs(a.second - second) < 0.02; });
    const auto place =
        std::find_if(m_anchors.begin(), m_anchors.end(), [&](const FollowAnchor& a) { return a.second > second; });
    m_anchors.insert(place, {second, box});
    m_marking = false;
    follow(second);
}

void FollowDesk::follow(double from) {
    stop();
    if (!m_document.reel()) return;
    std::vector<FollowAnchor> anchors;
    for (const FollowAnchor& a : m_anchors)
        if (a.second >= from) anchors.push_back(a);
    if (anchors.empty()) return;
    const double to = end();
    const auto frames = std::make_shared<std::vector<FollowedFrame>>();
    m_job = m_work.submit(
        Work::Queue::Long, say("Following the picture"),
        [frames, anchors, to, file = m_document.reel()->source](Progress& progress, const Work::Post&) {
            *frames = followObject(file, anchors, to, progress);
        },
        [this, frames, from](const JobQueue::Outcome& o) {
            m_job = 0;
            if (o.done) {
                std::erase_if(m_frames, [from](const FollowedFrame& f) { return f.second >= from; });
                m_frames.insert(m_frames.end(), frames->begin(), frames->end());
                write(false);
                const auto gone = lost();
                const QString whose = laneName(m_desk.rebuild(), m_lane);
                if (gone.empty())
                    m_work.report(
                        say("%1 follows the picture over %2 s.")
                            .arg(whose)
                            .arg(m_frames.empty() ? 0.0 : m_frames.back().second - m_frames.front().second, 0, 'f', 1));
                else
                    m_work.warn(say("%1 follows the picture, but what it follows was lost %2: go there and drag a box "
                                    "around it, or leave it.")
                                    .arg(whose, gone.size() == 1 ? say("once") : say("%1 times").arg(gone.size())));
            }
            emit changed();
        });
    emit changed();
}

void FollowDesk::stop() {
    if (m_job) m_work.cancel(Work::Queue::Long, m_job);
}

void FollowDesk::setByHand(bool on) {
    m_byHand = on && possible();
    if (m_byHand) m_marking = false, m_lane = m_desk.laneId();
    m_pointed.clear();
    emit changed();
}

void FollowDesk::point(double x, double y, double second) {
    if (!m_byHand || !possible()) return;
    if (!m_pointed.empty() && second < m_pointed.back().second) endPointing();  // the loop begins again
    if (!m_pointed.empty() && second <= m_pointed.back().second) return;
    m_pointed.push_back({second, {x - kPointed / 2, y - kPointed / 2, kPointed, kPointed}, true});
}

void FollowDesk::endPointing() {
    if (m_pointed.size() < 2) return m_pointed.clear();
    m_anchors.clear();
    m_frames = std::move(m_pointed);
    m_pointed.clear();
    write(false);
    emit changed();
}

void FollowDesk::setHow(const PanFromPath& how, bool dragging) {
    if (how == m_how) return;
    m_how = how;
    write(dragging);
    emit changed();
}

void FollowDesk::setAspect(double widthOverHeight) { m_how.aspect = widthOverHeight; }

void FollowDesk::write(bool dragging) {
    const Lane* lane = m_desk.rebuild().lane(m_lane);
    if (!lane || m_frames.empty()) return;
    PanFromPath how = m_how;
    how.distance = lane->strip.distance > 1 ? lane->strip.distance : how.distance;
    const FollowedPan pan = panFromPath(m_frames, how);
    m_desk.edit(
        say("Follow the picture"),
        [&](Rebuild& r) {
            if (Lane* l = r.lane(m_lane)) writePan(l->strip, pan);
        },
        dragging ? "follow" : "");
}

const FollowedFrame* FollowDesk::at(double second) const {
    if (m_frames.empty() || second < m_frames.front().second - 1e-3) return nullptr;
    auto after = std::upper_bound(m_frames.begin(), m_frames.end(), second + 1e-3,
                                  [](double t, const FollowedFrame& f) { return t < f.second; });
    const FollowedFrame& f = *std::prev(after);
    return second - f.second < 0.2 ? &f : nullptr;
}

void FollowDesk::toLost() {
    const auto at = nextLost();
    if (!at) return m_work.report(say("Nothing that is followed was lost."));
    m_hearing.locate(int64_t(*at * m_hearing.player().sampleRate()));
    setMarking(true);
}

std::optional<double> FollowDesk::nextLost() const {
    const auto gone = lost();
    if (gone.empty()) return {};
    for (const auto& span : gone)
        if (span.first > m_desk.playhead() + 1e-3) return span.first;
    return gone.front().first;
}

}  // namespace rivlen

#include "app/split/MarkDesk.h"

#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

MarkDesk::MarkDesk(Document& document, Reels& reels, Hearing& hearing, Work& work, QObject* parent)
    : QObject(parent), m_document(document), m_reels(reels), m_hearing(hearing), m_work(work) {
    connect(&document, &Document::changed, this, &MarkDesk::follow);
    connect(&reels, &Reels::stemsChanged, this, &MarkDesk::follow);
    connect(&reels, &Reels::read, this, &MarkDesk::follow);
}

const std::vector<Mark>& MarkDesk::marks() const {
    static const std::vector<Mark> none;
    return m_document.reel() ? m_document.reel()->marks : none;
}

const Mark& MarkDesk::at(int place) const {
    return proposed(place) ? m_proposals[size_t(place) - marks().size()] : marks()[size_t(place)];
}

std::optional<double> MarkDesk::leak(int place) const {
    const ReelFacts* facts = m_reels.current();
    if (!facts || !facts->info || !facts->stems || !facts->stems->finished()) return std::nullopt;
    return leakDb(facts->stems->levels(), facts->info->sampleRate, at(place));
}

void MarkDesk::add(const std::string& stem) {
    const Reel* reel = m_document.reel();
    const auto loop = m_hearing.loop();
    if (!reel || !loop)
        return m_work.warn(
            say("Set a loop over the span first: drag over the Current, or press [ and ] while it plays."));
    if (loop->second - loop->first < kShortestMark)
        return m_work.warn(say("The loop is too short: what is alone in less than 0.3 s teaches nothing."));
    const Mark mark{stem, loop->first, loop->second};
    m_document.editReel(say("Mark %1 alone").arg(said(stem)), [&](Reel& r) { placeMark(r.marks, mark); });
    for (size_t i = 0; i < marks().size(); ++i)
        if (marks()[i].from <= mark.from && mark.to <= marks()[i].to) choose(int(i));
}

void MarkDesk::choose(int place) {
    m_chosen = place >= 0 && place < int(count()) ? place : -1;
    emit changed();
    if (m_chosen >= 0) emit taken();
}

void MarkDesk::step(int direction) {
    if (count() == 0) return;
    // In order of time, whichever list they are in.
    std::vector<int> order(count());
    for (size_t i = 0; i < order.size(); ++i) order[i] = int(i);
    std::stable_sort(order.begin(), order.end(), [this](int a, int b) { return at(a).from < at(b).from; });
    const auto now = std::find(order.begin(), order.end(), m_chosen);
    const int all = int(order.size()),
              next = now == order.end() ? (direction > 0 ? 0 : all - 1) : int(now - order.begin()) + direction;
    choose(order[size_t((next + all) % all)]);
    hear();
}

void MarkDesk::hear() {
    if (m_chosen < 0) return;
    m_hearing.audition(at(m_chosen).from, at(m_chosen).to);
}

void MarkDesk::accept() {
    if (m_chosen < 0 || !proposed(m_chosen)) return;
    const Mark mark = at(m_chosen);
    m_document.editReel(say("Mark %1 alone").arg(said(mark.stem)), [&](Reel& r) { placeMark(r.marks, mark); });
    const auto& all = marks();
    choose(int(std::find(all.begin(), all.end(), mark) - all.begin()));
}

void MarkDesk::takeAway() {
    if (m_chosen < 0) return;
    const Mark mark = at(m_chosen);
    if (proposed(m_chosen))
        m_document.editReel(say("Dismiss a proposed mark"), [&](Reel& r) { r.dismissed.push_back(markKey(mark)); });
    else m_document.editReel(say("Remove mark"), [&](Reel& r) { std::erase(r.marks, mark); });
    choose(std::min(m_chosen, int(count()) - 1));
}

void MarkDesk::move(int place, double from, double to) {
    if (place < 0 || proposed(place)) return;
    const ReelFacts* facts = m_reels.current();
    const double end = facts && facts->info ? facts->info->duration() : to;
    from = std::clamp(from, 0.0, end - kShortestMark);
    to = std::clamp(to, from + kShortestMark, end);
    // Among its neighbours: marks do not swallow each other while one is dragged.
    if (place > 0) from = std::max(from, marks()[size_t(place) - 1].to);
    if (place + 1 < int(marks().size())) to = std::min(to, marks()[size_t(place) + 1].from);
    if (to - from < kShortestMark) return;
    m_document.editReel(
        say("Move mark"), [&](Reel& r) { r.marks[size_t(place)].from = from, r.marks[size_t(place)].to = to; },
        "mark " + std::to_string(place));
}

void MarkDesk::follow() {
    const Reel* reel = m_document.reel();
    const ReelFacts* facts = m_reels.current();
    if (m_document.session().stage != stage::split) return;
    const bool ready = reel && facts && facts->info && facts->levels && facts->stems && facts->stems->finished();
    if (!reel || reel->id != m_reel) m_chosen = -1;
    m_reel = reel ? reel->id : "";
    if (!ready) {
        m_found.clear();
        m_looked = {};
    } else if (m_looked.first != facts->stems || m_looked.second != reel->marks) {
        m_found = proposedMarks(facts->stems->levels(), *facts->levels, facts->info->sampleRate, facts->info->frames,
                                reel->marks);
        m_looked = {facts->stems, reel->marks};
    }
    m_proposals = m_found;
    if (reel)
        std::erase_if(m_proposals, [&](const Mark& mark) {
            return std::find(reel->dismissed.begin(), reel->dismissed.end(), markKey(mark)) != reel->dismissed.end();
        });
    if (m_chosen >= int(count())) m_chosen = -1;
    emit changed();
}

}  // namespace rivlen

#include "app/split/UnsureDesk.h"

namespace rivlen {

UnsureDesk::UnsureDesk(Document& document, Reels& reels, Hearing& hearing, QObject* parent)
    : QObject(parent), m_document(document), m_reels(reels), m_hearing(hearing) {
    connect(&document, &Document::changed, this, &UnsureDesk::follow);
    connect(&reels, &Reels::stemsChanged, this, &UnsureDesk::follow);
    connect(&reels, &Reels::read, this, &UnsureDesk::follow);
}

void UnsureDesk::follow() {
    const ReelFacts* facts = m_document.reel() ? m_reels.current() : nullptr;
    const bool known =
        facts && facts->info && facts->levels && facts->inspection && facts->stems && facts->stems->finished();
    const uint64_t of = known ? facts->stems->serial() : 0;
    if (of == m_of) return;
    m_of = of;
    m_chosen = -1;
    m_moments.clear();
    if (known)
        m_moments =
            unsureMoments(facts->stems->levels(), *facts->shownLevels(), facts->info->sampleRate, facts->info->frames);
    emit changed();
}

void UnsureDesk::hear(int moment) {
    if (moment < 0 || moment >= int(m_moments.size())) return;
    m_chosen = moment;
    const UnsureMoment& m = m_moments[size_t(moment)];
    m_hearing.audition(std::max(0.0, m.from - 0.5), std::min(m_reels.current()->info->duration(), m.to + 0.5));
    emit changed();
}

void UnsureDesk::step(int direction) {
    const int count = int(m_moments.size());
    if (count == 0) return;
    hear(m_chosen < 0 ? (direction > 0 ? 0 : count - 1) : (m_chosen + direction + count) % count);
}

}  // namespace rivlen

#include "app/weigh/CandidateDesk.h"

#include <utility>

#include "app/words/Say.h"

namespace rivlen {

CandidateDesk::CandidateDesk(Document& document, Reels& reels, Hearing& hearing, Work& work, QObject* parent)
    : QObject(parent), m_document(document), m_hearing(hearing), m_work(work) {
    connect(&document, &Document::changed, this, &CandidateDesk::changed);
    connect(&reels, &Reels::read, this, [this] {
        if (m_blind && (!m_document.reel() || m_document.reel()->id != m_reel))
            endBlind();  // its candidates belong to another reel
    });
}

const std::optional<Candidate>& CandidateDesk::at(int candidate) const {
    static const std::optional<Candidate> none;
    return m_document.reel() ? m_document.reel()->candidates[size_t(candidate)] : none;
}

int CandidateDesk::kept() const {
    int count = 0;
    for (int i = 0; i < kCandidates; ++i) count += at(i).has_value();
    return count;
}

int CandidateDesk::current() const {
    for (int i = 0; i < kCandidates; ++i)
        if (at(i) && sameStrength(at(i)->settings, m_document.reel()->isolation())) return i;
    return -1;
}

void CandidateDesk::keep(int candidate) {
    if (m_blind) return;
    m_document.editReel(say("Keep candidate ") + letter(candidate), [&](Reel& r) {
        auto& place = r.candidates[size_t(candidate)];
        place = Candidate{place ? place->name : "", r.isolation()};
    });
}

void CandidateDesk::use(int candidate) {
    if (m_blind) return hearLabel(candidate);
    if (at(candidate))
        m_document.editReel(
            say("Use candidate ") + letter(candidate),
            [&](Reel& r) { r.setIsolation(IsolationSettings(r.candidates[size_t(candidate)]->settings)); },
            "candidate");
}

void CandidateDesk::rename(int candidate, const QString& name) {
    m_document.editReel(say("Name candidate ") + letter(candidate), [&](Reel& r) {
        if (auto& place = r.candidates[size_t(candidate)]) place->name = name.trimmed().toStdString();
    });
}

void CandidateDesk::drop(int candidate) {
    m_document.editReel(say("Drop candidate ") + letter(candidate),
                        [&](Reel& r) { r.candidates[size_t(candidate)].reset(); });
}

void CandidateDesk::copyTo(int candidate, int region) {
    m_document.editReel(say("Copy candidate ") + letter(candidate), [&](Reel& r) {
        const int worked = std::exchange(r.region, region);
        r.setIsolation(IsolationSettings(r.candidates[size_t(candidate)]->settings));
        r.region = worked;
    });
}

std::optional<std::pair<int, int>> CandidateDesk::compared() const {
    if (m_blind || kept() < 2) return std::nullopt;
    auto [a, b] = m_compared;
    // Where a chosen one is not there, the first others stand in.
    for (int i = 0; i < kCandidates && !at(a); ++i)
        if (at(i) && i != b) a = i;
    for (int i = 0; i < kCandidates && (!at(b) || b == a); ++i)
        if (at(i) && i != a) b = i;
    return std::pair(a, b);
}

void CandidateDesk::compare(int a, int b) {
    m_compared = {a, b};
    emit changed();
}

void CandidateDesk::startBlind(unsigned seed) {
    std::vector<int> taking;
    for (int i = 0; i < kCandidates; ++i)
        if (at(i)) taking.push_back(i);
    if (taking.size() < 2) {
        m_work.warn(say("A blind comparison needs two candidates: keep two settings first."));
        return;
    }
    m_blind.emplace(taking, seed);
    m_reel = m_document.reel()->id;
    m_hearing.setBlind(true);
    m_hearing.hear(Heard::Result);
    hearLabel(0);
}

void CandidateDesk::hearLabel(int label) {
    if (!m_blind || label < 0 || label >= m_blind->labels()) return;
    m_label = label;
    m_hearing.tryIsolation(at(m_blind->candidate(label))->settings);
    emit changed();
}

void CandidateDesk::prefer() {
    if (!m_blind) return;
    m_blind->prefer(m_label);
    hearLabel(0);
}

QString CandidateDesk::endBlind() {
    if (!m_blind) return {};
    const BlindTest ended = *m_blind;
    m_blind.reset();
    m_hearing.setBlind(false);
    QString text = say("Blind comparison ended without a choice.");
    if (ended.rounds() > 0)
        text = say("You preferred %1 in %2 of %3 rounds; chance alone does as much in %4 % of cases.")
                   .arg(letter(ended.favourite()))
                   .arg(ended.timesPreferred(ended.favourite()))
                   .arg(ended.rounds())
                   .arg(100 * ended.byChance(), 0, 'f', ended.byChance() < 0.1 ? 1 : 0);
    m_work.report(text);
    emit changed();
    return text;
}

}  // namespace rivlen

#include "app/reels/Treating.h"

#include "app/words/Say.h"

namespace rivlen {

namespace {

// While an amount is being looked for, its loop is treated at once; the whole reel follows.
constexpr int kWholeAfterMs = 1500;

}  // namespace

Treating::Treating(Document& document, Reels& reels, Work& work, QObject* parent)
    : QObject(parent), m_document(document), m_reels(reels), m_work(work) {
    m_wait.setSingleShot(true);
    m_wait.setInterval(kWholeAfterMs);
    connect(&m_wait, &QTimer::timeout, this, [this] {
        if (m_document.reel()) treat(m_document.reel()->id);
    });
    connect(&document, &Document::edited, this, &Treating::follow);
    connect(&document, &Document::voided, this, [this] {
        m_followed.clear();
        m_jobs.clear();
    });
    connect(&document, &Document::sourceReplaced, this, [this] { m_followed.clear(); });
    connect(&reels, &Reels::diagnosed, this, [this](const std::string& id) {
        const Reel* r = m_document.reel();
        if (r && r->id == id && m_reels.treatmentPending(*r)) m_wait.start();
    });
    connect(&reels, &Reels::stemsReplaced, this, [this](const std::string& id) {
        const Reel* r = m_document.reel();
        const ReelFacts& facts = m_reels.of(id);
        if (r && r->id == id && r->treatsStems() && facts.stems && facts.stems->finished() && !facts.treatedStems)
            m_wait.start();
    });
}

void Treating::begin() {
    const Reel* r = m_document.reel();
    if (!r) return;
    m_followed = r->id;
    m_treatments = r->treatments;
    if (m_reels.treatmentPending(*r)) m_wait.start();
}

void Treating::follow() {
    const Reel* r = m_document.reel();
    if (!r || m_followed != r->id || m_treatments == r->treatments) return;
    m_treatments = r->treatments;
    m_work.cancel(Work::Queue::Long, m_jobs[r->id]);
    emit chainChanged(r->id);
    if (m_reels.treatmentPending(*r)) m_wait.start();
}

void Treating::treat(const std::string& id) {
    const Reel* r = m_document.session().reel(id);
    if (!r || m_reels.of(id).missing || !m_reels.of(id).diagnosis) return;  // diagnosis calls again
    if (!m_reels.treatmentPending(*r)) return treatStems(*r);
    m_work.cancel(Work::Queue::Long, m_jobs[id]);
    m_jobs[id] = m_work.submit(
        Work::Queue::Long, say("Treating ") + QString::fromStdString(r->name),
        [source = r->source, chain = r->recordingTreatments(), found = m_reels.findings(*r)](
            Progress& progress, const Work::Post&) { TreatedFile::make(source, chain, found, progress); },
        [this, id](const JobQueue::Outcome& o) {
            if (const Reel* r = m_document.session().reel(id); o.done && r)
                m_reels.write(id).treated = TreatedFile::find(r->source, r->recordingTreatments());
            ended(id, o);
        });
    m_document.announce();
}

void Treating::treatStems(const Reel& reel) {
    const ReelFacts& facts = m_reels.of(reel.id);
    if (!reel.treatsStems() || !facts.stems || !facts.stems->finished() || facts.treatedStems) return;
    m_work.cancel(Work::Queue::Long, m_jobs[reel.id]);
    m_jobs[reel.id] = m_work.submit(
        Work::Queue::Long, say("Treating stems of ") + QString::fromStdString(reel.name),
        [file = m_reels.splitFile(reel), stems = facts.stems, treatments = reel.treatments,
         found = m_reels.findings(reel)](Progress& progress, const Work::Post&) {
            TreatedStems::make(file, *stems, treatments, found, progress);
        },
        [this, id = reel.id](const JobQueue::Outcome& o) { ended(id, o); });
}

void Treating::ended(const std::string& id, const JobQueue::Outcome& outcome) {
    if (outcome.done && m_document.session().reel(id)) emit treated(id);
    m_document.announce();
}

void Treating::treatmentsToReels(const std::map<std::string, std::vector<Treatment>>& treatments) {
    std::vector<std::string> ids;
    for (const auto& [id, list] : treatments) ids.push_back(id);
    m_document.editReels(say("Give treatments to reels"), ids, [&](Reel& r) { r.treatments = treatments.at(r.id); });
    for (const auto& [id, list] : treatments) treat(id);
}

}  // namespace rivlen

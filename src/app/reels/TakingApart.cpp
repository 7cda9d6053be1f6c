#include "app/reels/TakingApart.h"

#include <algorithm>

#include "app/words/Say.h"
#include "core/base/Error.h"

namespace rivlen {

namespace {

/// Stems that the user wants taken apart, and what the strength needs.
std::vector<std::string> neededBy(const Reel& reel) {
    std::vector<std::string> all = reel.parts;
    const auto also = [&all](const std::string& stem) {
        if (std::find(all.begin(), all.end(), stem) == all.end()) all.push_back(stem);
    };
    if (const std::string stem = stemOfPart(reel.stem); !stem.empty()) also(stem);
    if (keepsOfAmbience(reel.timeline())) also("ambience");
    return all;
}

}  // namespace

TakingApart::TakingApart(Document& document, Reels& reels, Splitting& splitting, Work& work, QObject* parent)
    : QObject(parent), m_document(document), m_reels(reels), m_work(work) {
    connect(&document, &Document::voided, this, [this] { m_jobs.clear(), m_given.clear(); });
    connect(&document, &Document::changed, this, &TakingApart::follow);
    connect(&reels, &Reels::stemsReplaced, this, &TakingApart::attach);
    connect(&splitting, &Splitting::done, this, [this](const std::string& id) {
        if (m_document.reel() && m_document.reel()->id == id) begin();
    });
}

void TakingApart::attach(const std::string& id) {
    const Reel* reel = m_document.session().reel(id);
    ReelFacts& facts = m_reels.write(id);
    facts.parts.clear();
    if (!reel || !facts.stems || !facts.stems->finished()) return;
    for (const std::string& stem : neededBy(*reel)) try {
            if (auto known = openParts(*facts.stems, stem)) facts.parts[stem] = known;
        } catch (const Error& e) {  // no network for it
            m_work.warn(QString::fromStdString(e.what()));
        }
    bool news = false;
    for (const std::string& stem : stemsWithParts()) {
        const auto found = facts.parts.find(stem);
        const auto parts = found == facts.parts.end() ? nullptr : found->second;
        const auto before = facts.stems->parts(stem);
        if ((before ? before->folder() : "") == (parts ? parts->folder() : "")) continue;
        facts.stems->setParts(stem, parts);
        news = true;
    }
    if (news) return m_reels.tellStemsReplaced(id);  // who reads the stems reads them with it from now on
    emit changed();
}

void TakingApart::follow() {
    const Reel* reel = m_document.reel();
    if (!reel || (!keepsOfAmbience(reel->timeline()) && stemOfPart(reel->stem).empty())) return;
    const ReelFacts& facts = m_reels.of(reel->id);
    if (!facts.stems || !facts.stems->finished() || !busyWith().empty()) return;
    const auto needed = neededBy(*reel);
    bool asked = false;
    for (const std::string& stem : needed)  // what was asked for before was cancelled, or can't be done
        asked = (!wanted(stem) && !facts.parts.count(stem) &&
                 m_given.insert({reel->id, facts.stems->serial(), stem}).second) ||
                asked;
    if (!asked) return;
    m_reels.tellStemsReplaced(reel->id);
    begin();
}

bool TakingApart::wanted(const std::string& stem) const {
    const Reel* reel = m_document.reel();
    return reel && std::find(reel->parts.begin(), reel->parts.end(), stem) != reel->parts.end();
}

void TakingApart::setWanted(const std::string& stem, bool on) {
    if (!m_document.reel() || wanted(stem) == on) return;
    const QString name = said(stem);
    m_document.editReel((on ? say("Take the %1 apart") : say("Leave the %1 whole")).arg(name), [&](Reel& r) {
        std::erase(r.parts, stem);
        if (on) r.parts.push_back(stem);
    });
    m_reels.tellStemsReplaced(m_document.reel()->id);
    if (on) begin();
}

std::string TakingApart::busyWith() const {
    if (!m_document.reel()) return {};
    const auto found = m_jobs.find(m_document.reel()->id);
    return found == m_jobs.end() ? std::string() : found->second.stem;
}

void TakingApart::begin() {
    const Reel* reel = m_document.reel();
    if (!reel || !busyWith().empty()) return;
    const ReelFacts& facts = m_reels.of(reel->id);
    if (!facts.stems || !facts.stems->finished()) return;
    const auto needed = neededBy(*reel);
    const auto next =
        std::find_if(needed.begin(), needed.end(), [&](const std::string& stem) { return !facts.parts.count(stem); });
    if (next == needed.end()) return;
    const std::string id = reel->id, stem = *next, name = reel->name;
    Job& job = m_jobs[id];
    job.stem = stem;
    job.number = m_work.submit(
        Work::Queue::Long, say("Taking the %1 of %2 apart").arg(said(stem), QString::fromStdString(name)),
        [stems = facts.stems, stem, quality = reel->quality](Progress& progress, const Work::Post&) {
            openOrMakeParts(*stems, stem, quality, progress);
        },
        [this, id, stem, name](const JobQueue::Outcome& o) {
            m_jobs.erase(id);
            m_reels.tellStemsReplaced(id);
            if (!o.done) return;
            m_work.report(say("Took the %1 of %2 apart.").arg(said(stem), QString::fromStdString(name)));
            if (m_document.reel() && m_document.reel()->id == id) begin();  // the other stem
        });
    emit changed();
}

void TakingApart::cancel() {
    if (!m_document.reel()) return;
    if (const auto found = m_jobs.find(m_document.reel()->id); found != m_jobs.end())
        m_work.cancel(Work::Queue::Long, found->second.number);
}

}  // namespace rivlen

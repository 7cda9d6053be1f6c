// The controller's part in treatments: which file stands for a reel, and the work that makes it.
#include "app/Controller.h"
#include "core/media/MediaReader.h"

namespace rivlen {

std::vector<Finding> Controller::findings(const Reel& reel) {
    const ReelState& state = m_states[reel.id];
    std::vector<Finding> all;
    const bool music = content(reel) == Content::Music;
    if (state.diagnosis)
        for (const Finding& f : state.diagnosis->findings)
            if (!reel.isDismissed(f) && !(music && entryOf(f.kind).forVoice)) all.push_back(f);
    return all;
}

std::optional<Content> Controller::content(const Reel& reel) {
    for (Content c : {Content::Speech, Content::Music, Content::Mixed})
        if (reel.content == contentName(c)) return c;
    const ReelState& state = m_states[reel.id];
    return state.diagnosis ? state.diagnosis->content : std::nullopt;
}

bool Controller::repairPending(const Reel& reel) const {
    const auto chain = reel.recordingTreatments();
    return !chain.empty() && !RepairedFile::find(reel.source, chain);
}

std::filesystem::path Controller::splitFile(const Reel& reel) const {
    const auto chain = reel.recordingTreatments();
    const auto repaired = chain.empty() ? std::nullopt : RepairedFile::find(reel.source, chain);
    return repaired ? repaired->file : reel.source;
}

std::filesystem::path Controller::workFile(const Reel& reel) {
    const ReelState& state = m_states[reel.id];
    return reel.treatsStems() && state.repairedStems ? state.repairedStems->work : splitFile(reel);
}

void Controller::playVersions() {
    const Reel* r = reel();
    if (!r || m_opened != r->id) return;
    ReelState& state = m_states[r->id];
    const auto chain = r->recordingTreatments();
    state.repaired = chain.empty() ? std::nullopt : RepairedFile::find(r->source, chain);
    state.repairedLevels = state.repaired ? state.repaired->levels() : nullptr;
    const auto work = workFile(*r);
    const auto opens = [](const std::filesystem::path& file) {
        return [file] { return std::make_unique<MediaReader>(file); };
    };
    if (work != m_played)
        m_player.setVersions(opens(work), work == r->source ? Player::OpenSource() : opens(r->source));
    m_played = work;
    const bool treated = work != r->source || !chain.empty();
    if (!treated && (m_player.heard() == Heard::Recorded || m_player.heard() == Heard::Removed)) hear(Heard::Source);
}

void Controller::tryVersions(Player::OpenSource source, Player::OpenSource recorded, Player::OpenSource removed) {
    m_played.clear();
    m_player.setVersions(std::move(source), std::move(recorded), std::move(removed));
}

void Controller::followTreatments() {
    const Reel* r = reel();
    ReelState* state = currentState();
    if (!r || m_opened != r->id || state->followed == r->treatments) return;
    state->followed = r->treatments;
    m_jobs.cancel(state->repairJob);
    if (state->splitting) m_jobs.cancel(state->splitJob);  // of what the chain made before
    attachStems(r->id);
    if (repairPending(*r)) m_repair.start();
}

void Controller::repair(const std::string& id) {
    const Reel* r = session().reel(id);
    ReelState& state = m_states[id];
    if (!r || state.missing || !state.diagnosis) return;  // diagnosis calls again
    if (!repairPending(*r)) return repairStems(*r);
    m_jobs.cancel(state.repairJob);
    const int number = m_sessionNumber;
    state.repairJob = m_jobs.submit(
        "Repairing " + r->name,
        [source = r->source, chain = r->recordingTreatments(), found = findings(*r)](Progress& progress) {
            RepairedFile::make(source, chain, found, progress);
        },
        [this, number, id](const JobQueue::Outcome& o) {
            later(number, [this, id, o] {
                if (!o.done && !o.cancelled) emit notice(QString::fromStdString(o.error));
                const Reel* r = session().reel(id);
                if (!o.done || !r) return;
                m_states[id].repaired = RepairedFile::find(r->source, r->recordingTreatments());
                if (id == session().current) attachStems(id);
                if (m_splitAfterRepair == id && id == session().current) {
                    m_splitAfterRepair.clear();
                    split();
                }
                emit sessionChanged();
            });
        });
    emit sessionChanged();
}

void Controller::repairStems(const Reel& reel) {
    ReelState& state = m_states[reel.id];
    if (!reel.treatsStems() || !state.stems || !state.stems->finished() || state.repairedStems) return;
    m_jobs.cancel(state.repairJob);
    const int number = m_sessionNumber;
    state.repairJob = m_jobs.submit(
        "Repairing stems of " + reel.name,
        [file = splitFile(reel), stems = state.stems, treatments = reel.treatments, found = findings(reel)](
            Progress& progress) { RepairedStems::make(file, *stems, treatments, found, progress); },
        [this, number, id = reel.id](const JobQueue::Outcome& o) {
            later(number, [this, id, o] {
                if (!o.done && !o.cancelled) emit notice(QString::fromStdString(o.error));
                if (o.done) attachStems(id);
                emit sessionChanged();
            });
        });
}

void Controller::treatmentsToReels(const std::map<std::string, std::vector<Treatment>>& treatments) {
    std::vector<std::string> ids;
    for (const auto& [id, list] : treatments) ids.push_back(id);
    editReels("Give treatments to reels", ids, [&](Reel& r) { r.treatments = treatments.at(r.id); });
    for (const auto& [id, list] : treatments) repair(id);
}

}  // namespace rivlen

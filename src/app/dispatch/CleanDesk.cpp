#include "app/dispatch/CleanDesk.h"

#include <QFileInfo>
#include <QSettings>
#include <algorithm>

#include "app/words/Say.h"

namespace rivlen {

CleanDesk::CleanDesk(Document& document, Reels& reels, DispatchDesk& dispatch, Work& work, QObject* parent)
    : QObject(parent), m_document(document), m_reels(reels), m_dispatch(dispatch), m_work(work) {
    connect(&document, &Document::voided, this, [this] { m_job = 0; });
}

std::string CleanDesk::purpose() const {
    const std::string known = QSettings().value("voicePurpose").toString().toStdString();
    const auto& all = voicePurposes();
    const bool there = std::any_of(all.begin(), all.end(), [&](const VoicePurpose& p) { return p.id == known; });
    return there ? known : std::string();
}

void CleanDesk::setPurpose(const std::string& id) {
    QSettings().setValue("voicePurpose", QString::fromStdString(id));
    emit changed();
}

QString CleanDesk::usualFolder() const {
    const Reel* reel = m_document.reel();
    if (!reel) return {};
    const QFileInfo folder(QString::fromStdString(reel->source.parent_path().string()));
    return folder.isDir() && folder.isWritable() ? folder.absoluteFilePath() : QString();
}

void CleanDesk::clean(const QString& folder) {
    const Reel* reel = m_document.reel();
    if (!reel) return m_work.warn(say("Add a recording at Intake first."));
    if (busy()) return m_work.warn(say("A voice is being cleaned already: wait for it, or cancel it below."));
    const auto made = std::make_shared<std::optional<CleanVoice>>();
    m_job = m_work.submit(
        Work::Queue::Long, say("Cleaning the voice of ") + QString::fromStdString(reel->name),
        [reel = *reel, purpose = purpose(), known = m_reels.of(reel->id).diagnosis,
         made](Progress& progress, const Work::Post&) { *made = cleanVoice(reel, purpose, progress, known); },
        [this, folder, made](const JobQueue::Outcome&) {
            m_job = 0;
            if (*made) take(**made, folder);
            emit changed();
        });
    emit changed();
}

void CleanDesk::take(const CleanVoice& clean, const QString& folder) {
    const Reel* now = m_document.session().reel(clean.reel.id);
    if (!now || now->source != clean.reel.source) return;  // taken out, or another file, meanwhile
    const MediaInfo info = m_reels.of(now->id).info.value_or(MediaInfo());
    std::vector<Deliverable> wanted = voiceDeliverables(info, std::nullopt);
    m_document.editSession(say("Clean the voice"), [&](Session& s) {
        Reel& r = *s.reel(clean.reel.id);
        r.treatments = clean.reel.treatments;
        r.stem = clean.reel.stem;
        r.region = -1;
        r.timeline().base = clean.reel.timeline().base;
        for (Deliverable& d : wanted) {
            // One of this name is the user's by now: changed, it is what is sent.
            const auto same = std::find_if(s.deliverables.begin(), s.deliverables.end(),
                                           [&](const Deliverable& other) { return other.name == d.name; });
            if (same == s.deliverables.end()) s.deliverables.push_back(d);
            else d = *same;
        }
    });
    m_dispatch.dispatchReel(clean.reel.id, wanted, folder);
    emit delivering(clean.reel.id);
}

}  // namespace rivlen

#include "app/reels/Reels.h"

#include <algorithm>

namespace rivlen {

bool ReelFacts::damaged() const {
    return diagnosis && std::any_of(diagnosis->findings.begin(), diagnosis->findings.end(),
                                    [](const Finding& f) { return f.kind == Fault::Damage; });
}

Reels::Reels(Document& document, QObject* parent) : QObject(parent), m_document(document) {
    connect(&document, &Document::voided, this, [this] { m_facts.clear(); });
    connect(&document, &Document::sourceReplaced, this, [this](const std::string& id) { m_facts[id] = {}; });
}

const ReelFacts* Reels::current() const {
    const Reel* reel = m_document.reel();
    return reel ? &of(reel->id) : nullptr;
}

const ReelFacts& Reels::of(const std::string& id) const {
    static const ReelFacts nothing;
    const auto found = m_facts.find(id);
    return found == m_facts.end() ? nothing : found->second;
}

std::vector<Finding> Reels::findings(const Reel& reel) const {
    const ReelFacts& facts = of(reel.id);
    std::vector<Finding> all;
    const bool music = content(reel) == Content::Music;
    if (facts.diagnosis)
        for (const Finding& f : facts.diagnosis->findings)
            if (!reel.isDismissed(f) && !(music && entryOf(f.kind).forVoice)) all.push_back(f);
    return all;
}

std::optional<Content> Reels::content(const Reel& reel) const {
    for (Content c : {Content::Speech, Content::Music, Content::Mixed})
        if (reel.content == contentName(c)) return c;
    const ReelFacts& facts = of(reel.id);
    return facts.diagnosis ? facts.diagnosis->content : std::nullopt;
}

bool Reels::treatmentPending(const Reel& reel) const {
    const auto chain = reel.recordingTreatments();
    return !chain.empty() && !TreatedFile::find(reel.source, chain);
}

std::filesystem::path Reels::splitFile(const Reel& reel) const {
    const auto chain = reel.recordingTreatments();
    const auto treated = chain.empty() ? std::nullopt : TreatedFile::find(reel.source, chain);
    return treated ? treated->file : reel.source;
}

std::filesystem::path Reels::heardFile(const Reel& reel) const {
    const ReelFacts& facts = of(reel.id);
    return reel.treatsStems() && facts.treatedStems ? facts.treatedStems->recording : splitFile(reel);
}

void Reels::tellInformed(const std::string& id) {
    emit informed(id);
    emit read();
}

void Reels::tellStemsReplaced(const std::string& id) {
    emit stemsReplaced(id);
    emit stemsChanged();
}

}  // namespace rivlen

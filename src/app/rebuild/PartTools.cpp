#include "app/rebuild/PartTools.h"

#include <algorithm>

#include "app/words/Say.h"
#include "core/base/Error.h"
#include "core/rebuild/PartLanes.h"

namespace rivlen {

void PartTools::want(const std::string& stem) {
    if (m_parts.wanted(stem)) m_parts.begin();
    else m_parts.setWanted(stem, true);
}

void PartTools::lay(const std::string& stem) {
    if (!m_desk.ready()) return;
    if (usesPartsOf(m_desk.rebuild(), stem)) return m_desk.tell(say("The lanes hold parts of it already."));
    bool done = false;
    m_desk.edit(say("Lay the %1 in parts").arg(said(stem)), [&](Rebuild& r) {
        done = layInParts(r, stem);
        for (auto& g : r.groups)
            if (done) g.folded = false;
    });
    if (!done) return m_desk.tell(say("No lane plays the %1: lay it on a lane first.").arg(said(stem)));
    want(stem);
}

void PartTools::instrumental() {
    if (!m_desk.ready()) return;
    const Rebuild& now = m_desk.rebuild();
    const auto vocals = [&](const Lane& lane) {
        return std::any_of(lane.clips.begin(), lane.clips.end(), [](const Clip& c) { return c.material == "vocals"; });
    };
    const bool heard =
        std::any_of(now.lanes.begin(), now.lanes.end(), [&](const auto& l) { return vocals(*l) && !l->strip.mute; });
    const bool apart = usesPartsOf(now, "music");
    bool done = false;
    m_desk.edit(apart && !heard ? say("Vocals again") : say("Instrumental"), [&](Rebuild& r) {
        done = apart || layInParts(r, "music");
        muteParts(r, "vocals", !apart || heard);
    });
    if (!done) return m_desk.tell(say("No lane plays the music: lay it on a lane first."));
    want("music");
    m_desk.report(apart && !heard ? say("The vocals are heard again.")
                                  : say("Instrumental: the vocals are mute, all else stays."));
}

void PartTools::balance(const PartBalance& balance) {
    if (!m_desk.ready()) return;
    const auto loop = m_desk.loop();
    bool done = false;
    m_desk.edit(say("Balance: ") + said(balance.name), [&](Rebuild& r) {
        done = usesPartsOf(r, balance.stem) || layInParts(r, balance.stem);
        if (loop) applyBalance(r, balance, loop->first, loop->second);
        else applyBalance(r, balance);
    });
    if (!done) return m_desk.tell(say("No lane plays the %1: lay it on a lane first.").arg(said(balance.stem)));
    want(balance.stem);
    m_desk.report(
        say("\"%1\" is laid over %2.")
            .arg(QString::fromStdString(balance.name), QString(loop ? say("the loop") : say("the whole reel"))));
}

void PartTools::keepBalance(const std::string& stem, const QString& name) {
    if (!usesPartsOf(m_desk.rebuild(), stem))
        return m_desk.tell(say("There is no balance yet: lay the stem in parts first."));
    try {
        PartBalance kept = balanceAt(m_desk.rebuild(), stem, m_desk.playhead());
        kept.name = name.trimmed().toStdString();
        saveBalance(kept);
        m_desk.report(say("The levels at the playhead are kept as \"%1\".").arg(name.trimmed()));
    } catch (const Error& e) {
        m_desk.tell(QString::fromStdString(e.what()));
    }
}

void PartTools::takeFrom(const std::string& reelId, const std::string& stem) {
    const Reel* other = m_document.session().reel(reelId);
    if (!other || !m_desk.ready()) return;
    bool done = false;
    m_desk.edit(say("Remix of ") + QString::fromStdString(other->name),
                [&](Rebuild& r) { done = copyRemix(*other->rebuild, stem, r); });
    if (!done)
        return m_desk.tell(
            say("%1 has no %2 in parts: choose another reel.").arg(QString::fromStdString(other->name), said(stem)));
    want(stem);
    m_desk.report(say("The levels of its parts are those of %1 now.").arg(QString::fromStdString(other->name)));
}

void foldGroup(RebuildDesk& desk, const std::string& group) {
    desk.edit(say("Fold group"), [&](Rebuild& r) {
        for (auto& g : r.groups)
            if (g.id == group) g.folded = !g.folded;
    });
}

}  // namespace rivlen

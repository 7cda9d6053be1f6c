#include "app/window/NextStep.h"

#include <algorithm>

#include "app/words/Say.h"

namespace rivlen {

namespace {

NextStep goTo(Studio& s, const char* to, const QString& text) {
    return {text, [&s, to] { s.document.setStage(to); }};
}

/// All of them at once, where a session of several reels has no stems at all yet: opened on another machine, say.
std::optional<NextStep> splitAll(Studio& s) {
    const size_t reels = s.document.session().reels.size();
    const size_t open = reels < 2 ? 0 : s.splitting.unsplit().size();
    if (open < 2 || open < reels) return std::nullopt;
    return NextStep{say("Split all %1 reels").arg(open), [&s] { s.splitting.splitAll(); }};
}

std::optional<NextStep> atIntake(Studio& s, Desks& desks, const Reel& reel) {
    if (!desks.treatment.found()) return std::nullopt;  // it is being looked through
    const auto all = proposed(s.reels.findings(reel), s.reels.content(reel));
    if (withProposals(reel.treatments, all) != reel.treatments)
        return NextStep{say("Take the treatments that are proposed"), [&desks] { desks.treatment.acceptAll(); }};
    if (auto all = splitAll(s)) return all;
    return goTo(s, stage::split, say("Take it apart: on to Split"));
}

std::optional<NextStep> atSplit(Studio& s, const Reel& reel, const ReelFacts& facts) {
    if (facts.splitting || !s.apart.busyWith().empty()) return std::nullopt;
    if (!facts.stems || !facts.stems->finished()) {
        if (facts.damaged() && !reel.tolerateDamage) return std::nullopt;  // a decision, not a habit
        if (auto all = splitAll(s)) return all;
        return NextStep{say("Split this reel"), [&s] { s.splitting.split(); }};
    }
    const bool missing = std::any_of(reel.parts.begin(), reel.parts.end(),
                                     [&](const std::string& stem) { return !facts.parts.count(stem); });
    if (missing) return NextStep{say("Take its stems apart"), [&s] { s.apart.begin(); }};
    return goTo(s, stage::weigh, say("How strong? On to Weigh"));
}

std::optional<NextStep> atWeigh(Studio& s, Desks& desks, const ReelFacts& facts) {
    if (desks.weigh.hidden()) return std::nullopt;                   // a blind comparison
    if (!facts.stems) return atSplit(s, *s.document.reel(), facts);  // without leaving
    const WeighDesk::Result* result = desks.weigh.result();
    if (!result || !result->curve) return std::nullopt;
    if (std::abs(desks.weigh.position() - double(result->curve->knee)) > 0.5)
        return NextStep{say("Take the suggested strength"), [&desks] { desks.weigh.useSuggestion(); }};
    return goTo(s, stage::rebuild, say("On to Rebuild"));
}

std::optional<NextStep> atDispatch(Studio& s, Desks& desks, const std::function<void()>& deliver) {
    if (desks.dispatch.busy()) return std::nullopt;
    const auto& all =
        s.document.session().deliverables.empty() ? usualDeliverables() : s.document.session().deliverables;
    const auto on = std::count_if(all.begin(), all.end(), [](const Deliverable& d) { return d.on; });
    if (on == 0 || desks.dispatch.standing() == DispatchDesk::Standing::Delivered) return std::nullopt;
    return NextStep{on == 1 ? say("Deliver the ticked file…") : say("Deliver the %1 ticked files…").arg(on), deliver};
}

}  // namespace

std::optional<NextStep> nextStep(Studio& s, Desks& desks, const std::function<void()>& deliver) {
    const Reel* reel = s.document.reel();
    const ReelFacts* facts = s.reels.current();
    if (!reel || !facts || facts->reading || !facts->info || facts->missing) return std::nullopt;
    const std::string& at = s.document.session().stage;
    if (at == stage::intake) return atIntake(s, desks, *reel);
    if (at == stage::split) return atSplit(s, *reel, *facts);
    if (at == stage::weigh) return atWeigh(s, desks, *facts);
    if (at == stage::rebuild && !facts->stems) return atSplit(s, *reel, *facts);
    if (at == stage::rebuild) return goTo(s, stage::dispatch, say("On to Dispatch"));
    return atDispatch(s, desks, deliver);
}

}  // namespace rivlen

#include "app/intake/TreatmentDesk.h"

#include <algorithm>
#include <cmath>

#include "app/words/Say.h"
#include "core/audio/PatchedSource.h"
#include "core/media/MediaReader.h"
#include "core/treatment/Treat.h"

namespace rivlen {

namespace {
constexpr double kStretch = 12, kLongest = 30;  // seconds that are treated at once, without and with a loop
}

struct TreatmentDesk::Facts {
    std::filesystem::path source;
    TreatmentFacts known;
    bool noise = false, voice = false;  ///< what of it has been learned
};

TreatmentDesk::TreatmentDesk(Document& document, Reels& reels, Hearing& hearing, Work& work, QObject* parent)
    : QObject(parent),
      m_document(document),
      m_reels(reels),
      m_hearing(hearing),
      m_facts(std::make_shared<Facts>()),
      m_own(work, this) {
    m_wait.setSingleShot(true);
    m_wait.setInterval(120);
    connect(&m_wait, &QTimer::timeout, this, &TreatmentDesk::start);
    connect(&document, &Document::changed, this, &TreatmentDesk::follow);
    connect(&reels, &Reels::read, this, [this] {
        emit changed();
        const Reel* reel = m_document.reel();  // a chain that was set up before diagnosis had ended
        if (reel && m_reel == reel->id && m_reels.current()->diagnosis && !preview() &&
            m_reels.treatmentPending(*reel) && m_own.idle())
            m_wait.start();
    });
    connect(&reels, &Reels::stemsChanged, this, &TreatmentDesk::changed);
}

std::optional<std::vector<Finding>> TreatmentDesk::found() const {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    if (!reel || !state->diagnosis) return {};
    std::vector<Finding> all;
    const bool music = m_reels.content(*reel) == Content::Music;
    for (const Finding& f : state->diagnosis->findings)
        if (!(music && entryOf(f.kind).forVoice)) all.push_back(f);
    return all;
}

int TreatmentDesk::chosenFault() const {
    const auto all = found().value_or(std::vector<Finding>{});
    for (size_t i = 0; i < all.size(); ++i)
        if (findingKey(all[i]) == m_fault) return int(i);
    return -1;
}

void TreatmentDesk::chooseFault(int fault) {
    const auto all = found().value_or(std::vector<Finding>{});
    const std::string key = fault >= 0 && fault < int(all.size()) ? findingKey(all[size_t(fault)]) : "";
    if (key == m_fault) return;
    m_fault = key;
    emit changed();
}

void TreatmentDesk::hearFault(int fault) {
    chooseFault(fault);
    if (chosenFault() < 0) return;
    const Finding f = (*found())[size_t(chosenFault())];
    const double end = m_reels.current()->info->duration(),
                 middle = f.from + 2 > f.to ? (f.from + f.to) / 2 : f.from + 1;
    m_hearing.hear(Heard::Source);
    m_hearing.audition(std::max(0.0, std::min(f.from, middle - 1)),
                       std::min({end, std::max(f.to, middle + 1), f.from + 10}));
}

void TreatmentDesk::stepFault(int direction) {
    const auto all = found().value_or(std::vector<Finding>{});
    std::vector<int> order;
    for (size_t i = 0; i < all.size(); ++i)
        if (verdict(all[i]) != Verdict::Dismissed) order.push_back(int(i));
    if (order.empty()) return;
    std::stable_sort(order.begin(), order.end(),
                     [&](int a, int b) { return all[size_t(a)].from < all[size_t(b)].from; });
    const auto at = std::find(order.begin(), order.end(), chosenFault());
    const int count = int(order.size());
    const int next =
        at == order.end() ? (direction > 0 ? 0 : count - 1) : (int(at - order.begin()) + direction + count) % count;
    hearFault(order[size_t(next)]);
}

TreatmentDesk::Verdict TreatmentDesk::verdict(const Finding& finding) const {
    const Reel* reel = m_document.reel();
    if (!reel) return Verdict::Open;
    if (reel->isDismissed(finding)) return Verdict::Dismissed;
    const auto& chain = reel->treatments;
    const bool treated = std::any_of(chain.begin(), chain.end(), [&](const Treatment& t) {
        return t.on && t.id == entryOf(finding.kind).treatment;
    });
    return treated ? Verdict::Accepted : Verdict::Open;
}

void TreatmentDesk::accept(const Finding& finding) {
    const auto one = proposed({finding});
    if (one.empty() || !m_document.reel()) return;
    m_document.editReel(say("Accept a finding"), [&](Reel& r) {
        std::erase(r.dismissed, findingKey(finding));
        r.treatments = withProposals(r.treatments, one);
    });
}

void TreatmentDesk::acceptAll() {
    const Reel* reel = m_document.reel();
    if (!reel) return;
    const auto all = proposed(m_reels.findings(*reel), m_reels.content(*reel));
    editChain(say("Accept all findings"), [&](std::vector<Treatment>& chain) { chain = withProposals(chain, all); });
}

void TreatmentDesk::dismiss(const Finding& finding, bool dismissed) {
    m_document.editReel(dismissed ? say("Dismiss a finding") : say("Take a finding back"), [&](Reel& r) {
        std::erase(r.dismissed, findingKey(finding));
        if (dismissed) r.dismissed.push_back(findingKey(finding));
    });
}

void TreatmentDesk::sayContent(const std::string& content) {
    m_document.editReel(say("Say what it holds"), [&](Reel& r) { r.content = content; });
}

const std::vector<Treatment>& TreatmentDesk::chain() const {
    static const std::vector<Treatment> none;
    return m_document.reel() ? m_document.reel()->treatments : none;
}

void TreatmentDesk::editChain(const QString& name, const std::function<void(std::vector<Treatment>&)>& change,
                              const std::string& gesture) {
    m_document.editReel(
        name, [&](Reel& r) { change(r.treatments); }, gesture);
}

void TreatmentDesk::add(const std::string& id) {
    const TreatmentEntry& t = findTreatment(id);
    editChain(say("Add %1").arg(t.name), [&](auto& chain) {
        chain = withProposals(chain, {{t.id, true, t.usual, kRecordingPlace}});
    });
}

void TreatmentDesk::remove(size_t place) {
    if (place < chain().size())
        editChain(say("Remove a treatment"), [&](auto& chain) { chain.erase(chain.begin() + long(place)); });
}

void TreatmentDesk::move(size_t place, int by) {
    const long to = long(place) + by;
    if (place < chain().size() && to >= 0 && to < long(chain().size()))
        editChain(say("Move a treatment"), [&](auto& chain) { std::swap(chain[place], chain[size_t(to)]); });
}

void TreatmentDesk::putInOrder() {
    editChain(say("Put treatments in order"), [](auto& chain) {
        std::stable_sort(chain.begin(), chain.end(), [](const Treatment& a, const Treatment& b) {
            return sensiblePlace(a.id) < sensiblePlace(b.id);
        });
    });
}

void TreatmentDesk::setOn(size_t place, bool on) {
    if (place < chain().size())
        editChain(on ? say("Switch a treatment on") : say("Switch a treatment off"),
                  [&](auto& chain) { chain[place].on = on; });
}

void TreatmentDesk::setAmount(size_t place, double amount, bool dragging) {
    if (place < chain().size())
        editChain(
            say("Set an amount"), [&](auto& chain) { chain[place].amount = amount; },
            dragging ? "amount" + std::to_string(place) : "");
}

void TreatmentDesk::setWhere(size_t place, const std::string& where) {
    if (place < chain().size() && chain()[place].place != where)
        editChain(say("Move a treatment"), [&](auto& chain) { chain[place].place = where; });
}

const TreatmentDesk::Preview* TreatmentDesk::preview() const {
    const Reel* reel = m_document.reel();
    return reel && m_preview && m_preview->reel == reel->id && m_preview->chain == reel->recordingTreatments()
               ? &*m_preview
               : nullptr;
}

std::optional<TreatmentDesk::Effect> TreatmentDesk::effect(size_t place) const {
    const ReelFacts* state = m_reels.current();
    if (!state || place >= chain().size() || !chain()[place].on) return {};
    const Treatment& t = chain()[place];
    const auto of = [&](const std::vector<TreatmentChain::Effect>& effects, size_t index,
                        bool whole) -> std::optional<Effect> {
        if (index >= effects.size() || effects[index].id != t.id) return {};
        return Effect{effects[index].removedDb, whole};
    };
    size_t index = 0;
    if (t.place == kRecordingPlace) {
        for (size_t i = 0; i < place; ++i) index += chain()[i].on && chain()[i].place == kRecordingPlace;
        if (state->treated && !m_reels.treatmentPending(*m_document.reel()))
            if (const auto e = of(state->treated->effects, index, true)) return e;
        return preview() ? of(preview()->stretch.effects, index, false) : std::nullopt;
    }
    if (!state->treatedStems) return {};
    for (const auto& stem : kStemNames)  // stem after stem, as TreatedStems has them
        for (size_t i = 0; i < chain().size(); ++i) {
            if (!chain()[i].on || chain()[i].place != stem) continue;
            if (i == place) return of(state->treatedStems->effects, index, true);
            ++index;
        }
    return {};
}

std::pair<double, double> TreatmentDesk::span() const {
    const double end = m_reels.current()->info->duration();
    if (const auto loop = m_hearing.loop()) return {loop->first, std::min(loop->second, loop->first + kLongest)};
    const Player& p = m_hearing.player();
    const double from =
        std::clamp(double(p.position()) / p.sampleRate() - kStretch / 4, 0.0, std::max(0.0, end - kStretch));
    return {from, std::min(end, from + kStretch)};
}

void TreatmentDesk::follow() {
    emit changed();
    const Reel* reel = m_document.reel();
    if (!reel || m_document.session().stage != stage::intake) return;
    const auto chain = reel->recordingTreatments();
    if (m_reel == reel->id && m_chain == chain) return;
    m_reel = reel->id;
    m_chain = chain;
    m_removed.reset();
    if (m_reels.treatmentPending(*reel)) m_wait.start();
}

void TreatmentDesk::start() {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    if (!reel || !state->info || !m_hearing.player().isOpen() || !state->diagnosis) return;
    m_own.begin();
    const auto chain = reel->recordingTreatments();
    if (chain.empty()) return;
    const auto stretch = span();
    m_own.submit(
        say("Treating a stretch"),
        [this, facts = m_facts, id = reel->id, source = reel->source, chain, stretch,
         findings = m_reels.findings(*reel)](Progress& progress, const Work::Post& post) {
            MediaReader reader(source);
            const auto needs = [&](std::initializer_list<const char*> ids) {
                return std::any_of(chain.begin(), chain.end(), [&](const Treatment& t) {
                    return std::find(ids.begin(), ids.end(), t.id) != ids.end();
                });
            };
            const bool noise = needs({"de-hiss"}), voice = needs({"de-plosive", "de-wind"});
            if (facts->source != source) *facts = {source, {}, false, false};
            if ((noise && !facts->noise) || (voice && !facts->voice) || facts->known.channels == 0) {
                facts->known = factsFor(reader, chain, findings, progress);
                facts->noise = noise, facts->voice = voice;
            }
            TreatmentFacts all = facts->known;
            all.findings = findings;
            const auto first = int64_t(stretch.first * reader.sampleRate()),
                       count = int64_t((stretch.second - stretch.first) * reader.sampleRate());
            Preview p{id, chain, stretch, previewTreatments(reader, chain, all, first, count, progress), nullptr};
            p.treated = std::make_shared<const AudioBuffer>(std::move(p.stretch.treated));
            post([this, p = std::move(p)] {
                m_preview = p;
                play();
                emit changed();
            });
        },
        [this](const JobQueue::Outcome&) { emit changed(); });
    emit changed();
}

void TreatmentDesk::play() {
    const Preview* p = preview();
    const Reel* reel = m_document.reel();
    if (!p) return;
    const auto source = m_reels.treatmentPending(*reel) ? reel->source : m_reels.heardFile(*reel);
    const auto& player = m_hearing.player();
    const auto patched = [first = p->stretch.first, rate = player.sampleRate(), frames = player.frames()](
                             std::optional<std::filesystem::path> file, std::shared_ptr<const AudioBuffer> patch) {
        return [=]() -> std::unique_ptr<SampleSource> {
            return std::make_unique<PatchedSource>(file ? std::make_unique<MediaReader>(*file) : nullptr, patch, first,
                                                   rate, frames);
        };
    };
    Player::OpenSource removed;
    if (m_removed && *m_removed >= 0) {
        size_t index = 0;
        for (int i = 0; i < *m_removed; ++i)
            index += chain()[size_t(i)].on && chain()[size_t(i)].place == kRecordingPlace;
        if (index < p->stretch.removed.size())
            removed = patched({}, std::make_shared<const AudioBuffer>(p->stretch.removed[index]));
    }
    m_hearing.tryVersions(
        patched(source, p->treated), [file = reel->source] { return std::make_unique<MediaReader>(file); }, removed);
    if (!m_removed) return;
    m_hearing.hear(Heard::Removed);
    if (m_hearing.loop() != p->span) m_hearing.audition(p->span.first, p->span.second);
}

void TreatmentDesk::hearRemoved(int place) {
    const Reel* reel = m_document.reel();
    if (!reel || !m_hearing.player().isOpen()) return;
    m_removed = place;
    if (place >= 0 && size_t(place) < chain().size() &&
        chain()[size_t(place)].place != kRecordingPlace) {  // of the stem: what all took away is at hand
        m_hearing.hear(Heard::Removed);
        return;
    }
    if (const Preview* p = preview(); p && p->span == span()) play();
    else start();
}

}  // namespace rivlen

#include "app/reels/Splitting.h"

#include <algorithm>
#include <chrono>

#include "app/words/Say.h"
#include "core/base/Error.h"
#include "core/media/MediaReader.h"
#include "core/separation/Engine.h"
#include "core/separation/Scene.h"

namespace rivlen {

struct Splitting::Loaded {
    std::shared_ptr<Network> network;
};

bool fitsTheWindow(const NetworkCard& card) {
    return std::all_of(card.shown.begin(), card.shown.end(), [](const std::string& stem) {
        return std::find(kStemNames.begin(), kStemNames.end(), stem) != kStemNames.end();
    });
}

Splitting::Splitting(Document& document, Reels& reels, Treating& treating, Work& work, QObject* parent)
    : QObject(parent),
      m_document(document),
      m_reels(reels),
      m_treating(treating),
      m_work(work),
      m_loaded(std::make_shared<Loaded>()) {
    connect(&document, &Document::travelled, this, &Splitting::reopen);
    connect(&document, &Document::voided, this, [this] {
        m_jobs.clear();
        m_afterTreating.clear();
    });
    connect(&reels, &Reels::read, this, [this] { m_unsplit.reset(); });
    connect(&reels, &Reels::stemsReplaced, this, [this] { m_unsplit.reset(); });
    connect(&reels, &Reels::diagnosed, this, [this](const std::string& id) {
        if (m_afterTreating.count(id)) m_treating.treat(id);  // it waited for what is wrong with it
    });
    connect(&treating, &Treating::chainChanged, this, [this](const std::string& id) {
        if (m_reels.of(id).splitting) m_work.cancel(Work::Queue::Long, m_jobs[id]);  // of what the chain made before
        attach(id);
    });
    connect(&treating, &Treating::treated, this, [this](const std::string& id) {
        attach(id);
        if (m_afterTreating.erase(id)) split(id);
    });
}

std::filesystem::path Splitting::storeFolder(const Reel& reel) const {
    return StemStore::folderFor(m_reels.splitFile(reel), networkFor(reel.network, reel.quality, reel.scene).sum(),
                                reel.quality);
}

std::shared_ptr<StemStore> Splitting::finishedStems(const Reel& reel) {
    ReelFacts& facts = m_reels.write(reel.id);
    facts.treatedStems.reset();
    if (m_reels.treatmentPending(reel)) return nullptr;
    try {
        auto stems = StemStore::openFinished(storeFolder(reel), reel.tolerateDamage);
        if (stems && reel.treatsStems()) facts.treatedStems = TreatedStems::find(*stems, reel.treatments);
        return facts.treatedStems ? facts.treatedStems->stems : stems;
    } catch (const Error& e) {
        m_work.warn(QString::fromStdString(e.what()));
        return nullptr;
    }
}

void Splitting::attach(const std::string& id) {
    const Reel* r = m_document.session().reel(id);
    if (!r) return;
    ReelFacts& facts = m_reels.write(id);
    if (!facts.splitting) facts.stems = finishedStems(*r);
    if (const auto chain = r->recordingTreatments(); !m_reels.treatmentPending(*r)) {
        facts.treated = chain.empty() ? std::nullopt : TreatedFile::find(r->source, chain);
        facts.treatedLevels = facts.treated ? facts.treated->levels() : nullptr;
    }
    m_reels.tellStemsReplaced(id);
}

void Splitting::reopen() {
    if (m_document.reel()) attach(m_document.reel()->id);
}

void Splitting::touched() {
    if (m_document.reel()) m_reels.tellStemsReplaced(m_document.reel()->id);
}

void Splitting::split() {
    if (m_document.reel()) split(m_document.reel()->id);
}

bool Splitting::isSplit(const Reel& reel) const {
    const ReelFacts& facts = m_reels.of(reel.id);
    if (facts.splitting || m_afterTreating.count(reel.id) || (facts.stems && facts.stems->finished())) return true;
    if (m_reels.treatmentPending(reel)) return false;
    return StemStore::openFinished(storeFolder(reel), reel.tolerateDamage) != nullptr;
}

const std::vector<std::string>& Splitting::unsplit() {
    if (m_unsplit) return *m_unsplit;
    auto& ids = m_unsplit.emplace();
    for (const Reel& r : m_document.session().reels) try {
            const ReelFacts& facts = m_reels.of(r.id);
            const bool there = facts.info && !facts.missing && !(facts.damaged() && !r.tolerateDamage);
            if (there && !isSplit(r)) ids.push_back(r.id);
        } catch (const Error&) {  // its network is gone: the split says so
        }
    return ids;
}

void Splitting::splitAll() {
    for (const std::string& id : std::vector<std::string>(unsplit())) split(id);
}

void Splitting::split(const std::string& id) {
    const Reel* r = m_document.session().reel(id);
    if (!r) return;
    ReelFacts& facts = m_reels.write(r->id);
    if (facts.splitting || !facts.info) return;
    if (m_reels.treatmentPending(*r)) {
        m_afterTreating.insert(r->id);
        return m_treating.treat(r->id);
    }
    if (facts.damaged() && !r->tolerateDamage)
        return m_work.warn(say("\"%1\" is damaged, see the faults at Intake: copy it again, or choose Go on at Split.")
                               .arg(QString::fromStdString(r->name)));
    NetworkCard card;
    std::filesystem::path folder;
    try {
        card = networkFor(r->network, r->quality, r->scene);
        folder = storeFolder(*r);
        facts.stems.reset();
        m_reels.tellStemsReplaced(r->id);  // nobody reads what is written anew
        facts.stems = StemStore::create(folder, {kStemNames, facts.info->sampleRate, facts.info->channels,
                                                 facts.info->frames, separatesRoom(card)});
    } catch (const Error& e) {
        m_work.warn(QString::fromStdString(e.what()));
        return attach(r->id);
    }
    facts.splitting = true;
    facts.treatedStems.reset();
    facts.speed = 0;
    const auto factor = std::make_shared<double>(0.0);
    m_jobs[r->id] = m_work.submit(
        Work::Queue::Long, say("Splitting ") + QString::fromStdString(r->name),
        [this, factor, loaded = m_loaded, source = m_reels.splitFile(*r), store = facts.stems, card,
         fine = r->quality != "quick", tolerate = r->tolerateDamage](Progress& progress, const Work::Post& post) {
            if (!loaded->network || loaded->network->card().sum() != card.sum()) loaded->network = loadNetwork(card);
            const auto start = std::chrono::steady_clock::now();
            MediaReader reader(source);
            if (!tolerate) reader.refuseDamage();
            EngineOptions options;
            options.quality = fine ? EngineOptions::Quality::Fine : EngineOptions::Quality::Quick;
            const bool room = store->shape().room;
            options.stems = room ? withRoom(card, kStemNames) : kStemNames;
            separate(
                reader, loaded->network, options,
                [&](int64_t, const AudioBuffer& block, const std::vector<AudioBuffer>& stems) {
                    store->append(gathered(block, stems, room));
                    post([this] { m_reels.tellStemsGrown(); });
                },
                progress);
            store->finish(reader.faults());
            *factor = double(reader.frames()) / reader.sampleRate() /
                      std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
        },
        [this, factor, id = r->id, name = r->name](const JobQueue::Outcome& o) {
            ReelFacts& facts = m_reels.write(id);
            facts.splitting = false;
            facts.speed = *factor;
            if (!o.done) facts.stems.reset();
            attach(id);
            if (!o.done) return;
            m_work.report(say("Split %1 into its stems.").arg(QString::fromStdString(name)));
            emit done(id);
        },
        [folder](const JobQueue::Outcome& o) {
            std::error_code ignored;
            if (!o.done) std::filesystem::remove_all(folder, ignored);
        });
    m_reels.tellStemsReplaced(r->id);
}

void Splitting::cancel() {
    if (m_document.reel()) m_work.cancel(Work::Queue::Long, m_jobs[m_document.reel()->id]);
}

}  // namespace rivlen

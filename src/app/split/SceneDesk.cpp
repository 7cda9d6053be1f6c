#include "app/split/SceneDesk.h"

#include "app/words/Say.h"
#include "core/base/Resources.h"
#include "core/learning/LearnProcess.h"
#include "core/separation/NetworkLibrary.h"
#include "core/session/ReelScenes.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

QString inWords(const std::map<std::string, double>& gains) { return said(gainsInWords(gains)); }

}  // namespace

SceneDesk::SceneDesk(Document& document, Reels& reels, SessionFile& file, Splitting& splitting, MarkDesk& marks,
                     Work& work, QObject* parent)
    : QObject(parent),
      m_document(document),
      m_reels(reels),
      m_file(file),
      m_splitting(splitting),
      m_marks(marks),
      m_work(work),
      m_own(work, this, OwnWork::Shown::InWorkLine) {
    connect(&document, &Document::changed, this, &SceneDesk::changed);
    connect(&marks, &MarkDesk::changed, this, &SceneDesk::changed);
    connect(&reels, &Reels::read, this, &SceneDesk::changed);
}

std::vector<MarkedSpan> SceneDesk::spans(std::vector<SceneSpan>& origins) const {
    std::vector<MarkedSpan> all;
    const Reel* present = m_document.reel();
    if (!present) return all;
    const auto add = [&](const Reel& reel, const std::vector<Mark>& marks) {
        for (const Mark& m : marks) {
            all.push_back({m_reels.splitFile(reel), m.stem, m.from, m.to});
            origins.push_back({reel.source.filename().string(), m.stem, m.from, m.to});
        }
    };
    add(*present, present->marks);
    for (const Reel& other : m_document.session().reels)
        if (other.id != present->id && !present->group.empty() && other.group == present->group)
            add(other, other.marks);
    if (all.empty()) add(*present, m_marks.proposals());
    return all;
}

QString SceneDesk::hindrance() const {
    const Reel* reel = m_document.reel();
    const ReelFacts* facts = m_reels.current();
    if (!reel || !facts || !facts->info || facts->missing) return say("Add a recording at Intake first.");
    std::vector<SceneSpan> origins;
    double seconds = 0;
    for (const MarkedSpan& s : spans(origins)) seconds += s.to - s.from;
    if (seconds == 0) return say("Mark a span first, or split the reel: then Rivlen proposes some.");
    if (seconds < kShortestScene) return say("Mark a second at least: five are better.");
    return {};
}

bool SceneDesk::fromProposals() const {
    const Reel* present = m_document.reel();
    if (!present || m_marks.proposals().empty()) return false;
    for (const Reel& r : m_document.session().reels)
        if ((r.id == present->id || (!present->group.empty() && r.group == present->group)) && !r.marks.empty())
            return false;
    return true;
}

void SceneDesk::learn() {
    if (learning()) {
        m_own.cancel(m_job);
        return;
    }
    if (const QString why = hindrance(); !why.isEmpty()) return m_work.warn(why);
    const Reel reel = *m_document.reel();
    std::vector<SceneSpan> origins;
    const auto marked = spans(origins);
    NetworkCard card;
    try {
        card = findNetwork(reel.network);
    } catch (const Error& e) {
        return m_work.warn(QString::fromStdString(e.what()));
    }
    m_said.erase(reel.id);
    m_job = m_own.submit(
        say("Learning the scene of ") + QString::fromStdString(reel.name),
        [this, reel, marked, origins, card, how = settings](Progress& progress, const Work::Post& post) {
            const SceneOutcome outcome = learnApart(card, sceneSounds(marked, card.sampleRate), progress, how);
            Scene scene = sceneOf(reel.name, card, marked, outcome);
            scene.spans = origins;  // as the user knows them: a treated recording lies in the cache
            post([this, id = reel.id, scene = std::move(scene), outcome] { take(id, scene, outcome); });
        },
        [this](const JobQueue::Outcome&) {
            m_job = -1;
            emit changed();
        });
    emit changed();
}

double SceneDesk::fraction() const {
    const auto all = m_own.status();
    return all.empty() ? 0 : all.front().fraction;
}

fs::path SceneDesk::newFile(const Reel& reel) const {
    const fs::path folder =
        m_file.path().isEmpty() ? dataFolder() / "scenes" : fs::path(m_file.path().toStdString()).parent_path();
    std::string name;
    for (const char c : reel.name) name += std::strchr("/\\:*?\"<>|\n\t", c) ? '-' : c;
    fs::path file = folder / (name + kSceneSuffix);
    for (int number = 2; fs::exists(file); ++number)
        file = folder / (name + " " + std::to_string(number) + kSceneSuffix);
    return file;
}

void SceneDesk::take(const std::string& id, const Scene& scene, const SceneOutcome& outcome) {
    const Reel* reel = m_document.session().reel(id);
    if (!reel) return;
    if (!outcome.kept) {
        m_said[id] = say("Nothing was kept: ") + rivlen::said(outcome.reason) + ".";
        return;
    }
    try {
        const fs::path file = newFile(*reel);
        scene.save(file);
        m_document.editReels(say("Learn this scene"), {id},
                             [&](Reel& r) { r.network = scene.network, r.scene = file; });
        m_said[id] =
            say("Learned: %1 on the part that was held back. Split again to use it.").arg(inWords(outcome.gainDb));
        m_splitting.reopen();
    } catch (const Error& e) {
        m_work.warn(QString::fromStdString(e.what()));
    }
}

QString SceneDesk::said() const {
    const Reel* reel = m_document.reel();
    if (!reel) return {};
    if (const auto known = m_said.find(reel->id); known != m_said.end()) return known->second;
    if (reel->scene.empty()) return {};
    try {
        const Scene scene = Scene::load(reel->scene);
        return say("Uses what was learned from \"%1\": %2.")
            .arg(QString::fromStdString(scene.name), inWords(scene.gainDb));
    } catch (const Error& e) {
        return QString::fromStdString(e.what());
    }
}

std::vector<fs::path> SceneDesk::scenes() const { return scenesOf(m_document.session()); }

void SceneDesk::use(const fs::path& scene) {
    const Reel* reel = m_document.reel();
    if (!reel || reel->scene == scene) return;
    m_said.erase(reel->id);
    m_document.editReel(scene.empty() ? say("Go on without the scene") : say("Use a scene"),
                        [&](Reel& r) { r.scene = scene; });
    m_splitting.reopen();
}

int SceneDesk::othersInGroup() const {
    const Reel* present = m_document.reel();
    if (!present || present->scene.empty() || present->group.empty()) return 0;
    int others = 0;
    for (const Reel& r : m_document.session().reels)
        others += r.id != present->id && r.group == present->group && r.scene != present->scene;
    return others;
}

void SceneDesk::useInGroup() {
    const Reel* present = m_document.reel();
    if (othersInGroup() == 0) return;
    const Reel of = *present;
    std::vector<std::string> ids;
    for (const Reel& r : m_document.session().reels)
        if (r.group == of.group) ids.push_back(r.id);
    m_document.editReels(say("Use the scene in the group"), ids,
                         [&](Reel& r) { r.network = of.network, r.scene = of.scene; });
    m_splitting.reopen();
}

}  // namespace rivlen

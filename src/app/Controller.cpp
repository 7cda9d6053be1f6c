#include "app/Controller.h"

#include <QFile>
#include <QFileInfo>
#include <cmath>

#include "core/media/MediaReader.h"
#include "core/separation/NetworkLibrary.h"

namespace rivlen {

Controller::Controller(std::unique_ptr<Device> device, QObject* parent) : QObject(parent), m_player(std::move(device)) {
    m_autosave.setSingleShot(true);
    m_autosave.setInterval(2000);
    connect(&m_autosave, &QTimer::timeout, this, &Controller::autosave);
    m_loudness.setSingleShot(true);
    m_loudness.setInterval(250);
    connect(&m_loudness, &QTimer::timeout, this, &Controller::measureLoudness);
    m_repair.setSingleShot(true);
    m_repair.setInterval(
        1500);  // while an amount is being looked for, its loop is treated at once; the whole reel follows
    connect(&m_repair, &QTimer::timeout, this, [this] {
        if (reel()) repair(reel()->id);
    });
}

Controller::~Controller() {
    m_player.close();
    m_jobs.cancelAll();
    m_quick.cancelAll();
    m_looking.cancelAll();
}

void Controller::later(int sessionNumber, std::function<void()> f) {
    QMetaObject::invokeMethod(
        this,
        [this, sessionNumber, f = std::move(f)] {
            if (sessionNumber == m_sessionNumber) f();
        },
        Qt::QueuedConnection);
}

void Controller::changed() {
    if (m_history.modified()) m_autosave.start();
    emit sessionChanged();
}

void Controller::newSession() {
    ++m_sessionNumber;
    m_player.close();
    m_jobs.cancelAll();
    m_quick.cancelAll();
    m_looking.cancelAll();
    m_opened.clear();
    m_states.clear();
    m_file.clear();
    m_history.reset({});
    QFile::remove(recoveryFile());
    emit sessionChanged();
    emit reelOpened();
}

bool Controller::openSession(const QString& file) {
    Session session;
    try {
        session = loadSession(toPath(file));
    } catch (const Error& e) {
        emit notice(QString::fromStdString(e.what()));
        return false;
    }
    newSession();
    m_file = QFileInfo(file).absoluteFilePath();
    m_history.reset(std::move(session));
    remember(m_file);
    emit sessionChanged();
    for (const Reel& r : this->session().reels) readReel(r);
    openCurrent();
    return true;
}

bool Controller::saveSession(const QString& file) {
    try {
        m_history.remember([&](Session& s) {
            if (s.name == "Untitled") s.name = QFileInfo(file).completeBaseName().toStdString();
        });
        rivlen::saveSession(session(), toPath(file));
    } catch (const Error& e) {
        emit notice(QString::fromStdString(e.what()));
        return false;
    }
    m_file = QFileInfo(file).absoluteFilePath();
    m_history.markSaved();
    QFile::remove(recoveryFile());
    remember(m_file);
    emit sessionChanged();
    emit done("Saved as " + QFileInfo(file).fileName() + ".");
    return true;
}

void Controller::removeReels(const std::vector<std::string>& ids) {
    m_history.edit(ids.size() == 1 ? "Remove reel" : "Remove reels", [&](Session& s) {
        std::erase_if(s.reels, [&](const Reel& r) { return std::find(ids.begin(), ids.end(), r.id) != ids.end(); });
        if (!s.reel(s.current)) s.current = s.reels.empty() ? "" : s.reels.front().id;
    });
    changed();
    openCurrent();
}

void Controller::selectReel(const std::string& id) {
    if (session().current == id) return;
    m_history.remember([&](Session& s) { s.current = id; });
    emit sessionChanged();
    openCurrent();
}

void Controller::relink(const std::string& id, const QString& file) {
    replaceSource(id, file, [](Reel&) {});
}

void Controller::replaceSource(const std::string& id, const QString& file, const std::function<void(Reel&)>& change) {
    try {
        const MediaReader probe(toPath(file));
    } catch (const Error& e) {
        emit notice(QString::fromStdString(e.what()));
        return;
    }
    m_history.edit("Relink reel", [&](Session& s) {
        if (Reel* r = s.reel(id)) {
            r->source = toPath(QFileInfo(file).absoluteFilePath());
            change(*r);
        }
    });
    m_states[id] = {};
    m_opened.clear();
    changed();
    if (const Reel* r = session().reel(id)) readReel(*r);
    openCurrent();
}

void Controller::setStage(const std::string& stage) {
    m_history.remember([&](Session& s) { s.stage = stage; });
    emit sessionChanged();
}

void Controller::editReel(const QString& name, const std::function<void(Reel&)>& change, const std::string& gesture) {
    std::optional<std::pair<double, double>> before;
    if (reel()) before = reel()->loop;
    m_history.edit(
        name.toStdString(),
        [&](Session& s) {
            if (Reel* r = s.reel(s.current)) change(*r);
        },
        gesture);
    endTrial();
    if (const Reel* r = reel()) {
        m_player.setStrength(r->course());
        if (r->loop != before) m_audition.reset();
        followLoop();
        matchLevels(r->course());
    }
    followTreatments();
    m_loudness.start();
    changed();
}

void Controller::rememberReel(const std::function<void(Reel&)>& change) {
    m_history.remember([&](Session& s) {
        if (Reel* r = s.reel(s.current)) change(*r);
    });
    emit sessionChanged();
}

void Controller::editReels(const QString& name, const std::vector<std::string>& ids,
                           const std::function<void(Reel&)>& change) {
    m_history.edit(name.toStdString(), [&](Session& s) {
        for (const auto& id : ids)
            if (Reel* r = s.reel(id)) change(*r);
    });
    editReel("", [](Reel&) {});
}

void Controller::editDeliverables(const QString& name, const std::function<void(std::vector<Deliverable>&)>& change,
                                  const std::string& gesture) {
    m_history.edit(
        name.toStdString(),
        [&](Session& s) {
            if (s.deliverables.empty()) s.deliverables = usualDeliverables();
            change(s.deliverables);
        },
        gesture);
    changed();
}

void Controller::strengthToReels(const std::vector<std::string>& ids, const IsolationSettings& settings) {
    int count = 0;
    m_history.edit("Give strength to reels", [&](Session& s) {
        for (const auto& id : ids)
            if (Reel* r = s.reel(id)) {
                r->stem = settings.stem;
                r->region = -1;
                r->course().base = settings;
                ++count;
            }
    });
    editReel("", [](Reel&) {});
    emit done(QString("%1 now %2 this strength.")
                  .arg(count == 1 ? QString("One reel") : QString("%1 reels").arg(count), count == 1 ? "has" : "have"));
}

StrengthCourse courseWith(const Reel& reel, const IsolationSettings& settings) {
    Reel other = reel;
    other.setIsolation(settings);
    return other.course();
}

void Controller::followLoop() {
    const auto at = [this](double seconds) { return std::llround(seconds * m_player.sampleRate()); };
    const auto now = loop();
    m_player.setLoop(now ? std::optional(std::pair<int64_t, int64_t>(at(now->first), at(now->second))) : std::nullopt);
}

void Controller::audition(double from, double to) {
    if (!m_player.isOpen()) return;
    m_audition = std::pair(from, to);
    followLoop();
    m_player.locate(std::llround(from * m_player.sampleRate()));
    m_player.play();
    emit heardChanged();
}

void Controller::removeLoop() {
    m_audition.reset();
    if (reel() && reel()->loop) editReel("Remove loop", [](Reel& r) { r.loop.reset(); });
    followLoop();
    emit heardChanged();
}

void Controller::tryIsolation(const IsolationSettings& settings) {
    if (!reel()) return;
    const StrengthCourse course = courseWith(*reel(), settings);
    m_player.setStrength(course);
    matchLevels(course);
}

void Controller::tryStems(std::shared_ptr<StemStore> stems, const StrengthCourse& course, float resultGain) {
    m_trying = true;
    m_player.setStems(std::move(stems));
    m_player.setStrength(course);
    if (m_levelMatch) m_player.setMatchGain(Heard::Result, resultGain);
    emit heardChanged();
}

void Controller::endTrial() {
    if (!m_trying) return;
    m_trying = false;
    if (const ReelState* state = currentState()) m_player.setStems(state->stems);
    if (reel()) {
        m_player.setStrength(reel()->course());
        matchLevels(reel()->course());
    }
    emit heardChanged();
}

void Controller::setBlind(bool on) {
    m_blind = on;
    if (!on && reel()) tryIsolation(reel()->isolation());
    emit sessionChanged();
}

void Controller::undo() {
    m_history.undo();
    afterHistory();
}

void Controller::redo() {
    m_history.redo();
    afterHistory();
}

void Controller::afterHistory() {
    editReel("", [](Reel&) {});
    openCurrent();
    reopenStems();
}

void Controller::readReel(const Reel& reel) {
    ReelState& state = m_states[reel.id];
    state.missing = !QFileInfo::exists(QString::fromStdString(reel.source.string()));
    if (state.missing || state.reading || state.inspection) {
        emit reelOpened();
        return;
    }
    state.reading = true;
    state.levels = std::make_shared<LevelTrack>(1);
    const int number = m_sessionNumber;
    m_quick.submit(
        "Reading " + reel.name,
        [this, number, id = reel.id, source = reel.source, levels = state.levels](Progress& progress) {
            MediaReader reader(source);
            later(number, [this, id, info = reader.info()] {
                m_states[id].info = info;
                if (id == session().current) m_loudness.start();  // its rate is known only now
                emit reelOpened();
            });
            ObservedSource observed(reader, *levels);
            const Inspection found = inspect(observed, progress);
            levels->finish();
            later(number, [this, id, found] { m_states[id].inspection = found; });
        },
        [this, number, id = reel.id](const JobQueue::Outcome& o) {
            later(number, [this, id, o] {
                m_states[id].reading = false;
                if (!o.done && !o.cancelled) emit notice(QString::fromStdString(o.error));
                if (const Reel* r = o.done ? session().reel(id) : nullptr) diagnoseReel(*r);
                emit reelOpened();
            });
        });
}

void Controller::openCurrent() {
    const Reel* r = reel();
    if (!r || m_states[r->id].missing) {
        m_player.close();
        m_opened.clear();
        emit reelOpened();
        return;
    }
    if (m_opened == r->id) return;
    m_audition.reset();
    try {
        m_player.open([source = r->source] { return std::make_unique<MediaReader>(source); });
        m_opened = r->id;
        m_played = r->source;
    } catch (const Error& e) {
        m_opened.clear();
        emit notice(QString::fromStdString(e.what()));
        emit reelOpened();
        return;
    }
    m_states[r->id].followed = r->treatments;
    attachStems(r->id);
    if (repairPending(*r)) m_repair.start();
    editReel("", [](Reel&) {});
    emit reelOpened();
    emit heardChanged();
}

std::filesystem::path Controller::storeFolder(const Reel& reel) const {
    return StemStore::folderFor(splitFile(reel), forQuality(findNetwork(reel.network), reel.quality).sha256,
                                reel.quality);
}

std::shared_ptr<StemStore> Controller::finishedStems(const Reel& reel) {
    ReelState& state = m_states[reel.id];
    state.repairedStems.reset();
    if (repairPending(reel)) return nullptr;
    try {
        auto stems = StemStore::openFinished(storeFolder(reel));
        if (stems && reel.treatsStems()) state.repairedStems = RepairedStems::find(*stems, reel.treatments);
        return state.repairedStems ? state.repairedStems->stems : stems;
    } catch (const Error& e) {
        emit notice(QString::fromStdString(e.what()));
        return nullptr;
    }
}

void Controller::attachStems(const std::string& id) {
    ReelState& state = m_states[id];
    const Reel* r = session().reel(id);
    if (!r) return;
    if (!state.splitting) state.stems = finishedStems(*r);
    if (id == session().current) {
        m_trying = false;
        m_player.setStems(state.stems);
        if (!repairPending(*r)) playVersions();  // else what is heard goes on until the treatments are through
        if (r->treatsStems() && state.stems && state.stems->finished() && !state.repairedStems) m_repair.start();
    }
    state.loudness.clear();
    state.matched.clear();
    m_loudness.start();
    emit stemsChanged();
}

void Controller::stemsTouched() {
    ReelState* state = currentState();
    if (!state) return;
    if (!m_trying) m_player.setStems(state->stems);
    state->matched.clear();
    m_loudness.start();
    emit stemsChanged();
}

void Controller::reopenStems() {
    if (reel()) attachStems(reel()->id);
}

void Controller::togglePlay() {
    if (m_player.playing()) m_player.stop();
    else m_player.play();
    emit heardChanged();
}

void Controller::hear(Heard heard) {
    m_player.setHeard(heard);
    emit heardChanged();
}

void Controller::setLevelMatch(bool on) {
    m_levelMatch = on;
    measureLoudness();
    emit heardChanged();
}

}  // namespace rivlen

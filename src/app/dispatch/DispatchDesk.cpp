#include "app/dispatch/DispatchDesk.h"

#include <QFileInfo>
#include <algorithm>

#include "app/words/Say.h"
#include "app/work/Tried.h"
#include "core/base/Resources.h"
#include "core/media/Timecode.h"
#include "core/session/NamedFolders.h"
#include "core/session/SessionDelivery.h"

namespace rivlen {

DispatchDesk::DispatchDesk(Document& document, Reels& reels, const DeliverablesDesk& deliverables, Work& work,
                           QObject* parent)
    : QObject(parent),
      m_document(document),
      m_deliverables(deliverables),
      m_work(work),
      m_queue(std::make_unique<DeliveryQueue>(dataFolder() / "dispatch")),
      m_jobs(work, this, OwnWork::Shown::InWorkLine) {
    connect(this, &DispatchDesk::changed, this, [this] { m_known.reset(); });  // before whoever shows it
    m_queue->clearEnded();  // what was delivered before lies where it was delivered to
    m_queue->onChange = [this, post = m_jobs.poster()] {
        if (m_told.exchange(true)) return;
        post([this] {
            m_told = false;
            emit changed();
        });
    };
    connect(&document, &Document::changed, this, &DispatchDesk::changed);
    connect(&reels, &Reels::read, this, &DispatchDesk::changed);
}

DispatchDesk::~DispatchDesk() {
    m_queue->setPaused(false);
    m_jobs.begin();
}

void DispatchDesk::dispatch(const QString& folder, bool allReels) {
    std::vector<Deliverable> wanted;
    for (const Deliverable& d : m_deliverables.deliverables())
        if (d.on) wanted.push_back(d);
    const Session& session = m_document.session();
    std::vector<const Reel*> reels;
    for (const Reel& r : session.reels)
        if (allReels || r.id == session.current) reels.push_back(&r);
    if (reels.empty()) return void(m_work.warn(say("Add a recording at Intake first.")));
    // All of them or none.
    const bool fine = tried(m_work, [&] {
        checkNames(session, reels, wanted, toPath(folder), false);
        for (const Reel* reel : reels) m_queue->add(session, *reel, wanted, toPath(folder), false);
    });
    if (fine) start();
    emit changed();
}

void DispatchDesk::dispatchReel(const std::string& id, std::vector<Deliverable> wanted, const QString& folder) {
    const Session& session = m_document.session();
    const Reel* reel = session.reel(id);
    if (!reel) return;
    const bool fine = tried(m_work, [&] {
        const std::vector<std::string> plain = [&] {
            std::vector<std::string> names;
            for (const Deliverable& d : wanted) names.push_back(d.fileName);
            return names;
        }();
        const auto taken = [&] {
            for (const Deliverable& d : wanted)
                for (const auto& name : deliveryFileNames(d, session.name, reel->name, mixNamesOf(*reel)))
                    if (std::filesystem::exists(toPath(folder) / name)) return true;
            return false;
        };
        for (int number = 2; taken(); ++number)
            for (size_t i = 0; i < wanted.size(); ++i) wanted[i].fileName = plain[i] + "-" + std::to_string(number);
        m_queue->add(session, *reel, wanted, toPath(folder), false);
    });
    if (fine) start();
    emit changed();
}

void DispatchDesk::dispatchSession(const QString& file, const QString& folder) {
    const bool fine = tried(m_work, [&] {
        const Session session = loadSession(toPath(file));
        if (!foreignFiles(session, toPath(file)).empty())
            throw Error(Error::Kind::Usage, say("The session \"%1\" names recordings outside of its folder: open it "
                                                "once, to say that they may be read.")
                                                .arg(file)
                                                .toStdString());
        if (session.reels.empty())
            throw Error(Error::Kind::Usage,
                        say("The session \"%1\" has no reels: add a recording to it first.").arg(file).toStdString());
        std::vector<Deliverable> wanted;
        for (const Deliverable& d : session.deliverables.empty() ? usualDeliverables() : session.deliverables)
            if (d.on) wanted.push_back(d);
        std::vector<const Reel*> reels;
        for (const Reel& r : session.reels) reels.push_back(&r);
        checkNames(session, reels, wanted, toPath(folder), false);
        for (const Reel* reel : reels) m_queue->add(session, *reel, wanted, toPath(folder), false);
    });
    if (fine) start();
    emit changed();
}

void DispatchDesk::start() {
    m_queue->setPaused(false);
    if (busy() || !m_queue->waiting()) return;
    m_stopped = false;
    const auto work = [this](Progress& progress, const Work::Post&) {
        try {
            m_queue->run(progress);
        } catch (const Error&) {
            m_stopped = true;
            throw;
        }
    };
    m_jobs.submit(say("Dispatching"), work, [this](const JobQueue::Outcome&) {
        emit changed();
        if (busy()) return;
        if (m_stopped) {
            if (m_queue->waiting())
                m_work.report(say("Dispatch was stopped; Go on at Queue takes up where it stopped."));
            return;
        }
        if (m_queue->waiting() && !m_queue->paused()) return start();  // came in while the last one ended
        const auto all = reports();
        const auto held = std::count_if(all.begin(), all.end(), [](const DeliveryReport& r) { return r.heldBack; });
        size_t failed = 0;
        QString why, folder;
        for (const auto& t : m_queue->tasks()) {
            failed += t.state == DeliveryTask::State::Failed;
            if (t.state == DeliveryTask::State::Failed && why.isEmpty()) why = said(t.error);
            folder = QString::fromStdString(t.folder.filename().string());
        }
        if (failed)
            m_work.warn(failed == 1 ? why : say("%1 reels could not be delivered; the first: %2").arg(failed).arg(why));
        else if (held)
            m_work.warn(say("%1 of %2 deliverables failed a check and were held back: see Queue, or the report in %3.")
                            .arg(held)
                            .arg(all.size())
                            .arg(folder));
        else if (!all.empty() && !m_queue->waiting())
            m_work.report(say("%1 deliverables are in %2, all checks passed.").arg(all.size()).arg(folder));
    });
    emit changed();
}

void DispatchDesk::cancel() {
    for (const auto& t : m_queue->tasks())
        if (t.state == DeliveryTask::State::Waiting) m_queue->remove(t.id);
    for (const auto& t : m_queue->tasks())
        if (t.state == DeliveryTask::State::Running) m_queue->remove(t.id);
    m_queue->setPaused(false);
    emit changed();
}

namespace {

/// Nothing that a deliverable hangs on was changed since.
bool sameWork(const Reel& then, const Reel& now) {
    return then.strength == now.strength && then.treatments == now.treatments && then.rebuild == now.rebuild &&
           then.network == now.network && then.quality == now.quality && then.scene == now.scene;
}

}  // namespace

const DispatchDesk::Deliveries& DispatchDesk::deliveries() const {
    if (m_known) return *m_known;
    Deliveries& all = m_known.emplace();
    for (const auto& t : m_queue->tasks()) {
        const Reel* now = m_document.session().reel(t.reel().id);
        if (!now || now->source != t.reel().source) continue;
        for (const Deliverable& d : t.session.deliverables) {
            Delivery made;
            const auto report = std::find_if(t.reports.begin(), t.reports.end(),
                                             [&](const DeliveryReport& r) { return r.name == d.name; });
            if (report != t.reports.end()) made.report = *report;
            made.state = made.report ? made.report->heldBack ? Delivery::State::HeldBack : Delivery::State::Delivered
                         : t.state == DeliveryTask::State::Running ? Delivery::State::AtWork
                         : t.state == DeliveryTask::State::Waiting ? Delivery::State::Waiting
                                                                   : Delivery::State::Failed;
            if (!made.report) made.error = t.error;
            const auto& wanted = m_deliverables.deliverables();
            const auto recipe = std::find_if(wanted.begin(), wanted.end(),
                                             [&](const Deliverable& other) { return other.name == d.name; });
            Deliverable then = d;
            if (recipe != wanted.end()) then.on = recipe->on, then.fileName = recipe->fileName;
            made.current = recipe != wanted.end() && then == *recipe && sameWork(t.reel(), *now);
            all[{now->id, d.name}] = std::move(made);
        }
    }
    return all;
}

DispatchDesk::Standing DispatchDesk::standing() const {
    const Reel* reel = m_document.reel();
    Standing found = Standing::Nothing;
    for (const auto& t : m_queue->tasks()) {
        const Reel& then = t.reel();
        if (!reel || then.id != reel->id || then.source != reel->source) continue;
        const bool same = sameWork(then, *reel);
        switch (t.state) {
            case DeliveryTask::State::Done: found = same ? Standing::Delivered : Standing::InWork; break;
            case DeliveryTask::State::HeldBack:
            case DeliveryTask::State::Failed: found = Standing::Refused; break;
            default: found = Standing::InWork;
        }
    }
    return found;
}

QString DispatchDesk::timeLeft() const {
    const auto jobs = m_jobs.status();
    return jobs.empty() || jobs.front().secondsLeft < 0 || m_queue->paused()
               ? QString()
               : QString::fromStdString(formatDuration(jobs.front().secondsLeft));
}

std::vector<DeliveryReport> DispatchDesk::reports() const {
    std::vector<DeliveryReport> all;
    for (const auto& t : m_queue->tasks()) all.insert(all.end(), t.reports.begin(), t.reports.end());
    return all;
}

void DispatchDesk::handOver(const QString& folder, double handles) {
    const Reel* reel = m_document.reel();
    if (!reel) return void(m_work.warn(say("Add a recording at Intake first.")));
    const auto made = std::make_shared<std::string>();
    m_jobs.submit(
        say("Handing over ") + QString::fromStdString(reel->name),
        [session = m_document.session(), id = reel->id, to = toPath(folder), handles, made](Progress& progress,
                                                                                            const Work::Post&) {
            const Reel& r = *session.reel(id);
            const ReelMaterial material = prepareReel(recipeOf(r), Progress(progress, 0, 0.5));
            *made = handOverReel(session, r, material, handles, to, Progress(progress, 0.5, 1)).string();
        },
        [this, made](const JobQueue::Outcome&) {
            emit changed();
            if (!made->empty())
                m_work.report(say("Handed over in %1; MANIFEST.txt says what is what.")
                                  .arg(QFileInfo(QString::fromStdString(*made)).fileName()));
        });
    emit changed();
}

}  // namespace rivlen

#include "app/DispatchDesk.h"

#include <QFileInfo>
#include <algorithm>

#include "core/base/Resources.h"
#include "core/media/Timecode.h"
#include "core/session/SessionDelivery.h"

namespace rivlen {

DispatchDesk::DispatchDesk(Controller& controller, QObject* parent)
    : QObject(parent), m_controller(controller), m_queue(std::make_unique<DeliveryQueue>(dataFolder() / "dispatch")) {
    m_queue->clearEnded();  // what was delivered before lies where it was delivered to
    controller.watch(&m_work);
    m_queue->onChange = [this] {
        if (m_told.exchange(true)) return;
        QMetaObject::invokeMethod(
            this,
            [this] {
                m_told = false;
                emit changed();
            },
            Qt::QueuedConnection);
    };
    connect(&controller, &Controller::sessionChanged, this, [this] {
        m_chosen = std::clamp(m_chosen, 0, std::max(0, int(deliverables().size()) - 1));
        emit changed();
    });
    connect(&controller, &Controller::reelOpened, this, &DispatchDesk::changed);
}

DispatchDesk::~DispatchDesk() {
    m_controller.unwatch(&m_work);
    m_queue->setPaused(false);
    m_work.cancelAll();
}

/// Does something that may be refused; false, and a notice, when it was.
template <typename Action>
bool DispatchDesk::tried(Action action) {
    try {
        action();
        return true;
    } catch (const Error& e) {
        emit m_controller.notice(QString::fromStdString(e.what()));
        return false;
    }
}

const std::vector<Deliverable>& DispatchDesk::deliverables() const {
    const auto& own = m_controller.session().deliverables;
    return own.empty() ? usualDeliverables() : own;
}

void DispatchDesk::choose(int index) {
    m_chosen = index;
    emit changed();
}

void DispatchDesk::edit(const QString& name, const std::function<void(Deliverable&)>& change,
                        const std::string& gesture) {
    m_controller.editDeliverables(
        name,
        [&](auto& all) {
            if (m_chosen >= 0 && m_chosen < int(all.size())) change(all[size_t(m_chosen)]);
        },
        gesture);
}

void DispatchDesk::setOn(int index, bool on) {
    m_controller.editDeliverables(on ? "Deliver" : "Do not deliver", [&](auto& all) { all[size_t(index)].on = on; });
}

void DispatchDesk::add() {
    m_controller.editDeliverables("Add deliverable", [&](auto& all) {
        Deliverable d = m_chosen >= 0 && m_chosen < int(all.size()) ? all[size_t(m_chosen)] : Deliverable();
        int number = 1;
        const auto taken = [&](const std::string& name) {
            return std::any_of(all.begin(), all.end(), [&](const Deliverable& x) { return x.name == name; });
        };
        do d.name = "deliverable " + std::to_string(++number);
        while (taken(d.name));
        all.push_back(d);
        m_chosen = int(all.size()) - 1;
    });
}

void DispatchDesk::remove() {
    m_controller.editDeliverables("Remove deliverable", [&](auto& all) {
        if (all.size() > 1 && m_chosen >= 0 && m_chosen < int(all.size())) all.erase(all.begin() + m_chosen);
    });
}

void DispatchDesk::useSet(const DeliverySet& set) {
    m_controller.editDeliverables("Use set " + QString::fromStdString(set.name),
                                  [&](auto& all) { all = set.deliverables; });
    choose(0);
}

void DispatchDesk::keepSet(const QString& name) {
    if (tried([&] { saveOwnDeliverySet({name.trimmed().toStdString(), "", deliverables()}); }))
        emit m_controller.done(
            QString("The set \"%1\" is kept: it is among the sets from now on.").arg(name.trimmed()));
}

void DispatchDesk::readSet(const QString& file) {
    tried([&] { useSet(readDeliverySet(toPath(file))); });
}

void DispatchDesk::writeSet(const QString& file) {
    if (tried([&] { writeDeliverySet({m_controller.session().name, "", deliverables()}, toPath(file)); }))
        emit m_controller.done(QString("The set is written to %1.").arg(file));
}

QString DispatchDesk::preview() const {
    if (m_chosen < 0 || m_chosen >= int(deliverables().size())) return {};
    try {
        const Reel* reel = m_controller.reel();
        const auto names = deliveryFileNames(deliverables()[size_t(m_chosen)], m_controller.session().name,
                                             reel ? reel->name : "Reel", 2);
        return QString::fromStdString(
            names.size() > 1 ? names.front() + " and " + std::to_string(names.size() - 1) + " more" : names.front());
    } catch (const Error& e) {
        return QString::fromStdString(e.what());
    }
}

bool DispatchDesk::hasPicture() const {
    const ReelState* s = m_controller.reel() ? m_controller.currentState() : nullptr;
    return s && s->info && s->info->picture;
}

void DispatchDesk::dispatch(const QString& folder, bool allReels) {
    std::vector<Deliverable> wanted;
    for (const Deliverable& d : deliverables())
        if (d.on) wanted.push_back(d);
    const Session& session = m_controller.session();
    std::vector<const Reel*> reels;
    for (const Reel& r : session.reels)
        if (allReels || r.id == session.current) reels.push_back(&r);
    if (reels.empty()) return void(emit m_controller.notice("Add a recording at Intake first."));
    // All of them or none.
    const bool fine = tried([&] {
        checkNames(session, reels, wanted, toPath(folder), false);
        for (const Reel* reel : reels) m_queue->add(session, *reel, wanted, toPath(folder), false);
    });
    if (fine) start();
    emit changed();
}

void DispatchDesk::dispatchSession(const QString& file, const QString& folder) {
    const bool fine = tried([&] {
        const Session session = loadSession(toPath(file));
        if (session.reels.empty())
            throw Error(Error::Kind::Usage,
                        "The session \"" + file.toStdString() + "\" has no reels: add a recording to it first.");
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
    const auto work = [this](Progress& progress) {
        try {
            m_queue->run(progress);
        } catch (const Error&) {
            m_stopped = true;
            throw;
        }
    };
    m_work.submit(
        "Dispatching", work,
        m_controller.ending(
            this, [] { return true; },
            [this] {
                emit changed();
                if (busy()) return;
                if (m_stopped) {
                    if (m_queue->waiting())
                        emit m_controller.done("Dispatch was stopped; Go on at Queue takes up where it stopped.");
                    return;
                }
                if (m_queue->waiting() && !m_queue->paused()) return start();  // came in while the last one ended
                const auto all = reports();
                const auto held =
                    std::count_if(all.begin(), all.end(), [](const DeliveryReport& r) { return r.heldBack; });
                size_t failed = 0;
                QString why, folder;
                for (const auto& t : m_queue->tasks()) {
                    failed += t.state == DeliveryTask::State::Failed;
                    if (t.state == DeliveryTask::State::Failed && why.isEmpty()) why = QString::fromStdString(t.error);
                    folder = QString::fromStdString(t.folder.filename().string());
                }
                if (failed)
                    emit m_controller.notice(
                        failed == 1 ? why
                                    : QString("%1 reels could not be delivered; the first: %2").arg(failed).arg(why));
                else if (held)
                    emit m_controller.notice(
                        QString(
                            "%1 of %2 deliverables failed a check and were held back: see Queue, or the report in %3.")
                            .arg(held)
                            .arg(all.size())
                            .arg(folder));
                else if (!all.empty() && !m_queue->waiting())
                    emit m_controller.done(
                        QString("%1 deliverables are in %2, all checks passed.").arg(all.size()).arg(folder));
            }));
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

DispatchDesk::Standing DispatchDesk::standing() const {
    const Reel* reel = m_controller.reel();
    Standing found = Standing::Nothing;
    for (const auto& t : m_queue->tasks()) {
        const Reel& then = t.reel();
        if (!reel || then.id != reel->id || then.source != reel->source) continue;
        const bool same = then.strength == reel->strength && then.treatments == reel->treatments &&
                          then.rebuild == reel->rebuild && then.network == reel->network &&
                          then.quality == reel->quality;
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
    const auto jobs = m_work.status();
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
    const Reel* reel = m_controller.reel();
    if (!reel) return void(emit m_controller.notice("Add a recording at Intake first."));
    const auto made = std::make_shared<std::string>();
    m_work.submit(
        "Handing over " + reel->name,
        [session = m_controller.session(), id = reel->id, to = toPath(folder), handles, made](Progress& progress) {
            const Reel& r = *session.reel(id);
            const ReelMaterial material = prepareReel(recipeOf(r), Progress(progress, 0, 0.5));
            *made = handOverReel(session, r, material, handles, to, Progress(progress, 0.5, 1)).string();
        },
        m_controller.ending(
            this, [] { return true; },
            [this, made] {
                emit changed();
                if (!made->empty())
                    emit m_controller.done(QString("Handed over in %1; MANIFEST.txt says what is what.")
                                               .arg(QFileInfo(QString::fromStdString(*made)).fileName()));
            }));
    emit changed();
}

}  // namespace rivlen

#include "app/DispatchDesk.h"

#include <algorithm>

#include "core/session/SessionDelivery.h"

namespace rivlen {

DispatchDesk::DispatchDesk(Controller& controller, QObject* parent) : QObject(parent), m_controller(controller) {
    controller.watch(&m_queue);
    connect(&controller, &Controller::sessionChanged, this, [this] {
        m_chosen = std::clamp(m_chosen, 0, std::max(0, int(deliverables().size()) - 1));
        emit changed();
    });
    connect(&controller, &Controller::reelOpened, this, &DispatchDesk::changed);
}

DispatchDesk::~DispatchDesk() {
    m_controller.unwatch(&m_queue);
    m_queue.cancelAll();
}

const std::vector<Deliverable>& DispatchDesk::deliverables() const {
    const auto& own = m_controller.session().deliverables;
    return own.empty() ? usualDeliverables() : own;
}

void DispatchDesk::choose(int index) {
    m_chosen = index;
    emit changed();
}

void DispatchDesk::edit(const QString& name, const std::function<void(Deliverable&)>& change, const std::string& gesture) {
    m_controller.editDeliverables(name, [&](auto& all) {
        if (m_chosen >= 0 && m_chosen < int(all.size())) change(all[size_t(m_chosen)]);
    }, gesture);
}

void DispatchDesk::setOn(int index, bool on) {
    m_controller.editDeliverables(on ? "Deliver" : "Do not deliver", [&](auto& all) { all[size_t(index)].on = on; });
}

void DispatchDesk::add() {
    m_controller.editDeliverables("Add deliverable", [&](auto& all) {
        Deliverable d = m_chosen >= 0 && m_chosen < int(all.size()) ? all[size_t(m_chosen)] : Deliverable();
        int number = 1;
        const auto taken = [&](const std::string& name) { return std::any_of(all.begin(), all.end(), [&](const Deliverable& x) { return x.name == name; }); };
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

void DispatchDesk::useSet(size_t set) {
    m_controller.editDeliverables(QString("Use set %1").arg(shippedDeliveries()[set].name), [&](auto& all) { all = shippedDeliveries()[set].deliverables; });
    choose(0);
}

QString DispatchDesk::preview() const {
    if (m_chosen < 0 || m_chosen >= int(deliverables().size())) return {};
    try {
        return QString::fromStdString(deliveryFileName(deliverables()[size_t(m_chosen)], m_controller.session().name, m_controller.reel() ? m_controller.reel()->name : "Reel"));
    } catch (const Error& e) {
        return QString::fromStdString(e.what());
    }
}

void DispatchDesk::dispatch(const QString& folder, bool allReels) {
    std::vector<Deliverable> wanted;
    for (const Deliverable& d : deliverables())
        if (d.on) wanted.push_back(d);
    const Session session = m_controller.session();
    std::vector<const Reel*> reels;
    for (const Reel& r : session.reels)
        if (allReels || r.id == session.current) reels.push_back(&r);
    if (wanted.empty() || reels.empty()) return void(emit m_controller.notice(reels.empty() ? "Add a recording at Intake first." : "Nothing is ticked: tick the deliverables that are to be made."));
    const auto to = toPath(folder);
    try {
        checkNames(session, reels, wanted, to, false);
    } catch (const Error& e) {
        return void(emit m_controller.notice(QString::fromStdString(e.what())));
    }
    m_reports.clear();
    const int number = ++m_number;
    const auto all = std::make_shared<std::vector<DeliveryReport>>();
    for (const Reel* reel : reels) {
        const bool last = reel == reels.back();
        m_queue.submit("Dispatching " + reel->name, [this, number, session, id = reel->id, wanted, to, all, last](Progress& progress) {
            const Reel& r = *session.reel(id);
            const ReelMaterial material = prepareReel(recipeOf(r), Progress(progress, 0, 0.3));
            for (size_t i = 0; i < wanted.size(); ++i) {
                const double share = 0.7 / double(wanted.size());
                all->push_back(deliver(wanted[i], deliverySource(session, r, wanted[i], material), to, false, Progress(progress, 0.3 + share * double(i), 0.3 + share * double(i + 1))));
                QMetaObject::invokeMethod(this, [this, number, report = all->back()] {
                    if (number != m_number) return;
                    m_reports.push_back(report);
                    emit changed();
                }, Qt::QueuedConnection);
            }
            if (last) writeDeliveryReport(*all, session.name, to);
        }, m_controller.ending(this, [this, number] { return number == m_number; }, [this, last, folder] {
            emit changed();
            if (!last || busy()) return;
            const auto held = std::count_if(m_reports.begin(), m_reports.end(), [](const DeliveryReport& r) { return r.heldBack; });
            if (held) emit m_controller.notice(QString("%1 of %2 files failed a check and were held back: see the list, or delivery.html in %3.").arg(held).arg(m_reports.size()).arg(folder));
            else if (!m_reports.empty()) emit m_controller.done(QString("%1 files are in %2, all checks passed.").arg(m_reports.size()).arg(folder));
        }));
    }
    emit changed();
}

}  // namespace rivlen

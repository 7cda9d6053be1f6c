#include "app/dispatch/DeliverablesDesk.h"

#include <algorithm>

#include "app/work/Tried.h"

namespace rivlen {

DeliverablesDesk::DeliverablesDesk(Document& document, Reels& reels, Work& work, QObject* parent)
    : QObject(parent), m_document(document), m_reels(reels), m_work(work) {
    connect(&document, &Document::changed, this, [this] {
        m_chosen = std::clamp(m_chosen, 0, std::max(0, int(deliverables().size()) - 1));
        emit changed();
    });
    connect(&reels, &Reels::read, this, &DeliverablesDesk::changed);
}

const std::vector<Deliverable>& DeliverablesDesk::deliverables() const {
    const auto& own = m_document.session().deliverables;
    return own.empty() ? usualDeliverables() : own;
}

void DeliverablesDesk::choose(int index) {
    m_chosen = index;
    emit changed();
}

void DeliverablesDesk::edit(const QString& name, const std::function<void(Deliverable&)>& change,
                            const std::string& gesture) {
    m_document.editDeliverables(
        name,
        [&](auto& all) {
            if (m_chosen >= 0 && m_chosen < int(all.size())) change(all[size_t(m_chosen)]);
        },
        gesture);
}

void DeliverablesDesk::setOn(int index, bool on) {
    m_document.editDeliverables(on ? "Deliver" : "Do not deliver", [&](auto& all) { all[size_t(index)].on = on; });
}

void DeliverablesDesk::add() {
    m_document.editDeliverables("Add deliverable", [&](auto& all) {
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

void DeliverablesDesk::remove() {
    m_document.editDeliverables("Remove deliverable", [&](auto& all) {
        if (all.size() > 1 && m_chosen >= 0 && m_chosen < int(all.size())) all.erase(all.begin() + m_chosen);
    });
}

void DeliverablesDesk::useSet(const DeliverySet& set) {
    m_document.editDeliverables("Use set " + QString::fromStdString(set.name),
                                [&](auto& all) { all = set.deliverables; });
    choose(0);
}

void DeliverablesDesk::keepSet(const QString& name) {
    if (tried(m_work, [&] { saveOwnDeliverySet({name.trimmed().toStdString(), "", deliverables()}); }))
        m_work.report(QString("The set \"%1\" is kept: it is among the sets from now on.").arg(name.trimmed()));
}

void DeliverablesDesk::readSet(const QString& file) {
    tried(m_work, [&] { useSet(readDeliverySet(toPath(file))); });
}

void DeliverablesDesk::writeSet(const QString& file) {
    if (tried(m_work, [&] { writeDeliverySet({m_document.session().name, "", deliverables()}, toPath(file)); }))
        m_work.report(QString("The set is written to %1.").arg(file));
}

QString DeliverablesDesk::preview() const {
    if (m_chosen < 0 || m_chosen >= int(deliverables().size())) return {};
    try {
        const Reel* reel = m_document.reel();
        const auto names = deliveryFileNames(deliverables()[size_t(m_chosen)], m_document.session().name,
                                             reel ? reel->name : "Reel", 2);
        return QString::fromStdString(
            names.size() > 1 ? names.front() + " and " + std::to_string(names.size() - 1) + " more" : names.front());
    } catch (const Error& e) {
        return QString::fromStdString(e.what());
    }
}

bool DeliverablesDesk::hasPicture() const {
    const ReelFacts* s = m_document.reel() ? m_reels.current() : nullptr;
    return s && s->info && s->info->picture;
}

}  // namespace rivlen
